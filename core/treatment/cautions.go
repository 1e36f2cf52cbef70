package treatment

import "slices"

// Caution is a warning that stands where its step is.
type Caution struct {
	ID    string `json:"id"`
	Text  string `json:"text"`
	Short string `json:"-"` // what it is about
}

// cautions are the usual ones (poison-centre and safety leaflets, from memory);
// labels, local rules and licensed practice stand above them all.
var cautions = []Caution{
	{"a", "Alcohol burns: never alcohol and flame together. Hair tied back, air in the room.", "alcohol, flame"},
	{"b", "Cut away from the hand. Cap the tips of stakes at eye height.", "blades, stakes"},
	{
		"c",
		"Bleach, peroxide and soap are used alone and never mixed with anything but cold water. Gloves and " +
			"goggles; bleach corrodes metal and never touches the plant.",
		"bleach, peroxide, soap",
	},
	{
		"d",
		"Dry perlite, peat, grit, earth and cinnamon dust: mask on, damp it. With asthma in the house " +
			"somebody else does it, outdoors.",
		"dust",
	},
	{
		"e",
		"Lamps, fans and humidifiers near water: residual-current protection, a drip loop in the cable. " +
			"Lamps are hot, and ultraviolet hurts eyes.",
		"electricity",
	},
	{"f", "It is eaten: nothing that is not allowed on food, and wait with the harvest as the label says.", "food"},
	{"g", "Bulbs and tubers are mistaken for food: locked away from children and animals.", "bulbs"},
	{
		"h",
		"Hot water and ovens scald. Medium in the oven smells and can burn: damp, watched, the room aired.",
		"heat",
	},
	{
		"k",
		"Children or animals in the house: products, bags, cards and trimmings out of reach; plastic bags " +
			"smother. Keep them away until it is dry, or for as long as the label says.",
		"children, pets",
	},
	{
		"l",
		"The label is the law. Type its dose in; this tool never proposes one. In doubt ask the local " +
			"plant-health service or a licensed applicator.",
		"label products",
	},
	{
		"m",
		"Moss and compost: gloves, no open cuts, no dust; wash your hands. Moulds and bacteria in them " +
			"make people ill.",
		"moss, compost",
	},
	{
		"n",
		"The same gas or carbon monoxide harms people: no flame, no switch, windows open, everybody out, " +
			"call the gas emergency. Then the plant.",
		"gas, fumes",
	},
	{
		"p",
		"Systemic products poison bees for months: never on a plant that flowers outdoors or that bees can reach.",
		"bees",
	},
	{"q", "Its own corner, tray and tools, and a list of what is looked at when.", "spread"},
	{
		"s",
		"Its sap or tissue may be poisonous: gloves, eyes protected, no kitchen knives. After swallowing " +
			"call a poison centre, for an animal a vet.",
		"poison",
	},
	{"t", "Spines or sharp edges: tongs or folded paper, and mind the eyes.", "spines"},
	{"u", "Heavy: two persons lift it.", "weight"},
	{
		"w",
		"Infested waste is bagged and goes with household waste, where local rules do not say otherwise. " +
			"Some pests must be reported; some plants are protected.",
		"waste",
	},
}

// Estimate stands on every plan.
const Estimate = "Chances and times are estimates. A plant may die in spite of everything done right."

// Cautions lists all of them by their letters.
func Cautions() []Caution { return slices.Clone(cautions) }

// CautionByID finds a caution by its letter; false when there is none.
func CautionByID(id string) (Caution, bool) {
	i := slices.IndexFunc(cautions, func(c Caution) bool { return c.ID == id })
	if i < 0 {
		return Caution{}, false
	}
	return cautions[i], true
}
