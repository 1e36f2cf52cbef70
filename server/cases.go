package server

import (
	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
)

// CaseView is one case of a plant.
type CaseView struct {
	ID        uuid.UUID            `json:"id"`
	Open      bool                 `json:"open"`
	From      day.Day              `json:"from" doc:"The first look that belongs to it, or the day it was opened."`
	OpenedOn  day.Day              `json:"openedOn"`
	EndedOn   *day.Day             `json:"endedOn,omitempty"`
	Why       string               `json:"why" doc:"What made one look; empty where nobody said."`
	Name      string               `json:"name" doc:"What it is about, in words."`
	Causes    []string             `json:"causes" doc:"Ids, the main one first."`
	Standing  string               `json:"standing"`
	Stage     string               `json:"stage" doc:"The stage it is in; empty where in none."`
	Outcome   record.Outcome       `json:"outcome,omitempty"`
	Lesson    string               `json:"lesson,omitempty" doc:"What was written when it was closed."`
	Edition   string               `json:"edition,omitempty" doc:"State of the tables by which it was judged."`
	Older     bool                 `json:"older" doc:"Whether the tables have changed since."`
	Plan      *sheet.Plan          `json:"plan,omitempty"`
	PlannedOn *day.Day             `json:"plannedOn,omitempty"`
	Confirmed *record.Confirmation `json:"confirmed,omitempty"`
}

// casesOf lists a plant's cases: open ones first, the gravest first, then those
// that ended, the latest first.
func casesOf(s record.State) []CaseView {
	list := []CaseView{}
	for _, c := range s.OpenCases() {
		list = append(list, caseView(s, c))
	}
	for i := len(s.Cases) - 1; i >= 0; i-- {
		if !s.Cases[i].Open() {
			list = append(list, caseView(s, s.Cases[i]))
		}
	}
	return list
}

func caseView(s record.State, c record.Case) CaseView {
	v := CaseView{
		ID: c.ID, Open: c.Open(), From: c.From, OpenedOn: c.OpenedOn, EndedOn: c.EndedOn(), Why: c.Why,
		Causes: append([]string{}, c.Causes()...), Standing: s.As(c).CaseStanding(), Outcome: c.Outcome(),
		Edition: c.Edition(), Plan: c.Plan, Confirmed: c.Confirmed,
	}
	v.Older = v.Edition != "" && v.Edition != diagnosis.Version
	if c.Closed != nil {
		v.Lesson = c.Closed.Reason
	}
	if c.Plan != nil {
		on := c.PlannedOn
		v.PlannedOn = &on
	}
	if _, stage, in := s.As(c).CurrentStage(); in {
		v.Stage = stage.Name
	}
	v.Name = caseName(c)
	return v
}

// caseName says what a case is about: its main cause, what made one look, or that
// nobody knows yet.
func caseName(c record.Case) string {
	if main, known := diagnosis.CauseByID(c.MainCause()); known {
		return main.Label
	}
	switch {
	case c.Plan != nil && len(c.Plan.Names) > 0:
		return c.Plan.Names[0]
	case c.Why != "":
		return c.Why
	}
	return "Not known yet"
}
