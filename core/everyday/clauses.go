package everyday

import (
	"regexp"
	"slices"
	"strings"
)

// anyOf matches one of several words or turns of phrase, between what stands before and
// after them.
func anyOf(before string, words []string, after string) *regexp.Regexp {
	return regexp.MustCompile(`(?i)` + before + `(?:` + strings.Join(words, "|") + `)` + after)
}

var (
	sentences = regexp.MustCompile(`[^.!?\n]+[.!?]*`)
	// joints are where one statement ends and another begins, or two words of one are joined.
	joints = anyOf("", []string{
		`\s*[,;:]\s*(?:and |but |or |nor |also |plus )?`,
		`\s+(?:and|but|or|nor|with|plus|also|although|though|while|because|however|except|yet)\s+` +
			`(?:also |with |there are |there is |has |have |it has )?`,
		`\s*\|\s*`, `\s+[-–—]\s+`, `\s*[()]\s*`, `\s*&\s*`,
	}, "")
	// turns begin what tells of when, where or why.
	turns = regexp.MustCompile(`(?i)\s+(since|after|when|despite|even though|until|before|near|next to|beside)\s+`)
	// beside are the plants that stand beside it.
	beside = regexp.MustCompile(`(?i)\b(?:plants?|ones?|others|pots?) (?:right |just )?(?:next to|beside|near|around) ` +
		`(?:it|them|this one)\b`)
	// stands tells in passing where it stands, before what is said of it.
	stands = regexp.MustCompile(`(?i)\b([a-z]+) (?:in|by|near|at|on) (?:the|my|our) (?:[a-z]+ )?` +
		`(?:door|window|windowsill|sill|hall|hallway|kitchen|bathroom|bedroom|office|corner|shelf|desk|table|stairs|porch) ` +
		`(is|has|was|keeps|looks|got|gets|seems)\b`)
	// asides tell nothing of the plant: from whom it is, that somebody is new to it, waters it as it should be, or asks
	// whether that is bad.
	asides = anyOf(`\b`, []string{
		`from (?:my|a|our) (?:neighbou?rs?|friends?|aunt|mother|mum|mom|sister|grandm\w+)`,
		`new here`, `is (?:it|this|that) (?:bad|harmful|dangerous|normal|ok|okay|serious|a problem)`,
		`what now`, `what should i do`, `new to (?:this|plants|houseplants|orchids|growing)`,
		`i (?:only |always |just )?water (?:it |them )?(?:only )?(?:when(?:ever)?|once|as soon as|after) [^,.;]*\bdry`,
		`(?:the )?(?:others?|rest)(?: of (?:it|the plant|them))? (?:is |are |looks? )?(?:all )?(?:` +
			strings.Join(wells, "|") + `|green)`,
	}, `\b`)
	orJoint = regexp.MustCompile(`(?i)\b(or|nor)\b`)
	// doubts are words that say that somebody is not sure.
	doubts = anyOf(`\b`, []string{
		`maybe`, `may be`, `might`, `perhaps`, `possibly`, `probably`, `i think`, `i guess`, `i believe`, `i suspect`,
		`suspect`, `seems?`, `seem to`, `looks? like`, `could be`, `not (?:really |quite |so |entirely |100 ?% )?sure`,
		`unsure`, `not certain`, `uncertain`, `do(?: not|n'?t) know`, `kind of`, `sort of`, `a bit like`, `sometimes`,
		`apparently`,
	}, `\b`)
	// unlooked begins what nobody has looked at: it says nothing.
	unlooked = regexp.MustCompile(unable.String() + `[^,.;]*\b` + looking.String())
	unable   = anyOf(`\b`, []string{
		`have ?n[o']?t`, `has ?n[o']?t`, `did ?n[o']?t`, `not`, `no time to`, `never`, `can'?t`, `cannot`, `can not`,
		`couldn'?t`,
	}, `\b`)
	looking = anyOf("", []string{
		`look(?:ed)? at`, `look(?:ed)?`, `check(?:ed)?`, `inspect(?:ed)?`, `unpot(?:ted)?`, `see the roots`,
	}, `\b`)
	// unknowing begins what somebody does not know: it says nothing either.
	unknowing = anyOf(`\b`, []string{
		`not (?:really |quite )?sure`, `unsure`, `do ?n[o']?t know`, `can'?t (?:tell|say)`, `no idea`, `not certain`,
	}, ` (?:if|whether|about|what|how)\b`)
	// past tells of what is no longer so, or was taken for something.
	past = anyOf(`\b`, []string{
		`used to (?:be|have|stand|get|sit)`, `(?:first |at first )?thought (?:it|they|that|this|these|those) (?:was|were)`,
	}, `\b`)
	// gone says of what was told before it that it is over.
	gone = regexp.MustCompile(`(?i)^(?:(?:they|it|that|those|these|all)` +
		`(?:(?:'re|'s| are| is| were| have| has)(?: all| been)*)? )?` +
		`(?:gone|disappeared|cleared up|treated|dealt with|over)(?: now| by now)?$`)
	// healthy says that a part of the plant is well.
	healthy = anyOf(`\b(?:looks?|is|are|seems?|feels?) (?:still |all |very |quite |perfectly )?`, wells, `\b`)
	wells   = strings.Fields(`fine ok okay good great healthy alright normal happy`)
	// whereabouts tells alone of where something is seen or stands: no sign, as "near the soil" and
	// "next to it" are none.
	whereabouts = anyOf(`^(?:everywhere |all )?(?:near|nearest|next to|beside|around|close to) (?:the |my |its )?`,
		strings.Fields(`it them plants? soil surface base bottom pot rim stem stalk trunk roots? middle centre center top
			ground`), `(?: line| level)?$`)
	// nearSoil names in whereabouts what its base stands in.
	nearSoil = regexp.MustCompile(`(?i)\b(?:soil|base|bottom|surface|ground)\b`)
	// watered tells alone that somebody waters it, or did.
	watered = regexp.MustCompile(`(?i)^i(?:'ve| have)? (?:just |always |usually |do |even )?water(?:ed)?` +
		`(?: it| them| her| him)?` +
		`(?: well)?(?: yesterday| today| this morning| last night| (?:a|one|two|three|\d+) days? ago)?$`)
	// specks are tiny dark marks.
	specks = regexp.MustCompile(`(?i)\b(?:specks?|dots?|flecks?)\b`)
	// moment begins what tells when something is seen.
	moment = regexp.MustCompile(`(?i)^(?:when|whenever|after|before|every time|as soon as)\b`)
)

