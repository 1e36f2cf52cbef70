package record

import "tendermend/core/day"

// Event is something on a plant's seam that was done or happened: not the looks
// themselves, which are its stitches.
type Event struct {
	On   day.Day `json:"on"`
	Kind Kind    `json:"kind"`
	What string  `json:"what"`
}
