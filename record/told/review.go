package told

import (
	"fmt"
	"math"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/recovery"
	"tendermend/core/treatment/sheet"
	"tendermend/core/working"
	"tendermend/record"
)

// Review looks back over a plant's time: from one day to another.
type Review struct {
	From     day.Day           `json:"from"`
	To       day.Day           `json:"to"`
	Days     int               `json:"days"`
	Before   *record.PictureOn `json:"before,omitempty" doc:"The first of that time, from the same side."`
	After    *record.PictureOn `json:"after,omitempty"`
	Growths  recovery.Growths  `json:"growths"`
	Made     int               `json:"made" doc:"Leaves that opened."`
	Lost     int               `json:"lost" doc:"Leaves that were lost."`
	Then     *float64          `json:"conditionThen,omitempty" doc:"Its condition at the first look, 0-100."`
	Now      *float64          `json:"conditionNow,omitempty" doc:"Its condition at the last look."`
	Stages   []StageReview     `json:"stages"`
	Steps    []StepDone        `json:"steps" doc:"What was done of its plans."`
	Looks    int               `json:"looks" doc:"Days on which somebody looked."`
	Watered  int               `json:"watered"`
	Fed      int               `json:"fed"`
	Treated  int               `json:"treated" doc:"Products used."`
	Minutes  working.Amount    `json:"minutes" doc:"The carers' minutes."`
	Cost     working.Amount    `json:"cost" doc:"Material and price, in the collection's money."`
	Standing string            `json:"standing"`
	Causes   []string          `json:"causes" doc:"What it was, by name: confirmed, or accepted."`
	Known    bool              `json:"known" doc:"Whether that was confirmed."`
	School   string            `json:"school,omitempty"`
	Lesson   string            `json:"lesson,omitempty" doc:"What was written when the case was closed."`
	used     []record.Used
}

// StageReview is how long a stage took, beside what is usual.
type StageReview struct {
	Track string      `json:"track" doc:"Its name."`
	Stage string      `json:"stage" doc:"Its name."`
	Days  int         `json:"days" doc:"In all, every time it was in it."`
	Usual *[2]float64 `json:"usual,omitempty" doc:"Usual weeks, shortest and longest."`
	Back  int         `json:"back" doc:"Times it fell back into it."`
	Still bool        `json:"still" doc:"Whether it is in it now."`
	Long  bool        `json:"long" doc:"Whether that is longer than is usual."`
}

// StepDone is a step of a plan that was done.
type StepDone struct {
	On      day.Day `json:"on"`
	Title   string  `json:"title"`
	Minutes int     `json:"minutes"`
}

// Used gives what the steps of the review took from the cupboard.
func (r Review) Used() []record.Used { return r.used }

// ReviewOf looks back over a plant's record from one day to another, as of the
// second.
func ReviewOf(s record.State, entries []record.Entry, from, to day.Day) Review {
	from = max(from, s.ArrivedOn)
	r := Review{
		From:     from,
		To:       to,
		Days:     int(to - from),
		Standing: s.Standing(),
		Stages:   []StageReview{},
		Steps:    []StepDone{},
		Causes:   []string{},
	}
	r.Growths = recovery.Reckon(s.Strands, s.ArrivedOn, to)
	inside := func(on day.Day) bool { return on >= from && on <= to }
	r.minutesOf(reviewEntries(&r, entries, inside))
	for _, on := range s.Looks {
		if inside(on) {
			r.Looks++
		}
	}
	r.Made, r.Lost = sumOf(s, "new-leaves", inside), sumOf(s, "leaves-lost", inside)
	reviewPictures(s, &r, inside)
	reviewStages(s, &r, from, to)
	reviewCause(s, &r)
	reviewScores(s, &r, inside)
	switch {
	case s.Closed != nil:
		r.Lesson = s.Closed.Reason
	case s.Left != nil:
		r.Lesson = s.Left.Reason
	}
	return r
}

// reviewEntries counts what was done in the days looked back on, and gives the
// minutes by the kind of work.
func reviewEntries(r *Review, entries []record.Entry, inside func(day.Day) bool) map[record.Effort]int {
	live := record.Live(entries)
	plans := map[string]sheet.Step{}
	minutes := map[record.Effort]int{}
	for _, e := range record.InOrder(entries) {
		if !live[e.ID] {
			continue
		}
		if e.Planned != nil && e.Planned.Plan != nil {
			for _, step := range e.Planned.Plan.Steps {
				plans[step.ID] = step
			}
		}
		if !inside(e.On) {
			continue
		}
		if d := e.Did; d != nil && !d.Skipped {
			step := plans[d.Step]
			r.Steps = append(r.Steps, StepDone{e.On, step.Title, step.Minutes})
			minutes[record.ForSteps] += step.Minutes
			r.used = append(r.used, d.Used...)
		}
		part, spent := e.Effort()
		if e.With == nil { // the minutes of an effect are those of its step
			minutes[part] += spent
		}
		switch part {
		case record.ForWaterings:
			r.Watered++
		case record.ForFeeds:
			r.Fed++
		case record.ForProducts:
			r.Treated++
		case record.ForSteps, record.ForLooks, record.ForNothing:
		}
	}
	return minutes
}

