package everyday

import (
	"regexp"
	"strings"
)

// asks begins a question about care, which tells no sign.
var asks = anyOf(`^\s*`, []string{
	`how (?:much|often|do|long|can|big|many|to)`, `should i`, `can i`, `could i`, `what (?:should|do|is|kind|size)`,
	`which`, `when (?:should|do|can|to)`, `where (?:can|should|do)`, `is it (?:ok|safe|normal)`, `do i `,
}, "")

var (
	// questions begins what somebody asks.
	questions = anyOf(`^\s*`, strings.Fields(`should can could would do does did is are was has have will how what which
		when where why`), `\b`)
	// whom begins a question with whom it asks: what follows is the question.
	whom = anyOf(`^\s*`, []string{
		`(?:hi|hello|hey|help|please|so|and|ok|well)\b[,! ]+(?:(?:all|everyone|everybody|there|me)\b[,! ]*)?`,
		`(?:(?:can|could|does|do|would) )?(?:any|some)(?:one|body)(?: else)?(?: please)? (?:knows?|tell me|explain)\b`,
		`(?:can|could|would) you(?: please)? (?:tell me|explain)\b`, `(?:i(?:'m| am)? )?wonder(?:ing)?\b`,
		`any (?:ideas?|clues?|thoughts)(?: on| about)?\b`, `(?:do )?you know\b`,
	}, "")
	// presumes begins a question that takes for granted what follows: why leaves are yellow is asked of yellow leaves.
	presumes = anyOf(`^\s*`, []string{
		`(?:why|how come)(?: (?:is|are|does|do|did|has|have|was|were|would|could|might)\b)?`,
		`(?:(?:could|can|would|might) (?:that|this|it) be|is (?:that|this|it)) (?:the reason )?why\b`,
		`what(?:'?s| is| are)(?: causing| making| all)? (?:this|these|those|the|my)\b`,
		`what (?:(?:could|can|would|might|may) )?(?:causes?|caused|makes?|made)\b`,
		`what (?:should|can|do|could|must) i (?:do|try) (?:about|with|against)\b`,
		`how (?:do|can|should|would|to)(?: (?:i|you|we))?(?: best)? (?:get rid of|treat|kill|fix|save|stop|remove|` +
			`deal with|fight|cure|rescue)\b`,
		`what does it mean (?:when|that)\b`,
		`is it (?:normal|bad|ok|okay|dangerous|serious|harmful|a (?:bad )?(?:sign|problem)) (?:that|when|for)\b`,
		`should i (?:be worried|worry) (?:about|that)\b`,
		`should i (?:cut|trim|remove|take|pull|pick|wipe|snip)(?: off| away| out)? (?:the|its|these|those|all|my)\b`,
		`has (?:any|some)(?:one|body)(?: else)? (?:had|seen|got)\b`,
	}, "")
	// turned begins what is asked of a statement before it: "limp and wet, is that root rot?"
	turned = regexp.MustCompile(`(?i)^(.*?\S)\s*[,;:–—-]+\s*(?:(?:and|but|so|or)\s+)?` +
		`((?:is|are|could|can|does|do|did|should|would|will|has|have|what|how|why|which|when|where)\b[^,;]*)$`)
	// turnedWithin is the same with nothing between the two.
	turnedWithin = regexp.MustCompile(`(?i)^(.*?\S)\s+(` +
		`(?:(?:is (?:it|this|that|there)|are (?:they|these|those|there))(?: an?| the)?|` +
		`(?:could|can|might|would) (?:it|this|that|they|these|those) be)\b.*)$`)
	// besides is what a question asks besides, instead of what it takes for granted.
	besides = regexp.MustCompile(`(?i),?\s+or (?:is|are|could|does|do) (?:it|this|that|they|these|those)\b.*$`)
	// denying begins a question why something is not so.
	denying = regexp.MustCompile(`(?i)^\s*why (?:isn|aren|doesn|don|didn|hasn|haven|won|wouldn|can)[’']?t\b`)
	// doing asks what does something to it: what is done is what it tells.
	doing = regexp.MustCompile(`(?i)^\s*what(?:'?s| is| keeps) ((?:eating|chewing|biting|nibbling|munching)\b.*)$`)
	// judged is a question whether what it names is bad: the name is what it tells.
	judged = regexp.MustCompile(`(?i)^\s*(?:is|are|do|does) ((?:the|these|those|this|all|my)\b.*?)\s` +
		`(?:means?|matters?|harmful|dangerous|contagious|normal|bad|a problem|a bad sign|anything to worry about)\b.*$`)
)

// takenForGranted is what a question tells in passing, without what it asks; false where it tells nothing, or is none.
func takenForGranted(question string) (statement string, is bool) {
	question = besides.ReplaceAllString(strings.TrimRight(question, "?!. "), "")
	for range 3 { // it may greet, and say whom it asks
		question = whom.ReplaceAllString(question, "")
	}
	for _, named := range []*regexp.Regexp{judged, doing} {
		if found := named.FindStringSubmatch(question); found != nil {
			return found[1], true
		}
	}
	if denying.MatchString(question) {
		return denying.ReplaceAllString(question, "not"), true
	}
	if presumes.MatchString(question) {
		return presumes.ReplaceAllString(question, ""), true
	}
	return "", false
}

// askedApart parts what is asked at the end of a sentence from what is told before it.
func askedApart(sentence string) []string {
	asked := strings.TrimSpace(sentence)
	if !strings.HasSuffix(asked, "?") || questions.MatchString(asked) || whom.MatchString(asked) {
		return []string{sentence}
	}
	for _, at := range []*regexp.Regexp{turned, turnedWithin} {
		if found := at.FindStringSubmatch(asked); found != nil {
			return found[1:3]
		}
	}
	return []string{sentence}
}
