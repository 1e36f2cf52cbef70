package recovery

import (
	"fmt"
	"strings"

	"tendermend/core/day"
	"tendermend/core/working"
)

// Status says how a condition of a gate stands.
type Status string

// The ways a condition can stand.
const (
	Met     Status = "met"
	Missing Status = "missing" // measured, and not there yet
	Unknown Status = "unknown" // nobody has looked
)

// Standing is one condition of a gate as it stands today.
type Standing struct {
	Wanted   string   `json:"wanted" doc:"The condition in words."`
	Status   Status   `json:"status" enum:"met,missing,unknown"`
	Found    string   `json:"found" doc:"What was found, in words."`
	Since    *day.Day `json:"since,omitempty" doc:"The day of the reading it rests on."`
	Measures []string `json:"measures" doc:"What to read to settle it."`
}

// notLooked is how a condition stands before anybody has looked.
func notLooked(words, measure string) Standing {
	return Standing{Wanted: words, Status: Unknown, Found: "not looked", Measures: []string{measure}}
}

// Condition is one thing that must be seen before a stage is passed.
type Condition interface {
	// Judge says how the condition stands, given the readings, the day the stage
	// began and today.
	Judge(h History, began, today day.Day) Standing
	// Reads names the measures that settle it.
	Reads() []string
}

// AtLeast wants the last reading of a measure to reach a value.
type AtLeast struct {
	Measure string
	Value   float64
	Words   string
}

// Reads names the measure.
func (c AtLeast) Reads() []string { return []string{c.Measure} }

// Judge compares the last reading of the stage with the wanted value. What was read
// before is where it began, and opens nothing.
func (c AtLeast) Judge(h History, began, today day.Day) Standing {
	s := notLooked(c.Words, c.Measure)
	seen := h.counting(c.Measure, began, today)
	if len(seen) == 0 {
		if before := h.until(c.Measure, min(began, today)); len(before) > 0 {
			last := before[len(before)-1]
			s.Found = fmt.Sprintf("%s when this stage began; read it again", inWords(c.Measure, last.Value))
		}
		return s
	}
	last := seen[len(seen)-1]
	s.Since = &last.On
	s.Found = inWords(c.Measure, last.Value)
	s.Status = Missing
	if last.Value >= c.Value {
		s.Status = Met
	}
	return s
}

func inWords(measure string, v float64) string {
	switch measureByID[measure].Kind {
	case YesNo:
		if v == 1 {
			return "yes"
		}
		return "not yet"
	case Length:
		return fmt.Sprintf("%g mm", v)
	case Percent:
		return fmt.Sprintf("%g %%", v)
	default:
		return fmt.Sprintf("%g", v)
	}
}

// Yes wants the last answer to be yes, given in this stage.
type Yes struct{ Measure, Words string }

// Reads names the measure.
func (c Yes) Reads() []string { return []string{c.Measure} }

// Judge looks at the last answer since the stage began.
func (c Yes) Judge(h History, began, today day.Day) Standing {
	s := notLooked(c.Words, c.Measure)
	for _, r := range h.counting(c.Measure, began, today) {
		on := r.On
		s.Since, s.Found, s.Status = &on, inWords(c.Measure, r.Value), Missing
		if r.Value == 1 {
			s.Status = Met
		}
	}
	return s
}

// PotDepthKey is where a history keeps how deep the plant's pot is, mm.
const PotDepthKey = "pot-depth"

// Down wants roots at the pot's bottom. It is judged by what was seen there; how
// long it may take follows from the longest root and the pot's depth.
type Down struct{ Yes }

// Quiet wants a run of days, from looks at both ends, in which none of the
// measures was answered yes (or rose above zero). The run starts at the last
// alarm, or at the stage's first look.
type Quiet struct {
	Measures []string
	Days     int
	Words    string
}

// Reads names the measures.
func (c Quiet) Reads() []string { return c.Measures }

