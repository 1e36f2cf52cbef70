package compose

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// What facts that are seldom known put in or leave out, on both sides of each.
func TestWhatRareFactsDecide(t *testing.T) {
	for _, c := range []struct {
		what, before, has, lacks, after string
		op                              treatment.OperatorID
	}{
		{"no bag goes over what is more than 40 cm high",
			`{"kind":"spathiphyllum-wallisii","causes":["root-rot"],"on":"2026-06-15","answers":{"potWidthCm":12,"spanCm":20,`,
			`"heightCm":40`, `"heightCm":41`, `},"place":{"warmthC":20,"humidityPct":45}}`, treatment.CoverIt},
		{"open flowers without a spike go where mould sits in them",
			`{"kind":"hibiscus-rosa-sinensis","causes":["grey-mould"],"on":"2026-06-15","answers":{"moist":"right","spikes":0,`,
			`"flowers":true`, `"flowers":false`, `},"place":{"warmthC":20}}`, treatment.StripSpikes},
		{"twisted leaves stay on while rot lives",
			`{"kind":"ravenea-rivularis","causes":["broad-mite","black-rot"],"on":"2026-06-15","answers":{"moist":"right",`,
			`"rotAlive":false`, `"rotAlive":true`, `},"place":{"warmthC":20}}`, treatment.RemoveLeaves},
		{"a plantlet that was not seen is not taken today",
			`{"kind":"phragmipedium-besseae-hybrid","causes":["offset-drain"],"on":"2026-05-08","choices":{"plantlets":"now"},` +
				`"answers":{"moist":"right",`,
			`"plantlets":1`, `"plantlets":0`, `},"place":{"warmthC":20}}`, treatment.TakeOffset},
		{"what cannot drink and rests is not sprayed for leaf miners",
			`{"kind":"cissus-discolor","causes":["leaf-miner"],"on":"2026-12-27","answers":{"moist":"dry","deadRoots":20,` +
				`"liveRoots":0,"phase":"resting",`,
			`"limp":false`, `"limp":true`, `},"place":{"warmthC":26}}`, treatment.LabelDrug},
		{"a flush that the carer would like is none in a pot without a hole",
			`{"kind":"spathiphyllum-wallisii","causes":["salt-injury"],"on":"2026-06-15","choices":{"also":"flush"},` +
				`"answers":{"moist":"right",`,
			`"potHoles":true`, `"potHoles":false`, `},"place":{"warmthC":20}}`, treatment.Flush},
		{"no flower is cut where a larger pot is all that is wanted",
			`{"kind":"oncidium-hybrid","on":"2026-01-15","answers":{"spikes":2,"potWidthCm":12,"moist":"right","limp":true,` +
				`"liveRoots":9,"deadRoots":12},"place":{"warmthC":16},"causes":[`,
			`"old-leaf"`, `"pot-bound"`, `]}`, treatment.StripSpikes},
		{"no flower is cut for a wish",
			`{"kind":"oncidium-hybrid","on":"2026-01-15","answers":{"spikes":2,"potWidthCm":12,"moist":"right","limp":true,` +
				`"liveRoots":9,"deadRoots":12},"place":{"warmthC":16},"wish":"part"`,
			`,"causes":["old-leaf"]`, ``, `}`, treatment.StripSpikes},
		{"nothing rises from a dish into a pot without a hole",
			`{"kind":"spathiphyllum-wallisii","causes":["medium-repels"],"on":"2026-06-15","answers":{"moist":"dry",`,
			`"potHoles":true`, `"potHoles":false`, `},"place":{"warmthC":20}}`, treatment.BottomWater},
		{"what was watered too often dries first in a pot without a hole",
			`{"kind":"mammillaria-hahniana","on":"2026-04-17","answers":{"potHoles":false,"potWidthCm":9},` +
				`"place":{"warmthC":20},"causes":["drought"`,
			``, `,"overwatering"`, `]}`, treatment.FirstWater},
		{"leaves that thirst over dead roots bear no product",
			`{"kind":"dendrobium-latouria-hybrid","causes":["acidovorax"],"on":"2026-05-21","answers":{"moist":"dry",` +
				`"limp":true,"deadRoots":20,`,
			`"liveRoots":9`, `"liveRoots":0`, `},"place":{"warmthC":20}}`, treatment.LabelDrug},
		{"nor more light",
			`{"kind":"haworthia-attenuata","causes":["low-light"],"on":"2026-05-13","answers":{"moist":"dry",` +
				`"limp":true,"deadRoots":9,`,
			`"liveRoots":9`, `"liveRoots":0`, `},"place":{"warmthC":20}}`, treatment.Brighten},
		{"no bag goes over what keeps three quarters of its roots, stands firm, and has air that its kind bears",
			`{"kind":"philodendron-hederaceum","causes":["root-rot"],"on":"2026-06-15","answers":{"potWidthCm":6,` +
				`"spanCm":10,"limp":false,"moist":"dry","liveRoots":9,`,
			`"deadRoots":4`, `"deadRoots":3`, `},"place":{"warmthC":22,"humidityPct":40}}`, treatment.CoverIt},
		{"drier air than its kind bears asks for it all the same",
			`{"kind":"philodendron-hederaceum","causes":["root-rot"],"on":"2026-06-15","answers":{"potWidthCm":6,` +
				`"spanCm":10,"limp":false,"moist":"dry","liveRoots":9,"deadRoots":3},"place":{"warmthC":22,`,
			`"humidityPct":39`, `"humidityPct":40`, `}}`, treatment.CoverIt},
		{"a limp one is covered",
			`{"kind":"philodendron-hederaceum","causes":["root-rot"],"on":"2026-06-15","answers":{"potWidthCm":6,` +
				`"spanCm":10,"moist":"dry","liveRoots":9,"deadRoots":3,`,
			`"limp":true`, `"limp":false`, `},"place":{"warmthC":22,"humidityPct":40}}`, treatment.CoverIt},
		{"roots grown in water feed nothing yet",
			`{"kind":"philodendron-hederaceum","on":"2026-06-15","answers":{"potWidthCm":6,` +
				`"spanCm":10,"moist":"dry","liveRoots":9,"deadRoots":0,"limp":false},"place":{"warmthC":22,` +
				`"humidityPct":40},"causes":[`,
			`"water-roots"`, `"root-rot"`, `]}`, treatment.CoverIt},
		{"what lost most of its roots is not pruned for a wish",
			`{"kind":"philodendron-hederaceum","wish":"prune","on":"2026-06-15","answers":{"potWidthCm":6,"growths":6,` +
				`"limp":false,"moist":"right","liveRoots":5,`,
			`"deadRoots":5`, `"deadRoots":6`, `},"place":{"warmthC":22}}`, treatment.TrimBranch},
		{"a jewel gives no tips where what ails it travels with them",
			`{"kind":"dossinia-marmorata","on":"2026-07-08","answers":{"liveRoots":19,"deadRoots":3,"growths":3},` +
				`"place":{"warmthC":20},"causes":["medium-collapsed"`,
			``, `,"soft-rot"`, `]}`, treatment.TipCut},
	} {
		for answer, stands := range map[string]bool{c.has: true, c.lacks: false} {
			_, days := said(t, c.before+answer+c.after, c.op)
			today := len(days) > 0 && days[0] >= 0
			assert.Equal(t, stands, today, "%s: %s", c.what, answer)
		}
	}
}

