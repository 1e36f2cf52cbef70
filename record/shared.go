package record

import (
	"fmt"
	"slices"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/sharedpot"
	"tendermend/core/working"
)

// Shared tells which plants stand in one pot: several that came as one. The record goes on
// as that of plant A.
type Shared struct {
	Plants []Potmate `json:"plants" minItems:"1" maxItems:"12" doc:"All that stand in the pot, A first."`
	Keep   bool      `json:"keep,omitempty" doc:"Whether it was decided that they stay together."`
	Out    []OutOf   `json:"out,omitempty" maxItems:"12" doc:"Those that were taken out: each a plant of its own now."`
}

// Potmate is one of several plants in a pot.
type Potmate struct {
	Letter  string `json:"letter" enum:"A,B,C,D,E,F,G,H,I,J,K,L"`
	Name    string `json:"name,omitempty" maxLength:"60" doc:"What tells it from the others: the tall one."`
	Profile string `json:"profile,omitempty" doc:"Its kind, where that is another than the record's."`
}

// OutOf is a plant that was taken out of the pot.
type OutOf struct {
	Letter string    `json:"letter" enum:"A,B,C,D,E,F,G,H,I,J,K,L"`
	Plant  uuid.UUID `json:"plant" doc:"The plant that it is now."`
}

// SharedPot is a pot with several plants in it, or out of which some were taken.
type SharedPot struct {
	Plants []Potmate
	Since  day.Day // when they were first told from each other
	Kept   bool
	Out    []OutOf
}

// KindShared stands in stored records: it is never renamed or used for another.
const KindShared Kind = "shared"

// Kind names it.
func (*Shared) Kind() Kind { return KindShared }

func (p *Shared) check(s *situation) (faults Faults) {
	no := func(field, format string, args ...any) {
		faults = append(faults, Fault{Field: "shared." + field, Message: fmt.Sprintf(format, args...)})
	}
	state := s.state()
	switch {
	case state.Batch != nil:
		no("plants", "this is a batch of pieces: count them there, and pot out those that have roots")
	case len(p.Plants) < 2 && len(p.Out) == 0 && state.Shared == nil:
		no("plants", "say at least two plants; one alone is what the record is of already")
	case len(p.Plants) == 0 || p.Plants[0].Letter != sharedpot.Letters[:1]:
		no("plants", "plant A is the one whose record this is; it comes first")
	case len(p.Plants) > sharedpot.Most:
		no("plants", "at most %s of one pot are told from each other", working.Count(sharedpot.Most, "plant"))
	}
	return append(faults, p.checkEach(s.ledger.kinds, state.Shared)...)
}

// checkEach says what is wrong with the plants one by one.
func (p *Shared) checkEach(kinds plant.Kinds, now *SharedPot) (faults Faults) {
	no := func(field, format string, args ...any) {
		faults = append(faults, Fault{Field: "shared." + field, Message: fmt.Sprintf(format, args...)})
	}
	seen := map[string]bool{}
	for i, m := range p.Plants {
		if !sharedpot.IsLetter(m.Letter) || seen[m.Letter] {
			no(fmt.Sprintf("plants[%d].letter", i), "each has a letter of its own, from A to L")
		}
		seen[m.Letter] = true
		if now != nil && slices.ContainsFunc(now.Out, func(o OutOf) bool { return o.Letter == m.Letter }) {
			no(fmt.Sprintf("plants[%d].letter", i), "%s was taken out of this pot; give another letter", m.Letter)
		}
		if _, known := kinds.ByID(m.Profile); m.Profile != "" && !known {
			no(fmt.Sprintf("plants[%d].profile", i), "the kind %q is not known; pick one from the list", m.Profile)
		}
	}
	for _, o := range p.Out {
		if seen[o.Letter] {
			no("out", "%s cannot be in the pot and out of it", o.Letter)
		}
	}
	return faults
}

func (p *Shared) apply(s *State, e Entry) {
	pot := SharedPot{Plants: p.Plants, Since: e.On, Kept: p.Keep}
	if s.Shared != nil {
		pot.Since, pot.Out = s.Shared.Since, slices.Clone(s.Shared.Out)
	}
	pot.Out = append(pot.Out, p.Out...)
	s.Shared = &pot
	// What was taken out grows on in a record of its own.
	s.Strands = slices.DeleteFunc(slices.Clone(s.Strands), func(x recovery.Strand) bool {
		return slices.ContainsFunc(p.Out, func(o OutOf) bool { return o.Letter == x.Of })
	})
	s.looked(e.On)
}

func (p *Shared) event(State) (string, bool) {
	switch n := len(p.Plants); {
	case len(p.Out) > 0:
		return working.Count(len(p.Out), "plant") + " taken out of its pot", true
	case n < 2:
		return "alone in its pot", true
	case p.Keep:
		return working.Count(n, "plant") + " in one pot, kept together", true
	default:
		return working.Count(n, "plant") + " in one pot", true
	}
}

func (*Shared) taken() taken { return whileHere }

func (*Shared) effort() (Effort, int) { return ForLooks, 5 }

// InPot says whether a plant of the pot is told by a letter and still in it.
func (s State) InPot(letter string) bool {
	return s.Shared != nil &&
		slices.ContainsFunc(s.Shared.Plants, func(m Potmate) bool { return m.Letter == letter })
}
