package drying

import "tendermend/core/plant"

// Seen is whether the record tells a sign.
type Seen string

// The answers.
const (
	IsSeen   Seen = "seen"
	NotThere Seen = "not-there"
	Unknown  Seen = "unknown"
)

// Sign is a sign that the model tells, with the numbers that it rests on.
type Sign struct {
	ID      string  `json:"sign"`
	Seen    Seen    `json:"seen" enum:"seen,not-there,unknown"`
	Value   float64 `json:"value" doc:"What it rests on: a chance, or days."`
	What    string  `json:"what" doc:"What the value is."`
	Working string  `json:"formula"`
}

// Limits of the signs (growers' practice; a guess).
const (
	leastWaterings = 3
	oftenOf        = 8
	oftenFrom      = .6
	seldomTo       = .3
	missedFrom     = 2.0
	missedNone     = .7
	missedBack     = 60
	swingsBack     = 90
	driedOut       = .05
	driedOutFrom   = .8
)

// Signs tells what the history says of how it was watered. Kinds that are kept dry, rest
// or wait for roots have no rule that drying tells, and are not asked.
func (t Told) Signs(now float64) []Sign {
	list := []Sign{t.often()}
	missed := t.missed(now)
	list = append(list, missed, t.swings(now, missed))
	if t.Rule.Name != plant.DryThrough {
		dried := t.Below(driedOut, now)
		sign := Sign{"med.dry-through", Unknown, dried, "chance that it is dry through",
			"seen from .8 on: content under 5 % of what it holds"}
		if dried >= driedOutFrom {
			sign.Seen = IsSeen
		}
		list = append(list, sign)
	}
	return list
}

func (t Told) often() Sign {
	sign := Sign{"care.water-often", Unknown, 0, "mean chance that a watering came too early",
		"mean of the last eight waterings of 120 days; seen from .6, not there up to .3; three at least"}
	last := t.Waterings[max(0, len(t.Waterings)-oftenOf):]
	if len(last) < leastWaterings {
		return sign
	}
	for _, w := range last {
		sign.Value += w.Early / float64(len(last))
	}
	switch {
	case sign.Value >= oftenFrom:
		sign.Seen = IsSeen
	case sign.Value <= seldomTo:
		sign.Seen = NotThere
	}
	return sign
}

// worst is the most harm of a drying since a day, beyond its grace.
func (t Told) worst(since float64) float64 {
	harm := t.Harm
	for _, w := range t.Waterings {
		if w.At >= since {
			harm = max(harm, w.Harm)
		}
	}
	return harm - float64(t.Rule.Grace)
}

func (t Told) missed(now float64) Sign {
	sign := Sign{"care.water-missed", Unknown, 0, "days of harm beyond those that it bears",
		"sum of the chances of harm by day, less the days that it bears; seen from 2, not there up to 0.7; 60 days"}
	days := t.worst(now - missedBack)
	sign.Value = max(0, days)
	switch {
	case len(t.Waterings) == 0 && days < missedFrom:
	case days >= missedFrom:
		sign.Seen = IsSeen
	case days <= missedNone:
		sign.Seen = NotThere
	}
	return sign
}

func (t Told) swings(now float64, missed Sign) Sign {
	sign := Sign{"care.water-swings", Unknown, 0, "dryings into harm, of 90 days",
		"seen with two dryings into harm, or one and two waterings too early; not there with none"}
	dried, early, all := 0, 0, 0
	for _, w := range t.Waterings {
		if now-w.At > swingsBack {
			continue
		}
		all++
		if w.Harm-float64(t.Rule.Grace) >= missedFrom {
			dried++
		}
		if w.Early >= oftenFrom {
			early++
		}
	}
	sign.Value = float64(dried)
	switch {
	case dried >= 2 || dried == 1 && early >= 2:
		sign.Seen = IsSeen
	case dried == 0 && all >= leastWaterings && missed.Seen == NotThere:
		sign.Seen = NotThere
	}
	return sign
}
