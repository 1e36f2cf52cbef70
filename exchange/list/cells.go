package list

import (
	"encoding/csv"
	"strings"
)

// line is a row of the file, with its number as a spreadsheet counts.
type line struct {
	n     int
	cells []string
}

// separators are tried in this order; the one that parts the rows best is taken.
var separators = []rune{';', '\t', ',', '|'}

// split parts a text into rows and cells.
func split(text string) []line {
	text = strings.TrimPrefix(text, "\ufeff")
	first := 1
	// A spreadsheet may name its separator in a line of its own.
	if head, rest, _ := strings.Cut(text, "\n"); strings.HasPrefix(strings.ToLower(head), "sep=") {
		text, first = rest, 2
	}
	best, most := []line(nil), 0
	for _, by := range separators {
		rows := parted(text, by, first)
		if score := evenness(rows); best == nil || score > most {
			best, most = rows, score
		}
	}
	return best
}

// parted parts a text by one separator; quotes that are not closed are taken as letters.
func parted(text string, by rune, first int) (rows []line) {
	in := csv.NewReader(strings.NewReader(text))
	in.Comma, in.FieldsPerRecord, in.LazyQuotes, in.TrimLeadingSpace = by, -1, true, by != '\t'
	within := 0 // line breaks inside quotes: a spreadsheet counts them as one row
	for {
		cells, err := in.Read()
		if err != nil {
			return rows
		}
		at, _ := in.FieldPos(0)
		n := at + first - 1 - within
		empty := true
		for i, c := range cells {
			within += strings.Count(c, "\n")
			cells[i] = tidy(c)
			empty = empty && cells[i] == ""
		}
		if !empty {
			rows = append(rows, line{n, cells})
		}
	}
}

// tidy takes spaces off a cell, and the apostrophe that keeps words from being a formula.
func tidy(c string) string {
	c = strings.Join(strings.Fields(strings.ReplaceAll(c, "\u00a0", " ")), " ")
	if len(c) > 1 && c[0] == '\'' && strings.ContainsRune("=+-@", rune(c[1])) {
		return c[1:]
	}
	return c
}

// evenness says how well a separator parts the rows: many rows with as many cells as the
// first, and those many.
func evenness(rows []line) int {
	if len(rows) == 0 || len(rows[0].cells) < 2 {
		return 0
	}
	wide, like := len(rows[0].cells), 0
	for _, row := range rows[:min(len(rows), 50)] {
		if len(row.cells) == wide {
			like++
		}
	}
	return like*100/min(len(rows), 50)*10 + min(wide, 30)
}
