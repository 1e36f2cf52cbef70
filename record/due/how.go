package due

import (
	"tendermend/core/care"
	"tendermend/core/recovery"
)

// how says how what is asked for is done, where its plan or its rule does not.
var how = map[Kind]string{
	Examine: care.HowExamine, Check: care.HowCheck, Look: care.HowLook, Stall: care.HowBelow, Apart: care.HowApart,
	Treat: care.HowAgain,
}

// withHow is a task with how it is done: as it says itself, as its measure is read, or as
// all of its kind are.
func withHow(t Task) Task {
	if t.How != "" {
		return t
	}
	if t.How = how[t.Kind]; t.Kind == Pests {
		t.How = lookForPests()
	} else if m, reads := recovery.MeasureByID(t.Measure); reads {
		t.How = m.How + "."
	}
	return t
}

func lookForPests() string {
	job, _ := care.ByID(care.PestLook)
	return job.How
}
