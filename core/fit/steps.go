package fit

import (
	"math"
	"slices"

	"tendermend/core/climate"
)

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

// DarkerDries is what one is told of a plant that moves to less light (common practice).
const DarkerDries = "It gets less light there: it dries more slowly, so look before you water."

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

// LampHours is how long a lamp usually burns a day (common practice).
const LampHours = 12

// mended is for what share of the plants a lamp is sized: for all, the one that wants most would
// have the others scorched.
const mended = 0.75

// severalDark is from how many plants on a lamp is spoken of.
const severalDark = 2

// LampFor is how bright a lamp has to be at the leaves, burning twelve hours a day, so that
// three in four of some kinds do well in a place of so much light: µmol a square metre and
// second, to the next ten, its hours, and for how many it is enough; 0 where none is needed
// or where fewer than two want it. Well is the middle between their least and their best.
func LampFor(kinds []Kind, light float64) (ppfd, hours float64, n int) {
	wants := make([]float64, len(kinds))
	for i, k := range kinds {
		wants[i] = math.Sqrt(k.Light[0] * k.Light[1])
	}
	slices.Sort(wants)
	n = int(math.Ceil(mended * float64(len(wants))))
	if len(kinds) < severalDark || wants[n-1] <= light {
		return 0, LampHours, n
	}
	return Lamp(wants[n-1] - light), LampHours, n
}

// Lamp is how bright a lamp has to be at the leaves to give so much more light, mol a square metre
// and day, in the hours that it burns: µmol a square metre and second, to the next ten.
func Lamp(light float64) (ppfd float64) {
	return math.Ceil(light/climate.DLI(1, LampHours)/10) * 10
}
