package facts

import (
	"tendermend/core/day"
	"tendermend/core/recovery"
)

// Facts are what is known of one plant. Lengths are in cm, counts are whole, light
// in mol a day, shares 0 to 1.
type Facts struct {
	// What it stands in.
	Seat Fact[Seat] `json:"seat,omitzero" enum:",pot,basket,mount,hung,cup,dish,reservoir,jar,box,tray,hand,bin"`

	MediumClass Fact[MediumClass] `json:"mediumClass,omitzero" enum:",soil,bark,moss,stones,peat,water,none"`
	GrewIn      Fact[MediumClass] `json:"grewIn,omitzero" enum:",moss,bark,clay,air,water"`
	Medium      Fact[MediumState] `json:"medium,omitzero" enum:",sound,tired,rotten,sour,crusted,repels,infested"`
	MediumBad   Yes               `json:"rottenMedium,omitzero"`
	MediumSour  Yes               `json:"mediumSour,omitzero"`
	Moist       Fact[Moist]       `json:"moist,omitzero" enum:",soaked,wet,right,due,dry,bone"`
	Standing    Yes               `json:"standing,omitzero" doc:"Whether water stands in saucer or outer pot."`
	PotWidthCM  Number            `json:"potWidthCm,omitzero" doc:"Inner width of the present pot."`
	PotDepthCM  Number            `json:"potDepthCm,omitzero"`
	PotShape    Fact[string]      `json:"potShape,omitzero" enum:",usual,shallow,deep"`
	PotHoles    Yes               `json:"potHoles,omitzero" doc:"Whether the pot at hand has holes."`
	BaseUnderCM Number            `json:"baseUnderCm,omitzero" doc:"How deep its base is buried."`
	Plug        Yes               `json:"plug,omitzero" doc:"Whether a nursery plug sits in the roots."`
	LevelCM     Number            `json:"levelCm,omitzero" doc:"Level of its reservoir."`
	Cover       Fact[Cover]       `json:"cover,omitzero" enum:",none,open,closed"`
	LightShare  Number            `json:"lightShare,omitzero" doc:"The light it gets now, of what it likes best, 0 to 1."`
	NoWater     Yes               `json:"noWater,omitzero" doc:"Whether it is kept dry until further notice."`
	NoFeed      Yes               `json:"noFeed,omitzero" doc:"Whether nothing is fed until further notice."`

	// Its roots.
	LiveRoots  Number `json:"liveRoots,omitzero"`
	DeadRoots  Number `json:"deadRoots,omitzero"`
	LiveTips   Number `json:"liveTips,omitzero" doc:"Growing tips of at least 2 mm."`
	RootBallCM Number `json:"rootBallCm,omitzero" doc:"Widest width of the live roots with what clings."`
	FewRoots   Yes    `json:"fewRoots,omitzero"`
	NewRootsCM Number `json:"newRootsCm,omitzero" doc:"Length of roots on new growth."`
	RootsAbove Number `json:"rootsAboveCut,omitzero" doc:"Live roots above where a stem would be cut."`

	// What grows on it.
	Spikes      Number          `json:"spikes,omitzero"`
	Buds        Yes             `json:"buds,omitzero"`
	Plantlets   Number          `json:"plantlets,omitzero" doc:"Plantlets or offsets."`
	Pups        Number          `json:"pups,omitzero"`
	Growths     Number          `json:"growths,omitzero" doc:"Bulbs, canes, shoots or rosettes."`
	Points      Number          `json:"growingPoints,omitzero" doc:"Sound growing points."`
	PointHit    Yes             `json:"growingPointReached,omitzero" doc:"Whether the rot has reached the growing point."`
	Leaves      Number          `json:"leaves,omitzero"`
	Nodes       Number          `json:"nodes,omitzero"`
	Piece       Yes             `json:"piece,omitzero" doc:"Whether it is itself a cutting or a severed piece."`
	FootCM      Number          `json:"footCm,omitzero" doc:"How thick it is where it is cut, cm."`
	HeightCM    Number          `json:"heightCm,omitzero"`
	SpanCM      Number          `json:"spanCm,omitzero" doc:"How wide its leaves span, cm."`
	Stems       Number          `json:"stems,omitzero" doc:"Stems that stand in its pot."`
	Tips        Number          `json:"tips,omitzero" doc:"Growing tips that could be taken."`
	PieceRoots  Number          `json:"pieceRoots,omitzero" doc:"Roots on a piece."`
	PieceOf     Fact[PieceKind] `json:"pieceWhat,omitzero" enum:",tip,stem,leaf,rooted,plantlet,top"`
	MotherDying Yes             `json:"motherDying,omitzero"`

	// How it is.
	Reserves  Fact[Reserves] `json:"reserves,omitzero" enum:",plump,ridged,shrivelled"`
	Limp      Yes            `json:"limp,omitzero"`
	Infested  Number         `json:"infestedLeaves,omitzero" doc:"Infested leaves: a count, or a share below 1."`
	RotAlive  Yes            `json:"rotAlive,omitzero" doc:"Whether rot spreads; false says dry and old."`
	NewRot    Yes            `json:"newRot,omitzero"`
	BitBy     Fact[Biter]    `json:"bitBy,omitzero" enum:",pet,child" doc:"Who bit it."`
	Flowers   Yes            `json:"flowers,omitzero" doc:"Whether flowers are open."`
	Climbs    Yes            `json:"climbs,omitzero"`
	Leans     Yes            `json:"leans,omitzero"`
	StemStain Number         `json:"stemStain,omitzero" doc:"How far a stain runs up the stem, cm."`
	Phase     Fact[Phase]    `json:"phase,omitzero" enum:",growing,idle,resting,waking"`
	Growing   Yes            `json:"growing,omitzero"`
	Resting   Yes            `json:"resting,omitzero"`
	NewGrowth Yes            `json:"newGrowth,omitzero"`

	// What happened to it.
	NewcomerDays Number `json:"newcomerDays,omitzero" doc:"Days since it came; missing is no evidence."`
	LastSitting  Number `json:"rootSittingDaysAgo,omitzero"`
	Isolated     Yes    `json:"isolated,omitzero"`
	Sun          Yes    `json:"sun,omitzero" doc:"Whether sun falls on it."`
	WaterHeavy   Yes    `json:"heavyWaterer,omitzero"`
	Uncut        Yes    `json:"uncut,omitzero"`
	// Done are operators of an earlier plan for the same trouble that were carried
	// out: they are state now, and are not done twice.
	Done []Event `json:"done,omitempty"`
	// Events are things that were seen, with their day; days before 0 lie behind.
	Events  []Event   `json:"events,omitempty"`
	Cuts    []Cut     `json:"cuts,omitempty"`
	Treated []Treated `json:"treated,omitempty"`

	South     bool      `json:"-"` // whether it stands in the southern half
	Place     Place     `json:"-"`
	Household Household `json:"-"`

	// Readings are what check-ins read, by measure, with their days.
	Readings recovery.History `json:"-"`
	// Last is the last day of each thing that was done, and of when it came.
	Last map[Happening]day.Day `json:"-"`
}

