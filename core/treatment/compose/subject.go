package compose

import (
	"cmp"
	"math"
	"slices"
	"strings"
	"time"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/pest"
	"tendermend/core/plant"
	"tendermend/core/state"
	"tendermend/core/treatment"
)

// subject is a situation read once: what the plant is, what it bears, and how
// it stands on day 0.
type subject struct {
	treatment.Situation
	assumed facts.Facts   // the facts, with a cautious value for each that nobody said
	kind    plant.Profile // zero where only the habit is known
	named   bool          // whether the kind is known
	habit   treatment.Defaults
	habitID treatment.HabitID
	causes  []cause.ID // gravest first
	warmth  pest.Warmth

	roots    float64 // live roots as a share of all, 0-1
	counted  bool    // whether they were counted
	tips     bool    // whether a tip was seen
	rootless bool    // no live root, for certain
	moist    facts.Moist
	limp     bool
	thirsty  bool
	rotLives bool
	seat     facts.Seat
	untied   bool // it sits in no pot: mounted, hung, or an orchid's slatted basket
	piece    bool

	orchid, dry, epiphyte, leafless, branches bool
	airRooted                                 bool // its roots live in air
	bulbless                                  bool // a bulbed orchid without bulbs to live on
	fine                                      bool // fine roots, never long bare
	rootDry, stemDry                          [2]int
	nature                                    state.Nature
	wetNo                                     bool // leaves must be dry by night
	airC, humidity, lookDays                  float64
}

func read(s treatment.Situation) (*subject, bool) {
	x := &subject{Situation: s, assumed: treatment.Assumed(s)}
	x.kind, x.named = s.KindOf()
	var ok bool
	if x.habit, ok = treatment.HabitDefaults(s.HabitID()); !ok {
		return nil, false
	}
	x.habitID = x.habit.Habit
	x.causes = slices.Clone(s.Causes)
	slices.SortStableFunc(x.causes, byGravity)
	x.orchid, x.dry = treatment.OrchidSet().Has(x.habitID), treatment.DrySet().Has(x.habitID)
	x.leafless = treatment.LeafSet().Has(x.habitID)
	x.epiphyte, x.branches = x.kind.Epiphyte, x.kind.Branches == plant.BranchesYes
	if !x.named && x.orchid && x.habitID != treatment.JewelOrchid {
		x.epiphyte = true // the cautious value: most orchids of these habits grow on trees
	}
	x.airRooted = x.kind.WaterRule == plant.AirRoots
	x.bulbless = x.habitID == treatment.Sympodial && x.named && treatment.Bulbless(x.kind.ID)
	x.readPlace()
	x.readDays()
	x.readRoots()
	x.readWater()
	x.readSeat()
	x.readWet()
	return x, true
}

// daysToAct ranks causes; ties fall to rot, then thirst, pests and the rest.
func byGravity(a, b cause.ID) int {
	ca, _ := cause.ByID(a)
	cb, _ := cause.ByID(b)
	return cmp.Or(cmp.Compare(ca.DaysToAct, cb.DaysToAct), cmp.Compare(tier(a), tier(b)), cmp.Compare(a, b))
}

var thirsts = []cause.ID{cause.Drought, cause.MediumRepels, cause.Detached, cause.DryRootLoss, cause.WokenEarly}

func tier(id cause.ID) int {
	c, _ := cause.ByID(id)
	switch {
	case slices.Contains(treatment.Rots(), id) || slices.Contains(treatment.LeafDiseases(), id) ||
		id == cause.SouthernBlight:
		return 0
	case slices.Contains(thirsts, id):
		return 1
	case c.Kind == "pest":
		return 2
	case id == cause.Dormancy || id == cause.OldLeaf || id == cause.SettlingIn:
		return 4
	}
	return 3
}

// has says whether any of the causes is accepted.
func (x *subject) has(ids ...cause.ID) bool {
	return slices.ContainsFunc(ids, func(id cause.ID) bool { return slices.Contains(x.Causes, id) })
}

// only says whether nothing but these causes is accepted.
func (x *subject) only(ids ...cause.ID) bool {
	return len(x.Causes) > 0 &&
		!slices.ContainsFunc(x.Causes, func(id cause.ID) bool { return !slices.Contains(ids, id) })
}

func (x *subject) any(list []cause.ID) bool { return x.has(list...) }

func (x *subject) is(codes ...treatment.HabitID) bool { return slices.Contains(codes, x.habitID) }

func (x *subject) trait(traits ...plant.Trait) bool {
	return slices.ContainsFunc(traits, x.kind.Has)
}

const (
	usualC, usualRH, usualLook = 20, 50, 4
)

func (x *subject) readPlace() {
	x.airC = x.Facts.Place.WarmthC.Or(usualC)
	x.humidity = x.Facts.Place.HumidityPct.Or(usualRH)
	x.lookDays = x.Facts.Place.LookDays.Or(usualLook)
	x.warmth = pest.Warmth{Low: x.airC, High: x.airC}
	if x.Facts.Place.LowC.Known && x.Facts.Place.HighC.Known {
		x.warmth = pest.Warmth{Low: x.Facts.Place.LowC.Value, High: x.Facts.Place.HighC.Value}
		if !x.Facts.Place.WarmthC.Known {
			x.airC = (x.warmth.Low + x.warmth.High) / 2
		}
	}
}

