package record

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"sort"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/water"
	"tendermend/core/working"
)

// How long what was seen of a season is taken as true, in days (common practice).
const (
	growthHolds = 30  // that something grew, or that nothing did
	stoodStill  = 21  // looks without growth over so long say that it stands still
	restHolds   = 300 // that it went to rest, where nothing was seen to grow since
	rootsHold   = 240 // how long its new roots are: one season
	bloomHolds  = 60
	lightHolds  = 60
)

// WaterLine gives the plant's water rule on a day. Page, window, walk, routine and
// what is asked about when it is watered all read this one.
func (s State) WaterLine(on day.Day, south bool) water.Line { return s.WaterLines(south)(on) }

// WaterLines gives the rule of any day; what was seen to grow is gathered once.
func (s State) WaterLines(south bool) func(day.Day) water.Line {
	if s.memo == nil {
		return s.workLines(south)
	}
	lines, known := s.memo.lines[south]
	if !known {
		lines = s.workLines(south)
		s.memo.lines[south] = lines
	}
	return lines
}

func (s State) workLines(south bool) func(day.Day) water.Line {
	steady := s.steady()
	seen := map[day.Day]water.Line{}
	return func(on day.Day) water.Line {
		line, known := seen[on]
		if !known {
			line = water.LineOn(s.asked(on, south, steady))
			seen[on] = line
		}
		return line
	}
}

// AtRest says whether the plant is seen at rest on a day, or known to be by the
// month.
func (s State) AtRest(on day.Day, south bool) bool { return s.WaterLine(on, south).Rest }

// MayRest says whether its kind, or its habit, can be at rest on a day: by the
// calendar, or because it was seen so.
func (s State) MayRest(on day.Day, south bool) bool {
	return plant.RestsOn(s.Profile, s.Habit, on, south) || s.AtRest(on, south)
}

// SeasonAsks lists the measures that would change its water rule today and that
// nobody has read lately.
func (s State) SeasonAsks(on day.Day, south bool) []string {
	return water.Asks(s.asked(on, south, s.steady()))
}

// NoFeed says whether nothing is fed on a day, and why.
func (s State) NoFeed(on day.Day, south bool) (why string, rests bool) {
	line := s.WaterLine(on, south)
	switch {
	case !line.NoFeed:
		return "", false
	case line.Rest:
		return line.Why, true
	}
	return "its kind rests in these months, and nothing says that it grows", true
}

// steady is what its water rule hangs on and no day turns.
type steady struct {
	grew   []grownOn
	holds  []hold
	stands plant.WaterRule
}

func (s State) steady() steady { return steady{s.growthSeen(), s.waterHolds(), s.stands()} }

// asked is what its water rule of a day hangs on.
func (s *State) asked(on day.Day, south bool, of steady) water.Asked {
	a := water.Asked{
		Kind: s.Wants, Habit: s.Habit, On: on, South: south, Held: heldOn(of.holds, on),
		Potted: s.potted(), Stands: of.stands,
		Growing: s.growing(on, of.grew), Resting: s.resting(on, of.grew), RootsCM: s.newRootsCM(on),
	}
	a.Leaves = s.hasLeaves(on, a.Resting)
	if spike := s.SawSpike(); spike != nil && on-s.Examined.On <= bloomHolds {
		a.Bloom = *spike
	}
	for _, m := range s.Meters {
		if m.Lux == nil || m.On > on || on-m.On > lightHolds {
			continue
		}
		a.Lamp = m.Lamp != "" && m.Lamp != climate.Sunlight
		if m.Hours != nil {
			dli := climate.DLI(climate.PPFD(*m.Lux, m.Lamp), *m.Hours)
			a.DLI = &dli
		}
	}
	return a
}

// potted says whether it is known to stand in a pot with a medium: a width was given,
// and its kind is one that is sold in pots.
func (s State) potted() bool {
	if seat := s.Known.Seat; seat.Known {
		return seat.Value == facts.InPot || seat.Value == facts.InDish
	}
	return s.Pot.WidthCM != nil && strings.HasPrefix(s.Wants.SoldIn, "pot")
}

// overDish says whether it drinks from a dish: it stands in one, or is at the stage of one,
// and its roots have not come down to where the water was.
func (s State) overDish() bool {
	if _, stage, in := s.CurrentStage(); s.Known.Seat.Value != facts.InDish && !(in && stage.Dish) {
		return false
	}
	level, known := s.DishLevel()
	return !known || level.Value > 0
}

