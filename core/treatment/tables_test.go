package treatment_test

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

func TestOperatorsAreWhole(t *testing.T) {
	letters := map[string]bool{}
	for _, c := range treatment.Cautions() {
		letters[c.ID] = true
		assert.NotEmpty(t, c.Text, c.ID)
	}
	// Words for several causes, or for a plant that is thirsty.
	groups := []string{"pest", "insect", "rot", "leaf-disease", "thirst", "rootless"}
	titles := map[string]bool{}
	assert.Len(t, treatment.Operators(), 102)
	for _, o := range treatment.Operators() {
		found, ok := treatment.OperatorByID(o.ID)
		assert.True(t, ok)
		assert.Equal(t, o.Title, found.Title)
		assert.False(t, titles[o.Title], "%s: %q stands twice", o.ID, o.Title)
		titles[o.Title] = true
		assert.NotEmpty(t, o.How, o.ID)
		assert.NotEmpty(t, o.Done, "%s: nobody sees when it is done", o.ID)
		assert.Positive(t, o.Minutes, o.ID)
		assert.LessOrEqual(t, o.Minutes, 120, o.ID)
		assert.GreaterOrEqual(t, 3, o.Disturbs, o.ID)
		for _, l := range o.Cautions {
			assert.True(t, letters[string(l)], "%s: no caution %c", o.ID, l)
		}
		for word := range strings.FieldsSeq(o.For) {
			_, isCause := cause.ByID(cause.ID(word))
			wish, isWish := strings.CutPrefix(word, "wish:")
			school, isSchool := strings.CutPrefix(word, "school:")
			switch {
			case isWish:
				assert.Contains(t, treatment.Wishes(), treatment.Wish(wish), o.ID)
			case isSchool:
				assert.Regexp(t, `^(S[0-6]|J)$`, school, o.ID)
			case !isCause:
				assert.Contains(t, groups, word, "%s is asked for by nothing", o.ID)
			}
		}
	}
	_, ok := treatment.OperatorByID("uproot")
	assert.False(t, ok)
}

func TestRulesAreNumberedThrough(t *testing.T) {
	rules := treatment.Rules()
	require.Len(t, rules, 133)
	for i, r := range rules {
		assert.Equal(t, fmt.Sprintf("N%02d", i+1), string(r.ID))
		assert.NotEmpty(t, r.Never, r.ID)
		assert.NotEmpty(t, r.Why, r.ID)
		assert.False(t, strings.HasSuffix(r.Never, "."), r.ID)
	}
}

func TestEveryPestHasSomethingThatReachesIt(t *testing.T) {
	pests := 0
	for _, c := range cause.All() {
		foe, ok := treatment.FoeOf(c.ID)
		if !ok {
			continue
		}
		pests++
		assert.NotEmpty(t, foe.Reached, c.ID)
		for _, op := range foe.Reached {
			_, known := treatment.OperatorByID(op)
			assert.True(t, known, "%s: %s", c.ID, op)
		}
	}
	assert.GreaterOrEqual(t, pests, 16)
	for _, class := range []string{"insect", "mite", "sulphur", "fungus", "oomycete", "bacteria"} {
		touched, known := treatment.ClassTouches(class)
		require.True(t, known, class)
		assert.NotEmpty(t, touched, class)
		for _, id := range touched {
			_, known := cause.ByID(id)
			assert.True(t, known, "%s: %s", class, id)
		}
	}
}

func TestEveryWishIsOfferedInWords(t *testing.T) {
	var offered []treatment.Wish
	for _, w := range treatment.Offered() {
		offered = append(offered, w.ID)
		assert.NotEmpty(t, w.Label)
		assert.NotEmpty(t, w.How)
	}
	assert.ElementsMatch(t, treatment.Wishes(), offered)
}

// Whatever is treated, the carer is told what is normal from then on; and where
// days count, what would be the wrong way or when it was in vain.
func TestEveryCauseAndWishLooksAhead(t *testing.T) {
	for _, c := range cause.All() {
		for _, h := range plant.Habits() {
			d, _ := treatment.HabitDefaults(h.ID)
			o, ok := treatment.OutlookOf(c.ID, d.Habit)
			require.True(t, ok, c.ID)
			assert.NotEmpty(t, o.Expect, c.ID)
			if c.DaysToAct <= 3 && !c.Harmless && c.DaysToAct > 0 {
				assert.NotEmpty(t, o.Wrong+o.GiveUp, "%s: days count", c.ID)
			}
			if !c.Harmless {
				assert.NotEmpty(t, o.Ends, c.ID)
			}
		}
	}
	for _, w := range treatment.Wishes() {
		o, ok := treatment.OutlookOfWish(w)
		require.True(t, ok, w)
		assert.NotEmpty(t, o.Expect, w)
		assert.NotEmpty(t, o.Ends, w)
	}
	pup, _ := treatment.OutlookOf(cause.BaseRot, treatment.Bromeliad)
	assert.Contains(t, pup.GiveUp, "9 months", "a habit's own outlook stands above the one for all")
}

// Situations are written by people and by other programs: numbers may come as
// words, and what nobody answered stays unanswered.
func TestSituationsAreReadAsTheyAreWritten(t *testing.T) {
	for text, want := range map[string]facts.Facts{
		`{}`:                                  {},
		`{"liveRoots":0}`:                     {LiveRoots: facts.Said(0.0)},
		`{"liveRoots":null}`:                  {},
		`{"liveRoots":9,"rootBallCm":7.5}`:    {LiveRoots: facts.Said(9.0), RootBallCM: facts.Said(7.5)},
		`{"limp":true,"plug":false}`:          {Limp: facts.Said(true), Plug: facts.Said(false)},
		`{"limp":1,"plug":0}`:                 {Limp: facts.Said(true), Plug: facts.Said(false)},
		`{"limp":null}`:                       {},
		`{"moist":"bone","reserves":"plump"}`: {Moist: facts.Said(facts.Bone), Reserves: facts.Said(facts.Plump)},
	} {
		var got facts.Facts
		require.NoError(t, json.Unmarshal([]byte(text), &got), text)
		assert.Equal(t, want, got, text)
		raw, err := json.Marshal(got)
		require.NoError(t, err)
		var again facts.Facts
		require.NoError(t, json.Unmarshal(raw, &again))
		assert.Equal(t, got, again, "written and read again: %s", raw)
	}
	for _, text := range []string{`{"liveRoots":[1]}`, `{"limp":{}}`, `{"events":3}`} {
		var got facts.Facts
		assert.Error(t, json.Unmarshal([]byte(text), &got), text)
	}
	assert.True(t, treatment.N(0).Known)
	assert.Equal(t, 4.0, treatment.Number{}.Or(4))
	assert.Equal(t, 0.0, treatment.N(0).Or(4), "nought was said")
}

func TestEveryHabitHasDefaults(t *testing.T) {
	seen := map[treatment.HabitID]string{}
	for _, h := range plant.Habits() {
		row, ok := treatment.HabitDefaults(h.ID)
		if assert.True(t, ok, h.ID) {
			assert.EqualValues(t, h.ID, row.Habit)
			seen[row.Habit] = h.ID
			assert.LessOrEqual(t, row.StemDry[0], row.StemDry[1], h.ID)
		}
	}
	assert.Len(t, seen, 28)
}
