package treatment

import (
	"cmp"
	"slices"

	"tendermend/core/facts"
)

// Does are effects of an operator on plant, pot, blade or leaves.
type Does uint32

// The effects.
const (
	Cuts       Does = 1 << iota // leaves a cut, and a used blade
	InRot                       // its cut goes through what rots
	OnLeaves                    // its cut is of leaves or spikes
	MakesPiece                  // a piece of the plant goes on as a plant of its own
	Sets                        // gives the plant a seat again
	Waters                      // wets the medium
	FillsCup                    // wets a tank or cup only
	WetsTop                     // wets leaves, and whatever lies below them
	WetsRoots                   // wets what is held in the hand, crown and joints with it
	LeafFilm                    // leaves a product on the leaves
	ByLabel                     // its dose is the label's
	Recurs                      // is repeated until something is seen
	Gentle                      // belongs to any plan: looking, labelling, housekeeping
)

// Has says whether all of the effects are among these.
func (d Does) Has(x Does) bool { return d&x == x }

// Operator is one thing that is done: the smallest part of a plan.
type Operator struct {
	ID    OperatorID
	Title string // what it is called on a plan
	Again string // what it is called when it is done once more, where that is another act
	How   string // how it is done, for somebody who does it the first time
	// Minutes is the work that it takes; Wait are minutes that a clock runs.
	Minutes, Wait int
	ForGood       bool // cannot be undone
	Disturbs      int  // 0 not at all, to 3
	Does          Does
	Seat          facts.Seat // where the plant stands after it, for an operator that sets
	// Cautions are the letters of the cautions that belong to it.
	Cautions  string
	Materials []string
	Done      string // what is seen when it is done
	Wrong     string // what goes wrong most often
	// For names what may ask for it: causes, groups of causes, wishes and schools.
	// Empty means that it belongs to any plan.
	For string
}

var operatorByID = func() map[OperatorID]Operator {
	m := make(map[OperatorID]Operator, len(operators))
	for _, o := range operators {
		m[o.ID] = o
	}
	return m
}()

// TitleAgain is what an operator is called when its step is done once more.
func TitleAgain(id OperatorID) string {
	o := operatorByID[id]
	return cmp.Or(o.Again, o.Title)
}

// Operators lists all operators in the order of the work.
func Operators() []Operator { return slices.Clone(operators) }

// OperatorByID finds an operator; false when there is none of that id.
func OperatorByID(id OperatorID) (Operator, bool) {
	o, ok := operatorByID[id]
	return o, ok
}

// Does gives the effects of an operator; none for an unknown one.
func (id OperatorID) Does(x Does) bool { return operatorByID[id].Does.Has(x) }
