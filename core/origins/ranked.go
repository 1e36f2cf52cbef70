package origins

import (
	"cmp"
	"fmt"
	"slices"

	"tendermend/core/working"
)

// Ranked is a plant in its turn among those that came together.
type Ranked struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Turn int    `json:"turn" doc:"From 1, the best; those that are alike share one."`
	End  End    `json:"end,omitempty" doc:"How it left; missing of one that is here."`
	Says string `json:"says" doc:"Why it stands there, in a sentence."`
}

// class is the first thing that plants are ranked by.
func (p *Plant) class() int {
	switch {
	case p.End == Lost:
		return 3
	case p.End == Given:
		return 2
	case p.InWork:
		return 1
	}
	return 0
}

// Rank puts plants that came together in order: first those that are well, the sooner they
// were the better; then those in work, by their condition; then those given away; last the
// lost, the longer they lived the better.
func Rank(plants []*Plant) []Ranked {
	sorted := slices.Clone(plants)
	slices.SortStableFunc(sorted, func(x, y *Plant) int { return cmp.Or(before(x, y), cmp.Compare(x.Name, y.Name)) })
	list := make([]Ranked, len(sorted))
	for i, p := range sorted {
		list[i] = Ranked{ID: p.ID, Name: p.Name, Turn: i + 1, End: p.End, Says: p.says()}
		if i > 0 && before(sorted[i-1], p) == 0 {
			list[i].Turn = list[i-1].Turn
		}
	}
	return list
}

func before(x, y *Plant) int {
	if by := cmp.Compare(x.class(), y.class()); by != 0 {
		return by
	}
	if x.End != "" {
		return cmp.Compare(y.Until-y.Came, x.Until-x.Came)
	}
	if x.InWork {
		return cmp.Compare(condition(y), condition(x))
	}
	return cmp.Or(cmp.Compare(x.illDays(), y.illDays()), cmp.Compare(condition(y), condition(x)))
}

// condition is as at the last look; one that nobody could tell stands below all others.
func condition(p *Plant) int {
	if p.Condition == nil {
		return -1
	}
	return *p.Condition
}

// illDays is how long its first trouble took; 0 for one that was never ill.
func (p *Plant) illDays() int {
	if p.FellIll == nil || p.Mended == nil {
		return 0
	}
	return int(*p.Mended - *p.FellIll)
}

func (p *Plant) says() string {
	lived := working.Count(int(p.Until-p.Came), "day")
	switch {
	case p.End == Lost:
		return "lost after " + lived
	case p.End == Given:
		return "given away after " + lived
	case p.InWork && p.Condition != nil:
		return fmt.Sprintf("in work, condition %d of 100 at the last look", *p.Condition)
	case p.InWork:
		return "in work; no look has told its condition"
	case p.FellIll == nil:
		return "never ill since it came, " + lived + " ago"
	case p.Mended != nil:
		return "well again after " + working.Count(p.illDays(), "day")
	}
	return "no trouble is open"
}