// stands is the water rule of what it stands in, where that sets one.
func (s State) stands() plant.WaterRule {
	if s.overDish() {
		return plant.Dish
	}
	switch s.Known.Seat.Value {
	case facts.InReservoir:
		return plant.Reservoir
	case facts.InCup, facts.InJar:
		return plant.InWater
	case facts.Hung, facts.OnMount:
		if s.Habit.Orchid {
			return plant.AirRoots
		}
	default:
	}
	return ""
}

// grownOn is something that was seen to have grown, with its day.
type grownOn struct {
	on   day.Day
	what string
}

// growthSeen lists what was seen to have grown, oldest first.
func (s State) growthSeen() []grownOn {
	var list []grownOn
	see := func(on day.Day, what string) { list = append(list, grownOn{on, what}) }
	for _, m := range recovery.GrowthMeasures() {
		readings := s.Readings[m.ID]
		for i := range readings {
			if grewAt(m, readings, i) {
				see(readings[i].On, m.Short)
			}
		}
	}
	for _, r := range s.Readings[water.GrowingMeasure] {
		if r.Value > 0 {
			see(r.On, "said so")
		}
	}
	for _, strand := range s.Strands {
		if !strand.CameWith && strand.Sort != recovery.Spike {
			see(strand.Began, "a new growth")
		}
		for i, size := range strand.Sizes {
			if i > 0 && size.Value > strand.Sizes[i-1].Value {
				see(size.On, "a growth that lengthened")
			}
		}
	}
	slices.SortStableFunc(list, func(a, b grownOn) int { return cmp.Compare(a.on, b.on) })
	return list
}

// lastOf gives the last growth by a day; false where none was seen.
func lastOf(grew []grownOn, by day.Day) (grownOn, bool) {
	n := sort.Search(len(grew), func(i int) bool { return grew[i].on > by })
	if n == 0 {
		return grownOn{}, false
	}
	return grew[n-1], true
}

// Growing says whether the plant grows, as of a day: from what was seen, counted
// and said in the month before; nil where nothing tells. The month alone never
// does.
func (s State) Growing(on day.Day) *water.Fact { return s.growing(on, s.growthSeen()) }

func (s *State) growing(on day.Day, list []grownOn) *water.Fact {
	grew, seen := lastOf(list, on)
	seen = seen && on-grew.on <= growthHolds
	var still *water.Fact
	for _, r := range s.Readings[water.GrowingMeasure] {
		if r.On <= on && on-r.On <= growthHolds && r.Value == 0 {
			still = &water.Fact{On: r.On, How: "nothing new in a month, said on " + r.On.Words()}
		}
	}
	if still == nil {
		still = s.stoodStill(on)
	}
	switch {
	case seen && (still == nil || grew.on >= still.On):
		return &water.Fact{Is: true, On: grew.on, How: fmt.Sprintf("%s, %s", grew.what, grew.on.Words())}
	case still != nil:
		return still
	}
	return nil
}

// stoodStill reads check-ins of the last month that counted new leaves or growth
// and found none, over three weeks at least.
func (s *State) stoodStill(on day.Day) *water.Fact {
	var first, last day.Day
	looks := 0
	for _, id := range []string{"new-leaves", "new-growth"} {
		for _, r := range s.Readings[id] {
			if r.On > on || on-r.On > growthHolds {
				continue
			}
			if looks == 0 || r.On < first {
				first = r.On
			}
			last = max(last, r.On)
			looks++
		}
	}
	if looks < 2 || last-first < stoodStill {
		return nil
	}
	return &water.Fact{On: last, How: fmt.Sprintf("nothing new at the looks from %s to %s", first.Words(), last.Words())}
}

// Resting says whether the plant was seen at rest, as of a day: somebody said so,
// its last leaf is gone, or dormancy was accepted; nil where nothing tells, or where
// it grew since.
func (s State) Resting(on day.Day) *water.Fact { return s.resting(on, s.growthSeen()) }

func (s *State) resting(on day.Day, list []grownOn) *water.Fact {
	var fact *water.Fact
	take := func(f water.Fact) {
		if f.On <= on && on-f.On <= restHolds && (fact == nil || f.On >= fact.On) {
			fact = &f
		}
	}
	for _, c := range s.Cases {
		if c.Verdict != nil && slices.Contains(c.Verdict.Causes, string(cause.Dormancy)) {
			take(water.Fact{Is: true, On: c.Verdict.On, How: "accepted on " + c.Verdict.On.Words()})
		}
	}
	for _, r := range s.Readings[water.RestMeasure] {
		how := "said on " + r.On.Words()
		take(water.Fact{Is: r.Value > 0, On: r.On, How: how})
	}
	if fact == nil {
		return nil
	}
	if grew, seen := lastOf(list, on); seen && grew.on > fact.On {
		return nil
	}
	return fact
}

