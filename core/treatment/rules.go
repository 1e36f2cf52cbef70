package treatment

import (
	"fmt"
	"strings"

	"tendermend/core/climate"
	"tendermend/core/diagnosis"
	"tendermend/core/prognosis"
)

// killsWithin is how many days a cause may leave for it to win over what merely
// slows (common practice).
const killsWithin = 2

// actThreshold is the chance from which something may be done that cannot be
// undone (common practice).
const actThreshold = 0.60

// graveHarm is the effect from which a move is kept from an accepted cause.
const graveHarm = -3

// applies says whether a rule is followed, and writes it down either way: a
// carer may set it aside.
func (c *composer) applies(id, what, why string) bool {
	overruled := false
	for _, o := range c.s.Answers.Overruled {
		overruled = overruled || o == id
	}
	for _, r := range c.plan.Rules {
		if r.ID == id && r.What == what {
			return !overruled
		}
	}
	c.plan.Rules = append(c.plan.Rules, Rule{id, what, why, overruled})
	return !overruled
}

// dropIf takes out every step that a rule speaks against.
func (c *composer) dropIf(against func(*part) bool) {
	for id, p := range c.steps {
		if against(p) {
			delete(c.steps, id)
		}
	}
}

func (c *composer) any(does does) bool {
	for _, p := range c.steps {
		if p.does&does != 0 {
			return true
		}
	}
	return false
}

// settleConflicts applies the rules for steps that disagree. Their order
// matters: what takes root work out also takes out its first water.
func (c *composer) settleConflicts() {
	c.rootWorkInItsTime()
	c.oneDisturbance()
	c.firstWater()
	c.wetOrDry()
	c.noFeedNow()
	c.sprayWithCare()
	c.harmNone()
	c.airOrDryLeaves()
	c.reversibleFirst()
}

// Rule 6, and settling in: root work outside active growth is put off unless
// rot is alive, the medium is dangerous, or there is nothing left to lose.
func (c *composer) rootWorkInItsTime() {
	if !c.any(rootWork) {
		return
	}
	urgent := false
	for _, id := range []string{"root-rot", "base-rot", "soft-rot", "root-mealybug"} {
		urgent = urgent || c.s.accepts(id)
	}
	if urgent {
		return
	}
	growing := c.s.Answers.LiveTips != nil && *c.s.Answers.LiveTips > 0
	dark := c.s.Season == climate.Autumn || c.s.Season == climate.Winter
	var what, why string
	switch {
	case c.s.accepts("settling-in") && c.s.Answers.Arrivals != "at-once":
		what, why = "Root work waits until it has settled", "A move is enough for now; unpotted as well it loses twice."
	case c.s.accepts("dormancy"):
		what, why = "Root work waits until it wakes", "Roots disturbed at rest are not replaced."
	case c.s.accepts("woken-early"):
		what, why = "Root work waits for its new roots", "What broke its rest once is not followed by a second disturbance."
	case c.s.Habit.Orchid && dark && !growing && !c.s.fewRoots() && !c.s.accepts("medium-collapsed"):
		what, why = "Root work waits for growing tips", "An orchid outside its growth does not replace the roots that work on it breaks."
	default:
		return
	}
	if !c.applies("R6", what, why) {
		return
	}
	c.dropIf(func(p *part) bool { return p.does&(rootWork|cutsRoot) != 0 })
	c.add(template{id: "root-work-later", phase: "close", gate: "New root tips or new growth.", day: 42, title: "Look whether it is time for the root work", how: "New root tips or new growth say yes. Then make this plan anew.", minutes: 5}, "Root work", "")
}

// Rule 2: a pest on a plant that is also repotted is treated while it is out of
// its pot, and its medium goes with the waste.
func (c *composer) oneDisturbance() {
	c.onePotting()
	if c.steps["pot-up"] == nil || !c.used["P12"] && !c.used["P14"] {
		return
	}
	if c.applies("R2", "Leaves are treated while it is out of its pot", "One disturbance of the roots, not two; waste in one bag, fresh mix.") {
		delete(c.steps, "fresh-medium")
	}
}

