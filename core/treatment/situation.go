package treatment

import (
	"encoding/json"
	"fmt"
	"strconv"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/plant"
)

// Situation is what a plan is made for: a plant, what was accepted or wished,
// and what is known of it. Everything but a kind or a habit, and a cause or a
// wish, may be left out.
type Situation struct {
	Kind   string     `json:"kind,omitempty" doc:"Id of its kind."`
	Habit  string     `json:"habit,omitempty" doc:"How it grows, where its kind is not known."`
	Causes []cause.ID `json:"causes"`
	// Suspected are causes that were not accepted and must still be reckoned with.
	Suspected []cause.ID `json:"suspected,omitempty"`
	Wish      Wish       `json:"wish,omitempty" enum:",setup-change,propagate,refresh,part,prune"`
	On        day.Day    `json:"on" doc:"The day on which the plan is accepted: its day 0."`
	South     bool       `json:"south,omitempty"`
	Answers   Facts      `json:"answers"`
	Choices   Choices    `json:"choices"`
	Place     Place      `json:"place"`
	Household Household  `json:"household"`

	// Profile is the kind itself, for a collection's own kinds; it stands above Kind.
	Profile *plant.Profile `json:"-"`
	// Chances are those of the differential when the causes were accepted.
	Chances map[cause.ID]float64 `json:"chances,omitempty"`
	// Rivals are causes that compete for the same signs, with their chances.
	Rivals map[cause.ID]float64 `json:"rivals,omitempty"`
}

// KindOf gives its kind: the collection's own, or a shipped one; false where
// nobody named one that is known.
func (s Situation) KindOf() (plant.Profile, bool) {
	if s.Profile != nil {
		return *s.Profile, true
	}
	return plant.Kinds(nil).ByID(s.Kind)
}

// HabitID is how the plant grows: its kind's habit, or the one that was said;
// empty where neither is known.
func (s Situation) HabitID() string {
	if k, known := s.KindOf(); known {
		return k.Habit
	}
	return s.Habit
}

// Number is a count or a measure that may be missing. It is read from a number,
// from a word such as "none", and from true or false.
type Number struct {
	Value float64
	Known bool
}

// N gives a known number.
func N(v float64) Number { return Number{v, true} }

// IsZero says whether nothing is known.
func (n Number) IsZero() bool { return !n.Known }

// Or gives the number, or another value where it is not known.
func (n Number) Or(other float64) float64 {
	if n.Known {
		return n.Value
	}
	return other
}

// MarshalJSON writes a number, null where it is not known.
func (n Number) MarshalJSON() ([]byte, error) {
	if !n.Known {
		return []byte("null"), nil
	}
	return json.Marshal(n.Value)
}

// UnmarshalJSON reads a number in any of the ways in which it may be written.
func (n *Number) UnmarshalJSON(raw []byte) error {
	var said any
	if err := json.Unmarshal(raw, &said); err != nil {
		return err
	}
	switch v := said.(type) {
	case nil:
		*n = Number{}
	case float64:
		*n = N(v)
	case bool:
		*n = N(0)
		if v {
			*n = N(1)
		}
	case string:
		switch v {
		case "":
			*n = Number{}
		case "none", "no":
			*n = N(0)
		case "yes":
			*n = N(1)
		default:
			f, err := strconv.ParseFloat(v, 64)
			if err != nil {
				return fmt.Errorf("%q is not a number", v)
			}
			*n = N(f)
		}
	default:
		return fmt.Errorf("%s is not a number", raw)
	}
	return nil
}

// JSONType describes a Number to those who write one.
func (Number) JSONType() string { return "number" }

// Yes is an answer of yes or no; nil was not answered. It is read from true and
// false and from words.
type Yes struct{ Said, Known bool }

// True and False are the two answers.
var (
	True  = Yes{true, true}
	False = Yes{false, true}
)

// IsZero says whether it was not answered.
func (y Yes) IsZero() bool { return !y.Known }

// MarshalJSON writes true, false, or null where it was not answered.
func (y Yes) MarshalJSON() ([]byte, error) {
	if !y.Known {
		return []byte("null"), nil
	}
	return json.Marshal(y.Said)
}

// UnmarshalJSON reads an answer.
func (y *Yes) UnmarshalJSON(raw []byte) error {
	var said any
	if err := json.Unmarshal(raw, &said); err != nil {
		return err
	}
	switch v := said.(type) {
	case nil:
		*y = Yes{}
	case bool:
		*y = Yes{v, true}
	case float64:
		*y = Yes{v != 0, true}
	case string:
		*y = Yes{v != "" && v != "no" && v != "none" && v != "firm", v != ""}
	default:
		return fmt.Errorf("%s is neither yes nor no", raw)
	}
	return nil
}

