package record

import (
	"github.com/google/uuid"

	"tendermend/core/day"
)

// Event is something on a plant's seam that was done or happened: not the looks
// themselves, which are its stitches.
type Event struct {
	On   day.Day `json:"on"`
	Kind Kind    `json:"kind"`
	What string  `json:"what"`
	// Case is the case that it belongs to; nil where to none.
	Case uuid.UUID `json:"case" doc:"The case that it belongs to; all zeros where to none."`
}
