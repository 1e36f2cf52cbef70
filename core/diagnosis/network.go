package diagnosis

import "slices"

// How a degree changes the background of a sign, and what a cause that is never
// strong shows of it (common practice).
var (
	degreeBackground = map[Degree]float64{NoDegree: 1, Few: 1.5, Mild: 1.5, Some: 1, Clear: 1, Many: .35, Strong: .35}
	degreeLink       = map[Degree]float64{NoDegree: 1, Few: .8, Mild: .8, Some: 1, Clear: 1, Many: 1, Strong: 1}
	degreeLinkOfMild = map[Degree]float64{NoDegree: 1, Few: 1, Mild: 1, Some: .7, Clear: .7, Many: .35, Strong: .35}
)

const (
	maxBackground = 0.9
	// A condition that one only thinks to see is taken for at least as likely as
	// this; one that is thought not to be there keeps this share of its prior.
	conditionThought = 0.4
	conditionDoubted = 0.2
	// defining is a link by which another sign speaks for a condition all the same.
	defining = 0.70
)

// background is how often a sign is seen with no cause, by what else was seen.
func (c *Case) background(sign int) float64 {
	s := c.k.signs[sign]
	b := s.Background
	for _, g := range s.given {
		sign, is := c.k.signAt[g.what]
		if is && c.saw(sign) || g.what == "season."+string(c.examination.Season) {
			b = max(b, g.background)
		}
	}
	return b
}

// backgroundOf is how often a sign is seen with no cause in the degree in which it was
// seen, and twice where it was seen again.
func (c *Case) backgroundOf(a answer) float64 {
	b := min(maxBackground, c.background(a.sign)*degreeBackground[a.degree])
	if a.again {
		b *= seenTwice
	}
	return b
}

// saw says whether a sign was seen, for sure or not.
func (c *Case) saw(sign int) bool {
	return slices.ContainsFunc(c.answers.seen, func(a answer) bool { return a.sign == sign })
}

// denial finds what was said of a sign that is not there.
func (c *Case) denial(sign int) (answer, bool) {
	i := slices.IndexFunc(c.answers.denied, func(a answer) bool { return a.sign == sign })
	if i < 0 {
		return answer{}, false
	}
	return c.answers.denied[i], true
}

// missed is how often a sign that is said not to be there is there all the same.
func (k *Knowledge) missed(a answer) float64 {
	switch {
	case a.implied:
		return missImplied
	case !a.sure:
		return thinkAbsent
	}
	return k.signs[a.sign].Overlooked
}

// linkAt is how often a cause shows a sign in the degree in which it was seen.
func (k *Knowledge) linkAt(cause int, a answer) float64 {
	if k.causes[cause].mild {
		return k.link[cause][a.sign] * degreeLinkOfMild[a.degree]
	}
	return k.link[cause][a.sign] * degreeLink[a.degree]
}

// conditions settles what is seen and not guessed: a cause that is a sign is true
// where that sign was seen for sure. The others get the prior that the answer
// leaves them.
func (c *Case) conditions(prior []float64) {
	for i, known := range c.k.causes {
		if known.Condition == "" || prior[i] == 0 {
			continue
		}
		sign := c.k.signAt[known.Condition]
		at := slices.IndexFunc(c.answers.seen, func(a answer) bool { return a.sign == sign })
		denied, is := c.denial(sign)
		switch {
		case at >= 0 && c.answers.seen[at].sure:
			c.conditionsSeen = append(c.conditionsSeen, i)
		case at >= 0:
			prior[i] = max(prior[i], conditionThought)
		case is && !c.spokenFor(i):
			if denied.sure {
				prior[i] = 0
			} else {
				prior[i] *= conditionDoubted
			}
		}
	}
	for _, seen := range c.conditionsSeen {
		for _, to := range c.k.starts[seen] {
			if prior[to.to] > 0 && !slices.Contains(c.conditionsSeen, to.to) {
				prior[to.to] = 1 - (1-prior[to.to])*(1-to.strength)
			}
		}
	}
}

// spokenFor says whether a sign seen nearly always comes from a cause.
func (c *Case) spokenFor(cause int) bool {
	return slices.ContainsFunc(c.answers.seen, func(a answer) bool { return c.k.link[cause][a.sign] >= defining })
}

// fails is how likely a sign that was seen would have failed to show by none of the causes that are
// reckoned: by its background and the conditions seen alone.
func (c *Case) fails(a answer) float64 {
	b := c.backgroundOf(a)
	if !a.sure {
		b = 1 - (1-b)*(1-thinkSeen)
	}
	fails := 1 - b
	for _, seen := range c.conditionsSeen {
		fails *= 1 - c.k.link[seen][a.sign]
	}
	return fails
}

// problem folds what was answered into the network of causes that are possible:
// a noisy-OR belief network, in which each sign fails to show with probability
// (1 − background) × Π(1 − link) over the causes present (Pearl 1988, ch. 4;
// Heckerman 1989; Shwe et al. 1991, Methods Inf Med 30:241), and in which one
// cause can bring on another by the same rule.
func (c *Case) problem() (p problem, causes []int) {
	prior := make([]float64, len(c.k.causes))
	for i := range prior {
		prior[i] = c.k.prior(i, c.habit, c.examination.Season)
	}
	c.prior = slices.Clone(prior)
	c.conditions(prior)
	at := make([]int, len(prior))
	for i, chance := range prior {
		at[i] = -1
		if chance > 0 && !slices.Contains(c.conditionsSeen, i) {
			at[i] = len(causes)
			causes = append(causes, i)
		}
	}
	for _, a := range c.answers.seen {
		p.fail = append(p.fail, c.fails(a))
	}
	p.effects = make([][]bring, len(causes))
	for i, cause := range causes {
		odds := prior[cause] / (1 - prior[cause])
		for _, a := range c.answers.denied {
			odds *= 1 - c.k.link[cause][a.sign]*(1-c.k.missed(a))
		}
		for _, to := range c.k.starts[cause] {
			if at[to.to] >= 0 {
				odds *= 1 - to.strength
				p.effects[i] = append(p.effects[i], bring{at[to.to], to.strength})
			}
		}
		var shows []shown
		for slot, a := range c.answers.seen {
			if l := c.k.linkAt(cause, a); l > 0 {
				shows = append(shows, shown{slot, 1 - l})
			}
		}
		p.prior, p.odds, p.shows = append(p.prior, prior[cause]), append(p.odds, odds), append(p.shows, shows)
	}
	return p, causes
}