// What is wished for waits while a top is rooted; a newcomer's feed waits until it is none; a plantlet that is parted
// while its mother is held dry drinks a day later.
func TestWhatWaitsForRareFacts(t *testing.T) {
	begonia := `{"kind":"begonia-bowerae","causes":["base-rot"],"wish":%q,"on":"2026-05-26","answers":{"moist":"right",
		"limp":true,"liveRoots":9,"deadRoots":2},"place":{"warmthC":22}}`
	for wish, left := range map[string]bool{"setup-change": true, "refresh": true, "part": true} {
		assert.Equal(t, left, strings.Contains(leftOut(t, fmt.Sprintf(begonia, wish), wish), "its top is taken off"), wish)
	}
	for came, waits := range map[int]bool{13: true, 14: false} {
		p, err := Plan(situationOf(t, fmt.Sprintf(`{"kind":"yucca-gigantea","causes":["micronutrient-low"],
			"on":"2026-06-25","answers":{"moist":"wet","limp":false,"liveRoots":9,"deadRoots":2,"newcomerDays":%d},
			"place":{"warmthC":22}}`, came)))
		require.NoError(t, err)
		for _, s := range p.Sittings {
			_, after := s.Gate.Since(facts.Planned)
			if s.Day == nil && s.Steps[0].Op == treatment.FeedIt {
				assert.Equal(t, waits, after, "came %d days ago", came)
			}
		}
	}
	for moist, day := range map[string]int{"wet": 1, "right": 0} {
		_, days := said(t, fmt.Sprintf(`{"kind":"maxillaria-tenuifolia","causes":["draught"],"on":"2026-05-29","answers":{
			"moist":%q,"plantlets":1,"limp":false,"growing":true},"choices":{"plantlets":"now"},
			"place":{"warmthC":22}}`, moist), treatment.FirstWater)
		require.NotEmpty(t, days, moist)
		assert.Equal(t, day, days[0], moist)
	}
}

