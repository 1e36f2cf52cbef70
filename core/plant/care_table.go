package plant

// care is what a habit wants beyond water, light and air; a kind takes it over
// unless its genus is named below (all common practice or from memory).
type care struct {
	sun     Sun
	rest    string // how it rests, where it does
	feed    Feed
	mixes   []Mix
	repot   [2]int
	perYear [2]float64 // growths a year
	pests   []Liking
	weeks   []TrackWeeks
}

func mixOf(name string, parts ...Part) Mix { return Mix{name, parts} }

func likes(pests ...string) []Liking { return liking(Often, pests) }

func liking(how Fondness, pests []string) []Liking {
	list := make([]Liking, len(pests))
	for i, p := range pests {
		list[i] = Liking{p, how}
	}
	return list
}

func (c care) seldom(pests ...string) care {
	c.pests = append(c.pests, liking(Sometimes, pests)...)
	return c
}

var (
	barkMix  = mixOf("open bark", Part{"medium bark", 4}, Part{"perlite", 1}, Part{"charcoal", 0.5})
	fineBark = mixOf("fine bark with moss", Part{"fine bark", 3}, Part{"chopped moss", 1}, Part{"perlite", 1})
	airyMix  = mixOf("airy soil", Part{"potting soil", 1}, Part{"perlite", 1}, Part{"medium bark", 1})
	evenMix  = mixOf("moist and open", Part{"potting soil", 2}, Part{"fine bark", 1}, Part{"perlite", 1})
	gritMix  = mixOf("gritty", Part{"potting soil", 1}, Part{"pumice", 1}, Part{"coarse grit", 1})
)

var careOf = map[string]care{
	"sympodial-orchid":        care{Filtered, "slower in the dark months; some kinds want it cool and drier", Feed{75, 0.5}, []Mix{barkMix}, [2]int{18, 30}, [2]float64{1, 3}, likes("scale", "mealybug"), []TrackWeeks{{"orchid-water-bridge", [2]int{16, 50}}, {"orchid-rest", [2]int{19, 69}}, {"orchid-lean", [2]int{26, 72}}}}.seldom("spider-mite", "thrips", "slug-snail"),
	"monopodial-orchid":       care{Filtered, "", Feed{75, 0.5}, []Mix{barkMix}, [2]int{18, 30}, [2]float64{2, 4}, likes("mealybug", "scale"), []TrackWeeks{{"orchid-water-bridge", [2]int{16, 50}}, {"orchid-basket", [2]int{14, 41}}}}.seldom("spider-mite", "thrips"),
	"winter-deciduous-orchid": care{MorningSun, "leaves fall; kept dry until new roots are 7-12 cm long", Feed{120, 0}, []Mix{fineBark}, [2]int{12, 12}, [2]float64{1, 2}, likes("spider-mite"), []TrackWeeks{{"orchid-rest", [2]int{19, 69}}}}.seldom("mealybug", "scale"),
	"jewel-orchid":            care{Shade, "", Feed{50, 0.5}, []Mix{mixOf("moss and leaf mould", Part{"chopped moss", 2}, Part{"fine bark", 1}, Part{"leaf mould", 1})}, [2]int{12, 24}, [2]float64{10, 14}, likes("slug-snail"), []TrackWeeks{{"rejuvenation", [2]int{8, 20}}}}.seldom("mealybug", "spider-mite"),
	"aroid-vine":              care{Filtered, "", Feed{100, 0.5}, []Mix{airyMix}, [2]int{18, 24}, [2]float64{8, 14}, likes("thrips", "mealybug", "fungus-gnat"), []TrackWeeks{{"foliage-rerooting", [2]int{7, 26}}}}.seldom("spider-mite", "scale"),
	"aroid-clump":             care{Filtered, "some kinds lose leaves in the dark months and wait as tubers", Feed{100, 0.5}, []Mix{airyMix}, [2]int{18, 24}, [2]float64{8, 14}, likes("spider-mite", "fungus-gnat"), []TrackWeeks{{"foliage-rerooting", [2]int{7, 26}}}}.seldom("thrips", "mealybug", "scale"),
	"rhizomatous-foliage":     care{Shade, "", Feed{75, 0.5}, []Mix{evenMix}, [2]int{18, 30}, [2]float64{12, 20}, likes("spider-mite", "fungus-gnat"), []TrackWeeks{{"foliage-rerooting", [2]int{7, 26}}}}.seldom("thrips", "mealybug"),
	"begonia":                 care{Filtered, "slows below 15 °C; some kinds drop leaves in winter", Feed{75, 0.5}, []Mix{mixOf("light and airy", Part{"fine bark", 1}, Part{"vermiculite", 1}, Part{"peat or coir", 3})}, [2]int{12, 24}, [2]float64{18, 28}, likes("mealybug", "fungus-gnat"), []TrackWeeks{{"foliage-rerooting", [2]int{6, 22}}}}.seldom("broad-mite", "whitefly"),
	"soft-trailer":            care{MorningSun, "grows little in winter light", Feed{100, 0.5}, []Mix{evenMix}, [2]int{12, 18}, [2]float64{30, 55}, likes("aphid", "fungus-gnat"), []TrackWeeks{{"rejuvenation", [2]int{4, 10}}, {"foliage-rerooting", [2]int{5, 16}}}}.seldom("mealybug", "spider-mite"),
	"woody":                   care{MorningSun, "", Feed{120, 0.5}, []Mix{mixOf("soil with drainage", Part{"potting soil", 2}, Part{"perlite", 1}, Part{"medium bark", 1})}, [2]int{24, 36}, [2]float64{4, 12}, likes("scale", "spider-mite"), []TrackWeeks{{"foliage-rerooting", [2]int{9, 32}}}}.seldom("mealybug", "thrips"),
	"giant-herb":              care{FullSun, "half dry in winter", Feed{150, 0.5}, []Mix{mixOf("rich and open", Part{"potting soil", 3}, Part{"perlite", 1}, Part{"medium bark", 1})}, [2]int{24, 36}, [2]float64{4, 9}, likes("scale", "spider-mite"), []TrackWeeks{{"foliage-rerooting", [2]int{9, 32}}}}.seldom("mealybug"),
	"wax-vine":                care{MorningSun, "slower and drier in the dark months", Feed{75, 0.25}, []Mix{mixOf("soil and bark", Part{"potting soil", 1}, Part{"orchid bark", 1})}, [2]int{24, 48}, [2]float64{6, 12}, likes("mealybug", "aphid"), []TrackWeeks{{"foliage-rerooting", [2]int{8, 30}}, {"rejuvenation", [2]int{6, 16}}}}.seldom("root-mealybug", "scale", "spider-mite"),
	"succulent-rosette":       care{MorningSun, "dry and cool in winter, or in high summer for some", Feed{50, 0}, []Mix{gritMix}, [2]int{24, 48}, [2]float64{4, 10}, likes("mealybug", "root-mealybug"), []TrackWeeks{{"foliage-rerooting", [2]int{8, 30}}}}.seldom("scale", "aphid"),
	"cactus":                  care{FullSun, "dry and cool in winter", Feed{50, 0}, []Mix{gritMix}, [2]int{24, 48}, [2]float64{1, 4}, likes("mealybug", "root-mealybug"), []TrackWeeks{{"foliage-rerooting", [2]int{10, 36}}}}.seldom("scale", "spider-mite"),
	"fern":                    care{Shade, "", Feed{50, 0.5}, []Mix{mixOf("moist and open", Part{"peat or coir", 2}, Part{"fine bark", 1}, Part{"perlite", 1})}, [2]int{12, 24}, [2]float64{18, 28}, likes("scale"), []TrackWeeks{{"foliage-rerooting", [2]int{6, 22}}}}.seldom("mealybug", "fungus-gnat"),
	"palm":                    care{Filtered, "", Feed{75, 0.5}, []Mix{mixOf("soil with drainage", Part{"potting soil", 2}, Part{"medium bark", 1}, Part{"coarse grit", 1})}, [2]int{30, 48}, [2]float64{5, 12}, likes("spider-mite", "scale"), []TrackWeeks{{"foliage-rerooting", [2]int{10, 36}}}}.seldom("mealybug"),
	"bromeliad":               care{Filtered, "", Feed{50, 0}, []Mix{mixOf("light and coarse", Part{"medium bark", 1}, Part{"potting soil", 1}, Part{"perlite", 1})}, [2]int{24, 48}, [2]float64{4, 10}, likes("scale"), []TrackWeeks{{"foliage-rerooting", [2]int{10, 36}}}}.seldom("mealybug"),
}

