package sheet

import (
	"slices"

	"tendermend/core/treatment"
)

// lookAhead writes what is normal from now on, what ends it, what would be the
// wrong way and when it was in vain: once each, in the order of the causes.
func (p *Plan) lookAhead(s treatment.Situation) {
	var habit treatment.HabitID
	if d, ok := treatment.HabitDefaults(s.HabitID()); ok {
		habit = d.Habit
	}
	add := func(list *[]string, words string) {
		if words != "" && !slices.Contains(*list, words) {
			*list = append(*list, words)
		}
	}
	ahead := func(o treatment.Outlook) {
		add(&p.Expect, o.Expect)
		add(&p.Ends, o.Ends)
		add(&p.Wrong, o.Wrong)
		add(&p.Stops, o.GiveUp)
	}
	for _, id := range s.Causes {
		if o, ok := treatment.OutlookOf(id, habit); ok {
			ahead(o)
		}
	}
	if o, ok := treatment.OutlookOfWish(s.Wish); ok && s.Wish != "" {
		ahead(o)
	}
}
