// Package record holds what happens to a plant: an append-only list of typed
// entries, how they are checked, and how they fold into the plant's state.
// Nothing is overwritten: a correction is a new entry that voids or replaces an
// old one.
package record

import (
	"reflect"
	"time"

	"github.com/google/uuid"

	"tendermend/core/day"
)

// Kind names what an entry records.
type Kind string

// Entry is one thing that happened to a plant. Its id is made by whoever
// records it, so that sending it twice does nothing twice.
type Entry struct {
	ID         uuid.UUID  `json:"id"`
	PlantID    uuid.UUID  `json:"plantId"`
	On         day.Day    `json:"on" doc:"The day it happened."`
	RecordedAt time.Time  `json:"recordedAt"`
	By         string     `json:"by" doc:"Who recorded it."`
	Replaces   *uuid.UUID `json:"replaces,omitempty" doc:"The entry that this one corrects."`
	Case       *uuid.UUID `json:"case,omitempty" doc:"Its case; where it says none, the case in hand."`
	With       *uuid.UUID `json:"with,omitempty" doc:"What it is an effect of: it counts while that does."`
	Despite    []Concern  `json:"despite,omitempty" doc:"What was warned of, and recorded all the same."`
	Body
}

// Body holds what was recorded: exactly one of its fields is set.
type Body struct {
	Arrived   *Arrived   `json:"arrived,omitempty"`
	Examined  *Examined  `json:"examined,omitempty"`
	Diagnosed *Diagnosed `json:"diagnosed,omitempty"`
	Planned   *Planned   `json:"planned,omitempty"`
	Did       *Did       `json:"did,omitempty"`
	Watered   *Watered   `json:"watered,omitempty" doc:"A watering; through where nobody says how."`
	Weighed   *Weighed   `json:"weighed,omitempty"`
	Probed    *Probed    `json:"probed,omitempty"`
	Checked   *Checked   `json:"checked,omitempty"`
	Moved     *Moved     `json:"moved,omitempty"`
	Tallied   *Tallied   `json:"tallied,omitempty"`
	Fed       *Fed       `json:"fed,omitempty"`
	Potted    *Potted    `json:"potted,omitempty"`
	Metered   *Metered   `json:"metered,omitempty"`
	Adjusted  *Adjusted  `json:"adjusted,omitempty"`
	Confirmed *Confirmed `json:"confirmed,omitempty"`
	Prepared  *Prepared  `json:"prepared,omitempty"`
	Treated   *Treated   `json:"treated,omitempty"`
	Staged    *Staged    `json:"staged,omitempty"`
	Grown     *Grown     `json:"grown,omitempty"`
	Pictured  *Pictured  `json:"pictured,omitempty"`
	Noted     *Noted     `json:"noted,omitempty"`
	Tagged    *Tagged    `json:"tagged,omitempty"`
	Stated    *Stated    `json:"stated,omitempty"`
	Cut       *Cut       `json:"cut,omitempty"`
	Sat       *Sat       `json:"sat,omitempty"`
	Counted   *Counted   `json:"counted,omitempty"`
	Parted    *Parted    `json:"parted,omitempty"`
	Shared    *Shared    `json:"shared,omitempty"`
	Opened    *Opened    `json:"opened,omitempty"`
	Dismissed *Dismissed `json:"dismissed,omitempty"`
	Tended    *Tended    `json:"tended,omitempty"`
	Snoozed   *Snoozed   `json:"snoozed,omitempty"`
	Tried     *Tried     `json:"tried,omitempty"`
	Judged    *Judged    `json:"judged,omitempty"`
	Closed    *Closed    `json:"closed,omitempty"`
	Reopened  *Reopened  `json:"reopened,omitempty"`
	Voided    *Voided    `json:"voided,omitempty"`
}

// contents lists what is set of the body.
func (b Body) contents() (set []Content) {
	all := reflect.ValueOf(b)
	for i := range all.NumField() {
		if !all.Field(i).IsNil() {
			set = append(set, all.Field(i).Interface().(Content))
		}
	}
	return set
}

// Content gives the one thing that is recorded; nil when none or several are.
func (b *Body) Content() Content {
	all, only := reflect.ValueOf(b).Elem(), -1
	for i := range all.NumField() {
		if all.Field(i).IsNil() {
			continue
		}
		if only >= 0 {
			return nil
		}
		only = i
	}
	if only < 0 {
		return nil
	}
	return all.Field(only).Interface().(Content)
}

// Kind names the one field that is set; empty when none or several are.
func (b *Body) Kind() Kind {
	if c := b.Content(); c != nil {
		return c.Kind()
	}
	return ""
}
