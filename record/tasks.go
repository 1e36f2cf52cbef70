package record

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"github.com/google/uuid"

	"tendermend/core/care"
	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/core/water"
)

// TaskKind says what a task on the walk asks for.
type TaskKind string

// The kinds of task.
const (
	TaskExamine TaskKind = "examine" // a first look for signs
	TaskDecide  TaskKind = "decide"  // examined, nothing accepted yet
	TaskPlan    TaskKind = "plan"    // accepted, no plan yet
	TaskStep    TaskKind = "step"    // a step of the plan
	TaskPass    TaskKind = "pass"    // the gate is open
	TaskBack    TaskKind = "back"    // a setback was found
	TaskCheck   TaskKind = "check"   // the stage's check-in
	TaskLook    TaskKind = "look"    // a look at a plant that is well
	TaskWater   TaskKind = "water"   // the look window for water
	TaskTreat   TaskKind = "treat"   // a product may be repeated, by its label
	TaskStall   TaskKind = "stall"   // it stands still for longer than is normal
	TaskSignal  TaskKind = "signal"  // something alarms and nobody has answered it
	TaskPests   TaskKind = "pests"   // a look for pests that quarantine asks for
	TaskRelease TaskKind = "release" // nothing keeps it apart any more
)

// Task is one thing to do or look at, with why and since when.
type Task struct {
	Kind    TaskKind `json:"kind" enum:"examine,decide,plan,step,pass,back,check,look,water,treat,stall,signal,pests,release"`
	From    day.Day  `json:"from" doc:"The first useful day."`
	Until   day.Day  `json:"until" doc:"The last day that is still safe."`
	What    string   `json:"what"`
	Why     string   `json:"why"`
	Minutes int      `json:"minutes"`
	Step    string   `json:"step,omitempty"`
	// Weight is how much rides on it, 1-5: it orders the walk inside a place
	// when time is short.
	Weight int `json:"weight"`
	// Case is the case that asks for it.
	Case   uuid.UUID  `json:"case" doc:"The case that asks for it; all zeros where none does."`
	Signal string     `json:"signal,omitempty" doc:"The signal that is to be answered."`
	Jobs   []care.Due `json:"jobs,omitempty" doc:"Ordinary care that joins the look, each with its day."`
}

// mostWeight is that on which most rides.
const mostWeight = 5

// watchDays is when a plant set aside to be watched is looked at again (common
// practice: 5-7 days).
const watchDays = 5

// Tasks lists what the record asks for next, by first day: what alarms, what each
// open case wants, what a newcomer's quarantine wants, and the ordinary care of a
// plant that is well. It does not know today; south tells the hemisphere, for the
// season.
func (s State) Tasks(south bool) []Task {
	if !s.Here || s.Over() {
		return nil
	}
	var tasks []Task
	add := func(t Task) { tasks = append(tasks, t) }
	for _, alarm := range s.Alarms() {
		add(Task{
			Kind: TaskSignal, From: alarm.On, Until: alarm.On + 1, Minutes: 3, Weight: mostWeight,
			What: alarm.Title, Why: alarm.Said + " " + alarm.First[0], Signal: alarm.ID,
		})
	}
	open := s.OpenCases()
	for _, c := range open {
		s.As(c).caseTasks(add)
	}
	if len(open) == 0 {
		s.restingTasks(add, south)
	}
	s.apartTasks(add)
	if t, due := s.waterTask(south); due {
		add(t)
	}
	if n := len(s.Treatments); n > 0 && s.Treatments[n-1].IntervalDays > 0 {
		last := s.Treatments[n-1]
		add(
			Task{
				Kind:    TaskTreat,
				From:    last.On + day.Day(last.IntervalDays),
				Until:   last.On + day.Day(last.IntervalDays) + 3,
				What:    "Look whether " + last.Product + " is needed again",
				Why:     fmt.Sprintf("Its label gives an interval of %s.", days(last.IntervalDays)),
				Minutes: 5,
				Weight:  3,
			},
		)
	}
	if on, can := s.StallsOn(south); can {
		add(
			Task{
				Kind:    TaskStall,
				From:    on,
				Until:   on + 7,
				What:    "Look below: it stands still",
				Why:     "Nothing has been measured to grow for longer than is normal for its habit.",
				Minutes: 5,
				Weight:  4,
				Case:    s.Case.ID,
			},
		)
	}
	slices.SortStableFunc(tasks, func(a, b Task) int {
		return cmp.Or(cmp.Compare(a.From, b.From), cmp.Compare(b.Weight, a.Weight))
	})
	return tasks
}

