package agenda

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// The rows of the trade's table for things that were parted (common practice of growers, from memory).
func TestTheLineOfWaterOfAThing(t *testing.T) {
	for i, row := range []struct {
		thing Thing
		want  Line
	}{
		{Thing{Role: Cutting, Habit: treatment.SoftTrailer, PotML: 400}, Line{"the top 1 cm is dry", Pour, 40, 2, 4, 0}},
		{Thing{Role: Cutting, Habit: treatment.SoftTrailer, PotML: 190}, Line{"the top 1 cm is dry", Pour, 20, 2, 4, 0}},
		{Thing{Role: Cutting, Habit: treatment.AroidVine, PotML: 120, Covered: true},
			Line{"the wall of the cover is dry or the top is pale", Pour, 20, 7, 21, 0}},
		{Thing{Role: Cutting, Habit: treatment.Begonia, PotML: 120, Covered: true},
			Line{"the wall of the cover is dry or the top is pale", Pour, 20, 7, 14, 0}},
		{Thing{Role: Top, Habit: treatment.AroidVine, PotML: 120}, Line{"the top 2 cm are dry", Pour, 20, 2, 4, 0}},
		{Thing{Role: Top, Habit: treatment.CaneFoliage, PotML: 120}, Line{"the top 2 cm are dry", Pour, 20, 3, 7, 0}},
		{Thing{Role: Top, Habit: treatment.Cactus, Dry: true, PotML: 500},
			Line{"the mix is dry through", Pour, 50, 7, 14, 0}},
		{Thing{Role: Cutting, Habit: treatment.ForestCactus}, Line{"the top half is dry", Pour, 20, 4, 10, 0}},
		{Thing{Role: Leaf, Habit: treatment.Gesneriad}, Line{"the top is pale", Below, 20, 4, 10, 0}},
		{Thing{Role: Leaf, Habit: treatment.SucculentRosette, Dry: true}, Line{"its mix is dry through", Pour, 15, 7, 14, 0}},
		{Thing{Role: Boxed, Habit: treatment.AroidVine}, Line{"the moss is pale", Mist, 0, 7, 21, 0}},
		{Thing{Role: Boxed, Habit: treatment.JewelOrchid}, Line{"the moss is pale", Mist, 0, 7, 14, 0}},
		{Thing{Role: Rooted, Habit: treatment.HerbClump, PotML: 400}, Line{"the top quarter is dry", Pour, 100, 3, 7, 14}},
		{Thing{Role: Rooted, Habit: treatment.Monopodial}, Line{"the top is dry", Through, 0, 3, 7, 14}},
		{Thing{Role: Rooted, Habit: treatment.Bromeliad, PotML: 400}, Line{"the top 2 cm are dry", Pour, 20, 4, 7, 14}},
		{Thing{Role: Rooted, Habit: treatment.AirPlant, Bare: true}, Line{"it is light and dull", Dip, 0, 5, 5, 14}},
		{Thing{Role: Rooted, Habit: treatment.Sympodial, Bare: true}, Line{"its roots are pale", Wet, 0, 1, 1, 14}},
		{Thing{Role: Part, Habit: treatment.Fern}, Line{"the top 1 cm is dry", Through, 0, 2, 4, 14}},
		{Thing{Role: Part, Habit: treatment.AroidClump}, Line{"the top 1 cm is dry", Through, 0, 3, 7, 14}},
		{Thing{Role: Own, Habit: treatment.Ivy}, Line{"the top 1 cm beside them is dry", Pour, 20, 2, 4, 14}},
	} {
		assert.Equal(t, row.want, WaterOf(row.thing), "row %d", i)
	}
}

// No thing is without a line: whatever it is, of whatever habit, it is felt for, and for so long that it may go without
// at the most; before it has roots it gets a quarter of its pot at the most.
func TestNoThingIsWithoutALineOfWater(t *testing.T) {
	for _, role := range []Role{Top, Cutting, Leaf, Boxed, Rooted, Part, Own} {
		for _, h := range plant.Habits() {
			d, known := treatment.HabitDefaults(h.ID)
			require.True(t, known)
			for mask := range 8 {
				for _, ml := range []float64{0, 60, 120, 190, 400, 2000} {
					thing := Thing{role, d.Habit, mask&1 > 0, mask&2 > 0, mask&4 > 0, ml}
					line := WaterOf(thing)
					assert.NotEmpty(t, line.Sign, thing)
					assert.NotEmpty(t, line.Way, thing)
					assert.Positive(t, line.Every, thing)
					assert.GreaterOrEqual(t, line.Longest, line.Every, thing)
					if line.Way == Pour || line.Way == Below {
						assert.GreaterOrEqual(t, line.ML, 15.0, thing)
						assert.LessOrEqual(t, line.ML, max(leastML, ml/4), thing)
					}
				}
			}
		}
	}
}
