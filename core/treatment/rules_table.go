package treatment

import "slices"

// RuleID names a rule that no plan may break. Ids stand in stored plans.
type RuleID string

// Rule is something that is never done, with the reason.
type Rule struct {
	ID    RuleID `json:"id"`
	Never string `json:"never"`
	Why   string `json:"why"`
}

// rules are what no plan may do (common practice, from memory; those of safety
// follow labels and leaflets on household chemicals).
var rules = []Rule{
	// blade and cuts
	{"N01", "cut with a blade that was not cleaned since it was used elsewhere", "it carries rot, pests and virus"},
	{"N02", "cut again after an infected cut without cleaning the blade", "the next cut is infected"},
	{"N03", "count a blade as clean by alcohol beside virus or wilt", "alcohol does not end them"},
	{
		"N04",
		"cut a stem, crown or rhizome that cannot grow again from below the cut",
		"there is no second growing point",
	},
	{"N05", "work on a part that the plant has not", "it cannot be done"},
	{
		"N06",
		"cut a spike below a plantlet that stays, or the old flower stalk of a wax vine",
		"it cuts the plantlet, or next year's bloom, off",
	},
	{"N07", "take more than a third of the live leaves in a month", "it starves"},
	{"N08", "cut living tissue for marks that do not spread", "it still feeds the plant"},
	{"N09", "tidy a thirsty plant, or one soaked less than four days ago", "what looks lost comes back"},
	{"N10", "save a piece after the cut that it insures against", "first means first"},
	{"N11", "take pieces while what travels with them is open", "the piece carries it on"},
	{"N12", "divide below what mother or piece can live on", "two losers for one"},
	{"N13", "save a piece of a piece", "a piece is the insurance"},
	{"N14", "put powder on a root cut, or on the leaf base of a single-stem orchid", "it dries the root dead"},
	{
		"N15",
		"trim firm roots, doubtful ones that were to stay, or roots that were not counted",
		"a dry skin is not a dead core",
	},
	// root sitting
	{"N16", "leave a plant out of its pot overnight, or fine roots bare for hours", "it dries out"},
	{"N17", "unpot before its new place is ready", "there is no way back in"},
	{"N18", "water between unpotting and setting", "the order is wrong"},
	{"N19", "spread one root sitting over several days", "it is one disturbance"},
	{"N20", "unpot while something holds it back", "no root is replaced now"},
	{"N21", "unpot without a cause or a wish that asks for it", "a disturbance for nothing"},
	{"N22", "work on the roots twice within four weeks", "it breaks the new tips"},
	{"N23", "work on the roots of a thirsty plant before it has drunk", "limp roots snap"},
	{
		"N24",
		"wash, loosen or prune the roots of a palm or cycad, or loosen sound roots that are tied or brittle",
		"they are not made again",
	},
	{"N25", "set it before what is dead is trimmed", "it would be taken out again"},
	// medium and pot
	{"N26", "give soil or half peat to a plant that grows on trees", "it smothers the roots"},
	{"N27", "pot into a mix that is neither the kind's nor the school's", "one mix for all kills some"},
	{"N28", "give a succulent less than half mineral parts", "it stays wet"},
	{
		"N29",
		"rescue into a pot more than 3 cm wider than the live ball, or wider than the old one",
		"idle mix stays wet",
	},
	{"N30", "move a pot-bound plant into a pot that is no wider", "nothing is gained"},
	{"N31", "pot up by more than 5 cm, 7 cm for the largest", "idle mix stays wet"},
	{"N32", "use a pot without holes", "it drowns"},
	{"N33", "leave the old core in the roots of an orchid in rotten medium", "the middle goes on rotting"},
	{"N34", "bury rhizome, bulb, crown or neck", "it rots"},
	{"N35", "scald a pot with the plant in it, or use bad medium again", "cooked, or infested again"},
	{
		"N36",
		"wrap moss against the base, or leave living moss on the roots it smothers",
		"it rots, or goes on smothering",
	},
	{"N37", "do in a pot what needs a pot, to a plant that has none", "it cannot be done"},
	{"N38", "date a root sitting without pot, amount and label", "it cannot be carried out"},
	// water
	{"N39", "water over an open cut that gets wet", "it draws rot in"},
	{"N40", "water before the dry days are over", "the cuts have not healed"},
	{"N41", "leave a root sitting without its first water", "it is forgotten, and dries"},
	{"N42", "soak or flush with live rot, without a drain, at rest or when wet", "it drowns"},
	{"N43", "water a kind that roots first before its roots are long enough", "the new growth rots"},
	{"N44", "flush or fill with the water that is the cause", "it adds to it"},
	{"N45", "stand the base in water", "the stem rots"},
	{"N46", "leave wet overnight what must stay dry", "the crown rots"},
	{"N47", "leave leaves wet by evening that must be dry by night", "it spreads spots"},
	{"N48", "mist or shower with a leaf disease open", "it travels in drops"},
	{"N49", "leave water standing in saucer or outer pot", "roots get no air"},
	{"N50", "hold water without saying until when", "a drought follows"},
	{"N51", "do two opposite things on one day", "it makes no sense"},
	{"N52", "water before root work what has live rot, is a dry kind or sleeps", "it wets what must be dry"},
	// air and light
	{"N53", "close a cover over a dry kind, or over disease, oedema or broad mites", "it cooks, or spreads"},
	{"N54", "cover a plant in the sun", "it cooks"},
	{"N55", "take a cover off in one step", "leaves crisp"},
	{"N56", "raise light by more than a quarter in three days", "it burns"},
	{"N57", "raise light on thirst, a fresh burn or fresh root loss", "no roots cool the leaves"},
	{"N58", "warm up fast, water or feed in the first two days after cold", "cells that lived burst"},
	{"N59", "raise humidity with a leaf disease or broad mites open, or on a dry kind", "it helps the trouble"},
	// feed
	{"N60", "feed few roots, open cuts, fresh root work, thirst, rest, salt or a newcomer", "it burns"},
	{"N61", "feed onto dry medium", "it burns"},
	{"N62", "feed the roots of a carnivore, a full dose into a tank, or beside rot, wilt or burn", "it harms"},
	// products
	{"N63", "put a product on a thirsty, hot, sunlit or burnt plant, or one that its leaves do not bear", "it burns"},
	{"N64", "use soap over 2 % on leaves, or over 0.05 % on roots", "it strips living membranes"},
	{"N65", "leave soap or oil on without its rinse", "the film burns"},
	{"N66", "leave soap on overnight where something must stay dry", "a wet night"},
	{"N67", "use a product against what it does not touch", "poison for nothing"},
	{"N68", "give an amount of a label product that nobody typed in", "the label is the law"},
	{"N69", "use copper on kinds it kills, or with peroxide or acid", "it kills leaves"},
	{"N70", "use a systemic near pollinators or food, before potting or into dry medium", "law, and waste"},
	{"N71", "use a product while predators work, or release them onto a residue", "it kills them"},
	{"N72", "end a pest programme before the hidden stages have come out", "they return"},
	{"N73", "treat thrips or gnats without their stage in the soil", "the pupae survive"},
	{"N74", "use sulphur within a month of oil, or wash earth off at once", "it burns, or is wasted"},
	{"N75", "use peroxide over 3 %, mix bleach, or bring alcohol near a flame", "it injures people"},
	{"N76", "dip hotter than 44 °C, longer than 20 minutes, or what does not bear it", "it cooks"},
	{"N77", "dab, brush or wipe a powdery bloom", "the leaf stays bare"},
	// spread and end
	{"N78", "treat what spreads without isolating it and looking at its neighbours", "it spreads"},
	{"N79", "release it before its conditions are met", "it leaks out"},
	{"N80", "share tools, tray or shower of a kept suspect", "it spreads"},
	{"N81", "carry infested or rotten waste open", "it spreads"},
	{"N82", "let a piece of an infested plant stand free", "it spreads"},
	{"N83", "put off the cut of living rot", "it dies meanwhile"},
	{"N84", "do what nothing accepted asks for", "noise"},
	{"N85", "repeat something without an end", "endless work"},
	{"N86", "open a gate by something seen before its stage began", "it opens on day 0"},
	{"N87", "change a chosen side or school without saying why", "trust"},
	{"N88", "count as a loss what lives on in its parts", "it counts wrong"},
	{"N89", "throw away what is harmless or can be cured", "waste"},
	{"N90", "leave out a caution whose danger is in the step", "safety"},
}

// Rules lists all rules.
func Rules() []Rule { return slices.Clone(rules) }

// RuleByID finds a rule; false when there is none of that id.
func RuleByID(id RuleID) (Rule, bool) {
	i := slices.IndexFunc(rules, func(r Rule) bool { return r.ID == id })
	if i < 0 {
		return Rule{}, false
	}
	return rules[i], true
}
