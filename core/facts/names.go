package facts

// Seat is what a plant stands in.
type Seat string

// The seats.
const (
	InPot       Seat = "pot"
	InBasket    Seat = "basket"
	OnMount     Seat = "mount"
	Hung        Seat = "hung"
	InCup       Seat = "cup"
	InDish      Seat = "dish"
	InReservoir Seat = "reservoir"
	InJar       Seat = "jar" // it lives in a glass of water
	InBox       Seat = "box"
	OnTray      Seat = "tray"
	InHand      Seat = "hand"
	InBin       Seat = "bin"
)

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

// The grades of reserves.
const (
	Plump      Reserves = "plump"
	Ridged     Reserves = "ridged"
	Shrivelled Reserves = "shrivelled"
)

// MediumClass is the sort of thing that a plant's roots are in.
type MediumClass string

// The classes of medium.
const (
	Soil     MediumClass = "soil"
	Bark     MediumClass = "bark"
	Moss     MediumClass = "moss"
	Stones   MediumClass = "stones" // clay pellets, grit, pumice
	Peat     MediumClass = "peat"
	InWater  MediumClass = "water"
	NoMedium MediumClass = "none"
)

// MediumState is how sound a medium is.
type MediumState string

// The states of a medium.
const (
	Sound    MediumState = "sound"
	Tired    MediumState = "tired"
	Rotten   MediumState = "rotten"
	Sour     MediumState = "sour"
	Crusted  MediumState = "crusted"
	Repels   MediumState = "repels"
	Infested MediumState = "infested"
)

// Phase is where a plant stands in its year.
type Phase string

// The phases.
const (
	Growing Phase = "growing"
	Idle    Phase = "idle"
	Resting Phase = "resting"
	Waking  Phase = "waking"
)

// Cover is what stands over a plant.
type Cover string

// The covers, from the driest on.
const (
	Uncovered   Cover = "none"
	OpenCover   Cover = "open"
	ClosedCover Cover = "closed"
)

// PieceKind is what a piece of a plant is.
type PieceKind string

// The kinds of piece.
const (
	LeafyTip    PieceKind = "tip"
	BareStem    PieceKind = "stem"
	OneLeaf     PieceKind = "leaf"
	RootedPiece PieceKind = "rooted"
	Plantlet    PieceKind = "plantlet"
	WholeTop    PieceKind = "top"
)

// Watering is a way of watering.
type Watering string

// The ways of watering. Only what wets the medium, or roots that hang bare, counts as
// the last watering.
const (
	WateredThrough   Watering = "through"
	WateredLight     Watering = "light"
	WateredSoak      Watering = "soak"
	WateredBelow     Watering = "below"
	WateredFlush     Watering = "flush"
	WateredReservoir Watering = "reservoir"
	WateredRoots     Watering = "roots"
	WateredCup       Watering = "cup"
	WateredLeaves    Watering = "leaves"
)

// WetsRoots says whether roots drink of it, so that the next one is counted from it.
func (w Watering) WetsRoots() bool { return w != WateredCup && w != WateredLeaves }

// Biter is who bit a plant.
type Biter string

// Who bit it.
const (
	Pet   Biter = "pet"
	Child Biter = "child"
)