// Moist is how wet a medium is.
type Moist string

// How wet a medium is. Due means that the dryness of its own rule is reached.
const (
	Soaked Moist = "soaked"
	Wet    Moist = "wet"
	Right  Moist = "right"
	Due    Moist = "due"
	Dry    Moist = "dry"
	Bone   Moist = "bone"
)

// Reserves say what a plant can live on.
type Reserves string

// The grades of reserves; empty when nobody looked.
const (
	Plump      Reserves = "plump"
	Ridged     Reserves = "ridged"
	Shrivelled Reserves = "shrivelled"
)

// Facts are what is known of the plant. Lengths are in cm, counts are whole.
type Facts struct {
	LiveRoots  Number `json:"liveRoots,omitzero"`
	DeadRoots  Number `json:"deadRoots,omitzero"`
	LiveTips   Number `json:"liveTips,omitzero" doc:"Growing tips of at least 2 mm."`
	RootBallCM Number `json:"rootBallCm,omitzero" doc:"Widest width of the live roots with what clings."`
	PotWidthCM Number `json:"potWidthCm,omitzero" doc:"Inner width of the present pot."`
	PotDepthCM Number `json:"potDepthCm,omitzero"`
	PotShape   string `json:"potShape,omitempty" enum:",usual,shallow,deep"`
	Plug       Yes    `json:"plug,omitzero" doc:"Whether a nursery plug sits in the roots."`
	Spikes     Number `json:"spikes,omitzero"`
	Buds       Yes    `json:"buds,omitzero"`
	Plantlets  Number `json:"plantlets,omitzero" doc:"Plantlets or offsets."`
	Pups       Number `json:"pups,omitzero"`
	Growths    Number `json:"growths,omitzero" doc:"Bulbs, canes, shoots or rosettes."`
	Points     Number `json:"growingPoints,omitzero" doc:"Sound growing points."`
	PointHit   Yes    `json:"growingPointReached,omitzero" doc:"Whether the rot has reached the growing point."`
	Leaves     Number `json:"leaves,omitzero"`
	Infested   Number `json:"infestedLeaves,omitzero" doc:"Infested leaves: a count, or a share below 1."`

	Reserves   Reserves `json:"reserves,omitempty" enum:",plump,ridged,shrivelled"`
	Limp       Yes      `json:"limp,omitzero"`
	Moist      Moist    `json:"moist,omitempty" enum:",soaked,wet,right,due,dry,bone"`
	Standing   Yes      `json:"standing,omitzero" doc:"Whether water stands in saucer or outer pot."`
	Seat       Seat     `json:"seat,omitempty" doc:"What it stands in; missing where its kind's usual one is taken."`
	Medium     string   `json:"medium,omitempty" enum:",sound,tired,rotten,sour,infested"`
	MediumBad  Yes      `json:"rottenMedium,omitzero"`
	MediumSour Yes      `json:"mediumSour,omitzero"`
	GrewIn     string   `json:"grewIn,omitempty" enum:",moss,bark,clay,air,water"`

	Phase        string `json:"phase,omitempty" enum:",growing,idle,resting,waking"`
	Growing      Yes    `json:"growing,omitzero"`
	Resting      Yes    `json:"resting,omitzero"`
	NewGrowth    Yes    `json:"newGrowth,omitzero"`
	NewRootsCM   Number `json:"newRootsCm,omitzero" doc:"Length of roots on new growth."`
	NewcomerDays Number `json:"newcomerDays,omitzero" doc:"Days since it came; missing is no evidence."`

	RotAlive    Yes    `json:"rotAlive,omitzero" doc:"Whether rot spreads; false says dry and old."`
	NewRot      Yes    `json:"newRot,omitzero"`
	StemStain   Number `json:"stemStain,omitzero" doc:"How far a stain runs up the stem, cm."`
	RootsAbove  Number `json:"rootsAboveCut,omitzero" doc:"Live roots above where a stem would be cut."`
	Piece       Yes    `json:"piece,omitzero" doc:"Whether it is itself a cutting or a severed piece."`
	MotherDying Yes    `json:"motherDying,omitzero"`
	FewRoots    Yes    `json:"fewRoots,omitzero"`
	LastSitting Number `json:"rootSittingDaysAgo,omitzero"`
	Isolated    Yes    `json:"isolated,omitzero"`
	Sun         Yes    `json:"sun,omitzero" doc:"Whether sun falls on it."`
	WaterHeavy  Yes    `json:"heavyWaterer,omitzero"`
	Uncut       Yes    `json:"uncut,omitzero"`
	BaseUnderCM Number `json:"baseUnderCm,omitzero" doc:"How deep its base is buried."`
	PotHoles    Yes    `json:"potHoles,omitzero" doc:"Whether the pot at hand has holes."`
	// Done are operators of an earlier plan for the same trouble that were carried
	// out: they are state now, and are not done twice.
	Done []Event `json:"done,omitempty"`
	// Events are things that were seen, with their day; days before 0 lie behind.
	Events []Event `json:"events,omitempty"`
}

