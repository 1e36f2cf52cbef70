package demo

// stories are told in the order in which nothing hangs on another.
var stories = []func(*clinic){
	zygopetalum, coelogyne, masdevallia, slipper, moth, vanda, oncidium, dendrobium, miltoniopsis,
	monstera, philodendron, haworthia, maranta, nephrolepis, pothos, peaceLily, inchPlant, deliciosa, syngonium,
	calathea, hoya, lyrata, aglaonema,
	aeschynanthus, dischidia, begonia,
	stephanotis, ficus, alocasia, anthurium, peperomia,
	scindapsus, spathiphyllum, tradescantia, cymbidium, sansevieria, mammillaria,
	jewel, bowl, lateBox, rounds,
}

func yesNo(yes bool) int {
	if yes {
		return 1
	}
	return 0
}

// soak wets a dried-out root ball through, as its plan says.
func (h *hand) soak(daysAgo int) {
	h.carryOut(daysAgo)
	h.life.plant.GiveWater()
	h.life.plant.Treat()
	h.check(daysAgo, "core-wet", 1, "wilt", 1, "smell", 0)
	h.gates()
	h.life.nextLook = h.on(daysAgo) + 1
}

// backTo steps back to a stage of the leading track.
func (h *hand) backTo(daysAgo int, stage, why string) {
	if h.err != nil {
		return
	}
	course := h.state().Leading()[0]
	_, from, _ := course.In()
	if from.ID != stage {
		h.stage(daysAgo, course.Track, from.ID, stage, why)
	}
}
