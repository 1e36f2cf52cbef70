package check_test

import (
	"encoding/json"
	"regexp"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/gate"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
)

var (
	sitLine  = regexp.MustCompile(`^(?:d(\d+)|\[([^\]]+)\])([me]?): (.*)$`)
	stepLine = regexp.MustCompile(`^([a-z-]+)(?:\(([a-z ]+)\))?(\{.*\})?(?:/(\d+)>(.+))?$`)
)

// written reads a plan as it is written in the table below: a sitting a line,
// "d7m: look/7>d28; feed{"share":0.25}", with the organ in round brackets.
func written(t *testing.T, text string) (p treatment.Plan) {
	t.Helper()
	for line := range strings.SplitSeq(strings.TrimSpace(text), "|") {
		m := sitLine.FindStringSubmatch(strings.TrimSpace(line))
		require.NotNil(t, m, line)
		waits, err := gate.Read(m[2])
		require.NoError(t, err)
		s := treatment.Sitting{Slot: treatment.Morning, Gate: waits}
		if m[3] == "e" {
			s.Slot = treatment.Evening
		}
		if m[1] != "" {
			day, err := strconv.Atoi(m[1])
			require.NoError(t, err)
			s.Day = &day
		}
		for one := range strings.SplitSeq(m[4], "; ") {
			w := stepLine.FindStringSubmatch(one)
			require.NotNil(t, w, one)
			until, err := gate.Read(w[5])
			require.NoError(t, err)
			x := treatment.Step{Op: treatment.OperatorID(w[1]), Organ: treatment.Organ(w[2]), Until: until}
			_, known := treatment.OperatorByID(x.Op)
			require.True(t, known, "operator %s", x.Op)
			if w[3] != "" {
				require.NoError(t, json.Unmarshal([]byte(w[3]), &x.Params), one)
			}
			x.Every, _ = strconv.Atoi(w[4])
			s.Steps = append(s.Steps, x)
		}
		p.Sittings = append(p.Sittings, s)
	}
	return p
}

func breaks(t *testing.T, situation, text string, rule treatment.RuleID) bool {
	t.Helper()
	var s treatment.Situation
	require.NoError(t, json.Unmarshal([]byte(situation), &s), situation)
	list, err := check.Plan(s, written(t, text))
	require.NoError(t, err)
	for _, b := range list {
		if b.Rule == rule {
			return true
		}
	}
	return false
}

const (
	vine    = `"kind":"monstera-deliciosa","on":"2026-06-10"`
	moth    = `"kind":"phalaenopsis-hybrid","on":"2026-06-10"`
	cactus  = `"kind":"mammillaria-hahniana","on":"2026-06-10"`
	rescue  = `{` + vine + `,"causes":["root-rot"],"answers":{"rootBallCm":8,"potWidthCm":14}}`
	bound   = `{` + vine + `,"causes":["pot-bound"],"answers":{"rootBallCm":13,"potWidthCm":14}}`
	tub     = `{` + vine + `,"causes":["pot-bound"],"answers":{"rootBallCm":29,"potWidthCm":30}}`
	hungry  = `{` + vine + `,"causes":["nitrogen-low"],"answers":{"moist":"right"}}`
	mites   = `{` + vine + `,"causes":["spider-mite"]}`
	limpDry = `{` + vine + `,"causes":["spider-mite"],"answers":{"limp":true,"moist":"bone"}}`
)

