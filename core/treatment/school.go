package treatment

import (
	"fmt"
	"sort"

	"tendermend/core/climate"
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

// schools in the order in which they are named when nothing tells them apart:
// the drier, reversible ones first.
var schools = []School{
	{ID: "S3", Name: "Lean and staked",
		Idea:    "All that is dead comes off; a little coarse bark, firm stakes, misted leaves, and three to four months of patience.",
		Suits:   "plump bulbs, good leaves, a humid room, people who water heavily",
		Against: "thin reserves, hot dry rooms"},
	{ID: "S2", Name: "Rest first, repot later",
		Idea:    "Off with spikes and plantlets; less light, a weak tonic, and no repotting until new roots show on new growth.",
		Suits:   "large plants with reserves, outside their growth, in a medium that is still sound",
		Against: "active rot, sour or collapsed medium"},
	{ID: "S1", Name: "Water bridge",
		Idea:    "The base stands just above shallow water in a cup until root tips show, then in bark over a dish whose level falls as roots go down.",
		Suits:   "small divisions, warm dry homes, someone who looks often",
		Against: "stem rot, cold rooms; potting up too early shocks it"},
	{ID: "S4", Name: "Moss wrap",
		Idea:    "A pad of damp moss under it, the roots wrapped, a snug pot; roots that knew moss stay in moss.",
		Suits:   "hot dry climates, thin leaves, roots alive with idle tips",
		Against: "cool rooms, a heavy hand with water"},
	{ID: "S5", Name: "Clay and reservoir",
		Idea:    "Rinsed clay pellets, set tight over a shallow reservoir; old roots go, new ones that know the clay come.",
		Suits:   "people who forget, collections, warm rooms, active tips",
		Against: "no active tips, kinds that rest dry, cold"},
	{ID: "S6", Name: "Bare roots in a basket",
		Idea:    "Moss and dead roots off, wisps of dead moss tied round the live ones, wet each morning in warm moving humid air.",
		Suits:   "air-rooted kinds, over 60 % humidity, about 25 °C",
		Against: "dry rooms without a humidifier"},
}

// weights collects what speaks for and against each school.
type weights map[string][]Reason

func (w weights) add(text string, of map[string]int) {
	for id, weight := range of {
		w[id] = append(w[id], Reason{text, weight})
	}
}

// Schools scores the orchid schools for a situation, best first. The weights
// are common practice: live roots and tips, reserves, live rot, the medium,
// warmth and humidity, how often the carer looks, habit and season.
func Schools(s Situation) []School {
	w := weights{}
	a := s.Answers
	airRooted := s.Profile != nil && s.Profile.WaterRule == "air-roots"
	if airRooted {
		w.add("its roots live in air", map[string]int{"S6": 4, "S3": -1, "S2": -2})
	} else {
		w.add("its roots do not live in air", map[string]int{"S6": -3})
	}
	if a.LiveRoots != nil {
		switch n := *a.LiveRoots; {
		case n == 0:
			w.add("it has no live root", map[string]int{"S1": 2, "S2": -2, "S4": -2, "S5": -2})
		case n <= 3:
			w.add(fmt.Sprintf("%d live roots", n), map[string]int{"S4": 1})
		default:
			w.add(fmt.Sprintf("%d live roots", n), map[string]int{"S4": 2, "S2": 1, "S1": -1})
		}
	}
	if a.LiveTips != nil {
		if *a.LiveTips > 0 {
			w.add("live tips will find the water", map[string]int{"S1": 1, "S5": 3, "S6": 1, "S2": -1})
		} else {
			w.add("no tip is growing", map[string]int{"S5": -4, "S4": 1})
		}
	}
	w.reserves(a.Reserves)
	w.air(a)
	if a.LookDays != nil {
		switch days := *a.LookDays; {
		case days <= 3:
			w.add("you look often", map[string]int{"S1": 2, "S6": 1})
		case days >= 7:
			w.add(fmt.Sprintf("you look every %d days", days), map[string]int{"S1": -3, "S6": -3, "S5": 2, "S2": 1})
		}
	}
	if is(a.LiveRot) || s.accepts("base-rot") {
		w.add("live rot climbs where it is wet", map[string]int{"S1": -3, "S2": -5, "S4": -3, "S3": 1})
	} else if s.accepts("root-rot") {
		w.add("roots are rotting in the old medium", map[string]int{"S2": -4})
	}
	if s.accepts("medium-collapsed") {
		w.add("the medium is no longer sound", map[string]int{"S2": -4, "S4": -1})
	}
	if s.accepts("moss-smothered") {
		w.add("moss smothered its roots", map[string]int{"S4": -3, "S6": 1})
	}
	if s.Habit.ID == "winter-deciduous-orchid" {
		w.add("a kind that rests dry must not stand over water", map[string]int{"S1": -3, "S5": -4, "S2": 2, "S4": -1})
	}
	if s.Season == climate.Autumn || s.Season == climate.Winter {
		w.add("it is outside its growth", map[string]int{"S2": 1, "S5": -1})
	}
	return w.scored()
}

func (w weights) reserves(r Reserves) {
	switch r {
	case Plump:
		w.add("its reserves are plump and will last", map[string]int{"S3": 3, "S2": 3})
	case Ridged:
		w.add("its reserves are going", map[string]int{"S1": 1, "S4": 1, "S2": -1})
	case Shrivelled:
		w.add("it is shrivelled and needs water soon", map[string]int{"S1": 3, "S4": 2, "S3": -3, "S2": -4})
	}
}

func (w weights) air(a Answers) {
	if a.HumidityPct != nil {
		switch humidity := *a.HumidityPct; {
		case humidity >= 60:
			w.add(fmt.Sprintf("the air has %g %%", humidity), map[string]int{"S3": 2, "S6": 2})
		case humidity < 45:
			w.add(fmt.Sprintf("the air has only %g %%", humidity), map[string]int{"S1": 2, "S4": 2, "S3": -2, "S6": -4})
		}
	}
	if a.WarmthC != nil {
		switch warmth := *a.WarmthC; {
		case warmth < 18:
			w.add(fmt.Sprintf("%g °C is cool", warmth), map[string]int{"S1": -4, "S4": -3, "S5": -3, "S6": -3, "S2": 1})
		case warmth >= 24:
			w.add(fmt.Sprintf("%g °C is warm", warmth), map[string]int{"S1": 1, "S4": 1, "S5": 1, "S6": 2})
		case warmth >= 21:
			w.add(fmt.Sprintf("%g °C is warm enough", warmth), map[string]int{"S1": 1, "S5": 1})
		}
	}
}

func (w weights) scored() []School {
	scored := append([]School{}, schools...)
	for i := range scored {
		reasons := append([]Reason{}, w[scored[i].ID]...)
		sort.SliceStable(reasons, func(a, b int) bool { return abs(reasons[a].Weight) > abs(reasons[b].Weight) })
		for _, r := range reasons {
			scored[i].Score += r.Weight
		}
		scored[i].Reasons = reasons
	}
	sort.SliceStable(scored, func(a, b int) bool { return scored[a].Score > scored[b].Score })
	return scored
}

func abs(n int) int {
	if n < 0 {
		return -n
	}
	return n
}

// Choice is a disagreement of the trade: sides to choose from, each with what
// speaks for it.
type Choice struct {
	ID    string `json:"id" doc:"The answer that it fills."`
	Ask   string `json:"ask"`
	Sides []Side `json:"sides" doc:"The usual one first."`
}

// Side is one answer to a disagreement.
type Side struct {
	ID    string `json:"id"`
	Label string `json:"label"`
	For   string `json:"for" doc:"What speaks for it."`
	But   string `json:"but" doc:"What speaks against it."`
}

// choices are the disagreements other than the orchid schools (common practice).
var choices = []Choice{
	{"rootWash", "Root wash", []Side{
		{"soap", "mild soap", "mildest, nothing to measure wrong", "does little against what is inside the root"},
		{"peroxide", "weak peroxide", "foams on dead tissue and shows it", "hard on live tips"},
		{"fungicide", "labelled fungicide", "acts for weeks", "needs its label, gloves and air; not on every plant"}}},
	{"pestFirst", "First against pests", []Side{
		{"soap", "soap", "kills what it meets, leaves nothing behind", "eggs survive; marks tender leaves"},
		{"neem", "neem oil", "slows what hatches", "smells; marks tender leaves; by its label"},
		{"earth", "diatomaceous earth", "works dry, for days", "dust in the lungs; useless when wet"},
		{"alcohol", "alcohol, dabbed", "nothing on the leaf", "one insect at a time"},
		{"systemic", "systemic granules", "reaches what hides", "poisons bees; label and law decide"},
		{"predators", "predators", "go on by themselves", "want warmth and an order in time; no spray beside them"}}},
	{"dryRoots", "Dry-looking roots", []Side{
		{"cut", "cut what is certainly dead", "room and air for new ones", "a dry skin may hide a live core"},
		{"keep", "keep them all", "the core may live, and they hold it still", "dead ones may rot later"}}},
	{"arrivals", "Repotting a newcomer", []Side{
		{"two-weeks", "left alone for two weeks", "one strain at a time", "what sits in its medium has two weeks more"},
		{"needed", "not until it needs it", "nothing is disturbed for nothing", "dense medium is found late"},
		{"at-once", "at once", "one sees the roots, and pests in the medium go", "moved and unpotted it loses twice"}}},
	{"spikes", "Flower spikes", []Side{
		{"cut", "always off", "all it has goes into roots", "the flower is lost for a year"},
		{"keep-one", "keep one", "one sees what it is", "costs weeks that a weak plant may not have"}}},
	{"plantlets", "Plantlets on a failing mother", []Side{
		{"now", "off at once", "they take what she cannot spare", "unready ones often fail"},
		{"wait", "left until three roots of 7-8 cm", "nearly all then live", "she may not last that long"}}},
}

// ChoicesFor lists the disagreements that matter for a situation.
func ChoicesFor(s Situation) []Choice {
	list := []Choice{}
	for _, c := range choices {
		if matters(c.ID, s) {
			list = append(list, c)
		}
	}
	return list
}

func matters(id string, s Situation) bool {
	switch id {
	case "rootWash":
		return s.accepts("root-rot") && !s.Habit.Orchid
	case "pestFirst":
		for _, c := range []string{"mealybug", "scale", "root-mealybug", "spider-mite", "thrips", "aphid", "whitefly", "broad-mite"} {
			if s.accepts(c) {
				return true
			}
		}
		return false
	case "dryRoots":
		return s.accepts("root-rot") || s.accepts("dry-root-loss") || s.accepts("detached")
	case "spikes":
		return hasSpike(s) && (s.Habit.Orchid && s.WantsSchool() || s.accepts("bloom-drain") || s.accepts("base-rot"))
	case "arrivals":
		return s.accepts("settling-in")
	case "plantlets":
		return s.accepts("offset-drain")
	}
	return false
}

// SchoolName gives a school's name by its id; the id where there is none.
func SchoolName(id string) string {
	for _, s := range schools {
		if s.ID == id {
			return s.Name
		}
	}
	return id
}
