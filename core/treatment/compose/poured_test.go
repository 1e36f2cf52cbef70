package compose

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/state"
	"tendermend/core/treatment"
)

// fedOf gives the words of what is poured for feeding, the day of each (none where it waits) and
// what its sitting waits for.
func fedOf(t *testing.T, situation string) (words []string, days []int, waits []string, p treatment.Plan) {
	t.Helper()
	p, err := Plan(situationOf(t, situation))
	require.NoError(t, err)
	for _, s := range p.Sittings {
		for _, x := range s.Steps {
			if x.Op != treatment.FeedIt && x.Op != treatment.Supplement {
				continue
			}
			words, waits = append(words, x.Words), append(waits, s.Gate.Words())
			if s.Day != nil {
				days = append(days, *s.Day)
			}
		}
	}
	return words, days, waits, p
}

// What was found wet is fed when it wants water again, and not onto its wet medium; of two doses
// of a salt one is left. What never dries is fed as it stands.
func TestNothingIsPouredOntoAWetPot(t *testing.T) {
	for _, c := range []struct {
		kind, cause, moist string
		doses              int
		waits              bool
	}{
		{"monstera-deliciosa", "nitrogen-low", "wet", 1, true},
		{"monstera-deliciosa", "nitrogen-low", "soaked", 1, true},
		{"monstera-deliciosa", "nitrogen-low", "right", 1, false},
		{"monstera-deliciosa", "magnesium-low", "wet", 1, true},
		{"monstera-deliciosa", "magnesium-low", "right", 2, false},
		{"adiantum-raddianum", "magnesium-low", "wet", 2, false}, // never dry
	} {
		of := fmt.Sprintf(`{"kind":%q,"causes":[%q],"on":"2026-06-15","answers":{"moist":%q,"potWidthCm":14},
			"place":{"warmthC":20}}`, c.kind, c.cause, c.moist)
		words, days, waits, p := fedOf(t, of)
		assert.Len(t, words, c.doses, of)
		if c.waits {
			assert.Empty(t, days, of)
			assert.Contains(t, waits[0], "as dry as it likes", of)
			assert.Contains(t, words[0], "Water it, and then", of)
		} else {
			assert.Len(t, days, c.doses, of)
			assert.NotContains(t, words[0], "Water it", of)
		}
		one := slices.ContainsFunc(p.LeftOut, func(l treatment.LeftOut) bool { return strings.Contains(l.Why, "one dose") })
		assert.Equal(t, c.cause == "magnesium-low" && c.waits, one, of)
	}
}

// What hangs with bare roots once they were worked on has no medium: nothing is poured into one,
// and none is waited for.
func TestBareRootsHaveNoMedium(t *testing.T) {
	const grubs = `{"kind":%q,"causes":["root-grub"],"on":"2026-03-15","answers":{"limp":true,"moist":"dry",
		"potWidthCm":26,"liveRoots":5,"deadRoots":3},"place":{"warmthC":20}}`
	words, _, waits, p := fedOf(t, fmt.Sprintf(grubs, "renanthera-hybrid"))
	require.Len(t, words, 1)
	assert.Contains(t, words[0], "Wet its roots until they are green, and then feed them")
	assert.NotContains(t, waits[0], "moist")
	assert.False(t, planHas(p, treatment.Nematodes))
	assert.True(t, planHas(p, treatment.Hang))
	moves, _, _, p := fedOf(t, `{"kind":"vanda-hybrid","wish":"setup-change","on":"2026-06-10",
		"answers":{"moist":"right","seat":"hung","liveTips":3},"place":{"warmthC":22,"humidityPct":60}}`)
	assert.True(t, planHas(p, treatment.SetReservoir))
	assert.Contains(t, strings.Join(moves, " "), "onto moist medium", "it hangs no longer")
	potted, _, waits, p := fedOf(t, fmt.Sprintf(grubs, "monstera-deliciosa"))
	assert.Contains(t, potted[0], "onto moist medium")
	assert.Contains(t, waits[0], "its medium is moist again")
	assert.True(t, planHas(p, treatment.Nematodes))
}

func planHas(p treatment.Plan, op treatment.OperatorID) bool {
	return slices.ContainsFunc(p.Sittings, func(s treatment.Sitting) bool { return has(s.Steps, op) })
}

