package place

import (
	"math"

	lru "github.com/hashicorp/golang-lru/v2"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/sky"
)

// stepMinutes is how finely a day is walked through.
const stepMinutes = 10

// reaches says whether the sun, where it stands, reaches the plants.
func (p Details) reaches(sun sky.Sun) bool {
	w := p.Window
	if w == nil || sun.Altitude <= hides[w.blocked()].degrees*math.Pi/180 {
		return false
	}
	if p.openAbove() {
		return true
	}
	side := math.Mod(sun.Azimuth-aspects[w.Aspect]*math.Pi/180+3*math.Pi, 2*math.Pi) - math.Pi
	if math.Abs(side) >= math.Pi/2-0.02 {
		return false
	}
	up := w.DistanceM * math.Tan(sun.Altitude) / math.Cos(side)
	return math.Abs(w.DistanceM*math.Tan(side)) <= w.width()/2 && up <= w.height()-aboveSill
}

// openAbove says whether its light comes from above: outdoors, or through the roof.
func (p Details) openAbove() bool { return p.Setting == Outdoors || p.Window != nil && p.Window.Roof }

// sunDay is what the sun does in a place on a day.
type sunDay struct {
	hours    float64 // in which it reaches the plants, were the sky clear
	beam     float64 // sunshine on a leaf, turned to the window or flat where light comes from above, over open ground's
	from, to float64 // the first and the last hour of solar time; 0 where it never does
	hot      bool    // whether it does around noon
}

// sunKey is all that a sunDay depends on.
type sunKey struct {
	opening   LitBy
	setting   Setting
	latitude  float64
	dayOfYear int
}

// sunDays keeps what was reckoned last: a year of a place is asked for again and again.
var sunDays = func() *lru.Cache[sunKey, sunDay] {
	kept, err := lru.New[sunKey, sunDay](mostSunDays)
	if err != nil {
		panic(err) // a size below one, which it is not
	}
	return kept
}()

// mostSunDays is how many are kept: the months of some thousand places.
const mostSunDays = 20_000

// sun walks the sun through a day.
func (p Details) sun(at Site, d day.Day) sunDay {
	if p.Window == nil {
		return sunDay{}
	}
	key := sunKey{*p.Window, p.Setting, at.Latitude, d.Time().YearDay()}
	if known, is := sunDays.Get(key); is {
		return known
	}
	const steps = 24 * 60 / stepMinutes
	var s sunDay
	turned := aspects[p.Window.Aspect] * math.Pi / 180
	here, open := 0.0, 0.0
	for i := range steps {
		hour := (float64(i) + 0.5) * stepMinutes / 60
		sun := sky.At(at.Latitude, d, hour)
		if sun.Altitude <= 0 {
			continue
		}
		open += math.Sin(sun.Altitude)
		if !p.reaches(sun) {
			continue
		}
		s.hours += stepMinutes / 60.0
		if s.to == 0 {
			s.from = hour
		}
		s.to = hour
		s.hot = s.hot || hour >= noonFrom && hour < noonTo
		if p.openAbove() {
			here += math.Sin(sun.Altitude)
		} else {
			here += math.Cos(sun.Altitude) * math.Cos(sun.Azimuth-turned)
		}
	}
	if open > 0 {
		s.beam = here / open
	}
	sunDays.Add(key, s)
	return s
}

// SunHours is how long the sun would reach the plants on a clear day, and how long it
// usually does.
func (p Details) SunHours(at Site, d day.Day) (most, usual float64) {
	most = p.sun(at, d).hours
	return most, most * max(0, min(1, (sky.Clearness(at.Sky, at.Latitude, d)-0.2)/0.5))
}

// Light is the light that plants get there on a day, mol a square metre, by eye of the window
// alone: what a reading makes of it is in Scale.
func (p Details) Light(at Site, d day.Day) float64 {
	return p.daylight(at, d) + p.lamp()
}

func (p Details) lamp() float64 {
	if p.Lamp == nil {
		return 0
	}
	return climate.DLI(p.Lamp.PPFD, p.Lamp.Hours)
}

func (p Details) daylight(at Site, d day.Day) float64 {
	w := p.Window
	if w == nil {
		return 0
	}
	out, share := sky.Outside(at.Sky, at.Latitude, d), sky.Diffuse(at.Sky, at.Latitude, d)
	if p.openAbove() {
		light := out * (share*w.seen() + (1-share)*p.sun(at, d).beam) * w.through()
		if p.Setting != Outdoors {
			light *= glass * dirt
		}
		return light
	}
	fromSky := out*share*0.5*w.seen() + out*groundThrows*0.5*(0.5+0.5*w.seen())
	fromSun := out * (1 - share) * p.sun(at, d).beam
	thrown := roomThrows * out * min(2, w.width()*w.height()/2)
	return glass*dirt*w.through()*(fromSky*w.fills()+fromSun) + thrown
}
