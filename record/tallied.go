package record

import (
	"tendermend/core/recovery"
	"tendermend/core/roots"
	"tendermend/core/working"
)

// Tallied is a count of live and dead roots.
type Tallied struct {
	roots.Tally
	Note string `json:"note,omitempty" maxLength:"2000"`
}

// KindTallied stands in stored records: it is never renamed or used for another.
const KindTallied Kind = "tallied"

// Kind names it.
func (*Tallied) Kind() Kind { return KindTallied }

func (t *Tallied) check(*situation) (faults Faults) {
	if t.Counted() == 0 && t.LongestMM == nil && t.Tips == nil && t.RootBallCM == nil {
		faults = append(faults, Fault{Field: "tallied", Message: "count at least one root, or measure something"})
	}
	for name, c := range map[string][4]int{"inMedium": {t.InMedium.Live, t.InMedium.Doubtful, t.InMedium.DeadDry,
		t.InMedium.Mushy},
		"inAir": {t.InAir.Live, t.InAir.Doubtful, t.InAir.DeadDry, t.InAir.Mushy}} {
		for i := range c {
			countBetween(&faults, "tallied."+name, &c[i], 0, 500)
		}
	}
	between(&faults, "tallied.longestMm", t.LongestMM, 0, 2000, "mm")
	countBetween(&faults, "tallied.tips", t.Tips, 0, 500)
	between(&faults, "tallied.rootBallCm", t.RootBallCM, 0.5, 200, "cm")
	return faults
}

func (t *Tallied) apply(s *State, e Entry) {
	s.Tallies = append(s.Tallies, TallyOn{e.On, *t})
	if t.Tips != nil {
		s.Readings.Add("live-tips", recovery.Reading{On: e.On, Value: float64(*t.Tips)})
	}
	if t.LongestMM != nil {
		s.Readings.Add("longest-root", recovery.Reading{On: e.On, Value: *t.LongestMM})
	}
	s.looked(e.On)
}

func (t *Tallied) event(State) (string, bool) {
	return working.Count(t.Counted(), "root") + " counted", true
}

func (*Tallied) taken() taken { return whileHere }

func (*Tallied) effort() (Effort, int) { return ForLooks, 8 }
