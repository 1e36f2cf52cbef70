package record

import (
	"fmt"
	"strings"

	"tendermend/core/day"
	"tendermend/core/recovery"
)

// Staged passes to the next stage of recovery, or steps back.
type Staged struct {
	Track  string `json:"track"`
	From   string `json:"from"`
	To     string `json:"to"`
	Reason string `json:"reason,omitempty" maxLength:"300" doc:"Wanted when stepping back, or on without the gate."`
	// GateOpen says whether the gate was met. Filled in when it is recorded.
	GateOpen bool `json:"gateOpen,omitempty"`
}

// KindStaged stands in stored records: it is never renamed or used for another.
const KindStaged Kind = "staged"

// Kind names it.
func (*Staged) Kind() Kind { return KindStaged }

func (st *Staged) check(s *situation) (faults Faults) {
	state := s.caseState()
	if state.Closed != nil {
		const said = "this case ended on %s; take it up again, or open a new one"
		return Faults{{Field: "staged", Message: fmt.Sprintf(said, state.ClosedOn), Conflict: true}}
	}
	if len(state.Courses) == 0 {
		return Faults{{Field: "staged", Message: "it is on no recovery track yet; make a plan first", Conflict: true}}
	}
	course := state.course(st.Track)
	if course == nil {
		return Faults{
			{
				Field:    "staged.track",
				Message:  "it is no longer on that track; somebody made a new plan since you opened this page",
				Conflict: true,
			},
		}
	}
	track, stage, in := course.In()
	current := recovery.Mended
	if in {
		current = stage.ID
	}
	if st.From != current {
		return Faults{
			{
				Field: "staged.from",
				Message: fmt.Sprintf(
					"it is now in the stage “%s”; somebody moved it since you opened this page",
					current,
				),
				Conflict: true,
			},
		}
	}
	to, ok := track.StageIndex(st.To)
	recorded := !s.entry.RecordedAt.IsZero() // it was judged when it was recorded, by the gates of its time
	switch {
	case !ok:
		faults = append(faults, Fault{Field: "staged.to", Message: fmt.Sprintf("this track has no stage %q", st.To)})
	case to == course.Stage:
		faults = append(faults, Fault{Field: "staged.to", Message: "it is in that stage already"})
	case recorded:
	case to > course.Stage+1:
		faults = append(faults, Fault{Field: "staged.to", Message: "stages are passed one at a time"})
	case to < course.Stage && strings.TrimSpace(st.Reason) == "":
		faults = append(faults, Fault{Field: "staged.reason", Message: "say in a few words why it goes a step back"})
	case to > course.Stage && !st.gateOpen(state, s.entry.On) && strings.TrimSpace(st.Reason) == "":
		faults = append(
			faults,
			Fault{
				Field:   "staged.reason",
				Message: "its gate is not met; check what is missing, or say why it moves on all the same",
			},
		)
	}
	return faults
}

// gateOpen says whether the gate that it passes is met on a day.
func (st *Staged) gateOpen(s State, on day.Day) bool {
	course := s.course(st.Track)
	if course == nil {
		return false
	}
	_, _, in := course.In()
	return in && s.Gate(*course, on).Open
}

func (st *Staged) apply(s *State, e Entry) {
	track, ok := recovery.TrackByID(st.Track)
	if !ok || s.Closed != nil {
		return
	}
	to, ok := track.StageIndex(st.To)
	course := s.course(st.Track)
	if !ok || course == nil {
		return
	}
	back := to <= course.Stage
	s.move(course, to, e.On, Span{Back: back, Early: !back && !st.GateOpen, Reason: st.Reason})
	s.looked(e.On)
}

func (*Staged) event(State) (string, bool) { return "", false }

func (*Staged) taken() taken { return whileHere }

func (*Staged) effort() (Effort, int) { return ForNothing, 0 }

func (st *Staged) completed(m moment) (Body, error) {
	done := *st
	done.GateOpen = st.gateOpen(m.state, m.on)
	return Body{Staged: &done}, nil
}

func (st *Staged) sent() Body {
	bare := *st
	bare.GateOpen = false
	return Body{Staged: &bare}
}
