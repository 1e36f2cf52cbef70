package list

import (
	_ "embed"
	"fmt"
	"slices"
	"strings"
	"sync"

	"github.com/agnivade/levenshtein"

	"tendermend/core/recovery"
	"tendermend/exchange/plain"
)

// field is what a column tells.
type field string

// The fields of a list.
const (
	fieldName    field = "name"
	fieldKind    field = "kind"
	fieldHabit   field = "habit"
	fieldLabel   field = "label"
	fieldArrived field = "arrived"
	fieldPlace   field = "place"
	fieldFrom    field = "from"
	fieldPrice   field = "price"
	fieldPot     field = "pot"
	fieldMedium  field = "medium"
	fieldLeaves  field = "leaves"
	fieldGrowths field = "growths"
	fieldDepth   field = "depth"
	fieldPacking field = "packing"
	fieldHad     field = "had"
	fieldApart   field = "isolated"
	fieldNote    field = "note"

	fieldOn      field = "on" // the day of a reading
	fieldMeasure field = "measure"
	fieldValue   field = "value"
	fieldWatered field = "watered"
	fieldWeight  field = "weight"
)

// Fields lists what a column may be taken for.
func Fields() []string {
	list := []string{}
	for _, w := range fieldWords {
		list = append(list, string(w.is))
	}
	return list
}

//go:embed headings.txt
var headings string

// fieldWords are what people call each field; the first that fits is taken.
var fieldWords = readWords(headings)

type called struct {
	is    field
	words []string
}

// readWords reads a field in each line, with its words behind it.
func readWords(text string) (list []called) {
	for row := range strings.Lines(text) {
		is, words, _ := strings.Cut(strings.TrimSpace(row), ":")
		one := called{is: field(is)}
		for w := range strings.SplitSeq(words, ";") {
			one.words = append(one.words, strings.TrimSpace(w))
		}
		list = append(list, one)
	}
	return list
}

// sense is a heading without capitals, accents, marks and what stands in brackets.
func sense(heading string) string {
	if i := strings.IndexAny(heading, "(["); i > 0 {
		heading = heading[:i]
	}
	return plain.Words(heading)
}

// fieldOf is what a heading tells: by its words, as a measure, with a letter wrong, then by
// the first of its words that tells something.
func fieldOf(heading string) field {
	said := sense(heading)
	if said == "" {
		return ""
	}
	for _, f := range fieldWords {
		if slices.Contains(f.words, said) {
			return f.is
		}
	}
	if m := measureOf(heading); m != "" {
		return field(m)
	}
	for _, fits := range []func(word string) bool{
		func(w string) bool { return len(said) > 4 && len(w) > 4 && near(w, said) },
		func(w string) bool { return len(w) > 3 && slices.Contains(strings.Fields(said), w) },
	} {
		for _, f := range fieldWords {
			if slices.ContainsFunc(f.words, fits) {
				return f.is
			}
		}
	}
	return ""
}

// measureOf is the measure that a heading, or a cell, names; empty where there is none.
func measureOf(said string) string {
	name := sense(said)
	if name == "" {
		return ""
	}
	return measuresByName()[name]
}

// measuresByName are the measures by what they are called, in the order of the tables.
var measuresByName = sync.OnceValue(func() map[string]string {
	list := map[string]string{}
	for _, m := range recovery.Measures() {
		for _, called := range []string{m.ID, m.Short, m.Ask} {
			if _, taken := list[sense(called)]; !taken {
				list[sense(called)] = m.ID
			}
		}
	}
	return list
})

// near says whether two words differ by one letter at most.
func near(a, b string) bool { return levenshtein.ComputeDistance(a, b) <= 1 }

