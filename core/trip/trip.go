// Package trip tells, for a time away, which pots last, which are watered the day before,
// what helps the others, and what whoever comes in has to do on which days.
package trip

import (
	"math"

	"tendermend/core/drying"
	"tendermend/core/plant"
)

// Pot is a pot as the model of drying knows it.
type Pot struct {
	Rate     float64 // share of what it holds a day, at 1 kPa and the best light
	SD       float64 // spread of the logarithm of that
	Litres   float64 // of water that it holds when full
	Rule     drying.Rule
	Pace     float64 // of the drying clock, a day while away
	Content  float64 // now, as a share of what it holds
	DaysToGo int     // until leaving
	Begun    bool    // the carer is gone: nobody waters or moves it before
	Resting  bool    // never watered meanwhile
	// NoCover says that no bag may go over it: it rots, has hairs or stores water.
	NoCover bool
	// Apart says that it is kept apart, or should be: it is not stood among others.
	Apart bool
}

// Aid is what slows the drying of a pot that stays alone.
type Aid string

// The aids, the mildest first.
const (
	OutOfSun Aid = "out-of-sun"
	Together Aid = "together"
	Covered  Aid = "covered"
)

// slows are what aids make of the pace of drying (common practice); cooler is what a home
// does whose heating is turned down by four degrees.
var slows = map[Aid]float64{OutOfSun: 0.70, Together: 0.85, Covered: 0.30}

const cooler = 0.80

// What counts (guesses of the trade).
const (
	safe      = 0.10 // risk up to which a pot is left alone
	dueWithin = 0.12 // content above its rule at which it is watered before leaving
	evenBelow = 0.90 // a rule of even moisture is topped up below that
	filledTo  = 0.95
	poured    = 0.85 // share of what was lost that a sitter pours: never until it runs
	leastGap  = 2    // days between two waterings by a sitter
	longest   = 90
	nodes     = 31 // points over what is not known of its rate
	reachSD   = 3.0
	sharp     = 0.02 // how sharply harm begins, as a share of what it holds
	toTheNext = 10   // ml
)

// Verdict is what becomes of a pot during a trip.
type Verdict string

// The verdicts.
const (
	Lasts  Verdict = "lasts"  // as it stands
	Aided  Verdict = "aided"  // with what is named
	Sitter Verdict = "sitter" // somebody waters it
	Leave  Verdict = "leave"  // it rests: not watered at all
)

// Plan is what is done about a pot.
type Plan struct {
	Verdict     Verdict `json:"verdict"`
	WaterBefore bool    `json:"waterBefore" doc:"Whether it is watered on the day before leaving."`
	Risk        float64 `json:"risk" doc:"The chance of harm by the day of return, nobody watering, 0 to 1."`
	SafeDays    int     `json:"safeDays" doc:"Days that it is safe alone."`
	Aids        []Aid   `json:"aids" doc:"What is done to it before leaving."`
	Days        []int   `json:"days" doc:"Days after leaving on which a sitter waters it."`
	Millilitres int     `json:"millilitres,omitempty" doc:"What a sitter pours each time."`
}

// For plans a pot over a trip of so many days; turnedDown says that the heating is lowered.
func For(p Pot, away int, turnedDown bool) Plan {
	plan := Plan{Verdict: Lasts, Aids: []Aid{}, Days: []int{}}
	if p.Resting {
		plan.Verdict, plan.SafeDays = Leave, longest
		return plan
	}
	out := drying.Dry(p.Content, p.Rate*p.Pace*float64(p.DaysToGo))
	pace := p.Pace
	if turnedDown {
		pace *= cooler
	}
	even := p.Rule.Name == plant.Even
	plan.WaterBefore = !p.Begun && (out <= p.Rule.Met+dueWithin || even && out < evenBelow)
	if plan.WaterBefore {
		out = filledTo
	}
	plan.Risk = p.risk(out, pace, away)
	plan.SafeDays = p.safeDays(out, pace)
	if plan.Risk <= safe {
		return plan
	}
	if p.Begun {
		safeFull := p.safeDays(filledTo, pace)
		plan.sit(p, pace, max(0, plan.SafeDays), safeFull, away)
		return plan
	}
	for _, aids := range p.aids() {
		slowed := pace
		for _, a := range aids {
			slowed *= slows[a]
		}
		if p.risk(out, slowed, away) <= safe {
			plan.Verdict, plan.Aids = Aided, aids
			return plan
		}
	}
	plan.sit(p, pace, away, plan.SafeDays, away)
	return plan
}

// aids are what may be tried, the mildest first.
func (p Pot) aids() [][]Aid {
	list := [][]Aid{{OutOfSun}}
	if !p.Apart {
		list = append(list, []Aid{OutOfSun, Together})
	}
	if !p.NoCover {
		list = append(list, []Aid{Covered, OutOfSun})
	}
	return list
}

// sit names the days on which somebody waters, and how much: the first time by a day at the latest, and then as often
// as it is safe for so many days.
func (plan *Plan) sit(p Pot, pace float64, latest, safeFor, away int) {
	plan.Verdict = Sitter
	drops := p.Rate * pace
	usual := math.RoundToEven(drying.Between(filledTo, p.Rule.Met) / drops)
	gap := max(leastGap, min(safeFor, int(usual)))
	for d := min(latest, gap); d < away; d += gap {
		plan.Days = append(plan.Days, d)
	}
	lost := filledTo - drying.Dry(filledTo, drops*float64(gap))
	plan.Millilitres = max(toTheNext, int(math.RoundToEven(poured*lost*p.Litres*1000/toTheNext))*toTheNext)
}

// Dried is the chance that it stood too dry after so many days from now, nobody having watered
// it since, 0 to 1.
func (p Pot) Dried(days int) float64 { return p.risk(p.Content, p.Pace, days) }

// risk is the chance that it is harmed by the end of so many days, over what is not known of
// its rate: its content is below harm for longer than it bears.
func (p Pot) risk(content, pace float64, days int) float64 {
	through := pace * float64(max(0, days-p.Rule.Grace))
	all, hit := 0.0, 0.0
	for i := range nodes {
		e := -reachSD + 2*reachSD*float64(i)/(nodes-1)
		w := math.Exp(-0.5 * e * e)
		left := drying.Dry(content, p.Rate*math.Exp(p.SD*e)*through)
		all += w
		hit += w / (1 + math.Exp((left-p.Rule.Harm)/sharp))
	}
	return hit / all
}

// safeDays is for how many days the risk stays small.
func (p Pot) safeDays(content, pace float64) int {
	for d := range longest {
		if p.risk(content, pace, d) > safe {
			return d - 1
		}
	}
	return longest
}
