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
	Skipped    int    `json:"skipped" doc:"Rows that are no readings."`
	Doubled    int    `json:"doubled" doc:"Readings of a time that came again: the last of each counts."`
	// DayOrMonth says that its dates can be read with day or month first, and nothing tells.
	DayOrMonth bool `json:"dayOrMonth"`
}

// What a file may be.
const (
	MostRows  = 500_000
	lastLines = 20 // by which the separator and the width are judged
)

var (
	errEmpty  = errors.New("the file has no readings: it wants a heading and rows of time, temperature and humidity")
	errNoTime = errors.New("no column of the file is a time; name one “time” or “date”")
	errNoTemp = errors.New("the file has neither a temperature nor a humidity; " +
		"name the columns “temperature” and “humidity”")
	errTimes = errors.New("its times cannot be read all in one way; write them like 2026-03-01 14:30")
)

// Read reads a file of an instrument. Times without a zone are of the place's zone. Where a
// date can have day or month first, monthFirst decides; nil lets the file decide, and
// DayOrMonth says that it could not.
func Read(text string, zone *time.Location, monthFirst *bool) (File, error) {
	text = strings.TrimPrefix(text, "\ufeff")
	lines := slices.DeleteFunc(strings.Split(strings.ReplaceAll(text, "\r\n", "\n"), "\n"), func(l string) bool {
		return strings.TrimSpace(l) == ""
	})
	if len(lines) < 2 {
		return File{}, errEmpty
	}
	if len(lines) > MostRows {
		return File{}, fmt.Errorf("the file has %d rows; give at most %d at a time", len(lines), MostRows)
	}
	f := File{Separator: separatorOf(lines)}
	rows, err := cells(strings.Join(lines, "\n"), f.Separator)
	if err != nil {
		return f, err
	}
	head, body, err := f.split(rows)
	if err != nil {
		return f, err
	}
	c, err := columnsOf(head)
	if err != nil {
		return f, err
	}
	stamps := make([]string, len(body))
	for i, row := range body {
		stamps[i] = strings.TrimSpace(row[c.time])
		if c.clock >= 0 {
			stamps[i] += " " + strings.TrimSpace(row[c.clock])
		}
	}
	times, err := f.times(stamps, zone, monthFirst)
	if err != nil {
		return f, err
	}
	f.fill(head, body, times, c)
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

func cells(text, separator string) (rows [][]string, err error) {
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
		rows = append(rows, row)
	}
}

// split finds the heading: the first row of the usual width with words in nearly every cell.
// What stands above it is the instrument's chatter.
func (f *File) split(rows [][]string) (head []string, body [][]string, err error) {
	widths := map[int]int{}
	for _, row := range rows[max(0, len(rows)-lastLines):] {
		widths[len(row)]++
	}
	width := 0
	for w, n := range widths {
		if n > widths[width] || n == widths[width] && w > width {
			width = w
		}
	}
	for i, row := range rows {
		if len(row) != width || !worded(row) {
			continue
		}
		for _, r := range rows[i+1:] {
			if len(r) == width {
				body = append(body, r)
			}
		}
		f.Skipped = len(rows) - i - 1 - len(body)
		if len(body) == 0 {
			return nil, nil, errEmpty
		}
		return row, body, nil
	}
	return nil, nil, errEmpty
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
func (f *File) fill(head []string, body [][]string, times []time.Time, c columns) {
	column := func(at int) []*float64 {
		list := make([]*float64, len(body))
		for i, row := range body {
			if at < 0 {
				continue
			}
			if v, is := number(row[at]); is {
				list[i] = &v
			}
		}
		return list
	}
	temps, wets := column(c.temp), column(c.humidity)
	if c.temp >= 0 {
		name := strings.ToLower(head[c.temp])
		f.Fahrenheit = inF.MatchString(name) || !inC.MatchString(name) && median(temps) > warmest
	}
	share := c.humidity >= 0 && greatest(wets) <= 1.01
	for i := range body {
		if temps[i] != nil && f.Fahrenheit {
			*temps[i] = (*temps[i] - 32) / 1.8
		}
		if wets[i] != nil && share {
			*wets[i] *= 100
		}
		f.Rows = append(f.Rows, Row{times[i], temps[i], wets[i]})
	}
	slices.SortStableFunc(f.Rows, func(x, y Row) int { return x.At.Compare(y.At) })
	f.once()
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
