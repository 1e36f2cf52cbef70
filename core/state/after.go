package state

import (
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/treatment"
)

// Moment is when a step is done.
type Moment struct {
	Day     int
	Evening bool
}

// After is how the plant stands when a step was done. What is done to what was parted from it changes nothing of it.
func (p Plant) After(s treatment.Step, at Moment, n Nature) Plant {
	if s.Of() != treatment.ForPlant {
		return p
	}
	if s.Op.Does(treatment.Cuts) {
		p = p.cut(s, at, n)
	}
	if e, changes := EffectOf(Done{Step: s, Laid: p.Laid, Nature: n}); changes {
		p = p.with(e)
	}
	p = p.seated(s, at)
	p = p.watered(s, at, n)
	if s.Params.SaucerHours.Or(0) > 1 {
		p.Standing = true
	}
	if change, is := moments[s.Op]; is {
		p = change(p, s, at, n)
	}
	if wet := n.wets(s, at); wet != 0 {
		p.Wet, p.WetOn = p.Wet|wet, at.Day
	}
	if s.Op.Treats() && s.Op != treatment.WashDown {
		p.TreatedOn = at.Day
	}
	return p
}

// with takes the facts that an effect changes.
func (p Plant) with(e Effect) Plant {
	if e.Apart != "" {
		p.Apart, p.Free = e.Apart == KeptApart, e.Apart == AmongAll
	}
	if e.Stands != nil {
		p.Seat = e.Stands.Seat
		if e.Stands.Class != "" {
			p.Medium = e.Stands.Class
		}
	}
	if e.Waters != nil && e.Waters.How.WetsRoots() {
		p.Moist = facts.Right
	}
	c := e.Changes
	if c == nil {
		return p
	}
	if c.Seat != "" {
		p.Seat = c.Seat
	}
	if c.MediumClass != "" {
		p.Medium = c.MediumClass
	}
	if c.Cover != "" {
		p.Cover = c.Cover
	}
	for to, said := range map[*bool]*bool{
		&p.Standing: c.Standing, &p.Plug: c.Plug, &p.Rot: c.RotAlive, &p.NoWater: c.NoWater, &p.NoFeed: c.NoFeed,
	} {
		if said != nil {
			*to = *said
		}
	}
	if c.LightShare != nil {
		p.Light = treatment.N(*c.LightShare)
	}
	if c.Brighter != nil {
		p.Light = treatment.N(min(1, p.Light.Or(1)+*c.Brighter))
	}
	if c.WarmthC != nil {
		p.WarmthC = treatment.N(*c.WarmthC)
	}
	return p
}

// cut makes a wound, and a used blade.
func (p Plant) cut(s treatment.Step, at Moment, n Nature) Plant {
	p.Blade = Used
	if n.infects(s.Op) {
		p.Blade = Dirty
	}
	w := Wound{Day: at.Day, Open: true, Wetted: true}
	switch s.Op {
	case treatment.TrimDead, treatment.RootPrune:
		w.Organ, w.Open = treatment.OnRoots, n.RootDry[0] > 0
	case treatment.CutRot, treatment.Behead:
		if w.Organ = s.Organ; w.Organ == "" {
			w.Organ = treatment.OnStem
		}
	case treatment.PartIt:
		w.Organ = treatment.OnRhizome
	case treatment.TrimBranch:
		w.Organ, w.Wetted = treatment.OnStem, false
	default:
		return p
	}
	p.Wounds = append(slices.Clip(p.Wounds), w)
	return p
}

// seated keeps the day on which it was set, and takes up the pot that was laid out.
func (p Plant) seated(s treatment.Step, at Moment) Plant {
	if s.Op.Does(treatment.Sets) {
		p.SetOn, p.Out, p.Ready, p.Laid = at.Day, false, Never, nil
	}
	return p
}

// watered gives it to drink.
func (p Plant) watered(s treatment.Step, at Moment, n Nature) Plant {
	if !s.Op.Does(treatment.Waters) {
		return p
	}
	if s.Op == treatment.Soak && p.DippedOn == Never {
		p.DippedOn = at.Day
	}
	if s.Op != treatment.PreWater { // what is given for the work on its roots is no drink that counts
		if p.Thirsty || s.Op == treatment.Soak && n.has(cause.Drought) {
			p.SoakedOn = at.Day
		}
		p.WateredOn = at.Day
	}
	p.Thirsty, p.Limp = false, false
	return p
}

