// Package roots reads a tally of live and dead roots: the live share with its
// interval, the pot it can fill, and the signs that follow.
package roots

import (
	"fmt"
	"slices"

	"tendermend/core/interval"
	"tendermend/core/mix"
	"tendermend/core/working"
)

// Count is a tally of one kind of root.
type Count struct {
	Live     int `json:"live" minimum:"0" maximum:"500" doc:"Firm; on orchids green when wetted."`
	Doubtful int `json:"doubtful" minimum:"0" maximum:"500" doc:"Dry skin, core not known: kept."`
	DeadDry  int `json:"deadDry" minimum:"0" maximum:"500" doc:"Hollow or papery, and still so when wetted."`
	Mushy    int `json:"mushy" minimum:"0" maximum:"500" doc:"Soft; the skin slides off."`
}

// Sort is one of the sorts into which roots are counted.
type Sort struct {
	ID    string `json:"id" enum:"live,doubtful,deadDry,mushy"`
	Label string `json:"label"`
	How   string `json:"how" doc:"How to tell it."`
}

// Sorts lists them from the best to the worst (common practice).
func Sorts() []Sort { return slices.Clone(sorts) }

var sorts = []Sort{
	{"live", "Live", "firm when pinched, and pale inside; silvery roots of an orchid turn green once wetted"},
	{"doubtful", "In doubt", "dry skin, but the core may live: silvery, and still not green when wetted"},
	{"deadDry", "Dead and dry", "hollow or papery, flat between the fingers, still so when wetted"},
	{"mushy", "Mushy", "brown and soft; the skin slides off and leaves a thread"},
}

// Manner says how a tally is taken (common practice).
const Manner = "Pinch each root; wet silvery ones, and wait five minutes for green. A dry skin is no dead core: " +
	"when in doubt, keep it."

func (c Count) total() int { return c.Live + c.Doubtful + c.DeadDry + c.Mushy }

// Tally is a count of a plant's roots, with what was measured on them.
type Tally struct {
	InMedium   Count    `json:"inMedium"`
	InAir      Count    `json:"inAir"`
	LongestMM  *float64 `json:"longestMm,omitempty" minimum:"-9999" maximum:"99999" doc:"Longest live root, mm."`
	Tips       *int     `json:"tips,omitempty" minimum:"-9999" maximum:"99999" doc:"Growing tips."`
	RootBallCM *float64 `json:"rootBallCm,omitempty" minimum:"-999" maximum:"9999" doc:"Width of the live root ball, cm."`
}

// Counted gives the number of roots in the tally.
func (t Tally) Counted() int { return t.InMedium.total() + t.InAir.total() }

// Answer is a sign that a tally answers.
type Answer struct {
	ID      string `json:"id"`
	Present bool   `json:"present"`
	Why     string `json:"why"`
}

// Result is what a tally comes to.
type Result struct {
	Share   float64         `json:"share" doc:"Live share of the roots that are certain, 0-1."`
	Low     float64         `json:"low" doc:"Lower end: the 95 % interval with every doubtful root dead."`
	High    float64         `json:"high" doc:"Upper end: the 95 % interval with every doubtful root alive."`
	Working working.Working `json:"working"`
	Pot     *working.Amount `json:"pot,omitempty" doc:"The pot it can fill."`
	Signs   []Answer        `json:"signs"`
}

// Limits of the signs that a tally gives.
const (
	fewShare  = 0.25 // "less than about a quarter alive"
	firmShare = 0.60 // "most roots firm"
	// rotShare is the share of mushy roots, and of dry dead ones, that makes a
	// sign: one old root is no rot (common practice).
	rotShare = 0.10
	// fewCounted is the least number of roots from which a share is read.
	fewCounted = 3
	// Slack is the width beyond the live root ball, in cm, above which a pot is
	// much too large (common practice: 2-3 cm are right, a third more is a bog).
	Slack = 6.0
)

// Read reads a tally, given the inner width of the present pot in cm (0 where
// it is not known). Doubtful roots are neither live nor dead: they widen the
// interval. Signs are only given where they hold at both ends of the doubt.
func (t Tally) Read(potWidth float64) Result {
	a, b := t.InMedium, t.InAir
	live, doubtful := a.Live+b.Live, a.Doubtful+b.Doubtful
	dry, mushy := a.DeadDry+b.DeadDry, a.Mushy+b.Mushy
	certain, all := live+dry+mushy, t.Counted()
	r := Result{Signs: []Answer{}}
	if certain > 0 {
		r.Share = float64(live) / float64(certain)
	}
	r.Low, _ = interval.Wilson(live, all)
	_, r.High = interval.Wilson(live+doubtful, all)
	r.Working = working.Working{
		Inputs: []working.Input{
			{Name: "live", Value: float64(live)},
			{Name: "doubtful, kept", Value: float64(doubtful)},
			{Name: "dead and dry", Value: float64(dry)},
			{Name: "mushy", Value: float64(mushy)},
		},
		Formula: "live ÷ (live + dead); range: 95 % score interval, doubtful roots once all dead, once all live",
		Source:  "Wilson 1927; Newcombe 1998, Stat Med 17:857", Sure: sureOf(all)}
	if all >= fewCounted {
		r.shares(live, doubtful, all)
		of := working.Count(all, "root")
		r.add("root.mushy", float64(mushy) > rotShare*float64(all), fmt.Sprintf("%d of %s mushy", mushy, of))
		r.add("root.dry-dead", float64(dry) > rotShare*float64(all), fmt.Sprintf("%d of %s dead and dry", dry, of))
	}
	if t.Tips != nil {
		r.add("root.no-tips", *t.Tips == 0, working.Count(*t.Tips, "growing tip")+" counted")
	}
	if t.RootBallCM != nil {
		width := mix.PotFor(*t.RootBallCM, potWidth)
		inputs := []working.Input{{Name: "live root ball", Value: *t.RootBallCM, Unit: "cm"}}
		if potWidth > 0 {
			inputs = append(inputs, working.Input{Name: "present pot", Value: potWidth, Unit: "cm"})
			r.add(
				"pot.oversize",
				potWidth > *t.RootBallCM+Slack,
				fmt.Sprintf("a pot of %g cm round live roots of %g cm", potWidth, *t.RootBallCM),
			)
		}
		r.Pot = &working.Amount{What: "the pot it can fill", Value: width, Unit: "cm", Working: working.Working{
			Inputs: inputs, Formula: "root ball + 2.5 cm, never wider than the old pot", Source: working.CommonPractice,
			Sure: "2-3 cm is usual"}}
	}
	return r
}

func (r *Result) add(id string, present bool, why string) {
	r.Signs = append(r.Signs, Answer{id, present, why})
}

func sureOf(counted int) string {
	switch {
	case counted < fewCounted:
		return "hardly: too few roots counted"
	case counted < 12:
		return "wide: few roots counted"
	}
	return "fair"
}

// shares gives the signs of how many live that hold at both ends of the doubt.
func (r *Result) shares(live, doubtful, all int) {
	least, most := float64(live)/float64(all), float64(live+doubtful)/float64(all)
	why := fmt.Sprintf("%d of %s live", live, working.Count(all, "root"))
	if doubtful > 0 {
		why += fmt.Sprintf(", %d in doubt", doubtful)
	}
	switch {
	case most < fewShare:
		r.add("root.few-live", true, why)
		r.add("root.firm", false, why)
	case least >= firmShare:
		r.add("root.firm", true, why)
		r.add("root.few-live", false, why)
	case least >= fewShare:
		r.add("root.few-live", false, why)
	}
}
