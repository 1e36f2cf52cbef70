// Package agenda says how each living thing stands on a day: what it is watered by, how it is looked at, where it
// stands. Each channel is a pure function of what is known of the thing, and none is ever empty: what lives has a line.
package agenda

import (
	"math"
	"slices"

	"tendermend/core/treatment"
)

// Role is what a living thing is of the plant that it was parted from.
type Role string

// The roles of what is parted.
const (
	Top     Role = "top"     // a head or a piece without roots that is the plant from then on
	Cutting Role = "cutting" // a tip, a length of stem or a segment, without roots
	Leaf    Role = "leaf"
	Boxed   Role = "boxed"  // nodes or plantlets on damp moss in a closed box
	Rooted  Role = "rooted" // a keiki, a pup, an offset or a piece with roots of its own
	Part    Role = "part"   // of a plant that was divided
	Own     Role = "own"    // tips set into the pot of their mother
)

// Thing is what a line of water follows from.
type Thing struct {
	Role    Role
	Habit   treatment.HabitID
	Dry     bool    // its habit is dried before and after it is set
	Covered bool    // it stands under a closed cover
	Bare    bool    // it hangs, or sits on a slab
	PotML   float64 // what its pot holds; 0 where nobody knows
}

// Way is how it is given its water.
type Way string

// The ways.
const (
	Pour    Way = "pour"
	Mist    Way = "mist"
	Below   Way = "below"
	Through Way = "through"
	Dip     Way = "dip" // all of it, for half an hour
	Wet     Way = "wet" // its roots
	Tray    Way = "tray"
)

// Line is the water of a thing until it lives by the rule of its kind: what is felt for, how often, what is given then,
// and after how many days it is given at the latest.
type Line struct {
	Sign    string // "the top 2 cm are dry": what is felt or seen
	Way     Way
	ML      float64 // 0 where no amount is poured
	Every   int     // days from one feeling to the next
	Longest int     // days without water at the most; 0 where only the sign tells
	Days    int     // for how long it stands, where nothing that is seen ends it; 0 where that does
}

// leastML is the least that is poured (common practice).
const leastML = 20

// line is one row of the table: for which roles and habits it stands, and what it says. The first that fits counts.
type line struct {
	roles   []Role
	habits  []treatment.HabitID // none for all
	covered bool                // only under a closed cover
	dry     bool                // only of what is dried before it is set
	bare    bool                // only of what hangs or sits on a slab
	says    Line
	part    float64 // of its pot's volume that is poured; 0 for the least
}

// WaterOf gives the line of water of a thing. It is total: the last row stands for all.
func WaterOf(t Thing) Line {
	at := slices.IndexFunc(lines, func(l line) bool {
		return slices.Contains(l.roles, t.Role) && (len(l.habits) == 0 || slices.Contains(l.habits, t.Habit)) &&
			(!l.covered || t.Covered) && (!l.dry || t.Dry) && (!l.bare || t.Bare)
	})
	row := lines[at]
	says := row.says
	if says.ML == 0 && (says.Way == Pour || says.Way == Below) {
		says.ML = max(leastML, math.Floor(row.part*t.PotML/10)*10)
	}
	return says
}