// DueBy gives the tasks that are due by a day, the weightiest first.
func DueBy(tasks []Task, today day.Day) []Task {
	due := slices.DeleteFunc(slices.Clone(tasks), func(t Task) bool { return t.From > today })
	for i := range due {
		due[i].Jobs = care.By(due[i].Jobs, today)
		for _, job := range due[i].Jobs {
			due[i].Minutes += job.Minutes
		}
	}
	slices.SortStableFunc(due, func(a, b Task) int { return cmp.Compare(b.Weight, a.Weight) })
	return due
}

// Load is what falls due of a plant by and by: by each of the days, which
// ascend, the minutes in all and the greatest weight.
type Load struct {
	Days    []day.Day
	Minutes []int
	Weights []int
}

// mostLoads is how many days a load tells apart; what comes later counts on the
// last of them.
const mostLoads = 60

// LoadOf adds up tasks, which stand by their first day.
func LoadOf(tasks []Task) Load {
	l := Load{Days: []day.Day{}, Minutes: []int{}, Weights: []int{}}
	minutes, weight := 0, 0
	for _, t := range tasks {
		minutes, weight = minutes+t.Minutes, max(weight, t.Weight)
		if last := len(l.Days) - 1; last >= 0 && (l.Days[last] == t.From || last+1 == mostLoads) {
			l.Minutes[last], l.Weights[last] = minutes, weight
			continue
		}
		l.Days, l.Minutes, l.Weights = append(l.Days, t.From), append(l.Minutes, minutes), append(l.Weights, weight)
	}
	return l
}

func urgentDays(causes []string) day.Day {
	least := 7
	for _, id := range causes {
		if c, ok := diagnosis.CauseByID(id); ok {
			least = min(least, c.DaysToAct)
		}
	}
	return day.Day(least)
}

// caseTasks asks for what the case in hand wants next.
func (s State) caseTasks(add func(Task)) {
	c := s.Case
	mine := func(t Task) {
		t.Case = c.ID
		add(t)
	}
	if s.Plan == nil && s.undecided() {
		mine(s.decideTask())
		return
	}
	switch c.standing() {
	case "opened":
		mine(Task{
			Kind: TaskExamine, From: c.OpenedOn, Until: c.OpenedOn + 1, What: "Look it over from the outside in",
			Why: "A case was opened: " + lower(strings.TrimSuffix(c.Why, ".")) + ".", Minutes: 5, Weight: 4,
		})
	case "diagnosed":
		mine(Task{
			Kind: TaskPlan, From: c.Verdict.On, Until: c.Verdict.On + urgentDays(c.Verdict.Causes),
			What: "Make the plan", Why: "What ails it is accepted; there is no plan yet.", Minutes: 3, Weight: mostWeight,
		})
	case "watched":
		mine(Task{
			Kind: TaskExamine, From: c.Verdict.On + watchDays, Until: c.Verdict.On + watchDays + 2,
			What: "Look again, same signs, same light", Why: "It was set aside to see what changes.",
			Minutes: 5, Weight: 3,
		})
	case "mending":
		s.mendingTasks(mine, s.LastLook())
	}
}

func (s State) decideTask() Task {
	return Task{
		Kind: TaskDecide, From: s.Examined.On, Until: s.Examined.On + 1, What: "Decide what to do",
		Why: "It was examined; nothing has been decided.", Minutes: 3, Weight: 4,
	}
}

// restingTasks asks of a plant with no case in work: to be looked at for the first
// time, to be decided on, or to be cared for as usual.
func (s State) restingTasks(add func(Task), south bool) {
	switch s.Standing() {
	case "arrived":
		add(Task{
			Kind: TaskExamine, From: s.ArrivedOn, Until: s.ArrivedOn + 1, What: "Look it over from the outside in",
			Why: "It came and nobody has examined it yet.", Minutes: 5, Weight: 4,
		})
	case "examined":
		add(s.decideTask())
	default:
		add(s.routineTask(south))
	}
}

