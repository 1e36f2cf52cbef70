package recovery_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/recovery"
)

func TestAStageIsLongBehindItsUsualWeeks(t *testing.T) {
	stage := recovery.Stage{UsualWeeks: [2]float64{2, 4}}
	assert.False(t, stage.Long(28))
	assert.True(t, stage.Long(29))
	assert.Equal(t, 4.0, recovery.LightAt(0.5, 8).Value)
}
