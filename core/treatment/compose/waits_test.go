package compose

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// A cactus in flower whose roots cannot wait is unpotted at once, though it would rest when the last flower is over;
// one that can wait rests first.
func TestFlowersDoNotSendWhatCannotWaitToSleep(t *testing.T) {
	for few, today := range map[bool]bool{true: true, false: false} {
		day := dayOfFirst(t, fmt.Sprintf(`{"kind":"gymnocalycium-mihanovichii","causes":["pot-bound"],
			"on":"2026-10-27","answers":{"moist":"wet","potWidthCm":20,"rootBallCm":10,"spikes":2,"fewRoots":%t},
			"choices":{"spikes":"keep"},"place":{"warmthC":20}}`, few), treatment.Unpot)
		assert.Equal(t, today, day == 0, few)
	}
}

// A wish for another seat waits where no live root was counted, whatever else was accepted; with a root it does not.
func TestAWishIsForWhatHasRoots(t *testing.T) {
	for live, waits := range map[int]bool{0: true, 12: false} {
		why := leftOut(t, fmt.Sprintf(`{"kind":"platycerium-bifurcatum","causes":["softened-water"],
			"wish":"setup-change","on":"2026-06-23","answers":{"moist":"right","potWidthCm":20,"liveRoots":%d,"deadRoots":5,
			"newcomerDays":200},"choices":{"aim":"S5"},"place":{"warmthC":22}}`, live), "setup-change")
		assert.Equal(t, waits, strings.Contains(why, "no live root was counted"), "%d: %s", live, why)
	}
}

// What is without roots of its own gets no more light before it grows; what stands on roots gets it today.
func TestAPieceRootsInShade(t *testing.T) {
	for causes, today := range map[string]bool{`"low-light","detached"`: false, `"low-light"`: true} {
		_, days := said(t, fmt.Sprintf(`{"kind":"curio-rowleyanus","causes":[%s],"on":"2026-05-01",
			"answers":{"growths":6,"moist":"right","limp":false},"place":{"warmthC":22}}`, causes), treatment.Brighten)
		assert.Equal(t, today, len(days) > 0 && days[0] == 0, causes)
	}
}

// Whose top is taken off and rooted changes no seat beside it.
func TestATopChangesNoSeat(t *testing.T) {
	s := `{"kind":"nematanthus-gregarius","causes":["base-rot"],"wish":"setup-change","on":"2026-06-08",
		"answers":{"moist":"wet","plug":true,"plantlets":3,"spanCm":10,"limp":true,"flowers":true},
		"place":{"warmthC":12,"humidityPct":65}}`
	assert.Contains(t, leftOut(t, s, "setup-change"), "what stands on roots of its own")
	ready, _ := said(t, s, treatment.ReadyPot)
	for _, w := range ready {
		assert.NotContains(t, w, "measure the live ball")
	}
}

// Where the predators that were wished for are not used, a product meets the thrips in the medium that dries first.
func TestThripsInTheSoilWithoutPredators(t *testing.T) {
	_, days := said(t, `{"kind":"pachypodium-lamerei","causes":["springtail","thrips"],"on":"2027-01-10",
		"answers":{"moist":"dry","limp":false,"liveRoots":13,"deadRoots":14},"choices":{"pestFirst":"predators"},
		"place":{"warmthC":14,"humidityPct":75}}`, treatment.LabelDrug)
	assert.NotEmpty(t, days)
}

// Bare roots that rest keep their line for water, though none was found alive: its rescue is asked for beside it.
func TestBareRootsAtRestHaveTheirLineForWater(t *testing.T) {
	s := `{"kind":"renanthera-hybrid","causes":[%s],"on":"2027-01-20","answers":{"liveRoots":0,"deadRoots":15},
		"place":{"warmthC":26}}`
	rests, _ := said(t, fmt.Sprintf(s, `"dormancy"`), treatment.ByRule)
	assert.Len(t, rests, 1)
	other, _ := said(t, fmt.Sprintf(s, `"edema"`), treatment.ByRule)
	assert.Empty(t, other)
}

