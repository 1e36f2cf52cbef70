package record_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/plant"
	"tendermend/core/roots"
	"tendermend/record"
	"tendermend/record/due"
)

func p[T any](v T) *T { return &v }

func TestATallyAnswersForTheRootsAndForGates(t *testing.T) {
	b := newBook(t)
	b.write(20, record.Body{Potted: &record.Potted{WidthCM: p(16.0), Medium: "peat"}})
	b.write(
		10,
		record.Body{
			Tallied: &record.Tallied{
				Tally: roots.Tally{
					InMedium:   roots.Count{Live: 2, Mushy: 9, DeadDry: 3},
					LongestMM:  p(35.0),
					Tips:       p(0),
					RootBallCM: p(6.0),
				},
			},
		},
	)
	for sign, present := range map[string]bool{"root.few-live": true, "root.firm": false, "root.mushy": true,
		"root.dry-dead": true, "root.no-tips": true, "pot.oversize": true} {
		d := derived(b.state(), sign)
		if assert.NotNil(t, d, sign) {
			assert.Equal(t, present, d.Present, sign)
			assert.NotEmpty(t, d.Working.Formula, sign)
			assert.Regexp(t, `^[0-9A-Z]`, d.Why, sign)
		}
	}
	longest, ok := b.state().Readings.Last("longest-root")
	assert.True(t, ok)
	assert.Equal(t, 35.0, longest.Value)

	b.write(3, check("live-tips", 2))
	assert.False(t, derived(b.state(), "root.no-tips").Present, "the newer count stands")
	b.write(2, record.Body{Potted: &record.Potted{WidthCM: p(9.0)}})
	assert.False(t, derived(b.state(), "pot.oversize").Present, "in a smaller pot since")
	assert.NotEmpty(t, b.try(0, record.Body{Tallied: &record.Tallied{}}))
	assert.NotEmpty(
		t,
		b.try(0, record.Body{Tallied: &record.Tallied{Tally: roots.Tally{InAir: roots.Count{Live: -1}}}}),
	)
}

func TestHungerAndExcessAreReadFromTheFeeds(t *testing.T) {
	b := newBook(t)
	old := b.entries[0]
	b.entries = nil
	old.On = today - 400
	b.add(old)
	assert.Nil(t, derived(b.state(), "care.feed-none"), "nobody keeps a record of care here")
	b.write(200, record.Body{Fed: &record.Fed{Strength: 0.5}})
	assert.True(t, derived(b.state(), "care.feed-none").Present)
	b.write(100, record.Body{Potted: &record.Potted{Medium: "fresh bark"}})
	assert.False(t, derived(b.state(), "care.feed-none").Present, "fresh medium feeds")
	assert.Nil(t, derived(b.state(), "care.feed-heavy"))
	b.write(20, record.Body{Fed: &record.Fed{Strength: 0.5}})
	assert.False(t, derived(b.state(), "care.feed-heavy").Present)
	b.write(10, record.Body{Fed: &record.Fed{Strength: 2, Product: "tomato feed"}})
	assert.True(t, derived(b.state(), "care.feed-heavy").Present)
	assert.ErrorContains(t, b.try(0, record.Body{Fed: &record.Fed{Strength: 50}}), "cannot be right")
}

// Compost has no label and no strength: it feeds a little for three months, and never too
// much.
func TestWhatHasNoLabelFeedsForAWhile(t *testing.T) {
	for _, c := range []struct {
		ago    int
		hungry bool
	}{{269, false}, {270, true}} { // 90 days of food, then 180 without
		b := newBook(t)
		old := b.entries[0]
		b.entries = nil
		old.On = today - 400
		b.add(old)
		b.write(c.ago, record.Body{Fed: &record.Fed{Slow: "compost"}})
		assert.Equal(t, c.hungry, derived(b.state(), "care.feed-none").Present, "%d days ago", c.ago)
		assert.Nil(t, derived(b.state(), "care.feed-heavy"))
	}
	b := newBook(t)
	for range 3 {
		b.write(3, record.Body{Fed: &record.Fed{Slow: "castings"}})
	}
	assert.Nil(t, derived(b.state(), "care.feed-heavy"), "it has no strength")
	assert.ErrorContains(t, b.try(0, record.Body{Fed: &record.Fed{Slow: "guano"}}), "pick one of the list")
	assert.ErrorContains(t, b.try(0, record.Body{Fed: &record.Fed{Slow: "compost", Strength: 0.5}}), "leave it out")
	assert.ErrorContains(t, b.try(0, record.Body{Fed: &record.Fed{}}), "cannot be right")
}

