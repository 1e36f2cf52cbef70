package plant

import "strings"

// Poison says what in a plant harms whom and how badly. Call a poison centre or
// a vet after swallowing.
type Poison struct {
	Whom string `json:"whom" enum:"people,pets"`
	What string `json:"what" maxLength:"200"`
	Bad  string `json:"bad" maxLength:"40" doc:"How bad it is: none, mild, moderate, severe, deadly, or not known."`
}

// The severities, mildest first. NotKnown stands beside them: it is not safe.
const (
	Harmless = "none"
	NotKnown = "not known"
)

var severities = []string{Harmless, "mild", "moderate", "severe", "deadly"}

// Severities lists what may be said of how bad a poison is: not known first,
// then from none to deadly.
func Severities() []string { return append([]string{NotKnown}, severities...) }

// Severity ranks how bad a poison is: 0 for none, 4 for deadly; what is not
// known ranks as mild, and never as none.
func Severity(bad string) int {
	rank := -1
	for i, s := range severities {
		if strings.Contains(bad, s) {
			rank = i
		}
	}
	if rank < 0 {
		return 1
	}
	return rank
}

// Toxicity gives what the kind does to people or to pets. A kind that says
// nothing is not known, and not safe.
func (p Profile) Toxicity(whom string) Poison {
	for _, x := range p.Poisons {
		if x.Whom == whom {
			return x
		}
	}
	return Poison{Whom: whom, What: "nobody has said whether it is poisonous", Bad: NotKnown}
}

// Harms says whether the kind is known to harm somebody, or not known not to.
func (p Profile) Harms(whom string) bool { return p.Toxicity(whom).Bad != Harmless }

// outOfReachFrom is how bad a poison is before a plant is kept out of reach (common practice).
const outOfReachFrom = 2

// OutOfReach says whether the kind has to stand where children, or animals, cannot get at it:
// where it is known to do moderate harm or worse.
func (p Profile) OutOfReach(children, pets bool) bool {
	return children && Severity(p.Toxicity("people").Bad) >= outOfReachFrom ||
		pets && Severity(p.Toxicity("pets").Bad) >= outOfReachFrom
}

// poisonOf reads a cell of the kinds' tables: "what; how bad", "none" or
// "unknown".
func poisonOf(whom, cell string) Poison {
	what, bad, found := cutLast(cell, ";")
	switch {
	case cell == "" || cell == "unknown":
		return Poison{whom, "not known to the books it was taken from", NotKnown}
	case cell == "none":
		return Poison{whom, "none known", Harmless}
	case !found:
		return Poison{whom, cell, NotKnown}
	}
	return Poison{whom, strings.TrimSpace(what), strings.TrimSpace(bad)}
}

func cutLast(s, sep string) (before, after string, found bool) {
	if i := strings.LastIndex(s, sep); i >= 0 {
		return s[:i], s[i+len(sep):], true
	}
	return s, "", false
}

// commonShare is how many of a habit's kinds must be as poisonous for a plant
// of which only the habit is known to be taken for it (common practice: caution).
const commonShare = 0.2

// worstCommon gives the worst toxicity that is common among kinds: the highest
// severity that at least a fifth of them reach.
func worstCommon(kinds []Profile, whom string) Poison {
	for rank := len(severities) - 1; rank > 0; rank-- {
		count, what := 0, map[string]int{}
		for _, k := range kinds {
			if t := k.Toxicity(whom); Severity(t.Bad) >= rank {
				count++
				what[t.What]++
			}
		}
		if count > 0 && float64(count) >= commonShare*float64(len(kinds)) {
			return Poison{whom, "as many of its relatives: " + commonest(what), severities[rank]}
		}
	}
	return Poison{whom, "its kind is not known; relatives are mostly harmless, which proves nothing", NotKnown}
}

func commonest(count map[string]int) (best string) {
	for what, n := range count {
		if n > count[best] || n == count[best] && what < best {
			best = what
		}
	}
	return best
}
