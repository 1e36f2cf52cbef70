package record

import (
	"fmt"
	"slices"
	"strings"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/water"
)

// Fault is one thing that keeps an entry from being recorded: the field, and in
// plain words what is wrong and what to do.
type Fault struct {
	Field   string
	Message string
	// Conflict is true where the entry was sound when it was begun and the record
	// has moved on since.
	Conflict bool
}

// Faults is a refusal with all its reasons.
type Faults []Fault

func (f Faults) Error() string {
	words := make([]string, len(f))
	for i, x := range f {
		words[i] = x.Field + ": " + x.Message
	}
	return strings.Join(words, "; ")
}

// Conflict says whether any fault comes from the record having moved on.
func (f Faults) Conflict() bool {
	for _, x := range f {
		if x.Conflict {
			return true
		}
	}
	return false
}

// situation is what an entry is checked against.
type situation struct {
	today   day.Day
	state   State
	entries []Entry
	entry   Entry
	kinds   plant.Kinds
}

// part is the kind-specific half of an entry's check.
type part interface {
	check(situation) Faults
}

// yearsBack is how far back something may be recorded.
const yearsBack = 30

// Check says what keeps an entry from being added to a plant's record, given
// the entries so far, the collection's own kinds and today. An empty answer
// means that it is sound.
func Check(e Entry, entries []Entry, kinds plant.Kinds, today day.Day) Faults {
	parts := e.parts()
	if len(parts) != 1 {
		return Faults{
			{Field: "body", Message: fmt.Sprintf("an entry records exactly one thing; this one has %d", len(parts))},
		}
	}
	s := situation{
		today:   today,
		state:   Fold(e.PlantID, withoutReplaced(entries, e), kinds),
		entries: entries,
		entry:   e,
		kinds:   kinds,
	}
	var faults Faults
	add := func(field, format string, args ...any) {
		faults = append(faults, Fault{Field: field, Message: fmt.Sprintf(format, args...)})
	}
	switch {
	case e.On > today:
		add("on", "%s is still to come; give today or an earlier day", e.On)
	case e.On < today-yearsBack*366:
		add("on", "%s is more than %d years ago; check the year", e.On, yearsBack)
	case e.Arrived == nil && s.state.Here && e.On < s.state.ArrivedOn:
		add("on", "%s is before it arrived on %s; correct this day, or the arrival's", e.On, s.state.ArrivedOn)
	}
	if e.Arrived == nil && e.Voided == nil && !s.state.Here {
		return append(
			faults,
			Fault{
				"plant",
				"the arrival of this plant was undone; bring the arrival back before you record more",
				true,
			},
		)
	}
	if s.state.Closed != nil && e.Replaces == nil && !alwaysTaken[e.Kind()] &&
		!(s.state.Closed.Outcome == OutcomeKept && lookingAfter[e.Kind()]) {
		return append(faults, Fault{"plant", "this case is closed; reopen it before you record more", true})
	}
	faults = append(faults, s.replacing()...)
	for _, p := range parts {
		faults = append(faults, p.check(s)...)
	}
	return faults
}

func withoutReplaced(entries []Entry, e Entry) []Entry {
	if e.Replaces == nil {
		return entries
	}
	kept := make([]Entry, 0, len(entries))
	for _, x := range entries {
		if x.ID != *e.Replaces {
			kept = append(kept, x)
		}
	}
	return kept
}

func (s situation) find(id uuid.UUID) (Entry, bool) {
	for _, e := range s.entries {
		if e.ID == id {
			return e, true
		}
	}
	return Entry{}, false
}

func (s situation) replacing() Faults {
	if s.entry.Replaces == nil {
		return nil
	}
	old, found := s.find(*s.entry.Replaces)
	switch {
	case !found:
		return Faults{{Field: "replaces", Message: "there is no such entry in this plant's record"}}
	case old.Kind() != s.entry.Kind():
		return Faults{
			{
				Field:   "replaces",
				Message: fmt.Sprintf("a %s entry cannot correct one of the kind %s", s.entry.Kind(), old.Kind()),
			},
		}
	case !Live(s.entries)[old.ID]:
		return Faults{
			{
				Field:    "replaces",
				Message:  "somebody has corrected or undone this entry since you opened it; look at the record and correct the newest one",
				Conflict: true,
			},
		}
	}
	return nil
}

