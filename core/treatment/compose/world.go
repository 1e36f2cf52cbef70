package compose

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/treatment"
)

const never = -1000

// wound is a cut that has not healed.
type wound struct {
	roots  bool
	day    int
	closed bool
	wetted bool
}

// world is how plant, pot and tools stand at a moment of the plan.
type world struct {
	c    *composer
	day  int
	slot treatment.Slot
	gate bool // whether the sitting waits for something to be seen

	blade    string // elsewhere, clean, used, dirty
	out      bool
	ready    int
	thirsty  bool
	limp     bool
	moist    facts.Moist
	rot      bool
	standing bool
	wet      map[treatment.Organ]bool
	wounds   []wound
	dipped   int // the day of its first soak
	soaked   int // the day on which a thirsty plant drank
	watered  int
	rooted   int // the day of the root sitting
	set      int
	lost     int // the day on which much root was lost
	seat     facts.Seat
	sun      bool
	shaded   int
	film     treatment.OperatorID
	predator int
	oiled    int
	earthed  int
	taken    []leavesTaken
	roots    float64
	salt     bool
	free     bool // released
	apart    bool // isolated
	brighter int
	grows    bool // a gate said so
}

func (c *composer) begin() *world {
	return &world{
		c:        c,
		blade:    "elsewhere",
		ready:    never,
		thirsty:  c.thirsty,
		limp:     c.limp,
		moist:    c.moist,
		rot:      c.rotLives,
		standing: c.Facts.Standing.Value,
		wet:      map[treatment.Organ]bool{},
		dipped:   never,
		soaked:   never,
		watered:  never,
		rooted:   never,
		set:      never,
		lost:     never,
		seat:     c.seat,
		sun: c.Facts.Place.Sun.Value ||
			c.Facts.Sun.Value,
		shaded:   never,
		predator: never,
		oiled:    never,
		earthed:  never,
		roots:    c.roots,
		salt:     c.has(cause.SaltInjury),
		brighter: never,
		apart:    c.Facts.Isolated.Value,
	}
}

// enter begins a sitting: what lay between has passed.
func (w *world) enter(s *sit) {
	if s.day != w.day || s.slot != w.slot || !s.dated {
		w.blade = "elsewhere"
		w.wet = map[treatment.Organ]bool{}
	}
	for i := range w.wounds {
		dry := w.c.stemDry[1]
		if w.wounds[i].roots {
			dry = w.c.rootDry[1]
		}
		if s.day-w.wounds[i].day >= max(2, dry) {
			w.wounds[i].closed = true
		}
	}
	w.day, w.slot, w.gate = s.day, s.slot, !s.dated
	if w.gate {
		w.grows = true
	}
}

func (w *world) phase() string {
	if w.gate && w.grows {
		return "growing"
	}
	return w.c.phase(w.day)
}

func (w *world) openWound() bool {
	return slices.ContainsFunc(w.wounds, func(x wound) bool { return !x.closed && x.wetted })
}

// stemCut is the day of the last cut through stem, base or body; never where
// there was none.
func (w *world) stemCut() int {
	day := never
	for _, x := range w.wounds {
		if !x.roots {
			day = max(day, x.day)
		}
	}
	return day
}

// infects says whether a cut goes through something that the blade carries on.
func (w *world) infects(s step) bool {
	d, c := s.Op, w.c
	suspect := c.any(treatment.OnBlade()) ||
		slices.ContainsFunc(c.Suspected, func(id cause.ID) bool { return slices.Contains(treatment.OnBlade(), id) })
	return suspect || d.Does(treatment.InRot) && c.any(treatment.Rots()) ||
		s.Op == treatment.RemoveLeaves && c.any(treatment.Rots()) ||
		d.Does(treatment.OnLeaves) && c.any(treatment.LeafDiseases())
}

// do carries a step out.
func (w *world) do(s step) {
	pieces := s.Params.For == treatment.ForPieces || s.Organ == treatment.OnPieces
	if s.Op.Does(treatment.Cuts) {
		w.cut(s)
	}
	if s.Op.Does(treatment.Sets) && !pieces {
		w.out, w.set, w.ready = false, w.day, never
		if o, ok := treatment.OperatorByID(s.Op); ok && o.Seat != "" {
			w.seat = o.Seat
		}
	}
	if s.Op.Does(treatment.Waters) && !pieces {
		w.water(s)
	}
	if change, is := changes[s.Op]; is && !(pieces && s.Op == treatment.ReadyPot) {
		change(w, s.Params)
	}
	w.wets(s)
}

// cut makes a wound, and a used blade.
func (w *world) cut(s step) {
	w.blade = "used"
	if w.infects(s) {
		w.blade = "dirty"
	}
	switch s.Op {
	case treatment.TrimDead, treatment.RootPrune:
		w.wounds = append(w.wounds, wound{roots: true, day: w.day, closed: w.c.rootDry[0] == 0, wetted: true})
	case treatment.CutRot, treatment.Behead, treatment.PartIt:
		w.wounds = append(w.wounds, wound{day: w.day, wetted: true})
	}
}

func (w *world) water(s step) {
	if s.Op == treatment.Soak && w.dipped == never {
		w.dipped = w.day
	}
	if w.thirsty || w.c.has(cause.Drought) && s.Op == treatment.Soak {
		w.soaked = w.day
	}
	w.thirsty, w.limp, w.moist, w.watered = false, false, facts.Right, w.day
}

