package record

import (
	"maps"
	"slices"

	"github.com/google/uuid"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/treatment"
	"tendermend/core/water"
)

// For how many days a fact is taken as true (the trade's book).
const (
	moistHolds = 3
	firmHolds  = 7
	rootsHolds = 60
	signsHold  = 30
)

// Facts gives all that is known of the plant on a day, read for the case in hand:
// what was typed, measured and done, and what follows from it. What is too old is
// unknown again.
func (s State) Facts(on day.Day, around Context) facts.Facts {
	of := factsOf{s.Case.ID, s.PlanEntry, on, around.South, around.Household}
	if s.memo == nil {
		return s.factsOn(on, around)
	}
	f, known := s.memo.facts[of]
	if !known {
		f = s.factsOn(on, around)
		s.memo.facts[of] = f
	}
	f.Last = maps.Clone(f.Last)
	return f
}

// factsOf names the facts of a state: those of a case, on a day, as they stand in a
// collection.
type factsOf struct {
	of, plan  uuid.UUID
	on        day.Day
	south     bool
	household facts.Household
}

func (s State) factsOn(on day.Day, around Context) facts.Facts {
	f := s.Known
	f.South, f.Household = around.South, around.Household
	f.Readings, f.Last = s.Readings, s.happened(on)
	s.signFacts(&f, on)
	s.potFacts(&f)
	s.rootFacts(&f, on)
	s.waterFacts(&f, on)
	s.growthFacts(&f, on)
	s.placeFacts(&f, on)
	s.timeFacts(&f, on)
	holding(&f.Limp, firmHolds, on)
	holding(&f.Reserves, firmHolds, on)
	holding(&f.Moist, moistHolds, on)
	holding(&f.Growing, growthHolds, on)
	holding(&f.Spikes, bloomHolds, on)
	return f
}

// holding forgets a fact that is too old.
func holding[T any](f *facts.Fact[T], days int, on day.Day) {
	if f.Known && int(on-f.On) > days {
		*f = facts.Fact[T]{}
	}
}

// later takes a fact in the place of one that is older, or of none.
func later[T any](f *facts.Fact[T], v T, on day.Day, from facts.Source) {
	if !f.Known || on >= f.On {
		*f = facts.Seen(v, on, from)
	}
}

// happened gives the last day of each thing that was done.
func (s State) happened(on day.Day) map[facts.Happening]day.Day {
	last := map[facts.Happening]day.Day{}
	see := func(what facts.Happening, d day.Day) {
		if known, is := last[what]; d <= on && (!is || d > known) {
			last[what] = d
		}
	}
	if s.Plan != nil {
		last[facts.Planned] = s.PlannedOn
	}
	if owned, known := s.Owned(on); known {
		last[facts.Came] = on - day.Day(owned)
	}
	for op, d := range s.CarriedOut() {
		if what := treatment.OperatorID(op).MakesHappen(); what != "" {
			see(what, d)
		}
	}
	for _, d := range s.PottedOn {
		see(facts.SatRoots, d)
		see(facts.Potted, d)
	}
	for what, list := range map[facts.Happening][]day.Day{facts.WateredNow: s.WateredOn, facts.Flushed: s.FlushedOn} {
		for _, d := range list {
			see(what, d)
		}
	}
	for _, x := range s.Feeds {
		see(facts.FedNow, x.On)
	}
	for _, x := range s.Treatments {
		see(facts.TreatedNow, x.On)
	}
	return last
}

