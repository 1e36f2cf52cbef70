package recovery

import (
	"fmt"
	"slices"

	"tendermend/core/day"
	"tendermend/core/plant"
)

// Stage is one step of a recovery with its gate.
type Stage struct {
	ID      string `json:"id"`
	Name    string `json:"name"`
	Purpose string `json:"purpose"`
	// UsualWeeks is how long the stage usually takes, shortest and longest.
	UsualWeeks [2]float64 `json:"usualWeeks"`
	// Not is what must not be done in this stage, and why. Water, light, air, cover and
	// feed follow from the plan and the facts, never from the stage.
	Not string `json:"not" doc:"What must not be done in this stage, and why."`
	// LookDays is how often it is looked at in this stage.
	LookDays int `json:"lookDays"`
	// HoldsWater is true where no watering is due whatever the water rule says.
	HoldsWater bool `json:"holdsWater"`
	// NoSprays is true where no product goes on the plant.
	NoSprays bool `json:"noSprays"`
	// OnReserves is true where it has no roots to live on yet, so that its
	// reserves run out.
	OnReserves bool `json:"onReserves"`
	// Dish is true where it stands over a dish whose level follows its roots.
	Dish bool `json:"dish"`
	// AlsoAsk names measures that are read in this stage beside those of its gate.
	AlsoAsk []string `json:"-"`
	// Weans is true where its cover is opened by steps.
	Weans bool        `json:"weans"`
	Gate  []Condition `json:"-"`
	// TooEarly says what usually happens when the stage is left early.
	TooEarly string `json:"tooEarly"`
}

// Track is the way a kind of trouble mends: stages in order.
type Track struct {
	ID     string  `json:"id"`
	Name   string  `json:"name"`
	Stages []Stage `json:"stages"`
	// Beside is true where it runs beside another track: clearing pests goes its
	// own way, whatever else mends.
	Beside bool `json:"beside"`
}

// Settling is the track of a well plant whose roots were touched for a wish.
const Settling = "settling"

// Mended is the name of what lies behind the last stage.
const Mended = "mended"

var trackByID = func() map[string]Track {
	m := make(map[string]Track, len(tracks))
	for _, t := range tracks {
		m[t.ID] = t
	}
	return m
}()

// Long says whether so many days are longer than is usual for the stage.
func (s Stage) Long(days float64) bool { return days > s.UsualWeeks[1]*7 }

// Tracks lists all tracks.
func Tracks() []Track { return slices.Clone(tracks) }

// TrackByID finds a track; false when there is none of that id.
func TrackByID(id string) (Track, bool) {
	t, ok := trackByID[id]
	return t, ok
}

// StageIndex finds a stage in the track; false when it has none of that id.
// The end, Mended, is one past the last stage.
func (t Track) StageIndex(id string) (int, bool) {
	for i, s := range t.Stages {
		if s.ID == id {
			return i, true
		}
	}
	return len(t.Stages), id == Mended
}

// Gate is where a plant stands before its next stage.
type Gate struct {
	Open       bool       `json:"open" doc:"Whether every condition is met."`
	Conditions []Standing `json:"conditions"`
}

// JudgeGate judges every condition of a stage's gate.
func (s Stage) JudgeGate(h History, began, today day.Day) Gate {
	g := Gate{Open: true, Conditions: []Standing{}}
	for _, c := range s.Gate {
		st := c.Judge(h, began, today)
		g.Open = g.Open && st.Status == Met
		g.Conditions = append(g.Conditions, st)
	}
	return g
}

// Asks lists the measures to read at a check-in in this stage: what the gate
// needs, and the alarms.
func (s Stage) Asks() []Measure {
	wanted := map[string]bool{}
	for _, c := range s.Gate {
		for _, m := range c.Reads() {
			wanted[m] = true
		}
	}
	var asks []Measure
	for _, m := range measures {
		if wanted[m.ID] || m.Always || slices.Contains(s.AlsoAsk, m.ID) {
			asks = append(asks, m)
		}
	}
	return asks
}

// Setback is a reason to go back to an earlier stage.
type Setback struct {
	On     day.Day `json:"on"`
	Why    string  `json:"why"`
	BackTo string  `json:"backTo" doc:"The stage to go back to."`
}

// FindSetback looks for an alarm in the last answers since the stage began, and
// says how far to step back: to the start for rot, smell or pests, one stage
// for wilt. Live roots that fell by a third or more are a setback too.
func (t Track) FindSetback(stage int, h History, began, today day.Day) (Setback, bool) {
	if stage <= 0 || stage > len(t.Stages) {
		return Setback{}, false
	}
	for _, m := range measures {
		if !m.Alarm || (m.ID == LivePests) != ClearsPests(t.ID) {
			continue // pests are the matter of their own track, and nothing else is
		}
		seen := h.until(m.ID, today)
		if len(seen) == 0 {
			continue
		}
		last := seen[len(seen)-1]
		if last.Value == 0 || last.On < began {
			continue
		}
		back := t.Stages[0].ID
		if m.ID == "wilt" {
			back = t.Stages[stage-1].ID
		}
		return Setback{last.On, fmt.Sprintf("%s found on %s", m.Short, last.On.Words()), back}, true
	}
	if tips := h.until("live-tips", today); len(tips) >= 2 && !t.Beside {
		a, b := tips[len(tips)-2], tips[len(tips)-1]
		if b.On >= began && a.Value >= 3 && b.Value <= a.Value*2/3 {
			return Setback{
				b.On,
				fmt.Sprintf("live tips fell from %g to %g", a.Value, b.Value),
				t.Stages[stage-1].ID,
			}, true
		}
	}
	return Setback{}, false
}

// Stall is a stand-still longer than is normal for the habit.
type Stall struct {
	Since day.Day `json:"since" doc:"The last measured progress."`
	Weeks int     `json:"weeks"`
	Limit int     `json:"limit" doc:"Weeks that are still normal for the habit."`
	// AtWork is true where firm roots or a pot that dries faster say that it grows
	// where nobody sees it.
	AtWork bool   `json:"atWork"`
	Why    string `json:"why" doc:"What says so, and what to look at otherwise."`
}

// LastProgress gives the day of the last measured progress since the stage
// began, or that beginning: a growing measure that rose.
func LastProgress(h History, began, today day.Day) day.Day {
	last := began
	for _, m := range measures {
		if !m.Growing {
			continue
		}
		readings := h.until(m.ID, today)
		for i, r := range readings {
			if r.On <= last {
				continue
			}
			rose := r.Value > 0
			if m.ID != "new-leaves" && i > 0 {
				rose = r.Value > readings[i-1].Value
			}
			if rose {
				last = r.On
			}
		}
	}
	return last
}

// FindStall says whether nothing has been measured to grow for longer than the
// habit's limit. A plant that rests does not stall.
func FindStall(habit plant.Habit, rests bool, h History, began, today day.Day) (Stall, bool) {
	if habit.StallWeeks == 0 || rests {
		return Stall{}, false
	}
	last := LastProgress(h, began, today)
	weeks := int(today-last) / 7
	if weeks <= habit.StallWeeks {
		return Stall{}, false
	}
	return Stall{
		Since: last,
		Weeks: weeks,
		Limit: habit.StallWeeks,
		Why:   "Look below: roots tell whether it works or fails.",
	}, true
}
