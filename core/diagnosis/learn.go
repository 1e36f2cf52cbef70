package diagnosis

import (
	"crypto/sha256"
	"encoding/hex"
	"errors"
	"maps"
	"regexp"
	"slices"
	"sort"

	"gonum.org/v1/gonum/stat/distuv"
	"tendermend/core/plant"
)

// How much the tables weigh against one's own cases, in cases (common practice).
const (
	priorWeight      = 40
	linkWeight       = 12
	backgroundWeight = 40
	// thoughtCounts is what a sign counts that one only thought to see.
	thoughtCounts = 0.5
	// intervalFrom and intervalTo hold 80 of 100.
	intervalFrom, intervalTo = 0.10, 0.90
)

// Switches say which of the tables follow the collection's own cases.
type Switches struct {
	Priors      bool `json:"priors" doc:"How common each cause is on a habit."`
	Links       bool `json:"links" doc:"How often a cause shows a sign."`
	Backgrounds bool `json:"backgrounds" doc:"How common a sign is with no cause."`
}

// Any says whether anything was switched on.
func (s Switches) Any() bool { return s.Priors || s.Links || s.Backgrounds }

// Learnt is one figure of the tables beside what the cases make of it.
type Learnt struct {
	Habit string  `json:"habit,omitempty"`
	Cause string  `json:"cause,omitempty"`
	Sign  string  `json:"sign,omitempty"`
	Table float64 `json:"table" doc:"The figure of the table, 0-1."`
	Mean  float64 `json:"mean" doc:"What it is with the cases, 0-1."`
	// Interval holds the true figure in 80 of 100; see Most.
	Interval [2]float64 `json:"interval" doc:"80 % interval."`
	Count    float64    `json:"count" doc:"Cases that it rests on."`

	alpha, beta float64
}

// tally counts for and against a figure.
type tally struct{ yes, no float64 }

func (t tally) any() bool { return t.yes+t.no > 0 }

// by is a figure of the table, worth so many cases, with what was counted.
func (l Learnt) by(t tally, table, weight float64) Learnt {
	l.alpha, l.beta = table*weight+t.yes, (1-table)*weight+t.no
	l.Table, l.Mean, l.Count = table, l.alpha/(l.alpha+l.beta), t.yes+t.no
	return l
}

// Learning is what confirmed cases make of the tables. Chains are not learned: that
// would want some hundred cases.
type Learning struct {
	Cases       int      `json:"cases" doc:"Confirmed cases that it rests on."`
	Priors      []Learnt `json:"priors" doc:"By habit and cause."`
	Links       []Learnt `json:"links" doc:"By cause and sign."`
	Backgrounds []Learnt `json:"backgrounds" doc:"By sign."`
}

// counts are what cases say of each figure of the tables.
type counts struct {
	cases       int
	priors      map[string][]tally // by habit, then by cause
	links       [][]tally          // by cause, then by sign
	backgrounds []tally            // by sign
}

func (k *Knowledge) count(cases []WorkedCase) *counts {
	n := &counts{priors: map[string][]tally{}, backgrounds: make([]tally, len(k.signs))}
	for range k.causes {
		n.links = append(n.links, make([]tally, len(k.signs)))
	}
	for _, wc := range cases {
		n.add(k, wc, 1)
	}
	return n
}

// add counts a case, or takes it out again with −1. A case that cannot be read is left
// out: it was checked when it was taken in, but a sign may have gone since.
func (n *counts) add(k *Knowledge, wc WorkedCase, times float64) {
	said, err := k.answers(wc.Examination)
	habit, known := plant.HabitByID(wc.Habit)
	if err != nil || !known {
		return
	}
	n.cases += int(times)
	truth := k.parts(wc.Causes)
	if n.priors[habit.ID] == nil {
		n.priors[habit.ID] = make([]tally, len(k.causes))
	}
	for i := range k.causes {
		n.priors[habit.ID][i].count(times, slices.Contains(truth, i))
	}
	for _, a := range said.seen {
		by := times
		if !a.sure {
			by *= thoughtCounts
		}
		if !a.implied {
			n.sign(k, a.sign, truth, by, true)
		}
	}
	for _, a := range said.denied {
		if !a.implied {
			n.sign(k, a.sign, truth, times*(1-k.missed(a)), false)
		}
	}
}

// sign counts an answer for the links of what was true, and for the background where
// nothing that was true shows the sign. Where several of the true causes show what was
// seen, each counts by its share.
func (n *counts) sign(k *Knowledge, sign int, truth []int, by float64, seen bool) {
	all := 0.0
	for _, c := range truth {
		all += k.link[c][sign]
	}
	if all == 0 {
		n.backgrounds[sign].count(by, seen)
		return
	}
	for _, c := range truth {
		share := 1.0
		if seen {
			share = k.link[c][sign] / all
		}
		if k.link[c][sign] > 0 {
			n.links[c][sign].count(by*share, seen)
		}
	}
}

func (t *tally) count(by float64, yes bool) {
	if yes {
		t.yes += by
	} else {
		t.no += by
	}
}

// Learn updates the tables by confirmed cases, as beta distributions: each figure of
// the table is worth a number of cases, and each confirmed case is worth one.
func (k *Knowledge) Learn(cases []WorkedCase) Learning { return k.learned(k.count(cases)) }