// Event is something that was done or seen on a day of the plan.
type Event struct {
	Event string `json:"event"`
	Day   int    `json:"day"`
}

// Choices are what the carer settled where the trade disagrees, and what he
// wants otherwise than the plan would.
type Choices struct {
	School      string   `json:"school,omitempty" enum:",S0,S1,S2,S3,S4,S5,S6,J"`
	Aim         string   `json:"aim,omitempty" enum:",S0,S4,S5,S6,mount" doc:"What a change of set-up aims at."`
	RootRinse   string   `json:"rootRinse,omitempty" enum:",water,peroxide,label,soap"`
	PestFirst   string   `json:"pestFirst,omitempty" enum:",soap,oil,alcohol,earth,systemic,predators,neem,hot-dip"`
	DryRoots    string   `json:"dryRoots,omitempty" enum:",keep,cut,wait"`
	Newcomer    string   `json:"newcomer,omitempty" enum:",14 d,needed,at once"`
	Spikes      string   `json:"spikes,omitempty" doc:"off today, keep one, keep, off when limp"`
	Plantlets   string   `json:"plantlets,omitempty" doc:"wait, now, stay"`
	CutDressing string   `json:"cutDressing,omitempty" enum:",dry,cinnamon,powder"`
	FirstWater  string   `json:"firstWater,omitempty" enum:",dry day,at once"`
	Succulent   string   `json:"succulentWater,omitempty" enum:",dry day,at roots"`
	Cover       string   `json:"cover,omitempty" enum:",kind,open,none"`
	CrownDose   string   `json:"crownDose,omitempty" enum:",dry,peroxide,label"`
	Pieces      string   `json:"pieces,omitempty" enum:",together,one each"`
	Gnats       string   `json:"gnats,omitempty" enum:",dry top,grit,larvicide"`
	Keep        string   `json:"keep,omitempty" enum:",keep,discard" doc:"Whether a suspect is kept or discarded."`
	Discard     string   `json:"discard,omitempty" enum:",now"`
	Override    Yes      `json:"override,omitzero" doc:"The carer's own word: nothing holds a root sitting back."`
	OneSetup    Yes      `json:"oneSetup,omitzero" doc:"One set-up is wanted for many plants."`
	Stock       []string `json:"stock,omitempty"`
	RemoveShare Number   `json:"removeShare,omitzero" doc:"Share of the leaves that is to come off."`
	Mix         string   `json:"mix,omitempty" doc:"A mix of the carer's own, by parts: soil 1 bark 1."`
	PotWidthCM  Number   `json:"potWidthCm,omitzero" doc:"The new pot that the carer has."`
	SoapMLPerL  Number   `json:"soapMlPerL,omitzero"`
	PeroxidePct Number   `json:"peroxidePct,omitzero" doc:"Strength of the peroxide at hand."`
	DipC        Number   `json:"dipC,omitzero"`
	Drug        string   `json:"drug,omitempty" enum:",copper,sulphur"`
	Also        string   `json:"also,omitempty" doc:"Operators that the carer would like besides."`
}

// Place is where the plant stands.
type Place struct {
	WarmthC     Number `json:"warmthC,omitzero"`
	LowC        Number `json:"lowC,omitzero" doc:"Lowest of a day, where both are known."`
	HighC       Number `json:"highC,omitzero"`
	HumidityPct Number `json:"humidityPct,omitzero"`
	LookDays    Number `json:"lookDays,omitzero" doc:"How often the carer looks, in days."`
	Sun         Yes    `json:"sun,omitzero"`
	Outdoors    Yes    `json:"outdoors,omitzero"`
}

// Household is who lives where the plant is treated.
type Household struct {
	Children    bool `json:"children"`
	Pets        bool `json:"pets"`
	Pollinators bool `json:"pollinators" doc:"Plants stand outdoors, or where bees reach them."`
	Asthma      bool `json:"asthma"`
	Edible      bool `json:"edible,omitempty" doc:"Parts of it are eaten."`
}
