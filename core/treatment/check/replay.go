package check

import (
	"cmp"
	"regexp"
	"slices"
	"strconv"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/treatment"
)

const notYet = -100000

// slit is a cut: where, when, and whether it has closed.
type slit struct {
	organ  string
	day    int
	open   bool
	healed bool
	wetted bool
}

// pose is how plant, pot and tools stand between two steps.
type pose struct {
	blade    string // away, clean, used, dirty
	seat     treatment.Seat
	ready    int
	out      bool
	outDay   int
	cleared  bool
	limp     bool
	thirsty  bool
	moist    treatment.Moist
	rot      bool
	standing bool
	wet      wetness
	wetDay   int
	residue  treatment.OperatorID
	slits    []slit // never changed in place
	cover    string
	covered  int
	sun      bool
	shaded   int
	soaked   int
	watered  int
	lifted   int // the day it was last unpotted
	set      int
	lost     int
	isolated bool
	predator int
	phase    string
	newRoots float64
	share    float64
	free     bool
	salt     bool
	treated  int
	stripped []stripped
}

type stripped struct {
	day   int
	share float64
}

// event is one step on one of its days, with the poses around it.
type event struct {
	sit, step int
	op        treatment.OperatorID
	s         *treatment.Step
	p         *treatment.Params
	sitting   *treatment.Sitting
	day       int
	slot      int
	hour      float64
	again     int // 0 for the first time
	gate      string
	pre, post pose
	last      bool // of its sitting on that day
}

// replay is a plan carried out.
type replay struct {
	c      *patient
	events []event
	nights []night
	starts []int // the day of each sitting
}

// night is how it stood at the end of a day.
type night struct {
	sit, step int
	day       int
	pose      pose
}

var slots = []treatment.Slot{treatment.Morning, treatment.Noon, treatment.Evening}
var hourOf = []float64{8, 13, 19}

func slotOf(s treatment.Slot) int { return max(0, slices.Index(slots, s)) }

// Words of gates.
var (
	wordDay   = regexp.MustCompile(`\bd(?:ay )?(\d+)\b`)
	wordLater = regexp.MustCompile(`(\d+) d (?:later|after potting|after it|on the tray|of callus)`)
	wordClean = regexp.MustCompile(`(\d+) clean d`)
	wordDays  = regexp.MustCompile(`(\d+) d\b`)
	wordWeeks = regexp.MustCompile(`(\d+) w(?:ee)?k`)
	wordLong  = regexp.MustCompile(`growth|tip|shoot|crozier|lea[fv]|spear|root|pup|keiki|spring|winter|summer|autumn|season|bloom|flower|month|nub`)
	wordGrow  = regexp.MustCompile(`growth|growing|tip|shoot|crozier|lea[fv]|spear|nub|new|spring|roots? \d`)
	wordRoots = regexp.MustCompile(`roots? ([\d.]+)(?:[–-]([\d.]+))? ?cm`)
	wordShare = regexp.MustCompile(`\br ?(?:≥|>=)? ?(0\.\d+)`)
	wordWell  = regexp.MustCompile(`no (?:live )?rot|clean d|without a new mark|no new brown`)
	wordRot   = regexp.MustCompile(`smell|mush|\brot\b`)
	wordMoist = regexp.MustCompile(`\bmoist\b|\bwet\b`)
	wordDue   = regexp.MustCompile(`\bdue\b|dry\b`)
)

func number(re *regexp.Regexp, words string) (int, bool) {
	m := re.FindStringSubmatch(words)
	if m == nil {
		return 0, false
	}
	n, err := strconv.Atoi(m[1])
	return n, err == nil
}

// opens guesses the day on which a gate opens, so that what stands behind it is
// replayed at a sensible time.
func opens(words string, before, treated, lifted int) int {
	if n, ok := number(wordDay, words); ok {
		return max(n, before)
	}
	if n, ok := number(wordLater, words); ok {
		return before + n
	}
	if n, ok := number(wordClean, words); ok {
		return max(before, treated+n)
	}
	days, ok := number(wordDays, words)
	if w, isWeeks := number(wordWeeks, words); isWeeks {
		days, ok = max(days, 7*w), true
	}
	switch {
	case ok && days > 0:
		return max(before, lifted+days)
	case wordLong.MatchString(words):
		return before + 30
	}
	return before + 1
}

