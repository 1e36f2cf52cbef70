package server

import (
	"cmp"
	"context"
	"net/http"
	"slices"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/drying"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/roots"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/core/water"
	"tendermend/core/working"
	"tendermend/record"
	"tendermend/record/due"
	"tendermend/record/told"
	"tendermend/store"
)

// Register is one page of the collection's plants.
type Register struct {
	Plants    []PlantRow     `json:"plants"`
	Total     int            `json:"total" doc:"Plants that match."`
	Nearly    bool           `json:"nearly,omitempty" doc:"Nothing has the words: these have some like them."`
	Next      string         `json:"next" doc:"Mark of the next page; empty on the last."`
	Standing  map[string]int `json:"standing" doc:"Plants by standing, in the whole collection."`
	Stage     map[string]int `json:"stage"`
	Isolation map[string]int `json:"isolation"`
	Tags      map[string]int `json:"tags" doc:"Plants by tag, in the whole collection."`
	Today     day.Day        `json:"today"`
}

type registerInput struct {
	Words     string   `query:"q" maxLength:"80"`
	Place     string   `query:"place" doc:"Id of a place."`
	Standing  string   `query:"standing"`
	Stage     string   `query:"stage"`
	Isolation string   `query:"isolation"`
	Plants    []string `query:"plants,explode" maxItems:"100" doc:"Only these plants, by id."`
	Tag       string   `query:"tag" maxLength:"80" doc:"Only plants with this tag: what came in one box, or was tagged."`
	Sort      string   `query:"sort" enum:"name,due,condition,newest,oldest" default:"name"`
	After     string   `query:"after" doc:"Mark of the page wanted, from the page before."`
	Limit     int      `query:"limit" default:"40" minimum:"1" maximum:"100"`
}

type fileInput struct {
	PlantPath
	Case string `query:"case" doc:"Id of the case that is read; the case in hand where none is named."`
}

// readFor reads a state for a case by its id; for the one in hand where none is
// asked for.
func readFor(s record.State, of string) (record.State, error) {
	if of == "" {
		return s, nil
	}
	id, err := uuid.Parse(of)
	if c, known := s.CaseByID(id); err == nil && known {
		return s.As(c), nil
	}
	return s, huma.Error404NotFound("This plant has no such case; pick one of those it has.")
}

// PlantFile is all that a plant's page shows, but its single entries.
type PlantFile struct {
	PlantRow
	Profile   *plant.Profile         `json:"profile,omitempty"`
	HabitInfo plant.Habit            `json:"habitInfo"`
	Arrival   record.Arrived         `json:"arrival"`
	PlaceID   *uuid.UUID             `json:"placeId,omitempty"`
	Tray      string                 `json:"tray,omitempty" doc:"The tray that it shares there, by name."`
	Today     day.Day                `json:"today"`
	Examined  *record.Look           `json:"examined,omitempty"`
	Verdict   *record.Verdict        `json:"verdict,omitempty"`
	Recovery  *Recovery              `json:"recovery,omitempty"`
	Beside    []Recovery             `json:"beside" doc:"The tracks that run beside it."`
	Follow    Follow                 `json:"follow" doc:"What following it over months comes to."`
	Plan      *sheet.Plan            `json:"plan,omitempty"`
	PlannedOn *day.Day               `json:"plannedOn,omitempty"`
	PlanEntry *uuid.UUID             `json:"planEntry,omitempty" doc:"The entry with which its plan was taken up."`
	Ticks     map[string]record.Tick `json:"ticks"`
	Water     *WaterNeed             `json:"water,omitempty"`
	Tasks     []due.Task             `json:"tasks" doc:"All that is to come, by day."`
	Curves    recovery.History       `json:"curves" doc:"Readings by measure."`
	Closed    *record.Closed         `json:"closed,omitempty" doc:"How it left; missing while it is here."`
	Over      bool                   `json:"over" doc:"Whether nobody looks after it here any more."`
	// PieceIsolated is how a piece of it begins.
	PieceIsolated bool                 `json:"pieceIsolated" doc:"Whether a piece of it is kept apart to begin with."`
	ClosedOn      *day.Day             `json:"closedOn,omitempty"`
	Said          []record.Said        `json:"said" doc:"What each look said, oldest first."`
	Case          uuid.UUID            `json:"case" doc:"That plan and steps are of; all zeros where there is none."`
	Confirmed     *record.Confirmation `json:"confirmed,omitempty" doc:"What the case in hand turned out to be."`
	Cases         []CaseView           `json:"cases" doc:"Open ones first, the gravest first."`
	Alarms        []record.Alarm       `json:"alarms" doc:"Signals that nobody has answered yet."`
	Warnings      []Warning            `json:"warnings" doc:"What its plans warn of: asked at the check-in."`
	Apart         *record.KeptApart    `json:"apart,omitempty" doc:"Why it is kept apart; missing where it is not."`
	Routine       []care.Due           `json:"routine" doc:"Ordinary care; empty while a case is in work."`
	Resting       bool                 `json:"resting" doc:"Whether it is seen at rest, or known to rest in this month."`
	Pot           record.Pot           `json:"pot"`
	Tally         *TallyView           `json:"tally,omitempty" doc:"The last root tally."`
	Wants         plant.Profile        `json:"wants" doc:"Its kind's values, or its habit's, as overruled."`
	Adjusted      *record.Adjusted     `json:"adjusted,omitempty"`
	Line          string               `json:"line" doc:"How it does, since when, and what comes next."`
	Card          told.Card            `json:"card" doc:"What it is given now, from its plan, the facts and its kind."`
	Facts         []facts.Row          `json:"facts" doc:"What is known of it, each thing with its day and its source."`
	Prepared      []record.PreparedOn  `json:"prepared" doc:"Results of the bench kept with it since its plan was made."`
	Treated       []record.TreatedOn   `json:"treated" doc:"Products used, newest last."`
	Trials        []record.Trial       `json:"trials" doc:"What was tried on it, oldest first."`
	TrialDays     int                  `json:"trialDays" doc:"For how long a trial is proposed."`
	Mother        *store.Kin           `json:"mother,omitempty"`
	Children      []store.Kin          `json:"children" doc:"Pieces taken of it."`
	Batch         *record.Batch        `json:"batch,omitempty" doc:"What has become of it, where it is a batch of pieces."`
	Shared        *PotView             `json:"shared,omitempty" doc:"Where several plants stand in its pot, or did."`
	Answers       sheet.Answers        `json:"answers" doc:"The answers that its plan was made with."`
	Entries       int                  `json:"entries"`
	MostToday     int                  `json:"mostToday" doc:"How many things are begun in one day at most."`
}

