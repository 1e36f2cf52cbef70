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

// template is a step as a protocol knows it, before a plan is made for a plant.
type template struct {
	id       string // the same id from two protocols is the same step
	phase    Phase
	day      int // days after the plan's first day
	title    string
	how      string
	minutes  int
	cautions []string
	amounts  func(Situation) []working.Amount
	when     func(Situation) bool // nil means always
}

// protocol is the treatment for some causes.
type protocol struct {
	id     string
	name   string
	causes []string
	track  string // recovery track it mends on
	steps  []template
	expect string
	ends   string
	wrong  string // what can go wrong
	fits   func(Situation) bool
}
