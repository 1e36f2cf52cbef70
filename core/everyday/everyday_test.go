package everyday

import (
	"encoding/csv"
	"math/rand/v2"
	"os"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/diagnosis"
	"tendermend/core/plant"
)

func table(t *testing.T, name string) [][]string {
	t.Helper()
	file, err := os.Open(name)
	require.NoError(t, err)
	defer func() { _ = file.Close() }()
	rows, err := csv.NewReader(file).ReadAll()
	require.NoError(t, err)
	return rows[1:]
}

// amongFirst says whether one of the signs wanted is among the first three found.
func amongFirst(found, wanted []string) bool {
	return slices.ContainsFunc(found[:min(3, len(found))], func(id string) bool { return slices.Contains(wanted, id) })
}

func TestEveryPhraseFindsItsSign(t *testing.T) {
	rows := table(t, "phrases.csv")
	require.Greater(t, len(rows), 600)
	told := map[string]bool{}
	for _, r := range rows {
		wanted := strings.Split(r[1], ";")
		if r[1] == noSign {
			assert.Empty(t, Signs(r[0]), r[0])
			assert.Empty(t, Read(r[0], nil).Present, r[0])
			continue
		}
		for _, id := range wanted {
			told[id] = true
			_, known := diagnosis.SignByID(id)
			assert.True(t, known, "%s: %s", r[0], id)
		}
		assert.True(t, amongFirst(Signs(r[0]), wanted), "%s: %v", r[0], Signs(r[0]))
	}
	for _, s := range diagnosis.Signs() {
		assert.True(t, told[s.ID], "nobody says %s", s.ID)
	}
}

// misspelt puts two neighbouring letters of the longest word the wrong way round, or
// leaves one out.
func misspelt(r *rand.Rand, said string) string {
	words := strings.Fields(said)
	at := 0
	for i, w := range words {
		if len(w) > len(words[at]) {
			at = i
		}
	}
	w := words[at]
	if len(w) < 7 {
		return said
	}
	k := 1 + r.IntN(len(w)-3)
	if r.IntN(2) == 0 {
		words[at] = w[:k] + w[k+1:]
	} else {
		words[at] = w[:k] + w[k+1:k+2] + w[k:k+1] + w[k+2:]
	}
	return strings.Join(words, " ")
}

// Two neighbours the wrong way round are one slip; two other letters, or two such slips, are two.
func TestSwappedLettersAreOneSlip(t *testing.T) {
	for said, one := range map[string]bool{
		"silmy": true, "slmiy": true, "slimy": false, "slaby": false, "silym": false, "slim": false, "ylims": false,
	} {
		assert.Equal(t, one, swapped("slimy", said), said)
	}
	assert.Contains(t, Signs("gntas"), "pest.small-flies", "in a word of five letters one slip is forgiven")
}

// A letter left out, or two the wrong way round, is one slip. A word that becomes another one
// is not told apart, and a few phrases hang on one word.
func TestPhrasesAreFoundMisspelt(t *testing.T) {
	r := rand.New(rand.NewPCG(21, 1))
	all, found := 0, 0
	for _, row := range table(t, "phrases.csv") {
		said := misspelt(r, row[0])
		if said == row[0] || row[1] == noSign {
			continue
		}
		all++
		if amongFirst(Signs(said), strings.Split(row[1], ";")) {
			found++
		}
	}
	t.Logf("%d of %d misspelt phrases find a right sign", found, all)
	assert.Greater(t, all, 300)
	assert.GreaterOrEqual(t, float64(found), 0.95*float64(all))
}

// What people said who do not know the table: a right sign among the first three.
func TestOtherWaysOfSayingIt(t *testing.T) {
	rows := table(t, "testdata/said.csv")
	found := 0
	for _, r := range rows {
		if amongFirst(Signs(r[0]), strings.Split(r[1], ";")) {
			found++
		} else {
			t.Logf("%s: %v", r[0], Signs(r[0]))
		}
	}
	t.Logf("%d of %d", found, len(rows))
	assert.GreaterOrEqual(t, float64(found), 0.9*float64(len(rows)))
}

