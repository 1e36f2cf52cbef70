package treatment

import (
	"encoding/json"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/facts"
)

// Written is a situation as it is written by hand: its facts parted by what they are of.
type Written struct {
	Kind      string               `json:"kind,omitempty" doc:"Id of its kind."`
	Habit     string               `json:"habit,omitempty" doc:"How it grows, where its kind is not known."`
	Causes    []cause.ID           `json:"causes"`
	Suspected []cause.ID           `json:"suspected,omitempty"`
	Wish      Wish                 `json:"wish,omitempty" enum:",setup-change,propagate,refresh,part,prune"`
	On        day.Day              `json:"on" doc:"The day on which the plan is accepted: its day 0."`
	South     bool                 `json:"south,omitempty"`
	Answers   facts.Facts          `json:"answers"`
	Choices   Choices              `json:"choices"`
	Place     facts.Place          `json:"place"`
	Household facts.Household      `json:"household"`
	Chances   map[cause.ID]float64 `json:"chances,omitempty"`
	Rivals    map[cause.ID]float64 `json:"rivals,omitempty"`
}

// MarshalJSON writes the situation as one writes it by hand.
func (s Situation) MarshalJSON() ([]byte, error) {
	f := s.Facts
	return json.Marshal(Written{
		s.Kind, s.Habit, s.Causes, s.Suspected, s.Wish, s.On, f.South, f, s.Choices, f.Place, f.Household,
		s.Chances, s.Rivals,
	})
}

// UnmarshalJSON reads a situation.
func (s *Situation) UnmarshalJSON(raw []byte) error {
	w := Written{Household: facts.CarefulHousehold()}
	if err := json.Unmarshal(raw, &w); err != nil {
		return err
	}
	var told struct {
		Answers struct {
			Turgor string `json:"turgor"`
		} `json:"answers"`
	}
	if err := json.Unmarshal(raw, &told); err != nil {
		return err
	}
	switch told.Answers.Turgor {
	case "folded":
		w.Answers.Limp = facts.Said(true)
		if !w.Answers.Reserves.Known {
			w.Answers.Reserves = facts.Said(facts.Shrivelled)
		}
	case "limp":
		w.Answers.Limp = facts.Said(true)
	case "firm":
		w.Answers.Limp = facts.Said(false)
	}
	*s = Situation{
		Kind: w.Kind, Habit: w.Habit, Causes: w.Causes, Suspected: w.Suspected, Wish: w.Wish, On: w.On,
		Facts: w.Answers, Choices: w.Choices, Chances: w.Chances, Rivals: w.Rivals,
	}
	s.Facts.South, s.Facts.Place, s.Facts.Household = w.South, w.Place, w.Household
	return nil
}
