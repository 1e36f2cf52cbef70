package plant

import "strings"

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
	Traits    []Trait    `json:"traits"`
	Source    string     `json:"source"`
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
)

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
	return p
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

// Profiles lists all kinds by habit.
func Profiles() []Profile { return profiles }

// ProfileByID finds a kind; false when there is none of that id.
func ProfileByID(id string) (Profile, bool) {
	p, ok := profileByID[id]
	return p, ok
}

// FindProfiles gives up to limit kinds whose botanical or common name holds
// every word of the query; those that begin with it first.
func FindProfiles(query string, limit int) []Profile {
	words := strings.Fields(strings.ToLower(query))
	var first, rest []Profile
	for _, p := range profiles {
		names := strings.ToLower(p.Botanical + " " + p.Common)
		matches := true
		for _, w := range words {
			matches = matches && strings.Contains(names, w)
		}
		switch {
		case !matches:
		case len(words) > 0 && (strings.HasPrefix(names, words[0]) || strings.HasPrefix(strings.ToLower(p.Common), words[0])):
			first = append(first, p)
		default:
			rest = append(rest, p)
		}
	}
	all := append(first, rest...)
	return all[:min(limit, len(all))]
}
