package compose

import (
	"encoding/json"
	"fmt"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// situationOf reads a situation as it is written in the tables below.
func situationOf(t *testing.T, text string) (s treatment.Situation) {
	t.Helper()
	require.NoError(t, json.Unmarshal([]byte(text), &s), text)
	return s
}

// laid gives the composer of a situation with its root work laid out.
func laid(t *testing.T, text string) *composer {
	t.Helper()
	x, ok := read(situationOf(t, text))
	require.True(t, ok)
	return &composer{
		agenda: &agenda{subject: x},
		off:    map[treatment.RuleID]bool{},
		sat:    -1,
		draft:  draft{days: map[slotOfDay][]block{}},
	}
}

// Widths by the rule of thumb of growers (common practice), worked by hand on
// both sides of every step.
func TestPotsForLiveRoots(t *testing.T) {
	for _, c := range []struct {
		kind      string
		ball, old float64
		want      float64
	}{
		{"monstera-deliciosa", 7, 18, 9.5},    // 9.5: by halves under ten
		{"monstera-deliciosa", 7.4, 18, 9.5},  // 9.9
		{"monstera-deliciosa", 7.5, 18, 10},   // 10.0: by whole ones from there
		{"monstera-deliciosa", 8.4, 18, 10},   // 10.9
		{"monstera-deliciosa", 8.5, 18, 11},   // 11.0
		{"monstera-deliciosa", 12, 14, 14},    // 14.5, never wider than the old pot
		{"mammillaria-hahniana", 5, 9, 6.5},   // dry kinds: 1.5 cm round it
		{"mammillaria-hahniana", 5.4, 9, 6.5}, // 6.9
		{"mammillaria-hahniana", 8.5, 20, 10}, // 10.0
	} {
		x := laid(
			t,
			fmt.Sprintf(
				`{"kind":%q,"causes":["root-rot"],"answers":{"rootBallCm":%v,"potWidthCm":%v}}`,
				c.kind,
				c.ball,
				c.old,
			),
		)
		assert.Equal(t, c.want, x.rescueWidth(false), "%+v", c)
	}
}

func TestPotsForThePotBound(t *testing.T) {
	for _, c := range []struct {
		kind      string
		old, want float64
	}{
		{"monstera-deliciosa", 12, 14}, {"monstera-deliciosa", 13, 16}, {"monstera-deliciosa", 20, 23}, {"monstera-deliciosa", 21, 25},
		{"hoya-carnosa", 12, 13}, {"hoya-carnosa", 13, 15}, {"hoya-carnosa", 30, 32}, // likes it snug
	} {
		x := laid(t, fmt.Sprintf(`{"kind":%q,"causes":["pot-bound"],"answers":{"potWidthCm":%v}}`, c.kind, c.old))
		assert.Equal(t, c.want, x.boundWidth(), "%+v", c)
	}
}

func TestThePotAtHandIsTakenWhereItIsFit(t *testing.T) {
	for _, c := range []struct{ old, own, asked, want float64 }{
		{14, 19, 16, 19}, {14, 19.5, 16, 16}, // five wider at the most
		{29, 34, 32, 34}, {29, 34.5, 32, 32}, {30, 37, 34, 37}, {30, 37.5, 34, 34}, // seven from thirty on
		{14, 15, 16, 16}, // never smaller than it needs
	} {
		x := laid(
			t,
			fmt.Sprintf(
				`{"kind":"monstera-deliciosa","causes":["pot-bound"],"answers":{"potWidthCm":%v},`+
					`"choices":{"potWidthCm":%v}}`,
				c.old,
				c.own,
			),
		)
		assert.Equal(t, c.want, x.carersPot(c.asked), "%+v", c)
		assert.Equal(t, c.want == c.asked && c.own > c.asked, len(x.plan.LeftOut) > 0, "%+v: it says why not", c)
	}
	x := laid(
		t,
		`{"kind":"monstera-deliciosa","causes":["root-rot"],"answers":{"potWidthCm":14},`+
			`"choices":{"potWidthCm":11}}`,
	)
	assert.Equal(t, 10.0, x.carersPot(10), "after root loss the pot is sized to the live roots")
}

func TestHowMuchIsSprayed(t *testing.T) {
	for old, want := range map[float64]float64{8: 50, 12: 50, 12.5: 150, 20: 150, 20.5: 400} {
		x := laid(
			t,
			fmt.Sprintf(`{"kind":"monstera-deliciosa","causes":["spider-mite"],"answers":{"potWidthCm":%v}}`, old),
		)
		assert.Equal(t, want, x.sprayML().Or(0), "%v cm", old)
	}
}

// What holds a root sitting back, on both sides of each limit.
func TestRootSittingsAreHeldFromTheirLimitOn(t *testing.T) {
	for _, c := range []struct {
		what, free, held, reason string
	}{
		{"a newcomer", `{"kind":"monstera-deliciosa","causes":["pot-bound"],"on":"2026-05-01",` +
			`"answers":{"newcomerDays":14}}`,
			`{"kind":"monstera-deliciosa","causes":["pot-bound"],"on":"2026-05-01",` +
				`"answers":{"newcomerDays":13}}`, "newcomer"},
		{"a room too cool", `{"kind":"monstera-deliciosa","causes":["pot-bound"],"on":"2026-05-01",` +
			`"place":{"warmthC":13}}`,
			`{"kind":"monstera-deliciosa","causes":["pot-bound"],"on":"2026-05-01",` +
				`"place":{"warmthC":12}}`, "temp"},
		{"a room too hot", `{"kind":"monstera-deliciosa","causes":["pot-bound"],"on":"2026-05-01",` +
			`"place":{"warmthC":32}}`,
			`{"kind":"monstera-deliciosa","causes":["pot-bound"],"on":"2026-05-01",` +
				`"place":{"warmthC":36}}`, "temp"},
		{"a bloom that is kept", `{"kind":"phalaenopsis-hybrid","causes":["medium-collapsed"],` +
			`"on":"2026-05-01","answers":{"spikes":1,"liveTips":2}}`,
			`{"kind":"phalaenopsis-hybrid","causes":["medium-collapsed"],"on":"2026-05-01",` +
				`"answers":{"spikes":1,"liveTips":2},"choices":{"spikes":"keep"}}`, "bloom"},
		{"no tip out of season", `{"kind":"phalaenopsis-hybrid","causes":["medium-collapsed"],` +
			`"on":"2026-12-10","answers":{"liveTips":1}}`,
			`{"kind":"phalaenopsis-hybrid","causes":["medium-collapsed"],"on":"2026-12-10",` +
				`"answers":{"liveTips":0}}`, "tips"},
		{"a tree in winter", `{"kind":"ficus-lyrata","causes":["pot-bound"],"on":"2026-10-31"}`,
			`{"kind":"ficus-lyrata","causes":["pot-bound"],"on":"2026-11-01"}`, "season"},
		{"a tree in early spring", `{"kind":"ficus-lyrata","causes":["pot-bound"],"on":"2027-03-01"}`,
			`{"kind":"ficus-lyrata","causes":["pot-bound"],"on":"2027-02-28"}`, "season"},
	} {
		reasons := func(text string) (list []string) {
			for _, h := range laid(t, text).holds(0) {
				list = append(list, h.reason)
			}
			return list
		}
		assert.NotContains(t, reasons(c.free), c.reason, c.what)
		assert.Contains(t, reasons(c.held), c.reason, c.what)
	}
}

// A cause that is doubtful beside a rival that the sitting would harm waits.
func TestDoubtIsSettledBeforeRootsAreTouched(t *testing.T) {
	for _, c := range []struct {
		chance, rival float64
		waits         bool
	}{{0.59, 0.15, true}, {0.60, 0.15, false}, {0.59, 0.14, false}} {
		x := laid(
			t,
			fmt.Sprintf(
				`{"kind":"monstera-deliciosa","causes":["root-rot"],"chances":{"root-rot":%v},`+
					`"rivals":{"drought":%v}}`,
				c.chance,
				c.rival,
			),
		)
		x.collect()
		assert.Equal(t, c.waits, x.unsure(), "%+v", c)
	}
}

// The weights of the schools change at their limits and nowhere else.
func TestSchoolTermsChangeAtTheirLimits(t *testing.T) {
	score := func(answers, place string, school treatment.School) int {
		s := situationOf(
			t,
			fmt.Sprintf(
				`{"kind":"phalaenopsis-hybrid","causes":["medium-collapsed"],"on":"2026-06-10","answers":{%s},`+
					`"place":{%s}}`,
				answers,
				place,
			),
		)
		list := Schools(s)
		i := slices.IndexFunc(list, func(x Scored) bool { return x.School == school })
		require.GreaterOrEqual(t, i, 0)
		return list[i].Score
	}
	roots := func(live int) string {
		return fmt.Sprintf(`"liveRoots":%d,"deadRoots":%d,"liveTips":2`, live, 100-live)
	}
	const half = `"liveRoots":50,"deadRoots":50,"liveTips":2`
	for _, c := range []struct {
		what         string
		under, above int
		want         int // what crossing it adds to the school
	}{
		{"half its roots, S0", score(roots(49), "", treatment.OwnMix), score(roots(50), "", treatment.OwnMix), 3 - 1},
		{"half its roots, S1", score(roots(49), "", treatment.Bridge), score(roots(50), "", treatment.Bridge), -3 - -1},
		{"some of its roots, S0", score(roots(14), "", treatment.OwnMix), score(roots(15), "", treatment.OwnMix), 1 - -2},
		{"no root, S0", score(roots(0), "", treatment.OwnMix), score(roots(1), "", treatment.OwnMix), -2 - -4},
		{"dry air, S6", score(half, `"humidityPct":44`, treatment.BareRoots), score(half, `"humidityPct":45`, treatment.BareRoots), 5},
		{"humid air, S6", score(half, `"humidityPct":59`, treatment.BareRoots), score(half, `"humidityPct":60`, treatment.BareRoots), 3},
		{"a cool room, S1", score(half, `"warmthC":17`, treatment.Bridge), score(half, `"warmthC":18`, treatment.Bridge), 4},
		{"a warm room, S6", score(half, `"warmthC":23`, treatment.BareRoots), score(half, `"warmthC":24`, treatment.BareRoots), 2},
		{"a daily look, S6", score(half, `"lookDays":3`, treatment.BareRoots), score(half, `"lookDays":2`, treatment.BareRoots), 3},
		{"a weekly look, S1", score(half, `"lookDays":6`, treatment.Bridge), score(half, `"lookDays":7`, treatment.Bridge), -4},
	} {
		assert.Equal(t, c.want, c.above-c.under, c.what)
	}
	refused := func(place string, school treatment.School) string {
		list := Schools(
			situationOf(
				t,
				fmt.Sprintf(
					`{"kind":"phalaenopsis-hybrid","causes":["medium-collapsed"],"on":"2026-06-10","answers":{%s},`+
						``+
						``+
						`"place":{%s}}`,
					half,
					place,
				),
			),
		)
		return list[slices.IndexFunc(list, func(x Scored) bool { return x.School == school })].Refused
	}
	for school, limit := range map[treatment.School][2]string{
		treatment.Bridge: {`"warmthC":17`, `"warmthC":18`}, treatment.ClayPot: {`"warmthC":17`, `"warmthC":18`},
		treatment.BareRoots: {`"humidityPct":39`, `"humidityPct":40`},
	} {
		assert.NotEmpty(t, refused(limit[0], school), school)
		assert.Empty(t, refused(limit[1], school), school)
	}
}

// What a plant bears against pests, on both sides of its limit.
func TestProductsAreTakenFromTheirLimitOn(t *testing.T) {
	has := func(text string, op treatment.OperatorID) bool {
		p, err := Plan(situationOf(t, text))
		require.NoError(t, err)
		return slices.ContainsFunc(p.Sittings, func(s treatment.Sitting) bool {
			return slices.ContainsFunc(s.Steps, func(x treatment.Step) bool { return x.Op == op })
		})
	}
	mites := func(warm, air int) string {
		return fmt.Sprintf(
			`{"kind":"monstera-deliciosa","causes":["spider-mite"],"on":"2026-06-10",`+
				`"choices":{"pestFirst":"predators"},"place":{"warmthC":%d,"humidityPct":%d}}`,
			warm,
			air,
		)
	}
	assert.True(t, has(mites(18, 55), treatment.Predators))
	assert.False(t, has(mites(17, 55), treatment.Predators), "too cool for them")
	assert.False(t, has(mites(18, 54), treatment.Predators), "too dry for those that eat mites")
	soap := func(warm int) string {
		return fmt.Sprintf(
			`{"kind":"monstera-deliciosa","causes":["spider-mite"],"on":"2026-06-10","place":{"warmthC":%d}}`,
			warm,
		)
	}
	assert.True(t, has(soap(30), treatment.Soap))
	assert.False(t, has(soap(31), treatment.Soap), "every product burns")
	grubs := func(warm int) string {
		return fmt.Sprintf(
			`{"kind":"monstera-deliciosa","causes":["root-grub"],"on":"2026-06-10","place":{"warmthC":%d}}`,
			warm,
		)
	}
	assert.True(t, has(grubs(12), treatment.Nematodes))
	assert.False(t, has(grubs(11), treatment.Nematodes), "nematodes do not move in the cold")
	dip := func(warm float64) treatment.Plan {
		p, err := Plan(
			situationOf(
				t,
				fmt.Sprintf(
					`{"kind":"saintpaulia-ionantha","causes":["broad-mite"],"on":"2026-06-10",`+
						`"choices":{"pestFirst":"hot-dip","dipC":%v}}`,
					warm,
				),
			),
		)
		require.NoError(t, err)
		return p
	}
	for warm, taken := range map[float64]bool{42.9: false, 43: true, 44: true, 44.1: false} {
		dips := 0
		for _, s := range dip(warm).Sittings {
			for _, x := range s.Steps {
				if x.Op == treatment.HotDip {
					dips++
					assert.Equal(t, taken, x.Params.WaterC.Or(0) == warm, "%v °C", warm)
				}
			}
		}
		assert.Positive(t, dips, "%v °C", warm)
	}
}
