package server

import (
	"context"
	"math"
	"net/http"
	"slices"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/walk"
	"tendermend/core/working"
	"tendermend/record"
	"tendermend/record/due"
	"tendermend/record/told"
	"tendermend/store"
)

type plantID = uuid.UUID

// PlantRow is a plant as lists show it.
type PlantRow struct {
	ID        uuid.UUID             `json:"id"`
	Name      string                `json:"name"`
	Label     string                `json:"label"`
	Habit     string                `json:"habit"`
	Drawing   string                `json:"drawing" doc:"Which drawing stands for how it grows."`
	Botanical string                `json:"botanical"`
	Place     string                `json:"place"`
	Isolation string                `json:"isolation" enum:"clean,watch,isolated"`
	Standing  string                `json:"standing"`
	Stage     string                `json:"stage"`
	ArrivedOn day.Day               `json:"arrivedOn"`
	LastLook  day.Day               `json:"lastLook"`
	NextDue   *day.Day              `json:"nextDue,omitempty"`
	NextWhat  string                `json:"nextWhat,omitempty" doc:"What is due then; only the register says it."`
	Stalled   bool                  `json:"stalled"`
	Causes    []string              `json:"causes" doc:"Labels of the accepted causes."`
	Tags      []string              `json:"tags" doc:"Words of the carer's own, and the box that it came in."`
	Condition *int                  `json:"condition,omitempty" doc:"At its last look, 0 to 100."`
	Seam      passed[told.Seam]     `json:"seam"`
	Figure    passed[record.Figure] `json:"figure" doc:"What a small drawing of it shows."`
}

// WalkStop is one plant on today's walk.
type WalkStop struct {
	PlantRow
	Tasks   []due.Task `json:"tasks" doc:"What to do or look at, weightiest first."`
	Minutes int        `json:"minutes"`
	Must    bool       `json:"must" doc:"Whether something of it cannot wait until tomorrow."`
}

// WalkPlace is one place on today's walk.
type WalkPlace struct {
	Place    string     `json:"place"`
	Apart    bool       `json:"apart" doc:"Isolated plants: wash hands and tools before and after."`
	Stops    []WalkStop `json:"stops"`
	Position int        `json:"-"`
}

// Rounds is today's walk.
type Rounds struct {
	Today   day.Day     `json:"today"`
	Places  []WalkPlace `json:"places"`
	Looks   int         `json:"looks" doc:"How many plants are due in all."`
	Minutes int         `json:"minutes" doc:"For all that are due."`
	More    int         `json:"more" doc:"Due plants that are not listed; the most urgent are."`
	Plants  int         `json:"plants" doc:"Plants in the collection."`
	// Must and MustMinutes are of the plants listed that cannot wait; the rest can.
	Must        int `json:"must" doc:"How many of those listed cannot wait until tomorrow."`
	MustMinutes int `json:"mustMinutes" doc:"For what cannot wait."`
	WaitMinutes int `json:"waitMinutes" doc:"For the plants of which nothing presses."`
	// All minutes of a walk are at the pace of who walks.
	Pace Pace `json:"pace"`
	// Budget is what was left out for want of time; missing where nobody set any.
	Budget *Budget `json:"budget,omitempty"`
	// Asked are the measures that the tasks listed read; InPassing what is asked of any plant.
	Asked     []recovery.Measure `json:"asked" doc:"The measures that single tasks listed here read."`
	InPassing []recovery.Measure `json:"inPassing" doc:"What is asked of any plant in passing."`
}

// Budget is a walk that was cut to the minutes that there are.
type Budget struct {
	Minutes float64  `json:"minutes" doc:"What there is."`
	Takes   float64  `json:"takes" doc:"What the walk takes, with the way and the washing of hands."`
	Left    int      `json:"left" doc:"Plants that are due and were left out."`
	Worst   *day.Day `json:"worst,omitempty" doc:"The first day on which one of those left out is no longer safe."`
}

