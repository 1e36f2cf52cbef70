package folder

import (
	"fmt"
	"regexp"
	"slices"
	"strconv"
	"strings"

	"tendermend/core/day"
	"tendermend/exchange/plain"
	"tendermend/record"
)

// unmarked takes the marks out that stand within a word.
var unmarked = strings.NewReplacer("’", "", "'", "")

// wordsOf is a name as it is compared: "Müller’s" is "mullers".
func wordsOf(name string) string { return plain.Words(unmarked.Replace(name)) }

// The days that stand in names: 2026-05-01, 20260501, 1.5.2026. What may be the day or the
// month is none: 01-05-2026 without points is not read.
var (
	yearFirst = regexp.MustCompile(`(?:^|\D)((?:19|20)\d\d)[-_. ]?([01]\d)[-_. ]?([0-3]\d)(?:\D|$)`)
	pointed   = regexp.MustCompile(`(?:^|\D)([0-3]?\d)\.([01]?\d)\.((?:19|20)\d\d)(?:\D|$)`)
	// counter are the words and numbers that cameras give their files.
	counter = regexp.MustCompile(`\b(?:img|dsc|dscn|dscf|pxl|pict|photo|image|whatsapp|mvimg|wa)?\d+\b|` +
		`\b(?:img|dsc|dscn|dscf|pxl|pict|photo|image|whatsapp|mvimg|copy|edited)\b`)
)

// dayIn reads the day that stands in a name; false where none does, or no such day is.
func dayIn(name string) (day.Day, bool) {
	for _, one := range []struct {
		re      *regexp.Regexp
		y, m, d int
	}{{yearFirst, 1, 2, 3}, {pointed, 3, 2, 1}} {
		m := one.re.FindStringSubmatch(name)
		if m == nil {
			continue
		}
		y, _ := strconv.Atoi(m[one.y])
		mo, _ := strconv.Atoi(m[one.m])
		d, _ := strconv.Atoi(m[one.d])
		if made, is := day.Made(y, mo, d); is {
			return made, true
		}
	}
	return 0, false
}

// dayOf is the day of a picture: what somebody wrote into its name or that of its folder,
// else what the camera wrote, and at last when the file was written.
func dayOf(f File, today day.Day) (*day.Day, Told) {
	parts := strings.Split(f.Path, "/")
	slices.Reverse(parts)
	for _, part := range parts {
		if on, is := dayIn(part); is {
			return &on, ByFile
		}
	}
	switch {
	case f.Camera != nil:
		return f.Camera, ByCamera
	case f.Written != nil && *f.Written <= today:
		return f.Written, ByWritten
	}
	return nil, ByNothing
}

// sideIn is the side that a name tells; the front where it tells none.
func sideIn(name string) record.Side {
	words := strings.Fields(wordsOf(name))
	for _, side := range record.Sides() {
		if slices.Contains(words, string(side)) {
			return side
		}
	}
	return record.SideFront
}

// rest is what is left of a name without its day, its side and what cameras write.
func rest(name string) string {
	name = pointed.ReplaceAllString(yearFirst.ReplaceAllString(name, " "), " ")
	words := strings.Fields(counter.ReplaceAllString(wordsOf(name), " "))
	words = slices.DeleteFunc(words, func(w string) bool { return slices.Contains(record.Sides(), record.Side(w)) })
	return strings.Join(words, " ")
}

// sizeWords tells a file from others of its name.
func sizeWords(f File) string {
	written := "-"
	if f.Written != nil {
		written = f.Written.String()
	}
	return fmt.Sprint(f.Size, " ", written)
}