// hasLeaves says whether the plant has leaves on a day; nil where nobody counted
// any.
func (s *State) hasLeaves(on day.Day, r *water.Fact) *bool {
	answer := func(has bool) *bool { return &has }
	if r != nil && r.Is && s.Wants.HowItRests() == plant.RestLeafless {
		return answer(false)
	}
	leaves, known := s.leafCount(on)
	if !known {
		return nil
	}
	return answer(leaves > 0)
}

// leafCount is how many leaves it has on a day; false where nobody counted any.
func (s *State) leafCount(on day.Day) (leaves int, known bool) {
	since := s.ArrivedOn
	if s.Arrival.Leaves != nil {
		leaves, known = *s.Arrival.Leaves, true
	}
	if said := s.Known.Leaves; said.Known && said.On <= on {
		leaves, known, since = int(said.Value), true, said.On+1
	}
	for _, r := range s.Readings["new-leaves"] {
		if r.On <= on && r.On >= since {
			leaves, known = leaves+int(r.Value), known || r.Value > 0
		}
	}
	if !known {
		return 0, false
	}
	for _, r := range s.Readings["leaves-lost"] {
		if r.On <= on && r.On >= since {
			leaves -= int(r.Value)
		}
	}
	return leaves, true
}

// newRootsCM is how long the roots on its new growth are, cm; nil where nobody
// measured them this season.
func (s *State) newRootsCM(on day.Day) *float64 {
	from := on - rootsHold
	for _, r := range s.Readings[water.RestMeasure] {
		if r.On <= on && r.Value > 0 {
			from = max(from, r.On)
		}
	}
	var cm *float64
	for _, r := range s.Readings[water.RootsMeasure] {
		if r.On <= on && r.On >= from {
			v := r.Value / 10
			cm = &v
		}
	}
	return cm
}

// hold is a time in which a plan or a stage holds water back.
type hold struct {
	from, until day.Day // without its last day
	why         string
}

// untilSeen is the end of a hold that ends by what is seen.
const untilSeen day.Day = math.MaxInt32

// waterHolds lists when its plans and stages hold water back, and why.
func (s State) waterHolds() (list []hold) {
	list = s.alarmHolds()
	for _, c := range s.Cases {
		if !c.Open() {
			continue
		}
		as := s.As(c)
		if first, gate, waits := as.firstWater(); waits && gate != "" {
			list = append(list, hold{c.PlannedOn, untilSeen, "its plan keeps it dry until this is seen: " + gate})
		} else if waits {
			why := "its plan waters it first on " + first.Words() + ": until then its cuts close"
			list = append(list, hold{c.PlannedOn, first, why})
		}
		if _, stage, in := as.CurrentStage(); in && stage.HoldsWater {
			purpose := working.Lower(strings.TrimSuffix(stage.Purpose, "."))
			why := fmt.Sprintf("its stage, “%s”, is kept dry: %s", stage.Name, purpose)
			list = append(list, hold{as.Leading()[0].Began, untilSeen, why})
		}
		list = append(list, as.planHolds()...)
	}
	return list
}

// planHolds lists when steps of the plan in hand hold water: from their day until a
// stick is found drier, or a later step waters.
func (s State) planHolds() (list []hold) {
	if s.Plan == nil {
		return nil
	}
	for _, step := range s.Plan.Steps {
		if treatment.OperatorID(step.Op) != treatment.HoldWater || step.Gate != "" || s.Ticks[step.ID].Skipped {
			continue
		}
		h := hold{step.On, untilSeen, "its plan holds water until a stick says that it is due"}
		h.until = min(h.until, s.driedAfter(step.On))
		for _, later := range s.Plan.Steps {
			if slices.Contains(watering, treatment.OperatorID(later.Op)) && later.Of == "" && later.Gate == "" &&
				later.On > step.On {
				h.until = min(h.until, later.On)
			}
		}
		list = append(list, h)
	}
	return list
}

// heldOn says why water is held back on a day; empty where it is not.
func heldOn(list []hold, on day.Day) string {
	for _, h := range list {
		if on >= h.from && on < h.until {
			return h.why
		}
	}
	return ""
}

// watering are the steps of a plan with which water comes back.
var watering = []treatment.OperatorID{
	treatment.FirstWater, treatment.Soak, treatment.BottomWater, treatment.Flush, treatment.CupFill,
}

// grewAt says whether a reading shows growth since the one before.
func grewAt(m recovery.Measure, readings []recovery.Reading, i int) bool {
	switch now := readings[i].Value; {
	case now <= 0:
		return false
	case m.SinceLook:
		return true
	case m.Kind == recovery.YesNo:
		return i == 0 || readings[i-1].Value <= 0
	default:
		return i > 0 && now > readings[i-1].Value
	}
}
