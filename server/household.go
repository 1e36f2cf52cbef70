package server

import (
	"context"
	"errors"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
	"tendermend/store"
)

// Settled is what a collection and a person settled on.
type Settled struct {
	Household facts.Household   `json:"household"`
	Asked     bool              `json:"asked" doc:"Whether anybody said who lives there."`
	Choices   map[string]string `json:"choices" doc:"The sides that this person usually takes, by disagreement."`
}

type settledOutput body[Settled]

type supplyInput struct {
	Supply uuid.UUID `path:"supply"`
	Body   struct {
		Name      string   `json:"name" maxLength:"80"`
		Unit      string   `json:"unit" enum:"ml,l,g,kg,pieces"`
		Low       float64  `json:"low" minimum:"0" maximum:"1000000"`
		Price     *float64 `json:"price,omitempty" minimum:"0" maximum:"100000"`
		Version   int      `json:"version" maximum:"2147483647" minimum:"0"`
		Withdrawn bool     `json:"withdrawn,omitempty"`
	}
}

type stockInput struct {
	Supply uuid.UUID `path:"supply"`
	Body   struct {
		ID     uuid.UUID `json:"id" doc:"Made by the sender, so that sending twice counts once."`
		On     day.Day   `json:"on"`
		Amount float64   `json:"amount" minimum:"-1000000" maximum:"1000000" doc:"What went in; below 0 what went out."`
		Why    string    `json:"why,omitempty" maxLength:"200"`

		Despite []record.ConcernID `json:"despite,omitempty" maxItems:"10" doc:"Ids of concerns that are accepted."`
	}
}

type suppliesOutput struct {
	Body struct {
		Supplies []store.Supply `json:"supplies"`
	}
}

type shoppingOutput struct {
	Body struct {
		Needs []sheet.Need   `json:"needs" doc:"What the open steps of the plan need."`
		Low   []store.Supply `json:"low" doc:"What runs low in the cupboard."`
	}
}

func (srv *server) householdOperations(api huma.API) {
	huma.Register(
		api,
		op("get-settings", http.MethodGet, "/api/settings",
			"Who lives there, and the sides usually taken", "settings"),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*settledOutput, error) {
			return srv.settled(ctx, a)
		}),
	)
	huma.Register(
		api,
		op("save-household", http.MethodPut, "/api/settings/household",
			"Say who lives there; every version is kept", "settings"),
		signedIn(
			srv,
			func(ctx context.Context, a store.Account, in *body[facts.Household]) (*settledOutput, error) {
				if err := srv.store.SaveHousehold(ctx, a, in.Body); err != nil {
					return nil, err
				}
				return srv.settled(ctx, a)
			},
		),
	)
	huma.Register(api, op("save-choices", http.MethodPut, "/api/settings/choices",
		"Keep the sides one usually takes", "settings"),
		signedIn(srv, srv.saveChoices))
	huma.Register(api, op("list-supplies", http.MethodGet, "/api/supplies", "What is in the cupboard", "supplies"),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*suppliesOutput, error) {
			return srv.supplies(ctx, a)
		}))
	huma.Register(api, op("save-supply", http.MethodPut, "/api/supplies/{supply}",
		"Add a supply, change or withdraw it", "supplies"),
		signedIn(srv, srv.saveSupply))
	huma.Register(api, op("stock-supply", http.MethodPost, "/api/supplies/{supply}/stock",
		"Put something into the cupboard, or take it out", "supplies"),
		signedIn(srv, srv.stockSupply))
	huma.Register(api, op("get-shopping", http.MethodGet, "/api/plants/{plant}/shopping",
		"What the open steps of a plan need, and what is missing", "supplies"),
		signedIn(srv, srv.getShopping))
}

