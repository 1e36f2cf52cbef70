package compose

import (
	"slices"

	"tendermend/core/treatment"
)

// rootsPut is the day on which the carer wants the work on the roots; false where he leaves it to the plan.
func (c *composer) rootsPut() (day int, put bool) {
	for _, m := range c.Moves {
		if m.Op == treatment.Unpot && m.For == "" {
			return m.To, true
		}
	}
	return 0, false
}

// rootsWanted is the day of the work on the roots: the carer's, where he wants another.
func (c *composer) rootsWanted(day int) int {
	if to, put := c.rootsPut(); put {
		return to
	}
	return day
}

// wantedElsewhere says whether the carer wants a step on another day, and was not obeyed yet.
func (c *composer) wantedElsewhere(h *here) (m treatment.Move, is bool) {
	if !h.s.dated {
		return m, false
	}
	for i, m := range c.Moves {
		if !c.placed[i] && m.Means(h.step, h.s.day) {
			c.placed[i] = true
			return m, true
		}
	}
	return m, false
}

// carriedTo puts a step on the day on which the carer wants it, with what belongs to it, and what hangs on it as many
// days later or sooner.
func (c *composer) carriedTo(list []*sit, h *here, m treatment.Move) []*sit {
	moved := c.takenOut(h, verdict{do: delay, day: m.To})
	for i, x := range moved { // a series lasts as long as it did
		if end, dated := dayOf(x.Until); dated && x.Every > 0 {
			moved[i].Until = toDay(max(m.To, end+m.To-m.From))
		}
	}
	from, by := h.s.day, m.To-h.s.day
	list = c.onDay(list, h.s.kind, m.To, moved)
	for _, s := range slices.Clone(list) {
		if !s.dated || s.day <= from {
			continue
		}
		var along []step
		s.steps = slices.DeleteFunc(slices.Clone(s.steps), func(x step) bool {
			hangs := hangsOn(x, h.step)
			if hangs {
				along = append(along, x)
			}
			return hangs
		})
		for _, x := range along {
			list = c.onDay(list, "", max(0, s.day+by), []step{x})
		}
	}
	return list
}

// hangsOn says whether what is done later at a plant or its pieces is counted from a step: from the cut that makes
// pieces all that is done at them, from the home that something comes into its water, its cover and its light.
func hangsOn(x, on step) bool {
	switch {
	case on.Op.Does(treatment.MakesPiece):
		return x.Of() == treatment.ForPieces
	case on.Op.Does(treatment.Sets):
		return x.Of() == on.Of() && (x.Op.Does(treatment.Waters) ||
			among(x.Op, treatment.ByRule, treatment.CoverIt, treatment.Wean, treatment.Brighten, treatment.FeedIt))
	}
	return false
}
