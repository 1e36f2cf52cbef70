package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/climate"
	"tendermend/core/diagnosis"
	"tendermend/core/facts"
	"tendermend/core/prognosis"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/treatment/sheet"
	"tendermend/core/working"
	"tendermend/record"
	"tendermend/record/due"
	"tendermend/store"
)

// Differential is what the answers so far point to.
type Differential struct {
	Causes    []Suspect               `json:"causes" doc:"With what speaks for and against each."`
	ToRuleOut []diagnosis.CauseChance `json:"toRuleOut" doc:"They kill fast and are not out of the question."`
	Others    int                     `json:"others" doc:"How many other causes share the rest."`
	Sets      []diagnosis.CauseSet    `json:"sets"`
	Checks    []diagnosis.Check       `json:"checks"`
	Waits     map[string]due.Wait     `json:"waits" doc:"By sign: when a check that takes days can be answered."`
	Moves     []diagnosis.Advice      `json:"moves"`
	Verdict   diagnosis.Judgement     `json:"verdict" doc:"Where it stands."`
	Outside   diagnosis.Outside       `json:"outside" doc:"Whether something that is not on the list may be at work."`
	Act       diagnosis.SafeAct       `json:"act" doc:"The first thing that can safely be done now."`
	// Unexplained are signs seen that nothing likely explains.
	Unexplained []string         `json:"unexplained"`
	Conditions  []string         `json:"conditions" doc:"Causes that were seen as such, and not reckoned."`
	Implied     []string         `json:"implied" doc:"Signs taken as not there because one seen excludes them."`
	ImpliedSeen []string         `json:"impliedSeen" doc:"Signs that come with one that was seen."`
	Derived     []record.Derived `json:"derived" doc:"What the record answers, overruled or not."`
	Clash       []string         `json:"clash" doc:"Two answers that cannot both be true of one look."`
	Minutes     int              `json:"minutes" doc:"What the answered looks usually take together."`
	Working     working.Working  `json:"working"`
	// Suggested are the causes that stand out; the person decides.
	Suggested []string         `json:"suggested" doc:"Causes that stand out; the person decides."`
	Hinge     *diagnosis.Hinge `json:"hinge,omitempty" doc:"The one answer on which the leading cause hangs."`
	Turns     []diagnosis.Turn `json:"turns" doc:"Looks that would change one's mind about the leading cause."`
	Guided    diagnosis.Guided `json:"guided" doc:"How a look goes on that asks one thing after the other."`
	Fragile   bool             `json:"fragile" doc:"Whether looks that disturb it count double."`
	Learned   bool             `json:"learned" doc:"Whether what the collection's own cases taught was used."`
}

// Suspect is a cause with its chance and evidence.
type Suspect struct {
	diagnosis.CauseChance
	Prior    float64            `json:"prior" doc:"Its chance before any sign, for this habit and season."`
	Evidence []diagnosis.Weight `json:"evidence" doc:"Strongest first."`
	// StandsOut is what the eye is drawn to.
	StandsOut bool `json:"standsOut" doc:"Whether it is likelier than not, and not harmless."`
	Folded    bool `json:"folded" doc:"Whether it is listed only when asked for."`
}

// suspectsShown is how many causes are shown at most with their evidence.
const suspectsShown = 8

type differentialInput struct {
	PlantPath
	Body struct {
		Answered
		// Overruled are signs of the record that the carer sets aside.
		Overruled []string `json:"overruled,omitempty" maxItems:"200"`
	}
}

// Answered is what was answered at a look.
type Answered struct {
	Present []string                    `json:"present" maxItems:"200"`
	Absent  []string                    `json:"absent" maxItems:"200"`
	Unsure  []string                    `json:"unsure,omitempty" maxItems:"200" doc:"Signs that one only thinks to be so."`
	Again   []string                    `json:"again,omitempty" maxItems:"200" doc:"Signs that were seen twice."`
	Unknown []string                    `json:"unknown,omitempty" maxItems:"200" doc:"Asked, and nobody can answer."`
	Degrees map[string]diagnosis.Degree `json:"degrees,omitempty" doc:"How much of a graded sign seen there is."`
}

