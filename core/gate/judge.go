package gate

import (
	"fmt"
	"slices"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/working"
)

// Opening says how a gate stands.
type Opening struct {
	Open bool `json:"open" doc:"Whether all that it wants is so."`
	// On is the day on which it opened, or, where only days are wanted still, will open.
	On *day.Day `json:"on,omitempty" doc:"The day it opened, or will, where only days are wanting."`
	// Seeable is true where one look can show all that is wanting.
	Seeable    bool                `json:"seeable" doc:"Whether one look can show all that is wanting."`
	Conditions []recovery.Standing `json:"conditions"`
	// Late is by when it must have been seen, and what is done where it is not.
	Late *Late `json:"late,omitempty" doc:"By when it must have been seen, and what is done where it is not."`
}

// sightReads are the measures that show a sight, each with the least reading that
// does; the first is the one to ask for.
var sightReads = map[Sight][]reads{
	NewGrowth:   {{"new-growth", 1}, {"new-leaves", 1}},
	Growth:      {{"growing", 1}, {"new-growth", 1}, {"new-leaves", 1}, {"live-tips", 1}},
	NewLeaf:     {{"new-leaves", 1}},
	NewSpear:    {{"new-growth", 1}, {"new-leaves", 1}},
	Tip:         {{"live-tips", 1}},
	NewRoot:     {{"root-on-new", 1}, {"live-tips", 1}},
	PieceRoot:   {{"pieces-rooted", 1}},
	OffsetRoot:  {{"roots-7cm", 1}},
	GrownOffset: {{"offset-grown", 1}},
	Offset:      {{"offsets", 1}},
	Bloomed:     {{"flowers-over", 1}},
	RivalAbsent: {{"rival-absent", 1}},
	Nub:         {{"live-tips", 1}},
}

type reads struct {
	measure string
	least   float64
}

// Reads names the measures that settle the gate, each once, in its order.
func (g Gate) Reads() (all []string) {
	for _, c := range g {
		for _, m := range c.Reads() {
			if !slices.Contains(all, m) {
				all = append(all, m)
			}
		}
	}
	return all
}

// Reads names the measures that settle the condition; none where days, a stick or
// what was done tell.
func (c Condition) Reads() []string {
	switch c.Is {
	case Seen:
		if c.Sight == Nudge {
			return []string{"rocks"}
		}
		for _, r := range sightReads[c.Sight] {
			return []string{r.measure}
		}
		return nil
	case Counted:
		return []string{c.countRead().measure}
	case Firm:
		return []string{"wilt"}
	case Warmth:
		return []string{"in-range"}
	case Clean:
		return []string{recovery.LivePests}
	case Quiet:
		return []string{"marked-new"}
	case NoRot:
		return []string{"rot", "smell"}
	case AnyOf:
		return Gate(c.Any).Reads()
	default:
		return nil
	}
}

// Shows gives the reading of one look that shows the condition, and its measure; false
// where one look cannot: days, seasons, shares and runs of looks.
func (c Condition) Shows() (measure string, reading float64, can bool) {
	switch c.Is {
	case Seen:
		if c.Sight == Nudge {
			return "rocks", 0, true
		}
		for _, r := range sightReads[c.Sight] {
			return r.measure, r.least, true
		}
	case Counted:
		r := c.countRead()
		return r.measure, r.least, true
	case Firm:
		return "wilt", 0, c.Days == 0
	case Warmth:
		return "in-range", 1, true
	case NoRot:
		return "rot", 0, true
	case AnyOf:
		for _, x := range c.Any {
			if m, v, is := x.Shows(); is {
				return m, v, true
			}
		}
	default:
	}
	return "", 0, false
}

// Seeable says whether one look can show it.
func (c Condition) Seeable() bool {
	_, _, can := c.Shows()
	return can || c.Is == Dry || c.Is == Moist || c.Is == Firm || c.Is == Seen
}

// countRead is the measure that counts what is wanted, and from which reading on.
func (c Condition) countRead() reads {
	n := max(1, c.N)
	switch {
	case c.Sight == PieceRoot:
		return reads{"pieces-rooted", n}
	case c.Sight == OffsetRoot:
		return reads{"roots-7cm", n}
	case c.Sight == NewRoot:
		return reads{"root-on-new", 10 * c.FromCM}
	case c.Sight == NewLeaf, c.Sight == CleanLeaf:
		return reads{"new-leaves", n}
	case c.FromCM >= 2:
		return reads{"tips-2cm", n}
	case c.FromCM > 0:
		return reads{"tips-1cm", n}
	}
	return reads{"live-tips", n}
}

// Opens judges the gate by the facts on a day. What was seen before its plan was
// taken up, or before what its days count from, opens nothing.
func (g Gate) Opens(f facts.Facts, today day.Day) Opening {
	j := judge{f, f.Last[facts.Planned], today}
	for _, c := range g {
		if since, is := f.Last[c.Since]; c.Is == Days && is && c.Since != facts.Came {
			j.from = max(j.from, since)
		}
	}
	o := Opening{Open: true, Seeable: true, Conditions: []recovery.Standing{}}
	dated := true
	var last day.Day
	for _, c := range g {
		s, on, byDate := j.condition(c)
		o.Conditions = append(o.Conditions, s)
		met := s.Status == recovery.Met
		o.Open, o.Seeable = o.Open && met, o.Seeable && (met || c.Seeable())
		dated = dated && (met || byDate)
		last = max(last, on)
	}
	if dated && last > 0 {
		o.On = &last
	}
	return o
}

