package treatment

import "slices"

// OperatorID names an operator. Ids stand in stored plans: never rename or
// reuse one.
type OperatorID string

// The operators.
const (
	Baseline   OperatorID = "baseline"
	Isolate    OperatorID = "isolate"
	Neighbours OperatorID = "neighbours"
	Release    OperatorID = "release"
	CleanBlade OperatorID = "clean-blade"
	ReadyPot   OperatorID = "ready-pot"
	PreWater   OperatorID = "pre-water"
	Aid        OperatorID = "aid"
	Untie      OperatorID = "untie"

	StripSpikes  OperatorID = "strip-spikes"
	PullDead     OperatorID = "pull-dead"
	RemoveLeaves OperatorID = "remove-leaves"
	TakeOffset   OperatorID = "take-offset"
	Insurance    OperatorID = "insurance"

	Unpot      OperatorID = "unpot"
	WashOff    OperatorID = "wash-off"
	SlideLook  OperatorID = "slide-look"
	Loosen     OperatorID = "loosen"
	RemovePlug OperatorID = "remove-plug"
	ClearMoss  OperatorID = "clear-moss"
	Tally      OperatorID = "tally"
	TrimDead   OperatorID = "trim-dead"
	CutRot     OperatorID = "cut-rot"
	PickCrown  OperatorID = "pick-crown"
	PartIt     OperatorID = "part"
	DustCut    OperatorID = "dust-cut"
	DryCut     OperatorID = "dry-cut"
	Callus     OperatorID = "callus"
	Peroxide   OperatorID = "peroxide"
	LabelDrug  OperatorID = "label-drug"

	EaseLeaf   OperatorID = "ease-leaf"
	CrownDrain OperatorID = "crown-drain"
	CrownDry   OperatorID = "crown-dry"

	PotIn        OperatorID = "pot-in"
	PotUp        OperatorID = "pot-up"
	RootPrune    OperatorID = "root-prune"
	TopDress     OperatorID = "top-dress"
	RaiseBase    OperatorID = "raise-base"
	WrapMoss     OperatorID = "wrap-moss"
	Hang         OperatorID = "hang"
	Mount        OperatorID = "mount"
	SetCup       OperatorID = "set-cup"
	SetDish      OperatorID = "set-dish"
	SetReservoir OperatorID = "set-reservoir"
	Stake        OperatorID = "stake"
	Label        OperatorID = "label"

	FirstWater  OperatorID = "first-water"
	Soak        OperatorID = "soak"
	BottomWater OperatorID = "bottom-water"
	CupFill     OperatorID = "cup-fill"
	WetRoots    OperatorID = "wet-roots"
	Mist        OperatorID = "mist"
	ChangeWater OperatorID = "change-water"
	Flush       OperatorID = "flush"
	HoldWater   OperatorID = "hold-water"
	ByRule      OperatorID = "by-rule"
	DrainSaucer OperatorID = "drain-saucer"

	CoverIt   OperatorID = "cover"
	Wean      OperatorID = "wean"
	ShadeIt   OperatorID = "shade"
	Brighten  OperatorID = "brighten"
	Temper    OperatorID = "temper"
	Humidify  OperatorID = "humidify"
	Air       OperatorID = "air"
	Undraught OperatorID = "undraught"

	FeedIt     OperatorID = "feed"
	Supplement OperatorID = "supplement"
	HoldFeed   OperatorID = "hold-feed"

	WashDown  OperatorID = "wash-down"
	Soap      OperatorID = "soap"
	Oil       OperatorID = "oil"
	RinseOff  OperatorID = "rinse-off"
	Alcohol   OperatorID = "alcohol"
	Scrape    OperatorID = "scrape"
	Earth     OperatorID = "earth"
	Systemic  OperatorID = "systemic"
	Predators OperatorID = "predators"
	Nematodes OperatorID = "nematodes"
	Traps     OperatorID = "traps"
	HotDip    OperatorID = "hot-dip"
	HandPick  OperatorID = "hand-pick"
	Larvicide OperatorID = "larvicide"
	DryTop    OperatorID = "dry-top"
	BagWaste  OperatorID = "bag-waste"
	ScaldPot  OperatorID = "scald-pot"
	BakeGrit  OperatorID = "bake-grit"

	TipCut    OperatorID = "tip-cut"
	NodeBox   OperatorID = "node-box"
	LeafCut   OperatorID = "leaf-cut"
	Layer     OperatorID = "layer"
	Behead    OperatorID = "behead"
	BoxTally  OperatorID = "box-tally"
	PotPieces OperatorID = "pot-pieces"
	Harden    OperatorID = "harden"
	Refill    OperatorID = "refill"

	TrimBranch OperatorID = "trim-branch"
	Turn       OperatorID = "turn"
	VirusTest  OperatorID = "virus-test"
	KeepApart  OperatorID = "keep-apart"
	Discard    OperatorID = "discard"
	Look       OperatorID = "look"
	Routine    OperatorID = "routine"
)

// Slot is a part of a day. Night follows the evening.
type Slot string

// The slots, in the order of the day.
const (
	Morning Slot = "morning"
	Noon    Slot = "noon"
	Evening Slot = "evening"
)

// SittingKind names a disturbance that is begun and ended in one slot.
type SittingKind string

// The sittings.
const (
	RootWash  SittingKind = "ROOT-WASH"
	RootWhole SittingKind = "ROOT-WHOLE"
	CallusSit SittingKind = "CALLUS"
	CrownSit  SittingKind = "CROWN"
	LeafSit   SittingKind = "LEAF"
	SpraySit  SittingKind = "SPRAY"
	PotPest   SittingKind = "POT+PEST"
	PiecesSit SittingKind = "PIECES"
	ChangeSit SittingKind = "CHANGE"
	CareSit   SittingKind = "CARE" // looks, water, light: nothing is disturbed
)

// School is a way of re-establishing an orchid.
type School string

// The schools.
const (
	OwnMix    School = "S0"
	Bridge    School = "S1"
	Rest      School = "S2"
	Lean      School = "S3"
	MossWrap  School = "S4"
	ClayPot   School = "S5"
	BareRoots School = "S6"
	MossBox   School = "J"
)

// Wish is something to be done without an illness.
type Wish string

// The wishes.
const (
	SetupChange Wish = "setup-change"
	Propagate   Wish = "propagate"
	Refresh     Wish = "refresh"
	PartWish    Wish = "part"
	Prune       Wish = "prune"
)

// Wishes lists them all.
func Wishes() []Wish { return slices.Clone(wishes) }

var wishes = []Wish{SetupChange, Propagate, Refresh, PartWish, Prune}

// WishWords says a wish to somebody who may want it.
type WishWords struct {
	ID    Wish   `json:"id" enum:"setup-change,propagate,refresh,part,prune"`
	Label string `json:"label"`
	How   string `json:"how"`
}

// Offered are the wishes in words, the commonest first.
func Offered() []WishWords { return slices.Clone(offered) }

var offered = []WishWords{
	{Refresh, "Fresh mix", "its old mix off, the same way of growing"},
	{SetupChange, "Another set-up", "clay and reservoir, moss, basket or mount"},
	{Propagate, "Multiply it", "a plantlet, a cutting or a division"},
	{PartWish, "Part it", "one plant becomes several"},
	{Prune, "Cut it back", "for shape, or to make it branch"},
}
