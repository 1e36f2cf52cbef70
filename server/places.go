package server

import (
	"context"
	"errors"
	"math"
	"net/http"
	"slices"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/place"
	"tendermend/store"
)

// PlaceRow is a place with its year in short.
type PlaceRow struct {
	store.Place
	Says string             `json:"says" doc:"Its year in sentences; empty where nobody asked or said what it is like."`
	Year []place.MonthThere `json:"year" doc:"Its months; empty where nobody asked or said what it is like."`
}

type placesOutput struct {
	Body struct {
		Places []PlaceRow  `json:"places"`
		Site   place.Site  `json:"site" doc:"Where the collection is."`
		Cold   []ColdPlace `json:"cold" doc:"Places that get too cold for plants there in the coming nights."`
	}
}

// PlaceSaid is what is said of a place.
type PlaceSaid struct {
	Name      string         `json:"name" maxLength:"80"`
	Light     string         `json:"light,omitempty" maxLength:"120"`
	Isolation bool           `json:"isolation,omitempty"`
	PartOf    *uuid.UUID     `json:"partOf,omitempty" doc:"The place that it is a part of."`
	Details   *place.Details `json:"details,omitempty" doc:"What is known of its light and air."`
}

type placeInput struct {
	Body struct {
		ID uuid.UUID `json:"id" doc:"Made by the sender, so that sending twice adds one."`
		PlaceSaid
	}
}

// PlacePath names a place.
type PlacePath struct {
	Place uuid.UUID `path:"place"`
}

type changePlaceInput struct {
	PlacePath
	Body struct {
		Version int `json:"version" maximum:"2147483647" minimum:"1" doc:"The version that it is changed from."`
		PlaceSaid
	}
}

type removePlaceInput struct {
	PlacePath
	Version int `query:"version" required:"true" minimum:"1" maximum:"2147483647" doc:"The version that is removed."`
}

type placesInput struct {
	Years bool `query:"years" doc:"Whether each place is told with its year of light and air."`
}

type orderInput struct {
	Body struct {
		Places []uuid.UUID `json:"places" maxItems:"5000" doc:"All places in their new order."`
	}
}

func (srv *server) placeOperations(api huma.API) {
	huma.Register(api, op("list-places", http.MethodGet, "/api/places",
		"The collection's places in the order of the walk; with their years where they are asked for", "places"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *placesInput) (*placesOutput, error) {
			return srv.listPlaces(ctx, a, in.Years)
		}))
	huma.Register(api, op("add-place", http.MethodPost, "/api/places", "Add a place at the end of the walk", "places"),
		signedIn(srv, srv.addPlace))
	huma.Register(api, op("order-places", http.MethodPut, "/api/places/order",
		"Give the places their turns on the walk", "places"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *orderInput) (*placesOutput, error) {
			if err := srv.store.OrderPlaces(ctx, a, in.Body.Places); err != nil {
				return nil, err
			}
			return srv.listPlaces(ctx, a, false)
		}))
	huma.Register(api, op("change-place", http.MethodPut, "/api/places/{place}",
		"Rename a place, or say what it is like; every version is kept", "places"), signedIn(srv, srv.changePlace))
	huma.Register(api, op("remove-place", http.MethodDelete, "/api/places/{place}",
		"Remove a place in which nothing stands; the record goes on naming it", "places"), signedIn(srv, srv.removePlace))
	huma.Register(api, op("get-place", http.MethodGet, "/api/places/{place}",
		"A place: its year of light and air, what was read there, and how well those fit that stand there", "places"),
		signedIn(srv, srv.getPlace))
	srv.readingOperations(api)
}

// listPlaces gives the places, with their years where they are asked for: most lists need no more than names.
func (srv *server) listPlaces(ctx context.Context, a store.Account, years bool) (*placesOutput, error) {
	go srv.freshNights(context.WithoutCancel(ctx), a) // nobody waits for a service that is slow
	w, err := srv.around(ctx, a)
	if err != nil {
		return nil, err
	}
	out := &placesOutput{}
	out.Body.Site, out.Body.Places = w.Site, []PlaceRow{}
	for _, p := range w.Places {
		row := PlaceRow{Place: p, Year: []place.MonthThere{}}
		if years {
			row.add(w.year(p))
		}
		out.Body.Places = append(out.Body.Places, row)
	}
	if out.Body.Cold, err = srv.cold(ctx, a.Collection.ID, w); err != nil {
		return nil, err
	}
	return out, nil
}

// add tells its year, where somebody said what it is like.
func (r *PlaceRow) add(year []place.MonthThere) {
	if year != nil {
		r.Year, r.Says = year, place.Says(year)
	}
}