// Judge finds the longest run up to the last look. Every measure must have been
// looked at on both sides of the run; the weakest one decides.
func (c Quiet) Judge(h History, began, today day.Day) Standing {
	s := Standing{Wanted: c.Words, Status: Met, Measures: c.Measures}
	shortest := -1
	var alarm *day.Day
	for _, m := range c.Measures {
		readings := h.until(m, today)
		var first, last *day.Day
		for i := range readings {
			r := readings[i]
			if r.On < began {
				continue
			}
			if r.Value > 0 {
				first, last, alarm = nil, nil, &readings[i].On
				continue
			}
			if first == nil {
				first = &readings[i].On
			}
			last = &readings[i].On
		}
		run := 0
		if first != nil {
			run = int(*last - *first)
			s.Since = last
		} else if len(h.since(m, began)) == 0 {
			s.Status, s.Found = Unknown, measureByID[m].Short+" not looked for yet"
			return s
		}
		if shortest < 0 || run < shortest {
			shortest = run
		}
	}
	s.Found = working.Of(max(shortest, 0), c.Days, "day")
	if shortest >= c.Days {
		s.Found = "quiet for " + working.Count(shortest, "day")
		return s
	}
	s.Status = Missing
	if alarm != nil {
		s.Found += ", last trouble on " + alarm.Words()
	}
	return s
}

// Sum wants readings of a measure taken in this stage to add up to a value:
// leaves opened since it began.
type Sum struct {
	Measure string
	Value   float64
	Words   string
}

// Reads names the measure.
func (c Sum) Reads() []string { return []string{c.Measure} }

// Judge adds up the readings since the stage began.
func (c Sum) Judge(h History, began, today day.Day) Standing {
	s := notLooked(c.Words, c.Measure)
	var sum float64
	for _, r := range h.counting(c.Measure, began, today) {
		on := r.On
		sum += r.Value
		s.Since, s.Status = &on, Missing
	}
	if s.Status == Unknown {
		return s
	}
	s.Found = fmt.Sprintf("%g of %g", sum, c.Value)
	if sum >= c.Value {
		s.Status = Met
	}
	return s
}

// CleanLooks wants a number of looks in a row without a find, each some days
// after the one before.
type CleanLooks struct {
	Measure string
	Looks   int
	Apart   int // days
	Words   string
}

// Reads names the measure.
func (c CleanLooks) Reads() []string { return []string{c.Measure} }

// Judge counts the clean looks since the last find.
func (c CleanLooks) Judge(h History, began, today day.Day) Standing {
	s := notLooked(c.Words, c.Measure)
	clean := 0
	var counted day.Day
	for _, r := range h.within(c.Measure, began, today) {
		on := r.On
		s.Since, s.Status = &on, Missing
		switch {
		case r.Value > 0:
			clean = 0
		case clean == 0 || int(r.On-counted) >= c.Apart:
			clean, counted = clean+1, r.On
		}
	}
	if s.Status == Unknown {
		return s
	}
	s.Found = working.Of(clean, c.Looks, "clean look")
	if clean >= c.Looks {
		s.Status = Met
	}
	return s
}

// Any wants at least one of its conditions.
type Any []Condition

// Reads names the measures of all.
func (c Any) Reads() (all []string) {
	for _, one := range c {
		all = append(all, one.Reads()...)
	}
	return all
}

// Judge is met with the first that is; otherwise it is missing if any was
// looked at.
func (c Any) Judge(h History, began, today day.Day) Standing {
	var wanted, found []string
	s := Standing{Status: Unknown, Measures: c.Reads()}
	for _, one := range c {
		x := one.Judge(h, began, today)
		wanted = append(wanted, x.Wanted)
		if x.Status == Unknown {
			continue
		}
		found = append(found, fmt.Sprintf("%s: %s", measureByID[one.Reads()[0]].Short, x.Found))
		if s.Status != Met {
			s.Status, s.Since = x.Status, x.Since
		}
	}
	s.Wanted = strings.Join(wanted, ", or ")
	s.Found = "not looked"
	if len(found) > 0 {
		s.Found = strings.Join(found, "; ")
	}
	return s
}

