package server

import (
	"context"
	"time"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/fit"
	"tendermend/core/place"
	"tendermend/core/plant"
	"tendermend/core/sky"
	"tendermend/store"
)

// around is what is known of the places of a collection on a day.
type around struct {
	store.PlacesKnown
	today    day.Day
	south    bool
	forecast *place.NightForecast
	years    map[uuid.UUID][]place.MonthThere
	ahead    map[uuid.UUID][]monthAhead
	airs     map[uuid.UUID]place.YearAir
	kinds    plant.Kinds
}

// around reads what is known of the places.
func (srv *server) around(ctx context.Context, a store.Account) (around, error) {
	return knownAround(ctx, srv.store, a.Collection, a.Collection.Today(srv.Clock()))
}

func knownAround(ctx context.Context, s *store.Store, c store.Collection, today day.Day) (w around, err error) {
	w.today, w.south = today, c.South
	if w.PlacesKnown, err = s.PlacesKnown(ctx, c, today); err != nil {
		return w, err
	}
	said, known, err := s.NightForecast(ctx, c)
	if known && w.today-said.From < day.Day(len(said.Nights)) && said.From <= w.today {
		said.Nights, said.From = said.Nights[w.today-said.From:], w.today
		w.forecast = &said
	}
	if err != nil {
		return w, err
	}
	w.years, w.ahead = map[uuid.UUID][]place.MonthThere{}, map[uuid.UUID][]monthAhead{}
	w.airs = map[uuid.UUID]place.YearAir{}
	w.kinds, err = s.Kinds(ctx, c.ID)
	return w, err
}

// year gives the twelve months of a place from today on; nil where nothing is known of it.
func (w around) year(p store.Place) []place.MonthThere {
	if p.Details == nil {
		return nil
	}
	if w.years[p.ID] == nil {
		w.years[p.ID] = p.Details.Year(w.Site, w.Of(p), w.today)
	}
	return w.years[p.ID]
}

// air is the light and air of a place of which something is known, by month.
func (w around) air(p store.Place) place.YearAir {
	air, known := w.airs[p.ID]
	if !known {
		air = place.AirOf(w.year(p), *p.Details, w.Site)
		w.airs[p.ID] = air
	}
	return air
}

// outside are the places in the open.
func (w around) outside() (open []place.YearAir) {
	for _, p := range w.Places {
		if p.Details != nil && p.Details.Setting == place.Outdoors {
			open = append(open, w.air(p))
		}
	}
	return open
}

// wishes is what the kind of a plant wants.
func (w around) wishes(p store.StandsAt) plant.Profile {
	if kind, known := w.kinds.ByID(p.Kind); known {
		return kind
	}
	habit, _ := plant.HabitByID(p.Habit)
	return plant.OfHabit(habit)
}

// monthAhead is one of the coming months in a place.
type monthAhead struct {
	fit.Month
	there int        // which month it is there
	north time.Month // and which it would be in the north
}

// months gives the coming months of a place; none where nothing is known of it.
func (w around) months(p store.Place) []monthAhead {
	year := w.year(p)
	if list, known := w.ahead[p.ID]; known || year == nil {
		return list
	}
	list := make([]monthAhead, fit.MonthsAhead)
	for i, m := range year[:fit.MonthsAhead] {
		list[i] = monthAhead{
			fit.Month{Light: m.Light, Sun: m.SunUsual, Hot: m.Hot, Night: m.Night, Day: m.Day, Humidity: m.Humidity},
			m.Month, plant.NorthMonth(sky.Middle(m.Month, w.today), w.Site.Latitude < 0),
		}
	}
	w.ahead[p.ID] = list
	return list
}

// score tells how well a kind fits a place over the coming months, what rules it and in which
// month; false where nothing is known of the place.
func (w around) score(of plant.Profile, p store.Place) (s fit.Score, month int, known bool) {
	wants, rests := fit.KindOf(of), restingMonths(&of)
	return scoreOf(&wants, &rests, w.months(p))
}

// restingMonths says of each month of the north whether a kind rests in it.
func restingMonths(of *plant.Profile) (rests [13]bool) {
	for m := time.January; m <= time.December; m++ {
		rests[m] = of.RestsIn(m)
	}
	return rests
}

// scoreOf is the score of what a kind wants, with the months in which it rests, in the coming months of a place.
func scoreOf(wants *fit.Kind, rests *[13]bool, ahead []monthAhead) (s fit.Score, month int, known bool) {
	if len(ahead) == 0 {
		return s, 0, false
	}
	var scores [fit.MonthsAhead]fit.Score
	for i := range ahead {
		scores[i] = wants.Month(ahead[i].Month, rests[ahead[i].north])
	}
	s, worst := fit.Season(scores[:])
	return s, ahead[worst].there, true
}