// sumOf adds up the readings of a measure in the days looked back on.
func sumOf(s record.State, measure string, inside func(day.Day) bool) (sum int) {
	for _, reading := range s.Readings[measure] {
		if inside(reading.On) {
			sum += int(reading.Value)
		}
	}
	return sum
}

// minutesOf sums up the minutes, with their working.
func (r *Review) minutesOf(minutes map[record.Effort]int) {
	r.Minutes = working.Amount{
		What: "minutes",
		Unit: "min",
		Working: working.Working{
			Formula: "minutes of the steps done, as planned, and the usual minutes of every other record",
			Source:  working.CommonPractice,
			Sure:    "rough: nobody held a watch",
		},
	}
	for _, part := range record.Efforts() {
		if minutes[part] > 0 {
			r.Minutes.Value += float64(minutes[part])
			r.Minutes.Working.Inputs = append(
				r.Minutes.Working.Inputs,
				working.Input{Name: string(part), Value: float64(minutes[part]), Unit: "min"},
			)
		}
	}
}

// reviewScores gives the first and the last wellbeing of the days looked back on.
func reviewScores(s record.State, r *Review, inside func(day.Day) bool) {
	basis := s.Basis()
	for _, on := range s.Looks {
		if score, ok := recovery.WellbeingOn(s.Readings, basis, on); ok && inside(on) {
			r.Then = &score.Value
			break
		}
	}
	for i := len(s.Looks) - 1; i >= 0 && r.Then != nil; i-- {
		if score, ok := recovery.WellbeingOn(s.Readings, basis, s.Looks[i]); ok && inside(s.Looks[i]) {
			r.Now = &score.Value
			break
		}
	}
}

// reviewPictures takes the last picture and the first one from the same side.
func reviewPictures(s record.State, r *Review, inside func(day.Day) bool) {
	for i := range s.Pictures {
		p := s.Pictures[i]
		if !inside(p.On) || p.Side == record.SideRoots {
			continue
		}
		r.After = &p
	}
	if r.After == nil {
		return
	}
	for i := range s.Pictures {
		p := s.Pictures[i]
		if inside(p.On) && p.Side == r.After.Side && p.Entry != r.After.Entry {
			r.Before = &p
			return
		}
	}
}

func reviewStages(s record.State, r *Review, from, to day.Day) {
	at := map[[2]string]int{}
	for _, span := range s.Stages {
		end := to
		if span.To != nil {
			end = min(*span.To, to)
		}
		start := max(span.From, from)
		if end < start || span.From > to || span.Stage == recovery.Mended && end == start {
			continue
		}
		key := [2]string{span.Track, span.Stage}
		i, known := at[key]
		if !known {
			track, _ := recovery.TrackByID(span.Track)
			one := StageReview{Track: track.Name, Stage: span.Name}
			if n, ok := track.StageIndex(span.Stage); ok && n < len(track.Stages) {
				one.Usual = &track.Stages[n].UsualWeeks
			} else {
				one.Stage = "mended, watched on"
			}
			i = len(r.Stages)
			at[key] = i
			r.Stages = append(r.Stages, one)
		}
		r.Stages[i].Days += int(end - start)
		if span.Back {
			r.Stages[i].Back++
		}
		r.Stages[i].Still = span.To == nil
		track, _ := recovery.TrackByID(span.Track)
		if n, ok := track.StageIndex(span.Stage); ok && n < len(track.Stages) {
			r.Stages[i].Long = track.Stages[n].Long(float64(r.Stages[i].Days))
		}
	}
}

func reviewCause(s record.State, r *Review) {
	var ids []string
	switch n := len(s.Confirmations); {
	case s.Case.Is():
		ids, r.Known = s.Case.Causes(), s.Confirmed != nil
	case n > 0:
		ids, r.Known = s.Confirmations[n-1].Causes, true
	}
	for _, id := range ids {
		if c, ok := diagnosis.CauseByID(id); ok {
			r.Causes = append(r.Causes, c.Label)
		}
	}
	if s.Plan != nil {
		r.School = s.Plan.School
	}
}

// Price is what one unit of a supply costs.
type Price struct {
	Name string
	Each float64
}

// WithCost adds up what the plant cost: its price and what its steps used.
// Supplies without a price count nothing, and it says so.
func (r Review) WithCost(paid *float64, prices map[uuid.UUID]Price) Review {
	w := working.Working{
		Formula: "price paid + what its steps took from the cupboard × price; hours are not counted",
		Source:  "its own record",
		Sure:    "as good as the record of what was used",
	}
	var sum float64
	if paid != nil {
		sum += *paid
		w.Inputs = append(w.Inputs, working.Input{Name: "price paid", Value: *paid})
	}
	unpriced := 0
	for _, u := range r.used {
		price, known := prices[u.Supply]
		if !known {
			unpriced++
			continue
		}
		sum += u.Amount * price.Each
		w.Inputs = append(w.Inputs, working.Input{Name: price.Name, Value: math.Round(u.Amount*price.Each*100) / 100})
	}
	if unpriced > 0 {
		w.Sure = fmt.Sprintf("too low: %d of the supplies used have no price", unpriced)
	}
	r.Cost = working.Amount{What: "cost", Value: math.Round(sum*100) / 100, Unit: "money", Working: w}
	return r
}
