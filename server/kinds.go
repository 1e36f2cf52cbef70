package server

import (
	"cmp"
	"context"
	"errors"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"

	"tendermend/core/diagnosis"
	"tendermend/core/plant"
	"tendermend/core/water"
	"tendermend/store"
)

type profilesOutput struct {
	Body struct {
		Profiles []plant.Match `json:"profiles"`
	}
}

// KindView is a kind with the version to change it from.
type KindView struct {
	Profile plant.Profile `json:"profile"`
	Version int           `json:"version" doc:"0 for kinds that ship with the program."`
	Water   []water.Phase `json:"water" doc:"When it is watered in each part of its year."`
	Year    []water.Month `json:"year" doc:"Its water and feed by month, January first, on this half of the earth."`
}

// KeyView is a printed key to the troubles of a kind.
type KeyView struct {
	Botanical string             `json:"botanical"`
	Common    string             `json:"common"`
	Rows      []diagnosis.KeyRow `json:"rows" doc:"In the order of a look from the outside in."`
}

type kindInput struct {
	Kind string `path:"kind" maxLength:"80"`
	Body struct {
		Version   int           `json:"version" maximum:"2147483647" minimum:"0" doc:"Made from; 0 for new."`
		Withdrawn bool          `json:"withdrawn,omitempty" doc:"True takes it out of the lists; its plants keep it."`
		Profile   plant.Profile `json:"profile"`
	}
}

// ownKind begins the id of every kind that a collection adds.
const ownKind = "own:"

func (srv *server) kindOperations(api huma.API) {
	huma.Register(api, op("find-profiles", http.MethodGet, "/api/profiles",
		"Find a kind by name; the collection's own come first", "kinds"),
		signedIn(srv, srv.findProfiles))
	huma.Register(
		api,
		op("get-kind", http.MethodGet, "/api/profiles/{kind}", "A kind with all that it wants", "kinds"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *struct {
			Kind string `path:"kind" maxLength:"80"`
		}) (*body[KindView], error) {
			return srv.kind(ctx, a, in.Kind)
		}),
	)
	huma.Register(api, op("get-key", http.MethodGet, "/api/profiles/{kind}/key",
		"A one-page key to the commonest troubles of a kind", "kinds"),
		signedIn(srv, srv.getKey))
	huma.Register(api, op("save-kind", http.MethodPut, "/api/profiles/{kind}",
		"Add a kind of the collection's own, change or withdraw it; every version is kept", "kinds"),
		signedIn(srv, srv.saveKind))
}

func (srv *server) findProfiles(ctx context.Context, a store.Account, in *struct {
	Words string `query:"q" maxLength:"80" doc:"Words of any of its names: botanical, former, common, trade or folk."`
	Limit int    `query:"limit" default:"12" minimum:"0" maximum:"100000" doc:"How many at most; 0 gives all of them."`
}) (*profilesOutput, error) {
	kinds, err := srv.store.Kinds(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	out := &profilesOutput{}
	most := cmp.Or(in.Limit, len(kinds)+len(plant.Profiles()))
	out.Body.Profiles = append([]plant.Match{}, kinds.Matches(in.Words, most)...)
	return out, nil
}

func (srv *server) getKey(ctx context.Context, a store.Account, in *struct {
	Kind string `path:"kind" maxLength:"80"`
}) (*body[KeyView], error) {
	found, err := srv.kind(ctx, a, in.Kind)
	if err != nil {
		return nil, err
	}
	judged, err := srv.store.Knowledge(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	p := found.Body.Profile
	habit, _ := plant.HabitByID(p.Habit)
	pests := []string{}
	for _, l := range p.Pests {
		pests = append(pests, l.Pest)
	}
	return &body[KeyView]{KeyView{p.Botanical, p.Common, judged.KeyOf(habit, pests)}}, nil
}

func (srv *server) saveKind(ctx context.Context, a store.Account, in *kindInput) (*body[KindView], error) {
	if !strings.HasPrefix(in.Kind, ownKind) || len(in.Kind) < len(ownKind)+8 {
		return nil, huma.Error422UnprocessableEntity(
			"Kinds that ship with the program are not changed. Make a kind of your own from it, or " +
				"overrule single values on one plant.",
		)
	}
	p := in.Body.Profile
	p.ID, p.Own = in.Kind, true
	if p.Source == "" {
		p.Source = "own experience"
	}
	var details []error
	for _, f := range p.Faults() {
		details = append(details, &huma.ErrorDetail{Location: "body.profile." + f.Field, Message: f.Message})
	}
	if len(details) > 0 {
		return nil, huma.Error422UnprocessableEntity(
			"Some values cannot be right; mend them and save again.",
			details...)
	}
	err := srv.store.SaveKind(ctx, a, p, in.Body.Version, in.Body.Withdrawn)
	if errors.Is(err, store.ErrConflict) {
		return nil, huma.Error409Conflict(
			"Somebody changed this kind since you opened it. Open it again and put your change in again.",
		)
	}
	if err != nil {
		return nil, err
	}
	version, err := srv.store.KindVersion(ctx, a.Collection.ID, p.ID)
	return &body[KindView]{srv.kindView(a, p, version)}, err
}

func (srv *server) kindView(a store.Account, p plant.Profile, version int) KindView {
	habit, _ := plant.HabitByID(p.Habit)
	year := a.Collection.Today(srv.Clock()).Time().Year()
	return KindView{p, version, water.PhasesOf(p), water.YearOf(p, habit, year, a.Collection.South)}
}

func (srv *server) kind(ctx context.Context, a store.Account, id string) (*body[KindView], error) {
	kinds, err := srv.store.Kinds(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	p, ok := kinds.ByID(id)
	if !ok {
		return nil, huma.Error404NotFound("There is no such kind here; pick one from the list.")
	}
	version, err := srv.store.KindVersion(ctx, a.Collection.ID, id)
	return &body[KindView]{srv.kindView(a, p, version)}, err
}
