//go:build full

package record_test

// histories is how many made-up histories are tried.
const histories = 200