// Where a pot has no hole, none smells.
func TestAPotWithoutAHoleIsSmelledFromAbove(t *testing.T) {
	for holes, where := range map[bool]string{true: "does the hole smell", false: "does its medium smell"} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"rhododendron-simsii","causes":["slug-snail"],"on":"2026-08-15","answers":{
			"moist":"wet","limp":true,"liveRoots":5,"deadRoots":12,"potHoles":%t},"place":{"warmthC":20}}`, holes),
			treatment.Look)
		assert.Contains(t, strings.Join(words, " "), where)
		emptied, _ := said(t, fmt.Sprintf(`{"kind":"thunia-marshalliana","causes":["overwatering"],"on":"2026-07-15",
			"answers":{"moist":"wet","potHoles":%t},"place":{"warmthC":22}}`, holes), treatment.DrainSaucer)
		require.NotEmpty(t, emptied)
		assert.Equal(t, holes, strings.Contains(emptied[0], "see that the holes are open"), emptied[0])
	}
}

// Tips of a limp plant that is thrown away stand in water before they are set; one that stays drinks first.
func TestLimpTipsDrinkBeforeTheyAreSet(t *testing.T) {
	for moist, drink := range map[string]bool{"bone": true, "right": false} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"pilea-involucrata","causes":["root-nematode"],"on":"2026-06-15",
			"answers":{"moist":%q,"limp":true,"liveRoots":9,"growths":3},"place":{"warmthC":24}}`, moist), treatment.TipCut)
		require.NotEmpty(t, words, moist)
		assert.Equal(t, drink, strings.Contains(words[0], "stand them in water"), moist)
	}
}

// What waits for its own roots is told that it gets no water until then, whatever else ails it; nothing is poured onto
// its dry medium, and salts are flushed out when it may drink.
func TestWhatWaitsForItsRootsStaysDry(t *testing.T) {
	const asleep = `{"kind":"thunia-marshalliana","causes":["thrips"],"on":"2026-08-23","answers":{"moist":"bone",
		"liveRoots":20,"deadRoots":2,"limp":%s,"phase":%q},"place":{"warmthC":17}}`
	for phase, held := range map[string]bool{"resting": true, "growing": false} {
		s := fmt.Sprintf(asleep, "true", phase)
		words, _ := said(t, s, treatment.HoldWater)
		assert.Equal(t, held, strings.Contains(strings.Join(words, " "), "Give no water until new roots of 3 cm."), phase)
		poured, _ := said(t, s, treatment.Nematodes)
		assert.Equal(t, held, len(poured) == 0, phase)
	}
	p, err := Plan(situationOf(t, `{"kind":"catasetum-fimbriatum","causes":["salt-injury","dormancy"],"on":"2026-11-01",
		"answers":{"moist":"wet","liveRoots":2,"deadRoots":14},"place":{"warmthC":20}}`))
	require.NoError(t, err)
	flushes := 0
	for _, s := range p.Sittings {
		for _, x := range s.Steps {
			if x.Op == treatment.Flush {
				flushes++
				waits := s.Gate.Sees(gate.NewRoot)
				assert.True(t, waits, "%v", s.Gate)
			}
		}
	}
	assert.Equal(t, 1, flushes)
}

