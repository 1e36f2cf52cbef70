package diagnosis

import (
	"maps"
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
	// Interval holds the true figure in 80 of 100.
	Interval [2]float64 `json:"interval" doc:"80 % interval."`
	Count    float64    `json:"count" doc:"Cases that it rests on."`
}

// tally counts for and against a figure.
type tally struct{ yes, no float64 }

func (t tally) learnt(table, weight float64) Learnt {
	b := distuv.Beta{Alpha: table*weight + t.yes, Beta: (1-table)*weight + t.no}
	return Learnt{
		Table: table, Mean: b.Mean(), Count: t.yes + t.no,
		Interval: [2]float64{b.Quantile(intervalFrom), b.Quantile(intervalTo)},
	}
}

// Learning is what confirmed cases make of the tables. Chains are not learned: that
// would want some hundred cases.
type Learning struct {
	Cases       int      `json:"cases" doc:"Confirmed cases that it rests on."`
	Priors      []Learnt `json:"priors" doc:"By habit and cause; the most changed first."`
	Links       []Learnt `json:"links" doc:"By cause and sign; the most changed first."`
	Backgrounds []Learnt `json:"backgrounds" doc:"By sign; the most changed first."`
}

// place is a figure of the tables.
type place struct{ habit, cause, sign string }

// Learn updates the tables by confirmed cases, as beta distributions: each figure of
// the table is worth a number of cases, and each confirmed case is worth one.
func (k *Knowledge) Learn(cases []WorkedCase) Learning {
	l := Learning{Cases: len(cases), Priors: []Learnt{}, Links: []Learnt{}, Backgrounds: []Learnt{}}
	priors, links, backgrounds := map[place]tally{}, map[place]tally{}, map[place]tally{}
	for _, wc := range cases {
		said, err := k.answers(wc.Examination)
		habit, known := plant.HabitByID(wc.Habit)
		if err != nil || !known {
			continue // it was checked when it was taken in; a sign may have gone since
		}
		truth := k.parts(wc.Causes)
		for i, c := range k.causes {
			if k.prior(i, habit, "") > 0 {
				priors[place{habit: habit.ID, cause: c.ID}] = priors[place{habit: habit.ID, cause: c.ID}].
					with(1, slices.Contains(truth, i))
			}
		}
		k.countSigns(said, truth, links, backgrounds)
	}
	for at, t := range priors {
		habit, _ := plant.HabitByID(at.habit)
		l.Priors = append(l.Priors, at.name(t.learnt(k.PriorFor(at.cause, habit, ""), priorWeight)))
	}
	for at, t := range links {
		l.Links = append(l.Links, at.name(t.learnt(k.link[k.causeAt[at.cause]][k.signAt[at.sign]], linkWeight)))
	}
	for at, t := range backgrounds {
		l.Backgrounds = append(l.Backgrounds, at.name(t.learnt(k.signs[k.signAt[at.sign]].Background, backgroundWeight)))
	}
	for _, list := range [][]Learnt{l.Priors, l.Links, l.Backgrounds} {
		sort.Slice(list, func(a, b int) bool {
			x, y := list[a].moved(), list[b].moved()
			if x != y {
				return x > y
			}
			return list[a].Habit+list[a].Cause+list[a].Sign < list[b].Habit+list[b].Cause+list[b].Sign
		})
	}
	return l
}

func (l Learnt) moved() float64 { return max(l.Mean-l.Table, l.Table-l.Mean) }

func (p place) name(l Learnt) Learnt {
	l.Habit, l.Cause, l.Sign = p.habit, p.cause, p.sign
	return l
}

func (t tally) with(by float64, yes bool) tally {
	if yes {
		t.yes += by
	} else {
		t.no += by
	}
	return t
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

// countSigns counts each answer for the links of what was true, and for the
// background where nothing that was true shows the sign. Where several of the true
// causes show it, each counts by its share.
func (k *Knowledge) countSigns(said answers, truth []int, links, backgrounds map[place]tally) {
	count := func(a answer, by float64, seen bool) {
		id, all := k.signs[a.sign].ID, 0.0
		for _, c := range truth {
			all += k.link[c][a.sign]
		}
		if all == 0 {
			backgrounds[place{sign: id}] = backgrounds[place{sign: id}].with(by, seen)
			return
		}
		for _, c := range truth {
			share := 1.0
			if seen {
				share = k.link[c][a.sign] / all
			}
			if at := (place{cause: k.causes[c].ID, sign: id}); k.link[c][a.sign] > 0 {
				links[at] = links[at].with(by*share, seen)
			}
		}
	}
	for _, a := range said.seen {
		if a.implied {
			continue
		}
		by := 1.0
		if !a.sure {
			by = thoughtCounts
		}
		count(a, by, true)
	}
	for _, a := range said.denied {
		if !a.implied {
			count(a, 1-k.missed(a), false)
		}
	}
}

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
	for i, wc := range cases {
		others := slices.Delete(slices.Clone(cases), i, i+1)
		c, err := k.Learned(k.Learn(others), on).Examine(wc.Examination)
		if err != nil {
			return table, learned, err
		}
		said[i] = Foretold{wc.ID, c.toldFor(wc.Causes), wc.Causes}
	}
	return table, ScoreForetold(said), nil
}

// Anonymous is a case without what could tell whose it is: no name, no story.
func (c WorkedCase) Anonymous(id string) WorkedCase {
	c.ID, c.Story = id, ""
	c.Degrees = maps.Clone(c.Degrees)
	return c
}
