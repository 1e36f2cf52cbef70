package exposure

import (
	"slices"

	"github.com/google/uuid"

	"tendermend/core/day"
)

// Web is a question laid out: its plants by number, in the order in which they are named, and what leads from each
// of them to others. Thousands of contacts are gone over for each plant that may hand something on.
type Web struct {
	Question
	how        carrier
	incubation day.Day
	generation func(day.Day) day.Day
	numbers    map[uuid.UUID]int32
	plants     []uuid.UUID
	ends       [][2]int32 // by contact: the plants that it ties
	out        [][]edge   // by plant, those that lead to one plant together
	has        []bool     // by plant: it has the cause
}

// edge is a contact as it goes out from a plant.
type edge struct {
	to, contact int32
	back        bool // against the order in which the contact names its plants
}

// Weave lays out a question.
func Weave(q Question) *Web {
	w := &Web{Question: q, how: carriedBy(q.Cause), generation: q.generations(), numbers: map[uuid.UUID]int32{}}
	w.incubation = w.generation(q.On)
	for _, s := range q.Sick {
		w.number(s.Plant)
	}
	w.Contacts = nil
	w.Add(q.Contacts)
	return w
}

// Add lays out more contacts beside those that are there.
func (w *Web) Add(contacts []Contact) {
	w.Contacts, w.ends = slices.Concat(w.Contacts, contacts), slices.Grow(w.ends, len(contacts))
	for i := range contacts {
		w.ends = append(w.ends, [2]int32{w.number(contacts[i].From), w.number(contacts[i].To)})
	}
	w.lead()
	w.has = make([]bool, len(w.plants))
	for _, s := range w.Sick {
		w.has[w.numbers[s.Plant]] = true
	}
}

// lead lays out what leads from each plant to others, by the plants that each contact ties. All of it lies in one row,
// each plant's part cut from it. The edges are dealt out by the plant that they lead to first, and then by the one that
// they lead from: so those of one plant stand in the order of the others, and of their contacts.
func (w *Web) lead() {
	coming, going := make([]int32, len(w.plants)+1), make([]int32, len(w.plants)+1)
	count := func(from, to int32) { coming[to+1]++; going[from+1]++ }
	w.eachWay(func(from, to, _ int32, _ bool) { count(from, to) })
	for i := range w.plants {
		coming[i+1] += coming[i]
		going[i+1] += going[i]
	}
	type ended struct {
		from int32
		edge
	}
	byEnd := make([]ended, coming[len(w.plants)])
	w.eachWay(func(from, to, contact int32, back bool) {
		byEnd[coming[to]] = ended{from, edge{to, contact, back}}
		coming[to]++
	})
	row := make([]edge, len(byEnd))
	w.out = make([][]edge, len(w.plants))
	for i := range w.out {
		w.out[i] = row[going[i]:going[i]:going[i+1]]
	}
	for _, e := range byEnd {
		w.out[e.from] = append(w.out[e.from], e.edge)
	}
}

// eachWay goes over the contacts in their order, and over each that goes both ways twice.
func (w *Web) eachWay(each func(from, to, contact int32, back bool)) {
	for i, end := range w.ends {
		each(end[0], end[1], int32(i), false)
		if !w.Contacts[i].Tie.oneWay() {
			each(end[1], end[0], int32(i), true)
		}
	}
}

// number gives a plant its number, the next one where it has none yet.
func (w *Web) number(id uuid.UUID) int32 {
	n, known := w.numbers[id]
	if !known {
		n = int32(len(w.plants))
		w.numbers[id], w.plants = n, append(w.plants, id)
	}
	return n
}

// who tells what counts for a plant; false where it is passed over.
func (w *Web) who(plant uuid.UUID) (Host, bool) {
	if w.Who == nil {
		return anyHost, true
	}
	return w.Who(plant)
}

// generations gives how long the cause takes to show from a day on, and works it out once for each.
func (q Question) generations() func(day.Day) day.Day {
	known := map[day.Day]day.Day{}
	return func(on day.Day) day.Day {
		days, asked := known[on]
		if !asked {
			days = day.Day(IncubationDays(q.Cause, on))
			known[on] = days
		}
		return days
	}
}
