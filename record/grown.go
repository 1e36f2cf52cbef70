package record

import (
	"slices"
	"strings"

	"tendermend/core/recovery"

	"github.com/google/uuid"
)

// Grown is one look at one growth: its first one begins a strand, later ones
// lengthen it or say what became of it. What is empty stays as it was.
type Grown struct {
	Growth   uuid.UUID            `json:"growth" doc:"Id of the strand, made by the sender when it begins."`
	Sort     recovery.GrowthSort  `json:"sort,omitempty" enum:"leaf,bulb,cane,shoot,spike,plantlet,root"`
	Name     string               `json:"name,omitempty" maxLength:"60"`
	CameWith bool                 `json:"cameWith,omitempty" doc:"Whether it came with the plant."`
	SizeMM   *float64             `json:"sizeMm,omitempty"`
	State    recovery.GrowthState `json:"state,omitempty" enum:"starting,growing,mature,stalled,lost"`
	Picture  *uuid.UUID           `json:"picture,omitempty" doc:"The picture on which it was measured."`
}

// KindGrown stands in stored records: it is never renamed or used for another.
const KindGrown Kind = "grown"

// Kind names it.
func (*Grown) Kind() Kind { return KindGrown }

func (g *Grown) check(s *situation) (faults Faults) {
	state := s.unsettled()
	known := state.strand(g.Growth.String()) != nil
	if !known &&
		!slices.ContainsFunc(recovery.GrowthSorts(), func(x recovery.SortOfGrowth) bool { return x.ID == g.Sort }) {
		faults = append(faults, Fault{Field: "grown.sort", Message: "say what grows: a leaf, a bulb, a root …"})
	}
	if known && g.SizeMM == nil && g.State == "" && strings.TrimSpace(g.Name) == "" {
		faults = append(faults, Fault{Field: "grown", Message: "say what changed: its size, or how it is"})
	}
	between(&faults, "grown.sizeMm", g.SizeMM, 0, 5000, "mm")
	if g.State != "" && !slices.Contains(recovery.GrowthStates(), g.State) {
		faults = append(
			faults,
			Fault{Field: "grown.state", Message: "a growth is starting, growing, mature, stalled or lost"},
		)
	}
	return faults
}

func (g *Grown) apply(s *State, e Entry) {
	strand := s.strand(g.Growth.String())
	if strand == nil && g.Sort == "" {
		return // its beginning was undone
	}
	if strand == nil {
		number := 1
		for _, other := range s.Strands {
			if other.Sort == g.Sort {
				number++
			}
		}
		s.Strands = append(
			s.Strands,
			recovery.Strand{
				ID:       g.Growth.String(),
				Sort:     g.Sort,
				Number:   number,
				CameWith: g.CameWith,
				Began:    e.On,
				State:    recovery.Growing,
				StateOn:  e.On,
				Sizes:    []recovery.Reading{},
			},
		)
		strand = &s.Strands[len(s.Strands)-1]
		if g.CameWith {
			strand.Began, strand.State = s.ArrivedOn, recovery.Mature
		}
	}
	if g.Name != "" {
		strand.Name = g.Name
	}
	if g.SizeMM != nil {
		strand.Sizes = append(strand.Sizes, recovery.Reading{On: e.On, Value: *g.SizeMM})
	}
	if g.State != "" && g.State != strand.State {
		strand.State, strand.StateOn = g.State, e.On
	}
	s.looked(e.On)
}

func (*Grown) event(State) (string, bool) { return "", false }

func (*Grown) taken() taken { return whileHere }

func (*Grown) effort() (Effort, int) { return ForNothing, 0 }
