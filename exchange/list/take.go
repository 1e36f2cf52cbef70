package list

import (
	"bytes"
	"encoding/csv"
	"fmt"
	"io"
	"slices"
	"strconv"
	"strings"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/exchange"
)

// mostTold is how many problems are told at once where a list is refused.
const mostTold = 20

// Problems are what keeps a list from being taken in: nothing of it is.
type Problems []RowProblem

func (p Problems) Error() string {
	said := make([]string, 0, mostTold+1)
	for _, one := range p[:min(len(p), mostTold)] {
		said = append(said, one.String())
	}
	if len(p) > mostTold {
		said = append(said, fmt.Sprintf("and %d more", len(p)-mostTold))
	}
	return strings.Join(said, "; ")
}

// String says where a problem is, and what it is.
func (p RowProblem) String() string {
	if p.Column == "" {
		return fmt.Sprintf("row %d: %s", p.Row, p.Why)
	}
	return fmt.Sprintf("row %d, column “%s”: %s", p.Row, p.Column, p.Why)
}

// Here is what a list comes into: the collection's own kinds, its plants, and the day.
type Here struct {
	Kinds  plant.Kinds
	Plants []exchange.Registered
	Today  day.Day
}

// Understand reads whatever a file is: one that the program wrote, or a list that somebody
// typed, with headings overruled as Read has it. A list with problems is refused whole,
// with all of them.
func Understand(raw []byte, here Here, as map[string]string) (exchange.Archive, error) {
	if Ours(raw) {
		return exchange.Understand(raw, here.Today)
	}
	p, err := Read(raw, here.Kinds, here.Today, as)
	if err != nil {
		return exchange.Archive{}, err
	}
	p, read := p.Against(here)
	switch {
	case len(p.Problems) > 0:
		return exchange.Archive{}, Problems(p.Problems)
	case len(p.Readings) > 0:
		return read, nil
	case len(p.Plants) == 0:
		return exchange.Archive{}, ErrNoTable
	}
	return p.archive(here.Today)
}

// Against holds a list against what is here: readings of plants that are not are problems.
// It gives the readings as entries too.
func (p Preview) Against(here Here) (Preview, exchange.Archive) {
	read, problems := p.recorded(here.Plants, here.Today)
	p.Problems = append(p.Problems, problems...)
	return p, read
}

// Ours says whether a file is in a form that the program writes: an archive, entries, or a
// register with its own headings.
func Ours(raw []byte) bool {
	text := bytes.TrimSpace(bytes.TrimPrefix(raw, []byte("\ufeff")))
	if len(text) == 0 {
		return false
	}
	if text[0] == '{' {
		return true
	}
	head, _, _ := bytes.Cut(text, []byte("\n"))
	cells := strings.Split(strings.ToLower(strings.TrimSpace(string(head))), ",")
	return slices.Contains(cells, "recorded_at") || slices.Contains(cells, "name") && slices.Contains(cells, "habit")
}

// archive gives the plants of a list as a file of the program holds them.
func (p Preview) archive(today day.Day) (exchange.Archive, error) {
	var table bytes.Buffer
	out := csv.NewWriter(&table)
	number := func(v *float64) string {
		if v == nil {
			return ""
		}
		return strconv.FormatFloat(*v, 'f', -1, 64)
	}
	rows := [][]string{{"label", "name", "kind", "habit", "place", "arrived", "from", "price", "pot_width_cm", "medium",
		"leaves", "note"}}
	for _, one := range p.Plants {
		leaves := ""
		if one.Leaves != nil {
			leaves = strconv.Itoa(*one.Leaves)
		}
		rows = append(rows, []string{one.Label, one.Name, one.Kind, one.Habit, one.Place, one.Arrived, one.From,
			number(one.Price), number(one.PotCM), one.Medium, leaves, one.Note})
	}
	if err := out.WriteAll(rows); err != nil {
		return exchange.Archive{}, err
	}
	return exchange.Understand(table.Bytes(), today)
}

// WriteTemplate writes a list of plants to fill in: its headings, with two plants as they
// may be written.
func WriteTemplate(w io.Writer) error {
	out := csv.NewWriter(w)
	return out.WriteAll([][]string{
		{"name", "kind", "label", "arrived", "place", "from", "price", "pot width cm", "medium", "leaves", "note"},
		{"Fern by the door", "Boston fern", "1", "1 March 2026", "Hall", "a neighbour", "", "14", "potting soil", "", ""},
		{"Big vine", "Monstera deliciosa", "2", "", "Hall", "", "12.50", "", "", "9", "one torn leaf"},
	})
}
