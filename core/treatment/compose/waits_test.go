package compose

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

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
