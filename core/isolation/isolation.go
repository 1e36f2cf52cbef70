// Package isolation says why a plant is kept apart, by which ways its trouble
// travels, what that means for tray, tools and order of work, and when it may go
// back among the others.
package isolation

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/pest"
	"tendermend/core/plant"
)

// meaning says what each way means for the work at the shelf (common practice).
var meaning = map[cause.Way]string{
	cause.ByContact: "It crawls or clings: a tray of its own, no leaf that touches another, hands washed, tended last.",
	cause.ByAir:     "Its spores go by air: leaves kept dry, air moving, dead leaves into a bag at once.",
	cause.BySoil:    "It sits in the medium: old medium into a closed bag, pot and tools washed.",
	cause.ByTools:   "It goes with sap: a blade of its own, or flamed before the next plant.",
	cause.ByVector:  "It flies or is carried: yellow cards beside it, another room where there is one.",
	cause.ByWater:   "It goes with water: its runoff is thrown away, never back into a can or onto another plant.",
}

// WaysOf gives the ways by which causes travel, each once; none where they stay
// where they are.
func WaysOf(ids ...string) []cause.Way {
	var ways []cause.Way
	for _, id := range ids {
		one, _ := cause.ByID(cause.ID(id))
		ways = append(ways, one.Spreads...)
	}
	slices.Sort(ways)
	return slices.Compact(ways)
}

// flies is what going by air means of an animal (common practice).
const flies = "It flies or drifts: yellow cards beside it, no draught from it to the others, dead leaves into a bag."

// Travel is a way by which something travels, and whether that is an animal.
type Travel struct {
	Way  cause.Way
	Pest bool
}

// TravelOf gives how a cause travels.
func TravelOf(id string) (list []Travel) {
	one, _ := cause.ByID(cause.ID(id))
	for _, w := range one.Spreads {
		list = append(list, Travel{w, one.Kind == "pest"})
	}
	return list
}

// Means says what ways of travel mean for tray, tools and order of work, each once.
func Means(ways []Travel) []string {
	said := []string{}
	for _, w := range ways {
		words := meaning[w.Way]
		if w.Pest && w.Way == cause.ByAir {
			words = flies
		}
		if !slices.Contains(said, words) {
			said = append(said, words)
		}
	}
	slices.Sort(said)
	return said
}

// ForGood says whether a plant with a cause is kept apart for good: nothing cures
// it (common practice).
func ForGood(id string) bool { return cause.ID(id) == cause.Virus }

// SisterDays is for how long plants that came with one that has what nothing cures
// are watched (common practice).
const SisterDays = 90

// LeastChance is from which chance on something that travels is a reason to keep a
// plant apart while nobody has decided on it (common practice).
const LeastChance = 0.15

// Limits of a newcomer's quarantine, in days (common practice).
const (
	leastDays   = 14
	suspectDays = 21
	mostDays    = 42
	firstLook   = 3
	// LeastLooks is how many clean pest looks end a quarantine.
	LeastLooks = 2
	// LooksApart is how many days lie between looks that count.
	LooksApart = 5
)

// Quarantine is how long a newcomer is kept apart, with the days of its looks.
type Quarantine struct {
	From  day.Day   `json:"from"`
	Until day.Day   `json:"until" doc:"The first day on which it may be released."`
	Looks []day.Day `json:"looks" doc:"Days of its pest looks."`
	Why   string    `json:"why"`
}

// QuarantineOf works out a newcomer's quarantine from the day it came: two weeks,
// three after a suspect source, or as long as the eggs of its kind's pests take to
// grow up in a usual room, half of that for mealybugs and scales; six weeks at
// most (common practice).
func QuarantineOf(came day.Day, suspect bool, kind plant.Profile) Quarantine {
	days, why := leastDays, "Two weeks at least."
	if suspect {
		days, why = suspectDays, "Three weeks: where it came from is suspect."
	}
	for _, l := range kind.Pests {
		p, known := pest.ByCause(l.Pest)
		if !known || cause.ID(l.Pest) == cause.FungusGnat { // they fly wherever the medium is wet
			continue
		}
		clock, runs := p.Run(came, pest.UsualRoom())
		if !runs {
			continue
		}
		grown := clock.Generation.Value
		if slow(cause.ID(l.Pest)) {
			grown /= 2
		}
		if n := int(math.Ceil(grown)); n > days {
			days = n
			why = fmt.Sprintf("As long as %s take from egg to adult in a usual room, six weeks at most.", name(l.Pest))
		}
	}
	days = min(days, mostDays)
	end := came + day.Day(days)
	return Quarantine{
		From: came, Until: end, Why: why,
		Looks: []day.Day{came + firstLook, came + day.Day(days/2), end},
	}
}

// slow pests sit where they are and are seen before they are grown.
func slow(id cause.ID) bool {
	return slices.Contains([]cause.ID{cause.Mealybug, cause.RootMealybug, cause.ArmouredScale, cause.SoftScale}, id)
}

func name(id string) string {
	one, _ := cause.ByID(cause.ID(id))
	return strings.ToLower(one.Label)
}