// TallyView is a root tally with what it comes to.
type TallyView struct {
	record.TallyOn
	Reading roots.Result `json:"reading"`
}

// Warning is what a plan warns of.
type Warning struct {
	ID     string `json:"id"`
	Words  string `json:"words"`
	GiveUp bool   `json:"giveUp" doc:"Whether nothing can be saved once it is seen."`
}

// warningsOf gives what the plans in work warn of, each once.
func warningsOf(s record.State) []Warning {
	list := []Warning{}
	for _, c := range s.OpenCases() {
		for _, w := range s.As(c).Warnings() {
			one := Warning{w.ID, w.Words, w.GiveUp}
			if !slices.Contains(list, one) {
				list = append(list, one)
			}
		}
	}
	return list
}

// WaterNeed is the look window for water, or why there is none.
type WaterNeed struct {
	water.Line
	// Asks is what nobody has said lately and would change the rule.
	Asks   []recovery.Measure `json:"seasonAsks" doc:"What nobody has said lately and would change the rule."`
	Last   *day.Day           `json:"last,omitempty"`
	Window *water.Window      `json:"window,omitempty"`
	Now    *WaterNow          `json:"now,omitempty" doc:"What the model of its pot says today; missing where none tells."`
}

// WaterNow is what the model of a pot says of it today.
type WaterNow struct {
	Words   string          `json:"words" doc:"What to do, in a sentence."`
	Say     drying.Say      `json:"say" enum:"water,look,wait"`
	Met     float64         `json:"met" doc:"The chance that its rule is met, 0 to 1."`
	Holds   float64         `json:"holds" doc:"What it holds, as a share of what it holds when it has drained."`
	Low     float64         `json:"low" doc:"The lower end of that, nine times in ten."`
	High    float64         `json:"high"`
	Rule    float64         `json:"rule" doc:"The share at which its rule is met."`
	Working working.Working `json:"working"`
}

