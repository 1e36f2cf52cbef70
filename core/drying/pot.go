// Package drying keeps the water in a pot as a hidden state: how fast it dries is
// learned from what sticks, hands, scales and leaves found, never from when somebody
// watered; and from that it says when to look next.
//
// Water is a share of what the pot holds at container capacity: 1 just drained, 0
// air-dry. How fast it dries is told in that share a day, at a vapour pressure deficit
// of 1 kPa and the kind's best light; a clock that runs slower in dim, cool or damp air
// turns days into that measure.
package drying

import (
	"math"
	"slices"
	"strings"
)

// Source is where the constants of the package come from.
const Source = "two stages of drying as soil science has them (from memory), with numbers guessed by growers' " +
	"practice and put right by what is read"

// Wall is what a pot is made of.
type Wall string

// Part is a part of a mix by volume.
type Part struct {
	Name  string  `json:"name" doc:"The ingredient, as the bench names it."`
	Share float64 `json:"share" doc:"Parts by volume."`
}

// Leaf is how much leaf it has for its pot.
type Leaf string

// Drink is how fast leaves of its sort lose water.
type Drink string

// Pot is what a pot's speed of drying is guessed from. What nobody knows is zero.
type Pot struct {
	TopCM   float64 `json:"topCm,omitempty" doc:"Inner width at the rim, cm, 1 to 200."`
	BaseCM  float64 `json:"baseCm,omitempty" doc:"Inner width at the bottom, cm; three quarters of the rim where empty."`
	DepthCM float64 `json:"depthCm,omitempty" doc:"Depth of the medium, cm; nine tenths of the rim where empty."`
	Wall    Wall    `json:"wall,omitempty" enum:"plastic,glazed,metal,glass,terracotta,concrete,wood,fabric,net"`
	Mix     []Part  `json:"mix,omitempty" doc:"Parts by volume; an unknown ingredient holds a middling amount."`
	Leaf    Leaf    `json:"leaf,omitempty" enum:"none,sparse,usual,full"`
	Drink   Drink   `json:"drink,omitempty" enum:"thin,usual,leathery,succulent"`
	// LiveRoots is the share of its roots that live, 0-1; nil where nobody knows: all.
	LiveRoots *float64 `json:"liveRoots,omitempty" doc:"Share of its roots that live, 0 to 1."`
	Covered   bool     `json:"covered,omitempty" doc:"Stones or moss lie on the medium."`
	InCache   bool     `json:"inOuterPot,omitempty" doc:"It stands in an outer pot."`
}

// holds is the share of a part's volume that is water at container capacity (from memory
// of growers' tables, within a quarter).
var holds = map[string]float64{
	"potting soil": .55, "peat": .60, "coir": .60, "peat or coir": .60, "perlite": .25, "pumice": .28,
	"vermiculite": .50, "fine bark": .30, "medium bark": .20, "coarse bark": .14, "charcoal": .15,
	"chopped moss": .60, "long moss": .55, "moss": .58, "leaf mould": .50, "coarse grit": .10, "grit": .10,
	"coarse sand": .20, "sand": .20, "clay pellets": .15, "tree fern": .25, "tree-fern fibre": .25,
}

// holdsUnknown is what an ingredient that nobody knows is taken to hold.
const holdsUnknown = .40

// breathes is how much of the evaporation of bare medium a wall has (a guess).
var breathes = map[Wall]float64{
	"plastic": 0, "glazed": 0, "metal": 0, "glass": 0, "terracotta": .6, "concrete": .3, "wood": .3, "fabric": .9,
	"net": .9,
}

// leafArea is leaf area for one of the pot's mouth; drinks the loss of leaf for the usual.
var (
	leafArea = map[Leaf]float64{"none": 0, "sparse": 2, "usual": 4, "full": 8}
	drinks   = map[Drink]float64{"thin": 1.3, "usual": 1, "leathery": .5, "succulent": .2}
)

