// Package plant holds the growth habits and the kinds of plant: which parts a
// plant has, what it wants, and when a stand-still is a stall.
package plant

import (
	"slices"

	"tendermend/core/climate"
)

// Habit is a way of growing. It decides which parts a plant has, how it is
// drawn, which causes fit and when no progress means a stall.
type Habit struct {
	ID        string    `json:"id"`
	Label     string    `json:"label"`
	Figure    string    `json:"figure" doc:"The line drawing that stands for this habit."`
	Growth    string    `json:"growth" doc:"What it makes in its season, in words."`
	Roots     string    `json:"roots"`
	Orchid    bool      `json:"orchid"`
	WaterRule WaterRule `json:"waterRule"`
	// GrowthDays is the usual time from one new leaf or growth to the next in
	// season, in days, shortest and longest.
	GrowthDays [2]int `json:"growthDays"`
	// StallWeeks is how long no measured progress is still normal in season; 0
	// means that the habit rests and is never called stalled by time alone.
	StallWeeks int `json:"stallWeeks"`
	// RestSeasons are the seasons in which leaf fall or stand-still can be rest;
	// empty where the habit has no rest of its own.
	RestSeasons []climate.Season `json:"restSeasons"`
	// LookDays is how often a healthy plant of this habit is looked at.
	LookDays int `json:"lookDays"`
	// WaterDays is a first guess at the gap between waterings indoors, in days,
	// for a plant whose own gaps are not known yet (common practice).
	WaterDays [2]int `json:"waterDays"`
}

var coldHalf = []climate.Season{climate.Autumn, climate.Winter}

