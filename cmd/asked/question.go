package main

import (
	"errors"
	"fmt"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/record"
	"tendermend/record/due"
	"tendermend/record/told"
)

// question is all that an answer depends on: there is no clock and no store behind it.
type question struct {
	On        day.Day         `json:"on"`
	South     bool            `json:"south,omitempty"`
	Household facts.Household `json:"household"`
	Kinds     plant.Kinds     `json:"kinds,omitempty"`
	Around    record.Around   `json:"around"`
	Plant     uuid.UUID       `json:"plant"`
	Entries   []record.Entry  `json:"entries"`
	// Add is one more entry: it is checked, and kept as it would be recorded, its plan with it.
	Add *record.Entry `json:"add,omitempty"`
}

// answered is what is told of the plant on the day.
type answered struct {
	Line  string        `json:"line"`
	Card  told.Card     `json:"card"`
	Tasks []due.Task    `json:"tasks"`
	Added *record.Entry `json:"added,omitempty"`
	// Concerns are what is likely a mistake in what is added.
	Concerns record.Concerns `json:"concerns,omitempty"`
}

func (q question) ask() (answered, error) {
	ledger := record.NewLedger(q.Plant, q.Entries, q.Kinds)
	if !ledger.State().Here {
		return answered{}, errors.New("no arrival of this plant is among its entries: give its whole record")
	}
	var a answered
	if q.Add != nil {
		around := record.Context{
			South: q.South, Kinds: q.Kinds, Household: q.Household, Sisters: q.Around.Sisters,
		}
		if faults := ledger.Check(*q.Add, q.On); len(faults) > 0 {
			return a, fmt.Errorf("what is added cannot be recorded: %w", faults)
		}
		a.Concerns = ledger.Concerns(*q.Add, q.Add.RecordedAt, around)
		q.Add.With = ledger.With(*q.Add)
		if err := ledger.Complete(q.Add, around); err != nil {
			return a, err
		}
		ledger.Add(*q.Add)
		for _, e := range ledger.Effects(*q.Add) {
			ledger.Add(e)
		}
		a.Added = q.Add
	}
	state := ledger.State().Told(q.Around)
	a.Line = told.Line(state, q.On, q.South)
	a.Card = told.CardOf(state, q.On, q.South)
	for _, t := range due.Tasks(state, q.South) {
		if t.From <= q.On && !t.Over(q.On, nil) {
			a.Tasks = append(a.Tasks, t.At(q.On))
		}
	}
	return a, nil
}