// Pace is how the minutes of a walk came about.
type Pace struct {
	Answers int             `json:"answers" doc:"Answers from which it was learned; 0 for the usual minutes."`
	Working working.Working `json:"working" doc:"Of what cannot wait or, where nothing presses, of the whole walk."`
}

type walkInput struct {
	Limit   int     `query:"limit" minimum:"1" maximum:"1000" default:"40" doc:"How many plants to list."`
	Minutes float64 `query:"minutes" minimum:"0" maximum:"600" doc:"How many minutes there are; 0 for all that it takes."`
}

func (srv *server) roundsOperations(api huma.API) {
	huma.Register(
		api,
		op(
			"get-rounds",
			http.MethodGet,
			"/api/rounds",
			"Today's walk: clean places first, isolated plants last",
			"rounds",
		),
		signedIn(srv, srv.getRounds),
	)
}

func (srv *server) getRounds(ctx context.Context, a store.Account, in *walkInput) (*body[Rounds], error) {
	today := a.Collection.Today(srv.Clock())
	routine, err := srv.store.Routine(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	pace, err := srv.store.Pace(ctx, a.Collection, a.User.ID)
	if err != nil {
		return nil, err
	}
	var walk store.Walk
	var budget *Budget
	if in.Minutes > 0 {
		walk, budget, err = srv.within(ctx, a, today, routine.Off, pace, in.Minutes)
	} else {
		walk, err = srv.store.Due(ctx, a.Collection.ID, today, routine.Off, in.Limit)
	}
	if err != nil {
		return nil, err
	}
	r := Rounds{
		Today: today, Places: []WalkPlace{}, Looks: walk.Due, More: walk.Due - len(walk.Rows), Minutes: walk.Minutes,
		WaitMinutes: walk.Minutes, Plants: walk.Plants, Asked: []recovery.Measure{}, InPassing: recovery.InPassing(),
	}
	for _, row := range walk.Rows {
		r.add(row, today, routine.Off)
	}
	r.at(pace)
	if budget != nil {
		r.cutTo(budget)
	}
	return &body[Rounds]{r}, nil
}

// weighed is how many of the most urgent plants are weighed against one another when a walk is
// cut to the minutes that there are.
const weighed = 400

// within chooses the stops that are worth most for so many minutes at a carer's pace: they are
// weighed by little, and only those that are chosen are read whole.
func (srv *server) within(
	ctx context.Context, a store.Account, today day.Day, off []care.Job, pace care.Pace, minutes float64,
) (w store.Walk, b *Budget, err error) {
	w, rows, err := srv.store.WeighDue(ctx, a.Collection.ID, today, off, weighed)
	if err != nil {
		return w, nil, err
	}
	zones := map[string]walk.Zone{string(record.UnderWatch): walk.Watched, string(record.Isolated): walk.Isolated}
	stops := make([]walk.Stop, len(rows))
	for i, row := range rows {
		stops[i] = walk.Stop{
			Plant: row.ID.String(), Place: placeName(row.PlaceName), Zone: zones[row.Isolation],
			Minutes: float64(pace.Minutes(row.Minutes)),
		}
		if row.Apart {
			stops[i].Zone = walk.Isolated
		}
		for _, t := range row.Terms.V {
			if t.Due(today, off) {
				stops[i].Value += t.Worth(today)
			}
		}
	}
	chosen, takes := walk.Choose(stops, minutes)
	b = &Budget{Minutes: minutes, Takes: math.Round(takes), Left: w.Due - len(chosen)}
	ids := make([]uuid.UUID, 0, len(chosen))
	for i, row := range rows {
		if slices.Contains(chosen, i) {
			ids = append(ids, row.ID)
		} else {
			b.worse(row.Terms.V, today, off)
		}
	}
	w.Rows, err = srv.store.DueAt(ctx, a.Collection.ID, today, ids)
	return w, b, err
}

// worse notes by which day a plant that was left out is no longer safe.
func (b *Budget) worse(left []due.Term, today day.Day, off []care.Job) {
	for _, t := range left {
		if t.Due(today, off) && (b.Worst == nil || t.Until < *b.Worst) {
			until := t.Until
			b.Worst = &until
		}
	}
}

// cutTo tells of a walk that holds only what was chosen for the minutes that there are.
func (r *Rounds) cutTo(b *Budget) {
	r.Budget, r.More = b, 0
	r.Must, r.MustMinutes, r.WaitMinutes = 0, 0, 0
	for _, place := range r.Places {
		for _, stop := range place.Stops {
			if stop.Must {
				r.Must, r.MustMinutes = r.Must+1, r.MustMinutes+stop.Minutes
			} else {
				r.WaitMinutes += stop.Minutes
			}
		}
	}
}

func placeName(of *string) string {
	if of == nil {
		return "No place given"
	}
	return *of
}

// at turns the usual minutes into those of who walks.
func (r *Rounds) at(pace care.Pace) {
	of := r.MustMinutes
	if r.Must == 0 {
		of = r.Minutes
	}
	r.Pace = Pace{Answers: pace.Answers, Working: pace.Working(of)}
	r.Minutes, r.MustMinutes = pace.Minutes(r.Minutes), pace.Minutes(r.MustMinutes)
	r.WaitMinutes = pace.Minutes(r.WaitMinutes)
	for _, place := range r.Places {
		for i := range place.Stops {
			place.Stops[i].Minutes = pace.Minutes(place.Stops[i].Minutes)
		}
	}
}

// asks adds a measure that a task reads.
func (r *Rounds) asks(id string) {
	m, known := recovery.MeasureByID(id)
	if known && !slices.ContainsFunc(r.Asked, func(x recovery.Measure) bool { return x.ID == id }) {
		r.Asked = append(r.Asked, m)
	}
}

func (r *Rounds) add(row store.Row, today day.Day, off []care.Job) {
	stop := WalkStop{PlantRow: plantRow(row, today), Tasks: due.By(row.Tasks.V, today, off)}
	for _, t := range stop.Tasks {
		r.asks(t.Measure)
		stop.Minutes += t.Minutes
		if t.Presses(today) {
			stop.Must, r.MustMinutes = true, r.MustMinutes+t.Minutes
		}
	}
	if stop.Must {
		r.Must, r.WaitMinutes = r.Must+1, r.WaitMinutes-stop.Minutes
	}
	apart := row.Apart || row.Isolation == string(record.Isolated)
	place := placeName(row.PlaceName)
	if n := len(r.Places); n == 0 || r.Places[n-1].Place != place || r.Places[n-1].Apart != apart {
		r.Places = append(r.Places, WalkPlace{Place: place, Apart: apart})
	}
	last := &r.Places[len(r.Places)-1]
	last.Stops = append(last.Stops, stop)
}

func plantRow(row store.Row, today day.Day) PlantRow {
	out := PlantRow{
		ID:        row.ID,
		Name:      row.Name,
		Label:     row.Label,
		Habit:     row.Habit,
		Botanical: row.Botanical,
		Isolation: row.Isolation,
		Standing:  row.Standing,
		Stage:     row.Stage,
		ArrivedOn: row.ArrivedOn,
		LastLook:  row.LastLook,
		NextDue:   row.NextDue,
		Tags:      row.Tags.V,
		Condition: row.Condition,
		Stalled: row.StallsOn != nil &&
			*row.StallsOn <= today,
		Causes: []string{},
		Seam:   passed[told.Seam]{row.Seam},
		Figure: passed[record.Figure]{row.Figure},
	}
	if row.PlaceName != nil {
		out.Place = *row.PlaceName
	}
	if habit, known := plant.HabitByID(row.Habit); known {
		out.Drawing = habit.Figure
	}
	for _, id := range row.Causes.V {
		if c, ok := diagnosis.CauseByID(id); ok {
			out.Causes = append(out.Causes, c.Label)
		}
	}
	return out
}
