// Package pest keeps the clock of pests: how fast they grow at the warmth of a
// place, when to treat again, and when a plant counts as clear.
package pest

import "tendermend/core/diagnosis"

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
}

// pests holds one row for each pest whose growth is known; see Source.
var pests = []Pest{
	{Cause: "spider-mite", Threshold: 11, EggK: 45, TotalK: 140, Hides: "undersides"},
	{Cause: "thrips", Threshold: 8, EggK: 50, TotalK: 230, Hides: "egg in the leaf, pupa in the soil"},
	{Cause: "mealybug", Threshold: 9, EggK: 110, TotalK: 550, Hides: "joints, pot rim, roots"},
	{Cause: "root-mealybug", Threshold: 9, EggK: 130, TotalK: 800, Hides: "roots"},
	{Cause: "scale", Threshold: 10, EggK: 0, TotalK: 750, Hides: "along veins"},
	{Cause: "aphid", Threshold: 4.3, EggK: 0, TotalK: 134, Hides: "tips"},
	{Cause: "whitefly", Threshold: 8.3, EggK: 100, TotalK: 380, Hides: "undersides"},
	{Cause: "fungus-gnat", Threshold: 10, EggK: 45, TotalK: 280, Hides: "the top 3 cm of the medium"},
}

// Pests lists the pests whose clock is known, with the cause's label.
func Pests() []Pest {
	list := append([]Pest{}, pests...)
	for i := range list {
		if c, ok := diagnosis.CauseByID(list[i].Cause); ok {
			list[i].Label = c.Label
		}
	}
	return list
}

// ByCause finds the pest that a cause is; false where its growth is not known.
func ByCause(cause string) (Pest, bool) {
	for _, p := range Pests() {
		if p.Cause == cause {
			return p, true
		}
	}
	return Pest{}, false
}
