package compose

import (
	"encoding/json"
	"fmt"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/cause"
	"tendermend/core/state"
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
		orders: &orders{subject: x},
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
		{"monstera-deliciosa", 12, 14}, {"monstera-deliciosa", 13, 16}, {"monstera-deliciosa", 20, 23},
		{"monstera-deliciosa", 21, 25},
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
			`"place":{"warmthC":30}}`,
			`{"kind":"monstera-deliciosa","causes":["pot-bound"],"on":"2026-05-01",` +
				`"place":{"warmthC":30.5}}`, "temp"},
		{"few roots do not wait", `{"kind":"monstera-deliciosa","causes":["dry-root-loss"],"on":"2026-05-01",` +
			`"answers":{"newcomerDays":3,"liveRoots":24,"deadRoots":76}}`,
			`{"kind":"monstera-deliciosa","causes":["dry-root-loss"],"on":"2026-05-01",` +
				`"answers":{"newcomerDays":3,"liveRoots":25,"deadRoots":75}}`, "newcomer"},
		{"a shrivelled plant does not wait", `{"kind":"cattleya-mini-hybrid","causes":["dry-root-loss"],` +
			`"on":"2026-05-01","answers":{"newcomerDays":3,"reserves":"shrivelled","liveRoots":49,"deadRoots":51}}`,
			`{"kind":"cattleya-mini-hybrid","causes":["dry-root-loss"],` +
				`"on":"2026-05-01","answers":{"newcomerDays":3,"reserves":"shrivelled","liveRoots":50,"deadRoots":50}}`,
			"newcomer"},
		{"a rotten medium does not wait", `{"kind":"monstera-deliciosa","causes":["pot-bound"],"on":"2026-05-01",` +
			`"answers":{"newcomerDays":3,"medium":"rotten"}}`,
			`{"kind":"monstera-deliciosa","causes":["pot-bound"],"on":"2026-05-01",` +
				`"answers":{"newcomerDays":3,"medium":"tired"}}`, "newcomer"},
		{"a moth orchid in the warmth needs no tip", `{"kind":"phalaenopsis-hybrid","causes":["dry-root-loss"],` +
			`"on":"2026-12-10","answers":{"liveTips":0,"liveRoots":6,"deadRoots":4},"place":{"warmthC":18}}`,
			`{"kind":"phalaenopsis-hybrid","causes":["dry-root-loss"],` +
				`"on":"2026-12-10","answers":{"liveTips":0,"liveRoots":6,"deadRoots":4},"place":{"warmthC":17.5}}`, "tips"},
		{"a cactus sleeps from November", `{"kind":"mammillaria-hahniana","causes":["pot-bound"],"on":"2026-10-31"}`,
			`{"kind":"mammillaria-hahniana","causes":["pot-bound"],"on":"2026-11-01"}`, "rest"},
		{"a bloom that is kept", `{"kind":"phalaenopsis-hybrid","causes":["medium-collapsed"],` +
			`"on":"2026-05-01","answers":{"spikes":1,"liveTips":2}}`,
			`{"kind":"phalaenopsis-hybrid","causes":["medium-collapsed"],"on":"2026-05-01",` +
				`"answers":{"spikes":1,"liveTips":2},"choices":{"spikes":"keep"}}`, "bloom"},
		{"no tip out of season", `{"kind":"cattleya-mini-hybrid","causes":["medium-collapsed"],` +
			`"on":"2026-12-10","answers":{"liveTips":1}}`,
			`{"kind":"cattleya-mini-hybrid","causes":["medium-collapsed"],"on":"2026-12-10",` +
				`"answers":{"liveTips":0}}`, "tips"},
		{"a tree in winter", `{"kind":"ficus-lyrata","causes":["pot-bound"],"on":"2026-10-31"}`,
			`{"kind":"ficus-lyrata","causes":["pot-bound"],"on":"2026-11-01"}`, "season"},
		{"a tree in early spring", `{"kind":"ficus-lyrata","causes":["pot-bound"],"on":"2027-03-01"}`,
			`{"kind":"ficus-lyrata","causes":["pot-bound"],"on":"2027-02-28"}`, "season"},
	} {
		reasons := func(text string) (list []string) {
			x := laid(t, text)
			x.asks = x.Causes
			for _, h := range x.holds(0) {
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
		{"dry air, S6", score(half, `"humidityPct":44`, treatment.BareRoots),
			score(half, `"humidityPct":45`, treatment.BareRoots), 5},
		{"humid air, S6", score(half, `"humidityPct":59`, treatment.BareRoots),
			score(half, `"humidityPct":60`, treatment.BareRoots), 3},
		{"a cool room, S1", score(half, `"warmthC":17`, treatment.Bridge), score(half, `"warmthC":18`, treatment.Bridge),
			4},
		{"a warm room, S6", score(half, `"warmthC":23`, treatment.BareRoots),
			score(half, `"warmthC":24`, treatment.BareRoots), 2},
		{"a daily look, S6", score(half, `"lookDays":3`, treatment.BareRoots),
			score(half, `"lookDays":2`, treatment.BareRoots), 3},
		{"a weekly look, S1", score(half, `"lookDays":6`, treatment.Bridge), score(half, `"lookDays":7`, treatment.Bridge),
			-4},
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
	assert.False(t, has(soap(31), treatment.Soap), "what is sprayed burns")
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

// What else in a case speaks for or against a side, one thing at a time.
func TestSidesGiveWayToWhatElseIsThere(t *testing.T) {
	ops := func(text string) (list []treatment.OperatorID) {
		p, err := Plan(situationOf(t, text))
		require.NoError(t, err)
		for _, s := range p.Sittings {
			for _, x := range s.Steps {
				list = append(list, x.Op)
			}
		}
		return list
	}
	const vine = `{"kind":"monstera-deliciosa","on":"2026-06-10",`
	wants := func(causes, side, more string) []treatment.OperatorID {
		return ops(
			vine + `"causes":[` + causes + `],"choices":{"pestFirst":"` + side + `"},"place":{"warmthC":22,"humidityPct":70}` +
				more + `}`,
		)
	}
	thrips := func(warm int) []treatment.OperatorID {
		return ops(fmt.Sprintf(
			vine+`"causes":["thrips"],"choices":{"pestFirst":"predators"},"place":{"warmthC":%d,"humidityPct":70}}`,
			warm,
		))
	}
	assert.Contains(t, thrips(27), treatment.Predators)
	assert.NotContains(t, thrips(28), treatment.Predators, "too warm for those that eat thrips")
	assert.Contains(t, wants(`"spider-mite"`, "predators", ""), treatment.Predators)
	assert.NotContains(t, wants(`"spider-mite","aphid"`, "predators", ""), treatment.Predators, "one eater, two pests")
	assert.NotContains(t, wants(`"spider-mite","root-rot"`, "predators", ""), treatment.Predators, "beside rot")
	assert.Contains(t, wants(`"mealybug"`, "systemic", ""), treatment.Systemic)
	for what, more := range map[string]string{
		"bees":           `,"household":{"pollinators":true}`,
		"eaten":          `,"household":{"edible":true}`,
		"outside, bloom": `,"answers":{"spikes":1},"place":{"warmthC":22,"outdoors":true}`,
	} {
		text := vine + `"causes":["mealybug"],"choices":{"pestFirst":"systemic"}` + more + `}`
		assert.NotContains(t, ops(text), treatment.Systemic, what)
	}
	outside := vine + `"causes":["mealybug"],"choices":{"pestFirst":"systemic"},"answers":{"spikes":0},` +
		`"place":{"warmthC":22,"outdoors":true}}`
	assert.Contains(t, ops(outside), treatment.Systemic, "outside without bloom")
}

// A plant is thrown away by choice only where that is a choice.
func TestDiscardingIsAChoiceOnlyWhereItIsGrave(t *testing.T) {
	bins := func(text string) bool {
		p, err := Plan(situationOf(t, text))
		require.NoError(t, err)
		return slices.ContainsFunc(p.Sittings, func(s treatment.Sitting) bool {
			return slices.ContainsFunc(s.Steps, func(x treatment.Step) bool { return x.Op == treatment.Discard })
		})
	}
	const now = `"on":"2026-06-10","choices":{"discard":"now"}`
	for _, grave := range []string{"mealybug", "rust", "root-rot", "drought"} {
		assert.True(t, bins(`{"kind":"monstera-deliciosa","causes":["`+grave+`"],`+now+`}`), grave)
	}
	for _, light := range []string{"pot-bound", "edema", "nectar", "low-light"} {
		assert.False(t, bins(`{"kind":"monstera-deliciosa","causes":["`+light+`"],`+now+`}`), light)
	}
	assert.False(t, bins(`{"kind":"monstera-deliciosa","causes":[],"wish":"refresh",`+now+`}`), "a wish")
	const spent = `{"kind":"guzmania-lingulata","causes":["spent-rosette","mealybug"],`
	assert.True(t, bins(spent+`"answers":{"pups":0,"plantlets":0},`+now+`}`))
	assert.False(t, bins(spent+`"answers":{"pups":1},`+now+`}`), "it lives on in its pup")
	assert.False(t, bins(spent+`"answers":{"plantlets":1},`+now+`}`), "it lives on in its offset")
}

// What was done under the plan before is not asked for again.
func TestAPlanMadeAnewLeavesOutWhatIsDone(t *testing.T) {
	asked := func(done string) (list []treatment.OperatorID) {
		p, err := Plan(
			situationOf(
				t,
				`{"kind":"monstera-deliciosa","causes":["mealybug"],"on":"2026-06-10","answers":{`+done+`}}`,
			),
		)
		require.NoError(t, err)
		for _, s := range p.Sittings {
			for _, x := range s.Steps {
				list = append(list, x.Op)
			}
		}
		return list
	}
	assert.Subset(t, asked(""), []treatment.OperatorID{treatment.Isolate, treatment.Baseline, treatment.Soap})
	again := asked(`"done":[{"event":"isolate","day":-3},{"event":"baseline","day":-3},{"event":"soap","day":-3}]`)
	assert.NotContains(t, again, treatment.Isolate)
	assert.NotContains(t, again, treatment.Baseline)
	assert.Contains(t, again, treatment.Soap, "a spray is repeated")
}

// The weights of the schools, S0 to S6, as growers judge them (common practice),
// written out once more by hand. "One value in a row of alternatives holds for
// the first only."
const schoolWeights = `
half or more of its roots live               |  3 -3  1 -2  1  1  0
some of its roots live                       |  1 -1  0  1  2  0  1
few of its roots live                        | -2  2 -1  1  1 -2  1
it has no live root                          | -4  3 -2  2 -1 -4 -2
tips are growing                             |  1  1 -1  0  0  3  1
no tip is growing                            |  0  0  1  0  1 -4  0
it is plump                                  |  0  0  3  3  0  0  0
its reserves are ridged                      |  0  1 -1  0  1  0  0
it is shrivelled                             | -1  3 -4 -3  2 -1  1
its base rots                                |  0 -5  0  2 -4 -3  0
its medium is rotten, sour or infested       |  2  0  0  1 -1  0  1
it is only drained, its medium is sound      | -3 -4  5 -2 -2 -3 -2
the air is humid                             |  0  0  0  2  0  0  3
the air is dry                               |  0  2  0 -2  2  1 -5
the room is cool                             |  0 -4  1  0 -3 -3 -3
the room is warm                             |  0  1  0  0  1  1  2
you look every day or two                    |  0  2  0  0  0  0  3
you look once a week or less                 |  1 -4  1  1  0  3 -5
you water heavily                            |  0 -1 -1  2 -3  0  1
its roots grew in moss                       |  0  0  0 -1  4 -2  0
its roots grew in clay                       |  0  0  0  0  0  4  0
its roots live in air                        | -3  0 -1 -1 -3 -3  5
its roots do not live in air                 |  0  0  0  0  0  0 -3
it has no bulbs to live on                   |  1 -1 -1 -9  3  0 -4
a single stem whose roots do not live in air |  0  1  0 -3  1  0  0
nobody wishes for another set-up             |  0  0  0  0  0 -3  0
it drops its leaves in winter                |  2  0  2  0 -1  0 -1
a ground orchid of the forest floor          |  3 -3 -5 -5  6 -3  0
it is not growing now                        | -1  0  2  0  0 -2  0
one set-up for many plants                   |  0 -1  0  0  0  4  0
a clear cup is in stock                      |  0  1  0  0  0  0  0
clay is in stock                             |  0  0  0  0  0  1  0
a basket is in stock                         |  0  0  0  0  0  0  1
`

func TestSchoolsAreWeighedAsGrowersJudgeThem(t *testing.T) {
	rows := strings.Split(strings.TrimSpace(schoolWeights), "\n")
	require.Len(t, terms, len(rows))
	for i, row := range rows {
		name, weights, _ := strings.Cut(row, "|")
		assert.Equal(t, strings.TrimSpace(name), terms[i].text)
		var want [7]int
		for k, w := range strings.Fields(weights) {
			n, err := strconv.Atoi(w)
			require.NoError(t, err)
			want[k] = n
		}
		assert.Equal(t, want, terms[i].s, name)
	}
}

// A pest is said to be out of reach only where nothing reaches it: a label
// product counts by its class and by where it goes.
func TestWhatReachesAPest(t *testing.T) {
	drug := func(class string, organ treatment.Organ) step {
		return step{Op: treatment.LabelDrug, Organ: organ, Params: treatment.Params{Class: class}}
	}
	for _, c := range []struct {
		step step
		pest cause.ID
		want bool
	}{
		{drug("insect", "leaf"), cause.Thrips, true}, // lives on leaves, rests in the medium
		{drug("insect", "soil"), cause.Thrips, true},
		{drug("mite", "leaf"), cause.Thrips, false},
		{drug("insect", "leaf"), cause.RootMealybug, false},
		{drug("insect", "soil"), cause.RootMealybug, true},
		{drug("insect", "leaf"), cause.Aphid, true},
		{drug("insect", "soil"), cause.Aphid, false},
		{do(treatment.Soap, organ("leaf")), cause.Aphid, true},
		{do(treatment.Soap, organ("leaf")), cause.ArmouredScale, false},
		{do(treatment.WashOff), cause.RootMealybug, true},
		{do(treatment.Soap), cause.RootRot, false}, // no pest
	} {
		assert.Equal(
			t,
			c.want,
			meets(c.step, c.pest),
			"%s %s %s: %s",
			c.step.Op,
			c.step.Params.Class,
			c.step.Organ,
			c.pest,
		)
	}
	p, err := Plan(
		situationOf(t, `{"kind":"dieffenbachia-seguine","causes":["thrips","anthracnose"],"on":"2027-01-09"}`),
	)
	require.NoError(t, err)
	for _, l := range p.LeftOut {
		assert.NotEqual(t, "thrips", l.Op, "it is sprayed")
	}
}

// What a step wets stands over what the evening's rule forbids: soap on bare
// roots wets no leaf, soap on the plant wets all of it.
func TestSoapOnTheRootsWetsNoLeaf(t *testing.T) {
	for where, wet := range map[string]bool{"roots": false, "": true, "leaves": true} {
		w := laid(t, `{"kind":"monstera-deliciosa","causes":["root-mealybug"]}`).begin()
		w.do(step{Op: treatment.Soap, Params: treatment.Params{Where: where}})
		assert.Equal(t, wet, w.Wet&state.Leaves != 0, "soap on %q", where)
	}
}

// A feed asked for beside root work waits for the roots, not for the calendar;
// beside a wish that opens no root it is given in its time.
func TestAFeedBesideRootWorkWaitsForTheRoots(t *testing.T) {
	feeds := func(causes string) (gates []string) {
		p, err := Plan(situationOf(t, `{"kind":"monstera-deliciosa","on":"2026-05-10","causes":[`+causes+`],`+
			`"answers":{"moist":"right","newcomerDays":400,"liveRoots":20,"deadRoots":0,"rootBallCm":14,"potWidthCm":15}}`))
		require.NoError(t, err)
		for _, s := range p.Sittings {
			for _, x := range s.Steps {
				if x.Op == treatment.FeedIt {
					gates = append(gates, s.Gate.Words())
				}
			}
		}
		return gates
	}
	alone, beside := feeds(`"nitrogen-low"`), feeds(`"nitrogen-low","pot-bound"`)
	require.NotEmpty(t, alone)
	require.NotEmpty(t, beside)
	assert.Contains(t, alone, "", "by the calendar")
	assert.NotContains(t, beside, "", "by what is seen")
}

// Tonic is given to a plant that can take it up: not where it rests, and from
// 0.15 of its roots on.
func TestTonicWantsSomeRoots(t *testing.T) {
	for live, given := range map[int]bool{14: false, 15: true} {
		x := laid(t, fmt.Sprintf(`{"kind":"cattleya-hybrid","causes":["medium-collapsed"],"on":"2026-06-10",`+
			`"answers":{"liveRoots":%d,"deadRoots":%d},"choices":{"school":"S2"}}`, live, 100-live))
		x.school = treatment.Rest
		h := &here{
			world: x.begin(),
			step:  do(treatment.Supplement, with(func(p *treatment.Params) { p.What = "root tonic" })),
		}
		assert.Equal(t, !given, h.feedWhen().do == drop, "%d live roots of a hundred", live)
	}
}

// Fewer than ten live roots fill no wide pot, however few died beside them; worked by hand from 0.75 of the old pot.
func TestFewRootsWantASmallPot(t *testing.T) {
	for live, want := range map[float64]string{2: "6.5 to 10 cm", 9: "13 to 17 cm", 10: "14 to 18 cm", 18: "14 to 18 cm"} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"restrepia-antennifera","causes":["detached"],"on":"2026-05-15",
			"answers":{"moist":"dry","liveRoots":%g,"deadRoots":0,"potWidthCm":18},"place":{"warmthC":20}}`, live),
			treatment.ReadyPot)
		require.NotEmpty(t, words)
		assert.Contains(t, words[0], want, live)
	}
}

// Bulbs and tubers are set as deep as their genus wants it; a ball that stays whole keeps its height.
func TestHowDeepABulbIsSet(t *testing.T) {
	for kind, deep := range map[string]string{
		"hippeastrum-hybrid": "upper half of the bulb free", "zantedeschia-elliottiana": "3 to 5 cm deep",
		"narcissus-tazetta": "neck of the bulb free", "clivia-miniata": "base at its old height",
	} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":["base-rot"],"on":"2026-05-15",
			"answers":{"moist":"wet","potWidthCm":14},"place":{"warmthC":20}}`, kind), treatment.PotIn)
		require.NotEmpty(t, words, kind)
		assert.Contains(t, words[0], deep)
	}
	whole, _ := said(t, `{"kind":"zantedeschia-elliottiana","causes":["water-roots"],"on":"2026-05-15",
		"answers":{"moist":"right","potWidthCm":14,"liveRoots":18,"deadRoots":0},"place":{"warmthC":20}}`, treatment.PotIn)
	require.NotEmpty(t, whole)
	assert.Contains(t, whole[0], "at its old height")
}