var untilDay = regexp.MustCompile(`\bd(?:ay )?(\d+)`)
var untilLong = regexp.MustCompile(`^(\d+) ?(?:days|d)\b`)

// endOf gives the day on which a repeated step ends; false where only its stage
// ends it.
func endOf(until string, start int) (int, bool) {
	if n, ok := number(untilDay, until); ok {
		return n, true
	}
	if n, ok := number(untilLong, until); ok {
		return start + n, true
	}
	return 0, false
}

// The longest a repeat without a day of its end is replayed.
const openRepeats, openDays, mostRepeats = 3, 42, 400

var treating = []treatment.OperatorID{treatment.Soap, treatment.Oil, treatment.Alcohol, treatment.LabelDrug, treatment.Systemic, treatment.Predators, treatment.Scrape,
	treatment.HotDip, treatment.WashDown}

// timeline lists every step on each of its days, in the order of time.
func timeline(c *patient) (list []event, starts []int) {
	before, treated, lifted := 0, 0, 0
	for i := range c.plan.Sittings {
		s := &c.plan.Sittings[i]
		start, gate := 0, ""
		if s.Day != nil {
			start = *s.Day
		} else {
			gate = s.Gate
			if gate == "" {
				gate = "gate"
			}
			start = opens(s.Gate, before, treated, lifted)
		}
		starts = append(starts, start)
		before = max(before, start)
		slot := slotOf(s.Slot)
		clock := hourOf[slot]
		filmed := false
		for j := range s.Steps {
			t := &s.Steps[j]
			switch t.Op {
			case treatment.Unpot:
				lifted = start
			case treatment.Soap, treatment.Oil:
				filmed = true
			case treatment.RinseOff:
				usual := 0.0
				if filmed {
					usual = 1.5
				}
				clock += t.Params.Hours.Or(usual)
			case treatment.DryCut:
				clock += t.Params.Hours.Or(2)
			}
			if slices.Contains(treating, t.Op) {
				treated = max(treated, start)
			}
			e := event{sit: i, step: j, op: t.Op, s: t, p: &t.Params, sitting: s, day: start, slot: slot, hour: clock, gate: gate}
			list = append(list, e)
			if t.Every <= 0 {
				continue
			}
			end, known := endOf(t.Until, start)
			if known && slices.Contains(treating, t.Op) && t.Op != treatment.WashDown && t.Op != treatment.Scrape {
				treated = max(treated, end)
			}
			if !known {
				end = start + min(t.Every*openRepeats, openDays)
			}
			for n, d := 1, start+t.Every; d <= end && n < mostRepeats; n, d = n+1, d+t.Every {
				e.day, e.again, e.hour = d, n, hourOf[slot]
				list = append(list, e)
			}
		}
	}
	slices.SortStableFunc(list, func(a, b event) int {
		return cmp.Or(cmp.Compare(a.day, b.day), cmp.Compare(a.slot, b.slot), cmp.Compare(order(a), order(b)), cmp.Compare(a.step, b.step))
	})
	return list, starts
}

// order puts a repeat behind the sittings that are carried out for the first
// time on its day.
func order(e event) float64 {
	if e.again > 0 {
		return float64(e.sit) + 0.5
	}
	return float64(e.sit)
}

