// Package mix computes pots, mixes and dilutions.
package mix

import (
	"errors"
	"math"
)

// FrustumLitres gives the volume of a round tapered pot from its inner widths
// at the rim and at the bottom and its depth, all in cm: πh/12·(D²+Dd+d²), the
// frustum of a cone.
func FrustumLitres(rim, bottom, depth float64) float64 {
	return math.Pi * depth / 12 * (rim*rim + rim*bottom + bottom*bottom) / 1000
}

// PotFor gives the inner width in cm of a pot for a rescue: the live root ball
// and 2 to 3 cm, in half centimetres, never wider than the old pot (old = 0
// where it is not known). Common practice.
func PotFor(rootBall, old float64) float64 {
	w := math.Round((rootBall+2.5)*2) / 2
	if old > 0 && w > old {
		return old
	}
	return w
}

// taper and DepthShare are the usual shape of a plastic pot: bottom width and
// depth as shares of the rim (common practice; 15.2/10.8/14 cm gives 0.71, 0.92).
const (
	taper      = 0.71
	DepthShare = 0.92
)

// PotLitres estimates the volume of a usual round pot from its rim in cm alone.
func PotLitres(rim float64) float64 { return FrustumLitres(rim, rim*taper, rim*DepthShare) }

// Settling is how much loose mix is wanted for a filled pot (common practice).
const Settling = 1.15

// ErrDilution means that a dilution was asked to become stronger, or has a
// strength or volume that is not positive.
var ErrDilution = errors.New("the wanted strength must lie above 0 and at or below the strength of the stock")

// Dilute gives how much stock and how much water make volume of the wanted
// strength: c₁v₁ = c₂v₂. Strengths share one unit, as do the volumes.
func Dilute(stock, wanted, volume float64) (ofStock, ofWater float64, err error) {
	if !(wanted > 0 && wanted <= stock && volume > 0) {
		return 0, 0, ErrDilution
	}
	ofStock = volume * wanted / stock
	return ofStock, volume - ofStock, nil
}

// Parts splits a total into shares by parts, such as 4 : 1.
func Parts(total float64, parts ...float64) []float64 {
	var sum float64
	for _, p := range parts {
		sum += p
	}
	shares := make([]float64, len(parts))
	for i, p := range parts {
		shares[i] = total * p / sum
	}
	return shares
}

// MossHolds gives how much water dry sphagnum of a weight in grams takes up, in
// ml: 8 to 9 times its weight (common practice; handbooks say up to 20 times,
// from memory).
func MossHolds(grams float64) (least, most float64) { return 8 * grams, 9 * grams }
