package place

import (
	"math"

	"tendermend/core/day"
	"tendermend/core/sky"
)

// Overcast says how the sky was when light was read.
type Overcast string

// The skies over a reading.
const (
	GreySky  Overcast = "overcast"
	ClearSky Overcast = "clear"
)

// LightRead is one reading of daylight, facing the window, with no beam of sun on the meter
// and the lamp off.
type LightRead struct {
	On   day.Day  `json:"on"`
	Hour float64  `json:"hour" minimum:"0" maximum:"24" doc:"Solar time."`
	PPFD float64  `json:"ppfd" minimum:"0" maximum:"2500"`
	Sky  Overcast `json:"sky" enum:"overcast,clear"`
}

// How sure light is: spread of its logarithm by eye, and of one reading (guesses).
const (
	eyeSpread    = 0.55
	solarWatts   = 1367
	greyShare    = 0.22
	clearShare   = 0.75
	clearFromSky = 0.15 // of clear sunshine, from the sky
	groundShare  = 0.10
	wattsToPPFD  = sky.MolPerMJ
)

var readSpread = map[Overcast]float64{GreySky: 0.35, ClearSky: 0.40}

// expected is what a meter would show there by eye of the window alone, µmol; 0 by night.
func (p Details) expected(at Site, r LightRead) float64 {
	w := p.Window
	if w == nil {
		return 0
	}
	sun := sky.At(at.Latitude, r.On, r.Hour)
	if sun.Altitude <= 0 {
		return 0
	}
	whole := greyShare * solarWatts * math.Sin(sun.Altitude)
	fromSky := whole
	if r.Sky == ClearSky {
		whole = clearShare * solarWatts * math.Sin(sun.Altitude)
		fromSky = clearFromSky * whole
	}
	seen := fromSky*0.5*w.seen() + whole*groundShare
	through := glass * dirt * w.through()
	if p.Setting == Outdoors {
		through = w.through()
	}
	fills := w.fills()
	if p.openAbove() {
		fills = 1
	}
	return through * seen * fills * wattsToPPFD
}

// Scale is what readings make of the light by eye: a factor, and the spread of its
// logarithm. Without any it is 1 and the spread of a guess. Readings by night, of nothing,
// or where no window is teach nothing.
func (p Details) Scale(at Site, readings []LightRead) (factor, spread float64) {
	precision, sum := 1/(eyeSpread*eyeSpread), 0.0
	for _, r := range readings {
		expected, known := p.expected(at, r), readSpread[r.Sky]
		if expected <= 0 || r.PPFD <= 0 || known == 0 {
			continue
		}
		q := 1 / (known * known)
		sum += q * math.Log(r.PPFD/expected)
		precision += q
	}
	return math.Exp(sum / precision), math.Sqrt(1 / precision)
}

// HowToRead is how one reads daylight in a place (common practice).
const HowToRead = "At the leaves, facing the window, with the lamp off and no sun on the meter."

// Odd says whether readings differ so much from what its window would give that the aspect
// or the size is likely wrong.
func Odd(factor float64) bool { return factor < 0.3 || factor > 3 }

// Within is the range that holds the light four times in five.
func Within(light, spread float64) (low, high float64) {
	return light * math.Exp(-1.28*spread), light * math.Exp(1.28*spread)
}
