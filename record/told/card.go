// Package told says what a record tells who looks back or stands before the plant: its
// seam, its card and its review.
package told

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/core/working"
	"tendermend/record"
)

// Card says what a plant is given now: each line follows from its plan, from the facts
// and from its kind. It holds no figure, day or cover of its own.
type Card struct {
	Water CardLine        `json:"water"`
	Air   CardLine        `json:"air"`
	Light CardLine        `json:"light"`
	Feed  CardLine        `json:"feed"`
	Gets  *working.Amount `json:"gets,omitempty" doc:"The light that it gets, mol a day."`
	Done  []string        `json:"done" doc:"What was done so far, in words."`
}

// CardLine is one line of a card, with where it comes from.
type CardLine struct {
	Text string `json:"text"`
	From string `json:"from" enum:"plan,facts,kind"`
}

const fromPlan, fromFacts, fromKind = "plan", "facts", "kind"

// CardOf gives the card of the case in hand on a day.
func CardOf(s record.State, on day.Day, south bool) Card {
	c := carding{State: s, on: on, south: south, facts: s.Facts(on, record.Context{South: south})}
	card := Card{Water: c.water(), Air: c.air(), Feed: c.feed(), Done: c.done()}
	card.Light, card.Gets = c.light()
	return card
}

// carding writes a card.
type carding struct {
	record.State
	on    day.Day
	south bool
	facts facts.Facts
}

// steps gives the steps of the plan with one of these operators, skipped ones left out.
func (c carding) steps(ops ...treatment.OperatorID) (list []sheet.Step) {
	if c.Plan == nil || !c.Case.Open() {
		return nil
	}
	for _, step := range c.Plan.Steps {
		if slices.Contains(ops, treatment.OperatorID(step.Op)) && !c.Ticks[step.ID].Skipped {
			list = append(list, step)
		}
	}
	return list
}

// pending gives the first such step that is still to be done.
func (c carding) pending(ops ...treatment.OperatorID) (sheet.Step, bool) {
	for _, step := range c.steps(ops...) {
		if _, ticked := c.Ticks[step.ID]; !ticked {
			return step, true
		}
	}
	return sheet.Step{}, false
}

// running gives the first repeated step that was begun, or is due, and goes on.
func (c carding) running(ops ...treatment.OperatorID) (sheet.Step, bool) {
	for _, step := range c.steps(ops...) {
		next, goesOn := c.NextOn(step)
		if step.Every > 0 && goesOn && next <= c.on+day.Day(step.Every) && !c.StepOver(step) {
			return step, true
		}
	}
	return sheet.Step{}, false
}

// when says when a step is due, or what it waits for.
func (c carding) when(step sheet.Step) string {
	if o, gated := c.Opening(step, c.on); gated && !o.Open {
		return "when this is so: " + step.Gate
	}
	return "on " + c.DueOn(step.ID).Words()
}

func amountOf(step sheet.Step) string {
	if step.Makes == nil || step.Makes.Waters == nil {
		return ""
	}
	w := *step.Makes.Waters
	switch {
	case w.ML != nil:
		return fmt.Sprintf(", %g ml", *w.ML)
	case w.How == facts.WateredLight:
		return ", a light one"
	}
	return ", through"
}

// water: its stage or set-up first, then its rule.
func (c carding) water() CardLine {
	if first, waits := c.pending(treatment.FirstWater); waits && c.worked() {
		return CardLine{"First water " + c.when(first) + amountOf(first) + "; none before", fromPlan}
	}
	if wet, on := c.running(treatment.WetRoots, treatment.ChangeWater, treatment.Soak, treatment.Mist); on {
		return CardLine{wet.Title + ", " + working.Every(wet.Every, "day") + " until " + wet.Until, fromPlan}
	}
	line := c.WaterLine(c.on, c.south)
	switch {
	case !line.Days:
		return CardLine{"None now: " + line.Why, fromPlan}
	case line.Rule == plant.Dish:
		return CardLine{c.dish(), fromPlan}
	case c.facts.Seat.Value == facts.InReservoir && c.facts.LevelCM.Known:
		return CardLine{fmt.Sprintf("By its level: the water space filled to %g cm, again a day after it is empty",
			c.facts.LevelCM.Value), fromFacts}
	case c.facts.Seat.Value == facts.InCup, c.facts.Seat.Value == facts.InJar:
		return CardLine{"It stands in water: changed when the plan says, the level below the base", fromFacts}
	}
	return CardLine{working.Capital(line.Words) + ": " + line.Why, fromKind}
}

