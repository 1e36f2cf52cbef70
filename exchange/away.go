package exchange

import (
	"fmt"
	"slices"
	"time"
	"unicode/utf8"

	"github.com/google/uuid"

	"tendermend/core/bench"
	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/facts"
	"tendermend/core/place"
	"tendermend/core/trip"
	"tendermend/record"
)

// Trip is a time away, with what is done about each plant.
type Trip struct {
	ID     uuid.UUID `json:"id" db:"id"`
	From   day.Day   `json:"from" db:"from_day" doc:"The day of leaving."`
	Back   day.Day   `json:"back" db:"back_day" doc:"The day of coming back."`
	Sitter string    `json:"sitter,omitempty" db:"sitter" maxLength:"60" doc:"Who comes in; empty for nobody."`
	Phone  string    `json:"phone,omitempty" db:"phone" maxLength:"60" doc:"Where the carer is reached."`
	Note   string    `json:"note,omitempty" db:"note" maxLength:"1000" doc:"What whoever comes in has to know."`
	Cooler bool      `json:"cooler,omitempty" db:"cooler" doc:"Whether the heating is turned down meanwhile."`
	Ended  bool      `json:"ended" db:"ended" doc:"Whether the link was taken back."`
	Off    bool      `json:"off,omitempty" db:"off" doc:"Whether it was called off."`
	Sheet  []TripPot `json:"sheet" db:"-"`
	// Version counts its changes; missing, in archives of before, for the first.
	Version    int       `json:"version,omitempty" db:"version" doc:"1 as it was planned, one more for each change."`
	RecordedAt time.Time `json:"recordedAt,omitzero" db:"recorded_at" doc:"When it was planned or changed last."`
	Earlier    []Trip    `json:"earlier,omitempty" db:"-" doc:"What it was before each change, the first first."`
}

// Span is when it takes place.
func (t Trip) Span() trip.Span { return trip.Span{From: t.From, Back: t.Back, Off: t.Off} }

// Sitters are whoever comes in or was to come in.
func (t Trip) Sitters() (names []string) {
	for _, v := range append(slices.Clone(t.Earlier), t) {
		if v.Sitter != "" && !slices.Contains(names, v.Sitter) {
			names = append(names, v.Sitter)
		}
	}
	return names
}

// TripPot is a plant of a trip with its plan.
type TripPot struct {
	Plant     uuid.UUID `json:"plant"`
	Name      string    `json:"name"`
	Label     string    `json:"label,omitempty"`
	Place     string    `json:"place"`
	Isolated  bool      `json:"isolated,omitempty"`
	Never     string    `json:"never,omitempty" doc:"Why it is not watered at all, in a sentence."`
	Otherwise string    `json:"otherwise,omitempty" doc:"How it is watered, where no pot tells by drying."`
	Guess     bool      `json:"guess,omitempty" doc:"Whether nobody ever recorded how it is watered."`
	trip.Plan
}

// Since is a plan that was made when so many days of the trip had gone by: its days are counted from the day of
// leaving, and what was planned before for those behind stays.
func (p TripPot) Since(gone int, before TripPot) TripPot {
	days := slices.DeleteFunc(slices.Clone(before.Days), func(d int) bool { return d >= gone })
	for _, d := range p.Days {
		days = append(days, d+gone)
	}
	p.Days, p.WaterBefore, p.Aids = days, before.WaterBefore, before.Aids
	if p.Aids == nil {
		p.Aids = []trip.Aid{}
	}
	if p.Days == nil {
		p.Days = []int{}
	}
	return p
}

// Decided is what a collection decided for all its plants, each in its newest version; what
// nobody decided is missing.
type Decided struct {
	Household *facts.Household     `json:"household,omitempty" doc:"Who lives where the collection stands."`
	Off       []care.Job           `json:"off,omitempty" doc:"Jobs of ordinary care that are switched off."`
	Mixes     *bench.Own           `json:"mixes,omitempty" doc:"Media and recipes of its own."`
	Forecast  *place.NightForecast `json:"forecast,omitempty" doc:"The last forecast of the nights."`
	Learning  *diagnosis.Switches  `json:"learning,omitempty" doc:"Which tables follow its own cases."`
}

// faults says what of it could not be decided here either.
func (d *Decided) faults() (faults record.Faults) {
	if d == nil {
		return nil
	}
	add := func(field, format string, args ...any) {
		faults = append(faults, record.Fault{Field: "decided." + field, Message: fmt.Sprintf(format, args...)})
	}
	for i, job := range d.Off {
		if _, known := care.ByID(job); !known {
			add(fmt.Sprintf("off[%d]", i), "there is no job %q", job)
		}
	}
	if d.Forecast != nil {
		if err := place.CheckNights(d.Forecast.Nights); err != nil {
			add("forecast.nights", "%s", err)
		}
	}
	if d.Mixes != nil {
		if _, err := (bench.Own{}).And(*d.Mixes); err != nil {
			add("mixes", "%s", err)
		}
	}
	return faults
}

// faults says what keeps a trip that stands at a place of its archive from being taken over.
func (t Trip) faults(at string) (faults record.Faults) {
	if t.ID == uuid.Nil || t.Back < t.From {
		faults = append(faults, record.Fault{Field: at, Message: "a trip has an id, and comes back after it begins"})
	}
	for field, said := range map[string]string{"sitter": t.Sitter, "phone": t.Phone} {
		if utf8.RuneCountInString(said) > mostOfName {
			faults = append(faults, record.Fault{Field: at + "." + field,
				Message: fmt.Sprintf("at most %d characters are wanted", mostOfName)})
		}
	}
	if t.Version < 0 || len(t.Earlier) > max(0, t.Version-1) {
		faults = append(faults, record.Fault{Field: at + ".version",
			Message: "it has more earlier versions than it counts"})
	}
	for i, v := range t.Earlier {
		v.ID, v.Earlier, v.Version = t.ID, nil, 0
		faults = append(faults, v.faults(fmt.Sprintf("%s.earlier[%d]", at, i))...)
	}
	if utf8.RuneCountInString(t.Note) > mostOfNote {
		faults = append(faults, record.Fault{Field: at + ".note",
			Message: fmt.Sprintf("at most %d characters are wanted", mostOfNote)})
	}
	return faults
}

// How much a trip says, characters.
const (
	mostOfName = 60
	mostOfNote = 1000
)
