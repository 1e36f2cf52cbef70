// Package sheet turns a plan into what stands in a record and on a screen: dated
// steps with their amounts and where they come from, the choices that matter,
// what must be bought. It reads plans of older records too.
package sheet

import (
	"tendermend/core/day"
	"tendermend/core/gate"
	"tendermend/core/state"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/working"
)

// Step is one dated step of a plan.
type Step struct {
	ID    string `json:"id"`
	Phase string `json:"phase,omitempty" doc:"Part of the work, in plans of older records."`
	Op    string `json:"op,omitempty" doc:"The operator."`
	Part  string `json:"part,omitempty" doc:"Part of the work; empty where it belongs to what is around it."`
	// Of is whom it is done to, where that is not the plant itself; missing in older records.
	Of treatment.Target `json:"of,omitempty" doc:"pieces or part, where it is for what was parted from the plant."`
	// Sitting is the sitting that it is done in, from 1; 0 in older plans.
	Sitting int     `json:"sitting,omitempty" minimum:"0" maximum:"9999" doc:"Its sitting, from 1; 0 for none."`
	On      day.Day `json:"on"`
	Every   int     `json:"every,omitempty" minimum:"0" maximum:"9999" doc:"Days after which it is done again."`
	Until   string  `json:"until,omitempty" doc:"What ends a repeated step, in words."`
	// Lasts is until what it is done, as conditions; missing in older records.
	Lasts       gate.Gate `json:"lasts,omitempty" doc:"What ends a repeated step, as conditions."`
	Title       string    `json:"title"`
	How         string    `json:"how"`
	Minutes     int       `json:"minutes" minimum:"0" maximum:"9999"`
	WaitMinutes int       `json:"waitMinutes,omitempty" minimum:"0" maximum:"9999" doc:"Minutes that a clock runs."`
	Entry       string    `json:"entry,omitempty" doc:"What must be so before it is begun."`
	Gate        string    `json:"gate,omitempty" doc:"What must be seen first: its day is only when to look."`
	// Waits is its gate as conditions; missing in older records.
	Waits     gate.Gate `json:"waits,omitempty" doc:"Its gate as conditions."`
	Ends      string    `json:"ends,omitempty" doc:"What is seen when it is done."`
	Wrong     string    `json:"wrong,omitempty" doc:"What can go wrong in it."`
	If        string    `json:"if,omitempty" doc:"Held back until this is settled."`
	Reasons   []string  `json:"reasons" doc:"What asks for it."`
	Materials []string  `json:"materials,omitempty"`
	Cautions  []string  `json:"cautions" doc:"Ids of cautions."`
	// Amounts are what it takes, each with its working.
	Amounts []working.Amount `json:"amounts"`
	Pest    *PestTime        `json:"pest,omitempty" doc:"Where a pest's clock sets its day."`
	// Makes is what is so when it was done; missing in older records, and where its tick is all.
	Makes *state.Effect `json:"makes,omitempty" doc:"What is so when it was done."`
	// Writes says what its tick writes beside it.
	Writes  string `json:"writes,omitempty" doc:"What its tick writes into the record beside it, in words."`
	ForGood bool   `json:"forGood,omitempty" doc:"Whether it cannot be undone."`
}

// PestTime says which treatment in the row against a pest a step is.
type PestTime struct {
	Cause string `json:"cause"`
	Nth   int    `json:"nth" minimum:"0" maximum:"9999" doc:"0 is the first treatment."`
}

// Sitting is a disturbance that is begun and ended in one go.
type Sitting struct {
	N       int                   `json:"n" minimum:"0" maximum:"9999" doc:"Its number in the plan, from 1."`
	Kind    treatment.SittingKind `json:"kind"`
	Name    string                `json:"name"`
	On      day.Day               `json:"on" doc:"Its day; where it waits for a gate, about when to look."`
	Slot    treatment.Slot        `json:"slot"`
	Gate    string                `json:"gate,omitempty" doc:"What must be seen first."`
	Waits   gate.Gate             `json:"waits,omitempty" doc:"Its gate as conditions."`
	Else    string                `json:"else,omitempty" doc:"What is done where it is not seen by its day."`
	Held    string                `json:"held,omitempty" doc:"Why it is held back, in words."`
	LayOut  []string              `json:"layOut,omitempty" doc:"What is laid out before it begins."`
	Minutes int                   `json:"minutes" minimum:"0" maximum:"9999"`
	// Stop says what to do when one must stop in the middle.
	Stop string `json:"stop,omitempty"`
	// MovedBy is the step that is named to put the sitting on another day; what is done at once stays where it is.
	MovedBy string `json:"movedBy,omitempty" doc:"The step that is named to put it on another day."`
}

// Rule is something that shaped the plan, with its reason.
type Rule struct {
	ID        string `json:"id"`
	What      string `json:"what"`
	Why       string `json:"why"`
	Overruled bool   `json:"overruled,omitempty" doc:"Whether the carer set it aside."`
}

// Caution is a warning that stands where its step is.
type Caution struct {
	ID   string `json:"id"`
	Text string `json:"text"`
}

// Plan is an ordered list of dated steps with what they are for.
type Plan struct {
	Edition   int                `json:"edition,omitempty" minimum:"0" maximum:"9999" doc:"2 for plans in sittings."`
	Causes    []string           `json:"causes"`
	Wish      treatment.Wish     `json:"wish,omitempty"`
	Protocols []string           `json:"protocols" doc:"Ids of the treatments it is composed of, in older records."`
	Names     []string           `json:"names" doc:"What it treats, in words."`
	Track     string             `json:"track"`
	South     bool               `json:"south,omitempty" doc:"Whether it was made for the southern half."`
	Beside    []string           `json:"beside,omitempty" doc:"Tracks that run beside the first one."`
	School    string             `json:"school,omitempty"`
	SchoolWhy []string           `json:"schoolWhy,omitempty" doc:"The three heaviest terms of its score."`
	Entry     []string           `json:"entry,omitempty" doc:"What must be so before it is begun."`
	Sittings  []Sitting          `json:"sittings,omitempty"`
	Steps     []Step             `json:"steps"`
	Rules     []Rule             `json:"rules" doc:"What was left out or done otherwise, with the reason."`
	Breaches  []check.Breach     `json:"breaches,omitempty" doc:"Rules that the carer goes against, with the reason."`
	Cautions  []Caution          `json:"cautions"`
	Expect    []string           `json:"expect"`
	Ends      []string           `json:"ends"`
	Wrong     []string           `json:"wrong" doc:"What can go wrong."`
	Stops     []string           `json:"stops,omitempty" doc:"When to give up, and how to bin it."`
	Materials []string           `json:"materials,omitempty" doc:"All that its steps need."`
	Asks      []string           `json:"asks" doc:"What to answer for a fuller plan."`
	Outcome   *treatment.Outcome `json:"outcome,omitempty"`
}