// Of what is dry at rest nobody knows in its season whether it has its roots: found dry, it is watered when it has.
func TestWhatIsFoundDryIsWateredWhenItHasItsRoots(t *testing.T) {
	for moist, says := range map[string]bool{"bone": true, "due": true, "right": false, "wet": false} {
		words, days := said(t, fmt.Sprintf(`{"kind":"calanthe-vestita","causes":["breakage"],"on":"2026-06-15",
			"answers":{"moist":%q,"limp":false},"place":{"warmthC":22}}`, moist), treatment.ByRule)
		assert.Equal(t, says, strings.Contains(strings.Join(words, " "), "Now that it has roots"), moist)
		if says {
			assert.Equal(t, []int{-1}, days, moist)
		}
	}
}

// Water that comes again and again is over before the work on its roots, where it was to end before the cuts of that
// have closed.
func TestSipsEndBeforeTheWorkOnTheRoots(t *testing.T) {
	for _, causes := range []string{`"drought","water-roots"`, `"drought"`} {
		p, err := Plan(situationOf(t, `{"kind":"aechmea-fasciata","causes":[`+causes+`],"on":"2026-08-25","answers":{
			"mediumClass":"stones","potWidthCm":12,"rootBallCm":6},"place":{"warmthC":20}}`))
		require.NoError(t, err)
		opened, sips := 100, 0
		for _, s := range p.Sittings {
			for _, x := range s.Steps {
				if x.Op == treatment.Unpot {
					opened = *s.Day
				}
			}
		}
		for _, s := range p.Sittings {
			for _, x := range s.Steps {
				if x.Op != treatment.FirstWater || x.Every == 0 {
					continue
				}
				sips++
				last, dated := dayOf(x.Until)
				assert.True(t, dated && *s.Day == 0 && last > 0 && last < opened, "%s: day %d to %d", causes, *s.Day, last)
			}
		}
		assert.Equal(t, 1, sips, causes)
	}
}

// No room is aired on the day on which pieces go under a closed cover; it says what is done before.
func TestFruitGoesBeforeTheCover(t *testing.T) {
	for causes, aired := range map[string]bool{`"base-rot","ethylene"`: false, `"ethylene"`: true} {
		s := `{"kind":"goodyera-pubescens","causes":[` + causes + `],"on":"2026-05-24","answers":{"moist":"right",
			"liveRoots":3,"stemStain":3},"place":{"warmthC":24}}`
		words, _ := said(t, s, treatment.Air)
		assert.Equal(t, aired, strings.Contains(strings.Join(words, " "), "Take fruit"), causes)
		assert.Equal(t, !aired, strings.Contains(leftOut(t, s, string(treatment.Air)), "take fruit"), causes)
	}
}

// A series that ends within two weeks of the work on the roots ends the day before it; a longer one begins behind that.
func TestASeriesIsOverBeforeTheWorkOrBeginsBehindIt(t *testing.T) {
	const sat = 4
	for _, c := range []struct{ day, last, begins, ends, every int }{
		{0, 2, 0, 2, 2},                      // over before the work anyway
		{0, 3, 0, 3, 2},                      // the day before it
		{0, sat, 0, 3, 2},                    // on its day: it ends before
		{0, sat + settledDays, 0, 3, 2},      // still within the two weeks
		{2, sat + 1, 2, -1, 0},               // one time of it is left
		{0, sat + settledDays + 1, 19, 0, 2}, // a day longer: it begins behind them
	} {
		x := laid(t, `{"kind":"aechmea-fasciata","causes":["drought"],"on":"2026-06-15"}`)
		x.root, x.sat = &rootWork{}, sat
		p := plain{day: c.day, step: do(treatment.FirstWater, every(2, toDay(c.last)))}
		assert.False(t, x.overBefore(&p), "%+v", c)
		assert.Equal(t, c.begins, p.day, "%+v", c)
		assert.Equal(t, c.every, p.step.Every, "%+v", c)
		if last, dated := dayOf(p.step.Until); c.ends > 0 {
			assert.True(t, dated, "%+v", c)
			assert.Equal(t, c.ends, last, "%+v", c)
		}
	}
	x := laid(t, `{"kind":"aechmea-fasciata","causes":["drought"],"on":"2026-06-15"}`)
	x.root, x.sat = &rootWork{}, sat
	late := plain{day: sat, step: do(treatment.FirstWater, every(2, toDay(sat+2)))}
	assert.True(t, x.overBefore(&late), "nothing of it comes before the work")
}
