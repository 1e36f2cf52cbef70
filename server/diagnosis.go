package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/diagnosis"
	"tendermend/core/prognosis"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/treatment/sheet"
	"tendermend/core/working"
	"tendermend/record"
	"tendermend/store"
)

// Differential is what the answers so far point to.
type Differential struct {
	Causes  []Suspect            `json:"causes" doc:"The likeliest causes with what speaks for and against them."`
	Others  int                  `json:"others" doc:"How many other causes share the rest."`
	Sets    []diagnosis.CauseSet `json:"sets"`
	Checks  []diagnosis.Check    `json:"checks"`
	Moves   []diagnosis.Advice   `json:"moves"`
	Enough  bool                 `json:"enough"`
	Implied []string             `json:"implied" doc:"Signs taken as not there because one seen excludes them."`
	Derived []record.Derived     `json:"derived" doc:"What the record answers, overruled or not."`
	Clash   []string             `json:"clash" doc:"Two answers that cannot both be true of one look."`
	Minutes int                  `json:"minutes" doc:"What the answered looks usually take together."`
	Working working.Working      `json:"working"`
	Verdict string               `json:"verdict" doc:"Where it stands, in a sentence."`
	// Suggested are the causes that stand out; the person decides.
	Suggested []string         `json:"suggested" doc:"Causes that stand out: to be accepted, unless the person knows better."`
	Hinge     *diagnosis.Hinge `json:"hinge,omitempty" doc:"The one answer on which the leading cause hangs."`
	Turns     []diagnosis.Turn `json:"turns" doc:"Looks that would change one's mind about the leading cause."`
	Fragile   bool             `json:"fragile" doc:"Whether looks that disturb it count double."`
	Complete  bool             `json:"complete" doc:"Whether no further look is worth its trouble."`
}

// Suspect is a cause with its chance and evidence.
type Suspect struct {
	diagnosis.CauseChance
	Prior    float64            `json:"prior" doc:"Its chance before any sign, for this habit and season."`
	Evidence []diagnosis.Weight `json:"evidence" doc:"Strongest first."`
	// StandsOut is what the eye is drawn to.
	StandsOut bool `json:"standsOut" doc:"Whether it is likelier than not, and needs treatment."`
}

// suspectsShown is how many causes are shown with their evidence.
const suspectsShown = 8

type differentialInput struct {
	PlantPath
	Body struct {
		Present []string `json:"present" maxItems:"128"`
		Absent  []string `json:"absent" maxItems:"128"`
		// Overruled are signs of the record that the carer sets aside.
		Overruled []string `json:"overruled,omitempty" maxItems:"128"`
	}
}

type planInput struct {
	PlantPath
	Body struct {
		Answers sheet.Answers `json:"answers"`
		Case    *uuid.UUID    `json:"case,omitempty" doc:"The case that it is for; the case in hand where it names none."`
		Keeps   bool          `json:"keeps,omitempty" doc:"Whether it is made again in the middle of the same work."`
	}
}

// PlanPreview is a plan before it is taken up.
type PlanPreview struct {
	Plan     sheet.Plan     `json:"plan"`
	Schools  []sheet.School `json:"schools" doc:"Ways of re-establishing an orchid, best first; empty where its roots are not worked on."`
	Answers  sheet.Answers  `json:"answers" doc:"The answers it was made with, with what the record knew."`
	Odds     working.Amount `json:"odds" doc:"Share of plants that live with what is accepted, treated, 0-1."`
	Needs    []sheet.Need   `json:"needs" doc:"What its steps need, against the cupboard."`
	Breaches []RuleBroken   `json:"breaches" doc:"Rules that a changed plan goes against."`
}

// PlanChoices is where the trade disagrees about a plan.
type PlanChoices struct {
	Choices []sheet.Choice `json:"choices" doc:"With the sides that change this plan; the usual one first."`
}

// RuleBroken is a rule that a plan goes against, in words.
type RuleBroken struct {
	Rule   string `json:"rule"`
	Never  string `json:"never" doc:"What is never done."`
	Why    string `json:"why" doc:"Why it is never done."`
	Here   string `json:"here" doc:"What breaks it here."`
	Step   string `json:"step" doc:"Title of the step; empty where the whole plan breaks it."`
	Reason string `json:"reason" doc:"Why the carer does it all the same; empty where nobody said."`
}

func brokenRules(list []check.Breach) []RuleBroken {
	out := []RuleBroken{}
	for _, b := range list {
		r, _ := treatment.RuleByID(b.Rule)
		o, _ := treatment.OperatorByID(treatment.OperatorID(b.Step))
		out = append(out, RuleBroken{string(b.Rule), r.Never, r.Why, b.Why, o.Title, b.Reason})
	}
	return out
}

