package fit

import "math"

// How light is raised (common practice): by half at most and an hour more of sun at a step,
// in five steps at most, over one to two weeks.
const (
	byHalf       = 1.5
	sunNoticed   = 0.5
	mostSteps    = 5
	weekOfSteps  = 7.0
	usualGap     = 3.5
	twoWeeksStep = 14.0
)

// LightStep is a step of a rise in light.
type LightStep struct {
	Day   int     `json:"day" doc:"Days from the first."`
	Light float64 `json:"light" doc:"Mol a square metre and day."`
	Sun   float64 `json:"sun" doc:"Hours of direct sun."`
}

// Rise gives the steps from one light to another: one where it falls or rises little.
func Rise(from, to, sunFrom, sunTo float64) []LightStep {
	ratio, n := 1.0, 0
	if from > 0 {
		ratio = to / from
	}
	if ratio > 1.001 {
		n = int(math.Ceil(math.Log(ratio)/math.Log(byHalf) - 1e-9))
	}
	if more := sunTo - sunFrom; more > sunNoticed {
		n = max(n, int(math.Ceil(more-1e-9)))
	}
	if n <= 1 {
		return []LightStep{{0, to, sunTo}}
	}
	n = min(n, mostSteps)
	gap := max(weekOfSteps/float64(n-1), min(usualGap, twoWeeksStep/float64(n-1)))
	steps := make([]LightStep, n)
	for i := range steps {
		part := float64(i+1) / float64(n)
		steps[i] = LightStep{
			Day: int(math.RoundToEven(float64(i) * gap)), Light: from * math.Pow(ratio, part),
			Sun: sunFrom + (sunTo-sunFrom)*part,
		}
	}
	return steps
}
