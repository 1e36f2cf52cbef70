package prognosis

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"tendermend/core/working"
)

// Stand is where an offer stands among others beside it.
type Stand struct {
	Appraisal
	// Gain is what it is worth over its price; missing where one of both is not known.
	Gain *float64 `json:"gain,omitempty" doc:"Worth less price, in the collection's money: below 0 it costs too much."`
	// Share is its part of one price for all, by what each is worth.
	Share *float64 `json:"share,omitempty" doc:"Its part of the one price for all."`
	Place int      `json:"place" doc:"Its turn, from 1: the best buy first, what is left there last."`
}

// OffersBeside are offers beside each other.
type OffersBeside struct {
	Stands []Stand `json:"stands" doc:"In the order in which they were asked about."`
	Words  string  `json:"words" doc:"Which to take, in a sentence."`
	// Lot says what all of them are worth together, where one price is asked for all.
	Lot string `json:"lot,omitempty" doc:"Whether the one price for all is worth it, in a sentence."`
}

// Rank puts offers beside each other: first those worth their price, the most gained first,
// then those worth less than that, and those to leave last; where prices are not known the
// likelier to live comes first. One price for all is parted by what each is worth; what is
// left there is worth nothing in it.
func Rank(offers []Appraisal, asked []*float64, names []string, lot *float64) OffersBeside {
	r := OffersBeside{Stands: make([]Stand, len(offers))}
	for i, a := range offers {
		r.Stands[i].Appraisal = a
		if a.Fair != nil && asked[i] != nil {
			gain := cents(a.Fair.Value - *asked[i])
			r.Stands[i].Gain = &gain
		}
	}
	order := make([]int, len(offers))
	for i := range order {
		order[i] = i
	}
	slices.SortStableFunc(order, func(x, y int) int { return r.Stands[x].before(r.Stands[y]) })
	for place, i := range order {
		r.Stands[i].Place = place + 1
	}
	r.Words = r.choice(order, names)
	r.lot(lot)
	return r
}

var adviceRank = map[string]int{Take: 0, Bargain: 1, Leave: 2}

func (s Stand) before(o Stand) int {
	if c := cmp.Compare(adviceRank[s.Advice], adviceRank[o.Advice]); c != 0 {
		return c
	}
	if s.Gain != nil && o.Gain != nil {
		if c := cmp.Compare(*o.Gain, *s.Gain); c != 0 {
			return c
		}
	}
	return cmp.Compare(o.Outlook.Lives, s.Outlook.Lives)
}

// choice says which to take.
func (r OffersBeside) choice(order []int, names []string) string {
	best := r.Stands[order[0]]
	name := names[order[0]]
	switch {
	case best.Advice == Leave:
		return "None of them: leave them all there."
	case best.Gain != nil && *best.Gain >= 0:
		return fmt.Sprintf("Take “%s”: it is worth %.2f more than it costs.", name, *best.Gain)
	case best.Gain != nil:
		return fmt.Sprintf("None at its price. “%s” is the nearest to it: ask for %.2f off.", name, -*best.Gain)
	}
	return fmt.Sprintf("“%s” is the likeliest to live: in about %.0f of 10 cases.", name, best.Outlook.Lives*10)
}

// lot parts one price for all among them, and says whether it is worth it.
func (r *OffersBeside) lot(price *float64) {
	if price == nil {
		return
	}
	worth, known, left := 0.0, 0, 0
	for _, s := range r.Stands {
		switch {
		case s.Advice == Leave:
			left++
		case s.Fair != nil:
			worth += s.Fair.Value
			known++
		}
	}
	switch {
	case known+left < len(r.Stands):
		r.Lot = "Say of each what a sound one costs, and the one price is weighed."
		return
	case worth == 0:
		r.Lot = "None of them is worth anything: leave them all there."
		return
	}
	parted := 0.0
	last := -1
	for i := range r.Stands {
		s := &r.Stands[i]
		part := 0.0
		if s.Advice != Leave {
			part = cents(*price * s.Fair.Value / worth)
			last = i
		}
		parted += part
		s.Share = &part
	}
	*r.Stands[last].Share = cents(*r.Stands[last].Share + *price - parted) // the parts add up to it
	r.Lot = fmt.Sprintf("All of them for %.2f: worth %.2f together", *price, worth)
	if *price > worth {
		r.Lot += fmt.Sprintf(", so ask for %.2f off.", *price-worth)
	} else {
		r.Lot += fmt.Sprintf(", so %.2f is gained.", worth-*price)
	}
	if left > 0 {
		r.Lot += " Of them " + working.Count(left, "plant") + " not to be taken home, whatever is paid."
	}
}

func cents(v float64) float64 { return math.Round(v*100) / 100 }