func (srv *server) diagnosisOperations(api huma.API) {
	huma.Register(
		api,
		op(
			"differential",
			http.MethodPost,
			"/api/plants/{plant}/differential",
			"What the answers so far point to; records nothing",
			"diagnosis",
		),
		signedIn(
			srv,
			func(ctx context.Context, a store.Account, in *differentialInput) (*struct{ Body Differential }, error) {
				state, err := srv.state(ctx, a, in.Plant)
				if err != nil {
					return nil, err
				}
				look := record.Examined{Present: in.Body.Present, Absent: in.Body.Absent}
				for _, sign := range in.Body.Overruled {
					look.Overruled = append(look.Overruled, record.Overruled{Sign: sign})
				}
				state.Examined = &record.Look{Examined: look}
				d, err := differential(state, a, srv)
				if err != nil {
					return nil, huma.Error422UnprocessableEntity("An answer could not be read: " + err.Error() + ".")
				}
				return &struct{ Body Differential }{d}, nil
			},
		),
	)
	huma.Register(
		api,
		op(
			"preview-plan",
			http.MethodPost,
			"/api/plants/{plant}/plan",
			"The plan for the accepted causes; records nothing",
			"diagnosis",
		),
		signedIn(srv, func(ctx context.Context, a store.Account, in *planInput) (*struct{ Body PlanPreview }, error) {
			sit, answers, err := srv.situation(ctx, a, in)
			if err != nil {
				return nil, err
			}
			made, err := sheet.Of(sit, answers)
			if err != nil {
				return nil, huma.Error422UnprocessableEntity(err.Error())
			}
			list, err := srv.shopping(ctx, a, made.Sheet.Steps)
			if err != nil {
				return nil, err
			}
			preview := PlanPreview{
				Plan:     made.Sheet,
				Schools:  sheet.SchoolsFor(made.Situation, made.Sheet),
				Answers:  answers,
				Odds:     prognosis.Odds(made.Sheet.Causes),
				Needs:    list.Body.Needs,
				Breaches: brokenRules(made.Breaches),
			}
			return &struct{ Body PlanPreview }{preview}, nil
		}),
	)
	huma.Register(
		api,
		op(
			"plan-choices",
			http.MethodPost,
			"/api/plants/{plant}/plan/choices",
			"The disagreements of the trade that change this plan; records nothing",
			"diagnosis",
		),
		signedIn(srv, func(ctx context.Context, a store.Account, in *planInput) (*struct{ Body PlanChoices }, error) {
			sit, answers, err := srv.situation(ctx, a, in)
			if err != nil {
				return nil, err
			}
			return &struct{ Body PlanChoices }{PlanChoices{sheet.ChoicesFor(sit, answers)}}, nil
		}),
	)
}

// situation reads what a plan is asked for, from the record and the answers.
func (srv *server) situation(
	ctx context.Context, a store.Account, in *planInput,
) (treatment.Situation, sheet.Answers, error) {
	state, err := srv.state(ctx, a, in.Plant)
	if err != nil {
		return treatment.Situation{}, sheet.Answers{}, err
	}
	planned := record.Planned{Answers: in.Body.Answers}
	if state, err = record.ForPlan(planned, state, in.Body.Case); err != nil {
		return treatment.Situation{}, sheet.Answers{}, err
	}
	home, _, err := srv.store.Household(ctx, a.Collection.ID)
	if err != nil {
		return treatment.Situation{}, sheet.Answers{}, err
	}
	today := a.Collection.Today(srv.Clock())
	sit, answers := state.Situation(in.Body.Answers, in.Body.Keeps, today,
		record.Context{South: a.Collection.South, Household: home})
	return sit, answers, nil
}

// state folds a plant's record.
func (srv *server) state(ctx context.Context, a store.Account, plant plantID) (record.State, error) {
	return srv.store.State(ctx, a.Collection.ID, plant)
}

func differential(state record.State, a store.Account, srv *server) (Differential, error) {
	today := a.Collection.Today(srv.Clock())
	e := state.Examination(today, a.Collection.South)
	out := Differential{
		Derived: append([]record.Derived{}, state.Derive(today, a.Collection.South)...),
		Clash:   []string{},
		Implied: append([]string{}, diagnosis.Implied(state.Examined.Present, state.Examined.Absent)...),
		Fragile: e.Fragile,
	}
	if x, y, clash := diagnosis.Contradiction(state.Examined.Present, state.Examined.Absent); clash {
		out.Clash = []string{x, y}
	}
	c, err := diagnosis.Examine(e)
	if err != nil {
		return out, err
	}
	out.Sets, out.Checks, out.Enough = c.Sets(), c.NextChecks(), c.Enough()
	out.Moves, out.Turns = c.Moves(out.Checks), c.Turns()
	out.Complete = len(out.Checks) == 0
	ranked := c.Causes()
	var ids []string
	for _, cc := range ranked[:suspectsShown] {
		ids = append(ids, cc.ID)
	}
	evidence := c.Evidence(ids)
	for _, cc := range ranked[:suspectsShown] {
		s := Suspect{
			cc,
			diagnosis.PriorFor(cc.ID, state.Habit, e.Season),
			append([]diagnosis.Weight{}, evidence[cc.ID]...),
			diagnosis.StandsOut(cc),
		}
		out.Causes = append(out.Causes, s)
	}
	if h, hangs := c.Hinge(evidence[ranked[0].ID]); hangs {
		out.Hinge = &h
	}
	for _, cc := range ranked[suspectsShown:] {
		if cc.Chance > 0 {
			out.Others++
		}
	}
	out.Minutes = diagnosis.Minutes(append(append([]string{}, state.Examined.Present...), state.Examined.Absent...))
	out.Verdict = diagnosis.Verdict(ranked, out.Sets, out.Enough, out.Complete)
	out.Suggested = diagnosis.Suggested(ranked, out.Enough)
	out.Working = working.Working{
		Inputs: []working.Input{
			{Name: "signs seen", Value: float64(len(e.Present))},
			{Name: "looked for, not there", Value: float64(len(e.Absent))},
			{Name: "causes thought of at the same time, at most", Value: 4},
		},
		Formula: "P(sign absent) = (1 − background) × Π(1 − link); every set of up to four causes summed exactly",
		Source: "noisy-OR networks: Pearl 1988, ch. 4; Heckerman 1989; Shwe et al. 1991, Methods Inf Med 30:241. " +
			"Priors and links: common practice",
		Sure: "as good as its tables; see the share of worked cases it gets right"}
	return out, nil
}
