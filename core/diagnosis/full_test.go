//go:build full

package diagnosis

// every says that all of many like cases are tried.
const every = 1