// signFacts takes what the last look saw for as long as it holds.
func (s State) signFacts(f *facts.Facts, on day.Day) {
	if s.Examined == nil || on-s.Examined.On > signsHold {
		return
	}
	seen := s.Examined.On
	answered := func(sign string, take func(present bool)) {
		switch {
		case slices.Contains(s.Examined.Unsure, sign):
		case slices.Contains(s.Examined.Present, sign):
			take(true)
		case slices.Contains(s.Examined.Absent, sign):
			take(false)
		}
	}
	yes := func(sign string, to *facts.Yes) {
		answered(sign, func(is bool) { later(to, is, seen, facts.Typed) })
	}
	medium := func(sign string, state facts.MediumState) {
		answered(sign, func(is bool) {
			if is {
				later(&f.Medium, state, seen, facts.Typed)
			}
		})
	}
	yes("leaf.drooping", &f.Limp)
	yes("root.few-live", &f.FewRoots)
	yes("root.old-plug", &f.Plug)
	yes("pot.stands-in-water", &f.Standing)
	medium("med.crust", facts.Crusted)
	medium("med.repels", facts.Repels)
	medium("med.broken-down", facts.Rotten)
	answered("pot.no-drain", func(is bool) { later(&f.PotHoles, !is, seen, facts.Typed) })
	answered("stem.shrivelled-newest", func(is bool) {
		if is {
			later(&f.Reserves, facts.Shrivelled, seen, facts.Typed)
		}
	})
	answered("root.no-tips", func(is bool) {
		if is {
			later(&f.LiveTips, 0, seen, facts.Typed)
		}
	})
	answered("flower.in-spike", func(is bool) {
		if f.Spikes.Known && f.Spikes.On >= seen {
			return
		}
		f.Spikes = facts.Seen(asReading(is), seen, facts.Typed)
	})
	answered("med.wet-long", func(is bool) {
		if is {
			later(&f.Moist, facts.Wet, seen, facts.Typed)
		}
	})
	answered("med.dry-through", func(is bool) {
		if is {
			later(&f.Moist, facts.Dry, seen, facts.Typed)
		}
	})
}

// potFacts takes what the plant stands in: a pot of a known width is a pot.
func (s State) potFacts(f *facts.Facts) {
	on, from := s.ArrivedOn, facts.Typed
	if n := len(s.PottedOn); n > 0 {
		on = s.PottedOn[n-1]
	}
	if f.PotWidthCM.Known {
		on, from = f.PotWidthCM.On, f.PotWidthCM.From
	}
	if s.Pot.WidthCM != nil {
		f.PotWidthCM = facts.Seen(*s.Pot.WidthCM, on, from)
		if !f.Seat.Known {
			f.Seat = facts.Seen(facts.InPot, on, facts.Derived)
		}
	}
	if s.Pot.DepthCM != nil {
		f.PotDepthCM = facts.Seen(*s.Pot.DepthCM, on, from)
	}
	if class := facts.ClassOf(s.Pot.Medium); class != "" && !f.MediumClass.Known {
		f.MediumClass = facts.Seen(class, on, facts.Typed)
	}
	if f.MediumClass.Known && f.MediumClass.Value != facts.NoMedium && f.MediumClass.Value != facts.InWater &&
		!f.Seat.Known && s.Pot.Medium != "" {
		f.Seat = facts.Seen(facts.InPot, on, facts.Derived)
	}
}

// rootFacts takes the last count of its roots, for as long as it holds.
func (s State) rootFacts(f *facts.Facts, on day.Day) {
	for _, t := range s.Tallies {
		if t.On > on || on-t.On > rootsHolds {
			continue
		}
		if t.Counted() > 0 {
			live := t.InMedium.Live + t.InMedium.Doubtful + t.InAir.Live + t.InAir.Doubtful
			f.LiveRoots = facts.Seen(float64(live), t.On, facts.Measured)
			f.DeadRoots = facts.Seen(float64(t.Counted()-live), t.On, facts.Measured)
			f.FewRoots = facts.Yes{}
		}
		if t.Tips != nil {
			f.LiveTips = facts.Seen(float64(*t.Tips), t.On, facts.Measured)
		}
		if t.RootBallCM != nil {
			f.RootBallCM = facts.Seen(*t.RootBallCM, t.On, facts.Measured)
		}
	}
	if r, read := s.Readings.Last("live-tips"); read && r.On <= on && on-r.On <= rootsHolds {
		later(&f.LiveTips, r.Value, r.On, facts.Measured)
	}
	if cm := s.newRootsCM(on); cm != nil {
		r, _ := s.Readings.Last(water.RootsMeasure)
		f.NewRootsCM = facts.Seen(*cm, r.On, facts.Measured)
	}
}

