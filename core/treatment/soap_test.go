package treatment_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/treatment"
)

// What can be measured is mixed, and the strength stays. The numbers were reckoned by hand.
func TestSoapIsRoundedToWhatCanBeMeasured(t *testing.T) {
	for _, c := range []struct{ volume, strength, soap, water float64 }{
		{150, 0.015, 2.5, 164}, {149, 0.015, 2, 131}, {50, 0.015, 1, 66}, {10, 0.015, 0.5, 33}, {400, 0.015, 6, 394},
	} {
		soap, water := treatment.SoapAndWater(c.volume, c.strength)
		assert.Equal(t, c.soap, soap, "%g ml at %g", c.volume, c.strength)
		assert.Equal(t, c.water, water, "%g ml at %g", c.volume, c.strength)
	}
}
