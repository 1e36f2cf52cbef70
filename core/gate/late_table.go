package gate

import "tendermend/core/facts"

// lateRow says of some conditions for how long they are waited for and what is done then. All of it is common practice.
type lateRow struct {
	is     []Is              // none for all
	sights []Sight           // none for all
	of     func(Nature) bool // nil for all
	from   facts.Happening   // what the days are counted from
	days   int               // 0 where only the grace counts
	then   string
	last   int // days from the same, after which it is asked whether to go on; 0 for never
	atLast string
}

var (
	rootSights   = []Sight{Nub, NewRoot, Tip}
	growthSights = []Sight{NewGrowth, Growth, NewLeaf, NewSpear}
	footSights   = []Sight{PieceRoot, Nudge}
)

const (
	feelTheFoot = "feel where it was cut. Soft: cut it back to firm tissue and set it anew. Firm: 26 °C and a cover " +
		"for 28 days more, or another vessel."
	stakeAndCount = "stake it, so that new tips are not torn, and count its roots again where they show. Fewer than " +
		"before: examine it anew. As many: wait on, warm and in shade."
	warmerOrOther = "warmer and covered; no change in 28 days more: another way of bringing it back to roots."
	giveUpRoots   = "go on only while a bulb or the base of a leaf is firm; where none is, give it up."
	feelTheBase   = "feel its base. Firm: wait on. Soft: cut it to sound tissue, and let the cut heal again."
	sidePush      = "with two firm leaves or more it may still push from the side: wait on. With fewer, decide whether " +
		"to go on."
)

// lateRows is asked from above: the first row that fits counts. The last one fits all.
var lateRows = []lateRow{
	{sights: []Sight{Nudge}, of: isRooted, from: facts.Potted, days: 42, then: stakeAndCount},
	{sights: footSights, of: isWoody, from: facts.Potted, days: 70, then: feelTheFoot},
	{sights: footSights, from: facts.Potted, days: 42, then: feelTheFoot},
	{
		sights: rootSights, of: isCoolRootless, from: facts.SatRoots, days: 45,
		then: warmerOrOther, last: 90, atLast: giveUpRoots,
	},
	{
		sights: rootSights, of: isRootless, from: facts.SatRoots, days: 28,
		then: warmerOrOther, last: 90, atLast: giveUpRoots,
	},
	{
		sights: growthSights, of: isCrown, from: facts.Planned, days: 120,
		then: sidePush, last: 365, atLast: "nothing pushed in a year: give it up, or keep it as it is.",
	},
	{sights: growthSights, of: isDrySet, from: facts.Potted, days: 56, then: feelTheBase},
	{
		sights: growthSights, of: isAtRest,
		then: "its season has begun without it. Shrivelling: another way of bringing it back to roots, with some water. " +
			"Firm: wait on.",
	},
	{
		sights: growthSights,
		then: "feel whether it is firm, and look at the roots where they show. Firm with live roots: hold its warmth and " +
			"light against what its kind likes. Else examine it anew.",
	},
	{
		sights: []Sight{CleanLeaf}, from: facts.Planned, days: 60,
		then: "where it makes less than one leaf a month, one clean leaf, or 60 days without a mark, is enough.",
	},
	{
		sights: []Sight{OffsetRoot, GrownOffset, Offset},
		then:   "leave it where it is, and look again in its next season: it loses nothing on its mother.",
	},
	{sights: []Sight{Bloomed}, then: "it blooms for longer than the work can wait: cut the flowers, or let it wait."},
	{
		sights: rootSights,
		then:   "count its roots again where they show; it is not taken out of its pot for that.",
	},
	{
		is:   []Is{Share},
		then: "count its roots again where they show, never by taking it out. Three growing tips or a new leaf say as much.",
	},
	{
		is: []Is{Clean},
		then: "they came back each time: another means, as its label allows, or predators of them; where none is left, " +
			"decide whether you keep it.",
	},
	{is: []Is{Quiet, NoRot}, then: "it goes on: examine it anew, and decide again what it is."},
	{
		is: []Is{Firm},
		then: "limp on a moist medium: count its roots again. Fewer than before: cut what died, a smaller pot. As many: " +
			"shade and a cover for 7 days.",
	},
	{is: []Is{Dry}, then: "too wet for so long: slide it out. Brown and soft roots are rot, to be treated today."},
	{is: []Is{Moist}, then: "what is poured runs past: soak it from below."},
	{is: []Is{Warmth}, then: "find it another place, or let what waits be until the season is right."},
	{is: []Is{Free}, then: "look at what still keeps it apart."},
	{then: "look at it once more. Where it does not come, make the plan anew from what is seen now."},
}

func isWoody(n Nature) bool        { return n.Woody }
func isRooted(n Nature) bool       { return n.Rooted }
func isRootless(n Nature) bool     { return n.Rootless }
func isCoolRootless(n Nature) bool { return n.Rootless && n.Cool }
func isCrown(n Nature) bool        { return n.Crown }
func isDrySet(n Nature) bool       { return n.DrySet }
func isAtRest(n Nature) bool       { return n.Rests }
