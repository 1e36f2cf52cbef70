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
	return through(s.Nights, d)
}

// between says of a day of the year between the middles of which two months it lies, January 0,
// and how far it is on the way from one to the other.
type between struct {
	from, to int
	share    float64
}

// ofDay is that of each day of the year, the first at 1.
var ofDay = func() (days [367]between) {
	middle := func(month int) int { return int(sky.Middle(month+1, 0)) + 1 } // of 1970
	for n := 1; n < len(days); n++ {
		from, start := 11, middle(11)-365
		for month := range 12 {
			if middle(month) <= n {
				from, start = month, middle(month)
			}
		}
		to := (from + 1) % 12
		end := middle(to)
		if end <= start {
			end += 365
		}
		days[n] = between{from, to, float64(n-start) / float64(end-start)}
	}
	return days
}()

// through is what twelve monthly values come to on a day, straight between the middles of the
// months.
func through(months []float64, d day.Day) float64 {
	at := ofDay[d.Time().YearDay()]
	return months[at.from]*(1-at.share) + months[at.to]*at.share
}
