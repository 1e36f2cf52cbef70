package told

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/working"
	"tendermend/record"
)

// Beside is one thing that plants are compared by.
type Beside struct {
	What   string   `json:"what"`
	Values []string `json:"values" doc:"Of each plant, in their order; empty where nothing is known."`
	// Differs is true where what is known of them is not the same.
	Differs bool `json:"differs"`
}

// MostBeside is how many plants stand side by side at most.
const MostBeside = 6

// Compare says of plants what each is, where and how it stands, and how it does. Places are
// their names, in the order of the plants.
func Compare(list []record.State, places []string, around record.Context, today day.Day) []Beside {
	ways := []struct {
		what string
		of   func(s record.State, i int) string
	}{
		{"kind", func(s record.State, _ int) string {
			if s.Profile != nil {
				return s.Profile.Botanical
			}
			return s.Habit.Label
		}},
		{"place", func(_ record.State, i int) string { return places[i] }},
		{"here for", func(s record.State, _ int) string { return lasted(s.ArrivedOn, today) }},
		{"how it does", func(s record.State, _ int) string { return howItDoes(s, today) }},
		{"trouble", func(s record.State, _ int) string { return troubles(s) }},
		{"stands in", func(s record.State, _ int) string { return s.Facts(today, around).Seat.Value.Words() }},
		{"pot, inner width", func(s record.State, _ int) string { return centimetres(s.Pot.WidthCM) }},
		{"medium", func(s record.State, _ int) string { return medium(s, around, today) }},
		{"fresh medium", func(s record.State, _ int) string { return lastOf(s.PottedOn, today) }},
		{"waterings", func(s record.State, _ int) string { return gap(s.WateredOn) }},
		{"watered", func(s record.State, _ int) string { return lastOf(s.WateredOn, today) }},
		{"looked at", func(s record.State, _ int) string { return gap(s.Looks) }},
	}
	rows := make([]Beside, 0, len(ways))
	for _, w := range ways {
		row := Beside{What: w.what, Values: make([]string, len(list))}
		for i, s := range list {
			row.Values[i] = w.of(s, i)
		}
		known := slices.DeleteFunc(slices.Clone(row.Values), func(v string) bool { return v == "" })
		if len(known) == 0 {
			continue
		}
		row.Differs = slices.ContainsFunc(known, func(v string) bool { return v != known[0] })
		rows = append(rows, row)
	}
	return rows
}

func howItDoes(s record.State, today day.Day) string {
	now, trend, known := s.Condition(today)
	if !known {
		return ""
	}
	so := fmt.Sprintf("%.0f of 100", now.Value)
	if trend != nil && trend.Points != 0 {
		so += fmt.Sprintf(", %+d in %s", trend.Points, working.Count(trend.Days, "day"))
	}
	return so
}

// troubles are what was accepted of its open cases.
func troubles(s record.State) string {
	var said []string
	for _, c := range s.OpenCases() {
		for _, id := range c.Causes() {
			if known, is := diagnosis.CauseByID(id); is {
				said = append(said, known.Label)
			}
		}
	}
	if len(said) == 0 {
		return "none"
	}
	return strings.Join(said, ", ")
}

func medium(s record.State, around record.Context, today day.Day) string {
	if s.Pot.Medium != "" {
		return s.Pot.Medium
	}
	return s.Facts(today, around).MediumClass.Value.Words()
}

func centimetres(v *float64) string {
	if v == nil {
		return ""
	}
	return fmt.Sprintf("%g cm", *v)
}

func lastOf(days []day.Day, today day.Day) string {
	if len(days) == 0 {
		return ""
	}
	return lasted(days[len(days)-1], today) + " ago"
}

// usualGaps is over how many of the last gaps the usual one is told.
const usualGaps = 10

// gap is the usual gap between days: the middle one of the last ten.
func gap(days []day.Day) string {
	var gaps []int
	for i := max(1, len(days)-usualGaps); i < len(days); i++ {
		if n := int(days[i] - days[i-1]); n > 0 {
			gaps = append(gaps, n)
		}
	}
	if len(gaps) == 0 {
		return ""
	}
	slices.Sort(gaps)
	n := len(gaps)
	middle := int(math.Round(float64(gaps[(n-1)/2]+gaps[n/2]) / 2))
	return working.Every(middle, "day")
}
