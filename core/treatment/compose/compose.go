// Package compose makes plans: from the recipes for what was accepted it lays
// operators into sittings, finds days for them, and simulates the plant through
// the plan so that no rule is broken on the way.
package compose

import (
	"errors"
	"fmt"
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// The reasons why no plan can be made.
var (
	ErrNothing = errors.New("causes: accept at least one cause or name a wish; or set the plant aside and watch it")
	ErrHabit   = errors.New("habit: say how it grows, or which kind it is")
)

// composer makes one plan.
type composer struct {
	*agenda
	draft       draft
	plan        treatment.Plan
	school      treatment.School
	sat         int // the day of the root sitting; -1 where there is none or it waits
	held        string
	gated       bool // the root sitting waits for a gate
	piecesOpen  bool // its pieces stand without a cover
	boxed       bool // pieces are followed already
	changed     bool // the water of its glass is changed already
	slidOut     bool // its roots are looked at today for what its kind is not known to have
	binnedWhole bool // it is thrown away whole today
	// smelled says that its hole and foot are smelled and felt today: it hangs limp, not for thirst.
	smelled bool
	// trimmedFor is what its stems are cut back for: once, whoever asks.
	trimmedFor *plain
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
		agenda: &agenda{subject: x},
		sat:    -1,
		draft:  draft{days: map[slotOfDay][]block{}},
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
			i(c.agenda, as)
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
		i(c.agenda, "")
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

// opensInDoubt says whether a recipe would open the pot for what its way of growing is not known to have; what rots is
// opened all the same.
func (c *composer) opensInDoubt(r recipe, id cause.ID) bool {
	if !notKnownTo(id)(c.subject) || slices.Contains(treatment.Rots(), id) {
		return false
	}
	alone := &agenda{subject: c.subject}
	for _, i := range r.does {
		i(alone, id)
	}
	return alone.root != nil
}

// looksInDoubt looks for three weeks at what is not treated for something that its kind is not known to have.
func (c *composer) looksInDoubt() {
	c.draft.at(7, rankLook, do(treatment.Look, every(7, toDay(21))))
}

// pottedInVain says why another pot would be no help against a cause, and what is left out for that; empty where it
// is or another cause is meant.
func (c *composer) pottedInVain(id cause.ID) (out, why string) {
	switch {
	case id == cause.PotBound && boundOfDeadRoots(c.subject):
		return string(treatment.PotUp), "most of its roots were dead: what lives fills no wider pot, which would stay " +
			"wet; find out first why they died"
	case id == cause.PotTooBig && c.seat == facts.InPot && c.treatedAs(id) == id && !c.carersMixPot() &&
		c.Facts.PotWidthCM.Known && c.smallerWidth() >= c.Facts.PotWidthCM.Value:
		return string(treatment.Unpot), "a pot that would be narrower is too narrow for what lives: look again for what " +
			"keeps it wet"
	case id == cause.DryRootLoss && c.allRootsLive():
		return string(id), "every root that was counted lives: drought has taken none; look again before its pot is opened"
	}
	return "", ""
}

// allRootsLive says whether its roots were counted, and none of them was dead.
func (c *composer) allRootsLive() bool {
	live, dead := c.Facts.LiveRoots, c.Facts.DeadRoots
	return live.Known && live.Value > 0 && dead.Known && dead.Value == 0
}

// doubtUnfit says of what was accepted that this way of growing is not known to have it.
func (c *composer) doubtUnfit() {
	if c.has(cause.Dormancy) && neverRests(c.subject) {
		c.leave(string(cause.Dormancy), "its kind has no rest: it stands still for want of light, warmth, roots or feed; "+
			"look for that")
	}
	for _, id := range c.causes {
		if notKnownTo(id)(c.subject) && !slices.Contains(c.doubted, id) {
			c.leave(string(id), "plants that grow like this are not known to have it: look again before you act on it")
		}
	}
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

// settle lets what excludes each other agree: a rotten heart is not unpotted, a
// piece is not rescued, a top that is taken off needs no root work.
func (c *composer) settle() {
	switch {
	case c.pieces != nil && (c.pieces.why == "piece" || c.pieces.why == "mother"), c.neck, c.top:
		c.givesUpRoots()
	case c.crown != nil && c.root != nil:
		c.leave(string(treatment.Unpot), "the heart rots: nothing is unpotted until it is dry")
		c.root = nil
	}
	c.settleChange()
	c.keptInGlass()
	if c.pieces != nil && c.pieces.why == "mother" && len(c.travels()) > 0 && c.has(cause.BaseRot) {
		c.pieces, c.top, c.root = nil, true, nil // what ails it travels: its top is rooted whole
	}
	if c.pieces != nil && c.pieces.why == "wish" && c.root != nil {
		c.leave("propagate", "after the root work, from what grows then")
		c.pieces = nil
	}
}

// givesUpRoots leaves the roots of what is rooted anew, and says so where they were asked for.
func (c *composer) givesUpRoots() {
	if c.root != nil && slices.Contains(c.asks, "") {
		c.leave(string(c.Wish), "what is sound of it is rooted first")
	}
	if c.root != nil && c.pieces != nil && c.has(cause.RootRot) {
		c.leave(string(cause.RootRot), "its roots go with the old base: what is sound is rooted anew")
	}
	c.root = nil
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

// tipped is how water leaves a pot that has no hole.
const tipped = "tip"

// drains empties what stands under its present pot, or in it.
func (c *composer) drains() step {
	if c.has(cause.NoDrainage) || c.noHole() {
		return do(treatment.DrainSaucer, how(tipped))
	}
	return do(treatment.DrainSaucer)
}

// leavesItsWater says whether what stood over water goes into a pot today.
func (c *composer) leavesItsWater() bool {
	return (c.root != nil || c.change) && c.sat == 0 && !c.gated || c.top || c.pieces != nil
}

// emptyDish pours away what stands under a pot, or in one without a way out.
func (c *composer) emptyDish() {
	blocked := c.has(cause.NoDrainage) && !(c.root != nil && c.sat == 0) // what waits is drained meanwhile
	if (c.Facts.Standing.Value || blocked) && c.kind.WaterRule != plant.WetTray && !c.untied &&
		(!among(c.seat, facts.InCup, facts.InDish, facts.InJar) || c.leavesItsWater()) {
		c.draft.at(0, rankAfter, c.drains())
	}
}

// binned lets go of a plant that nothing is left to save of, and says whether
// that is the whole plan.
func (c *composer) binned() bool {
	if c.Choices.Discard == treatment.SideNow || c.Choices.Keep == treatment.SideDiscard {
		if c.hopeless() {
			if c.Wish != "" {
				c.leave(string(c.Wish), "the plant is let go")
			}
			c.bin()
			return true
		}
		c.leave(string(treatment.Discard), "it is harmless, or can be cured")
	}
	if c.discard != "" && (c.pieces == nil || len(c.travels()) > 0) {
		c.bin()
		return true
	}
	return false
}

// settleChange leaves a top to its graft, and a new way of growing to a plant that is whole.
func (c *composer) settleChange() {
	if c.has(cause.BaseRot) && c.trait(plant.Grafted) {
		c.leave(string(treatment.Behead), "its top cannot root by itself: only grafting it again saves it")
	}
	why := ""
	switch {
	case !c.change:
		return
	case c.basal() && c.any(treatment.Rots()):
		why = "its base heals first"
	case c.has(cause.Detached):
		why = "it has no roots yet: it roots first, and changes its seat later"
	default:
		return
	}
	c.leave(string(treatment.SetupChange), why)
	c.change = false
}

// noRootWork takes root work from what is thrown away or has no medium.
func (c *composer) noRootWork() {
	if c.discard != "" {
		c.root, c.change = nil, false
	}
	if c.habitID != treatment.AirPlant {
		return
	}
	if c.root != nil {
		c.leave(string(treatment.Unpot), "it grows in no medium")
	}
	if c.change {
		c.leave(string(treatment.SetupChange), "it grows in air and wants nothing else")
	}
	c.root, c.change = nil, false
}

// agreeSchool settles what a school means beside the causes: resting first is
// only for what needs no unpotting, and a whole ball stays in its own mix.
func (c *composer) agreeSchool() {
	switch {
	case c.rest && c.root == nil && !c.change:
		if c.school != treatment.Rest {
			c.school = treatment.Rest
			c.plan.SchoolWhy = nil
		}
	case c.school == treatment.Rest && !c.rest && c.Choices.School != treatment.Rest:
		c.nextBest(treatment.Rest)
	case c.school == treatment.Rest && c.change:
		c.nextBest(treatment.Rest)
	case c.school == treatment.Rest && c.rotLives && c.rotAsks():
		c.nextBest(treatment.Rest) // rot does not wait until it has rested
	}
	c.keepBall()
}

// keepBall lets a ball that stays whole keep its own mix, but where the carer
// chose to grow it another way.
func (c *composer) keepBall() {
	if c.root == nil || c.root.kind != wholeBall || c.change || !among(c.school, bareSchools...) {
		return
	}
	if c.Choices.School == c.school {
		c.root.kind = washRoots // the carer wants another way of growing: the old medium goes
		return
	}
	c.school = treatment.OwnMix
}

// bareSchools are those that take the old medium off.
var bareSchools = []treatment.School{
	treatment.Bridge, treatment.Lean, treatment.BareRoots, treatment.MossWrap, treatment.MossBox, treatment.ClayPot,
}

// nextBest takes the best school but one.
func (c *composer) nextBest(but treatment.School) {
	for _, s := range scores(c.subject) {
		if s.School != but && s.Refused == "" {
			c.school, c.plan.SchoolWhy = s.School, heaviest(s)
			return
		}
	}
	c.school = treatment.OwnMix
}

// waitsForRoots says whether the whole root sitting waits until roots show on
// new growth, because the plant rests first.
func (c *composer) waitsForRoots() bool { return c.school == treatment.Rest && c.root != nil }

// spreads are the ways in which what is accepted reaches other plants; root rot
// and base rot are met by the rules of blade, waste and water alone.
func (x *subject) spreads() (ways []string) {
	for _, id := range x.causes {
		cc, _ := cause.ByID(id)
		if id == cause.RootRot || id == cause.BaseRot {
			continue
		}
		for _, w := range cc.Spreads {
			if !slices.Contains(ways, string(w)) {
				ways = append(ways, string(w))
			}
		}
	}
	slices.Sort(ways)
	return ways
}

// start isolates what spreads, and records how it is.
func (c *composer) start() {
	var steps []step
	ways := c.spreads()
	if len(ways) > 0 && !c.Facts.Isolated.Value {
		steps = append(steps, do(treatment.Isolate, with(func(p *treatment.Params) { p.Ways = ways })))
	}
	steps = append(steps, do(treatment.Baseline))
	if len(ways) > 0 {
		steps = append(steps, do(treatment.Neighbours, note(c.beside())))
	}
	c.draft.at(0, rankStart, steps...)
}

func (c *composer) beside() string {
	for _, id := range c.causes {
		if f, ok := treatment.FoeOf(id); ok && f.Beside != "" {
			return f.Beside + looksBeside(f)
		}
	}
	return "what touched it, or shared tray, water or blade"
}

// looksBeside says how plants beside it are looked at: what comes out at night is sought
// by torchlight, what lives in the medium is not washed off leaves (growers' practice).
func looksBeside(f treatment.Foe) string {
	switch {
	case among(f.Cause, cause.SlugSnail, cause.Chewer):
		return ": looked at after dark, by torchlight, on days 0, 7 and 14, pots and holes too"
	case among(f.Cause, cause.FungusGnat, cause.RootGrub, cause.RootMealybug):
		return ": looked at on days 0, 7 and 14 and after one generation, at the medium and the holes"
	}
	return ": looked at on days 0, 7 and 14 and after one generation, washed once"
}

// bitten helps whoever bit a poisonous plant that is let go; a plant that stays has the
// help from its recipe.
func (c *composer) bitten() {
	if c.has(cause.AnimalDamage) && poisonous(c.subject) {
		c.draft.at(0, rankFirst, do(treatment.Aid))
	}
}

// bin ends a plant that cannot be kept.
func (c *composer) bin() {
	c.binnedWhole = true
	c.unleave(string(cause.DryRootLoss)) // nobody looks at its roots again
	c.bitten()
	c.draft.at(0, rankAfter, do(treatment.Discard))
}
