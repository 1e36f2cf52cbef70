package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/plant"
	"tendermend/core/prognosis"
	"tendermend/core/roots"
	"tendermend/store"
)

type guideInput struct {
	Habit string             `query:"habit" required:"true"`
	At    diagnosis.Occasion `query:"at" default:"home" enum:"home,sale"`
}

type guideOutput struct {
	Body struct {
		Asks []diagnosis.Ask `json:"asks" doc:"Parts from the outside in, with the signs to ask first."`
		Fits []string        `json:"fits" doc:"Signs that a plant of this habit can show."`
	}
}

type tallyInput struct {
	Body struct {
		Tally      roots.Tally `json:"tally"`
		PotWidthCM *float64    `json:"potWidthCm,omitempty" minimum:"0" maximum:"1000" doc:"Inner width of its pot, cm."`
	}
}

// OfferAsked is a plant that somebody sells, as far as it was looked at.
type OfferAsked struct {
	Habit string `json:"habit"`
	Answered
	Asked *float64 `json:"asked,omitempty" minimum:"0" maximum:"100000" doc:"In the collection's money."`
	Sound *float64 `json:"sound,omitempty" minimum:"0" maximum:"100000" doc:"What a sound one costs."`
}

type appraisalInput struct {
	Body struct {
		OfferAsked
		Filling float64 `json:"filling" minimum:"0" maximum:"10000" doc:"What a pot with fresh mix costs."`
	}
}

// OfferNamed is an offer among others.
type OfferNamed struct {
	Name string `json:"name" maxLength:"80"`
	OfferAsked
}

type rankInput struct {
	Body struct {
		Offers  []OfferNamed `json:"offers" minItems:"1" maxItems:"12"`
		Lot     *float64     `json:"lot,omitempty" minimum:"0" maximum:"100000" doc:"One price for all of them."`
		Filling float64      `json:"filling" minimum:"0" maximum:"10000" doc:"What a pot with fresh mix costs."`
	}
}

// AppraisalView is an appraisal with the looks to take before paying.
type AppraisalView struct {
	prognosis.Appraisal
	Clash []string `json:"clash" doc:"Two answers that cannot both be true of one look."`
	Today day.Day  `json:"today"`
}

func (srv *server) lookingOperations(api huma.API) {
	huma.Register(api, op("get-guide", http.MethodGet, "/api/guide",
		"The order of a first look, with the signs to ask first", "diagnosis"),
		signedIn(srv, srv.getGuide))
	huma.Register(api, op("read-tally", http.MethodPost, "/api/tally",
		"What a root tally comes to; records nothing", "diagnosis"),
		signedIn(srv, srv.readTally))
	huma.Register(api, op("appraise", http.MethodPost, "/api/appraisal",
		"What a plant that is for sale is worth; records nothing", "diagnosis"),
		signedIn(srv, srv.appraise))
	huma.Register(api, op("rank-offers", http.MethodPost, "/api/appraisal/beside",
		"Several offers beside each other, and one price for all of them; records nothing", "diagnosis"),
		signedIn(srv, srv.rankOffers))
}

func (srv *server) getGuide(ctx context.Context, a store.Account, in *guideInput) (*guideOutput, error) {
	habit, ok := plant.HabitByID(in.Habit)
	if !ok {
		return nil, huma.Error422UnprocessableEntity("There is no such growth habit; pick how it grows.")
	}
	judged, err := srv.store.Knowledge(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	out := &guideOutput{}
	out.Body.Asks, out.Body.Fits = judged.Guide(habit, srv.season(a), in.At), diagnosis.SignsOf(habit)
	return out, nil
}

func (srv *server) readTally(_ context.Context, _ store.Account, in *tallyInput) (*body[roots.Result], error) {
	width := 0.0
	if in.Body.PotWidthCM != nil {
		width = *in.Body.PotWidthCM
	}
	return &body[roots.Result]{in.Body.Tally.Read(width)}, nil
}

func (srv *server) appraise(ctx context.Context, a store.Account, in *appraisalInput) (*body[AppraisalView], error) {
	judged, err := srv.store.Knowledge(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	view := AppraisalView{Today: a.Collection.Today(srv.Clock())}
	view.Appraisal, view.Clash, err = srv.weigh(a, judged, in.Body.OfferAsked, in.Body.Filling)
	if err != nil {
		return nil, err
	}
	return &body[AppraisalView]{view}, nil
}

// weigh says what one offer is worth, and which of its answers clash.
func (srv *server) weigh(
	a store.Account, judged *diagnosis.Knowledge, o OfferAsked, filling float64,
) (prognosis.Appraisal, []string, error) {
	e := o.examination(o.Habit, srv.season(a))
	e.Fragile = true
	worth, err := prognosis.Appraise(
		judged, prognosis.Offer{Examination: e, Asked: o.Asked, Sound: o.Sound, Filling: filling})
	if err != nil {
		return worth, nil, huma.Error422UnprocessableEntity("An answer could not be read: " + err.Error() + ".")
	}
	return worth, clash(e), nil
}

func (srv *server) rankOffers(
	ctx context.Context, a store.Account, in *rankInput,
) (*body[prognosis.OffersBeside], error) {
	judged, err := srv.store.Knowledge(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	n := len(in.Body.Offers)
	worth, asked, names := make([]prognosis.Appraisal, n), make([]*float64, n), make([]string, n)
	for i, o := range in.Body.Offers {
		if worth[i], _, err = srv.weigh(a, judged, o.OfferAsked, in.Body.Filling); err != nil {
			return nil, err
		}
		asked[i], names[i] = o.Asked, o.Name
	}
	return &body[prognosis.OffersBeside]{prognosis.Rank(worth, asked, names, in.Body.Lot)}, nil
}

func (srv *server) season(a store.Account) climate.Season {
	return climate.SeasonOf(a.Collection.Today(srv.Clock()), a.Collection.South)
}