// between refuses a number outside its sensible range.
func between(faults *Faults, field string, value *float64, least, most float64, unit string) {
	if value != nil && !(*value >= least && *value <= most) {
		*faults = append(
			*faults,
			Fault{
				Field:   field,
				Message: fmt.Sprintf("%g %s cannot be right; give a number from %g to %g", *value, unit, least, most),
			},
		)
	}
}

func countBetween(faults *Faults, field string, value *int, least, most int) {
	if value != nil && (*value < least || *value > most) {
		*faults = append(
			*faults,
			Fault{
				Field:   field,
				Message: fmt.Sprintf("%d cannot be right; give a count from %d to %d", *value, least, most),
			},
		)
	}
}

func (a *Arrived) check(s situation) (faults Faults) {
	if strings.TrimSpace(a.Name) == "" && strings.TrimSpace(a.Label) == "" {
		faults = append(
			faults,
			Fault{
				Field:   "arrived.name",
				Message: "give it a name or a label code, so that it can be told from the others",
			},
		)
	}
	habit, ok := plant.HabitByID(a.Habit)
	if !ok {
		faults = append(
			faults,
			Fault{
				Field:   "arrived.habit",
				Message: fmt.Sprintf("there is no growth habit %q; pick how it grows", a.Habit),
			},
		)
	}
	if a.Profile != "" {
		p, known := s.kinds.ByID(a.Profile)
		switch {
		case !known:
			faults = append(
				faults,
				Fault{
					Field: "arrived.profile",
					Message: fmt.Sprintf(
						"the kind %q is not known; pick one from the list, or leave it empty and pick only its habit",
						a.Profile,
					),
				},
			)
		case ok && !p.GrowsAs(habit.ID):
			faults = append(
				faults,
				Fault{
					Field:   "arrived.habit",
					Message: fmt.Sprintf("%s does not grow like that; leave the habit to the kind", p.Botanical),
				},
			)
		}
	}
	if a.Mother != nil && *a.Mother == s.entry.PlantID {
		faults = append(
			faults,
			Fault{Field: "arrived.mother", Message: "a plant is not its own mother; pick another"},
		)
	}
	between(&faults, "arrived.potWidthCm", a.PotWidthCM, 1, 200, "cm")
	between(&faults, "arrived.potDepthCm", a.PotDepthCM, 1, 200, "cm")
	between(&faults, "arrived.price", a.Price, 0, 100000, "as a price")
	countBetween(&faults, "arrived.leaves", a.Leaves, 0, 10000)
	countBetween(&faults, "arrived.growths", a.Growths, 0, 1000)
	if s.state.Here {
		faults = append(
			faults,
			Fault{
				Field:    "arrived",
				Message:  "this plant has arrived already; correct its arrival instead",
				Conflict: true,
			},
		)
	}
	for _, e := range s.entries {
		if e.Arrived == nil && e.On < s.entry.On && Live(s.entries)[e.ID] {
			faults = append(
				faults,
				Fault{
					Field: "on",
					Message: fmt.Sprintf(
						"there is an entry of %s, before this arrival; give that day or an earlier one",
						e.On,
					),
				},
			)
			break
		}
	}
	return faults
}

