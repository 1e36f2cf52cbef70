package sim_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/sim"
)

// A sound plant looks well; rot, lost roots and thirst show.
func TestAPlantLooksAsIllAsItIs(t *testing.T) {
	looks := func(s sim.Spec) float64 { return sim.New(s, 20000, 3).Ailing() }
	sound := sim.Spec{Roots: 1, Water: 0.6, Reserves: 0.8, LeafMM: 100, Leaves: 8}
	assert.Zero(t, looks(sound))
	for name, change := range map[string]func(*sim.Spec){
		"rot":     func(s *sim.Spec) { s.Rot = 0.6 },
		"roots":   func(s *sim.Spec) { s.Roots = 0.1 },
		"thirst":  func(s *sim.Spec) { s.Water = 0.02 },
		"at most": func(s *sim.Spec) { s.Rot, s.Roots, s.Water = 1, 0, 0 },
	} {
		ill := sound
		change(&ill)
		assert.True(t, looks(ill) > 0.4 && looks(ill) <= 1, "%s: %g", name, looks(ill))
	}
}
