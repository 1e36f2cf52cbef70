package list

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"sync"

	"tendermend/core/plant"
)

// plant reads a row that tells of a plant.
func (r *reader) plant(row line) {
	p := Listed{
		Row: row.n, Name: r.cell(row, fieldName), Label: strings.TrimPrefix(r.cell(row, fieldLabel), "#"),
		Place: r.cell(row, fieldPlace), From: r.cell(row, fieldFrom), Medium: r.cell(row, fieldMedium),
		Note: r.cell(row, fieldNote),
	}
	if said := r.cell(row, fieldArrived); said != "" {
		if d, why := r.dayOf(said); why != "" {
			r.problem(row.n, r.heading(fieldArrived), why)
		} else {
			p.Arrived = d.String()
		}
	}
	p.Price = r.number(row, fieldPrice, 0, 100_000)
	p.PotCM = r.number(row, fieldPot, 1, 200)
	p.DepthCM = r.number(row, fieldDepth, 1, 200)
	p.Leaves, p.Growths = r.count(row, fieldLeaves), r.count(row, fieldGrowths)
	p.Packing, p.Had = strings.ToLower(r.cell(row, fieldPacking)), strings.ToLower(r.cell(row, fieldHad))
	p.Apart = slices.Contains([]string{"true", "yes", "x", "y"}, strings.ToLower(r.cell(row, fieldApart)))
	r.kind(row, &p)
	if p.Name == "" {
		p.Name = r.cell(row, fieldKind)
	}
	if p.Name == "" {
		p.Name = p.Label
	}
	if p.Name == "" {
		r.problem(row.n, r.heading(fieldName), "this plant has no name; give it one, or its kind")
	}
	r.out.Plants = append(r.out.Plants, p)
}

// kind finds the kind and the way of growing of a row: by what stands for them, else by
// the plant's name.
func (r *reader) kind(row line, p *Listed) {
	said := r.cell(row, fieldKind)
	habit := r.cell(row, fieldHabit)
	if said != "" {
		f := r.kindOf(said)
		if f.id == "" && habit == "" {
			if h := r.habitOf(said); h != "" {
				p.Habit = h // it says how it grows, and not what it is
				return
			}
		}
		p.Kind = f.id
		switch {
		case f.id != "":
		case !f.several && habit != "":
			p.Note = withKind(p.Note, said) // it is taken in by how it grows
		default:
			r.problem(row.n, r.heading(fieldKind), f.why)
		}
	} else {
		p.Kind = r.kindIn(p.Name)
	}
	if k, known := r.kinds.ByID(p.Kind); known {
		p.Habit, p.Called = k.Habit, k.Botanical
	}
	if habit == "" {
		if p.Habit == "" && said == "" {
			r.problem(row.n, r.heading(fieldKind), "give its kind by any name, or how it grows (fern, aroid vine …)")
		}
		return
	}
	switch h := r.habitOf(habit); {
	case h == "":
		r.problem(row.n, r.heading(fieldHabit), fmt.Sprintf("there is no way of growing called %q; one of: %s", habit,
			habitNames()))
	case p.Habit != "" && p.Habit != h:
		own, _ := plant.HabitByID(p.Habit)
		r.problem(row.n, r.heading(fieldHabit), fmt.Sprintf("its kind grows as %s; leave this empty, or correct one of them",
			strings.ToLower(own.Label)))
	default:
		p.Habit = h
	}
}

// found is the kind that a name stands for, or what is wanting: it is the name of none, or of several.
type found struct {
	id, why string
	several bool
}

// kindOf is the kind that has a name.
func (r *reader) kindOf(said string) found {
	key := sense(said)
	f, known := r.known[key]
	if !known {
		f = r.lookUp(said)
		r.known[key] = f
	}
	return f
}

// How many words a name of a kind has at most, and how many letters at least, where it
// stands among others; how many words of a cell are read for one; and how many names of a file
// are compared with all others letter by letter.
const (
	mostNameWords    = 5
	leastNameLetters = 5
	mostCellWords    = 30
	mostGuesses      = 5000
)

