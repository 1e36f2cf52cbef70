package recovery_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/recovery"
)

func TestAStageIsLongBehindItsUsualWeeks(t *testing.T) {
	stage := recovery.Stage{UsualWeeks: [2]float64{2, 4}, LightShare: 0.5}
	assert.False(t, stage.Long(28))
	assert.True(t, stage.Long(29))
	light, follows := stage.Light(8)
	assert.True(t, follows)
	assert.Equal(t, 4.0, light.Value)
	_, follows = recovery.Stage{}.Light(8)
	assert.False(t, follows)
}
