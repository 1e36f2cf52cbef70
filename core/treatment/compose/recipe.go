package compose

import (
	"cmp"
	"slices"
	"time"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// recipe is what is done for a cause on plants that it is for. Of the recipes
// for one cause the first that fits is taken.
type recipe struct {
	cause cause.ID
	fits  fits
	does  []item
}

// drowning says whether it hangs limp in wet medium.
func drowning(x *subject) bool { return x.limp && !x.thirsty }

// neverSleeps says whether it keeps its leaves and drinks all year: it cannot have woken, and
// nothing is gained by keeping it dry.
func neverSleeps(x *subject) bool {
	rest := x.kind.HowItRests()
	return (rest == plant.RestNone || rest == plant.RestSlows) && x.kind.WaterRule != plant.DryRest &&
		!x.is(treatment.BulbPlant, treatment.WinterDeciduous) && !x.tuberous()
}

// neverWoken says whether it cannot have woken too early: it never sleeps, or what grows like it is not
// known to wake by its roots.
func neverWoken(x *subject) bool {
	stores := x.is(treatment.BulbPlant) || x.tuberous()
	return neverSleeps(x) || !stores && notKnownTo(cause.WokenEarly)(x)
}

// drownedRoots says whether it drowns and its roots were counted and most of them are dead: what
// is wet is rot by now, whatever was accepted (common practice).
func drownedRoots(x *subject) bool {
	return drowning(x) && !x.untied && deadRoots(x)
}

// deadRoots says whether its roots were counted, and none or the smaller part of them live.
func deadRoots(x *subject) bool {
	return x.rootless && x.Facts.LiveRoots.Known || x.counted && x.roots < mostDead
}

// boundOfDeadRoots says whether a pot is said to be full of roots of which most were counted dead: a
// wider one is no help to what lives (common practice; the book asks for a wider pot all the same).
func boundOfDeadRoots(x *subject) bool {
	return !x.rescue() && deadRoots(x)
}

// treatedAs is the cause by whose recipe another is treated: too wide a pot, or one that does not
// drain, by that of rot where its roots have drowned in it; so are roots of water that died in a medium.
// A medium that repels is of no account where no root lives to drink from it, or most are dead and it hangs limp in
// the moist: its roots are lost.
func (c *composer) treatedAs(id cause.ID) cause.ID {
	if id == cause.WaterRoots && deadRoots(c.subject) && c.Facts.DeadRoots.Or(0) > 0 {
		return cause.RootRot
	}
	if id == cause.MediumRepels && (c.noRootFound() || c.limpInMoist() && c.mostRootsDead()) {
		return cause.DryRootLoss
	}
	if (id == cause.PotTooBig || id == cause.NoDrainage) && drownedRoots(c.subject) {
		return cause.RootRot
	}
	return id
}

// holeless says whether its pot has no hole that could be opened, and it can
// wait for its season.
func holeless(x *subject) bool {
	return x.noHole() && !drowning(x)
}

// fits says whether a recipe is for a plant.
type fits func(*subject) bool

func all(*subject) bool { return true }

func on(codes ...treatment.HabitID) fits {
	return func(x *subject) bool { return x.is(codes...) }
}

func orchids(x *subject) bool  { return x.orchid }
func dryKinds(x *subject) bool { return x.dry }
func untied(x *subject) bool   { return x.untied && x.habitID != treatment.AirPlant }
func leafless(x *subject) bool { return x.leafless }
func limp(x *subject) bool     { return x.limp }

// restingDry are dry kinds and winter-deciduous orchids at rest.
func restingDry(x *subject) bool {
	return x.resting() && (x.dry || x.habitID == treatment.WinterDeciduous)
}

// branching says whether a cut makes it branch now; soft trailers and ivies are
// cut in the first light of the year as well.
func branching(x *subject) bool {
	return x.growing() || x.is(treatment.SoftTrailer, treatment.Ivy) && x.month(0) == time.February
}

// item is one row of a recipe: it puts something on the agenda.
type item func(*orders, cause.ID)

// orders are what all accepted causes ask for, before days are found for it.
type orders struct {
	*subject
	root    *rootWork
	asks    []cause.ID // who asks for root work
	crown   *crownWork
	leaf    *leafWork
	pieces  *pieceWork
	neck    bool // the top is taken off and rooted again
	top     bool // what is left is a cutting
	severed bool // and nothing has to be cut for it
	pests   []cause.ID
	strip   bool
	rest    bool // the orchid rests first
	change  bool // a set-up is changed
	discard cause.ID
	doubted []cause.ID // would have it thrown away, and its kind is not known to have them
	plain   []plain
}

// plain is a step on a day, or behind a gate, that is no part of a block.
type plain struct {
	cause cause.ID
	day   int
	gate  gate.Gate
	step  step
}

func (a *orders) add(p plain) {
	p.step.Cause = p.cause
	a.plain = append(a.plain, p)
}

// at puts a step on a day of the plan.
func at(day int, op treatment.OperatorID, opts ...option) item {
	return func(a *orders, c cause.ID) { a.add(plain{cause: c, day: day, step: do(op, opts...)}) }
}

// when waits for a gate.
func when(waits gate.Gate, op treatment.OperatorID, opts ...option) item {
	return func(a *orders, c cause.ID) { a.add(plain{cause: c, day: -1, gate: waits, step: do(op, opts...)}) }
}

// given takes items only for some plants.
func given(f fits, items ...item) item {
	return func(a *orders, c cause.ID) {
		if f(a.subject) {
			for _, i := range items {
				i(a, c)
			}
		}
	}
}

func join(lists ...[]item) []item { return slices.Concat(lists...) }

// rootKind is how roots are worked on, the gentlest first.
type rootKind int

const (
	wholeBall rootKind = iota + 1 // the ball stays whole
	washRoots                     // all old medium off
	callusDry                     // bare on a tray until the wounds have healed
)

// rootWork is what a root sitting does.
type rootWork struct {
	kind rootKind
	cut  treatment.Organ // organ that rots and is cut
	drug string          // class of label product for the cut
	// cover caps the cover afterwards; empty for none at all.
	cover plant.Cover
	daily int // for how many days it is looked at daily
	later int // earliest day
	live, stake, insure, sheaths, scales, falls, dryWash, moss, part,
	season, bound, down, head, scald, tips, lateWinter, mixOnly bool
}

type rootOption func(*rootWork)

func roots(kind rootKind, opts ...rootOption) item {
	return func(a *orders, c cause.ID) {
		w := rootWork{kind: kind, daily: 7}
		for _, o := range opts {
			o(&w)
		}
		a.wants(w, c)
	}
}

func cutting(organ treatment.Organ) rootOption {
	return func(w *rootWork) { w.cut, w.live = organ, true }
}
func drug(class string) rootOption     { return func(w *rootWork) { w.drug = class } }
func covered(c plant.Cover) rootOption { return func(w *rootWork) { w.cover = c } }
func daily(days int) rootOption        { return func(w *rootWork) { w.daily = days } }
func staked(w *rootWork)               { w.stake = true }
func insured(w *rootWork)              { w.insure = true }
func sheathsOff(w *rootWork)           { w.sheaths = true }
func scalesOff(w *rootWork)            { w.scales = true }
func whatFalls(w *rootWork)            { w.falls = true }
func washedDry(w *rootWork)            { w.dryWash = true }
func mossOff(w *rootWork)              { w.moss = true }
func parted(w *rootWork)               { w.part = true }
func inSeason(w *rootWork)             { w.season = true }
func potBound(w *rootWork)             { w.bound = true }
func smaller(w *rootWork)              { w.down = true }
func beheaded(w *rootWork)             { w.head = true }
func withTips(w *rootWork)             { w.tips = true }
func lateWinter(w *rootWork)           { w.lateWinter = true }
func freshMix(w *rootWork)             { w.mixOnly = true }
func notBefore(day int) rootOption     { return func(w *rootWork) { w.later = day } }

// wants merges root work that several causes ask for into one sitting: the
// most thorough of them, with all that each wants.
func (a *orders) wants(w rootWork, c cause.ID) {
	a.asks = append(a.asks, c)
	w.scald = w.scald || c == cause.MediumCollapsed && a.has(cause.Mealybug)
	w = a.washed(w, c)
	if a.root == nil {
		a.root = &w
		return
	}
	r, o := *a.root, w
	if o.kind > r.kind {
		r, o = o, r
	}
	r.season = r.season && o.season
	r.cut, r.drug = cmp.Or(r.cut, o.cut), cmp.Or(r.drug, o.drug)
	if o.cover != "" && (r.cover == "" || drier(o.cover, r.cover)) {
		r.cover = o.cover
	}
	r.daily, r.later = max(r.daily, o.daily), max(r.later, o.later)
	r.lateWinter = r.lateWinter && o.lateWinter
	for _, flag := range []struct {
		to   *bool
		from bool
	}{{&r.live, o.live}, {&r.stake, o.stake}, {&r.insure, o.insure}, {&r.sheaths, o.sheaths}, {&r.scales, o.scales},
		{&r.falls, o.falls}, {&r.dryWash, o.dryWash}, {&r.moss, o.moss}, {&r.part, o.part}, {&r.bound, o.bound},
		{&r.down, o.down}, {&r.head, o.head},
		{&r.scald, o.scald}, {&r.tips, o.tips}} {
		*flag.to = *flag.to || flag.from
	}
	a.root = &r
}

// washed opens a ball that cannot stay whole: what carries something has to go, and no ball holds together
// of dead roots.
func (a *orders) washed(w rootWork, c cause.ID) rootWork {
	carried := a.mustWash(c)
	if w.kind == wholeBall && (carried || deadRoots(a.subject)) {
		w.kind, w.scald = washRoots, w.scald || carried
		w.falls = w.falls || a.is(treatment.Palm, treatment.Cycad)
	}
	return w
}

// mustWash says whether the old medium carries what has to go, whatever a cause asks for.
func (a *orders) mustWash(c cause.ID) bool {
	return a.has(cause.RootMealybug, cause.RootGrub) || c == cause.MediumCollapsed && a.has(cause.Mealybug) ||
		a.Facts.Medium.Value == facts.Infested ||
		a.orchid && a.epiphyte && (a.has(cause.Fusarium) || a.badMedium())
}

var coverRank = map[plant.Cover]int{plant.CoverNone: 0, plant.CoverOpen: 1, plant.CoverClosed: 2}

func drier(a, b plant.Cover) bool { return coverRank[a] < coverRank[b] }

// crownWork takes a rotten heart out and dries the crown.
type crownWork struct {
	drug string
	pick bool
}

func crown(drug string) item {
	return func(a *orders, _ cause.ID) {
		if a.crown == nil || a.crown.drug == "" {
			a.crown = &crownWork{drug: drug, pick: true}
		}
	}
}

// leafWork takes marked leaves off.
type leafWork struct {
	mush  bool
	day   int
	cause cause.ID
}

func leaves(mush bool, day int) item {
	return func(a *orders, c cause.ID) {
		if a.leaf == nil || day < a.leaf.day {
			a.leaf = &leafWork{mush || a.leaf != nil && a.leaf.mush, day, c}
		}
	}
}

// pieceWork makes plants of pieces.
type pieceWork struct {
	ops   []treatment.OperatorID
	why   string // piece: it is one; mother: she is lost; wish
	organ treatment.Organ
	cover plant.Cover
}

func pieces(why string, organ treatment.Organ, cover plant.Cover, ops ...treatment.OperatorID) item {
	return func(a *orders, _ cause.ID) {
		if a.pieces == nil {
			a.pieces = &pieceWork{ops, why, organ, cover}
		}
	}
}

func pests(a *orders, c cause.ID)    { a.pests = append(a.pests, c) }
func stripIt(a *orders, _ cause.ID)  { a.strip = true }
func restIt(a *orders, _ cause.ID)   { a.rest = true }
func neckCut(a *orders, _ cause.ID)  { a.neck = true }
func changeIt(a *orders, _ cause.ID) { a.change = true }

// notKnownTo says whether plants that grow like it are not known to have a cause.
func notKnownTo(id cause.ID) fits {
	return func(x *subject) bool {
		known, _ := cause.ByID(id)
		return !known.Fits(string(x.habitID))
	}
}

// binIt throws the plant away; not for what its kind is not known to have.
func binIt(a *orders, c cause.ID) {
	if !notKnownTo(c)(a.subject) {
		a.discard = c
		return
	}
	a.doubted = append(a.doubted, c)
}
