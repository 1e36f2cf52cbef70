package record

import (
	"fmt"
	"time"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/water"
	"tendermend/core/working"
)

// light tells gaps between waterings apart: winter is not drought.
type light int

const (
	resting light = iota // its kind rests: no gap is too long
	dark                 // October to March
	bright               // April to September
)

// lightOn gives the part of the year that a gap belongs to which ends on a day.
func (d *deriver) lightOn(on day.Day) light {
	switch m := plant.NorthMonth(on, d.south); {
	case d.state.Rests(on, d.south):
		return resting
	case m >= time.April && m <= time.September:
		return bright
	}
	return dark
}

// gap is the time between two waterings, or since the last one.
type gap struct {
	days  float64
	ended day.Day
	of    light
	open  bool // since the last watering
}

// gaps lists the gaps between waterings, the one that is still open last.
func (d *deriver) gaps() []gap {
	var list []gap
	on := d.state.WateredOn
	for i := 1; i < len(on); i++ {
		list = append(list, gap{days: float64(on[i] - on[i-1]), ended: on[i], of: d.lightOn(on[i])})
	}
	if n := len(on); n > 0 {
		list = append(list, gap{days: float64(d.today - on[n-1]), ended: d.today, of: d.lightOn(d.today), open: true})
	}
	return list
}

// leastGaps is how many gaps of the same part of the year are wanted before one is
// called too long (common practice).
const leastGaps = 3

// waterings finds a gap far beyond the plant's own of the same part of the year,
// the present one among them, and swings between short gaps and long ones. Of a
// plant that rests no gap is too long.
func (d *deriver) waterings() {
	all := d.gaps()
	missed, longest, own, judged := false, gap{}, 0.0, false
	for i, one := range all {
		if one.of == resting || d.today-one.ended > missedWithin {
			continue
		}
		var same []float64
		for k, other := range all {
			if k != i && other.of == one.of && !other.open {
				same = append(same, other.days)
			}
		}
		if len(same) < leastGaps {
			continue
		}
		usual := water.Median(same)
		late := one.days > missedTimes*usual && one.days >= usual+missedLonger
		if !judged || late && !missed || late == missed && one.days > longest.days {
			missed, longest, own, judged = late, one, usual, true
		}
	}
	if judged {
		d.add(
			"care.water-missed",
			missed,
			longest.ended,
			fmt.Sprintf(
				"The longest gap of the last two months was %s; its own at this time of the year is about %s.",
				working.Count(int(longest.days), "day"), working.Count(int(own), "day"),
			),
			"gap > 2 × its own median gap of the same half of the year, and at least 7 days longer; none while it rests",
			"fair: its own record",
			working.Input{Name: "longest gap", Value: longest.days, Unit: "days"},
			working.Input{Name: "its own median gap", Value: own, Unit: "days"},
		)
	}
	d.swings(all)
}

// swingsOf is how many gaps are looked at for swings.
const swingsOf = 6

// swings finds short gaps beside long ones in the present part of the year.
func (d *deriver) swings(all []gap) {
	now := d.lightOn(d.today)
	var recent []gap
	for _, one := range all {
		if one.of == now && now != resting && !one.open {
			recent = append(recent, one)
		}
	}
	recent = recent[max(0, len(recent)-swingsOf):]
	if len(recent) < swingGaps {
		return
	}
	least, most := recent[0].days, recent[0].days
	for _, g := range recent {
		least, most = min(least, g.days), max(most, g.days)
	}
	d.add(
		"care.water-swings",
		most > swingTimes*least && most >= least+swingLonger,
		recent[len(recent)-1].ended,
		fmt.Sprintf(
			"Its last gaps of this time of the year ran from %s to %s.",
			working.Count(int(least), "day"), working.Count(int(most), "day"),
		),
		"longest of its last six gaps of this half of the year > 3 × the shortest, and at least 7 days longer",
		"fair: its own record",
		working.Input{Name: "shortest", Value: least, Unit: "days"},
		working.Input{Name: "longest", Value: most, Unit: "days"},
	)
}
