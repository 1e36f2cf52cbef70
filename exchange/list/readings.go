package list

import (
	"fmt"
	"strings"

	"tendermend/core/recovery"
)

// Readings that are no measure of a check-in.
const (
	Watered = "watered" // ml, 0 where only that it was
	Weight  = "weight"  // g
)

// readings reads a row that tells what was read of a plant.
func (r *reader) readings(row line) {
	who := r.cell(row, fieldName)
	if who == "" {
		who = r.cell(row, fieldLabel)
	}
	if who == "" {
		r.problem(row.n, r.heading(fieldName), "say of which plant, by its name or label")
		return
	}
	said := r.cell(row, fieldOn)
	if said == "" {
		r.problem(row.n, r.heading(fieldOn), "give the day, as 2026-03-24")
		return
	}
	on, why := r.dayOf(said)
	if why != "" {
		r.problem(row.n, r.heading(fieldOn), why)
		return
	}
	add := func(measure string, value float64) {
		r.out.Readings = append(r.out.Readings, ReadingRow{row.n, who, on.String(), measure, value})
	}
	if said := r.cell(row, fieldMeasure); said != "" {
		r.measured(row, said, r.cell(row, fieldValue), add)
	}
	for i, as := range r.as {
		if i >= len(row.cells) || row.cells[i] == "" {
			continue
		}
		_, known := recovery.MeasureByID(string(as))
		if known || as == fieldWatered || as == fieldWeight {
			r.value(row.n, r.out.Columns[i].Heading, string(as), row.cells[i], add)
		}
	}
}

// measured reads a measure by its name, with its value.
func (r *reader) measured(row line, name, value string, add func(string, float64)) {
	id := measureOf(name)
	switch fieldOf(name) {
	case fieldWatered:
		id = Watered
	case fieldWeight:
		id = Weight
	default:
	}
	if id == "" {
		r.problem(row.n, r.heading(fieldMeasure), fmt.Sprintf("nothing that is read is called %q; use weight, watered or a "+
			"measure of the check-in", name))
		return
	}
	r.value(row.n, r.heading(fieldValue), id, value, add)
}

// value reads what was read.
func (r *reader) value(n int, heading, measure, said string, add func(string, float64)) {
	switch strings.ToLower(said) {
	case "yes", "x", "y", "true", "✓":
		if measure == Watered {
			add(measure, 0)
			return
		}
		said = "1"
	case "-", "–":
		return
	case "no", "n", "false":
		if measure == Watered {
			return
		}
		said = "0"
	}
	why := fmt.Sprintf("%q is no number", said)
	m, known := recovery.MeasureByID(measure)
	for _, v := range numbersOf(said) {
		if v < 0 {
			continue
		}
		if known {
			if wrong := m.Check(v); wrong != nil {
				why = wrong.Error()
				continue
			}
		}
		add(measure, v)
		return
	}
	r.problem(n, heading, why)
}
