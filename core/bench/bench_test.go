package bench_test

import (
	"errors"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/bench"
	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/feed"
	"tendermend/core/plant"
)

func p[T any](v T) *T { return &v }

func amount(t *testing.T, r bench.Reckoning, what string) float64 {
	t.Helper()
	for _, a := range r.Amounts {
		assert.NotEmpty(t, a.Working.Formula, a.What)
		assert.NotEmpty(t, a.Working.Source, a.What)
		assert.NotEmpty(t, a.Working.Sure, a.What)
		if a.What == what {
			return a.Value
		}
	}
	require.Fail(t, "no such amount", "%s in %+v", what, r.Amounts)
	return 0
}

// field gives the field of a refusal.
func field(err error) string {
	var f bench.Fault
	if !errors.As(err, &f) {
		return ""
	}
	return f.Field
}

func TestPotForLiveRoots(t *testing.T) {
	r, err := bench.Pot(bench.PotInput{RootBallCM: 7, OldPotCM: p(21.0)})
	require.NoError(t, err)
	assert.Equal(t, 9.5, amount(t, r, "inner width"))
	assert.InDelta(t, -11.5, amount(t, r, "step from the old pot"), 1e-9)
	assert.InDelta(
		t,
		100*(1-(11.0/21)*(11.0/21)*(11.0/21)),
		amount(t, r, "of the old pot stays wet for days"),
		1e-9,
		"by hand",
	)
	assert.NotEmpty(t, r.Warnings)
	r, err = bench.Pot(bench.PotInput{RootBallCM: 14, OldPotCM: p(14.0), Bound: true})
	require.NoError(t, err)
	assert.Equal(t, 17.0, amount(t, r, "inner width"), "up one size, 2-5 cm: common practice")
	assert.Empty(t, r.Warnings)
	_, err = bench.Pot(bench.PotInput{})
	assert.Equal(t, "rootBallCm", field(err))
	_, err = bench.Pot(bench.PotInput{RootBallCM: 5, OldPotCM: p(-3.0)})
	assert.Equal(t, "oldPotCm", field(err))
}

func TestMixByParts(t *testing.T) {
	r, err := bench.Mix(
		bench.MixInput{
			Parts: []plant.Part{
				{What: "medium bark", Parts: 1},
				{What: "vermiculite", Parts: 1},
				{What: "peat or coir", Parts: 3},
			},
			Litres:  p(5.0),
			MossDry: p(30.0),
		},
		bench.Own{},
	)
	require.NoError(t, err)
	assert.InDelta(t, 1, amount(t, r, "medium bark"), 1e-9, "5 l are 1 + 1 + 3: common practice")
	assert.InDelta(t, 3, amount(t, r, "peat or coir"), 1e-9)
	assert.InDelta(t, 240, amount(t, r, "water for the moss, least"), 1e-9, "30 g hold 240-270 ml: common practice")
	assert.InDelta(t, 270, amount(t, r, "water for the moss, most"), 1e-9)
	assert.NotEmpty(t, r.Warnings, "dust")
	r, err = bench.Mix(
		bench.MixInput{
			Parts: []plant.Part{{What: "Perlite", Parts: 1}, {What: "stardust", Parts: 1}},
			PotCM: p(12.0),
			Pots:  3,
		},
		bench.Own{},
	)
	require.NoError(t, err)
	assert.Positive(t, amount(t, r, "stardust"))
	assert.Contains(t, r.Warnings[0], "stardust")
	for name, bad := range map[string]bench.MixInput{"parts": {Litres: p(1.0)},
		"litres": {Parts: []plant.Part{{What: "perlite", Parts: 1}}},
		"potCm":  {Parts: []plant.Part{{What: "perlite", Parts: 1}}, PotCM: p(0.0)},
		"pots":   {Parts: []plant.Part{{What: "perlite", Parts: 1}}, PotCM: p(9.0), Pots: 9999}} {
		_, err := bench.Mix(bad, bench.Own{})
		assert.Equal(t, name, field(err))
	}
	for _, recipe := range bench.Recipes() {
		r, err := bench.Mix(bench.MixInput{Parts: recipe.Parts, Litres: p(1.0)}, bench.Own{})
		require.NoError(t, err, recipe.Name)
		for _, w := range r.Warnings {
			assert.NotContains(t, w, "Nothing is known", "%s is made of known things", recipe.Name)
		}
		shares := map[string]float64{}
		for _, a := range r.Amounts {
			shares[a.What] = a.Value
			if a.Unit == "%" {
				assert.True(t, a.Value > 1 && a.Value < 100, "%s: %s %g %%", recipe.Name, a.What, a.Value)
			}
		}
		assert.LessOrEqual(t, shares["stays air, least"], shares["stays air, most"], recipe.Name)
		assert.LessOrEqual(t, shares["holds water, least"], shares["holds water, most"], recipe.Name)
	}
}