// routineTask is the next look at a plant that is well, with the jobs of its
// routine: they join the look on which they are due.
func (s State) routineTask(south bool) Task {
	last, every := s.LastLook(), s.Habit.LookDays
	from := last + day.Day(every)
	why := fmt.Sprintf("A %s is looked at every %s.", s.Habit.Label, days(every))
	if s.Rests(from, south) {
		why = fmt.Sprintf("It rests now: no water and no feed because of the calendar. A look every %s.", days(every))
	}
	t := Task{
		Kind: TaskLook, From: from, Until: last + day.Day(2*every), What: "Look it over", Why: why,
		Minutes: 1, Weight: 1, Jobs: s.Routine(south),
	}
	for _, job := range t.Jobs {
		if job.Job == care.PestLook && job.On < from { // who saw that it stands well has not looked for pests
			t.From, t.Until, t.What, t.Why = job.On, max(job.On, last)+day.Day(every), job.Title, job.Why
		}
	}
	return t
}

// apartTasks asks for the looks of a newcomer's quarantine, and whether a plant
// that is kept apart may go back.
func (s State) apartTasks(add func(Task)) {
	if s.Isolation == Clean {
		return
	}
	if q := s.quarantine(); q != nil {
		for i, on := range q.Looks {
			if last, read := s.Readings.Last("live-pests"); read && last.On >= on {
				continue
			}
			const why = "Quarantine, look %d of %d. %s It ends on %s."
			add(Task{
				Kind: TaskPests, From: on, Until: on + 2, What: "Look for pests", Minutes: 2, Weight: 4,
				Why: fmt.Sprintf(why, i+1, len(q.Looks), q.Why, q.Until.Words()),
			})
			break
		}
		if a := s.Apart(q.Until); a.Release.Open {
			add(s.releaseTask(q.Until))
		}
		return
	}
	if a := s.Apart(s.LastLook()); a != nil && a.Release.Open {
		add(s.releaseTask(s.LastLook()))
	}
}

func (s State) releaseTask(on day.Day) Task {
	return Task{
		Kind: TaskRelease, From: on, Until: on + 7, What: "Back among the others?",
		Why: "All that keeps it apart is over.", Minutes: 1, Weight: 2,
	}
}

func (s State) mendingTasks(add func(Task), last day.Day) {
	for _, step := range s.Plan.Steps {
		on, due := s.NextOn(step)
		if !due {
			continue
		}
		why := "A step of the plan."
		if len(step.Reasons) > 0 {
			why = "For: " + step.Reasons[0] + "."
		}
		if step.Gate != "" {
			why = "Only when this is seen: " + step.Gate + "."
		}
		add(Task{
			Kind: TaskStep, From: on, Until: on + 2, What: step.Title, Why: why,
			Minutes: step.Minutes, Step: step.ID, Weight: 4,
		})
	}
	for _, c := range s.Courses {
		s.courseTasks(c, add, last)
	}
}

// leftBehind says whether a step belonged to a stage that was left: it stood to be
// done before the stage began in which the leading track is now. Steps that wait to
// be seen, steps against pests and what lets it out of isolation are never left.
func (s State) leftBehind(step sheet.Step, due day.Day) bool {
	if step.Gate != "" || step.Pest != nil || treatment.OperatorID(step.Op) == treatment.Release || len(s.Courses) == 0 {
		return false
	}
	lead := s.Courses[0]
	return lead.Stage > 0 && s.PlannedOn < lead.Began && due < lead.Began
}

// NextOn gives the day on which a step is due next; false when it is done, or
// was left out. A step with an interval comes back until its end.
func (s State) NextOn(step sheet.Step) (day.Day, bool) {
	first := s.DueOn(step.ID)
	tick, ticked := s.Ticks[step.ID]
	if on, done := s.doneUnticked(step, first); done && (!ticked || tick.On < on) {
		tick, ticked = Tick{On: on}, true
	}
	switch {
	case !ticked:
		return first, !s.leftBehind(step, first)
	case step.Every == 0:
		return 0, false
	}
	next := tick.On + day.Day(step.Every)
	if end, known := step.EndsOn(s.PlannedOn); known && next > end || s.leftBehind(step, first) {
		return 0, false
	}
	return next, true
}

// doneUnticked says whether a step was done since it fell due without a tick of its
// own: who looks at the plant has looked again, and who waters it has watered it.
func (s State) doneUnticked(step sheet.Step, due day.Day) (on day.Day, done bool) {
	switch treatment.OperatorID(step.Op) {
	case treatment.Look:
		on = s.LastLook()
	case treatment.ByRule:
		if n := len(s.WateredOn); n > 0 {
			on = s.WateredOn[n-1]
		}
	default:
		return 0, false
	}
	return on, on >= due && on > s.PlannedOn
}

