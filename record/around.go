package record

import (
	"github.com/google/uuid"

	"tendermend/core/place"
)

// Around is what the record of one plant does not tell, and what is asked of it depends on. It is one value, so that
// whoever has no store at hand can be told it as well.
type Around struct {
	// Sisters are plants that came on one day from one source with it and may have what travels.
	Sisters []Sister `json:"sisters,omitempty"`
	// Airs are the light and air of the places where it stood, by place, as far as they are known.
	Airs map[uuid.UUID]place.YearAir `json:"airs,omitempty"`
	// Aways are the trips of the collection, oldest first.
	Aways []Away `json:"aways,omitempty"`
}

// Told is the state with what stands around it, and a memory of its own: what it remembers was worked out without.
func (s State) Told(a Around) State {
	s = s.Apiece()
	s.Around = a
	return s
}