func TestWhatIsNoSignFindsNone(t *testing.T) {
	for _, said := range strings.Split("I love this plant|my desk|green leaves|how often should I water it|"+
		"what kind of pot should I use|a terracotta pot|the pot is blue|it is two years old|it looks great|"+
		"healthy and happy|what is its name|nice plant|hello|help|is it safe for cats|we call it Fred|thank you|"+
		"where can I buy one|watered on Sunday|variegated leaves|my kitchen|Tuesday|asdfgh|leaf|plant|soil||   |?!", "|") {
		assert.Empty(t, Signs(said), said)
	}
}

func TestOrderAndCountOfWhatIsFound(t *testing.T) {
	assert.Equal(t, "pest.small-flies", Signs("tiny black flies")[0])
	assert.Equal(t, []string{"leaf.yellow-many-fast", "leaf.yellow-few-oldest", "leaf.yellow-patches"},
		Signs("going yellow")[:3])
	assert.Equal(t, Signs("Droopy!"), Signs("droopy"))
	for said, first := range map[string]string{
		"the leaves wilted": "leaf.drooping", "smells sour": "root.smell", "it smells bad": "root.smell",
		"the leaf stinks": "leaf.smell", "heatwave": "place.heat", "too dry": "med.dry-through",
		"looks thirsty": "leaf.drooping",
	} {
		assert.Equal(t, first, Signs(said)[0], said)
	}
	for _, said := range []string{"white stuff", "bugs", "brown leaves", "rotting"} {
		assert.LessOrEqual(t, len(Signs(said)), mostSigns, said)
		assert.GreaterOrEqual(t, len(Signs(said)), 3, said)
	}
}

// reads is what a sentence must be read as: kind, signs that are there, and that are not.
type reads struct{ said, kind, present, absent string }

