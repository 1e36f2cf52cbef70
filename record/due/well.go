package record

import (
	"fmt"
	"slices"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/core/working"
)

// restingTasks asks of a plant with no case in work: to be looked at for the first
// time, to be decided on, or to be cared for as usual.
func (s State) restingTasks(add func(Task), south bool) {
	switch s.Standing() {
	case "arrived":
		add(Task{
			Kind: TaskExamine, From: s.ArrivedOn, Until: s.ArrivedOn + 1, What: "Look it over from the outside in",
			Why: "It came and nobody has examined it yet.", Minutes: 5, Weight: 4,
		})
	case "examined":
		add(s.decideTask())
	default:
		add(s.routineTask(south))
	}
}

// routineTask is the next look at a plant that is well, with the jobs of its
// routine: they join the look on which they are due.
func (s State) routineTask(south bool) Task {
	last, every := s.LastLook(), s.Habit.LookDays
	from := last + day.Day(every)
	why := fmt.Sprintf("%s is looked at every %s.", capital(working.A(s.Habit.Label)), days(every))
	if line := s.WaterLine(from, south); line.Rest {
		why = fmt.Sprintf("%s. Water: %s. A look every %s.", capital(line.Why), line.Words, days(every))
	}
	t := Task{
		Kind: TaskLook, From: from, Until: last + day.Day(2*every), What: "Look it over", Why: why,
		Minutes: 1, Weight: 1, Jobs: s.Routine(south),
	}
	for _, job := range t.Jobs {
		if job.Job == care.PestLook && job.On < from { // who saw that it stands well has not looked for pests
			t.From, t.Until, t.What, t.Why = job.On, max(job.On, last)+day.Day(every), job.Title, job.Why
		}
	}
	return t
}

// apartTasks asks for the looks of a newcomer's quarantine, and whether a plant
// that is kept apart may go back.
func (s State) apartTasks(add func(Task)) {
	if s.Isolation == Clean {
		s.sisterTask(add)
		return
	}
	if q := s.quarantine(); q != nil {
		for i, on := range q.Looks {
			if last, read := s.Readings.Last(recovery.LivePests); read && last.On >= on {
				continue
			}
			const why = "Quarantine, look %d of %d. %s It ends on %s."
			add(Task{
				Kind: TaskPests, From: on, Until: on + 2, What: "Look for pests", Minutes: 2, Weight: 4,
				Measure: recovery.LivePests,
				Why:     fmt.Sprintf(why, i+1, len(q.Looks), q.Why, q.Until.Words()),
			})
			break
		}
		if a := s.Apart(q.Until); a.Release.Open {
			add(s.releaseTask(q.Until))
		}
		return
	}
	if a := s.Apart(s.LastLook()); a != nil && a.Release.Open {
		add(s.releaseTask(s.LastLook()))
	}
}

func (s State) releaseTask(on day.Day) Task {
	return Task{
		Kind: TaskRelease, From: on, Until: on + 7, What: "Back among the others?",
		Why: "All that keeps it apart is over.", Minutes: 1, Weight: 2,
	}
}

// sisterTask asks to keep apart what came with a plant that may have what travels.
func (s State) sisterTask(add func(Task)) {
	a := s.Apart(s.LastLook())
	if a == nil || len(s.Sisters) == 0 {
		return
	}
	for _, r := range slices.Backward(a.Reasons) {
		add(Task{
			Kind: TaskApart, From: r.Since, Until: r.Since + 1, What: "Keep it apart from the others", Why: r.What,
			Minutes: 3, Weight: mostWeight,
		})
		return
	}
}
