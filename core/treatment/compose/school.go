package compose

import (
	"cmp"
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/treatment"
)

// The schools of re-establishing an orchid, in the order in which ties fall:
// the drier, reversible ones first.
var schoolOrder = []treatment.School{
	treatment.Rest,
	treatment.Lean,
	treatment.OwnMix,
	treatment.MossWrap,
	treatment.Bridge,
	treatment.ClayPot,
	treatment.BareRoots,
}

// term is one line of the score: what it says, on whom, and its weights for S0
// to S6 (growers' schools as practised; the weights are judgement, to be
// corrected from closed cases).
type term struct {
	text string
	fits func(*subject) bool
	s    [7]int
}

func rootsAtLeast(from, below float64) func(*subject) bool {
	return func(x *subject) bool { return x.roots >= from && x.roots < below && x.roots > 0 }
}

func (x *subject) reserves() facts.Reserves {
	switch {
	case x.Facts.Reserves.Known:
		return x.Facts.Reserves.Value
	case x.thirsty:
		return facts.Shrivelled
	}
	return facts.Plump
}

func reserve(r facts.Reserves) func(*subject) bool {
	return func(x *subject) bool { return x.reserves() == r }
}

// anyTips says whether tips grow: counted, or as usual in its season.
func (x *subject) anyTips() bool {
	if x.Facts.LiveTips.Known {
		return x.tips
	}
	return x.roots > 0 && x.growing()
}

func baseRots(x *subject) bool { return x.has(cause.BaseRot, cause.BlackRot, cause.Fusarium) }
func grew(in string) func(*subject) bool {
	return func(x *subject) bool { return string(x.Facts.GrewIn.Value) == in && x.roots >= 0.15 }
}

