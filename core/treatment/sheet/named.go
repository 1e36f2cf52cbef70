package sheet

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/treatment"
)

// identify gives every step of a plan an id: its operator and day, and a number
// where that is not enough. The same plan always has the same ids.
func identify(p treatment.Plan) [][]string {
	seen := map[string]int{}
	ids := make([][]string, len(p.Sittings))
	for i, s := range p.Sittings {
		when := fmt.Sprintf("gate%d", i)
		if s.Day != nil {
			when = fmt.Sprintf("d%d", *s.Day)
		}
		for _, x := range s.Steps {
			id := string(x.Op) + "@" + when
			if x.Organ != "" && x.Organ != treatment.OnRoots && x.Organ != treatment.OnLeaf {
				id += "." + strings.ReplaceAll(string(x.Organ), " ", "-")
			}
			seen[id]++
			if n := seen[id]; n > 1 {
				id = fmt.Sprintf("%s.%d", id, n)
			}
			ids[i] = append(ids[i], id)
		}
	}
	return ids
}

// nameAs names the steps of a plan after those of another that it was made from: what was moved by where it went, what
// stands where it stood, and of the others one after the other those that do the same.
func nameAs(composed, p treatment.Plan, moves []treatment.Move) [][]string {
	was, ids := identify(composed), identify(p)
	if len(moves) == 0 {
		return ids
	}
	n := naming{plan: p, named: make([][]string, len(ids))}
	taken := map[string]bool{}
	for i, s := range composed.Sittings {
		for k, x := range s.Steps {
			n.left = append(n.left, namedStep{was[i][k], x, s.Day})
			taken[was[i][k]] = true
		}
	}
	for i := range ids {
		n.named[i] = make([]string, len(ids[i]))
	}
	n.match(func(o namedStep, i, _ int) bool {
		return o.day != nil && p.Sittings[i].Day != nil && slices.ContainsFunc(moves, func(m treatment.Move) bool {
			return m.Means(o.step, *o.day) && *p.Sittings[i].Day == m.To
		})
	})
	n.match(func(o namedStep, i, k int) bool { return o.id == ids[i][k] })
	n.match(func(o namedStep, i, _ int) bool { return (o.day == nil) == (p.Sittings[i].Day == nil) })
	n.match(func(namedStep, int, int) bool { return true })
	for i := range n.named {
		for k := range n.named[i] {
			if n.named[i][k] == "" {
				n.named[i][k] = unlike(ids[i][k], taken)
			}
		}
	}
	return n.named
}

// namedStep is a step of a plan with its name and its day.
type namedStep struct {
	id   string
	step treatment.Step
	day  *int
}

// naming gives the steps of a plan the names of others that are left.
type naming struct {
	plan  treatment.Plan
	named [][]string
	left  []namedStep
}

// match names steps after those that do the same and fit.
func (n *naming) match(fits func(o namedStep, sitting, step int) bool) {
	for i, s := range n.plan.Sittings {
		for k, x := range s.Steps {
			if n.named[i][k] != "" {
				continue
			}
			at := slices.IndexFunc(n.left, func(o namedStep) bool {
				return o.step.Op == x.Op && o.step.Organ == x.Organ && o.step.Of() == x.Of() && fits(o, i, k)
			})
			if at >= 0 {
				n.named[i][k] = n.left[at].id
				n.left = slices.Delete(n.left, at, at+1)
			}
		}
	}
}

// unlike is a name that is not taken yet, and takes it.
func unlike(id string, taken map[string]bool) string {
	free := id
	for n := 2; taken[free]; n++ {
		free = fmt.Sprintf("%s.new%d", id, n)
	}
	taken[free] = true
	return free
}
