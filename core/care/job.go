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
}

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
