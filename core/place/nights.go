package place

import (
	"math"

	"tendermend/core/day"
	"tendermend/core/sky"
)

// coupling is how a night indoors follows the night outdoors: share, base in °C and spread.
type coupling struct{ share, base, spread float64 }

// couplings by setting (guesses; own nights correct them).
var couplings = map[Setting]coupling{
	Outdoors: {1, 0, 1.5}, Porch: {0.6, 7, 2}, ColdRoom: {0.45, 9.5, 1.5}, Sill: {0.25, 13.5, 1.2}, Room: {0.12, 17, 1},
}

// Night is a night outdoors with the same night in the place, °C.
type Night struct{ Out, In float64 }

// pseudo is how many nights the guess counts for at either end, and where the ends are.
const (
	pseudo   = 8
	warmEnd  = 15.0
	leadSlow = 0.5 // how much a forecast is off more for each day ahead
)

// couple fits the line to own nights, with the setting's own as sixteen nights (least squares).
func (p Details) couple(nights []Night) coupling {
	c := couplings[p.Setting]
	type point struct{ x, y, w float64 }
	points := []point{{0, c.base, pseudo}, {warmEnd, c.share*warmEnd + c.base, pseudo}}
	for _, n := range nights {
		points = append(points, point{n.Out, n.In, 1})
	}
	var w, mx, my float64
	for _, q := range points {
		w, mx, my = w+q.w, mx+q.x*q.w, my+q.y*q.w
	}
	mx, my = mx/w, my/w
	var xy, xx float64
	for _, q := range points {
		xy += (q.x - mx) * (q.y - my) * q.w
		xx += (q.x - mx) * (q.x - mx) * q.w
	}
	share := xy / xx
	return coupling{share, my - share*mx, c.spread}
}

// NightAt is how cold it gets there in a night that is so cold outdoors, °C.
func (p Details) NightAt(out float64, nights []Night) float64 {
	c := p.couple(nights)
	return c.share*out + c.base
}

// ColderThan is how likely the place gets colder than a limit in a night that is forecast so
// many days ahead with a minimum outdoors, 0 to 1.
func (p Details) ColderThan(limit, out float64, ahead int, nights []Night) float64 {
	c := p.couple(nights)
	off := c.share * (1 + leadSlow*float64(ahead))
	return normal((limit - c.share*out - c.base) / math.Hypot(c.spread, off))
}

func normal(x float64) float64 { return 0.5 * (1 + math.Erf(x/math.Sqrt2)) }

// UsualNight is the usual night minimum outdoors on a day, straight between the middles of
// the months.
func (s Site) UsualNight(d day.Day) float64 {
	if len(s.Nights) != 12 {
		return 0
	}
	month := int(d.Time().Month())
	if d < sky.Middle(month, d) {
		month = (month+10)%12 + 1
	}
	from, next := sky.Middle(month, d), month%12+1
	if from > d { // the middle of December of the year before
		from = sky.Middle(month, d-60)
	}
	to := sky.Middle(next, d)
	if to <= d { // of January of the year after
		to = sky.Middle(next, d+60)
	}
	share := float64(d-from) / float64(to-from)
	return s.Nights[month-1]*(1-share) + s.Nights[next-1]*share
}
