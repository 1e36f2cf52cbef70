package due

// how says how what is asked for is done, where its plan or its rule does not (common
// practice).
var how = map[Kind]string{
	Examine: "From the outside in: leaves above and below, joints, stem, then the medium; the roots last.",
	Check:   "Answer only what you see; what you did not look at stays open.",
	Look:    "Both sides of a few leaves, the joints, the surface of the medium, the saucer.",
	Stall:   "Turn it out of its pot and count live and dead roots.",
	Pests:   "Undersides, joints and new growth, with a lens; knock a leaf over white paper.",
	Apart:   "A corner of its own, with a tray and a can of its own; tend it last.",
	Treat:   "Look first whether the pest still lives; the label says how often at most.",
	Asleep:  "Press its base or bulbs with two fingers, and look for a new point.",
}