// examination is the look in which it was answered.
func (a Answered) examination(habit string, season climate.Season) diagnosis.Examination {
	return diagnosis.Examination{
		Habit: habit, Season: season, Present: a.Present, Absent: a.Absent, Unsure: a.Unsure, Again: a.Again,
		Unknown: a.Unknown, Degrees: a.Degrees,
	}
}

// clash gives the two answers of a look that cannot both be true; none where all can.
func clash(e diagnosis.Examination) []string {
	if a, b, found := diagnosis.Contradiction(e); found {
		return []string{a, b}
	}
	return []string{}
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
	Schools  []sheet.School `json:"schools" doc:"Ways of re-establishing an orchid, best first."`
	Answers  sheet.Answers  `json:"answers" doc:"The answers it was made with, with what the record knew."`
	Odds     working.Amount `json:"odds" doc:"Share of plants that live with what is accepted, treated, 0-1."`
	Needs    []sheet.Need   `json:"needs" doc:"What its steps need, against the cupboard."`
	Breaches []RuleBroken   `json:"breaches" doc:"Rules that a changed plan goes against."`
	Kept     []RuleBroken   `json:"kept" doc:"Rules that keep a sitting from its day; it comes on the nearest."`
	Edited   []sheet.Edited `json:"edited" doc:"The changes, by the name and sitting of their steps."`
	Gone     []sheet.Gone   `json:"gone" doc:"Changes of steps that it does not have; it is not taken up with them."`
	// Questions are what nobody said and would change this plan.
	Questions []sheet.Question `json:"questions" doc:"What nobody said and would change this plan; five at most."`
	Facts     []facts.Row      `json:"facts" doc:"What the plan begins from, as far as it is known."`
}

// PlanChoices is where the trade disagrees about a plan.
type PlanChoices struct {
	Choices []sheet.Choice `json:"choices" doc:"With the sides that change this plan."`
}

// RuleBroken is a rule that a plan goes against, in words.
type RuleBroken struct {
	Rule   string `json:"rule"`
	Never  string `json:"never" doc:"What is never done."`
	Why    string `json:"why" doc:"Why it is never done."`
	Here   string `json:"here" doc:"What breaks it here."`
	Step   string `json:"step" doc:"Title of the step; empty where the whole plan breaks it."`
	Reason string `json:"reason" doc:"Why the carer does it all the same; empty where nobody said."`
	Edit   string `json:"edit" doc:"The step of the change that it comes of; empty where of no single one."`
}

func brokenRules(list []check.Breach) []RuleBroken {
	out := []RuleBroken{}
	for _, b := range list {
		r, _ := treatment.RuleByID(b.Rule)
		o, _ := treatment.OperatorByID(treatment.OperatorID(b.Step))
		out = append(out, RuleBroken{string(b.Rule), r.Never, r.Why, b.Why, o.Title, b.Reason, b.Edit})
	}
	return out
}

func (srv *server) diagnosisOperations(api huma.API) {
	huma.Register(api, op("differential", http.MethodPost, "/api/plants/{plant}/differential",
		"What the answers so far point to; records nothing", "diagnosis"),
		signedIn(srv, srv.answerDifferential))
	huma.Register(api, op("preview-plan", http.MethodPost, "/api/plants/{plant}/plan",
		"The plan for the accepted causes; records nothing", "diagnosis"),
		signedIn(srv, srv.previewPlan))
	huma.Register(api, op("plan-choices", http.MethodPost, "/api/plants/{plant}/plan/choices",
		"The disagreements of the trade that change this plan; records nothing", "diagnosis"),
		signedIn(srv, srv.planChoices))
}

func (srv *server) answerDifferential(
	ctx context.Context, a store.Account, in *differentialInput,
) (*body[Differential], error) {
	state, err := srv.state(ctx, a, in.Plant)
	if err != nil {
		return nil, err
	}
	said := in.Body.Answered
	look := record.Examined{
		Present: said.Present, Absent: said.Absent, Unsure: said.Unsure, Again: said.Again,
		Unknown: said.Unknown, Degrees: said.Degrees,
	}
	for _, sign := range in.Body.Overruled {
		look.Overruled = append(look.Overruled, record.Overruled{Sign: sign})
	}
	state.Examined = &record.Look{Examined: look}
	d, err := srv.differential(ctx, state, a)
	if err != nil {
		return nil, err
	}
	return &body[Differential]{d}, nil
}

