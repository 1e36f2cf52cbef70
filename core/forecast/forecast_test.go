package forecast_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/forecast"
	"tendermend/core/plant"
)

func yes(v bool) *bool           { return &v }
func number(v float64) *float64  { return &v }
func on(month, of int) string    { return fmt.Sprintf("2026-%02d-%02d", month, of) }
func parsed(text string) day.Day { d, _ := day.Parse(text); return d }

// pothos is a pot that is known, in even air.
func pothos(today string, events ...forecast.Event) forecast.History {
	return forecast.History{
		Today: today, Rule: plant.HalfDry, Air: []forecast.Air{{VPD: 1, DLI: 6}},
		Pot: drying.Pot{TopCM: 14, DepthCM: 12, Mix: []drying.Part{
			{Name: "potting soil", Share: 2}, {Name: "perlite", Share: 1},
		}},
		Events: events,
	}
}

func of(t *testing.T, h forecast.History) forecast.Forecast {
	t.Helper()
	f, err := forecast.Of(h, plant.Kinds{})
	require.NoError(t, err)
	return f
}

func TestAWateringIsNoEvidenceOfDryness(t *testing.T) {
	var often []forecast.Event
	for d := 1; d <= 28; d += 3 {
		often = append(often, forecast.Event{On: on(10, d), Watered: "through"})
	}
	last := forecast.Event{On: on(10, 28), Watered: "through"}
	a, b := of(t, pothos(on(10, 28), often...)), of(t, pothos(on(10, 28), last))
	assert.InDelta(t, b.Rate, a.Rate, .001)
	assert.Equal(t, drying.Wait, a.Say)
	for _, s := range a.Signs {
		if s.ID == "care.water-often" {
			assert.Equal(t, drying.IsSeen, s.Seen, "each of them came while it was wet")
		}
	}
}

func TestFindsMoveTheForecast(t *testing.T) {
	water := forecast.Event{On: on(6, 1), Watered: "through"}
	base := of(t, pothos(on(6, 8), water))
	for name, one := range map[string]struct {
		found forecast.Event
		later bool
	}{
		"a stick that comes out wet": {forecast.Event{On: on(6, 8), Stick: "wet", CM: 6}, true},
		"a stick that comes out dry": {forecast.Event{On: on(6, 8), Stick: "dry", CM: 6}, false},
		"one tap, still moist":       {forecast.Event{On: on(6, 8), StillMoist: true}, true},
		"a heavy pot":                {forecast.Event{On: on(6, 8), Lift: "heavy"}, true},
		"a light pot":                {forecast.Event{On: on(6, 8), Lift: "light"}, false},
		"it hangs limp":              {forecast.Event{On: on(6, 8), Limp: yes(true)}, false},
		"a meter says wet":           {forecast.Event{On: on(6, 8), Meter: number(10), CM: 6}, true},
	} {
		t.Run(name, func(t *testing.T) {
			f := of(t, pothos(on(6, 8), water, one.found))
			if one.later {
				assert.Less(t, f.Rate, base.Rate)
			} else {
				assert.Greater(t, f.Rate, base.Rate)
			}
			assert.NotEqual(t, base.RateSD, f.RateSD)
		})
	}
}

func TestWeighingsAgainstTheFullPot(t *testing.T) {
	water := forecast.Event{On: "2026-06-01T09:00", Watered: "through"}
	full := forecast.Event{On: "2026-06-01T10:00", WeighedG: 1500}
	light, heavy := forecast.Event{On: on(6, 8), WeighedG: 1050}, forecast.Event{On: on(6, 8), WeighedG: 1450}
	l, h := of(t, pothos(on(6, 8), water, full, light)), of(t, pothos(on(6, 8), water, full, heavy))
	assert.Greater(t, l.Rate, h.Rate)
	assert.Less(t, l.Content, h.Content)
	never := of(t, pothos(on(6, 8), water, light))
	assert.InDelta(t, of(t, pothos(on(6, 8), water)).Rate, never.Rate, 1e-9, "never weighed full")
	late := forecast.Event{On: "2026-06-01T12:01", WeighedG: 1500}
	assert.InDelta(t, never.Rate, of(t, pothos(on(6, 8), water, late, light)).Rate, 1e-9, "over three hours later")
}

