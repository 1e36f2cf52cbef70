package plant

import (
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
)

// Words that are compared by their letters first are the same that are compared letter by letter.
func TestNoNearWordIsMissed(t *testing.T) {
	r, x := rand.New(rand.NewPCG(50, 5)), Kinds{}.Names()
	const letters = "abcdefghijklmnopqrstuvwxyzéßç"
	runes := []rune(letters)
	met := 0
	for range 600 {
		q := []rune(x.ships.words[r.IntN(len(x.ships.words))].text)
		for range r.IntN(4) { // as somebody mistypes it
			at := r.IntN(len(q))
			switch r.IntN(3) {
			case 0:
				q[at] = runes[r.IntN(len(runes))]
			case 1:
				q = append(q[:at:at], q[min(at+1, len(q)):]...)
			default:
				q = append(q[:at:at], append([]rune{runes[r.IntN(len(runes))]}, q[at:]...)...)
			}
			if len(q) == 0 {
				q = []rune("a")
			}
		}
		near := x.near(string(q))
		for _, w := range x.ships.words {
			d, is := near[w.text]
			want := wrong(w.text, string(q))
			assert.Equal(t, want <= mostWrong, is, "%s for %s", w.text, string(q))
			if is {
				met++
				assert.Equal(t, want, d)
			}
		}
	}
	assert.Greater(t, met, 300)
}