var terms = []term{
	{"half or more of its roots live", rootsAtLeast(0.5, 2), [7]int{3, -3, 1, -2, 1, 1, 0}},
	{"some of its roots live", rootsAtLeast(0.15, 0.5), [7]int{1, -1, 0, 1, 2, 0, 1}},
	{"few of its roots live", rootsAtLeast(0, 0.15), [7]int{-2, 2, -1, 1, 1, -2, 1}},
	{"it has no live root", func(x *subject) bool { return x.roots == 0 }, [7]int{-4, 3, -2, 2, -1, -4, -2}},
	{"tips are growing", (*subject).anyTips, [7]int{1, 1, -1, 0, 0, 3, 1}},
	{"no tip is growing", func(x *subject) bool { return !x.anyTips() }, [7]int{0, 0, 1, 0, 1, -4, 0}},
	{"it is plump", reserve(facts.Plump), [7]int{0, 0, 3, 3, 0, 0, 0}},
	{"its reserves are ridged", reserve(facts.Ridged), [7]int{0, 1, -1, 0, 1, 0, 0}},
	{"it is shrivelled", reserve(facts.Shrivelled), [7]int{-1, 3, -4, -3, 2, -1, 1}},
	{"its base rots", baseRots, [7]int{0, -5, 0, 2, -4, -3, 0}},
	{"its medium is rotten, sour or infested", (*subject).badMedium, [7]int{2, 0, 0, 1, -1, 0, 1}},
	{
		"it is only drained, its medium is sound",
		func(x *subject) bool { return x.only(cause.BloomDrain) && !x.badMedium() },
		[7]int{-3, -4, 5, -2, -2, -3, -2},
	},
	{"the air is humid", func(x *subject) bool { return x.humidity >= 60 }, [7]int{0, 0, 0, 2, 0, 0, 3}},
	{"the air is dry", func(x *subject) bool { return x.humidity < 45 }, [7]int{0, 2, 0, -2, 2, 1, -5}},
	{"the room is cool", func(x *subject) bool { return x.airC < 18 }, [7]int{0, -4, 1, 0, -3, -3, -3}},
	{"the room is warm", func(x *subject) bool { return x.airC >= 24 }, [7]int{0, 1, 0, 0, 1, 1, 2}},
	{"you look every day or two", func(x *subject) bool { return x.lookDays <= 2 }, [7]int{0, 2, 0, 0, 0, 0, 3}},
	{"you look once a week or less", func(x *subject) bool { return x.lookDays >= 7 }, [7]int{1, -4, 1, 1, 0, 3, -5}},
	{"you water heavily", func(x *subject) bool { return x.Facts.WaterHeavy.Value }, [7]int{0, -1, -1, 2, -3, 0, 1}},
	{"its roots grew in moss", grew("moss"), [7]int{0, 0, 0, -1, 4, -2, 0}},
	{"its roots grew in clay", grew("clay"), [7]int{0, 0, 0, 0, 0, 4, 0}},
	{"its roots live in air", func(x *subject) bool { return x.airRooted }, [7]int{-3, 0, -1, -1, -3, -3, 5}},
	{"its roots do not live in air", func(x *subject) bool { return !x.airRooted }, [7]int{0, 0, 0, 0, 0, 0, -3}},
	{"it has no bulbs to live on", func(x *subject) bool { return x.bulbless }, [7]int{1, -1, -1, -9, 3, 0, -4}},
	{
		"a single stem whose roots do not live in air",
		func(x *subject) bool { return x.habitID == treatment.Monopodial && !x.airRooted },
		[7]int{0, 1, 0, -3, 1, 0, 0},
	},
	{"nobody wishes for another set-up", func(x *subject) bool {
		return x.Wish != treatment.SetupChange && !x.Choices.OneSetup.Value && x.Facts.GrewIn.Value != "clay"
	}, [7]int{0, 0, 0, 0, 0, -3, 0}},
	{"it drops its leaves in winter", on(treatment.WinterDeciduous), [7]int{2, 0, 2, 0, -1, 0, -1}},
	{"a ground orchid of the forest floor", on(treatment.JewelOrchid), [7]int{3, -3, -5, -5, 6, -3, 0}},
	{"it is not growing now", func(x *subject) bool { return !x.growing() }, [7]int{-1, 0, 2, 0, 0, -2, 0}},
	{
		"one set-up for many plants",
		func(x *subject) bool { return x.Choices.OneSetup.Value },
		[7]int{0, -1, 0, 0, 0, 4, 0},
	},
	{"a clear cup is in stock", inStock("clear cup"), [7]int{0, 1, 0, 0, 0, 0, 0}},
	{"clay is in stock", inStock("clay"), [7]int{0, 0, 0, 0, 0, 1, 0}},
	{"a basket is in stock", inStock("basket"), [7]int{0, 0, 0, 0, 0, 0, 1}},
}

func inStock(what string) func(*subject) bool {
	return func(x *subject) bool { return slices.Contains(x.Choices.Stock, what) }
}

// refusal says why a school is not for a plant.
type refusal struct {
	school treatment.School
	why    string
	fits   func(*subject) bool
}

var refusals = []refusal{
	{
		treatment.Rest,
		"live rot or an unsound medium cannot wait",
		func(x *subject) bool { return x.rotLives || x.badMedium() },
	},
	{treatment.Bridge, "its base still rots", func(x *subject) bool { return baseRots(x) && x.Facts.Uncut.Value }},
	{treatment.Bridge, "the room is under 18 °C", func(x *subject) bool { return x.airC < 18 }},
	{treatment.Bridge, "it drops its leaves in winter", on(treatment.WinterDeciduous)},
	{treatment.ClayPot, "it is asleep", (*subject).asleep},
	{treatment.ClayPot, "the room is under 18 °C", func(x *subject) bool { return x.airC < 18 }},
	{treatment.BareRoots, "a ground orchid dries out", on(treatment.JewelOrchid)},
	{treatment.BareRoots, "the air is under 40 % humid", func(x *subject) bool { return x.humidity < 40 }},
	{
		treatment.MossWrap,
		"the moss box is for pieces without a root",
		func(x *subject) bool { return x.habitID == treatment.JewelOrchid && !x.rootless },
	},
	{treatment.MossWrap, "moss smothered it", func(x *subject) bool { return x.has(cause.MossSmothered) }},
	{treatment.ClayPot, "it has no root to drink with", func(x *subject) bool { return x.rootless }},
	{treatment.MossWrap, "its base rots", func(x *subject) bool { return baseRots(x) && x.rotLives }},
}

