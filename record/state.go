package record

import (
	"maps"
	"slices"

	"github.com/google/uuid"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/drying"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/water"
)

// State is a plant as its record tells it. It is folded from the live entries
// alone and does not know what day it is.
type State struct {
	Identity
	Seen
	Measured
	Care

	Case         // the case in hand: the gravest open one, or the one that ended last
	Cases []Case // all of them, in the order in which they were opened
	// caseOf is the case of each entry that belongs to one.
	caseOf map[uuid.UUID]uuid.UUID

	Stages   []Span // in order of time, of all cases and tracks
	Strands  []recovery.Strand
	Pictures []PictureOn
	Trials   []Trial // what was tried on it, oldest first
	Events   []Event // what was done and what happened, oldest first

	// Known are the facts that entries stated, or steps made so, as they stood last;
	// Facts adds what was read and derived.
	Known    facts.Facts
	setApart setApart

	Around

	Entries int // all entries, voided ones too

	// memo keeps what was worked out of a settled state, since a page asks often; nil
	// before it is settled.
	memo *memo

	kinds         plant.Kinds
	confirmedFrom day.Day // the day on which the present case began, for what it turned out to be
}

// memo is what was worked out of a settled state.
type memo struct {
	facts map[factsOf]facts.Facts
	lines map[bool]func(day.Day) water.Line // its water rule by day, in the south or not
	pots  map[bool]potRun                   // what the model of its pot read
	signs map[signsOf][]drying.Sign         // and what it tells of how it was watered
}

// Identity is which plant it is, where it stands and whether it is here.
type Identity struct {
	PlantID   uuid.UUID
	Here      bool // its arrival counts
	ArrivedOn day.Day
	Arrival   Arrived
	Tags      []string // in order, each once
	Habit     plant.Habit
	Profile   *plant.Profile // its kind, with what was overruled for it; nil when unknown
	Wants     plant.Profile  // as Profile, or what its habit usually wants
	Adjusted  *Adjusted      // what was overruled for this plant
	Pot       Pot
	Place     *uuid.UUID
	Tray      string // that it stands in there with others; empty where nobody said
	Isolation Isolation
	Stays     []Stay     // where it stood, oldest first
	Hands     []Hand     // the last days on which somebody had it in hands, oldest first
	Batch     *Batch     // where it is a batch of pieces; nil of a plant
	Shared    *SharedPot // where its pot holds, or held, other plants too; nil where nobody found any
	Exposures []Exposure // what it was put on watch for since it was among the others last

	// Left is how it left: given away or lost; nil while it is here.
	Left   *Closed
	LeftOn day.Day
}

// Seen is what carers looked at and said.
type Seen struct {
	Looks []day.Day // days on which somebody looked, each once
	// SeenOn is the last day on which somebody looked at how it is; nil where
	// nobody has since it came.
	SeenOn   *day.Day
	Examined *Look // the last examination
	Decided  bool  // whether it was decided on after the last examination
	// FoundWell is the last day on which it was looked at and nothing was found, or
	// it was taken in as well; nil where neither.
	FoundWell *day.Day

	Said []Said // what each look said, oldest first
	// Confirmations are what it turned out to be, one for each case.
	Confirmations []Confirmation
	Dismissed     []DismissedOn // signals that were seen and found harmless
	WarningsSeen  []WarningSeen // what plans warned of and was seen
}

// Measured is what was read, weighed, counted and given, each oldest first.
type Measured struct {
	Readings   recovery.History
	Weights    []recovery.Reading // grams, with its pot
	Bare       []recovery.Reading // grams, without pot and medium
	WateredOn  []day.Day
	potEvents  []potEvent // waterings, sticks and weights in the order of the record
	PottedOn   []day.Day  // days on which it came into fresh medium
	FlushedOn  []day.Day
	Probes     []Probe
	Tallies    []TallyOn
	Feeds      []Feeding
	Prepared   []PreparedOn
	Treatments []TreatedOn
	Meters     []Meter
}

// Care is the ordinary care that it gets, by job.
type Care struct {
	Jobs    map[care.Job]day.Day // with the last day of each
	Snoozes map[care.Job]day.Day // that were put off, until when
	PutOffs []PutOff             // each time, the oldest first
	JobsOff map[care.Job]day.Day // that were switched off, since when
}

// setApart is how it came to stand apart from the others.
type setApart struct {
	on         *day.Day // when it was put apart last
	why        string   // and why, where somebody said
	releasedOn *day.Day // when it was last let back among the others
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
	look    diagnosis.Examination   // what was answered then
}

// Confirmation is what a plant's trouble turned out to be, beside what was said
// first.
type Confirmation struct {
	On    day.Day   `json:"on"`
	Entry uuid.UUID `json:"entry"`
	// Look is what was answered at the first look, for what the cases teach.
	Look *diagnosis.Examination `json:"look,omitempty"`
	Confirmed
	Case  uuid.UUID `json:"case" doc:"The case; all zeros where what it turned out to be was said without one."`
	First *Said     `json:"first,omitempty" doc:"What the first look of this case said."`
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
	Case   uuid.UUID `json:"case" doc:"The case that it is a stage of."`
	Track  string    `json:"track"`
	Lane   int       `json:"lane" doc:"0 for the leading track, from 1 for those beside it."`
	Stage  string    `json:"stage"`
	Name   string    `json:"name"`
	From   day.Day   `json:"from"`
	To     *day.Day  `json:"to,omitempty" doc:"Missing while it lasts."`
	Back   bool      `json:"back" doc:"Whether it was entered by stepping back."`
	Early  bool      `json:"early" doc:"Whether it was entered without the gate."`
	Reason string    `json:"reason,omitempty"`
}

