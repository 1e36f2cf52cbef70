// Package bench holds the instruments of the bench: small reckonings with their
// workings, for pots, mixes, dilutions, label doses, feed, light, air and
// reserves. Each takes what a carer knows and answers with amounts, and with
// warnings where something would do harm.
package bench

import (
	"fmt"

	"tendermend/core/working"
)

// Reckoning is what an instrument answers.
type Reckoning struct {
	Amounts  []working.Amount `json:"amounts"`
	Warnings []string         `json:"warnings" doc:"What would do harm, or cannot be trusted."`
}

// Fault is an input that cannot be right: the field, and what is wanted.
type Fault struct{ Field, Message string }

func (f Fault) Error() string { return f.Field + ": " + f.Message }

func between(field string, v, least, most float64, unit string) error {
	if !(v >= least && v <= most) {
		return Fault{field, fmt.Sprintf("%g %s cannot be right; give %g to %g", v, unit, least, most)}
	}
	return nil
}

func (r *Reckoning) add(what string, value float64, unit, formula, source, sure string, inputs ...working.Input) {
	r.Amounts = append(
		r.Amounts,
		working.Amount{
			What:    what,
			Value:   value,
			Unit:    unit,
			Working: working.Working{Inputs: inputs, Formula: formula, Source: source, Sure: sure},
		},
	)
}

func (r *Reckoning) warn(format string, args ...any) {
	r.Warnings = append(r.Warnings, fmt.Sprintf(format, args...))
}

func fresh() Reckoning { return Reckoning{Amounts: []working.Amount{}, Warnings: []string{}} }

func in(name string, v float64, unit string) working.Input {
	return working.Input{Name: name, Value: v, Unit: unit}
}
