package diagnosis

import (
	"math"
	"sort"

	"tendermend/core/working"
)

// Check is a look at one sign not yet looked for, and what it would settle.
type Check struct {
	Sign    string  `json:"sign"`
	Bits    float64 `json:"bits" doc:"Expected drop in the suspects' uncertainty, in bits."`
	Minutes int     `json:"minutes"`
	Worth   float64 `json:"worth" doc:"Bits weighted by urgency, over the cost of the look."`
	// Outcomes says what each answer would mean for the suspects it moves most.
	Outcomes Outcomes        `json:"outcomes"`
	Working  working.Working `json:"working"`
}

// Outcomes says what a look would lead to.
type Outcomes struct {
	Cost   float64       `json:"cost" doc:"2 + minutes + price of the disturbance."`
	Seen   float64       `json:"seen" doc:"Chance that the sign will be seen, 0-1."`
	IfSeen []CauseChance `json:"ifSeen"`
	IfNot  []CauseChance `json:"ifNot"`
}

const (
	checksOffered = 3
	leastWorth    = 0.01 // under this no check is worth its trouble: time to act
)

// disturbancePrice is what each grade of disturbance adds to a look's cost, in
// minutes' worth (common practice).
var disturbancePrice = [...]float64{Look: 0, Touch: 1, Lift: 3, Unpot: 20}

// NextChecks gives the three looks most worth their trouble, best first. None
// means that it is time to act.
func (c *Case) NextChecks() []Check {
	return c.nextChecks(func(Sign) bool { return true })
}

// ChecksAtSale gives the three looks most worth their trouble that a stranger
// can take at a plant for sale.
func ChecksAtSale(e Examination) ([]Check, error) {
	c, err := Examine(e)
	if err != nil {
		return nil, err
	}
	return c.nextChecks(seenAtSale), nil
}

func (c *Case) nextChecks(can func(Sign) bool) []Check {
	checks := []Check{}
	suspects := c.suspects()
	if len(suspects) == 0 {
		suspects = c.leadingCauses()
	}
	for s, sign := range signs {
		if c.looked[s] || !Fits(sign.ID, c.habit) || !can(sign) {
			continue
		}
		if check := c.check(s, suspects); check.Worth >= leastWorth {
			checks = append(checks, check)
		}
	}
	sort.SliceStable(checks, func(a, b int) bool { return checks[a].Worth > checks[b].Worth })
	checks = checks[:min(len(checks), checksOffered)]
	for i, ch := range checks {
		checks[i].Working = working.Working{
			Inputs: []working.Input{
				{Name: "settles, bits", Value: ch.Bits},
				{Name: "cost: 2 + minutes + disturbance", Value: ch.Outcomes.Cost},
				{Name: "worth", Value: ch.Worth},
			},
			Formula: "expected drop in the suspects' entropy, each × its urgency (3, 2 or 1), ÷ cost; under 0.01 " +
				"it is time to act",
			Source: "entropy: Shannon 1948; costs and urgencies: common practice", Sure: "as good as its tables"}
	}
	return checks
}

// leadingCauses stand in for suspects while nothing has been raised by
// evidence, so that a first look has somewhere to begin.
func (c *Case) leadingCauses() []int {
	var lead []int
	for _, cc := range c.Causes()[:6] {
		lead = append(lead, causeIndex[cc.ID])
	}
	return lead
}

func (c *Case) check(s int, suspects []int) Check {
	sign := signs[s]
	price := disturbancePrice[sign.Disturbance]
	if c.fragile() {
		price *= 2
	}
	cost := 2 + float64(sign.Minutes) + price

	left := 1 - c.network.background[s]
	notSeen, with := c.joint.reweigh(c.network, s, func(p float64) float64 { return left * p }, suspects)
	check := Check{Sign: sign.ID, Minutes: sign.Minutes, Outcomes: Outcomes{Cost: cost, Seen: 1 - notSeen}}
	type swing struct{ ifSeen, ifNot CauseChance }
	swings := make([]swing, len(suspects))
	var weighted float64
	for i, cause := range suspects {
		now := c.joint.chance(cause)
		ifNot := with[i] / notSeen
		ifSeen := (now - with[i]) / (1 - notSeen)
		drop := entropy(now) - notSeen*entropy(ifNot) - (1-notSeen)*entropy(ifSeen)
		check.Bits += drop
		weighted += drop * causes[cause].urgency()
		id := causes[cause].ID
		swings[i] = swing{CauseChance{id, ifSeen}, CauseChance{id, ifNot}}
	}
	check.Worth = weighted / cost
	sort.SliceStable(swings, func(a, b int) bool {
		return math.Abs(swings[a].ifSeen.Chance-swings[a].ifNot.Chance) >
			math.Abs(swings[b].ifSeen.Chance-swings[b].ifNot.Chance)
	})
	for _, w := range swings[:min(len(swings), 3)] {
		check.Outcomes.IfSeen = append(check.Outcomes.IfSeen, w.ifSeen)
		check.Outcomes.IfNot = append(check.Outcomes.IfNot, w.ifNot)
	}
	return check
}

func (c *Case) fragile() bool {
	return c.examination.Fragile || contains(c.present, signIndex["root.few-live"])
}

// entropy of a yes/no question, in bits.
func entropy(p float64) float64 {
	if p <= 0 || p >= 1 {
		return 0
	}
	return -p*math.Log2(p) - (1-p)*math.Log2(1-p)
}
