package diagnosis

import (
	"embed"
	"encoding/csv"
	"errors"
	"fmt"
	"slices"
	"strconv"
	"strings"

	"tendermend/core/cause"
)

// Minutes, disturbance, backgrounds, priors, links, strengths and effects are
// common practice, no published source. Ids stand in stored records: add where
// something is missing, never rename or reuse one.
//
//go:embed tables
var tables embed.FS

// grades say how often a cause shows a sign.
var grades = map[string]float64{"A": 0.90, "U": 0.70, "O": 0.45, "S": 0.20, "R": 0.07}

// row is a line of a table by the names of its columns.
type row struct {
	cells  map[string]string
	faults *[]error
	name   string
}

func (r row) text(column string) string { return r.cells[column] }

func (r row) list(column string) []string {
	return strings.FieldsFunc(r.cells[column], func(c rune) bool { return c == ';' })
}

func (r row) yes(column string) bool { return r.cells[column] == "yes" }

func (r row) number(column string) float64 {
	v, err := strconv.ParseFloat(r.cells[column], 64)
	if err != nil {
		*r.faults = append(*r.faults, fmt.Errorf("%s: %s: %w", r.name, column, err))
	}
	return v
}

func (r row) habits(column string) habits {
	kind, ids, named := strings.Cut(r.cells[column], ":")
	switch {
	case !named:
		return habits{}
	case kind == "only":
		return habits{only: strings.Split(ids, ";")}
	}
	return habits{not: strings.Split(ids, ";")}
}

func read(file string, faults *[]error) []row {
	f, err := tables.Open("tables/" + file)
	if err != nil {
		*faults = append(*faults, err)
		return nil
	}
	defer func() { _ = f.Close() }()
	lines, err := csv.NewReader(f).ReadAll()
	if err != nil {
		*faults = append(*faults, fmt.Errorf("%s: %w", file, err))
		return nil
	}
	rows := make([]row, 0, len(lines)-1)
	for _, line := range lines[1:] {
		cells := make(map[string]string, len(line))
		for i, cell := range line {
			cells[lines[0][i]] = cell
		}
		rows = append(rows, row{cells, faults, file + " " + line[0]})
	}
	return rows
}

// build reads all tables and checks that every id they name exists.
func build() (*Knowledge, error) {
	var faults []error
	k := &Knowledge{factors: map[string]map[string]float64{}}
	readSigns(k, &faults)
	for _, c := range cause.All() {
		if known, ok := ofCause(c); ok {
			k.causes = append(k.causes, known)
		}
	}
	for _, r := range read("moves.csv", &faults) {
		k.moves = append(k.moves, r.move())
	}
	k.signAt = index(k.signs, func(s Sign) string { return s.ID }, &faults)
	k.causeAt = index(k.causes, func(c Cause) string { return c.ID }, &faults)
	k.moveAt = index(k.moves, func(m Move) string { return m.ID }, &faults)
	readLinks(k, &faults)
	for i := range k.moves {
		k.moves[i].effect = make([]int, len(k.causes))
		for id, e := range k.moves[i].Effects {
			k.moves[i].effect[k.cause(id, &faults)] = e
		}
	}
	k.starts = make([][]chain, len(k.causes))
	for _, r := range read("chains.csv", &faults) {
		from, to := k.cause(r.text("from"), &faults), k.cause(r.text("to"), &faults)
		k.starts[from] = append(k.starts[from], chain{to, r.number("strength")})
	}
	for _, r := range read("habit_factors.csv", &faults) {
		habit, id := r.text("habit"), r.text("cause")
		k.cause(id, &faults)
		if k.factors[habit] == nil {
			k.factors[habit] = map[string]float64{}
		}
		k.factors[habit][id] = r.number("times")
	}
	k.check(&faults)
	k.edition = Edition{Version: Version, Hash: k.hash()}
	return k, errors.Join(faults...)
}

// cause finds the place of a cause and notes when there is none.
func (k *Knowledge) cause(id string, faults *[]error) int {
	i, ok := k.causeAt[id]
	if !ok {
		*faults = append(*faults, fmt.Errorf("there is no cause %q", id))
	}
	return i
}

// check finds ids that stand nowhere.
func (k *Knowledge) check(faults *[]error) {
	sign := func(where string, ids []string) {
		for _, id := range ids {
			if _, ok := k.signAt[id]; !ok {
				*faults = append(*faults, fmt.Errorf("%s: there is no sign %q", where, id))
			}
		}
	}
	for _, s := range k.signs {
		sign(s.ID, s.impliesThere)
		sign(s.ID, s.impliesAbsent)
	}
	for _, c := range k.causes {
		sign(c.ID, c.Defining)
		if c.Condition != "" {
			sign(c.ID, []string{c.Condition})
		}
		for _, part := range c.parts {
			k.cause(part, faults)
		}
		if _, ok := k.moveAt[c.firstMove]; !ok && len(c.parts) == 0 {
			*faults = append(*faults, fmt.Errorf("%s: there is no move %q", c.ID, c.firstMove))
		}
	}
	for _, m := range k.moves {
		sign(m.ID, m.needs)
	}
}

