package diagnosis

import "tendermend/core/plant"

// onlyOn names the signs that only some habits can show, because the others do
// not have the part. Such a sign is not asked for elsewhere; evidence that is
// given all the same counts.
var onlyOn = map[string]func(plant.Habit) bool{
	"stem.shrivelled-newest": bulbed,
	"stem.shrivelled-oldest": bulbed,
	"stem.sheath-wet":        bulbed,
	"new.white-buried":       bulbed,
	"care.watered-asleep":    func(h plant.Habit) bool { return h.ID == "winter-deciduous-orchid" },
	"root.moss-grown": func(h plant.Habit) bool {
		return h.ID == "monopodial-orchid" ||
			h.ID == "sympodial-orchid"
	},
	"flower.rosette-flowered": func(h plant.Habit) bool { return h.ID == "succulent-rosette" || h.ID == "bromeliad" },
	"leaf.stuck-unfurling": func(h plant.Habit) bool {
		return h.ID != "succulent-rosette" && h.ID != "bromeliad" && h.ID != "cactus"
	},
}

func bulbed(h plant.Habit) bool {
	return h.ID == "sympodial-orchid" || h.ID == "winter-deciduous-orchid"
}

// Fits says whether a plant of the habit has what the sign is seen on.
func Fits(signID string, h plant.Habit) bool {
	only, named := onlyOn[signID]
	return !named || only(h)
}
