package server

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/fit"
	"tendermend/core/logger"
	"tendermend/core/place"
	"tendermend/core/working"
	"tendermend/store"
)

// PlaceView is a place with all that is known and reckoned of it.
type PlaceView struct {
	store.Place
	Site     place.Site         `json:"site"`
	Says     string             `json:"says" doc:"Its year in sentences."`
	Year     []place.MonthThere `json:"year" doc:"From this month on; empty where nobody said what it is like."`
	LightNow *working.Amount    `json:"lightNow,omitempty" doc:"Its light this month, with its working."`
	Odd      bool               `json:"odd" doc:"Whether readings differ so much that its window is likely wrong."`
	Read     int                `json:"read" doc:"Readings of light."`
	Days     []DayThere         `json:"days" doc:"What instruments read in the last two months, day by day."`
	Meter    string             `json:"meter" doc:"How its light is read."`
	Stands   []PlantFits        `json:"stands" doc:"Those that stand there, the worst fit first."`
	Cold     []ColdPlace        `json:"cold" doc:"Where it gets too cold for some of them in the coming nights."`
}

// DayThere is a day that instruments read.
type DayThere struct {
	logger.ReadDay
	Whole bool `json:"whole" doc:"Whether enough of it was read."`
}

// PlantFits is a plant with how well a place fits it.
type PlantFits struct {
	ID    uuid.UUID  `json:"id"`
	Name  string     `json:"name"`
	Score *float64   `json:"score,omitempty" doc:"0 to 1; missing where nothing is known of the place."`
	Word  string     `json:"word,omitempty" enum:"good,passable,poor"`
	Rules fit.Factor `json:"rules,omitempty" doc:"What rules it; missing where nothing does."`
	Month int        `json:"month,omitempty" doc:"The month in which it is worst."`
}

// fits tells how well a place fits a plant.
func (w around) fits(of store.StandsAt, at store.Place) PlantFits {
	f := PlantFits{ID: of.ID, Name: of.Name}
	score, month, known := w.score(w.wishes(of), at)
	if !known {
		return f
	}
	f.Score, f.Word, f.Rules, f.Month = &score.Value, score.Word(), score.Rules, month
	return f
}

// worstFirst puts those first that stand worst; those of which nothing is known stay.
func worstFirst(list []PlantFits) {
	slices.SortStableFunc(list, func(x, y PlantFits) int {
		if x.Score == nil || y.Score == nil {
			return 0
		}
		return cmp.Compare(*x.Score, *y.Score)
	})
}

