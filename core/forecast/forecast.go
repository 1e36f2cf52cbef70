package forecast

import (
	"fmt"
	"math"
	"slices"

	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/plant"
	"tendermend/core/water"
	"tendermend/core/working"
)

// Forecast is when to look at a pot next.
type Forecast struct {
	Rule  plant.WaterRule `json:"rule"`
	Words string          `json:"words" doc:"What to do, in a sentence."`
	Say   drying.Say      `json:"say" enum:"water,look,wait" doc:"Empty where drying does not tell it."`
	From  *day.Day        `json:"from,omitempty" doc:"The first day on which a look is useful."`
	Best  *day.Day        `json:"best,omitempty" doc:"The day on which a look is worth most."`
	Until *day.Day        `json:"until,omitempty" doc:"The last day before harm is likely."`
	// Low and High hold the day on which its rule is met eight times in ten.
	Low   *day.Day `json:"low,omitempty" doc:"Its rule is met on this day or later, nine times in ten."`
	High  *day.Day `json:"high,omitempty" doc:"And by this day, nine times in ten."`
	MetAt float64  `json:"metAt" doc:"The share of what it holds at which its rule is met."`
	Met   float64  `json:"met" doc:"The chance that its rule is met now, 0 to 1."`
	// Content is what it holds now, as a share of what it holds when it has drained.
	Content    float64         `json:"content"`
	ContentLow float64         `json:"contentLow" doc:"The lower end, nine times in ten."`
	ContentTop float64         `json:"contentHigh"`
	Rate       float64         `json:"rate" doc:"Share of that lost in a day at 1 kPa and the best light."`
	RateSD     float64         `json:"rateSd" doc:"Standard deviation of its logarithm."`
	Signs      []drying.Sign   `json:"signs" doc:"What the history says of how it was watered."`
	Working    working.Working `json:"working"`
}

// asked is what a history is read with.
type asked struct {
	rule  drying.Rule
	name  plant.WaterRule
	drink drying.Drink
	best  float64 // light, mol a day
	of    drying.Case
	line  water.Line
	south bool
	gap   float64 // days between waterings that are usual for how it grows; 0 where unknown
}

var cases = map[string]drying.Case{
	"": drying.Ordinary, "ordinary": drying.Ordinary, "thirsty": drying.Thirsty, "wet-harms": drying.WetHarms,
	"rots-easily": drying.RotsEasy,
}

// bestUnknown is the best light of a plant that nobody knows, mol a day (common practice).
const bestUnknown = 6

// who reads the kind and its rule of a day.
func (h History) who(kinds plant.Kinds, on day.Day) (asked, error) {
	a := asked{name: h.Rule, drink: "usual", best: bestUnknown, south: h.South}
	of, known := cases[h.Case]
	if !known {
		return a, Fault{"case", fmt.Sprintf("%q is not ordinary, thirsty, wet-harms or rots-easily", h.Case)}
	}
	a.of = of
	var kind plant.Profile
	habit, hasHabit := plant.HabitByID(h.Habit)
	switch {
	case h.Kind != "":
		if kind, known = kinds.ByID(h.Kind); !known {
			return a, Fault{"kind", fmt.Sprintf("there is no kind %q; leave it out and give its habit", h.Kind)}
		}
		habit, hasHabit = plant.HabitByID(kind.Habit)
	case h.Habit != "" && !hasHabit:
		return a, Fault{"habit", fmt.Sprintf("there is no growth habit %q", h.Habit)}
	case hasHabit:
		kind = plant.OfHabit(habit)
	}
	if hasHabit {
		a.drink, a.best, a.gap = DrinkOf(habit), kind.Light[1], UsualGap(habit)
		leaves := true
		a.line = water.LineOn(water.Asked{
			Kind: kind, Habit: habit, On: on, South: h.South, Leaves: &leaves, Potted: true,
		})
		if a.name == "" {
			a.name = a.line.Rule
		}
	}
	if a.name == "" {
		return a, Fault{"rule", "give its kind, its habit or its water rule: without one nobody can say when it is dry"}
	}
	rule, _ := drying.RuleOf(a.name)
	if a.rule = rule.For(a.drink); h.Grace != nil {
		a.rule.Grace = *h.Grace
	}
	return a, nil
}

// airs gives the air and light of any day.
func (h History) airs(who asked) (func(int) drying.Air, error) {
	type from struct {
		on  int
		air Air
	}
	spans := make([]from, 0, len(h.Air))
	for i, a := range h.Air {
		on := math.MinInt32
		if a.From != "" {
			at, err := moment(a.From, fmt.Sprintf("air[%d].from", i))
			if err != nil {
				return nil, err
			}
			on = int(math.Floor(at))
		}
		if a.VPD < 0 || a.VPD > 10 || a.DLI < 0 || a.DLI > 100 {
			return nil, Fault{fmt.Sprintf("air[%d]", i), "air of 0 to 10 kPa and light of 0 to 100 mol a day"}
		}
		spans = append(spans, from{on, a})
	}
	slices.SortStableFunc(spans, func(x, y from) int { return x.on - y.on })
	return func(on int) drying.Air {
		usual := UsualAir(day.Day(on), who.south)
		for _, s := range slices.Backward(spans) {
			if s.on > on {
				continue
			}
			if s.air.VPD > 0 {
				usual.VPD = s.air.VPD
			}
			if s.air.DLI > 0 {
				usual.Light = s.air.DLI / who.best
			}
			usual.Fan, usual.Closed = s.air.Fan, s.air.Closed
			break
		}
		return usual
	}, nil
}

// Of gives the forecast of a history. Errors are Faults that say what to mend.
func Of(h History, kinds plant.Kinds) (Forecast, error) {
	s, who, err := h.story(kinds)
	if err != nil {
		return Forecast{}, err
	}
	if who.rule.Name == "" {
		words := "Drying does not tell it: " + who.name.Words() + "."
		if who.name == plant.NoWater {
			words = "Give it no water now: it rests dry."
		}
		return Forecast{Rule: who.name, Words: words, Signs: []drying.Sign{}}, nil
	}
	if len(s.Happenings) == 0 {
		return Forecast{}, Fault{"events", "give at least its last watering or one look"}
	}
	s.Guess = h.Rate
	if s.Guess == 0 && h.Pot.TopCM == 0 && who.gap > 0 {
		s.Guess = GuessOf(who.rule, who.gap)
	}
	told := s.Run()
	return Tell(told, s, who.of), nil
}