func TestReadingsOfThePlaceAreHeldAgainstTheKind(t *testing.T) {
	b := newBook(t) // Monstera adansonii: DLI from 3, 13 to 33 °C, 45 % and more
	assert.Nil(t, derived(b.state(), "place.cold"))
	b.write(
		5,
		record.Body{
			Metered: &record.Metered{
				Lux:         p(1500.0),
				Hours:       p(8.0),
				MinC:        p(11.0),
				MaxC:        p(24.0),
				HumidityPct: p(34.0),
			},
		},
	)
	low := derived(b.state(), "place.low-light")
	require.NotNil(t, low)
	assert.True(t, low.Present)
	assert.InDelta(t, 1500.0/54*8*0.0036, low.Working.Inputs[2].Value, 1e-9, "by hand")
	assert.True(t, derived(b.state(), "place.cold").Present)
	assert.False(t, derived(b.state(), "place.heat").Present)
	assert.True(t, derived(b.state(), "place.dry-air").Present)

	b.write(
		4,
		record.Body{
			Adjusted: &record.Adjusted{
				Wishes: plant.Wishes{Temperature: &[3]float64{8, 20, 30}},
				Reason: "a hardy one, from outdoors",
			},
		},
	)
	assert.False(t, derived(b.state(), "place.cold").Present, "this one bears more")
	assert.Equal(t, 8.0, b.state().Profile.Temperature[0])
	b.write(3, record.Body{Adjusted: &record.Adjusted{Reason: "it suffered after all"}})
	assert.True(t, derived(b.state(), "place.cold").Present)

	for _, bad := range []record.Metered{{}, {MinC: p(30.0), MaxC: p(10.0)}, {HumidityPct: p(140.0)},
		{Lux: p(100.0), Lamp: "candle"}} {
		assert.NotEmpty(t, b.try(0, record.Body{Metered: &bad}), "%+v", bad)
	}
	assert.ErrorContains(
		t,
		b.try(
			0,
			record.Body{Adjusted: &record.Adjusted{Wishes: plant.Wishes{Humidity: &[2]float64{80, 20}}, Reason: "r"}},
		),
		"rising",
	)
	assert.ErrorContains(t, b.try(0, record.Body{Adjusted: &record.Adjusted{}}), "say why")
}

func TestTwoCountsTellWhetherMarksSpread(t *testing.T) {
	b := newBook(t)
	b.write(20, check("marked-leaves", 3))
	assert.Nil(t, derived(b.state(), "course.spreading"))
	b.write(17, check("marked-leaves", 5))
	assert.Nil(t, derived(b.state(), "course.spreading"), "three days are too short")
	b.write(10, check("marked-leaves", 6))
	assert.True(t, derived(b.state(), "course.spreading").Present)
	b.write(1, check("marked-leaves", 3))
	still := derived(b.state(), "course.static")
	require.NotNil(t, still)
	assert.True(t, still.Present)
	assert.Nil(t, derived(b.state(), "course.spreading"))
}

func TestPlumpnessIsReadOnlyWhereThereAreBulbs(t *testing.T) {
	b := newBook(t)
	b.write(3, check("plump", 2))
	assert.Nil(t, derived(b.state(), "stem.shrivelled-newest"), "a vine has no bulbs")
	b.entries[0].Arrived.Habit, b.entries[0].Arrived.Profile = "sympodial-orchid", ""
	assert.True(t, derived(b.state(), "stem.shrivelled-newest").Present)
	b.write(2, check("plump", 4, "plump-oldest", 2))
	assert.False(t, derived(b.state(), "stem.shrivelled-newest").Present)
	assert.True(t, derived(b.state(), "stem.shrivelled-oldest").Present)
	for newest, alone := range map[int]bool{1: false, 2: false, 3: true, 4: true, 5: true} {
		b.write(1, check("plump", newest, "plump-oldest", 2))
		assert.Equal(t, alone, derived(b.state(), "stem.shrivelled-oldest").Present, "the newest reads %d", newest)
	}
}

