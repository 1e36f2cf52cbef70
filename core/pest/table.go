// Package pest keeps the clock of pests: how fast they grow at the warmth of a
// place, when to treat again, and when a plant counts as clear.
package pest

import (
	"slices"

	"tendermend/core/cause"
)

// Source is where the table's numbers come from.
const Source = "greenhouse entomology handbooks, rounded (from memory); day counts hold within about 20 %"

// Pest is how one kind of pest grows.
type Pest struct {
	Cause     string  `json:"cause" doc:"Id of the cause that it is."`
	Label     string  `json:"label"`
	Threshold float64 `json:"threshold" doc:"°C under which it does not grow."`
	EggK      float64 `json:"eggK" doc:"Degree-days of the egg; 0 where it bears live young."`
	TotalK    float64 `json:"totalK" doc:"Degree-days from egg to adult."`
	Hides     string  `json:"hides" doc:"Where the young hide."`
	// Lasting generations are not treated to their end: fully for the time of two
	// eggs and ten days, at least 28, and watched after that.
	Lasting bool `json:"lasting"`
	// Least is the shortest interval between treatments, days; Longest caps it
	// where young are born or laid under a shield for weeks; 0 for no cap.
	Least, Longest int
	// Treatments is how many there are at least.
	Treatments int
	// Generations is for how many generations contact treatments go on; Days is
	// for how many days at least.
	Generations, Days int
}

// pests holds one row for each pest whose growth is known; see Source.
var pests = []Pest{
	{
		Cause:       "spider-mite",
		Threshold:   11,
		EggK:        45,
		TotalK:      140,
		Hides:       "undersides",
		Least:       5,
		Treatments:  3,
		Generations: 1,
	},
	{
		Cause:      "flat-mite",
		Threshold:  10,
		EggK:       140,
		TotalK:     440,
		Hides:      "the upper face of leaves; no web",
		Lasting:    true,
		Least:      5,
		Treatments: 3,
		Days:       28,
	},
	{
		Cause:       "broad-mite",
		Threshold:   10,
		EggK:        33,
		TotalK:      75,
		Hides:       "inside tips",
		Least:       3,
		Treatments:  3,
		Generations: 2,
		Days:        21,
	},
	{
		Cause:       "thrips",
		Threshold:   8,
		EggK:        50,
		TotalK:      230,
		Hides:       "egg in the leaf, pupa in the soil",
		Least:       5,
		Longest:     5,
		Treatments:  3,
		Generations: 1,
	},
	{
		Cause:       "aphid",
		Threshold:   4.3,
		EggK:        0,
		TotalK:      134,
		Hides:       "tips and buds",
		Least:       5,
		Treatments:  3,
		Generations: 1,
	},
	{
		Cause:       "whitefly",
		Threshold:   8.3,
		EggK:        100,
		TotalK:      380,
		Hides:       "undersides; the pupa resists soap",
		Least:       5,
		Longest:     7,
		Treatments:  3,
		Generations: 1,
	},
	{
		Cause:      "mealybug",
		Threshold:  9,
		EggK:       110,
		TotalK:     550,
		Hides:      "joints, sheaths, pot rim, roots",
		Lasting:    true,
		Least:      5,
		Treatments: 3,
		Days:       28,
	},
	{
		Cause:      "root-mealybug",
		Threshold:  9,
		EggK:       130,
		TotalK:     800,
		Hides:      "roots",
		Lasting:    true,
		Least:      5,
		Treatments: 3,
		Days:       28,
	},
	{
		Cause:      "scale",
		Threshold:  10,
		EggK:       0,
		TotalK:     750,
		Hides:      "along veins and stalks",
		Lasting:    true,
		Least:      5,
		Longest:    14,
		Treatments: 3,
		Days:       28,
	},
	{
		Cause:      "armoured-scale",
		Threshold:  10,
		EggK:       110,
		TotalK:     700,
		Hides:      "sheaths and leaf bases, under shields",
		Lasting:    true,
		Least:      5,
		Longest:    12,
		Treatments: 5,
		Days:       28,
	},
	{
		Cause:       "fungus-gnat",
		Threshold:   10,
		EggK:        45,
		TotalK:      280,
		Hides:       "the top 3 cm of the medium",
		Least:       5,
		Longest:     7,
		Treatments:  4,
		Generations: 1,
	},
	{
		Cause:       "leaf-miner",
		Threshold:   9,
		EggK:        55,
		TotalK:      300,
		Hides:       "in the leaf; pupa in the soil",
		Least:       5,
		Treatments:  3,
		Generations: 1,
	},
}

// ByCause finds the pest that a cause is; false where its growth is not known.
func ByCause(id string) (Pest, bool) {
	i := slices.IndexFunc(pests, func(p Pest) bool { return p.Cause == id })
	if i < 0 {
		return Pest{}, false
	}
	p := pests[i]
	if c, ok := cause.ByID(cause.ID(id)); ok {
		p.Label = c.Label
	}
	return p, true
}
