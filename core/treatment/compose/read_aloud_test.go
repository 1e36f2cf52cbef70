package compose

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// said gives what a plan says of an operator, each step with its day; -1 where it waits.
func said(t *testing.T, situation string, op treatment.OperatorID) (words []string, days []int) {
	t.Helper()
	steps, days := stepsSaid(t, situation, op)
	for _, x := range steps {
		words = append(words, x.Words)
	}
	return words, days
}

// stepsSaid gives the steps of an operator in a plan, each with its day; -1 where it waits.
func stepsSaid(t *testing.T, situation string, op treatment.OperatorID) (steps []step, days []int) {
	t.Helper()
	p, err := Plan(situationOf(t, situation))
	require.NoError(t, err, situation)
	for _, s := range p.Sittings {
		for _, x := range s.Steps {
			if x.Op != op {
				continue
			}
			steps = append(steps, x)
			if s.Day == nil {
				days = append(days, -1)
				continue
			}
			days = append(days, *s.Day)
		}
	}
	return steps, days
}

func leftOut(t *testing.T, situation, op string) string {
	t.Helper()
	p, err := Plan(situationOf(t, situation))
	require.NoError(t, err)
	for _, l := range p.LeftOut {
		if l.Op == op {
			return l.Why
		}
	}
	return ""
}

// Nematodes are poured only where they live (common practice), and where they do not the plan
// says so.
func TestNematodesAreOnlyPouredWhereTheyLive(t *testing.T) {
	for c, poured := range map[float64]bool{11.9: false, 12: true, 27: true, 27.1: false} {
		s := fmt.Sprintf(`{"kind":"anthurium-clarinervium","causes":["root-grub"],"on":"2026-05-15",
			"answers":{"liveRoots":9,"deadRoots":0},"place":{"warmthC":%g}}`, c)
		words, _ := said(t, s, treatment.Nematodes)
		assert.Equal(t, poured, len(words) > 0, "%g °C", c)
		assert.Equal(t, poured, leftOut(t, s, "nematodes") == "", "%g °C", c)
	}
}

// Root work that waits for warmth says what is done about the warmth.
func TestWhatWaitsForWarmthIsBroughtThere(t *testing.T) {
	const s = `{"kind":"anthurium-clarinervium","causes":["root-grub"],"on":"2026-05-15",
		"answers":{"liveRoots":9,"deadRoots":0},"place":{"warmthC":%g}}`
	words, days := said(t, fmt.Sprintf(s, 30.1), treatment.Temper)
	assert.Equal(t, []int{0}, days)
	assert.Contains(t, strings.Join(words, ""), "cooler spot")
	words, _ = said(t, fmt.Sprintf(s, 10.0), treatment.Temper)
	assert.Contains(t, strings.Join(words, ""), "Keep it at")
	words, _ = said(t, fmt.Sprintf(s, 22.0), treatment.Temper)
	assert.Empty(t, words)
}

// Nobody is told to cool a plant that cold has hurt.
func TestWarmthIsKeptWhereItIsWarmEnough(t *testing.T) {
	const s = `{"kind":"phalaenopsis-hybrid","causes":["mesophyll-collapse"],"on":"2026-09-15","place":{"warmthC":%g}}`
	for c, want := range map[float64]string{17.9: "Keep it at 18 °C or more", 18: "warm enough", 24: "warm enough"} {
		words, _ := said(t, fmt.Sprintf(s, c), treatment.Temper)
		require.Len(t, words, 1)
		assert.Contains(t, words[0], want, "%g °C", c)
	}
}

// What is bagged is what came off in that sitting.
func TestTheBagHoldsWhatCameOff(t *testing.T) {
	for situation, want := range map[string]string{
		`{"kind":"hedera-helix","causes":["armoured-scale"],"on":"2026-04-15"}`:            "what was picked and scraped off",
		`{"kind":"hedera-helix","causes":["bacterial-spot"],"on":"2026-04-15"}`:            "what was cut or taken off",
		`{"kind":"begonia-bowerae","causes":["root-mealybug"],"on":"2026-05-15"}`:          "the old medium and what was cut",
		`{"kind":"ficus-microcarpa","causes":["leaf-miner"],"on":"2026-05-15"}`:            "what was cut or taken off",
		`{"kind":"phalaenopsis-hybrid","causes":["moss-smothered"],"on":"2026-05-15"}`:     "moss",
		`{"kind":"polyscias-scutellaria","causes":["medium-collapsed"],"on":"2026-05-15"}`: "the old medium",
	} {
		words, _ := said(t, situation, treatment.BagWaste)
		require.NotEmpty(t, words, situation)
		assert.Contains(t, words[len(words)-1], want, situation)
	}
}

// A medium that was found wet dries first, whatever else ails the plant; what stands in
// a tray is left as it is.
func TestWhatWasFoundWetDriesFirst(t *testing.T) {
	const s = `{"kind":%q,"causes":["stress-colour"],"on":"2026-11-15","answers":{"moist":%q,"growing":true}}`
	for _, c := range []struct {
		kind, moist string
		held        bool
	}{
		{"rossioglossum-grande", "wet", true},
		{"rossioglossum-grande", "soaked", true},
		{"rossioglossum-grande", "right", false},
		{"soleirolia-soleirolii", "wet", true}, // never dries, but is not to stand wet
		{"soleirolia-soleirolii", "right", false},
		{"nepenthes-hybrid", "wet", false},
	} {
		words, _ := said(t, fmt.Sprintf(s, c.kind, c.moist), treatment.HoldWater)
		assert.Equal(t, c.held, len(words) > 0, "%+v", c)
	}
}

