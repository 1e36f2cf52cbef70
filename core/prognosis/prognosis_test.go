package prognosis

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/cause"
	"tendermend/core/climate"
	"tendermend/core/diagnosis"
	"tendermend/core/plant"
)

func TestEveryCauseHasAnOutlook(t *testing.T) {
	assert.Len(t, outlooks, len(diagnosis.Causes()))
	for _, c := range diagnosis.Causes() {
		o, ok := outlooks[c.ID]
		require.True(t, ok, c.ID)
		assert.True(t, o.lives >= 0 && o.lives <= 1, c.ID)
		assert.LessOrEqual(t, o.weeks[0], o.weeks[1], c.ID)
		if c.Harmless {
			assert.GreaterOrEqual(t, o.lives, 0.9, "%s is harmless", c.ID)
		}
	}
	for id := range spent {
		_, ok := diagnosis.SignByID(id)
		assert.True(t, ok, id)
	}
}

func p(v float64) *float64 { return &v }

func look(habit string, present, absent []string) diagnosis.Examination {
	return diagnosis.Examination{Habit: habit, Present: present, Absent: absent}
}

// A tank bromeliad that has flowered lives on in its offsets (common practice).
func TestARosetteThatFlowersIsTakenForItsOffsets(t *testing.T) {
	a, err := Appraise(diagnosis.Standard(), Offer{
		Examination: look("bromeliad", []string{"flower.rosette-flowered", "new.clean", "root.firm"},
			[]string{"pest.cotton", "leaf.stippling", "root.smell", "stem.soft-brown", "leaf.mosaic"}),
		Asked: p(8), Sound: p(14), Filling: 3,
	})
	require.NoError(t, err)
	assert.Equal(t, Take, a.Advice, a.Reasons)
	assert.Greater(t, a.Outlook.Lives, 0.8)
}

// What cannot be cured and spreads is left at any price, however low; the ids
// are those of the causes.
func TestAVirusOrAWiltIsLeftAtAnyPrice(t *testing.T) {
	for sign, id := range map[string]cause.ID{"leaf.mosaic": cause.Virus, "stem.ring-purple": cause.Fusarium} {
		a, err := Appraise(diagnosis.Standard(), Offer{
			Examination: look("sympodial-orchid", []string{sign}, nil), Asked: p(0.5), Sound: p(60), Filling: 1,
		})
		require.NoError(t, err)
		named, _ := cause.ByID(id)
		assert.Equal(t, Leave, a.Advice, id)
		assert.Contains(t, strings.Join(a.Reasons, " "), named.Label)
	}
}