func (k *Knowledge) learned(n *counts) Learning {
	l := Learning{Cases: n.cases, Priors: []Learnt{}, Links: []Learnt{}, Backgrounds: []Learnt{}}
	for _, id := range slices.Sorted(maps.Keys(n.priors)) {
		habit, _ := plant.HabitByID(id)
		for i, t := range n.priors[id] {
			if prior := k.prior(i, habit, ""); prior > 0 && t.any() {
				at := Learnt{Habit: id, Cause: k.causes[i].ID}
				l.Priors = append(l.Priors, at.by(t, prior, priorWeight))
			}
		}
	}
	for c, signs := range n.links {
		for s, t := range signs {
			if t.any() {
				at := Learnt{Cause: k.causes[c].ID, Sign: k.signs[s].ID}
				l.Links = append(l.Links, at.by(t, k.link[c][s], linkWeight))
			}
		}
	}
	for s, t := range n.backgrounds {
		if t.any() {
			at := Learnt{Sign: k.signs[s].ID}
			l.Backgrounds = append(l.Backgrounds, at.by(t, k.signs[s].Background, backgroundWeight))
		}
	}
	return l
}

// parts are the causes of a truth, an umbrella taken for all its parts.
func (k *Knowledge) parts(ids []string) (truth []int) {
	for _, id := range ids {
		i, known := k.causeAt[id]
		if !known {
			continue
		}
		if len(k.causes[i].parts) == 0 {
			truth = append(truth, i)
		}
		for _, part := range k.causes[i].parts {
			truth = append(truth, k.causeAt[part])
		}
	}
	return truth
}

// Most gives of each table the figures that move most, so many at most. Their 80 %
// interval is worked out here.
func (l Learning) Most(n int) Learning {
	for _, list := range []*[]Learnt{&l.Priors, &l.Links, &l.Backgrounds} {
		*list = slices.Clone(*list)
		sort.SliceStable(*list, func(a, b int) bool { return (*list)[a].moved() > (*list)[b].moved() })
		*list = (*list)[:min(len(*list), n)]
		for i := range *list {
			b := distuv.Beta{Alpha: (*list)[i].alpha, Beta: (*list)[i].beta}
			(*list)[i].Interval = [2]float64{b.Quantile(intervalFrom), b.Quantile(intervalTo)}
		}
	}
	return l
}

func (l Learnt) moved() float64 { return max(l.Mean-l.Table, l.Table-l.Mean) }

// Learned is the knowledge with those figures replaced that are switched on.
func (k *Knowledge) Learned(l Learning, on Switches) *Knowledge {
	if !on.Any() || l.Cases == 0 {
		return k
	}
	with := *k
	with.edition.Learned = true
	if on.Priors {
		with.priors = map[string]map[string]float64{}
		for _, p := range l.Priors {
			if with.priors[p.Habit] == nil {
				with.priors[p.Habit] = map[string]float64{}
			}
			with.priors[p.Habit][p.Cause] = p.Mean
		}
	}
	if on.Links {
		with.link = slices.Clone(k.link)
		changed := map[int]bool{}
		for _, p := range l.Links {
			c := k.causeAt[p.Cause]
			if !changed[c] {
				with.link[c], changed[c] = slices.Clone(k.link[c]), true
			}
			with.link[c][k.signAt[p.Sign]] = p.Mean
		}
	}
	if on.Backgrounds {
		with.signs = slices.Clone(k.signs)
		for _, p := range l.Backgrounds {
			with.signs[k.signAt[p.Sign]].Background = p.Mean
		}
	}
	return &with
}

// LeaveOneOut scores the tables and what is learned on the same cases, each judged by
// what the others teach.
func (k *Knowledge) LeaveOneOut(cases []WorkedCase, on Switches) (table, learned Score, err error) {
	if table, err = k.ScoreCases(cases); err != nil {
		return table, learned, err
	}
	said := make([]Foretold, len(cases))
	n := k.count(cases)
	for i, wc := range cases {
		n.add(k, wc, -1)
		c, err := k.Learned(k.learned(n), on).Examine(wc.Examination)
		n.add(k, wc, 1)
		if err != nil {
			return table, learned, err
		}
		said[i] = Foretold{wc.ID, c.toldFor(wc.Causes), wc.Causes}
	}
	return table, ScoreForetold(said), nil
}

// Teaches says why a case cannot be learned from; nil where it can.
func (c WorkedCase) Teaches() error {
	if !c.Known || c.Outside {
		return errors.New("it does not say what it was; give the causes of each case, or an empty list where nothing " +
			"was wrong")
	}
	return c.check()
}

// Anonymous is a case without what could tell whose it is: no story, and for its id a sign that stays the same and
// tells nothing. One without an id has none.
func (c WorkedCase) Anonymous() WorkedCase {
	if turnAlone.MatchString(c.ID) {
		c.ID = ""
	}
	if c.ID != "" && !anonymousID.MatchString(c.ID) {
		sum := sha256.Sum256([]byte(c.ID))
		c.ID = "case-" + hex.EncodeToString(sum[:8])
	}
	c.Story = ""
	c.Degrees = maps.Clone(c.Degrees)
	return c
}

var (
	anonymousID = regexp.MustCompile(`^case-[0-9a-f]{16}$`)
	// turnAlone is what files of earlier versions have for ids: the turn of a case in its file, the same in all.
	turnAlone = regexp.MustCompile(`^case \d+$`)
)
