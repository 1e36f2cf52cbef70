package record

import (
	"fmt"
	"math"
	"slices"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/plant"
	"tendermend/core/prognosis"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/working"
)

// Basis is what the plant's condition is read against.
func (s State) Basis() recovery.Basis {
	b := recovery.Basis{Habit: s.Habit}
	if s.Arrival.Leaves != nil {
		b.Leaves = *s.Arrival.Leaves
	}
	for _, t := range s.Tallies {
		if share, ok := t.LiveShare(); ok {
			b.LiveShares = append(b.LiveShares, recovery.Reading{On: t.On, Value: share})
		}
	}
	return b
}

// LiveShare of the roots counted, doubtful ones by half; false when none was.
func (t TallyOn) LiveShare() (float64, bool) {
	n := t.Counted()
	if n == 0 {
		return 0, false
	}
	live := float64(t.InMedium.Live+t.InAir.Live) + float64(t.InMedium.Doubtful+t.InAir.Doubtful)/2
	return live / float64(n), true
}

// mostScores is how many looks a curve of the condition shows.
const mostScores = 80

// Scores gives the condition at the looks, oldest first, thinned to what a curve
// can show.
func (s State) Scores() []recovery.Reading {
	list, basis := []recovery.Reading{}, s.Basis()
	step := max(1, len(s.Looks)/mostScores)
	for i := len(s.Looks) - 1; i >= 0; i -= step {
		if score, ok := recovery.WellbeingOn(s.Readings, basis, s.Looks[i]); ok {
			list = append(list, recovery.Reading{On: s.Looks[i], Value: score.Value})
		}
	}
	for i, j := 0, len(list)-1; i < j; i, j = i+1, j-1 {
		list[i], list[j] = list[j], list[i]
	}
	return list
}

// Condition gives the condition on a day, with how it changed in four weeks; nil where
// nobody looked so long ago, and false where nothing was read, or the plant has left.
func (s State) Condition(today day.Day) (now recovery.Wellbeing, trend *recovery.Trend, known bool) {
	now, known = recovery.WellbeingOn(s.Readings, s.Basis(), today)
	if !known || s.Over() {
		return now, nil, false
	}
	if t, compared := recovery.TrendOf(s.Scores(), now.Value, today); compared {
		trend = &t
	}
	return now, trend, true
}

// rateDays is how far back a pace is measured.
const rateDays = 60

// Rates gives how fast what grows on the plant grows, a week, with the interval
// of the slope; only what was read at least three times in the last 60 days.
func (s State) Rates(today day.Day) []working.Amount {
	rates := []working.Amount{}
	for _, m := range recovery.Measures() {
		if !m.Growing || m.Curve == 0 || m.SinceLook {
			continue
		}
		slope, ok := s.Readings.SlopeOf(m.ID, today-rateDays, today)
		if !ok {
			continue
		}
		unit := ""
		if m.Kind == recovery.Length {
			unit = "mm"
		}
		week := func(v float64) float64 { return math.Round(v*70) / 10 }
		rates = append(
			rates,
			working.Amount{What: m.Short, Value: week(slope.Value), Unit: unit, Working: working.Working{
				Inputs: []working.Input{
					{Name: "readings in 60 days", Value: float64(slope.N)},
					{Name: "a week, at least", Value: week(slope.Low), Unit: unit},
					{Name: "a week, at most", Value: week(slope.High), Unit: unit},
				},
				Formula: "median of the slopes between all pairs of readings, × 7; 80 % interval from Kendall's S",
				Source:  "Theil 1950; Sen 1968",
				Sure:    "its own readings; single wrong ones do not move it",
			}},
		)
	}
	return rates
}

// Stall says whether the plant stands still on a course for longer than is
// normal. Firm roots or a pot that dries faster say that it works below.
func (s State) Stall(c Course, today day.Day, south bool) (recovery.Stall, bool) {
	stall, found := recovery.FindStall(s.Habit, s.MayRest(today, south), s.Readings, c.Began, today)
	if !found {
		return stall, false
	}
	if d, ok := s.DryDown(today, south); ok && d.Faster {
		const faster = "Its pot dries faster: in %s instead of %g. Roots are at work; this is no setback."
		stall.AtWork, stall.Why = true, fmt.Sprintf(faster, working.Measured(d.Now, "day"), d.Before)
	} else if n := len(s.Tallies); n > 0 && s.Tallies[n-1].On >= stall.Since {
		if share, ok := s.Tallies[n-1].LiveShare(); ok && share >= 0.6 {
			const alive = "%.0f %% of its roots were alive on %s: new pots may stand still for months while roots run."
			stall.AtWork, stall.Why = true, fmt.Sprintf(alive, 100*share, s.Tallies[n-1].On)
		}
	}
	return stall, true
}

// DryDown compares how fast its pot dries lately with before; false where it stands in water or hangs,
// or too few waterings tell.
func (s State) DryDown(today day.Day, south bool) (recovery.DryDown, bool) {
	if _, dries := drying.RuleOf(s.WaterLine(today, south).Rule); !dries && s.stands() != "" {
		return recovery.DryDown{}, false
	}
	return recovery.DryingOf(s.WateredOn)
}

// DishLevel gives the level of the falling dish from the longest root and the
// pot; false while one of them is not known.
func (s State) DishLevel() (working.Amount, bool) {
	root, ok := s.Readings.Last("longest-root")
	if !ok || s.Pot.DepthCM == nil {
		return working.Amount{}, false
	}
	return recovery.DishLevel(root.Value, *s.Pot.DepthCM*10)
}

