package diagnosis

// askedAtMost is after how many questions, one by one, a first answer is given
// (common practice: a look of a quarter of an hour).
const askedAtMost = 10

// Guided says how a look goes on that asks one thing after the other.
type Guided struct {
	Next    string `json:"next,omitempty" doc:"Sign of the check to take now; empty where nothing more can be seen today."`
	Settled bool   `json:"settled" doc:"Whether a first answer can be given without asking more."`
	Most    int    `json:"most" doc:"After so many questions a first answer is given all the same."`
}

// Guided says what to ask next, and whether enough is known: nothing more can be seen
// today, or the verdict asks for no further look.
func (c *Case) Guided() Guided {
	g := Guided{Most: askedAtMost}
	for _, check := range c.NextChecks() {
		if check.Days == 0 {
			g.Next = check.Sign
			break
		}
	}
	g.Settled = g.Next == "" || c.Verdict().Kind != LookFurther
	return g
}
