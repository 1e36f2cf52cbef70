// Package due says what a plant's record asks for next, and from which day on. It knows no
// today: a row of the lists is written once and read on any day.
package due

import (
	"cmp"
	"fmt"
	"slices"

	"github.com/google/uuid"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/core/working"
	"tendermend/record"
)

// Kind says what a task on the walk asks for.
type Kind string

// The kinds of task.
const (
	Examine Kind = "examine" // a first look for signs
	Decide  Kind = "decide"  // examined, nothing accepted yet
	Plan    Kind = "plan"    // accepted, no plan yet
	Step    Kind = "step"    // a step of the plan
	Pass    Kind = "pass"    // the gate is open
	Back    Kind = "back"    // a setback was found
	Check   Kind = "check"   // the stage's check-in
	Look    Kind = "look"    // a look at a plant that is well
	Water   Kind = "water"   // the look window for water
	Asleep  Kind = "asleep"  // a look at a plant that gets no water now
	Treat   Kind = "treat"   // a product may be repeated, by its label
	Stall   Kind = "stall"   // it stands still for longer than is normal
	Late    Kind = "late"    // what a step of its plan waits for has not been seen by its day
	Signal  Kind = "signal"  // something alarms and nobody has answered it
	Pests   Kind = "pests"   // a look for pests that quarantine asks for
	Apart   Kind = "apart"   // what came with a suspect stands among the others
	Release Kind = "release" // nothing keeps it apart any more
	Trial   Kind = "trial"   // the time of a trial is over
	Count   Kind = "count"   // the count of a batch of pieces
	Season  Kind = "season"  // what the season, or a move into more light, asks for
)

// Kinds lists what a walk may ask for.
func Kinds() []Kind {
	return []Kind{
		Examine, Decide, Plan, Step, Pass, Back, Check, Look, Water, Asleep,
		Treat, Stall, Late, Signal, Pests, Apart, Release, Trial, Count, Season,
	}
}

// kindWords say in a calendar what is done.
var kindWords = map[Kind]string{
	Examine: "first look", Decide: "decide what ails it", Plan: "take a plan up", Step: "step of a plan",
	Pass: "next stage", Back: "look at a setback", Check: "check-in", Look: "look", Water: "look for water",
	Asleep: "look while at rest", Treat: "treatment", Stall: "stands still", Late: "look for what is late",
	Signal: "alarm", Pests: "look for pests",
	Apart: "keep apart", Release: "let back to the others", Trial: "say what a trial came to",
	Count: "count of pieces", Season: "season",
}

// Words say what a kind of task is, for lists and calendars.
func (k Kind) Words() string { return kindWords[k] }

// Task is one thing to do or look at, with why and since when.
type Task struct {
	Kind Kind `json:"kind"` // one of Kinds

	From    day.Day `json:"from" doc:"The first useful day."`
	Until   day.Day `json:"until" doc:"The last day that is still safe."`
	What    string  `json:"what"`
	How     string  `json:"how,omitempty" doc:"How it is done, in a sentence or two."`
	Why     string  `json:"why"`
	Minutes int     `json:"minutes"`
	Step    string  `json:"step,omitempty"`
	Gate    string  `json:"gate,omitempty" doc:"What must be seen before the step is done."`
	// Turns is how it reads from later days on: a row of the lists knows no today.
	Turns []Turned `json:"turns,omitempty" doc:"How it reads from later days on."`
	// Weight is how much rides on it, 1-5: it orders the walk inside a place
	// when time is short.
	Weight int `json:"weight"`
	// Case is the case that asks for it.
	Case   uuid.UUID  `json:"case" doc:"The case that asks for it; all zeros where none does."`
	Signal string     `json:"signal,omitempty" doc:"The signal that is to be answered."`
	Jobs   []care.Due `json:"jobs,omitempty" doc:"Ordinary care that joins the look, each with its day."`
	// Trial is the trial whose result is asked for.
	Trial string `json:"trial,omitempty" doc:"The entry that began the trial whose result is asked for."`
	// Ends is the last day on which it is any use: what is past it is asked for no more.
	Ends *day.Day `json:"ends,omitempty" doc:"The last day on which it is any use; missing where it is never too late."`
	// Job is what the season asks for, and Done what it is called when it is answered in one tap:
	// missing where it is answered by saying where the plant stands now.
	Job       care.Job `json:"job,omitempty" doc:"The job of the season that it is."`
	Done      string   `json:"done,omitempty" doc:"What it is called where it is answered in one tap."`
	PutOff    int      `json:"putOff,omitempty" doc:"How often it was put off for this season."`
	PutOffWhy string   `json:"putOffWhy,omitempty" doc:"Why it was put off the last time."`
	Unwanted  bool     `json:"unwanted,omitempty" doc:"Whether it was put off so often that it may not be wanted."`
	// Measure is what a look for one thing reads.
	Measure string `json:"measure,omitempty" doc:"The measure that the look reads; missing where it reads several."`
}