// Fold reads a plant's entries into its state. Kinds are the collection's own.
func Fold(plantID uuid.UUID, entries []Entry, kinds plant.Kinds) State {
	return read(plantID, entries, kinds).settled()
}

// read takes the counting entries in the order of the record.
func read(plantID uuid.UUID, entries []Entry, kinds plant.Kinds) State {
	s := State{
		kinds:    kinds,
		Identity: Identity{PlantID: plantID, Isolation: Clean},
		Measured: Measured{Readings: recovery.History{}},
		Entries:  len(entries),
		caseOf:   map[uuid.UUID]uuid.UUID{},
	}
	live := Live(entries)
	for _, e := range InOrder(entries) {
		if live[e.ID] {
			s.take(e)
		}
	}
	return s
}

// take takes the next entry of the record; what an archive of another time holds
// and nobody knows is passed by.
func (s *State) take(e Entry) {
	c := e.Content()
	if c == nil {
		return
	}
	at, begins := s.belongs(e)
	if begins {
		at = s.begin(e)
	}
	s.Case = Case{Ticks: map[string]Tick{}}
	if at >= 0 {
		s.Case = s.Cases[at]
	}
	c.apply(s, e)
	s.stand(e.On)
	s.hand(e, c)
	if at >= 0 {
		s.Cases[at], s.caseOf[e.ID] = s.Case, s.Case.ID
	}
	s.carry(e.On)
	if what, is := c.event(*s); is && e.With == nil { // its tick says it
		s.Events = append(s.Events, Event{e.On, c.Kind(), what, s.Case.ID})
	}
}

// settled is the state with what only the whole record tells: what the plant
// wants, and what strands, pot and clocks add to the readings.
func (s State) settled() State {
	readings := make(recovery.History, len(s.Readings))
	for measure, list := range s.Readings {
		readings[measure] = slices.Clone(list)
	}
	s.Readings, s.Cases = readings, slices.Clone(s.Cases)
	s.Case = Case{Ticks: map[string]Tick{}}
	if at := s.leading(); at >= 0 {
		s.Case = s.Cases[at]
	}
	s.settleWishes()
	s.settleReadings()
	s.memo = newMemo()
	return s
}

// Apiece gives the state with a memory of its own: many may read one state at a time,
// each through its own.
func (s State) Apiece() State {
	s.memo = newMemo()
	return s
}

func newMemo() *memo {
	return &memo{
		facts: map[factsOf]facts.Facts{}, lines: map[bool]func(day.Day) water.Line{}, pots: map[bool]potRun{},
		signs: map[signsOf][]drying.Sign{},
	}
}

func (s *State) looked(on day.Day) {
	s.SeenOn = &on
	s.handled(on)
}

// handled notes that somebody had it in hand, for water or a weight: that alone
// says nothing of how it is, and asks no less of the next look.
func (s *State) handled(on day.Day) {
	if n := len(s.Looks); n == 0 || s.Looks[n-1] != on {
		s.Looks = append(s.Looks, on)
	}
}

// CarriedOut gives the operators that were carried out in this work, with the
// last day of each.
func (s State) CarriedOut() map[string]day.Day {
	last := map[string]day.Day{}
	maps.Copy(last, s.Before)
	if s.Plan == nil {
		return last
	}
	for _, step := range s.Plan.Steps {
		if tick, ticked := s.Ticks[step.ID]; ticked && !tick.Skipped && step.Op != "" && step.Of == "" {
			if on, known := last[step.Op]; !known || tick.On > on {
				last[step.Op] = tick.On
			}
		}
	}
	return last
}

// CurrentStage gives the stage of the leading track of the case in hand; when that
// is passed, of the first track beside it that is not. False before a plan and
// when all are.
func (s State) CurrentStage() (recovery.Track, recovery.Stage, bool) {
	track, stage, in := recovery.Track{}, recovery.Stage{}, false
	if !s.Case.Open() {
		return track, stage, false
	}
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

// Mended says whether its last case ended well and none is open.
func (s State) Mended() bool {
	c := s.Trouble()
	return s.Left == nil && c.Is() && !c.Open() && c.Outcome() == OutcomeMended
}

// LastLook gives the last day on which somebody looked.
func (s State) LastLook() day.Day {
	if s.SeenOn != nil {
		return *s.SeenOn
	}
	return s.ArrivedOn
}

// Standing says in one word where the plant stands: by its open cases, the gravest
// first, otherwise by its last look and by how its last case ended.
func (s State) Standing() string {
	last := s.Trouble()
	switch {
	case !s.Here:
		return "undone"
	case s.Left != nil:
		return string(s.Left.Outcome)
	case last.Open():
		return s.As(last).CaseStanding()
	case s.Batch != nil:
		return s.Batch.standing()
	case s.Undecided():
		return "examined"
	case s.FoundWell != nil && *s.FoundWell >= s.quietSince():
		return "well"
	case last.Is():
		return last.standing()
	}
	return "arrived"
}

// Undecided says whether it was looked at since the case in hand began, or since
// the last one ended, and nobody has decided on it.
func (s State) Undecided() bool {
	if s.Examined == nil || s.Decided {
		return false
	}
	if s.Case.Open() && !s.OnlyWished() {
		return s.Examined.On >= s.Case.From
	}
	return s.Examined.On >= s.quietSince()
}