// The clock slows in winter: the same pot and gap, and it is not dry yet.
func TestWinterSlowsTheClock(t *testing.T) {
	h := func(month int) forecast.Forecast {
		return of(t, forecast.History{
			Today: on(month, 15), Kind: "epipremnum-aureum", Rule: plant.HalfDry, Pot: drying.Pot{TopCM: 14},
			Events: []forecast.Event{{On: on(month, 5), Watered: "through"}},
		})
	}
	assert.Greater(t, h(6).Met, h(12).Met)
	assert.Less(t, *h(6).Best-parsed(on(6, 15)), *h(12).Best-parsed(on(12, 15)))
}

func TestCasesMoveTheBestDay(t *testing.T) {
	var events []forecast.Event // a pot that is known well
	for d := 1; d <= 28; d += 9 {
		events = append(events, forecast.Event{On: on(5, d), Watered: "through"},
			forecast.Event{On: on(5, d+1), Stick: "moist", CM: 6})
		if d+8 <= 31 {
			events = append(events, forecast.Event{On: on(5, d+8), Stick: "dry", CM: 6})
		}
	}
	best := func(name string) day.Day {
		h := pothos(on(5, 31), events...)
		h.Case = name
		return *of(t, h).Best
	}
	assert.Greater(t, best("rots-easily"), best("thirsty"))
	assert.GreaterOrEqual(t, best("rots-easily"), best("ordinary"))
	assert.LessOrEqual(t, best("thirsty"), best("ordinary"))
}

func TestARepottedPotIsANewOne(t *testing.T) {
	f := of(t, pothos(on(6, 20),
		forecast.Event{On: on(6, 1), Watered: "through"}, forecast.Event{On: on(6, 5), Stick: "dry"},
		forecast.Event{On: on(6, 10), Repotted: &drying.Pot{TopCM: 20, Mix: drying.MixOf("potting soil")}}))
	assert.Greater(t, f.RateSD, .45, "what was read is of the old pot")
}

func TestRulesThatDryingDoesNotTell(t *testing.T) {
	for rule, words := range map[plant.WaterRule]string{
		plant.NoWater: "Give it no water now", plant.CupWater: "a little fresh water",
		plant.AirRoots: "Drying does not tell it", plant.Reservoir: "Drying does not tell it",
		plant.WetTray: "Drying does not tell it",
	} {
		h := pothos(on(6, 8), forecast.Event{On: on(6, 1), Watered: "through"})
		h.Rule = rule
		f := of(t, h)
		assert.Nil(t, f.From, rule)
		assert.Empty(t, f.Signs)
		assert.Contains(t, f.Words, words, rule)
	}
}

func TestWhatIsWrongWithAHistoryIsSaid(t *testing.T) {
	first := func(e forecast.Event) func(*forecast.History) {
		return func(h *forecast.History) {
			e.On = on(6, 1)
			h.Events[0] = e
		}
	}
	for name, one := range map[string]struct {
		change func(*forecast.History)
		says   string
	}{
		"no day":          {func(h *forecast.History) { h.Today = "yesterday" }, "today: "},
		"no kind":         {func(h *forecast.History) { h.Kind = "triffid" }, `there is no kind "triffid"`},
		"no habit":        {func(h *forecast.History) { h.Habit = "walking" }, "no growth habit"},
		"no rule":         {func(h *forecast.History) { h.Rule = "" }, "give its kind, its habit or its water rule"},
		"no events":       {func(h *forecast.History) { h.Events = nil }, "at least its last watering"},
		"tomorrow":        {func(h *forecast.History) { h.Events[0].On = on(6, 9) }, "is after"},
		"nothing said":    {func(h *forecast.History) { h.Events[0].Watered = "" }, "events[0]: say what happened"},
		"no such stick":   {first(forecast.Event{Stick: "damp"}), "not dry, barely"},
		"off the scale":   {first(forecast.Event{Meter: number(11)}), "0 to 10"},
		"too heavy":       {first(forecast.Event{WeighedG: -1}), "give grams"},
		"a huge pot":      {func(h *forecast.History) { h.Pot.TopCM = 201 }, "201 cm is no pot"},
		"roots over all":  {func(h *forecast.History) { h.Pot.LiveRoots = number(1.1) }, "no share"},
		"a mix of none":   {func(h *forecast.History) { h.Pot.Mix[0].Share = 0 }, "more than 0"},
		"air of the moon": {func(h *forecast.History) { h.Air[0].VPD = 11 }, "0 to 10 kPa"},
		"a case of none":  {func(h *forecast.History) { h.Case = "sad" }, "not ordinary"},
	} {
		t.Run(name, func(t *testing.T) {
			h := pothos(on(6, 8), forecast.Event{On: on(6, 1), Watered: "through"})
			one.change(&h)
			_, err := forecast.Of(h, plant.Kinds{})
			require.Error(t, err)
			assert.Contains(t, err.Error(), one.says)
		})
	}
}

