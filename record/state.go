package record

import (
	"github.com/google/uuid"
	"maps"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/core/water"
)

// State is a plant as its record tells it. It is folded from the live entries
// alone and does not know what day it is.
type State struct {
	PlantID   uuid.UUID
	Here      bool // its arrival counts
	ArrivedOn day.Day
	Arrival   Arrived
	Habit     plant.Habit
	Profile   *plant.Profile // its kind, with what was overruled for it; nil when unknown
	Wants     plant.Profile  // as Profile, or what its habit usually wants
	Adjusted  *Adjusted      // what was overruled for this plant
	Pot       Pot
	Place     *uuid.UUID
	Isolation Isolation
	Entries   int // all entries, voided ones too

	Looks    []day.Day // days on which somebody looked, each once
	Examined *Look     // the last examination
	Verdict  *Verdict  // the last diagnosis
	Decided  bool      // whether that diagnosis came after the last examination

	Plan        *sheet.Plan
	PlannedOn   day.Day
	PlanAnswers sheet.Answers
	Ticks       map[string]Tick // steps of the plan done or skipped
	// Before are operators that were carried out under plans that the plan in hand
	// took the place of in the middle of the same work, with the last day of each.
	Before map[string]day.Day

	Courses  []Course // the tracks it is on, the leading one first; none before a plan
	Stages   []Span   // in order of time, of all tracks
	Strands  []recovery.Strand
	Pictures []PictureOn
	Events   []Event // what was done and what happened, oldest first

	Readings   recovery.History
	Weights    []recovery.Reading // grams, with its pot
	Bare       []recovery.Reading // grams, without pot and medium
	WateredOn  []day.Day
	StillMoist *day.Day // the last stick that came out moist or wet
	Probes     []Probe
	Tallies    []TallyOn
	Feeds      []Feeding
	Prepared   []PreparedOn
	Treatments []TreatedOn
	Meters     []Meter

	Said  []Said // what each look said, oldest first
	Cases []Case // what it turned out to be, one for each case

	Closed   *Closed
	ClosedOn day.Day

	kinds    plant.Kinds
	caseFrom day.Day // the day on which the present case began
}

// Course is one track that a plant is on.
type Course struct {
	Track string
	Stage int // index in the track; its length when mended
	Began day.Day
}

// In gives the stage it is in; false when the track's last gate is passed.
func (c Course) In() (recovery.Track, recovery.Stage, bool) {
	track, ok := recovery.TrackByID(c.Track)
	if !ok || c.Stage >= len(track.Stages) {
		return track, recovery.Stage{}, false
	}
	return track, track.Stages[c.Stage], true
}

// PictureOn is a picture with its day.
type PictureOn struct {
	On    day.Day   `json:"on"`
	Entry uuid.UUID `json:"entry"`
	Pictured
}

// Look is one examination with its day.
type Look struct {
	On    day.Day   `json:"on"`
	Entry uuid.UUID `json:"entry"`
	Examined
}

// Probe is what a stick found on a day.
type Probe struct {
	On       day.Day
	Moisture water.Moisture
}

// Verdict is what was accepted, with its day.
type Verdict struct {
	On    day.Day   `json:"on"`
	Entry uuid.UUID `json:"entry"`
	Diagnosed
}

// Pot is what the plant stands in, as far as anybody recorded.
type Pot struct {
	WidthCM *float64 `json:"widthCm,omitempty"`
	DepthCM *float64 `json:"depthCm,omitempty"`
	Medium  string   `json:"medium,omitempty"`
	// FreshOn is the day on which it last came into fresh medium; missing where
	// it is still in what it came in.
	FreshOn *day.Day `json:"freshOn,omitempty"`
}

// TallyOn is a root tally with its day.
type TallyOn struct {
	On day.Day `json:"on"`
	Tallied
}

// PreparedOn is a result of the bench with its day.
type PreparedOn struct {
	On    day.Day   `json:"on"`
	Entry uuid.UUID `json:"entry"`
	Prepared
}

// TreatedOn is a product used, with its day.
type TreatedOn struct {
	On    day.Day   `json:"on"`
	Entry uuid.UUID `json:"entry"`
	Treated
}

// Feeding is one feeding with its day.
type Feeding struct {
	On day.Day
	Fed
}

// Meter is a reading of light and air with its day.
type Meter struct {
	On day.Day
	Metered
}

// Said is what the differential said at a look.
type Said struct {
	On      day.Day                 `json:"on"`
	Entry   uuid.UUID               `json:"entry"`
	Chances []diagnosis.CauseChance `json:"chances" doc:"The likeliest causes, as they stood then."`
	Tables  string                  `json:"tables" doc:"The state of the tables then."`
}

// Case is what a plant's trouble turned out to be, beside what was said first.
type Case struct {
	On    day.Day   `json:"on"`
	Entry uuid.UUID `json:"entry"`
	Confirmed
	First *Said `json:"first,omitempty" doc:"What the first look of this case said."`
}

