package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"tendermend/core/diagnosis"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/store"
)

// Knowledge is what the screens need of the trade: names and how to look.
type Knowledge struct {
	Version  string             `json:"version"`
	Habits   []plant.Habit      `json:"habits"`
	Zones    []diagnosis.Zone   `json:"zones" doc:"In the order of a look from the outside in."`
	Signs    []diagnosis.Sign   `json:"signs"`
	Causes   []diagnosis.Cause  `json:"causes"`
	Moves    []diagnosis.Move   `json:"moves"`
	Measures []recovery.Measure `json:"measures"`
	Tracks   []recovery.Track   `json:"tracks"`
}

type knowledgeOutput struct {
	CacheControl string `header:"Cache-Control"`
	Body         Knowledge
}

type profilesOutput struct {
	Body struct {
		Profiles []plant.Profile `json:"profiles"`
	}
}

// mostProfiles is how many kinds one search gives.
const mostProfiles = 12

func (srv *server) knowledgeOperations(api huma.API) {
	whole := &knowledgeOutput{CacheControl: "private, max-age=300", Body: Knowledge{Version: diagnosis.Version, Habits: plant.Habits(), Zones: diagnosis.Zones,
		Signs: diagnosis.Signs(), Causes: diagnosis.Causes(), Moves: diagnosis.Moves(), Measures: recovery.Measures(), Tracks: recovery.Tracks()}}
	huma.Register(api, op("get-knowledge", http.MethodGet, "/api/knowledge", "Names and facts of the trade", "knowledge"),
		signedIn(srv, func(context.Context, store.Account, *struct{}) (*knowledgeOutput, error) { return whole, nil }))
	huma.Register(api, op("find-profiles", http.MethodGet, "/api/profiles", "Find a kind by name", "knowledge"),
		signedIn(srv, func(_ context.Context, _ store.Account, in *struct {
			Words string `query:"q" maxLength:"80" doc:"Words of the botanical or common name."`
		}) (*profilesOutput, error) {
			out := &profilesOutput{}
			out.Body.Profiles = append([]plant.Profile{}, plant.FindProfiles(in.Words, mostProfiles)...)
			return out, nil
		}))
}
