package due

import (
	"fmt"
	"strings"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/treatment"
	"tendermend/core/working"
	"tendermend/record"
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
func caseTasks(s record.State, add func(Task)) {
	c := s.Case
	mine := func(t Task) {
		t.Case = c.ID
		add(t)
	}
	if s.Plan == nil && s.Undecided() {
		mine(decideTask(s))
		return
	}
	switch s.CaseStanding() {
	case "opened":
		mine(Task{
			Kind: Examine, From: c.OpenedOn, Until: c.OpenedOn + 1, What: "Look it over from the outside in",
			Why: "A case was opened: " + working.Lower(strings.TrimSuffix(c.Why, ".")) + ".", Minutes: 5, Weight: 4,
		})
	case "diagnosed":
		mine(Task{
			Kind: Plan, From: c.Verdict.On, Until: c.Verdict.On + urgentDays(c.Verdict.Causes),
			What: "Make the plan", Why: "What ails it is accepted; there is no plan yet.", Minutes: 3, Weight: mostWeight,
		})
	case "watched":
		mine(Task{
			Kind: Examine, From: c.Verdict.On + watchDays, Until: c.Verdict.On + watchDays + 2,
			What: "Look again, same signs, same light", Why: "It was set aside to see what changes.",
			Minutes: 5, Weight: 3,
		})
	case "mending", "wished":
		mendingTasks(s, mine, s.LastLook())
	}
}

func decideTask(s record.State) Task {
	return Task{
		Kind: Decide, From: s.Examined.On, Until: s.Examined.On + 1, What: "Decide what to do",
		Why: "It was examined; nothing has been decided.", Minutes: 3, Weight: 4,
	}
}

func mendingTasks(s record.State, add func(Task), last day.Day) {
	called := s.CalledFor()
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
			on, why = min(on, call.On), call.Why
		}
		what, how := step.Title, step.How
		if _, begun := s.Ticks[step.ID]; begun && step.Every > 0 {
			what = treatment.TitleAgain(treatment.OperatorID(step.Op))
			if what != step.Title { // it stands already: how it was set up is told no more
				how = "Until " + step.Until + "."
			}
		}
		if s.Stopped(step, on) {
			continue
		}
		add(Task{
			Kind: Step, From: on, Until: on + 2, What: what, How: how, Why: why,
			Minutes: step.Minutes, Step: step.ID, Gate: step.Gate, Weight: 4,
		})
	}
	lateTask(s, add)
	for _, c := range s.Courses {
		courseTasks(s, c, add, last)
	}
}

// lateAgain is after how many days what is late is asked for once more (common practice).
const lateAgain = 7

// lateTask asks for what a step of the plan waits for in vain, and says what is done where it does not come. An alarm
// comes before it.
func lateTask(s record.State, add func(Task)) {
	step, late, found := s.FirstLate()
	if !found || len(s.Alarms()) > 0 {
		return
	}
	t := Task{
		Kind: Late, From: max(late.By, s.LastLook()+lateAgain), Minutes: 5, Weight: 4, Step: step.ID, Gate: step.Gate,
		What: "Is it so by now: " + late.Awaited + "?", How: working.Capital(late.Then),
		Why: fmt.Sprintf("“%s” waits for it, and it was to be seen by %s.", step.Title, late.By.Words()),
	}
	t.Until = t.From + lateAgain
	if late.Last != nil {
		t.Turns = []Turned{{From: *late.Last, What: t.What, How: working.Capital(late.AtLast), Why: t.Why}}
	}
	add(t)
}

// courseTasks asks for what one track wants next.
func courseTasks(s record.State, c record.Course, add func(Task), last day.Day) {
	track, stage, in := c.In()
	if !in {
		return
	}
	// Conditions rest on readings, not on days gone by, so the gate stands as it
	// did at the last look.
	if back, found := track.FindSetback(c.Stage, s.Readings, c.Began, last); found {
		add(
			Task{
				Kind:    Back,
				From:    back.On,
				Until:   back.On + 1,
				What:    "Step back?",
				Why:     working.Capital(back.Why) + ".",
				Minutes: 3,
				Weight:  5,
			},
		)
	} else if s.Gate(c, last).Open {
		add(
			Task{
				Kind:    Pass,
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
			Kind:    Check,
			From:    checked + day.Day(stage.LookDays),
			Until:   checked + day.Day(2*stage.LookDays),
			What:    "Check in: " + stage.Name,
			Why:     fmt.Sprintf("%s It is looked at %s.", stage.Purpose, working.Every(stage.LookDays, "day")),
			Minutes: 2,
			Weight:  3,
		},
	)
}
