package treatment_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/climate"
	"tendermend/core/treatment"
)

// wanted is one step that the trade asks for: its id, the days on which it may
// stand, and words without which it would mislead.
type wanted struct {
	id       string
	from, to int
	says     string
}

// The protocols as the trade teaches them, step by step: common practice.
func TestEachTreatmentHasTheStepsThatTheTradeAsksFor(t *testing.T) {
	for _, tc := range []struct {
		protocol, habit string
		causes          []string
		answers         treatment.Answers
		steps           []wanted
		none            []string
		expects         string
	}{
		{"P1", "aroid-vine", []string{"root-rot"}, treatment.Answers{}, []wanted{
			{"wash-roots", 0, 0, "soil off"}, {"tally", 0, 0, "firm tissue"}, {"root-wash-soap", 0, 0, "rinse"}, {"prepare-pot", 0, 0, "live roots"},
			{"clear-cover", 0, 0, "clear"}, {"watch-daily", 1, 1, "week"}, {"first-water", 2, 4, "light"}},
			[]string{"root-wash-peroxide", "root-wash-fungicide", "soak-below"}, "four months"},
		{"P1-orchid", "sympodial-orchid", []string{"root-rot"}, treatment.Answers{LiveRoots: ptr(12)}, []wanted{
			{"tally", 0, 0, "dry skin is no proof"}, {"dry-cut", 0, 0, "never on roots"}, {"first-water", 1, 3, "drained"}}, nil, "6-16"},
		{"P2", "aroid-clump", []string{"base-rot"}, treatment.Answers{}, []wanted{
			{"clean-tools", 0, 0, "between plants"}, {"cut-to-clean", 0, 0, "wiped between cuts"}, {"dry-cut", 0, 0, "never on roots"}, {"upright-dry", 0, 0, "nothing over the crown"}},
			[]string{"soak-below", "water-in"}, "three days"},
		{"P3", "soft-trailer", []string{"drought"}, treatment.Answers{}, []wanted{
			{"soak-below", 0, 0, "drain"}, {"check-core", 0, 0, "do not flood"}, {"wait-four-days", 1, 1, "four days"}, {"tidy", 4, 6, "root the ends"}, {"no-feed-month", 28, 35, "Not in the first month"}},
			[]string{"hold-water"}, "four days"},
		{"P4", "fern", []string{"medium-repels"}, treatment.Answers{}, []wanted{
			{"soak-below", 0, 0, "drop of mild soap"}, {"rewet-thirds", 0, 1, "third"}, {"fresh-when-settled", 14, 60, "repot when it is well"}}, nil, "heavy"},
		{"P5", "begonia", []string{"overwatering"}, treatment.Answers{}, []wanted{
			{"empty-saucer", 0, 0, "water"}, {"hold-water", 0, 0, "swings harm"}, {"loosen-surface", 0, 0, "light and air"}},
			[]string{"soak-below", "flush"}, "two weeks"},
		{"P6", "woody", []string{"pot-bound"}, treatment.Answers{}, []wanted{
			{"pre-soak", -1, 0, "day before"}, {"loosen-ball", 0, 1, "not washed bare"}, {"prepare-pot", 0, 1, "holes"}, {"water-in", 0, 1, "water right through"}}, nil, "stand still"},
		{"P6", "sympodial-orchid", []string{"base-buried"}, treatment.Answers{LiveRoots: ptr(12)}, []wanted{{"right-height", 0, 1, "on the medium, not in it"}}, nil, ""},
		{"P7", "begonia", []string{"edema"}, treatment.Answers{}, []wanted{
			{"move-air", 0, 0, "fan"}, {"drier-even", 0, 0, "dryness"}, {"compare-marks", 14, 14, "something else"}},
			[]string{"soap-dusk", "fungicide", "clear-cover"}, "new leaves"},
		{"P8", "succulent-rosette", []string{"sun-scorch"}, treatment.Answers{}, []wanted{
			{"out-of-sun", 0, 0, "morning sun until about eleven"}, {"spray-nothing", 0, 0, "stay while they still feed"}, {"back-by-steps", 14, 60, "A little more"}},
			[]string{"soap-dusk", "fungicide"}, "New leaves come clean"},
		{"P9", "soft-trailer", []string{"low-light"}, treatment.Answers{}, []wanted{
			{"more-light", 0, 0, "never from shade into sun"}, {"turn-and-trim", 0, 0, "two or more shoots"}, {"refill-tips", 0, 0, "Seven to nine tips in a pot of 15 cm"}, {"turn-weekly", 7, 7, "side"}}, nil, "shorter and greener"},
		{"P10", "fern", []string{"dry-air"}, treatment.Answers{}, []wanted{
			{"humidity-up", 0, 0, "Misting lasts minutes"}, {"free-leaf", 2, 2, "by hand"}}, nil, "opens whole"},
		{"P11", "palm", []string{"salt-injury"}, treatment.Answers{PotWidthCM: ptr(20.0)}, []wanted{
			{"flush", 0, 0, "each month"}, {"better-water", 0, 7, "low-mineral"}, {"no-feed-salts", 0, 0, "half the rate"}}, nil, "brown margin"},
		{"P12", "aroid-vine", []string{"mealybug"}, treatment.Answers{}, []wanted{
			{"isolate", 0, 0, "own tools"}, {"strip-worst", 0, 0, "bag"}, {"wash-down", 0, 0, "joints"}, {"dab", 0, 0, "not on the leaf"}, {"soap-dusk", 0, 0, "Not in sun"}, {"look-again", 5, 10, "hatched"}, {"look-third", 10, 20, "even if you see nothing"}, {"neighbours", 0, 2, "touched"}},
			[]string{"systemic", "diatomaceous"}, "Fewer"},
		{"P13", "cactus", []string{"root-mealybug"}, treatment.Answers{}, []wanted{
			{"isolate", 0, 0, "tray"}, {"bare-root", 0, 0, "white fluff"}, {"prepare-pot", 0, 0, "Clean"}, {"look-roots-again", 14, 28, "fluff again"}}, nil, "stands still"},
		{"P14", "palm", []string{"thrips"}, treatment.Answers{}, []wanted{
			{"strip-tips", 0, 0, "flowers"}, {"wash-down", 0, 0, "undersides"}, {"cards", 0, 2, "in the medium"}, {"look-again", 5, 10, ""}}, nil, "clean"},
		{"P14", "aroid-vine", []string{"spider-mite"}, treatment.Answers{PestFirst: "predators"}, []wanted{{"humidity-up", 0, 0, "Mites"}, {"predators", 0, 7, "no soap or oil"}}, []string{"soap-dusk", "cards", "systemic"}, ""},
		{"P15", "begonia", []string{"fungus-gnat"}, treatment.Answers{}, []wanted{
			{"dry-top", 0, 0, "dry"}, {"cards", 0, 2, "count"}, {"grit-top", 0, 0, "grit"}, {"larvicide", 3, 14, "label"}}, nil, "generation"},
		{"P16", "monopodial-orchid", []string{"slug-snail"}, treatment.Answers{LiveRoots: ptr(9)}, []wanted{
			{"night-search", 0, 0, "torch"}, {"heat-grit", 0, 0, "boil grit"}}, nil, "bites"},
		{"P17", "begonia", []string{"powdery-mildew"}, treatment.Answers{}, []wanted{
			{"remove-leaves", 0, 0, "bag"}, {"move-air", 0, 0, "dry by evening"}, {"dry-leaves", 0, 0, "not the leaves"}, {"fungicide", 1, 14, "label"}},
			[]string{"clear-cover"}, "No new mark"},
		{"P17", "aroid-clump", []string{"bacterial-spot"}, treatment.Answers{}, []wanted{{"remove-leaves", 0, 0, ""}}, []string{"fungicide"}, ""},
		{"P18", "monopodial-orchid", []string{"virus"}, treatment.Answers{LiveRoots: ptr(9)}, []wanted{
			{"isolate", 0, 0, ""}, {"own-tools", 0, 0, "for good"}, {"record-suspicion", 0, 0, "suspicion"}, {"decide-keeping", 14, 60, "The person decides"}},
			[]string{"fungicide", "refill-tips"}, "no cure"},
		{"P19", "aroid-clump", []string{"dormancy"}, treatment.Answers{}, []wanted{{"leave-at-rest", 0, 0, "normal now"}, {"look-monthly", 25, 31, "Soft is rot"}}, []string{"unpot", "flush", "soak-below", "feed"}, "days lengthen"},
		{"P20", "woody", []string{"settling-in"}, treatment.Answers{}, []wanted{{"settle-alone", 0, 0, "one place"}, {"look-fortnight", 14, 14, "falling"}}, []string{"unpot", "feed", "prepare-pot"}, "recovery"},
		{"P21", "sympodial-orchid", []string{"woken-early"}, treatment.Answers{LiveRoots: ptr(9)}, []wanted{{"hold-water", 0, 0, ""}, {"wait-for-roots", 7, 7, "small sips only if the back bulb withers"}}, []string{"soak-below", "feed", "unpot"}, "half-way"},
		{"P22", "monopodial-orchid", []string{"bloom-drain"}, treatment.Answers{LiveRoots: ptr(9), InSpike: ptr(true)}, []wanted{{"strip-spikes", 0, 0, "above the base"}, {"fair-water", 0, 0, "no feed"}}, []string{"keep-one-spike"}, ""},
		{"P22", "monopodial-orchid", []string{"offset-drain"}, treatment.Answers{LiveRoots: ptr(9), Plantlets: "wait"}, []wanted{{"offsets-later", 7, 30, "each fortnight"}}, []string{"take-offsets"}, ""},
		{"P23", "soft-trailer", []string{"detached"}, treatment.Answers{}, []wanted{{"fresh-cut", 0, 0, "below"}, {"root-it", 0, 0, "damp moss"}, {"look-roots", 14, 14, "two months"}, {"harden", 30, 60, "wider each few days"}}, nil, "two weeks"},
	} {
		s := situation(tc.habit, tc.causes...)
		s.Answers, s.Season = tc.answers, climate.Spring
		require.NotEmpty(t, s.Habit.ID, tc.habit)
		p := compose(t, s)
		name := tc.protocol + " on " + tc.habit
		assert.Contains(t, p.Protocols, tc.protocol, name)
		for _, w := range tc.steps {
			step := find(p, w.id)
			if !assert.NotNil(t, step, "%s: %s", name, w.id) {
				continue
			}
			after := int(step.On - start)
			assert.True(t, after >= w.from && after <= w.to, "%s: %s on day %d, wanted %d to %d", name, w.id, after, w.from, w.to)
			assert.Contains(t, step.Title+". "+step.How+" "+step.Entry+" "+step.Gate, w.says, "%s: %s", name, w.id)
		}
		for _, id := range tc.none {
			assert.Nil(t, find(p, id), "%s: %s has no place in it", name, id)
		}
		assert.Contains(t, strings.Join(p.Expect, " "), tc.expects, name)
	}
}
