// Package sharedpot weighs whether plants that were found in one pot are parted or stay
// together.
package sharedpot

import (
	"fmt"
	"strings"

	"tendermend/core/plant"
)

// Source is where the rules come from.
const Source = "common practice"

// Most is how many plants of one pot are told from each other.
const Most = 12

// Letters name the plants of a pot: A is the one whose record it is.
const Letters = "ABCDEFGHIJKL"

// IsLetter says whether a word is one of the letters.
func IsLetter(word string) bool { return len(word) == 1 && strings.ContainsAny(Letters, word) }

// Pot is what is weighed.
type Pot struct {
	// Kinds are those of the plants; a zero one where nobody knows its kind.
	Kinds []plant.Profile
	// Spreading says that one of them has, or may have, what goes over to others.
	Spreading bool
	// Work says that the plan in hand opens the pot anyway.
	Work bool
	// Growing says that it grows now: roots that are torn apart are made again.
	Growing bool
	// WidthCM is the inner width of the pot; zero where nobody measured it.
	WidthCM float64
}

// Parting is what the rules say of it, with each reason in a sentence.
type Parting struct {
	Part bool     `json:"part" doc:"Whether they are better parted than kept."`
	When string   `json:"when" doc:"When, in a sentence."`
	Why  []string `json:"why" doc:"Each reason, the weightiest first."`
}

// narrowCM is how much of a pot's width each plant of it wants at least, cm (common practice).
const narrowCM = 4

// Weigh says what is better for the plants of a pot (common practice).
func Weigh(p Pot) Parting {
	a := Parting{}
	resents := p.resents()
	one, other, differ := p.unlike()
	switch {
	case differ:
		a.Part = true
		a.Why = append(a.Why, fmt.Sprintf("They drink differently: %s (%s) and %s (%s) cannot both be watered right in "+
			"one pot.", sayKind(one), one.WaterRule.Words(), sayKind(other), other.WaterRule.Words()))
	case resents != "":
		a.Why = append(a.Why, resents+" bears torn roots badly: what grew together stays together.")
	case p.WidthCM > 0 && p.WidthCM < narrowCM*float64(len(p.Kinds)):
		a.Part = true
		a.Why = append(a.Why, fmt.Sprintf("They are %d in %g cm: each wants about %d cm of the pot for itself.",
			len(p.Kinds), p.WidthCM, narrowCM))
	default:
		a.Why = append(a.Why, "They drink alike and have room: parting costs roots and brings them nothing.")
	}
	if p.Spreading {
		a.Why = append(a.Why, "What one of them has, all of them have met: they are treated together, and parted or "+
			"not, all of them stay apart from the others.")
	}
	a.When = p.when(a.Part)
	return a
}

// when says when they are parted, or looked at again.
func (p Pot) when(part bool) string {
	switch {
	case !part:
		return "Keep them together, and see again when the pot is opened next."
	case p.Work:
		return "Part them when the plan opens the pot: the roots are disturbed once."
	case p.Growing:
		return "Part them now, while they grow: slide the ball out, wash it, and ease the roots apart under water."
	}
	return "Wait until they grow; then slide the ball out, wash it, and ease the roots apart under water."
}

// resents names a kind among them that does not bear its roots torn; empty where there is none.
func (p Pot) resents() string {
	for _, k := range p.Kinds {
		if k.Has(plant.ResentsRepot) || k.Habit == "palm" || k.Habit == "cycad" {
			return sayKind(k)
		}
	}
	return ""
}

// unlike finds the two of them that differ most in how they drink, where they differ so much
// that no watering suits both: one dries through or rests dry, and the other never dries.
func (p Pot) unlike() (one, other plant.Profile, found bool) {
	most := apart - 1
	for i, k := range p.Kinds {
		for _, l := range p.Kinds[i+1:] {
			a, aKnown := dryness[k.WaterRule]
			b, bKnown := dryness[l.WaterRule]
			if by := max(a-b, b-a); aKnown && bKnown && by > most {
				one, other, most = k, l, by
			}
		}
	}
	return one, other, most >= apart
}

// apart is how many steps of dryness lie between plants that no watering suits together.
const apart = 2

// dryness is how dry a pot gets before the next water, by rule, in steps.
var dryness = map[plant.WaterRule]int{
	plant.WetTray: 0, plant.Even: 1, plant.SurfaceDry: 2, plant.QuarterDry: 3, plant.TopDry: 3,
	plant.HalfDry: 4, plant.DryThrough: 6,
}

func sayKind(k plant.Profile) string {
	if name := strings.TrimSpace(k.Botanical); name != "" {
		return name
	}
	return "A plant like this"
}
