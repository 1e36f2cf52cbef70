package pest

import "slices"

// Pests lists the pests whose clock is known.
func Pests() []Pest { return slices.Clone(pests) }
