package water

import (
	"fmt"
	"slices"
	"time"

	"tendermend/core/day"
	"tendermend/core/plant"
)

// Fact is something of a plant that was seen, said or read, with its day.
type Fact struct {
	Is  bool    `json:"is"`
	On  day.Day `json:"on"`
	How string  `json:"how" doc:"Where it comes from, in words."`
}

// Asked is what the water rule of a day hangs on. What nobody knows is nil.
type Asked struct {
	Kind   plant.Profile // what it wants: its kind's wishes, or its habit's
	Habit  plant.Habit
	On     day.Day
	South  bool
	Held   string // why its plan or stage holds water back; empty where none does
	Potted bool   // whether it is known to stand in a pot with a medium
	// Stands is the rule of what it stands in, where that sets one whatever its kind: a
	// water space, a dish, a cup, or nothing round its roots. Empty where its kind decides.
	Stands  plant.WaterRule
	DLI     *float64 // light read at its place, mol m⁻² d⁻¹
	Lamp    bool     // whether a lamp lights it
	Growing *Fact    // whether it grows, as of the last month
	Resting *Fact    // whether it was seen at rest
	Leaves  *bool    // whether it has leaves
	Bloom   bool     // whether it is in bud or bloom
	RootsCM *float64 // the longest root on its new growth, cm
}

// Line is the water rule of a plant on a day.
type Line struct {
	Rule  plant.WaterRule `json:"rule"`
	Words string          `json:"words" doc:"The rule as a carer would say it."`
	Why   string          `json:"why" doc:"What makes it this rule today."`
	// Days is true where a look for water falls due by days; where it is false the
	// plant is looked at every LookDays instead.
	Days     bool    `json:"days" doc:"Whether a look for water falls due by days."`
	Stretch  float64 `json:"stretch" doc:"How much longer than in growth the time between two waterings is."`
	LookDays int     `json:"lookDays,omitempty" doc:"Where no water falls due: it is looked at so often."`
	Asks     string  `json:"asks,omitempty" doc:"The measure that such a look reads."`
	Rest     bool    `json:"rest" doc:"Whether it is at rest."`
	NoFeed   bool    `json:"noFeed" doc:"Whether nothing is fed: it rests, or may rest in these months."`
	Half     bool    `json:"half,omitempty" doc:"Whether it is given half the usual amount."`
}

// What the rule rests on (common practice).
const (
	lowStretch  = winterStretch // a drier rule in the dark months
	noneStretch = 2.0           // dry through in place of a rule of none, in leaf
	lowLight    = 0.4           // of the best light: below it the plant drinks as in the dark months
	rootsDays   = 7             // between looks at the roots that water waits for
)

// AsleepDays is how many days lie between looks at a plant that gets no water
// (growers' practice).
const AsleepDays = 28

// The measures that are read where no water falls due.
const (
	RootsMeasure   = "root-on-new"
	GrowingMeasure = "growing"
	RestMeasure    = "at-rest"
)

// LineOn gives the water rule of a plant on a day: first what holds water back,
// then what it waits for, then its rest where one is seen, then the dark months,
// and else its rule in growth (growers' practice). A plant in leaf always has a
// rule with a window, merely a longer one.
func LineOn(a Asked) Line {
	resting, why := a.rests()
	l := a.ruleOf(resting, why)
	l.NoFeed = a.unfed(l.Rest)
	return l
}

func (a Asked) ruleOf(resting bool, why string) Line {
	switch {
	case a.Held != "":
		return none(a.Held, 0, "", resting)
	case a.Kind.WaterRule == plant.DryRest:
		return a.rootsFirst(resting, why)
	case resting:
		return a.atRest(why)
	}
	if low, why := a.dim(); low {
		l := a.line(a.Kind.WaterLow, why, lowStretch)
		if a.Kind.WaterLow == plant.NoWater || a.Kind.WaterLow == "" {
			l = a.line(plant.DryThrough, why+"; it is in leaf, so it is not kept dry", noneStretch)
		}
		if a.Kind.WaterLow == "" {
			l = a.line(a.Kind.WaterRule, why, lowStretch)
		}
		return l
	}
	return a.line(a.Kind.WaterRule, "as long as it grows", 1)
}

