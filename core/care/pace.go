package care

import (
	"math"
	"time"

	"github.com/google/uuid"

	"tendermend/core/working"
)

// How minutes are learned from how long answers took (our own judgement, no source).
const (
	// longestGap ends a walk: whoever comes back later did something else in between.
	longestGap = 10 * time.Minute
	// oneAct is within which answers were given at once: no two plants are looked at so fast.
	oneAct = 3 * time.Second
	// priorMinutes of work at the usual pace stand against what was measured, so that a
	// few quick answers move little.
	priorMinutes = 30.0
	// slowest and fastest are the bounds of a pace: beyond them it is the measuring that is wrong.
	fastest, slowest = 0.25, 2.0
	// OfAnswers is how many of the last answers a pace is learned from.
	OfAnswers = 300
)

// Answer is one thing that a carer recorded while walking: when and of which plant, and how
// many minutes such a thing is usually reckoned at; 0 where that is not known.
type Answer struct {
	At      time.Time
	Plant   uuid.UUID
	Minutes int
	Late    bool // written down on another day than it was done: it says nothing of the pace
}

// Pace is how fast a carer works, against the minutes at which jobs are reckoned.
type Pace struct {
	Answers int     // that were measured
	Spent   float64 // minutes that they took
	Usual   float64 // minutes at which they are reckoned
}

// PaceOf learns a pace from answers, the newest first. Answers within three seconds of each
// other are one act: its time is the gap to the act before it. An act of several plants
// says nothing, nor does one after a gap of more than ten minutes, which is no work.
func PaceOf(answers []Answer) (p Pace) {
	acts := actsOf(answers)
	for i, a := range acts {
		if i+1 == len(acts) {
			break
		}
		gap := a[len(a)-1].At.Sub(acts[i+1][0].At)
		usual := 0
		for _, one := range a {
			if one.Late || one.Plant != a[0].Plant {
				usual = 0
				break
			}
			usual += one.Minutes
		}
		if usual > 0 && gap <= longestGap {
			p.Answers++
			p.Spent += gap.Minutes()
			p.Usual += float64(usual)
		}
	}
	return p
}

// actsOf parts answers into acts, the newest first.
func actsOf(answers []Answer) (acts [][]Answer) {
	for i, a := range answers {
		if i > 0 && answers[i-1].At.Sub(a.At) < oneAct {
			acts[len(acts)-1] = append(acts[len(acts)-1], a)
			continue
		}
		acts = append(acts, []Answer{a})
	}
	return acts
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
