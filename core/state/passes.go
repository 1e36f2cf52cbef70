package state

import (
	"slices"

	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// closesBy is after how many days a cut that was not laid up has closed at the soonest (common practice).
const closesBy = 2

// Nights lets days go by: what was wet dries, cuts close, tools go elsewhere. How dry
// its medium is meanwhile nobody knows until it is felt.
func (p Plant) Nights(to int, n Nature) Plant {
	p.Blade, p.Wet = Away, 0
	if slices.ContainsFunc(p.Wounds, func(w Wound) bool { return w.Open }) {
		p.Wounds = slices.Clone(p.Wounds)
		for i := range p.Wounds {
			dry := n.StemDry[1]
			if p.Wounds[i].Organ == treatment.OnRoots {
				dry = n.RootDry[1]
			}
			if to-p.Wounds[i].Day >= max(closesBy, dry) {
				p.Wounds[i].Open = false
			}
		}
	}
	return p
}

// Later lets hours go by on a day: leaves dry, tools go elsewhere.
func (p Plant) Later() Plant {
	p.Blade, p.Wet = Away, p.Wet&^Leaves
	return p
}

// Saw makes true what was seen of it, where something waited for that.
func (p Plant) Saw(g gate.Gate) Plant {
	g.Wants(func(x gate.Condition) bool {
		p = p.saw(x)
		return false
	})
	p.Grows = p.Grows || ShowsGrowth(g)
	return p
}

func (p Plant) saw(x gate.Condition) Plant {
	switch x.Is {
	case gate.Dry:
		p.Moist = facts.Due
	case gate.Moist:
		p.Moist = facts.Right
	case gate.Firm:
		p.Limp, p.Thirsty = false, false
	case gate.Share:
		p.Share = max(p.Share, x.Share)
	case gate.NoRot, gate.Clean, gate.Quiet:
		p.Rot = false
	case gate.Counted:
		if x.Sight == gate.NewRoot || x.Sight == gate.PieceRoot {
			p.NewRoot = max(p.NewRoot, x.FromCM, x.ToCM)
		}
	default:
	}
	return p
}

// ShowsGrowth says whether a gate that is met shows that it grows.
func ShowsGrowth(g gate.Gate) bool {
	clean := slices.ContainsFunc(g, func(x gate.Condition) bool { return x.Is == gate.Clean || x.Is == gate.Quiet })
	return g.Wants(func(x gate.Condition) bool { return showsGrowth(x, clean) })
}

// showsGrowth says whether a condition that is met shows that it grows.
func showsGrowth(x gate.Condition, clean bool) bool {
	switch x.Is {
	case gate.Season:
		return x.Months != nil
	case gate.Counted:
		return !clean
	case gate.Seen:
		return ProvesGrowth(x.Sight) && (!clean || x.Sight == gate.Growth)
	default:
		return false
	}
}

// ProvesGrowth says whether a sight proves that the plant grows.
func ProvesGrowth(s gate.Sight) bool { return slices.Contains(grown, s) }

// grown are sights that prove that it grows.
var grown = []gate.Sight{
	gate.NewGrowth, gate.Growth, gate.NewLeaf, gate.NewSpear, gate.Tip, gate.NewRoot, gate.Offset,
	gate.Nub, gate.CleanLeaf,
}
