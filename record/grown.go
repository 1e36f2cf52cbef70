package record

import (
	"fmt"
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
	Of       string               `json:"of,omitempty" enum:"A,B,C,D,E,F,G,H,I,J,K,L" doc:"Which plant of its pot."`
	CameWith bool                 `json:"cameWith,omitempty" doc:"Whether it came with the plant."`
	SizeMM   *float64             `json:"sizeMm,omitempty" minimum:"-9999" maximum:"99999"`
	State    recovery.GrowthState `json:"state,omitempty" enum:"starting,growing,mature,stalled,lost"`
	Picture  *uuid.UUID           `json:"picture,omitempty" doc:"The picture on which it was measured."`
	// Marks are all that it has on that day; Clean says that it was looked at and has none.
	Marks []recovery.Mark `json:"marks,omitempty" doc:"All marks that it has: old ones too."`
	Clean bool            `json:"clean,omitempty" doc:"Whether it was looked at and has no mark."`
	Lobes *int            `json:"lobes,omitempty" minimum:"-9999" maximum:"99999" doc:"Lobes and windows of the leaf."`
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
	if known && g.saysNothing() {
		faults = append(faults, Fault{Field: "grown", Message: "say what changed: its size, its marks, or how it is"})
	}
	if g.Of != "" && !state.InPot(g.Of) {
		faults = append(faults, Fault{Field: "grown.of", Message: "no plant of its pot has that letter"})
	}
	faults = append(faults, g.checkMarks()...)
	between(&faults, "grown.sizeMm", g.SizeMM, 0, 5000, "mm")
	if g.State != "" && !slices.Contains(recovery.GrowthStates(), g.State) {
		faults = append(
			faults,
			Fault{Field: "grown.state", Message: "a growth is starting, growing, mature, stalled or lost"},
		)
	}
	return faults
}

// saysNothing is true of a look that tells nothing of a growth that is known.
func (g *Grown) saysNothing() bool {
	return g.SizeMM == nil && g.State == "" && strings.TrimSpace(g.Name) == "" && !g.looked() && g.Lobes == nil &&
		g.Of == ""
}

// looked says whether it tells of marks: which there are, or that there are none.
func (g *Grown) looked() bool { return g.Clean || len(g.Marks) > 0 }

func (g *Grown) checkMarks() (faults Faults) {
	if g.Clean && len(g.Marks) > 0 {
		faults = append(faults, Fault{Field: "grown.clean", Message: "it has marks, or it is clean: not both"})
	}
	for i, m := range g.Marks {
		known := slices.ContainsFunc(recovery.Marks(), func(x recovery.MarkWords) bool { return x.ID == m })
		if !known || slices.Contains(g.Marks[:i], m) {
			faults = append(faults, Fault{Field: "grown.marks", Message: "choose each mark from the list, once"})
			break
		}
	}
	if g.Lobes != nil && (*g.Lobes < 0 || *g.Lobes > recovery.MostLobes) {
		faults = append(faults, Fault{Field: "grown.lobes",
			Message: fmt.Sprintf("a leaf has from 0 to %d lobes and windows", recovery.MostLobes)})
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
			if other.Sort == g.Sort && other.Of == g.Of {
				number++
			}
		}
		s.Strands = append(
			s.Strands,
			recovery.Strand{
				ID:       g.Growth.String(),
				Sort:     g.Sort,
				Number:   number,
				Of:       g.Of,
				CameWith: g.CameWith,
				Began:    e.On,
				State:    recovery.Growing,
				StateOn:  e.On,
				Sizes:    []recovery.Reading{},
				Looks:    []recovery.MarkedLook{},
				Marked:   []recovery.MarkSince{},
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
	if g.Of != "" {
		strand.Of = g.Of
	}
	if g.SizeMM != nil {
		strand.Sizes = append(strand.Sizes, recovery.Reading{On: e.On, Value: *g.SizeMM})
	}
	if g.State != "" && g.State != strand.State {
		strand.State, strand.StateOn = g.State, e.On
	}
	if g.looked() {
		strand.LookedAt(e.On, g.Marks)
	}
	if g.Lobes != nil {
		strand.Lobes = g.Lobes
	}
	s.looked(e.On)
}

func (*Grown) event(State) (string, bool) { return "", false }

func (*Grown) taken() taken { return whileHere }

func (*Grown) effort() (Effort, int) { return ForNothing, 0 }
