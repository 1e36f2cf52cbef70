package record

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/isolation"
	"tendermend/core/recovery"
)

// KeptApart is why a plant is kept apart, what that means, and when it may go back.
type KeptApart struct {
	Reasons []ApartReason `json:"reasons"`
	Means   []string      `json:"means" doc:"What that means for tray, tools and order of work."`
	// Quarantine is a newcomer's; missing where it is over or was none.
	Quarantine *isolation.Quarantine `json:"quarantine,omitempty"`
	Release    Release               `json:"release"`
}

// ApartReason is one reason to keep a plant apart.
type ApartReason struct {
	What    string      `json:"what"`
	Since   day.Day     `json:"since"`
	Ways    []cause.Way `json:"ways" doc:"How it travels."`
	ForGood bool        `json:"forGood" doc:"Whether it stays apart for good."`
	until   string      // what must hold before it may go back
}

// Release says whether a plant may go back among the others.
type Release struct {
	Open       bool               `json:"open"`
	Conditions []ReleaseCondition `json:"conditions"`
	// Earliest is the first day on which it may be; missing where no day is known.
	Earliest *day.Day `json:"earliest,omitempty"`
}

// ReleaseCondition is one thing that must hold before.
type ReleaseCondition struct {
	Wanted string `json:"wanted"`
	Met    bool   `json:"met"`
	Found  string `json:"found"`
}

// Apart gives why the plant is kept apart as of a day; nil where it stands among
// the others.
func (s State) Apart(on day.Day) *KeptApart {
	if s.Isolation == Clean || s.Left != nil {
		return nil
	}
	a := &KeptApart{
		Reasons: []ApartReason{},
		Means:   []string{},
		Release: Release{Open: true, Conditions: []ReleaseCondition{}},
	}
	var ways []cause.Way
	for _, c := range s.Cases {
		for _, r := range c.apart() {
			a.Reasons, ways = append(a.Reasons, r), append(ways, r.Ways...)
			a.Release.wants(!c.Open() && !r.ForGood, r.until, "")
		}
	}
	if q := s.quarantine(); q != nil {
		a.Quarantine = q
		a.Reasons = append(a.Reasons, ApartReason{What: "It is new here.", Since: q.From, Ways: []cause.Way{}})
		left := int(q.Until - on)
		found := "it is over"
		if left > 0 {
			found = fmt.Sprintf("%d days to go", left)
		}
		a.Release.wants(left <= 0, "in quarantine until "+q.Until.Words(), found)
		n := s.cleanLooks(q.From)
		a.Release.wants(n >= isolation.LeastLooks, fmt.Sprintf("%d pest looks without a find", isolation.LeastLooks),
			fmt.Sprintf("%d so far", n))
		a.Release.Earliest = &q.Until
	}
	for _, alarm := range s.Alarms() {
		a.Release.wants(false, "no open question", lower(alarm.Title)+" on "+alarm.On.Words())
	}
	if len(a.Reasons) == 0 {
		a.Reasons = append(
			a.Reasons,
			ApartReason{What: "Somebody put it apart.", Since: s.apartSince(), Ways: []cause.Way{}},
		)
	}
	slices.Sort(ways)
	a.Means = isolation.Means(slices.Compact(ways))
	return a
}

func (r *Release) wants(met bool, wanted, found string) {
	r.Open = r.Open && met
	r.Conditions = append(r.Conditions, ReleaseCondition{wanted, met, found})
}

// apart gives what of a case wants the plant kept apart: what travels, while the
// case is open, and what nothing cures for good.
func (c Case) apart() (reasons []ApartReason) {
	for _, id := range c.Causes() {
		ways := isolation.WaysOf(id)
		if len(ways) == 0 || !c.Open() && !isolation.ForGood(id) {
			continue
		}
		known, _ := diagnosis.CauseByID(id)
		r := ApartReason{
			What: known.Label + ".", Since: c.OpenedOn, Ways: ways, ForGood: isolation.ForGood(id),
			until: "the case of " + strings.ToLower(known.Label) + " has ended",
		}
		if r.ForGood {
			r.until = "kept apart for good: nothing cures " + strings.ToLower(known.Label)
		}
		reasons = append(reasons, r)
	}
	return reasons
}

// quarantine is the newcomer's; nil where it was had before, or came back among the
// others since.
func (s State) quarantine() *isolation.Quarantine {
	if s.Arrival.Had != "" || !s.Arrival.Isolated || s.releasedOn != nil {
		return nil
	}
	q := isolation.QuarantineOf(s.ArrivedOn, s.Arrival.Suspect, s.Wants)
	return &q
}

// cleanLooks counts the looks for pests since a day without a find, each some days
// after the one before; a find begins the count anew.
func (s State) cleanLooks(from day.Day) int {
	n, counted := 0, day.Day(0)
	for _, r := range s.Readings[recovery.LivePests] {
		switch {
		case r.On < from:
		case r.Value > 0:
			n = 0
		case n == 0 || r.On-counted >= isolation.LooksApart:
			n, counted = n+1, r.On
		}
	}
	return n
}

// apartSince is the day on which it was put apart last.
func (s State) apartSince() day.Day {
	if s.apartOn != nil {
		return *s.apartOn
	}
	return s.ArrivedOn
}

// keep puts the plant apart or back among the others.
func (s *State) keep(how Isolation, on day.Day) {
	if how == Clean && s.Isolation != Clean {
		s.releasedOn = &on
	}
	if how != Clean && s.Isolation == Clean {
		s.apartOn = &on
	}
	s.Isolation = how
}