// kindIn is the one kind that the name of a plant names, the longest name first; empty
// where it names none, or several.
func (r *reader) kindIn(name string) string {
	id, known := r.within[name]
	if !known {
		id = r.kindWithin(name)
		r.within[name] = id
	}
	return id
}

func (r *reader) kindWithin(name string) string {
	words := strings.Fields(name)
	words = words[:min(len(words), mostCellWords)]
	for n := min(mostNameWords, len(words)); n > 0; n-- {
		for from := 0; from+n <= len(words); from++ {
			said := strings.Join(words[from:from+n], " ")
			if list := r.names.Called(said); len(list) == 1 && len(said) >= leastNameLetters {
				return list[0].ID
			}
		}
	}
	return ""
}

func (r *reader) lookUp(said string) found {
	if k, known := r.kinds.ByID(strings.ToLower(said)); known {
		return found{id: k.ID}
	}
	list := r.names.Called(said)
	if len(list) == 0 && r.guesses < mostGuesses {
		r.guesses++
		list = r.names.Misspelt(said, mostOffered)
	}
	if len(list) == 0 {
		if in := r.kindIn(said); in != "" {
			return found{id: in}
		}
	}
	switch len(list) {
	case 1:
		return found{id: list[0].ID}
	case 0:
		return found{why: fmt.Sprintf("no kind is called %q here; give another of its names, or how it grows", said)}
	}
	names := make([]string, 0, mostOffered)
	for _, k := range list[:min(len(list), mostOffered)] {
		names = append(names, k.Botanical)
	}
	const several = "%q is the name of several kinds: %s; give one of these"
	return found{why: fmt.Sprintf(several, said, strings.Join(names, ", ")), several: true}
}

// mostOffered is how many kinds are named where one must be chosen.
const mostOffered = 5

// habitCalled is a way of growing by one of its names.
type habitCalled struct{ name, id string }

// habitsByName are the ways of growing by what they are called, in the order of the tables.
var habitsByName = sync.OnceValue(func() (list []habitCalled) {
	for _, h := range plant.Habits() {
		for _, name := range []string{sense(h.ID), sense(h.Label)} {
			list = append(list, habitCalled{name, h.ID}, habitCalled{name + "s", h.ID})
		}
	}
	return list
})

// habitOf is habitOf, remembered.
func (r *reader) habitOf(said string) string {
	id, known := r.habits[said]
	if !known {
		id = habitOf(said)
		r.habits[said] = id
	}
	return id
}

// habitOf is the way of growing that has an id or a name, with a letter wrong too; empty
// where there is none.
func habitOf(said string) string {
	name := sense(said)
	for _, fits := range []func(called string) bool{
		func(called string) bool { return called == name },
		func(called string) bool { return len(name) > 4 && len(called) > 4 && near(name, called) },
	} {
		for _, h := range habitsByName() {
			if fits(h.name) {
				return h.id
			}
		}
	}
	return ""
}

func habitNames() string {
	list := []string{}
	for _, h := range plant.Habits() {
		list = append(list, strings.ToLower(h.Label))
	}
	return strings.Join(list, ", ")
}

// number reads a number, with a point or a comma, and a unit behind it; nil where there is
// none.
func (r *reader) number(row line, f field, least, most float64) *float64 {
	said := r.cell(row, f)
	if said == "" {
		return nil
	}
	for _, v := range numbersOf(said) {
		if v >= least && v <= most {
			return &v
		}
	}
	r.problem(row.n, r.heading(f), fmt.Sprintf("%q is no number from %g to %g", said, least, most))
	return nil
}

// count reads a whole number; nil where there is none.
func (r *reader) count(row line, f field) *int {
	n := r.number(row, f, 0, 5000)
	if n == nil {
		return nil
	}
	whole := int(math.Round(*n))
	return &whole
}
