package record

import (
	"fmt"
	"slices"

	"tendermend/core/care"
	"tendermend/core/facts"
)

// Tended is ordinary care that was given.
type Tended struct {
	Jobs []care.Job `json:"jobs" maxItems:"12" doc:"What was done."`
}

// KindTended stands in stored records: it is never renamed or used for another.
const KindTended Kind = "tended"

// Kind names it.
func (*Tended) Kind() Kind { return KindTended }

func (t *Tended) check(*situation) (faults Faults) {
	if len(t.Jobs) == 0 {
		faults = append(faults, Fault{Field: "tended.jobs", Message: "say what was done"})
	}
	seen := map[care.Job]bool{}
	for i, job := range t.Jobs {
		field := fmt.Sprintf("tended.jobs[%d]", i)
		switch _, known := care.ByID(job); {
		case !known:
			faults = append(faults, Fault{Field: field, Message: fmt.Sprintf("there is no job %q", job)})
		case job == care.Feed:
			const said = "feeding is recorded as a feed, with its strength"
			faults = append(faults, Fault{Field: field, Message: said})
		case job.Moves():
			const said = "say where it stands now: it is recorded as a move"
			faults = append(faults, Fault{Field: field, Message: said})
		case seen[job]:
			faults = append(faults, Fault{Field: field, Message: fmt.Sprintf("%q stands twice; name it once", job)})
		}
		seen[job] = true
	}
	return faults
}

func (t *Tended) apply(s *State, e Entry) {
	s.Jobs = cloned(s.Jobs)
	for _, job := range t.Jobs {
		s.Jobs[job] = max(s.Jobs[job], e.On)
		switch job {
		case care.Uncover:
			s.Known.Cover = facts.Seen(facts.Uncovered, e.On, facts.Typed)
		case care.LightBack:
			share := min(1, s.Known.LightShare.Or(1)+care.LightBackStep)
			s.Known.LightShare = facts.Seen(share, e.On, facts.Typed)
		default: // the others change no fact
		}
	}
	s.looked(e.On)
}

func (t *Tended) event(State) (string, bool) {
	said := ""
	for _, job := range t.Jobs {
		words, _ := care.ByID(job)
		if said != "" {
			said += ", "
		}
		said += words.Done
	}
	return said, true
}

func (*Tended) taken() taken { return whileHere }

func (*Tended) effort() (Effort, int) { return ForLooks, 2 }

func (t *Tended) concerns(_ *situation, m moment) []Concern {
	if !slices.Contains(t.Jobs, care.LeafWash) || !m.state.Wants.ShedsNoShine() {
		return nil
	}
	const said = "Such leaves, hairy or with a powdery bloom, are marked by washing: a soft dry brush takes the dust. " +
		"Record it all the same?"
	return []Concern{{MarksLeaves, said}}
}
