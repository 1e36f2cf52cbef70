package compose

import (
	"regexp"
	"strconv"
	"time"

	"tendermend/core/cause"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// growsFrom are the months of the north and the warmth in which a habit grows where
// nobody saw anything new, by what it is (common practice). Orchids and bulbs are
// taken to stand still until something was seen.
type growsFrom struct {
	from, to time.Month
	warmC    float64
}

func growsWhen(codes []treatment.HabitID, w growsFrom, to map[treatment.HabitID]growsFrom) {
	for _, code := range codes {
		to[code] = w
	}
}

var growthOf = func() map[treatment.HabitID]growsFrom {
	m := map[treatment.HabitID]growsFrom{}
	growsWhen([]treatment.HabitID{
		treatment.AroidClump, treatment.AroidVine, treatment.SoftTrailer, treatment.WaxVine, treatment.Rhizomatous,
		treatment.HerbClump, treatment.Fern, treatment.Gesneriad, treatment.Begonia, treatment.Bromeliad,
	}, growsFrom{time.March, time.October, 18}, m)
	growsWhen([]treatment.HabitID{
		treatment.Woody, treatment.GiantHerb, treatment.CaneFoliage, treatment.Palm, treatment.Carnivore, treatment.Ivy,
	}, growsFrom{time.March, time.October, 15}, m)
	growsWhen([]treatment.HabitID{
		treatment.SucculentRosette, treatment.UprightSucculent, treatment.TrailingSucculent, treatment.Cactus,
		treatment.ForestCactus,
	}, growsFrom{time.April, time.September, 18}, m)
	return m
}()

// usuallyGrows says whether its habit grows in a month at this warmth, where nobody
// saw anything new; a lamp makes all months alike for what keeps its leaves.
func (x *subject) usuallyGrows(m time.Month) bool {
	g, known := growthOf[x.habitID]
	return known && x.airC >= g.warmC && (m >= g.from && m <= g.to || x.Facts.Place.Lamp.Value && g.from == time.March)
}

// asleepByMonth says whether its kind sleeps in a month, so that it need not be seen:
// cacti, living stones, and what is leafless already.
func (x *subject) asleepByMonth(m time.Month) bool {
	leafless := x.Facts.Leaves.Known && x.Facts.Leaves.Value == 0
	switch {
	case x.habitID == treatment.BulbPlant && leafless:
		return true
	case x.kind.RestKind == "" || x.kind.RestKind == "none" || x.Facts.Growing.Value:
		return false
	case x.kind.ID == "lithops-hybrid":
		return m >= time.November || m <= time.April || m == time.July || m == time.August
	case x.habitID == treatment.Cactus, x.habitID == treatment.WinterDeciduous && leafless:
		return m >= time.November || m <= time.February
	}
	return false
}

// sleeper says whether it sheds its roots or shrinks by nature while it rests, so that
// few roots or a wrinkled body are no reason to work on it then.
func (x *subject) sleeper() bool {
	return x.is(treatment.WinterDeciduous, treatment.BulbPlant, treatment.Cactus) || x.kind.ID == "lithops-hybrid" ||
		x.habitID == treatment.UprightSucculent && x.kind.HowItRests() == plant.RestLeafless
}

// restWater is the water of a plant seen at rest, by its kind.
func restWater(a *orders, c cause.ID) {
	switch a.kind.WaterAtRest() {
	case plant.RestDry:
		if a.Facts.Leaves.Known && a.Facts.Leaves.Value == 0 {
			at(0, treatment.HoldWater, until(newGrowth))(a, c)
			return
		}
		last := "none once it stands leafless"
		if a.is(treatment.Cactus) {
			last = "none until it grows again"
		}
		at(0, treatment.ByRule, how("taper"), what(last))(a, c)
	case plant.RestRootsFirst:
		at(0, treatment.HoldWater, until(itsRoots))(a, c)
	case plant.RestAsGrowth:
		at(0, treatment.ByRule)(a, c)
	default:
		at(0, treatment.ByRule, how("at rest"), what(restRule(a.subject)))(a, c)
	}
}

// restRule is its water rule in the dark months, in words.
func restRule(x *subject) string {
	rule := x.kind.WaterLow
	if rule == "" || rule == plant.NoWater {
		rule = plant.DryThrough
	}
	return rule.Words()
}

// inDegrees finds a warmth, or its range, in what a kind's row says of its rest.
var inDegrees = regexp.MustCompile(`(\d+)(?: ?(?:[–-]|to) ?(\d+))? ?°C`)

// restsCool says whether its row names the warmth of its rest.
func restsCool(x *subject) bool { return inDegrees.MatchString(x.kind.Rest) }

// restWarmth is the first warmth that its row names, never under what harms it.
func restWarmth(s *step) {
	s.Params.How = "rest"
}

// restC gives the warmth of its rest, °C.
func (x *subject) restC() (warm float64, named bool) {
	found := inDegrees.FindStringSubmatch(x.kind.Rest)
	if found == nil {
		return 0, false
	}
	low, _ := strconv.ParseFloat(found[1], 64)
	if found[2] != "" {
		high, _ := strconv.ParseFloat(found[2], 64)
		low = (low + high) / 2
	}
	if x.kind.Chill != nil {
		low = max(low, *x.kind.Chill)
	}
	return low, true
}

// wakesByRoots says whether it gets no water before its new roots are long enough.
func wakesByRoots(x *subject) bool { return x.kind.WaterAtRest() == plant.RestRootsFirst }

func wakesOtherwise(x *subject) bool { return !wakesByRoots(x) }

// wakesDry says whether it was kept dry, so that its first water is a step of its own.
func wakesDry(x *subject) bool { return x.kind.WaterAtRest() == plant.RestDry }
