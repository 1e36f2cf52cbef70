package record_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/water"
)

// What a trip starts from: what the model knows of a pot, and why one must not be watered.
func TestWhatIsKnownOfAPot(t *testing.T) {
	unknown := inPot(t).state().PotNow(today, false)
	assert.True(t, unknown.Guess)
	assert.Positive(t, unknown.Rate)
	b := inPot(t, 10)
	full := b.state().PotNow(today, false)
	assert.False(t, full.Guess)
	assert.Greater(t, full.Content, .8)
	assert.Greater(t, full.Litres, .3)
	b.stick(2, water.Dry)
	dry := b.state().PotNow(today, false)
	assert.Less(t, dry.Content, full.Content)
	assert.Greater(t, dry.Rate, full.Rate, "dry after eight days is fast")
	assert.Equal(t, today-2, dry.At)
	assert.Empty(t, dry.Held)
	assert.Contains(t, aBatch(t, 60).state().PotNow(today, false).Held, "its pieces stand in a box")
}
