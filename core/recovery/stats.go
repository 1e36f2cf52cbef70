package recovery

import "sort"

// medianOf numbers in any order; they must not be empty.
func medianOf(values []float64) float64 {
	s := append([]float64{}, values...)
	sort.Float64s(s)
	return median(s)
}
