package compose

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/treatment"
)

// What waits and is sound, but was found too dry, drinks today: "as ever" would leave it dry.
func TestWhatWaitsDryDrinksToday(t *testing.T) {
	for moist, drinks := range map[string]bool{"bone": true, "dry": true, "due": false, "right": false} {
		words, days := said(t, `{"kind":"zantedeschia-aethiopica","wish":"propagate","on":"2026-10-15","answers":{
			"limp":false,"moist":"`+moist+`","newcomerDays":30,"spikes":1,"growths":6,"potWidthCm":18,"liveRoots":18,
			"deadRoots":3},"place":{"warmthC":20}}`, treatment.ByRule)
		now := len(words) > 0 && days[0] == 0 && strings.Contains(words[0], "water it now")
		assert.Equal(t, drinks, now, "%s: %v", moist, words)
	}
}

// On a slab nothing stays moist: it is fed when its roots are wet.
func TestWhatSitsOnASlabIsFedOnItsRoots(t *testing.T) {
	for seat, fed := range map[string]string{"mount": "Wet its roots until they are green", "pot": "onto moist medium"} {
		words, _ := said(t, `{"kind":"gongora-galeata","causes":["nitrogen-low"],"on":"2026-06-15","answers":{"moist":"right",
			"seat":"`+seat+`","liveRoots":12,"liveTips":2},"place":{"warmthC":22}}`, treatment.FeedIt)
		assert.Contains(t, strings.Join(words, " "), fed, seat)
	}
}

// What is due is watered today, limp or firm, where it has a root that lives and none rots; its neighbours on the
// scale of wetness are told otherwise.
func TestWhatIsDueIsWateredToday(t *testing.T) {
	const of = `{"kind":"begonia-maculata","causes":["bud-blast"],"on":"2026-06-15","answers":{"limp":%t,"moist":%q,
		"potWidthCm":12,"liveRoots":%d,"deadRoots":3,"rotAlive":%t},"place":{"warmthC":22,"humidityPct":60}}`
	for _, c := range []struct {
		limp  bool
		moist string
		live  int
		rots  bool
		due   bool
	}{
		{true, "due", 9, false, true}, {false, "due", 9, false, true}, {true, "right", 9, false, false},
		{true, "dry", 9, false, false}, {true, "due", 0, false, false}, {true, "due", 9, true, false},
	} {
		words, days := said(t, fmt.Sprintf(of, c.limp, c.moist, c.live, c.rots), treatment.ByRule)
		due := len(words) > 0 && days[0] == 0 && strings.HasPrefix(words[0], "It is due: water it now")
		assert.Equal(t, c.due, due, "%+v: %v", c, words)
	}
}

// Without a live root nothing is flushed: the fresh mix of its rescue does it.
func TestNothingIsFlushedWithoutARoot(t *testing.T) {
	for live, flushed := range map[int]bool{0: false, 1: true} {
		s := fmt.Sprintf(`{"kind":"phalaenopsis-lueddemanniana","causes":["water-quality"],"on":"2026-04-15","answers":{
			"moist":"dry","potWidthCm":12,"liveRoots":%d,"deadRoots":12},"place":{"warmthC":22}}`, live)
		words, _ := said(t, s, treatment.Flush)
		assert.Equal(t, flushed, len(words) > 0, live)
		assert.Equal(t, flushed, leftOut(t, s, "flush") == "", live)
	}
}

// A basket with a medium that was found wet dries first, as a pot does.
func TestAWetBasketDriesFirst(t *testing.T) {
	for moist, held := range map[string]bool{"soaked": true, "wet": true, "right": false} {
		words, _ := said(t, `{"kind":"pachypodium-lamerei","causes":["old-leaf"],"on":"2026-06-15","answers":{
			"moist":"`+moist+`","seat":"basket","liveRoots":9},"place":{"warmthC":24}}`, treatment.HoldWater)
		assert.Equal(t, held, len(words) > 0, moist)
	}
}

