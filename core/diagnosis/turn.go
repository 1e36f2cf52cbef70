package diagnosis

import "sort"

// Turn is an answer, not yet given, that would change one's mind about the
// leading cause.
type Turn struct {
	Sign    string      `json:"sign"`
	Present bool        `json:"present" doc:"Whether seeing it or not seeing it turns the matter."`
	Answer  float64     `json:"answer" doc:"How likely that answer is, 0-1."`
	Falls   float64     `json:"falls" doc:"What the leading cause would fall to."`
	Leads   CauseChance `json:"leads" doc:"The cause that would lead instead, or still."`
}

const (
	turnsOffered = 3
	// unlikelyAnswer is the chance under which an answer is not worth naming.
	unlikelyAnswer = 0.03
	// rivals is how many of the leading causes are followed through an answer.
	rivals = 8
)

// Turns names the looks that could overthrow the leading cause: after the
// answer another cause leads, or the first falls to half. Those that would turn
// the most, weighed with how likely the answer is, come first. None means that
// no single further look would change one's mind.
func (c *Case) Turns() []Turn {
	turns := []Turn{}
	ranked := c.Causes()
	lead := causeIndex[ranked[0].ID]
	followed := []int{}
	for _, cc := range ranked[:rivals] {
		followed = append(followed, causeIndex[cc.ID])
	}
	for s, sign := range signs {
		if c.looked[s] || !Fits(sign.ID, c.habit) {
			continue
		}
		of := append([]int{}, followed...)
		for _, cause := range c.network.linked[s] {
			if linkMatrix[cause][s] >= 0.45 && !contains(of, cause) {
				of = append(of, cause)
			}
		}
		left := 1 - c.network.background[s]
		notSeen, with := c.joint.reweigh(c.network, s, func(p float64) float64 { return left * p }, of)
		for _, present := range []bool{true, false} {
			answer := notSeen
			if present {
				answer = 1 - notSeen
			}
			if answer < unlikelyAnswer {
				continue
			}
			t := Turn{Sign: sign.ID, Present: present, Answer: answer}
			for i, cause := range of {
				after := with[i] / answer
				if present {
					after = (c.joint.chance(cause) - with[i]) / answer
				}
				if cause == lead {
					t.Falls = after
				}
				if after > t.Leads.Chance {
					t.Leads = CauseChance{causes[cause].ID, after}
				}
			}
			if t.Leads.ID != causes[lead].ID || t.Falls < c.joint.chance(lead)/2 {
				turns = append(turns, t)
			}
		}
	}
	worth := func(t Turn) float64 { return t.Answer * (c.joint.chance(lead) - t.Falls) }
	sort.SliceStable(turns, func(a, b int) bool { return worth(turns[a]) > worth(turns[b]) })
	return turns[:min(len(turns), turnsOffered)]
}
