package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"tendermend/core/climate"
	"tendermend/core/diagnosis"
	"tendermend/core/everyday"
	"tendermend/core/feed"
	"tendermend/core/glossary"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/roots"
	"tendermend/core/treatment"
	"tendermend/record"
	"tendermend/store"
)

// Knowledge is what the screens need of the trade: names and how to look.
type Knowledge struct {
	diagnosis.Edition
	Habits       []plant.Habit           `json:"habits"`
	Zones        []diagnosis.Zone        `json:"zones" doc:"In the order of a look from the outside in."`
	Signs        []diagnosis.Sign        `json:"signs"`
	Causes       []diagnosis.Cause       `json:"causes"`
	Moves        []diagnosis.Move        `json:"moves"`
	Measures     []recovery.Measure      `json:"measures"`
	InPassing    []recovery.Measure      `json:"inPassing" doc:"What is asked of any plant in passing."`
	Tracks       []recovery.Track        `json:"tracks"`
	Growths      []recovery.SortOfGrowth `json:"growths" doc:"Sorts of growth that are followed."`
	GrowthStates []recovery.GrowthState  `json:"growthStates" enum:"starting,growing,mature,stalled,lost"`
	Marks        []recovery.MarkWords    `json:"marks" doc:"Marks that a growth can carry."`
	Sides        []record.Side           `json:"sides" enum:"front,left,right,back,top,base,roots" doc:"Of pictures."`
	RootSorts    []roots.Sort            `json:"rootSorts" doc:"Into which roots are counted."`
	RootManner   string                  `json:"rootManner" doc:"How roots are counted."`
	SlowFeeds    []feed.Slow             `json:"slowFeeds" doc:"What feeds a little for long, without a label."`
	Lights       []climate.Light         `json:"lights" doc:"What light comes from."`
	Likelihoods  []diagnosis.Likelihood  `json:"likelihoods" doc:"Chances in words, the greatest first."`
	Glossary     []glossary.Word         `json:"glossary" doc:"Words of the trade by the alphabet."`
	Complaints   []everyday.Complaint    `json:"complaints" doc:"What people say most of a plant, with its signs."`
	// Isolated is what an arrival begins with, by how long it had been had.
	Isolated map[record.Had]bool `json:"isolated" doc:"Whether an arrival is kept apart, by how long it had been had."`
	// WaterRules and Traits say each id in words.
	WaterRules map[plant.WaterRule]string `json:"waterRules"`
	Severities []string                   `json:"severities" doc:"Of poison: not known, then from none to deadly."`
	Wishes     []treatment.WishWords      `json:"wishes" doc:"What may be wished of a plant that nothing ails."`
	Traits     map[plant.Trait]string     `json:"traits"`
}

type knowledgeOutput struct {
	CacheControl string `header:"Cache-Control"`
	Body         Knowledge
}

func (srv *server) knowledgeOperations(api huma.API) {
	whole := &knowledgeOutput{
		CacheControl: "private, max-age=300",
		Body: Knowledge{
			Edition: diagnosis.Standard().Edition(), Habits: plant.Habits(), Zones: diagnosis.Zones(), Signs: diagnosis.Signs(),
			Causes: diagnosis.Causes(), Moves: diagnosis.Moves(), Measures: recovery.Measures(),
			InPassing: recovery.InPassing(), Tracks: recovery.Tracks(),
			Growths: recovery.GrowthSorts(), GrowthStates: recovery.GrowthStates(), Marks: recovery.Marks(),
			Sides:     record.Sides(),
			RootSorts: roots.Sorts(), RootManner: roots.Manner, SlowFeeds: feed.SlowFeeds(), Lights: climate.Lights(),
			WaterRules: plant.WaterRuleText(), Traits: plant.TraitWords(), Severities: plant.Severities(),
			Wishes: treatment.Offered(), Isolated: record.IsolatedAtFirst(),
			Likelihoods: diagnosis.Likelihoods(), Glossary: glossary.Words(), Complaints: everyday.Complaints(),
		},
	}
	huma.Register(
		api,
		op("get-knowledge", http.MethodGet, "/api/knowledge", "Names and facts of the trade", "knowledge"),
		signedIn(
			srv,
			func(context.Context, store.Account, *struct{}) (*knowledgeOutput, error) { return whole, nil },
		),
	)
}