type judge struct {
	f           facts.Facts
	from, today day.Day
}

// condition judges one condition, with the day on which it was met, or will be where
// days alone bring it.
func (j judge) condition(c Condition) (s recovery.Standing, on day.Day, byDate bool) {
	s = recovery.Standing{Wanted: c.Words(), Status: recovery.Unknown, Found: "not looked", Measures: c.Reads()}
	if s.Measures == nil {
		s.Measures = []string{}
	}
	switch c.Is {
	case Days:
		return j.days(c, s)
	case Season:
		return j.season(c, s)
	case AnyOf:
		return j.any(c, s)
	default: // a look or a reading shows it
	}
	s = j.looked(c, s)
	if s.Status == recovery.Met && s.Since != nil {
		on = *s.Since
	}
	return s, on, false
}

// looked judges what only a look or a reading shows.
func (j judge) looked(c Condition, s recovery.Standing) recovery.Standing {
	switch c.Is {
	case Seen:
		if c.Sight == Nudge {
			return recovery.No{Measure: "rocks", Words: s.Wanted}.Judge(j.f.Readings, j.from, j.today)
		}
		if c.Sight == Weaned {
			return j.weaned(s)
		}
		return j.sight(sightReads[c.Sight], s)
	case Counted:
		if clean, told := j.cleanLeaves(c, s); told {
			return clean
		}
		return j.count(c.countRead(), s)
	case Share:
		return j.share(c, s)
	case Firm:
		return j.calm("wilt", c.Days, s)
	case Dry, Moist:
		return j.medium(c, s)
	case Warmth:
		return j.sight([]reads{{"in-range", 1}}, s)
	case Clean:
		return j.clean(recovery.LivePests, c, s)
	case Quiet:
		return j.clean("marked-new", c, s)
	case NoRot:
		return j.noRot(s)
	case Free:
		return j.free(s)
	default:
		return s
	}
}

func (j judge) days(c Condition, s recovery.Standing) (recovery.Standing, day.Day, bool) {
	since, known := j.f.Last[c.Since]
	if !known {
		s.Found, s.Status = "that was not done yet", recovery.Missing
		return s, 0, false
	}
	on := since + day.Day(c.Days)
	s.Since = &since
	if on <= j.today {
		s.Status, s.Found = recovery.Met, "since "+on.Words()
		return s, on, true
	}
	s.Status, s.Found = recovery.Missing, "on "+on.Words()
	return s, on, true
}

func (j judge) season(c Condition, s recovery.Standing) (recovery.Standing, day.Day, bool) {
	in := func(d day.Day) bool { return slices.Contains(c.Months, plant.NorthMonth(d, j.f.South)) }
	if len(c.Months) == 0 || in(j.today) {
		s.Status, s.Found = recovery.Met, j.today.Month().String()
		return s, j.today, true
	}
	on := j.today
	for !in(on) {
		on++
	}
	s.Status, s.Found = recovery.Missing, "from "+on.Words()
	return s, on, true
}

// sight finds the first reading since the gate counts that shows it: what was seen once
// was seen.
func (j judge) sight(list []reads, s recovery.Standing) recovery.Standing {
	for i, r := range list {
		for _, one := range j.f.Readings[r.measure] {
			if one.On < j.from || one.On > j.today {
				continue
			}
			on := one.On
			switch {
			case one.Value >= r.least:
				s.Status, s.Since, s.Found = recovery.Met, &on, "seen on "+on.Words()
				return s
			case i == 0: // what stands for it says nothing when it is not there
				s.Status, s.Since, s.Found = recovery.Missing, &on, "not seen yet, looked on "+on.Words()
			}
		}
	}
	return s
}

// count holds the last count since the gate counts against what is wanted; what is
// counted from look to look is added up.
func (j judge) count(r reads, s recovery.Standing) recovery.Standing {
	measure, _ := recovery.MeasureByID(r.measure)
	sum := 0.0
	for _, one := range j.f.Readings[r.measure] {
		if one.On < j.from || one.On > j.today {
			continue
		}
		on := one.On
		if sum += one.Value; !measure.SinceLook {
			sum = one.Value
		}
		s.Since, s.Status = &on, recovery.Missing
		s.Found = fmt.Sprintf("%g on %s", sum, on.Words())
		if sum >= r.least {
			s.Status = recovery.Met
		}
	}
	return s
}

