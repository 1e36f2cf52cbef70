package diagnosis

import (
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

// Evidence gives for each of the causes asked for the weight of every observed
// sign, strongest first. Unknown ids get none.
func (c *Case) Evidence(causeIDs []string) map[string][]Weight {
	var of []int
	for _, id := range causeIDs {
		if i, ok := causeIndex[id]; ok && c.joint.place[i] >= 0 {
			of = append(of, i)
		}
	}
	weights := make(map[string][]Weight, len(of))
	weigh := func(sign int, present bool) {
		left := 1 - c.network.background[sign]
		unsee := func(p float64) float64 { return 1 / (left * p) }
		if present {
			unsee = func(p float64) float64 { return 1 / (1 - left*p) }
		}
		total, with := c.joint.reweigh(c.network, sign, unsee, of)
		for i, cause := range of {
			now, without := c.joint.chance(cause), with[i]/total
			weights[causes[cause].ID] = append(weights[causes[cause].ID],
				weightOf(signs[sign], present, odds(now)/odds(without), without))
		}
	}
	for _, s := range c.present {
		weigh(s, true)
	}
	for _, s := range c.absent {
		weigh(s, false)
	}
	for _, ws := range weights {
		sort.SliceStable(ws, func(a, b int) bool { return strength(ws[a].Times) > strength(ws[b].Times) })
	}
	return weights
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
