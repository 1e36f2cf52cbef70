package compose

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// What is poured onto a moist medium waits for its first water, where cut roots keep the fresh mix dry for days.
func TestWhatIsPouredWaitsForFirstWater(t *testing.T) {
	of := `{"kind":"dendrobium-speciosum","causes":["root-grub"],"on":"2026-10-15","answers":{"limp":true,"moist":"right",
		"newcomerDays":2,"spikes":0,"growths":0,"potWidthCm":18,"liveRoots":9,"deadRoots":0,"liveTips":2},
		"place":{"warmthC":20}}`
	_, first := said(t, of, treatment.FirstWater)
	_, poured := said(t, of, treatment.Nematodes)
	require.NotEmpty(t, first)
	require.Len(t, poured, 2)
	assert.Equal(t, first[0], poured[0])
	assert.Equal(t, 14, poured[1]-poured[0])
}

// Moved is what falls on the dry days only, with its later uses; where the mix is watered at once there are none.
func TestPoursMoveOverTheDryDaysOnly(t *testing.T) {
	for day, want := range map[int]int{2: 2, 3: 8, 7: 8, 8: 8, 9: 9} {
		list := []*sit{
			{dated: true, day: 3, steps: []step{do(treatment.Unpot), do(treatment.PotIn)}},
			{dated: true, day: 8, steps: []step{do(treatment.FirstWater)}},
			{dated: true, day: day, slot: treatment.Evening, steps: []step{do(treatment.Nematodes)}},
			{dated: true, day: day + 14, slot: treatment.Evening, steps: []step{do(treatment.Nematodes)}},
		}
		var days []int
		for _, s := range pouredWhenMoist(list) {
			if has(s.steps, treatment.Nematodes) {
				days = append(days, s.day)
			}
		}
		assert.Equal(t, []int{want, want + 14}, days, day)
	}
	at := []*sit{{dated: true, day: 3, steps: []step{do(treatment.Unpot), do(treatment.PotIn), do(treatment.FirstWater),
		do(treatment.Nematodes)}}}
	assert.Len(t, pouredWhenMoist(at), 1)
	assert.True(t, has(at[0].steps, treatment.Nematodes))
}