// habits: stall limits, growth and water rules are common practice.
var habits = []Habit{
	{
		ID:          "sympodial-orchid",
		Label:       "bulbed or caned orchid",
		Figure:      "bulbed",
		Growth:      "1-3 growths a year",
		Roots:       "velamen over a thin live core, green when wet",
		Orchid:      true,
		WaterRule:   HalfDry,
		GrowthDays:  [2]int{120, 365},
		StallWeeks:  12,
		RestSeasons: coldHalf,
		LookDays:    7,
		WaterDays:   [2]int{5, 9},
	},
	{
		ID:         "monopodial-orchid",
		Label:      "single-stem orchid",
		Figure:     "single-stem",
		Growth:     "2-4 leaves a year",
		Roots:      "velamen: silver-white when dry, green when wet",
		Orchid:     true,
		WaterRule:  HalfDry,
		GrowthDays: [2]int{90, 180},
		StallWeeks: 12,
		LookDays:   7,
		WaterDays:  [2]int{5, 9},
	},
	{
		ID:          "winter-deciduous-orchid",
		Label:       "orchid that drops all leaves in winter",
		Figure:      "deciduous",
		Growth:      "one growth a year",
		Roots:       "velamen",
		Orchid:      true,
		WaterRule:   DryRest,
		GrowthDays:  [2]int{300, 400},
		StallWeeks:  0,
		RestSeasons: []climate.Season{climate.Autumn, climate.Winter, climate.Spring},
		LookDays:    14,
		WaterDays:   [2]int{5, 10},
	},
	{
		ID:         "jewel-orchid",
		Label:      "velvety ground orchid",
		Figure:     "creeper",
		Growth:     "1 leaf a month and stem",
		Roots:      "fuzzy, on moss",
		Orchid:     true,
		WaterRule:  Even,
		GrowthDays: [2]int{25, 40},
		StallWeeks: 6,
		LookDays:   7,
		WaterDays:  [2]int{4, 7},
	},
	{
		ID:         "aroid-vine",
		Label:      "climbing or trailing aroid",
		Figure:     "vine",
		Growth:     "1 leaf in 3-5 weeks",
		Roots:      "thick, white",
		WaterRule:  QuarterDry,
		GrowthDays: [2]int{21, 35},
		StallWeeks: 6,
		LookDays:   7,
		WaterDays:  [2]int{6, 11},
	},
	{
		ID:          "aroid-clump",
		Label:       "clumping aroid",
		Figure:      "clump",
		Growth:      "1 leaf in 3-5 weeks",
		Roots:       "thick, white",
		WaterRule:   QuarterDry,
		GrowthDays:  [2]int{21, 35},
		StallWeeks:  6,
		RestSeasons: coldHalf,
		LookDays:    7,
		WaterDays:   [2]int{5, 10},
	},
	{
		ID:         "rhizomatous-foliage",
		Label:      "prayer-plant family",
		Figure:     "tiered",
		Growth:     "1-2 leaves a month",
		Roots:      "fine, dense",
		WaterRule:  Even,
		GrowthDays: [2]int{15, 30},
		StallWeeks: 6,
		LookDays:   7,
		WaterDays:  [2]int{4, 7},
	},
	{ID: "begonia", Label: "begonia", Figure: "begonia", Growth: "2 leaves a month", Roots: "fine",
		WaterRule:   QuarterDry,
		GrowthDays:  [2]int{12, 20},
		StallWeeks:  5,
		RestSeasons: coldHalf,
		LookDays:    7,
		WaterDays:   [2]int{5, 9},
	},
	{ID: "soft-trailer", Label: "soft-stemmed trailer", Figure: "trailer", Growth: "1 node a week", Roots: "fine",
		WaterRule:   QuarterDry,
		GrowthDays:  [2]int{6, 12},
		StallWeeks:  3,
		RestSeasons: []climate.Season{climate.Winter},
		LookDays:    7,
		WaterDays:   [2]int{5, 9},
	},
	{ID: "woody", Label: "small indoor tree", Figure: "tree", Growth: "in flushes", Roots: "woody",
		WaterRule: QuarterDry, GrowthDays: [2]int{30, 60}, StallWeeks: 8, LookDays: 7, WaterDays: [2]int{6, 11}},
	{ID: "giant-herb", Label: "giant herb", Figure: "fan", Growth: "1 spear in 4-8 weeks", Roots: "thick, fleshy",
		WaterRule: Even, GrowthDays: [2]int{28, 56}, StallWeeks: 10, LookDays: 7, WaterDays: [2]int{5, 9}},
	{
		ID:          "wax-vine",
		Label:       "wax vine",
		Figure:      "wax-vine",
		Growth:      "1 pair of leaves in 4-6 weeks",
		Roots:       "fine, air-loving",
		WaterRule:   DryThrough,
		GrowthDays:  [2]int{28, 42},
		StallWeeks:  8,
		RestSeasons: coldHalf,
		LookDays:    10,
		WaterDays:   [2]int{9, 16},
	},
	{ID: "succulent-rosette", Label: "succulent rosette", Figure: "rosette", Growth: "slow", Roots: "fine",
		WaterRule:   DryThrough,
		GrowthDays:  [2]int{21, 60},
		StallWeeks:  12,
		RestSeasons: []climate.Season{climate.Summer, climate.Winter},
		LookDays:    14,
		WaterDays:   [2]int{12, 24},
	},
	{ID: "cactus", Label: "cactus", Figure: "column", Growth: "slow", Roots: "fine",
		WaterRule:   DryThrough,
		GrowthDays:  [2]int{30, 120},
		StallWeeks:  16,
		RestSeasons: coldHalf,
		LookDays:    14,
		WaterDays:   [2]int{14, 30},
	},
	{ID: "fern", Label: "fern", Figure: "frond", Growth: "2 fronds a month", Roots: "fine",
		WaterRule: Even, GrowthDays: [2]int{12, 20}, StallWeeks: 5, LookDays: 5, WaterDays: [2]int{3, 6}},
	{ID: "palm", Label: "palm", Figure: "palm", Growth: "1 frond in 4-8 weeks", Roots: "fleshy, brittle",
		WaterRule: QuarterDry, GrowthDays: [2]int{28, 56}, StallWeeks: 10, LookDays: 10, WaterDays: [2]int{6, 11}},
	{ID: "bromeliad", Label: "bromeliad", Figure: "cup", Growth: "slow", Roots: "for anchor",
		WaterRule: CupWater, GrowthDays: [2]int{30, 90}, StallWeeks: 16, LookDays: 14, WaterDays: [2]int{7, 14}},
	{
		ID:         "gesneriad",
		Label:      "African violet and its kin",
		Figure:     "violet",
		Growth:     "2-3 leaves a month",
		Roots:      "fine, shallow",
		WaterRule:  SurfaceDry,
		GrowthDays: [2]int{10, 18},
		StallWeeks: 5,
		LookDays:   7,
		WaterDays:  [2]int{4, 8},
	},
	{
		ID:          "bulb",
		Label:       "bulb or tuber",
		Figure:      "bulb",
		Growth:      "a flush of leaves, then rest",
		Roots:       "fleshy, renewed each year",
		WaterRule:   HalfDry,
		GrowthDays:  [2]int{15, 40},
		StallWeeks:  0,
		RestSeasons: []climate.Season{climate.Summer, climate.Autumn, climate.Winter},
		LookDays:    10,
		WaterDays:   [2]int{6, 12},
	},
	{
		ID:         "herb-clump",
		Label:      "clump of strap leaves",
		Figure:     "clump-grass",
		Growth:     "2-4 leaves a month",
		Roots:      "fleshy or fine, dense",
		WaterRule:  QuarterDry,
		GrowthDays: [2]int{8, 20},
		StallWeeks: 6,
		LookDays:   7,
		WaterDays:  [2]int{5, 10},
	},
	{ID: "upright-succulent", Label: "upright succulent", Figure: "upright", Growth: "slow", Roots: "fine or fleshy",
		WaterRule:   DryThrough,
		GrowthDays:  [2]int{21, 60},
		StallWeeks:  12,
		RestSeasons: coldHalf,
		LookDays:    14,
		WaterDays:   [2]int{12, 24},
	},
	{
		ID:          "trailing-succulent",
		Label:       "trailing succulent",
		Figure:      "strands",
		Growth:      "slow, by strands",
		Roots:       "fine, shallow",
		WaterRule:   DryThrough,
		GrowthDays:  [2]int{14, 40},
		StallWeeks:  10,
		RestSeasons: coldHalf,
		LookDays:    10,
		WaterDays:   [2]int{9, 18},
	},
	{
		ID:          "forest-cactus",
		Label:       "forest cactus",
		Figure:      "segments",
		Growth:      "new segments after bloom",
		Roots:       "fine, air-loving",
		WaterRule:   HalfDry,
		GrowthDays:  [2]int{30, 90},
		StallWeeks:  12,
		RestSeasons: []climate.Season{climate.Autumn, climate.Winter},
		LookDays:    10,
		WaterDays:   [2]int{7, 14},
	},
	{ID: "air-plant", Label: "air plant", Figure: "air-tuft", Growth: "slow", Roots: "few, for anchor",
		WaterRule: AirRoots, GrowthDays: [2]int{40, 120}, StallWeeks: 16, LookDays: 7, WaterDays: [2]int{3, 6}},
	{ID: "carnivore", Label: "carnivorous plant", Figure: "traps", Growth: "1-3 traps a month", Roots: "few, fine",
		WaterRule:   WetTray,
		GrowthDays:  [2]int{10, 30},
		StallWeeks:  8,
		RestSeasons: coldHalf,
		LookDays:    7,
		WaterDays:   [2]int{2, 5},
	},
	{ID: "ivy", Label: "ivy", Figure: "ivy", Growth: "1 node a week", Roots: "fine, and at the nodes",
		WaterRule:   QuarterDry,
		GrowthDays:  [2]int{7, 14},
		StallWeeks:  5,
		RestSeasons: []climate.Season{climate.Winter},
		LookDays:    7,
		WaterDays:   [2]int{5, 9},
	},
	{
		ID:          "cane-foliage",
		Label:       "cane with a tuft of leaves",
		Figure:      "cane",
		Growth:      "1-2 leaves a month",
		Roots:       "fleshy",
		WaterRule:   HalfDry,
		GrowthDays:  [2]int{15, 35},
		StallWeeks:  8,
		RestSeasons: []climate.Season{climate.Winter},
		LookDays:    10,
		WaterDays:   [2]int{7, 14},
	},
	{ID: "cycad", Label: "cycad", Figure: "cycad", Growth: "a flush of fronds a year", Roots: "coral-like and fleshy",
		WaterRule:   DryThrough,
		GrowthDays:  [2]int{180, 400},
		StallWeeks:  0,
		RestSeasons: coldHalf,
		LookDays:    14,
		WaterDays:   [2]int{10, 20},
	},
}

