package record

import (
	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/facts"
)

// StillOn is since when what a treatment put on stands on the plant though nothing in work asks for it: its cover, and
// less light than is best. Nil where nothing does. A cover that somebody said, and no treatment put on, is the carer's
// own.
func (s State) StillOn() (covered, dimmed *day.Day) {
	if len(s.OpenCases()) > 0 {
		return nil, nil
	}
	var ended day.Day
	for _, c := range s.Cases {
		if on := c.EndedOn(); on != nil {
			ended = max(ended, *on)
		}
	}
	since := func(on day.Day) *day.Day {
		last := max(on, ended)
		return &last
	}
	if c := s.Known.Cover; c.Known && c.From == facts.Done && c.Value != facts.Uncovered {
		covered = since(c.On)
	}
	if l := s.Known.LightShare; l.Known && l.Value < 1 && (l.From == facts.Done || s.Jobs[care.LightBack] != 0) {
		dimmed = since(l.On)
	}
	return covered, dimmed
}
