package diagnosis

import "slices"

// SafeAct is the first thing that can safely be done now.
type SafeAct struct {
	Move string `json:"move" doc:"The move; it can be undone, and strains no plant."`
	// Helps is the cause for which it is done; empty where it is safe whatever is true.
	Helps string `json:"helps,omitempty" doc:"The cause for which it is done; empty where it is safe whatever is true."`
	Words string `json:"words" doc:"What else is left alone until more is known."`
}

// AnyHabit is how a plant is taken to grow of which nobody can tell: most houseplants are
// leafy vines in a pot, or are asked the same (common practice).
const AnyHabit = "aroid-vine"

// leftAlone is what nobody does who does not know what ails a plant (common practice).
const leftAlone = "Until more is known, do not water, feed, repot or spray it."

// FirstAct gives the first of the moves for now that can be undone and strains nothing.
// Where there is none a sound plant is watched, and any other stands apart: both are safe
// whatever is true.
func (c *Case) FirstAct(moves []Advice) SafeAct {
	at := slices.IndexFunc(moves, func(a Advice) bool {
		return a.Advice == Now && a.move.Reversible && a.move.Stress == 0 && !a.move.blade
	})
	if at >= 0 {
		return SafeAct{Move: moves[at].Move, Helps: moves[at].Helps}
	}
	switch c.Verdict().Kind {
	case NothingFound, Harmless:
		return SafeAct{Move: "watch"}
	default:
		return SafeAct{Move: "isolate", Words: leftAlone}
	}
}
