package treatment_test

import (
	"cmp"
	"encoding/json"
	"fmt"
	"math"
	"math/rand/v2"
	"runtime"
	"slices"
	"strings"
	"sync"
	"testing"
	"time"
	"unicode"
	"unicode/utf8"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/treatment/compose"
	"tendermend/core/working"
)

var seasons = []day.Day{
	day.Of(2026, time.April, 10),
	day.Of(2026, time.July, 5),
	day.Of(2026, time.October, 5),
	day.Of(2026, time.December, 10),
}

// fitting lists the causes that a kind can have.
func fitting(p plant.Profile) (list []cause.ID) {
	for _, c := range cause.All() {
		if c.Fits(p.Habit) {
			list = append(list, c.ID)
		}
	}
	return list
}

// plainSituations is every kind with every cause and every wish in every season.
func plainSituations(step int, each func(treatment.Situation)) {
	for i, k := range plant.Profiles() {
		if i%step != 0 {
			continue
		}
		for _, on := range seasons {
			base := treatment.Situation{
				Kind:  k.ID,
				On:    on,
				Facts: facts.Facts{PotWidthCM: facts.Said[float64](14), RootBallCM: facts.Said[float64](10)},
			}
			for _, id := range fitting(k) {
				s := base
				s.Causes = []cause.ID{id}
				each(s)
			}
			for _, w := range treatment.Wishes() {
				s := base
				s.Wish, s.Facts.LiveTips = w, facts.Said[float64](3)
				each(s)
			}
		}
	}
}

func pick[T any](r *rand.Rand, list ...T) T { return list[r.IntN(len(list))] }

// anySituation makes up a situation: a kind or a habit, up to three causes,
// whatever a plant, a place, a carer and a household may be.
func anySituation(r *rand.Rand, kinds []plant.Profile) treatment.Situation {
	k := pick(r, kinds...)
	s := treatment.Situation{Kind: k.ID, On: pick(r, seasons...) + day.Day(r.IntN(60))}
	s.Facts.South = r.IntN(6) == 0
	if r.IntN(20) == 0 {
		s.Kind, s.Habit = "", k.Habit
	}
	list := fitting(k)
	for range pick(r, 1, 2, 2, 3) {
		if id := pick(r, list...); !slices.Contains(s.Causes, id) {
			s.Causes = append(s.Causes, id)
		}
	}
	if r.IntN(12) == 0 {
		s.Wish = pick(r, treatment.Wishes()...)
	}
	s.Facts.Place = facts.Place{
		WarmthC:     facts.Said[float64](pick(r, 12.0, 14, 17, 20, 20, 22, 26, 31)),
		HumidityPct: facts.Said[float64](pick(r, 35.0, 45, 55, 65, 75)),
		LookDays:    facts.Said[float64](pick(r, 1.0, 2, 4, 7)),
	}
	if r.IntN(8) == 0 {
		s.Facts.Place.Sun = facts.Said(true)
	}
	s.Facts.Household = facts.Household{
		Children:    r.IntN(4) == 0,
		Pets:        r.IntN(3) == 0,
		Pollinators: r.IntN(8) == 0,
		Asthma:      r.IntN(8) == 0,
		Edible:      r.IntN(12) == 0,
	}
	place, home, south := s.Facts.Place, s.Facts.Household, s.Facts.South
	s.Facts, s.Choices = anyFacts(r, k), anyChoices(r)
	s.Facts.Place, s.Facts.Household, s.Facts.South = place, home, south
	if s.Wish == treatment.Propagate {
		s.Choices.MultiplyBy = pick(r, append([]string{"", "layering"}, k.Propagation...)...)
	}
	return s
}

// drawing draws facts.
type drawing struct{ *rand.Rand }

// sometimes sets something, once in so many times.
func (d drawing) sometimes(one int, set func()) {
	if d.IntN(one) == 0 {
		set()
	}
}

// number sets a number, one of a list.
func (d drawing) number(x *facts.Number, list ...float64) func() {
	return func() { *x = facts.Said[float64](pick(d.Rand, list...)) }
}