// What burns is named, on both sides of its limit (common practice), by the words
// as well as by what was ticked.
func TestStrongStuffIsWarnedOf(t *testing.T) {
	said := func(i bench.DilutionInput) string {
		i.Volume = "1 l"
		r, err := bench.Dilution(i)
		if err != nil {
			return err.Error()
		}
		return strings.Join(r.Warnings, " ")
	}
	stock := func(what string, stock, wanted float64) string {
		return said(bench.DilutionInput{What: what, StockPct: &stock, WantedPct: &wanted})
	}
	assert.Contains(t, stock("Hydrogen peroxide", 35, 12), "at most 3 %")
	assert.Contains(t, stock("peroxide", 35, 3.01), "at most 3 %")
	assert.Contains(t, stock("peroxide", 3.5, 3), "gloves and goggles")
	assert.NotContains(t, stock("peroxide", 3, 1.5), "gloves")
	assert.Contains(t, said(bench.DilutionInput{What: "mild soap", Ratio: []float64{4, 1}}), "strips leaves", "20 %")
	assert.Contains(t, stock("insecticidal soap", 100, 2.1), "strips leaves")
	assert.NotContains(t, stock("insecticidal soap", 100, 2), "strips leaves")
	assert.Contains(t, said(bench.DilutionInput{With: []string{"insecticidal-soap"}, Ratio: []float64{9, 1}}), "strips")
	assert.Contains(t, said(bench.DilutionInput{What: "rubbing alcohol", Ratio: []float64{1, 1}}), "no flame")
}

func TestDilutions(t *testing.T) {
	r, err := bench.Dilution(
		bench.DilutionInput{
			What:      "peroxide",
			StockPct:  p(3.0),
			WantedPct: p(1.5),
			Volume:    "250 ml",
			With:      []string{"water", "peroxide"},
		},
	)
	require.NoError(t, err)
	assert.InDelta(t, 125, amount(t, r, "peroxide"), 1e-9, "arithmetic")
	r, err = bench.Dilution(bench.DilutionInput{What: "mild soap", Ratio: []float64{4, 1}, Volume: "1 l"})
	require.NoError(t, err)
	assert.InDelta(t, 200, amount(t, r, "mild soap"), 1e-9, "leaf wash 4 : 1: common practice")
	// Extension fact sheets (from memory): 1-2 % is 2.5-5 tablespoons to a gallon.
	r, err = bench.Dilution(
		bench.DilutionInput{What: "insecticidal soap", StockPct: p(100.0), WantedPct: p(1.95), Volume: "1 gal"},
	)
	require.NoError(t, err)
	assert.Contains(t, r.Warnings[0], "5 tbsp")

	_, err = bench.Dilution(
		bench.DilutionInput{StockPct: p(5.0), WantedPct: p(1.0), Volume: "1 l", With: []string{"vinegar", "bleach"}},
	)
	assert.Equal(t, "with", field(err))
	assert.ErrorContains(t, err, "chlorine gas")
	_, err = bench.Dilution(
		bench.DilutionInput{StockPct: p(12.0), WantedPct: p(6.0), Volume: "1 l", With: []string{"peroxide"}},
	)
	assert.Equal(t, "wantedPct", field(err))
	for name, bad := range map[string]bench.DilutionInput{
		"volume":    {StockPct: p(3.0), WantedPct: p(1.0), Volume: "some"},
		"wantedPct": {StockPct: p(1.0), WantedPct: p(3.0), Volume: "1 l"},
		"stockPct":  {StockPct: p(-1.0), WantedPct: p(1.0), Volume: "1 l"},
		"ratio":     {Ratio: []float64{4, 0}, Volume: "1 l"},
	} {
		_, err := bench.Dilution(bad)
		assert.Equal(t, name, field(err))
	}
	_, err = bench.Dilution(bench.DilutionInput{StockPct: p(3.0), WantedPct: p(1.0), Volume: "30 g"})
	assert.Equal(t, "volume", field(err))
}

