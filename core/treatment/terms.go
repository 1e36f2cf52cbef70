package treatment

import "strings"

// Target is what a step is done for.
type Target string

// What a step is done for: the plant itself, or the pieces saved from it.
const (
	ForPlant  Target = ""
	ForPieces Target = "pieces"
	ForPart   Target = "part" // of a plant that is divided
)

// Water is what is poured; empty means what is usually poured.
type Water string

// What is poured where the usual water is not meant.
const (
	LowMineral Water = "low-mineral"
)

// The organs that steps are done to. Pieces are what was cut off and is kept.
const (
	OnRoots    Organ = "roots"
	OnLeaf     Organ = "leaf"
	OnStem     Organ = "stem"
	OnTip      Organ = "tip"
	OnNode     Organ = "node"
	OnSegment  Organ = "segment"
	OnSection  Organ = "section"
	OnNeck     Organ = "neck"
	OnBody     Organ = "body"
	OnBulb     Organ = "bulb"
	OnRhizome  Organ = "rhizome"
	OnCorm     Organ = "corm"
	OnBase     Organ = "base"
	OnSpike    Organ = "spike"
	OnPeduncle Organ = "peduncle"
	OnSpear    Organ = "spear"
	OnSheaths  Organ = "sheaths"
	OnFlower   Organ = "flower"
	OnOffset   Organ = "offset"
	OnKeiki    Organ = "keiki"
	OnPup      Organ = "pup"
	OnSoil     Organ = "soil"
	OnMedium   Organ = "medium"
	OnPieces   Organ = "pieces"
)

// Side is one side of a disagreement of the trade, or the carer's own wish beside
// it; empty means that nobody chose.
type Side string

// The sides that plans ask about. Every other side has the id of its operator.
const (
	SideWater     Side = "water"
	SidePeroxide  Side = "peroxide"
	SideLabel     Side = "label"
	SideKeep      Side = "keep"
	SideCut       Side = "cut"
	SideWait      Side = "wait"
	SideStay      Side = "stay"
	SideNow       Side = "now"
	SideNeeded    Side = "needed"
	SideAtOnce    Side = "at once"
	SideAtRoots   Side = "at roots"
	SideDryDay    Side = "dry day"
	SideDry       Side = "dry"
	SideCinnamon  Side = "cinnamon"
	SidePowder    Side = "powder"
	SideOpen      Side = "open"
	SideNone      Side = "none"
	SideKind      Side = "kind"
	SideNeem      Side = "neem"
	SideTogether  Side = "together"
	SideOneEach   Side = "one each"
	SideDryTop    Side = "dry top"
	SideGrit      Side = "grit"
	SideLarvicide Side = "larvicide"
	SideDiscard   Side = "discard"
	SideMount     Side = "mount"
)

// Keeps says whether a side leaves something on: all of it, or one.
func (s Side) Keeps() bool { return strings.HasPrefix(string(s), "keep") }

// Now says whether a side has it done at once.
func (s Side) Now() bool { return strings.HasPrefix(string(s), "now") }
