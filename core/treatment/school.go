package treatment

import (
	"fmt"
	"sort"
)

// School is a way of treating an orchid with few roots, scored for one plant.
type School struct {
	ID      string   `json:"id"`
	Name    string   `json:"name"`
	Idea    string   `json:"idea"`
	Suits   string   `json:"suits"`
	Against string   `json:"against"`
	Score   int      `json:"score"`
	Reasons []Reason `json:"reasons" doc:"What weighed, heaviest first."`
}

// Reason is one weight of a score.
type Reason struct {
	Text   string `json:"text"`
	Weight int    `json:"weight"`
}

// Schools scores the orchid schools for a situation, best first. The weights
// are common practice.
func Schools(s Situation) []School {
	bridge := School{ID: "S1", Name: "Water bridge",
		Idea:    "The base stands just above shallow water in a cup until root tips show, then in bark over a dish whose level falls as roots go down.",
		Suits:   "small divisions, warm dry homes, someone who looks often",
		Against: "stem rot, cold rooms; potting up too early shocks it"}
	lean := School{ID: "S3", Name: "Lean and staked",
		Idea:    "All that is dead comes off; a little coarse bark, firm stakes, misted leaves, and three to four months of patience.",
		Suits:   "plump bulbs, good leaves, a humid room, people who water heavily",
		Against: "thin reserves, hot dry rooms"}
	weigh := func(school *School, weight int, text string) {
		school.Score += weight
		school.Reasons = append(school.Reasons, Reason{text, weight})
	}
	a := s.Answers
	switch a.Reserves {
	case Plump:
		weigh(&lean, 3, "its reserves are plump and will last")
	case Ridged:
		weigh(&bridge, 1, "its reserves are going")
	case Shrivelled:
		weigh(&bridge, 3, "it is shrivelled and needs water soon")
		weigh(&lean, -3, "thin reserves do not last three months")
	}
	if a.HumidityPct != nil {
		switch {
		case *a.HumidityPct >= 60:
			weigh(&lean, 2, fmt.Sprintf("the air has %g %%", *a.HumidityPct))
		case *a.HumidityPct < 45:
			weigh(&bridge, 2, fmt.Sprintf("the air has only %g %%", *a.HumidityPct))
			weigh(&lean, -2, "leaves lose too much in dry air")
		}
	}
	if a.WarmthC != nil {
		switch {
		case *a.WarmthC < 18:
			weigh(&bridge, -4, fmt.Sprintf("%g °C is too cold for a base over water", *a.WarmthC))
		case *a.WarmthC >= 21:
			weigh(&bridge, 1, fmt.Sprintf("%g °C is warm enough", *a.WarmthC))
		}
	}
	if a.LookDays != nil {
		switch {
		case *a.LookDays <= 3:
			weigh(&bridge, 2, "you look often")
		case *a.LookDays >= 7:
			weigh(&bridge, -3, "the cup wants a look twice a week")
		}
	}
	if is(a.LiveRot) || s.accepts("base-rot") {
		weigh(&bridge, -3, "live rot at the base climbs faster over water")
		weigh(&lean, 1, "a dry airy base lets cuts close")
	}
	if a.LiveTips != nil && *a.LiveTips > 0 {
		weigh(&bridge, 1, "live tips will find the water")
	}
	if s.Habit.ID == "winter-deciduous-orchid" {
		weigh(&bridge, -3, "a kind that rests dry must not stand over water")
	}
	both := []School{bridge, lean}
	for i := range both {
		r := both[i].Reasons
		sort.SliceStable(r, func(a, b int) bool { return abs(r[a].Weight) > abs(r[b].Weight) })
		if r == nil {
			both[i].Reasons = []Reason{}
		}
	}
	// With nothing answered the reversible, drier way comes first.
	sort.SliceStable(both, func(a, b int) bool {
		if both[a].Score != both[b].Score {
			return both[a].Score > both[b].Score
		}
		return both[a].ID == "S3"
	})
	return both
}

func abs(n int) int {
	if n < 0 {
		return -n
	}
	return n
}