// dish says how high its dish is filled, or what to measure for that.
func (c carding) dish() string {
	if level := c.LevelWords(plant.Dish); level != "" {
		return "From below: its dish is filled " + level + "; the level falls as its roots grow down"
	}
	return "From below: measure its longest root and how deep its pot is, and the level of its dish follows"
}

// worked says whether its roots were worked on under this plan.
func (c carding) worked() bool {
	_, worked := c.CarriedOut()[string(treatment.Unpot)]
	return worked
}

// air: the cover that stands over it and when it comes off; else its kind's.
func (c carding) air() CardLine {
	cover := c.facts.Cover
	if cover.Known && cover.Value != facts.Uncovered {
		said := "Under its " + string(cover.Value) + " cover"
		if wean, waits := c.pending(treatment.Wean); waits {
			said += "; opened by steps " + c.when(wean)
		}
		return CardLine{said, fromFacts}
	}
	if step, waits := c.pending(treatment.CoverIt); waits {
		return CardLine{"To be covered " + c.when(step), fromPlan}
	}
	if why, left := c.leftOut("cover"); left {
		return CardLine{"No cover: " + why, fromPlan}
	}
	if step, waits := c.pending(treatment.Humidify); waits {
		return CardLine{step.Title + " " + c.when(step), fromPlan}
	}
	if len(c.steps(treatment.Air)) > 0 {
		return CardLine{"Moving air, no cover", fromPlan}
	}
	return CardLine{fmt.Sprintf("No cover; %g %% humidity and more as its kind likes", c.Wants.Humidity[1]), fromKind}
}

// leftOut says why its plan does without something.
func (c carding) leftOut(op string) (why string, left bool) {
	if c.Plan == nil {
		return "", false
	}
	i := slices.IndexFunc(c.Plan.Rules, func(r sheet.Rule) bool { return r.ID == op })
	if i < 0 {
		return "", false
	}
	return working.Lower(strings.TrimSuffix(c.Plan.Rules[i].Why, ".")), true
}

// light: the share that its plan gives it, and when more comes; else its kind's best.
func (c carding) light() (CardLine, *working.Amount) {
	share := c.facts.LightShare
	if step, waits := c.pending(treatment.ShadeIt); waits && !share.Known {
		return CardLine{"To be shaded " + c.when(step), fromPlan}, nil
	}
	best := c.Wants.Light[1]
	if !share.Known || share.Value >= 1 {
		gets := recovery.LightAt(1, best)
		return CardLine{"What its kind likes best", fromKind}, &gets
	}
	said := fmt.Sprintf("%.0f %% of what its kind likes best", 100*share.Value)
	if step, waits := c.pending(treatment.Brighten); waits {
		said += "; brighter " + c.when(step)
	} else {
		said += "; a step brighter when it stands firm"
	}
	gets := recovery.LightAt(share.Value, best)
	return CardLine{said, fromFacts}, &gets
}

// feed: the gate of its plan; else its kind's, where nothing forbids it.
func (c carding) feed() CardLine {
	if step, waits := c.pending(treatment.FeedIt); waits {
		said := "None before its gate: " + step.Gate
		if step.Gate == "" {
			said = "From " + c.DueOn(step.ID).Words()
		}
		if step.Makes != nil && step.Makes.Feeds != nil {
			said += fmt.Sprintf("; then %g of the usual strength", *step.Makes.Feeds)
		}
		return CardLine{said, fromPlan}
	}
	if c.facts.NoFeed.Value {
		return CardLine{"None until something new grows", fromPlan}
	}
	if why, rests := c.NoFeed(c.on, c.south); rests {
		return CardLine{"None: " + why, fromKind}
	}
	if c.Case.Open() {
		if _, stage, in := c.CurrentStage(); in && stage.OnReserves {
			return CardLine{"None: it has no roots that could take it up", fromFacts}
		}
	}
	return CardLine{"As its kind likes", fromKind}
}

// done lists what was done under the plan in hand, once each, in the order of the plan.
func (c carding) done() []string {
	list := []string{}
	for _, step := range planSteps(c.State) {
		tick, ticked := c.Ticks[step.ID]
		if ticked && !tick.Skipped && step.Makes != nil && !slices.Contains(list, step.Title) {
			list = append(list, step.Title)
		}
	}
	return list
}

func planSteps(s record.State) []sheet.Step {
	if s.Plan == nil {
		return nil
	}
	return s.Plan.Steps
}
