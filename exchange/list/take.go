package list

import (
	"bytes"
	"encoding/csv"
	"fmt"
	"io"
	"slices"
	"strconv"
	"strings"
	"unicode/utf8"

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
	Kinds plant.Kinds
	// Plants gives the register: asked for where a list tells of plants that are here.
	Plants func() ([]exchange.Registered, error)
	Today  day.Day
}

// Understand reads whatever a file is: one that the program wrote, or a list that somebody
// typed, with headings overruled as Read has it. A list with problems is refused whole,
// with all of them.
func Understand(raw []byte, here Here, as map[string]string) (exchange.Archive, error) {
	if Ours(raw) {
		a, err := exchange.Understand(raw, here.Today)
		if err == nil && len(a.Kinds) == 0 {
			byHabit(a.Plants, here.Kinds)
		}
		return a, err
	}
	p, read, err := Look(raw, here, as)
	switch {
	case err != nil:
		return exchange.Archive{}, err
	case len(p.Problems) > 0:
		return exchange.Archive{}, Problems(p.Problems)
	case len(p.Readings) > 0:
		return read, nil
	case len(p.Plants) == 0:
		return exchange.Archive{}, ErrNoTable
	}
	return p.archive(here.Today)
}

// byHabit takes plants of a register whose kind is not known here in by their way of growing: what the kind is called
// stands in their notes.
func byHabit(plants []exchange.Plant, kinds plant.Kinds) {
	for _, p := range plants {
		for _, e := range p.Entries {
			if a := e.Arrived; a != nil && a.Profile != "" && p.KindName != "" {
				if _, known := kinds.ByID(a.Profile); !known {
					a.Profile, a.Note = "", withKind(a.Note, p.KindName)
				}
			}
		}
	}
}

// withKind is a note that says what a kind is called which is not known here, as far as there is room.
func withKind(note, called string) string {
	said := strings.TrimSpace(note + "\nIts kind: " + called + ".")
	if utf8.RuneCountInString(said) > longestNote {
		return note
	}
	return said
}

// longestNote is how long the note of an arrival may be.
const longestNote = 2000

// Look is Read, held against what is here: readings of plants that are not are problems. It
// gives the readings as entries too.
func Look(raw []byte, here Here, as map[string]string) (p Preview, read exchange.Archive, err error) {
	if p, err = Read(raw, here.Kinds, here.Today, as); err != nil || len(p.Readings) == 0 {
		return p, read, err
	}
	plants, err := here.Plants()
	if err != nil {
		return p, read, err
	}
	read, problems := p.recorded(plants, here.Today)
	p.Problems = append(p.Problems, problems...)
	return p, read, nil
}

// Ours says whether the program wrote a file: an archive, entries, or a register, whose rows
// have ids.
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
	has := func(heading string) bool { return slices.Contains(cells, heading) }
	return has("recorded_at") || has("id") && has("name") && has("habit")
}

// archive gives the plants of a list as a register holds them.
func (p Preview) archive(today day.Day) (exchange.Archive, error) {
	var table bytes.Buffer
	out := csv.NewWriter(&table)
	rows := [][]string{{"label", "name", "kind", "habit", "place", "arrived", "from", "price", "pot_width_cm",
		"pot_depth_cm", "medium", "leaves", "growths", "packing", "had", "isolated", "note"}}
	for _, one := range p.Plants {
		rows = append(rows, []string{
			one.Label, one.Name, one.Kind, one.Habit, one.Place, one.Arrived, one.From, written(one.Price), written(one.PotCM),
			written(one.DepthCM), one.Medium, written(one.Leaves), written(one.Growths), one.Packing, one.Had,
			strconv.FormatBool(one.Apart), one.Note,
		})
	}
	if err := out.WriteAll(rows); err != nil {
		return exchange.Archive{}, err
	}
	return exchange.Understand(table.Bytes(), today)
}

// written is a number as a table has it; empty where there is none.
func written[T int | float64](v *T) string {
	if v == nil {
		return ""
	}
	return strconv.FormatFloat(float64(*v), 'f', -1, 64)
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