func (srv *server) plantOperations(api huma.API) {
	huma.Register(
		api,
		op("list-plants", http.MethodGet, "/api/plants", "The register, a page at a time", "plants"),
		signedIn(srv, srv.register),
	)
	huma.Register(api, op("get-plant", http.MethodGet, "/api/plants/{plant}", "A plant's file", "plants"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *fileInput) (*body[PlantFile], error) {
			state, err := srv.state(ctx, a, in.Plant)
			if err != nil {
				return nil, err
			}
			standing := state.Standing()
			if state, err = readFor(state, in.Case); err != nil {
				return nil, err
			}
			if !state.Here {
				return nil, huma.Error410Gone(
					"The arrival of this plant was undone. Its record is kept; bring the arrival back from there.",
				)
			}
			placeName := ""
			if state.Place != nil {
				if placeName, err = srv.store.PlaceName(ctx, a.Collection.ID, *state.Place); err != nil {
					return nil, err
				}
			}
			file := plantFile(state, placeName, a.Collection.Today(srv.Clock()), a.Collection.South)
			file.Standing = standing
			routine, err := srv.store.Routine(ctx, a.Collection.ID)
			if err != nil {
				return nil, err
			}
			file.Routine = care.Without(file.Routine, routine.Off)
			file.Tasks = slices.DeleteFunc(file.Tasks, func(t due.Task) bool { return t.Over(file.Today, routine.Off) })
			for i, task := range file.Tasks {
				file.Tasks[i].Jobs = care.Without(task.Jobs, routine.Off)
			}
			if file.Children, err = srv.store.Children(ctx, a.Collection.ID, in.Plant); err != nil {
				return nil, err
			}
			if mother := state.Arrival.Mother; mother != nil {
				kin, found, err := srv.store.KinOf(ctx, a.Collection.ID, *mother)
				if err != nil {
					return nil, err
				}
				if found {
					file.Mother = &kin
				}
			}
			if file.Shared, err = srv.potView(ctx, a, state, file.Today); err != nil {
				return nil, err
			}
			if file.Follow, err = srv.follow(ctx, a, state); err != nil {
				return nil, err
			}
			return &body[PlantFile]{file}, nil
		}))
}

