package recovery

import (
	"math"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/working"
)

// Basis is what a plant's condition is read against.
type Basis struct {
	Habit plant.Habit
	// Leaves is how many it came with; 0 where nobody counted.
	Leaves int
	// LiveShares are the shares of live roots at tallies, 0-1, oldest first.
	LiveShares []Reading
}

// ScorePart is one part of a plant's condition.
type ScorePart struct {
	Name   string  `json:"name"`
	Value  float64 `json:"value" doc:"0-100."`
	Weight float64 `json:"weight" doc:"Its share of the whole, among the parts that are known."`
	Why    string  `json:"why"`
}

// Wellbeing is a plant's condition, 0-100, with its parts: for trends, never alone.
type Wellbeing struct {
	Value   float64         `json:"value"`
	Parts   []ScorePart     `json:"parts"`
	Unknown []string        `json:"unknown" doc:"Parts that nobody has read lately."`
	Working working.Working `json:"working"`
}

// Weights of the parts, and how long a reading counts (common practice).
var partWeights = map[string]float64{"roots": 35, "leaves": 20, "growth": 20, "reserves": 15, "free of pests": 10}

const readingCounts = 90 // days

// WellbeingOn gives a plant's condition on a day from its readings up to it; false
// when no part can be told.
func WellbeingOn(h History, b Basis, today day.Day) (Wellbeing, bool) {
	s := Wellbeing{Parts: []ScorePart{}, Unknown: []string{}}
	var weight float64
	add := func(name string, value float64, why string, known bool) {
		if !known {
			s.Unknown = append(s.Unknown, name)
			return
		}
		s.Parts = append(
			s.Parts,
			ScorePart{Name: name, Value: math.Round(min(100, max(0, value))), Weight: partWeights[name], Why: why},
		)
		weight += partWeights[name]
	}
	value, why, known := rootsPart(h, b, today)
	add("roots", value, why, known)
	value, why, known = leavesPart(h, b, today)
	add("leaves", value, why, known)
	value, why, known = growthPart(h, b, today)
	add("growth", value, why, known)
	if r, ok := fresh(h, "plump", today); ok {
		add("reserves", (r.Value-1)*25, "plumpness "+inWords("plump", r.Value)+" of 5", true)
	} else {
		add("reserves", 0, "", false)
	}
	if r, ok := fresh(h, LivePests, today); ok {
		add(
			"free of pests",
			100*(1-r.Value),
			map[bool]string{true: "pests were found", false: "none were found"}[r.Value > 0],
			true,
		)
	} else {
		add("free of pests", 0, "", false)
	}
	if weight == 0 {
		return s, false
	}
	for i := range s.Parts {
		s.Value += s.Parts[i].Value * s.Parts[i].Weight / weight
		s.Parts[i].Weight = round2(s.Parts[i].Weight / weight)
		s.Working.Inputs = append(
			s.Working.Inputs,
			working.Input{Name: s.Parts[i].Name + ", × " + inWords("", s.Parts[i].Weight), Value: s.Parts[i].Value},
		)
	}
	s.Value = math.Round(s.Value)
	s.Working.Formula, s.Working.Source = "weighted mean of the parts that were read in the last 90 days",
		working.CommonPractice
	s.Working.Sure = "for its trend only; never a reason by itself"
	return s, true
}

// fresh gives the last reading up to a day that still counts.
func fresh(h History, measure string, today day.Day) (Reading, bool) {
	list := h.until(measure, today)
	if len(list) == 0 || today-list[len(list)-1].On > readingCounts {
		return Reading{}, false
	}
	return list[len(list)-1], true
}

// fullTips and fullRoot are the live tips and the length, mm, at which roots
// count as whole where nobody tallied them (common practice).
const (
	fullTips = 6.0
	fullRoot = 100.0
)

func rootsPart(h History, b Basis, today day.Day) (float64, string, bool) {
	var share *Reading
	for i := range b.LiveShares {
		if r := b.LiveShares[i]; r.On <= today && today-r.On <= readingCounts {
			share = &b.LiveShares[i]
		}
	}
	tips, counted := fresh(h, "live-tips", today)
	length, measured := fresh(h, "longest-root", today)
	rot, looked := fresh(h, "rot", today)
	var sum, n float64
	why := ""
	put := func(v float64, words string) {
		sum, n = sum+min(v, 100), n+1
		if why != "" {
			why += ", "
		}
		why += words
	}
	if counted {
		put(100*tips.Value/fullTips, inWords("live-tips", tips.Value)+" live tips")
	}
	if measured {
		put(100*length.Value/fullRoot, "longest root "+inWords("longest-root", length.Value))
	}
	// A tally that is older than what has grown since tells of then.
	if share != nil && (!counted || tips.On <= share.On) {
		put(100*share.Value, inWords("", math.Round(100*share.Value))+" % of its roots alive")
	}
	if n == 0 {
		return 0, "", false
	}
	value := sum / n
	if looked && rot.Value > 0 {
		value, why = value/2, why+", rot found"
	}
	return value, why, true
}

func leavesPart(h History, b Basis, today day.Day) (float64, string, bool) {
	wilt, looked := fresh(h, "wilt", today)
	made, gone := 0.0, 0.0
	for _, r := range h.until("new-leaves", today) {
		made += r.Value
	}
	for _, r := range h.until("leaves-lost", today) {
		gone += r.Value
	}
	if !looked && made+gone == 0 {
		return 0, "", false
	}
	value, why := 100.0, "no wilt"
	if b.Leaves > 0 {
		now := max(0, float64(b.Leaves)+made-gone)
		value = 100 * now / float64(b.Leaves)
		why = inWords("", now) + " leaves, it came with " + inWords("", float64(b.Leaves))
	}
	value = min(value, 100)
	if yellow, ok := fresh(h, "yellow", today); ok && yellow.Value > 0 {
		value, why = value*0.8, why+", yellowing"
	}
	if looked && wilt.Value > 0 {
		value, why = value*0.6, why+", wilted"
	}
	return value, why, true
}

func growthPart(h History, b Basis, today day.Day) (float64, string, bool) {
	var first, last *day.Day
	for _, measure := range []string{"new-leaves", "new-growth"} {
		for _, r := range h.until(measure, today) {
			on := r.On
			if first == nil || on < *first {
				first = &on
			}
			if r.Value > 0 && (last == nil || on > *last) {
				last = &on
			}
		}
	}
	if first == nil {
		return 0, "", false
	}
	usual := float64(b.Habit.GrowthDays[1])
	if last == nil {
		return 0, "no new leaf or growth yet", true
	}
	days := float64(today - *last)
	// Whole within the usual time, nothing left after three times as long.
	value := 100 * min(1, max(0, (3*usual-days)/(2*usual)))
	return value, "last new leaf or growth " + inWords("", days) + " days ago", true
}
