package diagnosis

import "tendermend/core/cause"

// Cause is something that can be wrong with a plant, or an ordinary event that
// looks like it.
type Cause struct {
	ID        string  `json:"id"`
	Label     string  `json:"label"`
	Kind      string  `json:"kind"`
	Prior     float64 `json:"prior" doc:"Share of examined plants that have it before any sign is known, 0-1."`
	Spreads   bool    `json:"spreads" doc:"Whether it can pass to other plants."`
	DaysToAct int     `json:"daysToAct"`
	Harmless  bool    `json:"harmless" doc:"Whether it harms nothing."`
	Summary   string  `json:"summary"`
	// Defining are the signs by which one knows it.
	Defining []string `json:"defining,omitempty"`
	// Condition is the sign that this cause simply is: seen, it is true.
	Condition string `json:"condition,omitempty"`

	parts     []string // of an umbrella
	firstMove string
	mild      bool // it does not show a sign strongly
	fits      func(habit string) bool
}

// Urgencies by the days that are left to act (common practice).
const (
	pressingDays = 2 // at most
	soonDays     = 7
)

// urgency weighs what a check settles: 3 where at most 2 days are left to act,
// 2 up to 7 days, else 1; harmless ones hardly matter (common practice).
func (c *Cause) urgency() float64 {
	switch {
	case c.Harmless:
		return 0.3
	case c.DaysToAct <= pressingDays:
		return 3
	case c.DaysToAct <= soonDays:
		return 2
	}
	return 1
}

// presses is what a move is worth more for a cause that waits less, beside 1 for one
// that waits long (common practice).
func (c Cause) presses() float64 {
	switch {
	case c.Harmless:
		return 0.8
	case c.DaysToAct <= pressingDays:
		return 1.5
	case c.DaysToAct <= soonDays:
		return 1.2
	}
	return 1
}

// lethal are the causes that kill within days: none of them is left open while
// anything is called harmless, found well or ripe to be treated.
var lethal = []cause.ID{
	cause.SoftRot,
	cause.BlackRot,
	cause.BaseRot,
	cause.RootRot,
	cause.SouthernBlight,
	cause.Acidovorax,
}
