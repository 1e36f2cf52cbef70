package compose

import (
	"tendermend/core/cause"
	"tendermend/core/treatment"
)

// Why nothing is divided.
const (
	fallsApart = "its kind is not divided: it would fall into pieces that do not live"
	onePoint   = "it has a single growing point: there is nothing to divide"
)

// undividable says why it cannot be divided, whatever asks for it; empty where it can.
func (c *composer) undividable() string {
	switch {
	case c.piece:
		return "it is itself a piece"
	case !c.mayPart():
		return fallsApart
	case c.oneTopped():
		return onePoint
	case !c.divisible(do(treatment.PartIt, organ(treatment.OnRhizome))):
		return "it has too few growths for two parts"
	}
	return ""
}

// oneTopped says whether it is a palm, a cycad or an air plant with one growing point.
func (c *composer) oneTopped() bool {
	return c.is(treatment.Palm, treatment.Cycad, treatment.AirPlant) && !c.branches
}

// sleepsStill is why what has no leaves or roots is not divided.
const sleepsStill = "it sleeps: it is divided when it wakes"

// sleepsOn says whether it sleeps, and this is not the last month of its rest: its parts would rot before they root.
func (c *composer) sleepsOn() bool {
	now := c.month(0)
	return c.asleep() && c.kind.RestsIn(now) && c.kind.RestsIn(now%12+1)
}

// dividedIf leaves a division out of the work on its roots where there is nothing to divide: fresh mix and
// a wider pot give it room.
func (c *composer) dividedIf(r rootWork) rootWork {
	if !r.part || c.any(treatment.Rots()) || c.has(cause.Detached) {
		return r // what is cut from rot falls into parts by itself
	}
	why := c.undividable()
	if why == "" && c.sleepsOn() && !c.gated {
		why = sleepsStill
	}
	if why != "" {
		c.leave(string(treatment.PartIt), why+"; fresh mix and room are given all the same")
		r.part = false
	}
	return r
}
