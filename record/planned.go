package record

import (
	"fmt"
	"slices"
	"strings"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/core/working"
)

// Planned is the plan as composed on that day.
type Planned struct {
	Answers sheet.Answers `json:"answers"`
	// Keeps is true where a plan is made anew in the middle of the same work: the
	// steps that were done stay done.
	Keeps bool `json:"keeps,omitempty"`
	// Instead is the plan whose place it takes, so that an old page wipes nobody's ticks.
	Instead *uuid.UUID `json:"instead,omitempty" doc:"The plan whose place it takes; missing for the first of its case."`
	// Plan is composed when it is recorded.
	Plan *sheet.Plan `json:"plan,omitempty"`
}

// KindPlanned stands in stored records: it is never renamed or used for another.
const KindPlanned Kind = "planned"

// Kind names it.
func (*Planned) Kind() Kind { return KindPlanned }

// ForPlan reads the state for the case that a plan is made for: the one named, or
// the one in hand. Faults say what keeps a plan from being made.
func ForPlan(p Planned, s State, of *uuid.UUID) (State, error) {
	at := &situation{entry: Entry{Case: of, Body: Body{Planned: &p}}, folded: &s}
	faults := append(at.checkCase(), p.check(at)...)
	if len(faults) > 0 {
		return s, faults
	}
	return at.caseState(), nil
}

func (p *Planned) check(s *situation) (faults Faults) {
	a := p.Answers
	if v := s.caseState().Verdict; (v == nil || len(v.Causes) == 0) && a.Wish == "" {
		faults = append(
			faults,
			Fault{
				Field:    "planned",
				Message:  "accept at least one cause, or say what you wish to do, before a plan is made",
				Conflict: true,
			},
		)
	}
	between(&faults, "planned.answers.rootBallCm", a.RootBallCM, 0.5, 200, "cm")
	between(&faults, "planned.answers.potWidthCm", a.PotWidthCM, 1, 200, "cm")
	between(&faults, "planned.answers.warmthC", a.WarmthC, -10, 45, "°C")
	between(&faults, "planned.answers.humidityPct", a.HumidityPct, 5, 100, "%")
	countBetween(&faults, "planned.answers.liveRoots", a.LiveRoots, 0, 500)
	countBetween(&faults, "planned.answers.liveTips", a.LiveTips, 0, 500)
	countBetween(&faults, "planned.answers.lookDays", a.LookDays, 1, 60)
	countBetween(&faults, "planned.answers.deadRoots", a.DeadRoots, 0, 500)
	countBetween(&faults, "planned.answers.offsetsSeen", a.OffsetsSeen, 0, 100)
	countBetween(&faults, "planned.answers.growths", a.Growths, 0, 500)
	countBetween(&faults, "planned.answers.ownedDays", a.OwnedDays, 0, 40000)
	if s.ledger != nil && s.entry.RecordedAt.IsZero() { // a preview replaces nothing
		faults = append(faults, p.stale(s.caseState().Case)...)
	}
	for i, e := range a.Edits {
		between(&faults, fmt.Sprintf("planned.answers.edits[%d].potWidthCm", i), e.PotWidthCM, 1, 200, "cm")
		if e.Day != nil {
			countBetween(&faults, fmt.Sprintf("planned.answers.edits[%d].day", i), e.Day, 0, 400)
		}
	}
	return faults
}

// stale says whether the case has another plan than the one whose place this one
// takes: it was made on a page that is not of today any more.
func (p *Planned) stale(c Case) Faults {
	if c.Plan == nil || p.Instead != nil && *p.Instead == c.PlanEntry {
		return nil
	}
	const said = "a plan was made on %s since you opened this page; look at it, and make it again from there"
	return Faults{{Field: "planned.instead", Message: fmt.Sprintf(said, c.PlannedOn.Words()), Conflict: true}}
}

// kept gives what is done already of a plan that is made anew in the middle of
// the same work. In plans of sittings it is what was done on the very day of the
// step: what was done on another day is state, and the plan was made from it.
func (s State) kept(steps []sheet.Step) map[string]Tick {
	kept := map[string]Tick{}
	if s.Plan == nil {
		return kept
	}
	taken := map[string]bool{}
	for _, step := range steps {
		if step.Op == "" {
			if tick, done := s.Ticks[step.ID]; done {
				kept[step.ID] = tick
			}
			continue
		}
		for _, before := range s.Plan.Steps {
			tick, done := s.Ticks[before.ID]
			if done && !taken[before.ID] && before.Op == step.Op && tick.On == step.On {
				kept[step.ID], taken[before.ID] = tick, true
				break
			}
		}
	}
	return kept
}

func (p *Planned) apply(s *State, e Entry) {
	if p.Plan == nil || s.Closed != nil {
		return
	}
	kept, before := map[string]Tick{}, map[string]day.Day{}
	if p.Keeps {
		kept, before = s.kept(p.Plan.Steps), s.CarriedOut()
	}
	s.Before = before
	s.Plan, s.PlannedOn, s.PlanAnswers, s.Ticks = p.Plan, e.On, p.Answers, kept
	s.PlanEntry, s.watered = e.ID, len(s.WateredOn)
	p.Answers.Tell(&s.Known, e.On)
	if p.Answers.PotWidthCM != nil {
		s.Pot.WidthCM = p.Answers.PotWidthCM
	}
	s.followPlan(e.On)
}

func (*Planned) event(State) (string, bool) { return "plan made", true }

func (*Planned) taken() taken { return whileHere }

func (*Planned) effort() (Effort, int) { return ForNothing, 0 }

func (p *Planned) completed(m moment) (Body, error) {
	made, err := sheet.Of(m.state.Situation(p.Answers, p.Keeps, m.on, m.around), p.Answers)
	if err != nil {
		return Body{}, err
	}
	if len(made.Gone) > 0 {
		var faults Faults
		for _, g := range made.Gone {
			const said = "this plan has no such step “%s”; take this change back, or look at the plan as it is now"
			field := fmt.Sprintf("planned.answers.edits[%d].step", g.Edit)
			faults = append(faults, Fault{Field: field, Message: fmt.Sprintf(said, g.Title)})
		}
		return Body{}, faults
	}
	for _, b := range made.Breaches {
		if strings.TrimSpace(b.Reason) != "" {
			continue
		}
		rule, _ := treatment.RuleByID(b.Rule)
		const said = "this plan would %s (%s): %s; say of this change why you do it all the same"
		of := slices.IndexFunc(p.Answers.Edits, func(e sheet.Edit) bool { return e.Step == b.Edit })
		return Body{}, Faults{{
			Field:   fmt.Sprintf("planned.answers.edits[%d].reason", max(of, 0)),
			Message: fmt.Sprintf(said, rule.Never, b.Rule, b.Why),
		}}
	}
	done := *p
	done.Plan = &made.Sheet
	return Body{Planned: &done}, nil
}

func (p *Planned) sent() Body {
	bare := *p
	bare.Plan = nil
	return Body{Planned: &bare}
}

// oldLook is from how many days on a look is too old to plan from: roots and leaves
// are not any more as they were (common practice).
const oldLook = 30

func (p *Planned) concerns(_ *situation, m moment) []Concern {
	s := m.state
	if s.Examined == nil || p.Keeps || m.on-s.Examined.On <= oldLook {
		return nil
	}
	const said = "Its last look is %s old: what was true then may not be now. Look it over first."
	return []Concern{{LookOld, fmt.Sprintf(said, working.Count(int(m.on-s.Examined.On), "day"))}}
}
