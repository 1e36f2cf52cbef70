// Package logger reads the files of instruments that write down temperature and humidity,
// whatever their separator, headings and times, throws senseless readings out, and makes
// days of the rest.
package logger

import (
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"time"

	"tendermend/core/day"
	"tendermend/core/working"
)

// Row is one reading; nil where the instrument gave none.
type Row struct {
	At       time.Time
	TempC    *float64
	Humidity *float64 // percent
}

// File is what was read.
type File struct {
	Rows []Row `json:"-"`
	// How it was read, to be shown and doubted.
	Separator  string `json:"separator"`
	Times      string `json:"times" doc:"How its times were read."`
	Fahrenheit bool   `json:"fahrenheit"`
	Skipped    int    `json:"skipped" doc:"Rows below the heading that are no readings."`
	// Passed are the first of those that were skipped.
	Passed  []Passed `json:"passed" doc:"The first of them, with why."`
	Doubled int      `json:"doubled" doc:"Readings of a time that came again: the last of each counts."`
	// DayOrMonth says that its dates can be read with day or month first, and nothing tells.
	DayOrMonth bool `json:"dayOrMonth"`
}

// Passed is a row that is no reading.
type Passed struct {
	Row int    `json:"row" doc:"Its line in the file, from 1."`
	Why string `json:"why"`
}

// What a file may be, and what of it is told.
const (
	MostRows  = 500_000
	lastLines = 20 // by which the separator and the width are judged
	toldRows  = 10 // of those that are no readings
)

// pass passes a row over: it is no reading.
func (f *File) pass(row int, why string) { f.Passed = append(f.Passed, Passed{row, why}) }

// passed counts the rows that were passed over, and keeps the first to be told.
func (f *File) passed() {
	f.Skipped = len(f.Passed)
	slices.SortFunc(f.Passed, func(x, y Passed) int { return x.Row - y.Row })
	f.Passed = f.Passed[:min(len(f.Passed), toldRows)]
}

var (
	errEmpty  = errors.New("the file has no readings: it wants a heading and rows of time, temperature and humidity")
	errNoTime = errors.New("no column of the file is a time; name one “time” or “date”")
	errNoTemp = errors.New("the file has neither a temperature nor a humidity; " +
		"name the columns “temperature” and “humidity”")
	errTimes = errors.New("its times cannot be read all in one way; write them like 2026-03-01 14:30")
)

// Read reads a file of an instrument. Times without a zone are of the place's zone. Where a
// date can have day or month first, monthFirst decides; nil lets the file decide, and
// DayOrMonth says that it could not. A row that is no reading is passed over and told; where
// most of the times lie behind now, the instrument's clock is wrong and nothing is read.
func Read(text string, zone *time.Location, now time.Time, monthFirst *bool) (File, error) {
	text = strings.TrimPrefix(text, "\ufeff")
	lines := slices.DeleteFunc(strings.Split(text, "\n"), func(l string) bool { return strings.TrimSpace(l) == "" })
	if len(lines) < 2 {
		return File{}, errEmpty
	}
	if len(lines) > MostRows {
		return File{}, fmt.Errorf("the file has %d rows; give at most %d at a time", len(lines), MostRows)
	}
	f := File{Separator: separatorOf(lines), Passed: []Passed{}}
	rows, err := cells(text, f.Separator)
	if err != nil {
		return f, err
	}
	head, body, err := f.split(rows)
	if err != nil {
		return f, err
	}
	c, err := columnsOf(head.cells)
	if err != nil {
		return f, err
	}
	stamps := make([]string, len(body))
	for i, row := range body {
		stamps[i] = strings.TrimSpace(row.cells[c.time])
		if c.clock >= 0 {
			stamps[i] += " " + strings.TrimSpace(row.cells[c.clock])
		}
	}
	times, err := f.times(stamps, zone, monthFirst)
	if err != nil {
		return f, err
	}
	if err := f.fill(head.cells, body, stamps, times, c, now); err != nil {
		return f, err
	}
	f.passed()
	return f, nil
}