// waterFacts takes how wet it is from the last stick and the last watering.
func (s State) waterFacts(f *facts.Facts, on day.Day) {
	if n := len(s.WateredOn); n > 0 && s.WateredOn[n-1] <= on {
		later(&f.Moist, facts.Right, s.WateredOn[n-1], facts.Done)
	}
	for _, p := range s.Probes {
		if p.On <= on {
			later(&f.Moist, moistOf[p.Moisture], p.On, facts.Measured)
		}
	}
	if r, read := s.Readings.Last("wilt"); read && r.On <= on {
		later(&f.Limp, r.Value > 0, r.On, facts.Typed)
	}
	if r, read := s.Readings.Last("plump"); read && r.On <= on {
		switch {
		case r.Value >= 4:
			later(&f.Reserves, facts.Plump, r.On, facts.Measured)
		case r.Value >= 3:
			later(&f.Reserves, facts.Ridged, r.On, facts.Measured)
		default:
			later(&f.Reserves, facts.Shrivelled, r.On, facts.Measured)
		}
	}
}

// moistOf says what a stick that came out so tells of the medium.
var moistOf = map[water.Moisture]facts.Moist{
	water.Wet: facts.Wet, water.Moist: facts.Right, water.Barely: facts.Due, water.Dry: facts.Dry,
}

// growthFacts takes whether it grows or rests, and what is on it.
func (s State) growthFacts(f *facts.Facts, on day.Day) {
	if g := s.Growing(on); g != nil {
		later(&f.Growing, g.Is, g.On, facts.Derived)
	}
	if r := s.Resting(on); r != nil && !f.Growing.Value {
		later(&f.Resting, r.Is, r.On, facts.Derived)
	}
	if n, known := s.leafCount(on); known && !f.Leaves.Known {
		f.Leaves = facts.Seen(float64(n), on, facts.Derived)
	}
	if s.Arrival.Growths != nil && !f.Growths.Known {
		f.Growths = facts.Seen(float64(*s.Arrival.Growths), s.ArrivedOn, facts.Typed)
	}
	if r, read := s.Readings.Last("offsets"); read && r.On <= on {
		later(&f.Plantlets, r.Value, r.On, facts.Measured)
	}
	if r, read := s.Readings.Last("flowers-over"); read && r.Value > 0 && r.On <= on {
		later(&f.Spikes, 0, r.On, facts.Typed)
		f.Buds = facts.Seen(false, r.On, facts.Typed)
	}
}

// placeFacts takes the last readings of light and air.
func (s State) placeFacts(f *facts.Facts, on day.Day) {
	for _, m := range s.Meters {
		if m.On > on || on-m.On > lightHolds {
			continue
		}
		if m.HumidityPct != nil {
			f.Place.HumidityPct = facts.Seen(*m.HumidityPct, m.On, facts.Measured)
		}
		if m.Lux != nil && m.Hours != nil {
			dli := climate.DLI(climate.PPFD(*m.Lux, m.Lamp), *m.Hours)
			f.Place.LightDLI = facts.Seen(dli, m.On, facts.Measured)
		}
	}
}

// timeFacts takes what was done with it and when it came.
func (s State) timeFacts(f *facts.Facts, on day.Day) {
	if s.Isolation == Isolated {
		since := on
		if s.setApart.on != nil {
			since = *s.setApart.on
		}
		f.Isolated = facts.Seen(true, since, facts.Done)
	}
	if owned, known := s.Owned(on); known {
		f.NewcomerDays = facts.Seen(float64(owned), s.ArrivedOn, facts.Derived)
	}
	// Another root sitting soon after would be one too many; today it is in the hand.
	if sat, is := f.Last[facts.SatRoots]; is && sat < on {
		f.LastSitting = facts.Seen(float64(on-sat), sat, facts.Done)
	}
}

// done lists what was carried out of the plans that are replaced, with its day,
// in order of name.
func (s State) done(on day.Day) []facts.Event {
	var list []facts.Event
	last := s.CarriedOut()
	for _, op := range slices.Sorted(maps.Keys(last)) {
		list = append(list, facts.Event{Event: op, Day: int(last[op] - on)})
	}
	return list
}
