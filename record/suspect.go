package record

import (
	"slices"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/isolation"
	"tendermend/core/recovery"
	"tendermend/core/working"
)

// Suspicion is something that travels and that a plant has, or may have.
type Suspicion struct {
	Cause   string  `json:"cause,omitempty"` // empty where nobody knows yet which animal it is
	What    string  `json:"what"`
	Since   day.Day `json:"since"`
	Decided bool    `json:"decided"` // whether it was accepted; else nobody has decided yet
}

// Sister is a suspicion about a plant that came on one day from one source with
// another.
type Sister struct {
	Plant uuid.UUID `json:"plant"`
	Name  string    `json:"name"`
	Suspicion
}

// over says whether what nothing cures was found in the sister so long ago that this
// plant has been watched for long enough.
func (x Sister) over(on day.Day) bool {
	return x.Decided && isolation.ForGood(x.Cause) && on >= x.Since+isolation.SisterDays
}

// travel is how it travels.
func (x Suspicion) travel() []isolation.Travel {
	if x.Cause == "" {
		return []isolation.Travel{{Way: "contact", Pest: true}}
	}
	return isolation.TravelOf(x.Cause)
}

// Suspected lists what travels of what the plant has or may have: accepted and in
// work, or not to be cured; seen alive and not answered; or as likely as that at its
// last look, on which nobody has decided.
func (s State) Suspected() []Suspicion {
	list := []Suspicion{}
	if s.Left != nil || !s.Here {
		return list
	}
	add := func(x Suspicion) {
		known := func(y Suspicion) bool { return y.Cause == x.Cause }
		if !slices.ContainsFunc(list, known) {
			list = append(list, x)
		}
	}
	for _, c := range s.Cases {
		for _, id := range c.Causes() {
			if len(isolation.WaysOf(id)) > 0 && (c.Open() || isolation.ForGood(id)) {
				one, _ := diagnosis.CauseByID(id)
				add(Suspicion{Cause: id, What: one.Label, Since: c.OpenedOn, Decided: true})
			}
		}
	}
	for _, x := range s.mayHave() {
		add(x)
	}
	for _, alarm := range s.Alarms() {
		if alarm.Family == recovery.PestTrouble && !alarm.Plan {
			add(Suspicion{What: "Live pests were seen on it", Since: alarm.On})
		}
	}
	return list
}

// mayHave lists what travels and is likely at its last look, on which nobody has
// decided.
func (s State) mayHave() (list []Suspicion) {
	if !s.Undecided() {
		return nil
	}
	for _, said := range s.Said {
		if said.Entry != s.Examined.Entry {
			continue
		}
		for _, chance := range said.Chances {
			one, known := diagnosis.CauseByID(chance.ID)
			if known && !one.Harmless && chance.Chance >= isolation.LeastChance && len(isolation.WaysOf(chance.ID)) > 0 {
				what := "It may have " + working.Lower(one.Label) + ", and nobody has decided on it"
				list = append(list, Suspicion{Cause: chance.ID, What: what, Since: said.On})
			}
		}
	}
	return list
}