// courseTasks asks for what one track wants next.
func (s State) courseTasks(c Course, add func(Task), last day.Day) {
	track, stage, in := c.In()
	if !in {
		return
	}
	// Conditions rest on readings, not on days gone by, so the gate stands as it
	// did at the last look.
	if back, found := track.FindSetback(c.Stage, s.Readings, c.Began, last); found {
		add(
			Task{
				Kind:    TaskBack,
				From:    back.On,
				Until:   back.On + 1,
				What:    "Step back?",
				Why:     capital(back.Why) + ".",
				Minutes: 3,
				Weight:  5,
			},
		)
	} else if stage.JudgeGate(s.Readings, c.Began, last).Open {
		add(
			Task{
				Kind:    TaskPass,
				From:    last,
				Until:   last + 7,
				What:    "Pass to the next stage",
				Why:     "Everything its gate wants has been seen.",
				Minutes: 2,
				Weight:  2,
			},
		)
	}
	checked := c.Began
	for _, m := range stage.Asks() {
		if r, ok := s.Readings.Last(m.ID); ok && (!m.Always || len(s.Courses) == 1) {
			checked = max(checked, r.On)
		}
	}
	add(
		Task{
			Kind:    TaskCheck,
			From:    checked + day.Day(stage.LookDays),
			Until:   checked + day.Day(2*stage.LookDays),
			What:    "Check in: " + stage.Name,
			Why:     fmt.Sprintf("%s It is looked at every %s.", stage.Purpose, days(stage.LookDays)),
			Minutes: 2,
			Weight:  3,
		},
	)
}

func days(n int) string {
	if n == 1 {
		return "day"
	}
	return fmt.Sprintf("%d days", n)
}

func capital(s string) string {
	if s == "" {
		return s
	}
	return strings.ToUpper(s[:1]) + s[1:]
}

// WaterWindow gives the next look window for water; false when none is kept:
// never watered here, or its stage or its rest holds water back.
func (s State) WaterWindow(south bool) (water.Window, bool) {
	for _, c := range s.OpenCases() {
		if _, stage, ok := s.As(c).CurrentStage(); ok && stage.HoldsWater {
			return water.Window{}, false
		}
	}
	if len(s.WateredOn) == 0 {
		return water.Window{}, false
	}
	w, known := water.NextLook(
		s.Habit,
		climate.SeasonOf(s.WateredOn[len(s.WateredOn)-1], south),
		s.WateredOn,
		s.StillMoist,
	)
	if known && s.restsDry() {
		w = s.afterRest(w, south)
	}
	return w, known
}

// restsDry says whether it is kept dry while it rests: a cactus is, whatever its
// kind.
func (s State) restsDry() bool {
	return s.Habit.ID == "cactus" || s.Profile != nil && s.Profile.RestsDry()
}

// afterRest moves a window for water behind a dry rest, where it lies in one or
// reaches into one: a plant that is dry for its rest has missed nothing.
func (s State) afterRest(w water.Window, south bool) water.Window {
	const longest = 370
	for on := w.From; on <= w.Until; on++ {
		if !s.Rests(on, south) {
			continue
		}
		end := on
		for end < on+longest && s.Rests(end, south) {
			end++
		}
		w.From, w.Until = end, end+(w.Until-w.From)
		return w
	}
	return w
}

func (s State) waterTask(south bool) (Task, bool) {
	w, ok := s.WaterWindow(south)
	if !ok {
		return Task{}, false
	}
	why := "Its own record says it dries about now."
	if w.Guess {
		why = "A guess from its habit; its own gaps are not known yet."
	}
	return Task{
		Kind:    TaskWater,
		From:    w.From,
		Until:   w.Until,
		What:    "Feel whether it is dry enough to water",
		Why:     why,
		Minutes: 1,
		Weight:  2,
	}, true
}

// StallsOn gives the day on which the plant would count as stalled if nothing
// were measured to grow before; false when it cannot stall, or rests by then.
func (s State) StallsOn(south bool) (day.Day, bool) {
	if _, _, ok := s.CurrentStage(); !ok || s.Habit.StallWeeks == 0 {
		return 0, false
	}
	on := recovery.LastProgress(s.Readings, s.Leading()[0].Began, s.LastLook()) + day.Day(7*(s.Habit.StallWeeks+1))
	return on, !s.Rests(on, south)
}
