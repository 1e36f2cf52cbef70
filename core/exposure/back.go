package exposure

import (
	"cmp"
	"maps"
	"slices"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/working"
)

// Suspect is what speaks for a plant as the one from which another has a cause.
type Suspect struct {
	Had   float64 // the chance that it had it, 0-1: see Prior
	Since day.Day // since when
}

// Origin is where a plant may have its trouble from.
type Origin struct {
	Plant uuid.UUID `json:"plant" doc:"All zeros where it came with it, or from nobody here."`
	Share float64   `json:"share" doc:"Its share among all that may be, 0-1."`
	Leg   *Leg      `json:"leg,omitempty" doc:"What tied them."`
	// Came is true of the chance that it had it when it came here.
	Came bool `json:"came"`
}

// What speaks for an origin before any tie is asked (common practice).
const (
	hadIt      = 1.0
	newcomer   = .08 // came within two generations, and nobody found it clean since
	anyPlant   = .01
	cameWith   = .10 // the plant itself brought it, where it came so lately
	cameBad    = .30 // from a source that is suspect
	fromNobody = .02 // by a window, on clothes, with cut flowers
)

// Prior gives the chance that a plant had a cause before any tie is asked: found to have
// it, held to have it with some chance, lately come, or none of these.
func Prior(found bool, chance float64, lately bool) float64 {
	switch {
	case found:
		return hadIt
	case lately:
		return max(newcomer, chance)
	}
	return max(anyPlant, chance)
}

// MayHave is the chance that stands for "may have it by its last look" (common practice).
const MayHave = .3

// ShareAmount is the share of the likeliest origin with its working.
func ShareAmount(from []Origin) working.Amount {
	w := working.Working{
		Formula: "share = what speaks for it before × chance that it crossed, ÷ the sum of all",
		Source:  Source,
		Sure:    "a guess: it says where to look first, and proves nothing",
	}
	share := 0.0
	if len(from) > 0 {
		share = from[0].Share
		if leg := from[0].Leg; leg != nil {
			w.Inputs = append(w.Inputs, working.Input{Name: "chance that it crossed", Value: round(leg.Chance, 3)})
		}
		w.Inputs = append(w.Inputs, working.Input{Name: "plants and ways compared", Value: float64(len(from))})
	}
	return working.Amount{What: "share of the first named", Value: round(100*share, 0), Unit: "%", Working: w}
}

// Find is a plant on which a cause was found, and how it came here.
type Find struct {
	Plant   uuid.UUID
	On      day.Day
	Came    day.Day
	Suspect bool // whether where it came from is suspect
}

// Back gives where a plant may have a cause from, likeliest first: each plant that was tied to it
// up to the find, by what speaks for it; itself when it came lately, and nobody here. Shares add
// up to 1.
func (w *Web) Back(found Find, suspect func(uuid.UUID) Suspect) []Origin {
	q := w.Question
	q.On = found.On
	reach := Reach(q.Cause, found.On)
	from := []Origin{{Share: fromNobody}}
	if found.Came >= found.On-reach {
		weight := cameWith
		if found.Suspect {
			weight = cameBad
		}
		from = append(from, Origin{Share: weight, Came: true})
	}
	host, _ := w.who(found.Plant)
	ties, cleared := w.leadingTo(found.Plant), host.cleared(w.generation)
	for _, id := range slices.SortedFunc(maps.Keys(ties), byID) {
		s := suspect(id)
		leg, crossed := q.leg(w.how, ties[id], max(s.Since, found.On-reach, cleared))
		if crossed {
			from = append(from, Origin{Plant: id, Share: s.Had * leg.Chance, Leg: &leg})
		}
	}
	all := 0.0
	for _, o := range from {
		all += o.Share
	}
	for i := range from {
		from[i].Share /= all
	}
	slices.SortStableFunc(from, func(x, y Origin) int { return cmp.Compare(y.Share, x.Share) })
	return from
}

// leadingTo files the contacts that lead to a plant under each plant that they come from.
func (w *Web) leadingTo(plant uuid.UUID) map[uuid.UUID][]Contact {
	from := map[uuid.UUID][]Contact{}
	number, known := w.numbers[plant]
	if !known {
		return from
	}
	w.eachWay(func(_, to, contact int32, back bool) {
		if to != number {
			return
		}
		c := w.Contacts[contact]
		if back {
			c.From, c.To = c.To, c.From
		}
		from[c.From] = append(from[c.From], c)
	})
	return from
}
