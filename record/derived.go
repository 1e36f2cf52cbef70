package record

import (
	"fmt"
	"slices"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/water"
	"tendermend/core/working"
)

// Derived is a sign that the record itself answers, so that nobody has to
// remember: dated, with its working, and open to being overruled.
type Derived struct {
	Sign    string          `json:"sign"`
	Present bool            `json:"present"`
	On      day.Day         `json:"on" doc:"The day of the entry it rests on."`
	Why     string          `json:"why"`
	Working working.Working `json:"working"`
}

// Limits of derived signs (common practice).
const (
	newcomerDays   = 42  // "less than six weeks here"
	wetLongDays    = 5   // still wet more than five days after watering
	freshDays      = 7   // how long what a stick found is taken as true
	missedTimes    = 2.0 // a gap over twice the plant's own median …
	missedLonger   = 7   // … and at least seven days longer was missed
	missedWithin   = 60  // days back in which a missed watering still tells
	swingTimes     = 3.0 // the longest gap over three times the shortest …
	swingLonger    = 7   // … and at least seven days longer is a swing
	swingGaps      = 4   // gaps wanted before swings are spoken of
	smallLeaf      = 80  // per cent of the one before
	wholeLeaf      = 90
	weighedDays    = 120 // how far back the lightest and the heaviest weighing are looked for
	leastWeighings = 3
	leastSpread    = 0.15 // of the heaviest: less tells nothing of the water in it
	wetShare       = 0.50 // of the water it can hold
	dryShare       = 0.10
	readingDays    = 30 // how long a reading of roots or leaves is taken as true
	growthLessDays = 60 // two months of the growing season
	sprayedDays    = 21
	hungryDays     = 180 // half a year without feed
	feedLookBack   = 60
	offSeasonFeeds = 3  // "often out of growth"
	spreadDays     = 5  // two counts of marks at least this far apart show spreading …
	staticDays     = 14 // … and, unchanged over these, that it stands still
	keptRecord     = 6  // waterings recorded from which a record of care is taken as kept
)

// Derive reads the signs that a plant's record answers on a day.
func (s State) Derive(today day.Day, south bool) []Derived {
	d := deriver{state: s, today: today, south: south}
	d.arrival()
	if !d.moisture() {
		d.weight()
	}
	d.waterings()
	d.feeding()
	d.roots()
	d.pot()
	d.growth()
	d.reserves()
	d.marks()
	d.sprays()
	d.place()
	return d.found
}

type deriver struct {
	state State
	today day.Day
	south bool
	found []Derived
}

// add keeps what is found of a sign, unless the plant has no such part.
func (d *deriver) add(sign string, present bool, on day.Day, why, formula, sure string, inputs ...working.Input) {
	if !diagnosis.Fits(sign, d.state.Habit) {
		return
	}
	d.found = append(
		d.found,
		Derived{
			sign,
			present,
			on,
			why,
			working.Working{Inputs: inputs, Formula: formula, Source: working.CommonPractice, Sure: sure},
		},
	)
}

func (d *deriver) arrival() {
	here, known := d.state.Owned(d.today)
	if !known {
		return // nobody knows, and that is no evidence
	}
	in := working.Input{Name: "days had", Value: float64(here)}
	const formula = "day of the look − day of arrival, and what it had been had before, against 42 days"
	sure, why := "exact", fmt.Sprintf("You have had it for %s.", working.Count(here, "day"))
	if d.state.Arrival.Had != "" {
		sure, why = "as the carer said", fmt.Sprintf("You have had it for %s at least.", working.Count(here, "day"))
	}
	d.add(
		"care.new-arrival",
		here < newcomerDays,
		d.state.ArrivedOn,
		why,
		formula,
		sure,
		in,
	)
	if p := d.state.Arrival.Packing; here < newcomerDays && p != "" && p != PackingOther {
		rough := p == PackedWet || p == PackedCold
		d.add(
			"care.shipped-wet-cold",
			rough,
			d.state.ArrivedOn,
			"It came "+p.Words()+".",
			"as it was recorded on arrival",
			"as recorded",
			in,
		)
	}
}

// Words says how a plant travelled, after "came"; empty where nobody knows.
func (p Packing) Words() string { return packingWords[p] }

var packingWords = map[Packing]string{
	Unpacked:   "unpacked",
	PackedDry:  "packed dry",
	PackedWet:  "packed wet",
	PackedCold: "through the cold",
	WeeksInBox: "after weeks in a box",
}

