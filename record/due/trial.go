package due

import (
	"fmt"
	"strings"

	"tendermend/record"
)

// trialDays is how long a result that is asked for can wait, days (common practice).
const trialDays = 7

// trialTasks asks for the results of trials whose time is over.
func trialTasks(s record.State, add func(Task)) {
	const why = "Tried since %s. It helps if this is seen: %s."
	for _, t := range s.Trials {
		if t.Result != nil {
			continue
		}
		add(Task{
			Kind: Trial, From: t.AsksOn, Until: t.AsksOn + trialDays, What: "Did it help: " + t.What + "?",
			Why: fmt.Sprintf(why, t.On.Words(), strings.TrimSuffix(t.Hope, ".")), Minutes: 2, Weight: 2, Trial: t.ID.String(),
		})
	}
}