func (srv *server) getPlace(ctx context.Context, a store.Account, in *PlacePath) (*body[PlaceView], error) {
	w, err := srv.around(ctx, a)
	if err != nil {
		return nil, err
	}
	i := slices.IndexFunc(w.Places, func(p store.Place) bool { return p.ID == in.Place })
	if i < 0 {
		return nil, errPlaceGone
	}
	p := w.Places[i]
	v := PlaceView{Place: p, Site: w.Site, Year: []place.MonthThere{}, Days: []DayThere{}, Stands: []PlantFits{}}
	v.Meter = place.HowToRead
	v.Read = len(w.Lights[p.ID])
	for _, d := range w.Days[p.ID] {
		v.Days = append(v.Days, DayThere{d, d.Counts()})
	}
	if year := w.year(p); year != nil {
		v.Year, v.Says = year, place.Says(year)
		v.LightNow, v.Odd = w.lightOf(p, year[0])
	}
	standing, err := srv.store.Standing(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	here := byPlace(standing)[p.ID]
	for _, s := range here {
		v.Stands = append(v.Stands, w.fits(s, p))
	}
	worstFirst(v.Stands)
	v.Cold = []ColdPlace{}
	if cold := w.coldAt(p, here); cold != nil {
		v.Cold = append(v.Cold, *cold)
	}
	return &body[PlaceView]{v}, nil
}

// lightOf opens the light of a month to its working.
func (w around) lightOf(p store.Place, m place.MonthThere) (*working.Amount, bool) {
	factor, spread := p.Details.Scale(w.Site, w.Lights[p.ID])
	of := p.Details
	inputs := []working.Input{
		{Name: "latitude", Value: w.Site.Latitude, Unit: "°"}, {Name: "length of the day", Value: m.DayHours, Unit: "h"},
	}
	if of.Window != nil {
		inputs = append(inputs, working.Input{Name: "from the glass", Value: of.Window.DistanceM, Unit: "m"},
			working.Input{Name: "hours of sun, usually", Value: m.SunUsual, Unit: "h"})
	}
	if of.Lamp != nil {
		inputs = append(inputs, working.Input{Name: "lamp, hours a day", Value: of.Lamp.Hours, Unit: "h"})
	}
	if n := len(w.Lights[p.ID]); n > 0 {
		inputs = append(inputs, working.Input{Name: "readings of light", Value: float64(n)},
			working.Input{Name: "what they make of it", Value: math.Round(100*factor) / 100, Unit: "×"})
	}
	sure := fmt.Sprintf("by eye: between %.1f and %.1f four times in five; one reading of light halves that",
		m.Low, m.High)
	if len(w.Lights[p.ID]) > 0 {
		sure = fmt.Sprintf("between %.1f and %.1f four times in five (spread %.2f)", m.Low, m.High, spread)
	}
	if w.Site.Assumed {
		sure += "; where the collection is was only assumed"
	}
	return &working.Amount{
		What: "light at the leaves", Value: math.Round(10*m.Light) / 10, Unit: "mol m⁻² d⁻¹",
		Working: working.Working{
			Inputs: inputs,
			Formula: "glass × curtain × (sky seen × share of the sky that the window fills + sun that reaches it) + " +
				"light thrown back + lamp",
			Source: "sunshine and day length: FAO Irrigation and Drainage Paper 56; sky and sun parted after Erbs, Klein and " +
				"Duffie 1982; window as a rectangle seen from its middle",
			Sure: sure,
		},
	}, place.Odd(factor)
}

// ColdPlace is a place that gets too cold for some plants in a coming night.
type ColdPlace struct {
	Place  uuid.UUID   `json:"place"`
	Name   string      `json:"name"`
	On     day.Day     `json:"on" doc:"The evening of the night."`
	Ahead  int         `json:"ahead" doc:"Nights ahead, 0 for tonight."`
	Likely float64     `json:"likely" doc:"How cold it likely gets there, °C."`
	Chance float64     `json:"chance" doc:"How likely it gets too cold for the first of them, 0 to 1."`
	Limit  float64     `json:"limit" doc:"What hurts the most tender of them, °C."`
	Source string      `json:"source" doc:"Who says so."`
	Plants []PlantCold `json:"plants" doc:"Those that come in, the most tender first."`
}

// PlantCold is a plant that a night hurts.
type PlantCold struct {
	ID    uuid.UUID `json:"id"`
	Name  string    `json:"name"`
	Limit float64   `json:"limit" doc:"°C that hurts it within a night."`
}

// cold finds the places that get too cold for plants that stand there, the soonest first.
func (srv *server) cold(ctx context.Context, collection uuid.UUID, w around) ([]ColdPlace, error) {
	list := []ColdPlace{}
	if w.forecast == nil {
		return list, nil
	}
	standing, err := srv.store.Standing(ctx, collection)
	if err != nil {
		return nil, err
	}
	at := byPlace(standing)
	for _, p := range w.Places {
		if cold := w.coldAt(p, at[p.ID]); cold != nil {
			list = append(list, *cold)
		}
	}
	slices.SortStableFunc(list, func(x, y ColdPlace) int { return cmp.Compare(x.Ahead, y.Ahead) })
	return list, nil
}

func byPlace(standing []store.StandsAt) map[uuid.UUID][]store.StandsAt {
	at := map[uuid.UUID][]store.StandsAt{}
	for _, s := range standing {
		if s.Place != nil {
			at[*s.Place] = append(at[*s.Place], s)
		}
	}
	return at
}

// coldAt tells which of the plants of a place a coming night hurts; nil where none.
func (w around) coldAt(p store.Place, here []store.StandsAt) *ColdPlace {
	if w.forecast == nil || p.Details == nil {
		return nil
	}
	c := ColdPlace{Place: p.ID, Name: p.Name, Source: w.forecast.Source, Limit: math.Inf(-1)}
	own := w.Of(p).Nights
	for _, s := range here {
		limit := fit.KindOf(w.wishes(s)).Chill
		night, likely, chance, alarms := p.Details.Cold(limit, w.forecast.Nights, own)
		if !alarms {
			continue
		}
		if limit > c.Limit { // the most tender names the night
			c.On, c.Ahead, c.Likely = w.forecast.From+day.Day(night), night, math.Round(10*likely)/10
			c.Chance, c.Limit = chance, limit
		}
		c.Plants = append(c.Plants, PlantCold{s.ID, s.Name, limit})
	}
	if len(c.Plants) == 0 {
		return nil
	}
	slices.SortStableFunc(c.Plants, func(x, y PlantCold) int { return cmp.Compare(y.Limit, x.Limit) })
	return &c
}