// separatorOf is the sign that comes most often in the last lines, by their median.
func separatorOf(lines []string) string {
	last := lines[max(0, len(lines)-lastLines):]
	best, most := ",", -1
	for _, sign := range []string{";", "\t", ",", "|"} {
		counts := make([]int, len(last))
		for i, l := range last {
			counts[i] = strings.Count(l, sign)
		}
		slices.Sort(counts)
		if n := counts[len(counts)/2]; n > most {
			best, most = sign, n
		}
	}
	return best
}

// line is a row of the table with its line in the file.
type line struct {
	n     int
	cells []string
}

func cells(text, separator string) (rows []line, err error) {
	r := csv.NewReader(strings.NewReader(text))
	r.Comma = rune(separator[0])
	r.FieldsPerRecord, r.LazyQuotes, r.ReuseRecord = -1, true, false
	for {
		row, err := r.Read()
		if errors.Is(err, io.EOF) {
			return rows, nil
		}
		if err != nil {
			return nil, fmt.Errorf("the file cannot be read as a table: %w", err)
		}
		n, _ := r.FieldPos(0)
		if strings.TrimSpace(strings.Join(row, "")) != "" {
			rows = append(rows, line{n, row})
		}
	}
}

// split finds the heading: the first row of the usual width with words in nearly every cell.
// What stands above it is the instrument's chatter.
func (f *File) split(rows []line) (head line, body []line, err error) {
	widths := map[int]int{}
	for _, row := range rows[max(0, len(rows)-lastLines):] {
		widths[len(row.cells)]++
	}
	width := 0
	for w, n := range widths {
		if n > widths[width] || n == widths[width] && w > width {
			width = w
		}
	}
	for i, row := range rows {
		if len(row.cells) != width || !worded(row.cells) {
			continue
		}
		for _, r := range rows[i+1:] {
			if len(r.cells) == width {
				body = append(body, r)
			} else {
				f.pass(r.n, fmt.Sprintf("it has %s and the heading %d", working.Count(len(r.cells), "column"), width))
			}
		}
		if len(body) == 0 {
			return line{}, nil, errEmpty
		}
		return row, body, nil
	}
	return line{}, nil, errEmpty
}

// worded says whether nearly every cell of a row is a word.
func worded(row []string) bool {
	words := 0
	for _, cell := range row {
		if _, is := number(cell); !is {
			words++
		}
	}
	return words >= max(1, len(row)-1)
}

// columns are where the file has what.
type columns struct{ time, clock, temp, humidity int }

// What headings say; in the languages of the instruments that are about.
var (
	timeWords  = regexp.MustCompile(`time|date|stamp|zeit|datum|fecha|heure`)
	dateOnly   = regexp.MustCompile(`^(date|datum|fecha|day)$`)
	clockWords = regexp.MustCompile(`^time|^zeit|^uhrzeit|^hora|^heure`)
	tempWords  = regexp.MustCompile(`temp|°|celsius|fahrenheit|^t(_|$|\b)`)
	notTemp    = regexp.MustCompile(`humid|\brh|dew|tau|%`)
	wetWords   = regexp.MustCompile(`humid|rh\b|r\.h|feucht|^h(_|$|\b)|hum\b|%`)
	notWet     = regexp.MustCompile(`temp|dew|tau`)
	inF        = regexp.MustCompile(`°?f\b|fahr`)
	inC        = regexp.MustCompile(`°?c\b|cels`)
)

func columnsOf(head []string) (columns, error) {
	find := func(is func(name string) bool, not ...int) int {
		return slices.IndexFunc(head, func(h string) bool {
			return is(strings.ToLower(strings.TrimSpace(h))) && !slices.Contains(not, slices.Index(head, h))
		})
	}
	c := columns{time: find(timeWords.MatchString), clock: -1}
	if c.time < 0 {
		return c, errNoTime
	}
	if dateOnly.MatchString(strings.ToLower(strings.TrimSpace(head[c.time]))) {
		c.clock = find(clockWords.MatchString, c.time)
	}
	c.temp = find(func(h string) bool { return tempWords.MatchString(h) && !notTemp.MatchString(h) }, c.time, c.clock)
	wet := func(h string) bool { return wetWords.MatchString(h) && !notWet.MatchString(h) }
	c.humidity = find(wet, c.time, c.clock, c.temp)
	if c.temp < 0 && c.humidity < 0 {
		return c, errNoTemp
	}
	return c, nil
}