// cleanLeaves counts the leaves that opened here and were clean when they were looked at;
// false where no leaf was looked at for marks since the gate counts, or something else is
// wanted.
func (j judge) cleanLeaves(c Condition, s recovery.Standing) (recovery.Standing, bool) {
	if c.Sight != CleanLeaf {
		return s, false
	}
	clean, told := 0.0, false
	for _, r := range j.f.Readings[recovery.CleanLeafKey] {
		if r.On < j.from || r.On > j.today {
			continue
		}
		on := r.On
		clean, told, s.Since = clean+r.Value, true, &on
	}
	if !told {
		return s, false
	}
	s.Status, s.Found = recovery.Missing, fmt.Sprintf("%g without a mark on %s", clean, s.Since.Words())
	if clean >= max(1, c.N) {
		s.Status = recovery.Met
	}
	return s, true
}

func (j judge) share(c Condition, s recovery.Standing) recovery.Standing {
	share, counted := j.f.LiveShare()
	if !counted {
		s.Found = "nobody has counted its roots"
		return s
	}
	on := j.f.LiveRoots.On
	s.Since, s.Found, s.Status = &on, fmt.Sprintf("%.0f %%", 100*share), recovery.Missing
	if share >= c.Share {
		s.Status = recovery.Met
	}
	return s
}

// calm wants the last readings of something to be no, over so many days.
func (j judge) calm(measure string, days int, s recovery.Standing) recovery.Standing {
	var first *day.Day
	for _, r := range j.f.Readings[measure] {
		if r.On > j.today {
			break
		}
		on := r.On
		if r.Value > 0 {
			first, s.Since, s.Status, s.Found = nil, &on, recovery.Missing, "not yet, on "+on.Words()
			continue
		}
		if on < j.from {
			continue
		}
		if first == nil {
			first = &on
		}
		s.Since, s.Status = &on, recovery.Missing
		if run := int(on - *first); run >= days {
			s.Status, s.Found = recovery.Met, "for "+working.Count(run, "day")
		} else {
			s.Found = working.Of(run, days, "day")
		}
	}
	return s
}

func (j judge) medium(c Condition, s recovery.Standing) recovery.Standing {
	s.Measures = []string{}
	m := j.f.Moist
	if !m.Known || m.On < j.from {
		return s
	}
	on := m.On
	s.Since, s.Status, s.Found = &on, recovery.Missing, string(m.Value)
	dry := m.Value == facts.Due || m.Value == facts.Dry || m.Value == facts.Bone
	if c.Is == Dry == dry {
		s.Status = recovery.Met
	}
	return s
}

// clean wants a run of looks without a find since the last one, or since the last
// treatment.
func (j judge) clean(measure string, c Condition, s recovery.Standing) recovery.Standing {
	from := j.from
	if treated, is := j.f.Last[facts.TreatedNow]; is {
		from = max(from, treated)
	}
	looks := 0
	start := from
	for _, r := range j.f.Readings[measure] {
		if r.On > j.today || r.On < j.from {
			continue
		}
		on := r.On
		s.Since, s.Status = &on, recovery.Missing
		switch {
		case r.Value > 0:
			looks, start = 0, max(from, on)
		case on >= from:
			looks++
		}
	}
	if s.Status == recovery.Unknown {
		return s
	}
	run := max(0, int(j.today-start))
	s.Found = working.Of(run, c.Days, "day") + ", " + working.Of(looks, max(1, c.Looks), "look")
	if run >= c.Days && looks >= max(1, c.Looks) {
		s.Status = recovery.Met
	}
	return s
}

func (j judge) noRot(s recovery.Standing) recovery.Standing {
	for _, m := range []string{"rot", "smell"} {
		r, read := j.f.Readings.Last(m)
		if !read || r.On < j.from || r.On > j.today {
			continue
		}
		on := r.On
		if r.Value > 0 {
			s.Status, s.Since, s.Found = recovery.Missing, &on, "found on "+on.Words()
			return s
		}
		s.Status, s.Since, s.Found = recovery.Met, &on, "none on "+on.Words()
	}
	return s
}

// weaned is told by what stands over it: no look reads that its cover is off for good.
func (j judge) weaned(s recovery.Standing) recovery.Standing {
	cover := j.f.Cover
	if !cover.Known || cover.On < j.from || cover.On > j.today {
		return s
	}
	on := cover.On
	s.Since, s.Status, s.Found = &on, recovery.Missing, "under its "+string(cover.Value)+" cover"
	if cover.Value == facts.Uncovered {
		s.Status, s.Found = recovery.Met, "off since "+on.Words()
	}
	return s
}

func (j judge) free(s recovery.Standing) recovery.Standing {
	s.Status, s.Found = recovery.Missing, "it is isolated"
	if !j.f.Isolated.Value {
		s.Status, s.Found = recovery.Met, "it is"
	}
	return s
}

func (j judge) any(c Condition, s recovery.Standing) (recovery.Standing, day.Day, bool) {
	var on day.Day
	byDate := false
	for _, x := range c.Any {
		one, when, dated := j.condition(x)
		if one.Status == recovery.Met {
			one.Wanted, one.Measures = s.Wanted, s.Measures
			return one, when, dated
		}
		if dated && (!byDate || when < on) {
			on, byDate = when, true
		}
		if one.Status != recovery.Unknown {
			s.Status, s.Found, s.Since = one.Status, one.Found, one.Since
		}
	}
	return s, on, byDate
}
