package treatment

import (
	"encoding/json"
	"fmt"

	"tendermend/core/facts"
	"tendermend/core/gate"
)

type bareSitting Sitting

// MarshalJSON writes the sitting with its gate in words beside its conditions.
func (s Sitting) MarshalJSON() ([]byte, error) {
	return json.Marshal(struct {
		bareSitting
		Gate string `json:"gate"`
	}{bareSitting(s), s.gateWords()})
}

// gateWords say its gate, with about which day that is where it only counts from the
// sitting before it.
func (s Sitting) gateWords() string {
	said := s.Gate.Words()
	if _, counts := s.Gate.Since(facts.Before); counts && s.LookDay != nil {
		said += fmt.Sprintf(", about day %d", *s.LookDay)
	}
	return said
}

// UnmarshalJSON reads a sitting. Its gate is a list of conditions under waits; in plans
// written by hand it may stand short under gate.
func (s *Sitting) UnmarshalJSON(raw []byte) error {
	var bare bareSitting
	if err := json.Unmarshal(raw, &bare); err != nil {
		return err
	}
	*s = Sitting(bare)
	if s.Gate != nil || s.Day != nil {
		return nil
	}
	var short struct {
		Gate gate.Gate `json:"gate"`
	}
	if err := json.Unmarshal(raw, &short); err != nil {
		return err
	}
	s.Gate = short.Gate
	return nil
}