// part is what stands between two joints.
type part struct {
	text   string
	by     string // the joint before it
	ideas  []idea
	denies bool
	doubts bool
	well   bool // it says that something is well, and nothing of what is said beside it
}

// parts cuts a sentence at its joints.
func (r *reader) parts(sentence string) (list []part) {
	sentence = asides.ReplaceAllString(sentence, " ")
	sentence = stands.ReplaceAllString(beside.ReplaceAllString(sentence, "neighbours"), "$1 $2")
	sentence = turns.ReplaceAllString(sentence, " | $1 ")
	at, by := 0, ""
	cut := func(to int) {
		if text := strings.TrimSpace(sentence[at:to]); text != "" {
			list = append(list, r.part(text, by))
		}
	}
	for _, loc := range joints.FindAllStringIndex(sentence, -1) {
		cut(loc[0])
		at, by = loc[1], sentence[loc[0]:loc[1]]
	}
	cut(len(sentence))
	for i := range list {
		if i > 0 && gone.MatchString(list[i].text) {
			list[i-1].ideas, list[i].ideas = nil, nil
		}
	}
	return list
}

func (r *reader) part(text, by string) part {
	p := part{text: text, by: by}
	if unlooked.MatchString(text) || unknowing.MatchString(text) || past.MatchString(text) {
		return p
	}
	p.doubts, p.well = doubts.MatchString(text), healthy.MatchString(text)
	p.ideas = r.book.oneUnknown(r.book.lex.ideasOf(r.book.lex.wordsOf(doubts.ReplaceAllString(text, " "))))
	p.denies = slices.Contains(p.ideas, not)
	return p
}

// tellsWhen says whether a part tells of a moment alone, as "when I water" or "when I touch it" does: it is no
// sign.
func (p part) tellsWhen() bool {
	does := slices.DeleteFunc(slices.Clone(p.ideas), func(i idea) bool { return organs[i] && len(p.ideas) > 1 })
	return len(does) == 1 && slices.Contains(moments, does[0]) && moment.MatchString(p.text)
}

// tellsCare says whether a part tells alone that it was watered, and not how often: it is no sign.
func (p part) tellsCare() bool { return watered.MatchString(p.text) }

// tellsWhere says whether a part tells of whereabouts alone.
func (p part) tellsWhere() bool {
	return whereabouts.MatchString(strings.Join(strings.Fields(p.text), " "))
}

// tellsOfBase says whether a part tells alone that something is near the medium, where its base is.
func (p part) tellsOfBase() bool { return p.tellsWhere() && nearSoil.MatchString(p.text) }

// moments are what people do when they see a sign.
var moments = []idea{"water", stem("touch"), stem("lift"), stem("shake")}

// carried gives a denial on to what is listed after it with "or".
func carried(parts []part) {
	for i := 1; i < len(parts); i++ {
		listed := orJoint.MatchString(parts[i].by) || strings.HasPrefix(strings.TrimSpace(parts[i].by), ",") &&
			slices.ContainsFunc(parts[i:], func(p part) bool { return orJoint.MatchString(p.by) })
		if parts[i-1].denies && listed && !parts[i].denies && len(parts[i].ideas) > 0 {
			parts[i].denies, parts[i].ideas = true, append([]idea{not}, parts[i].ideas...)
		}
	}
}
