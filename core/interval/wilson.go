// Package interval gives intervals for counted shares.
package interval

import "math"

// Z95 is the two-sided 95 % point of the normal distribution.
const Z95 = 1.959963984540054

// Wilson gives the 95 % score interval of a share of k out of n (Wilson 1927;
// recommended by Newcombe 1998, Stat Med 17:857, method 3). It stays within
// 0-1; with n = 0 nothing is known and it is 0 to 1.
func Wilson(k, n int) (low, high float64) {
	if n <= 0 {
		return 0, 1
	}
	share, size := float64(k)/float64(n), float64(n)
	middle := share + Z95*Z95/(2*size)
	half := Z95 * math.Sqrt(share*(1-share)/size+Z95*Z95/(4*size*size))
	scale := 1 + Z95*Z95/size
	return max(0, (middle-half)/scale), min(1, (middle+half)/scale)
}
