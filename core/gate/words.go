package gate

import (
	"fmt"
	"slices"
	"strings"
	"time"

	"tendermend/core/facts"
	"tendermend/core/working"
)

var sightWords = map[Sight]string{
	NewGrowth:   "new growth",
	Growth:      "growth is seen",
	NewLeaf:     "a new leaf",
	NewSpear:    "a new spear",
	Tip:         "a growing root tip",
	NewRoot:     "new roots",
	Offset:      "a plantlet, side shoot or pup",
	GrownOffset: "an offset a third of its mother's size, with roots of its own",
	Nudge:       "it resists a gentle nudge",
	Bloomed:     "the last flower is over",
	RivalAbsent: "what else it could be was looked for and is not there",
	Nub:         "root nubs show",
	PieceRoot:   "the pieces have roots",
	OffsetRoot:  "the plantlet has roots",
	CleanLeaf:   "a new leaf without marks",
	Greened:     "it is green again",
	CrustGone:   "the crust of salts is gone",
	BestLight:   "it stands in its best light",
	Weaned:      "the cover is off for good",
	StageEnd:    "the stage ends",
}

var countWords = map[Sight]string{
	Tip:        "growing root tip",
	NewRoot:    "new root",
	PieceRoot:  "root",
	OffsetRoot: "root",
	NewLeaf:    "new leaf",
	CleanLeaf:  "clean new leaf",
}

var ofWhat = map[Sight]string{PieceRoot: " on a piece", OffsetRoot: " on the plantlet"}

var sinceWords = map[facts.Happening]string{
	facts.Planned:    "of the plan",
	facts.Came:       "since it came",
	facts.SatRoots:   "after the work on its roots",
	facts.Potted:     "since it was potted",
	facts.OnATray:    "on the tray",
	facts.WateredNow: "since it was watered",
	facts.FedNow:     "since it was fed",
	facts.TreatedNow: "since the last treatment",
	facts.Flushed:    "since the flush",
	facts.Before:     "after the step before it",
	facts.Begun:      "from when it is begun",
}

// Words say the gate to somebody who must see to it.
func (g Gate) Words() string {
	said := make([]string, len(g))
	for i, c := range g {
		said[i] = c.Words()
	}
	return strings.Join(said, ", ")
}

// Words say one condition.
func (c Condition) Words() string {
	if say, ok := wordsOf[c.Is]; ok {
		return say(c)
	}
	if c.Is == AnyOf {
		said := make([]string, len(c.Any))
		for i, x := range c.Any {
			said[i] = x.Words()
		}
		return strings.Join(said, " or ")
	}
	return string(c.Is)
}

func fixed(words string) func(Condition) string { return func(Condition) string { return words } }

// wordsOf say each kind of condition.
var wordsOf = map[Is]func(Condition) string{
	Days: func(c Condition) string {
		if c.Since == facts.Planned {
			return fmt.Sprintf("day %d of the plan", c.Days)
		}
		since := sinceWords[c.Since]
		if c.Since == facts.Before && c.Done != "" {
			since = "after “" + c.Done + "”"
		}
		return working.Count(c.Days, "day") + " " + since
	},
	Seen:    func(c Condition) string { return sightWords[c.Sight] },
	Counted: Condition.countWords,
	Share:   func(c Condition) string { return fmt.Sprintf("%.0f %% of its roots alive", 100*c.Share) },
	Firm: func(c Condition) string {
		if c.Days == 0 {
			return "it is firm"
		}
		return "it has stood firm for " + working.Count(c.Days, "day")
	},
	Dry:   fixed("it is as dry as it likes to be before water"),
	Moist: fixed("its medium is moist again"),
	Warmth: func(c Condition) string {
		return "it stands in its range of warmth for " + working.Count(c.Days, "day")
	},
	Season: func(c Condition) string { return monthWords(c.Months) },
	Clean: func(c Condition) string {
		if c.Days == 0 {
			return working.Count(c.Looks, "clean look")
		}
		return working.Count(c.Days, "clean day") + lookWords(c.Looks)
	},
	Quiet: func(c Condition) string {
		return working.Count(c.Days, "day") + " without a new mark" + lookWords(c.Looks)
	},
	NoRot: fixed("no live rot"),
	Free:  fixed("out of isolation"),
}

func (c Condition) countWords() string {
	size := fmt.Sprintf("%g cm", c.FromCM)
	if c.ToCM > 0 {
		size = fmt.Sprintf("%g to %g cm", c.FromCM, c.ToCM)
	}
	if c.N == 0 {
		return fmt.Sprintf("%ss of %s%s", countWords[c.Sight], size, ofWhat[c.Sight])
	}
	n := working.Count(int(c.N), countWords[c.Sight])
	if c.FromCM == 0 {
		return n
	}
	return fmt.Sprintf("%s of %s%s", n, size, ofWhat[c.Sight])
}

func lookWords(n int) string {
	if n == 0 {
		return ""
	}
	return " in " + working.Count(n, "look")
}

func monthWords(months []time.Month) string {
	switch {
	case slices.Equal(months, Spring()):
		return "spring"
	case slices.Equal(months, LateWinter()):
		return "late winter"
	}
	names := make([]string, len(months))
	for i, m := range months {
		names[i] = m.String()
	}
	if len(names) == 0 {
		return "any month"
	}
	return strings.Join(names, ", ")
}
