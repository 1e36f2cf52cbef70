package treatment

import "tendermend/core/working"

// Phase is a part of the work. Phases stand in working order.
type Phase string

// phases in working order.
var phases = []Phase{
	"isolate", "baseline", "pre-soak", "strip", "unpot", "clean-roots", "tally-and-trim", "disinfect", "insurance",
	"prepare", "set-and-stake", "first-water", "shelter", "daily-watch", "repeats", "wean", "feed", "close",
}

var phaseRank = func() map[Phase]int {
	m := map[Phase]int{}
	for i, p := range phases {
		m[p] = i
	}
	return m
}()

// does says what a step does to the plant, so that steps which contradict each
// other are found by what they do and not by their names.
type does uint16

const (
	waters     does = 1 << iota // wets the medium through
	holdsWater                  // keeps water back
	closesAir                   // still wet air round the leaves
	driesLeaf                   // wants leaves dry and air moving
	feeds
	holdsFeed
	sprays   // soap, oil or a pesticide on the leaves
	rootWork // takes it out of its pot
	cutsRoot // leaves fresh cuts on roots or base
	forGood  // cannot be undone
)

// template is a step as a protocol knows it, before a plan is made for a plant.
type template struct {
	id        string // the same id from two protocols is the same step
	phase     Phase
	day       int // days after the plan's first day
	title     string
	how       string
	minutes   int
	waitMin   int // minutes that a clock runs: a soak, a drying cut
	entry     string
	gate      string // what must be seen first, where the day alone does not say
	ends      string
	wrong     string
	materials []string
	cautions  []string
	does      does
	treats    treats // which treatment against a pest it is
	move      string // the move of the tables that it carries out, where there is one
	amounts   func(Situation) []working.Amount
	when      func(Situation) bool // nil means always
}

// treats says which treatment in the row against a pest a step is: its clock,
// where it is known, sets the day.
type treats uint8

const (
	noTreatment treats = iota
	firstTreatment
	secondTreatment
	thirdTreatment
)

// protocol is the treatment for some causes.
type protocol struct {
	id     string
	name   string
	causes []string
	track  string // recovery track it mends on
	entry  string // what must be so before it is begun
	steps  []template
	expect string
	ends   string
	wrong  string // what can go wrong
	stop   string // when to give up, or to bin it
	fits   func(Situation) bool
}

// not turns a condition round.
func not(f func(Situation) bool) func(Situation) bool {
	return func(s Situation) bool { return !f(s) }
}

func isOrchid(s Situation) bool { return s.Habit.Orchid }

// all says whether every condition holds.
func all(fs ...func(Situation) bool) func(Situation) bool {
	return func(s Situation) bool {
		for _, f := range fs {
			if !f(s) {
				return false
			}
		}
		return true
	}
}
