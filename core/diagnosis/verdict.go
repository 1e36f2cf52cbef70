package diagnosis

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/working"
)

// VerdictKind says where a differential stands.
type VerdictKind string

// The verdicts.
const (
	SomethingElse VerdictKind = "something-else" // what is at work is probably not on the list
	LookFurther   VerdictKind = "look-further"
	NothingFound  VerdictKind = "nothing-found" // on the parts that were looked at
	Harmless      VerdictKind = "harmless"
	Act           VerdictKind = "act"
	NotEnough     VerdictKind = "not-enough" // nothing more to look for, and nothing stands out
)

// Limits of the verdicts (common practice; set while looking at worked cases).
const (
	standsOut      = 0.50 // from here on a cause is suggested
	nearlySure     = 0.90 // a pest that is named without its animal
	surelyHarmful  = 0.80 // it is time to act
	likelyHarmful  = 0.60 // so it is once the parts are looked at and little is left to settle
	soundAtMost    = 0.10 // no harmful cause is likelier where nothing is found
	worthForAct    = 0.10 // a check worth more is taken even where days are few
	worthForLikely = 0.03
	worthForSound  = 0.02
	// A look that tells less does not keep a plant with ordinary blemishes from being
	// found well: of 96 ill ones 10 are called so by it, 8 at 0.008 and 14 at 0.02.
	worthForBlemished = 0.012
)

// Judgement is where a differential stands, with what hinders more.
type Judgement struct {
	Kind VerdictKind `json:"kind" enum:"look-further,act,harmless,nothing-found,not-enough,something-else"`
	// Words say it in a sentence or two.
	Words string `json:"words"`
	// Cause is what it is about: the harmless cause, or the one to act on.
	Cause string `json:"cause,omitempty"`
	// Missing are the parts of the plant that nobody looked at yet.
	Missing []string `json:"missing" doc:"Parts that every look takes in and this one has not."`
	// Again is in how many days it is looked at again, where it is left alone.
	Again int `json:"again,omitempty" doc:"In how many days to look again, where nothing is done."`

	hangs bool // on one sign, which is looked for once more
}

// againDays is when a plant that is left alone is looked at again (common
// practice).
const againDays = 7

// sixParts are what a look takes in before anything is called well.
func (c *Case) sixParts() []string {
	switch c.habit.ID {
	case "cactus":
		return []string{"stem", "joints", "new", "base", "surface"}
	case "air-plant":
		return []string{"leaves", "undersides", "joints", "new", "base"}
	}
	return []string{"leaves", "undersides", "joints", "new", "base", "surface"}
}

// Missing lists the parts of which nothing was looked at.
func (c *Case) Missing() []string {
	looked := map[string]bool{}
	for s := range c.answers.asked {
		looked[c.k.signs[s].Zone] = true
	}
	missing := []string{}
	for _, part := range c.sixParts() {
		if !looked[part] {
			missing = append(missing, part)
		}
	}
	return missing
}

// animalLacking says whether a pest stands out of which nobody has looked for the
// animal, or nobody has found it and it is not all but sure.
func (c *Case) animalLacking() bool {
	lead, chance := c.lead()
	signs := c.animals(lead)
	if lead.Kind != "pest" || lead.Harmless || len(signs) == 0 || chance < standsOut {
		return false
	}
	asked := slices.ContainsFunc(signs, func(s int) bool { return c.answers.asked[s] })
	found := slices.ContainsFunc(signs, c.saw)
	return !asked || !found && chance < nearlySure
}

// harmful is the likeliest cause that harms.
func (c *Case) harmful() (known Cause, chance float64) {
	for _, cc := range c.ranked {
		if one := c.k.causes[c.k.causeAt[cc.ID]]; !one.Harmless {
			return one, cc.Chance
		}
	}
	return Cause{}, 0
}

// Verdict says where it stands. The order is that of what must not be overlooked.
func (c *Case) Verdict() Judgement {
	checks := c.NextChecks()
	v := Judgement{Missing: c.Missing()}
	v.Kind, v.Cause = c.judge(checks, v.Missing)
	if v.hangs = len(checks) > 0 && checks[0].Again; v.hangs {
		v.Kind, v.Cause = LookFurther, ""
	}
	if v.Kind == NothingFound || v.Kind == Harmless {
		v.Again = againDays
	}
	v.Words = c.words(v)
	return v
}

func (c *Case) judge(checks []Check, missing []string) (kind VerdictKind, about string) {
	open, whole := len(c.openLethal()) > 0, len(missing) == 0
	further := LookFurther
	if len(checks) == 0 {
		further = NotEnough
	}
	switch {
	case c.elseProbably() && whole:
		return SomethingElse, ""
	case c.elseProbably() || c.animalLacking():
		return further, ""
	case !c.symptomSeen() && len(c.conditionsSeen) == 0:
		return c.nothingSeen(checks, whole && !open, further), ""
	}
	if open {
		return further, ""
	}
	return c.judgeSeen(checks, whole, further)
}

// judgeSeen is the verdict on a plant with signs and nothing that kills open.
func (c *Case) judgeSeen(checks []Check, whole bool, further VerdictKind) (kind VerdictKind, about string) {
	lead, leads := c.lead()
	worst, chance := c.harmful()
	switch {
	case whole && lead.Harmless && leads >= standsOut && c.nothingElse():
		return Harmless, lead.ID
	case c.actsNow(checks, worst, chance, whole):
		return Act, worst.ID
	case whole && chance <= soundAtMost && c.onlyOrdinary() && !c.elseMay() &&
		bestWorth(checks, worst.DaysToAct) < worthForBlemished:
		return NothingFound, ""
	}
	return further, ""
}