// carryOut replays the plan.
func carryOut(c *patient) *replay {
	r := &replay{c: c}
	r.events, r.starts = timeline(c)
	now := pose{blade: "away", seat: c.seat, ready: notYet, outDay: notYet, limp: c.limp, moist: c.moist, rot: c.rot, standing: c.Answers.Standing.Said, wetDay: notYet,
		covered: notYet, sun: c.Place.Sun.Said || c.Answers.Sun.Said, shaded: notYet, soaked: notYet, watered: notYet, lifted: notYet, set: notYet, lost: notYet,
		predator: notYet, phase: c.phase(0), newRoots: c.Answers.NewRootsCM.Or(0), share: c.share, salt: c.has(cause.SaltInjury)}
	now.thirsty = c.limp && (c.moist == treatment.Dry || c.moist == treatment.Bone)
	lastDay, lastSlot := notYet, 0
	opened := map[int]bool{}
	for n := range r.events {
		e := &r.events[n]
		switch {
		case lastDay != notYet && e.day > lastDay:
			p := r.events[n-1]
			r.nights = append(r.nights, night{p.sit, p.step, lastDay, now})
			now = r.pass(now, lastDay, e.day)
		case e.day == lastDay && e.slot > lastSlot:
			now.wet &^= wetLeaves
			now.blade = "away"
		}
		if e.gate != "" && e.again == 0 && !opened[e.sit] {
			opened[e.sit] = true
			now.blade = "away"
			now = c.open(now, e.gate)
		}
		e.pre = now
		now = c.step(now, e)
		e.post = now
		e.last = n+1 == len(r.events) || r.events[n+1].sit != e.sit || r.events[n+1].day != e.day
		lastDay, lastSlot = e.day, e.slot
	}
	if len(r.events) > 0 {
		p := r.events[len(r.events)-1]
		r.nights = append(r.nights, night{p.sit, p.step, p.day, now})
	}
	return r
}

// pass lets nights go by: leaves dry, cuts that were kept dry close, medium
// dries out, the season moves on.
func (r *replay) pass(p pose, from, to int) pose {
	c := r.c
	p.blade, p.wet = "away", 0
	if p.phase == c.phase(from) {
		p.phase = c.phase(to)
	}
	if slices.ContainsFunc(p.slits, func(s slit) bool { return s.open }) {
		p.slits = slices.Clone(p.slits)
		for i := range p.slits {
			dry := c.stem[1]
			if p.slits[i].organ == "roots" {
				dry = c.roots[1]
			}
			if float64(to-p.slits[i].day) >= max(2, dry) {
				p.slits[i].open = false
			}
		}
	}
	if p.watered != notYet && to-p.watered >= 21 {
		p.moist = treatment.Due
	}
	return p
}

// open makes true what a gate's words say.
func (c *patient) open(p pose, words string) pose {
	if wordDue.MatchString(words) {
		p.moist = treatment.Due
	}
	if strings.Contains(words, "firm") {
		p.limp, p.thirsty = false, false
	}
	if wordGrow.MatchString(words) && (!strings.Contains(words, "clean") || strings.Contains(words, "growing")) {
		p.phase = "growing"
	}
	if m := wordRoots.FindStringSubmatch(words); m != nil && !strings.Contains(words, "clean") {
		long := m[1]
		if m[2] != "" {
			long = m[2]
		}
		if v, err := strconv.ParseFloat(long, 64); err == nil {
			p.newRoots = max(p.newRoots, v)
		}
	}
	if m := wordShare.FindStringSubmatch(words); m != nil {
		if v, err := strconv.ParseFloat(m[1], 64); err == nil {
			p.share = max(p.share, v)
		}
	}
	switch {
	case wordWell.MatchString(words):
		p.rot = false
	case wordRot.MatchString(words):
		p.rot = true
	}
	if wordMoist.MatchString(words) {
		p.moist = treatment.Right
	}
	return p
}

var carried = []cause.ID{cause.Virus, cause.Fusarium, cause.SouthernBlight, cause.BacterialSpot, cause.Acidovorax, cause.SoftRot}

// infected says whether a cut goes through what a blade carries on.
func (c *patient) infected(op treatment.OperatorID) bool {
	through := op.Does(treatment.InRot) || op == treatment.RemoveLeaves
	return through && c.anyOf(treatment.Rots) || op.Does(treatment.OnLeaves) && c.anyOf(treatment.LeafDiseases) || c.suspects(carried...)
}

var lowDown = []string{"roots", "soil", "medium", "rhizome", "stem", "bulb", "body", "corm"}