// The sound pieces of what rots at its base are its rescue: none other is asked for, and they are taken from what
// thirsts too.
func TestPiecesAreTheRescueOfARottenBase(t *testing.T) {
	s := `{"kind":"schlumbergera-truncata","causes":["dormancy","base-rot"],"on":"2026-05-06","answers":{"moist":"bone",
		"limp":true,"potWidthCm":8,"rootBallCm":7,"liveRoots":0,"deadRoots":18,"leaves":9},"place":{"warmthC":18}}`
	taken, _ := said(t, s, treatment.TipCut)
	assert.NotEmpty(t, taken)
	assert.Empty(t, leftOut(t, s, "unpot"))
}

// A piece is not divided, whatever asks for it.
func TestAPieceIsNotDivided(t *testing.T) {
	s := `{"kind":"alocasia-reginula","causes":["congested"],"on":"2026-06-16","answers":{"moist":"right","growths":8,
		"potWidthCm":12,"piece":%t},"place":{"warmthC":22}}`
	for piece, parts := range map[bool]int{true: 0, false: 1} {
		words, _ := said(t, fmt.Sprintf(s, piece), treatment.PartIt)
		assert.Len(t, words, parts, piece)
	}
}

// What is too wet to be flushed today, and is renewed as soon as it stands warm enough, is not flushed.
func TestNoFlushBeforeAFreshMix(t *testing.T) {
	s := `{"kind":"philodendron-gloriosum","causes":["salt-injury","no-drainage"],"on":"2026-07-29","answers":{
		"moist":"wet","potWidthCm":18,"liveRoots":11,"deadRoots":15,"rootBallCm":15,"limp":true},"place":{"warmthC":%d}}`
	assert.Equal(t, "the fresh mix does it", leftOut(t, fmt.Sprintf(s, 12), "flush"))
}

// Rot that was found and not accepted is not fed.
func TestLivingRotIsNotFed(t *testing.T) {
	s := `{"kind":"monstera-deliciosa","causes":["nitrogen-low"],"on":"2026-06-01","answers":{"moist":"right",
		"rotAlive":%t},"place":{"warmthC":20}}`
	for rots, fed := range map[bool]bool{true: false, false: true} {
		words, _ := said(t, fmt.Sprintf(s, rots), treatment.FeedIt)
		assert.Equal(t, fed, len(words) > 0, rots)
	}
}