// readDays gives the dry days of cut roots, and of a cut stem, base, rhizome or bulb.
func (x *subject) readDays() {
	x.nature, _ = state.NatureOf(x.Situation)
	x.rootDry, x.stemDry = x.nature.RootDry, x.nature.StemDry
	x.fine = x.rootDry[0] == 0 || treatment.FineSet().Has(x.habitID)
}

func (x *subject) readRoots() {
	x.roots, x.counted = x.Share()
	a := x.Facts
	x.tips = a.LiveTips.Or(0) > 0
	x.piece = a.Piece.Value || x.has(cause.Detached)
	x.rootless = x.roots == 0
}

func (x *subject) readWater() {
	x.moist, x.limp = x.assumed.Moist.Value, x.assumed.Limp.Value
	x.thirsty = x.limp && (x.moist == facts.Dry || x.moist == facts.Bone)
	x.rotLives = x.any(treatment.Rots()) && x.assumed.RotAlive.Value
}

func (x *subject) readSeat() {
	x.seat = x.assumed.Seat.Value
	x.untied = x.seat == facts.OnMount || x.seat == facts.Hung || x.seat == facts.InBasket
}

func (x *subject) readWet() {
	x.wetNo = x.kind.Has(plant.DryLeaves) || treatment.WetNoSet().Has(x.habitID) || x.any(treatment.LeafDiseases())
}

// month gives the month of a day of the plan as it would be in the north.
func (x *subject) month(d int) time.Month { return plant.NorthMonth(x.On+day.Day(d), x.Facts.South) }

// among says whether a value is one of a list.
func among[T comparable](v T, list ...T) bool { return slices.Contains(list, v) }

// seenDays is for how long a new leaf, growth or tip proves that it grows.
const seenDays = 30

// seenGrowing says whether growth was seen on it.
func (x *subject) seenGrowing() bool {
	return x.Facts.Growing.Value || x.Facts.NewGrowth.Value || x.tips
}

// phase says how it stands on a day: growing, idle, resting or waking.
func (x *subject) phase(d int) string {
	a := x.Facts
	m := x.month(d)
	seen := d < seenDays // what was seen still holds
	switch {
	case seen && a.Phase.Known:
		return string(a.Phase.Value)
	case x.has(cause.WokenEarly) && d < 2*seenDays:
		return "waking"
	case x.has(cause.Dormancy) || seen && a.Resting.Value:
		return "resting"
	case seen && x.seenGrowing():
		return "growing"
	case x.asleepByMonth(m):
		return "resting"
	case seen && a.Growing.Known:
		return "idle"
	case x.usuallyGrows(m):
		return "growing"
	}
	return "idle"
}

// neverRests says whether its kind is known to have no rest.
func neverRests(x *subject) bool { return x.named && x.kind.HowItRests() == plant.RestNone }

func (x *subject) growing() bool { return x.phase(0) == "growing" }
func (x *subject) resting() bool { return x.phase(0) == "resting" }

// asleep says whether it is without leaves and roots until it wakes.
func (x *subject) asleep() bool {
	return x.resting() && x.is(treatment.WinterDeciduous, treatment.BulbPlant)
}

// firstRoots says whether no water may come before new roots are long enough: it rests or wakes, or
// it is a month of its rest, nobody saw it grow, and nothing says that it thirsts.
func (x *subject) firstRoots() bool {
	unseen := x.phase(0) == "idle" && !x.Facts.Growing.Known && x.kind.RestsIn(x.month(0)) && !x.thirsty
	return x.kind.RootsFirstCM > 0 && x.Facts.NewRootsCM.Or(0) < x.kind.RootsFirstCM &&
		(unseen || among(x.phase(0), "resting", "waking"))
}

// one says whether it has a single growing point.
func (x *subject) one() bool {
	return treatment.OneSet().Has(x.habitID) || x.kind.Branches == plant.BranchesNo && x.Facts.Points.Or(1) <= 1
}

// stones are the genera whose two or four leaves are the whole plant (common practice).
var stones = []string{"Lithops", "Pleiospilos"}

// livingStone says whether its few leaves are its body, so that none is taken off.
func (x *subject) livingStone() bool { return slices.Contains(stones, x.genus()) }

// genus is the first word of its botanical name; empty where its kind is not known.
func (x *subject) genus() string {
	genus, _, _ := strings.Cut(x.kind.Botanical, " ")
	return genus
}

// badMedium says whether its medium is rotten, sour or infested.
func (x *subject) badMedium() bool {
	m := x.Facts.Medium.Value
	return x.Facts.MediumBad.Value || x.Facts.MediumSour.Value || m == "rotten" || m == "sour" || m == "infested" ||
		x.has(cause.MediumCollapsed, cause.RootMealybug, cause.RootGrub)
}

func (x *subject) propagates(ways ...string) bool {
	return slices.ContainsFunc(ways, func(w string) bool {
		return slices.ContainsFunc(x.kind.Propagation, func(p string) bool { return strings.Contains(p, w) })
	})
}

// potWidth gives the width of its pot, or a usual one.
func (x *subject) potWidth() float64 { return x.Facts.PotWidthCM.Or(14) }

func half(v float64) float64 { return math.Floor(v*2) / 2 }
