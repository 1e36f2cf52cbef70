package due

import (
	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/plant"
	"tendermend/core/water"
	"tendermend/core/working"
	"tendermend/record"
)

func waterTask(s record.State, south bool) (Task, bool) {
	w, ok := s.WaterWindow(south)
	if !ok || s.Batch != nil && !s.Batch.Watered() {
		return Task{}, false
	}
	if on, waters := s.WatersOn(); waters && on <= w.Until {
		return Task{}, false // its plan asks for it
	}
	why := "By what was found in it before it is dry about now."
	if w.Guess {
		why = "A guess from its pot and how it grows; nothing was found in it yet."
	}
	lines := s.WaterLines(south)
	asks := func(on day.Day) Turned {
		line := lines(on)
		said := Turned{What: line.Rule.Look(), How: line.Rule.How(), Why: working.Capital(line.Words) + ": " + line.Why + "."}
		_, dries := drying.RuleOf(line.Rule)
		switch level := s.LevelWords(line.Rule); {
		case !line.Days:
			said.Why = "No water now: " + line.Why + "."
		case dries:
			said.Why = why + " Its rule: " + line.Words + " (" + line.Why + ")."
		case level != "":
			said.What += " " + level
		case line.Rule == plant.Dish:
			said.How += " Measure its longest root and how deep its pot is: its level follows from them."
		}
		return said
	}
	// Of a pot that is known badly the best day is the last that is safe: it is looked at
	// sooner, since a look teaches.
	first := w.Best
	if w.Best == w.Until {
		first = w.From + (w.Best-w.From)/2
	}
	last := asks(first)
	t := Task{
		Kind:    Water,
		From:    first,
		Until:   w.Until,
		What:    last.What,
		How:     last.How,
		Why:     last.Why,
		Minutes: 1,
		Weight:  2,
	}
	for on := first + 1; on <= first+turnsFor; on++ {
		if now := asks(on); now != last {
			last = now
			now.From = on
			t.Turns = append(t.Turns, now)
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
