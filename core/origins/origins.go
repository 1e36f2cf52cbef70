// Package origins counts what became of the plants of a collection by where they came from,
// by kind, by how they travelled, by school and by what was tried on them.
package origins

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"tendermend/core/day"
	"tendermend/core/survival"
	"tendermend/core/working"
)

// LivingAfter is by how many days after coming it is asked whether a plant lives: half a
// year, by which the shock of the move and what it brought have shown (common practice).
const LivingAfter = 182

// SurelyApart is how unlikely by chance a difference must be before it is told: one in twenty.
const SurelyApart = 0.05

// fewest is how many plants a group must have before anything is told of it beside the others.
const fewest = 3

// End is how a plant left; empty while it is here.
type End string

// The ends.
const (
	Lost  End = "lost"
	Given End = "given-away"
)

// Plant is what became of one plant.
type Plant struct {
	ID    string
	Name  string
	Came  day.Day
	Until day.Day // its end, or today
	End   End
	// FellIll is when its first trouble began and Mended when that was over; nil where not.
	FellIll, Mended *day.Day
	InWork          bool // whether a trouble of it is open
	Condition       *int // at its last look, 0 to 100; nil where that told nothing
	// Paid is its price and Spent what was taken from the cupboard for it, in the
	// collection's money; nil where nobody said.
	Paid, Spent *float64
}

// Group is what became of the plants that have one thing in common.
type Group struct {
	Of     string `json:"of"`
	Label  string `json:"label"`
	Came   int    `json:"came"`
	Lives  int    `json:"lives" doc:"Those that are here still, in work or not."`
	InWork int    `json:"inWork" doc:"Those of them that have an open trouble."`
	Lost   int    `json:"lost"`
	Given  int    `json:"given"`
	// Living is the share that lives half a year after coming, with its interval.
	Living *working.Amount `json:"living,omitempty" doc:"In percent; missing where none was followed so long."`
	Low    float64         `json:"low" doc:"The lower end of that share, 0 to 1."`
	High   float64         `json:"high"`
	// Weeks is how long it took until half of those that were ill had mended.
	Weeks  *working.Amount `json:"weeks,omitempty" doc:"Missing while not half of them have."`
	Ill    int             `json:"ill" doc:"How many were ill at all."`
	Cost   *working.Amount `json:"cost,omitempty" doc:"Of each that lives: what all of the group cost, shared among them."`
	Beside string          `json:"beside,omitempty" doc:"How it does beside all others, where that is no chance."`
}

// All are the plants that came, to hold the groups among them beside the rest.
type All struct{ followed survival.Followed }

// Among makes ready to compare groups of plants with the others.
func Among(plants []*Plant) All {
	lives := make([]survival.Life, len(plants))
	for i, p := range plants {
		lives[i] = p.life()
	}
	return All{survival.Follow(lives)}
}

// Of counts a group among them: those that are not in it are what it is compared with.
func (all All) Of(of, label string, group []*Plant) Group {
	g := Group{Of: of, Label: label, Came: len(group)}
	lives, mends := make([]survival.Life, 0, len(group)), []survival.Life{}
	for _, p := range group {
		lives = append(lives, p.life())
		switch p.End {
		case Lost:
			g.Lost++
		case Given:
			g.Given++
		default:
			g.Lives++
			if p.InWork {
				g.InWork++
			}
		}
		if mend, ill := p.mend(); ill {
			mends = append(mends, mend)
		}
	}
	g.Ill = len(mends)
	g.living(lives)
	g.weeks(mends)
	g.cost(group)
	g.beside(survival.Follow(lives), all.followed)
	return g
}

func (p *Plant) life() survival.Life {
	return survival.Life{Days: max(0, int(p.Until-p.Came)), Happened: p.End == Lost}
}

// mend is how long its first trouble took; one that was lost never mends, and one that was
// given away was followed until then.
func (p *Plant) mend() (survival.Life, bool) {
	switch {
	case p.FellIll == nil:
		return survival.Life{}, false
	case p.Mended != nil:
		return survival.Life{Days: max(0, int(*p.Mended-*p.FellIll)), Happened: true}, true
	case p.End == Lost:
		return survival.Life{Days: math.MaxInt32}, true
	}
	return survival.Life{Days: max(0, int(p.Until-*p.FellIll))}, true
}