var signs = regexp.MustCompile(`[^\d,.\-+]`)

// number reads a number with a comma or a point, whatever unit stands behind it.
func number(cell string) (float64, bool) {
	cell = signs.ReplaceAllString(cell, "")
	if strings.Count(cell, ",") == 1 && !strings.Contains(cell, ".") {
		cell = strings.Replace(cell, ",", ".", 1)
	}
	v, err := strconv.ParseFloat(cell, 64)
	return v, err == nil
}

// warmest is the median above which a temperature without a unit is in °F: no plants live in a
// room of 45 °C.
const warmest = 45

// fill reads the numbers and puts the rows in order of time, the last of each time only.
func (f *File) fill(
	head []string, body []line, stamps []string, times []*time.Time, c columns, now time.Time,
) error {
	temps, wets := column(body, c.temp), column(body, c.humidity)
	if c.temp >= 0 {
		name := strings.ToLower(head[c.temp])
		f.Fahrenheit = inF.MatchString(name) || !inC.MatchString(name) && median(temps) > warmest
	}
	f.inUnits(temps, wets)
	var late *time.Time
	for i, row := range body {
		switch {
		case times[i] == nil:
			f.pass(row.n, "“"+stamps[i]+"” is no time")
		case temps[i] == nil && wets[i] == nil:
			f.pass(row.n, "it has neither a temperature nor a humidity")
		case times[i].After(now.Add(24 * time.Hour)):
			late = times[i]
			f.pass(row.n, "“"+stamps[i]+"” is yet to come")
		default:
			f.Rows = append(f.Rows, Row{*times[i], temps[i], wets[i]})
		}
	}
	switch {
	case late != nil && len(f.Rows) <= len(body)/2:
		return fmt.Errorf("most of its readings are yet to come, as that of %s: set the instrument's clock, "+
			"or say whether day or month stands first", day.At(*late).Words())
	case len(f.Rows) == 0:
		return errEmpty
	}
	slices.SortStableFunc(f.Rows, func(x, y Row) int { return x.At.Compare(y.At) })
	f.once()
	return nil
}

// column reads the numbers of a column; nil where a row has none, or the file no such column.
func column(body []line, at int) []*float64 {
	list := make([]*float64, len(body))
	for i, row := range body {
		if at < 0 {
			continue
		}
		if v, is := number(row.cells[at]); is {
			list[i] = &v
		}
	}
	return list
}

// inUnits makes °C of °F, and percent of shares.
func (f *File) inUnits(temps, wets []*float64) {
	share := greatest(wets) <= 1.01
	for i := range temps {
		if temps[i] != nil && f.Fahrenheit {
			*temps[i] = (*temps[i] - 32) / 1.8
		}
		if wets[i] != nil && share {
			*wets[i] *= 100
		}
	}
}

// once keeps the last reading of each time, in order of time.
func (f *File) once() {
	kept := f.Rows[:0]
	for i, r := range f.Rows {
		if i+1 < len(f.Rows) && f.Rows[i+1].At.Equal(r.At) {
			f.Doubled++
			continue
		}
		kept = append(kept, r)
	}
	f.Rows = kept
}

func known(values []*float64) (list []float64) {
	for _, v := range values {
		if v != nil {
			list = append(list, *v)
		}
	}
	return list
}

func median(values []*float64) float64 {
	list := known(values)
	if len(list) == 0 {
		return 0
	}
	slices.Sort(list)
	return list[len(list)/2]
}

func greatest(values []*float64) float64 {
	list := known(values)
	if len(list) == 0 {
		return 100
	}
	return slices.Max(list)
}
