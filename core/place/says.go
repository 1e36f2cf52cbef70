package place

import (
	"fmt"
	"math"
	"strings"
	"time"
)

// bands are the words for light at the leaves, mol a square metre and day (common practice
// for foliage; ferns do with dim, cacti want very bright).
var bands = []struct {
	below float64
	word  string
}{
	{1, "too dark for nearly all plants"}, {3, "dim"}, {7, "of middling light"}, {14, "bright"},
	{math.Inf(1), "very bright"},
}

// LightWord says how bright a place is in a word.
func LightWord(light float64) string {
	for _, b := range bands {
		if light < b.below {
			return b.word
		}
	}
	return bands[len(bands)-1].word
}

// Says puts a year of a place into sentences that are read in five seconds; empty without one.
func Says(year []MonthThere) string {
	if len(year) == 0 {
		return ""
	}
	dark, bright, cold, sunny := year[0], year[0], year[0], year[0]
	for _, m := range year {
		if m.Light < dark.Light {
			dark = m
		}
		if m.Light > bright.Light {
			bright = m
		}
		if m.Night < cold.Night {
			cold = m
		}
		if m.SunMost > sunny.SunMost {
			sunny = m
		}
	}
	var said []string
	if worst, best := LightWord(dark.Light), LightWord(bright.Light); worst == best {
		from, to := sayMol(dark.Light), sayMol(bright.Light)
		if from != to {
			from += " to " + to
		}
		said = append(said, fmt.Sprintf("%s all year (%s mol)", upper(best), from))
	} else {
		said = append(said, fmt.Sprintf("%s in %s (%s mol), %s in %s (%s)",
			upper(worst), monthName(dark.Month), sayMol(dark.Light), best, monthName(bright.Month), sayMol(bright.Light)))
	}
	switch span := sunny.SunTo - sunny.SunFrom; {
	case sunny.SunMost < 0.5:
		said = append(said, "no sun reaches it")
	case span-sunny.SunMost > 2:
		said = append(said, fmt.Sprintf("sun early and late in the day in %s", monthName(sunny.Month)))
	default:
		said = append(said, fmt.Sprintf("sun between %.0f and %.0f o’clock in %s",
			math.Floor(sunny.SunFrom), math.Ceil(sunny.SunTo), monthName(sunny.Month)))
	}
	night := math.Round(cold.Night) + 0 // no minus before a zero
	said = append(said, fmt.Sprintf("nights down to about %.0f °C in %s", night, monthName(cold.Month)))
	return strings.Join(said, "; ") + "."
}

func upper(words string) string { return strings.ToUpper(words[:1]) + words[1:] }

func monthName(month int) string { return time.Month(month).String() }

func sayMol(v float64) string {
	if v < 10 {
		return fmt.Sprintf("%.1f", v)
	}
	return fmt.Sprintf("%.0f", v)
}