// A kind whose first water waits for roots is not watered in the months of its rest where nobody
// saw it grow; it is where it was seen to, or in the months in which it grows.
func TestNobodyWatersWhatMayRest(t *testing.T) {
	for _, c := range []struct {
		on, more string
		waits    bool
	}{
		{"2026-12-15", ``, true},
		{"2026-12-15", `,"growing":true`, false},
		{"2026-12-15", `,"newRootsCm":8`, false},
		{"2026-12-15", `,"newRootsCm":7.9`, true},
		{"2026-06-15", ``, false},
	} {
		p, err := Plan(situationOf(t, fmt.Sprintf(`{"kind":"catasetum-fimbriatum","causes":["ph-off"],"on":%q,
			"answers":{"moist":"right","newcomerDays":2,"potWidthCm":6%s},"place":{"warmthC":20}}`, c.on, c.more)))
		require.NoError(t, err)
		first := slices.IndexFunc(p.Sittings, func(s treatment.Sitting) bool { return has(s.Steps, treatment.FirstWater) })
		require.GreaterOrEqual(t, first, 0, c)
		assert.Equal(t, c.waits, strings.Contains(p.Sittings[first].Gate.Words(), "new roots of 8 cm"), "%v", c)
		meanwhile := strings.Contains(p.Sittings[0].Steps[2].Words, "without water")
		assert.Equal(t, c.waits, meanwhile, "%v: %s", c, p.Sittings[0].Steps[2].Words)
	}
}

// Sips are for what has few live roots: what has half of them and more drinks by its rule.
func TestSipsAreForFewRoots(t *testing.T) {
	for live, sips := range map[int]bool{10: false, 9: true} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"dendrobium-loddigesii","causes":["fusarium"],"on":"2026-02-15",
			"answers":{"moist":"bone","potWidthCm":26,"liveRoots":%d,"deadRoots":10},"place":{"warmthC":16}}`, live),
			treatment.ByRule)
		assert.Equal(t, sips, strings.Contains(strings.Join(words, " "), "sip of 20 ml"), "%d: %v", live, words)
	}
}

// What a plan leaves out is told as this plan is: nothing is said to be washed that is not, and
// nothing to hang that stands firm.
func TestWhatIsLeftOutIsToldAsItIs(t *testing.T) {
	const hot = `{"kind":%q,"causes":%s,"on":"2026-05-15",
		"answers":{"moist":"right"},"place":{"warmthC":31}}`
	assert.Contains(t, leftOut(t, fmt.Sprintf(hot, "ceropegia-woodii", `["mealybug"]`), "products"), "washed on the clock")
	assert.Contains(t, leftOut(t, fmt.Sprintf(hot, "cymbidium-aloifolium",
		`["petal-blight","broad-mite"]`), "products"), "where it is cooler")
	const wet = `{"kind":"anthurium-scherzerianum","causes":["drought"],"on":"2026-06-15",
		"answers":{"moist":"wet","limp":%t},"place":{"warmthC":20}}`
	assert.Contains(t, leftOut(t, fmt.Sprintf(wet, true), "soak"), "hangs for something else")
	assert.Contains(t, leftOut(t, fmt.Sprintf(wet, false), "soak"), "it has had water")
	assert.NotContains(t, leftOut(t, fmt.Sprintf(wet, false), "soak"), "hangs")
}

// What hangs limp in the wet waits for its work under a look every three days; a pot without a hole
// is tipped, and what is dry through and gets half drinks it today.
func TestWhatWaitsIsEmptiedAndLookedAt(t *testing.T) {
	const hot = `{"kind":"hedera-helix","causes":[%q],"on":"2026-07-15","answers":{"limp":%t,"moist":%q,"potWidthCm":26,
		"liveRoots":9,"deadRoots":3},"place":{"warmthC":31}}`
	for limp, every := range map[bool]string{true: "every 3 days until", false: "every week until"} {
		words, _ := said(t, fmt.Sprintf(hot, "medium-collapsed", limp, "wet"), treatment.Look)
		looks := strings.Join(words, " ")
		assert.Contains(t, looks, every)
		assert.Equal(t, limp, strings.Contains(looks, "smell sour"), "its pot is opened when it is cooler")
		assert.NotContains(t, looks, "Still as limp", "it is looked at as often anyway")
	}
	tips, days := said(t, fmt.Sprintf(hot, "no-drainage", true, "wet"), treatment.DrainSaucer)
	assert.Contains(t, tips[0], "tip the pot")
	assert.Equal(t, 0, days[0])
	assert.Contains(t, tips[len(tips)-1], "see that the holes are open", "its new pot has some")
	holes, _ := said(t, fmt.Sprintf(hot, "medium-collapsed", true, "wet"), treatment.DrainSaucer)
	assert.NotContains(t, holes[0], "tip the pot")
	for moist, now := range map[string]bool{"bone": true, "right": false} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"hypoestes-phyllostachya","causes":["water-roots"],"on":"2026-03-15",
			"answers":{"moist":%q,"newcomerDays":2,"potWidthCm":18,"liveRoots":9,"deadRoots":12},"place":{"warmthC":31}}`,
			moist), treatment.ByRule)
		assert.Equal(t, now, strings.Contains(words[0], "half of the usual amount now"), words[0])
		assert.Contains(t, strings.ToLower(words[0]), "water it with half of the usual amount when")
	}
}