// BenchmarkForecast reads a pot with 200 readings and says when to look.
func BenchmarkForecast(b *testing.B) {
	h := pothos("2026-11-27")
	begin := parsed("2025-08-20")
	classes := []drying.Class{"moist", "barely", "dry"}
	for i := range 200 {
		when := (begin + day.Day(2*i)).String()
		h.Events = append(h.Events, forecast.Event{On: when, Stick: classes[i%3], CM: 6})
		if i%3 == 2 {
			h.Events = append(h.Events, forecast.Event{On: when, Watered: "through"})
		}
	}
	for b.Loop() {
		if _, err := forecast.Of(h, plant.Kinds{}); err != nil {
			b.Fatal(err)
		}
	}
}

// Whoever felt today that it is still moist is told to look again tomorrow at the earliest, on the best day where
// that is later; from tomorrow on, and after a find of dry, the chances speak.
func TestWhatWasFeltMoistTodayWaits(t *testing.T) {
	fern := func(today string, last forecast.Event) forecast.Forecast {
		h := pothos(today, forecast.Event{On: on(6, 11), Watered: "through"}, last)
		h.Rule, h.Air = plant.SurfaceDry, nil
		return of(t, h)
	}
	for _, felt := range []forecast.Event{
		{On: on(6, 19), StillMoist: true}, {On: on(6, 19), Stick: "moist"}, {On: on(6, 19), Stick: "wet"},
	} {
		f := fern(on(6, 19), felt)
		assert.Equal(t, drying.Wait, f.Say, "%+v", felt)
		assert.Contains(t, f.Words, "look")
		assert.NotContains(t, f.Words, "dry")
	}
	f := fern(on(6, 19), forecast.Event{On: on(6, 19), StillMoist: true})
	assert.Equal(t, "Wait: it was felt moist today; look again on 20 June 2026.", f.Words)
	f = fern(on(6, 19), forecast.Event{On: on(6, 19), Stick: "wet"})
	assert.Contains(t, f.Words, "on 21 June 2026.", "what was wet is not felt again tomorrow")
	for day := 12; day <= 28; day++ { // never before tomorrow, and on the best day where that is later
		felt := fern(on(6, day), forecast.Event{On: on(6, day), StillMoist: true})
		first := max(parsed(on(6, day))+1, *felt.From)
		best := max(first, *felt.Best)
		assert.Equal(t, drying.Wait, felt.Say)
		assert.Contains(t, felt.Words, "on "+best.Words()+".")
		if !strings.HasPrefix(felt.Words, "Wait: wet") && first < best {
			assert.Contains(t, felt.Words, "from "+first.Words()+" on", "it may be asked from then on")
		}
	}
	assert.NotEqual(t, drying.Wait, fern(on(6, 20), forecast.Event{On: on(6, 19), StillMoist: true}).Say)
	assert.NotEqual(t, drying.Wait, fern(on(6, 19), forecast.Event{On: on(6, 19), Stick: "barely"}).Say)
	assert.NotEqual(t, drying.Wait, fern(on(6, 19), forecast.Event{On: on(6, 19), Stick: "dry"}).Say)
}