// It is looked at once in a while, not in two series at once.
func TestAPlantIsLookedAtInOneSeries(t *testing.T) {
	p, err := Plan(situationOf(t, `{"kind":"brassia-hybrid","causes":["root-grub","medium-repels"],"on":"2026-10-15",
		"answers":{"limp":true,"moist":"bone","liveRoots":5,"deadRoots":12},"place":{"warmthC":24}}`))
	require.NoError(t, err)
	last := -1
	for _, s := range p.Sittings {
		for _, x := range s.Steps {
			if s.Day == nil || !plainLook(x) || x.Every == 0 {
				continue
			}
			assert.Greater(t, *s.Day, last, "%s begins while the one before still goes on", x.Words)
			last, _ = dayOf(x.Until)
		}
	}
	assert.Equal(t, 84, last, "it is followed as long as its pest wants")
}

// Over-watering is no thirst at first sight: nothing is poured on the first day, and it is
// smelled and felt below before it drinks.
func TestAnOverwateredPlantDrinksOnlyAfterItWasLookedAtBelow(t *testing.T) {
	const s = `{"kind":"mammillaria-hahniana","causes":["overwatering"],"on":"2026-07-15",
		"answers":{"limp":true,"moist":%q,"liveRoots":9,"deadRoots":3}}`
	_, days := said(t, fmt.Sprintf(s, "dry"), treatment.Soak)
	assert.Equal(t, []int{1}, days)
	words, day := rootLook(t, fmt.Sprintf(s, "dry"))
	assert.Contains(t, words, "watered too often")
	assert.Zero(t, day)
	_, days = said(t, fmt.Sprintf(s, "bone"), treatment.Soak)
	assert.Equal(t, []int{0}, days, "what is bone dry is thirsty whatever is said")
}

// Nobody pours by the single millilitre.
func TestAmountsCanBeMeasured(t *testing.T) {
	for ml, want := range map[float64]float64{17: 15, 18: 20, 97.4: 95, 99: 100, 104: 100, 106: 110, 218: 220} {
		assert.InDelta(t, want, poured(ml), 1e-9, "%g ml", ml)
	}
}

// What its way of growing is not known to have is said, and still done.
func TestWhatItsHabitDoesNotHaveIsDoubted(t *testing.T) {
	const s = `{"kind":%q,"causes":["sori"],"on":"2026-12-15"}`
	assert.Contains(t, leftOut(t, fmt.Sprintf(s, "oncidium-hybrid"), "sori"), "look again")
	assert.Empty(t, leftOut(t, fmt.Sprintf(s, "nephrolepis-exaltata"), "sori"))
}

// A plant without a live root is told so in a step of today, not in a remark.
func TestNoLiveRootIsActedOnToday(t *testing.T) {
	const s = `{"kind":"oncidium-hybrid","causes":["self-shading"],"on":"2026-05-15",
		"answers":{"liveRoots":%d,"deadRoots":3,"growing":true}}`
	words, days := said(t, fmt.Sprintf(s, 0), treatment.Look)
	assert.Contains(t, words[0], "plan its rescue first")
	assert.Zero(t, days[0])
	words, _ = said(t, fmt.Sprintf(s, 1), treatment.Look)
	assert.NotContains(t, strings.Join(words, ""), "plan its rescue first")
}

// A medium that was found due for its kind or drier is watered today; what is moist enough waits.
func TestWhatWasFoundBoneDryDrinks(t *testing.T) {
	const s = `{"kind":%q,"causes":["ethylene"],"on":"2026-05-15","answers":{"moist":%q,"growing":true}}`
	for _, c := range []struct {
		kind, moist string
		drinks      bool
	}{
		{"monstera-siltepecana", "bone", true},
		{"monstera-siltepecana", "dry", true},
		{"monstera-siltepecana", "due", true},
		{"monstera-siltepecana", "right", false},
		{"aglaonema-commutatum", "dry", true},
		{"mammillaria-hahniana", "bone", true},
		{"mammillaria-hahniana", "right", false},
	} {
		words, days := said(t, fmt.Sprintf(s, c.kind, c.moist), treatment.ByRule)
		assert.Equal(t, c.drinks, len(words) > 0, "%+v", c)
		if c.drinks {
			assert.Zero(t, days[0])
		}
	}
}

// What must never dry is not dried for springtails, which do it no harm.
func TestABogPlantIsNotDriedForSpringtails(t *testing.T) {
	for kind, held := range map[string]bool{"sarracenia-hybrid": false, "soleirolia-soleirolii": false,
		"pelargonium-zonal": true} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":["springtail"],"on":"2026-05-15"}`, kind), treatment.HoldWater)
		assert.Equal(t, held, len(words) > 0, kind)
	}
}

// Only silvery roots turn green when they are wetted: those of a slipper orchid are brown and furry, and those of one
// that grows in the ground are pale.
func TestHowALiveRootIsTold(t *testing.T) {
	for kind, want := range map[string]string{
		"phalaenopsis-hybrid": "turns green.", "paphiopedilum-maudiae-hybrid": "brown and furry its skin",
		"phragmipedium-caudatum": "brown and furry its skin", "ludisia-discolor": "firm and pale inside.",
		"monstera-deliciosa": "firm and pale inside.",
	} {
		words, _ := said(t, `{"kind":"`+kind+`","causes":["root-rot"],"on":"2026-05-15","answers":{"limp":true,
			"moist":"wet","liveRoots":4,"deadRoots":8},"place":{"warmthC":20}}`, treatment.Tally)
		require.NotEmpty(t, words, kind)
		assert.Contains(t, words[0], want, kind)
	}
}
