// Package diagnosis works out what ails a plant from the signs seen and the
// signs looked for in vain: the chance of each cause, whether something outside
// the list is at work, the next check that is worth its trouble, and which moves
// are safe while one is unsure.
package diagnosis

import (
	"fmt"
	"slices"
	"sync"

	"tendermend/core/cause"
	"tendermend/core/climate"
	"tendermend/core/plant"
)

// Version names this state of the tables. It is kept with every diagnosis in
// the record, so that an old one can be read as it was made.
const Version = "2026.3"

// Knowledge is all that the tables know: signs, causes, how often a cause shows
// a sign, what brings on what, and what each move does. It is built and checked
// once and never changed; Learned makes another of it.
type Knowledge struct {
	edition Edition
	signs   []Sign
	causes  []Cause
	moves   []Move

	signAt, causeAt, moveAt map[string]int

	link    [][]float64                   // cause × sign: how often the cause alone shows it, 0-1
	starts  [][]chain                     // by cause: what it brings on
	factors map[string]map[string]float64 // habit → cause → times the prior

	// learnt priors of a habit stand above prior × factor; nil where nothing was learnt.
	priors map[string]map[string]float64
}

// chain is one cause that brings on another.
type chain struct {
	to       int
	strength float64 // chance that it does, 0-1
}

// Standard gives the knowledge that ships with the program.
var Standard = sync.OnceValue(func() *Knowledge {
	k, err := build()
	if err != nil {
		panic(fmt.Sprintf("the tables do not hold together: %v", err)) // a test builds them
	}
	return k
})

// Edition tells which state of the tables this is.
func (k *Knowledge) Edition() Edition { return k.edition }

// Signs lists all signs.
func Signs() []Sign { return slices.Clone(Standard().signs) }

// Causes lists all causes.
func Causes() []Cause { return slices.Clone(Standard().causes) }

// Moves lists all moves.
func Moves() []Move { return slices.Clone(Standard().moves) }

// Sign finds a sign as this knowledge has it; false when there is none of that id.
func (k *Knowledge) Sign(id string) (Sign, bool) {
	i, ok := k.signAt[id]
	if !ok {
		return Sign{}, false
	}
	return k.signs[i], true
}

// SignByID finds a sign; false when there is none of that id.
func SignByID(id string) (Sign, bool) {
	return Standard().Sign(id)
}

// CauseByID finds a cause; false when there is none of that id.
func CauseByID(id string) (Cause, bool) {
	k := Standard()
	i, ok := k.causeAt[id]
	if !ok {
		return Cause{}, false
	}
	return k.causes[i], true
}

// maxPrior keeps a prior with its habit factor a chance.
const maxPrior = 0.5

// prior gives the share of examined plants of a habit that have a cause which
// nothing else brought on, before any sign; an empty season counts as unknown.
func (k *Knowledge) prior(c int, habit plant.Habit, season climate.Season) float64 {
	known := k.causes[c]
	if len(known.parts) > 0 || !known.fits(habit.ID) {
		return 0
	}
	if cause.ID(known.ID) == cause.Dormancy && !habit.RestsIn(season) {
		return 0
	}
	if learnt, ok := k.priors[habit.ID][known.ID]; ok {
		return min(learnt, maxPrior)
	}
	p := known.Prior
	if times, named := k.factors[habit.ID][known.ID]; named {
		p *= times
	}
	return min(p, maxPrior)
}

// PriorFor gives the chance of a cause before any sign is known, for a habit
// in a season; 0 for an unknown cause.
func (k *Knowledge) PriorFor(causeID string, habit plant.Habit, season climate.Season) float64 {
	if c, ok := k.causeAt[causeID]; ok {
		return k.prior(c, habit, season)
	}
	return 0
}