func (x *Examined) check(situation) (faults Faults) {
	answered := map[string]string{}
	for _, list := range []struct {
		field string
		ids   []string
	}{{"examined.present", x.Present}, {"examined.absent", x.Absent}} {
		for i, id := range list.ids {
			field := fmt.Sprintf("%s[%d]", list.field, i)
			sign, ok := diagnosis.SignByID(id)
			if !ok {
				faults = append(faults, Fault{Field: field, Message: fmt.Sprintf("there is no sign %q", id)})
				continue
			}
			if before := answered[id]; before != "" && before != list.field {
				faults = append(
					faults,
					Fault{
						Field: field,
						Message: fmt.Sprintf(
							"“%s” is said to be both seen and not there; keep one of the two",
							sign.Label,
						),
					},
				)
			}
			answered[id] = list.field
		}
	}
	if a, b, found := diagnosis.Contradiction(x.Present); found {
		signA, _ := diagnosis.SignByID(a)
		signB, _ := diagnosis.SignByID(b)
		faults = append(
			faults,
			Fault{
				Field: "examined.present",
				Message: fmt.Sprintf(
					"“%s” and “%s” cannot both be true of one look; keep the one you are sure of",
					signA.Label,
					signB.Label,
				),
			},
		)
	}
	if len(answered) == 0 {
		faults = append(
			faults,
			Fault{Field: "examined", Message: "answer at least one sign: seen, or looked for and not there"},
		)
	}
	for i, o := range x.Overruled {
		field := fmt.Sprintf("examined.overruled[%d]", i)
		if _, ok := diagnosis.SignByID(o.Sign); !ok {
			faults = append(faults, Fault{Field: field, Message: fmt.Sprintf("there is no sign %q", o.Sign)})
		}
		if strings.TrimSpace(o.Reason) == "" {
			faults = append(faults, Fault{Field: field, Message: "say why the record is wrong here"})
		}
	}
	return faults
}

// alwaysTaken are kinds that a closed case takes as well.
var alwaysTaken = map[Kind]bool{KindNoted: true, KindConfirmed: true, KindReopened: true, KindVoided: true}

// lookingAfter are kinds that a plant under watch takes: looks and ordinary
// care, and another ending. Treatment wants its case reopened.
var lookingAfter = map[Kind]bool{
	KindExamined: true,
	KindChecked:  true,
	KindWatered:  true,
	KindWeighed:  true,
	KindProbed:   true,
	KindTallied:  true,
	KindFed:      true,
	KindPotted:   true,
	KindMetered:  true,
	KindMoved:    true,
	KindGrown:    true,
	KindPictured: true,
	KindClosed:   true,
}

func (d *Diagnosed) check(situation) Faults { return checkCauses("diagnosed.causes", d.Causes) }

// CheckPlan says what keeps a plan from being made for a plant as it stands.
func CheckPlan(p Planned, s State) Faults {
	if s.Closed != nil {
		return Faults{{"plant", "this case is closed; reopen it before you record more", true}}
	}
	return p.check(situation{state: s})
}

func (p *Planned) check(s situation) (faults Faults) {
	a := p.Answers
	if (s.state.Verdict == nil || len(s.state.Verdict.Causes) == 0) && a.Wish == "" {
		faults = append(
			faults,
			Fault{
				Field:    "planned",
				Message:  "accept at least one cause, or say what you wish to do, before a plan is made",
				Conflict: true,
			},
		)
	}
	between(&faults, "planned.answers.rootBallCm", a.RootBallCM, 0.5, 200, "cm")
	between(&faults, "planned.answers.potWidthCm", a.PotWidthCM, 1, 200, "cm")
	between(&faults, "planned.answers.warmthC", a.WarmthC, -10, 45, "°C")
	between(&faults, "planned.answers.humidityPct", a.HumidityPct, 5, 100, "%")
	countBetween(&faults, "planned.answers.liveRoots", a.LiveRoots, 0, 500)
	countBetween(&faults, "planned.answers.liveTips", a.LiveTips, 0, 500)
	countBetween(&faults, "planned.answers.lookDays", a.LookDays, 1, 60)
	countBetween(&faults, "planned.answers.deadRoots", a.DeadRoots, 0, 500)
	countBetween(&faults, "planned.answers.offsetsSeen", a.OffsetsSeen, 0, 100)
	countBetween(&faults, "planned.answers.growths", a.Growths, 0, 500)
	countBetween(&faults, "planned.answers.ownedDays", a.OwnedDays, 0, 40000)
	for i, e := range a.Edits {
		between(&faults, fmt.Sprintf("planned.answers.edits[%d].potWidthCm", i), e.PotWidthCM, 1, 200, "cm")
		if e.Day != nil {
			countBetween(&faults, fmt.Sprintf("planned.answers.edits[%d].day", i), e.Day, 0, 400)
		}
	}
	return faults
}