var readings = []reads{
	{"my pothos is going yellow, tiny black flies, no smell", "epipremnum-aureum",
		"leaf.yellow-many-fast pest.small-flies", "root.smell"},
	{"my pothos is going yellow and has little black flies", "epipremnum-aureum",
		"leaf.yellow-many-fast pest.small-flies", ""},
	{"The leaves of my monstera are yellow and dropping, soil is wet but no smell", "monstera-deliciosa",
		"leaf.yellow-many-fast leaf.dropping-fast med.wet-long", "root.smell"},
	{"Snake plant with mushy base", "dracaena-trifasciata", "stem.soft-brown", ""},
	{"My fiddle leaf fig is dropping leaves since I moved it.", "ficus-lyrata",
		"leaf.dropping-fast course.after-move", ""},
	{"Jade plant leaves wrinkled and falling off, it is in a dark corner", "crassula-ovata",
		"leaf.wrinkled leaf.dropping-fast place.low-light", ""},
	{"my zz plant has yellow leaves at the bottom and the soil is still wet after two weeks", "zamioculcas-zamiifolia",
		"leaf.yellow-few-oldest med.wet-long", ""},
	{"I have a moth orchid. Its leaves are leathery and wrinkled. No root rot, the roots look fine.",
		"phalaenopsis-hybrid", "leaf.wrinkled root.firm", "root.mushy"},
	{"my monstra has brown tips", "monstera-deliciosa", "leaf.tips-brown", ""},
	{"devil's ivy limp", "epipremnum-aureum", "leaf.drooping", ""},
	{"mother-in-law's tongue is mushy at the base", "dracaena-trifasciata", "stem.soft-brown", ""},
	{"I bought a hoya two weeks ago, it has mealybugs", "hoya-carnosa", "care.new-arrival pest.cotton", ""},
	{"croton lost leaves after repotting", "codiaeum-variegatum", "leaf.dropping-fast course.after-repot", ""},
	{"African violet with rings on leaves", "saintpaulia-ionantha", "leaf.mosaic", ""},
	{"it has white fluff and sticky leaves; not sure if there are webs", "", "pest.cotton leaf.sticky", ""},
	{"No new leaves for months, roots coming out of the bottom", "", "new.none-in-season root.out-of-pot", ""},
	{"silvery patches and little black specks on the leaves of my alocasia", "alocasia-amazonica",
		"leaf.silver-scars", ""},
	{"it might have root rot but I haven't looked", "", "root.mushy", ""},
	{"snake plant leaf fell over, soft at the bottom", "dracaena-trifasciata", "leaf.drooping stem.soft-brown", ""},
	{"pot is full of roots and water runs straight through", "", "root.circling med.repels", ""},
	{"my cactus is going soft and brown at the bottom", "", "stem.soft-brown", ""},
	{"the leaf has a wet see-through patch that's growing fast on my phalaenopsis", "phalaenopsis-hybrid",
		"leaf.black-mush", ""},
	{"silvery streaks on the leaves, and brown patches", "", "leaf.silver-scars leaf.spots-dark-dry", ""},
	{"Bought a calathea last week; edges are crispy, leaves curling, heater nearby", "calathea-orbifolia",
		"care.new-arrival leaf.edges-brown leaf.curled-in place.dry-air", ""},
	{"the stem of my dieffenbachia is mushy near the soil, smells rotten", "dieffenbachia-seguine",
		"stem.soft-brown root.smell", ""},
	{"The cactus is fine, only the pot is full of tiny flies", "", "pest.small-flies", ""},
	{"gnats!!! everywhere around my peperomia", "peperomia-obtusifolia", "pest.small-flies", ""},
	{"the radiator is next to it", "", "place.dry-air", ""},
	{"the plants next to it have it as well", "", "course.neighbours", ""},
	{"when I tap the leaf over paper little dots run around", "", "pest.moving-dots", ""},
	{"my moth orchid lost its flowers one after another, leaves fine", "phalaenopsis-hybrid",
		"flower.fading-in-order", ""},
	{"I think my aloe is dying", "aloe-vera", "", ""},
	{"the leaves have a reddish tint since it got colder, echeveria", "echeveria-elegans", "leaf.reddened place.cold", ""},
	{"I haven't checked the roots. The leaves are wrinkled", "", "leaf.wrinkled", ""},
	{"roots look white and firm, no smell from the pot, soil dry", "", "root.firm med.dry-through", "root.smell"},
	{"The plant is not wobbly, but the stem is soft", "", "stem.soft-brown", "stem.wobbly"},
	{"No webs or sticky leaves", "", "", "pest.webbing leaf.sticky"},
	{"it perks up after watering", "", "course.perks-up", ""},
	{"Is my plant overwatered?", "", "", ""},
	{"brown spots with yellow rings", "", "leaf.spots-wet-halo", ""},
	{"It is a lovely plant and I got it from my aunt.", "", "", ""},
	{"my cactus is leaning", "", "stem.leaning", ""},
	{"fern fronds crispy, dry air", "", "leaf.crisp place.dry-air", ""},
	{"croton dropped leaves near a cold window, no mites", "codiaeum-variegatum",
		"leaf.dropping-fast place.cold", "pest.moving-dots"},
	{"my african violet has spots on the leaves after watering, crown looks fine", "saintpaulia-ionantha",
		"leaf.water-rings", ""},
	{"sticky leaves and black stuff on my lemon tree, ants too", "citrus-limon",
		"leaf.sticky leaf.sooty pest.ants", ""},
	{"my moth orchid lost its buds after I moved it next to a bowl of apples", "phalaenopsis-hybrid",
		"flower.buds-lost course.after-move place.gas-fruit", ""},
	{"I water once a week no matter what", "", "care.water-often", ""},
	{"the new leaves of my philodendron are small and far apart", "philodendron-hederaceum",
		"leaf.small-new leaf.stretched", ""},
	{"my cactus is soft at the base", "", "stem.soft-brown", ""},
	{"small flies come out of the soil when I water", "", "pest.small-flies", ""},
	{"the plant smells sour when I water", "", "root.smell", ""},
	{"whiteflies fly up when I touch it", "", "pest.whitefly", ""},
	{"no new growth since a year", "", "new.none-in-season", ""},
	{"leaves are burnt at the tips since winter", "", "leaf.tips-brown", ""},
	{"my plant hasn't grown since I bought it", "", "new.none-in-season course.after-move", ""},
	{"sticky stuff on the leaves and on the floor", "", "leaf.sticky", ""},
	{"aerial roots are dry and white", "", "root.dry-dead", ""},
	{"roots are brown and mushy when I took it out of the pot", "", "root.mushy", ""},
	{"stems are thin and weak and it leans to the window", "", "leaf.stretched stem.leaning", ""},
	{"my plant wilts in the afternoon and recovers at night", "", "leaf.drooping course.perks-up", ""},
	{"I noticed small cottony lumps where leaves meet the stem on my jade plant", "crassula-ovata", "pest.cotton", ""},
	{"water droplets on the tips of my philodendron", "philodendron-hederaceum", "leaf.sap-drops", ""},
	{"my orchid has no new roots", "", "root.no-tips", ""},
	{"no root rot, no pests, but it just does not grow", "", "new.none-in-season",
		"root.mushy pest.moving-dots pest.aphids pest.slender"},
	{"My vanda's roots are white and dry, and the bottom leaves are dropping", "vanda-hybrid",
		"root.dry-dead leaf.dropping-fast", ""},
	{"leaf tips brown, roots poke out of the pot, I have not repotted in 4 years", "",
		"leaf.tips-brown root.out-of-pot root.circling", ""},
	{"brown raised bumps on leaves, can be scraped off", "", "pest.scale-bumps", ""},
	{"I can't find any mealybugs or scale, leaves are clean", "", "", "pest.cotton pest.scale-bumps"},
	{"it gets morning sun", "", "", ""},
	{"the spathe of my anthurium is green", "anthurium-andraeanum", "", ""},
	{"my monstera deliciosa stands beside a dracena", "monstera-deliciosa", "", ""},
	{"I cut off all the roots", "", "root.few-live", ""},
	{"my cutting has no roots after 2 months", "", "root.few-live", ""},
	{"cutting rotted at the bottom", "", "stem.soft-brown", ""},
	{"the plant has fallen over and soil is out", "", "stem.leaning", ""},
	{"there is a hole in the trunk", "", "", ""},
	{"leaf tips are yellow", "", "leaf.tips-brown", ""},
	{"the soil has a green layer", "", "med.mould", ""},
	{"my ivy has fine webs", "hedera-helix", "pest.webbing", ""},
	{"my ZZ is limp", "zamioculcas-zamiifolia", "leaf.drooping", ""},
	{"Christmas cactus dropping segments and limp", "schlumbergera-truncata", "leaf.dropping-fast leaf.drooping", ""},
	{"my fiddle leaf fig is dropping leaves, so have the plants beside it", "ficus-lyrata",
		"leaf.dropping-fast course.neighbours", ""},
	{"the fern by the door is crispy at the edges, soil bone dry", "", "leaf.edges-brown med.dry-through", ""},
	{"soil is hard and cracked, leaves curling", "", "med.dense leaf.curled-in", ""},
	{"there are woodlice under the pot of my aloe", "aloe-vera", "", ""},
	{"snake plant leaning over and soft near the soil", "dracaena-trifasciata", "stem.leaning stem.soft-brown", ""},
	{"the pothos is limp though it's wet", "epipremnum-aureum", "course.no-perk leaf.drooping med.wet-long", ""},
	{"my african violet has rings on the leaves after I watered with cold water", "saintpaulia-ionantha",
		"leaf.water-rings care.cold-water", ""},
	{"buds fell off my phal before opening after I brought it home", "phalaenopsis-hybrid",
		"flower.buds-lost course.after-move", ""},
	{"I see tiny red spiders, leaves are speckled", "", "pest.moving-dots leaf.stippling", ""},
	{"soil was dry all the way through, I forgot it for a month", "", "med.dry-through care.water-missed", ""},
	{"grey fuzz on the flowers and brown spots on the petals", "", "flower.mould-grey flower.petal-spots", ""},
	{"Got a phalaenopsis from my neighbour. Most of its roots are hollow, but the crown is green.", "phalaenopsis-hybrid",
		"root.dry-dead", ""},
	{"Hello! New here. My string of pearls looks flat, I water when the top inch is dry", "curio-rowleyanus",
		"leaf.wrinkled", ""},
	{"my snake plant's leaves are wrinkled and thin; I water it only once every two months", "dracaena-trifasciata",
		"leaf.wrinkled care.water-missed", ""},
	{"calathea, brown edges, no pests found", "calathea-orbifolia", "leaf.edges-brown",
		"pest.moving-dots pest.aphids pest.slender"},
	{"my cactus grew a thin pale top over winter", "", "leaf.stretched", ""},
}

