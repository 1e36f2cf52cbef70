// Package least finds the few least of many without sorting them all.
package least

import "slices"

// Of gives the n least of a list in order, or all of a shorter one; order compares them, and is never 0 for two of
// them. The list stays as it is.
func Of[T any](n int, list []T, order func(a, b T) int) []T {
	if n <= 0 {
		return nil
	}
	kept := make([]T, 0, min(len(list), 2*n))
	full := false // n are kept in order, and what is not less than the last of them is none of the least
	for _, one := range list {
		if full && order(one, kept[n-1]) > 0 {
			continue
		}
		if kept = append(kept, one); len(kept) == 2*n {
			slices.SortFunc(kept, order)
			kept, full = kept[:n], true
		}
	}
	slices.SortFunc(kept, order)
	return kept[:min(n, len(kept))]
}
