package diagnosis

import "slices"

// Chances at which a differential is read in words (common practice).
const (
	standsOut   = 0.5 // from here on a cause is suggested
	nearlySure  = 0.9
	hardlyRival = 0.2 // under it a second cause does not speak against the first
	hopeless    = 0.005
)

// Likelihood is a range of chances in words.
type Likelihood struct {
	From float64 `json:"from" doc:"The least chance that is called so, 0-1."`
	Word string  `json:"word"`
	// Folded causes are listed only when all are asked for.
	Folded bool `json:"folded" doc:"Whether a cause of this chance is listed only when asked for."`
}

// likelihoods from the greatest down (common practice).
var likelihoods = [...]Likelihood{
	{0.9, "almost certain", false},
	{standsOut, "likely", false},
	{hardlyRival, "possible", false},
	{0.05, "less likely", false},
	{0, "hardly", true},
}

// Likelihoods gives the words for chances, the greatest first.
func Likelihoods() []Likelihood { return slices.Clone(likelihoods[:]) }

// Hopeless says whether the signs give a cause no chance: one that is shown as
// 0 %.
func Hopeless(c CauseChance) bool { return c.Chance < hopeless }

// Suggested gives the causes that stand out of a differential with enough to go
// on; the likeliest first.
func Suggested(ranked []CauseChance, enough bool) []string {
	list := []string{}
	for _, c := range ranked {
		if enough && c.Chance >= standsOut {
			list = append(list, c.ID)
		}
	}
	return list
}

// StandsOut says whether a cause is likelier than not, and none that needs no
// treatment.
func StandsOut(c CauseChance) bool {
	known, _ := CauseByID(c.ID)
	return c.Chance >= standsOut && !known.Harmless
}

// Verdict says in a sentence where a differential stands: the likeliest causes
// first, the likeliest sets, whether there is enough to go on and whether no
// further look is worth its trouble.
func Verdict(ranked []CauseChance, sets []CauseSet, enough, complete bool) string {
	first, _ := CauseByID(ranked[0].ID)
	switch {
	case len(sets) > 0 && len(sets[0].Causes) == 0:
		if complete {
			return "Nothing wrong: nothing amiss explains what was seen as well as anything."
		}
		return "Not enough to go on: so far nothing amiss explains it as well as anything."
	case !enough:
		return "Not enough to go on yet: nothing reaches one in three."
	case first.Harmless && ranked[0].Chance >= standsOut && (complete || ranked[1].Chance < hardlyRival):
		return first.Label + ": it needs no treatment."
	case complete:
		return "Time to act: no further look is worth its trouble."
	case ranked[0].Chance >= nearlySure:
		return "Nearly sure. One more look may still show what else ails it."
	}
	return "It points to something; the next look tells more."
}
