package due

import (
	"fmt"
	"slices"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/core/working"
	"tendermend/record"
)

// restingTasks asks of a plant with no case in work: to be looked at for the first
// time, to be decided on, or to be cared for as usual.
func restingTasks(s record.State, add func(Task), south bool) {
	switch s.Standing() {
	case "arrived":
		add(Task{
			Kind: Examine, From: s.ArrivedOn, Until: s.ArrivedOn + 1, What: "Look it over from the outside in",
			Why: "It came and nobody has examined it yet.", Minutes: 5, Weight: 4,
		})
	case "examined":
		add(decideTask(s))
	default:
		add(routineTask(s, south))
	}
}

// routineTask is the next look at a plant that is well, with the jobs of its
// routine: they join the look on which they are due.
func routineTask(s record.State, south bool) Task {
	last, between := s.LastLook(), s.Habit.LookDays
	from, every := last+day.Day(between), working.Every(between, "day")
	why := fmt.Sprintf("%s is looked at %s.", working.Capital(working.A(s.Habit.Label)), every)
	if line := s.WaterLine(from, south); line.Rest {
		why = fmt.Sprintf("%s. Water: %s. A look %s.", working.Capital(line.Why), line.Words, every)
	}
	t := Task{
		Kind: Look, From: from, Until: last + day.Day(2*between), What: "Look it over", Why: why,
		Minutes: 1, Weight: 1, Jobs: Routine(s, south),
	}
	for _, job := range t.Jobs {
		if job.Job == care.PestLook && job.On < from { // who saw that it stands well has not looked for pests
			t.From, t.Until, t.What, t.Why = job.On, max(job.On, last)+day.Day(between), job.Title, job.Why
			t.How = lookForPests()
		}
	}
	return t
}

// apartTasks asks for the looks of a newcomer's quarantine, and whether a plant
// that is kept apart may go back.
func apartTasks(s record.State, add func(Task)) {
	if s.Isolation == record.Clean {
		exposedTasks(s, add)
		sisterTask(s, add)
		return
	}
	if q := s.Quarantine(); q != nil {
		for i, on := range q.Looks {
			if last, read := s.Readings.Last(recovery.LivePests); read && last.On >= on {
				continue
			}
			const why = "Quarantine, look %d of %d. %s It ends on %s."
			add(Task{
				Kind: Pests, From: on, Until: on + 2, What: "Look for pests", Minutes: 2, Weight: 4,
				Measure: recovery.LivePests,
				Why:     fmt.Sprintf(why, i+1, len(q.Looks), q.Why, q.Until.Words()),
			})
			break
		}
		if a := s.Apart(q.Until); a.Release.Open {
			add(releaseTask(s, q.Until))
		}
		return
	}
	if exposedTasks(s, add) {
		return
	}
	if a := s.Apart(s.LastLook()); a != nil && a.Release.Open {
		add(releaseTask(s, s.LastLook()))
	}
}

func releaseTask(s record.State, on day.Day) Task {
	return Task{
		Kind: Release, From: on, Until: on + 7, What: "Back among the others?",
		Why: "All that keeps it apart is over.", Minutes: 1, Weight: 2,
	}
}

// sisterTask asks to keep apart what came with a plant that may have what travels.
func sisterTask(s record.State, add func(Task)) {
	a := s.Apart(s.LastLook())
	if a == nil || len(s.Sisters) == 0 {
		return
	}
	for _, r := range slices.Backward(a.Reasons) {
		add(Task{
			Kind: Apart, From: r.Since, Until: r.Since + 1, What: "Keep it apart from the others", Why: r.What,
			Minutes: 3, Weight: mostWeight,
		})
		return
	}
}
