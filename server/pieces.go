package server

import (
	"context"
	"net/http"
	"slices"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/pieces"
	"tendermend/core/plant"
	"tendermend/record"
	"tendermend/store"
)

// WayHere is a way to take pieces of a plant, with what it came to in this collection.
type WayHere struct {
	pieces.Way
	OfKind *pieces.Learned `json:"ofKind,omitempty" doc:"What batches of this kind came to here."`
	OfAll  *pieces.Learned `json:"ofAll,omitempty" doc:"What all batches of this method came to here."`
}

type waysOutput struct {
	Body struct {
		Ways      []WayHere `json:"ways" doc:"Those that its kind's row names first."`
		Suspected []string  `json:"suspected" doc:"What the plant has or may have that travels: a piece carries it."`
		CountDays int       `json:"countDays" doc:"Days between two counts of a batch."`
		Before    string    `json:"before" doc:"What is done before they are taken."`
		PotOut    string    `json:"potOut" doc:"When and how they are potted out."`
	}
}

type batchesOutput struct {
	Body struct {
		Learned []BatchesOf `json:"learned" doc:"By method, and by method and kind, the most pieces first."`
	}
}

// BatchesOf is what batches taught, with the names of method and kind.
type BatchesOf struct {
	pieces.Learned
	Label string `json:"label" doc:"The method in words."`
	Name  string `json:"name,omitempty" doc:"The kind's name; missing where it is of all kinds."`
}

// FamilyPlant is a plant of a family.
type FamilyPlant struct {
	ID         uuid.UUID     `json:"id"`
	Name       string        `json:"name"`
	Label      string        `json:"label"`
	Standing   string        `json:"standing"`
	Place      string        `json:"place"`
	CameOn     day.Day       `json:"cameOn"`
	Mother     *uuid.UUID    `json:"mother,omitempty"`
	BatchOf    *uuid.UUID    `json:"batchOf,omitempty" doc:"The batch that it was potted out of."`
	Batch      *record.Batch `json:"batch,omitempty"`
	Has        []string      `json:"has" doc:"What it has or may have that travels, by name."`
	Generation int           `json:"generation" doc:"0 for the oldest ancestor here."`
}

type familyOutput struct {
	Body struct {
		Plants []FamilyPlant `json:"plants" doc:"By generation; the plant alone where it has no kin here."`
	}
}

func (srv *server) pieceOperations(api huma.API) {
	huma.Register(api, op("get-ways", http.MethodGet, "/api/plants/{plant}/ways",
		"How pieces of a plant are taken, and what that came to here", "plants"), signedIn(srv, srv.getWays))
	huma.Register(api, op("get-family", http.MethodGet, "/api/plants/{plant}/family",
		"A plant's mother, her pieces and its own, and where each is now", "plants"), signedIn(srv, srv.getFamily))
	huma.Register(api, op("get-batches", http.MethodGet, "/api/batches",
		"What batches of pieces came to, by method and kind", "review"), signedIn(srv, srv.getBatches))
}

func (srv *server) getWays(ctx context.Context, a store.Account, in *PlantPath) (*waysOutput, error) {
	s, err := srv.state(ctx, a, in.Plant)
	if err != nil {
		return nil, err
	}
	batches, err := srv.store.Batches(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	learned := pieces.Learn(batches)
	of := func(m pieces.Method, kind string) *pieces.Learned {
		i := slices.IndexFunc(learned, func(l pieces.Learned) bool { return l.Method == m && l.Kind == kind })
		if i < 0 {
			return nil
		}
		return &learned[i]
	}
	out := &waysOutput{}
	out.Body.CountDays, out.Body.Before, out.Body.PotOut = pieces.CountDays, pieces.Before, pieces.PotThem
	out.Body.Ways, out.Body.Suspected = []WayHere{}, []string{}
	kind := plant.Profile{Habit: s.Habit.ID}
	if s.Profile != nil {
		kind = *s.Profile
	}
	for _, w := range pieces.WaysFor(kind) {
		here := WayHere{Way: w, OfAll: of(w.Method, "")}
		if kind.ID != "" {
			here.OfKind = of(w.Method, kind.ID)
		}
		out.Body.Ways = append(out.Body.Ways, here)
	}
	for _, x := range s.Suspected() {
		out.Body.Suspected = append(out.Body.Suspected, x.What)
	}
	return out, nil
}

func (srv *server) getFamily(ctx context.Context, a store.Account, in *PlantPath) (*familyOutput, error) {
	if _, err := srv.state(ctx, a, in.Plant); err != nil {
		return nil, err
	}
	family, err := srv.store.Family(ctx, a.Collection.ID, in.Plant)
	if err != nil {
		return nil, err
	}
	out := &familyOutput{}
	out.Body.Plants = []FamilyPlant{}
	for _, r := range family {
		p := FamilyPlant{
			ID: r.ID, Name: r.Name, Label: r.Label, Standing: r.Standing, Place: r.Place, CameOn: r.CameOn,
			Mother: r.Mother, BatchOf: r.BatchOf, Batch: r.Batch.V, Has: []string{}, Generation: r.Generation,
		}
		for _, x := range r.Suspected.V {
			name := "live pests"
			if one, known := cause.ByID(cause.ID(x.Cause)); known {
				name = one.Label
			}
			if !x.Decided {
				name += " (may have)"
			}
			p.Has = append(p.Has, name)
		}
		out.Body.Plants = append(out.Body.Plants, p)
	}
	return out, nil
}

func (srv *server) getBatches(ctx context.Context, a store.Account, _ *struct{}) (*batchesOutput, error) {
	batches, err := srv.store.Batches(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	kinds, err := srv.store.Kinds(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	out := &batchesOutput{}
	out.Body.Learned = []BatchesOf{}
	for _, l := range pieces.Learn(batches) {
		one := BatchesOf{Learned: l}
		if way, known := pieces.WayOf(l.Method); known {
			one.Label = way.Label
		}
		if kind, known := kinds.ByID(l.Kind); known {
			one.Name = kind.Botanical
		}
		out.Body.Learned = append(out.Body.Learned, one)
	}
	return out, nil
}
