// Package exposure says which plants may have caught what another has, by how and for
// how long they had to do with each other; and where a plant may have it from.
package exposure

import (
	"slices"

	"github.com/google/uuid"

	"tendermend/core/cause"
	"tendermend/core/day"
)

// Source is where the chances come from.
const Source = "guesses by growers' practice (from memory), to be put right by what looks find"

// Tie is how two plants have to do with each other.
type Tie string

// The ties. Those of standing count by the day, the others once each time.
const (
	Touching Tie = "touching"  // leaf to leaf
	Tray     Tie = "tray"      // in one tray, or in one saucer
	Beside   Tie = "beside"    // within 30 cm of each other
	OnePlace Tie = "place"     // in one place, whoever stood beside whom
	Apart    Tie = "room"      // in one place, one of them kept apart there
	Session  Tie = "session"   // worked on after the other, by the same hands
	Blade    Tie = "blade"     // cut after the other, with a blade that was not cleaned
	Kin      Tie = "kin"       // one is a piece of the other
	Came     Tie = "came-with" // came on one day from one source
)

// Mode is the way that matters most of those by which a cause travels.
type Mode int

// The modes, in the order of the table's columns.
const (
	Crawls Mode = iota
	Flies
	WithWater
	WithSap
)

// hazards are the chances that a cause crosses, each day or each time, by mode; see
// Source.
var hazards = map[Tie][4]float64{
	Touching: {.030, .040, .004, .006},
	Tray:     {.012, .025, .040, .004},
	Beside:   {.006, .025, .001, .0005},
	Apart:    {.0008, .010, .0002, 0},
	Session:  {.015, .003, .004, .003},
	Blade:    {.030, 0, .010, .25},
	Kin:      {.60, .40, .50, .95},
	Came:     {.30, .25, .25, .30},
}

// once are the ties that count once each time, however long ago.
var once = []Tie{Session, Blade, Kin, Came}

// atOnce is how many plants stand within 30 cm of one in a place, about (common practice).
const atOnce = 4

// Near gives the chance that two plants of a place stand within 30 cm of each other,
// from how many stand there: each has about four beside it.
func Near(plants int) float64 {
	if plants <= atOnce+1 {
		return 1
	}
	return atOnce / float64(plants-1)
}

// ModeOf gives how a cause travels most; false where it stays where it is.
func ModeOf(id cause.ID) (Mode, bool) {
	one, known := cause.ByID(id)
	if !known || len(one.Spreads) == 0 {
		return 0, false
	}
	return modes[one.Spreads[0]], true
}

var modes = map[cause.Way]Mode{
	cause.ByContact: Crawls, cause.ByAir: Flies, cause.ByVector: WithSap, cause.ByTools: WithSap,
	cause.ByWater: WithWater, cause.BySoil: WithWater,
}

// Contact is a tie of two plants over a time. Ties of one after the other go From the
// first To the second; all others go both ways.
type Contact struct {
	From  uuid.UUID `json:"from"`
	To    uuid.UUID `json:"to"`
	Tie   Tie       `json:"tie" enum:"touching,tray,beside,place,room,session,blade,kin,came-with"`
	Since day.Day   `json:"since"`
	// Until is the day on which it ended, or the day that is asked about; for what
	// happened once, its day.
	Until day.Day `json:"until"`
	// Near is the chance that they stood within 30 cm, 0-1, of a tie of place.
	Near float64 `json:"near,omitempty"`
}

// oneWay says whether a tie goes from the first plant to the second alone.
func (t Tie) oneWay() bool { return t == Session || t == Blade }

// carrier is how a cause is carried from plant to plant.
type carrier struct {
	mode         Mode
	travels, sap bool
}

func carriedBy(id cause.ID) carrier {
	mode, travels := ModeOf(id)
	return carrier{mode, travels, inSap(id)}
}

// hazard is the chance that it crosses a contact on one day, or at one time.
func (how carrier) hazard(c *Contact) float64 {
	switch {
	case !how.travels:
		return 0
	case c.Tie == OnePlace:
		return c.Near*hazards[Beside][how.mode] + (1-c.Near)*hazards[Apart][how.mode]
	case c.Tie == Blade && how.sap:
		return hazards[Blade][WithSap]
	}
	return hazards[c.Tie][how.mode]
}

// inSap says whether a blade carries a cause from cut to cut: a disease that goes with
// tools does, whatever other way it has. An animal only clings to the blade.
func inSap(id cause.ID) bool {
	one, _ := cause.ByID(id)
	return one.Kind == "disease" && slices.Contains(one.Spreads, cause.ByTools)
}

// times is how often the hazard counts: the days of standing together from a day on,
// or once.
func (c *Contact) times(from, on day.Day) int {
	if slices.Contains(once, c.Tie) {
		if max(c.Since, from) <= min(c.Until, on) {
			return 1
		}
		return 0
	}
	return max(0, int(min(c.Until, on)-max(c.Since, from)))
}
