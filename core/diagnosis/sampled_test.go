//go:build !full

package diagnosis

// every: of so many like cases the usual tests try one; make test-full tries all.
const every = 3
