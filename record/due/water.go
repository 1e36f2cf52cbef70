package due

import (
	"tendermend/core/day"
	"tendermend/core/water"
	"tendermend/core/working"
	"tendermend/record"
)

// WaterWindow gives the next look window for water; false when none is kept: it was
// never watered here, or nobody knows when its rule gives water again.
func WaterWindow(s record.State, south bool) (water.Window, bool) {
	return water.NextLook(s.Habit, s.WateredOn, s.StillMoist, s.LastLook(), south, s.WaterLines(south))
}

func waterTask(s record.State, south bool) (Task, bool) {
	w, ok := WaterWindow(s, south)
	if !ok || s.Batch != nil && !s.Batch.Watered() {
		return Task{}, false
	}
	if on, waters := s.WatersOn(); waters && on <= w.Until {
		return Task{}, false // its plan asks for it
	}
	why := "Its own record says it dries about now."
	if w.Guess {
		why = "A guess from its habit; its own gaps are not known yet."
	}
	lines := s.WaterLines(south)
	said := func(on day.Day) string {
		line := lines(on)
		if !line.Days {
			return "No water now: " + line.Why + ". Look only."
		}
		return why + " Its rule: " + line.Words + " (" + line.Why + ")."
	}
	t := Task{
		Kind:    Water,
		From:    w.From,
		Until:   w.Until,
		What:    "Feel whether it is dry enough to water",
		How:     lines(w.From).Rule.How(),
		Why:     said(w.From),
		Minutes: 1,
		Weight:  2,
	}
	last := t.Why
	for on := w.From + 1; on <= w.From+turnsFor; on++ {
		if now := said(on); now != last {
			t.Turns, last = append(t.Turns, LaterWhy{on, now}), now
		}
	}
	return t, true
}

// turnsFor is for how many days a look for water that nobody made is told by the rule
// of the day.
const turnsFor = 200

// asleepTask asks of a plant that gets no water now whether it wakes, or how long
// the roots are that its water waits for.
func asleepTask(s record.State, south bool) (Task, bool) {
	last := s.LastLook()
	line := s.WaterLine(last+water.AsleepDays, south)
	if line.Days || line.LookDays == 0 {
		return Task{}, false
	}
	if r, read := s.Readings.Last(line.Asks); read {
		last = max(last, r.On)
	}
	t := Task{
		Kind: Asleep, From: last + day.Day(line.LookDays), Until: last + day.Day(2*line.LookDays), Minutes: 2,
		Weight: 2, Measure: line.Asks, What: "See whether it wakes: firm, any new shoot?",
		Why: working.Capital(line.Why) + ".",
	}
	if line.Asks == water.RootsMeasure {
		t.What = "New roots: how long?"
	}
	return t, true
}
