package diagnosis

import "slices"

// secondLook asks once more for the one sign seen on which a grave verdict hangs: time
// to act, or something that is not on the list. False where there is no such verdict,
// or where it would stand without any one sign that is looked for. The checks are those
// that are offered otherwise.
func (c *Case) secondLook(checks []Check) (again Check, wanted bool) {
	switch kind, about := c.judge(checks, c.Missing()); kind {
	case Act:
		h, hangs := c.hingeOf(about, c.Evidence([]string{about})[about])
		sign := c.k.signAt[h.Sign]
		if !hangs || !h.Present || !lookedAgain(c.k.signs[sign]) || c.borneOut(about, sign) {
			return again, false
		}
		again = c.checkAgain(sign)
		again.Reason = "Before you act: all hangs on this one sign. Look at it once more."
	case SomethingElse:
		sign, hangs := c.strange()
		if !hangs {
			return again, false
		}
		again = c.checkAgain(sign)
		again.Reason = "It is this one sign that fits nothing on the list. Look at it once more."
	default:
		return again, false
	}
	return again, true
}

// lookedAgain says whether a second look at a sign is worth its trouble: its past is not
// looked at, and nothing is unpotted twice.
func lookedAgain(s Sign) bool { return !history(s) && s.Disturbance < Unpot }

// bearsOut is how often a cause must show another sign seen for it to be borne out.
const bearsOut = 0.20

// borneOut says whether another sign seen speaks for a cause too.
func (c *Case) borneOut(about string, sign int) bool {
	link := c.k.link[c.k.causeAt[about]]
	return slices.ContainsFunc(c.answers.seen, func(a answer) bool {
		return a.sign != sign && !a.implied && link[a.sign] >= bearsOut
	})
}

// strange is the symptom that the causes explain least, if something else would not be
// thought of without it.
func (c *Case) strange() (sign int, hangs bool) {
	most := unexplainedFrom
	for _, a := range c.answers.seen {
		s := c.k.signs[a.sign]
		if p := c.unexplained(a); s.Symptom && lookedAgain(s) && !a.again && !a.implied && p > most {
			sign, most, hangs = a.sign, p, true
		}
	}
	if !hangs {
		return 0, false
	}
	without, _ := c.withSign(sign)
	return sign, !without.elseProbably()
}

// checkAgain weighs a second look at a sign that was seen. It will be seen again where
// a cause shows it, and now and then where it was something else.
func (c *Case) checkAgain(sign int) Check {
	at := slices.IndexFunc(c.answers.seen, func(a answer) bool { return a.sign == sign })
	mistaken := c.unexplained(c.answers.seen[at])
	not, still := c.withSign(sign)
	w := swing{1 - mistaken*(1-seenTwice), c.chances, still.chances, not.chances}
	check := c.weigh(sign, w)
	c.tell(&check, w)
	check.Again = true
	return check
}

// withSign solves the same look with a sign seen that is not there after all, and
// with one that is there still.
func (c *Case) withSign(sign int) (not, still *Case) {
	id := c.k.signs[sign].ID
	e := c.examination.unanswered(id)
	absent, seen := e, e
	absent.Absent = append(slices.Clone(e.Absent), id)
	seen.Present, seen.Again = append(slices.Clone(e.Present), id), append(slices.Clone(e.Again), id)
	return c.as(absent), c.as(seen)
}

// unanswered takes back what was said of a sign.
func (e Examination) unanswered(sign string) Examination {
	for _, list := range []*[]string{&e.Present, &e.Absent, &e.Unsure, &e.Again} {
		*list = slices.DeleteFunc(slices.Clone(*list), func(id string) bool { return id == sign })
	}
	return e
}

// as solves the same look with an answer changed; the answers have been checked.
func (c *Case) as(e Examination) *Case {
	other := &Case{k: c.k, examination: e, habit: c.habit}
	other.answers, _ = c.k.answers(e)
	other.solve()
	return other
}
