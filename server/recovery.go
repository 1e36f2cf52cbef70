package server

import (
	"context"
	"fmt"
	"slices"
	"strconv"

	"github.com/google/uuid"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/gate"
	"tendermend/core/pest"
	"tendermend/core/prognosis"
	"tendermend/core/recovery"
	"tendermend/core/working"
	"tendermend/record"
	"tendermend/store"
)

// Recovery says where a plant stands on a track.
type Recovery struct {
	Case      uuid.UUID              `json:"case" doc:"The case that it is the recovery from."`
	Track     string                 `json:"track"`
	TrackName string                 `json:"trackName"`
	Stages    []recovery.Stage       `json:"stages"`
	Index     int                    `json:"index" doc:"The stage it is in; the number of stages when mended."`
	Began     day.Day                `json:"began"`
	Gate      recovery.Gate          `json:"gate"`
	Asks      []recovery.Measure     `json:"asks" doc:"What to read at a check-in."`
	Expected  *recovery.Forecast     `json:"expected,omitempty" doc:"When the gate may open."`
	Setback   *recovery.Setback      `json:"setback,omitempty"`
	Stall     *recovery.Stall        `json:"stall,omitempty"`
	Dish      *working.Amount        `json:"dish,omitempty" doc:"Level of the falling dish."`
	Weaning   []recovery.WeaningStep `json:"weaning" doc:"The timetable of opening its cover; empty where it has none."`
	Runway    *record.ReservesLast   `json:"runway,omitempty" doc:"How long its reserves last, where it lives on them."`
}

// Follow is what following a plant over months comes to.
type Follow struct {
	Strands  []recovery.Strand     `json:"strands" doc:"Its growths, each one followed."`
	Sorts    []recovery.GrowthSort `json:"sorts" enum:"leaf,bulb,cane,shoot,spike,plantlet,root" doc:"Usual one first."`
	Growths  recovery.Growths      `json:"growths"`
	Pictures []PictureView         `json:"pictures" doc:"Oldest first."`
	Score    *recovery.Wellbeing   `json:"score,omitempty" doc:"Its condition today."`
	Scores   []recovery.Reading    `json:"scores" doc:"Its condition at each look."`
	Trend    *recovery.Trend       `json:"trend,omitempty" doc:"How its condition changed, where somebody looked."`
	Odds     *prognosis.Chance     `json:"odds,omitempty" doc:"Odds of survival while it is in treatment."`
	Rates    []working.Amount      `json:"rates" doc:"How fast what is measured grows, a week."`
	Drying   *recovery.DryDown     `json:"drying,omitempty"`
	Clocks   []pest.Clock          `json:"clocks" doc:"The clocks of its pests."`
	Due      map[string]day.Day    `json:"due" doc:"Days of steps that a clock, a gate or a late sitting moved."`
	Events   []record.Event        `json:"events" doc:"What was done and what happened, oldest first."`
	Changed  []record.Changed      `json:"changed" doc:"What of its plan is not as it was promised, each with its reason."`
	// Waiting is by the number of the sitting, as text.
	Waiting map[string]gate.Opening `json:"waiting" doc:"How the gates stand of sittings that are not done."`
}

// PictureView is a picture of the record with its size.
type PictureView struct {
	record.PictureOn
	Width   int      `json:"width"`
	Height  int      `json:"height"`
	WidthMM *float64 `json:"widthMm,omitempty" doc:"What its whole width shows, mm, where its scale is known."`
}

