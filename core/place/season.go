package place

import "tendermend/core/day"

// nightSpread is how far single nights are from the usual one, °C (memory of climate tables);
// surely is the part of a normal distribution that leaves one night in a hundred.
const (
	nightSpread = 3.0
	surely      = 2.33
)

// Stays is how long a plant can stand outdoors in a year.
type Stays struct {
	Always bool `json:"always,omitempty"`
	Never  bool `json:"never,omitempty"`
	// Out and In are the first and the last day, in the year that was asked about.
	Out day.Day `json:"out,omitempty"`
	In  day.Day `json:"in,omitempty"`
}

// OutFrom tells when a plant that wants so warm a night, and is hurt at chill, can stand out
// in the year of a day: the longest run of days on which the usual night is warm enough and
// a cold one still does no harm. Shelter is by how much it is warmer there than in the open.
func (s Site) OutFrom(low, chill, shelter float64, year day.Day) Stays {
	first := day.Of(year.Time().Year(), 1, 1)
	fits := func(i int) bool {
		return s.UsualNight(first+day.Day(i%365))+shelter >= max(low, chill+surely*nightSpread)
	}
	run, best, end := 0, 0, 0
	for i := range 2 * 365 {
		if !fits(i) {
			run = 0
			continue
		}
		if run = min(run+1, 365); run > best {
			best, end = run, i
		}
	}
	switch best {
	case 0:
		return Stays{Never: true}
	case 365:
		return Stays{Always: true}
	}
	return Stays{Out: first + day.Day((end-best+1)%365), In: first + day.Day(end%365)}
}

// warmNights is how many nights below what a kind bears call it in.
const warmNights = 3

// CallsIn says which night of a forecast, from tonight on, calls a plant in, and whether that
// is the cold itself; false where none does. A forecast is less sure the farther ahead.
func CallsIn(nights []float64, low, chill float64) (night int, cold, calls bool) {
	for i, minimum := range nights {
		if minimum-1-0.2*float64(i) <= chill {
			return i, true, true
		}
		if i+warmNights > len(nights) {
			continue
		}
		cool := true
		for _, n := range nights[i : i+warmNights] {
			cool = cool && n < low
		}
		if cool {
			return i, false, true
		}
	}
	return 0, false, false
}

// Holds says whether a day is one on which it can stand outdoors.
func (s Stays) Holds(today day.Day) bool {
	if s.Out <= s.In {
		return today >= s.Out && today <= s.In
	}
	return today >= s.Out || today <= s.In
}
