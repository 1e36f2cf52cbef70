package care

import (
	"math"
	"time"

	"tendermend/core/working"
)

// How minutes are learned from how long answers took (our own judgement, no source).
const (
	// longestGap ends a walk: whoever comes back later did something else in between.
	longestGap = 10 * time.Minute
	// priorMinutes of work at the usual pace stand against what was measured, so that a
	// few quick answers move little.
	priorMinutes = 30.0
	// slowest and fastest are the bounds of a pace: beyond them it is the measuring that is wrong.
	fastest, slowest = 0.25, 2.0
	// OfAnswers is how many of the last answers a pace is learned from.
	OfAnswers = 300
)

// Answer is one thing that a carer recorded while walking: when, and how many minutes such
// a thing is usually reckoned at; 0 where that is not known.
type Answer struct {
	At      time.Time
	Minutes int
	// Apart is true of what says nothing of the pace: several plants at once, or what was
	// done on another day.
	Apart bool
}

// Pace is how fast a carer works, against the minutes at which jobs are reckoned.
type Pace struct {
	Answers int     // that were measured
	Spent   float64 // minutes that they took
	Usual   float64 // minutes at which they are reckoned
}

// PaceOf learns a pace from answers, the newest first. The time of an answer is the gap to
// the one before it; gaps of more than ten minutes are no work.
func PaceOf(answers []Answer) (p Pace) {
	for i, a := range answers {
		if i+1 == len(answers) {
			break
		}
		gap := a.At.Sub(answers[i+1].At)
		if a.Apart || a.Minutes <= 0 || gap <= 0 || gap > longestGap {
			continue
		}
		p.Answers++
		p.Spent += gap.Minutes()
		p.Usual += float64(a.Minutes)
	}
	return p
}

// Ratio is by how much the usual minutes are multiplied: 1 where nothing was measured.
func (p Pace) Ratio() float64 {
	return min(slowest, max(fastest, (p.Spent+priorMinutes)/(p.Usual+priorMinutes)))
}

// Minutes turns usual minutes into those of this carer, at least 1 where there is work.
func (p Pace) Minutes(usual int) int {
	if usual <= 0 {
		return 0
	}
	return max(1, int(math.Round(float64(usual)*p.Ratio())))
}

// Working says how minutes came about.
func (p Pace) Working(usual int) working.Working {
	sure := "the usual minutes; they follow how long your answers take"
	if p.Answers > 0 {
		sure = "measured over " + working.Count(p.Answers, "answer") + " of yours; it moves with each walk"
	}
	return working.Working{
		Inputs: []working.Input{
			{Name: "usual minutes", Value: float64(usual)},
			{Name: "your answers took", Value: p.Spent, Unit: "min"},
			{Name: "they are reckoned at", Value: p.Usual, Unit: "min"},
			{Name: "your pace", Value: p.Ratio()},
		},
		Formula: "usual minutes × (minutes taken + 30) / (minutes reckoned + 30), from 0.25 to 2 times",
		Source:  working.CommonPractice + " for the usual minutes; the pace is your own",
		Sure:    sure,
	}
}
