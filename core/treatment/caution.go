package treatment

// Caution is a warning shown where its step is.
type Caution struct {
	ID   string `json:"id"`
	Text string `json:"text"`
}

// cautions are the usual ones; labels, local rules and licensed practice stand
// above them all.
var cautions = map[string]string{
	"pesticide":   "The label is the law. Use only what is allowed where you live, with gloves and eye protection, in moving air; children and animals stay away until it is dry. Systemic products harm pollinators: never on a plant that will flower outdoors. When in doubt ask a licensed applicator or the local plant-health service.",
	"no-mixing":   "Never mix household chemicals: bleach with ammonia, acids, alcohol or peroxide makes poison gas or explosives. Peroxide is at most 3 % as bought; only ever make it weaker.",
	"alcohol":     "Alcohol burns: no flame near it. Sterilise in a flame only with no alcohol about and hair tied back.",
	"dust":        "Perlite, diatomaceous earth and dry peat dust: wear a mask, damp it, do not pour from high up. Moss and compost: gloves, no open cuts, wash hands, do not breathe dust or mist.",
	"sap":         "Its sap may irritate skin, eyes and mouth: gloves, and wash hands. After swallowing call a poison centre.",
	"toxic-pets":  "Poisonous to animals that chew it: keep trimmings out of reach. If one has eaten it, call a vet.",
	"blade":       "Cut away from the hand. Wipe the blade between cuts and between plants.",
	"stake":       "Cap the tips of stakes at eye height.",
	"electric":    "Lamps and humidifiers near water: residual-current protection, a drip loop in the cable, nothing electric under a hanging pot.",
	"waste":       "Notifiable pests and the disposal of infested waste follow local rules. Bag it before you carry it through the house.",
	"label":       "The product's label and local rules decide on its use and rate.",
	"pollinators": "Systemic products poison pollinators for months: never on a plant that flowers outdoors or that bees can reach.",
	"asthma":      "Somebody here has asthma or weak lungs: no spray, dust or powder near them; work outdoors, and air the room.",
	"children":    "Children are about: keep products, blades and poisonous plants out of their reach, and mark bottles.",
	"pets":        "Animals are about: keep treated plants, trimmings, cards and baits away from them until dry, or for as long as the label says.",
	"estimate":    "Chances and times are estimates. A plant may die in spite of everything done right.",
}
