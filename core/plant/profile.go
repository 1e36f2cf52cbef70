package plant

import (
	"sort"
	"strings"
)

// Profile is a kind of plant, a genus or species, with what it wants. Values
// are from memory of the usual growers' books, rounded, unless a value says
// otherwise; they are starting points that a carer may overrule.
type Profile struct {
	ID        string `json:"id"`
	Botanical string `json:"botanical"`
	Common    string `json:"common"`
	Habit     string `json:"habit"`
	// Light is the daily light integral in mol m⁻² d⁻¹: least, best, most.
	Light [3]float64 `json:"light"`
	// Temperature in °C: lower limit, best, upper limit.
	Temperature [3]float64 `json:"temperature"`
	// Humidity in per cent: least, best.
	Humidity  [2]float64 `json:"humidity"`
	WaterRule WaterRule  `json:"waterRule"`
	Sun       Sun        `json:"sun" doc:"The most direct sun it bears indoors."`
	Rest      string     `json:"rest,omitempty" doc:"How it rests; empty where it does not."`
	Feed      Feed       `json:"feed"`
	Mixes     []Mix      `json:"mixes" doc:"Mixes by parts."`
	// RepotMonths is the usual time between repottings, in months.
	RepotMonths [2]int `json:"repotMonths"`
	// PerMonth is how many leaves or growths it makes a month in season.
	PerMonth [2]float64 `json:"perMonth"`
	Traits   []Trait    `json:"traits"`
	Poisons  []Poison   `json:"poisons" doc:"What harms whom; empty where none is known."`
	Pests    []Liking   `json:"pests" doc:"How well pests like it; those not named come seldom."`
	// Weeks are the usual weeks of each track from start to mended.
	Weeks  []TrackWeeks `json:"weeks"`
	Source string       `json:"source" doc:"Where its values come from, unless sources says otherwise."`
	// Sources says for single fields where their values come from.
	Sources map[string]string `json:"sources"`
	Own     bool              `json:"own" doc:"Whether the collection added it."`
}

// Sun is the most direct sun a kind bears indoors.
type Sun string

// The sun limits.
const (
	Shade      Sun = "none"     // no direct sun
	Filtered   Sun = "filtered" // through a curtain or leaves
	MorningSun Sun = "morning"  // until about eleven
	FullSun    Sun = "full"     // all day, once used to it
)

// Feed is what a kind is fed.
type Feed struct {
	PpmN float64 `json:"ppmN" doc:"Nitrogen in the water while it grows, ppm (mg/l)."`
	Low  float64 `json:"low" doc:"Share of that in the low-light months, 0-1."`
}

// Mix is a medium by parts.
type Mix struct {
	Name  string `json:"name" maxLength:"60"`
	Parts []Part `json:"parts"`
}

// Part is one ingredient of a mix.
type Part struct {
	What  string  `json:"what" maxLength:"60"`
	Parts float64 `json:"parts"`
}

// Poison says what in a plant harms whom and how badly. Call a poison centre or
// a vet after swallowing.
type Poison struct {
	Whom string `json:"whom" enum:"people,pets"`
	What string `json:"what" maxLength:"200"`
	Bad  string `json:"bad" maxLength:"40" doc:"How bad it is."`
}

// Fondness is how well a pest likes a kind.
type Fondness string

// The grades of fondness.
const (
	Sometimes Fondness = "sometimes"
	Often     Fondness = "often"
)

// Liking is a pest that comes to a kind.
type Liking struct {
	Pest string   `json:"pest" doc:"Id of a cause."`
	How  Fondness `json:"how" enum:"sometimes,often"`
}

// TrackWeeks is how long a recovery track usually takes, in weeks.
type TrackWeeks struct {
	Track string `json:"track"`
	Weeks [2]int `json:"weeks"`
}

// Trait is a property of a kind that changes what may be done with it.
type Trait string

// The traits.
const (
	ToxicPets   Trait = "toxic-pets"   // harms animals that chew it
	ToxicPeople Trait = "toxic-people" // sap or tissue irritates or poisons people
	PowderBloom Trait = "powder-bloom" // its own white bloom must not be sprayed or wiped
	SoapTender  Trait = "soap-tender"  // soap or oil marks its leaves
	SaltTender  Trait = "salt-tender"  // fluoride, salts or hard water mark it
	DryLeaves   Trait = "dry-leaves"   // leaves must not stay wet
	SnugPot     Trait = "snug-pot"     // does best tight in its pot
	ShallowPot  Trait = "shallow-pot"  // roots stay near the surface
	WinterRest  Trait = "winter-rest"  // rests in winter
	AirHoles    Trait = "air-holes"    // wants holes in the pot's sides, or no pot
)

