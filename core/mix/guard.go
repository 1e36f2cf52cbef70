package mix

import "sort"

// Chemical is something in the household or the cupboard that must not meet
// everything else.
type Chemical struct {
	ID    string `json:"id"`
	Label string `json:"label"`
}

// chemicals by id, in the order in which they are offered.
var chemicals = []Chemical{
	{
		"water",
		"water",
	}, {"mild-soap", "mild soap, without ammonia"}, {"insecticidal-soap", "insecticidal soap"},
	{"oil", "horticultural or neem oil"},
	{
		"alcohol",
		"rubbing alcohol",
	}, {"peroxide", "hydrogen peroxide"}, {"bleach", "bleach"}, {"ammonia", "ammonia, or a cleaner with it"},
	{
		"vinegar",
		"vinegar or another acid",
	}, {"descaler", "descaler"}, {"sulphur", "sulphur"}, {"copper", "copper"}, {"feed", "feed"},
	{
		"calcium-feed",
		"calcium nitrate or another calcium feed",
	}, {"phosphate-feed", "phosphate or sulphate feed"}, {"baking-soda", "baking soda"},
	{"pesticide", "any labelled pesticide"},
}

// Clash is two things that must not be mixed.
type Clash struct {
	A, B string
	Why  string `json:"why"`
	// Danger is true where people are harmed; otherwise the plant or the mix is.
	Danger bool `json:"danger"`
}

// clashes: the dangers are those of every household-chemicals leaflet (from
// memory); the others are common practice.
var clashes = []Clash{
	{"bleach", "ammonia", "makes chloramine gas, which burns the lungs", true},
	{"bleach", "vinegar", "makes chlorine gas", true},
	{"bleach", "descaler", "makes chlorine gas", true},
	{"bleach", "alcohol", "makes chloroform and other poisons", true},
	{"bleach", "peroxide", "foams with heat and bursts closed bottles", true},
	{"bleach", "pesticide", "can make poison gas; the label forbids it", true},
	{"bleach", "insecticidal-soap", "may hold acids or ammonia salts: poison gas", true},
	{"bleach", "feed", "ammonium in the feed makes chloramine gas", true},
	{"bleach", "calcium-feed", "ammonium in the feed makes chloramine gas", true},
	{"bleach", "phosphate-feed", "acid and ammonium in the feed make poison gas", true},
	{"bleach", "sulphur", "reacts with heat and foul gas", true},
	{"peroxide", "vinegar", "makes peracetic acid, which burns skin and eyes", true},
	{"peroxide", "descaler", "makes strong oxidising acid", true},
	{"peroxide", "alcohol", "can make unstable peroxides: never in a closed bottle", true},
	{"peroxide", "copper", "breaks down with heat and bursts closed bottles", true},
	{"ammonia", "vinegar", "heats and spits", true},
	{"sulphur", "vinegar", "gives off foul, poisonous gas", true},
	{"pesticide", "alcohol", "fire, and what is in it goes through skin; the label forbids it", true},
	{"sulphur", "oil", "burns leaves, for weeks after one another as well", false},
	{"copper", "vinegar", "frees copper that burns leaves", false},
	{"insecticidal-soap", "vinegar", "the soap falls out", false},
	{"insecticidal-soap", "copper", "the soap falls out", false},
	{"mild-soap", "vinegar", "the soap falls out", false},
	{"insecticidal-soap", "calcium-feed", "hard salts turn soap to scum", false},
	{"calcium-feed", "phosphate-feed", "falls out as chalk and gypsum: keep them in two stock bottles", false},
	{"baking-soda", "vinegar", "foams away, and nothing is left of either", false},
	{"pesticide", "peroxide", "spoils the product; only as its label says", false},
	{"pesticide", "oil", "burns leaves unless both labels allow it", false},
}

// Chemicals lists what can be asked about.
func Chemicals() []Chemical { return chemicals }

// Guard names every pair that must not be mixed among some things, dangers to
// people first. Unknown ids are returned, so that nobody takes silence for
// safety.
func Guard(ids []string) (found []Clash, unknown []string) {
	is := map[string]bool{}
	known := map[string]bool{}
	for _, c := range chemicals {
		known[c.ID] = true
	}
	for _, id := range ids {
		if !known[id] {
			unknown = append(unknown, id)
		}
		is[id] = true
	}
	for _, c := range clashes {
		if is[c.A] && is[c.B] {
			found = append(found, c)
		}
	}
	sort.SliceStable(found, func(a, b int) bool { return found[a].Danger && !found[b].Danger })
	return found, unknown
}
