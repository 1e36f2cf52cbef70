package record

import (
	"strings"

	"tendermend/core/facts"
)

// Cut is something that was cut off the plant.
type Cut struct {
	Organ string   `json:"organ" enum:"roots,leaf,spike,flower,stem,crown,rhizome,bulb,body,tip,pup,plantlet,segment"`
	N     *int     `json:"n,omitempty" minimum:"-9999" maximum:"99999" doc:"How many."`
	Share *float64 `json:"share,omitempty" minimum:"-9999" maximum:"99999" doc:"Or what share of them, 0 to 1."`
	Kept  *int     `json:"kept,omitempty" minimum:"-9999" maximum:"99999" doc:"How many were left."`
}

// KindCut stands in stored records: it is never renamed or used for another.
const KindCut Kind = "cut"

// Kind names it.
func (*Cut) Kind() Kind { return KindCut }

func (c *Cut) check(*situation) (faults Faults) {
	if strings.TrimSpace(c.Organ) == "" {
		faults = append(faults, Fault{Field: "cut.organ", Message: "say what was cut off"})
	}
	countBetween(&faults, "cut.n", c.N, 0, 1000)
	countBetween(&faults, "cut.kept", c.Kept, 0, 1000)
	between(&faults, "cut.share", c.Share, 0, 1, "of them")
	return faults
}

func (c *Cut) apply(s *State, e Entry) {
	n := 0.0
	if c.N != nil {
		n = float64(*c.N)
	}
	s.Known.Cuts = append(s.Known.Cuts, facts.Cut{Organ: c.Organ, N: n, On: e.On})
	left := func(f *facts.Number) {
		switch {
		case c.Kept != nil:
			*f = facts.Seen(float64(*c.Kept), e.On, facts.Done)
		case f.Known && c.N != nil:
			*f = facts.Seen(max(0, f.Value-n), e.On, facts.Done)
		case f.Known && c.Share != nil:
			*f = facts.Seen(float64(int(f.Value*(1-*c.Share)+0.5)), e.On, facts.Done)
		}
	}
	switch c.Organ {
	case "spike", "flower":
		left(&s.Known.Spikes)
		if s.Known.Spikes.Value == 0 {
			s.Known.Buds = facts.Seen(false, e.On, facts.Done)
		}
	case "leaf":
		left(&s.Known.Leaves)
	case "pup", "plantlet":
		left(&s.Known.Plantlets)
	}
	s.looked(e.On)
}

func (c *Cut) event(State) (string, bool) { return c.Organ + " cut off", true }

func (*Cut) taken() taken { return whileHere }

func (*Cut) effort() (Effort, int) { return ForLooks, 5 }
