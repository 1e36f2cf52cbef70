package compose

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// Over 30 °C nothing is sprayed: it is brought where it is cooler, asked for on day 3, and looked at as it is washed.
func TestWhatIsTooHotToSprayIsBroughtCooler(t *testing.T) {
	for _, c := range []struct {
		kind string
		warm int
		to   string // where products are left out
	}{
		{"epipremnum-aureum", 30, ""},
		{"epipremnum-aureum", 31, "30 °C or below"},
		{"anthurium-scherzerianum", 31, "29 °C or below"},
	} {
		s := fmt.Sprintf(`{"kind":%q,"causes":["thrips"],"on":"2026-04-15","answers":{"limp":false,"moist":"right",
			"potWidthCm":9,"liveRoots":18},"place":{"warmthC":%d,"humidityPct":70}}`, c.kind, c.warm)
		assert.Equal(t, c.to != "", leftOut(t, s, "products") != "", c)
		looks, days := said(t, s, treatment.Look)
		asked := slices.IndexFunc(looks, func(say string) bool { return strings.Contains(say, "Then plan again") })
		assert.Equal(t, c.to != "", asked >= 0, "%v: %s", c, looks)
		if c.to == "" {
			continue
		}
		assert.Equal(t, coolYetDay, days[asked])
		assert.Contains(t, looks[asked], c.to)
		moved, _ := said(t, s, treatment.Temper)
		assert.Contains(t, strings.Join(moved, ""), c.to)
		early := slices.ContainsFunc(days, func(day int) bool { return day >= hotLookDays && day < 10 })
		assert.True(t, early, "%v: looked at on %v", c, days)
	}
}

// What mines its leaves goes with them, in the heat too, and no wash reaches it; what hangs limp keeps its leaves.
func TestMinedLeavesComeOffInTheHeat(t *testing.T) {
	for limp, off := range map[bool]bool{false: true, true: false} {
		s := fmt.Sprintf(`{"kind":"goeppertia-crocata","causes":["leaf-miner"],"on":"2026-10-15","answers":{"limp":%t,
			"moist":"right","liveRoots":5},"place":{"warmthC":31}}`, limp)
		words, _ := said(t, s, treatment.RemoveLeaves)
		assert.Equal(t, off, strings.Contains(strings.Join(words, ""), "mined leaves"), limp)
		_, washed := said(t, s, treatment.WashDown)
		assert.Subset(t, []int{0}, washed, "once at the most")
	}
}

// The plan of a limp plant without a live root ends where its rescue is asked for: washed and shaded today, and looked
// at; no series, no release.
func TestAPlanEndsWhereARescueIsAskedFor(t *testing.T) {
	for _, c := range []struct {
		limp  bool
		live  int
		humid int // its kind wants 55 %
		ends  bool
		mist  bool
	}{
		{true, 0, 54, true, true},
		{true, 0, 55, true, false},
		{true, 1, 54, false, false},
		{false, 0, 54, false, false},
	} {
		s := fmt.Sprintf(`{"kind":"calathea-orbifolia","causes":["flat-mite"],"on":"2026-07-15","answers":{"limp":%t,
			"moist":"bone","potWidthCm":18,"liveRoots":%d,"deadRoots":3},"place":{"warmthC":24,"humidityPct":%d}}`,
			c.limp, c.live, c.humid)
		_, washed := said(t, s, treatment.WashDown)
		assert.Equal(t, c.ends, slices.Equal(washed, []int{0}), "%+v: %v", c, washed)
		_, released := said(t, s, treatment.Release)
		assert.Equal(t, c.ends, len(released) == 0, "%+v", c)
		rinses, _ := said(t, s, treatment.RinseOff)
		assert.False(t, c.ends && len(rinses) > 0, "%+v: %v", c, rinses)
		assert.Equal(t, c.ends, strings.Contains(leftOut(t, s, "flat-mite"), "its roots come first"), "%+v", c)
		_, shaded := said(t, s, treatment.ShadeIt)
		assert.Equal(t, c.ends, len(shaded) > 0, "%+v", c)
		_, misted := said(t, s, treatment.Humidify)
		assert.Equal(t, c.mist, len(misted) > 0, "%+v", c)
	}
}

// A cactus is brushed with a dry brush where others are washed: nothing is dried after it.
func TestWhatIsBrushedDryIsNotDried(t *testing.T) {
	for kind, dried := range map[string]bool{"mammillaria-hahniana": false, "monstera-deliciosa": true} {
		s := `{"kind":"` + kind + `","causes":["aphid"],"on":"2026-06-15","answers":{"moist":"right"},
			"choices":{"pestFirst":"predators"},"place":{"warmthC":22,"humidityPct":70}}`
		p, err := Plan(situationOf(t, s))
		require.NoError(t, err)
		for _, sit := range p.Sittings {
			for i, x := range sit.Steps {
				if x.Op == treatment.WashDown && i+1 < len(sit.Steps) {
					assert.Equal(t, dried, sit.Steps[i+1].Op == treatment.CrownDry, "%s: %s", kind, sit.Steps[i+1].Words)
				}
			}
		}
		words, _ := said(t, s, treatment.WashDown)
		assert.NotEmpty(t, words, kind)
	}
}

// What may not be wetted in the heat is scraped, and its plan does not say that it is washed.
func TestWhatIsOnlyScrapedInTheHeatIsSaidSo(t *testing.T) {
	for causes, done := range map[string]string{`"scale"`: "washed on the clock", `"scale","anthracnose"`: "scraped off"} {
		why := leftOut(t, `{"kind":"echinocactus-grusonii","causes":[`+causes+`],"on":"2026-06-15",
			"answers":{"moist":"right","limp":false},"place":{"warmthC":31}}`, "products")
		assert.Contains(t, why, done, causes)
	}
}

// Whatever product was left out for the heat is planned again where it is cooler, and not one for pests alone.
func TestAnyProductLeftOutForTheHeatIsPlannedAgain(t *testing.T) {
	for warm, again := range map[int]bool{30: false, 31: true} {
		s := fmt.Sprintf(`{"kind":"maxillaria-tenuifolia","causes":["soft-rot"],"on":"2026-02-15",
			"answers":{"moist":"right","limp":false},"place":{"warmthC":%d}}`, warm)
		looks, _ := said(t, s, treatment.Look)
		assert.Equal(t, again, strings.Contains(strings.Join(looks, " "), "Then plan again today"), warm)
		assert.Equal(t, again, leftOut(t, s, string(treatment.LabelDrug)) != "", warm)
	}
}
