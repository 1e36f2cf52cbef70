package compose

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// What stands over a reservoir and was found due is watered from above today, so that it draws again; what is moist is
// told nothing of water where nothing asks for it.
func TestWhatRanDryOverItsReservoirIsWateredToday(t *testing.T) {
	for moist, watered := range map[string]bool{"bone": true, "dry": true, "due": true, "right": false, "wet": false} {
		for _, limp := range []bool{moist == "due", false} { // what hangs limp in dry medium is soaked
			words, days := said(t, fmt.Sprintf(`{"kind":"pilea-cadierei","causes":["aphid"],"on":"2026-06-15",
				"answers":{"seat":"reservoir","moist":%q,"limp":%t,"liveRoots":9,"deadRoots":2},"place":{"warmthC":22}}`,
				moist, limp), treatment.ByRule)
			require.Equal(t, watered, len(words) > 0, moist)
			if watered {
				assert.Zero(t, days[0], moist)
				assert.Contains(t, words[0], "from above now", moist)
				assert.Contains(t, words[0], "a day after you find it empty", moist)
			}
		}
	}
}

// A reservoir is filled to a quarter of the pot at most, a day after it is empty (handbook, amounts), and by half that
// where it is to get half; of what stores water only when its medium is dry.
func TestHowAReservoirIsFilled(t *testing.T) {
	for kind, contains := range map[string]string{
		"pilea-cadierei": "a day after you find it empty, to a quarter", "echeveria-elegans": "only when its medium is dry",
	} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":["edema"],"on":"2026-06-15",
			"answers":{"seat":"reservoir","moist":"right"},"place":{"warmthC":22}}`, kind), treatment.ByRule)
		require.NotEmpty(t, words, kind)
		assert.Contains(t, words[0], contains, kind)
	}
	less := laid(t, `{"kind":"pilea-cadierei","causes":["edema"],"answers":{"seat":"reservoir"}}`)
	assert.Contains(t, less.words(do(treatment.ByRule, how("half"))), "half as high as usual")
}

// What stands too wet over a reservoir has it poured out; a pot with a saucer has that emptied.
func TestAReservoirIsPouredOut(t *testing.T) {
	for seat, pours := range map[string]bool{"reservoir": true, "pot": false} {
		s := fmt.Sprintf(`{"kind":"pilea-cadierei","causes":["overwatering"],"on":"2026-06-15",
			"answers":{"seat":%q,"moist":"wet"},"place":{"warmthC":22}}`, seat)
		drained, _ := said(t, s, treatment.DrainSaucer)
		held, _ := said(t, s, treatment.HoldWater)
		all := strings.Join(append(drained, held...), " ")
		assert.Equal(t, pours, strings.Contains(all, "leave it empty for two days"), all)
		assert.Equal(t, pours, strings.Contains(all, "Leave its reservoir empty"), all)
	}
}