func anyFacts(r *rand.Rand, k plant.Profile) (a facts.Facts) {
	sometimes, n := drawing{r}.sometimes, drawing{r}.number
	yes := func(y *facts.Yes) func() { return func() { *y = facts.Said(true) } }
	sometimes(2, func() {
		w := pick(r, 8.0, 12, 15, 20, 28, 40)
		a.PotWidthCM, a.RootBallCM = facts.Said[float64](w), facts.Said[float64](max(3, w-pick(r, 0.0, 1, 3, 6, 10)))
	})
	sometimes(2, func() {
		a.LiveRoots, a.DeadRoots = facts.Said[float64](float64(r.IntN(21))), facts.Said[float64](float64(r.IntN(21)))
		a.LiveTips = facts.Said[float64](float64(r.IntN(5)))
	})
	sometimes(3, func() {
		a.Limp, a.Moist = facts.Said(true), facts.Said(pick(r, facts.Dry, facts.Bone, facts.Right, facts.Wet))
	})
	sometimes(5, n(&a.NewcomerDays, 0, 3, 9, 13, 20))
	spikeless := []string{"fern", "palm", "cycad", "ivy"}
	if !slices.Contains(spikeless, k.Habit) {
		sometimes(5, n(&a.Spikes, 0, 1, 2))
	}
	sometimes(6, n(&a.Plantlets, 0, 1, 2))
	sometimes(10, n(&a.Pups, 1, 2))
	sometimes(6, yes(&a.Plug))
	sometimes(8, n(&a.Growths, 1, 2, 4, 5, 8))
	sometimes(10, n(&a.Leaves, 2, 4, 9, 20))
	sometimes(10, n(&a.Infested, 0.1, 1, 3))
	sometimes(8, yes(&a.Standing))
	sometimes(12, yes(&a.Piece))
	sometimes(12, yes(&a.PointHit))
	sometimes(10, func() { a.RotAlive = pick(r, facts.Said(true), facts.Said(false)) })
	sometimes(10, func() {
		a.Medium = facts.Said(pick[facts.MediumState](r, "sound", "tired", "rotten", "sour", "infested"))
	})
	sometimes(10, func() { a.Reserves = facts.Said(pick(r, facts.Plump, facts.Ridged, facts.Shrivelled)) })
	sometimes(10, func() { a.GrewIn = facts.Said(pick[facts.MediumClass](r, "moss", "bark", "clay", "air", "water")) })
	sometimes(12, func() { a.Seat = facts.Said(pick(r, facts.InPot, facts.InReservoir)) })
	if slices.Contains([]string{"sympodial-orchid", "monopodial-orchid", "bromeliad"}, k.Habit) && k.Epiphyte {
		sometimes(8, func() { a.Seat = facts.Said(pick(r, facts.InBasket, facts.OnMount)) })
	}
	sometimes(14, func() { a.Phase = facts.Said(pick[facts.Phase](r, "growing", "idle", "resting")) })
	sometimes(14, n(&a.LastSitting, 5, 20, 40))
	sometimes(14, n(&a.StemStain, 1, 3))
	sometimes(16, yes(&a.WaterHeavy))
	sometimes(16, yes(&a.Buds))
	sometimes(8, func() {
		a.Events = []facts.Event{
			{Event: pick(r, "new tip", "tip", "leaf", "growth", "roots", "due"), Day: pick(r, -30, -3, 0, 40, 90)},
		}
	})
	return a
}

// sometimes takes a side, once in so many times.
func sometimes[T ~string](r *rand.Rand, one int, to *T, sides ...T) {
	if r.IntN(one) == 0 {
		*to = pick(r, sides...)
	}
}