// dangerOfWeight is what a look of a weight is worth on its best day: a task's weight of 1 to 5
// stands for the trade's dangers of 2 to 10.
const dangerOfWeight = 2

// Presses says whether a task cannot wait: it alarms, or today is the last day that is
// still safe for it, or past.
func (t Task) Presses(today day.Day) bool { return t.Kind == Signal || t.Until <= today }

// Over says whether it is too late for a task on a day, or it was switched off.
func (t Task) Over(today day.Day, off []care.Job) bool { return t.term().Over(today, off) }

// Turned is what a task asks from a day on, how, and why.
type Turned struct {
	From day.Day `json:"from"`
	What string  `json:"what"`
	How  string  `json:"how,omitempty"`
	Why  string  `json:"why"`
}

// At gives the task as it reads on a day.
func (t Task) At(today day.Day) Task {
	for _, turn := range t.Turns {
		if turn.From <= today {
			t.What, t.How, t.Why = turn.What, turn.How, turn.Why
		}
	}
	t.Turns = nil
	return t
}

// First gives of tasks in the order of their first days the one that comes first, as it reads on the day on which it
// does; false where none is to come. What is over by today, or was switched off, is passed over.
func First(tasks []Task, today day.Day, off []care.Job) (Task, bool) {
	for _, t := range tasks {
		if !t.Over(today, off) {
			return t.At(max(today, t.From)), true
		}
	}
	return Task{}, false
}

// mostWeight is that on which most rides.
const mostWeight = 5

// Tasks lists what the record asks for next, by first day: what alarms, what each
// open case wants, what a newcomer's quarantine wants, and the ordinary care of a
// plant that is well. It does not know today; south tells the hemisphere, for the
// season.
func Tasks(s record.State, south bool) []Task {
	if !s.Here || s.Over() {
		return nil
	}
	var tasks []Task
	add := func(t Task) { tasks = append(tasks, withHow(t)) }
	for _, alarm := range s.Alarms() {
		add(Task{
			Kind: Signal, From: alarm.On, Until: alarm.On + 1, Minutes: 3, Weight: mostWeight,
			What: alarm.Title, How: alarm.First[0], Why: alarm.Said, Signal: alarm.ID,
		})
	}
	open := s.OpenCases()
	for _, c := range open {
		caseTasks(s.As(c), add)
	}
	switch {
	case s.Batch != nil:
		batchTask(s, add)
	case len(s.Troubles()) == 0:
		restingTasks(s, add, south)
	}
	if s.Batch == nil {
		seasonTasks(s, south, add)
	}
	apartTasks(s, add)
	trialTasks(s, add)
	if t, due := waterTask(s, south); due {
		add(t)
	}
	if t, due := asleepTask(s, south); due {
		add(t)
	}
	treatTask(s, add)
	stallTask(s, south, add)
	slices.SortStableFunc(tasks, func(a, b Task) int {
		return cmp.Or(cmp.Compare(a.From, b.From), cmp.Compare(b.Weight, a.Weight))
	})
	return tasks
}

