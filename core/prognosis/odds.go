package prognosis

import (
	"math"

	"gonum.org/v1/gonum/stat/distuv"

	"tendermend/core/diagnosis"
	"tendermend/core/plant"
	"tendermend/core/working"
)

// Living is what the odds of a plant in treatment hang on.
type Living struct {
	Causes    []string
	Habit     plant.Habit
	LiveShare *float64 // of its roots, 0-1; nil where nobody counted
	Reserves  string   // plump, ridged or shrivelled; empty where nobody looked
	// Saved and Lost are the collection's own closed cases of the same kind.
	Saved, Lost int
}

// Chance is the odds of survival with their range.
type Chance struct {
	Lives   float64         `json:"lives" doc:"0-1."`
	Least   float64         `json:"least" doc:"Lower end of the 95 % interval, 0-1."`
	Most    float64         `json:"most"`
	Own     int             `json:"own" doc:"Closed cases of the collection that it rests on."`
	Working working.Working `json:"working"`
}

// priorCases is how many cases of one's own outweigh common practice (common
// practice itself is worth about a handful).
const priorCases = 8.0

// Shares by which few live roots and spent reserves lower the odds (common
// practice).
var reservesTake = map[string]float64{"plump": 1, "ridged": 0.93, "shrivelled": 0.8}

func rootsTake(share float64, h plant.Habit) float64 {
	switch {
	case share >= 0.5:
		return 1
	case share >= 0.2:
		return 0.92
	case share > 0 || h.Orchid:
		return 0.8 // an orchid lives on its reserves until new roots come
	}
	return 0.65
}

// OddsOf gives the odds of survival: common practice by cause, live roots and
// reserves as a beta distribution worth eight cases, updated by the collection's
// own closed cases (beta-binomial).
func OddsOf(l Living) Chance {
	start := Lives(l.Causes)
	w := working.Working{
		Formula: "shares that live with each cause × what roots and reserves take = p; Beta(8p + saved, 8(1 − p) " +
			"+ lost): its mean and 95 % interval",
		Source: working.CommonPractice + ", updated by one's own closed cases",
		Sure:   "rough: as growers tell it, until own cases outweigh it",
	}
	for _, id := range l.Causes {
		c, _ := diagnosis.CauseByID(id)
		w.Inputs = append(w.Inputs, working.Input{Name: "live with " + c.Label, Value: outlooks[id].lives})
	}
	if l.LiveShare != nil {
		take := rootsTake(*l.LiveShare, l.Habit)
		start *= take
		w.Inputs = append(
			w.Inputs,
			working.Input{Name: "share of live roots", Value: math.Round(*l.LiveShare*100) / 100},
			working.Input{Name: "which takes, ×", Value: take},
		)
	}
	if take, ok := reservesTake[l.Reserves]; ok {
		start *= take
		w.Inputs = append(w.Inputs, working.Input{Name: "reserves " + l.Reserves + ", ×", Value: take})
	}
	start = min(max(start, 0.01), 0.99)
	w.Inputs = append(
		w.Inputs,
		working.Input{Name: "own cases saved", Value: float64(l.Saved)},
		working.Input{Name: "own cases lost", Value: float64(l.Lost)},
	)
	b := distuv.Beta{Alpha: priorCases*start + float64(l.Saved), Beta: priorCases*(1-start) + float64(l.Lost)}
	if l.Saved+l.Lost >= int(priorCases) {
		w.Sure = "fair: own cases weigh more than what is told"
	}
	return Chance{
		Lives:   b.Mean(),
		Least:   b.Quantile(0.025),
		Most:    b.Quantile(0.975),
		Own:     l.Saved + l.Lost,
		Working: w,
	}
}