// moments are what operators change besides the facts that are recorded: tools, cuts, films, and the days on which
// something was done.
var moments = map[treatment.OperatorID]func(Plant, treatment.Step, Moment, Nature) Plant{
	treatment.CleanBlade: func(p Plant, _ treatment.Step, _ Moment, _ Nature) Plant { p.Blade = Clean; return p },
	treatment.ReadyPot: func(p Plant, s treatment.Step, at Moment, _ Nature) Plant {
		p.Ready, p.Laid = at.Day, &s.Params
		return p
	},
	treatment.Unpot: func(p Plant, s treatment.Step, at Moment, _ Nature) Plant {
		p.Out, p.LiftedOn, p.Cleared = true, at.Day, false
		if s.Params.To == "tray" {
			p.Seat = facts.OnTray
		}
		return p
	},
	treatment.ClearMoss: func(p Plant, _ treatment.Step, _ Moment, _ Nature) Plant { p.Cleared = true; return p },
	treatment.Callus:    func(p Plant, _ treatment.Step, _ Moment, _ Nature) Plant { return p.closed(true) },
	treatment.DryCut: func(p Plant, _ treatment.Step, _ Moment, _ Nature) Plant {
		p.Wet = 0
		return p.closed(false)
	},
	treatment.CrownDry:   func(p Plant, _ treatment.Step, _ Moment, _ Nature) Plant { p.Wet = 0; return p },
	treatment.CrownDrain: func(p Plant, _ treatment.Step, _ Moment, _ Nature) Plant { p.Wet &^= Cup | Crown; return p },
	treatment.TrimDead: func(p Plant, _ treatment.Step, at Moment, n Nature) Plant {
		if 1-n.Share >= muchRoot {
			p.LostOn = at.Day
		}
		return p
	},
	treatment.RemoveLeaves: func(p Plant, s treatment.Step, at Moment, n Nature) Plant {
		if !s.Params.Mush && !strings.Contains(s.Params.What+s.Args, "mush") {
			p.Taken = append(slices.Clip(p.Taken), Taken{at.Day, n.LeafShare(s.Params)})
		}
		return p
	},
	treatment.RinseOff: func(p Plant, _ treatment.Step, _ Moment, _ Nature) Plant { p.Film = ""; return p },
	treatment.Soap:     filmed,
	treatment.Oil:      filmed,
	treatment.Earth: func(p Plant, s treatment.Step, at Moment, n Nature) Plant {
		p.DustedOn = at.Day
		return filmed(p, s, at, n)
	},
	treatment.LabelDrug: filmed,
	treatment.Systemic:  filmed,
	treatment.Alcohol:   filmed,
	treatment.Predators: func(p Plant, _ treatment.Step, at Moment, _ Nature) Plant { p.PredatorsOn = at.Day; return p },
	treatment.ShadeIt: func(p Plant, _ treatment.Step, at Moment, _ Nature) Plant {
		p.Sun, p.ShadedOn = false, at.Day
		return p
	},
	treatment.Brighten: func(p Plant, s treatment.Step, _ Moment, _ Nature) Plant {
		p.Sun = p.Sun || s.Params.Sun
		return p
	},
	treatment.CoverIt: func(p Plant, _ treatment.Step, at Moment, _ Nature) Plant {
		switch {
		case p.Cover == facts.Uncovered:
			p.CoveredOn = Never
		case p.CoveredOn == Never:
			p.CoveredOn = at.Day
		}
		return p
	},
	treatment.Wean:   uncovered,
	treatment.Harden: uncovered,
}

// muchRoot is the share of its roots whose loss lets it drink and feed less for a while (common practice).
const muchRoot = 0.25

// filmed leaves a product on its leaves, unless it goes to its roots.
func filmed(p Plant, s treatment.Step, _ Moment, _ Nature) Plant {
	if s.Organ != treatment.OnRoots && s.Params.Where != string(treatment.OnRoots) {
		p.Film = s.Op
	}
	return p
}

func uncovered(p Plant, _ treatment.Step, _ Moment, _ Nature) Plant { p.CoveredOn = Never; return p }
