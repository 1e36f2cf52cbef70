package compose

import (
	"math"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// Volumes of pots from their inner width alone: a frustum of a bottom 0.71 and a
// height 0.92 of the width (shallow 0.5, deep 1.2, with the bottoms that go with
// them); geometry, the usual shapes are common practice.
const (
	usualVolume   = 0.533
	shallowVolume = 0.319
	deepVolume    = 0.695
	smallPot      = 7 // narrower pots are of the usual shape
)

// PotML gives the volume in ml of a pot of inner width w cm.
func PotML(w float64, shape string) float64 {
	k := usualVolume
	if w > smallPot {
		switch shape {
		case "shallow":
			k = shallowVolume
		case "deep":
			k = deepVolume
		}
	}
	return k * w * w * w
}

const (
	filled  = 0.9  // of a pot's volume, below the rim
	settles = 1.15 // loose mix for a filled pot
	ofWhole = 0.9  // of the ball's own volume, where it stays whole
	ofBare  = 0.12 // where its roots are washed
	light   = 0.07 // of the pot's volume: a light first water
)

// MixML gives the loose mix in ml for a pot of width w cm round a ball of width
// ball cm: 1.15 × (0.9 × pot − ball).
func MixML(w, ball float64, whole bool, shape string) float64 {
	in := ofBare
	if whole {
		in = ofWhole
	}
	taken := 0.0
	if ball > 0 {
		taken = in * PotML(ball, shape)
	}
	return max(1, settles*(filled*PotML(w, shape)-taken))
}

// ball gives the width of the root ball, measured or guessed from the pot.
func (c *composer) ball(whole bool) float64 {
	if c.Facts.RootBallCM.Known {
		return c.Facts.RootBallCM.Value
	}
	if whole {
		return max(4, c.potWidth()-1)
	}
	return max(4, c.Facts.PotWidthCM.Or(12)-4)
}

// rescueWidth is the pot for roots that were washed: the live ball and 2.5 cm,
// 1.5 for dry kinds, never wider than the old pot.
func (c *composer) rescueWidth(rootless bool) float64 {
	old := c.Facts.PotWidthCM.Or(math.Inf(1))
	var w float64
	switch {
	case rootless && c.orchid && c.school == treatment.Lean:
		w = 6.5
	case rootless && c.orchid:
		w = 8
	case rootless && c.habitID == treatment.Gesneriad:
		w = 6
	case c.basal() && c.Facts.RootBallCM.Known:
		w = c.Facts.RootBallCM.Value + 3
	case rootless:
		w = 7
	default:
		w = potSize(c.ball(false) + c.round())
	}
	return min(w, old)
}

// round is how much wider than the live ball the pot is, cm.
func (c *composer) round() float64 {
	if c.dry {
		return 1.5
	}
	return 2.5
}

// fillingRoots is how many live roots fill a pot at least: two that live are few, though none beside them is dead
// (common practice).
const fillingRoots = 10

// potRange is the narrowest and the widest pot that washed roots may want, where nobody
// measured their ball: it is guessed from the old pot and the share that lives, and the
// pot is bought when it is measured.
func (c *composer) potRange() (from, to float64, ranged bool) {
	wished := (c.Wish == treatment.Refresh || c.has(cause.PotBound)) && !c.rescue()
	if c.Facts.RootBallCM.Known || c.rootless || wished || c.carersMixPot() {
		return 0, 0, false
	}
	old := c.potWidth()
	share := min(c.roots, c.Facts.LiveRoots.Or(fillingRoots)/fillingRoots)
	ball := max(3, 0.75*old*math.Sqrt(share))
	from, to = potSize(max(3, ball-2)+c.round()), potSize(ball+2+c.round())
	if old >= 9 && c.roots < 0.5 {
		to = min(to, potSize(0.75*old))
	}
	if c.Facts.PotWidthCM.Known {
		to = min(to, old)
	}
	return min(from, to), to, true
}

// carersMixPot says whether the carer named the new pot.
func (c *composer) carersMixPot() bool { return c.Choices.PotWidthCM.Known }

// ranged turns a laid out pot into one of a range, where its ball was not measured.
func (c *composer) ranged(s step) step {
	from, to, is := c.potRange()
	if !is || !s.Params.PotWidthCM.Known || s.Params.Seat != "" && s.Params.Seat != facts.InReservoir {
		return s
	}
	s.Params.PotWidthCM, s.Params.PotWidthTo = num(from), num(to)
	s.Params.VolumeML = num(math.Round(MixML(to, 0, false, s.Params.Shape)))
	return s
}

// potSize is the next smaller pot that is sold: by half centimetres under 10 cm,
// by whole ones from there.
func potSize(w float64) float64 {
	if w < 10 {
		return half(w)
	}
	return math.Floor(w)
}

// bound says whether roots fill its pot, so that it gets a wider one.
func (c *composer) bound() bool { return c.has(cause.PotBound) && !c.rescue() }

// boundWidth is the pot for a pot-bound plant.
func (c *composer) boundWidth() float64 {
	w := c.potWidth()
	snug := c.kind.Has(plant.SnugPot)
	switch {
	case snug && w <= 12:
		return w + 1
	case snug || w <= 12:
		return w + 2
	case w <= 20:
		return w + 3
	}
	return w + 4
}

// wholeWidth is the pot for a ball that stays whole.
func (c *composer) wholeWidth(r rootWork) float64 {
	old := c.Facts.PotWidthCM
	var w float64
	switch {
	case r.bound && !c.rescue():
		w = c.boundWidth()
	case r.down:
		w = c.smallerWidth()
		w = min(w, old.Or(w))
	case c.kind.Has(plant.SnugPot) && old.Known && !c.Facts.RootBallCM.Known:
		w = old.Value
	case c.Facts.RootBallCM.Known:
		w = max(c.Facts.RootBallCM.Value+2, old.Or(0))
		if !old.Known || c.Facts.RootBallCM.Value >= old.Value {
			w = c.Facts.RootBallCM.Value + 2
		}
	default:
		w = c.potWidth()
	}
	if c.rescue() {
		w = min(w, old.Or(w))
		if b := c.Facts.RootBallCM; b.Known {
			w = min(w, half(b.Value+2.5))
		}
	}
	return c.carersPot(w)
}

// smallerWidth is the pot for what stands in too wide a one: its ball, measured or guessed, and 2.5 cm.
func (c *composer) smallerWidth() float64 {
	ball := c.Facts.RootBallCM
	if !c.Facts.PotWidthCM.Known || !ball.Known {
		return potSize(max(4, c.potWidth()-5) + 2.5)
	}
	return potSize(ball.Value + 2.5)
}

// carersPot takes the new pot that the carer has, where it is fit.
func (c *composer) carersPot(w float64) float64 {
	own := c.Choices.PotWidthCM
	if !own.Known {
		return w
	}
	old := c.potWidth()
	most := 5.0
	if old >= 30 {
		most = 7
	}
	if own.Value > old+most {
		c.leave("pot", "the pot at hand is too wide: idle mix stays wet")
		return w
	}
	if c.rescue() && (own.Value > w || old > 0 && own.Value > old) {
		c.leave("pot", "the pot at hand is too wide: it is sized to the live roots")
		return w
	}
	return max(own.Value, w)
}

func (x *subject) rescue() bool { return x.any(treatment.Rescued()) }

// shape is the shape of the new pot.
func (c *composer) shape(w float64) string {
	switch {
	case c.Facts.PotShape.Known:
		return c.Facts.PotShape.Value
	case w > smallPot && (c.kind.PotShape == "shallow" || c.kind.PotShape == "deep"):
		return c.kind.PotShape
	}
	return "usual"
}

// Mixes of the schools.
var schoolMixes = map[treatment.School][]plant.Part{
	treatment.Lean:     {{What: "coarse bark", Parts: 1}},
	treatment.MossWrap: {{What: "long moss", Parts: 1}},
	treatment.MossBox:  {{What: "long moss", Parts: 1}},
	treatment.ClayPot:  {{What: "clay pellets", Parts: 1}, {What: "pumice", Parts: 1}},
}

// mix gives the medium with where it comes from: the carer, the school, the
// kind, the habit.
func (c *composer) mix() (parts []plant.Part, from string) {
	if own := c.carersMix(); own != nil {
		return own, "carer"
	}
	if c.keepsMoss() {
		return schoolMixes[treatment.MossWrap], "school"
	}
	if m, ok := schoolMixes[c.school]; ok && c.orchid {
		return m, "school"
	}
	if c.seat == facts.InReservoir {
		return schoolMixes[treatment.ClayPot], "reservoir"
	}
	if len(c.kind.Mixes) > 0 {
		return c.kind.Mixes[0].Parts, "kind"
	}
	if c.named && c.kind.ID != "" && !c.kind.Own && c.seat != facts.InPot {
		return nil, "kind" // it grows in air
	}
	return c.habit.Mix, "habit"
}

// carersMix is the carer's own mix, where the plant bears it.
func (c *composer) carersMix() []plant.Part {
	parts := slices.DeleteFunc(slices.Clone(c.Choices.Parts), func(p plant.Part) bool {
		return !(p.Parts > 0) || strings.TrimSpace(p.What) == ""
	})
	if len(parts) == 0 {
		parts = ReadMix(c.Choices.Mix)
	}
	switch {
	case parts == nil || c.habitID == treatment.AirPlant:
		return nil
	case c.treeBorn() && (shareOf(parts, "soil", "compost") > 0 ||
		shareOf(parts, "peat", "coir") >= 0.5):
		c.leave("mix", "soil or much peat smothers roots that live on trees; its own mix is taken")
		return nil
	case treatment.MineralSet().Has(c.habitID) && shareOf(parts, minerals...) < 0.5:
		c.leave("mix", "under half of it is mineral, which stays wet; its own mix is taken")
		return nil
	}
	return parts
}

// treeBorn says whether soil would smother its roots.
func (x *subject) treeBorn() bool {
	return x.epiphyte && (x.orchid || x.habitID == treatment.Fern || x.untied) || x.habitID == treatment.AirPlant
}

var minerals = []string{"perlite", "pumice", "grit", "sand", "clay pellets"}

func shareOf(parts []plant.Part, names ...string) float64 {
	var of, sum float64
	for _, p := range parts {
		sum += p.Parts
		for _, n := range names {
			if strings.Contains(p.What, n) {
				of += p.Parts
				break
			}
		}
	}
	if sum == 0 {
		return 0
	}
	return of / sum
}

// ballIn is how wide the ball is that goes into a new pot of w cm: of what has no live root nothing is left, and a
// ball that was only guessed from the old pot fits into a narrower one.
func (c *composer) ballIn(w, ball float64) float64 {
	switch {
	case c.rootless && c.Facts.LiveRoots.Known:
		return 0
	case !c.Facts.RootBallCM.Known && c.Facts.PotWidthCM.Known && w < c.Facts.PotWidthCM.Value:
		return max(0, min(ball, w-c.round()))
	}
	return ball
}

// ready lays out the pot, with its mix and its amount.
func (c *composer) ready(w, ball float64, whole bool, opts ...option) step {
	s := do(treatment.ReadyPot)
	p := &s.Params
	p.Shape = c.shape(w)
	p.PotWidthCM = num(w)
	p.Mix, p.MixFrom = c.mix()
	if p.MixFrom == "carer" {
		p.MixBy = "carer"
	}
	p.VolumeML = num(math.Round(MixML(w, c.ballIn(w, ball), whole, p.Shape)))
	p.Dry = c.dry && !c.is(treatment.ForestCactus, treatment.BulbPlant) || c.firstRoots()
	if p.Mix == nil {
		p.VolumeML, p.PotWidthCM, p.Seat = treatment.Number{}, treatment.Number{}, facts.Hung
	}
	holes := true
	if c.has(cause.NoDrainage) || c.Facts.PotHoles.Known {
		p.Holes = &holes
	}
	for _, o := range opts {
		o(&s)
	}
	return s
}

// poured is an amount as it can be measured into a pot, in ml: 218 ml is 220.
func poured(ml float64) float64 {
	const fine, coarse, few = 5, 10, 100
	if ml < few {
		return fine * math.Round(ml/fine)
	}
	return coarse * math.Round(ml/coarse)
}

// lightML is a light first water round the rim, in ml.
func (c *composer) lightML(w float64) treatment.Number {
	const least, sip = 20, 15
	v := PotML(w, c.shape(w))
	if c.dry {
		return num(poured(min(max(sip, light*v), max(sip, v/3))))
	}
	return num(poured(min(max(least, light*v), max(sip, v/3))))
}

// sprayML is how much is sprayed on a plant of its size, in ml.
func (c *composer) sprayML() treatment.Number {
	switch w := c.potWidth(); {
	case c.seat == facts.Hung:
		return num(150)
	case w <= 12:
		return num(50)
	case w <= 20:
		return num(150)
	}
	return num(400)
}
