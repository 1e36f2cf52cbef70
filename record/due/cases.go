package record

import (
	"fmt"
	"maps"
	"strings"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
)

// watchDays is when a plant set aside to be watched is looked at again (common
// practice: 5-7 days).
const watchDays = 5

func urgentDays(causes []string) day.Day {
	least := 7
	for _, id := range causes {
		if c, ok := diagnosis.CauseByID(id); ok {
			least = min(least, c.DaysToAct)
		}
	}
	return day.Day(least)
}

// caseTasks asks for what the case in hand wants next.
func (s State) caseTasks(add func(Task)) {
	c := s.Case
	mine := func(t Task) {
		t.Case = c.ID
		add(t)
	}
	if s.Plan == nil && s.undecided() {
		mine(s.decideTask())
		return
	}
	switch c.standing() {
	case "opened":
		mine(Task{
			Kind: TaskExamine, From: c.OpenedOn, Until: c.OpenedOn + 1, What: "Look it over from the outside in",
			Why: "A case was opened: " + lower(strings.TrimSuffix(c.Why, ".")) + ".", Minutes: 5, Weight: 4,
		})
	case "diagnosed":
		mine(Task{
			Kind: TaskPlan, From: c.Verdict.On, Until: c.Verdict.On + urgentDays(c.Verdict.Causes),
			What: "Make the plan", Why: "What ails it is accepted; there is no plan yet.", Minutes: 3, Weight: mostWeight,
		})
	case "watched":
		mine(Task{
			Kind: TaskExamine, From: c.Verdict.On + watchDays, Until: c.Verdict.On + watchDays + 2,
			What: "Look again, same signs, same light", Why: "It was set aside to see what changes.",
			Minutes: 5, Weight: 3,
		})
	case "mending":
		s.mendingTasks(mine, s.LastLook())
	}
}

func (s State) decideTask() Task {
	return Task{
		Kind: TaskDecide, From: s.Examined.On, Until: s.Examined.On + 1, What: "Decide what to do",
		Why: "It was examined; nothing has been decided.", Minutes: 3, Weight: 4,
	}
}

func (s State) mendingTasks(add func(Task), last day.Day) {
	called := s.calledFor()
	_, _, bad := s.Bad()
	for _, step := range s.Plan.Steps {
		on, due := s.NextOn(step)
		if !due || bad && treatment.OperatorID(step.Op) == treatment.Release {
			continue
		}
		why := "A step of the plan."
		if len(step.Reasons) > 0 {
			why = "For: " + step.Reasons[0] + "."
		}
		if step.Gate != "" {
			why = "What it waited for was seen: " + step.Gate + "."
		}
		if call, is := called[step.ID]; is {
			on, why = min(on, call.on), call.why
		}
		what := step.Title
		if _, begun := s.Ticks[step.ID]; begun && step.Every > 0 {
			what = treatment.TitleAgain(treatment.OperatorID(step.Op))
		}
		add(Task{
			Kind: TaskStep, From: on, Until: on + 2, What: what, Why: why,
			Minutes: step.Minutes, Step: step.ID, Gate: step.Gate, Weight: 4,
		})
	}
	for _, c := range s.Courses {
		s.courseTasks(c, add, last)
	}
}

// call is a reading that makes a step due at once.
type call struct {
	on  day.Day
	why string
}

// calledFor gives the steps of the plan in hand that answer what sounds: they are
// due on the day of the reading. A treatment that is repeated keeps its pest's clock.
func (s State) calledFor() map[string]call {
	calls := map[string]call{}
	for _, signal := range recovery.Signals() {
		on, said, found := s.sounds(signal)
		if !found || !s.Case.fits(signal) || s.harmless(signal.ID, on) || s.didAnswer(signal.ID, on) || on < s.PlannedOn {
			continue
		}
		step, pending := s.stepFor(signal.ID)
		if !pending || step.Pest != nil && step.Pest.Nth > 0 {
			continue
		}
		if known, is := calls[step.ID]; !is || on < known.on {
			calls[step.ID] = call{on, said + " This step answers it."}
		}
	}
	return calls
}

