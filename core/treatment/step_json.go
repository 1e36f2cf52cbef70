package treatment

import (
	"encoding/json"

	"tendermend/core/gate"
)

type bareStep Step

// writtenStep is a step with what ends it in words beside its conditions.
type writtenStep struct {
	*bareStep
	Until   string    `json:"until"`
	UntilIs gate.Gate `json:"untilIs,omitempty"`
}

// MarshalJSON writes the step with what ends it in words, beside its conditions.
func (s Step) MarshalJSON() ([]byte, error) {
	bare := bareStep(s)
	return json.Marshal(writtenStep{&bare, s.Until.Words(), s.Until})
}

// UnmarshalJSON reads a step. What ends it is a list of conditions under untilIs; in plans
// written by hand it may stand short under until.
func (s *Step) UnmarshalJSON(raw []byte) error {
	var bare bareStep
	told := struct {
		*bareStep
		Until   json.RawMessage `json:"until"`
		UntilIs gate.Gate       `json:"untilIs"`
	}{bareStep: &bare}
	if err := json.Unmarshal(raw, &told); err != nil {
		return err
	}
	ends, err := conditions(told.Until, told.UntilIs)
	if err != nil {
		return err
	}
	*s = Step(bare)
	s.Until = ends
	return nil
}

// conditions reads a gate: the list of its conditions, or short by hand.
func conditions(short json.RawMessage, list gate.Gate) (g gate.Gate, err error) {
	if list != nil || len(short) == 0 {
		return list, nil
	}
	err = json.Unmarshal(short, &g)
	return g, err
}

type bareParams Params

type writtenParams struct {
	*bareParams
	Until   string    `json:"until,omitempty"`
	UntilIs gate.Gate `json:"untilIs,omitempty"`
}

// MarshalJSON writes the parameters with what ends them in words, beside its conditions.
func (p Params) MarshalJSON() ([]byte, error) {
	bare := bareParams(p)
	return json.Marshal(writtenParams{&bare, p.Until.Words(), p.Until})
}

// UnmarshalJSON reads parameters, as a step is read.
func (p *Params) UnmarshalJSON(raw []byte) error {
	var bare bareParams
	told := struct {
		*bareParams
		Until   json.RawMessage `json:"until"`
		UntilIs gate.Gate       `json:"untilIs"`
	}{bareParams: &bare}
	if err := json.Unmarshal(raw, &told); err != nil {
		return err
	}
	ends, err := conditions(told.Until, told.UntilIs)
	if err != nil {
		return err
	}
	*p = Params(bare)
	p.Until = ends
	return nil
}
