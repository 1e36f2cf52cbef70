package treatment

// airOperators are those of air and light.
var airOperators = []Operator{
	{
		ID:        CoverIt,
		Title:     "A clear cover over it",
		Again:     "Air the cover for ten minutes",
		How:       "A bag or box that does not touch the leaves, aired daily, never in the sun.",
		Minutes:   3,
		Does:      Recurs | Gentle,
		Cautions:  "k",
		Materials: []string{"clear bag or box"},
		Done:      "Mist on at most half of the wall.",
	},
	{
		ID:      Wean,
		Title:   "Open the cover by steps",
		Again:   "Open the cover a little wider",
		How:     "A little wider every two or three days. If it wilts, one step back.",
		Minutes: 2,
		Does:    Gentle,
		Done:    "No wilt the next day.",
	},
	{
		ID:      ShadeIt,
		Title:   "Bright shade",
		How:     "No direct sun; its shadow has no edge.",
		Minutes: 3,
		Does:    Gentle,
		Done:    "A hand throws no sharp shadow.",
	},
	{
		ID:       Brighten,
		Title:    "Lighter by steps",
		Again:    "A step more light",
		How:      "At most a quarter more every three days, until its best light.",
		Minutes:  3,
		Does:     Recurs,
		Cautions: "e",
		Done:     "Nothing bleaches.",
		For: "low-light self-shading nitrogen-low edema bloom-drain overwatering dormancy sun-scorch " +
			"lamp-burn woken-early powdery-mildew regulator-dwarfed",
	},
	{
		ID:    Temper,
		Title: "Bring its warmth right by steps",
		How: "After cold: first 15 to 18 °C, half a day a step. After heat: shade, air, and water only if " +
			"it is dry.",
		Minutes:   3,
		Does:      Gentle,
		Cautions:  "eh",
		Materials: []string{"thermometer"},
		Done:      "The thermometer says so.",
	},
	{
		ID:        Humidify,
		Title:     "Moister air",
		How:       "A humidifier, or a group of healthy plants.",
		Minutes:   10,
		Cautions:  "e",
		Materials: []string{"hygrometer"},
		Done:      "The hygrometer says so.",
		For: "dry-air spider-mite detached dry-root-loss root-rot moss-smothered drought bud-blast " +
			"water-roots medium-collapsed root-mealybug school:S1 school:S2 school:S3 school:S4 school:S6 " +
			"wish:setup-change rootless",
	},
	{
		ID:        Air,
		Title:     "Air between the leaves",
		How:       "Space the plants, a gentle fan, dry by evening.",
		Minutes:   5,
		Does:      Gentle,
		Cautions:  "e",
		Materials: []string{"fan"},
		Done:      "A strip of tissue moves.",
	},
	{
		ID:      Undraught,
		Title:   "Out of the draught",
		How:     "Away from vent, heater and door.",
		Minutes: 5,
		Does:    Gentle,
		Done:    "A strip of tissue hangs still.",
	},
}