// A limp piece on a slab is dipped like any other bare roots.
func TestALimpPieceOnASlabIsDipped(t *testing.T) {
	for limp, dipped := range map[bool]bool{true: true, false: false} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"odontoglossum-hybrid","causes":["nectar"],"on":"2026-05-06","answers":
			{"seat":"mount","moist":"dry","piece":true,"limp":%t},"place":{"warmthC":22}}`, limp), treatment.Soak)
		assert.Equal(t, dipped, len(words) > 0, limp)
	}
}

// What was counted dead was out of its pot: it is not slid out once more to look.
func TestCountedRootsAreNotLookedAtAgain(t *testing.T) {
	s := `{"kind":"phalaenopsis-bellina","causes":["micronutrient-low"],"on":"2026-06-15","answers":{"moist":"due",
		"potWidthCm":12,"liveRoots":%d,"deadRoots":12},"place":{"warmthC":20}}`
	for live, slides := range map[int]bool{0: false, 1: true} {
		words, _ := said(t, fmt.Sprintf(s, live), treatment.SlideLook)
		assert.Equal(t, slides, len(words) > 0, live)
	}
}

// A carnivore that stands in no tray is soaked like any pot.
func TestOnlyTrayPlantsStandInTheirWater(t *testing.T) {
	for kind, tray := range map[string]bool{"sarracenia-hybrid": true, "nepenthes-hybrid": false} {
		words := firstWords(t, fmt.Sprintf(`{"kind":%q,"causes":["drought"],"on":"2026-06-15","answers":{"moist":"dry",
			"limp":true,"liveRoots":9,"deadRoots":0,"potWidthCm":12},"place":{"warmthC":20}}`, kind), treatment.Soak)
		assert.Equal(t, tray, strings.Contains(words, "1 to 2 cm"), words)
		assert.Contains(t, words, "low-mineral")
	}
}

// No pieces are taken for a wish outside its range of warmth, nor is a plant divided most of whose roots were dead:
// both are asked for again.
func TestWishesThatWait(t *testing.T) {
	warm := `{"kind":"carmona-retusa","wish":"propagate","on":"2026-04-15","answers":{"moist":"right","growths":6},
		"place":{"warmthC":%d}}`
	for warmth, waits := range map[int]bool{30: false, 31: true} {
		why := leftOut(t, fmt.Sprintf(warm, warmth), "propagate")
		assert.Equal(t, waits, strings.Contains(why, "too warm or too cold"), "%d: %s", warmth, why)
	}
	roots := `{"kind":"cattleya-coccinea","wish":"part","on":"2026-06-15","answers":{"moist":"dry","growths":6,
		"potWidthCm":12,"liveRoots":%d,"deadRoots":12,"liveTips":2,"newcomerDays":200},"place":{"warmthC":24}}`
	for live, waits := range map[int]bool{11: true, 12: false} {
		why := leftOut(t, fmt.Sprintf(roots, live), "part")
		assert.Equal(t, waits, strings.Contains(why, "grows on new ones"), "%d: %s", live, why)
		parts, _ := said(t, fmt.Sprintf(roots, live), treatment.PartIt)
		assert.Equal(t, !waits, len(parts) > 0, live)
	}
	looks, _ := said(t, fmt.Sprintf(roots, 2), treatment.Look)
	assert.Contains(t, strings.Join(looks, " "), "may it be divided now?")
}

// Where nothing may be saved of what travels, no home for a piece is laid out.
func TestNoHomeForAPieceThatIsNotTaken(t *testing.T) {
	for cause, saved := range map[string]bool{"black-rot": false, "base-rot": true} {
		s := `{"kind":"streptocarpus-saxorum","causes":["` + cause + `"],"on":"2026-07-15","answers":{"moist":"wet",
			"growths":6,"potWidthCm":6,"liveRoots":18,"deadRoots":12},"place":{"warmthC":24}}`
		taken, _ := said(t, s, treatment.Insurance)
		assert.Equal(t, saved, len(taken) > 0, cause)
		ready, _ := said(t, s, treatment.BoxTally)
		assert.Equal(t, saved, len(ready) > 0, cause)
	}
}

// A pup of an air plant gets no water by the spoon.
func TestAPupInTheAirGetsNoSpoonOfWater(t *testing.T) {
	words, _ := said(t, `{"kind":"tillandsia-usneoides","causes":["offset-drain"],"on":"2026-05-15",
		"answers":{"moist":"right"},"place":{"warmthC":20,"humidityPct":60}}`, treatment.FirstWater)
	assert.Empty(t, words)
}

// A pot that is due gets its water from below today, before it is washed, where its top is to dry for gnats.
func TestADuePotWithGnatsDrinksToday(t *testing.T) {
	s := `{"kind":"strelitzia-nicolai","causes":["mealybug","fungus-gnat"],"on":"2026-08-15","answers":{"limp":true,
		"moist":%q,"potWidthCm":12,"liveRoots":18,"deadRoots":12},"place":{"warmthC":24}}`
	for moist, today := range map[string]bool{"due": true, "right": false} {
		words := firstWords(t, fmt.Sprintf(s, moist), treatment.DryTop)
		assert.Equal(t, today, strings.HasPrefix(words, "It is due: water it from below now"), words)
	}
	p, err := Plan(situationOf(t, fmt.Sprintf(s, "due")))
	require.NoError(t, err)
	var order []treatment.OperatorID
	for _, x := range p.Sittings[0].Steps {
		if x.Op == treatment.DryTop || x.Op == treatment.WashDown {
			order = append(order, x.Op)
		}
	}
	assert.Equal(t, []treatment.OperatorID{treatment.DryTop, treatment.WashDown}, order)
}

// Pieces that are wished for are no rescue of what has no live root: that is asked for beside them.
func TestWishedPiecesAreNoRescue(t *testing.T) {
	why := leftOut(t, `{"kind":"dischidia-nummularia","causes":["micronutrient-low"],"wish":"propagate",
		"on":"2026-08-15","answers":{"moist":"soaked","limp":true,"growths":6,"potWidthCm":12,"liveRoots":0,
		"deadRoots":12},"place":{"warmthC":22}}`, "unpot")
	assert.Contains(t, why, "no live root was counted")
}

// What stores water dries first in a jar too.
func TestADryKindInAJarDriesFirst(t *testing.T) {
	for kind, held := range map[string]bool{"haworthia-cooperi": true, "pilea-cadierei": false} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":["stress-colour"],"on":"2026-06-15","answers":{"seat":"jar",
			"moist":"soaked"},"place":{"warmthC":22}}`, kind), treatment.HoldWater)
		assert.Equal(t, held, len(words) > 0, kind)
	}
}
