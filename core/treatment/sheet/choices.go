package sheet

import (
	"encoding/json"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/treatment/compose"
)

// Choice is a disagreement of the trade: sides to choose from, each with what
// speaks for it and against it.
type Choice struct {
	ID    string `json:"id" doc:"The answer that it fills."`
	Ask   string `json:"ask"`
	Sides []Side `json:"sides"`
	// Usual is empty where nobody chose and the plan takes none of the sides.
	Usual string `json:"usual,omitempty" doc:"Id of the side that is taken where nobody chose."`
}

// Side is one answer to a disagreement.
type Side struct {
	ID    string `json:"id"`
	Label string `json:"label"`
	For   string `json:"for" doc:"What speaks for it."`
	But   string `json:"but" doc:"What speaks against it."`
}

// disagreement is what the trade disagrees about, whatever the plan.
type disagreement struct {
	id, ask string
	sides   []Side
}

// choices are the disagreements other than the orchid schools (common practice).
var choices = []disagreement{
	{"rootWash", "Root rinse", []Side{
		{"water", "water", "nothing that live tips could take amiss", "does nothing against what is inside the root"},
		{"peroxide", "weak peroxide, once", "foams on dead tissue and shows it", "hard on live tips"},
		{
			"fungicide",
			"a product against water moulds, by its label",
			"acts for weeks",
			"needs its label, gloves and air; useless against anything else",
		},
		{"soap", "a few drops of soap in a litre", "wets what sheds water", "must be rinsed off within a minute"}}},
	{"pestFirst", "First against the pest", []Side{
		{"soap", "soap", "kills what it meets, leaves nothing behind", "eggs survive; marks tender leaves"},
		{"oil", "horticultural oil", "smothers eggs too", "a film for a week; by its label"},
		{"neem", "neem oil", "slows what hatches", "smells; marks tender leaves; by its label"},
		{"alcohol", "alcohol, dabbed", "nothing on the leaf", "one insect at a time, every third day"},
		{"systemic", "a systemic product", "reaches what hides", "poisons bees; label and law decide"},
		{"predators", "predators", "go on by themselves", "want warmth and time; no spray beside them"},
		{
			"hot-dip",
			"a warm bath",
			"kills every stage at once",
			"one degree too many cooks it; try one plant first",
		}}},
	{"dryRoots", "Dry-looking roots", []Side{
		{"keep", "keep them", "the core may live, and they hold it still", "dead ones may rot later"},
		{"cut", "cut what is certainly dead", "room and air for new ones", "a dry skin may hide a live core"},
		{"wait", "wet them, wait a week, then judge", "a live root shows itself", "a second look at the roots"}}},
	{"arrivals", "Repotting a newcomer", []Side{
		{
			"two-weeks",
			"left alone for two weeks",
			"one strain at a time",
			"what sits in its medium has two weeks more",
		},
		{"needed", "not until it needs it", "nothing is disturbed for nothing", "dense medium is found late"},
		{
			"at-once",
			"at once",
			"one sees the roots, and pests in the medium go",
			"moved and unpotted it loses twice",
		}}},
	{"spikes", "Flower spikes", []Side{
		{"cut", "off today", "all it has goes into roots", "the flower is lost for a year"},
		{"keep-one", "keep one", "one sees what it is", "costs weeks that a weak plant may not have"},
		{"keep", "keep them", "the bloom is what it was bought for", "root work waits until the last flower"}}},
	{"plantlets", "Plantlets and offsets", []Side{
		{"wait", "left until they have roots of their own", "nearly all then live", "she may not last that long"},
		{"now", "off at once", "they take what she cannot spare", "unready ones often fail"},
		{"stay", "they stay for good", "a fuller plant", "the mother feeds them"}}},
	{"cutDressing", "On the cut", []Side{
		{"dry", "dry air only", "nothing seals wet rot in", "takes a few hours"},
		{"cinnamon", "ground cinnamon", "dries the face", "kills roots it touches"},
		{"powder", "a labelled powder", "made for it", "its label decides"}}},
	{"firstWater", "First water", []Side{
		{"dry-day", "on its dry day", "cuts have closed", "it hangs a little until then"},
		{"at-once", "at once, a little", "roots do not dry", "cuts may draw rot in"}}},
	{"succulentWater", "First water of a succulent", []Side{
		{"dry-day", "on its dry day, when it resists a nudge", "usual", "it wrinkles until then"},
		{"at-roots", "only when roots are seen", "nothing can rot", "it lives on itself for longer"}}},
	{"cover", "Cover after root loss", []Side{
		{"kind", "what its kind bears", "leaves keep what roots cannot give", "still air"},
		{"open", "open at the side", "less mould", "leaves lose more"},
		{"none", "none", "no mould at all", "only in moist rooms"}}},
	{"crownDose", "In the crown", []Side{
		{"dry", "dried only", "nothing to burn", "what is inside goes on alone"},
		{"peroxide", "peroxide of 3 %, once", "foams on what is dead", "not twice"},
		{"label", "a labelled product", "acts for weeks", "its label decides"}}},
	{"gnats", "Against gnat larvae", []Side{
		{"dry-top", "a dry top", "costs nothing", "not for what must stay moist"},
		{"grit", "a centimetre of grit", "they find no way in", "hides how wet the mix is"},
		{"larvicide", "a larvicide alone", "for what must stay moist", "its label decides; adults fly on for weeks"}}},
	{"multiplyBy", "How it is multiplied", []Side{
		{"division", "divided", "each part has roots and grows on", "each keeps three growths or more"},
		{"offset", "by an offset", "a whole plant from the first day", "it waits until the offset is ripe"},
		{"keiki", "by a plantlet", "a whole plant with roots", "it waits until its roots are long enough"},
		{"tip-cutting", "by a tip", "soon a shapely plant", "the mother loses her tip and branches"},
		{"node-cutting", "by nodes in moss", "several from one stem", "bare for weeks; some rot"},
		{"stem-section", "by lengths of stem", "several from one stem", "the cut must dry first"},
		{"layering", "by layering, on the mother", "she feeds it until it has roots: hardly one is lost", "one at a time"},
		{"leaf-cutting", "by a leaf", "costs her one leaf", "slow; a pattern may be lost"},
		{"rhizome", "by a length of rhizome", "each with a growing tip", "bare for weeks"}}},
	{"aim", "The new set-up", []Side{
		{"S5", "clay over a reservoir", "forgives a week away", "old roots go"},
		{"S0", "its own mix", "what its kind is used to", "wants a look each few days"},
		{"S4", "moss", "for thin leaves and dry rooms", "rots under a heavy hand"},
		{"S6", "bare roots, hung", "for roots that live in air", "water each morning"},
		{"mount", "a slab", "roots as in its tree", "dries within a day"}}},
}

