package record

import (
	"fmt"

	"github.com/google/uuid"
)

// Parted takes pieces out of a batch: potted out as plants, or put back with the mother.
type Parted struct {
	Potted   int    `json:"potted" minimum:"-999" maximum:"9999" doc:"How many were potted out, each a plant of its own."`
	Returned int    `json:"returned" minimum:"-9999" maximum:"99999" doc:"How many went back into the mother's pot."`
	Note     string `json:"note,omitempty" maxLength:"2000"`
	// Plants are those that came of it, where they were taken in.
	Plants []uuid.UUID `json:"plants,omitempty" maxItems:"500" doc:"The plants that came of it."`
}

// KindParted stands in stored records: it is never renamed or used for another.
const KindParted Kind = "parted"

// Kind names it.
func (*Parted) Kind() Kind { return KindParted }

func (p *Parted) check(s *situation) Faults {
	b := s.state().Batch
	switch {
	case b == nil:
		return Faults{{Field: "parted", Message: "this is one plant, not a batch: nothing can be parted from it like that"}}
	case p.Potted < 0 || p.Returned < 0 || p.Potted+p.Returned == 0:
		return Faults{{Field: "parted.potted", Message: "say how many were potted out or put back"}}
	case p.Potted+p.Returned > b.Alive:
		const said = "%s are left; %d cannot be taken out"
		return Faults{{Field: "parted.potted", Message: fmt.Sprintf(said, pieceCount(b, b.Alive), p.Potted+p.Returned)}}
	}
	return nil
}

func (p *Parted) apply(s *State, e Entry) {
	b := s.Batch
	if b == nil {
		return
	}
	out := p.Potted + p.Returned
	b.Alive -= out
	b.Potted, b.Returned = b.Potted+p.Potted, b.Returned+p.Returned
	b.Rooted, b.Shoots = max(0, b.Rooted-out), min(b.Shoots, b.Alive)
	b.next(e.On)
	s.looked(e.On)
}

func (p *Parted) event(State) (string, bool) {
	switch {
	case p.Returned == 0:
		return fmt.Sprintf("%d potted out", p.Potted), true
	case p.Potted == 0:
		return fmt.Sprintf("%d put back with the mother", p.Returned), true
	}
	return fmt.Sprintf("%d potted out, %d put back with the mother", p.Potted, p.Returned), true
}

func (*Parted) taken() taken { return whileHere }

func (*Parted) effort() (Effort, int) { return ForLooks, 15 }
