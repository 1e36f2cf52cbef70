package check

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/plant"
	t "tendermend/core/treatment"
)

// coverLaw: heat, size and kind allow the cover.
func coverLaw(r *replay, c *patient, no found) {
	for _, e := range r.of(false, t.CoverIt) {
		why := ""
		if isPiece(e) {
			why = c.overPieces(e)
		} else {
			why = c.overPlant(r, e)
		}
		if why != "" {
			no(e, "%s", why)
		}
	}
}

func (c *patient) heat() float64 { return max(c.warm, c.Facts.Place.HighC.Or(-99)) }

func isShut(e *event) bool { return e.p.Cover != plant.CoverOpen && e.p.Cover != plant.CoverNone }

// overPieces is why a cover over pieces is too much; nothing where it is not.
func (c *patient) overPieces(e *event) string {
	switch {
	case e.p.Cover == plant.CoverNone:
	case c.heat() > 30:
		return "too hot for any cover"
	case isShut(e) && c.heat() > 28:
		return "too hot for a closed cover over pieces"
	}
	return ""
}

// overPlant is why a cover over the plant is too much; nothing where it is not.
func (c *patient) overPlant(r *replay, e *event) string {
	shutTo, openTo := 26.0, 30.0
	if c.known {
		shutTo, openTo = min(shutTo, c.kind.Temperature[2]-3), min(openTo, c.kind.Temperature[2])
	}
	switch {
	case e.p.Cover == plant.CoverNone:
	case c.heat() > openTo:
		return "too hot for any cover"
	case r.has(t.Behead), c.has(cause.Detached), c.Facts.Piece.Value: // it is a cutting itself
	case isShut(e) && c.heat() > shutTo:
		return "too hot for a closed cover"
	case c.known && c.kind.Size == plant.HugeSize, c.across(r, e) > 40:
		return "it is too large to be covered"
	case isShut(e) && c.known && c.kind.Size == plant.LargeSize:
		return "it is too large for a closed cover"
	}
	return ""
}

// across is how wide or high it is, cm: as measured, else twice its pot's width, the new one
// where it was cut back or stays as low as its pot is wide.
func (c *patient) across(r *replay, e *event) float64 {
	f := c.Facts
	if f.SpanCM.Known || f.HeightCM.Known {
		return max(f.SpanCM.Or(0), f.HeightCM.Or(0))
	}
	cut := slices.ContainsFunc(r.events, func(x event) bool {
		return x.before(e) && (isOne(x.op, t.TrimBranch, t.Behead) || x.op == t.RemoveLeaves && x.p.Share.Or(0) >= 0.25)
	})
	if low := c.is(t.Monopodial, t.Gesneriad, t.SucculentRosette, t.Bromeliad, t.SoftTrailer); !cut && !low {
		return 2 * f.PotWidthCM.Or(0)
	}
	w := 0.0
	for _, x := range r.of(false, t.ReadyPot) {
		if x.before(e) && !x.gated {
			w = max(w, x.p.PotWidthCM.Or(0))
		}
	}
	return 2 * w
}
