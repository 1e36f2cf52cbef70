package record

import (
	"fmt"
	"math"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/core/roots"
	"tendermend/core/working"
)

// weight reads the last weighing between the lightest and the heaviest of four
// months: the share of its water that is left.
func (d *deriver) weight() {
	var n int
	var last recovery.Reading
	lightest, heaviest := math.Inf(1), 0.0
	for _, w := range d.state.Weights {
		if d.today-w.On <= weighedDays && w.On >= d.pottedOn() {
			n++
			last = w
			lightest, heaviest = min(lightest, w.Value), max(heaviest, w.Value)
		}
	}
	if n < leastWeighings || d.today-last.On > freshDays || d.wateredAfter(last.On) ||
		heaviest-lightest < leastSpread*heaviest {
		return
	}
	left := (last.Value - lightest) / (heaviest - lightest)
	inputs := []working.Input{
		{Name: "last weighing", Value: last.Value, Unit: "g"},
		{Name: "lightest of four months", Value: lightest, Unit: "g"},
		{Name: "heaviest", Value: heaviest, Unit: "g"},
	}
	const formula, sure = "(last − lightest) ÷ (heaviest − lightest): up to 10 % is dry, from 50 % on after 5 " +
		"days is wet", "fair: its lightest was not bone dry, and it grows"
	why := fmt.Sprintf("It weighs %.0f g: about %.0f %% of its water is left.", last.Value, 100*left)
	d.add("med.dry-through", left <= dryShare, last.On, why, formula, sure, inputs...)
	before, ok := d.wateredBefore(last.On)
	switch {
	case left < wetShare:
		d.add("med.wet-long", false, last.On, why, formula, sure, inputs...)
	case ok && int(last.On-before) > wetLongDays:
		d.add("med.wet-long", true, last.On, why, formula, sure, inputs...)
	}
}

// pottedOn is the day from which weighings are of the same pot and medium.
func (d *deriver) pottedOn() day.Day {
	if d.state.Pot.FreshOn != nil {
		return *d.state.Pot.FreshOn
	}
	return d.state.ArrivedOn
}

// feeding finds hunger and excess in the record of feeds.
func (d *deriver) feeding() {
	last, ever := d.state.ArrivedOn, false
	for _, f := range d.state.Feeds {
		last, ever = max(last, min(d.today, f.On+f.Lasts())), true
	}
	since := last
	if fresh := d.state.Pot.FreshOn; fresh != nil && *fresh > since {
		since = *fresh
	}
	hungry := int(d.today - since)
	// Nobody who records neither feed nor water is told that it starves.
	if kept := ever || len(d.state.WateredOn) >= keptRecord; kept {
		why := fmt.Sprintf("Neither feed nor fresh medium is recorded for %s.", working.Count(hungry, "day"))
		d.add(
			"care.feed-none",
			hungry >= hungryDays,
			since,
			why,
			"days since the last feed, fresh medium or arrival, against 180",
			"as good as the record of feeds",
			working.Input{Name: "days without", Value: float64(hungry)},
		)
	}
	var strongest float64
	var recent int
	for _, f := range d.state.Feeds {
		if d.today-f.On <= feedLookBack && f.Slow == "" {
			strongest = max(strongest, f.Strength)
			recent++
		}
	}
	if recent == 0 {
		return
	}
	resting := d.state.MayRest(d.today, d.south)
	heavy := strongest > 1 || resting && recent >= offSeasonFeeds
	d.add(
		"care.feed-heavy",
		heavy,
		last,
		fmt.Sprintf(
			"%s in two months, the strongest at %g of the label's rate.",
			working.Count(recent, "feed"),
			strongest,
		),
		"any feed above label rate in 60 days, or 3 and more while it may rest",
		"as recorded",
		working.Input{
			Name:  "strongest, of label rate",
			Value: strongest,
		},
		working.Input{Name: "feeds in 60 days", Value: float64(recent)},
	)
}