func anyChoices(r *rand.Rand) (ch treatment.Choices) {
	sometimes(r, 3, &ch.PestFirst, "soap", "oil", "alcohol", "predators", "neem", "systemic", "earth", "hot-dip")
	sometimes(r, 5, &ch.School, "S0", "S1", "S2", "S3", "S4", "S5", "S6")
	sometimes(r, 8, &ch.RootRinse, "water", "peroxide", "label", "soap")
	sometimes(r, 8, &ch.CutDressing, "dry", "cinnamon", "powder")
	sometimes(r, 8, &ch.CrownDose, "dry", "peroxide", "label")
	sometimes(r, 8, &ch.DryRoots, "keep", "cut", "wait")
	sometimes(r, 8, &ch.Spikes, "off today", "keep one", "keep")
	sometimes(r, 8, &ch.Plantlets, "wait", "now", "stay")
	sometimes(r, 10, &ch.Cover, "kind", "open", "none")
	sometimes(r, 10, &ch.FirstWater, "dry day", "at once")
	sometimes(r, 10, &ch.Succulent, "dry day", "at roots")
	sometimes(r, 10, &ch.Newcomer, "14 d", "needed", "at once")
	sometimes(r, 10, &ch.Gnats, "dry top", "grit", "larvicide")
	sometimes(r, 12, &ch.Mix, "soil 1 perlite 1", "medium bark 3 perlite 1", "peat 2 bark 1", "pumice 2 soil 1")
	sometimes(r, 12, &ch.Aim, "S0", "S4", "S5", "S6", "mount")
	sometimes(r, 12, &ch.Also, "humidify", "flush", "mist", "look", "earth")
	sometimes(r, 12, &ch.Discard, "now")
	sometimes(r, 12, &ch.Drug, "copper")
	for _, x := range []struct {
		to   *treatment.Number
		list []float64
	}{{&ch.SoapMLPerL, []float64{10, 15, 30}}, {&ch.PeroxidePct, []float64{3, 6, 12}}, {&ch.DipC, []float64{43.5, 48}},
		{&ch.PotWidthCM, []float64{10, 18, 30}}, {&ch.RemoveShare, []float64{0.2, 0.5}}} {
		if r.IntN(12) == 0 {
			*x.to = treatment.N(pick(r, x.list...))
		}
	}
	if r.IntN(20) == 0 {
		ch.Override = facts.Said(true)
	}
	if r.IntN(12) == 0 {
		ch.OneSetup = facts.Said(true)
	}
	return ch
}

// judges say what is wrong with a plan beside the rules, in words; nothing where all is well. Each drawn
// situation is planned for once, and its plan handed to all of them.
var judges = []func(treatment.Situation, treatment.Plan) string{
	func(_ treatment.Situation, p treatment.Plan) string { return sound(p) },
	func(s treatment.Situation, p treatment.Plan) string {
		if p.Track == "" && len(s.Causes) > 0 { // a mere wish that leaves the roots alone has none
			return "no track"
		}
		return ""
	},
	func(_ treatment.Situation, p treatment.Plan) string { return fromNowhere(p) },
	func(_ treatment.Situation, p treatment.Plan) string { return unwatched(p) },
	func(_ treatment.Situation, p treatment.Plan) string { return unattended(p) },
}

// plainJudges judge plans for which nobody chose anything and one thing is the matter.
var plainJudges = []func(treatment.Situation, treatment.Plan) string{
	withoutGoal,
	func(_ treatment.Situation, p treatment.Plan) string { return ruleTwice(p) },
}

// sweep composes and checks situations side by side and reports what breaks.
type sweep struct {
	mu     sync.Mutex
	plans  int
	broken map[treatment.RuleID]int
	shown  []string
	done   map[treatment.OperatorID]bool
	doneOf map[cause.ID]map[treatment.OperatorID]bool         // by the one cause that was accepted
	waited int                                                // plans in which work on the roots waits
	also   []func(treatment.Situation, treatment.Plan) string // who judges these beside the others
}

func (w *sweep) run(feed func(chan<- treatment.Situation)) {
	w.broken, w.done = map[treatment.RuleID]int{}, map[treatment.OperatorID]bool{}
	w.doneOf = map[cause.ID]map[treatment.OperatorID]bool{}
	in := make(chan treatment.Situation, 256)
	go func() { feed(in); close(in) }()
	var wg sync.WaitGroup
	for range runtime.GOMAXPROCS(0) {
		wg.Go(func() {
			for s := range in {
				w.one(s)
			}
		})
	}
	wg.Wait()
}

func (w *sweep) one(s treatment.Situation) {
	p, err := compose.Plan(s)
	var list []check.Breach
	if err == nil {
		list, err = check.Plan(s, p)
	}
	words := ""
	if err != nil {
		words = "fails: " + err.Error()
	} else {
		for _, wrong := range append(judges, w.also...) {
			words = cmp.Or(words, wrong(s, p))
		}
	}
	w.mu.Lock()
	defer w.mu.Unlock()
	w.plans++
	w.note(s, p)
	for i, b := range list {
		if i == 0 || list[i-1].Rule != b.Rule {
			w.broken[b.Rule]++
		}
	}
	if words != "" {
		w.broken["words"]++
	}
	if (len(list) > 0 || words != "") && len(w.shown) < 12 {
		raw, _ := json.Marshal(s)
		w.shown = append(w.shown, fmt.Sprintf("%+v %s\n   %s", list, words, raw))
	}
}

