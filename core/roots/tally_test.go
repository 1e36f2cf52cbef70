package roots_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/diagnosis"
	"tendermend/core/roots"
)

func p[T any](v T) *T { return &v }

func signsOf(r roots.Result) map[string]bool {
	m := map[string]bool{}
	for _, s := range r.Signs {
		m[s.ID] = s.Present
	}
	return m
}

func TestATallyGivesShareIntervalAndSigns(t *testing.T) {
	r := roots.Tally{InMedium: roots.Count{Live: 1, DeadDry: 20, Mushy: 8}, Tips: p(0), RootBallCM: p(5.0)}.Read(14)
	assert.InDelta(t, 1.0/29, r.Share, 1e-12)
	// 1 of 29: Newcombe 1998, table I.
	assert.InDelta(t, 0.0061, r.Low, 5e-5)
	assert.InDelta(t, 0.1718, r.High, 5e-5)
	assert.Equal(
		t,
		map[string]bool{
			"root.few-live": true,
			"root.firm":     false,
			"root.mushy":    true,
			"root.dry-dead": true,
			"root.no-tips":  true,
			"pot.oversize":  true,
		},
		signsOf(r),
	)
	require.NotNil(t, r.Pot)
	assert.Equal(t, 7.5, r.Pot.Value)

	r = roots.Tally{
		InMedium:   roots.Count{Live: 12, DeadDry: 1},
		InAir:      roots.Count{Live: 3},
		RootBallCM: p(9.0),
	}.Read(12)
	assert.Equal(
		t,
		map[string]bool{
			"root.firm":     true,
			"root.few-live": false,
			"root.mushy":    false,
			"root.dry-dead": false,
			"pot.oversize":  false,
		},
		signsOf(r),
	)
	assert.Equal(t, 11.5, r.Pot.Value)
}

// A dry skin is no dead core: while it is in doubt no sign is made of it, and
// the interval is as wide as the doubt (common practice: when in doubt keep).
func TestDoubtfulRootsAreNeitherLiveNorDead(t *testing.T) {
	sure := roots.Tally{InMedium: roots.Count{Live: 2, DeadDry: 10}}.Read(0)
	doubt := roots.Tally{InMedium: roots.Count{Live: 2, Doubtful: 10}}.Read(0)
	assert.True(t, signsOf(sure)["root.few-live"])
	assert.NotContains(t, signsOf(doubt), "root.few-live")
	assert.NotContains(t, signsOf(doubt), "root.firm")
	assert.Greater(t, doubt.High-doubt.Low, sure.High-sure.Low+0.3)
}

func TestTooFewRootsMakeNoSign(t *testing.T) {
	r := roots.Tally{InMedium: roots.Count{Mushy: 2}}.Read(10)
	assert.Empty(t, r.Signs)
	assert.Contains(t, r.Working.Sure, "too few")
	assert.Equal(t, 0, roots.Tally{}.Counted())
	assert.Nil(t, r.Pot)
}

func TestSignsOfATallyExist(t *testing.T) {
	r := roots.Tally{InMedium: roots.Count{Live: 5, DeadDry: 5, Mushy: 5}, Tips: p(1), RootBallCM: p(4.0)}.Read(30)
	for _, s := range r.Signs {
		_, ok := diagnosis.SignByID(s.ID)
		assert.True(t, ok, s.ID)
		assert.NotEmpty(t, s.Why)
	}
}
