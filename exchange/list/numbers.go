package list

import (
	"regexp"
	"strconv"
	"strings"
)

var (
	// oneNumber is a number with its separators, and nothing but words or signs round it.
	oneNumber = regexp.MustCompile(`^[^\d.,-]*(-?\d[\d.,' ]*\d|-?\d|-?[.,]\d+)[^\d]*$`)
	// grouped is a number whose thousands are parted by one kind of sign.
	grouped = regexp.MustCompile(`^-?[1-9]\d{0,2}(?:(?:,\d{3})+|(?:\.\d{3})+|(?:['  ]\d{3})+)$`)
)

// numbersOf reads a number, with a point or a comma and a unit or a currency beside it: what it may
// be, likeliest first, and none where it is no number. "1,240" is rather a thousand and more than
// one and a quarter: nobody writes three decimals of grams or prices.
func numbersOf(said string) (list []float64) {
	m := oneNumber.FindStringSubmatch(strings.TrimSpace(said))
	if m == nil {
		return nil
	}
	add := func(digits string) {
		if v, err := strconv.ParseFloat(digits, 64); err == nil {
			list = append(list, v)
		}
	}
	plain := strings.NewReplacer("'", "", " ", "", " ", "").Replace(m[1])
	if grouped.MatchString(m[1]) {
		add(strings.NewReplacer(",", "", ".", "").Replace(plain))
	}
	comma, point := strings.LastIndexByte(plain, ','), strings.LastIndexByte(plain, '.')
	switch {
	case comma >= 0 && point > comma: // 1,234.50
		add(strings.ReplaceAll(plain, ",", ""))
	case point >= 0 && comma > point: // 1.234,50
		add(strings.ReplaceAll(strings.ReplaceAll(plain, ".", ""), ",", "."))
	default:
		add(strings.ReplaceAll(plain, ",", "."))
	}
	return list
}