// Rescue practice (no source): a sound plant is taken at its price, one with
// dying roots for a fraction, one with a virus at no price.
func TestOffersAreWeighed(t *testing.T) {
	healthy := look("monopodial-orchid", []string{"new.clean", "root.firm"},
		[]string{"pest.cotton", "leaf.stippling", "root.smell", "stem.soft-brown", "leaf.wrinkled", "leaf.mosaic"})
	rotten := look(
		"monopodial-orchid",
		[]string{"root.smell", "root.mushy", "root.few-live", "leaf.wrinkled", "leaf.drooping"},
		[]string{"leaf.mosaic", "pest.cotton"},
	)
	mosaic := look(
		"sympodial-orchid",
		[]string{"leaf.mosaic", "new.marked", "leaf.yellow-patches"},
		[]string{"root.smell"},
	)

	a, err := Appraise(diagnosis.Standard(), Offer{Examination: healthy, Asked: p(12), Sound: p(18), Filling: 4})
	require.NoError(t, err)
	assert.Equal(t, Take, a.Advice)
	assert.Greater(t, a.Outlook.Lives, 0.85)

	a, err = Appraise(diagnosis.Standard(), Offer{Examination: rotten, Asked: p(12), Sound: p(18), Filling: 4})
	require.NoError(t, err)
	assert.Equal(t, Bargain, a.Advice)
	assert.Less(t, a.Fair.Value, 8.0)
	assert.InDelta(t, 12-a.Fair.Value, *a.Off, 1e-9)
	assert.GreaterOrEqual(t, a.Outlook.Weeks[1], 20, "months, and said so")
	// By hand: the fair price is what its working says.
	in := a.Fair.Working.Inputs
	assert.InDelta(t, in[0].Value*in[1].Value-in[2].Value*in[3].Value, a.Fair.Value, 0.26)

	a, err = Appraise(diagnosis.Standard(), Offer{Examination: mosaic, Asked: p(1), Sound: p(30), Filling: 4})
	require.NoError(t, err)
	assert.Equal(t, Leave, a.Advice, "a virus at no price")
	assert.Contains(t, strings.Join(a.Reasons, " "), "irus")
	a, err = Appraise(
		diagnosis.Standard(),
		Offer{Examination: look("cactus", []string{"pest.cotton"}, []string{"stem.soft-brown"})},
	)
	require.NoError(t, err)
	assert.Contains(t, a.Reasons[len(a.Reasons)-1], "once more before you pay")

	a, err = Appraise(diagnosis.Standard(), Offer{Examination: look("fern", nil, nil)})
	require.NoError(t, err)
	assert.Nil(t, a.Fair)
	assert.Equal(t, diagnosis.LookFurther, a.Verdict.Kind)
	assert.Contains(t, a.Reasons[0], "before you pay")
	_, err = Appraise(diagnosis.Standard(), Offer{Examination: look("weed", nil, nil)})
	assert.Error(t, err)
}

func TestOddsAreTheProductOfTheShares(t *testing.T) {
	odds := Odds([]string{"root-rot", "mealybug"})
	assert.InDelta(t, 0.65*0.85, odds.Value, 1e-12)
	assert.Len(t, odds.Working.Inputs, 2)
	assert.Equal(t, 1.0, Lives(nil))
}

func TestWorseSignsNeverRaiseTheChanceToLive(t *testing.T) {
	good, err := outlookOf(look("aroid-vine", []string{"leaf.drooping", "med.wet-long"}, nil))
	require.NoError(t, err)
	bad, err := outlookOf(
		look("aroid-vine", []string{"leaf.drooping", "med.wet-long", "root.mushy", "root.few-live"}, nil),
	)
	require.NoError(t, err)
	worst, err := outlookOf(
		look(
			"aroid-vine",
			[]string{
				"leaf.drooping",
				"med.wet-long",
				"root.mushy",
				"root.few-live",
				"stem.soft-brown",
				"stem.collapsed",
			},
			nil,
		),
	)
	require.NoError(t, err)
	assert.Greater(t, good.Lives, bad.Lives)
	assert.Greater(t, bad.Lives, worst.Lives)
	assert.LessOrEqual(t, good.Most, 1.0)
	assert.GreaterOrEqual(t, worst.Least, 0.0)
}

func TestOwnCasesUpdateTheOdds(t *testing.T) {
	orchid, _ := plant.HabitByID("sympodial-orchid")
	vine, _ := plant.HabitByID("aroid-vine")
	start := OddsOf(Living{Causes: []string{"root-rot"}, Habit: vine})
	assert.InDelta(t, 0.65, start.Lives, 1e-9, "the table's share, while there is nothing of one's own")
	// Beta(5.2, 2.8): mean 0.65, interval by gonum's quantiles; worth eight cases.
	assert.True(t, start.Least > 0.28 && start.Least < 0.36 && start.Most > 0.88 && start.Most < 0.95, "%+v", start)
	better := OddsOf(Living{Causes: []string{"root-rot"}, Habit: vine, Saved: 12})
	assert.InDelta(t, (0.65*8+12)/20, better.Lives, 1e-9, "beta-binomial: (8p + saved) ÷ (8 + cases)")
	assert.Less(t, better.Most-better.Least, start.Most-start.Least, "the more cases, the narrower")
	worse := OddsOf(Living{Causes: []string{"root-rot"}, Habit: vine, Lost: 12})
	assert.Less(t, worse.Lives, start.Lives)
	none := 0.0
	few := OddsOf(Living{Causes: []string{"root-rot"}, Habit: vine, LiveShare: &none})
	onReserves := OddsOf(Living{Causes: []string{"root-rot"}, Habit: orchid, LiveShare: &none, Reserves: "plump"})
	assert.Less(t, few.Lives, onReserves.Lives, "without roots an orchid lives on its bulbs, a vine does not")
	spent := OddsOf(Living{Causes: []string{"root-rot"}, Habit: orchid, LiveShare: &none, Reserves: "shrivelled"})
	assert.Less(t, spent.Lives, onReserves.Lives)
	assert.NotEmpty(t, spent.Working.Inputs)
	assert.Equal(t, 12, better.Own)
}

