package treatment

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
)

// rootsStartC is the warmth below which roots are slow to start, °C (common practice).
const rootsStartC = 22

// NatureOfWaiting is what decides for how long a plant's signs may be waited for: how it grows, what ails it, by which
// way it is brought back to roots, and how it stands.
func NatureOfWaiting(habit string, causes []cause.ID, by School, f facts.Facts) gate.Nature {
	n := gate.Nature{
		Rests:    by == Rest,
		Crown:    f.PointHit.Value || slices.Contains(causes, cause.CrownWet),
		Rooted:   f.LiveRoots.Known && f.LiveRoots.Value > 0 && !f.Piece.Value,
		Rootless: f.LiveRoots.Known && f.LiveRoots.Value == 0,
		Cool:     f.Place.WarmthC.Known && f.Place.WarmthC.Value < rootsStartC,
	}
	if d, known := HabitDefaults(habit); known {
		n.Woody, n.DrySet = d.Habit == Woody, DrySet().Has(d.Habit)
	}
	return n
}

// MakesHappen is what a step that is done makes happen, from which days are counted; nothing for most.
func (op OperatorID) MakesHappen() facts.Happening {
	switch {
	case op == Unpot:
		return facts.SatRoots
	case op == Callus:
		return facts.OnATray
	case op.Does(Sets):
		return facts.Potted
	case op.Treats():
		return facts.TreatedNow
	}
	return ""
}
