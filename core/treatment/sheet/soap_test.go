package sheet

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// Soap is rounded so that its strength stays: 15 ml in a litre in 67 ml is 1 ml of soap
// and 66 ml of water (extension fact sheets, from memory).
func TestSoapKeepsItsStrengthWhateverIsMadeOfIt(t *testing.T) {
	made := soap(treatment.Params{Conc: treatment.N(0.015), ML: treatment.N(67)})
	require.Len(t, made, 2)
	assert.Equal(t, []float64{1, 66}, []float64{made[0].Value, made[1].Value})
	for ml := 1.0; ml < 3000; ml += 7 {
		for _, strength := range []float64{0.01, 0.015, 0.02} {
			made := soap(treatment.Params{Conc: treatment.N(strength), ML: treatment.N(ml)})
			of, water := made[0].Value, made[1].Value
			assert.InEpsilon(t, strength, of/(of+water), 0.02, "%g ml at %g", ml, strength)
			assert.GreaterOrEqual(t, of, 0.5, "what a syringe measures, ml")
			assert.InDelta(t, ml, of+water, 0.75/strength, "about as much as was wanted")
		}
	}
}

// No number of ours stands beside a caution that says that none is proposed.
func TestNoAmountStandsBesideALabelsCaution(t *testing.T) {
	for _, o := range treatment.Operators() {
		own := amounts(treatment.Situation{}, treatment.Step{Op: o.ID, Params: treatment.Params{
			Conc: treatment.N(0.015), ML: treatment.N(100), Share: treatment.N(0.5),
		}})
		for _, letter := range o.Cautions {
			for _, amount := range own {
				if letter == 'l' { // how much is mixed is no dose: what goes into it is the label's
					assert.Equal(t, "mixed spray, by its label", amount.What, "%s", o.ID)
				}
			}
		}
	}
	feed, _ := treatment.OperatorByID(treatment.FeedIt)
	assert.NotContains(t, feed.Cautions, "l", "a feed is no pesticide")
}
