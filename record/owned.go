package record

import "tendermend/core/day"

// Had says how long the carer had had a plant when it was taken in here.
type Had string

// How long it had been had; empty where it came on the day of the arrival.
const (
	HadNew     Had = ""
	HadWeeks   Had = "weeks"
	HadMonths  Had = "months"
	HadYears   Had = "years"
	HadUnknown Had = "unknown"
)

// hadDays is what the words stand for, in days at least (common practice).
var hadDays = map[Had]int{"": 0, HadWeeks: 28, HadMonths: 90, HadYears: 365}

// Isolated says whether a plant that was had for so long is kept apart to begin
// with: newcomers are, one that was owned for months is not (common practice).
func (h Had) Isolated() bool { return h != HadMonths && h != HadYears }

// IsolatedAtFirst says for each answer whether an arrival is kept apart to begin with.
func IsolatedAtFirst() map[Had]bool {
	all := map[Had]bool{}
	for _, had := range []Had{HadNew, HadWeeks, HadMonths, HadYears, HadUnknown} {
		all[had] = had.Isolated()
	}
	return all
}

// Owned gives for how many days the carer has had it on a day, at least; false
// where nobody knows.
func (s State) Owned(on day.Day) (days int, known bool) {
	before, known := hadDays[s.Arrival.Had]
	return before + int(on-s.ArrivedOn), known
}

// PieceIsolated says whether a piece of it is kept apart to begin with: what its
// mother may have, it may have too.
func (s State) PieceIsolated() bool { return s.Isolation != Clean }

// fragile says whether it is so new here that it is disturbed only at double
// price; what nobody knows is no evidence.
func (s State) fragile(on day.Day) bool {
	days, known := s.Owned(on)
	return known && days < fragileDays
}