func (srv *server) saveChoices(
	ctx context.Context, a store.Account, in *body[map[string]string],
) (*settledOutput, error) {
	if len(in.Body) > 20 {
		return nil, huma.Error422UnprocessableEntity(
			"These are more choices than there are disagreements.",
		)
	}
	if err := srv.store.SaveChoices(ctx, a, in.Body); err != nil {
		return nil, err
	}
	return srv.settled(ctx, a)
}

func (srv *server) stockSupply(ctx context.Context, a store.Account, in *stockInput) (*suppliesOutput, error) {
	if in.Body.Amount == 0 {
		return nil, huma.Error422UnprocessableEntity(
			"Say how much went in, or out.",
			&huma.ErrorDetail{Location: "body.amount", Message: "give more or less than 0"},
		)
	}
	if in.Body.On > a.Collection.Today(srv.Clock()) {
		return nil, huma.Error422UnprocessableEntity(
			"That day is still to come.",
			&huma.ErrorDetail{Location: "body.on", Message: "give today or an earlier day"},
		)
	}
	move := store.StockMove{
		ID: in.Body.ID, Supply: in.Supply, On: in.Body.On, Amount: in.Body.Amount, Why: strings.TrimSpace(in.Body.Why),
	}
	if err := srv.store.Stock(ctx, a, move, in.Body.Despite...); err != nil {
		return nil, err
	}
	return srv.supplies(ctx, a)
}

func (srv *server) getShopping(ctx context.Context, a store.Account, in *PlantPath) (*shoppingOutput, error) {
	state, err := srv.state(ctx, a, in.Plant)
	if err != nil {
		return nil, err
	}
	var open []sheet.Step
	if state.Plan != nil {
		for _, s := range state.Plan.Steps {
			if _, done := state.Ticks[s.ID]; !done {
				open = append(open, s)
			}
		}
	}
	return srv.shopping(ctx, a, open)
}

func (srv *server) settled(ctx context.Context, a store.Account) (*settledOutput, error) {
	home, asked, err := srv.store.Household(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	choices, err := srv.store.Choices(ctx, a)
	return &settledOutput{Settled{home, asked, choices}}, err
}

func (srv *server) supplies(ctx context.Context, a store.Account) (*suppliesOutput, error) {
	list, err := srv.store.Supplies(ctx, a.Collection.ID)
	out := &suppliesOutput{}
	out.Body.Supplies = list
	return out, err
}

func (srv *server) saveSupply(ctx context.Context, a store.Account, in *supplyInput) (*suppliesOutput, error) {
	name := strings.TrimSpace(in.Body.Name)
	if name == "" {
		return nil, huma.Error422UnprocessableEntity(
			"Name it as you would on a shopping list.",
			&huma.ErrorDetail{Location: "body.name", Message: "give it a name"},
		)
	}
	err := srv.store.SaveSupply(
		ctx,
		a,
		store.Supply{
			ID:      in.Supply,
			Name:    name,
			Unit:    in.Body.Unit,
			Low:     in.Body.Low,
			Price:   in.Body.Price,
			Version: in.Body.Version,
		},
		in.Body.Withdrawn,
	)
	if errors.Is(err, store.ErrConflict) {
		return nil, huma.Error409Conflict(
			"Somebody changed this supply since you opened the page. Reload it and put your change in again.",
		)
	}
	if err != nil {
		return nil, err
	}
	return srv.supplies(ctx, a)
}

func (srv *server) shopping(ctx context.Context, a store.Account, steps []sheet.Step) (*shoppingOutput, error) {
	list, err := srv.store.Supplies(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	out := &shoppingOutput{}
	out.Body.Low = []store.Supply{}
	var cupboard []sheet.Item
	for _, s := range list {
		cupboard = append(cupboard, sheet.Item{Name: s.Name, Unit: s.Unit, Stock: s.Stock, Price: s.Price})
		if s.Stock <= s.Low {
			out.Body.Low = append(out.Body.Low, s)
		}
	}
	out.Body.Needs = sheet.Shopping(steps, cupboard)
	return out, nil
}