// onePotting leaves one way of potting in a plan: a school's, or that of rot,
// before the general one, whose reasons it takes over.
func (c *composer) onePotting() {
	over := ""
	for _, id := range []string{"cup", "stake-firm", "moss-wrap", "set-in-clay", "moss-wisps", "upright-dry"} {
		if c.steps[id] != nil {
			over = id
		}
	}
	general := []string{"prepare-pot", "pot-up", "loosen-ball", "water-in", "pre-soak", "own-labels"}
	if over == "" {
		if c.steps["wash-roots"] != nil || c.steps["bare-root"] != nil || c.steps["clean-base"] != nil {
			delete(c.steps, "loosen-ball")
		}
		return
	}
	for _, id := range general {
		if p := c.steps[id]; p != nil {
			for _, reason := range p.Reasons {
				c.steps[over].Reasons = appendOnce(c.steps[over].Reasons, reason)
			}
			delete(c.steps, id)
		}
	}
}

// Rule 3: the first water after root work, by case.
func (c *composer) firstWater() {
	rhizome := c.s.Habit.ID == "begonia"
	switch {
	case c.any(cutsRoot) && c.any(waters):
		if c.applies("R3", "No soak around the root work", "Fresh cuts rot in wet medium; water waits until they have closed.") {
			c.dropIf(func(p *part) bool { return p.does&waters != 0 })
			if c.steps["first-water"] == nil && c.steps["upright-dry"] == nil && !c.taughtWater() {
				wait, how := 3, "On day 2 to 4, once the cuts have closed: a little round the rim, none in the saucer."
				if c.s.Habit.Orchid {
					wait, how = 2, "On day 1 to 3: once through, drained well."
				}
				c.add(template{id: "first-water", phase: "first-water", day: wait, title: "First light watering", how: how, minutes: 3}, "Root work", "")
			}
		}
	case rhizome && c.any(sprays) && c.steps["water-in"] != nil:
		if c.applies("R3", "First water the day after the spray", "A rhizome that is wet from above and below rots.") {
			c.steps["water-in"].On = c.s.Start + 1
		}
	}
}

// taughtWater says whether a school brings its own way of watering.
func (c *composer) taughtWater() bool { return c.s.Answers.School != "" }

// Rule 1, on water: a plan does not give water and hold it back. What can kill
// sooner wins.
func (c *composer) wetOrDry() {
	if !c.any(waters) || !c.any(holdsWater) {
		return
	}
	wet, dry := 365, 365
	for _, p := range c.steps {
		if p.does&waters != 0 {
			wet = min(wet, p.urgency())
		}
		if p.does&holdsWater != 0 {
			dry = min(dry, p.urgency())
		}
	}
	// Where both press alike, the drier way is the one that can be taken back.
	if wet < dry {
		if c.applies("R1-water", "Water is given, not held back", "Thirst kills sooner than what holding water would mend.") {
			c.dropIf(func(p *part) bool { return p.does&holdsWater != 0 })
		}
		return
	}
	if c.applies("R1-water", "Water is held back, not given", "What stays too wet kills sooner; a dry day can be made up for.") {
		c.dropIf(func(p *part) bool { return p.does&waters != 0 })
	}
}

// Rule 4: no feed while roots are few, thirsty, resting or salt-burnt.
func (c *composer) noFeedNow() {
	if !c.any(feeds) {
		return
	}
	var why string
	for _, x := range []struct{ cause, why string }{
		{"root-rot", "Few roots burn."}, {"base-rot", "Few roots burn."}, {"dry-root-loss", "Few roots burn."}, {"soft-rot", "Few roots burn."}, {"detached", "It has no roots to take it up."},
		{"drought", "Thirsty roots burn."}, {"medium-repels", "Thirsty roots burn."}, {"salt-injury", "It has too much salt already."}, {"water-quality", "It has too much salt already."},
		{"dormancy", "A plant at rest does not eat."}, {"woken-early", "A plant at rest does not eat."}, {"settling-in", "It has to settle first."}, {"fusarium", "It cannot use it."},
	} {
		if c.s.accepts(x.cause) {
			why = x.why
			break
		}
	}
	if why == "" && c.any(holdsFeed) {
		why = "Another of its treatments holds feed back."
	}
	if why == "" && c.s.Answers.LiveRoots != nil && *c.s.Answers.LiveRoots <= 3 {
		why = "Few roots burn."
	}
	if why != "" && c.applies("R4", "No feed for now", why) {
		c.dropIf(func(p *part) bool { return p.does&feeds != 0 })
	}
}

// thirstDays is how long a spray waits on a thirsty or overheated plant.
const thirstDays = 5

