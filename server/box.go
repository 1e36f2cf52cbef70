package server

import (
	"context"
	"net/http"
	"slices"

	"github.com/danielgtaylor/huma/v2"

	"tendermend/core/arrivals"
	"tendermend/core/plant"
	"tendermend/store"
)

// BoxPreview is what a box would be taken in as.
type BoxPreview struct {
	Plants   []arrivals.Plant   `json:"plants"`
	Problems []arrivals.Problem `json:"problems" doc:"Lines that could not be read, with why."`
	Kinds    []plant.Profile    `json:"kinds" doc:"The kinds that are meant or may be."`
	Pattern  string             `json:"pattern" doc:"After which the labels were numbered."`
}

type boxInput struct {
	Body struct {
		Text    string   `json:"text" maxLength:"40000" doc:"A plant, or several alike, a line."`
		Pattern string   `json:"pattern,omitempty" maxLength:"20" doc:"For labels: a # for each digit. Ours where empty."`
		Price   *float64 `json:"price,omitempty" minimum:"0" maximum:"1000000" doc:"Of the whole box."`
		Labels  []string `json:"labels,omitempty" maxItems:"200" doc:"Written by hand, by turn; empty: counted on."`
		Left    []int    `json:"left,omitempty" maxItems:"200" minimum:"0" maximum:"199" doc:"Turns of those left out."`
	}
}

func (srv *server) boxOperations(api huma.API) {
	huma.Register(api, op("read-box", http.MethodPost, "/api/box",
		"What a list of plants that came together is read as; records nothing", "record"), signedIn(srv, srv.readBox))
}

func (srv *server) readBox(ctx context.Context, a store.Account, in *boxInput) (*body[BoxPreview], error) {
	kinds, err := srv.store.Kinds(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	taken, err := srv.store.Labels(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	out := BoxPreview{Kinds: []plant.Profile{}, Pattern: in.Body.Pattern}
	if out.Pattern == "" {
		out.Pattern = arrivals.Pattern(taken)
	}
	out.Plants, out.Problems = arrivals.Read(in.Body.Text, kinds)
	counted := arrivals.Labels(out.Pattern, taken, len(out.Plants))
	labels := labelsFor(counted, in.Body.Labels, in.Body.Left)
	again := arrivals.Again(labels, taken)
	var prices []float64
	if in.Body.Price != nil {
		prices = arrivals.Shares(*in.Body.Price, len(out.Plants))
	}
	meant := map[string]bool{}
	for i := range out.Plants {
		p := &out.Plants[i]
		p.Label, p.Again = labels[i], again[i]
		if prices != nil {
			p.Price = &prices[i]
		}
		for _, id := range p.Kinds {
			if k, known := kinds.ByID(id); known && !meant[id] {
				meant[id] = true
				out.Kinds = append(out.Kinds, k)
			}
		}
	}
	return &body[BoxPreview]{out}, nil
}

// labelsFor are the labels of as many plants as were counted on: those written by hand, and of the others one after
// another of those counted; one that is left out needs none.
func labelsFor(counted, byHand []string, left []int) []string {
	labels, next := make([]string, len(counted)), 0
	for i := range labels {
		switch {
		case slices.Contains(left, i):
		case i < len(byHand) && byHand[i] != "":
			labels[i] = byHand[i]
		default:
			labels[i] = counted[next]
			next++
		}
	}
	return labels
}
