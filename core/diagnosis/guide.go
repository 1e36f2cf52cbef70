package diagnosis

import (
	"sort"

	"tendermend/core/climate"
	"tendermend/core/plant"
)

// Ask is a part to look at and the few signs that are worth asking of it first.
type Ask struct {
	Zone  string   `json:"zone"`
	Signs []string `json:"signs" doc:"Most worth its trouble first; empty where none is asked at first."`
	// Quiet are the signs that "looked here: nothing amiss" answers as not there.
	Quiet []string `json:"quiet" doc:"Signs that are not there when nothing amiss is seen on the part."`
}

// Occasion says where a look is taken, which decides what can be asked.
type Occasion string

// The occasions.
const (
	AtHome Occasion = "home" // anything short of unpotting
	AtSale Occasion = "sale" // a strange plant, two minutes, nobody to ask about its past
)

const (
	// An answer takes about four seconds when a part is looked at as a whole
	// (common practice, timed by hand): three minutes at home, two at a sale.
	secondsPerAnswer = 4
	secondsAtHome    = 180
	secondsAtSale    = 120
	mostOfAPart      = 6
)

// Guide gives the order of a first look from the outside in: part by part the
// signs that settle most about any cause for their cost, as many as fit into
// three minutes at home, or two at a sale. Unpotting is never among them.
func (k *Knowledge) Guide(habit plant.Habit, season climate.Season, at Occasion) []Ask {
	c, err := k.Examine(Examination{Habit: habit.ID, Season: season})
	if err != nil {
		return []Ask{}
	}
	type worth struct {
		sign  Sign
		worth float64
	}
	var all []worth
	for s, sign := range c.k.signs {
		if sign.Disturbance == Unpot || !sign.fits.habit(habit.ID) || at == AtSale && !seenAtSale(sign) {
			continue
		}
		all = append(all, worth{sign, c.weigh(s, c.swing(s)).Worth})
	}
	sort.SliceStable(all, func(a, b int) bool { return all[a].worth > all[b].worth })
	left := secondsAtHome / secondsPerAnswer
	if at == AtSale {
		left = secondsAtSale / secondsPerAnswer
	}
	chosen := map[string][]string{}
	for _, w := range all {
		if left > 0 && len(chosen[w.sign.Zone]) < mostOfAPart {
			chosen[w.sign.Zone] = append(chosen[w.sign.Zone], w.sign.ID)
			left--
		}
	}
	asks := make([]Ask, len(zones))
	for i, z := range zones {
		asks[i] = Ask{z.ID, append([]string{}, chosen[z.ID]...), quiet(z, habit, chosen[z.ID], at)}
	}
	return asks
}

// atOnce says whether one look can deny a sign: not what wants a second one, days
// of waiting, an instrument or somebody to ask.
func atOnce(s Sign) bool { return s.Source == FromLook && s.Days == 0 }

// quiet lists what "nothing amiss here" denies: what was asked, and on the plant
// itself whatever plain eyes would have met.
func quiet(z Zone, habit plant.Habit, asked []string, at Occasion) []string {
	denied := []string{}
	for _, s := range Standard().signs {
		if s.Zone != z.ID || s.Good || !atOnce(s) || !s.fits.habit(habit.ID) || at == AtSale && !seenAtSale(s) {
			continue
		}
		was := false
		for _, id := range asked {
			was = was || id == s.ID
		}
		if was || z.Drawn && s.Disturbance == Look {
			denied = append(denied, s.ID)
		}
	}
	return denied
}

// seenAtSale says whether a stranger can see the sign on a plant that is for
// sale: nothing that needs a second look or the plant's past.
func seenAtSale(s Sign) bool {
	switch s.Zone {
	case "care", "place":
		return s.ID == "care.regulator"
	case "course":
		return s.ID == "course.one-side" || s.ID == "course.oldest-only" || s.ID == "course.neighbours"
	}
	return atOnce(s) && s.Disturbance < Unpot && s.ID != "med.wet-long" && s.ID != "leaf.pale-overall"
}

// Minutes says what the looks behind some answers take together, in minutes:
// the signs of one part are seen in one go, so that the longest look counts.
// Unknown ids count nothing.
func Minutes(signIDs []string) int {
	longest := map[string]int{}
	for _, id := range signIDs {
		if s, ok := SignByID(id); ok {
			longest[s.Zone] = max(longest[s.Zone], s.Minutes)
		}
	}
	total := 0
	for _, m := range longest {
		total += m
	}
	return total
}
