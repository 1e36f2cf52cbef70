package mix

import (
	"errors"
	"fmt"
	"math"
	"slices"
	"strings"
)

// Ingredient is something that media are mixed from, with the share of its
// volume that holds water after draining and the share that stays air, lowest
// and highest usual (from memory of growers' handbooks; rounded).
type Ingredient struct {
	ID    string     `json:"id"`
	Label string     `json:"label"`
	Water [2]float64 `json:"water"`
	Air   [2]float64 `json:"air"`
}

var ingredients = []Ingredient{
	{"potting soil", "potting soil", [2]float64{0.50, 0.65}, [2]float64{0.10, 0.20}},
	{"peat or coir", "peat or coir", [2]float64{0.55, 0.75}, [2]float64{0.10, 0.20}},
	{"peat", "peat", [2]float64{0.60, 0.80}, [2]float64{0.08, 0.18}},
	{"fine bark", "fine bark", [2]float64{0.30, 0.40}, [2]float64{0.30, 0.40}},
	{"medium bark", "medium bark", [2]float64{0.20, 0.30}, [2]float64{0.45, 0.55}},
	{"coarse bark", "coarse bark", [2]float64{0.12, 0.22}, [2]float64{0.55, 0.65}},
	{"orchid bark", "orchid bark", [2]float64{0.20, 0.30}, [2]float64{0.45, 0.55}},
	{"perlite", "perlite", [2]float64{0.20, 0.35}, [2]float64{0.40, 0.55}},
	{"pumice", "pumice", [2]float64{0.25, 0.35}, [2]float64{0.35, 0.45}},
	{"vermiculite", "vermiculite", [2]float64{0.45, 0.60}, [2]float64{0.25, 0.40}},
	{"coarse grit", "coarse grit", [2]float64{0.05, 0.12}, [2]float64{0.30, 0.40}},
	{"charcoal", "charcoal", [2]float64{0.20, 0.30}, [2]float64{0.40, 0.50}},
	{"chopped moss", "chopped moss", [2]float64{0.60, 0.80}, [2]float64{0.12, 0.25}},
	{"clay pellets", "clay pellets", [2]float64{0.10, 0.20}, [2]float64{0.50, 0.60}},
	{"leaf mould", "leaf mould", [2]float64{0.45, 0.60}, [2]float64{0.15, 0.25}},
	{"long moss", "long moss", [2]float64{0.60, 0.80}, [2]float64{0.15, 0.30}},
	{"coarse sand", "coarse sand", [2]float64{0.15, 0.25}, [2]float64{0.20, 0.30}},
	{"tree fern", "tree fern", [2]float64{0.15, 0.30}, [2]float64{0.50, 0.65}},
	// What people have at hand, bought or dug.
	{"cactus mix", "cactus mix", [2]float64{0.30, 0.45}, [2]float64{0.20, 0.35}},
	{"ready orchid mix", "ready orchid mix", [2]float64{0.20, 0.35}, [2]float64{0.40, 0.55}},
	{"coco chips", "coco chips", [2]float64{0.25, 0.40}, [2]float64{0.40, 0.55}},
	{"compost", "compost", [2]float64{0.45, 0.60}, [2]float64{0.10, 0.20}},
	{"garden soil", "garden soil", [2]float64{0.40, 0.55}, [2]float64{0.05, 0.12}},
}

// Ingredients lists what is known of media.
func Ingredients() []Ingredient { return slices.Clone(ingredients) }

// ErrMix means that a mix has no parts, or parts that are not positive.
var ErrMix = errors.New("give at least one ingredient with parts above 0")

// Medium is what a mix holds, as estimates: parts are averaged by volume, and
// fines that fill the gaps between coarse parts are not reckoned with.
type Medium struct {
	Water   [2]float64 `json:"water" doc:"Share of the volume that holds water after draining, lowest and highest."`
	Air     [2]float64 `json:"air"`
	Unknown []string   `json:"unknown" doc:"Ingredients of which nothing is known; left out of the estimate."`
}

// Holds estimates the water and the air in a mix by parts of known ingredients.
func Holds(names []string, parts []float64, known []Ingredient) (Medium, error) {
	if len(names) == 0 || len(names) != len(parts) {
		return Medium{}, ErrMix
	}
	m := Medium{Unknown: []string{}}
	var sum float64
	for i, name := range names {
		if !(parts[i] > 0) || math.IsInf(parts[i], 0) {
			return Medium{}, fmt.Errorf("%s: %w", name, ErrMix)
		}
		found := false
		for _, g := range known {
			if !found && strings.EqualFold(g.ID, name) {
				found = true
				sum += parts[i]
				for k := range 2 {
					m.Water[k] += parts[i] * g.Water[k]
					m.Air[k] += parts[i] * g.Air[k]
				}
			}
		}
		if !found {
			m.Unknown = append(m.Unknown, name)
		}
	}
	if sum > 0 {
		for k := range 2 {
			m.Water[k] /= sum
			m.Air[k] /= sum
		}
	}
	return m, nil
}

// rootReach is how far from the live root ball roots dry a medium within days,
// in cm (common practice).
const rootReach = 2.0

// Idle gives the share of a pot's medium that no live root reaches within days,
// 0-1, for a root ball and a usual pot, both by their width in cm: what stays
// wet in a pot that is too large. Rough: both are taken as the same shape.
func Idle(rootBall, pot float64) float64 {
	if rootBall <= 0 || pot <= 0 {
		return 0
	}
	reached := min(1, (rootBall+2*rootReach)/pot)
	return 1 - reached*reached*reached
}

// Spoons says a volume in ml in US kitchen measures to the nearest quarter of a
// teaspoon; empty under an eighth of one.
func Spoons(ml float64) string {
	quarters := int(math.Round(ml / (Teaspoon / 4)))
	switch {
	case ml < Teaspoon/8:
		return ""
	case ml >= 16*Tablespoon:
		return fmt.Sprintf("%.3g cups", ml/(16*Tablespoon))
	case quarters >= 12:
		return fmt.Sprintf("%.3g tbsp", math.Round(ml/(Tablespoon/2))/2)
	}
	return fmt.Sprintf("%g tsp", float64(quarters)/4)
}
