package exposure

import (
	"cmp"
	"slices"
	"time"

	"github.com/google/uuid"

	"tendermend/core/day"
)

// Stood is a time in which a plant stood in one place.
type Stood struct {
	Plant uuid.UUID
	Place uuid.UUID
	Tray  string // empty where nobody said
	Apart bool   // kept apart there
	From  day.Day
	Until *day.Day // nil while it lasts
}

// Standing gives the contacts of plants with others by where they stood, up to a day.
// Crowd is how many plants stand in each place. In one tray is nearer than in one
// place; a plant that is kept apart shares only the air with those that are not.
func Standing(of, others []Stood, on day.Day, crowd map[uuid.UUID]int) []Contact {
	at := map[uuid.UUID][]Stood{}
	for _, s := range others {
		at[s.Place] = append(at[s.Place], s)
	}
	var list []Contact
	for _, one := range of {
		for _, other := range at[one.Place] {
			from, until := max(one.From, other.From), min(end(one, on), end(other, on))
			if other.Plant == one.Plant || from >= until {
				continue
			}
			c := Contact{From: one.Plant, To: other.Plant, Tie: OnePlace, Since: from, Until: until}
			switch {
			case one.Apart != other.Apart:
				c.Tie = Apart
			case one.Tray != "" && one.Tray == other.Tray:
				c.Tie = Tray
			default:
				c.Near = Near(crowd[one.Place])
			}
			list = append(list, c)
		}
	}
	return eachOnce(list)
}

// end is the day on which a stay ended, or the day that is asked about.
func end(s Stood, on day.Day) day.Day {
	if s.Until == nil || *s.Until > on {
		return on
	}
	return *s.Until
}

// eachOnce keeps each contact once, where both of its plants were asked for.
func eachOnce(list []Contact) []Contact {
	type key struct {
		a, b  uuid.UUID
		tie   Tie
		since day.Day
	}
	seen := map[key]bool{}
	return slices.DeleteFunc(list, func(c Contact) bool {
		k := key{c.From, c.To, c.Tie, c.Since}
		if byID(c.From, c.To) > 0 {
			k.a, k.b = k.b, k.a
		}
		was := seen[k]
		seen[k] = true
		return was
	})
}

// Worked is a day on which somebody had a plant in hands.
type Worked struct {
	Plant   uuid.UUID
	On      day.Day
	By      string
	At      time.Time // when it was recorded
	Blade   bool      // it was cut
	Cleaned bool      // a clean blade was made ready for it
}

// sitting is for how long hands that had one plant carry to the next (common practice).
const sitting = 3 * time.Hour

// Working gives the contacts of plants with those that the same hands had after them in
// one sitting, and that one blade cut after them without being cleaned; and, where it is asked
// for, with those that were had and cut before them.
func Working(of map[uuid.UUID]bool, all []Worked, before bool) []Contact {
	type had struct {
		*Worked
		asked bool
	}
	order := make([]had, len(all))
	for i := range all {
		order[i] = had{&all[i], of[all[i].Plant]}
	}
	slices.SortFunc(order, func(x, y had) int {
		return cmp.Or(cmp.Compare(x.On, y.On), cmp.Compare(x.By, y.By), x.At.Compare(y.At), byID(x.Plant, y.Plant))
	})
	var list []Contact
	for i, one := range order {
		if !one.asked {
			continue
		}
		for j := i - 1; before && j >= 0 && inOneSitting(order[j].Worked, one.Worked); j-- {
			if !order[j].asked { // else it is told from there
				list = passed(list, order[j].Worked, one.Worked)
			}
		}
		for j := i + 1; j < len(order) && inOneSitting(one.Worked, order[j].Worked); j++ {
			list = passed(list, one.Worked, order[j].Worked)
		}
	}
	return list
}

// inOneSitting says whether the same hands had two plants one after the other in one sitting.
func inOneSitting(first, next *Worked) bool {
	return next.On == first.On && next.By == first.By && next.At.Sub(first.At) <= sitting
}

// passed adds the contacts by which hands, and a blade, went from one plant to the next.
func passed(list []Contact, first, next *Worked) []Contact {
	c := Contact{From: first.Plant, To: next.Plant, Tie: Session, Since: first.On, Until: first.On}
	list = append(list, c)
	if first.Blade && next.Blade && !first.Cleaned && !next.Cleaned {
		c.Tie = Blade
		list = append(list, c)
	}
	return list
}