func (srv *server) previewPlan(ctx context.Context, a store.Account, in *planInput) (*body[PlanPreview], error) {
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
		Plan:      made.Sheet,
		Schools:   sheet.SchoolsFor(made.Situation, made.Sheet),
		Answers:   sheet.Known(made.Situation.Facts),
		Odds:      prognosis.Odds(made.Sheet.Causes),
		Needs:     list.Body.Needs,
		Breaches:  brokenRules(made.Breaches),
		Kept:      brokenRules(made.Kept),
		Edited:    made.Edited,
		Gone:      made.Gone,
		Questions: sheet.QuestionsFor(sit, answers),
		Facts:     made.Situation.Facts.Rows(),
	}
	return &body[PlanPreview]{preview}, nil
}

func (srv *server) planChoices(ctx context.Context, a store.Account, in *planInput) (*body[PlanChoices], error) {
	sit, answers, err := srv.situation(ctx, a, in)
	if err != nil {
		return nil, err
	}
	return &body[PlanChoices]{PlanChoices{sheet.ChoicesFor(sit, answers)}}, nil
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
	home, err := srv.store.LivesThere(ctx, a.Collection.ID)
	if err != nil {
		return treatment.Situation{}, sheet.Answers{}, err
	}
	today := a.Collection.Today(srv.Clock())
	sit := state.Situation(in.Body.Answers, in.Body.Keeps, today,
		record.Context{South: a.Collection.South, Household: home})
	return sit, in.Body.Answers, nil
}

// state folds a plant's record.
func (srv *server) state(ctx context.Context, a store.Account, plant plantID) (record.State, error) {
	return srv.store.State(ctx, a.Collection.ID, plant)
}

func (srv *server) differential(ctx context.Context, state record.State, a store.Account) (Differential, error) {
	today := a.Collection.Today(srv.Clock())
	e := state.Examination(today, a.Collection.South)
	answered := diagnosis.Examination{
		Habit: e.Habit, Present: state.Examined.Present, Absent: state.Examined.Absent, Unsure: state.Examined.Unsure,
	}
	knowledge, err := srv.store.Knowledge(ctx, a.Collection.ID)
	if err != nil {
		return Differential{}, err
	}
	there, not := knowledge.Implied(answered)
	out := Differential{
		Derived:     append([]record.Derived{}, state.Derive(today, a.Collection.South)...),
		Clash:       clash(answered),
		Implied:     append([]string{}, not...),
		ImpliedSeen: append([]string{}, there...),
		Fragile:     e.Fragile,
	}
	c, err := knowledge.Examine(e)
	if err != nil {
		return out, huma.Error422UnprocessableEntity("An answer could not be read: " + err.Error() + ".")
	}
	out.Learned = knowledge.Edition().Learned
	out.Verdict, out.Outside, out.Unexplained, out.Conditions = c.Verdict(), c.Outside(), c.Unexplained(), c.Conditions()
	out.Sets, out.Checks, out.Turns, out.Guided = c.Sets(), c.NextChecks(), c.Turns(), c.Guided()
	out.Waits = due.Waits(state, out.Checks, today)
	out.Moves, out.ToRuleOut, out.Suggested = c.Moves(out.Checks), c.ToRuleOut(), c.Suggested()
	out.Act = c.FirstAct(out.Moves)
	out.suspects(c)
	out.Minutes = diagnosis.Minutes(append(append([]string{}, state.Examined.Present...), state.Examined.Absent...))
	out.Working = c.Working()
	return out, nil
}

// suspects lists the likeliest causes with what speaks for and against each.
func (out *Differential) suspects(c *diagnosis.Case) {
	ranked := c.Causes()
	var ids []string
	for _, cc := range ranked[:suspectsShown] {
		ids = append(ids, cc.ID)
	}
	evidence := c.Evidence(ids)
	shown := len(c.Listed())
	for i, cc := range ranked[:suspectsShown] {
		out.Causes = append(out.Causes, Suspect{
			cc, c.Prior(cc.ID), append([]diagnosis.Weight{}, evidence[cc.ID]...), diagnosis.StandsOut(cc), i >= shown,
		})
	}
	if h, hangs := c.Hinge(evidence[ranked[0].ID]); hangs {
		out.Hinge = &h
	}
	for _, cc := range ranked[suspectsShown:] {
		if cc.Chance > 0 {
			out.Others++
		}
	}
}
