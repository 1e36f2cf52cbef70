// Package prognosis says what a rescue will probably come to before it is
// begun: the chance to save the plant, the weeks, the minutes and the material,
// and what such a plant is worth at a sale.
package prognosis

import (
	"fmt"
	"math"

	"tendermend/core/cause"
	"tendermend/core/diagnosis"
	"tendermend/core/working"
)

// Outlook is what a rescue will probably come to.
type Outlook struct {
	Lives    float64         `json:"lives" doc:"Chance to save it, 0-1."`
	Least    float64         `json:"least" doc:"The lower end of that chance, 0-1."`
	Most     float64         `json:"most" doc:"The upper end of that chance, 0-1."`
	Weeks    [2]int          `json:"weeks" doc:"Weeks until it is mended, shortest and longest usual."`
	Minutes  int             `json:"minutes" doc:"The carer's minutes over the whole rescue."`
	Fillings float64         `json:"fillings" doc:"Fresh mix and pots, in fillings."`
	Working  working.Working `json:"working"`
}

// Shares by which signs of spent reserves lower the chance to live (common
// practice).
var spent = map[string]float64{
	"root.few-live":          0.80,
	"stem.shrivelled-newest": 0.85,
	"stem.collapsed":         0.6,
	"leaf.wrinkled":          0.93,
}

// spread is how far the truth may lie from the computed chance: the table is no
// better than that.
const spread = 0.15

// Lives gives the share of plants that live with all of these causes, treated:
// the product of their shares, 0-1. Unknown causes count nothing.
func Lives(causes []string) float64 {
	share := 1.0
	for _, id := range causes {
		if o, ok := outlooks[id]; ok {
			share *= o.lives
		}
	}
	return share
}

// Odds gives Lives with its working.
func Odds(causes []string) working.Amount {
	w := working.Working{
		Formula: "the shares that live with each cause, treated, multiplied",
		Source:  working.CommonPractice,
		Sure:    "rough: as growers tell it, not counted",
	}
	for _, id := range causes {
		named, _ := diagnosis.CauseByID(id)
		w.Inputs = append(w.Inputs, working.Input{Name: "live with " + named.Label, Value: outlooks[id].lives})
	}
	return working.Amount{What: "share that lives", Value: Lives(causes), Working: w}
}

// Of gives the outlook of an examined plant: the share that lives summed over
// every set of causes, each weighed with its chance; weeks, minutes and
// material of the causes that are plausible, the longest cause deciding.
func Of(c *diagnosis.Case, e diagnosis.Examination) Outlook {
	o := Outlook{Lives: c.Expect(func(id string) float64 { return outlooks[id].lives })}
	w := working.Working{
		Formula: "Σ over all sets of causes: chance of the set × Π share that lives, × what spent reserves take; " +
			"± 0.15",
		Source: working.CommonPractice, Sure: "rough: shares as growers tell them, not counted"}
	for _, cc := range c.Causes()[:3] {
		named, _ := diagnosis.CauseByID(cc.ID)
		w.Inputs = append(w.Inputs,
			working.Input{Name: "chance of " + named.Label, Value: cc.Chance},
			working.Input{Name: "of those with it, live", Value: outlooks[cc.ID].lives})
	}
	for _, id := range e.Present {
		if share, named := spent[id]; named {
			sign, _ := diagnosis.SignByID(id)
			o.Lives *= share
			w.Inputs = append(w.Inputs, working.Input{Name: sign.Label + ", ×", Value: share})
		}
	}
	o.Least, o.Most = max(0, o.Lives-spread), min(1, o.Lives+spread)
	var minutes, fillings float64
	for _, cc := range c.Causes() {
		at := outlooks[cc.ID]
		minutes += cc.Chance * float64(at.minutes)
		fillings += cc.Chance * at.fillings
		// The causes that are as likely as not to be there set the time.
		if cc.Chance >= 0.4 {
			o.Weeks[0], o.Weeks[1] = max(o.Weeks[0], at.weeks[0]), max(o.Weeks[1], at.weeks[1])
		}
	}
	if o.Weeks[1] == 0 {
		o.Weeks = outlooks[c.Causes()[0].ID].weeks
	}
	o.Minutes, o.Fillings = int(math.Round(minutes/5))*5, math.Round(min(fillings, 1.5)*10)/10
	o.Working = w
	return o
}

// The advice at a sale.
const (
	Take    = "take"    // worth the price asked
	Bargain = "bargain" // worth it at a lower price
	Leave   = "leave"   // walk away
)

// Offer is a plant that somebody sells.
type Offer struct {
	diagnosis.Examination
	Asked   *float64 // the price asked, in the collection's money
	Sound   *float64 // what a sound plant of its kind and size costs
	Filling float64  // what one pot with fresh mix costs
}