// LevelWords say how high the water stands that it drinks from by a rule: from its
// longest root and its pot, or as it was set; empty where nobody knows, and for the
// rules of what is watered from above.
func (s State) LevelWords(rule plant.WaterRule) string {
	level, measured := s.DishLevel()
	switch set := s.Known.LevelCM; {
	case rule == plant.Dish && measured:
		return fmt.Sprintf("to %g mm", level.Value)
	case rule == plant.Dish && set.Known:
		return fmt.Sprintf("to %g cm, as it was set", set.Value)
	case rule == plant.Reservoir && set.Known:
		return fmt.Sprintf("and fill it to %g cm", set.Value)
	}
	return ""
}

// ReservesLast is how many days of reserves are left, beside the expected time to
// roots.
type ReservesLast struct {
	From    day.Day         `json:"from" doc:"The first day on which they may be used up."`
	To      day.Day         `json:"to"`
	First   RunsOutFirst    `json:"first" enum:"roots,open,reserves" doc:"Its roots, either, or the end of its reserves."`
	Working working.Working `json:"working"`
}

// RunsOutFirst says what comes first for a plant that lives on its reserves.
type RunsOutFirst string

// Roots come first where the whole window of the gate lies before the reserves
// can be used up, reserves where it lies after.
const (
	RootsFirst    RunsOutFirst = "roots"
	EitherFirst   RunsOutFirst = "open"
	ReservesFirst RunsOutFirst = "reserves"
)

// Against holds the reserves beside the window in which the gate may open.
func (r ReservesLast) Against(gate recovery.Forecast) ReservesLast {
	switch {
	case gate.To <= r.From:
		r.First = RootsFirst
	case gate.From > r.To:
		r.First = ReservesFirst
	default:
		r.First = EitherFirst
	}
	return r
}

// ReservesLast tells how long its reserves last: from weighings of the bare plant
// since its plan, where two of them show a loss, otherwise counted from when they
// were judged by eye; false where nobody did either.
func (s State) ReservesLast(today day.Day) (ReservesLast, bool) {
	if last, ok := s.reservesByWeight(); ok {
		return last, true
	}
	reserves, on := string(s.PlanAnswers.Reserves), s.PlannedOn
	for _, r := range s.Readings["plump"] {
		if r.On >= on {
			on = r.On
			switch {
			case r.Value >= 4:
				reserves = "plump"
			case r.Value >= 3:
				reserves = "ridged"
			default:
				reserves = "shrivelled"
			}
		}
	}
	if !s.Habit.Orchid {
		reserves = "thin-stemmed"
	}
	way, err := recovery.RunwayByEye(reserves)
	if err != nil {
		return ReservesLast{}, false
	}
	return ReservesLast{From: on + day.Day(way.Days[0]), To: on + day.Day(way.Days[1]), Working: working.Working{
		Inputs: []working.Input{
			{Name: "reserves last, from", Value: way.Days[0], Unit: "days"},
			{Name: "to", Value: way.Days[1], Unit: "days"},
			{Name: "days since they were judged", Value: math.Max(0, float64(today-on))},
		},
		Formula: "day on which they were judged (" + reserves + ") + how long such reserves last without roots",
		Source:  working.CommonPractice,
		Sure:    "wide: judged by eye; weigh the bare plant twice, a week apart, for better",
	}}, true
}

func (s State) reservesByWeight() (ReservesLast, bool) {
	var weighed []recovery.Reading
	for _, r := range s.Bare {
		if r.On >= s.PlannedOn {
			weighed = append(weighed, r)
		}
	}
	way, err := recovery.RunwayByWeight(weighed)
	if err != nil {
		return ReservesLast{}, false
	}
	first, last := weighed[0], weighed[len(weighed)-1]
	return ReservesLast{
		From: last.On + day.Day(way.Days[0]),
		To:   last.On + day.Day(way.Days[1]),
		Working: working.Working{
			Inputs: []working.Input{
				{Name: "weighed first", Value: first.Value, Unit: "g"},
				{Name: "weighed last", Value: last.Value, Unit: "g"},
				{
					Name:  "days between",
					Value: float64(last.On - first.On),
					Unit:  "days",
				},
				{Name: "loses a day", Value: math.Round(1000*way.Loss) / 10, Unit: "%"},
			},
			Formula: "last weighing + ln(last ÷ share of the first) ÷ daily loss; " +
				"from 60 % at the fastest loss between weighings to 50 % at the slowest",
			Source: working.CommonPractice, Sure: fmt.Sprintf("fair: from %d weighings of the bare plant", len(weighed))},
	}, true
}

// Living gives what the odds of survival hang on.
func (s State) Living(saved, lost int) prognosis.Living {
	l := prognosis.Living{
		Causes:   s.livingWith(),
		Habit:    s.Habit,
		Reserves: string(s.PlanAnswers.Reserves),
		Saved:    saved,
		Lost:     lost,
	}
	if n := len(s.Tallies); n > 0 {
		if share, ok := s.Tallies[n-1].LiveShare(); ok {
			l.LiveShare = &share
		}
	}
	return l
}

// livingWith gives what the plant must survive: what its plan treats, and the rot
// that its last look found where the plan treats none.
func (s State) livingWith() []string {
	causes := slices.Clone(s.Plan.Causes)
	rots := func(id string) bool { return slices.Contains(treatment.Rots(), cause.ID(id)) }
	for _, measure := range []string{"rot", "smell"} {
		r, read := s.Readings.Last(measure)
		if read && r.Value > 0 && !s.harmless(measure, r.On) && !slices.ContainsFunc(causes, rots) {
			causes = append(causes, string(cause.RootRot))
		}
	}
	return causes
}