// Tick is a step done or skipped.
type Tick struct {
	On      day.Day   `json:"on"`
	Entry   uuid.UUID `json:"entry"`
	Skipped bool      `json:"skipped"`
	Reason  string    `json:"reason,omitempty"`
}

// Span is the time spent in one stage.
type Span struct {
	Track  string   `json:"track"`
	Lane   int      `json:"lane" doc:"0 for the leading track, from 1 for those beside it."`
	Stage  string   `json:"stage"`
	Name   string   `json:"name"`
	From   day.Day  `json:"from"`
	To     *day.Day `json:"to,omitempty" doc:"Missing while it lasts."`
	Back   bool     `json:"back" doc:"Whether it was entered by stepping back."`
	Early  bool     `json:"early" doc:"Whether it was entered without the gate."`
	Reason string   `json:"reason,omitempty"`
}

// Fold reads a plant's entries into its state. Kinds are the collection's own.
func Fold(plantID uuid.UUID, entries []Entry, kinds plant.Kinds) State {
	s := State{
		kinds:     kinds,
		PlantID:   plantID,
		Entries:   len(entries),
		Isolation: Clean,
		Ticks:     map[string]Tick{},
		Readings:  recovery.History{},
	}
	live := Live(entries)
	for _, e := range InOrder(entries) {
		if !live[e.ID] {
			continue
		}
		s.apply(e)
		if what, is := s.event(e); is {
			s.Events = append(s.Events, Event{e.On, e.Kind(), what})
		}
	}
	s.settleWishes()
	s.settleReadings()
	return s
}

func (s *State) apply(e Entry) {
	switch {
	case e.Arrived != nil:
		s.arrive(e)
	case e.Examined != nil:
		s.Examined, s.Decided = &Look{e.On, e.ID, *e.Examined}, false
		if len(e.Examined.Chances) > 0 {
			s.Said = append(s.Said, Said{e.On, e.ID, e.Examined.Chances, e.Examined.Tables})
		}
		s.looked(e.On)
	case e.Diagnosed != nil:
		s.Verdict, s.Decided = &Verdict{e.On, e.ID, *e.Diagnosed}, true
		s.looked(e.On)
	case e.Planned != nil && e.Planned.Plan != nil:
		s.plan(e)
	case e.Did != nil:
		s.Ticks[e.Did.Step] = Tick{e.On, e.ID, e.Did.Skipped, e.Did.Reason}
		if !e.Did.Skipped {
			s.looked(e.On)
			s.isolates(e.Did.Step)
		}
	case e.Watered != nil:
		s.WateredOn = append(s.WateredOn, e.On)
		s.looked(e.On)
	case e.Weighed != nil:
		if r := (recovery.Reading{On: e.On, Value: e.Weighed.Grams}); e.Weighed.Bare {
			s.Bare = append(s.Bare, r)
		} else {
			s.Weights = append(s.Weights, r)
		}
		s.looked(e.On)
	case e.Probed != nil:
		s.Probes = append(s.Probes, Probe{e.On, e.Probed.Moisture})
		if m := e.Probed.Moisture; m == water.Moist || m == water.Wet {
			on := e.On
			s.StillMoist = &on
		}
		s.looked(e.On)
	case e.Checked != nil:
		for _, r := range e.Checked.Readings {
			s.Readings.Add(r.Measure, recovery.Reading{On: e.On, Value: r.Value})
		}
		s.looked(e.On)
	case e.Moved != nil:
		if e.Moved.Place != nil {
			s.Place = e.Moved.Place
		}
		if e.Moved.Isolation != "" {
			s.Isolation = e.Moved.Isolation
		}
	case e.Tallied != nil:
		s.tally(e)
	case e.Fed != nil:
		s.Feeds = append(s.Feeds, Feeding{e.On, *e.Fed})
	case e.Potted != nil:
		s.repot(e)
	case e.Metered != nil:
		s.Meters = append(s.Meters, Meter{e.On, *e.Metered})
	case e.Adjusted != nil:
		s.Adjusted = e.Adjusted
	case e.Prepared != nil:
		s.Prepared = append(s.Prepared, PreparedOn{e.On, e.ID, *e.Prepared})
	case e.Treated != nil:
		s.Treatments = append(s.Treatments, TreatedOn{e.On, e.ID, *e.Treated})
		s.looked(e.On)
	case e.Confirmed != nil:
		s.confirm(e)
	case e.Staged != nil:
		s.stage(e)
	case e.Grown != nil:
		s.grow(e)
	case e.Pictured != nil:
		s.Pictures = append(s.Pictures, PictureOn{e.On, e.ID, *e.Pictured})
		s.looked(e.On)
	case e.Closed != nil:
		s.close(e)
	case e.Reopened != nil:
		s.reopen(e)
	}
}

