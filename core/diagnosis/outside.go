package diagnosis

import (
	"math"
	"slices"
)

// Something that is not on the list: how common it is taken to be, how often it
// shows any symptom, and what each symptom that was denied takes from it (common
// practice; set while looking at worked cases).
const (
	elsePrior  = 0.04
	elseShows  = 0.30
	elseDenied = 0.04
	// elseMay is the chance from which it is said that it may be at work, and
	// elseProbably from which it probably is while no cause leads by elseLead.
	elseMay      = 0.30
	elseProbably = 0.45
	elseLead     = 0.85
	// mostAtOnce is how many unconnected causes a plant is thought to have, each told by
	// its own sign.
	mostAtOnce = 2
	// unexplainedFrom is the chance that nothing likely explains a sign, from
	// which it is named.
	unexplainedFrom = 0.5
)

// Outside says whether something that is not on the list may be at work. It
// stands beside the list and is never a row in it.
type Outside struct {
	Chance float64 `json:"chance" doc:"0-1."`
	Flag   bool    `json:"flag" doc:"Whether it may be at work."`
	// Probably is the stronger word.
	Probably bool `json:"probably" doc:"Whether it probably is."`
	// Words say what to do then; empty where it is not flagged.
	Words string `json:"words,omitempty"`
}

// beside is what is done where something may be at work that is on no list.
const beside = "Keep it apart, do nothing that cannot be undone, and show pictures to a plant society, an extension " +
	"office or a plant clinic."

// Outside gives the chance of something that is not on the list.
func (c *Case) Outside() Outside {
	o := Outside{Chance: c.outside, Flag: c.elseMay(), Probably: c.elseProbably()}
	switch {
	case o.Probably:
		o.Words = "Something that is not on the list is probably at work. " + beside
	case o.Flag:
		o.Words = "Something that is not on the list may be at work. " + beside
	}
	return o
}

// elseMay says whether something that is not on the list may be at work: not where
// one cause leads clearly and leaves no sign unexplained. Of 91 ordinary cases 2 are
// flagged so, and 8 without that; of the 10 that are on no list all are, either way.
func (c *Case) elseMay() bool {
	return c.outside >= elseMay && (c.ranked[0].Chance < elseLead || len(c.Unexplained()) > 0)
}

func (c *Case) elseProbably() bool {
	return c.outside >= elseProbably && c.ranked[0].Chance < elseLead && c.symptomSeen()
}

// somethingElse weighs the causes against the same causes with one more that is
// unknown, which shows every symptom now and then.
func (c *Case) somethingElse(p problem) float64 {
	with := p
	with.fail = append([]float64{}, p.fail...)
	speaks := c.unaccounted()
	for slot, a := range c.answers.seen {
		if c.k.signs[a.sign].Symptom && speaks(a.sign) {
			with.fail[slot] *= 1 - elseShows
		}
	}
	denied := 0
	for _, a := range c.answers.denied {
		if c.k.signs[a.sign].Symptom && !a.implied {
			denied++
		}
	}
	more := elsePrior * with.sum(false).total * math.Pow(1-elseDenied, float64(denied))
	return more / (more + (1-elsePrior)*c.posterior.total)
}

// told are the causes that stand out and of which the sign that tells them was seen for
// sure.
func (c *Case) told() (causes []int) {
	for i, known := range c.k.causes {
		if c.chances[i] >= standsOut && slices.ContainsFunc(c.answers.seen, func(a answer) bool {
			return a.sure && slices.Contains(known.Defining, c.k.signs[a.sign].ID)
		}) {
			causes = append(causes, i)
		}
	}
	return causes
}

// unaccounted says which signs may speak for something unknown. Where two causes
// are told it is none by which they are told or which they nearly always show: two things
// that are both there are rarely met together, and still nothing unknown is needed. From
// three on one that nobody knows is likelier than all of them at once.
func (c *Case) unaccounted() func(sign int) bool {
	told := c.told()
	return func(sign int) bool {
		return len(told) != mostAtOnce || !slices.ContainsFunc(told, func(cause int) bool {
			return c.k.link[cause][sign] >= defining ||
				slices.Contains(c.k.causes[cause].Defining, c.k.signs[sign].ID)
		})
	}
}

// Unexplained lists the symptoms seen that nothing likely explains.
func (c *Case) Unexplained() []string {
	ids := []string{}
	for _, a := range c.answers.seen {
		if c.k.signs[a.sign].Symptom && c.unexplained(a) > unexplainedFrom {
			ids = append(ids, c.k.signs[a.sign].ID)
		}
	}
	return ids
}

// unexplained is the chance that a sign seen came from none of the causes.
func (c *Case) unexplained(a answer) (chance float64) {
	b := c.backgroundOf(a)
	for _, s := range c.likely() {
		fails := 1.0
		for _, cause := range s.causes {
			fails *= 1 - c.k.link[cause][a.sign]
		}
		chance += s.share * b * fails / (1 - (1-b)*fails)
	}
	return chance
}