// Light without its hours says nothing of a day; the coldest and the warmest reading
// are each taken from where they were read.
func TestReadingsOfAPlaceAreTakenWhereTheyWereRead(t *testing.T) {
	b := newBook(t)
	b.write(5, record.Body{Metered: &record.Metered{Lux: pointer(100)}})
	assert.Nil(t, derived(b.state(), "place.low-light"))
	b.write(4, record.Body{Metered: &record.Metered{Lux: pointer(100), Hours: pointer(10)}})
	assert.True(t, derived(b.state(), "place.low-light").Present)
	b.write(3, record.Body{Metered: &record.Metered{Lux: pointer(100000)}})
	assert.True(t, derived(b.state(), "place.low-light").Present, "the last with its hours counts")
	b.write(3, record.Body{Metered: &record.Metered{MaxC: pointer(25)}})
	assert.Nil(t, derived(b.state(), "place.cold"), "nobody read the night")
	b.write(2, record.Body{Metered: &record.Metered{MinC: pointer(2)}})
	b.write(1, record.Body{Metered: &record.Metered{MinC: pointer(18)}})
	cold := derived(b.state(), "place.cold")
	if assert.NotNil(t, cold) {
		assert.True(t, cold.Present)
		assert.Equal(t, today-2, cold.On)
	}
}

// The live root ball is the last that was measured, and the pot is held against it.
func TestTheLastRootBallCounts(t *testing.T) {
	b := newBook(t)
	b.write(30, record.Body{Potted: &record.Potted{WidthCM: pointer(20), Medium: "bark"}})
	b.write(20, record.Body{Tallied: &record.Tallied{Tally: roots.Tally{RootBallCM: pointer(5)}}})
	assert.True(t, derived(b.state(), "pot.oversize").Present)
	b.write(10, record.Body{Tallied: &record.Tallied{Tally: roots.Tally{LongestMM: pointer(50)}}})
	assert.True(t, derived(b.state(), "pot.oversize").Present, "a tally without it changes nothing")
	b.write(5, record.Body{Tallied: &record.Tallied{Tally: roots.Tally{RootBallCM: pointer(17)}}})
	assert.False(t, derived(b.state(), "pot.oversize").Present)
}

func TestWhatItTurnedOutToBeStandsBesideWhatWasSaidFirst(t *testing.T) {
	b := newBook(t)
	assert.ErrorContains(
		t,
		b.try(0, record.Body{Confirmed: &record.Confirmed{Causes: []string{"root-rot"}, How: "seen"}}),
		"never examined",
	)
	b.rot()
	b.write(30, record.Body{Examined: &record.Examined{Present: []string{"pest.cotton"}}})
	require.Len(t, b.state().Said, 2, "every look keeps what it said")
	assert.Equal(t, "root-rot", b.state().Said[0].Chances[0].ID)
	b.write(5, record.Body{Confirmed: &record.Confirmed{Causes: []string{"root-rot"}, How: "mended-by"}})
	b.write(4, record.Body{Confirmed: &record.Confirmed{Causes: []string{"root-rot", "mealybug"}, How: "seen"}})
	cases := b.state().Confirmations
	require.Len(t, cases, 1, "said again for the same case")
	assert.Equal(t, []string{"root-rot", "mealybug"}, cases[0].Causes)
	assert.Equal(t, "root-rot", cases[0].First.Chances[0].ID)

	b.write(3, record.Body{Closed: &record.Closed{Outcome: record.OutcomeMended}})
	assert.Empty(
		t,
		b.try(3, record.Body{Confirmed: &record.Confirmed{Causes: []string{"root-rot"}, How: "seen"}}),
		"a closed case can be confirmed",
	)
	b.write(2, record.Body{Reopened: &record.Reopened{}})
	b.write(1, record.Body{Examined: &record.Examined{Present: []string{"leaf.stippling", "pest.moving-dots"}}})
	b.write(0, record.Body{Confirmed: &record.Confirmed{Causes: []string{"spider-mite"}, How: "seen"}})
	cases = b.state().Confirmations
	require.Len(t, cases, 2, "a new case")
	assert.Equal(t, "spider-mite", cases[1].First.Chances[0].ID, "and what its own first look said")
	assert.NotEmpty(t, b.try(0, record.Body{Confirmed: &record.Confirmed{Causes: []string{"curse"}, How: "seen"}}))
	assert.NotEmpty(t, b.try(0, record.Body{Confirmed: &record.Confirmed{Causes: []string{"rust"}, How: "dream"}}))
}