func recoveryOf(s record.State, c record.Course, today day.Day, south bool) Recovery {
	track, stage, in := c.In()
	r := Recovery{
		Case:      s.Case.ID,
		Track:     track.ID,
		TrackName: track.Name,
		Stages:    track.Stages,
		Index:     c.Stage,
		Began:     c.Began,
		Gate: recovery.Gate{
			Conditions: []recovery.Standing{},
		},
		Asks:    []recovery.Measure{},
		Weaning: []recovery.WeaningStep{},
	}
	if !in {
		return r
	}
	season := climate.SeasonOf(today, south)
	r.Gate, r.Asks = s.Gate(c, today), s.Asks(stage)
	window := stage.Expect(s.Readings, season, c.Began, today)
	r.Expected = &window
	if back, found := track.FindSetback(c.Stage, s.Readings, c.Began, today); found {
		r.Setback = &back
	}
	if stall, found := s.Stall(c, today, south); found && !track.Beside {
		r.Stall = &stall
	}
	if stage.Dish {
		if level, ok := s.DishLevel(); ok {
			r.Dish = &level
		}
	}
	if stage.Weans {
		r.Weaning = recovery.Weaning(s.Readings, c.Began, today)
	}
	if stage.OnReserves && !r.Gate.Open {
		if way, ok := s.ReservesLast(today); ok {
			way = way.Against(window)
			r.Runway = &way
		}
	}
	return r
}

// recoveries gives the recoveries of all open cases, the leading one first.
func recoveries(s record.State, today day.Day, south bool) (first *Recovery, beside []Recovery) {
	beside = []Recovery{}
	cases := s.OpenCases()
	if at := slices.IndexFunc(cases, func(c record.Case) bool { return c.ID == s.Case.ID }); at > 0 {
		cases = append([]record.Case{cases[at]}, slices.Delete(cases, at, at+1)...) // what is read stands first
	}
	for _, c := range cases {
		of := s.As(c)
		for _, course := range of.Leading() {
			r := recoveryOf(of, course, today, south)
			if first == nil {
				first = &r
				continue
			}
			beside = append(beside, r)
		}
	}
	return first, beside
}

// follow gathers what following a plant comes to.
func (srv *server) follow(ctx context.Context, a store.Account, s record.State) (Follow, error) {
	today := a.Collection.Today(srv.Clock())
	f := Follow{
		Strands:  append([]recovery.Strand{}, s.Strands...),
		Sorts:    recovery.SortsOf(s.Habit),
		Growths:  recovery.Reckon(s.Strands, s.ArrivedOn, today),
		Pictures: []PictureView{},
		Scores:   s.Scores(),
		Clocks:   []pest.Clock{},
		Rates:    s.Rates(today),
		Due:      map[string]day.Day{},
		Changed:  []record.Changed{},
		Events:   s.Events,
		Waiting:  map[string]gate.Opening{},
	}
	if s.Case.Open() {
		f.Clocks = s.PestClocks()
	}
	if f.Events == nil {
		f.Events = []record.Event{}
	}
	if score, trend, known := s.Condition(today); known {
		f.Score, f.Trend = &score, trend
	}
	if drying, ok := s.DryDown(today, a.Collection.South); ok {
		f.Drying = &drying
	}
	if s.Plan != nil {
		f.planDays(s, today)
		if s.Case.Open() && !s.OnlyWished() {
			saved, lost, err := srv.store.OwnOdds(ctx, a.Collection.ID, s.MainCause())
			if err != nil {
				return f, err
			}
			odds := prognosis.OddsOf(s.Living(saved, lost))
			f.Odds = &odds
		}
	}
	if len(s.Pictures) == 0 {
		return f, nil
	}
	sizes, err := srv.store.Pictures(ctx, a.Collection.ID, s.PlantID)
	if err != nil {
		return f, fmt.Errorf("listing pictures: %w", err)
	}
	for _, p := range s.Pictures {
		f.Pictures = append(f.Pictures, viewOf(p, sizes))
	}
	return f, nil
}

func viewOf(p record.PictureOn, sizes map[uuid.UUID]store.Picture) PictureView {
	v := PictureView{PictureOn: p, Width: sizes[p.Picture].Width, Height: sizes[p.Picture].Height}
	if p.Scale != nil {
		mm := p.Scale.WidthMM()
		v.WidthMM = &mm
	}
	return v
}

// planDays fills in what the sittings of a plan wait for, and the days of steps
// that moved.
func (f *Follow) planDays(s record.State, today day.Day) {
	f.Changed = s.Changed(today)
	for n, o := range s.Waiting(today) {
		f.Waiting[strconv.Itoa(n)] = o
	}
	for _, step := range s.Plan.Steps {
		if on := s.DueOn(step.ID); on != step.On {
			f.Due[step.ID] = on
		}
	}
}
