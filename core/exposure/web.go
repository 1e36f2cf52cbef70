package exposure

import (
	"cmp"
	"slices"

	"github.com/google/uuid"

	"tendermend/core/day"
)

// web is a question laid out: its plants by number, in the order in which they are named, and what leads from each
// of them to others. Thousands of contacts are gone over for each plant that may hand something on.
type web struct {
	Question
	how        carrier
	incubation day.Day
	plants     []uuid.UUID
	out        [][]edge // by plant, those that lead to one plant together
	has        []bool   // by plant: it has the cause
	towards    []toward // by plant
	generation func(day.Day) day.Day
	numbers    map[uuid.UUID]int32
}

// edge is a contact as it goes out from a plant.
type edge struct {
	to, contact int32
	back        bool // against the order in which the contact names its plants
}

// toward is what counts for a plant whoever it is reached from.
type toward struct {
	liking  float64
	cleared day.Day
	asked   bool
}

// way is how a plant is reached from one that has the cause.
type way struct {
	sick   *Sick // nil where it is not reached
	chance float64
	since  day.Day
	second bool // by one plant between
	by     int32
	handed day.Day // from when that one may have handed it on
}

func laidOut(q Question) *web {
	w := &web{Question: q, how: carriedBy(q.Cause), generation: q.generations()}
	w.incubation = w.generation(q.On)
	w.numbers = make(map[uuid.UUID]int32, len(q.Contacts)/8)
	for _, s := range q.Sick {
		w.number(s.Plant)
	}
	ends := make([][2]int32, len(q.Contacts))
	for i := range q.Contacts {
		ends[i] = [2]int32{w.number(q.Contacts[i].From), w.number(q.Contacts[i].To)}
	}
	w.lead(ends)
	w.has, w.towards = make([]bool, len(w.plants)), make([]toward, len(w.plants))
	for _, s := range q.Sick {
		w.has[w.numbers[s.Plant]] = true
	}
	return w
}

// lead lays out what leads from each plant to others, by the plants that each contact ties. All of it lies in one row,
// each plant's part cut from it. The edges are dealt out by the plant that they lead to first, and then by the one that
// they lead from: so those of one plant stand in the order of the others, and of their contacts.
func (w *web) lead(ends [][2]int32) {
	coming, going := make([]int32, len(w.plants)+1), make([]int32, len(w.plants)+1)
	count := func(from, to int32) { coming[to+1]++; going[from+1]++ }
	w.eachWay(ends, func(from, to, _ int32, _ bool) { count(from, to) })
	for i := range w.plants {
		coming[i+1] += coming[i]
		going[i+1] += going[i]
	}
	type ended struct {
		from int32
		edge
	}
	byEnd := make([]ended, coming[len(w.plants)])
	w.eachWay(ends, func(from, to, contact int32, back bool) {
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
func (w *web) eachWay(ends [][2]int32, each func(from, to, contact int32, back bool)) {
	for i, end := range ends {
		each(end[0], end[1], int32(i), false)
		if !w.Contacts[i].Tie.oneWay() {
			each(end[1], end[0], int32(i), true)
		}
	}
}

// number gives a plant its number, the next one where it has none yet.
func (w *web) number(id uuid.UUID) int32 {
	n, known := w.numbers[id]
	if !known {
		n = int32(len(w.plants))
		w.numbers[id], w.plants = n, append(w.plants, id)
	}
	return n
}

// from finds whom one that has it reaches, straight or by one between. What caught it hands it on one
// incubation after it was caught.
func (w *web) from(sick *Sick, ways []way) {
	self := w.numbers[sick.Plant]
	var straight []int32
	w.reach(self, sick.Since, func(to int32, chance float64, since day.Day) {
		ways[to] = way{sick: sick, chance: chance, since: since}
		straight = append(straight, to)
	})
	for _, between := range straight {
		first := ways[between]
		if first.chance < passedOn || first.second {
			continue
		}
		handed := first.since + w.incubation
		w.reach(between, handed, func(to int32, chance float64, since day.Day) {
			if chance *= first.chance; to != self && chance > ways[to].chance {
				ways[to] = way{sick: sick, chance: chance, since: since, second: true, by: between, handed: handed}
			}
		})
	}
}

// reach finds whom a plant reaches straight from a day on, with the chance that each has it, and since when.
func (w *web) reach(from int32, since day.Day, found func(to int32, chance float64, since day.Day)) {
	for rest := w.out[from]; len(rest) > 0; {
		to, n := rest[0].to, 1
		for n < len(rest) && rest[n].to == to {
			n++
		}
		edges := rest[:n]
		rest = rest[n:]
		if w.has[to] {
			continue
		}
		t := w.toward(to)
		all := crossing{since: max(since, t.cleared), on: w.On}
		for _, e := range edges {
			all.add(w.how, &w.Contacts[e.contact])
		}
		if all.crossed {
			found(to, (1-all.none)*t.liking, all.began)
		}
	}
}

// toward gives what counts for a plant whoever it is reached from.
func (w *web) toward(plant int32) toward {
	t := &w.towards[plant]
	if !t.asked {
		*t = toward{liking: 1, cleared: w.cleared(w.plants[plant], w.generation), asked: true}
		if w.Liking != nil {
			t.liking = w.Liking(w.plants[plant])
		}
	}
	return *t
}

// told writes out the best ways, the likeliest plant first.
func (w *web) told(best []way, none []float64) []Exposed {
	looks := map[Act][]day.Day{}
	for _, act := range []Act{WatchNow, Watch, LookOnce, Nothing} {
		looks[act] = Looks(w.Cause, w.On, act)
	}
	order := make([]int32, 0, len(best))
	for id, one := range best {
		if one.sick != nil {
			order = append(order, int32(id))
		}
	}
	slices.SortFunc(order, func(x, y int32) int {
		return cmp.Or(cmp.Compare(1-none[y], 1-none[x]), byID(w.plants[x], w.plants[y]))
	})
	list := make([]Exposed, len(order))
	for i, to := range order {
		e := Exposed{
			Plant: w.plants[to], Chance: 1 - none[to], Liking: w.toward(to).liking, Since: best[to].since,
			Shows: w.On + w.incubation, web: w, way: best[to],
		}
		e.Act = ActOn(e.Chance)
		e.Looks = looks[e.Act]
		list[i] = e
	}
	return list
}

// legs tells the crossings of a way.
func (w *web) legs(to int32, one way) []Leg {
	sick := w.numbers[one.sick.Plant]
	if !one.second {
		return []Leg{w.legTo(sick, to, one.sick.Since)}
	}
	return []Leg{w.legTo(sick, one.by, one.sick.Since), w.legTo(one.by, to, one.handed)}
}

func (w *web) legTo(from, to int32, since day.Day) Leg {
	out := w.out[from]
	i, _ := slices.BinarySearchFunc(out, to, func(e edge, to int32) int { return cmp.Compare(e.to, to) })
	var contacts []Contact
	for ; i < len(out) && out[i].to == to; i++ {
		c := w.Contacts[out[i].contact]
		if out[i].back {
			c.From, c.To = c.To, c.From
		}
		contacts = append(contacts, c)
	}
	leg, _ := w.leg(w.how, contacts, max(since, w.toward(to).cleared))
	return leg
}
