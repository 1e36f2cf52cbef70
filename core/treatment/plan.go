package treatment

import (
	"cmp"
	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
)

// Plan is what is to be done, in sittings: those with a day first, then those
// that wait for something to be seen.
type Plan struct {
	Track  string   `json:"track" doc:"The recovery track that leads."`
	Beside []string `json:"beside,omitempty" doc:"Tracks that run beside it."`
	School School   `json:"school" doc:"The school of an orchid whose roots are worked on; empty for others."`
	// SchoolWhy are the heaviest terms of the school's score.
	SchoolWhy []Term    `json:"schoolWhy,omitempty"`
	Sittings  []Sitting `json:"sittings"`
	LeftOut   []LeftOut `json:"leftOut" doc:"What was left out or done otherwise, with the reason."`
	Cautions  []string  `json:"cautions" doc:"Letters of the cautions that belong to it."`
	Outcome   *Outcome  `json:"outcome,omitempty"`
}

// MostToday is how many things are begun in one day at most: more is not done
// well, and waits its turn (common practice).
const MostToday = 5

// Outcome says how an ending is to be counted.
type Outcome struct {
	Shown       string `json:"shown"`
	LivingParts int    `json:"livingParts" minimum:"0" maximum:"9999"`
}

// Term is one weight of a school's score.
type Term struct {
	School School `json:"school"`
	Text   string `json:"text"`
	Weight int    `json:"weight"`
}

// LeftOut is an operator, a side or a school that a plan does without.
type LeftOut struct {
	Op  string `json:"op"`
	Why string `json:"why"`
}

// Sitting is one disturbance, begun and ended in one slot, whole or not at all.
type Sitting struct {
	Kind SittingKind `json:"kind"`
	Day  *int        `json:"day" doc:"Days after the plan was accepted; null where it waits for its gate."`
	Slot Slot        `json:"slot"`
	Gate gate.Gate   `json:"waits,omitempty" doc:"What must be so first; none where it has a day."`
	Held string      `json:"held" doc:"Why it is held back: rest, newcomer, thirst, temp, bloom, tips, season."`
	// LookDay is about when to look whether the gate is met.
	LookDay *int `json:"lookDay,omitempty" doc:"Where it waits for its gate: about when to look whether it is met."`
	// OpenedBy is the event that met its gate.
	OpenedBy *facts.Event `json:"openedBy,omitempty"`
	StageDay *int         `json:"stageDay,omitempty" doc:"The day on which the stage began that its gate belongs to."`
	Steps    []Step       `json:"steps"`
}

// Step is one operator in a sitting.
type Step struct {
	Op        OperatorID `json:"op"`
	Organ     Organ      `json:"organ"`
	Every     int        `json:"every" minimum:"0" maximum:"9999" doc:"Days after which it is done again; 0 for once."`
	Until     gate.Gate  `json:"until" doc:"What ends it."`
	Params    Params     `json:"params"`
	Cause     cause.ID   `json:"cause,omitempty" doc:"The cause that asks for it, where one alone does."`
	Materials []string   `json:"materials"`
	Cautions  []string   `json:"cautions,omitempty"`
	Words     string     `json:"words" doc:"The step in words."`
	Args      string     `json:"args,omitempty" doc:"The step as a line of a check plan says it."`
	// Against are rules that the carer set aside for this step, with the reason.
	Against map[RuleID]string `json:"against,omitempty"`
}

// Of is whom a step is done to: the plant itself, the pieces that were taken from it, or the other parts of it.
func (s Step) Of() Target {
	if s.Organ == OnPieces {
		return cmp.Or(s.Params.For, ForPieces)
	}
	return s.Params.For
}

// theirWater is what the water of those is called that were parted from the plant.
var theirWater = map[Target]string{ForPieces: "Water the pieces", ForPart: "Water what was divided off"}

// Title is what a step is called: as its operator, but for the water of what was parted from the plant.
func (s Step) Title() string {
	if said := theirWater[s.Of()]; said != "" && s.Op == ByRule {
		return said
	}
	o, _ := OperatorByID(s.Op)
	return o.Title
}