// roots reads the last tally, and the last count of tips where that is newer.
func (d *deriver) roots() {
	tips, counted := d.state.Readings.Last("live-tips")
	var tallied day.Day
	if n := len(d.state.Tallies); n > 0 && d.today-d.state.Tallies[n-1].On <= readingDays {
		last := d.state.Tallies[n-1]
		reading := last.Read(0)
		tallied = last.On
		for _, s := range reading.Signs {
			if s.ID != "root.no-tips" || !counted || tips.On <= last.On {
				d.add(
					s.ID,
					s.Present,
					last.On,
					working.Capital(s.Why)+".",
					reading.Working.Formula,
					reading.Working.Sure,
					reading.Working.Inputs...)
			}
		}
	}
	if counted && d.today-tips.On <= readingDays && tips.On > tallied {
		d.add(
			"root.no-tips",
			tips.Value == 0,
			tips.On,
			fmt.Sprintf("%s counted.", working.Count(int(tips.Value), "live tip")),
			"last count of live tips",
			"as counted",
			working.Input{Name: "live tips", Value: tips.Value},
		)
	}
}

// pot compares the pot with the last live root ball that was measured, in a
// tally or for a plan.
func (d *deriver) pot() {
	if d.state.Pot.WidthCM == nil {
		return
	}
	var ball *float64
	var on day.Day
	if d.state.Plan != nil && d.state.PlanAnswers.RootBallCM != nil {
		ball, on = d.state.PlanAnswers.RootBallCM, d.state.PlannedOn
	}
	for _, t := range d.state.Tallies {
		if t.RootBallCM != nil && t.On >= on {
			ball, on = t.RootBallCM, t.On
		}
	}
	if ball == nil || d.today-on > hungryDays {
		return
	}
	width := *d.state.Pot.WidthCM
	d.add(
		"pot.oversize",
		width > *ball+roots.Slack,
		on,
		fmt.Sprintf("A pot of %g cm round live roots of %g cm.", width, *ball),
		"inner width > live root ball + 6 cm",
		"fair: roots grow on after they were measured",
		working.Input{
			Name:  "pot",
			Value: width,
			Unit:  "cm",
		},
		working.Input{Name: "live root ball", Value: *ball, Unit: "cm"},
	)
}

// reserves reads the scale of plumpness.
func (d *deriver) reserves() {
	newest, ok := d.state.Readings.Last("plump")
	const formula, sure = "scale of 1 shrivelled to 5 full: 1-2 wrinkled, 4-5 not", "as read by eye"
	if ok && d.today-newest.On <= readingDays && newest.Value != 3 {
		d.add(
			"stem.shrivelled-newest",
			newest.Value <= 2,
			newest.On,
			fmt.Sprintf("Plumpness was read as %g of 5.", newest.Value),
			formula,
			sure,
			working.Input{Name: "plumpness of the newest", Value: newest.Value},
		)
	}
	oldest, ok := d.state.Readings.Last("plump-oldest")
	if ok && d.today-oldest.On <= readingDays && oldest.Value != 3 {
		// The sign says that only the oldest are wrinkled.
		d.add(
			"stem.shrivelled-oldest",
			oldest.Value <= 2 && newest.Value != 1 && newest.Value != 2,
			oldest.On,
			fmt.Sprintf("The oldest bulbs were read as %g of 5.", oldest.Value),
			formula,
			sure,
			working.Input{
				Name:  "plumpness of the oldest",
				Value: oldest.Value,
			},
			working.Input{Name: "of the newest", Value: newest.Value},
		)
	}
}

// marks compares two dated counts of marked leaves: more after five days or
// later is spreading, the same after fourteen stands still.
func (d *deriver) marks() {
	counts := d.state.Readings["marked-leaves"]
	n := len(counts)
	if n < 2 || d.today-counts[n-1].On > readingDays {
		return
	}
	last := counts[n-1]
	for i := n - 2; i >= 0; i-- {
		before, apart := counts[i], int(last.On-counts[i].On)
		if apart < spreadDays {
			continue
		}
		why := fmt.Sprintf("%g marked leaves, %g %s before.", last.Value, before.Value, working.Count(apart, "day"))
		inputs := []working.Input{
			{Name: "marked before", Value: before.Value},
			{Name: "marked now", Value: last.Value},
			{Name: "days between", Value: float64(apart)},
		}
		const formula, sure = "two counts: more after 5 days and longer spreads; no more after 14 days stands still",
			"as counted"
		switch {
		case last.Value > before.Value:
			d.add("course.spreading", true, last.On, why, formula, sure, inputs...)
			return
		case apart >= staticDays:
			d.add("course.static", true, last.On, why, formula, sure, inputs...)
			return
		}
	}
}

