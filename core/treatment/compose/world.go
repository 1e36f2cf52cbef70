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
	taken    []struct {
		day   int
		share float64
	}
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
	suspect := c.any(treatment.OnBlade) ||
		slices.ContainsFunc(c.Suspected, func(id cause.ID) bool { return slices.Contains(treatment.OnBlade, id) })
	return suspect || d.Does(treatment.InRot) && c.any(treatment.Rots) ||
		s.Op == treatment.RemoveLeaves && c.any(treatment.Rots) ||
		d.Does(treatment.OnLeaves) && c.any(treatment.LeafDiseases)
}

// do carries a step out.
func (w *world) do(s step) {
	c, p := w.c, s.Params
	forPieces := p.For == "pieces" || s.Organ == "pieces"
	if s.Op.Does(treatment.Cuts) {
		w.blade = "used"
		if w.infects(s) {
			w.blade = "dirty"
		}
		switch s.Op {
		case treatment.TrimDead, treatment.RootPrune:
			w.wounds = append(w.wounds, wound{roots: true, day: w.day, closed: c.rootDry[0] == 0, wetted: true})
		case treatment.CutRot, treatment.Behead, treatment.PartIt:
			w.wounds = append(w.wounds, wound{day: w.day, wetted: true})
		}
	}
	if s.Op.Does(treatment.Sets) && !forPieces {
		w.out, w.set, w.ready = false, w.day, never
		if o, ok := treatment.OperatorByID(s.Op); ok && o.Seat != "" {
			w.seat = o.Seat
		}
	}
	if s.Op.Does(treatment.Waters) && !forPieces {
		if w.thirsty || c.has(cause.Drought) && s.Op == treatment.Soak {
			w.soaked = w.day
		}
		w.thirsty, w.limp, w.moist, w.watered = false, false, facts.Right, w.day
	}
	switch s.Op {
	case treatment.CleanBlade:
		w.blade = "clean"
	case treatment.ReadyPot:
		if !forPieces {
			w.ready = w.day
		}
	case treatment.Unpot:
		w.out, w.rooted, w.standing, w.seat = true, w.day, false, facts.InHand
	case treatment.Callus:
		for i := range w.wounds {
			w.wounds[i].closed = true
		}
		w.out, w.seat = false, facts.OnTray
	case treatment.DryCut:
		for i := range w.wounds {
			w.wounds[i].closed = true
		}
		w.wet = map[treatment.Organ]bool{}
	case treatment.TrimDead:
		if 1-c.roots >= 0.25 {
			w.lost = w.day
		}
		w.rot = w.rot && c.has(cause.BaseRot, cause.BlackRot, cause.SoftRot, cause.Fusarium)
	case treatment.CutRot, treatment.Behead, treatment.PickCrown:
		w.rot = false
	case treatment.RemoveLeaves:
		if c.has(cause.SoftRot) && !c.has(cause.RootRot, cause.BaseRot, cause.BlackRot, cause.Fusarium) {
			w.rot = false
		}
		if !p.Mush {
			w.taken = append(w.taken, struct {
				day   int
				share float64
			}{w.day, w.leafShare(p)})
		}
	case treatment.CrownDry:
		w.wet = map[treatment.Organ]bool{}
	case treatment.CrownDrain:
		delete(w.wet, treatment.Crown)
		delete(w.wet, treatment.Cup)
	case treatment.DrainSaucer:
		w.standing = false
	case treatment.RinseOff:
		w.film = ""
	case treatment.Predators:
		w.predator = w.day
	case treatment.Oil:
		w.oiled = w.day
	case treatment.Earth:
		w.earthed = w.day
	case treatment.ShadeIt:
		w.sun, w.shaded = false, w.day
	case treatment.Brighten:
		w.brighter = w.day
	case treatment.Isolate, treatment.KeepApart:
		w.apart = true
	case treatment.Release:
		w.free, w.apart = true, false
	case treatment.FirstWater:
		if p.SaucerHours.Or(0) > 1 {
			w.standing = true
		}
	}
	w.wets(s)
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

var below = []string{"roots", "soil", "medium", "rhizome", "stem", "bulb", "body", "corm", "base"}

// wets says which parts get wet.
func (w *world) wets(s step) {
	c := w.c
	put := func(organs ...treatment.Organ) {
		for _, o := range organs {
			w.wet[o] = true
		}
	}
	all := []treatment.Organ{treatment.Leaves, treatment.Crown, treatment.Joints}
	switch s.Op {
	case treatment.WashDown, treatment.Soap, treatment.Oil, treatment.RinseOff, treatment.HotDip:
		if s.Op == treatment.Soap && s.Params.Where == "roots" {
			return
		}
		put(all...)
		if c.code == treatment.BR {
			put(treatment.Cup)
		}
	case treatment.LabelDrug:
		if !slices.Contains(below, s.Organ) {
			put(all...)
		}
	case treatment.Peroxide:
		if s.Organ == "crown" {
			put(treatment.Crown)
		}
	case treatment.WashOff, treatment.ClearMoss:
		if s.Params.How != "dry" && s.Params.How != "falls" {
			put(treatment.Crown, treatment.Joints)
		}
	case treatment.Mist:
		put(treatment.Leaves)
	}
	if s.Op == treatment.Soap || s.Op == treatment.Oil || s.Op == treatment.LabelDrug || s.Op == treatment.Alcohol {
		w.film = s.Op
	}
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
