package mix_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/mix"
)

func TestAPotOrARootBallThatIsNotThereLeavesNothingIdle(t *testing.T) {
	assert.Zero(t, mix.Idle(0, 20))
	assert.Zero(t, mix.Idle(5, 0))
	assert.InDelta(t, 1-0.45*0.45*0.45, mix.Idle(5, 20), 1e-12, "(5 + 2 × 2) of 20")
	assert.Zero(t, mix.Idle(30, 20))
}
