package drying

import "math"

// The model asks for e^−x a hundred thousand times a pot: a table with straight lines
// between its points is right to two in a million, and many times as fast.
const (
	quickSteps = 256 // to the unit
	quickReach = 20
)

var quickTable = func() (t [quickReach*quickSteps + 2]float64) {
	for i := range t {
		t[i] = math.Exp(-float64(i) / quickSteps)
	}
	return t
}()

// quickExp gives e^−x for x of 0 or more.
func quickExp(x float64) float64 {
	x *= quickSteps
	if x >= quickReach*quickSteps {
		return 0
	}
	i := int(x)
	a := quickTable[i]
	return a + (quickTable[i+1]-a)*(x-float64(i))
}

// quickDry is Dry by the table.
func quickDry(content, drying float64) float64 {
	first := max(content-slowing, 0)
	if drying <= first {
		return content - drying
	}
	return (content - first) * quickExp((drying-first)/slowing)
}
