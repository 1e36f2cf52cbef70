package compose

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// A tuber that was set dry in its growing months gets no water before its first one: both lines name the same day.
func TestATuberIsDryUntilItsFirstWater(t *testing.T) {
	for on, until := range map[string]string{
		"2026-06-15": "Give no water until day 14 of the plan and it resists a gentle nudge.",
		"2026-12-15": "Give no water until growth is seen.",
	} {
		words, _ := said(t, `{"kind":"alocasia-amazonica","causes":["base-rot"],"on":"`+on+`",
			"answers":{"limp":false,"moist":"right","potWidthCm":18,"liveRoots":0,"deadRoots":12},"place":{"warmthC":24}}`,
			treatment.HoldWater)
		require.Len(t, words, 1, on)
		assert.Equal(t, until, words[0])
	}
}
