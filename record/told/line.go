package told

import (
	"fmt"
	"math"
	"strings"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/recovery"
	"tendermend/core/working"
	"tendermend/record"
	"tendermend/record/due"
)

// Line says in a few sentences how a plant does, since when, and what comes next.
func Line(s record.State, today day.Day, south bool) string {
	said := []string{stands(s.As(s.Trouble()), today)}
	if !s.Over() {
		said = append(said, wished(s, today), course(s, today), next(s, today, south))
	}
	return strings.Join(strings.Fields(strings.Join(said, " ")), " ")
}

// stands says how it stands, since when.
func stands(s record.State, today day.Day) string {
	switch standing := s.Standing(); {
	case s.Left != nil:
		how := "Given away"
		if s.Left.Outcome == record.OutcomeLost {
			how = "Lost"
		}
		return fmt.Sprintf("%s on %s, %s after it came.", how, on(s.LeftOn, today), lasted(s.ArrivedOn, s.LeftOn))
	case s.Case.Open():
		return inWork(s, today)
	case standing == "examined":
		return "It was examined on " + on(s.Examined.On, today) + "; what to do is not decided."
	case standing == "well":
		return "It is well: nothing was found on " + on(*s.FoundWell, today) + "."
	case standing == "arrived":
		return "It came on " + on(s.ArrivedOn, today) + " and nobody has examined it yet."
	}
	return ended(s, today)
}

// wished tells what is done at it because somebody wished it.
func wished(s record.State, today day.Day) string {
	var said []string
	for _, c := range s.Wished() {
		said = append(said, fmt.Sprintf("In hand since %s, as was wished: %s.", on(c.PlannedOn, today),
			working.Lower(c.Plan.Names[0])))
	}
	return strings.Join(said, " ")
}

// inWork tells of the case in hand.
func inWork(s record.State, today day.Day) string {
	ails := "what ails it is not named yet"
	if c, known := diagnosis.CauseByID(s.MainCause()); known {
		ails = working.Lower(c.Label)
	}
	track, stage, in := s.CurrentStage()
	switch {
	case in:
		return fmt.Sprintf("Mending, %s. %s: %s.", ails, track.Name, stageFor(stage, s.Leading()[0].Began, today))
	case s.Plan != nil:
		return fmt.Sprintf("The last stage is passed, %s; the case can be closed.", ails)
	case s.Verdict != nil && len(s.Verdict.Causes) > 0:
		return fmt.Sprintf("Diagnosed on %s, %s; there is no plan yet.", on(s.Verdict.On, today), ails)
	case s.Verdict != nil:
		return "Watched since " + on(s.Verdict.On, today) + ": nothing was certain enough to treat."
	}
	return "A case is open since " + on(s.OpenedOn, today) + "; it is to be looked over."
}

// stageFor says how long it is in a stage, beside what is usual.
func stageFor(stage recovery.Stage, began, today day.Day) string {
	least, most, unit := stage.UsualWeeks[0], stage.UsualWeeks[1], "weeks"
	if most < 2 {
		least, most, unit = math.Round(7*least), math.Round(7*most), "days"
	}
	so := fmt.Sprintf("%g to %g %s are usual", least, most, unit)
	if stage.Long(float64(today - began)) {
		so = fmt.Sprintf("longer than the usual %g to %g %s", least, most, unit)
	}
	return fmt.Sprintf("%s, for %s (%s)", stage.Name, lasted(began, today), so)
}

// ended tells of the last case.
func ended(s record.State, today day.Day) string {
	end := s.EndedOn()
	c, known := diagnosis.CauseByID(s.MainCause())
	switch {
	case end == nil:
		return "It is cared for as its kind likes."
	case s.Closed != nil && s.Closed.Outcome == record.OutcomeKept:
		return "Kept under watch since " + on(*end, today) + "."
	case known:
		return fmt.Sprintf("Mended on %s, %s.", on(*end, today), working.Lower(c.Label))
	}
	return "Its last case ended on " + on(*end, today) + "."
}

// course says whether its condition rose or fell; nothing where nobody can tell, or where
// it is much as it was.
func course(s record.State, today day.Day) string {
	now, trend, known := s.Condition(today)
	if !known || trend == nil || trend.Points == 0 {
		return ""
	}
	way, by := "rose", trend.Points
	if by < 0 {
		way, by = "fell", -by
	}
	return fmt.Sprintf("Its condition %s by %s in %s, to %.0f of 100.", way, working.Count(by, "point"),
		working.Count(trend.Days, "day"), now.Value)
}

// oneColon writes a task that names what it is for, "Check in: growing again", for a sentence
// that has its colon already.
func oneColon(what string) string { return strings.Replace(what, ": ", ", ", 1) }

// next says what is to be done first.
func next(s record.State, today day.Day, south bool) string {
	tasks := due.Tasks(s, south)
	if now := due.By(tasks, today, nil); len(now) > 0 {
		if now[0].Kind == due.Signal {
			return now[0].What + ". " + now[0].How
		}
		return "Now: " + sentence(oneColon(now[0].What))
	}
	for _, t := range tasks {
		if !t.Over(today, nil) {
			return fmt.Sprintf("Next, on %s: %s", on(t.From, today), sentence(oneColon(t.What)))
		}
	}
	return ""
}

// sentence is what is asked for, within a sentence that it ends.
func sentence(what string) string {
	if strings.HasSuffix(what, "?") {
		return working.Lower(what)
	}
	return working.Lower(what) + "."
}

// on is a day as it is told: without its year where that is this one.
func on(d, today day.Day) string {
	words := d.Words()
	return strings.TrimSuffix(words, fmt.Sprintf(" %d", today.Time().Year()))
}

// lasted is a time between two days: in days at first, then in weeks, then in months.
func lasted(from, to day.Day) string {
	n := int(to - from)
	switch {
	case n < 21:
		return working.Count(n, "day")
	case n < 112:
		return working.Count(n/7, "week")
	}
	return working.Count(n/30, "month")
}
