package record_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/record"
	"tendermend/record/due"
	"tendermend/record/told"
)

// What stands in water is not felt: its walk asks for what is seen there, and says how high.
func TestALookForWaterAsksForWhatIsSeenThere(t *testing.T) {
	const feel, above = "Feel whether it is dry enough to water", "Look at the water it stands over"
	in := func(seat facts.Seat) record.Potted { return record.Potted{Seat: seat} }
	set := func(seat facts.Seat, cm float64) record.Potted { return record.Potted{Seat: seat, LevelCM: &cm} }
	deep := func(seat facts.Seat, cm float64) record.Potted {
		return record.Potted{Seat: seat, WidthCM: &cm, DepthCM: &cm, LevelCM: p(2.5)}
	}
	for _, c := range []struct {
		name        string
		potted      record.Potted
		root        int
		what, how   string
		card        string
		days, until int // after its last water
	}{
		{"a pot", record.Potted{WidthCM: p(9.0)}, 0, feel, "stick", "dry half way down", 0, 0},
		{"a dish of which nothing is known", in(facts.InDish), 0,
			"Fill its dish", "Measure its longest root", "measure its longest root", 2, 4},
		{"a dish as it was set", set(facts.InDish, 2.5), 0,
			"Fill its dish to 2.5 cm, as it was set", "not over the pot", "filled to 2.5 cm", 2, 4},
		{"a dish by its root", deep(facts.InDish, 9), 51,
			"Fill its dish to 29 mm", "not over the pot", "filled to 29 mm", 2, 4},
		{"a root near the bottom of the dish's pot", deep(facts.InDish, 9), 80,
			feel, "stick", "dry half way down", 0, 0},
		{"a water space", set(facts.InReservoir, 2), 0,
			"Look whether its water space is empty and fill it to 2 cm", "a day after", "filled to 2 cm", 0, 0},
		{"a cup", in(facts.InCup), 0, above, "never over it", "stands in water", 3, 7},
		{"a glass", in(facts.InJar), 0, above, "never over it", "stands in water", 3, 7},
	} {
		t.Run(c.name, func(t *testing.T) {
			b := &book{t: t, plant: newBook(t).plant}
			b.write(60, record.Body{Arrived: &record.Arrived{Name: "Vine", Habit: "aroid-vine"}})
			b.write(30, record.Body{Potted: &c.potted})
			if c.root > 0 {
				b.write(29, check("longest-root", c.root))
			}
			for _, ago := range []int{26, 24, 20, 17, 14, 12, 10} {
				b.write(ago, record.Body{Watered: &record.Watered{}})
			}
			s := b.state()
			var asked *due.Task
			for _, task := range due.Tasks(s, false) {
				if task.Kind == due.Water {
					asked = &task
				}
			}
			require.NotNil(t, asked)
			assert.Equal(t, c.what, asked.What)
			assert.Contains(t, asked.How, c.how)
			if c.until > 0 {
				assert.Equal(t, today-10+day.Day(c.days), asked.From)
				assert.Equal(t, today-10+day.Day(c.until), asked.Until)
			}
			card := told.CardOf(s, today, false).Water.Text
			assert.Contains(t, card, c.card)
			_, dries := s.DryDown(today, false)
			assert.Equal(t, c.what == feel, dries, "what stands in water does not dry")
		})
	}
	assert.NotContains(t, plant.WaterRuleText(), plant.Dish, "no kind has a dish for its rule")
	assert.NotContains(t, plant.WaterRuleText(), plant.InWater)
}
