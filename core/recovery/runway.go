package recovery

import (
	"errors"
	"math"
)

// Runway is how long a rootless plant can live on its reserves, in days.
type Runway struct {
	Days    [2]float64 `json:"days" doc:"Shortest and longest."`
	Weighed bool       `json:"weighed" doc:"Whether it rests on weighings of the plant."`
	// Loss is the share of weight lost a day; 0 where nobody weighed.
	Loss float64 `json:"loss"`
}

// ErrRunway means that no runway can be told from what was given.
var ErrRunway = errors.New(
	"give two weighings at least three days apart, the later one lighter, or say how its reserves look",
)

// A plant on reserves gives up at about 55 % of its starting fresh weight (common
// practice); "about" is taken as five points either way.
const earliestShare, latestShare = 0.60, 0.50

// reserveDays by how the reserves of a bulbed orchid look, and for thin-stemmed
// foliage in a chamber (common practice).
var reserveDays = map[string][2]float64{
	"plump": {90, 120}, "ridged": {45, 75}, "shrivelled": {15, 40}, "thin-stemmed": {21, 35},
}

// RunwayByEye tells the runway from how reserves look: plump, ridged or
// shrivelled bulbs, or thin-stemmed foliage in a chamber.
func RunwayByEye(reserves string) (Runway, error) {
	days, ok := reserveDays[reserves]
	if !ok {
		return Runway{}, ErrRunway
	}
	return Runway{Days: days}, nil
}

// RunwayByWeight tells the runway from weighings of the bare plant, in grams,
// oldest first: weight falls exponentially to about 55 % of where it started, and
// the days that are left count from the last weighing. The range takes 60 % with
// the fastest and 50 % with the slowest loss between the first and each later
// weighing, at least a fifth either way of the loss up to the last.
func RunwayByWeight(readings []Reading) (Runway, error) {
	if len(readings) < 2 {
		return Runway{}, ErrRunway
	}
	first, last := readings[0], readings[len(readings)-1]
	days := float64(last.On - first.On)
	if days < 3 || first.Value <= 0 || last.Value <= 0 || last.Value >= first.Value {
		return Runway{}, ErrRunway
	}
	rate := math.Log(first.Value/last.Value) / days
	fast, slow := rate*1.2, rate/1.2
	for _, r := range readings[1:] {
		if d := float64(r.On - first.On); d >= 3 && r.Value > 0 && r.Value < first.Value {
			k := math.Log(first.Value/r.Value) / d
			fast, slow = max(fast, k), min(slow, k)
		}
	}
	left := func(share, loss float64) float64 { return max(0, math.Log(last.Value/(share*first.Value))/loss) }
	return Runway{
		Days:    [2]float64{math.Floor(left(earliestShare, fast)), math.Ceil(left(latestShare, slow))},
		Weighed: true,
		Loss:    1 - math.Exp(-rate),
	}, nil
}
