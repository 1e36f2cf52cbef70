package recovery

import (
	"fmt"
	"math"

	"tendermend/core/day"
	"tendermend/core/water"
	"tendermend/core/working"
)

// UnderRoots is how far the water of a dish stays below the longest root, mm (common practice).
const UnderRoots = 10

// DishLevel gives the water level of the falling dish, in mm from the bottom of
// the pot: a third of the pot's height at most, a centimetre below the longest root,
// and none once that has come to the bottom. Both lengths are in mm; it is false
// without a root or a pot depth.
func DishLevel(longestRoot, potDepth float64) (working.Amount, bool) {
	if potDepth <= 0 || longestRoot <= 0 {
		return working.Amount{}, false
	}
	return working.Amount{
		What:  "level of the dish",
		Value: math.Floor(max(0, min(potDepth/3, potDepth-longestRoot-UnderRoots))),
		Unit:  "mm",
		Working: working.Working{
			Inputs: []working.Input{
				{Name: "longest root", Value: longestRoot, Unit: "mm"},
				{Name: "pot's height", Value: potDepth, Unit: "mm"},
			},
			Formula: "a third of the pot's height, and at most the height − longest root − 10 mm; " +
				"none once the root is down there",
			Source: working.CommonPractice, Sure: "fair: roots do not hang straight",
		},
	}, true
}

// WeaningStep is one step of opening a cover.
type WeaningStep struct {
	What string  `json:"what"`
	From day.Day `json:"from"`
	// Done is true where it was borne and the next step has come.
	Done bool `json:"done"`
	Now  bool `json:"now"`
}

// weaningSteps open the cover wider every few days (common practice).
var weaningSteps = []string{"a finger's width open", "a quarter open", "half open", "off by day, on at night", "off"}

// weaningDays is how long each step is tried (common practice: 2-4 days).
const weaningDays = 3

// Weaning gives the timetable of opening the cover in a stage that weans. It
// follows how the plant bears it: a wilt closes the cover by one step, and the
// days of that step begin anew.
func Weaning(h History, began, today day.Day) []WeaningStep {
	at, since := 0, began
	wilts := h.since("wilt", began)
	for d := began; d <= today; d++ {
		for _, r := range wilts {
			if r.On == d && r.Value > 0 {
				at, since = max(0, at-1), d
			}
		}
		if d-since >= weaningDays && at < len(weaningSteps)-1 {
			at, since = at+1, d
		}
	}
	steps := make([]WeaningStep, len(weaningSteps))
	for i, what := range weaningSteps {
		steps[i] = WeaningStep{What: what, From: since + day.Day((i-at)*weaningDays), Done: i < at, Now: i == at}
		if i < at {
			steps[i].From = max(began, steps[i].From)
		}
	}
	return steps
}

// DryDown says whether a pot dries faster than it did: roots at work.
type DryDown struct {
	Before  float64         `json:"before" doc:"Median days between waterings, earlier."`
	Now     float64         `json:"now" doc:"The same, of late."`
	Faster  bool            `json:"faster"`
	Working working.Working `json:"working"`
}

const (
	dryGaps   = 4    // gaps compared on each side
	fasterBy  = 0.85 // of the earlier gap
	gapsAtAll = 5
)

// DryingOf compares the last gaps between waterings with those before; false
// with fewer than five gaps. A plant that drinks more is growing roots, even
// where nothing shows above (common practice). Warmth and light shorten the gaps
// as well, so that it is a hint and no proof.
func DryingOf(watered []day.Day) (DryDown, bool) {
	gaps := water.Gaps(watered)
	if len(gaps) < gapsAtAll {
		return DryDown{}, false
	}
	cut := max(len(gaps)-dryGaps, len(gaps)/2)
	early := gaps[max(0, cut-2*dryGaps):cut]
	d := DryDown{Before: medianOf(early), Now: medianOf(gaps[cut:])}
	d.Faster = d.Now <= fasterBy*d.Before
	d.Working = working.Working{
		Inputs: []working.Input{
			{Name: "median gap before", Value: d.Before, Unit: "days"},
			{Name: "median gap of late", Value: d.Now, Unit: "days"},
			{Name: "gaps", Value: float64(len(gaps))},
		},
		Formula: fmt.Sprintf("gaps of late ≤ %g × the gaps before: it dries faster", fasterBy),
		Source:  working.CommonPractice,
		Sure:    "a hint: warmth and light shorten gaps too",
	}
	return d, true
}