// atRest is the rule of a plant that is seen at rest.
func (a Asked) atRest(why string) Line {
	l := a.line(a.Kind.WaterRule, why, 1)
	switch low := a.Kind.WaterLow; {
	case a.Kind.WaterAtRest() == plant.RestDry, a.byMonth() && low == plant.NoWater:
		l = none(why, AsleepDays, GrowingMeasure, true)
	case a.Kind.WaterAtRest() == plant.RestAsGrowth:
	case low == "" || low == plant.NoWater:
		l = a.line(plant.DryThrough, why, noneStretch)
	default:
		l = a.line(low, why, lowStretch)
	}
	l.Rest = true
	return l
}

// rootsFirst is the rule of a kind whose first water waits for new roots.
func (a Asked) rootsFirst(resting bool, why string) Line {
	wanted := a.Kind.RootsFirstCM
	switch {
	case a.RootsCM != nil && *a.RootsCM >= wanted:
		return a.line(plant.SurfaceDry, fmt.Sprintf("its new roots are %g cm long", *a.RootsCM), 1)
	case resting || a.RootsCM == nil && a.Leaves != nil && !*a.Leaves:
		if why == "" {
			why = "it has no leaves"
		}
		return none(why+fmt.Sprintf("; no water before its new roots are %g cm long", wanted), AsleepDays,
			RootsMeasure, true)
	case a.RootsCM != nil:
		said := fmt.Sprintf("its new roots are %g cm long; no water before they are %g cm", *a.RootsCM, wanted)
		return none(said, rootsDays, RootsMeasure, false)
	case a.inLeaf():
		l := a.line(plant.SurfaceDry, "it is in leaf, and nobody has said how long its new roots are", 1)
		l.Half, l.Asks = true, RootsMeasure
		return l
	}
	said := fmt.Sprintf("nobody has said how long its new roots are; no water before they are %g cm", wanted)
	return none(said, rootsDays, RootsMeasure, false)
}

// inLeaf says whether a leaf is known to be open.
func (a Asked) inLeaf() bool { return a.Leaves != nil && *a.Leaves }

func none(why string, lookDays int, asks string, rest bool) Line {
	return Line{
		Rule: plant.NoWater, Words: plant.NoWater.Words(), Why: why, Stretch: 1,
		LookDays: lookDays, Asks: asks, Rest: rest,
	}
}

// standsIn says of what sets a rule of its own that the plant stands in it.
var standsIn = map[plant.WaterRule]string{
	plant.AirRoots: "its roots hang bare", plant.Reservoir: "it stands in a pot with a water space",
	plant.Dish: "it stands over a dish", plant.InWater: "it stands over water",
}

// line is a rule with a window by days.
func (a Asked) line(rule plant.WaterRule, why string, stretch float64) Line {
	switch stands := standsIn[a.Stands]; {
	case a.Stands == plant.AirRoots:
		rule, why = a.Stands, why+"; "+stands
	case stands != "":
		rule, why, stretch = a.Stands, why+"; "+stands, 1
	case rule == plant.AirRoots && a.Potted: // in a medium its roots dry by the pot's depth
		rule, why = plant.HalfDry, why+"; it stands in a pot"
	}
	return Line{Rule: rule, Words: rule.Words(), Why: why, Days: true, Stretch: stretch}
}

// rests says whether the plant is at rest: seen or said so; for evergreen kinds
// when growth has stopped in the months of its rest; by the month alone only for
// those that are known to rest then (growers' practice).
func (a Asked) rests() (rests bool, why string) {
	grown := a.Growing != nil && a.Growing.Is
	switch {
	case a.Kind.HowItRests() == plant.RestNone:
		return false, ""
	case a.Resting != nil && (!grown || a.Growing.On < a.Resting.On):
		if !a.Resting.Is {
			return false, ""
		}
		return true, "it is at rest: " + a.Resting.How
	case a.byMonth():
		return true, "its kind rests dry in these months"
	case grown || a.Growing == nil || a.sheds():
		return false, ""
	case a.Kind.RestsIn(plant.NorthMonth(a.On, a.South)):
		return true, "it rests in these months, and it has stopped growing: " + a.Growing.How
	}
	return false, ""
}

// sheds says whether its rest is seen by its leaves: until they are down it is not
// at rest.
func (a Asked) sheds() bool { return a.Kind.HowItRests() == plant.RestLeafless }

// byMonth says whether the month alone tells its rest: of cacti and stone plants,
// and of orchids that have shed their leaves already.
func (a Asked) byMonth() bool {
	month := plant.NorthMonth(a.On, a.South)
	switch {
	case slices.Contains(stonePlants, a.Kind.ID):
		return slices.Contains(stoneRest, month)
	case a.Habit.ID == "cactus":
		return a.Kind.WaterLow == plant.NoWater && a.Kind.RestsIn(month)
	case a.Habit.ID == "winter-deciduous-orchid":
		return a.Leaves != nil && !*a.Leaves && a.Kind.RestsIn(month)
	}
	return false
}

