package place

import (
	"math"

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

// SunHours is how long the sun would reach the plants on a clear day, and how long it
// usually does.
func (p Details) SunHours(at Site, d day.Day) (most, usual float64) {
	const steps = 24 * 60 / stepMinutes
	for i := range steps {
		if p.reaches(sky.At(at.Latitude, d, (float64(i)+0.5)*stepMinutes/60)) {
			most += stepMinutes / 60.0
		}
	}
	return most, most * max(0, min(1, (sky.Clearness(at.Sky, at.Latitude, d)-0.2)/0.5))
}

// beam is the sunshine on a leaf, turned to the window or flat where light comes from above,
// over that on open ground.
func (p Details) beam(at Site, d day.Day) float64 {
	const steps = 24 * 60 / stepMinutes
	turned := 0.0
	if !p.openAbove() {
		turned = aspects[p.Window.Aspect] * math.Pi / 180
	}
	here, open := 0.0, 0.0
	for i := range steps {
		sun := sky.At(at.Latitude, d, (float64(i)+0.5)*stepMinutes/60)
		if sun.Altitude <= 0 {
			continue
		}
		open += math.Sin(sun.Altitude)
		switch {
		case !p.reaches(sun):
		case p.openAbove():
			here += math.Sin(sun.Altitude)
		default:
			here += math.Cos(sun.Altitude) * math.Cos(sun.Azimuth-turned)
		}
	}
	if open == 0 {
		return 0
	}
	return here / open
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
		light := out * (share*w.seen() + (1-share)*p.beam(at, d)) * w.through()
		if p.Setting != Outdoors {
			light *= glass * dirt
		}
		return light
	}
	fromSky := out*share*0.5*w.seen() + out*groundThrows*0.5*(0.5+0.5*w.seen())
	fromSun := out * (1 - share) * p.beam(at, d)
	thrown := roomThrows * out * min(2, w.width()*w.height()/2)
	return glass*dirt*w.through()*(fromSky*w.fills()+fromSun) + thrown
}