func TestSentencesAreRead(t *testing.T) {
	right, read, wanted, kinds, named := 0, 0, 0, 0, 0
	for _, c := range readings {
		r := Read(c.said, plant.Kinds{})
		var got []string
		for _, s := range r.Present {
			got = append(got, s.Sign)
		}
		for _, absent := range r.Absent {
			got = append(got, "not "+absent)
		}
		want := strings.Fields(c.present)
		for _, absent := range strings.Fields(c.absent) {
			want = append(want, "not "+absent)
		}
		for _, g := range got {
			if slices.Contains(want, g) {
				right++
			} else {
				t.Logf("%s: read %s", c.said, g)
			}
		}
		read, wanted = read+len(got), wanted+len(want)
		if c.kind != "" {
			named++
			if len(r.Kind) > 0 && r.Kind[0] == c.kind {
				kinds++
			}
		} else {
			assert.Empty(t, r.Kind, c.said)
		}
	}
	t.Logf("%d right of %d read, %d wanted; %d of %d kinds", right, read, wanted, kinds, named)
	assert.GreaterOrEqual(t, float64(right), 0.90*float64(read), "precision")
	assert.GreaterOrEqual(t, float64(right), 0.90*float64(wanted), "recall")
	assert.GreaterOrEqual(t, float64(kinds), 0.90*float64(named))
}

