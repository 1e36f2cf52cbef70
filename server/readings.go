package server

import (
	"context"
	"fmt"
	"net/http"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/logger"
	"tendermend/core/place"
	"tendermend/core/working"
	"tendermend/store"
)

type readingsInput struct {
	PlacePath
	Body struct {
		Text       string `json:"text" maxLength:"40000000" doc:"The instrument's file."`
		MonthFirst *bool  `json:"monthFirst,omitempty" doc:"Whether its dates have the month first, where it does not tell."`
		Preview    bool   `json:"preview,omitempty" doc:"Only say how it is read; keeps nothing."`
	}
}

// ReadingsRead is how a file of an instrument was read.
type ReadingsRead struct {
	logger.File
	Readings int              `json:"readings" doc:"Readings in the file, each time once."`
	Thrown   int              `json:"thrown" doc:"Senseless ones that were thrown out."`
	Added    int              `json:"added" doc:"How many were new; 0 for a preview."`
	First    time.Time        `json:"first"`
	Last     time.Time        `json:"last"`
	Days     []logger.ReadDay `json:"days" doc:"Its last days as they are read."`
	Notes    []string         `json:"notes" doc:"What is odd about it, in sentences."`
}

type readLightInput struct {
	PlacePath
	Body struct {
		ID uuid.UUID `json:"id" doc:"Made by the sender, so that sending twice keeps one."`
		place.LightRead
	}
}

type siteOutput body[place.Site]

func (srv *server) readingOperations(api huma.API) {
	readings := op("add-readings", http.MethodPost, "/api/places/{place}/readings",
		"Take over the file of a temperature and humidity logger, or see how it would be read", "places")
	readings.MaxBodyBytes = 48 << 20
	huma.Register(api, readings, signedIn(srv, srv.addReadings))
	huma.Register(api, op("add-light", http.MethodPost, "/api/places/{place}/lights",
		"Keep a reading of daylight in a place", "places"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *readLightInput) (*body[PlaceView], error) {
			err := srv.changeAir(ctx, a, func(s *store.Store) error {
				return s.AddLight(ctx, a, in.Place, in.Body.ID, in.Body.LightRead)
			})
			if err != nil {
				return nil, ofPlace(err)
			}
			return srv.getPlace(ctx, a, &in.PlacePath)
		}))
	huma.Register(api, op("get-site", http.MethodGet, "/api/site", "Where the collection is", "places"),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*siteOutput, error) {
			at, err := srv.store.Site(ctx, a.Collection)
			return &siteOutput{at}, err
		}))
	huma.Register(api, op("save-site", http.MethodPut, "/api/site", "Say where the collection is", "places"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *body[place.Site]) (*siteOutput, error) {
			err := srv.changeAir(ctx, a, func(s *store.Store) error { return s.SaveSite(ctx, a, in.Body) })
			if err != nil {
				return nil, err
			}
			at, err := srv.store.Site(ctx, a.Collection)
			return &siteOutput{at}, err
		}))
	huma.Register(api, op("get-reliability", http.MethodGet, "/api/reliability",
		"How well drying was foretold: looks with a stick by the chance foretold, against what they found", "care"),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*body[drying.Reliability], error) {
			all, err := srv.store.Foretold(ctx, a.Collection.ID)
			return &body[drying.Reliability]{all.Reliability()}, err
		}))
	huma.Register(api, op("save-forecast", http.MethodPut, "/api/forecast",
		"Say how cold the coming nights get outdoors", "places"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *body[place.NightForecast]) (*placesOutput, error) {
			if err := place.CheckNights(in.Body.Nights); err != nil {
				return nil, unfit("nights", err.Error())
			}
			if err := srv.store.SaveNightForecast(ctx, a, in.Body); err != nil {
				return nil, err
			}
			return srv.listPlaces(ctx, a, false)
		}))
}

// shownDays is how many days of a file are shown.
const shownDays = 7

// passedOver says which rows of a file are no readings.
func passedOver(f logger.File) string {
	told := make([]string, len(f.Passed))
	for i, p := range f.Passed {
		told[i] = fmt.Sprintf("row %d: %s", p.Row, p.Why)
	}
	said := working.Count(f.Skipped, "row") + " passed over. "
	if f.Skipped > len(f.Passed) {
		said += "The first are: "
	}
	return said + working.Capital(strings.Join(told, "; ")) + "."
}

func (srv *server) addReadings(ctx context.Context, a store.Account, in *readingsInput) (*body[ReadingsRead], error) {
	zone, err := time.LoadLocation(a.Collection.TimeZone)
	if err != nil {
		zone = time.UTC
	}
	file, err := logger.Read(in.Body.Text, zone, srv.Clock(), in.Body.MonthFirst)
	if err != nil {
		return nil, unfit("text", err.Error())
	}
	out := ReadingsRead{File: file, Readings: len(file.Rows), Notes: []string{}}
	out.First, out.Last = file.Rows[0].At, file.Rows[len(file.Rows)-1].At
	if file.Skipped > 0 {
		out.Notes = append(out.Notes, passedOver(file))
	}
	if from, stuck := logger.Stuck(file.Rows); stuck {
		out.Notes = append(out.Notes, "From "+day.At(from.In(zone)).Words()+
			" on the temperature stood still to the digit for two days: is the sensor stuck?")
	}
	out.Thrown = logger.Clean(file.Rows)
	if out.Thrown > 0 {
		out.Notes = append(out.Notes, working.Count(out.Thrown, "reading")+
			" made no sense beside the others and will not count.")
	}
	if file.Doubled > 0 {
		out.Notes = append(out.Notes, working.Count(file.Doubled, "time")+" came twice; the last reading of each counts.")
	}
	days := logger.Days(file.Rows, zone)
	out.Days = days[max(0, len(days)-shownDays):]
	if in.Body.Preview || file.DayOrMonth {
		if _, err := srv.store.Place(ctx, a.Collection.ID, in.Place); err != nil {
			return nil, ofPlace(err)
		}
		return &body[ReadingsRead]{out}, nil
	}
	err = srv.changeAir(ctx, a, func(s *store.Store) (err error) {
		out.Added, err = s.AddReadings(ctx, a, in.Place, file.Rows)
		return err
	})
	if err != nil {
		return nil, ofPlace(err)
	}
	return &body[ReadingsRead]{out}, nil
}
