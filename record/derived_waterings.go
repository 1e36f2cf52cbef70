package record

import (
	"fmt"

	"tendermend/core/day"
	"tendermend/core/water"
	"tendermend/core/working"
)

// gaps lists the gaps between its waterings, the one that is still open last.
func (d *deriver) gaps() []water.Gap {
	rule := d.state.WaterLines(d.south)
	return water.GapsOf(d.state.WateredOn, d.today, d.south, func(on day.Day) bool { return !rule(on).Days })
}

// waterings tells how it was watered: by the model of its pot where the pot is known, else by
// the gaps of its own record.
func (d *deriver) waterings() {
	if !d.byPot() {
		d.byGaps()
	}
}

// byGaps finds a gap far beyond the plant's own of the same part of the year,
// the present one among them, and swings between short gaps and long ones. Of a
// plant that is given no water no gap is too long. That none was missed only the
// gap since the last watering can say; what cannot be judged is no evidence. A gap in which
// the carer was away is none of neglect: who was planned for is not judged by it.
func (d *deriver) byGaps() {
	all := d.gaps()
	var missed, open *water.Gap
	var own, openOwn water.Usual
	for i, one := range all {
		if one.Asleep || d.today-one.Ended > missedWithin || d.state.awayIn(one) {
			continue
		}
		usual, known := water.UsualOf(all, one.Dark, i)
		if !known {
			continue
		}
		if late := one.Days > missedTimes*usual.Days && one.Days >= usual.Days+missedLonger; late &&
			(missed == nil || one.Days > missed.Days) {
			missed, own = &all[i], usual
		}
		if one.Open {
			open, openOwn = &all[i], usual
		}
	}
	if missed == nil {
		missed, own = open, openOwn
	}
	if missed != nil {
		d.waterMissed(*missed, own, missed != open || missed.Days > missedTimes*own.Days &&
			missed.Days >= own.Days+missedLonger)
	}
	d.swings(all)
}

// waterMissed says that a watering was missed, or that none was since the last.
func (d *deriver) waterMissed(g water.Gap, usual water.Usual, missed bool) {
	since := "The longest gap of the last two months was %s"
	if g.Open {
		since = "Its last watering was %s ago"
	}
	const own = "; its own at this time of the year is about %s."
	d.add(
		"care.water-missed",
		missed,
		g.Ended,
		fmt.Sprintf(since+own, working.Count(int(g.Days), "day"), working.Count(int(usual.Days+0.5), "day")),
		"gap > 2 × its own median gap of the same half of the year, and at least 7 days longer; gaps of the other "+
			"half, with the season's factor, where there are too few; none while its rule gives no water",
		"fair: its own record",
		working.Input{Name: "gap", Value: g.Days, Unit: "days"},
		working.Input{Name: "its own median gap", Value: usual.Days, Unit: "days"},
	)
}

// swingsOf is how many gaps are looked at for swings.
const swingsOf = 6

// swings finds short gaps beside long ones in the present part of the year.
func (d *deriver) swings(all []water.Gap) {
	if len(all) == 0 {
		return
	}
	now := all[len(all)-1] // since the last watering
	var recent []water.Gap
	for _, one := range all {
		if one.Dark == now.Dark && !one.Asleep && !one.Open && !d.state.awayIn(one) {
			recent = append(recent, one)
		}
	}
	recent = recent[max(0, len(recent)-swingsOf):]
	if len(recent) < swingGaps {
		return
	}
	least, most := recent[0].Days, recent[0].Days
	for _, g := range recent {
		least, most = min(least, g.Days), max(most, g.Days)
	}
	d.add(
		"care.water-swings",
		most > swingTimes*least && most >= least+swingLonger,
		recent[len(recent)-1].Ended,
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
