package diagnosis

import (
	"slices"
	"sort"
	"strings"
)

// Weight is how much one observed sign speaks for or against a cause.
type Weight struct {
	Sign    string  `json:"sign"`
	Present bool    `json:"present"`
	Times   float64 `json:"times" doc:"Odds of the cause with this sign, over its odds without it; above 1 speaks for it."`
	Told    string  `json:"told" doc:"The sign as it speaks: seen, or looked for and not there."`
	Tells   bool    `json:"tells" doc:"Whether it weighs enough to be said."`
	Without float64 `json:"without" doc:"Chance of the cause if this sign had not been looked for."`
}

// Evidence gives for each of the causes asked for the weight of every answer,
// strongest first. Unknown ids get none.
func (c *Case) Evidence(causeIDs []string) map[string][]Weight {
	weights := make(map[string][]Weight, len(causeIDs))
	for _, side := range []struct {
		of      []answer
		present bool
	}{{c.answers.seen, true}, {c.answers.denied, false}} {
		for _, a := range side.of {
			if a.implied {
				continue // it comes and goes with the answer that it follows from
			}
			without := c.withoutOne(a, side.present)
			for _, id := range causeIDs {
				i, known := c.k.causeAt[id]
				if !known || c.prior[i] == 0 {
					continue
				}
				sign, now, then := c.k.signs[a.sign], c.chances[i], without(i)
				weights[id] = append(weights[id], weightOf(sign, side.present, odds(now)/odds(then), then))
			}
		}
	}
	for _, ws := range weights {
		sort.SliceStable(ws, func(a, b int) bool { return strength(ws[a].Times) > strength(ws[b].Times) })
	}
	return weights
}

// withoutOne works out what takenOut gives once for each answer: the hinge and the evidence of all
// causes ask for the same.
func (c *Case) withoutOne(a answer, present bool) func(cause int) float64 {
	if c.without == nil {
		c.without = map[int]func(int) float64{}
	}
	if c.without[a.sign] == nil {
		c.without[a.sign] = c.takenOut(a, present)
	}
	return c.without[a.sign]
}

// takenOut gives the chances as they would be had one answer not been given: each
// set loses what the answer gave it. Where other answers hang on this one, the sums
// are made anew.
func (c *Case) takenOut(a answer, present bool) func(cause int) float64 {
	if c.carries(a) {
		other := c.as(c.examination.unanswered(c.k.signs[a.sign].ID))
		return func(cause int) float64 { return other.chances[cause] }
	}
	gave := []func([]int) float64{c.denies(a)}
	if present {
		gave[0] = c.showing(a)
	}
	there, not := c.alone(a, present)
	for _, implied := range there {
		gave = append(gave, c.showing(implied))
	}
	for _, implied := range not {
		gave = append(gave, c.denies(implied))
	}
	whole, with := 0.0, make([]float64, len(c.k.causes))
	for _, s := range c.sets {
		share := s.share
		for _, by := range gave {
			share /= by(s.causes)
		}
		whole += share
		for _, cause := range s.causes {
			with[cause] += share
		}
	}
	return func(cause int) float64 {
		if slices.Contains(c.conditionsSeen, cause) {
			return chanceSeen
		}
		return with[cause] / whole
	}
}

// showing is how likely a set of causes shows a sign as it was seen.
func (c *Case) showing(a answer) func(causes []int) float64 {
	fails := c.fails(a)
	misses := c.perCause(func(cause int) float64 { return 1 - c.k.linkAt(cause, a) })
	return func(causes []int) float64 {
		p := fails
		for _, cause := range causes {
			p *= misses[cause]
		}
		return 1 - p
	}
}

// denies is what a sign that is not there leaves of a set of causes.
func (c *Case) denies(a answer) func(causes []int) float64 {
	missed := c.k.missed(a)
	leaves := c.perCause(func(cause int) float64 { return 1 - c.k.link[cause][a.sign]*(1-missed) })
	return func(causes []int) float64 {
		left := 1.0
		for _, cause := range causes {
			left *= leaves[cause]
		}
		return left
	}
}

// perCause works out a factor once for each cause; a condition that was seen has none.
func (c *Case) perCause(factor func(cause int) float64) []float64 {
	list := make([]float64, len(c.k.causes))
	for cause := range list {
		list[cause] = 1
		if !slices.Contains(c.conditionsSeen, cause) {
			list[cause] = factor(cause)
		}
	}
	return list
}

// alone lists the answers that follow from one sign seen and from no other.
func (c *Case) alone(a answer, present bool) (there, not []answer) {
	if !present || !a.sure {
		return nil, nil
	}
	follows := func(of func(Sign) []string, id string) bool {
		return !slices.ContainsFunc(c.answers.seen, func(other answer) bool {
			return other.sign != a.sign && other.sure && slices.Contains(of(c.k.signs[other.sign]), id)
		})
	}
	for _, side := range []struct {
		answers []answer
		of      func(Sign) []string
		to      *[]answer
	}{{c.answers.seen, impliedThere, &there}, {c.answers.denied, impliedAbsent, &not}} {
		for _, one := range side.answers {
			id := c.k.signs[one.sign].ID
			if one.implied && slices.Contains(side.of(c.k.signs[a.sign]), id) && follows(side.of, id) {
				*side.to = append(*side.to, one)
			}
		}
	}
	return there, not
}

// carries says whether the sums must be made anew without an answer: it is a
// condition or speaks for one, or makes another sign commoner.
func (c *Case) carries(a answer) bool {
	sign := c.k.signs[a.sign]
	if c.isCondition(sign.ID) || slices.ContainsFunc(sign.impliesAbsent, c.isCondition) {
		return true
	}
	for i, known := range c.k.causes {
		if _, denied := c.denial(c.k.signAt[known.Condition]); denied && known.Condition != "" &&
			c.k.link[i][a.sign] >= defining {
			return true
		}
	}
	return slices.ContainsFunc(c.k.signs, func(s Sign) bool {
		return slices.ContainsFunc(s.given, func(g given) bool { return g.what == sign.ID })
	})
}

func (c *Case) isCondition(sign string) bool {
	return slices.ContainsFunc(c.k.causes, func(known Cause) bool { return known.Condition == sign })
}

// leastTelling is how much likelier or unlikelier a sign makes a cause before it
// is said (common practice).
const leastTelling = 1.15

func weightOf(s Sign, present bool, times, without float64) Weight {
	return Weight{
		Sign: s.ID, Present: present, Times: times, Without: without,
		Told: s.Told(present), Tells: strength(times) >= leastTelling,
	}
}

// Told says a sign as it speaks for or against a cause, to its first halt. Labels
// are sentences of many kinds, so that nothing is built into them.
func (s Sign) Told(present bool) string {
	words, _, _ := strings.Cut(s.Label, ";")
	words, _, _ = strings.Cut(words, ":")
	if present {
		return "“" + words + "”"
	}
	return "“" + words + "” not there"
}

// odds of a chance, kept finite so that a ratio can be shown.
func odds(p float64) float64 {
	const tiny = 1e-12
	p = min(max(p, tiny), 1-tiny)
	return p / (1 - p)
}

// strength makes a factor and its inverse equally strong.
func strength(times float64) float64 { return max(times, 1/times) }
