package logger

import (
	"regexp"
	"strconv"
	"strings"
	"time"
)

// way is a way to write times; those with day and month in figures can be taken for one another.
type way struct {
	said       string // to whoever looks at how the file was read; empty where an example says it
	monthFirst *bool
	layout     string
	zoned      bool
	read       func(stamp string) (time.Time, bool) // nil where the layout reads it
}

var (
	yes, no = true, false
	ways    = []way{
		{said: "seconds since 1970", read: since1970(regexp.MustCompile(`^\d{10}(\.\d+)?$`), time.Second)},
		{said: "milliseconds since 1970", read: since1970(regexp.MustCompile(`^\d{13}$`), time.Millisecond)},
		{said: "with their zone", layout: "2006-01-02T15:04:05Z07:00", zoned: true},
		{said: "with their zone", layout: "2006-01-02T15:04:05Z0700", zoned: true},
		{said: "with their zone", layout: "2006-01-02T15:04Z07:00", zoned: true},
		{layout: "2006-01-02T15:04:05"}, {layout: "2006-01-02 15:04:05"},
		{layout: "2006-01-02T15:04"}, {layout: "2006-01-02 15:04"},
		{layout: "2.1.2006 15:04:05"}, {layout: "2.1.2006 15:04"}, {layout: "2.1.06 15:04:05"}, {layout: "2.1.06 15:04"},
		{layout: "1/2/2006 15:04:05", monthFirst: &yes}, {layout: "2/1/2006 15:04:05", monthFirst: &no},
		{layout: "1/2/2006 15:04", monthFirst: &yes}, {layout: "2/1/2006 15:04", monthFirst: &no},
		{layout: "1/2/2006 3:04 PM", monthFirst: &yes}, {layout: "2/1/2006 3:04 PM", monthFirst: &no},
		{layout: "1/2/2006 3:04:05 PM", monthFirst: &yes}, {layout: "2/1/2006 3:04:05 PM", monthFirst: &no},
		{layout: "2006/1/2 15:04"}, {layout: "2006/1/2 15:04:05"},
	}
	parts = regexp.MustCompile(`(\d\d:\d\d:\d\d)\.\d+`)
)

// since1970 reads a count of units.
func since1970(as *regexp.Regexp, unit time.Duration) func(string) (time.Time, bool) {
	return func(stamp string) (time.Time, bool) {
		if !as.MatchString(stamp) {
			return time.Time{}, false
		}
		n, err := strconv.ParseFloat(stamp, 64)
		return time.Unix(0, int64(n*float64(unit))).UTC(), err == nil
	}
}

// in reads a time as it is written this way; one without a zone is of the place's.
func (w way) in(stamp string, zone *time.Location) (time.Time, bool) {
	if w.read != nil {
		return w.read(stamp)
	}
	if w.zoned {
		zone = time.UTC
	}
	at, err := time.ParseInLocation(w.layout, stamp, zone)
	return at.UTC(), err == nil
}

// words say how times were read.
func (w way) words() string {
	if w.said != "" {
		return w.said
	}
	return "as " + time.Date(2026, 3, 31, 14, 5, 0, 0, time.UTC).Format(w.layout)
}

// timed are the times of a file as one way reads them; nil where a stamp is none.
type timed struct {
	by     way
	times  []*time.Time
	misfit int // stamps with figures that are no times
	back   int // how often times run back
	span   int // over how many days they go
}

// misfits is how many stamps with figures may be no times in the way that is taken: one in ten, and one in any case.
func misfits(stamps int) int { return max(1, stamps/10) }

// times reads all times in one way: of several the one that fits most, whose times run back least and span least. What
// has no figures, as “Sensor error”, is no time in any way.
func (f *File) times(stamps []string, zone *time.Location, monthFirst *bool) ([]*time.Time, error) {
	figures := make([]bool, len(stamps))
	n := 0
	for i, s := range stamps {
		stamps[i] = parts.ReplaceAllString(s, "$1")
		if figures[i] = strings.ContainsAny(s, "0123456789"); figures[i] {
			n++
		}
	}
	var best *timed
	for _, w := range ways {
		if w.monthFirst != nil && monthFirst != nil && *w.monthFirst != *monthFirst {
			continue
		}
		next := w.all(stamps, figures, misfits(n), zone)
		if next == nil || n-next.misfit <= next.misfit {
			continue
		}
		switch better := best == nil || next.better(best); {
		case better:
			best, f.DayOrMonth = next, false
		case !best.better(next) && next.by.monthFirst != nil && best.by.monthFirst != nil:
			f.DayOrMonth = true
		}
	}
	if best == nil {
		return nil, errTimes
	}
	f.Times = best.by.words()
	return best.times, nil
}

// all reads all stamps this way; nil where more than so many with figures are no times.
func (w way) all(stamps []string, figures []bool, most int, zone *time.Location) *timed {
	t := &timed{by: w, times: make([]*time.Time, len(stamps))}
	var first, last time.Time
	for i, s := range stamps {
		if !figures[i] {
			continue
		}
		at, is := w.in(s, zone)
		if !is {
			if t.misfit++; t.misfit > most {
				return nil
			}
			continue
		}
		if first.IsZero() {
			first = at
		} else if at.Before(last) {
			t.back++
		}
		t.times[i], last = &at, at
	}
	t.span = int(last.Sub(first).Abs().Hours() / 24)
	return t
}

func (t *timed) better(than *timed) bool {
	switch {
	case t.misfit != than.misfit:
		return t.misfit < than.misfit
	case t.back != than.back:
		return t.back < than.back
	}
	return t.span < than.span
}