var habitByID = func() map[string]Habit {
	m := make(map[string]Habit, len(habits))
	for i, h := range habits {
		if h.RestSeasons == nil {
			habits[i].RestSeasons = []climate.Season{}
		}
		m[h.ID] = habits[i]
	}
	return m
}()

// habitAliases are other ids under which a habit stands in exchanged files.
var habitAliases = map[string]string{"cane-begonia-or-rex": "begonia"}

// HabitAliases lists the other ids that are read as a habit.
func HabitAliases() []string {
	ids := make([]string, 0, len(habitAliases))
	for id := range habitAliases {
		ids = append(ids, id)
	}
	return ids
}

// Habits lists all growth habits.
func Habits() []Habit { return slices.Clone(habits) }

// HabitByID finds a habit by its id or an alias of it; false when there is none.
func HabitByID(id string) (Habit, bool) {
	if known, ok := habitAliases[id]; ok {
		id = known
	}
	h, ok := habitByID[id]
	return h, ok
}

// RestsIn says whether a plant of the habit can be at rest in the season. An
// unknown season is taken as possible.
func (h Habit) RestsIn(s climate.Season) bool {
	if s == "" {
		return true
	}
	for _, r := range h.RestSeasons {
		if r == s {
			return true
		}
	}
	return false
}
