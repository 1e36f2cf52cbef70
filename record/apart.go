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
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/core/working"
)

// KeptApart is why a plant is kept apart, or should be, what that means, and when it
// may go back.
type KeptApart struct {
	// Wanted is true where it stands among the others and should not.
	Wanted  bool          `json:"wanted" doc:"Whether it stands among the others and should not."`
	Reasons []ApartReason `json:"reasons"`
	Means   []string      `json:"means" doc:"What that means for tray, tools and order of work."`
	// Quarantine is a newcomer's; missing where it is over or was none.
	Quarantine *isolation.Quarantine `json:"quarantine,omitempty"`
	Release    Release               `json:"release"`
}

// ApartReason is one reason to keep a plant apart.
type ApartReason struct {
	What    string      `json:"what"`
	Cause   string      `json:"cause,omitempty" doc:"What travels; missing where nothing is known to."`
	Since   day.Day     `json:"since"`
	Ways    []cause.Way `json:"ways" doc:"How it travels."`
	ForGood bool        `json:"forGood" doc:"Whether it stays apart for good."`
	until   string      // what must hold before it may go back
	travel  []isolation.Travel
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

// Apart gives why the plant is kept apart as of a day, or should be; nil where it
// stands among the others and nothing speaks against it.
func (s State) Apart(on day.Day) *KeptApart {
	if s.Left != nil || !s.Here {
		return nil
	}
	a := &KeptApart{
		Reasons: []ApartReason{},
		Means:   []string{},
		Release: Release{Open: true, Conditions: []ReleaseCondition{}},
	}
	a.reasons(s, on)
	if s.Isolation == Clean {
		if !s.wantsApart(on) {
			return nil
		}
		a.Wanted = true
	}
	if q := s.Quarantine(); q != nil && s.Isolation != Clean {
		a.newcomer(s, *q, on)
	}
	a.exposed(s)
	if what, since, bad := s.Bad(); bad {
		a.Release.wants(false, "nothing bad at the last look", working.Lower(what)+" on "+since.Words())
	}
	for _, alarm := range s.Alarms() {
		if !a.Release.names(alarm.On.Words()) {
			a.Release.wants(false, "no open question", working.Lower(alarm.Title)+" on "+alarm.On.Words())
		}
	}
	if len(a.Reasons) == 0 {
		a.Reasons = append(a.Reasons, ApartReason{What: s.apartWords(), Since: s.apartSince(), Ways: []cause.Way{}})
	}
	var ways []isolation.Travel
	for _, r := range a.Reasons {
		ways = append(ways, r.travel...)
	}
	a.Means = isolation.Means(ways)
	return a
}

// reasons gathers what of the plant's troubles, and of those that came with it, is a
// reason of its own to keep it apart.
func (a *KeptApart) reasons(s State, on day.Day) {
	for _, c := range s.Cases {
		for _, r := range c.apart() {
			a.Reasons = append(a.Reasons, r)
			a.Release.wants(!c.Open() && !r.ForGood, r.until, "")
		}
	}
	for _, x := range s.Suspected() {
		if x.Decided {
			continue // said above, with its case
		}
		a.Reasons = append(a.Reasons, ApartReason{
			What: x.What + ".", Cause: x.Cause, Since: x.Since, Ways: isolation.WaysOf(x.Cause), travel: x.travel(),
		})
		a.Release.wants(false, "decided on: "+working.Lower(x.What), "open since "+x.Since.Words())
	}
	for _, sister := range s.Sisters {
		if sister.over(on) {
			continue
		}
		const came = "It came on one day from one source with “%s”: %s."
		a.Reasons = append(a.Reasons, ApartReason{
			What: fmt.Sprintf(came, sister.Name, working.Lower(sister.What)), Cause: sister.Cause, Since: sister.Since,
			Ways: isolation.WaysOf(sister.Cause), travel: sister.travel(),
		})
		until := "“" + sister.Name + "” is decided on"
		if isolation.ForGood(sister.Cause) && sister.Decided {
			until = "watched until " + (sister.Since + isolation.SisterDays).Words()
		}
		a.Release.wants(false, until, "")
	}
}

// wantsApart says whether a plant that stands among the others should not: something
// that crawls, flies or cannot be cured is on it or may be, or came with it; or its
// plan wants it kept apart. What only goes with its own water and soil stays in its pot.
func (s State) wantsApart(on day.Day) bool {
	roams := func(x Suspicion) bool {
		return slices.ContainsFunc(x.travel(), func(t isolation.Travel) bool {
			return t.Pest || t.Way == cause.ByContact || t.Way == cause.ByAir || t.Way == cause.ByVector
		}) || isolation.ForGood(x.Cause)
	}
	for _, x := range s.Suspected() {
		if roams(x) {
			return true
		}
	}
	for _, sister := range s.Sisters {
		if roams(sister.Suspicion) && !sister.over(on) {
			return true
		}
	}
	return slices.ContainsFunc(s.OpenCases(), Case.plansApart)
}

// plansApart says whether its plan wants the plant kept apart, and it is not yet.
func (c Case) plansApart() bool {
	if c.Plan == nil {
		return false
	}
	return slices.ContainsFunc(c.Plan.Steps, func(step sheet.Step) bool {
		_, ticked := c.Ticks[step.ID]
		op := treatment.OperatorID(step.Op)
		return !ticked && (op == treatment.Isolate || op == treatment.KeepApart)
	})
}

// newcomer adds a newcomer's quarantine.
func (a *KeptApart) newcomer(s State, q isolation.Quarantine, on day.Day) {
	a.Quarantine = &q
	const why = "Kept apart since it came, as newcomers are."
	a.Reasons = append(a.Reasons, ApartReason{What: why, Since: q.From, Ways: []cause.Way{}})
	left := int(q.Until - on)
	found := "it is over"
	if left > 0 {
		found = working.Count(left, "day") + " to go"
	}
	a.Release.wants(left <= 0, "in quarantine until "+q.Until.Words(), found)
	n := s.cleanLooks(q.From)
	a.Release.wants(n >= isolation.LeastLooks, working.Count(isolation.LeastLooks, "pest look")+" without a find",
		fmt.Sprintf("%d so far", n))
	a.Release.Earliest = &q.Until
}

func (r *Release) wants(met bool, wanted, found string) {
	r.Open = r.Open && met
	r.Conditions = append(r.Conditions, ReleaseCondition{wanted, met, found})
}

// names says whether a condition that is not met tells of something already.
func (r *Release) names(what string) bool {
	return slices.ContainsFunc(r.Conditions, func(c ReleaseCondition) bool {
		return !c.Met && strings.HasSuffix(c.Found, what)
	})
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
			What: known.Label + ".", Cause: id, Since: c.OpenedOn, Ways: ways, ForGood: isolation.ForGood(id),
			until: "the case of " + strings.ToLower(known.Label) + " has ended", travel: isolation.TravelOf(id),
		}
		if r.ForGood {
			r.until = "kept apart for good: nothing cures " + strings.ToLower(known.Label)
		}
		reasons = append(reasons, r)
	}
	return reasons
}

// apartWords says who put it apart, where nothing else is known.
func (s State) apartWords() string {
	words := "Put apart"
	if s.setApart.on != nil && *s.setApart.on == s.ArrivedOn && s.Arrival.Isolated {
		words = "Kept apart since it was taken in"
	}
	if s.setApart.why != "" {
		words += ": " + strings.TrimSuffix(working.Lower(s.setApart.why), ".")
	}
	return words + "."
}

// Quarantine is the newcomer's; nil where it was had before, or came back among the
// others since.
func (s State) Quarantine() *isolation.Quarantine {
	if s.Arrival.Had != "" || !s.Arrival.Isolated || s.setApart.releasedOn != nil {
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
	if s.setApart.on != nil {
		return *s.setApart.on
	}
	return s.ArrivedOn
}

// keep puts the plant apart or back among the others.
func (s *State) keep(how Isolation, on day.Day, why string) {
	if how == Clean && s.Isolation != Clean {
		s.setApart.releasedOn = &on
	}
	if how != Clean && s.Isolation == Clean {
		s.setApart.on, s.setApart.why = &on, why
	}
	s.Isolation = how
}