// What waits for an offset to be ripe does not wait unseen: it hangs limp, and nobody knows why.
func TestALimpMotherIsSmelledBeforeHerOffsetIsRipe(t *testing.T) {
	for limp, smelled := range map[bool]bool{true: true, false: false} {
		words, days := said(t, fmt.Sprintf(`{"kind":"ledebouria-socialis","causes":["offset-drain"],"on":"2026-04-15",
			"answers":{"limp":%t,"moist":"right","potWidthCm":9},"place":{"warmthC":20}}`, limp), treatment.Look)
		assert.Equal(t, smelled, strings.Contains(words[0], "smell sour") && days[0] == 0, words[0])
	}
}

// Fresh mix is the mix it grew in: a moth orchid stays in bark, or in moss where it grew in that, and
// a vanda that hangs goes on hanging. Another way of growing is the carer's choice.
func TestFreshMixIsNoOtherWayOfGrowing(t *testing.T) {
	for answers, op := range map[string]treatment.OperatorID{
		`"potWidthCm":12`:                        treatment.PotIn,
		`"potWidthCm":12,"mediumClass":"bark"`:   treatment.PotIn,
		`"potWidthCm":12,"mediumClass":"moss"`:   treatment.WrapMoss,
		`"potWidthCm":12,"seat":"reservoir"`:     treatment.SetReservoir,
		`"potWidthCm":12,"mediumClass":"soil"`:   treatment.PotIn,
		`"potWidthCm":12,"spikes":0,"limp":true`: treatment.PotIn,
	} {
		p, err := Plan(situationOf(t, fmt.Sprintf(`{"kind":"phalaenopsis-hybrid","wish":"refresh","on":"2026-05-10",
			"answers":{"moist":"dry","spikes":0,%s},"place":{"warmthC":21,"humidityPct":60}}`, answers)))
		require.NoError(t, err)
		assert.True(t, planHas(p, op), "%s: %s", answers, op)
	}
	hung, err := Plan(situationOf(t, `{"kind":"vanda-hybrid","wish":"refresh","on":"2026-05-10",
		"answers":{"moist":"dry","seat":"hung"},"place":{"warmthC":21,"humidityPct":60}}`))
	require.NoError(t, err)
	assert.True(t, planHas(hung, treatment.Hang))
}

// The saucer is emptied after the first water, whenever that comes.
func TestTheSaucerIsEmptiedAfterTheFirstWater(t *testing.T) {
	p, err := Plan(situationOf(t, `{"kind":"zamioculcas-zamiifolia","wish":"propagate","on":"2026-03-10",
		"answers":{"moist":"right","potWidthCm":15},"place":{"warmthC":21}}`))
	require.NoError(t, err)
	first := 0
	for _, s := range p.Sittings {
		water := slices.IndexFunc(s.Steps, func(x step) bool { return x.Op == treatment.FirstWater })
		saucer := slices.IndexFunc(s.Steps, func(x step) bool { return x.Op == treatment.DrainSaucer })
		if water >= 0 {
			first++
			assert.Equal(t, water+1, saucer)
		} else {
			assert.Negative(t, saucer, "none before")
		}
	}
	assert.Equal(t, 1, first)
}

// A change into clay waits for a growing tip, and not for another way of growing: only a moth orchid
// in a warm room grows roots all year. What is refused is told without codes.
func TestAWishedChangeWaitsForTips(t *testing.T) {
	const change = `{"kind":%q,"wish":"setup-change","on":"2026-12-10","answers":{"moist":"dry","potWidthCm":12,
		"spikes":0%s},"place":{"warmthC":%g,"humidityPct":45}}`
	for _, c := range []struct {
		kind, tips string
		warmth     float64
		waits      bool
	}{
		{"cattleya-labiata", "", 21, true},
		{"cattleya-labiata", `,"liveTips":0`, 21, true},
		{"cattleya-labiata", `,"liveTips":2`, 21, false},
		{"phalaenopsis-hybrid", "", 21, false},
		{"phalaenopsis-hybrid", "", 18, false},
	} {
		p, err := Plan(situationOf(t, fmt.Sprintf(change, c.kind, c.tips, c.warmth)))
		require.NoError(t, err)
		assert.Equal(t, treatment.ClayPot, p.School, "%v", c)
		set := slices.IndexFunc(p.Sittings, func(s treatment.Sitting) bool { return has(s.Steps, treatment.SetReservoir) })
		require.GreaterOrEqual(t, set, 0, "%v", c)
		assert.Equal(t, c.waits, strings.Contains(p.Sittings[set].Gate.Words(), "tip"), "%v", c)
	}
	none := fmt.Sprintf(change, "cattleya-labiata", `,"liveTips":0,"liveRoots":0,"deadRoots":5`, 21.0)
	assert.Contains(t, leftOut(t, none, "setup-change"), "no live root", "that does not pass by waiting for a tip")
	lost := strings.Replace(none, `"wish"`, `"causes":["dry-root-loss"],"wish"`, 1)
	assert.Equal(t, "it has no root to drink with", leftOut(t, lost, "school S5"))
	cold := leftOut(t, fmt.Sprintf(change, "phalaenopsis-hybrid", "", 17.9), "school S5")
	assert.Equal(t, "the room is under 18 °C", cold)
}

