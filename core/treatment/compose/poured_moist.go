package compose

import (
	"slices"

	"tendermend/core/treatment"
)

// poursOn says whether a step is poured onto the medium of the plant itself, which is to be moist then.
func poursOn(x step) bool {
	into := x.Op == treatment.LabelDrug && x.Organ == treatment.OnSoil
	return (among(x.Op, pours...) || into) && x.Params.For == ""
}

// pouredWhenMoist moves what is poured onto a moist medium to its first water, where the work on its roots left
// the medium dry for some days (common practice); later uses move by as many days.
func pouredWhenMoist(list []*sit) []*sit {
	potted, wet := daysDry(list)
	if wet <= potted {
		return list
	}
	var moved []*sit
	later := map[treatment.OperatorID]int{}
	for _, s := range list {
		if !s.dated {
			continue
		}
		s.steps = slices.DeleteFunc(slices.Clone(s.steps), func(x step) bool {
			if !poursOn(x) {
				return false
			}
			if _, begun := later[x.Op]; !begun && s.day >= potted && s.day < wet {
				later[x.Op] = wet - s.day
				if x.Op != treatment.Nematodes { // a product is taken up by roots that have drunk: a day later
					later[x.Op]++
				}
			}
			days := later[x.Op]
			if days > 0 {
				moved = append(moved, &sit{kind: s.kind, slot: treatment.Evening, dated: true, day: s.day + days, steps: []step{x}})
			}
			return days > 0
		})
	}
	list = append(list, moved...)
	sortSits(list)
	return list
}

// daysDry are the days on which it is set into fresh, dry mix and on which that gets its first water; never
// where the plan has no such days.
func daysDry(list []*sit) (potted, wet int) {
	potted, wet = never, never
	for _, s := range list {
		if !s.dated {
			continue
		}
		if has(s.steps, treatment.Unpot) && has(s.steps, homes...) {
			potted = s.day
		}
		first := slices.ContainsFunc(s.steps, func(x step) bool {
			return among(x.Op, treatment.FirstWater, treatment.BottomWater) && x.Params.For == ""
		})
		if potted != never && wet == never && first {
			wet = s.day
		}
	}
	return potted, wet
}