func (srv *server) register(
	ctx context.Context,
	a store.Account,
	in *registerInput,
) (*body[Register], error) {
	f := store.Filter{
		Words:     in.Words,
		Standing:  in.Standing,
		Stage:     in.Stage,
		Isolation: in.Isolation,
		Sort:      store.Sort(in.Sort),
		After:     in.After,
		Limit:     in.Limit,
	}
	picked, err := idsOf(in.Plants)
	if err != nil {
		return nil, err
	}
	f.Plants = picked
	if in.Tag != "" {
		f.Tags = []string{in.Tag}
	}
	if in.Place != "" {
		id, err := uuid.Parse(in.Place)
		if err != nil {
			return nil, huma.Error422UnprocessableEntity("There is no such place; pick one from the list.")
		}
		f.Place = &id
	}
	page, err := srv.store.Register(ctx, a.Collection.ID, f)
	if err != nil {
		return nil, err
	}
	today := a.Collection.Today(srv.Clock())
	out := Register{Plants: make([]PlantRow, len(page.Rows)), Total: page.Total, Next: page.Next, Today: today,
		Nearly: page.Nearly}
	routine, err := srv.store.Routine(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	for i, row := range page.Rows {
		out.Plants[i] = plantRow(row, today)
		out.Plants[i].comesNext(row.Tasks.V, today, routine.Off)
	}
	if out.Standing, out.Stage, out.Isolation, err = srv.store.Counts(ctx, a.Collection.ID); err != nil {
		return nil, err
	}
	if out.Tags, err = srv.store.Tags(ctx, a.Collection.ID); err != nil {
		return nil, err
	}
	return &body[Register]{out}, nil
}

// comesNext says what is due next, and when: not what is over by now.
func (p *PlantRow) comesNext(tasks []due.Task, today day.Day, off []care.Job) {
	next, comes := due.First(tasks, today, off)
	if !comes {
		p.NextDue = nil
		return
	}
	p.NextDue, p.NextWhat = &next.From, next.What
}

// fileRow is the plant's row as its file shows it: nothing thinned.
func fileRow(s record.State, place string) PlantRow {
	return PlantRow{
		ID:        s.PlantID,
		Name:      s.Arrival.Name,
		Label:     s.Arrival.Label,
		Habit:     s.Habit.ID,
		Place:     place,
		Isolation: string(s.Isolation),
		Standing:  s.Standing(),
		ArrivedOn: s.ArrivedOn,
		LastLook:  s.LastLook(),
		Causes:    []string{},
		Seam:      asWritten(told.SeamOf(s)),
		Figure:    asWritten(s.Figure()),
	}
}

func plantFile(s record.State, place string, today day.Day, south bool) PlantFile {
	f := PlantFile{
		PlantRow: fileRow(s, place),
		Profile:  s.Profile, HabitInfo: s.Habit, Arrival: s.Arrival, PlaceID: s.Place, Tray: s.Tray, Today: today,
		Examined: s.Examined,
		Verdict:  s.Verdict,
		Plan:     s.Plan, Ticks: s.Done(), Tasks: due.Tasks(s, south), Curves: s.Readings, Entries: s.Entries,
		MostToday: treatment.MostToday,
		Said: append(
			[]record.Said{},
			s.Said...), Case: s.Case.ID, Cases: casesOf(s), Pot: s.Pot, Wants: s.Wants, Adjusted: s.Adjusted,
		Beside: []Recovery{}, Prepared: []record.PreparedOn{}, Treated: append([]record.TreatedOn{}, s.Treatments...),
		Trials:  append([]record.Trial{}, s.Trials...),
		Answers: s.PlanAnswers, Card: told.CardOf(s, today, south), Line: told.Line(s, today, south),
		Facts: s.Facts(today, record.Context{South: south}).Rows(),
	}
	f.Name = cmp.Or(f.Name, f.Label)
	for i := range f.Tasks {
		f.Tasks[i] = f.Tasks[i].At(today)
	}
	if f.Tasks == nil {
		f.Tasks = []due.Task{}
	}
	if s.Profile != nil {
		f.Botanical = s.Profile.Botanical
	}
	f.cases(s)
	f.Warnings = warningsOf(s)
	f.Alarms, f.Apart, f.Routine, f.Resting = s.Alarms(), s.Apart(today), []care.Due{}, s.AtRest(today, south)
	if len(s.Troubles()) == 0 && !s.Over() && s.Batch == nil {
		for _, job := range due.Routine(s, south) {
			f.Routine = append(f.Routine, job.At(today))
		}
	}
	if n := len(s.Tallies); n > 0 {
		last := s.Tallies[n-1]
		f.Tally = &TallyView{last, last.Read(widthOf(s.Pot))}
	}
	if s.Left != nil {
		f.Closed, f.ClosedOn = s.Left, &s.LeftOn
	}
	f.Recovery, f.Beside = recoveries(s, today, south)
	f.Batch = s.Batch
	f.Over, f.PieceIsolated = s.Over(), s.PieceIsolated()
	if !s.Over() && (s.Batch == nil || s.Batch.Watered()) {
		f.Water = waterNeed(s, today, south)
	}
	if f.Recovery != nil && f.Recovery.Index < len(f.Recovery.Stages) {
		f.Stage = f.Recovery.Stages[f.Recovery.Index].Name
		f.Stalled = f.Recovery.Stall != nil
	}
	return f
}

func widthOf(p record.Pot) float64 {
	if p.WidthCM == nil {
		return 0
	}
	return *p.WidthCM
}

func waterNeed(s record.State, today day.Day, south bool) *WaterNeed {
	need := &WaterNeed{Line: s.WaterLine(today, south), Asks: []recovery.Measure{}}
	for _, id := range s.SeasonAsks(today, south) {
		if m, known := recovery.MeasureByID(id); known {
			need.Asks = append(need.Asks, m)
		}
	}
	if n := len(s.WateredOn); n > 0 {
		need.Last = &s.WateredOn[n-1]
	}
	if w, ok := s.WaterWindow(south); ok {
		need.Window = &w
	}
	if f, told := s.DryingNow(today, south); told {
		need.Now = &WaterNow{
			Words: f.Words, Say: f.Say, Met: f.Met, Holds: f.Content, Low: f.ContentLow, High: f.ContentTop, Rule: f.MetAt,
			Working: f.Working,
		}
	}
	return need
}

// cases fills in what its cases are about, what was confirmed, and its plan.
func (f *PlantFile) cases(s record.State) {
	for _, of := range f.Cases {
		for _, id := range of.Causes {
			if c, ok := diagnosis.CauseByID(id); ok && (of.Open || of.ID == s.Case.ID) {
				f.Causes = append(f.Causes, c.Label)
			}
		}
	}
	f.Confirmed = s.Confirmed
	if n := len(s.Confirmations); f.Confirmed == nil && !s.Case.Is() && n > 0 {
		f.Confirmed = &s.Confirmations[n-1]
	}
	for _, p := range s.Prepared {
		if s.Plan == nil || p.On >= s.PlannedOn {
			f.Prepared = append(f.Prepared, p)
		}
	}
	if s.Plan != nil {
		on := s.PlannedOn
		f.PlannedOn, f.PlanEntry = &on, &s.PlanEntry
	}
}
