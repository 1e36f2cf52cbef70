package server

import (
	"context"
	"errors"
	"net/http"
	"slices"

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
	Own         OwnMixes         `json:"own" doc:"Which of them are the collection's own."`
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
			return &benchOutput{r}, faulty("This cannot be reckoned", err)
		}))
}

// faulty names the field that a reckoning, or a shelf of one's own, refused.
func faulty(what string, err error) error {
	var fault bench.Fault
	if errors.As(err, &fault) {
		return huma.Error422UnprocessableEntity(
			what+": "+fault.Message+".",
			&huma.ErrorDetail{Location: "body." + fault.Field, Message: fault.Message},
		)
	}
	return err
}

// keptRecipe keeps a recipe, or takes it out.
type keptRecipe struct {
	bench.Recipe
	Withdrawn bool `json:"withdrawn,omitempty"`
}

// keptMedium keeps a medium, or takes it out.
type keptMedium struct {
	bench.OwnMedium
	Withdrawn bool `json:"withdrawn,omitempty"`
}

// OwnMixes are a collection's own media, as they are called in a mix, and its recipes.
type OwnMixes struct {
	Media   []calledMedium `json:"media"`
	Recipes []bench.Recipe `json:"recipes"`
}

type calledMedium struct {
	bench.OwnMedium
	Called string `json:"called" doc:"How it is written in a mix."`
}

// tables are the recipes and ingredients, the collection's own first.
func tables(own bench.Own) *body[BenchTables] {
	view := OwnMixes{Media: []calledMedium{}, Recipes: append([]bench.Recipe{}, own.Recipes...)}
	for _, m := range own.Media {
		view.Media = append(view.Media, calledMedium{m, m.Called()})
	}
	recipes := slices.Concat(own.Recipes, bench.Recipes())
	return &body[BenchTables]{BenchTables{recipes, own.Ingredients(), mix.Chemicals(), view}}
}

func (srv *server) keepOwn(
	ctx context.Context, a store.Account, change func(bench.Own) (bench.Own, error),
) (*body[BenchTables], error) {
	own, err := srv.store.ChangeOwnMixes(ctx, a, change)
	return tables(own), faulty("This cannot be kept", err)
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
	huma.Register(
		api,
		op("get-bench", http.MethodGet, "/api/bench", "Recipes, ingredients and what must not meet", "bench"),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*body[BenchTables], error) {
			own, err := srv.store.OwnMixes(ctx, a.Collection.ID)
			return tables(own), err
		}),
	)
	huma.Register(
		api,
		op("keep-recipe", http.MethodPut, "/api/bench/recipes", "Keep a recipe of one's own, by its name", "bench"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *body[keptRecipe]) (*body[BenchTables], error) {
			return srv.keepOwn(ctx, a, func(own bench.Own) (bench.Own, error) {
				return own.WithRecipe(in.Body.Recipe, in.Body.Withdrawn)
			})
		}),
	)
	huma.Register(
		api,
		op("keep-medium", http.MethodPut, "/api/bench/media", "Keep a medium of one's own, by its name", "bench"),
		signedIn(srv, func(ctx context.Context, a store.Account, in *body[keptMedium]) (*body[BenchTables], error) {
			return srv.keepOwn(ctx, a, func(own bench.Own) (bench.Own, error) {
				return own.WithMedium(in.Body.OwnMedium, in.Body.Withdrawn)
			})
		}),
	)
	srv.instruments(api)
}

func (srv *server) instruments(api huma.API) {
	instrument(srv, api, "pot", "A pot for live roots", plainly(bench.Pot))
	instrument(srv, api, "dish", "The level of a dish under new roots", plainly(bench.Dish))
	instrument(srv, api, "mix", "A mix by parts",
		func(ctx context.Context, a store.Account, in bench.MixInput) (bench.Reckoning, error) {
			own, err := srv.store.OwnMixes(ctx, a.Collection.ID)
			if err != nil {
				return bench.Reckoning{}, err
			}
			return bench.Mix(in, own)
		})
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