func (d *Did) check(s situation) (faults Faults) {
	if s.state.Plan == nil {
		return Faults{{Field: "did.step", Message: "there is no plan to tick", Conflict: true}}
	}
	title, recurs := "", false
	for _, step := range s.state.Plan.Steps {
		if step.ID == d.Step {
			title, recurs = step.Title, step.Every > 0
		}
	}
	tick, ticked := s.state.Ticks[d.Step]
	if recurs && tick.On != s.entry.On && !tick.Skipped {
		ticked = false // it comes back
	}
	switch {
	case title == "":
		faults = append(
			faults,
			Fault{
				Field:    "did.step",
				Message:  fmt.Sprintf("the plan has no step %q; it may have been made anew", d.Step),
				Conflict: true,
			},
		)
	case ticked:
		faults = append(
			faults,
			Fault{
				Field:    "did.step",
				Message:  fmt.Sprintf("“%s” was ticked on %s already", title, tick.On),
				Conflict: true,
			},
		)
	}
	for i, u := range d.Used {
		between(&faults, fmt.Sprintf("did.used[%d].amount", i), &u.Amount, 0.001, 1e6, "of it")
	}
	if d.Skipped && strings.TrimSpace(d.Reason) == "" {
		faults = append(faults, Fault{Field: "did.reason", Message: "say in a few words why it is skipped"})
	}
	return faults
}

func (w *Watered) check(situation) (faults Faults) {
	between(&faults, "watered.millilitres", w.Millilitres, 1, 50000, "ml")
	return faults
}

func (w *Weighed) check(situation) (faults Faults) {
	between(&faults, "weighed.grams", &w.Grams, 1, 200000, "g")
	return faults
}

func (p *Probed) check(situation) Faults {
	switch p.Moisture {
	case water.Dry, water.Barely, water.Moist, water.Wet:
		return nil
	}
	return Faults{{Field: "probed.moisture", Message: "a stick comes out dry, barely, moist or wet"}}
}

func (c *Checked) check(situation) (faults Faults) {
	if len(c.Readings) == 0 && strings.TrimSpace(c.Note) == "" {
		faults = append(
			faults,
			Fault{Field: "checked.readings", Message: "answer at least one question, or write a note"},
		)
	}
	seen := map[string]bool{}
	for i, r := range c.Readings {
		field := fmt.Sprintf("checked.readings[%d]", i)
		m, ok := recovery.MeasureByID(r.Measure)
		if !ok {
			faults = append(
				faults,
				Fault{Field: field, Message: fmt.Sprintf("nothing called %q is measured", r.Measure)},
			)
			continue
		}
		if err := m.Check(r.Value); err != nil {
			faults = append(faults, Fault{Field: field, Message: err.Error()})
		}
		if seen[r.Measure] {
			faults = append(faults, Fault{Field: field, Message: m.Short + " stands twice; give it once"})
		}
		seen[r.Measure] = true
	}
	return faults
}

func (m *Moved) check(situation) Faults {
	if m.Place == nil && m.Isolation == "" {
		return Faults{{Field: "moved", Message: "say where it went, or how it is kept apart"}}
	}
	switch m.Isolation {
	case "", Clean, UnderWatch, Isolated:
		return nil
	}
	return Faults{{Field: "moved.isolation", Message: "a plant is clean, under watch or isolated"}}
}

func (st *Staged) check(s situation) (faults Faults) {
	if len(s.state.Courses) == 0 {
		return Faults{{Field: "staged", Message: "it is on no recovery track yet; make a plan first", Conflict: true}}
	}
	course := s.state.course(st.Track)
	if course == nil {
		return Faults{
			{
				Field:    "staged.track",
				Message:  "it is no longer on that track; somebody made a new plan since you opened this page",
				Conflict: true,
			},
		}
	}
	track, stage, in := course.In()
	current := recovery.Mended
	if in {
		current = stage.ID
	}
	if st.From != current {
		return Faults{
			{
				Field: "staged.from",
				Message: fmt.Sprintf(
					"it is now in the stage “%s”; somebody moved it since you opened this page",
					current,
				),
				Conflict: true,
			},
		}
	}
	to, ok := track.StageIndex(st.To)
	switch {
	case !ok:
		faults = append(faults, Fault{Field: "staged.to", Message: fmt.Sprintf("this track has no stage %q", st.To)})
	case to == course.Stage:
		faults = append(faults, Fault{Field: "staged.to", Message: "it is in that stage already"})
	case to > course.Stage+1:
		faults = append(faults, Fault{Field: "staged.to", Message: "stages are passed one at a time"})
	case to < course.Stage && strings.TrimSpace(st.Reason) == "":
		faults = append(faults, Fault{Field: "staged.reason", Message: "say in a few words why it goes a step back"})
	case to > course.Stage && !s.gateOpen() && strings.TrimSpace(st.Reason) == "":
		faults = append(
			faults,
			Fault{
				Field:   "staged.reason",
				Message: "its gate is not met; check what is missing, or say why it moves on all the same",
			},
		)
	}
	return faults
}

