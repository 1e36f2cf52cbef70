package server

import (
	"context"
	"errors"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"tendermend/core/bench"
	"tendermend/core/mix"
	"tendermend/core/plant"
	"tendermend/store"
)

// BenchTables is what the bench can be asked with.
type BenchTables struct {
	Recipes     []bench.Recipe   `json:"recipes"`
	Ingredients []mix.Ingredient `json:"ingredients"`
	Chemicals   []mix.Chemical   `json:"chemicals"`
}

type benchOutput body[bench.Reckoning]

// instrument makes an operation of a reckoning. Its refusals name the field.
func instrument[I any](
	srv *server,
	api huma.API,
	id, summary string,
	reckon func(context.Context, store.Account, I) (bench.Reckoning, error),
) {
	huma.Register(api, op("bench-"+id, http.MethodPost, "/api/bench/"+id, summary+"; records nothing", "bench"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *body[I]) (*benchOutput, error) {
			r, err := reckon(ctx, a, in.Body)
			var fault bench.Fault
			if errors.As(err, &fault) {
				return nil, huma.Error422UnprocessableEntity(
					"This cannot be reckoned: "+fault.Message+".",
					&huma.ErrorDetail{Location: "body." + fault.Field, Message: fault.Message},
				)
			}
			return &benchOutput{r}, err
		}))
}

// plainly turns a reckoning that needs nothing of the collection into one.
func plainly[I any](
	reckon func(I) (bench.Reckoning, error),
) func(context.Context, store.Account, I) (bench.Reckoning, error) {
	return func(_ context.Context, _ store.Account, in I) (bench.Reckoning, error) { return reckon(in) }
}

// forKind lets a reckoning compare with a kind.
func forKind[I any](
	srv *server,
	kindOf func(I) string,
	reckon func(I, *plant.Profile) (bench.Reckoning, error),
) func(context.Context, store.Account, I) (bench.Reckoning, error) {
	return func(ctx context.Context, a store.Account, in I) (bench.Reckoning, error) {
		id := kindOf(in)
		if id == "" {
			return reckon(in, nil)
		}
		kinds, err := srv.store.Kinds(ctx, a.Collection.ID)
		if err != nil {
			return bench.Reckoning{}, err
		}
		kind, ok := kinds.ByID(id)
		if !ok {
			return bench.Reckoning{}, bench.Fault{
				Field:   "kind",
				Message: "there is no such kind here; pick one from the list",
			}
		}
		return reckon(in, &kind)
	}
}

type lightInput struct {
	bench.LightInput
	Kind string `json:"kind,omitempty" doc:"Id of a kind to compare with."`
}

type airInput struct {
	bench.AirInput
	Kind string `json:"kind,omitempty" doc:"Id of a kind to compare with."`
}

func (srv *server) benchOperations(api huma.API) {
	tables := &body[BenchTables]{BenchTables{bench.Recipes(), mix.Ingredients(), mix.Chemicals()}}
	huma.Register(
		api,
		op("get-bench", http.MethodGet, "/api/bench", "Recipes, ingredients and what must not meet", "bench"),
		signedIn(srv, func(context.Context, store.Account, *struct{}) (*body[BenchTables], error) {
			return tables, nil
		}),
	)
	instrument(srv, api, "pot", "A pot for live roots", plainly(bench.Pot))
	instrument(srv, api, "mix", "A mix by parts", plainly(bench.Mix))
	instrument(srv, api, "dilution", "A dilution, guarded", plainly(bench.Dilution))
	instrument(srv, api, "dose", "A label's dose multiplied", plainly(bench.Dose))
	instrument(srv, api, "feed", "What feeds bring to the water", plainly(bench.Feed))
	instrument(
		srv,
		api,
		"light",
		"A light reading over a day",
		forKind(
			srv,
			func(i lightInput) string { return i.Kind },
			func(i lightInput, k *plant.Profile) (bench.Reckoning, error) { return bench.Light(i.LightInput, k) },
		),
	)
	instrument(
		srv,
		api,
		"air",
		"What air feels like to a leaf",
		forKind(
			srv,
			func(i airInput) string { return i.Kind },
			func(i airInput, k *plant.Profile) (bench.Reckoning, error) { return bench.Air(i.AirInput, k) },
		),
	)
	instrument(srv, api, "runway", "How long reserves last", plainly(bench.Runway))
}