// step carries one operator out.
func (c *patient) step(p pose, e *event) pose {
	op, par := e.op, e.p
	pieces := par.For == "pieces" || e.s.Organ == "pieces"
	if op.Does(treatment.Cuts) {
		p.blade = "used"
		if c.infected(op) {
			p.blade = "dirty"
		}
		p.slits = c.cut(p.slits, e)
	}
	p = c.seated(p, e, pieces)
	p = c.wetted(p, e)
	switch op {
	case treatment.CleanBlade:
		p.blade = "clean"
	case treatment.CutRot, treatment.Behead, treatment.PickCrown:
		p.rot = false
	case treatment.TrimDead:
		if !c.has(cause.BaseRot, cause.BlackRot, cause.SoftRot, cause.Fusarium) {
			p.rot = false
		}
		if 1-c.share >= 0.25 {
			p.lost = e.day
		}
	case treatment.RemoveLeaves:
		if c.has(cause.SoftRot) && !c.has(cause.RootRot, cause.BaseRot, cause.BlackRot, cause.Fusarium) {
			p.rot = false
		}
		if !par.Mush && !strings.Contains(par.What+e.s.Args, "mush") {
			p.stripped = append(slices.Clip(p.stripped), stripped{e.day, c.leafShare(par)})
		}
	case treatment.ClearMoss:
		p.cleared = true
	case treatment.DrainSaucer:
		p.standing = false
	case treatment.CoverIt:
		p = covered(p, e)
	case treatment.Wean, treatment.Harden:
		p.cover, p.covered = "none", notYet
	case treatment.ShadeIt:
		p.sun, p.shaded = false, e.day
	case treatment.Brighten:
		p.sun = p.sun || par.Sun
	case treatment.Isolate, treatment.KeepApart:
		if par.Recorded == nil || *par.Recorded {
			p.isolated = true
		}
		p.free = false
	case treatment.Release:
		p.isolated, p.free = false, true
	case treatment.Predators:
		p.predator = e.day
	case treatment.RinseOff:
		p.residue = ""
	case treatment.Soap, treatment.Oil, treatment.Earth, treatment.LabelDrug, treatment.Systemic, treatment.Alcohol:
		if e.s.Organ != "roots" {
			p.residue = op
		}
	}
	if slices.Contains(treating, op) && op != treatment.WashDown {
		p.treated = e.day
	}
	if par.SaucerHours.Or(0) > 1 {
		p.standing = true
	}
	return p
}

func covered(p pose, e *event) pose {
	p.cover = e.p.Cover
	if p.cover == "" {
		p.cover = "closed"
	}
	switch {
	case p.cover == "none":
		p.covered = notYet
	case p.covered == notYet:
		p.covered = e.day
	}
	return p
}

func (c *patient) leafShare(par *treatment.Params) float64 {
	switch {
	case par.Share.Known:
		return par.Share.Value
	case par.N.Known && c.Answers.Leaves.Or(0) > 0:
		return par.N.Value / c.Answers.Leaves.Value
	}
	return 0
}

// cut adds the cut that a step makes.
func (c *patient) cut(list []slit, e *event) []slit {
	s := slit{day: e.day, open: true, wetted: true}
	switch e.op {
	case treatment.TrimDead, treatment.RootPrune:
		s.organ, s.open = "roots", c.roots[0] > 0
	case treatment.CutRot, treatment.Behead:
		s.organ = e.s.Organ
		if s.organ == "" {
			s.organ = "stem"
		}
	case treatment.PartIt:
		s.organ = "rhizome"
	case treatment.TrimBranch:
		s.organ, s.wetted = "stem", false
	default:
		return list
	}
	return append(slices.Clip(list), s)
}

// seated moves the plant: out of its pot, onto a tray, into its new place.
func (c *patient) seated(p pose, e *event, pieces bool) pose {
	switch e.op {
	case treatment.ReadyPot:
		if !pieces {
			p.ready = e.day
		}
	case treatment.Unpot:
		p.seat, p.out, p.outDay, p.lifted, p.standing, p.cleared = treatment.InHand, true, e.day, e.day, false, false
		if e.p.To == "tray" {
			p.seat = treatment.OnTray
		}
	case treatment.Callus:
		p.seat = treatment.OnTray
		p.slits = slices.Clone(p.slits)
		for i := range p.slits {
			p.slits[i].open, p.slits[i].healed = false, true
		}
	case treatment.DryCut:
		p.slits = slices.Clone(p.slits)
		for i := range p.slits {
			p.slits[i].open = false
		}
		p.wet = 0
	case treatment.Discard:
		p.seat = treatment.InBin
	}
	o, _ := treatment.OperatorByID(e.op)
	if pieces || o.Seat == "" || e.op == treatment.Discard {
		return p
	}
	p.seat = o.Seat
	if o.Does.Has(treatment.Sets) {
		p.set, p.out, p.ready = e.day, false, notYet
	}
	return p
}

