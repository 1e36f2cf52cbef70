package treatment

import "slices"

// operators are the things that are done, one row each. Minutes, cautions and
// effects are common practice; product classes follow extension leaflets (from
// memory). A label stands above every row.
var operators = slices.Concat(
	readyOperators,
	takingOperators,
	rootOperators,
	crownOperators,
	settingOperators,
	waterOperators,
	airOperators,
	feedOperators,
	pestOperators,
	pieceOperators,
	shapeOperators,
)
