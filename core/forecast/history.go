// Package forecast reads a pot's history and says when to look at it next, in words and
// numbers.
package forecast

import (
	"fmt"
	"math"
	"time"

	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/plant"
)

// History is a pot with what happened to it. What nobody knows is left out.
type History struct {
	Today string          `json:"today" doc:"The day that is asked about, as 2026-11-27 or 2026-11-27T18:30."`
	Kind  string          `json:"kind,omitempty" doc:"Id of its kind; its water rule and its best light come from it."`
	Habit string          `json:"habit,omitempty" doc:"How it grows, where the kind is unknown."`
	Rule  plant.WaterRule `json:"rule,omitempty" doc:"Its water rule, where it is not its kind's of the season."`
	South bool            `json:"south,omitempty" doc:"Whether it stands in the southern half of the world."`
	Case  string          `json:"case,omitempty" enum:"ordinary,thirsty,wet-harms,rots-easily"`
	Grace *int            `json:"graceDays,omitempty" doc:"Days of harm that it bears, in place of its rule's."`
	Pot   drying.Pot      `json:"pot"`
	Rate  float64         `json:"rate,omitempty" doc:"A better guess: share lost a day at 1 kPa and best light."`
	Air   []Air           `json:"air,omitempty" doc:"What its place gave, each until the next; the last holds on."`
	// Events are in the order in which they happened on a day.
	Events []Event `json:"events"`
}

// Air is the air and light of its place from a day on.
type Air struct {
	From   string  `json:"from,omitempty" doc:"The first day; always where empty."`
	VPD    float64 `json:"vpd,omitempty" doc:"Vapour pressure deficit, kPa; 0.9, or 1 in the heated months, where empty."`
	DLI    float64 `json:"dli,omitempty" doc:"Light a day, mol per square metre; by the season where empty."`
	Fan    bool    `json:"fan,omitempty"`
	Closed bool    `json:"closed,omitempty" doc:"Under a bag or in a box."`
}

// Event is one thing that happened; one of its fields is set beside its day.
type Event struct {
	On         string       `json:"on" doc:"Its day, as 2026-11-03, or with an hour."`
	Watered    string       `json:"watered,omitempty" enum:"through,soak,little" doc:"How it was watered."`
	ML         float64      `json:"ml,omitempty" doc:"How much, of a little."`
	Stick      drying.Class `json:"stick,omitempty" enum:"dry,barely,moist,wet" doc:"What a finger or stick found."`
	CM         float64      `json:"cm,omitempty" doc:"How deep stick or meter went; the depth of its rule where empty."`
	StillMoist bool         `json:"stillMoist,omitempty" doc:"One tap: not dry yet."`
	Lift       drying.Class `json:"lift,omitempty" enum:"light,middling,heavy" doc:"What a lifting hand found."`
	WeighedG   float64      `json:"weighedG,omitempty" doc:"Its weight with pot, g; within 3 hours of a watering, full."`
	Limp       *bool        `json:"limp,omitempty" doc:"Whether it hangs limp."`
	Meter      *float64     `json:"meter,omitempty" doc:"What a moisture meter reads, 0 to 10."`
	Moved      string       `json:"moved,omitempty" enum:"indoors,in-or-out" doc:"It went to another place."`
	CutBack    bool         `json:"cutBack,omitempty" doc:"A large part of its leaves is gone."`
	Repotted   *drying.Pot  `json:"repotted,omitempty" doc:"Its new pot; it was watered through."`
}

// Fault is what is wrong with a history, and where.
type Fault struct{ Where, Says string }

func (f Fault) Error() string { return f.Where + ": " + f.Says }

// moment reads a day, or a day with an hour, as days.
func moment(text, where string) (float64, error) {
	layout := "2006-01-02T15:04"
	if len(text) == len("2006-01-02") {
		layout = "2006-01-02"
	}
	at, err := time.Parse(layout, text)
	if err != nil {
		return 0, Fault{where, fmt.Sprintf("%q is no day; write it as 2026-11-03 or 2026-11-03T18:30", text)}
	}
	return float64(at.Unix()) / 86400, nil
}

// story turns the history into what the model reads.
func (h History) story(kinds plant.Kinds) (drying.Story, asked, error) {
	now, err := moment(h.Today, "today")
	if err != nil {
		return drying.Story{}, asked{}, err
	}
	who, err := h.who(kinds, day.Day(math.Floor(now)))
	if err != nil {
		return drying.Story{}, who, err
	}
	s := drying.Story{Pot: h.Pot, Rule: who.rule, Now: now, Begin: now}
	if err := h.potFault("pot", h.Pot); err != nil {
		return s, who, err
	}
	if s.Pot.Drink == "" {
		s.Pot.Drink = who.drink
	}
	if s.Happenings, err = h.happenings(who, s.Pot, now); err != nil {
		return s, who, err
	}
	for _, one := range s.Happenings {
		s.Begin = min(s.Begin, one.At)
	}
	if s.Air, err = h.airs(who); err != nil {
		return s, who, err
	}
	return s, who, nil
}

func (h History) potFault(where string, p drying.Pot) error {
	for _, one := range []struct {
		name  string
		value float64
	}{{"topCm", p.TopCM}, {"baseCm", p.BaseCM}, {"depthCm", p.DepthCM}} {
		if one.value != 0 && (one.value < 1 || one.value > 200) {
			return Fault{where + "." + one.name, fmt.Sprintf("%g cm is no pot; give 1 to 200, or leave it out", one.value)}
		}
	}
	if p.LiveRoots != nil && (*p.LiveRoots < 0 || *p.LiveRoots > 1) {
		return Fault{where + ".liveRoots", fmt.Sprintf("%g is no share; give 0 to 1", *p.LiveRoots)}
	}
	for i, part := range p.Mix {
		if part.Share <= 0 {
			return Fault{fmt.Sprintf("%s.mix[%d].share", where, i), "give parts by volume, more than 0"}
		}
	}
	return nil
}

// reader turns events into happenings: it knows what the pot weighed full.
type reader struct {
	who      asked
	pot      drying.Pot
	full     []float64
	fullOn   float64
	watered  float64
	capacity float64
}

func (h History) happenings(who asked, pot drying.Pot, now float64) ([]drying.Happening, error) {
	r := reader{who: who, pot: pot, watered: -1, fullOn: -1, capacity: pot.Capacity()}
	var list []drying.Happening
	for i, e := range h.Events {
		where := fmt.Sprintf("events[%d]", i)
		at, err := moment(e.On, where+".on")
		if err != nil {
			return nil, err
		}
		if at > now {
			return nil, Fault{where + ".on", fmt.Sprintf("%s is after %s, the day that is asked about", e.On, h.Today)}
		}
		one, err := r.read(e, at, where)
		if err != nil {
			return nil, err
		}
		if e.Repotted != nil {
			if err := h.potFault(where+".repotted", *e.Repotted); err != nil {
				return nil, err
			}
		}
		list = append(list, one...)
	}
	return list, nil
}
