package diagnosis

import "slices"

// reserve is the move that takes a healthy piece before anything else is cut.
const reserve = "backup-cutting"

// reserveRisk is the chance that a piece carries the trouble with it, up to which one
// is taken (common practice).
const reserveRisk = 0.15

// What is done before a cut (common practice).
const (
	cleanBlade = "Before it: flame the blade or wipe it with alcohol, and let it dry."
	takePiece  = " Take a healthy piece in reserve, from the end farthest from the trouble, and keep it apart."
	takeNone   = " Take no piece in reserve: it would carry the trouble with it."
)

// beforeCuts puts the piece in reserve before every other cut of the list, and says of
// each cut what is done before it.
func (c *Case) beforeCuts(list []Advice) []Advice {
	cut := slices.IndexFunc(list, func(a Advice) bool { return a.move.blade && a.Move != reserve })
	piece := slices.IndexFunc(list, func(a Advice) bool { return a.Move == reserve })
	if cut >= 0 && piece > cut {
		taken := list[piece]
		list = slices.Insert(slices.Delete(list, piece, piece+1), cut, taken)
	}
	for i, a := range list {
		if !a.move.blade {
			continue
		}
		list[i].Before = cleanBlade
		if piece < 0 && a.move.Stress > 0 {
			list[i].Before += c.piece()
		}
	}
	return list
}

// piece says whether one is taken in reserve: where the plant can be struck from a
// piece and may die, and never where that would carry the trouble on.
func (c *Case) piece() string {
	move := c.k.moves[c.k.moveAt[reserve]]
	if !move.fits.habit(c.habit.ID) {
		return ""
	}
	carried := 0.0
	for _, s := range c.sets {
		if slices.ContainsFunc(s.causes, func(cause int) bool { return move.effect[cause] < 0 }) {
			carried += s.share
		}
	}
	if carried > reserveRisk {
		return takeNone
	}
	for cause, p := range c.chances {
		if p >= chanceForNow && move.effect[cause] >= leastEffect {
			return takePiece
		}
	}
	return ""
}
