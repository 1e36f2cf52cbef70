package care_test

import (
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"

	"tendermend/core/care"
)

// answers makes answers of so many minutes each, the newest first, with a gap between them.
func answers(n, minutes int, gap time.Duration) (list []care.Answer) {
	now := time.Date(2026, 5, 1, 9, 0, 0, 0, time.UTC)
	for i := range n {
		list = append(list, care.Answer{At: now.Add(-time.Duration(i) * gap), Minutes: minutes})
	}
	return list
}

func TestAPaceIsLearnedFromTheGapsBetweenAnswers(t *testing.T) {
	for _, c := range []struct {
		says    string
		answers []care.Answer
		ratio   float64
		counted int
	}{
		{"nothing recorded", nil, 1, 0},
		{"one answer has no gap", answers(1, 2, time.Minute), 1, 0},
		{"as reckoned", answers(61, 1, time.Minute), 1, 60},
		{"sixty minutes' work in twenty", answers(61, 1, 20*time.Second), 50.0 / 90, 60},
		{"a few quick ones move little", answers(4, 1, 10*time.Second), 30.5 / 33, 3},
		{"ten minutes are work still", answers(2, 2, 10*time.Minute), 40.0 / 32, 1},
		{"a moment more is a pause", answers(2, 2, 10*time.Minute+1), 1, 0},
		{"recorded in one go", answers(40, 1, 0), 1, 0},
		{"of no known length", answers(40, 0, time.Minute), 1, 0},
		{"never under a quarter", answers(300, 50, 3*time.Second), 0.25, 299},
		{"never over twice", answers(300, 1, 9*time.Minute), 2, 299},
	} {
		p := care.PaceOf(c.answers)
		assert.InDelta(t, c.ratio, p.Ratio(), 1e-9, c.says)
		assert.Equal(t, c.counted, p.Answers, c.says)
		assert.Equal(t, c.counted > 0, p.Working(9).Sure != care.PaceOf(nil).Working(9).Sure, c.says)
	}
	late := answers(3, 2, time.Minute)
	late[0].Late = true
	assert.Equal(t, 1, care.PaceOf(late).Answers, "of what is written down later nothing is learned")
}

// Answers within three seconds of each other are one act: of one plant it takes the time
// since the act before it, of several nothing is learned.
func TestAnswersGivenAtOnceAreOneAct(t *testing.T) {
	one, other := uuid.New(), uuid.New()
	now := time.Date(2026, 5, 1, 9, 0, 0, 0, time.UTC)
	for _, c := range []struct {
		says    string
		apart   time.Duration // the two newest
		second  uuid.UUID
		counted int
		usual   float64
	}{
		{"one plant at once", 3*time.Second - 1, one, 1, 4},
		{"one plant, one after the other", 3 * time.Second, one, 2, 4},
		{"two plants at once", 3*time.Second - 1, other, 0, 0},
		{"two plants, one after the other", 3 * time.Second, other, 2, 4},
	} {
		p := care.PaceOf([]care.Answer{
			{At: now, Plant: one, Minutes: 2}, {At: now.Add(-c.apart), Plant: c.second, Minutes: 2},
			{At: now.Add(-time.Minute), Plant: one, Minutes: 2},
		})
		assert.Equal(t, c.counted, p.Answers, c.says)
		assert.InDelta(t, c.usual, p.Usual, 1e-9, c.says)
	}
}

func TestMinutesOfAPaceAreWholeAndNeverNone(t *testing.T) {
	quick := care.PaceOf(answers(300, 50, 3*time.Second))
	for _, c := range []struct{ usual, minutes int }{{0, 0}, {1, 1}, {2, 1}, {5, 1}, {6, 2}, {40, 10}} {
		assert.Equal(t, c.minutes, quick.Minutes(c.usual), "%d minutes", c.usual)
		assert.Equal(t, c.usual, care.Pace{}.Minutes(c.usual), "the usual pace")
	}
}