// TraitWords says each trait as a carer would.
var TraitWords = map[Trait]string{
	ToxicPets: "harms animals that chew it", ToxicPeople: "sap or tissue harms people", PowderBloom: "powdery bloom of its own: do not wipe or spray",
	SoapTender: "soap and oil mark its leaves", SaltTender: "salts, fluoride and hard water mark it", DryLeaves: "leaves must not stay wet",
	SnugPot: "likes a snug pot", ShallowPot: "shallow roots, shallow pot", WinterRest: "rests in winter", AirHoles: "holes in the pot's sides, or no pot",
}

var traitCodes = map[string]Trait{
	"pets": ToxicPets, "people": ToxicPeople, "powder": PowderBloom, "soap": SoapTender, "salt": SaltTender,
	"dryleaf": DryLeaves, "snug": SnugPot, "shallow": ShallowPot, "rest": WinterRest,
}

// Has says whether the kind has a trait.
func (p Profile) Has(t Trait) bool {
	for _, x := range p.Traits {
		if x == t {
			return true
		}
	}
	return false
}

func kind(habit, id, botanical, common string, light, temperature [3]float64, humidity [2]float64, traits string) Profile {
	h := habitByID[habit]
	p := Profile{ID: id, Botanical: botanical, Common: common, Habit: habit, Light: light, Temperature: temperature,
		Humidity: humidity, WaterRule: h.WaterRule, Traits: []Trait{}, Source: "from memory"}
	for _, code := range strings.Fields(traits) {
		p.Traits = append(p.Traits, traitCodes[code])
	}
	genus, _, _ := strings.Cut(botanical, " ")
	p.Poisons = append([]Poison{}, poisonsOf[genus]...)
	if airHoles[genus] {
		p.Traits = append(p.Traits, AirHoles)
	}
	p.takeCareOf(h)
	if p.Has(WinterRest) && p.Rest == "" {
		p.Rest = "rests in winter: cooler and drier"
	}
	return p
}

// takeCareOf fills in what a habit usually wants, where the kind says nothing.
func (p *Profile) takeCareOf(h Habit) {
	c := careOf[h.ID]
	p.Sun, p.Rest, p.Feed, p.Mixes, p.RepotMonths, p.Pests, p.Weeks = c.sun, c.rest, c.feed, c.mixes, c.repot, c.pests, c.weeks
	p.PerMonth = [2]float64{c.perYear[0] / 12, c.perYear[1] / 12}
	p.Sources = map[string]string{"feed": "common practice", "mixes": "common practice", "repotMonths": "common practice", "weeks": "common practice", "perMonth": "common practice"}
}

var middleOf = func() map[string]Profile {
	m := make(map[string]Profile, len(habits))
	for _, h := range habits {
		m[h.ID] = middle(h)
	}
	return m
}()

// OfHabit gives the wishes of a plant of which only the habit is known: what
// most of its kinds have in common.
func OfHabit(h Habit) Profile { return middleOf[h.ID] }

func middle(h Habit) Profile {
	var light, temperature [3][]float64
	var humidity [2][]float64
	for _, p := range profiles {
		if p.Habit != h.ID {
			continue
		}
		for i := range 3 {
			light[i], temperature[i] = append(light[i], p.Light[i]), append(temperature[i], p.Temperature[i])
		}
		for i := range 2 {
			humidity[i] = append(humidity[i], p.Humidity[i])
		}
	}
	p := Profile{Habit: h.ID, WaterRule: h.WaterRule, Traits: []Trait{}, Poisons: []Poison{}, Source: "the middle of the kinds of its habit"}
	for i := range 3 {
		p.Light[i], p.Temperature[i] = median(light[i]), median(temperature[i])
	}
	for i := range 2 {
		p.Humidity[i] = median(humidity[i])
	}
	p.takeCareOf(h)
	return p
}

func median(values []float64) float64 {
	sorted := append([]float64{}, values...)
	sort.Float64s(sorted)
	n := len(sorted)
	if n%2 == 1 {
		return sorted[n/2]
	}
	return (sorted[n/2-1] + sorted[n/2]) / 2
}

// waters overrules the habit's usual water rule.
func (p Profile) waters(r WaterRule) Profile {
	p.WaterRule = r
	return p
}

var profileByID = func() map[string]Profile {
	m := make(map[string]Profile, len(profiles))
	for _, p := range profiles {
		m[p.ID] = p
	}
	return m
}()

// Profiles lists the kinds that ship with the program, by habit.
func Profiles() []Profile { return profiles }
