package logger

import (
	"math"
	"slices"
	"time"

	"tendermend/core/climate"
	"tendermend/core/day"
)

// What a reading may be, and how far from its neighbours (Hampel's filter over eleven
// readings: five times the spread, and no less than the floor).
const (
	coldest, hottest    = -30.0, 60.0
	driest, wettest     = 1.0, 100.0
	overWet             = 105.0 // sensors go over 100 a little: that is 100
	neighbours          = 5     // on each side
	spreads             = 5 * 1.4826
	floorTemp, floorWet = 2.5, 10.0
)

// Clean throws out what cannot be, and gives how many readings that were.
func Clean(rows []Row) (thrown int) {
	temps, wets := make([]*float64, len(rows)), make([]*float64, len(rows))
	for i := range rows {
		if h := rows[i].Humidity; h != nil && *h > wettest && *h <= overWet {
			*h = wettest
		}
		temps[i], wets[i] = rows[i].TempC, rows[i].Humidity
	}
	for i := range rows {
		if out(temps, i, coldest, hottest, floorTemp) {
			rows[i].TempC = nil
			thrown++
		}
		if out(wets, i, driest, wettest, floorWet) {
			rows[i].Humidity = nil
			thrown++
		}
	}
	return thrown
}

func out(values []*float64, i int, low, high, floor float64) bool {
	if values[i] == nil {
		return false
	}
	if v := *values[i]; !(v >= low && v <= high) {
		return true
	}
	around := known(values[max(0, i-neighbours):min(len(values), i+neighbours+1)])
	slices.Sort(around)
	middle := around[len(around)/2]
	off := make([]float64, len(around))
	for k, v := range around {
		off[k] = math.Abs(v - middle)
	}
	slices.Sort(off)
	return math.Abs(*values[i]-middle) > max(floor, spreads*off[len(off)/2])
}

// How a day is made: a reading holds until the next, three hours at most, and a day counts
// with eighteen hours.
const (
	holds       = 3 * time.Hour
	lastHolds   = 30 * time.Minute
	countsWith  = 18.0
	stuckHours  = 48
	stuckAtMost = 1e-9
)

// ReadDay is what a day was like in a place.
type ReadDay struct {
	On       day.Day  `json:"on"`
	Hours    float64  `json:"hours" doc:"Hours of it that were read."`
	Low      float64  `json:"low" doc:"°C"`
	High     float64  `json:"high"`
	Mean     float64  `json:"mean"`
	Humidity *float64 `json:"humidity,omitempty" doc:"Percent, mean."`
	VPD      *float64 `json:"vpd,omitempty" doc:"kPa, mean."`
}

// Counts says whether enough of the day was read.
func (d ReadDay) Counts() bool { return d.Hours >= countsWith }

type sums struct {
	hours, temp, wetHours, wet, vpd, low, high float64
}

// Days makes days of cleaned readings in order of time, by the clock of the place.
func Days(rows []Row, zone *time.Location) []ReadDay {
	by := map[day.Day]*sums{}
	for i, r := range rows {
		if r.TempC == nil {
			continue
		}
		end := r.At.Add(lastHolds)
		if i+1 < len(rows) {
			end = r.At.Add(min(holds, rows[i+1].At.Sub(r.At)))
		}
		for at := r.At; at.Before(end); {
			local := at.In(zone)
			next := time.Date(local.Year(), local.Month(), local.Day()+1, 0, 0, 0, 0, zone)
			until := end
			if next.Before(end) {
				until = next
			}
			on := day.At(local)
			if by[on] == nil {
				by[on] = &sums{low: math.Inf(1), high: math.Inf(-1)}
			}
			by[on].add(r, until.Sub(at).Hours())
			at = until
		}
	}
	list := make([]ReadDay, 0, len(by))
	for on, s := range by {
		list = append(list, s.day(on))
	}
	slices.SortFunc(list, func(x, y ReadDay) int { return int(x.On - y.On) })
	return list
}

func (s *sums) add(r Row, hours float64) {
	t := *r.TempC
	s.hours += hours
	s.temp += t * hours
	s.low, s.high = min(s.low, t), max(s.high, t)
	if r.Humidity != nil {
		s.wetHours += hours
		s.wet += *r.Humidity * hours
		s.vpd += climate.VPD(t, *r.Humidity) * hours
	}
}

func (s *sums) day(on day.Day) ReadDay {
	d := ReadDay{On: on, Hours: math.Round(100*s.hours) / 100, Low: s.low, High: s.high, Mean: s.temp / s.hours}
	if s.wetHours > 0 {
		wet, vpd := s.wet/s.wetHours, s.vpd/s.wetHours
		d.Humidity, d.VPD = &wet, &vpd
	}
	return d
}

// Stuck says from when on the temperature stood still to the digit for two days or longer;
// false where it never did.
func Stuck(rows []Row) (from time.Time, stuck bool) {
	var since *Row
	for i, r := range rows {
		if r.TempC == nil {
			continue
		}
		if since == nil || math.Abs(*since.TempC-*r.TempC) > stuckAtMost {
			since = &rows[i]
			continue
		}
		if r.At.Sub(since.At).Hours() >= stuckHours {
			return since.At, true
		}
	}
	return time.Time{}, false
}
