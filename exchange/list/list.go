// Package list reads lists of plants, and of what was read of them, that people keep: with
// any separator, headings in their own words, kinds by any name and days in the usual
// forms. It takes nothing in: it says what it understood, row by row, and what it did not.
package list

import (
	"errors"
	"fmt"
	"strings"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/working"
	"tendermend/exchange"
)

// Listed is a row that tells of a plant.
type Listed struct {
	Row     int      `json:"row" doc:"Its row in the file, the heading being row 1."`
	Name    string   `json:"name"`
	Kind    string   `json:"kind" doc:"The id of its kind; empty where none was understood."`
	Called  string   `json:"called,omitempty" doc:"The botanical name of that kind."`
	Habit   string   `json:"habit" doc:"The id of the way it grows."`
	Label   string   `json:"label"`
	Arrived string   `json:"arrived" doc:"As 2026-03-01; empty where no day is given."`
	Place   string   `json:"place"`
	From    string   `json:"from,omitempty"`
	Price   *float64 `json:"price,omitempty"`
	PotCM   *float64 `json:"potWidthCm,omitempty"`
	Medium  string   `json:"medium,omitempty"`
	DepthCM *float64 `json:"potDepthCm,omitempty"`
	Leaves  *int     `json:"leaves,omitempty"`
	Growths *int     `json:"growths,omitempty"`
	Packing string   `json:"packing,omitempty"`
	Had     string   `json:"had,omitempty" doc:"How long it has been had, as an arrival says it."`
	Apart   bool     `json:"isolated,omitempty"`
	Note    string   `json:"note,omitempty"`
}

// ReadingRow is something that was read of a plant on a day.
type ReadingRow struct {
	Row     int     `json:"row"`
	Plant   string  `json:"plant" doc:"Its name or label, as the file has it."`
	On      string  `json:"on"`
	Measure string  `json:"measure" doc:"The id of what was read, or watered, weight."`
	Value   float64 `json:"value"`
}

// RowProblem is something that was not understood, or cannot be.
type RowProblem struct {
	Row    int    `json:"row" doc:"0 where it is of the whole file."`
	Column string `json:"column" doc:"The heading as the file has it."`
	Why    string `json:"why" doc:"In plain words, with what to do."`
}

// Heading is a heading of the file with what it was taken for.
type Heading struct {
	Heading string `json:"heading"`
	As      string `json:"as" doc:"What it was taken for; empty where it is passed by."`
}

// Preview is what a file says, before anything of it is taken in.
type Preview struct {
	Plants   []Listed     `json:"plants"`
	Readings []ReadingRow `json:"readings"`
	Problems []RowProblem `json:"problems"`
	Columns  []Heading    `json:"columns" doc:"The headings, in the order of the file."`
}

// mostRows is how many rows are read of one file.
const mostRows = 20_000

// ErrNoTable means that a file holds no rows.
var ErrNoTable = errors.New("there are no rows in this file: give a heading, and a plant in each row below it")

// Read reads a list. As overrules what headings were taken for, by heading. It fails only
// where nothing can be read at all.
func Read(raw []byte, kinds plant.Kinds, today day.Day, as map[string]string) (Preview, error) {
	text, err := exchange.Text(raw)
	if err != nil {
		return Preview{}, err
	}
	rows := split(string(text))
	if len(rows) == 0 {
		return Preview{}, ErrNoTable
	}
	if len(rows) > mostRows {
		const said = "this file has more than %s; part it and take the parts in one after the other"
		return Preview{}, fmt.Errorf(said, working.Count(mostRows, "row"))
	}
	r := reader{
		kinds: kinds, names: kinds.Names(), today: today,
		known: map[string]found{}, within: map[string]string{}, habits: map[string]string{},
	}
	r.out = Preview{Plants: []Listed{}, Readings: []ReadingRow{}, Problems: []RowProblem{}, Columns: []Heading{}}
	body := r.head(rows, as)
	r.days = orderOf(body, r.columnsAs(fieldArrived, fieldOn))
	for _, row := range body {
		r.row(row)
	}
	r.twice()
	return r.out, nil
}

// reader reads the rows of one list.
type reader struct {
	kinds plant.Kinds
	names *plant.Names
	// What was looked up before, by what was said: lists say the same again.
	known   map[string]found  // kinds
	within  map[string]string // kinds that are named in something longer
	habits  map[string]string // ways of growing
	guesses int               // names so far that were compared letter by letter
	today   day.Day
	as      []field // what each column is
	days    order
	out     Preview
}

func (r *reader) problem(row int, column, why string) {
	r.out.Problems = append(r.out.Problems, RowProblem{row, column, why})
}

// heading is how the file calls the first column of a sort.
func (r *reader) heading(f field) string {
	for i, as := range r.as {
		if as == f && i < len(r.out.Columns) {
			return r.out.Columns[i].Heading
		}
	}
	return string(f)
}

// cell is what a row says in the first column of a sort.
func (r *reader) cell(row line, f field) string {
	for i, as := range r.as {
		if as == f && i < len(row.cells) && row.cells[i] != "" {
			return row.cells[i]
		}
	}
	return ""
}

func (r *reader) columnsAs(fields ...field) (list []int) {
	for i, as := range r.as {
		for _, f := range fields {
			if as == f {
				list = append(list, i)
			}
		}
	}
	return list
}

// row reads one row: a plant, or what was read of one.
func (r *reader) row(row line) {
	if len(row.cells) > len(r.as) {
		extra := strings.Join(row.cells[len(r.as):], "")
		if extra != "" {
			r.problem(row.n, "", fmt.Sprintf("this row has %s more than there are headings; put words that hold the "+
				"separator in quotes", working.Count(len(row.cells)-len(r.as), "cell")))
		}
	}
	if r.tellsReadings() {
		r.readings(row)
		return
	}
	r.plant(row)
}

// twice names labels that stand on two plants.
func (r *reader) twice() {
	first := map[string]int{}
	for _, p := range r.out.Plants {
		key := strings.ToLower(p.Label)
		if key == "" {
			continue
		}
		if before, known := first[key]; known {
			r.problem(p.Row, r.heading(fieldLabel), fmt.Sprintf("the label %q stands in row %d too; give one of them another",
				p.Label, before))
			continue
		}
		first[key] = p.Row
	}
}
