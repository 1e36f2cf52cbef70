package diagnosis

import (
	"testing"

	"github.com/stretchr/testify/assert"
)

func TestAGuidedLookAsksWhatCanBeSeenToday(t *testing.T) {
	c := examine(t, look("aroid-vine", "leaf.drooping", "leaf.yellow-many-fast", "med.wet-long"))
	today := Check{Sign: "root.smell"}
	days := Check{Sign: "course.slow", Days: 1}
	for _, one := range []struct {
		name   string
		checks []Check
		next   string
	}{
		{"nothing is left", []Check{}, ""},
		{"one is left", []Check{today}, today.Sign},
		{"what takes days is passed over", []Check{days, today}, today.Sign},
		{"and is no question by itself", []Check{days}, ""},
	} {
		c.checks = one.checks
		assert.Equal(t, one.next, c.Guided().Next, one.name)
		assert.True(t, one.next != "" || c.Guided().Settled, one.name)
	}
}

// A look ends where the verdict asks for no further one, and goes on where it does.
func TestAGuidedLookEndsWithTheVerdict(t *testing.T) {
	ended, wentOn := 0, 0
	for _, c := range looked(t) {
		g := c.Guided()
		assert.Equal(t, 10, g.Most)
		if g.Next == "" {
			continue
		}
		if c.Verdict().Kind == LookFurther {
			wentOn++
			assert.False(t, g.Settled, "%v", c.examination.Present)
		} else {
			ended++
			assert.True(t, g.Settled, "%v", c.examination.Present)
		}
	}
	assert.NotZero(t, ended)
	assert.NotZero(t, wentOn)
}
