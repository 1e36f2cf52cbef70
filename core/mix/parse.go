package mix

import (
	"errors"
	"fmt"
	"strconv"
	"strings"
	"unicode"
)

// Quantity is an amount as it was written, in the unit that is kept: ml for
// volumes, g for weights.
type Quantity struct {
	Value float64 `json:"value"`
	Unit  string  `json:"unit" enum:"ml,g"`
}

type unit struct {
	kept   string
	factor float64
}

// units by the words people write. US measures are exact by definition (NIST SP
// 811): a US gallon is 3785.411784 ml, a tablespoon 1/256 of it, an avoirdupois
// ounce 28.349523125 g.
var units = map[string]unit{
	"ml": {
		"ml",
		1,
	}, "millilitre": {"ml", 1}, "milliliter": {"ml", 1}, "cc": {"ml", 1}, "cl": {"ml", 10}, "dl": {"ml", 100},
	"l": {"ml", 1000}, "litre": {"ml", 1000}, "liter": {"ml", 1000},
	"tsp": {
		"ml",
		Teaspoon,
	}, "teaspoon": {"ml", Teaspoon}, "tbsp": {"ml", Tablespoon}, "tablespoon": {"ml", Tablespoon},
	"cup": {
		"ml",
		16 * Tablespoon,
	}, "fl oz": {"ml", 2 * Tablespoon}, "floz": {"ml", 2 * Tablespoon}, "pint": {"ml", 32 * Tablespoon},
	"pt":    {"ml", 32 * Tablespoon},
	"quart": {"ml", 64 * Tablespoon}, "qt": {"ml", 64 * Tablespoon}, "gal": {"ml", Gallon}, "gallon": {"ml", Gallon},
	"mg": {
		"g",
		0.001,
	}, "g": {"g", 1}, "gram": {"g", 1}, "gramme": {"g", 1}, "kg": {"g", 1000}, "oz": {"g", 28.349523125},
	"ounce": {"g", 28.349523125}, "lb": {"g", 453.59237}, "pound": {"g", 453.59237},
}

// US kitchen measures in ml, exact by definition (NIST SP 811).
const (
	Gallon     = 3785.411784
	Tablespoon = Gallon / 256
	Teaspoon   = Tablespoon / 3
)

var vulgar = map[rune]float64{
	'½': 1.0 / 2,
	'⅓': 1.0 / 3,
	'⅔': 2.0 / 3,
	'¼': 1.0 / 4,
	'¾': 3.0 / 4,
	'⅕': 1.0 / 5,
	'⅛': 1.0 / 8,
	'⅜': 3.0 / 8,
	'⅝': 5.0 / 8,
	'⅞': 7.0 / 8,
}

// ErrAmount means that words are no amount; the error that wraps it says why.
var ErrAmount = errors.New("write a number and a unit, such as 250 ml, 1 1/2 tsp, ½ cup or 2 l")

// mostAmount is the largest amount read, in ml or g: ten tonnes are a mistake.
const mostAmount = 1e7

// ParseAmount reads an amount as people write it: "250 ml", "1 1/2 tsp", "½ cup",
// "2,5 l". The number may be a decimal with point or comma, a fraction, or a
// whole number and a fraction.
func ParseAmount(text string) (Quantity, error) {
	refuse := func(format string, args ...any) (Quantity, error) {
		return Quantity{}, fmt.Errorf("%s: %w", fmt.Sprintf(format, args...), ErrAmount)
	}
	words := strings.TrimSpace(strings.ToLower(text))
	if words == "" {
		return refuse("nothing is written")
	}
	at := strings.IndexFunc(words, unicode.IsLetter)
	if at < 0 {
		return refuse("%q has no unit", text)
	}
	number := strings.TrimSpace(words[:at])
	name := strings.Join(strings.Fields(strings.TrimSuffix(words[at:], ".")), " ")
	u, ok := units[name]
	if !ok {
		u, ok = units[strings.TrimSuffix(name, "s")]
	}
	if !ok {
		return refuse("%q is no unit", name)
	}
	value, err := parseNumber(number)
	if err != nil {
		return refuse("%q is no number", number)
	}
	value *= u.factor
	if value <= 0 || value > mostAmount {
		return refuse("%q is no sensible amount", text)
	}
	return Quantity{value, u.kept}, nil
}

// parseNumber reads "250", "2,5", "1/2", "1 1/2", "½" and "1½".
func parseNumber(text string) (float64, error) {
	var sum float64
	fields := strings.Fields(splitVulgar(text))
	if len(fields) == 0 || len(fields) > 2 {
		return 0, ErrAmount
	}
	for i, f := range fields {
		v, fraction, err := parseTerm(f)
		// Two terms are a whole number and then a fraction.
		if err != nil || len(fields) == 2 && fraction != (i == 1) {
			return 0, ErrAmount
		}
		sum += v
	}
	return sum, nil
}

// splitVulgar parts a fraction sign from the digit before it.
func splitVulgar(text string) string {
	var b strings.Builder
	for _, r := range text {
		if _, ok := vulgar[r]; ok {
			b.WriteByte(' ')
		}
		b.WriteRune(r)
	}
	return b.String()
}

func parseTerm(term string) (value float64, fraction bool, err error) {
	runes := []rune(term)
	if v, ok := vulgar[runes[0]]; ok && len(runes) == 1 {
		return v, true, nil
	}
	if over, under, ok := strings.Cut(term, "/"); ok {
		a, errA := strconv.ParseUint(over, 10, 16)
		b, errB := strconv.ParseUint(under, 10, 16)
		if errA != nil || errB != nil || b == 0 {
			return 0, true, ErrAmount
		}
		return float64(a) / float64(b), true, nil
	}
	plain := strings.Replace(term, ",", ".", 1)
	for _, r := range plain {
		if r != '.' && (r < '0' || r > '9') {
			return 0, false, ErrAmount
		}
	}
	v, err := strconv.ParseFloat(plain, 64)
	return v, false, err
}