// head reads the headings and gives the rows below them. A list without headings is a name
// in each row, or what each column looks like.
func (r *reader) head(rows []line, as map[string]string) []line {
	first := rows[0]
	fields := make([]field, len(first.cells))
	known := 0
	for i, h := range first.cells {
		fields[i] = fieldOf(h)
		if told, is := as[h]; is {
			fields[i] = field(told)
		}
		if fields[i] != "" {
			known++
		}
	}
	if known == 0 || known == 1 && len(first.cells) > 2 && !slices.Contains(fields, fieldName) {
		return r.headless(rows)
	}
	for i, h := range first.cells {
		if fields[i] != "" && slices.Contains(fields[:i], fields[i]) {
			r.problem(first.n, h, fmt.Sprintf("two columns are taken for %s; this one is passed by", fields[i]))
			fields[i] = ""
		}
		r.out.Columns = append(r.out.Columns, Heading{h, string(fields[i])})
	}
	r.as = fields
	r.readingDay()
	r.passBy()
	return rows[1:]
}

// headless guesses the columns of a list that has no headings: the first that is no day, no
// kind and no number is the name.
func (r *reader) headless(rows []line) []line {
	wide := 0
	for _, row := range rows {
		wide = max(wide, len(row.cells))
	}
	r.as = make([]field, wide)
	for i := range wide {
		r.as[i] = r.looksLike(rows, i)
	}
	if !slices.Contains(r.as, fieldName) {
		if at := slices.Index(r.as, ""); at >= 0 {
			r.as[at] = fieldName
		} else if at := slices.Index(r.as, fieldKind); at >= 0 {
			r.as[at] = fieldName // a list of kinds: each plant is called by its own
		}
	}
	for i, as := range r.as {
		r.out.Columns = append(r.out.Columns, Heading{fmt.Sprintf("column %d", i+1), string(as)})
	}
	return rows
}

// looksLike is what most cells of a column look like; empty where they are words.
func (r *reader) looksLike(rows []line, at int) field {
	days, kinds, filled := 0, 0, 0
	for _, row := range rows[:min(len(rows), 40)] {
		if at >= len(row.cells) || row.cells[at] == "" {
			continue
		}
		filled++
		if numbers.MatchString(row.cells[at]) || worded.MatchString(strings.ToLower(row.cells[at])) {
			days++
		}
		if len(r.names.Called(row.cells[at])) == 1 {
			kinds++
		}
	}
	switch {
	case filled == 0:
		return ""
	case days*2 > filled && !slices.Contains(r.as, fieldArrived):
		return fieldArrived
	case kinds*2 > filled && !slices.Contains(r.as, fieldKind):
		return fieldKind
	}
	return ""
}

// readingDay takes the day of a list of readings for theirs, and not for an arrival.
func (r *reader) readingDay() {
	if !r.tellsReadings() {
		return
	}
	for i, as := range r.as {
		if as == fieldArrived && !slices.Contains(r.as, fieldOn) {
			r.as[i] = fieldOn
			r.out.Columns[i].As = string(fieldOn)
		}
	}
}

// ofReadings are the fields that a list of readings is read for, beside measures.
var ofReadings = []field{
	fieldName, fieldLabel, fieldOn, fieldMeasure, fieldValue, fieldWatered, fieldWeight,
}

// passBy takes the columns that such a list is not read for out of those that were understood:
// what a plant is out of a list of readings, and what was read out of a list of plants.
func (r *reader) passBy() {
	tells := r.tellsReadings()
	if !tells && !slices.Contains(r.as, fieldKind) && !slices.Contains(r.as, fieldHabit) {
		return // neither is sure yet
	}
	for i, as := range r.as {
		_, measure := recovery.MeasureByID(string(as))
		both := as == fieldName || as == fieldLabel
		if !both && tells != (measure || slices.Contains(ofReadings, as)) {
			r.as[i], r.out.Columns[i].As = "", ""
		}
	}
}

// tellsReadings says whether the rows tell what was read of plants, and not which there are.
func (r *reader) tellsReadings() bool {
	has := func(f field) bool { return slices.Contains(r.as, f) }
	if has(fieldKind) || has(fieldHabit) {
		return false
	}
	read := has(fieldValue) && has(fieldMeasure) || has(fieldWatered) || has(fieldWeight)
	for _, as := range r.as {
		_, measure := recovery.MeasureByID(string(as))
		read = read || measure
	}
	return read && (has(fieldOn) || has(fieldArrived)) && (has(fieldName) || has(fieldLabel))
}