// Params are what an operator is done with. Lengths in cm, volumes in ml,
// shares 0 to 1, warmth in °C.
type Params struct {
	PotWidthCM  Number       `json:"potWidthCm,omitzero"`
	PotDepthCM  Number       `json:"potDepthCm,omitzero"`
	VolumeML    Number       `json:"volumeMl,omitzero"`
	Shape       string       `json:"shape,omitempty"`
	Seat        facts.Seat   `json:"seat,omitempty"`
	For         Target       `json:"for,omitempty" doc:"pieces, where it is for the pieces and not for the mother"`
	Dry         bool         `json:"dry,omitempty"`
	Mix         []plant.Part `json:"mix,omitempty"`
	MixFrom     string       `json:"mixFrom,omitempty" doc:"kind, habit, school or carer: where the mix comes from"`
	MixBy       string       `json:"mixBy,omitempty"`
	Holes       *bool        `json:"holes,omitempty"`
	Reuse       bool         `json:"reuse,omitempty"`
	Method      string       `json:"method,omitempty"`
	MixedWith   string       `json:"mixedWith,omitempty"`
	Flame       bool         `json:"flame,omitempty"`
	Hours       Number       `json:"hours,omitzero"`
	Days        Number       `json:"days,omitzero"`
	Minutes     Number       `json:"minutes,omitzero"`
	ML          Number       `json:"ml,omitzero"`
	Grams       Number       `json:"g,omitzero"`
	Drops       Number       `json:"drops,omitzero"`
	MLPerL      Number       `json:"mlPerL,omitzero"`
	GPerL       Number       `json:"gPerL,omitzero"`
	Conc        Number       `json:"concentration,omitzero"`
	Stock       Number       `json:"stock,omitzero"`
	Confirmed   bool         `json:"confirmed,omitempty"`
	How         string       `json:"how,omitempty"`
	From        string       `json:"from,omitempty"`
	To          string       `json:"to,omitempty"`
	Water       Water        `json:"water,omitempty"`
	LevelCM     Number       `json:"levelCm,omitzero"`
	GapMM       Number       `json:"gapMm,omitzero"`
	Submerged   bool         `json:"submerged,omitempty"`
	SaucerHours Number       `json:"saucerHours,omitzero"`
	Share       Number       `json:"share,omitzero"`
	WetDrops    Number       `json:"wettingDrops,omitzero"`
	N           Number       `json:"n,omitzero"`
	Cover       plant.Cover  `json:"cover,omitempty"`
	Dose        string       `json:"dose,omitempty"`
	DoseTyped   bool         `json:"doseTyped,omitempty"`
	ByLabel     bool         `json:"byLabel,omitempty"`
	Class       string       `json:"class,omitempty"`
	Product     string       `json:"product,omitempty"`
	Where       string       `json:"where,omitempty"`
	What        string       `json:"what,omitempty"`
	CMAbove     Number       `json:"cmAboveBase,omitzero"`
	OverKeiki   bool         `json:"abovePlantlet,omitempty"`
	Piece       bool         `json:"segment,omitempty"`
	Depth       string       `json:"depth,omitempty"`
	UnderCM     Number       `json:"baseUnderCm,omitzero"`
	TouchesBase bool         `json:"touchesBase,omitempty"`
	WaterC      Number       `json:"waterC,omitzero"`
	TempC       Number       `json:"tempC,omitzero"`
	ToC         Number       `json:"toC,omitzero"`
	Sun         bool         `json:"sun,omitempty"`
	Mush        bool         `json:"mush,omitempty"`
	Firm        bool         `json:"firm,omitempty"`
	Doubtful    string       `json:"doubtful,omitempty"`
	BeyondCM    Number       `json:"beyondCm,omitzero"`
	Recorded    *bool        `json:"recorded,omitempty"`
	Ways        []string     `json:"ways,omitempty"`
	Isolated    *bool        `json:"isolated,omitempty"`
	InfestedP   bool         `json:"infested,omitempty"`
	Shared      any          `json:"shared,omitempty"`
	Carried     string       `json:"carried,omitempty"`
	Colour      string       `json:"colour,omitempty"`
	Cond        string       `json:"cond,omitempty"`
	Note        string       `json:"note,omitempty"`
	Ends        bool         `json:"ends,omitempty"`
	Held        bool         `json:"held,omitempty" doc:"Whether it belongs to the care until a held sitting."`
	PotWidthTo  Number       `json:"potWidthToCm,omitzero" doc:"Widest pot that an unmeasured ball may want."`
	PastStage   bool         `json:"pastStage,omitempty"`
	Until       gate.Gate    `json:"until,omitempty"`
	Stage       string       `json:"stage,omitempty"`
	At          string       `json:"at,omitempty"`
	Part        string       `json:"part,omitempty"`
	Keeps       string       `json:"keeps,omitempty" doc:"top or stump: what a cut leaves of the plant."`
}
