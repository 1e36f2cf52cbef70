package forecast_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/forecast"
	"tendermend/core/plant"
	"tendermend/internal/approve"
)

// one takes one of a list.
func one[T any](r *rand.Rand, list ...T) T { return list[r.IntN(len(list))] }

// drawnEvent makes up something that happened on a day.
func drawnEvent(r *rand.Rand, on string) forecast.Event {
	e := forecast.Event{On: on}
	if r.IntN(3) == 0 {
		e.On += one(r, "T08:00", "T10:30", "T18:45")
	}
	switch r.IntN(14) {
	case 0, 1, 2, 3:
		e.Watered = one(r, "through", "through", "soak")
	case 4:
		e.Watered, e.ML = "little", float64(r.IntN(200))
	case 5, 6:
		e.Stick, e.CM = one[drying.Class](r, "dry", "barely", "moist", "wet"), float64(r.IntN(8))
	case 7:
		e.StillMoist = true
	case 8:
		e.Lift = one[drying.Class](r, "light", "middling", "heavy")
	case 9:
		e.WeighedG = 700 + float64(r.IntN(600))
	case 10:
		e.Limp = yes(r.IntN(2) == 0)
	case 11:
		e.Meter = number(float64(r.IntN(11)))
	case 12:
		e.Moved = one(r, "indoors", "in-or-out")
	default:
		e.Repotted = &drying.Pot{TopCM: 10 + float64(r.IntN(15))}
		if r.IntN(2) == 0 {
			e.Repotted, e.CutBack = nil, true
		}
	}
	return e
}

// drawnHistory makes up a pot with what happened to it over some weeks.
func drawnHistory(r *rand.Rand, kinds []plant.Profile) forecast.History {
	first, _ := day.Parse(fmt.Sprintf("2026-%02d-01", 1+r.IntN(10)))
	h := forecast.History{
		Kind: kinds[r.IntN(len(kinds))].ID, South: r.IntN(5) == 0,
		Case: one(r, "", "", "ordinary", "thirsty", "wet-harms", "rots-easily"),
	}
	if r.IntN(4) > 0 {
		h.Pot = drying.Pot{TopCM: float64(7 + r.IntN(20))}
		if r.IntN(2) == 0 {
			h.Pot.DepthCM, h.Pot.Wall = h.Pot.TopCM-1, one[drying.Wall](r, "plastic", "clay", "glazed")
			h.Pot.Mix = []drying.Part{{Name: one(r, "potting soil", "medium bark", "coarse sand"), Share: 2},
				{Name: one(r, "perlite", "pumice", "moss"), Share: 1}}
		}
	}
	switch r.IntN(6) {
	case 0:
		h.Habit, h.Kind = "aroid-vine", ""
	case 1:
		h.Rule = one(r, plant.HalfDry, plant.SurfaceDry, plant.DryThrough, plant.Even)
	case 2:
		h.Rate = .02 + r.Float64()/10
	}
	if r.IntN(2) == 0 {
		h.Air = []forecast.Air{{VPD: .4 + r.Float64(), DLI: 2 + 8*r.Float64(), Fan: r.IntN(3) == 0},
			{From: (first + 15).String(), VPD: .4 + r.Float64(), Closed: r.IntN(3) == 0}}
	}
	at := first
	for range 2 + r.IntN(12) {
		h.Events = append(h.Events, drawnEvent(r, at.String()))
		at += day.Day(1 + r.IntN(6))
	}
	h.Today = (at + day.Day(r.IntN(9))).String()
	return h
}

func date(d *day.Day) string {
	if d == nil {
		return "never"
	}
	return d.String()
}

// What is forecast of made-up pots stays as it was approved. APPROVE=1 writes it anew; the change is then seen.
func TestForecastsStayAsTheyWereApproved(t *testing.T) {
	r := rand.New(rand.NewPCG(29, 26))
	kinds := slices.Clone(plant.Profiles())
	slices.SortFunc(kinds, func(a, b plant.Profile) int { return strings.Compare(a.ID, b.ID) })
	var made strings.Builder
	told := 0
	for n := range 150 {
		h := drawnHistory(r, kinds)
		f, err := forecast.Of(h, plant.Kinds{})
		require.NoError(t, err, "%+v", h)
		fmt.Fprintf(&made, "%d %s%s: %s %s [%s %s..%s..%s %s] met %.3f holds %.3f %.3f..%.3f rate %.4f %.3f",
			n, h.Kind, h.Habit, f.Rule, f.Words, date(f.Low), date(f.From), date(f.Best), date(f.Until), date(f.High),
			f.Met, f.Content, f.ContentLow, f.ContentTop, f.Rate, f.RateSD)
		for _, s := range f.Signs {
			fmt.Fprintf(&made, " %s=%v", s.ID, s.Seen)
		}
		if f.Rate > 0 {
			told++
			fmt.Fprintf(&made, " %s", f.Working.Sure)
			for _, in := range f.Working.Inputs {
				fmt.Fprintf(&made, " %g", in.Value)
			}
		}
		made.WriteString("\n")
	}
	assert.Greater(t, told, 100)
	approve.Text(t, "testdata/approved-forecasts.txt", made.String(), "\n")
}
