package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/sharedpot"
	"tendermend/record"
	"tendermend/store"
)

// PotView is a pot with several plants in it, as a plant's page shows it.
type PotView struct {
	Plants []PotmateView      `json:"plants" doc:"Those in the pot, A first: the one whose record it is."`
	Since  day.Day            `json:"since" doc:"When they were first told from each other."`
	Kept   bool               `json:"kept" doc:"Whether it was decided that they stay together."`
	Out    []PottedOutView    `json:"out" doc:"Those that were taken out."`
	Advice *sharedpot.Parting `json:"advice,omitempty" doc:"Whether to part them; missing where one alone is left."`
	Source string             `json:"source" doc:"Where the advice comes from."`
}

// PotmateView is a plant of the pot, with the name of its kind.
type PotmateView struct {
	record.Potmate
	Kind    string `json:"kind,omitempty" doc:"Its kind by its botanical name, where that is another."`
	Growths int    `json:"growths" doc:"Growths that are followed on it."`
}

// PottedOutView is a plant that was taken out of the pot, by name.
type PottedOutView struct {
	record.OutOf
	Name string `json:"name" doc:"Empty where its arrival was undone."`
}

// potView shows a shared pot; nil where nobody found more than one plant in it.
func (srv *server) potView(ctx context.Context, a store.Account, s record.State, today day.Day) (*PotView, error) {
	if s.Shared == nil {
		return nil, nil //nolint:nilnil // most pots hold one plant
	}
	v := &PotView{Plants: []PotmateView{}, Since: s.Shared.Since, Kept: s.Shared.Kept, Out: []PottedOutView{},
		Source: sharedpot.Source}
	kinds, err := srv.store.Kinds(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	for _, m := range s.Shared.Plants {
		one := PotmateView{Potmate: m}
		if kind, known := kinds.ByID(m.Profile); known {
			one.Kind = kind.Botanical
		}
		for _, x := range s.Strands {
			if x.Of == m.Letter {
				one.Growths++
			}
		}
		v.Plants = append(v.Plants, one)
	}
	var out []uuid.UUID
	for _, o := range s.Shared.Out {
		out = append(out, o.Plant)
	}
	called, err := srv.store.KinBy(ctx, a.Collection.ID, out...)
	if err != nil {
		return nil, err
	}
	for _, o := range s.Shared.Out {
		v.Out = append(v.Out, PottedOutView{o, called[o.Plant].Name})
	}
	if len(v.Plants) > 1 && !s.Over() {
		advice := s.PotAdvice(today)
		v.Advice = &advice
	}
	return v, nil
}

type takeOutInput struct {
	PlantPath
	Body struct {
		ID  uuid.UUID         `json:"id" doc:"Made by the sender: sent again it writes nothing twice."`
		On  day.Day           `json:"on" doc:"The day it happened."`
		Out []record.TakenOut `json:"out" minItems:"1" maxItems:"11"`
	}
}

type takeOutOutput struct {
	Body struct {
		Kept []KeptOf `json:"kept" doc:"What was recorded, of each plant."`
	}
}

func (srv *server) sharedPotOperations(api huma.API) {
	huma.Register(api, op("take-out-of-pot", http.MethodPost, "/api/plants/{plant}/pot/out",
		"Take plants out of a shared pot, each into one of its own: all of them or none", "plants"),
		signedIn(srv, srv.takeOut))
}

func (srv *server) takeOut(ctx context.Context, a store.Account, in *takeOutInput) (*takeOutOutput, error) {
	out := &takeOutOutput{}
	out.Body.Kept = []KeptOf{}
	kept, err := srv.store.AppendJudged(ctx, a, in.Plant, a.Collection.Today(srv.Clock()), in.lists)
	if err != nil {
		return nil, srv.problem(ctx, err)
	}
	for _, e := range kept {
		out.Body.Kept = append(out.Body.Kept, KeptOf{e.PlantID, e.ID})
	}
	return out, nil
}

// lists is what taking plants out writes. What was sent before is judged by the record as
// it was then.
func (in *takeOutInput) lists(entries []record.Entry, kinds plant.Kinds) ([][]record.Entry, error) {
	var before []record.Entry
	for _, e := range entries {
		if e.ID != in.Body.ID {
			before = append(before, e)
		}
	}
	lists, faults := record.NewLedger(in.Plant, before, kinds).State().TakeOut(in.Body.ID, in.Body.On, in.Body.Out)
	if len(faults) > 0 {
		return nil, faults
	}
	return lists, nil
}