// unfed says whether nothing is fed: in any of its kind's rests, seen or by the
// calendar where nothing says that it grows. Kinds that only grow less in the dark
// months are fed less (growers' practice).
func (a Asked) unfed(resting bool) bool {
	switch a.Kind.RestKind {
	case "", "none", "winter-drier":
		return resting && a.Kind.WaterAtRest() == plant.RestDry || a.Kind.WaterRule == plant.DryRest && resting
	}
	grows := a.Growing != nil && a.Growing.Is
	return resting || !grows && a.Kind.RestsIn(plant.NorthMonth(a.On, a.South))
}

// stonePlants rest twice a year, which no one rest code says; stoneRest are those
// months in the northern half: until the old pair of leaves is paper, and in the
// heat of summer (growers' practice).
var (
	stonePlants = []string{"lithops-hybrid"}
	stoneRest   = []time.Month{
		time.November, time.December, time.January, time.February, time.March, time.April,
		time.June, time.July, time.August,
	}
)

// dim says whether the plant drinks as in the dark months: little light was read
// at its place, or the days are short and no lamp, no flower and no growth says
// otherwise.
func (a Asked) dim() (dim bool, why string) {
	if a.DLI != nil && *a.DLI < lowLight*a.Kind.Light[1] {
		return true, fmt.Sprintf("its place gives %.2g mol of light a day, under %g %% of its best", *a.DLI, lowLight*100)
	}
	switch {
	case !shortDays(a.On, a.South), a.Lamp, a.Kind.GrowsInTheDark(), a.Bloom:
		return false, ""
	case a.Growing != nil && a.Growing.Is:
		return false, ""
	}
	return true, "the days are short"
}

// shortDays says whether a day lies between 15 November and 1 February of the
// northern half, or half a year later in the southern one (growers' practice).
func shortDays(on day.Day, south bool) bool {
	switch m, d := plant.NorthMonth(on, south), on.Time().Day(); m {
	case time.November:
		return d >= 15
	case time.December, time.January:
		return true
	case time.February:
		return d <= 1
	default:
		return false
	}
}

// Asks lists the measures that would change the rule of a day and that nobody has
// read lately: whether it grows and whether it rests, in the dark months and in those
// of its rest; how long new roots are, where its water waits for them.
func Asks(a Asked) (ids []string) {
	line := LineOn(a)
	if line.Asks == RootsMeasure {
		ids = append(ids, RootsMeasure)
	}
	inRest := a.Kind.HowItRests() != plant.RestNone && a.Kind.RestsIn(plant.NorthMonth(a.On, a.South))
	if inRest && a.Resting == nil && !line.Rest {
		ids = append(ids, RestMeasure)
	}
	if a.Growing == nil && (line.Rest || inRest || shortDays(a.On, a.South)) {
		ids = append(ids, GrowingMeasure)
	}
	return ids
}

// Phase is a kind's water rule in one part of its year.
type Phase struct {
	When  string `json:"when"`
	Words string `json:"words"`
}

// PhasesOf gives a kind's water rules: in growth, in the dark months in leaf, and
// while it is seen at rest.
func PhasesOf(kind plant.Profile) []Phase {
	grown := kind.WaterRule.Words()
	if kind.RootsFirstCM > 0 {
		grown = fmt.Sprintf("none before its new roots are %g cm long, then %s", kind.RootsFirstCM, plant.SurfaceDry.Words())
	}
	list := []Phase{{"in growth", grown}}
	switch kind.WaterLow {
	case "", plant.NoWater:
	case kind.WaterRule:
		list[0].When = "in leaf, all year"
	default:
		list = append(list, Phase{"in leaf in the dark months", kind.WaterLow.Words()})
	}
	switch kind.WaterAtRest() {
	case plant.RestDry, plant.RestRootsFirst:
		list = append(list, Phase{"seen at rest", plant.NoWater.Words() + "; looked at every four weeks"})
	case plant.RestLow:
		low := kind.WaterLow
		if low == plant.NoWater {
			list = append(list, Phase{"at rest", plant.NoWater.Words() + "; looked at every four weeks"})
		} else if low != "" {
			list = append(list, Phase{"seen at rest", low.Words()})
		}
	case plant.RestAsGrowth:
	}
	return list
}
