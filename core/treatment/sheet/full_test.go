//go:build full

package sheet_test

// every says that all of many like cases are tried.
const every = 1