// What is doubted, and what its words do not settle, is not sure.
func TestDoubtsStayDoubts(t *testing.T) {
	for said, sure := range map[string]bool{
		"brown tips":                           true,
		"maybe brown tips":                     false,
		"I think it has brown tips":            false,
		"it seems to have brown tips":          false,
		"it is going yellow":                   false,
		"I'm not sure, but the tips are brown": true,
	} {
		r := Read(said, plant.Kinds{})
		if assert.Len(t, r.Present, 1, said) {
			assert.Equal(t, sure, r.Present[0].Sure, said)
		}
	}
	r := Read("maybe mealybugs, the leaves are sticky", plant.Kinds{})
	assert.Equal(t, []Seen{{"pest.cotton", false}, {"leaf.sticky", true}}, r.Present)
}

// Nothing is both there and not there, nothing twice, and no text stops it.
func TestReadingHoldsTogether(t *testing.T) {
	r := rand.New(rand.NewPCG(21, 2))
	rows := table(t, "phrases.csv")
	between := []string{", ", " and ", " but no ", ". ", "; not ", " or ", " with ", "?", " maybe ", " since "}
	for range 400 {
		text := ""
		for range 1 + r.IntN(5) {
			text += rows[r.IntN(len(rows))][0] + between[r.IntN(len(between))]
		}
		got := Read(text, plant.Kinds{})
		seen := map[string]bool{}
		for _, s := range got.Present {
			assert.False(t, seen[s.Sign], text)
			seen[s.Sign] = true
		}
		for _, s := range got.Absent {
			assert.False(t, seen[s], text)
			seen[s] = true
		}
	}
	long := strings.Repeat("yellow ", 500)
	for _, odd := range []string{"", ",,,", "\x00\xff", "no", "not or and but", long, "مرحبا 你好"} {
		assert.NotPanics(t, func() { Read(odd, plant.Kinds{}) }, odd)
	}
}

func TestComplaintsMeanSigns(t *testing.T) {
	for _, c := range Complaints() {
		t.Logf("%s: %v", c.Said, c.Signs)
		assert.NotEmpty(t, c.Signs, c.Said)
	}
}