// Poisons by genus, from memory of poison centres' leaflets; in doubt call one.
var (
	oxalate = func(whom string) Poison {
		return Poison{whom, "needle-like calcium oxalate in sap and leaves: burning and swelling of mouth, skin and eyes", "moderate"}
	}
	latex = func(whom string) Poison {
		return Poison{whom, "milky latex: irritates skin, eyes and gut", "moderate"}
	}
)

var poisonsOf = map[string][]Poison{
	"Monstera": {oxalate("people"), oxalate("pets")}, "Philodendron": {oxalate("people"), oxalate("pets")}, "Epipremnum": {oxalate("people"), oxalate("pets")},
	"Scindapsus": {oxalate("people"), oxalate("pets")}, "Syngonium": {oxalate("people"), oxalate("pets")}, "Anthurium": {oxalate("people"), oxalate("pets")},
	"Alocasia": {oxalate("people"), oxalate("pets")}, "Spathiphyllum": {oxalate("people"), oxalate("pets")}, "Zamioculcas": {oxalate("people"), oxalate("pets")},
	"Aglaonema": {oxalate("people"), oxalate("pets")}, "Caladium": {oxalate("people"), oxalate("pets")},
	"Ficus":        {latex("people"), latex("pets")},
	"Begonia":      {{"pets", "oxalates, most in the tubers and roots: salivation, vomiting", "mild to moderate"}},
	"Tradescantia": {{"people", "watery sap: itching skin", "mild"}, {"pets", "watery sap: itching skin", "mild"}}, "Callisia": {{"pets", "watery sap: itching skin", "mild"}},
	"Heptapleurum": {oxalate("people"), oxalate("pets")}, "Polyscias": {{"people", "saponins: irritate skin and mouth", "mild"}, {"pets", "saponins: vomiting, irritated skin", "mild to moderate"}},
	"Dracaena": {{"pets", "saponins: vomiting, unsteady gait", "moderate"}}, "Citrus": {{"pets", "essential oils: vomiting, irritated skin", "mild to moderate"}},
	"Strelitzia": {{"pets", "seeds and leaves: vomiting, drowsiness", "mild"}},
	"Aloe":       {{"people", "yellow sap under the rind: purging", "moderate"}, {"pets", "yellow sap under the rind: vomiting, purging", "moderate"}},
	"Crassula":   {{"pets", "not known what: vomiting, unsteady gait", "mild to moderate"}},
}

// airHoles are genera whose roots want a pot with holes in its sides, or none.
var airHoles = map[string]bool{"Vanda": true, "Phalaenopsis": true, "Cattleya": true, "Angraecum": true, "Rhynchostylis": true, "Bulbophyllum": true}
