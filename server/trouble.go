package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"tendermend/core/diagnosis"
	"tendermend/core/everyday"
	"tendermend/core/plant"
	"tendermend/core/working"
	"tendermend/store"
)

type wordsInput struct {
	Words string `query:"words" required:"true" maxLength:"200" doc:"What somebody sees, in their own words."`
}

type signsOutput struct {
	Body struct {
		Signs []string `json:"signs" doc:"Ids of the signs that it may mean, likeliest first."`
	}
}

type readInput struct {
	Body struct {
		Text string `json:"text" maxLength:"2000"`
	}
}

// ReadView is what a text was read as, to be confirmed by who wrote it.
type ReadView struct {
	Kinds   []plant.Profile  `json:"kinds" doc:"Kinds that it may be about, likeliest first."`
	Group   *plant.KindGroup `json:"group,omitempty" doc:"The group that it speaks of, where it names no kind."`
	Present []everyday.Seen  `json:"present"`
	Absent  []string         `json:"absent"`
}

type troubleInput struct {
	Body struct {
		Habit string `json:"habit,omitempty" doc:"How it grows; left out where nobody can tell."`
		Kind  string `json:"kind,omitempty" doc:"Id of its kind, where it is known."`
		Answered
	}
}

// Trouble is what the answers about a plant that is in no collection point to.
type Trouble struct {
	Habit   string                  `json:"habit" doc:"How it is taken to grow."`
	Assumed bool                    `json:"assumed" doc:"Whether nobody said how it grows."`
	Causes  []diagnosis.CauseChance `json:"causes" doc:"Those that are listed, likeliest first."`
	Verdict diagnosis.Judgement     `json:"verdict"`
	Outside diagnosis.Outside       `json:"outside"`
	Checks  []diagnosis.Check       `json:"checks"`
	Turns   []diagnosis.Turn        `json:"turns"`
	Hinge   *diagnosis.Hinge        `json:"hinge,omitempty" doc:"The one answer on which the leading cause hangs."`
	Guided  diagnosis.Guided        `json:"guided" doc:"How a look goes on that asks one thing after the other."`
	Act     diagnosis.SafeAct       `json:"act" doc:"The first thing that can safely be done now."`
	Clash   []string                `json:"clash" doc:"Two answers that cannot both be true of one look."`
	Working working.Working         `json:"working" doc:"Of the chances."`
}

func (srv *server) troubleOperations(api huma.API) {
	huma.Register(api, op("find-signs", http.MethodGet, "/api/signs",
		"The signs that everyday words mean", "diagnosis"), signedIn(srv, srv.findSigns))
	huma.Register(api, op("read-text", http.MethodPost, "/api/read",
		"What a sentence says of a plant; records nothing", "diagnosis"), signedIn(srv, srv.readText))
	huma.Register(api, op("trouble", http.MethodPost, "/api/trouble",
		"What the answers about any plant point to; records nothing", "diagnosis"), signedIn(srv, srv.trouble))
}

func (srv *server) findSigns(_ context.Context, _ store.Account, in *wordsInput) (*signsOutput, error) {
	out := &signsOutput{}
	out.Body.Signs = everyday.Signs(in.Words)
	return out, nil
}

func (srv *server) readText(ctx context.Context, a store.Account, in *readInput) (*body[ReadView], error) {
	kinds, err := srv.store.Kinds(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	read := everyday.Read(in.Body.Text, kinds)
	view := ReadView{Kinds: []plant.Profile{}, Group: read.Group, Present: read.Present, Absent: read.Absent}
	for _, id := range read.Kind {
		if p, known := kinds.ByID(id); known {
			view.Kinds = append(view.Kinds, p)
		}
	}
	return &body[ReadView]{view}, nil
}

func (srv *server) trouble(ctx context.Context, a store.Account, in *troubleInput) (*body[Trouble], error) {
	kinds, err := srv.store.Kinds(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	judged, err := srv.store.Knowledge(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	said := in.Body
	e := said.examination(said.Habit, srv.season(a))
	if kind, known := kinds.ByID(said.Kind); known {
		e.Habit, e.Traits = kind.Habit, kind.Traits
	}
	view := Trouble{Assumed: e.Habit == "", Clash: clash(e)}
	if view.Assumed {
		e.Habit = diagnosis.AnyHabit
	}
	c, err := judged.Examine(e)
	if err != nil {
		return nil, huma.Error422UnprocessableEntity("An answer could not be read: " + err.Error() + ".")
	}
	view.Habit, view.Causes, view.Verdict, view.Outside = e.Habit, c.Listed(), c.Verdict(), c.Outside()
	view.Checks, view.Turns, view.Guided = c.NextChecks(), c.Turns(), c.Guided()
	if h, hangs := c.LeadHinge(); hangs {
		view.Hinge = &h
	}
	view.Act, view.Working = c.FirstAct(c.Moves(view.Checks)), c.Working()
	return &body[Trouble]{view}, nil
}