func index[T any](list []T, id func(T) string, faults *[]error) map[string]int {
	m := make(map[string]int, len(list))
	for i, v := range list {
		if _, twice := m[id(v)]; twice {
			*faults = append(*faults, fmt.Errorf("id %s stands twice in a table", id(v)))
		}
		m[id(v)] = i
	}
	return m
}

func readSigns(k *Knowledge, faults *[]error) {
	more := map[string]row{}
	for _, r := range read("sign_pictures.csv", faults) {
		more[r.text("id")] = r
	}
	for _, r := range read("signs.csv", faults) {
		s := r.sign()
		s.Drawing, s.LookAlike = more[s.ID].text("drawing"), more[s.ID].text("look_alike")
		k.signs = append(k.signs, s)
	}
}

// good are signs that all is well; they are not amiss.
var good = []string{"new.clean", "root.firm"}

func (r row) sign() Sign {
	s := Sign{
		ID:            r.text("id"),
		Zone:          r.text("part"),
		Label:         r.text("words"),
		How:           r.text("how_to_look"),
		Looks:         r.text("looks_like"),
		NotThis:       r.text("confused_with"),
		Minutes:       int(r.number("minutes")),
		Days:          int(r.number("days")),
		Disturbance:   Disturbance(r.number("disturbance")),
		Background:    r.number("background"),
		Overlooked:    r.number("overlooked"),
		Source:        Source(r.text("known_from")),
		Symptom:       r.yes("symptom"),
		Expert:        r.yes("expert"),
		Degrees:       degreesOf[r.text("graded")],
		Good:          slices.Contains(good, r.text("id")),
		impliesThere:  r.list("implies_present"),
		impliesAbsent: r.list("implies_absent"),
		fits:          r.habits("habits"),
	}
	for _, raise := range r.list("background_given") {
		what, to, _ := strings.Cut(raise, "=")
		v, err := strconv.ParseFloat(to, 64)
		if err != nil {
			*r.faults = append(*r.faults, fmt.Errorf("%s: background_given: %w", r.name, err))
		}
		s.given = append(s.given, given{what, v})
	}
	return s
}

// ofCause takes what ails a plant; false for what is only wished of one.
func ofCause(c cause.Cause) (Cause, bool) {
	if !c.Ails {
		return Cause{}, false
	}
	known := Cause{
		ID:        string(c.ID),
		Label:     c.Label,
		Kind:      c.Kind,
		Prior:     c.Prior,
		Spreads:   len(c.Spreads) > 0,
		DaysToAct: c.DaysToAct,
		Harmless:  c.Harmless,
		Summary:   c.Summary,
		Defining:  c.Defining,
		Condition: c.Condition,
		firstMove: c.FirstMove,
		mild:      c.Mild,
		fits:      c.Fits,
	}
	for _, part := range c.Parts {
		known.parts = append(known.parts, string(part))
	}
	return known, true
}

func (r row) move() Move {
	m := Move{
		ID:         r.text("id"),
		Label:      r.text("words"),
		How:        r.text("how"),
		Stress:     r.number("stress"),
		Reversible: r.yes("reversible"),
		blade:      r.yes("blade"),
		Effects:    map[string]int{},
		tier:       int(r.number("tier")),
		group:      r.text("group"),
		needs:      r.list("needs"),
		notTraits:  r.list("not_for_traits"),
		fits:       r.habits("habits"),
	}
	for _, word := range strings.Fields(r.text("effects")) {
		id, by, _ := strings.Cut(word, "=")
		v, err := strconv.Atoi(by)
		if err != nil {
			*r.faults = append(*r.faults, fmt.Errorf("%s: effects: %w", r.name, err))
		}
		m.Effects[id] = v
	}
	return m
}

func readLinks(k *Knowledge, faults *[]error) {
	raw, err := tables.ReadFile("tables/links.txt")
	if err != nil {
		*faults = append(*faults, err)
	}
	k.link = make([][]float64, len(k.causes))
	for c := range k.link {
		k.link[c] = make([]float64, len(k.signs))
	}
	for line := range strings.Lines(string(raw)) {
		id, shown, _ := strings.Cut(strings.TrimSpace(line), ": ")
		c := k.cause(id, faults)
		for _, word := range strings.Fields(shown) {
			sign, grade, _ := strings.Cut(word, "=")
			s, known := k.signAt[sign]
			often, graded := grades[grade]
			if !known || !graded || k.link[c][s] > 0 {
				*faults = append(*faults, fmt.Errorf("links of %s: %q", id, word))
				continue
			}
			k.link[c][s] = often
		}
	}
	for u, umbrella := range k.causes {
		for _, part := range umbrella.parts {
			for s, often := range k.link[k.cause(part, faults)] {
				k.link[u][s] = max(k.link[u][s], often)
			}
		}
	}
}
