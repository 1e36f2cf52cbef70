package compose

import (
	"tendermend/core/state"
	"tendermend/core/treatment"
)

// world is how plant, pot and tools stand at a moment of the plan.
type world struct {
	state.Plant
	c    *composer
	day  int
	slot treatment.Slot
	gate bool // whether the sitting waits for something to be seen
}

// never is the day of what did not happen.
const never = state.Never

func (c *composer) begin() *world { return &world{Plant: state.Begin(c.Situation), c: c} }

// enter begins a sitting: what lay between has passed, and what it waited for was seen.
func (w *world) enter(s *sit) {
	switch {
	case s.day != w.day || !s.dated:
		w.Plant = w.Nights(s.day, w.c.nature)
	case s.slot != w.slot:
		w.Plant = w.Later()
	}
	w.day, w.slot, w.gate = s.day, s.slot, !s.dated
	if w.gate {
		w.Plant = w.Saw(s.gate)
	}
}

func (w *world) phase() string {
	if w.gate && w.Grows {
		return "growing"
	}
	return w.c.phase(w.day)
}

// do carries a step out.
func (w *world) do(s step) {
	w.Plant = w.After(s, state.Moment{Day: w.day, Evening: w.slot == treatment.Evening}, w.c.nature)
}

// drips says whether something that must be dry by night is wet.
func (w *world) drips() bool {
	cup := w.Wet&state.Cup != 0 && (w.Film != "" || w.c.airC <= 15)
	return w.Wet&w.c.nature.Keep != 0 || cup
}
