package record_test

import (
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"

	"tendermend/core/plant"
	"tendermend/record"
)

// What is recorded comes after what is there, where the clock stands still or was set back
// a little; another clock's entries that lie further ahead do not carry it away.
func TestWhatIsRecordedComesAfterWhatIsThere(t *testing.T) {
	now := time.Date(2026, 5, 1, 9, 0, 0, 0, time.UTC)
	for _, c := range []struct {
		says   string
		there  []time.Duration // from now
		wanted time.Duration
	}{
		{"nothing is there", nil, 0},
		{"the last is older", []time.Duration{-time.Second}, 0},
		{"the clock stands still", []time.Duration{0, 2 * time.Microsecond, time.Microsecond}, 3 * time.Microsecond},
		{"set back a little", []time.Duration{59 * time.Second}, 59*time.Second + time.Microsecond},
		{"another clock's", []time.Duration{time.Minute}, 0},
	} {
		id := uuid.Must(uuid.NewV7())
		var list []record.Entry
		for _, d := range c.there {
			list = append(list, record.Entry{ID: uuid.Must(uuid.NewV7()), PlantID: id, RecordedAt: now.Add(d),
				Body: record.Body{Noted: &record.Noted{Text: "a note"}}})
		}
		assert.Equal(t, now.Add(c.wanted), record.NewLedger(id, list, plant.Kinds{}).After(now), c.says)
	}
}
