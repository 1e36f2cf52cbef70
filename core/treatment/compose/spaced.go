package compose

import (
	"slices"

	"tendermend/core/treatment"
)

// spaced takes out a product that would come before its days are over, or too often, where treatments were moved
// towards each other; the wash of that day stays, where its own days are over.
func (c *composer) spaced(list []*sit) []*sit {
	used := map[treatment.OperatorID][]int{}
	sortSits(list)
	for _, s := range list {
		if !s.dated {
			continue
		}
		for _, op := range ops(treatment.WashDown, treatment.Soap, treatment.Oil, treatment.LabelDrug) {
			at := usesOf(s.steps, op)
			if len(at) == 0 {
				continue
			}
			if !c.tooSoon(op, used[op], s.day) {
				used[op] = append(used[op], s.day)
				continue
			}
			for _, i := range slices.Backward(at) {
				c.condLeft(s.steps[i])
				s.steps = withoutUse(s.steps, i)
			}
		}
	}
	return list
}

// onLeavesOnce says whether a step is one use of a product, or a wash, on the leaves: not again and again.
func onLeavesOnce(x step, op treatment.OperatorID) bool {
	return x.Op == op && among(x.Organ, "", treatment.OnLeaf) && x.Every == 0
}

// usesOf are the places of a product on all leaves in a sitting, and not on spots.
func usesOf(steps []step, op treatment.OperatorID) (at []int) {
	for i, x := range steps {
		if onLeavesOnce(x, op) && x.Params.Class != "bacteria" {
			at = append(at, i)
		}
	}
	return at
}

// tooSoon says whether a product may not be used on a day after the days on which it was.
func (c *composer) tooSoon(op treatment.OperatorID, used []int, day int) bool {
	n := len(used)
	if n == 0 || day <= used[n-1] {
		return false
	}
	often := op == treatment.Oil && n >= mostOils && day-used[n-mostOils] < oilWindow
	return often || day-used[n-1] < c.floorOf(op, c.pests...)
}

// condLeft says of a product that waited for something to be seen what is done where it is seen.
func (c *composer) condLeft(x step) {
	if x.Params.Cond != "" {
		c.leave(string(x.Op), "it would come between two products of another class: if "+x.Params.Cond+", plan again")
	}
}

// drunkFirst takes out what would be sprayed before a thirsty plant has drunk, or within the days after it, where its
// water was moved behind a product; what is used only once comes when they are over.
func (c *composer) drunkFirst(list []*sit) []*sit {
	drinks := slices.IndexFunc(list, func(s *sit) bool {
		return s.dated && slices.ContainsFunc(s.steps, func(x step) bool {
			return x.Op.Does(treatment.Waters) && x.Params.For == ""
		})
	})
	if !c.thirsty || drinks < 0 || c.habitID == treatment.AirPlant {
		return list
	}
	bears := list[drinks].day + drinkDays
	for _, op := range sprays {
		var last []step
		again := false
		for _, s := range list {
			i := slices.IndexFunc(s.steps, func(x step) bool { return onLeavesOnce(x, op) })
			switch {
			case !s.dated || i < 0:
			case s.day >= bears:
				again = true
			default:
				last = []step{s.steps[i]}
				s.steps = withoutUse(s.steps, i)
			}
		}
		if len(last) > 0 && !again {
			after := c.dried()
			if op == treatment.Soap {
				after = c.rinsed()
			}
			list = c.onDay(list, treatment.SpraySit, bears, append(last, after...))
		}
	}
	return list
}

// withoutUse takes a use of a product out with its rinse, or a wash with its drying.
func withoutUse(steps []step, i int) []step {
	to := i + 1
	for to < len(steps) && among(steps[to].Op, treatment.RinseOff, treatment.CrownDry, treatment.CrownDrain) {
		to++
	}
	kept := steps[:i:i]
	if wetted := steps[i].Op != treatment.WashDown && has(kept, treatment.RinseOff, treatment.WashDown); wetted {
		for _, x := range steps[i:to] {
			if x.Op == treatment.CrownDry {
				kept = append(kept, x) // the wash before it is dried all the same
			}
		}
	}
	return slices.Concat(kept, steps[to:])
}