// Every threshold of the rules on both sides of its limit. The limits are
// common practice; this table was written from the rules and not from the code.
func TestRulesHoldFromTheirLimitOn(t *testing.T) {
	for _, c := range []struct {
		rule            treatment.RuleID
		what            string
		situation       string
		inside, outside string
		outsideIn       string // another situation for the outside plan, where that is what changes
	}{
		{rule: treatment.NeverPartItLacks, what: "flowers stand open without a spike",
			situation: `{` + vine + `,"causes":["grey-mould"],"answers":{"spikes":0,"flowers":true}}`,
			inside:    `d0m: strip-spikes(flower)`, outside: `d0m: strip-spikes(flower)`,
			outsideIn: `{` + vine + `,"causes":["grey-mould"],"answers":{"spikes":0}}`},
		{rule: treatment.NeverRootsThirsty, what: "without a live root nothing drinks first",
			situation: `{` + vine + `,"causes":["dry-root-loss"],"answers":{"limp":true,"moist":"bone","liveRoots":0}}`,
			inside:    `d0m: unpot`, outside: `d0m: unpot`,
			outsideIn: `{` + vine + `,"causes":["dry-root-loss"],"answers":{"limp":true,"moist":"bone","liveRoots":1}}`},
		{rule: treatment.NeverStandingWater, what: "a glass of water has no saucer",
			situation: `{` + vine + `,"causes":["nectar"],"answers":{"seat":"jar","standing":true}}`,
			inside:    `d0m: baseline|d2m: look`, outside: `d0m: baseline|d2m: look`,
			outsideIn: `{` + vine + `,"causes":["nectar"],"answers":{"seat":"pot","standing":true}}`},
		{rule: treatment.NeverFeedDry, what: "an air plant is fed in its bath",
			situation: `{"kind":"tillandsia-ionantha","on":"2026-06-10","causes":["nitrogen-low"],"answers":{"moist":"dry"}}`,
			inside:    `d0m: feed`, outside: `d0m: feed`,
			outsideIn: `{` + vine + `,"causes":["nitrogen-low"],"answers":{"moist":"dry"}}`},
		{rule: treatment.NeverFeedDry, what: "on a slab it is fed while its roots are wetted",
			situation: `{` + moth + `,"causes":["nitrogen-low"],"answers":{"seat":"mount","moist":"dry"}}`,
			inside:    `d0m: feed|d1m: wet-roots`, outside: `d0m: feed`},
		{rule: treatment.NeverUnasked, what: "what was found dry through is soaked",
			situation: `{` + vine + `,"causes":["nectar"],"answers":{"moist":"bone"}}`,
			inside:    `d0m: soak`, outside: `d0m: soak`,
			outsideIn: `{` + vine + `,"causes":["nectar"],"answers":{"moist":"dry"}}`},
		{rule: treatment.NeverUnasked, what: "what hangs limp without a live root has moister air",
			situation: `{` + vine + `,"causes":["nectar"],"answers":{"limp":true,"liveRoots":0,"deadRoots":3}}`,
			inside:    `d0m: humidify`, outside: `d0m: humidify`,
			outsideIn: `{` + vine + `,"causes":["nectar"],"answers":{"limp":true,"liveRoots":1,"deadRoots":3}}`},
		{rule: treatment.NeverPotInGlass, what: "a top that is cut off goes out of its glass",
			situation: `{` + vine + `,"causes":["base-rot"],"answers":{"seat":"jar"}}`,
			inside:    `d0m: behead(stem)|d1m: pot-in`, outside: `d0m: wash-off|d1m: pot-in`},
		{rule: treatment.NeverPotInGlass, what: "what came off its roots goes out of its glass",
			situation: `{` + vine + `,"causes":["detached"],"answers":{"seat":"jar"}}`,
			inside:    `d0m: pot-in`, outside: `d0m: pot-in`,
			outsideIn: `{` + vine + `,"causes":["root-rot"],"answers":{"seat":"jar"}}`},
		{rule: treatment.NeverCutNothingRegrows, what: "a top with three roots of its own", situation: `{` + moth +
			`,"causes":["base-rot"],` +
			`"answers":{"rootsAboveCut":3}}`,
			inside: `d0m: behead(stem)`, outside: `d0m: behead(stem)`, outsideIn: `{` + moth + `,"causes":["base-rot"],` +
				`"answers":{"rootsAboveCut":2}}`},
		{rule: treatment.NeverDivideBelowLeast,
			what:      "pieces that came apart are sorted, a whole one of two growths is not parted",
			situation: `{"kind":"cattleya-hybrid","on":"2026-06-10","causes":["detached"],"answers":{"growths":2}}`,
			inside:    `d0m: part(rhizome)`, outside: `d0m: part(rhizome)`,
			outsideIn: `{"kind":"cattleya-hybrid","on":"2026-06-10","causes":["pot-bound"],"answers":{"growths":2}}`},
		{rule: treatment.NeverClosedCover, what: "a cover of which nothing is said is closed", situation: `{` + cactus +
			`,"causes":["root-rot"]}`,
			inside: `d0m: cover{"cover":"none"}`, outside: `d0m: cover`},
		{rule: treatment.NeverCoveredInSun, what: "no full sun while it is covered, however that was said",
			situation: mites,
			inside:    `d0m: cover{"cover":"none"}; brighten{"sun":true}`, outside: `d0m: cover; brighten{"sun":true}`},
		{rule: treatment.NeverCoverOffAtOnce, what: "a week is counted from when it was covered", situation: mites,
			inside: `d5m: cover|d12m: cover{"cover":"none"}`, outside: `d5m: cover|d13m: cover{"cover":"none"}`},
		{rule: treatment.NeverLightTooFast, what: "out of the shade into sun, two days later", situation: mites,
			inside: `d5m: shade|d7m: brighten{"sun":true}`, outside: `d5m: shade|d6m: brighten{"sun":true}`},
		{rule: treatment.NeverRotPutOff, what: "wilt fungus waits three days, beside root rot one", situation: `{` + vine +
			`,"causes":["fusarium"]}`,
			inside: `d3m: cut-rot(stem)`, outside: `d3m: cut-rot(stem)`,
			outsideIn: `{` + vine + `,"causes":["fusarium","root-rot"]}`},
		{rule: treatment.NeverBaseInWater, what: "a cup that reaches its base", situation: `{` + moth +
			`,"causes":["medium-collapsed"]}`,
			inside: `d0m: set-cup`, outside: `d0m: set-cup{"gapMM":-1}`},
		{rule: treatment.NeverFeedWrongWay, what: "a quarter of the strength into a tank",
			situation: `{"kind":"guzmania-lingulata",` +
				`"on":"2026-06-10","causes":["nitrogen-low"],"answers":{"moist":"right"}}`,
			inside: `d0m: feed{"share":0.25}`, outside: `d0m: feed{"share":0.3}`},
		{rule: treatment.NeverCautionLeftOut, what: "dust of soil needs its caution", situation: rescue,
			inside:  `d0m: ready-pot{"mix":[{"what":"clay pellets","parts":1}]}`,
			outside: `d0m: ready-pot{"mix":[{"what":"potting soil","parts":1}]}`},
		{rule: treatment.NeverThirdOfLeaves, what: "a third of the leaves", situation: `{` + vine +
			`,"causes":["fungal-spot"]}`,
			inside: `d0m: remove-leaves{"share":0.33}`, outside: `d0m: remove-leaves{"share":0.36}`},
		{rule: treatment.NeverThirdOfLeaves, what: "within thirty days", situation: `{` + vine +
			`,"causes":["fungal-spot"]}`,
			inside:  `d0m: remove-leaves{"share":0.2}|d30m: remove-leaves{"share":0.2}`,
			outside: `d0m: remove-leaves{"share":0.2}|d29m: remove-leaves{"share":0.2}`},
		{rule: treatment.NeverTidyThirsty, what: "tidied four days after its soak", situation: limpDry,
			inside: `d0m: soak|d4m: pull-dead`, outside: `d0m: soak|d3m: pull-dead`},
		{rule: treatment.NeverRootsBare, what: "six hours bare", situation: rescue,
			inside: `d0m: dry-cut{"hours":6}`, outside: `d0m: dry-cut{"hours":6.5}`},
		{rule: treatment.NeverRootsBare, what: "a piece bare for a day", situation: `{` + vine + `,"causes":["detached"]}`,
			inside: `d0m: dry-cut{"hours":24}`, outside: `d0m: dry-cut{"hours":25}`},
		{rule: treatment.NeverUnpotUnready, what: "a pot made ready two days before", situation: rescue,
			inside:  `d0m: ready-pot|d2m: unpot{"to":"hand"}; pot-in`,
			outside: `d0m: ready-pot|d3m: unpot{"to":"hand"}; pot-in`},
		{rule: treatment.NeverUnpotHeld, what: "a newcomer for fourteen days", situation: `{` + vine + `,` +
			`"causes":["pot-bound"],"answers":{"newcomerDays":4}}`,
			inside: `d10m: ready-pot; unpot; pot-up`, outside: `d9m: ready-pot; unpot; pot-up`},
		{rule: treatment.NeverRootsTwice, what: "four weeks between two root sittings", situation: `{` + vine + `,` +
			`"causes":["pot-bound"],"answers":{"rootSittingDaysAgo":20}}`,
			inside: `d8m: ready-pot; unpot; pot-up`, outside: `d7m: ready-pot; unpot; pot-up`},
		{rule: treatment.NeverRootsTwice, what: "four weeks between two of one plan", situation: bound,
			inside:  `d0m: ready-pot; unpot; pot-up|d28m: ready-pot; unpot; pot-up`,
			outside: `d0m: ready-pot; unpot; pot-up|d27m: ready-pot; unpot; pot-up`},
		{rule: treatment.NeverSucculentWet, what: "half of it mineral", situation: `{` + cactus + `,"causes":["root-rot"]}`,
			inside:  `d0m: ready-pot{"mix":[{"what":"pumice","parts":1},{"what":"potting soil","parts":1}]}`,
			outside: `d0m: ready-pot{"mix":[{"what":"pumice","parts":9},{"what":"potting soil","parts":10}]}`},
		{rule: treatment.NeverPotTooWide, what: "three centimetres round the live ball", situation: rescue,
			inside: `d0m: ready-pot{"potWidthCm":11}`, outside: `d0m: ready-pot{"potWidthCm":11.5}`},
		{rule: treatment.NeverPotTooWide, what: "never wider than the old pot", situation: `{` + vine + `,` +
			`"causes":["root-rot"],"answers":{"potWidthCm":14}}`,
			inside: `d0m: ready-pot{"potWidthCm":14}`, outside: `d0m: ready-pot{"potWidthCm":14.5}`},
		{rule: treatment.NeverPotNoWider, what: "pot-bound: wider", situation: bound,
			inside: `d0m: ready-pot{"potWidthCm":14.5}`, outside: `d0m: ready-pot{"potWidthCm":14}`},
		{rule: treatment.NeverPotUpTooFar, what: "five centimetres at once", situation: bound,
			inside: `d0m: pot-up{"potWidthCm":19}`, outside: `d0m: pot-up{"potWidthCm":19.5}`},
		{rule: treatment.NeverPotUpTooFar, what: "seven from a tub of thirty", situation: tub,
			inside: `d0m: pot-up{"potWidthCm":37}`, outside: `d0m: pot-up{"potWidthCm":37.5}`},
		{rule: treatment.NeverCoverOffAtOnce, what: "out of its cover in a week", situation: rescue,
			inside:  `d0m: cover{"cover":"closed"}|d8m: wean{"days":7}`,
			outside: `d0m: cover{"cover":"closed"}|d8m: wean{"days":6}`},
		{rule: treatment.NeverCoverOffAtOnce, what: "off at once in the first week", situation: rescue,
			inside:  `d0m: cover{"cover":"closed"}|d7m: cover{"cover":"none"}`,
			outside: `d0m: cover{"cover":"closed"}|d8m: cover{"cover":"none"}`},
		{rule: treatment.NeverLightTooFast, what: "a quarter more light", situation: `{` + vine +
			`,"causes":["low-light"]}`,
			inside: `d0m: brighten{"share":0.25}`, outside: `d0m: brighten{"share":0.3}`},
		{rule: treatment.NeverLightTooFast, what: "every third day", situation: `{` + vine + `,"causes":["low-light"]}`,
			inside:  `d0m: brighten{"share":0.25}|d3m: brighten{"share":0.25}`,
			outside: `d0m: brighten{"share":0.25}|d2m: brighten{"share":0.25}`},
		{rule: treatment.NeverLightOnWeak, what: "two weeks after a burn", situation: `{` + vine +
			`,"causes":["sun-scorch"]}`,
			inside: `d14m: brighten{"share":0.2}`, outside: `d13m: brighten{"share":0.2}`},
		{rule: treatment.NeverWarmTooFast, what: "two days after the cold", situation: `{` + vine +
			`,"causes":["cold-injury"]}`,
			inside: `d2m: temper{"toC":22}`, outside: `d1m: temper{"toC":22}`},
		{rule: treatment.NeverWarmTooFast, what: "warmed to eighteen at most", situation: `{` + vine +
			`,"causes":["cold-injury"]}`,
			inside: `d0m: temper{"toC":18}`, outside: `d0m: temper{"toC":19}`},
		{rule: treatment.NeverFeedWeak, what: "a quarter of its roots", situation: `{` + vine +
			`,"causes":["nitrogen-low"],` +
			`"answers":{"moist":"right","liveRoots":25,"deadRoots":75}}`,
			inside: `d0m: feed{"share":0.5}`, outside: `d0m: feed{"share":0.5}`,
			outsideIn: `{` + vine + `,"causes":["nitrogen-low"],"answers":{"moist":"right","liveRoots":24,` +
				`"deadRoots":76}}`},
		{rule: treatment.NeverFeedWeak, what: "four weeks after root work", situation: bound,
			inside:  `d0m: ready-pot; unpot; pot-up; first-water{"how":"through"}|d28m: feed`,
			outside: `d0m: ready-pot; unpot; pot-up; first-water{"how":"through"}|d27m: feed`},
		{rule: treatment.NeverFeedWeak, what: "eight weeks after salt", situation: `{` + vine +
			`,"causes":["salt-injury"]}`,
			inside: `d56m: feed`, outside: `d55m: feed`},
		{rule: treatment.NeverFeedWeak, what: "a newcomer for fourteen days", situation: `{` + vine + `,` +
			`"causes":["nitrogen-low"],"answers":{"moist":"right","newcomerDays":4}}`,
			inside: `d10m: feed`, outside: `d9m: feed`},
		{rule: treatment.NeverSoakRotting, what: "bare roots are dipped, whatever their pot lacks",
			situation: `{"kind":"vanda-hybrid","causes":["no-drainage"],"answers":{"seat":"mount","moist":"bone"}}`,
			inside:    `d0m: soak{"how":"dip"}`, outside: `d0m: soak{"how":"dip"}`,
			outsideIn: `{` + vine + `,"causes":["no-drainage"],"answers":{"moist":"bone"}}`},
		{rule: treatment.NeverProductOnWeak, what: "five days after its soak", situation: limpDry,
			inside: `d0m: soak|d5m: soap`, outside: `d0m: soak|d4m: soap`},
		{rule: treatment.NeverProductOnWeak, what: "thirty degrees", situation: `{` + vine + `,"causes":["spider-mite"],` +
			`"place":{"warmthC":30}}`,
			inside: `d0m: soap`, outside: `d0m: soap`, outsideIn: `{` + vine + `,"causes":["spider-mite"],` +
				`"place":{"warmthC":31}}`},
		{rule: treatment.NeverProductOnWeak, what: "five days after a burn", situation: `{` + vine +
			`,"causes":["spider-mite",` +
			`"sun-scorch"]}`,
			inside: `d5m: soap`, outside: `d4m: soap`},
		{rule: treatment.NeverSoapTooStrong, what: "soap of two per cent", situation: mites,
			inside: `d0m: soap{"mlPerL":20}`, outside: `d0m: soap{"mlPerL":21}`},
		{rule: treatment.NeverSoapTooStrong, what: "on roots half a millilitre in a litre", situation: rescue,
			inside: `d0m: soap(roots){"mlPerL":0.5}`, outside: `d0m: soap(roots){"mlPerL":0.6}`},
		{rule: treatment.NeverPredatorsPoisoned, what: "four weeks with predators", situation: mites,
			inside: `d0m: predators|d28m: soap`, outside: `d0m: predators|d27m: soap`},
		{rule: treatment.NeverPredatorsPoisoned, what: "predators a week after soap", situation: mites,
			inside: `d0m: soap|d7m: predators`, outside: `d0m: soap|d6m: predators`},
		{rule: treatment.NeverPredatorsPoisoned, what: "predators three weeks after a product", situation: mites,
			inside:  `d0m: label-drug{"class":"mite"}|d21m: predators`,
			outside: `d0m: label-drug{"class":"mite"}|d20m: predators`},
		{rule: treatment.NeverSulphurAfterOil, what: "sulphur a month from oil", situation: mites,
			inside:  `d0m: oil|d30m: label-drug{"class":"sulphur"}`,
			outside: `d0m: oil|d29m: label-drug{"class":"sulphur"}`},
		{rule: treatment.NeverSulphurAfterOil, what: "earth stays dry for four days", situation: `{` + vine +
			`,"causes":["thrips"]}`,
			inside: `d0m: earth|d4m: wash-down`, outside: `d0m: earth|d3m: wash-down`},
		{rule: treatment.NeverHazardousMix, what: "peroxide of three per cent", situation: rescue,
			inside: `d0m: peroxide{"concentration":0.03}`, outside: `d0m: peroxide{"concentration":0.031}`},
		{rule: treatment.NeverDipTooHot, what: "a bath of 44 degrees", situation: `{` + vine + `,"causes":["broad-mite"]}`,
			inside: `d0m: hot-dip{"waterC":44}`, outside: `d0m: hot-dip{"waterC":44.5}`},
		{rule: treatment.NeverDipTooHot, what: "a bath of 43 degrees", situation: `{` + vine + `,"causes":["broad-mite"]}`,
			inside: `d0m: hot-dip{"waterC":43}`, outside: `d0m: hot-dip{"waterC":42.5}`},
		{rule: treatment.NeverDipTooHot, what: "for twenty minutes", situation: `{` + vine + `,"causes":["broad-mite"]}`,
			inside: `d0m: hot-dip{"minutes":20}`, outside: `d0m: hot-dip{"minutes":21}`},
		{rule: treatment.NeverReleaseEarly, what: "let go two weeks after the last mark", situation: `{` + vine + `,` +
			`"causes":["fungal-spot"]}`,
			inside: `d14m: release`, outside: `d13m: release`},
		{rule: treatment.NeverReleaseEarly, what: "let go after its quarantine", situation: `{` + vine + `,` +
			`"causes":["settling-in"],"answers":{"newcomerDays":4}}`,
			inside: `d10m: release`, outside: `d9m: release`},
	} {
		t.Run(string(c.rule)+" "+c.what, func(t *testing.T) {
			assert.False(t, breaks(t, c.situation, c.inside, c.rule), "inside its limit")
			in := c.situation
			if c.outsideIn != "" {
				in = c.outsideIn
			}
			assert.True(t, breaks(t, in, c.outside, c.rule), "outside its limit")
		})
	}
}
