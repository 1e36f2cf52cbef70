package origins_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/origins"
)

const today = day.Day(20500)

func here(name string, days int) *origins.Plant {
	return &origins.Plant{ID: name, Name: name, Came: today - day.Day(days), Until: today}
}

func lost(name string, days int) *origins.Plant {
	p := here(name, 400)
	p.Until, p.End = p.Came+day.Day(days), origins.Lost
	return p
}

func of(group ...*origins.Plant) origins.Group { return origins.Among(group).Of("x", "X", group) }

func ptr[T any](v T) *T { return &v }

func TestThoseThatCameLatelyCountForAsLongAsTheyWereSeen(t *testing.T) {
	g := of(lost("a", 50), here("b", 300), here("c", 200), here("d", 20))
	// One of the three that were still followed on day 50 was lost: two thirds live.
	require.NotNil(t, g.Living)
	assert.InDelta(t, 67, g.Living.Value, 0)
	assert.Equal(t, []int{4, 3, 1}, []int{g.Came, g.Lives, g.Lost})
	assert.Nil(t, of(here("d", 181)).Living, "nobody was followed for half a year")
	assert.NotNil(t, of(here("d", 182)).Living)
}

func TestOneThatIsLostNeverMends(t *testing.T) {
	ill := func(p *origins.Plant, mended int) *origins.Plant {
		p.FellIll = &p.Came
		if mended > 0 {
			p.Mended = ptr(p.Came + day.Day(mended))
		}
		return p
	}
	g := of(ill(here("a", 400), 35), ill(here("b", 400), 70), ill(lost("c", 9), 0), ill(lost("d", 9), 0), here("e", 400))
	require.NotNil(t, g.Weeks)
	assert.InDelta(t, 10, g.Weeks.Value, 0, "half of the four had mended by day 70")
	assert.Equal(t, 4, g.Ill)
	assert.Nil(t, of(ill(here("a", 400), 35), ill(lost("c", 9), 0), ill(lost("d", 9), 0)).Weeks)
}

func TestWhatTheLostCostIsBorneByThoseThatLive(t *testing.T) {
	a, b := here("a", 300), lost("b", 20)
	a.Paid, b.Paid, b.Spent = ptr(6.0), ptr(4.0), ptr(2.5)
	g := of(a, b)
	require.NotNil(t, g.Cost)
	assert.InDelta(t, 12.5, g.Cost.Value, 1e-9)
	assert.NotContains(t, g.Cost.Working.Sure, "too low")
	a.Paid = nil
	assert.Contains(t, of(a, b).Cost.Working.Sure, "of 1 plant no price")
	assert.Nil(t, of(here("a", 300)).Cost, "nothing is known to have been paid")
	assert.Nil(t, of(b).Cost, "none lives that could bear it")
}

func TestAGroupIsToldApartOnlyWhereThatIsNoChance(t *testing.T) {
	var bad, good []*origins.Plant
	for i := range 6 {
		bad = append(bad, lost(fmt.Sprint("bad", i), 20+i))
	}
	for i := range 20 {
		good = append(good, here(fmt.Sprint("good", i), 300))
	}
	all := append(append([]*origins.Plant{}, bad...), good...)
	assert.Contains(t, origins.Among(all).Of("x", "X", bad).Beside, "more lost than of the others: 6, where 0.9")
	assert.Contains(t, origins.Among(all).Of("x", "X", good).Beside, "fewer lost")
	assert.Empty(t, origins.Among(all).Of("x", "X", bad[:2]).Beside, "two plants tell nothing")
	assert.NotEmpty(t, origins.Among(all).Of("x", "X", bad[:3]).Beside)
	assert.Empty(t, origins.Among(all[:len(bad)+2]).Of("x", "X", bad).Beside, "beside two others neither")
	assert.NotEmpty(t, origins.Among(all[:len(bad)+3]).Of("x", "X", bad).Beside)
	same := append(append([]*origins.Plant{}, lost("l", 30)), good...)
	assert.Empty(t, origins.Among(same).Of("x", "X", good[:9]).Beside)
}

// A difference is told from one in twenty on: of ten lost on one day, of twenty that came, so
// many were of a group of ten. By hand, for one day of losses (Mantel 1966): 5 are expected and
// the spread is √(10·½·½·10/19) = 1.147, so that 7 lie 1.74 and 8 lie 2.62 spreads off.
func TestADifferenceIsToldFromOneInTwentyOn(t *testing.T) {
	for mine, told := range map[int]bool{5: false, 7: false, 8: true, 9: true, 3: false, 2: true} {
		var group, all []*origins.Plant
		for i := range 20 {
			p := here(fmt.Sprint(i), 100)
			if i < mine || i >= 10 && i < 20-mine {
				p = lost(p.ID, 50)
			}
			if all = append(all, p); i < 10 {
				group = append(group, p)
			}
		}
		assert.Equal(t, told, origins.Among(all).Of("x", "X", group).Beside != "", "%d of ten", mine)
	}
}

func TestWinnersComeFirstAndTheLostLast(t *testing.T) {
	quick, slow, fresh := here("quick", 300), here("slow", 300), here("fresh", 300)
	quick.FellIll, quick.Mended = &quick.Came, ptr(quick.Came+30)
	slow.FellIll, slow.Mended = &slow.Came, ptr(slow.Came+90)
	work, worse, unknown := here("work", 300), here("worse", 300), here("unknown", 300)
	work.InWork, work.Condition = true, ptr(70)
	worse.InWork, worse.Condition = true, ptr(30)
	unknown.InWork = true
	given := here("given", 100)
	given.End = origins.Given
	ranked := origins.Rank([]*origins.Plant{
		lost("early", 5), unknown, slow, lost("late", 80), given, worse, quick, work, fresh, lost("as late", 80),
	})
	var names []string
	var turns []int
	for _, r := range ranked {
		names, turns = append(names, r.Name), append(turns, r.Turn)
	}
	assert.Equal(t, []string{
		"fresh", "quick", "slow", "work", "worse", "unknown", "given", "as late", "late", "early",
	}, names)
	assert.Equal(t, []int{1, 2, 3, 4, 5, 6, 7, 8, 8, 10}, turns)
	assert.Equal(t, "well again after 30 days", ranked[1].Says)
	assert.Equal(t, "in work, condition 70 of 100 at the last look", ranked[3].Says)
	assert.Equal(t, "lost after 5 days", ranked[9].Says)
}