// What pots lose and hold (guesses of growers' practice).
const (
	filled       = .9  // of the pot's volume is medium
	bareLitres   = 1.5 // l m⁻² a day from bare wet medium at 1 kPa
	leafLitres   = .35 // l m⁻² of leaf a day
	sideWetted   = .85 // of the wall's height
	underStones  = .5
	inOuterPot   = .6
	leastRoots   = .15
	baseOfTop    = .75
	depthOfTop   = .9
	holdsCommon  = .45 // of a mix that nobody knows
	usualPotTop  = 13  // cm, of a pot that nobody measured
	cmInM        = 100
	litresInCube = 1000
)

// known fills in what is usual where nobody said.
func (p Pot) known() Pot {
	if p.TopCM == 0 {
		p.TopCM = usualPotTop
	}
	if p.BaseCM == 0 {
		p.BaseCM = baseOfTop * p.TopCM
	}
	if p.DepthCM == 0 {
		p.DepthCM = depthOfTop * p.TopCM
	}
	if p.Wall == "" {
		p.Wall = "plastic"
	}
	if p.Leaf == "" {
		p.Leaf = "usual"
	}
	if p.Drink == "" {
		p.Drink = "usual"
	}
	return p
}

// Depth is how deep its medium is, cm.
func (p Pot) Depth() float64 { return p.known().DepthCM }

// Litres is the volume of the pot, a frustum.
func (p Pot) Litres() float64 {
	p = p.known()
	return math.Pi * p.DepthCM / 12 * (p.TopCM*p.TopCM + p.TopCM*p.BaseCM + p.BaseCM*p.BaseCM) / litresInCube
}

// Hold is the share of the medium's volume that is water at container capacity.
func (p Pot) Hold() float64 {
	sum, all := 0.0, 0.0
	for _, part := range p.Mix {
		h, known := holds[part.Name]
		if !known {
			h = holdsUnknown
		}
		sum, all = sum+h*part.Share, all+part.Share
	}
	if all == 0 {
		return holdsCommon
	}
	return sum / all
}

// Sheds says whether its medium sheds water once it has dried out: peat, coir, moss and
// soils with them, or nobody knows what it is.
func (p Pot) Sheds() bool {
	return len(p.Mix) == 0 || slices.ContainsFunc(p.Mix, func(part Part) bool {
		return slices.ContainsFunc(shedding, func(word string) bool { return strings.Contains(part.Name, word) })
	})
}

var shedding = []string{"peat", "coir", "moss", "potting soil"}

// Capacity is how much water the pot holds when it has drained, litres.
func (p Pot) Capacity() float64 { return p.Litres() * filled * p.Hold() }

// Demand is what leaves the pot in a day at 1 kPa and the best light, litres: what
// evaporates from medium and wall, and what the leaves drink.
func (p Pot) Demand() (evaporates, drunk float64) {
	p = p.known()
	half := p.TopCM / 2 / cmInM
	mouth := math.Pi * half * half
	side := math.Pi * p.TopCM / cmInM * p.DepthCM / cmInM * sideWetted
	cover, wall := 1.0, breathes[p.Wall]
	if p.Covered {
		cover = underStones
	}
	if p.InCache {
		wall *= inOuterPot
	}
	roots := 1.0
	if p.LiveRoots != nil {
		roots = max(leastRoots, *p.LiveRoots)
	}
	return bareLitres * (mouth*cover + wall*side), leafLitres * leafArea[p.Leaf] * mouth * drinks[p.Drink] * roots
}

// Rate is the guessed share of the capacity that is lost in a day at 1 kPa and the best
// light, with the share of it that evaporates, which the clock needs, and how unsure the
// guess is: the standard deviation of its logarithm.
func (p Pot) Rate() (rate, evaporating, sd float64) {
	e, d := p.Demand()
	sd = sdOfHabit
	switch {
	case p.TopCM > 0 && len(p.Mix) > 0:
		sd = sdOfMix
	case p.TopCM > 0:
		sd = sdOfPot
	}
	return (e + d) / p.Capacity(), e / (e + d), sd
}

// How unsure a guess is: with pot, mix and leaf known, with the pot's size alone, and by
// how it grows alone (a guess).
const (
	sdOfMix   = .45
	sdOfPot   = .60
	sdOfHabit = .80
)