// Rule 5: never spray in heat or on a thirsty plant, never on a burn, never on
// a powdery bloom.
func (c *composer) sprayWithCare() {
	if c.any(sprays) || c.used["P12"] || c.used["P14"] {
		if isTender(c.s) && c.applies("R5-tender", "No soap or oil: dab and wash only", "Its leaves are marked by soap and oil, by kind or because they are burnt.") {
			c.dropIf(func(p *part) bool { return p.does&sprays != 0 })
		}
	}
	if wash := c.steps["wash-down"]; wash != nil && c.s.Profile != nil && c.s.Profile.Has("powder-bloom") {
		wash.Title, wash.How = "Rinse it gently", "No brush, no rubbing: its own bloom does not come back on a leaf. Dry by evening."
	}
	if c.steps["systemic"] != nil && c.s.Household.Pollinators && c.applies("R5-bees", "No systemic product", "The plant goes outdoors, or bees reach it.") {
		delete(c.steps, "systemic")
	}
	for _, x := range []struct{ cause, what, why string }{
		{"drought", "Spraying waits until it has drunk", "A thirsty plant burns under soap and oil."},
		{"heat-stress", "Spraying waits until it is cool", "Sprayed in heat it burns."},
		{"cold-injury", "Spraying waits until it is firm again", "Chilled leaves burn under soap and oil."},
	} {
		if c.s.accepts(x.cause) && c.any(sprays) && c.applies("R5-wait", x.what, x.why) {
			for _, p := range c.steps {
				if p.does&sprays != 0 {
					p.On = max(p.On, c.s.Start+thirstDays)
				}
			}
		}
	}
}

// harmNone takes out what would gravely harm another accepted cause, unless a
// cause that kills within days needs it.
func (c *composer) harmNone() {
	for id, p := range c.steps {
		m, known := diagnosis.MoveByID(p.move)
		if !known || p.does&sprays != 0 {
			continue
		}
		for _, cause := range c.s.Causes {
			if m.Effects[cause] > graveHarm {
				continue
			}
			harmed, _ := diagnosis.CauseByID(cause)
			what := fmt.Sprintf("Not: %s", strings.ToLower(p.Title))
			if p.urgency() <= killsWithin && helpsKiller(m, p.causes) {
				c.applies("R1-"+id, p.Title+", all the same", fmt.Sprintf("It is hard on %s, but without it the plant dies within days.", strings.ToLower(harmed.Label)))
				continue
			}
			if c.applies("R1-"+id, what, fmt.Sprintf("It would harm what is also accepted: %s.", strings.ToLower(harmed.Label))) {
				delete(c.steps, id)
				break
			}
		}
	}
}

func helpsKiller(m diagnosis.Move, causes []string) bool {
	for _, id := range causes {
		if daysToAct(id) <= killsWithin && m.Effects[id] > 0 {
			return true
		}
	}
	return false
}

// Rule 7: closed wet air against leaves that must be dry.
func (c *composer) airOrDryLeaves() {
	if !c.any(closesAir) {
		return
	}
	tender := c.s.Habit.ID == "begonia" || c.s.Profile != nil && c.s.Profile.Has("dry-leaves")
	if !tender && !c.any(driesLeaf) && !c.s.accepts("edema") {
		return
	}
	if !c.applies("R7", "An open-sided cover", "Wet still air feeds what marks its leaves.") {
		return
	}
	for _, p := range c.steps {
		if p.does&closesAir != 0 {
			p.does &^= closesAir
			p.Title, p.How = "A cover open at the sides", "Open-sided: a cover above and on three sides only, leaves dry, aired often, out of the sun."
		}
	}
}

// secondLook is after how many days a held step is looked at again.
const secondLook = 6

// Rule 8: reversible first while the chances are close; what cannot be undone
// waits for the act threshold, unless days count.
func (c *composer) reversibleFirst() {
	if len(c.s.Chances) == 0 {
		return
	}
	for _, p := range c.steps {
		if p.does&forGood == 0 || len(p.causes) == 0 || p.urgency() <= killsWithin {
			continue
		}
		most, name := 0.0, ""
		for _, id := range p.causes {
			if chance := c.s.Chances[id]; chance >= most {
				cause, _ := diagnosis.CauseByID(id)
				most, name = chance, cause.Label
			}
		}
		harmed := c.plausiblyHarmed(p.move)
		switch {
		case harmed != "" && c.applies("R8-"+p.ID, "First look again: "+strings.ToLower(p.Title), fmt.Sprintf("It cannot be undone, and would harm if it is %s after all.", strings.ToLower(harmed))):
			p.If = fmt.Sprintf("Only if a second look rules out %s.", strings.ToLower(harmed))
			p.On = max(p.On, c.s.Start+secondLook)
		case harmed == "" && most < actThreshold && c.applies("R8-"+p.ID, "First look again: "+strings.ToLower(p.Title), fmt.Sprintf("It cannot be undone, and %s stands at %.0f %%; 60 %% is wanted.", strings.ToLower(name), 100*most)):
			p.If = fmt.Sprintf("Only if a second look still says %s.", strings.ToLower(name))
			p.On = max(p.On, c.s.Start+secondLook)
		}
	}
}

