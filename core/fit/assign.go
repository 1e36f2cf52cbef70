package fit

import "math"

// match gives each row a column of its own so that the sum is least (the Hungarian method
// with potentials; Kuhn 1955, Munkres 1957, in Jonker and Volgenant's form). There are at
// least as many columns as rows.
func match(costs [][]float64) []int {
	n, m := len(costs), len(costs[0])
	u, v := make([]float64, n+1), make([]float64, m+1)
	row, way := make([]int, m+1), make([]int, m+1) // row of each column, 0 for none; from 1
	for i := 1; i <= n; i++ {
		row[0] = i
		at := 0
		least, used := make([]float64, m+1), make([]bool, m+1)
		for j := range least {
			least[j] = math.Inf(1)
		}
		for row[at] != 0 {
			used[at] = true
			from, delta, next := row[at], math.Inf(1), 0
			for j := 1; j <= m; j++ {
				if used[j] {
					continue
				}
				if c := costs[from-1][j-1] - u[from] - v[j]; c < least[j] {
					least[j], way[j] = c, at
				}
				if least[j] < delta {
					delta, next = least[j], j
				}
			}
			for j := range used {
				if used[j] {
					u[row[j]] += delta
					v[j] -= delta
				} else {
					least[j] -= delta
				}
			}
			at = next
		}
		for at != 0 {
			row[at], at = row[way[at]], way[at]
		}
	}
	columns := make([]int, n)
	for j := 1; j <= m; j++ {
		if row[j] > 0 {
			columns[row[j]-1] = j - 1
		}
	}
	return columns
}
