package due

import (
	"fmt"

	"tendermend/core/pieces"
	"tendermend/core/working"
	"tendermend/record"
)

// batchTask asks for the next count of a batch of pieces.
func batchTask(s record.State, add func(Task)) {
	b := s.Batch
	if b.CountOn == nil {
		return
	}
	way, _ := pieces.WayOf(b.Method)
	why := fmt.Sprintf("A batch is counted %s. %s alive at the last count.",
		working.Every(pieces.CountDays, "day"), working.Count(b.Alive, way.One))
	if b.Rooted > 0 {
		why += fmt.Sprintf(" %d with roots: pot out those with %s.", b.Rooted, pieces.Ripe)
	}
	add(Task{
		Kind: Count, From: *b.CountOn, Until: *b.CountOn + 7, What: "Count the batch", Why: why,
		How:     "How many are alive, how many have a shoot, how many have roots. Take out what rotted.",
		Minutes: 5, Weight: 2,
	})
}