// gateOpen says whether the gate that the entry passes is met on its day.
func (s situation) gateOpen() bool {
	course := s.state.course(s.entry.Staged.Track)
	if course == nil {
		return false
	}
	_, stage, in := course.In()
	return in && stage.JudgeGate(s.state.Readings, course.Began, s.entry.On).Open
}

func (g *Grown) check(s situation) (faults Faults) {
	known := s.state.strand(g.Growth.String()) != nil
	if !known &&
		!slices.ContainsFunc(recovery.GrowthSorts, func(x recovery.SortOfGrowth) bool { return x.ID == g.Sort }) {
		faults = append(faults, Fault{Field: "grown.sort", Message: "say what grows: a leaf, a bulb, a root …"})
	}
	if known && g.SizeMM == nil && g.State == "" && strings.TrimSpace(g.Name) == "" {
		faults = append(faults, Fault{Field: "grown", Message: "say what changed: its size, or how it is"})
	}
	between(&faults, "grown.sizeMm", g.SizeMM, 0, 5000, "mm")
	if g.State != "" && !slices.Contains(recovery.GrowthStates, g.State) {
		faults = append(
			faults,
			Fault{Field: "grown.state", Message: "a growth is starting, growing, mature, stalled or lost"},
		)
	}
	return faults
}

func (p *Pictured) check(situation) (faults Faults) {
	if !slices.Contains(Sides, p.Side) {
		faults = append(faults, Fault{Field: "pictured.side", Message: "say from which side it was taken"})
	}
	if p.Scale == nil {
		return faults
	}
	if p.Scale.WidthMM() == 0 {
		faults = append(faults, Fault{Field: "pictured.scale", Message: "mark two points that lie apart"})
	}
	between(&faults, "pictured.scale.mm", &p.Scale.MM, 1, 5000, "mm")
	for _, share := range []float64{p.Scale.X1, p.Scale.X2, p.Scale.Y1, p.Scale.Y2} {
		if share < 0 || share > 10 {
			faults = append(faults, Fault{Field: "pictured.scale", Message: "mark the points inside the picture"})
			break
		}
	}
	return faults
}

func (n *Noted) check(situation) Faults {
	if strings.TrimSpace(n.Text) == "" {
		return Faults{{Field: "noted.text", Message: "write something, or leave it"}}
	}
	return nil
}

func (c *Closed) check(s situation) (faults Faults) {
	switch c.Outcome {
	case OutcomeMended, OutcomeGiven, OutcomeLost, OutcomeKept:
	default:
		faults = append(
			faults,
			Fault{Field: "closed.outcome", Message: "a case ends mended, given away, lost or kept under watch"},
		)
	}
	if c.Outcome == OutcomeLost && strings.TrimSpace(c.Reason) == "" {
		faults = append(
			faults,
			Fault{
				Field:   "closed.reason",
				Message: "say what it died of, as far as you know; the next one may live by it",
			},
		)
	}
	return faults
}

func (r *Reopened) check(s situation) Faults {
	if s.state.Closed == nil {
		return Faults{{Field: "reopened", Message: "this case is open", Conflict: true}}
	}
	return nil
}

func (v *Voided) check(s situation) Faults {
	_, found := s.find(v.Entry)
	switch {
	case !found:
		return Faults{{Field: "voided.entry", Message: "there is no such entry in this plant's record"}}
	case !Live(s.entries)[v.Entry]:
		return Faults{{Field: "voided.entry", Message: "this entry was undone or corrected already", Conflict: true}}
	}
	return nil
}