// Scored is a school with its score for one plant.
type Scored struct {
	School  treatment.School
	Score   int
	Terms   []treatment.Term // heaviest first
	Refused string           // why it is not for this plant; empty where it may be taken
	waits   bool             // whether it is refused only for now: who wishes for it can wait
}

func scores(x *subject) []Scored {
	list := make([]Scored, 0, len(schoolOrder))
	for _, s := range schoolOrder {
		i := int(s[1] - '0')
		sc := Scored{School: s}
		for _, t := range terms {
			if w := t.s[i]; w != 0 && t.fits(x) {
				sc.Score += w
				sc.Terms = append(sc.Terms, treatment.Term{School: s, Text: t.text, Weight: w})
			}
		}
		slices.SortStableFunc(
			sc.Terms,
			func(a, b treatment.Term) int { return cmp.Compare(max(b.Weight, -b.Weight), max(a.Weight, -a.Weight)) },
		)
		sc.refuse(x)
		list = append(list, sc)
	}
	slices.SortStableFunc(list, func(a, b Scored) int {
		return cmp.Or(cmp.Compare(rank(a), rank(b)), cmp.Compare(b.Score, a.Score))
	})
	if x.habitID == treatment.JewelOrchid { // moss for it is a box of nodes where it has no root
		for i := range list {
			if list[i].School == treatment.MossWrap && x.rootless {
				list[i].School = treatment.MossBox
			}
		}
	}
	return list
}

// refuse says why a school is not for a plant; what passes by waiting is said where nothing else is.
func (s *Scored) refuse(x *subject) {
	for _, r := range refusals {
		if r.school == s.School && r.fits(x) {
			s.Refused = r.why
			return
		}
	}
	if s.School == treatment.ClayPot && !x.anyTips() && !x.growing() {
		s.Refused, s.waits = "neither a root tip nor anything else of it grows now", true
	}
}

func rank(s Scored) int {
	if s.Refused == "" {
		return 0
	}
	return 1
}

// Schools scores the schools for an orchid, best first; those refused last.
// None for other plants.
func Schools(s treatment.Situation) []Scored {
	x, ok := read(s)
	if !ok || !x.orchid {
		return nil
	}
	return scores(x)
}

// wantedSchool is what the carer chose, or what a wish asks for; empty where neither does.
func (c *composer) wantedSchool() treatment.School {
	want := treatment.School(c.Choices.School)
	switch {
	case want != "":
	case c.change && c.Choices.Aim != treatment.SideMount && c.Choices.Aim != "":
		want = treatment.School(c.Choices.Aim)
	case c.change:
		want = treatment.ClayPot
	case c.untied:
	case c.Wish == treatment.Refresh && len(c.Causes) == 0, c.only(cause.PhOff) && !deadRoots(c.subject):
		want = treatment.OwnMix // it goes on as it grew
	}
	return want
}

// chooseSchool takes the carer's school, or the best that is not refused, and
// says why where it differs.
func (c *composer) chooseSchool() {
	list := scores(c.subject)
	best := list[0]
	want := c.wantedSchool()
	for _, s := range list {
		if s.School != want && !(want == treatment.MossWrap && s.School == treatment.MossBox) {
			continue
		}
		if s.Refused == "" || c.change && s.waits {
			c.school, c.plan.SchoolWhy = s.School, heaviest(s)
			return
		}
		c.leave("school "+string(want), s.Refused)
	}
	c.school, c.plan.SchoolWhy = best.School, heaviest(best)
}

func heaviest(s Scored) []treatment.Term { return s.Terms[:min(3, len(s.Terms))] }

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