// plausiblyHarmed names a cause that was not accepted, is plausible, and would
// be gravely harmed by a move.
func (c *composer) plausiblyHarmed(move string) string {
	m, known := diagnosis.MoveByID(move)
	if !known {
		return ""
	}
	for _, cause := range diagnosis.Causes() {
		if m.Effects[cause.ID] <= graveHarm && c.s.Chances[cause.ID] > 0.05 && !c.s.accepts(cause.ID) {
			return cause.Label
		}
	}
	return ""
}

// poorOdds is the chance to live under which a piece is taken as insurance.
const poorOdds = 0.70

// insure proposes a piece as insurance when the odds are poor and the causes
// allow it, and says so when they do not.
func (c *composer) insure() {
	if prognosis.Lives(c.s.Causes) >= poorOdds {
		return
	}
	m, _ := diagnosis.MoveByID("backup-cutting")
	for _, id := range c.s.Causes {
		if m.Effects[id] < 0 {
			cause, _ := diagnosis.CauseByID(id)
			c.applies("P23", "No cutting from it", fmt.Sprintf("%s would go with the piece.", cause.Label))
			return
		}
	}
	how, ok := pieceOf[c.s.Habit.ID]
	if !ok {
		return
	}
	c.add(template{id: "insurance-piece", phase: "insurance", title: "First take a piece as insurance", how: how + " Take it in as a plant of its own, with its mother named.", minutes: 10,
		materials: []string{"sterile blade", "label"}, cautions: []string{"blade"}, does: forGood}, "Insurance: the odds are poor", "")
}

// pieceOf says which piece of a habit lives on its own (common practice).
var pieceOf = map[string]string{
	"sympodial-orchid":    "A firm back division of two or three bulbs, or a plantlet with roots.",
	"monopodial-orchid":   "A plantlet with roots, where there is one.",
	"jewel-orchid":        "A stem tip with two nodes into damp moss.",
	"aroid-vine":          "A node with an air root into damp moss in a box, or a tip in water.",
	"aroid-clump":         "A firm offset or tuber from the side.",
	"rhizomatous-foliage": "A division with its own rhizome and two leaves.",
	"begonia":             "A cane tip, or a leaf with its stalk.",
	"soft-trailer":        "Seven to nine tips into a pot of 15 cm.",
	"woody":               "A firm tip of this year's wood.",
	"wax-vine":            "A node with a pair of leaves into damp moss.",
	"succulent-rosette":   "A clean head or offset, dried for some days.",
	"cactus":              "A clean offset or top, dried for a week.",
	"fern":                "A division with its own rhizome.",
	"bromeliad":           "An offset of a third of the mother's size.",
}

// careAfter mixes the routine after-care into a plan where it fits.
func (c *composer) careAfter() {
	const after = "After-care"
	if c.any(rootWork) {
		c.add(template{id: "label-back", phase: "set-and-stake", title: "Label back in the pot", how: "At once, and the record the same day.", minutes: 1, materials: []string{"label"}}, after, "")
		if c.s.Habit.Orchid {
			c.add(template{id: "fan-dry", phase: "first-water", day: 1, title: "Dry crown and joints with a fan", how: "Before a cool evening no water stands in crown or leaf joints.", minutes: 3, cautions: []string{"electric"}}, after, "")
		}
	}
	if harmlessOnly(c.s.Causes) {
		return
	}
	c.add(template{id: "ordinary-care", phase: "close", day: 56, title: "Back to ordinary care", how: "A lukewarm shower wets and washes better than a can; feed only onto moist medium; loosen a tight surface monthly; wash dust off both faces of the leaves every month or two.", minutes: 10}, after, "")
}

func harmlessOnly(ids []string) bool {
	for _, id := range ids {
		if c, _ := diagnosis.CauseByID(id); !c.Harmless {
			return false
		}
	}
	return true
}
