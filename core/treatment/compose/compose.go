// Package compose makes plans: from the recipes for what was accepted it lays
// operators into sittings, finds days for them, and simulates the plant through
// the plan so that no rule is broken on the way.
package compose

import (
	"errors"
	"fmt"
	"slices"

	"tendermend/core/cause"
	"tendermend/core/treatment"
)

// The reasons why no plan can be made.
var (
	ErrNothing = errors.New("causes: accept at least one cause or name a wish; or set the plant aside and watch it")
	ErrHabit   = errors.New("habit: say how it grows, or which kind it is")
)

// composer makes one plan.
type composer struct {
	*orders
	draft       draft
	plan        treatment.Plan
	school      treatment.School
	sat         int // the day of the root sitting; -1 where there is none or it waits
	held        string
	gated       bool // the root sitting waits for a gate
	piecesOpen  bool // its pieces stand without a cover
	boxed       bool // pieces are followed already
	freshWater  bool // the water of its glass is changed already
	rootsLooked bool // its roots are looked at today for what its kind is not known to have
	binnedWhole bool // it is thrown away whole today
	// smelled says that its hole and foot are smelled and felt today: it hangs limp, not for thirst.
	smelled bool
	// trimmedFor is what its stems are cut back for: once, whoever asks.
	trimmedFor *plain
	// placed are the carer's moves, by their number, that were made.
	placed map[int]bool
	// clear is how many clean days the longest pest wants.
	clear int
	cold  bool // it is too cold to time one of them
}

// leave says what the plan does without or otherwise, and why.
func (c *composer) leave(op, why string) {
	l := treatment.LeftOut{Op: op, Why: why}
	if !slices.Contains(c.plan.LeftOut, l) {
		c.plan.LeftOut = append(c.plan.LeftOut, l)
	}
}

// unleave takes a line back, where what it says is left out stands in the plan after all.
func (c *composer) unleave(op string) {
	c.plan.LeftOut = slices.DeleteFunc(c.plan.LeftOut, func(l treatment.LeftOut) bool { return l.Op == op })
}

// Plan makes a plan for a situation. It fails on an unknown kind, habit, cause
// or wish, and where nothing was accepted. The same situation always gives the
// same plan.
func Plan(s treatment.Situation) (treatment.Plan, error) {
	if err := faults(s); err != nil {
		return treatment.Plan{}, err
	}
	x, ok := read(s)
	if !ok {
		return treatment.Plan{}, ErrHabit
	}
	c := &composer{
		orders: &orders{subject: x},
		sat:    -1,
		draft:  draft{days: map[slotOfDay][]block{}},
		placed: map[int]bool{},
	}
	c.plan.LeftOut, c.plan.Sittings = []treatment.LeftOut{}, []treatment.Sitting{}
	c.collect()
	c.layOut()
	c.finish()
	return c.plan, nil
}

// faults says what is wrong with a situation, in words.
func faults(s treatment.Situation) error {
	if len(s.Causes) == 0 && s.Wish == "" {
		return ErrNothing
	}
	for i, id := range s.Causes {
		if _, ok := cause.ByID(id); !ok {
			return fmt.Errorf("causes[%d]: there is no cause %q", i, id)
		}
		if slices.Contains(s.Causes[:i], id) {
			return fmt.Errorf("causes[%d]: %s stands twice", i, id)
		}
	}
	if s.Wish != "" && !slices.Contains(treatment.Wishes(), s.Wish) {
		return fmt.Errorf("wish: there is no wish %q", s.Wish)
	}
	if s.Profile == nil && s.Kind == "" && s.Habit == "" {
		return ErrHabit
	}
	if s.Profile == nil && s.Kind != "" {
		if x, _ := read(s); x == nil || !x.named {
			return fmt.Errorf("kind: there is no kind %q", s.Kind)
		}
	}
	return nil
}

// collect asks every recipe, the gravest cause first, and then the wish.
func (c *composer) collect() {
	for _, id := range c.causes {
		if op, why := c.pottedInVain(id); why != "" {
			c.leave(op, why)
			continue
		}
		as := c.treatedAs(id)
		r, ok := recipeFor(as, c.subject)
		if !ok {
			c.leave(string(id), "nothing is known to help")
			continue
		}
		if c.opensInDoubt(r, as) {
			c.looksInDoubt()
			continue
		}
		for _, i := range r.does {
			i(c.orders, as)
		}
	}
	wish := c.Wish
	if wish == treatment.Propagate && c.divides() && len(c.travels()) == 0 && !c.piece {
		wish = treatment.PartWish // it is multiplied by parting it
	}
	if c.discard != "" && wish != "" {
		c.leave(string(wish), "the plant is let go")
		return
	}
	if c.unwished(wish) {
		wish = ""
	}
	for _, i := range wishes[wish] {
		i(c.orders, "")
	}
	for _, id := range c.doubted {
		c.leave(string(treatment.Discard), "its kind is not known to have "+label(id)+": look again before it is thrown away")
		c.knotsSought(id)
		c.looksInDoubt()
	}
	c.doubtUnfit()
	c.rootPests()
	c.settle()
}

// rootPests adds the root work that pests at the roots ask for.
func (c *composer) rootPests() {
	if !c.has(cause.RootMealybug, cause.RootGrub) || c.habitID == treatment.AirPlant {
		return
	}
	w := rootWork{kind: washRoots, scald: true, daily: 7}
	switch {
	case c.is(treatment.Palm, treatment.Cycad):
		w.falls = true
	case treatment.MineralSet().Has(c.habitID):
		w.kind = callusDry
	}
	w.scald = !c.untied
	id := cause.RootMealybug
	if !c.has(id) {
		id = cause.RootGrub
	}
	c.wants(w, id)
	if c.root != nil && w.scald {
		c.root.scald = true
	}
}

// layOut finds days and sittings for everything.
func (c *composer) layOut() {
	c.start()
	if c.binned() {
		return
	}
	c.noRootWork()
	if c.orchid && (c.root != nil && c.root.kind != callusDry || c.rest || c.change) {
		c.chooseSchool()
		c.agreeSchool()
		c.plan.School = c.school
	}
	c.dateRoots()
	c.undecided()
	c.drink()
	c.tops()
	c.rootSitting()
	if c.rest && (c.root == nil || c.waitsForRoots()) {
		c.restFirst()
	}
	if c.pieces != nil {
		c.makePieces()
	}
	if c.discard != "" {
		c.bitten()
		c.draft.at(0, rankPestBag, do(treatment.Discard, what("the mother")))
		return
	}
	c.programmes()
	c.plainSteps()
	c.bridge()
	c.offsets()
	c.letGo()
	c.also()
	c.emptyDish()
	c.rootsUnexplained()
	c.noticed()
}
