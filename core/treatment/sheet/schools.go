package sheet

import (
	"tendermend/core/treatment"
	"tendermend/core/treatment/compose"
)

// School is a way of re-establishing an orchid, scored for one plant.
type School struct {
	ID      string   `json:"id"`
	Name    string   `json:"name"`
	Idea    string   `json:"idea"`
	Suits   string   `json:"suits"`
	Against string   `json:"against"`
	Score   int      `json:"score"`
	Refused string   `json:"refused,omitempty" doc:"Why it is not for this plant."`
	Reasons []Reason `json:"reasons" doc:"What weighed, heaviest first."`
}

// Reason is one weight of a score.
type Reason struct {
	Text   string `json:"text"`
	Weight int    `json:"weight"`
}

var schools = map[treatment.School]School{
	treatment.OwnMix: {
		Name:    "Its kind's own mix",
		Idea:    "Washed, trimmed, and set in the mix that its kind is used to.",
		Suits:   "an orchid with live roots and growing tips",
		Against: "no live root and thin reserves",
	},
	treatment.Lean: {
		Name: "Lean and staked",
		Idea: "All that is dead comes off; a little coarse bark, firm stakes, misted leaves, and three to four " +
			"months of patience.",
		Suits:   "plump bulbs, good leaves, a humid room, people who water heavily",
		Against: "thin reserves, hot dry rooms",
	},
	treatment.Rest: {
		Name:    "Rest first, repot later",
		Idea:    "Off with spikes; less light, a weak tonic, and no repotting until new roots show on new growth.",
		Suits:   "large plants with reserves, outside their growth, in a medium that is still sound",
		Against: "active rot, sour or collapsed medium",
	},
	treatment.Bridge: {
		Name: "Water bridge",
		Idea: "The base stands just above shallow water in a cup until root tips show, then in bark over a " +
			"dish whose level falls as roots go down.",
		Suits:   "small divisions, warm dry homes, someone who looks often",
		Against: "stem rot, cold rooms; potting up too early shocks it",
	},
	treatment.MossWrap: {
		Name: "Moss wrap",
		Idea: "The roots wrapped in damp squeezed moss, none at the base, a snug pot; roots that knew moss " +
			"stay in moss.",
		Suits:   "hot dry climates, thin leaves, roots alive with idle tips",
		Against: "cool rooms, a heavy hand with water",
	},
	treatment.ClayPot: {
		Name: "Clay and reservoir",
		Idea: "Rinsed clay pellets, set tight over a shallow reservoir; old roots go, new ones that know the " +
			"clay come.",
		Suits:   "people who forget, collections, warm rooms, active tips",
		Against: "no active tips, kinds that rest dry, cold",
	},
	treatment.BareRoots: {
		Name: "Bare roots in a basket",
		Idea: "Moss and dead roots off, wisps of dead moss tied round the live ones, wet each morning in warm " +
			"moving humid air.",
		Suits:   "air-rooted kinds, over 60 % humidity, about 25 °C",
		Against: "dry rooms without a humidifier",
	},
	treatment.MossBox: {
		Name:    "Moss box",
		Idea:    "Pieces laid on damp moss in a clear box until they root.",
		Suits:   "pieces of jewel orchids without roots",
		Against: "rooted plants",
	},
}

// SchoolName gives a school's name by its id; the id where there is none.
func SchoolName(id string) string {
	if s, ok := schools[treatment.School(id)]; ok {
		return s.Name
	}
	return id
}

// SchoolsFor scores the schools for an orchid, best first; none for other
// plants and where no root work or rest is at hand.
func SchoolsFor(s treatment.Situation, p Plan) []School {
	list := []School{}
	if p.School == "" {
		return list
	}
	for _, sc := range compose.Schools(s) {
		x := schools[sc.School]
		x.ID, x.Score, x.Refused = string(sc.School), sc.Score, sc.Refused
		x.Reasons = []Reason{}
		for _, t := range sc.Terms {
			x.Reasons = append(x.Reasons, Reason{t.Text, t.Weight})
		}
		list = append(list, x)
	}
	return list
}
