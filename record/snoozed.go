package record

import (
	"fmt"
	"maps"
	"slices"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/working"
)

// Snoozed puts a job of the routine off, switches it off for this plant, or on
// again.
type Snoozed struct {
	Job   care.Job `json:"job"`
	Until *day.Day `json:"until,omitempty" doc:"Not before that day."`
	Off   bool     `json:"off,omitempty" doc:"Switched off for this plant; neither a day nor this switches it on again."`
	// Reason is why it is put off, or not wanted, in the carer's words.
	Reason string `json:"reason,omitempty" maxLength:"200" doc:"Why, in the carer's words."`
}

// PutOff is a time at which a job was put off, with why.
type PutOff struct {
	Job care.Job `json:"job"`
	On  day.Day  `json:"on"`
	Why string   `json:"why,omitempty"`
}

// mostSnoozed is how far a job is put off at once, days (common practice).
const mostSnoozed = 90

// KindSnoozed stands in stored records: it is never renamed or used for another.
const KindSnoozed Kind = "snoozed"

// Kind names it.
func (*Snoozed) Kind() Kind { return KindSnoozed }

func (z *Snoozed) check(s *situation) (faults Faults) {
	if _, known := care.ByID(z.Job); !known {
		faults = append(faults, Fault{Field: "snoozed.job", Message: fmt.Sprintf("there is no job %q", z.Job)})
	}
	switch {
	case z.Until == nil:
	case z.Off:
		faults = append(faults, Fault{Field: "snoozed.until", Message: "give a day, or switch it off; not both"})
	case *z.Until <= s.entry.On || *z.Until > s.entry.On+mostSnoozed:
		const said = "put it off by a day to %s; switch it off where it is not wanted"
		faults = append(faults, Fault{Field: "snoozed.until", Message: fmt.Sprintf(said, working.Count(mostSnoozed, "day"))})
	}
	return faults
}

func (z *Snoozed) apply(s *State, e Entry) {
	s.Snoozes, s.JobsOff = cloned(s.Snoozes), cloned(s.JobsOff)
	delete(s.Snoozes, z.Job)
	delete(s.JobsOff, z.Job)
	switch {
	case z.Off:
		s.JobsOff[z.Job] = e.On
	case z.Until != nil:
		s.Snoozes[z.Job] = *z.Until
		s.PutOffs = append(slices.Clone(s.PutOffs), PutOff{z.Job, e.On, z.Reason})
	}
}

// PutOffSince tells how often a job was put off since a day, and why the last time.
func (s State) PutOffSince(job care.Job, since day.Day) (times int, why string) {
	for _, p := range s.PutOffs {
		if p.Job == job && p.On >= since {
			times, why = times+1, p.Why
		}
	}
	return times, why
}

func (*Snoozed) event(State) (string, bool) { return "", false }

func (*Snoozed) taken() taken { return whileHere }

func (*Snoozed) effort() (Effort, int) { return ForNothing, 0 }

// cloned is a map to write to, so that states that were given out stay as they are.
func cloned(m map[care.Job]day.Day) map[care.Job]day.Day {
	if m == nil {
		return map[care.Job]day.Day{}
	}
	return maps.Clone(m)
}
