// Package diagnosis works out what ails a plant from the signs seen and the
// signs looked for in vain: the chance of each cause, the next check that is
// worth its trouble, and which moves are safe while one is unsure.
package diagnosis

import (
	"fmt"
	"slices"
)

// Version names this state of the tables. It is kept with every diagnosis in
// the record, so that an old one can be read as it was made.
const Version = "2026.1"

// Disturbance is how much a look asks of the plant.
type Disturbance int

// The grades of disturbance.
const (
	Look  Disturbance = iota // eyes and nose only
	Touch                    // a leaf turned, a stem rocked
	Lift                     // the pot lifted or probed
	Unpot                    // roots out of the pot
)

// Sign is something that can be observed on a plant or read from its record.
type Sign struct {
	ID          string      `json:"id"`
	Zone        string      `json:"zone" doc:"The touchable part of the figure."`
	Label       string      `json:"label"`
	How         string      `json:"how" doc:"How to look."`
	Minutes     int         `json:"minutes" doc:"What the look takes, in minutes."`
	Disturbance Disturbance `json:"disturbance" doc:"0 look, 1 touch, 2 lift or probe, 3 unpot."`
	// Background is how often the sign is seen with none of the causes present.
	Background float64 `json:"background"`
	Looks      string  `json:"looks" doc:"What it looks like."`
	NotThis    string  `json:"notThis" doc:"What it is easily taken for."`
	Good       bool    `json:"good" doc:"Whether it tells that a part is well."`
}

// Zone is a part of the figure, or a side of the plant's story, that is looked
// at in one go. The zones stand in the order of a look from the outside in.
type Zone struct {
	ID    string `json:"id"`
	Label string `json:"label"`
	Drawn bool   `json:"drawn" doc:"Whether it is a part of the figure; otherwise it is asked or read."`
}

// Zones lists the zones from the outside in.
func Zones() []Zone { return slices.Clone(zones) }

var zones = []Zone{
	{"stance", "The whole plant", true},
	{"leaves", "Leaves", true},
	{"undersides", "Undersides", true},
	{"joints", "Joints", true},
	{"stem", "Stem or bulbs", true},
	{"new", "Newest growth", true},
	{"flowers", "Flowers, offsets", true},
	{"base", "Base", true},
	{"surface", "Surface", true},
	{"medium", "Medium", true},
	{"pot", "Pot", true},
	{"roots", "Roots", true},
	{"course", "How it went", false},
	{"care", "Its care", false},
	{"place", "Its place", false},
}

// Cause is something that can be wrong with a plant, or an ordinary event that
// looks like it.
type Cause struct {
	ID        string  `json:"id"`
	Label     string  `json:"label"`
	Kind      string  `json:"kind"`
	Prior     float64 `json:"prior" doc:"Chance before any sign is known, 0-1."`
	Spreads   bool    `json:"spreads" doc:"Whether it can pass to other plants."`
	DaysToAct int     `json:"daysToAct"`
	Harmless  bool    `json:"harmless" doc:"Whether it needs no treatment."`
	Summary   string  `json:"summary"`
}

// urgency weighs what a check settles: 3 where at most 2 days are left to act,
// 2 up to 7 days, else 1 (common practice).
func (c Cause) urgency() float64 {
	switch {
	case c.DaysToAct <= 2:
		return 3
	case c.DaysToAct <= 7:
		return 2
	}
	return 1
}

// Move is something that can be done while the trouble is not certain.
type Move struct {
	ID         string         `json:"id"`
	Label      string         `json:"label"`
	How        string         `json:"how"`
	Stress     int            `json:"stress" doc:"What the move itself costs the plant, 0-2."`
	Reversible bool           `json:"reversible"`
	Effects    map[string]int `json:"-"`
}

type link struct {
	sign      string
	frequency float64
}

// The five grades of "how often the cause shows the sign".
func always(signs ...string) []link    { return grade(0.90, signs) }
func usually(signs ...string) []link   { return grade(0.70, signs) }
func often(signs ...string) []link     { return grade(0.45, signs) }
func sometimes(signs ...string) []link { return grade(0.20, signs) }
func seldom(signs ...string) []link    { return grade(0.07, signs) }

func grade(frequency float64, signs []string) []link {
	ls := make([]link, len(signs))
	for i, s := range signs {
		ls[i] = link{s, frequency}
	}
	return ls
}

func shows(grades ...[]link) (all []link) {
	for _, g := range grades {
		all = append(all, g...)
	}
	return all
}

// signs is the table with its notes.
var signs = func() []Sign {
	noted := append([]Sign{}, signTable...)
	for i := range noted {
		n := notes[noted[i].ID]
		noted[i].Looks, noted[i].NotThis, noted[i].Good = n.looks, n.notThis, good[noted[i].ID]
	}
	return noted
}()

var (
	signIndex  = index(signs, func(s Sign) string { return s.ID })
	causeIndex = index(causes, func(c Cause) string { return c.ID })
	moveIndex  = index(moves, func(m Move) string { return m.ID })
)

func index[T any](list []T, id func(T) string) map[string]int {
	m := make(map[string]int, len(list))
	for i, v := range list {
		if _, twice := m[id(v)]; twice {
			panic(fmt.Sprintf("id %s stands twice in a table", id(v)))
		}
		m[id(v)] = i
	}
	return m
}

// Signs lists all signs.
func Signs() []Sign { return slices.Clone(signs) }

// Causes lists all causes.
func Causes() []Cause { return slices.Clone(causes) }

// Moves lists all moves.
func Moves() []Move { return slices.Clone(moves) }

// SignByID finds a sign; false when there is none of that id.
func SignByID(id string) (Sign, bool) {
	i, ok := signIndex[id]
	if !ok {
		return Sign{}, false
	}
	return signs[i], true
}

// CauseByID finds a cause; false when there is none of that id.
func CauseByID(id string) (Cause, bool) {
	i, ok := causeIndex[id]
	if !ok {
		return Cause{}, false
	}
	return causes[i], true
}