// Appraisal says whether an offer is worth taking.
type Appraisal struct {
	Outlook Outlook                 `json:"outlook"`
	Causes  []diagnosis.CauseChance `json:"causes" doc:"The likeliest troubles."`
	Verdict diagnosis.Judgement     `json:"verdict"`
	Outside diagnosis.Outside       `json:"outside"`
	Checks  []diagnosis.Check       `json:"checks" doc:"The looks most worth their trouble before one pays."`
	Advice  string                  `json:"advice" enum:"take,bargain,leave"`
	Reasons []string                `json:"reasons"`
	// Fair is what it is worth as it stands; missing where nobody knows what a
	// sound one costs.
	Fair *working.Amount `json:"fair,omitempty"`
	Off  *float64        `json:"off,omitempty" doc:"A fair reduction of the price asked, where it is known."`
}

const (
	// poorOdds is the chance to live under which saving it is no bargain.
	poorOdds = 0.35
	// incurable is the chance of a trouble that cannot be cured and passes to
	// others above which no price is low enough (common practice).
	incurable = 0.15
	// carried is the chance of anything that spreads above which it needs a
	// corner of its own from the first minute.
	carried = 0.25
)

// Appraise weighs an offer: worth = price of a sound one × chance to save it −
// material. A trouble that cannot be cured and spreads is left at any price.
// It is judged by what the collection knows: the tables, or what its cases taught.
func Appraise(k *diagnosis.Knowledge, o Offer) (Appraisal, error) {
	c, err := k.Examine(o.Examination)
	if err != nil {
		return Appraisal{}, err
	}
	outlook := Of(c, o.Examination)
	a := Appraisal{
		Outlook: outlook,
		Causes:  c.Listed(),
		Verdict: c.Verdict(),
		Outside: c.Outside(),
		Checks:  c.ChecksAtSale(),
		Advice:  Take,
		Reasons: []string{},
	}
	if o.Sound != nil {
		a.price(o)
	}
	if outlook.Lives < poorOdds {
		a.Advice = Leave
		a.because("It lives in about %.0f of 10 cases, whatever is done.", outlook.Lives*10)
	}
	for _, id := range []cause.ID{cause.Virus, cause.Fusarium} {
		if c.Chance(string(id)) > incurable {
			named, _ := cause.ByID(id)
			a.Advice = Leave
			a.because("%s cannot be cured and would endanger the others.", named.Label)
		}
	}
	for _, cc := range a.Causes {
		if named, _ := diagnosis.CauseByID(cc.ID); named.Spreads && cc.Chance > carried && !named.Harmless {
			a.because("%s: only with a corner, a tray and tools of its own ready at home.", named.Label)
		}
	}
	switch {
	case len(a.Checks) > 0 && a.Checks[0].Again:
		a.Reasons = append(a.Reasons, "All hangs on one sign: look at it once more before you pay.")
	case a.Verdict.Kind == diagnosis.LookFurther, a.Verdict.Kind == diagnosis.NotEnough:
		a.Reasons = append(a.Reasons, "Look at the undersides, the joints and the drainage hole before you pay.")
	}
	if len(a.Reasons) == 0 {
		a.Reasons = append(a.Reasons, a.Verdict.Words)
	}
	return a, nil
}

func (a *Appraisal) because(format string, args ...any) {
	a.Reasons = append(a.Reasons, fmt.Sprintf(format, args...))
}

// price gives what it is worth as it stands, and what the asked price is over it.
func (a *Appraisal) price(o Offer) {
	lives := a.Outlook.Lives
	fair := max(0, *o.Sound*lives-a.Outlook.Fillings*o.Filling)
	a.Fair = &working.Amount{
		What:  "worth as it stands",
		Value: math.Round(fair*2) / 2,
		Unit:  "money",
		Working: working.Working{
			Inputs: []working.Input{
				{Name: "a sound one costs", Value: *o.Sound},
				{Name: "chance to save it", Value: lives},
				{Name: "pots with fresh mix", Value: a.Outlook.Fillings},
				{Name: "one costs", Value: o.Filling},
			},
			Formula: "price of a sound one × chance to save it − material; your hours are not counted",
			Source:  working.CommonPractice, Sure: "as rough as the chance"},
	}
	if o.Asked == nil {
		return
	}
	off := max(0, *o.Asked-a.Fair.Value)
	a.Off = &off
	if off > 0 {
		a.Advice = Bargain
		a.because("It costs more than a plant is worth that lives in %.0f of 10 cases.", lives*10)
	}
	if a.Fair.Value == 0 {
		a.Advice = Leave
		a.because("The material alone costs more than what will probably be saved.")
	}
}