func TestTheSmallDrawingFollowsTheRecord(t *testing.T) {
	b := newBook(t)
	b.entries[0].Arrived.Leaves, b.entries[0].Arrived.Growths = p(8), p(2)
	b.write(20, check("new-leaves", 2, "leaves-lost", 3))
	b.write(
		10,
		record.Body{
			Examined: &record.Examined{
				Present: []string{"leaf.tips-brown", "new.clean"},
				Absent:  []string{"pest.cotton"},
			},
		},
	)
	f := b.state().Figure()
	assert.Equal(t, 7, f.Leaves)
	assert.Equal(t, 2, f.Growths)
	assert.Equal(t, []string{"leaves"}, f.Seen)
	assert.Equal(t, []string{"joints", "new"}, f.Looked)
}

func TestOwnKindsCountLikeTheOthers(t *testing.T) {
	b := newBook(t)
	own := plant.Profiles()[0]
	own.ID, own.Botanical, own.Own, own.Habit = "own:12345678", "Monstera sp. clinic", true, "aroid-vine"
	b.entries[0].Arrived.Profile = own.ID
	assert.Nil(t, b.state().Profile)
	b.kinds = plant.Kinds{own.ID: own}
	assert.Equal(t, "Monstera sp. clinic", b.state().Profile.Botanical)
}

func TestWeighingsTellWetFromDryWhereNoStickWasUsed(t *testing.T) {
	b := newBook(t)
	weigh := func(ago int, grams float64) { b.write(ago, record.Body{Weighed: &record.Weighed{Grams: grams}}) }
	weigh(40, 900)
	weigh(30, 600)
	assert.Nil(t, derived(b.state(), "med.dry-through"), "too few weighings")
	b.write(12, record.Body{Watered: &record.Watered{}})
	weigh(3, 800)
	wet := derived(b.state(), "med.wet-long")
	require.NotNil(t, wet)
	assert.True(t, wet.Present)
	assert.Contains(t, wet.Why, "67 %", "(800 − 600) ÷ (900 − 600) by hand")
	weigh(1, 610)
	assert.True(t, derived(b.state(), "med.dry-through").Present)
	assert.False(t, derived(b.state(), "med.wet-long").Present)
	b.write(0, record.Body{Probed: &record.Probed{Moisture: "moist"}})
	assert.False(t, derived(b.state(), "med.dry-through").Present, "the stick stands above the scale")
}

// A tap records what its label says and no more: water, a weight or a finger in
// the mix is no look, and takes no other task off the walk.
func TestWaterIsNoLook(t *testing.T) {
	b := newBook(t)
	b.rot()
	b.write(9, check("wilt", 0, "smell", 0))
	looks := func() (asked []due.Task) {
		for _, task := range due.Tasks(b.state(), false) {
			if task.Kind != due.Water && task.What != "Water by its own rule" {
				asked = append(asked, task)
			}
		}
		return asked
	}
	before, last := looks(), b.state().LastLook()
	require.NotEmpty(t, before)
	b.write(1, record.Body{Watered: &record.Watered{}})
	b.write(1, record.Body{Weighed: &record.Weighed{Grams: 410}})
	b.write(0, record.Body{Probed: &record.Probed{Moisture: "moist"}})
	assert.Equal(t, before, looks())
	assert.Equal(t, last, b.state().LastLook())
	b.write(0, check("wilt", 0))
	assert.Equal(t, today, b.state().LastLook())
}

// How long it has been had is asked, and not knowing is no evidence: a vine owned
// for years is no newcomer because it was written down today.
func TestHowLongItHasBeenHadIsNotTheDayItWasWrittenDown(t *testing.T) {
	for had, want := range map[record.Had]struct {
		evidence *bool // of its being new; nil for none
		fragile  bool
	}{
		"":                {p(true), true},
		record.HadWeeks:   {p(true), false}, // 28 days: no longer fragile, still new
		record.HadMonths:  {p(false), false},
		record.HadYears:   {p(false), false},
		record.HadUnknown: {nil, false},
	} {
		b := newBook(t)
		first := b.entries[0]
		b.entries = nil
		first.On = today
		first.Arrived.Had = had
		b.add(first)
		b.write(0, record.Body{Examined: &record.Examined{Present: []string{"leaf.drooping"}}})
		s := b.state()
		d := derived(s, "care.new-arrival")
		if want.evidence == nil {
			assert.Nil(t, d, had)
		} else if assert.NotNil(t, d, had) {
			assert.Equal(t, *want.evidence, d.Present, had)
		}
		assert.Equal(t, want.fragile, s.Examination(today, false).Fragile, had)
	}
	b := newBook(t)
	assert.NotEmpty(t, b.try(0, record.Body{Arrived: &record.Arrived{Name: "Vine", Habit: "aroid-vine", Had: "ages"}}))
}