func TestALabelsDoseIsMultipliedNeverProposed(t *testing.T) {
	r, err := bench.Dose(bench.DoseInput{Product: "Harbour granules", Says: "2 g", Per: 10, Unit: "cm", Quantity: 15})
	require.NoError(t, err)
	assert.InDelta(t, 3, amount(t, r, "Harbour granules"), 1e-9)
	assert.Contains(t, r.Warnings[0], "label")
	for name, bad := range map[string]bench.DoseInput{
		"product": {Says: "2 g", Per: 1, Unit: "l", Quantity: 1}, "says": {Product: "x", Per: 1, Unit: "l", Quantity: 1},
		"unit": {Product: "x", Says: "2 g", Per: 1, Unit: "acre", Quantity: 1},
		"per":  {Product: "x", Says: "2 g", Unit: "l", Quantity: 1},
	} {
		_, err := bench.Dose(bad)
		assert.Equal(t, name, field(err), "without the label there is no dose")
	}
}

func TestFeed(t *testing.T) {
	salt := feed.Label{Name: "calcium nitrate", N: 15.5, Ca: 19}
	r, err := bench.Feed(
		bench.FeedInput{
			Doses: []feed.Dose{
				{Label: salt, PerLitre: 1},
				{Label: feed.Label{Name: "PK", P2O5: 20}, PerLitre: 0.1},
			},
			WantedN: p(75.0),
			PotCM:   p(12.0),
		},
	)
	require.NoError(t, err)
	assert.InDelta(t, 155, amount(t, r, "N"), 1e-9)
	assert.InDelta(t, 77.5, amount(t, r, "N at half strength"), 1e-9)
	assert.InDelta(t, 75.0/155, amount(t, r, "calcium nitrate for that much N"), 1e-9)
	assert.Contains(t, r.Warnings[len(r.Warnings)-1], "two stock bottles")
	_, err = bench.Feed(bench.FeedInput{})
	assert.Equal(t, "doses", field(err))
	_, err = bench.Feed(bench.FeedInput{Doses: []feed.Dose{{Label: feed.Label{N: 150}, PerLitre: 1}}})
	assert.Equal(t, "doses", field(err))
}

func TestLightAndAirAgainstAKind(t *testing.T) {
	monstera, _ := plant.Kinds(nil).ByID("monstera-adansonii")
	r, err := bench.Light(bench.LightInput{Reading: 10800, Unit: "lux", Lamp: climate.Sunlight, Hours: 12}, &monstera)
	require.NoError(t, err)
	assert.InDelta(t, 200, amount(t, r, "PPFD"), 1e-9)
	assert.InDelta(t, 8.64, amount(t, r, "light a day (DLI)"), 1e-9)
	assert.InDelta(t, 7/0.72, amount(t, r, "hours for its best"), 1e-9, "7 mol at 0.72 mol an hour")
	r, err = bench.Light(bench.LightInput{Reading: 10, Unit: "fc", Lamp: climate.CoolWhite, Hours: 8}, &monstera)
	require.NoError(t, err)
	assert.InDelta(t, 107.64, amount(t, r, "light"), 0.01)
	assert.NotEmpty(t, r.Warnings)
	_, err = bench.Light(bench.LightInput{Reading: 10, Unit: "lux", Lamp: "candle", Hours: 8}, nil)
	assert.Equal(t, "lamp", field(err))
	_, err = bench.Light(bench.LightInput{Reading: 10, Unit: "lux", Lamp: climate.Sunlight, Hours: 30}, nil)
	assert.Equal(t, "hours", field(err))

	r, err = bench.Air(bench.AirInput{TempC: 25, HumidityPct: 60}, &monstera)
	require.NoError(t, err)
	assert.InDelta(t, 1.267, amount(t, r, "vapour pressure deficit"), 5e-4, "FAO 56")
	r, err = bench.Air(bench.AirInput{TempC: 10, HumidityPct: 96, Chamber: true}, &monstera)
	require.NoError(t, err)
	assert.GreaterOrEqual(t, len(r.Warnings), 3, "too moist, near dew, too cold")
	_, err = bench.Air(bench.AirInput{TempC: 25}, nil)
	assert.Equal(t, "humidityPct", field(err))
}

func TestRunway(t *testing.T) {
	r, err := bench.Runway(bench.RunwayInput{Reserves: "ridged"})
	require.NoError(t, err)
	assert.Equal(t, 45.0, amount(t, r, "days left, shortest"))
	r, err = bench.Runway(bench.RunwayInput{Weighings: []bench.Weighing{{day.Day(100), 50}, {day.Day(110), 47}}})
	require.NoError(t, err)
	assert.Positive(t, amount(t, r, "loses a day"))
	_, err = bench.Runway(bench.RunwayInput{})
	assert.Equal(t, "weighings", field(err))
}