// place holds the last readings of light and air against what the plant wants.
func (d *deriver) place() {
	last := d.lately()
	if last.lux != nil {
		d.light(last.lux)
	}
	d.warmth(last.low, last.high)
	if last.air != nil {
		d.humidity(last.air)
	}
}

// meters are the readings that count: of light and air the last, of warmth the
// coldest and the warmest.
type meters struct{ lux, low, high, air *Meter }

// lately gives the readings of the last days.
func (d *deriver) lately() (last meters) {
	for i := range d.state.Meters {
		m := &d.state.Meters[i]
		if d.today-m.On > readingDays {
			continue
		}
		if m.Lux != nil && m.Hours != nil {
			last.lux = m
		}
		if m.MinC != nil && (last.low == nil || *m.MinC <= *last.low.MinC) {
			last.low = m
		}
		if m.MaxC != nil && (last.high == nil || *m.MaxC >= *last.high.MaxC) {
			last.high = m
		}
		if m.HumidityPct != nil {
			last.air = m
		}
	}
	return last
}

// light holds a reading against the least light that its kind wants.
func (d *deriver) light(lux *Meter) {
	want := d.state.Wants.Light[0]
	dli := climate.DLI(climate.PPFD(*lux.Lux, lux.Lamp), *lux.Hours)
	d.add("place.low-light", dli < want, lux.On,
		fmt.Sprintf("%.1f mol a day reach it; it wants at least %g.", dli, want),
		"lux ÷ lux per µmol of the lamp × hours × 0.0036, against the least its kind wants",
		"rough: one reading stands for the day; Thimijan and Heins 1983 (from memory)",
		working.Input{Name: "lux", Value: *lux.Lux},
		working.Input{Name: "hours a day", Value: *lux.Hours},
		working.Input{Name: "mol a day", Value: dli},
		working.Input{Name: "least wanted", Value: want},
	)
}

// warmth holds the coldest and the warmest against the limits of its kind.
func (d *deriver) warmth(low, high *Meter) {
	want := d.state.Wants.Temperature
	if low != nil {
		d.add("place.cold", *low.MinC < want[0], low.On,
			fmt.Sprintf("%s at the coldest; its limit is %s.", celsius(*low.MinC), celsius(want[0])),
			"coldest reading of 30 days against its kind's lower limit", "as read",
			working.Input{Name: "coldest", Value: *low.MinC, Unit: "°C"},
			working.Input{Name: "lower limit", Value: want[0], Unit: "°C"},
		)
	}
	if high != nil {
		d.add("place.heat", *high.MaxC > want[2], high.On,
			fmt.Sprintf("%s at the warmest; its limit is %s.", celsius(*high.MaxC), celsius(want[2])),
			"warmest reading of 30 days against its kind's upper limit", "as read",
			working.Input{Name: "warmest", Value: *high.MaxC, Unit: "°C"},
			working.Input{Name: "upper limit", Value: want[2], Unit: "°C"},
		)
	}
}

// humidity holds a reading of the air against what its kind wants.
func (d *deriver) humidity(air *Meter) {
	want := d.state.Wants
	humidity := *air.HumidityPct
	limit := max(dryAir, want.Humidity[0]-driestBelow)
	in := []working.Input{
		{Name: "humidity", Value: humidity, Unit: "%"},
		{Name: "least it wants", Value: want.Humidity[0], Unit: "%"},
	}
	const formula, sure = "under 40 %, or 10 below the least its kind wants, is dry", "rough: one reading stands for weeks"
	why := fmt.Sprintf("%g %% was read; it wants at least %g.", humidity, want.Humidity[0])
	switch {
	case humidity < limit:
		d.add("place.dry-air", true, air.On, why, formula, sure, in...)
	case humidity >= want.Humidity[0]:
		d.add("place.dry-air", false, air.On, why, formula, sure, in...)
	}
}

const (
	dryAir      = 40.0 // per cent
	driestBelow = 10.0
)

func celsius(v float64) string { return fmt.Sprintf("%.3g °C", v) }