// Every outlook is a range round its middle, and every trouble takes some weeks.
func TestOutlooksAreRanges(t *testing.T) {
	for _, present := range [][]string{{"root.mushy", "root.smell"}, {"pest.cotton"},
		{"leaf.drooping", "med.dry-through"}} {
		o, err := outlookOf(diagnosis.Examination{Habit: "aroid-vine", Season: climate.Summer, Present: present})
		require.NoError(t, err)
		assert.InDelta(t, max(0, o.Lives-0.15), o.Least, 1e-9, "%v", present)
		assert.InDelta(t, min(1, o.Lives+0.15), o.Most, 1e-9, "%v", present)
		assert.Positive(t, o.Weeks[1], "%v", present)
		assert.LessOrEqual(t, o.Weeks[0], o.Weeks[1], "%v", present)
	}
}

// Weeks, minutes and material of an outlook, worked out again from the chances of
// the differential: the longest of the causes that are as likely as not, otherwise
// the likeliest; minutes to the next five, material of at most one and a half pots.
func TestAnOutlookIsWorkedOutFromTheChances(t *testing.T) {
	for _, e := range []diagnosis.Examination{
		look("aroid-vine", []string{"root.mushy", "root.smell", "med.wet-long"}, nil),
		look("aroid-vine", []string{"pest.cotton", "leaf.sticky"}, []string{"root.smell"}),
		look("fern", []string{"leaf.crisp"}, nil),
		look("sympodial-orchid", []string{"leaf.wrinkled", "root.dry-dead"}, []string{"root.smell"}),
	} {
		got, err := outlookOf(e)
		require.NoError(t, err)
		c, err := diagnosis.Standard().Examine(e)
		require.NoError(t, err)
		var weeks [2]int
		var minutes, fillings float64
		for _, one := range c.Causes() {
			at := outlooks[one.ID]
			minutes += one.Chance * float64(at.minutes)
			fillings += one.Chance * at.fillings
			if one.Chance >= 0.4 && at.weeks[1] > weeks[1] {
				weeks[1] = at.weeks[1]
			}
			if one.Chance >= 0.4 && at.weeks[0] > weeks[0] {
				weeks[0] = at.weeks[0]
			}
		}
		if weeks[1] == 0 {
			weeks = outlooks[c.Causes()[0].ID].weeks
		}
		assert.Equal(t, weeks, got.Weeks, e.Present)
		assert.Zero(t, got.Minutes%5)
		assert.InDelta(t, minutes, got.Minutes, 2.5, e.Present)
		assert.InDelta(t, min(fillings, 1.5), got.Fillings, 0.0501, e.Present)
		assert.InDelta(t, got.Lives, got.Least+0.15, 0.15)
		assert.True(t, got.Least >= 0 && got.Most <= 1)
	}
}

func outlookOf(e diagnosis.Examination) (Outlook, error) {
	c, err := diagnosis.Standard().Examine(e)
	if err != nil {
		return Outlook{}, err
	}
	return Of(c, e), nil
}