func (s *State) arrive(e Entry) {
	s.Here, s.ArrivedOn, s.Arrival, s.Place = true, e.On, *e.Arrived, e.Arrived.Place
	s.Habit, _ = plant.HabitByID(e.Arrived.Habit)
	if p, ok := s.kinds.ByID(e.Arrived.Profile); ok {
		s.Profile = &p
		if h, ok := plant.HabitByID(p.Habit); ok {
			s.Habit = h // the tables may know its kind better than an older record
		}
	}
	s.Pot = Pot{WidthCM: e.Arrived.PotWidthCM, DepthCM: e.Arrived.PotDepthCM, Medium: e.Arrived.Medium}
	if e.Arrived.Isolated {
		s.Isolation = Isolated
	}
	s.looked(e.On)
}

// isolates makes the plant isolated, or free again, when such a step of the plan
// is ticked: a tick is not only a word.
func (s *State) isolates(stepID string) {
	if s.Plan == nil {
		return
	}
	for _, step := range s.Plan.Steps {
		if step.ID != stepID {
			continue
		}
		switch treatment.OperatorID(step.Op) {
		case treatment.Isolate, treatment.KeepApart:
			s.Isolation = Isolated
		case treatment.Release:
			s.Isolation = Clean
		}
	}
}

func (s *State) looked(on day.Day) {
	if n := len(s.Looks); n == 0 || s.Looks[n-1] != on {
		s.Looks = append(s.Looks, on)
	}
}

// plan takes up a plan and sets the plant at the first stage of its track. A
// plan made anew on the same track keeps the stage that was reached.
func (s *State) plan(e Entry) {
	kept, before := map[string]Tick{}, map[string]day.Day{}
	if e.Planned.Keeps {
		kept, before = s.kept(e.Planned.Plan.Steps), s.carriedOut()
	}
	s.Before = before
	s.Plan, s.PlannedOn, s.PlanAnswers, s.Ticks = e.Planned.Plan, e.On, e.Planned.Answers, kept
	s.follow(append([]string{s.Plan.Track}, s.Plan.Beside...), e.On)
}

// carriedOut gives the operators that were carried out in this work, with the
// last day of each.
func (s State) carriedOut() map[string]day.Day {
	last := map[string]day.Day{}
	maps.Copy(last, s.Before)
	if s.Plan == nil {
		return last
	}
	for _, step := range s.Plan.Steps {
		if tick, ticked := s.Ticks[step.ID]; ticked && !tick.Skipped && step.Op != "" {
			if on, known := last[step.Op]; !known || tick.On > on {
				last[step.Op] = tick.On
			}
		}
	}
	return last
}

// kept gives what is done already of a plan that is made anew in the middle of
// the same work. In plans of sittings it is what was done on the very day of the
// step: what was done on another day is state, and the plan was made from it.
func (s State) kept(steps []sheet.Step) map[string]Tick {
	kept := map[string]Tick{}
	if s.Plan == nil {
		return kept
	}
	taken := map[string]bool{}
	for _, step := range steps {
		if step.Op == "" {
			if tick, done := s.Ticks[step.ID]; done {
				kept[step.ID] = tick
			}
			continue
		}
		for _, before := range s.Plan.Steps {
			tick, done := s.Ticks[before.ID]
			if done && !taken[before.ID] && before.Op == step.Op && tick.On == step.On {
				kept[step.ID], taken[before.ID] = tick, true
				break
			}
		}
	}
	return kept
}

// CurrentStage gives the stage of the leading track; when that is mended, of the
// first track beside it that is not. False before a plan and when all are.
func (s State) CurrentStage() (recovery.Track, recovery.Stage, bool) {
	track, stage, in := recovery.Track{}, recovery.Stage{}, false
	for _, c := range s.Leading() {
		if track, stage, in = c.In(); in {
			break
		}
	}
	return track, stage, in
}

// Leading gives the tracks with the leading one first: the first whose last gate
// is not passed.
func (s State) Leading() []Course {
	for i, c := range s.Courses {
		if _, _, in := c.In(); in && i > 0 {
			return append([]Course{c}, append(append([]Course{}, s.Courses[:i]...), s.Courses[i+1:]...)...)
		} else if in {
			break
		}
	}
	return s.Courses
}

// course finds the course of a track; nil when it is not on it.
func (s *State) course(track string) *Course {
	for i := range s.Courses {
		if s.Courses[i].Track == track {
			return &s.Courses[i]
		}
	}
	return nil
}

// Mended says whether the plant has passed the last gate of all its tracks.
func (s State) Mended() bool {
	for _, c := range s.Courses {
		if _, _, in := c.In(); in {
			return false
		}
	}
	return len(s.Courses) > 0
}

// LastLook gives the last day on which somebody looked.
func (s State) LastLook() day.Day {
	if n := len(s.Looks); n > 0 {
		return s.Looks[n-1]
	}
	return s.ArrivedOn
}

// Standing says in one word where the plant stands.
func (s State) Standing() string {
	switch {
	case !s.Here:
		return "undone"
	case s.Closed != nil:
		return string(s.Closed.Outcome)
	case s.Mended():
		return "mended"
	case s.Plan != nil:
		return "mending"
	case s.Decided && len(s.Verdict.Causes) == 0:
		return "watched"
	case s.Decided:
		return "diagnosed"
	case s.Examined != nil:
		return "examined"
	}
	return "arrived"
}
