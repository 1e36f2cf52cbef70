package diagnosis

import (
	"fmt"
	"slices"
	"sort"

	"tendermend/core/climate"
	"tendermend/core/plant"
)

// Degree says how much of a sign there is.
type Degree string

// The degrees of the two kinds of grades, and none.
const (
	NoDegree Degree = ""
	Few      Degree = "few"
	Some     Degree = "some"
	Many     Degree = "many"
	Mild     Degree = "mild"
	Clear    Degree = "clear"
	Strong   Degree = "strong"
)

// degreesOf are the degrees of the two kinds of grades.
var degreesOf = map[string][]Degree{"few-many": {Few, Some, Many}, "mild-strong": {Mild, Clear, Strong}}

// Examination is what is known of a plant at one look. A sign in neither list
// was not looked for.
type Examination struct {
	Habit   string         `json:"habit"`
	Season  climate.Season `json:"season,omitempty"`
	Present []string       `json:"present"`
	Absent  []string       `json:"absent"`
	// Unsure are the signs of either list that one only thinks to be so.
	Unsure []string `json:"unsure,omitempty" doc:"Signs of either list that one only thinks to be so."`
	// Again are the signs seen that were looked for a second time, and seen again.
	Again []string `json:"again,omitempty" doc:"Signs seen that were looked for a second time, and seen again."`
	// Unknown are signs that were asked and that nobody can answer: no evidence, and
	// not asked again.
	Unknown []string `json:"unknown,omitempty" doc:"Signs that were asked and that nobody can answer."`
	// Degrees says of graded signs seen how much of them there is.
	Degrees map[string]Degree `json:"degrees,omitempty" doc:"How much of a graded sign seen there is."`
	// Traits of its kind rule out some moves.
	Traits []plant.Trait `json:"traits,omitempty" doc:"Properties of its kind that rule out some moves."`
	// Fragile plants have few roots or are in their first two weeks: a look that
	// disturbs them costs double.
	Fragile bool `json:"-"`
}

// answer is what was said of one sign.
type answer struct {
	sign   int
	sure   bool
	degree Degree
	again  bool // seen a second time as well
	// implied answers follow from another that was sure.
	implied bool
}

// What an answer is worth that one only thinks to be so (common practice).
const (
	thinkSeen   = 0.15 // added to the background of a sign that one thinks to see
	thinkAbsent = 0.35 // how often what one thinks is not there is overlooked
	// seenTwice is the share of what is taken for a sign that is taken for it at a second look too.
	seenTwice   = 0.25
	missImplied = 0.02 // how often what a sure answer rules out is there all the same
)

// answers are what was said, checked, in the order of the signs.
type answers struct {
	seen, denied []answer
	given        map[int]bool // by sign: whether it was answered at all
	asked        map[int]bool // the same without what only follows
	unknown      map[int]bool // asked, and nobody can answer it
}

// answers checks what an examination says. An error names the field, the
// offending value and what to do.
func (k *Knowledge) answers(e Examination) (answers, error) {
	a := answers{given: map[int]bool{}, asked: map[int]bool{}, unknown: map[int]bool{}}
	side := map[int]string{}
	for _, list := range []struct {
		field string
		ids   []string
		to    *[]answer
	}{{"present", e.Present, &a.seen}, {"absent", e.Absent, &a.denied}} {
		for i, id := range list.ids {
			s, ok := k.signAt[id]
			if !ok {
				return a, fmt.Errorf("%s[%d]: there is no sign %q", list.field, i, id)
			}
			if side[s] != "" && side[s] != list.field {
				const said = "%s[%d]: %q is said to be both seen and not there; keep one of the two"
				return a, fmt.Errorf(said, list.field, i, id)
			}
			if side[s] != "" {
				continue
			}
			side[s], a.given[s], a.asked[s] = list.field, true, true
			said := answer{sign: s, sure: !slices.Contains(e.Unsure, id)}
			if list.field == "present" {
				said.degree, said.again = e.Degrees[id], slices.Contains(e.Again, id)
				if said.degree != NoDegree && !slices.Contains(k.signs[s].Degrees, said.degree) {
					const wrong = "degrees: %q is not a degree of %q"
					return a, fmt.Errorf(wrong, said.degree, id)
				}
			}
			*list.to = append(*list.to, said)
		}
	}
	for i, id := range e.Again {
		if !slices.Contains(e.Present, id) {
			return a, fmt.Errorf("again[%d]: %q was not seen, so it was not seen again", i, id)
		}
	}
	for i, id := range e.Unknown {
		s, ok := k.signAt[id]
		if !ok {
			return a, fmt.Errorf("unknown[%d]: there is no sign %q", i, id)
		}
		a.unknown[s] = !a.given[s]
	}
	k.imply(&a)
	// The order of the answers must not matter, not even in the last digit.
	for _, list := range [][]answer{a.seen, a.denied} {
		sort.Slice(list, func(x, y int) bool { return list[x].sign < list[y].sign })
	}
	return a, nil
}

// imply adds what the signs seen for sure answer by themselves.
func (k *Knowledge) imply(a *answers) {
	sure := slices.Clone(a.seen)
	sort.Slice(sure, func(x, y int) bool { return sure[x].sign < sure[y].sign })
	for _, side := range []struct {
		of func(Sign) []string
		to *[]answer
	}{
		{impliedThere, &a.seen},
		{impliedAbsent, &a.denied},
	} {
		for _, seen := range sure {
			if !seen.sure {
				continue
			}
			for _, id := range side.of(k.signs[seen.sign]) {
				if s := k.signAt[id]; !a.given[s] {
					a.given[s] = true
					*side.to = append(*side.to, answer{sign: s, sure: true, implied: true})
				}
			}
		}
	}
}

func impliedThere(s Sign) []string  { return s.impliesThere }
func impliedAbsent(s Sign) []string { return s.impliesAbsent }

// Implied gives the signs that what was seen for sure answers by itself: those
// that must be there as well, and those that cannot be. Unknown ids imply nothing.
func (k *Knowledge) Implied(e Examination) (present, absent []string) {
	a, err := k.answers(e)
	if err != nil {
		return nil, nil
	}
	for _, list := range []struct {
		of []answer
		to *[]string
	}{{a.seen, &present}, {a.denied, &absent}} {
		for _, one := range list.of {
			if one.implied {
				*list.to = append(*list.to, k.signs[one.sign].ID)
			}
		}
	}
	return present, absent
}

// Contradiction finds two answers, both sure, that cannot be true of one look:
// two signs seen that exclude each other, or one seen that supposes another which
// is said not to be there.
func Contradiction(e Examination) (a, b string, found bool) {
	seen := func(id string) bool { return slices.Contains(e.Present, id) && !slices.Contains(e.Unsure, id) }
	denied := func(id string) bool { return slices.Contains(e.Absent, id) && !slices.Contains(e.Unsure, id) }
	for _, id := range e.Present {
		s, _ := SignByID(id)
		if !seen(id) {
			continue
		}
		for _, other := range s.impliesAbsent {
			if seen(other) {
				return id, other, true
			}
		}
		for _, other := range s.impliesThere {
			if denied(other) {
				return id, other, true
			}
		}
	}
	return "", "", false
}