// wetted follows water: in the medium, and on what must be dry.
func (c *patient) wetted(p pose, e *event) pose {
	op, par := e.op, e.p
	if op.Does(treatment.Waters) && op != treatment.PreWater {
		if p.thirsty || op == treatment.Soak && c.has(cause.Drought) {
			p.soaked = e.day
		}
		p.thirsty, p.limp, p.moist, p.watered = false, false, treatment.Right, e.day
	}
	switch op {
	case treatment.PreWater:
		p.moist, p.thirsty, p.limp = treatment.Right, false, false
	case treatment.CrownDry:
		p.wet = 0
	case treatment.CrownDrain:
		p.wet &^= wetCup | wetCrown
	case treatment.Mist:
		p.wet |= wetLeaves
		if e.slot == 2 {
			p.wet |= c.keep
		}
	}
	low := slices.Contains(lowDown, e.s.Organ) || par.Where == "roots" || par.Where == "soil" || par.Where == "medium"
	var now wetness
	switch op {
	case treatment.WashDown, treatment.RinseOff, treatment.Oil, treatment.HotDip:
		now = c.keep | wetLeaves
	case treatment.Soap:
		if !low {
			now = c.keep | wetLeaves
		}
	case treatment.LabelDrug:
		if !low && (c.anyOf(treatment.LeafDiseases) || c.anyOf(pestsAll)) {
			now = c.keep | wetLeaves
		}
	case treatment.WashOff:
		if par.How != "dry" && par.How != "falls" {
			now = c.keep &^ wetLeaves
		}
	case treatment.Peroxide:
		if !low {
			now = c.keep & wetCrown
		}
	}
	if now != 0 {
		if c.code == treatment.BR && op != treatment.WashOff {
			now |= wetCup
		}
		p.wet, p.wetDay = p.wet|now, e.day
	}
	return p
}

// of gives the events of some operators; only those done for the first time
// unless repeats are asked for.
func (r *replay) of(again bool, ops ...treatment.OperatorID) (list []*event) {
	for i := range r.events {
		e := &r.events[i]
		if (again || e.again == 0) && slices.Contains(ops, e.op) {
			list = append(list, e)
		}
	}
	return list
}

func (r *replay) has(ops ...treatment.OperatorID) bool {
	return slices.ContainsFunc(r.events, func(e event) bool { return slices.Contains(ops, e.op) })
}

// earlier and later say whether the sitting of an event holds one of the
// operators before or behind it.
func (r *replay) earlier(e *event, ops ...treatment.OperatorID) bool {
	return slices.ContainsFunc(e.sitting.Steps[:e.step], func(s treatment.Step) bool { return slices.Contains(ops, s.Op) })
}

func (r *replay) later(e *event, ops ...treatment.OperatorID) []*treatment.Step {
	var list []*treatment.Step
	for i := e.step + 1; i < len(e.sitting.Steps); i++ {
		if slices.Contains(ops, e.sitting.Steps[i].Op) {
			list = append(list, &e.sitting.Steps[i])
		}
	}
	return list
}

func opsWith(d treatment.Does) (list []treatment.OperatorID) {
	for _, o := range treatment.Operators() {
		if o.Does.Has(d) {
			list = append(list, o.ID)
		}
	}
	return list
}

var (
	cuts   = opsWith(treatment.Cuts)
	sets   = opsWith(treatment.Sets)
	medium = []treatment.OperatorID{treatment.FirstWater, treatment.Soak, treatment.BottomWater, treatment.Flush, treatment.ByRule}
	waters = append(slices.Clone(medium), treatment.CupFill)
)
