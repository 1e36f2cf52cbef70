// Package care works out what a plant that is well is given: its routine, each job
// with its reason, its last time and its next.
package care

import "slices"

// Job is one kind of ordinary care. Ids stand in stored records: never rename or
// reuse one.
type Job string

// The jobs.
const (
	PestLook   Job = "pest-look"
	Feed       Job = "feed"
	Flush      Job = "flush"
	LeafWash   Job = "leaf-wash"
	Turn       Job = "turn"
	Pinch      Job = "pinch"
	Stake      Job = "stake"
	RepotCheck Job = "repot-check"
	Uncover    Job = "uncover"
	LightBack  Job = "light-back"

	// What the season and a move ask for.
	Rest      Job = "rest"
	FeedLess  Job = "feed-less"
	Brighter  Job = "brighter"
	Shade     Job = "shade"
	PutOut    Job = "put-out"
	BringIn   Job = "bring-in"
	LightStep Job = "light-step"
)

// Words say a job.
type Words struct {
	ID      Job    `json:"id"`
	Title   string `json:"title"`
	How     string `json:"how"`
	Done    string `json:"done" doc:"What it is called where it is answered in one tap."`
	Minutes int    `json:"minutes"`
	Measure string `json:"measure,omitempty" doc:"The measure that a look for it reads; missing for other jobs."`
}

// jobs in the order in which they are done at the plant: look, clean, feed, turn
// (common practice).
var jobs = [...]Words{
	{
		PestLook, "Look for pests",
		"Undersides, joints, newest growth and pot rim, with a lens; tap a leaf over white paper.",
		"no pests", 2, "live-pests",
	},
	{
		LeafWash, "Wash the leaves",
		"In the morning, both sides, with lukewarm water; dry by evening.",
		"leaves washed", 3, "",
	},
	{
		Flush, "Flush the medium",
		"Wet it first; then three times the pot's volume through, and let it drain.",
		"flushed", 4, "",
	},
	{
		Feed, "Feed it",
		"Into moist medium, never into dry.",
		"fed", 1, "",
	},
	{
		Pinch, "Pinch it",
		"Take the tip above a leaf, so that it branches.",
		"pinched", 2, "",
	},
	{
		Stake, "Look at its ties",
		"Loosen what cuts in, tie what has grown on.",
		"ties looked at", 2, "",
	},
	{
		Turn, "Turn it",
		"A quarter turn, always the same way.",
		"turned", 1, "",
	},
	{
		RepotCheck, "Does it want a new pot?",
		"Roots out of the holes, the ball lifting, medium gone fine or sour?",
		"pot looked at", 2, "",
	},
	{
		Uncover, "Take its cover off by steps",
		"A little wider every two or three days, over 12 days. If it wilts, go one step back.",
		"its cover is off", 2, "",
	},
	{
		LightBack, "Give it back a step of its light",
		"Nearer to its best light by a third; the next step a week later. If leaves pale or curl, go one step back.",
		"a step brighter", 2, "",
	},
	{
		Rest, "Let it rest",
		"Water by the rule of its rest, and feed nothing.",
		"it may rest", 1, "",
	},
	{
		FeedLess, "Feed it less",
		"Weaker and less often while the days are short.",
		"fed less from now on", 1, "",
	},
	{
		Brighter, "Stand it brighter for the dark months",
		"Nearer to the pane, at a brighter window, or under a lamp.",
		"stands brighter", 3, "",
	},
	{
		Shade, "Shade it for the bright months",
		"A thin curtain, or a step back from the pane.",
		"shaded", 3, "",
	},
	{
		PutOut, "Put it out",
		"In the shade and out of the wind for the first week.",
		"stands out", 3, "",
	},
	{
		BringIn, "Bring it in",
		"Before the cold nights; look for pests at the door.",
		"brought in", 3, "",
	},
	{
		LightStep, "Raise its light by a step",
		"By half at a time, over a week or two.",
		"raised by a step", 2, "",
	},
}

// Moves says whether a job is answered by saying where the plant stands now, not by a tick.
func (j Job) Moves() bool { return j == PutOut || j == BringIn }

// Jobs lists all jobs in the order in which they are done at the plant.
func Jobs() []Words { return slices.Clone(jobs[:]) }

// ByID finds a job; false when there is none of that id.
func ByID(id Job) (Words, bool) {
	i := order(id)
	if i < 0 {
		return Words{}, false
	}
	return jobs[i], true
}

func order(id Job) int { return slices.IndexFunc(jobs[:], func(w Words) bool { return w.ID == id }) }
