package logger

import (
	"regexp"
	"strconv"
	"time"
)

// layout is a way to write times; those with day and month in figures can be taken for one
// another.
type layout struct {
	of         string
	monthFirst *bool
}

var (
	yes, no = true, false
	layouts = []layout{
		{"2006-01-02T15:04:05", nil}, {"2006-01-02 15:04:05", nil}, {"2006-01-02T15:04", nil}, {"2006-01-02 15:04", nil},
		{"2.1.2006 15:04:05", nil}, {"2.1.2006 15:04", nil}, {"2.1.06 15:04:05", nil}, {"2.1.06 15:04", nil},
		{"1/2/2006 15:04:05", &yes}, {"2/1/2006 15:04:05", &no}, {"1/2/2006 15:04", &yes}, {"2/1/2006 15:04", &no},
		{"1/2/2006 3:04 PM", &yes}, {"2/1/2006 3:04 PM", &no},
		{"1/2/2006 3:04:05 PM", &yes}, {"2/1/2006 3:04:05 PM", &no},
		{"2006/1/2 15:04", nil}, {"2006/1/2 15:04:05", nil},
	}
	zoned    = regexp.MustCompile(`(Z|[+-]\d\d:?\d\d)$`)
	parts    = regexp.MustCompile(`(\d\d:\d\d:\d\d)\.\d+`)
	seconds  = regexp.MustCompile(`^\d{10}(\.\d+)?$`)
	millis   = regexp.MustCompile(`^\d{13}$`)
	withZone = []string{"2006-01-02T15:04:05Z07:00", "2006-01-02T15:04:05Z0700", "2006-01-02T15:04Z07:00"}
)

// times reads all times in one way: among several ways the one whose times never run back and
// span least.
func (f *File) times(stamps []string, zone *time.Location, monthFirst *bool) ([]time.Time, error) {
	for i, s := range stamps {
		stamps[i] = parts.ReplaceAllString(s, "$1")
	}
	if list, is := counted(stamps, seconds, time.Second); is {
		f.Times = "seconds since 1970"
		return list, nil
	}
	if list, is := counted(stamps, millis, time.Millisecond); is {
		f.Times = "milliseconds since 1970"
		return list, nil
	}
	if zoned.MatchString(stamps[0]) {
		for _, of := range withZone {
			if list, is := parsed(stamps, of, time.UTC); is {
				f.Times = "with their zone"
				return list, nil
			}
		}
	}
	best, by := f.likeliest(stamps, zone, monthFirst)
	if best == nil {
		return nil, errTimes
	}
	f.Times = "as " + time.Date(2026, 3, 31, 14, 5, 0, 0, time.UTC).Format(by.of)
	return best, nil
}

// likeliest is the way of writing that fits all, whose times run back least and span least;
// nil where none fits. It says where day and month cannot be told apart.
func (f *File) likeliest(stamps []string, zone *time.Location, monthFirst *bool) (best []time.Time, by layout) {
	for _, l := range layouts {
		if l.monthFirst != nil && monthFirst != nil && *l.monthFirst != *monthFirst {
			continue
		}
		list, is := parsed(stamps, l.of, zone)
		if !is {
			continue
		}
		if best == nil {
			best, by = list, l
			continue
		}
		switch back, least := back(list)-back(best), span(list)-span(best); {
		case back < 0 || back == 0 && least < 0:
			best, by, f.DayOrMonth = list, l, false
		case back == 0 && least == 0 && l.monthFirst != nil && by.monthFirst != nil:
			f.DayOrMonth = true
		}
	}
	return best, by
}

func counted(stamps []string, as *regexp.Regexp, unit time.Duration) ([]time.Time, bool) {
	list := make([]time.Time, len(stamps))
	for i, s := range stamps {
		if !as.MatchString(s) {
			return nil, false
		}
		n, err := strconv.ParseFloat(s, 64)
		if err != nil {
			return nil, false
		}
		list[i] = time.Unix(0, int64(n*float64(unit))).UTC()
	}
	return list, true
}

func parsed(stamps []string, of string, zone *time.Location) ([]time.Time, bool) {
	list := make([]time.Time, len(stamps))
	for i, s := range stamps {
		t, err := time.ParseInLocation(of, s, zone)
		if err != nil {
			return nil, false
		}
		list[i] = t.UTC()
	}
	return list, true
}

// back counts how often times run back; span is how many days they go over.
func back(list []time.Time) (n int) {
	for i := 1; i < len(list); i++ {
		if list[i].Before(list[i-1]) {
			n++
		}
	}
	return n
}

func span(list []time.Time) int {
	return int(list[len(list)-1].Sub(list[0]).Abs().Hours() / 24)
}
