// Package cause holds everything that can ail a plant, as treatment needs it:
// how fast one must act, how it spreads, whether it harms at all.
package cause

import (
	"embed"
	"encoding/csv"
	"fmt"
	"slices"
	"strconv"
	"strings"
)

// ID names a cause. Ids stand in stored records: never rename or reuse one.
type ID string

// Way is how a cause travels to other plants.
type Way string

// The ways.
const (
	ByAir     Way = "air"
	ByContact Way = "contact"
	BySoil    Way = "soil"
	ByTools   Way = "tools"
	ByVector  Way = "vector"
	ByWater   Way = "water"
)

// Cause is one thing that can be wrong.
type Cause struct {
	ID        ID
	Label     string
	Kind      string // water, roots, pest, disease …
	Spreads   []Way
	DaysToAct int // within how many days one must act
	Harmless  bool
	// Ails is false for what is only wished of a plant, and is never diagnosed.
	Ails bool
	// Prior is the share of examined plants that have it though no other cause
	// brought it on, before any sign, 0-1.
	Prior float64
	// Condition is the sign that this cause simply is: seen, it is true.
	Condition string
	// Defining are the signs by which one knows it.
	Defining []string
	// FirstMove is what an expert does first.
	FirstMove string
	Mild      bool // it never shows a sign strongly
	// Parts are the narrower causes that an umbrella of older records stands for.
	Parts   []ID
	Summary string

	only, not []string // habits
}

// Fits says whether a plant of the habit can have it.
func (c Cause) Fits(habit string) bool {
	if c.only != nil {
		return slices.Contains(c.only, habit)
	}
	return !slices.Contains(c.not, habit)
}

// Days to act, priors and ways are common practice.
//
//go:embed data/causes.csv
var files embed.FS

var causes = read()

var byID = func() map[ID]Cause {
	m := make(map[ID]Cause, len(causes))
	for _, c := range causes {
		m[c.ID] = c
	}
	return m
}()

// All lists every cause.
func All() []Cause { return slices.Clone(causes) }

// ByID finds a cause; false when there is none of that id.
func ByID(id ID) (Cause, bool) {
	c, ok := byID[id]
	return c, ok
}

func read() []Cause {
	f, err := files.Open("data/causes.csv")
	if err != nil {
		panic(err)
	}
	rows, err := csv.NewReader(f).ReadAll()
	if err != nil {
		panic(fmt.Errorf("causes: %w", err))
	}
	at := map[string]int{}
	for i, column := range rows[0] {
		at[column] = i
	}
	list := make([]Cause, 0, len(rows)-1)
	for _, cells := range rows[1:] {
		cell := func(column string) string { return cells[at[column]] }
		days, err := strconv.Atoi(cell("days_to_act"))
		if err != nil {
			panic(fmt.Errorf("causes: days to act of %s: %w", cell("id"), err))
		}
		c := Cause{
			ID:        ID(cell("id")),
			Label:     cell("label"),
			Kind:      cell("kind"),
			DaysToAct: days,
			Harmless:  cell("harmless") == "yes",
			Summary:   cell("summary"),
			Spreads:   split[Way](cell("spreads_by")),
			Parts:     split[ID](cell("umbrella_of")),
			Condition: cell("condition_sign"),
			Defining:  split[string](cell("defining_signs")),
			FirstMove: cell("first_move"),
			Mild:      cell("degree") == "mild",
		}
		c.Ails = cell("prior") != "" || len(c.Parts) > 0
		if cell("prior") != "" {
			if c.Prior, err = strconv.ParseFloat(cell("prior"), 64); err != nil {
				panic(fmt.Errorf("causes: prior of %s: %w", cell("id"), err))
			}
		}
		if only, found := strings.CutPrefix(cell("habits"), "only:"); found {
			c.only = split[string](only)
		} else if not, found := strings.CutPrefix(cell("habits"), "not:"); found {
			c.not = split[string](not)
		}
		list = append(list, c)
	}
	return list
}

func split[T ~string](cell string) (list []T) {
	for _, word := range strings.FieldsFunc(cell, func(r rune) bool { return r == ';' }) {
		list = append(list, T(word))
	}
	return list
}