// told takes what was said of a place among those that there are, or says what is wrong with it.
func (said PlaceSaid) told(p store.Place, among []store.Place) (store.Place, error) {
	p.Name, p.Light = strings.TrimSpace(said.Name), strings.TrimSpace(said.Light)
	p.Isolation, p.PartOf, p.Details = said.Isolation, said.PartOf, said.Details
	if p.Name == "" {
		return p, unfit("name", "give the place a name")
	}
	if p.PartOf != nil && *p.PartOf == p.ID {
		return p, unfit("partOf", "a place is no part of itself; pick another, or none")
	}
	if p.PartOf != nil && !slices.ContainsFunc(among, func(x store.Place) bool { return x.ID == *p.PartOf }) {
		return p, unfit("partOf", "there is no such place here; pick one from the list, or none")
	}
	if p.Details != nil {
		if err := p.Details.Check(); err != nil {
			return p, unfit("details", err.Error())
		}
	}
	return p, nil
}

// unfit refuses a field of the body in words.
func unfit(field, words string) error {
	return huma.Error422UnprocessableEntity(strings.ToUpper(words[:1])+words[1:]+".",
		&huma.ErrorDetail{Location: "body." + field, Message: words})
}

var (
	errPlaceTaken = huma.Error409Conflict(
		"There is a place of that name; pick it, or give this one another.",
		&huma.ErrorDetail{Location: "body.name", Message: "there is a place of that name"},
	)
	errPlaceChanged = huma.Error409Conflict(
		"Somebody changed this place since you opened it, or there is another of that name. " +
			"Look at it again, then say it anew.",
	)
	errPlaceGone     = huma.Error404NotFound("There is no such place here. It may have been removed.")
	errPlaceNotEmpty = huma.Error409Conflict("Plants stand there. Move them to another place first, then remove it.")
)

func (srv *server) addPlace(ctx context.Context, a store.Account, in *placeInput) (*placesOutput, error) {
	among, err := srv.store.Places(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	p, err := in.Body.told(store.Place{ID: in.Body.ID}, among)
	if err != nil {
		return nil, err
	}
	err = srv.changeAir(ctx, a, func(s *store.Store) error { return s.AddPlace(ctx, a.Collection.ID, p) })
	if errors.Is(err, store.ErrConflict) {
		return nil, errPlaceTaken
	}
	if err != nil {
		return nil, err
	}
	return srv.listPlaces(ctx, a, false)
}

func (srv *server) changePlace(ctx context.Context, a store.Account, in *changePlaceInput) (*placesOutput, error) {
	among, err := srv.store.Places(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	i := slices.IndexFunc(among, func(p store.Place) bool { return p.ID == in.Place })
	if i < 0 {
		return nil, errPlaceGone
	}
	p, err := in.Body.told(among[i], among)
	if err != nil {
		return nil, err
	}
	p.Version = in.Body.Version
	if err := srv.changeAir(ctx, a, func(s *store.Store) error { return s.ChangePlace(ctx, a, p) }); err != nil {
		return nil, ofPlace(err)
	}
	return srv.listPlaces(ctx, a, false)
}

func (srv *server) removePlace(ctx context.Context, a store.Account, in *removePlaceInput) (*placesOutput, error) {
	p, err := srv.store.Place(ctx, a.Collection.ID, in.Place)
	if err != nil {
		return nil, ofPlace(err)
	}
	p.Gone, p.Version = true, in.Version
	if err := srv.changeAir(ctx, a, func(s *store.Store) error { return s.ChangePlace(ctx, a, p) }); err != nil {
		return nil, ofPlace(err)
	}
	return srv.listPlaces(ctx, a, false)
}

// settledBefore is how many plants are written anew before a change of the air is answered;
// of more the lists follow while people go on.
const settledBefore = 100

// changeAir makes a change of what is known of places, with their air worked out anew, and then
// the looks of what dries in it.
func (srv *server) changeAir(ctx context.Context, a store.Account, change func(*store.Store) error) error {
	if err := srv.store.ChangeAir(ctx, a.Collection, a.Collection.Today(srv.Clock()), change); err != nil {
		return err
	}
	left, err := srv.store.SettleAir(ctx, a.Collection, settledBefore)
	if left {
		on := context.WithoutCancel(ctx)
		go func() {
			if _, err := srv.store.SettleAir(on, a.Collection, math.MaxInt); err != nil {
				srv.logError(on, "writing lists anew after the air of a place changed", err)
			}
		}()
	}
	return err
}

// ofPlace turns an error of the store into one in words.
func ofPlace(err error) error {
	switch {
	case errors.Is(err, store.ErrNotFound):
		return errPlaceGone
	case errors.Is(err, store.ErrConflict):
		return errPlaceChanged
	case errors.Is(err, store.ErrNotEmpty):
		return errPlaceNotEmpty
	}
	return err
}