// No wants the last answer since the stage began to be no.
type No struct{ Measure, Words string }

// Reads names the measure.
func (c No) Reads() []string { return []string{c.Measure} }

// Judge looks at the last answer since the stage began.
func (c No) Judge(h History, began, today day.Day) Standing {
	s := notLooked(c.Words, c.Measure)
	for _, r := range h.within(c.Measure, began, today) {
		on := r.On
		s.Since, s.Status, s.Found = &on, Missing, "still so"
		if r.Value == 0 {
			s.Status, s.Found = Met, "yes"
		}
	}
	return s
}

// Held wants a run of yes answers that spans some days, with looks at both ends:
// out of the chamber for 14 days.
type Held struct {
	Measure string
	Days    int
	Words   string
}

// Reads names the measure.
func (c Held) Reads() []string { return []string{c.Measure} }

// Judge measures the run of yes answers up to the last look of the stage.
func (c Held) Judge(h History, began, today day.Day) Standing {
	s := notLooked(c.Words, c.Measure)
	var first *day.Day
	run := 0
	for _, r := range h.within(c.Measure, began, today) {
		on := r.On
		s.Since, s.Status = &on, Missing
		if r.Value != 1 {
			first, run = nil, 0
			continue
		}
		if first == nil {
			first = &on
		}
		run = int(on - *first)
	}
	if s.Status == Unknown {
		return s
	}
	s.Found = working.Of(run, c.Days, "day")
	if first == nil {
		s.Found = "not yet"
	}
	if first != nil && run >= c.Days {
		s.Status, s.Found = Met, "for "+working.Count(run, "day")
	}
	return s
}

// Each wants the last few readings of the stage each to reach a value.
type Each struct {
	Measure string
	Value   float64
	Looks   int
	Words   string
}

// Reads names the measure.
func (c Each) Reads() []string { return []string{c.Measure} }

// Judge holds the last readings since the stage began against the value.
func (c Each) Judge(h History, began, today day.Day) Standing {
	s := notLooked(c.Words, c.Measure)
	reached := 0
	for _, r := range h.counting(c.Measure, began, today) {
		on := r.On
		s.Since, s.Status = &on, Missing
		if r.Value >= c.Value {
			reached++
		} else {
			reached = 0
		}
		s.Found = fmt.Sprintf("%s, %d of %d in a row", inWords(c.Measure, r.Value), min(reached, c.Looks), c.Looks)
	}
	if reached >= c.Looks {
		s.Status = Met
	}
	return s
}

// GenerationKey is where a history keeps how many days one generation of the
// plant's pest takes at the warmth of its place.
const GenerationKey = "generation"

// usualGeneration is taken where the pest's growth or its warmth is not known
// (common practice: a month).
const usualGeneration = 30

// Generation wants looks without a find to span one whole generation of the
// pest, counted from the last find or the first look.
type Generation struct{ Measure, Words string }

// Reads names the measure.
func (c Generation) Reads() []string { return []string{c.Measure} }

// Judge compares the time since the last find with the pest's generation. Looks
// of earlier stages count: the pest knows no stages.
func (c Generation) Judge(h History, began, today day.Day) Standing {
	s := notLooked(c.Words, c.Measure)
	if len(h.since(c.Measure, began)) == 0 {
		return s
	}
	wanted := usualGeneration
	if g, known := h.Last(GenerationKey); known {
		wanted = int(g.Value)
	}
	var from *day.Day
	clean := 0
	for _, r := range h.until(c.Measure, today) {
		on := r.On
		s.Since = &on
		switch {
		case r.Value > 0:
			from, clean = &on, 0
		case from == nil:
			from = &on
		default:
			clean = int(on - *from)
		}
	}
	s.Status, s.Found = Missing, working.Of(clean, wanted, "day")
	if clean >= wanted {
		s.Status, s.Found = Met, "clean for "+working.Count(clean, "day")
	}
	return s
}
