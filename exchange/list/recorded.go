package list

import (
	"fmt"
	"maps"
	"strings"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/working"
	"tendermend/exchange"
	"tendermend/record"
)

// space makes the ids of entries from what their rows say, so that reading a list twice
// records nothing twice.
var space = uuid.NewSHA1(uuid.NameSpaceURL, []byte("tender-mend readings"))

// recorded gives the readings of a list as entries of the plants that are here: those are
// told by label, or by name. A name that nobody has, or that several have, is a problem.
func (p Preview) recorded(here []exchange.Registered, today day.Day) (exchange.Archive, []RowProblem) {
	a := exchange.Archive{Format: exchange.Format, Written: today}
	called, problems, at := namesOf(here), []RowProblem{}, map[uuid.UUID]int{}
	for _, r := range p.Readings {
		found := called[strings.ToLower(r.Plant)]
		if len(found) != 1 {
			why := fmt.Sprintf("no plant here is called %q; use its label or its name", r.Plant)
			if len(found) > 1 {
				why = fmt.Sprintf("%s here are called %q; use the label", working.Count(len(found), "plant"), r.Plant)
			}
			problems = append(problems, RowProblem{r.Row, p.whose(), why})
			continue
		}
		id := found[0]
		i, known := at[id]
		if !known {
			i = len(a.Plants)
			at[id] = i
			a.Plants = append(a.Plants, exchange.Plant{ID: id, Name: r.Plant})
		}
		a.Plants[i].Entries = append(a.Plants[i].Entries, r.entry(id))
	}
	return a, problems
}

// whose is how the file calls the column that names the plants.
func (p Preview) whose() string {
	for _, c := range p.Columns {
		if c.As == string(fieldName) || c.As == string(fieldLabel) {
			return c.Heading
		}
	}
	return ""
}

// namesOf gives the plants by their labels, and by those names that are no label.
func namesOf(here []exchange.Registered) map[string][]uuid.UUID {
	labels, names := map[string][]uuid.UUID{}, map[string][]uuid.UUID{}
	for _, r := range here {
		label, name := strings.ToLower(tidy(r.Arrival.Label)), strings.ToLower(tidy(r.Arrival.Name))
		labels[label], names[name] = append(labels[label], r.ID), append(names[name], r.ID)
	}
	delete(labels, "")
	maps.Copy(names, labels)
	return names
}

// entry is the reading as it is recorded.
func (r ReadingRow) entry(plant uuid.UUID) record.Entry {
	on, _ := day.Parse(r.On) // Read wrote it
	e := record.Entry{PlantID: plant, On: on}
	switch r.Measure {
	case Watered:
		e.Watered = &record.Watered{}
		if r.Value > 0 {
			ml := r.Value
			e.Watered.Millilitres = &ml
		}
	case Weight:
		e.Weighed = &record.Weighed{Grams: r.Value}
	default:
		e.Checked = &record.Checked{Readings: []record.Value{{Measure: r.Measure, Value: r.Value}}}
	}
	e.ID = uuid.NewSHA1(space, []byte(fmt.Sprintf("%s %s %s %g", plant, r.On, r.Measure, r.Value)))
	return e
}