// leftBehind says whether a step belonged to a stage that was left: it stood to be
// done before the stage began in which the leading track is now. Steps that wait to
// be seen, steps against pests and what lets it out of isolation are never left.
func (s State) leftBehind(step sheet.Step, due day.Day) bool {
	if _, begun := s.Ticks[step.ID]; begun && step.Every > 0 && seenEnd(step.Lasts) {
		return false // it goes on until what ends it is seen
	}
	if step.Gate != "" || step.Pest != nil || treatment.OperatorID(step.Op) == treatment.Release || len(s.Courses) == 0 {
		return false
	}
	lead := s.Courses[0]
	return lead.Stage > 0 && s.PlannedOn < lead.Began && due < lead.Began
}

// NextOn gives the day on which a step is due next; false when it is done, or
// was left out. A step with an interval comes back until its end.
func (s State) NextOn(step sheet.Step) (day.Day, bool) {
	first := s.DueOn(step.ID)
	tick, ticked := s.Ticks[step.ID]
	if on, done := s.doneUnticked(step, first); done && (!ticked || tick.On < on) {
		tick, ticked = Tick{On: on}, true
	}
	switch {
	case !ticked:
		return first, !s.leftBehind(step, first) && !s.waits(step)
	case step.Every == 0:
		return 0, false
	}
	next := tick.On + day.Day(step.Every)
	if end, known := step.EndsOn(s.PlannedOn); known && next > end || s.leftBehind(step, first) || s.over(step) {
		return 0, false
	}
	return next, true
}

// Done gives the steps of the plan in hand that were done or skipped, with their ticks:
// those that were done by what was recorded too.
func (s State) Done() map[string]Tick {
	done := maps.Clone(s.Ticks)
	if done == nil {
		done = map[string]Tick{}
	}
	if s.Plan == nil {
		return done
	}
	for _, step := range s.Plan.Steps {
		if _, ticked := done[step.ID]; ticked || step.Every > 0 || step.Gate != "" {
			continue
		}
		if on, is := s.doneUnticked(step, s.DueOn(step.ID)); is {
			done[step.ID] = Tick{On: on}
		}
	}
	return done
}

// doneUnticked says whether a step was done since it fell due without a tick of its
// own: who looks at the plant has looked again, who waters it has watered it, and who
// takes its picture or counts has recorded how it is.
func (s State) doneUnticked(step sheet.Step, due day.Day) (on day.Day, done bool) {
	switch treatment.OperatorID(step.Op) {
	case treatment.Look:
		on = s.LastLook()
	case treatment.Baseline:
		if on, done := s.lastRecorded(); done && on >= due {
			return on, true
		}
		return 0, false
	case treatment.ByRule:
		if n := len(s.WateredOn); n > 0 {
			on = s.WateredOn[n-1]
		}
	default:
		return 0, false
	}
	return on, on >= due && on > s.PlannedOn
}

// courseTasks asks for what one track wants next.
func (s State) courseTasks(c Course, add func(Task), last day.Day) {
	track, stage, in := c.In()
	if !in {
		return
	}
	// Conditions rest on readings, not on days gone by, so the gate stands as it
	// did at the last look.
	if back, found := track.FindSetback(c.Stage, s.Readings, c.Began, last); found {
		add(
			Task{
				Kind:    TaskBack,
				From:    back.On,
				Until:   back.On + 1,
				What:    "Step back?",
				Why:     capital(back.Why) + ".",
				Minutes: 3,
				Weight:  5,
			},
		)
	} else if s.Gate(c, last).Open {
		add(
			Task{
				Kind:    TaskPass,
				From:    last,
				Until:   last + 7,
				What:    "Pass to the next stage",
				Why:     "Everything its gate wants has been seen.",
				Minutes: 2,
				Weight:  2,
			},
		)
	}
	checked := c.Began
	for _, m := range stage.Asks() {
		if r, ok := s.Readings.Last(m.ID); ok && (!m.Always || len(s.Courses) == 1) {
			checked = max(checked, r.On)
		}
	}
	add(
		Task{
			Kind:    TaskCheck,
			From:    checked + day.Day(stage.LookDays),
			Until:   checked + day.Day(2*stage.LookDays),
			What:    "Check in: " + stage.Name,
			Why:     fmt.Sprintf("%s It is looked at every %s.", stage.Purpose, days(stage.LookDays)),
			Minutes: 2,
			Weight:  3,
		},
	)
}
