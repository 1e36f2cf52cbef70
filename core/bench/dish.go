package bench

import (
	"math"

	"tendermend/core/recovery"
	"tendermend/core/working"
)

// DishInput asks how high the water of a dish stands under a pot.
type DishInput struct {
	PotDepthCM    float64 `json:"potDepthCm" minimum:"0" maximum:"1000" doc:"How deep the pot is inside, cm."`
	LongestRootMM float64 `json:"longestRootMm" minimum:"0" maximum:"100000" doc:"The longest new root, mm."`
}

// Dish gives the level of the dish that an orchid's new roots follow down, how far that
// is below the longest root, and at what length the dish falls and is done with.
func Dish(i DishInput) (Reckoning, error) {
	r := fresh()
	if err := between("potDepthCm", i.PotDepthCM, 3, 60, "cm"); err != nil {
		return r, err
	}
	if err := between("longestRootMm", i.LongestRootMM, 1, 1000, "mm"); err != nil {
		return r, err
	}
	deep := 10 * i.PotDepthCM
	level, _ := recovery.DishLevel(i.LongestRootMM, deep)
	r.Amounts = append(r.Amounts, level)
	pot := in("pot's height", deep, "mm")
	if level.Value > 0 {
		r.add("from the longest root down to the water", deep-i.LongestRootMM-level.Value, "mm",
			"height − longest root − level", "geometry", "fair: roots do not hang straight", pot,
			in("longest root", i.LongestRootMM, "mm"), in("level of the dish", level.Value, "mm"))
	} else {
		r.warn("Its roots are down: no water stands in the dish any more, it is watered as a pot.")
	}
	r.add("the level falls from a root of", math.Floor(deep-deep/3-recovery.UnderRoots), "mm",
		"height − a third of it − 10 mm", working.CommonPractice,
		"fair: roots do not hang straight", pot)
	r.add("no dish from a root of", deep-recovery.UnderRoots, "mm", "height − 10 mm", working.CommonPractice,
		"fair: roots do not hang straight", pot)
	r.warn("Its base stays dry: water over the base rots the stem.")
	return r, nil
}