// changes are what operators do to plant, pot and tools besides.
var changes = map[treatment.OperatorID]func(*world, treatment.Params){
	treatment.CleanBlade: func(w *world, _ treatment.Params) { w.blade = "clean" },
	treatment.ReadyPot:   func(w *world, _ treatment.Params) { w.ready = w.day },
	treatment.Unpot: func(w *world, _ treatment.Params) {
		w.out, w.rooted, w.standing, w.seat = true, w.day, false, facts.InHand
	},
	treatment.Callus:       func(w *world, _ treatment.Params) { w.heal(); w.out, w.seat = false, facts.OnTray },
	treatment.DryCut:       func(w *world, _ treatment.Params) { w.heal(); w.dry() },
	treatment.TrimDead:     trimmedDead,
	treatment.CutRot:       func(w *world, _ treatment.Params) { w.rot = false },
	treatment.Behead:       func(w *world, _ treatment.Params) { w.rot = false },
	treatment.PickCrown:    func(w *world, _ treatment.Params) { w.rot = false },
	treatment.RemoveLeaves: leavesOff,
	treatment.CrownDry:     func(w *world, _ treatment.Params) { w.dry() },
	treatment.CrownDrain: func(w *world, _ treatment.Params) {
		delete(w.wet, treatment.Crown)
		delete(w.wet, treatment.Cup)
	},
	treatment.DrainSaucer: func(w *world, _ treatment.Params) { w.standing = false },
	treatment.RinseOff:    func(w *world, _ treatment.Params) { w.film = "" },
	treatment.Predators:   func(w *world, _ treatment.Params) { w.predator = w.day },
	treatment.Oil:         func(w *world, _ treatment.Params) { w.oiled = w.day },
	treatment.Earth:       func(w *world, _ treatment.Params) { w.earthed = w.day },
	treatment.ShadeIt:     func(w *world, _ treatment.Params) { w.sun, w.shaded = false, w.day },
	treatment.Brighten:    func(w *world, _ treatment.Params) { w.brighter = w.day },
	treatment.Isolate:     func(w *world, _ treatment.Params) { w.apart = true },
	treatment.KeepApart:   func(w *world, _ treatment.Params) { w.apart = true },
	treatment.Release:     func(w *world, _ treatment.Params) { w.free, w.apart = true, false },
	treatment.FirstWater:  func(w *world, p treatment.Params) { w.standing = w.standing || p.SaucerHours.Or(0) > 1 },
}

// heal closes all wounds.
func (w *world) heal() {
	for i := range w.wounds {
		w.wounds[i].closed = true
	}
}

func (w *world) dry() { w.wet = map[treatment.Organ]bool{} }

func trimmedDead(w *world, _ treatment.Params) {
	if 1-w.c.roots >= 0.25 {
		w.lost = w.day
	}
	w.rot = w.rot && w.c.has(cause.BaseRot, cause.BlackRot, cause.SoftRot, cause.Fusarium)
}

func leavesOff(w *world, p treatment.Params) {
	if w.c.has(cause.SoftRot) && !w.c.has(cause.RootRot, cause.BaseRot, cause.BlackRot, cause.Fusarium) {
		w.rot = false
	}
	if !p.Mush {
		w.taken = append(w.taken, leavesTaken{w.day, w.leafShare(p)})
	}
}

// leavesTaken is a share of the leaves that was taken on a day.
type leavesTaken struct {
	day   int
	share float64
}

// leafShare is what share of its leaves a step takes.
func (w *world) leafShare(p treatment.Params) float64 {
	if p.Share.Known {
		return p.Share.Value
	}
	if p.N.Known && w.c.Facts.Leaves.Or(0) > 0 {
		return p.N.Value / w.c.Facts.Leaves.Value
	}
	return 0
}

var below = []treatment.Organ{"roots", "soil", "medium", "rhizome", "stem", "bulb", "body", "corm", "base"}

// wets says which parts get wet.
func (w *world) wets(s step) {
	if s.Op == treatment.Soap && s.Params.Where == "roots" {
		return
	}
	for _, o := range w.wetBy(s) {
		w.wet[o] = true
	}
	if among(s.Op, treatment.Soap, treatment.Oil, treatment.LabelDrug, treatment.Alcohol) {
		w.film = s.Op
	}
}

// wetBy lists the parts that a step wets.
func (w *world) wetBy(s step) []treatment.Organ {
	all := []treatment.Organ{treatment.Leaves, treatment.Crown, treatment.Joints}
	if s.Op == treatment.WashDown && w.c.brushedDry() {
		return nil
	}
	switch s.Op {
	case treatment.WashDown, treatment.Soap, treatment.Oil, treatment.RinseOff, treatment.HotDip:
		if w.c.habitID == treatment.Bromeliad {
			all = append(all, treatment.Cup)
		}
		return all
	case treatment.LabelDrug:
		if !slices.Contains(below, s.Organ) {
			return all
		}
	case treatment.Peroxide:
		if s.Organ == treatment.Crown {
			return []treatment.Organ{treatment.Crown}
		}
	case treatment.WashOff, treatment.ClearMoss:
		if !among(s.Params.How, "dry", "falls") {
			return []treatment.Organ{treatment.Crown, treatment.Joints}
		}
	case treatment.Mist:
		return []treatment.Organ{treatment.Leaves}
	}
	return nil
}

// drips lists what must be dry by night and is wet.
func (w *world) drips() bool {
	c := w.c
	for o := range w.wet {
		if c.keepDry[o] || o == treatment.Cup && w.film != "" || o == treatment.Cup && c.airC <= 15 {
			return true
		}
	}
	return false
}
