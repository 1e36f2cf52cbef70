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
)

// Turns names the looks that could overthrow the leading cause: after the
// answer another cause leads, or the first falls to half. Those that would turn
// the most, weighed with how likely the answer is, come first. None means that
// no single further look would change one's mind; where the cause that would lead is
// less likely than possible, there is nothing to overthrow.
func (c *Case) Turns() []Turn {
	turns := []Turn{}
	lead, chance := c.lead()
	at := c.k.causeAt[lead.ID]
	for s, sign := range c.k.signs {
		if !c.open(s) || !sign.fits.habit(c.habit.ID) {
			continue
		}
		seen, before, with := c.ifAnswered(s)
		for _, present := range []bool{true, false} {
			answer := 1 - seen
			if present {
				answer = seen
			}
			if answer < unlikelyAnswer {
				continue
			}
			t := Turn{Sign: sign.ID, Present: present, Answer: answer}
			for i, known := range c.k.causes {
				after := (before[i] - with[i]) / answer
				if present {
					after = with[i] / answer
				}
				if i == at {
					t.Falls = after
				}
				if after > t.Leads.Chance {
					t.Leads = CauseChance{known.ID, after}
				}
			}
			if max(chance, t.Leads.Chance) >= possible && (t.Leads.ID != lead.ID || t.Falls < chance/2) {
				turns = append(turns, t)
			}
		}
	}
	worth := func(t Turn) float64 { return t.Answer * (chance - t.Falls) }
	sort.SliceStable(turns, func(a, b int) bool { return worth(turns[a]) > worth(turns[b]) })
	return turns[:min(len(turns), turnsOffered)]
}