// note keeps what is done in a plan.
func (w *sweep) note(s treatment.Situation, p treatment.Plan) {
	of := map[treatment.OperatorID]bool{}
	if len(s.Causes) == 1 && s.Wish == "" {
		if w.doneOf[s.Causes[0]] == nil {
			w.doneOf[s.Causes[0]] = of
		}
		of = w.doneOf[s.Causes[0]]
	}
	waits := false
	for _, sit := range p.Sittings {
		waits = waits || reworks(sit)
		for _, x := range sit.Steps {
			w.done[x.Op], of[x.Op] = true, true
		}
	}
	if waits {
		w.waited++
	}
}

// sound says what is wrong with a plan besides the rules: it must have
// something to do or say why not, in the order of time, every step in words.
func sound(p treatment.Plan) string {
	if len(p.Sittings) == 0 && len(p.LeftOut) == 0 {
		return "nothing is done, and nothing says why"
	}
	last, gates := 0, false
	for _, s := range p.Sittings {
		switch {
		case s.Day == nil && len(s.Gate) == 0:
			return "a sitting without day or gate"
		case s.Day != nil && gates:
			return "a day behind a gate"
		case s.Day != nil && *s.Day < last:
			return "days out of order"
		}
		if s.Day != nil {
			last = *s.Day
		} else {
			gates = true
		}
		for _, x := range s.Steps {
			if x.Words == "" || strings.Contains(x.Words, "%!") || x.Materials == nil {
				return "a step without words: " + string(x.Op)
			}
			if why := saidWrong(x); why != "" {
				return string(x.Op) + ": " + why + ": " + x.Words
			}
		}
	}
	return ""
}

// takes are the steps that make pieces.
var takes = []treatment.OperatorID{
	treatment.TakeOffset, treatment.Insurance, treatment.PartIt, treatment.TipCut, treatment.NodeBox, treatment.LeafCut,
	treatment.Layer, treatment.Behead,
}

// takesAny says whether a sitting makes pieces: their pot is laid out before they are cut.
func takesAny(s treatment.Sitting) bool {
	return slices.ContainsFunc(s.Steps, func(x treatment.Step) bool { return slices.Contains(takes, x.Op) })
}

// fromNowhere says which pieces a plan sets, labels or counts though none were taken before; nothing where
// all come from somewhere.
func fromNowhere(p treatment.Plan) string {
	taken := false
	for _, s := range p.Sittings {
		for _, x := range s.Steps {
			taken = taken || slices.Contains(takes, x.Op) || x.Op == treatment.ReadyPot && takesAny(s)
			of := x.Organ == treatment.OnPieces || x.Op == treatment.BoxTally || x.Params.For == treatment.ForPieces
			if of && !taken {
				return string(x.Op) + ": nothing was taken that is a piece: " + x.Words
			}
		}
	}
	return ""
}

// unwatched says of a release that waits for days without a new mark that nobody looks for so long, but for
// a last week; nothing where somebody does.
func unwatched(p treatment.Plan) string {
	days, last := 0, 0
	for _, s := range p.Sittings {
		for _, x := range s.Steps {
			switch x.Op {
			case treatment.Release:
				for _, c := range s.Gate {
					if c.Is == gate.Quiet {
						days = c.Days
					}
				}
			case treatment.Look, treatment.Alcohol:
				last = max(last, looksUntil(s, x))
			}
		}
	}
	if last < days-7 {
		return fmt.Sprintf("let back after %d days without a new mark, and looked at for %d", days, last)
	}
	return ""
}

// looksUntil is the day on which a look, or the last of its series, falls: without end where something is seen first.
func looksUntil(s treatment.Sitting, x treatment.Step) int {
	if s.Day == nil {
		return math.MaxInt
	}
	last := *s.Day
	for _, c := range x.Until {
		if c.Is != gate.Days {
			return math.MaxInt
		}
		last = max(last, c.Days)
	}
	return last
}

