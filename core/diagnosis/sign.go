package diagnosis

import (
	"slices"

	"tendermend/core/plant"
)

// Disturbance is how much a look asks of the plant.
type Disturbance int

// The grades of disturbance.
const (
	Look  Disturbance = iota // eyes and nose only
	Touch                    // a leaf turned, a stem rocked
	Lift                     // the pot lifted or probed
	Unpot                    // roots out of the pot
)

// Source is where the answer to a sign comes from.
type Source string

// The sources.
const (
	FromLook    Source = "look"    // the plant itself
	FromAsking  Source = "ask"     // whoever kept it
	FromRecord  Source = "record"  // two looks, or days of waiting
	FromMeasure Source = "measure" // an instrument
)

// Sign is something that can be observed on a plant or read from its record.
type Sign struct {
	ID      string `json:"id"`
	Zone    string `json:"zone" doc:"The touchable part of the figure."`
	Label   string `json:"label"`
	How     string `json:"how" doc:"How to look."`
	Looks   string `json:"looks" doc:"What it looks like."`
	NotThis string `json:"notThis" doc:"What it is easily taken for."`
	Minutes int    `json:"minutes" doc:"What the look takes, in minutes."`
	// Days are how long it takes until it can be answered: 0 at once.
	Days        int         `json:"days" doc:"How many days it takes until it can be answered; 0 at once."`
	Disturbance Disturbance `json:"disturbance" doc:"0 look, 1 touch, 2 lift or probe, 3 unpot."`
	// Background is how often the sign is seen with none of the causes present.
	Background float64 `json:"background"`
	// Overlooked is how often somebody who looks does not see it though it is there.
	Overlooked float64 `json:"overlooked" doc:"How often a look misses it, 0-1."`
	// Degrees are how much of it there can be, the least first; none where it is not graded.
	Degrees   []Degree `json:"degrees,omitempty" doc:"How much of it there can be, the least first."`
	Source    Source   `json:"source" enum:"look,ask,record,measure"`
	Symptom   bool     `json:"symptom" doc:"Whether it shows on the plant, and is no fact of care or place."`
	Good      bool     `json:"good" doc:"Whether it tells that a part is well."`
	Expert    bool     `json:"expert" doc:"Whether it wants a lens, a nose or a trained eye."`
	Drawing   string   `json:"drawing" doc:"How its small picture is drawn: a part, then its marks."`
	LookAlike string   `json:"lookAlike" doc:"The sign or thing it is commonest taken for, drawn the same way."`

	given         []given // what raises its background
	impliesThere  []string
	impliesAbsent []string
	fits          habits
}

// given is a sign, or a season, that raises how common another sign is.
type given struct {
	what       string
	background float64
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

// habits says on which growth habits something is possible.
type habits struct {
	only, not []string
}

func (f habits) habit(id string) bool {
	if f.only != nil {
		return slices.Contains(f.only, id)
	}
	return !slices.Contains(f.not, id)
}

// Fits says whether a plant of the habit can show the sign.
func Fits(signID string, h plant.Habit) bool {
	s, ok := SignByID(signID)
	return !ok || s.fits.habit(h.ID)
}

// Good says whether a sign tells that a part is well.
func Good(signID string) bool {
	s, _ := SignByID(signID)
	return s.Good
}

// SignsOf lists the signs that a plant of the habit can show.
func SignsOf(h plant.Habit) []string {
	ids := []string{}
	for _, s := range Standard().signs {
		if s.fits.habit(h.ID) {
			ids = append(ids, s.ID)
		}
	}
	return ids
}
