package store

import (
	"regexp"
	"strings"

	"tendermend/record"
)

// Sort is what the register is sorted by.
type Sort string

// The orders of the register.
const (
	ByName      Sort = "name"      // "2" before "12"
	ByDue       Sort = "due"       // what is due longest first
	ByCondition Sort = "condition" // the worst first, by the last look; unknown last
	ByNewest    Sort = "newest"    // what came last first
	ByOldest    Sort = "oldest"    // what has been here longest first
)

// orders are what a row is compared by, as text: the same for rows, for the mark of a page and
// for the indexes off which they are read.
var orders = map[Sort]string{
	ByName:      `p.natural_name`,
	ByDue:       `lpad(greatest(0, coalesce(p.next_due - date '1900-01-01', 9999999))::text, 7, '0')`,
	ByCondition: `lpad(coalesce(p.condition, 999)::text, 3, '0')`,
	ByNewest:    `lpad((date '2999-12-31' - p.arrived_on)::text, 7, '0')`,
	ByOldest:    `lpad(greatest(0, p.arrived_on - date '1900-01-01')::text, 7, '0')`,
}

// key is the order of a sort; that by name where there is no such sort.
func (s Sort) key() string {
	if key, known := orders[s]; known {
		return key
	}
	return orders[ByName]
}

var digits = regexp.MustCompile(`[0-9]+`)

// longestNumber is how many digits of a number in a name are compared as a number.
const longestNumber = 12

// natural is a name as people sort it: numbers in it by their size.
func natural(name string) string {
	return digits.ReplaceAllStringFunc(strings.ToLower(strings.TrimSpace(name)), func(number string) string {
		number = strings.TrimLeft(number, "0")
		return strings.Repeat("0", max(0, longestNumber-len(number))) + number
	})
}

// lastCondition is how it was at its last look, 0 to 100; nil where that told nothing.
func lastCondition(s record.State) *int {
	now, _, known := s.Condition(s.LastLook())
	if !known {
		return nil
	}
	value := int(now.Value + 0.5)
	return &value
}