// treatTask asks whether the last product is needed again, when its label lets it.
func treatTask(s record.State, add func(Task)) {
	n := len(s.Treatments)
	if n == 0 || s.Treatments[n-1].IntervalDays == 0 {
		return
	}
	last := s.Treatments[n-1]
	again := last.On + day.Day(last.IntervalDays)
	add(Task{
		Kind: Treat, From: again, Until: again + 3, Minutes: 5, Weight: 3,
		What: "Look whether " + last.Product + " is needed again",
		Why:  fmt.Sprintf("Its label gives an interval of %s.", working.Count(last.IntervalDays, "day")),
	})
}

// stallTask asks to look below where it stands still.
func stallTask(s record.State, south bool, add func(Task)) {
	if on, can := StallsOn(s, south); can && !s.Unfed() {
		add(Task{
			Kind: Stall, From: on, Until: on + 7, Minutes: 5, Weight: 4, Case: s.Case.ID,
			What: "Look below: it stands still",
			Why:  "Nothing has been measured to grow for longer than is normal for its habit.",
		})
	}
}

// By gives the tasks that are due by a day, the weightiest first and what the season asks for
// behind others of its weight, with the ordinary care that joins them but for the jobs that are
// switched off.
func By(tasks []Task, today day.Day, off []care.Job) []Task {
	due := slices.DeleteFunc(slices.Clone(tasks), func(t Task) bool { return t.From > today || t.Over(today, off) })
	for i := range due {
		due[i] = due[i].At(today)
		due[i].Jobs = care.By(care.Without(due[i].Jobs, off), today)
		for _, job := range due[i].Jobs {
			due[i].Minutes += job.Minutes
		}
	}
	behind := func(t Task) int {
		if t.Kind == Season {
			return 1
		}
		return 0
	}
	slices.SortStableFunc(due, func(a, b Task) int {
		return cmp.Or(cmp.Compare(b.Weight, a.Weight), behind(a)-behind(b))
	})
	return due
}

// Load is what falls due of a plant by and by: by each of the days, which
// ascend, the minutes in all and the greatest weight.
type Load struct {
	Days    []day.Day
	Minutes []int
	Weights []int
	// Jobs are the minutes among them that each job of ordinary care takes.
	Jobs map[care.Job][]int
}

// mostLoads is how many days a load tells apart; what comes later counts on the
// last of them.
const mostLoads = 60

// LoadOf adds up what tasks come to on each of the days on which that changes.
func LoadOf(tasks []Task) Load {
	days := []day.Day{}
	for _, t := range tasks {
		days = append(days, t.From)
		if t.Ends != nil {
			days = append(days, *t.Ends+1)
		}
		for _, job := range t.Jobs {
			for _, on := range job.Changes() {
				days = append(days, max(on, t.From))
			}
		}
	}
	slices.Sort(days)
	days = slices.Compact(days)
	if len(days) > mostLoads {
		days = append(days[:mostLoads-1], days[len(days)-1])
	}
	l := Load{Days: days, Minutes: make([]int, len(days)), Weights: make([]int, len(days)), Jobs: map[care.Job][]int{}}
	for i, on := range days {
		for _, t := range By(tasks, on, nil) {
			l.Minutes[i] += t.Minutes
			l.Weights[i] = max(l.Weights[i], t.Weight)
			if t.Job != "" {
				l.spares(t.Job, i, t.Minutes)
			}
			for _, job := range t.Jobs {
				l.spares(job.Job, i, job.Minutes)
			}
		}
	}
	return l
}

// spares notes minutes that are not needed from one of the days on where a job is switched off.
func (l Load) spares(job care.Job, at, minutes int) {
	if l.Jobs[job] == nil {
		l.Jobs[job] = make([]int, len(l.Days))
	}
	l.Jobs[job][at] += minutes
}

// StallsOn gives the day on which the plant would count as stalled if nothing
// were measured to grow before; false when it cannot stall, or rests by then.
func StallsOn(s record.State, south bool) (day.Day, bool) {
	if _, _, ok := s.CurrentStage(); !ok || s.Habit.StallWeeks == 0 {
		return 0, false
	}
	on := recovery.LastProgress(s.Readings, s.Leading()[0].Began, s.LastLook()) + day.Day(7*(s.Habit.StallWeeks+1))
	return on, !s.MayRest(on, south)
}