// Whoever found its medium sour is not asked whether it smells sour.
func TestNobodyIsAskedWhatWasFound(t *testing.T) {
	for medium, asks := range map[string]string{"sour": "Its medium was found rotten or sour", "sound": "smell sour"} {
		words, _ := said(t, `{"kind":"colocasia-esculenta","causes":["cold-injury"],"on":"2026-06-15","answers":{"limp":true,
			"moist":"right","potWidthCm":9,"liveRoots":9,"deadRoots":12,"medium":"`+medium+`"},"place":{"warmthC":20}}`,
			treatment.Look)
		assert.Contains(t, strings.Join(words, " "), asks, medium)
	}
}

// What grew in a basket with a medium is lifted out of it, and hangs again in a pot that hangs.
func TestWhatGrewInABasketHangsAgain(t *testing.T) {
	for seat, hangs := range map[string]bool{"basket": true, "pot": false} {
		s := `{"kind":"aeschynanthus-radicans","causes":["root-mealybug"],"on":"2026-05-15","answers":{"moist":"right",
			"seat":"` + seat + `","potWidthCm":16,"liveRoots":18,"deadRoots":3},"place":{"warmthC":22,"humidityPct":60}}`
		for op, words := range map[treatment.OperatorID]string{treatment.Unpot: "out of its basket",
			treatment.ReadyPot: "a washed hanging pot", treatment.PotIn: "Hang it again"} {
			told, _ := said(t, s, op)
			assert.Equal(t, hangs, strings.Contains(strings.Join(told, " "), words), "%s: %s", seat, told)
		}
	}
}

// A due pot is watered today, and not first with a feed of later days.
func TestADuePotDoesNotWaitForItsFeed(t *testing.T) {
	for moist, on := range map[string][]int{"due": {0}, "dry": {0}, "right": nil} {
		_, days := said(t, fmt.Sprintf(`{"kind":"begonia-erythrophylla","causes":["magnesium-low"],"on":"2026-07-15",
			"answers":{"moist":%q,"newcomerDays":2},"place":{"warmthC":31}}`, moist), treatment.ByRule)
		assert.Equal(t, on, days, moist)
	}
}

// Where a wilt lives and no root does, no line gives water by its rule: nothing in there drinks.
func TestAWiltedPotWithoutARootIsNotWatered(t *testing.T) {
	for live, watered := range map[int]bool{0: false, 9: true} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"goeppertia-ornata","causes":["fusarium"],"on":"2026-04-15","answers":{
			"moist":"due","liveRoots":%d,"deadRoots":3},"place":{"warmthC":22}}`, live), treatment.ByRule)
		assert.Equal(t, watered, len(words) > 0, "%d: %s", live, words)
	}
}

// What is smelled below is watered after that, where it is due.
func TestWhatIsSmelledIsWateredAfterwards(t *testing.T) {
	p, err := Plan(situationOf(t, `{"kind":"colocasia-esculenta","causes":["petal-blight"],"on":"2026-03-15","answers":{
		"limp":true,"moist":"due","newcomerDays":200,"potWidthCm":9,"liveRoots":2,"deadRoots":12}}`))
	assert.NoError(t, err)
	steps := p.Sittings[0].Steps
	smelled, rule := slices.IndexFunc(steps, smells), slices.IndexFunc(steps, ruled)
	assert.GreaterOrEqual(t, smelled, 0)
	assert.Greater(t, rule, smelled)
	assert.NotContains(t, steps[smelled].Words, "not for thirst", "it is due")
}

// What hangs limp and dry on a slab and has no medium is wetted today.
func TestWhatThirstsOnASlabIsWetted(t *testing.T) {
	for moist, wetted := range map[string]bool{"dry": true, "bone": true, "right": false} {
		_, days := said(t, fmt.Sprintf(`{"kind":"phragmipedium-caudatum","causes":["sun-scorch"],"on":"2026-10-19",
			"answers":{"seat":"mount","moist":%q,"limp":true,"phase":"resting"}}`, moist), treatment.Soak)
		assert.Equal(t, wetted, len(days) > 0 && days[0] == 0, moist)
	}
}
