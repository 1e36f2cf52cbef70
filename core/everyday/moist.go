package everyday

import "regexp"

// wetLong is a medium that is still wet long after it should have dried.
const wetLong = "med.wet-long"

var (
	// moistly calls a medium what it may well be.
	moistly = regexp.MustCompile(`(?i)\b(?:moist|damp)\b`)
	// wetter says that it is more than that, or that it stays so.
	wetter = regexp.MustCompile(`(?i)\b(?:wet|sogg\w+|sodden|soak\w*|waterlogged|still|always|constant\w*|never|` +
		`forever|stay\w*|remain\w*|ages|days?|weeks?|months?|very|too)\b`)
)

// tooWetMaybe says whether parts are read as a medium that stays wet and only call it moist, which it may be as it
// should be.
func (f finding) tooWetMaybe(parts []part) bool {
	if f.near() == 0 || f.list[0].sign != wetLong {
		return false
	}
	moist := false
	for _, p := range parts {
		if wetter.MatchString(p.text) {
			return false
		}
		moist = moist || moistly.MatchString(p.text)
	}
	return moist
}