func (w *sweep) report(t *testing.T, what string) {
	t.Helper()
	t.Logf("%s: %d plans, broken: %v", what, w.plans, w.broken)
	require.Empty(t, w.broken, strings.Join(w.shown, "\n"))
}

// saidWrong says where the words of a step and its parameters disagree, or its words are
// no sentence; nothing where they agree.
func saidWrong(x treatment.Step) string {
	w, p := x.Words, x.Params
	first, _ := utf8.DecodeRuneInString(w)
	switch {
	case !unicode.IsUpper(first):
		return "it does not begin like a sentence"
	case !strings.HasSuffix(w, ".") && !strings.HasSuffix(w, "?"):
		return "it does not end like a sentence"
	case strings.Contains(w, "  ") || strings.Contains(w, " ,") || strings.Contains(w, "..") ||
		strings.Contains(w, ";.") || strings.Contains(w, "?.") || strings.Count(w[:min(len(w), 40)], ": ") > 1:
		return "its parts are badly joined"
	}
	for _, m := range misread {
		if m.op == x.Op && m.is(p) != strings.Contains(w, m.says) {
			return "its words and its parameters disagree about “" + m.says + "”"
		}
	}
	for _, n := range numbersSaid {
		if v := n.of(p); n.op == x.Op && v.Known && !strings.Contains(w, n.words(v.Value)) {
			return "it does not say " + n.words(v.Value)
		}
	}
	return ""
}

// misread are words that a step has where its parameters say so, and else not.
var misread = []struct {
	op   treatment.OperatorID
	says string
	is   func(p treatment.Params) bool
}{
	{treatment.CleanBlade, "bleach", func(p treatment.Params) bool { return p.Method == "bleach" }},
	{treatment.CleanBlade, "in a flame", func(p treatment.Params) bool { return p.Method == "flame" }},
	{treatment.CleanBlade, "70 %", func(p treatment.Params) bool { return p.Method == "" || p.Method == "alcohol" }},
	{treatment.CoverIt, "clear bag", func(p treatment.Params) bool { return p.Cover == plant.CoverClosed }},
	{treatment.WashOff, "drops by itself", func(p treatment.Params) bool { return p.How == "falls" }},
	{treatment.WashOff, "soft brush", func(p treatment.Params) bool { return p.How == "dry" }},
	{treatment.Unpot, "dry tray", func(p treatment.Params) bool { return p.To == "tray" }},
}

// numbersSaid are the numbers that stand in a step's words.
var numbersSaid = []struct {
	op    treatment.OperatorID
	of    func(p treatment.Params) treatment.Number
	words func(v float64) string
}{
	{treatment.ReadyPot, func(p treatment.Params) treatment.Number { return p.PotWidthCM }, func(v float64) string {
		return fmt.Sprintf("%g", v)
	}},
	{treatment.ReadyPot, func(p treatment.Params) treatment.Number { return p.PotWidthTo }, func(v float64) string {
		return fmt.Sprintf("%g cm", v)
	}},
	{treatment.Callus, func(p treatment.Params) treatment.Number { return p.Days }, func(v float64) string {
		return working.Measured(v, "day")
	}},
	{treatment.DryCut, func(p treatment.Params) treatment.Number { return p.Hours }, func(v float64) string {
		return working.Measured(v, "hour")
	}},
	{treatment.PartIt, func(p treatment.Params) treatment.Number { return p.N }, func(v float64) string {
		return working.Measured(v, "part")
	}},
	{treatment.SetReservoir, func(p treatment.Params) treatment.Number { return p.LevelCM }, func(v float64) string {
		return fmt.Sprintf("%g cm", v)
	}},
}

const seed = 20261125

func anySituations(n int, from uint64) func(chan<- treatment.Situation) {
	return func(in chan<- treatment.Situation) {
		r, kinds := rand.New(rand.NewPCG(seed, from)), plant.Profiles()
		for range n {
			in <- anySituation(r, kinds)
		}
	}
}

// plainly is the sweep of the plain situations, done once.
var plainly = sync.OnceValue(func() *sweep {
	w := sweep{also: plainJudges}
	w.run(func(in chan<- treatment.Situation) {
		plainSituations(sampled.kinds, func(s treatment.Situation) { in <- s })
	})
	return &w
})

