package list

import (
	"regexp"
	"strconv"
	"strings"
	"time"

	"tendermend/core/day"
)

// order is in which order a column writes day and month.
type order int

const (
	either     order = iota // nothing tells
	dayFirst                // 24/11/2026
	monthFirst              // 11/24/2026
)

var (
	numbers = regexp.MustCompile(`^(\d{1,4})\s*[-./]\s*(\d{1,2})\s*[-./]\s*(\d{1,4})(?:[ t].*)?$`)
	worded  = regexp.MustCompile(`^(?:(\d{1,2})(?:st|nd|rd|th)?\.?\s+(?:of\s+)?([a-z]{3,})\.?,?\s+(\d{2,4})` +
		`|([a-z]{3,})\.?\s+(\d{1,2})(?:st|nd|rd|th)?,?\s+(\d{4})|([a-z]{3,})\.?\s+(\d{4}))$`)
	joined    = regexp.MustCompile(`^((?:19|20)\d{2})(\d{2})(\d{2})$`)
	dayDashed = regexp.MustCompile(`^(\d{1,2})-([a-z]{3,})-(\d{2,4})$`)
)

// orderOf finds out how the days of some columns are written, from those that can be read
// in one way only.
func orderOf(rows []line, columns []int) order {
	for _, row := range rows {
		for _, i := range columns {
			if i >= len(row.cells) {
				continue
			}
			m := numbers.FindStringSubmatch(row.cells[i])
			if m == nil || len(m[1]) > 2 {
				continue
			}
			a, _ := strconv.Atoi(m[1])
			b, _ := strconv.Atoi(m[2])
			switch {
			case a > 12 && b <= 12:
				return dayFirst
			case b > 12 && a <= 12:
				return monthFirst
			}
		}
	}
	return either
}

// dayOf reads a day in the usual forms; why says what keeps it from being one, in plain
// words.
func (r *reader) dayOf(said string) (d day.Day, why string) {
	text := strings.ToLower(strings.TrimSpace(said))
	switch text {
	case "today", "now":
		return r.today, ""
	case "yesterday":
		return r.today - 1, ""
	}
	if m := numbers.FindStringSubmatch(text); m != nil {
		return r.numbered(said, m)
	}
	if m := worded.FindStringSubmatch(text); m != nil {
		switch {
		case m[1] != "":
			return r.made(said, m[3], m[2], m[1])
		case m[4] != "":
			return r.made(said, m[6], m[4], m[5])
		}
		return r.made(said, m[8], m[7], "1")
	}
	if m := dayDashed.FindStringSubmatch(text); m != nil {
		return r.made(said, m[3], m[2], m[1])
	}
	if m := joined.FindStringSubmatch(text); m != nil {
		return r.made(said, m[1], m[2], m[3])
	}
	// Spreadsheets count days since the end of 1899.
	if n, err := strconv.ParseFloat(text, 64); err == nil && n > 20000 && n < 80000 {
		return r.before(day.Of(1899, time.December, 30) + day.Day(n))
	}
	return 0, "this is no day that can be read; write it as 2026-03-24"
}

// numbered reads a day that is written in numbers alone.
func (r *reader) numbered(said string, m []string) (day.Day, string) {
	if len(m[1]) == 4 {
		return r.made(said, m[1], m[2], m[3])
	}
	if len(m[1]) == 3 || len(m[3]) == 1 || len(m[3]) == 3 {
		return 0, "this is no day that can be read; write it as 2026-03-24"
	}
	a, _ := strconv.Atoi(m[1])
	b, _ := strconv.Atoi(m[2])
	switch {
	case b > 12 || a <= 12 && r.days == monthFirst && !strings.Contains(said, "."):
		return r.made(said, m[3], m[1], m[2])
	case a > 12 || a == b || r.days == dayFirst || strings.Contains(said, "."):
		return r.made(said, m[3], m[2], m[1]) // with points the day comes first everywhere
	}
	return 0, "day and month could be either way round here; write it as 2026-03-24"
}

// made makes a day of its parts, the month by number or name.
func (r *reader) made(said, year, month, dayOfMonth string) (day.Day, string) {
	y, _ := strconv.Atoi(year)
	d, _ := strconv.Atoi(dayOfMonth)
	if len(year) == 2 {
		y += 2000
	}
	mo, err := strconv.Atoi(month)
	if err != nil {
		mo = monthOf(month)
	}
	made, is := day.Made(y, mo, d)
	if !is {
		return 0, "there is no such day as " + said + "; write it as 2026-03-24"
	}
	return r.before(made)
}

// before refuses days that are still to come.
func (r *reader) before(d day.Day) (day.Day, string) {
	if d > r.today {
		return 0, d.Words() + " is still to come; give today or an earlier day"
	}
	return d, ""
}

// monthOf is the number of a month by its name or its first letters; 0 where there is none.
func monthOf(name string) int {
	for m := time.January; m <= time.December; m++ {
		full := strings.ToLower(m.String())
		if name == full || len(name) >= 3 && strings.HasPrefix(full, name) || name == "sept" && m == time.September {
			return int(m)
		}
	}
	return 0
}
