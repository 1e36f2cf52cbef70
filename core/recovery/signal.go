package recovery

import "slices"

// Family says what kind of trouble a signal points to: a case about another kind
// does not answer it.
type Family string

// The families of trouble.
const (
	PestTrouble  Family = "pests"
	OtherTrouble Family = "other"
)

// Signal is a reading that alarms on any plant at any time, whatever its case.
type Signal struct {
	ID     string   `json:"id"`
	Title  string   `json:"title" doc:"What was found."`
	First  []string `json:"first" doc:"What to do first, in order."`
	Family Family   `json:"family" enum:"pests,other"`
	// Isolate is true where it is kept apart until one knows.
	Isolate bool `json:"isolate"`
	// Lasts is true where a later calm reading does not answer it: what hides is
	// still there.
	Lasts bool `json:"lasts"`
	// NoWater and NoFeed are true where neither is given until it is answered.
	NoWater bool `json:"noWater" doc:"Whether no water is given until it is answered."`
	NoFeed  bool `json:"noFeed" doc:"Whether nothing is fed until it is answered."`
}

// Signals that are no single answer of a check-in.
const (
	SignalRootsLost = "roots-lost"
	SignalCold      = "too-cold"
	SignalHot       = "too-hot"
	SignalNoDrink   = "does-not-drink"
	SignalWetWater  = "watered-when-wet"
)

// What signals are read from (common practice).
const (
	// LostShare is the share of live tips that is lost when roots are called lost.
	LostShare = 1.0 / 3
	// LeastTips is how many live tips there must have been to speak of a loss.
	LeastTips = 3
	// DrinkDays is how many days after a watering the weight must have fallen.
	DrinkDays = 4
	// DrinkShare is how much of its weight with water it loses at least by then.
	DrinkShare = 0.03
	// WetWaterings is how many waterings in a row on a wet stick are a signal.
	WetWaterings = 3
	// StickDays is for how many days before a watering a stick tells of it.
	StickDays = 2
)

// signals by how much rides on them; the ids of answers are those of measures
// (common practice).
var signals = [...]Signal{
	{
		ID: LivePests, Title: "Live pests seen", Family: PestTrouble, Isolate: true, Lasts: true,
		First: []string{
			"Move it away from the others now, with a tray and tools of its own.",
			"Look at every plant that touched it or shared its tray.",
			"Take a picture of the pest before you wipe it off.",
		},
	},
	{
		ID: "rot", Title: "Rot on roots or base", Family: OtherTrouble, Lasts: true, NoWater: true, NoFeed: true,
		First: []string{"Stop watering.", "Smell the drainage hole, press the base.", "Look at the roots the same day."},
	},
	{
		ID: "smell", Title: "It smells sour or rotten", Family: OtherTrouble, Lasts: true, NoWater: true, NoFeed: true,
		First: []string{"Stop watering and empty the saucer.", "Press the base; look at the roots."},
	},
	{
		ID: "wilt", Title: "It hangs limp", Family: OtherTrouble,
		First: []string{
			"Feel deep in the medium before you do anything.",
			"Dry: water it through. Wet: no water, look at the roots.",
		},
	},
	{
		ID: SignalRootsLost, Title: "Live roots are being lost", Family: OtherTrouble, NoFeed: true,
		First: []string{"Stop feeding; feel how wet it is below.", "Smell the drainage hole."},
	},
	{
		ID: "marked-new", Title: "New marks on new growth", Family: OtherTrouble,
		First: []string{"Look at the newest leaf with a lens, both sides.", "Take a picture to compare with."},
	},
	{
		ID: SignalCold, Title: "Colder than it bears", Family: OtherTrouble,
		First: []string{"Move it to a warmer place now.", "Look for soft or glassy leaves in two days and in seven."},
	},
	{
		ID: SignalHot, Title: "Hotter than it bears", Family: OtherTrouble,
		First: []string{"Out of the sun, into moving air.", "Feel whether it is dry."},
	},
	{
		ID: SignalNoDrink, Title: "It does not drink", Family: OtherTrouble, NoWater: true, NoFeed: true,
		First: []string{"No more water until it is lighter.", "Smell the drainage hole; look at the roots if it smells."},
	},
	{
		ID: SignalWetWater, Title: "Watered again and again while wet", Family: OtherTrouble, NoWater: true,
		First: []string{
			"No more water until the stick comes out dry at its depth.",
			"Empty the saucer, smell the drainage hole.",
		},
	},
}

// Signals lists all signals, those on which most rides first.
func Signals() []Signal {
	list := slices.Clone(signals[:])
	for i := range list {
		list[i].First = slices.Clone(list[i].First)
	}
	return list
}

// SignalByID finds a signal; false when there is none of that id.
func SignalByID(id string) (Signal, bool) {
	for _, s := range Signals() {
		if s.ID == id {
			return s, true
		}
	}
	return Signal{}, false
}

// RootsLost finds the last loss of live roots: a third or more of at least three
// tips between two counts; false where none was lost.
func RootsLost(h History) (Reading, bool) {
	tips := h["live-tips"]
	for i := len(tips) - 1; i > 0; i-- {
		if before := tips[i-1].Value; before >= LeastTips && tips[i].Value <= before*(1-LostShare) {
			return tips[i], true
		}
	}
	return Reading{}, false
}

// LivePests is the measure that finds them.
const LivePests = "live-pests"

// clearsPests is the track on which pests are cleared.
const clearsPests = "pest-clearance"

// ClearsPests says whether a track is about pests.
func ClearsPests(track string) bool { return track == clearsPests }