// with gives the answers with one side of a choice taken.
func (a Answers) with(choice, side string) Answers {
	to := map[string]*string{
		"rootWash":       &a.RootWash,
		"pestFirst":      &a.PestFirst,
		"dryRoots":       &a.DryRoots,
		"arrivals":       &a.Arrivals,
		"spikes":         &a.Spikes,
		"plantlets":      &a.Plantlets,
		"cutDressing":    &a.CutDressing,
		"firstWater":     &a.FirstWater,
		"succulentWater": &a.Succulent,
		"cover":          &a.Cover,
		"crownDose":      &a.CrownDose,
		"gnats":          &a.Gnats,
		"aim":            &a.Aim,
		"multiplyBy":     &a.MultiplyBy,
	}[choice]
	if to != nil {
		*to = side
	}
	return a
}

// ChoicesFor lists the disagreements that change the plan of a situation, with
// the answers given. A side that changes nothing, that is refused, or that would
// break a rule is not offered; nor is a disagreement of which only one side is left.
func ChoicesFor(s treatment.Situation, a Answers) []Choice {
	a.fill(&s)
	list := []Choice{}
	for _, c := range choices {
		if !concerns(c.id, s) {
			continue
		}
		kept := Choice{ID: c.id, Ask: c.ask}
		var seen []string
		for _, side := range c.sides {
			done, sound := workOf(s, a.with(c.id, side.ID), side.ID)
			if sound && !slices.Contains(seen, done) {
				seen, kept.Sides = append(seen, done), append(kept.Sides, side)
			}
		}
		if len(kept.Sides) < 2 {
			continue
		}
		usual, _ := workOf(s, a.with(c.id, ""), "")
		if i := slices.Index(seen, usual); i >= 0 {
			kept.Usual = kept.Sides[i].ID
		}
		list = append(list, kept)
	}
	return list
}

// workOf is all that the plan with a side does, to be held against the others; false
// where there is no such plan, where it refuses the side, or where it breaks a rule.
func workOf(s treatment.Situation, a Answers, side string) (done string, sound bool) {
	a.fill(&s)
	p, err := compose.Plan(s)
	if err != nil || refused(p, side) {
		return "", false
	}
	if broken, err := check.Plan(s, p); err != nil || len(broken) > 0 {
		return "", false
	}
	raw, err := json.Marshal(p.Sittings)
	return string(raw), err == nil
}

// refused says whether a plan says that it does not take a side.
func refused(p treatment.Plan, id string) bool {
	if id == "neem" {
		id = string(treatment.Oil)
	}
	return slices.ContainsFunc(p.LeftOut, func(l treatment.LeftOut) bool {
		return l.Op == id || l.Op == "school "+id || strings.HasPrefix(l.Op, id+" ")
	})
}

// concerns spares composing plans for disagreements that cannot matter.
func concerns(id string, s treatment.Situation) bool {
	switch id {
	case "pestFirst":
		return slices.ContainsFunc(s.Causes, func(c cause.ID) bool { _, ok := treatment.FoeOf(c); return ok })
	case "gnats":
		return slices.Contains(s.Causes, "fungus-gnat")
	case "spikes":
		return s.Facts.Spikes.Or(0) > 0 || slices.Contains(s.Causes, "bloom-drain")
	case "plantlets":
		return s.Facts.Plantlets.Or(0) > 0 || slices.Contains(s.Causes, "offset-drain")
	case "crownDose":
		return slices.Contains(s.Causes, "base-rot")
	case "arrivals":
		return s.Facts.NewcomerDays.Known
	case "multiplyBy":
		return s.Wish == treatment.Propagate
	case "aim":
		return s.Wish == treatment.SetupChange
	}
	return true
}
