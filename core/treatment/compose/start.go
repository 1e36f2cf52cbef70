package compose

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/treatment"
)

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