// Feed is held from a wet pot for two weeks: by then it has wanted water.
func TestAWetPotIsFedAgainAfterTwoWeeks(t *testing.T) {
	c := laid(t, `{"kind":"monstera-deliciosa","causes":["nitrogen-low"],"on":"2026-06-15",
		"answers":{"moist":"wet","potWidthCm":14},"place":{"warmthC":20}}`)
	for day, wet := range map[int]bool{0: true, driesBy: true, driesBy + 1: false} {
		h := here{world: &world{Plant: state.Plant{LiftedOn: never}, c: c, day: day}, step: do(treatment.FeedIt)}
		assert.Equal(t, wet, h.onWet(), day)
	}
	assert.Equal(t, 14, driesBy)
}

// What is watered by no dryness, by its roots, cup or tray, is never watered "as its kind likes it", and no stick is
// pushed into what has none.
func TestWaterWithoutADrynessSaysHow(t *testing.T) {
	for _, c := range []struct{ kind, cause, month, want string }{
		{"vanda-mini-hybrid", "uneven-water", "06", "until they are green, and again as soon as they have dried."},
		{"billbergia-nutans", "uneven-water", "06", "Keep a little fresh water in its cup, and the medium only just moist."},
		{"cyperus-alternifolius", "uneven-water", "06", "Keep its tray filled to 1 to 2 cm."},
		{"rhynchostylis-gigantea", "dormancy", "12", "While it rests, wet its roots lightly in the morning"},
		{"cyperus-alternifolius", "dormancy", "12", "While it rests, keep its tray filled to no more than 1 cm."},
		{"rhyncholaelia-digbyana", "dormancy", "12", "While it rests, water it lightly when it is dry through"},
		{"renanthera-hybrid", "soft-rot", "06", "as soon as they have dried"},
	} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":[%q],"on":"2026-%s-15","answers":{"moist":"right"},
			"place":{"warmthC":22}}`, c.kind, c.cause, c.month), treatment.ByRule)
		all := strings.Join(words, " ")
		assert.Contains(t, all, c.want, c.kind)
		assert.NotContains(t, all, "as its kind likes it", c.kind)
		assert.NotContains(t, all, "Again every", c.kind)
	}
}

// A medium that is dry through is wetted before it is flushed; one that is only dry is not.
func TestADryMediumIsWettedBeforeAFlush(t *testing.T) {
	for moist, wetted := range map[string]bool{"bone": true, "dry": false} {
		words := firstWords(t, fmt.Sprintf(`{"kind":"strelitzia-reginae","causes":["water-quality"],"on":"2026-06-15",
			"answers":{"limp":false,"moist":%q,"potWidthCm":18},"place":{"warmthC":22}}`, moist), treatment.Flush)
		assert.Equal(t, wetted, strings.HasPrefix(words, "It is dry through: wet it"), words)
	}
}

// What is held until it is due is told once how it is watered then: flushed first, with the better water.
func TestWaterAfterAHoldIsSaidOnce(t *testing.T) {
	p, err := Plan(situationOf(t, `{"kind":"asparagus-setaceus","causes":["overwatering","water-quality"],
		"on":"2026-12-15","answers":{"limp":false,"moist":"right","potWidthCm":18},"place":{"warmthC":22}}`))
	require.NoError(t, err)
	var rules []treatment.Step
	for _, s := range p.Sittings {
		for i, x := range s.Steps {
			if x.Op == treatment.ByRule {
				rules = append(rules, x)
				assert.Nil(t, s.Day)
				assert.Equal(t, treatment.Flush, s.Steps[i-1].Op)
			}
		}
	}
	require.Len(t, rules, 1)
	assert.Contains(t, rules[0].Words, "low-mineral")
}
