package diagnosis

import (
	"runtime"
	"slices"
	"sync"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"golang.org/x/sync/errgroup"

	"tendermend/core/plant"
)

// adviceOn is the advice on a move, empty where it is not named.
func adviceOn(c *Case, move string) (a Advice) {
	for _, one := range c.Moves(c.NextChecks()) {
		if one.Move == move {
			return one
		}
	}
	return a
}

// advisedLook is an examination with what is to be looked at next, and what to do.
type advisedLook struct {
	*Case
	next  []Check
	moves []Advice
}

// everyLook are all worked cases, and each sign seen alone on each habit that shows it: examined once for
// all who judge them.
var everyLook = sync.OnceValues(func() ([]advisedLook, error) {
	var looks []Examination
	for _, name := range []string{"practice", "new", "outside"} {
		list, err := workedCases(name)
		if err != nil {
			return nil, err
		}
		for _, wc := range list {
			looks = append(looks, wc.Examination)
		}
	}
	for i, s := range Standard().signs {
		for j, h := range plant.Habits() {
			if (i+j)%7 == 0 && Fits(s.ID, h) {
				looks = append(looks, look(h.ID, s.ID))
			}
		}
	}
	all := make([]advisedLook, len(looks))
	var g errgroup.Group
	g.SetLimit(runtime.GOMAXPROCS(0))
	for i, e := range looks {
		g.Go(func() error {
			c, err := Standard().Examine(e)
			if err != nil {
				return err
			}
			next := c.NextChecks()
			all[i] = advisedLook{c, next, c.Moves(next)}
			return nil
		})
	}
	return all, g.Wait()
})

func looked(t *testing.T) []advisedLook {
	t.Helper()
	all, err := everyLook()
	require.NoError(t, err)
	require.Greater(t, len(all), 500)
	return all
}

func TestWhatIsAdvisedOnEveryLook(t *testing.T) {
	for _, c := range looked(t) {
		verdict, moves := c.Verdict().Kind, c.moves
		is := func(move, advice string) bool {
			return slices.ContainsFunc(moves, func(a Advice) bool { return a.Move == move && a.Advice == advice })
		}
		about := c.examination.Present
		assert.False(t, verdict != Act && (is("watch", Not) || is("watch", Wait)), "told not to watch, unsure: %v", about)
		assert.False(t, is("soak", Now) && is("pot-up", Now), "soaked and potted up on one day: %v", about)
		if is("chelate", Now) || is("chelate", If) {
			assert.NotEmpty(t, slices.DeleteFunc([]string{"med.ph-high", "med.ph-low"}, c.notGiven), "%v", about)
		}
		for _, check := range c.next {
			felt := readInPot[check.Sign]
			if s, is := c.k.signAt[felt]; is && c.open(s) && Fits(felt, c.habit) {
				tells := func(x Check) float64 { return x.Worth * x.Outcomes.Cost }
				assert.Less(t, tells(c.check(s)), tells(check), "%s before %s: %v", check.Sign, felt, about)
			}
		}
	}
}

func (c *Case) notGiven(sign string) bool { return !c.answers.given[c.k.signAt[sign]] }

// Iron is not fed before somebody has looked whether roots and acidity let it in.
func TestIronWaitsForRootsAndAcidity(t *testing.T) {
	shown := []string{"leaf.veins-green-new", "course.slow", "new.marked", "care.hard-water"}
	for _, c := range []struct {
		name           string
		seen, not      []string
		advice, before string
	}{
		{"nobody looked", nil, nil, Wait, "root.firm"},
		{"roots looked at", []string{"root.firm"}, nil, Wait, "med.ph-high"},
		{"acidity read", nil, []string{"med.ph-high"}, Wait, "root.firm"},
	} {
		e := look("woody", append(slices.Clone(shown), c.seen...)...).without(c.not...)
		a := adviceOn(examine(t, e), "chelate")
		assert.Equal(t, c.advice, a.Advice, c.name)
		assert.Equal(t, c.before, a.Check, c.name)
	}
	both := look("woody", append(slices.Clone(shown), "root.firm")...).without("med.ph-high")
	assert.Contains(t, []string{Now, If}, adviceOn(examine(t, both), "chelate").Advice)
}

// A dry ball drinks first; the same day it is not potted up.
func TestADryRootBoundPlantDrinksFirst(t *testing.T) {
	e := look("woody", "root.circling", "root.out-of-pot", "med.dry-through", "leaf.drooping", "care.water-missed",
		"med.repels").without("root.mushy", "med.wet-long", "root.smell")
	c := examine(t, e)
	assert.Equal(t, Now, adviceOn(c, "soak").Advice)
	assert.Equal(t, If, adviceOn(c, "pot-up").Advice)
	moist := look("woody", "root.circling", "root.out-of-pot", "stem.leaning", "leaf.small-new").
		without("med.dry-through", "root.mushy", "med.wet-long")
	moist.Season = "spring"
	assert.Equal(t, Now, adviceOn(examine(t, moist), "pot-up").Advice)
}

// What a finger in the pot tells is asked before what somebody remembers.
func TestThePotIsFeltBeforeThePastIsAsked(t *testing.T) {
	limp := look("aroid-vine", "leaf.drooping", "leaf.crisp")
	asked := func(e Examination) (ids []string) {
		for _, c := range examine(t, e).NextChecks() {
			ids = append(ids, c.Sign)
		}
		return ids
	}
	assert.NotContains(t, asked(limp), "care.water-missed")
	assert.Contains(t, asked(limp), "med.dry-through")
}