// nothingSeen is the verdict on a plant on which no sign was seen: well where
// it was looked at whole and nothing worth a check is suspected.
func (c *Case) nothingSeen(checks []Check, looked bool, further VerdictKind) VerdictKind {
	worst, chance := c.harmful()
	switch {
	case !looked, len(c.suspects()) > 0 && bestWorth(checks, worst.DaysToAct) >= worthForSound:
		return LookFurther
	case chance <= soundAtMost:
		return NothingFound
	}
	return further
}

// nothingElse says that all that was seen is explained and nothing is suspected.
func (c *Case) nothingElse() bool { return len(c.suspects()) == 0 && len(c.Unexplained()) == 0 }

// actsNow says whether the worst cause is sure enough to be treated, by how fast
// it kills and by what another check would still tell.
func (c *Case) actsNow(checks []Check, worst Cause, chance float64, whole bool) bool {
	return chance >= surelyHarmful ||
		chance >= standsOut && worst.DaysToAct <= pressingDays && bestWorth(checks, 0) < worthForAct ||
		chance >= likelyHarmful && whole && bestWorth(checks, worst.DaysToAct) < worthForLikely
}

// ordinary is the background from which a symptom is one that sound plants often
// show: one in twenty does (common practice).
const ordinary = 0.05

// onlyOrdinary says whether nothing amiss was seen but what sound plants often show,
// and not much of that.
func (c *Case) onlyOrdinary() bool {
	return len(c.conditionsSeen) == 0 && !slices.ContainsFunc(c.answers.seen, func(a answer) bool {
		s := c.k.signs[a.sign]
		return s.Symptom && s.Background*degreeBackground[a.degree] < ordinary
	})
}

// words say a verdict.
func (c *Case) words(v Judgement) string {
	about := c.k.causes[c.k.causeAt[v.Cause]].Label
	switch v.Kind {
	case SomethingElse:
		return "Something that is not on the list is probably at work."
	case NothingFound:
		if c.symptomSeen() {
			return "Nothing found on the parts looked at. Sound plants often show as much; more of it, or anything new, " +
				"would be something else."
		}
		return "Nothing found on the parts looked at."
	case Harmless:
		return "This looks like " + working.Lower(about) + ". If more of it follows, it is not that."
	case Act:
		return "Time to act: " + working.Lower(about) + "."
	case NotEnough:
		return "Not enough to go on: nothing stands out, and no further look is worth its trouble. Watch it."
	case LookFurther:
	}
	switch {
	case v.hangs:
		return "Look further: all hangs on one sign. Look at it once more before anything is done."
	case c.elseMay() && c.symptomSeen():
		return "Look further: something that is not on the list may be at work."
	case len(v.Missing) > 0:
		return "Look further: parts of it have not been looked at yet."
	}
	return "Look further: the next look tells more."
}

// Likelihood is a range of chances in words.
type Likelihood struct {
	From float64 `json:"from" doc:"The least chance that is called so, 0-1."`
	Word string  `json:"word"`
	// Folded causes are listed only when all are asked for.
	Folded bool `json:"folded" doc:"Whether a cause of this chance is listed only when asked for."`
}

// How chances are shown (common practice).
const (
	veryLikely = 0.80
	possible   = 0.20
	// listed is the least chance of a cause that is listed, six at most.
	listed     = 0.10
	mostListed = 6
	// A lethal cause of these chances is named though it is not listed.
	toRuleOutFrom = 0.03
	hopeless      = 0.005
)

var likelihoods = [...]Likelihood{
	{veryLikely, "very likely", false},
	{standsOut, "likely", false},
	{possible, "possible", false},
	{0, "less likely", true},
}

// Likelihoods gives the words for chances, the greatest first.
func Likelihoods() []Likelihood { return slices.Clone(likelihoods[:]) }

// Listed gives the causes that are shown, likeliest first: those of 10 % and
// more, six at most, and at least one.
func (c *Case) Listed() []CauseChance {
	n := 0
	for n < mostListed && c.ranked[n].Chance >= listed {
		n++
	}
	return slices.Clone(c.ranked[:max(n, 1)])
}

// ToRuleOut gives the causes that kill fast and are not likely, but not out of
// the question either.
func (c *Case) ToRuleOut() []CauseChance {
	list := []CauseChance{}
	for _, cc := range c.ranked {
		isLethal := slices.ContainsFunc(lethal, func(id cause.ID) bool { return string(id) == cc.ID })
		if isLethal && cc.Chance >= toRuleOutFrom && cc.Chance < possible {
			list = append(list, cc)
		}
	}
	return list
}

// Hopeless says whether the signs give a cause no chance: one that is shown as
// 0 %.
func Hopeless(c CauseChance) bool { return c.Chance < hopeless }

// Suggested gives the causes that stand out; the likeliest first.
func (c *Case) Suggested() []string {
	list := []string{}
	for _, cc := range c.ranked {
		if cc.Chance >= standsOut && !c.elseProbably() {
			list = append(list, cc.ID)
		}
	}
	return list
}

// StandsOut says whether a cause is likelier than not, and not harmless.
func StandsOut(c CauseChance) bool {
	known, _ := CauseByID(c.ID)
	return c.Chance >= standsOut && !known.Harmless
}
