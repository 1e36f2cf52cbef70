package care

// How looks and moves are made that no plan and no rule describes (common practice).
const (
	HowExamine = "From the outside in: leaves above and below, joints, stem, then the medium; the roots last."
	HowCheck   = "Answer only what you see; what you did not look at stays open."
	HowLook    = "Both sides of a few leaves, the joints, the surface of the medium, the saucer."
	HowBelow   = "Turn it out of its pot and count live and dead roots."
	HowApart   = "A corner of its own, with a tray and a can of its own; tend it last."
	HowAgain   = "Look first whether the pest still lives; the label says how often at most."
)