func TestPlansBreakNoRule(t *testing.T) {
	plain := plainly()
	plain.report(t, "every kind, cause, wish and season")
	drawn := sweep{also: []func(treatment.Situation, treatment.Plan) string{
		func(_ treatment.Situation, p treatment.Plan) string { return waitsUnattended(p) },
	}}
	drawn.run(anySituations(sampled.random, 1))
	drawn.report(t, "random situations")
	assert.Greater(t, drawn.waited, 100, "too few plans with work that waits were drawn")
	for _, o := range treatment.Operators() {
		assert.True(t, plain.done[o.ID] || drawn.done[o.ID], "%s stands in no plan", o.ID)
	}
}

// prone makes a situation more like those that a rule is about, where chance
// alone meets them seldom.
var prone = map[treatment.RuleID]func(*treatment.Situation){
	treatment.NeverAlcoholForVirus: accepting(cause.Virus),
	treatment.NeverPowderOnRoots:   func(s *treatment.Situation) { s.Choices.CutDressing = "cinnamon" },
	treatment.NeverPotNoWider:      accepting(cause.PotBound),
	treatment.NeverPotUpTooFar:     accepting(cause.PotBound),
	treatment.NeverScaldOccupied:   accepting(cause.RootMealybug),
	treatment.NeverMossAgainstBase: accepting(cause.MossSmothered),
	treatment.NeverBaseInWater:     func(s *treatment.Situation) { s.Choices.School = "S1" },
	treatment.NeverPreWaterRot:     accepting(cause.PotBound),
	treatment.NeverWarmTooFast:     accepting(cause.ColdInjury),
	treatment.NeverFeedDry: func(s *treatment.Situation) {
		s.Facts.Limp, s.Facts.Moist = facts.Said(false), facts.Said(facts.Dry)
		s.Causes = append(s.Causes, cause.NitrogenLow)
	},
	treatment.NeverSoapTooStrong: func(s *treatment.Situation) { s.Choices.RootRinse = "soap" },
	treatment.NeverCopperHarm: func(s *treatment.Situation) {
		s.Kind, s.Habit, s.Choices.Drug = "nephrolepis-exaltata", "", "copper"
		accepting(cause.SoftRot)(s)
	},
	treatment.NeverSystemicHarm:    accepting(cause.RootMealybug),
	treatment.NeverSulphurAfterOil: func(s *treatment.Situation) { s.Choices.Also = "earth" },
	treatment.NeverHazardousMix: func(s *treatment.Situation) {
		s.Choices.RootRinse,
			s.Choices.PeroxidePct = "peroxide", treatment.N(12)
	},
	treatment.NeverDipTooHot: func(s *treatment.Situation) {
		s.Choices.PestFirst, s.Choices.DipC = "hot-dip", treatment.N(48)
		accepting(cause.BroadMite)(s)
	},
	treatment.NeverRootlessWater: func(s *treatment.Situation) {
		s.Kind, s.Habit = "catasetum-fimbriatum", ""
		s.Causes, s.Facts.NewRootsCM = []cause.ID{cause.MediumCollapsed}, facts.Said(0.0)
	},
	treatment.NeverPotInGlass: func(s *treatment.Situation) {
		s.Facts.Seat, s.Wish = facts.Said(facts.InJar), ""
		s.Causes = []cause.ID{cause.SaltInjury}
	},
	treatment.NeverWidthGuessed: func(s *treatment.Situation) {
		s.Facts.RootBallCM, s.Choices.PotWidthCM = facts.Number{}, treatment.Number{}
		s.Causes = []cause.ID{cause.RootRot}
	},
	treatment.NeverSuspectShares: accepting(cause.Virus),
	treatment.NeverCountedAsLoss: func(s *treatment.Situation) {
		s.Kind, s.Habit, s.Facts.Pups = "guzmania-lingulata", "", facts.Said[float64](2)
		accepting(cause.SpentRosette)(s)
	},
}

// accepting accepts one cause only.
func accepting(id cause.ID) func(*treatment.Situation) {
	return func(s *treatment.Situation) { s.Causes = []cause.ID{id} }
}
