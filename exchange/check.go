package exchange

import (
	"fmt"
	"math"
	"strings"
	"unicode/utf8"

	"tendermend/record"
)

// supplyUnits are those in which a cupboard counts.
var supplyUnits = map[string]bool{"ml": true, "l": true, "g": true, "kg": true, "pieces": true}

// Faults says what beside its entries cannot be taken over from an archive: what
// could not be written down here by hand either. Entries are checked one by one
// as they are taken over.
func (a Archive) Faults() (faults record.Faults) {
	add := func(field, format string, args ...any) {
		faults = append(faults, record.Fault{Field: field, Message: fmt.Sprintf(format, args...)})
	}
	named := func(field, name string, most int) {
		if n := utf8.RuneCountInString(strings.TrimSpace(name)); n == 0 || n > most {
			add(field, "a name of 1 to %d characters is wanted", most)
		}
	}
	faults = append(faults, siteFaults(a.Site)...)
	for i, p := range a.Places {
		named(fmt.Sprintf("places[%d].name", i), p.Name, 80)
		if utf8.RuneCountInString(p.Light) > 120 {
			add(fmt.Sprintf("places[%d].light", i), "say its light in at most 120 characters")
		}
		faults = append(faults, p.airFaults(fmt.Sprintf("places[%d]", i))...)
	}
	for i, k := range a.Kinds {
		if !strings.HasPrefix(k.ID, "own:") {
			add(fmt.Sprintf("kinds[%d].id", i), "the kind %q is none that a collection added", k.ID)
		}
		for j, v := range k.Versions {
			if v.Profile.ID != k.ID {
				add(fmt.Sprintf("kinds[%d].versions[%d]", i, j), "a version of %q stands among those of %q", v.Profile.ID, k.ID)
			}
		}
	}
	for i, s := range a.Supplies {
		named(fmt.Sprintf("supplies[%d].name", i), s.Name, 80)
		faults = append(faults, s.faults(fmt.Sprintf("supplies[%d]", i))...)
	}
	faults = append(faults, a.Decided.faults()...)
	for i, t := range a.Trips {
		faults = append(faults, t.faults(fmt.Sprintf("trips[%d]", i))...)
	}
	for i, c := range a.Cases {
		if err := c.Teaches(); err != nil {
			add(fmt.Sprintf("cases[%d]", i), "%s", err)
		}
	}
	return faults
}

// faults says what is wrong with a supply that stands at a place of its archive.
func (s Supply) faults(at string) (faults record.Faults) {
	add := func(field, format string, args ...any) {
		faults = append(faults, record.Fault{Field: at + field, Message: fmt.Sprintf(format, args...)})
	}
	if !supplyUnits[s.Unit] {
		add(".unit", "the cupboard counts in ml, l, g, kg or pieces, not in %q", s.Unit)
	}
	if s.Low < 0 || s.Price != nil && *s.Price < 0 {
		add("", "neither what is low nor a price can be less than 0")
	}
	for j, m := range s.Moves {
		if math.Abs(m.Amount) > 1e6 || utf8.RuneCountInString(m.Why) > 200 {
			add(fmt.Sprintf(".moves[%d]", j),
				"this move cannot be right: an amount up to a million is wanted, and at most 200 characters of why")
		}
	}
	return faults
}
