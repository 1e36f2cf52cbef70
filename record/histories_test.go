//go:build !full

package record_test

// histories is how many made-up histories are tried; with the tag full, more.
const histories = 60