// Event is something that was done or seen on a day of the plan.
type Event struct {
	Event string `json:"event"`
	Day   int    `json:"day"`
}

// Happening is something done to a plant, or that befell it, from which days are
// counted.
type Happening string

// The happenings.
const (
	Planned    Happening = "plan"      // its plan was taken up
	Came       Happening = "arrival"   // it came
	SatRoots   Happening = "root work" // its roots were worked on
	Potted     Happening = "potting"   // it was set in a pot, or on a mount
	OnATray    Happening = "tray"      // it was laid on a tray to heal
	WateredNow Happening = "water"     // its medium was watered
	FedNow     Happening = "feed"      // it was fed
	TreatedNow Happening = "treatment" // something was done against a pest or disease
	Flushed    Happening = "flush"     // salts were rinsed out
	Before     Happening = "before"    // the sitting before this one was done
	Begun      Happening = "begun"     // the step itself was begun
)

// Cut is one that was made, and when it closed.
type Cut struct {
	Organ  string   `json:"organ"`
	N      float64  `json:"n,omitempty"`
	On     day.Day  `json:"on"`
	Closed *day.Day `json:"closed,omitempty"`
}

// Treated is something that was used against a pest or a disease.
type Treated struct {
	Class  string  `json:"class"` // the operator: soap, oil, systemic …
	Target string  `json:"target,omitempty"`
	Where  string  `json:"where,omitempty"`
	On     day.Day `json:"on"`
}

// Place is where the plant stands.
type Place struct {
	Lamp        Yes    `json:"lamp,omitzero" doc:"Whether a lamp lengthens its days."`
	WarmthC     Number `json:"warmthC,omitzero"`
	LowC        Number `json:"lowC,omitzero" doc:"Lowest of a day, where both are known."`
	HighC       Number `json:"highC,omitzero"`
	HumidityPct Number `json:"humidityPct,omitzero"`
	LightDLI    Number `json:"lightDli,omitzero" doc:"Light of a day, mol/m²."`
	LookDays    Number `json:"lookDays,omitzero" doc:"How often the carer looks, in days."`
	Sun         Yes    `json:"sun,omitzero"`
	Outdoors    Yes    `json:"outdoors,omitzero"`
}

// CarefulHousehold is what is taken where nobody said who lives there: pets may.
func CarefulHousehold() Household { return Household{Pets: true} }

// Household is who lives where the plant is treated.
type Household struct {
	Children    bool `json:"children"`
	Pets        bool `json:"pets"`
	Pollinators bool `json:"pollinators" doc:"Plants stand outdoors, or where bees reach them."`
	Asthma      bool `json:"asthma"`
	Edible      bool `json:"edible,omitempty" doc:"Parts of it are eaten."`
}

// LiveShare is the share of live roots of all that were counted, 0 to 1; false
// where none was.
func (f Facts) LiveShare() (share float64, counted bool) {
	if !f.LiveRoots.Known {
		return 0, false
	}
	all := f.LiveRoots.Value + f.DeadRoots.Or(0)
	if all <= 0 {
		return 0, true
	}
	return min(1, f.LiveRoots.Value/all), true
}