// moisture reads the last stick: wet for more than five days after the
// watering before it, or dry to the bottom. It says whether a stick answered.
func (d *deriver) moisture() bool {
	if len(d.state.Probes) == 0 {
		return false
	}
	last := d.state.Probes[len(d.state.Probes)-1]
	if d.today-last.On > freshDays || d.wateredAfter(last.On) {
		return false
	}
	const formula, sure = "last stick, and days from the watering before it, against 5 days", "fair while nobody waters"
	wet := last.Moisture == water.Moist || last.Moisture == water.Wet
	d.add(
		"med.dry-through",
		last.Moisture == water.Dry,
		last.On,
		"The stick came out "+string(last.Moisture)+".",
		"last stick",
		sure,
	)
	if before, ok := d.wateredBefore(last.On); ok && wet && int(last.On-before) > wetLongDays {
		days := int(last.On - before)
		d.add(
			"med.wet-long",
			true,
			last.On,
			fmt.Sprintf("The stick came out %s, %s after watering.", last.Moisture, working.Count(days, "day")),
			formula,
			sure,
			working.Input{Name: "days from watering to the stick", Value: float64(days)},
		)
	} else if !wet {
		d.add("med.wet-long", false, last.On, "The stick came out "+string(last.Moisture)+".", formula, sure)
	}
	return true
}

func (d *deriver) wateredAfter(on day.Day) bool {
	n := len(d.state.WateredOn)
	return n > 0 && d.state.WateredOn[n-1] > on
}

func (d *deriver) wateredBefore(on day.Day) (before day.Day, ok bool) {
	for _, w := range d.state.WateredOn {
		if w <= on {
			before, ok = w, true
		}
	}
	return before, ok
}

func (d *deriver) growth() {
	if r, ok := d.state.Readings.Last("leaf-ratio"); ok && d.today-r.On <= readingDays &&
		(r.Value < smallLeaf || r.Value >= wholeLeaf) {
		d.add(
			"leaf.small-new",
			r.Value < smallLeaf,
			r.On,
			fmt.Sprintf("The newest leaf was %g %% of the one before.", r.Value),
			"newest leaf over the one before: below 80 % small, from 90 % whole",
			"as measured",
			working.Input{Name: "newest leaf", Value: r.Value, Unit: "%"},
		)
	}
	looks, first, grown := d.state.grownSeen()
	since := max(first, grown)
	quiet := int(d.today - since)
	resting := d.state.MayRest(d.today, d.south)
	switch {
	case grown > 0 && quiet < growthLessDays:
		d.add(
			"new.none-in-season",
			false,
			grown,
			"New growth was seen.",
			"last new leaf or growth, against 60 days",
			"as recorded",
			working.Input{Name: "days since", Value: float64(quiet)},
		)
	case looks >= 2 && quiet >= growthLessDays && !resting:
		d.add(
			"new.none-in-season",
			true,
			since,
			fmt.Sprintf("No new leaf or growth for %s of looking.", working.Count(quiet, "day")),
			"last new leaf or growth, against 60 days outside its rest",
			"fair: only as good as the looks",
			working.Input{Name: "days since", Value: float64(quiet)},
		)
	}
}

func (d *deriver) sprays() {
	products := slices.DeleteFunc(slices.Clone(d.state.Treatments), func(t TreatedOn) bool { return !t.isProduct() })
	if n := len(products); n > 0 && d.today-products[n-1].On <= sprayedDays {
		last := products[n-1]
		d.add(
			"care.sprayed",
			true,
			last.On,
			last.Product+" was used on it.",
			"products used in the last 21 days",
			"as recorded",
		)
		return
	}
	if d.state.Plan == nil {
		return
	}
	for _, step := range d.state.Plan.Steps {
		if t, ok := d.state.Ticks[step.ID]; ok && step.Sprays() && !t.Skipped && d.today-t.On <= sprayedDays {
			d.add(
				"care.sprayed",
				true,
				t.On,
				"A step of its plan sprayed it.",
				"spraying steps of the last 21 days",
				"as recorded",
			)
			return
		}
	}
}

// withRecord adds what the record answers to what was answered by looking. A look
// overrules the record, also by what it implies, and so does a carer with a reason.
func (x Examined) withRecord(derived []Derived) diagnosis.Examination {
	e := x.look()
	e.Present, e.Absent = slices.Clone(e.Present), slices.Clone(e.Absent)
	settled := map[string]bool{}
	there, not := diagnosis.Standard().Implied(e)
	for _, list := range [][]string{x.Present, x.Absent, there, not} {
		for _, id := range list {
			settled[id] = true
		}
	}
	for _, o := range x.Overruled {
		settled[o.Sign] = true
	}
	for _, d := range derived {
		switch {
		case settled[d.Sign]:
		case d.Present:
			e.Present = append(e.Present, d.Sign)
		default:
			e.Absent = append(e.Absent, d.Sign)
		}
	}
	return e
}

// grownSeen gives how often new leaves or growths were looked for, since when,
// and when one was last seen.
func (s State) grownSeen() (looks int, first, grown day.Day) {
	for _, measure := range []string{"new-leaves", "new-growth"} {
		for _, r := range s.Readings[measure] {
			if looks == 0 || r.On < first {
				first = r.On
			}
			looks++
			if r.Value > 0 && r.On > grown {
				grown = r.On
			}
		}
	}
	return looks, first, grown
}
