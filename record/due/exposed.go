package due

import (
	"fmt"
	"strings"

	"tendermend/core/recovery"
	"tendermend/record"
)

// exposedTasks asks for the next look of each thing that a plant may have caught; false
// where there is none to come.
func exposedTasks(s record.State, add func(Task)) bool {
	wanted := false
	for _, x := range s.Exposures {
		on, nth, more := s.NextLook(x)
		if !more {
			continue
		}
		wanted = true
		const why = "%s. Look %d of %d."
		t := Task{
			Kind: Pests, From: on, Until: on + 2, What: "Look for " + strings.ToLower(x.Name()), Minutes: 2, Weight: 4,
			Why: fmt.Sprintf(why, strings.TrimSuffix(x.Why, "."), nth, len(x.Looks())),
		}
		if x.Pest() {
			t.Measure = recovery.LivePests
		} else {
			t.Kind = Look
		}
		add(t)
	}
	return wanted
}
