package treatment

import (
	"strings"

	"tendermend/core/cause"
)

// Trigger is a reading of check-ins that meets a warning by itself: a measure that
// is answered yes or counts above nothing, or one that rises or falls. The days and
// spans are those of the sentence that it stands for.
type Trigger struct {
	Measure string
	From    int  // days after the plan was made
	Nth     int  // from this look for it on, counted since the plan
	Wet     bool // only while the last stick came out moist or wet
	Rises   bool // more than at the look before
	Falls   bool // less than at the look before
}

// Warning is something of which a plan says that it must be looked at again, or
// given up, when it is seen.
type Warning struct {
	ID     string    // stands in stored records
	Words  string    // what is seen, and where it says so what is done then
	GiveUp bool      // whether nothing can be saved then
	When   []Trigger // readings that meet it; without any it is asked for
}

// Ids of warnings begin with what they are.
const (
	wrongWarning  = "wrong:"
	giveUpWarning = "give-up:"
	ofWish        = "wish:"
)

// WarningsOf lists what a plan warns of, in the order of its causes.
func WarningsOf(causes []cause.ID, wish Wish, habit string) (list []Warning) {
	var grows HabitID
	if d, ok := HabitDefaults(habit); ok {
		grows = d.Habit
	}
	add := func(of string, o Outlook) {
		if o.Wrong != "" {
			list = append(list, Warning{ID: wrongWarning + of, Words: o.Wrong, When: o.WrongWhen})
		}
		if o.GiveUp != "" && !o.AtOnce {
			list = append(list, Warning{ID: giveUpWarning + of, Words: o.GiveUp, GiveUp: true})
		}
	}
	for _, id := range causes {
		if o, ok := OutlookOf(id, grows); ok {
			add(string(id), o)
		}
	}
	if o, ok := OutlookOfWish(wish); ok && wish != "" {
		add(ofWish+string(wish), o)
	}
	return list
}

// IsWarning says whether an id is that of a warning.
func IsWarning(id string) bool {
	of, wrong := strings.CutPrefix(id, wrongWarning)
	if !wrong {
		rest, giveUp := strings.CutPrefix(id, giveUpWarning)
		if !giveUp {
			return false
		}
		of = rest
	}
	if wish, is := strings.CutPrefix(of, ofWish); is {
		_, known := OutlookOfWish(Wish(wish))
		return known && wish != ""
	}
	_, known := cause.ByID(cause.ID(of))
	return known
}