func (g *Group) living(lives []survival.Life) {
	at, known := survival.By(lives, LivingAfter)
	if !known {
		g.High = 1
		return
	}
	g.Low, g.High = at.Low, at.High
	g.Living = &working.Amount{
		What: "share that lives half a year after coming", Value: math.Round(100 * at.Share), Unit: "%",
		Working: working.Working{
			Inputs: []working.Input{
				{Name: "came", Value: float64(g.Came)}, {Name: "lost so far", Value: float64(g.Lost)},
				{Name: "followed for half a year or longer", Value: float64(at.AtRisk)},
			},
			Formula: "product over the days on which any was lost of (1 − lost ÷ still followed); those that came lately " +
				"or were given away count for as long as they were seen",
			Source: "Kaplan and Meier 1958; interval by Greenwood's variance on the log-log scale (Kalbfleisch and " +
				"Prentice 1980)",
			Sure: fmt.Sprintf("95 times in 100 between %.0f and %.0f %%; plants that came together share their luck, so "+
				"the true range is wider", 100*at.Low, 100*at.High),
		},
	}
}

func (g *Group) weeks(mends []survival.Life) {
	days, reached := survival.Median(mends)
	if !reached {
		return
	}
	g.Weeks = &working.Amount{
		What: "weeks until half of those that were ill had mended", Value: math.Round(float64(days)/7*10) / 10, Unit: "weeks",
		Working: working.Working{
			Inputs:  []working.Input{{Name: "were ill", Value: float64(g.Ill)}, {Name: "days", Value: float64(days)}},
			Formula: "the day by which the product-limit curve of not having mended falls to one half; the lost never mend",
			Source:  "Kaplan and Meier 1958",
			Sure:    "of the first trouble of each, from the day it was opened to the day it ended as mended",
		},
	}
}

func (g *Group) cost(group []*Plant) {
	paid, spent, silent := 0.0, 0.0, 0
	for _, p := range group {
		if p.Paid == nil {
			silent++
		} else {
			paid += *p.Paid
		}
		if p.Spent != nil {
			spent += *p.Spent
		}
	}
	if g.Lives == 0 || silent == len(group) && spent == 0 {
		return
	}
	sure := "as good as the record of what was paid and used; hours are not counted"
	if silent > 0 {
		sure = fmt.Sprintf("too low: of %s no price is written down; hours are not counted", working.Count(silent, "plant"))
	}
	g.Cost = &working.Amount{
		What: "cost of each that lives", Value: math.Round(100*(paid+spent)/float64(g.Lives)) / 100, Unit: "money",
		Working: working.Working{
			Inputs: []working.Input{
				{Name: "paid for all that came", Value: math.Round(100*paid) / 100},
				{Name: "used on all of them", Value: math.Round(100*spent) / 100}, {Name: "live", Value: float64(g.Lives)},
			},
			Formula: "(paid + used) ÷ those that live: what the lost ones cost is borne by them",
			Source:  "the record", Sure: sure,
		},
	}
}

// beside tells whether more or fewer are lost than of the others, where that is no chance.
func (g *Group) beside(lives, all survival.Followed) {
	if lives.Len() < fewest || all.Len()-lives.Len() < fewest {
		return
	}
	lost, expected, chance := all.Apart(lives)
	if chance > SurelyApart {
		return
	}
	word := "more"
	if float64(lost) < expected {
		word = "fewer"
	}
	g.Beside = fmt.Sprintf("%s lost than of the others: %d, where %.1f were to be expected; by chance alone %s",
		word, lost, expected, sayChance(chance))
}

// sayChance says how often something happens by chance.
func sayChance(chance float64) string {
	if chance < 0.01 {
		return "less than once in 100 times"
	}
	n := int(math.Round(100 * chance))
	if n == 1 {
		return "once in 100"
	}
	return working.Count(n, "time") + " in 100"
}

// Sorted puts groups in the order in which they are read: the most plants first.
func Sorted(groups []Group) []Group {
	slices.SortStableFunc(groups, func(x, y Group) int {
		return cmp.Or(cmp.Compare(y.Came, x.Came), cmp.Compare(x.Label, y.Label))
	})
	return groups
}
