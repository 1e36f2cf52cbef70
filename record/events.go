package record

import (
	"fmt"
	"strings"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
)

// Event is something on a plant's seam that was done or happened: not the looks
// themselves, which are its stitches.
type Event struct {
	On   day.Day `json:"on"`
	Kind Kind    `json:"kind"`
	What string  `json:"what"`
}

// event gives what an entry puts on the seam; false for what is no event.
func (s *State) event(e Entry) (string, bool) {
	switch {
	case e.Arrived != nil:
		return "arrived", true
	case e.Diagnosed != nil && len(e.Diagnosed.Causes) > 0:
		var names []string
		for _, id := range e.Diagnosed.Causes {
			if c, ok := diagnosis.CauseByID(id); ok {
				names = append(names, strings.ToLower(c.Label))
			}
		}
		return "taken for " + strings.Join(names, ", "), true
	case e.Planned != nil:
		return "plan made", true
	case e.Did != nil && !e.Did.Skipped && s.Plan != nil:
		for _, step := range s.Plan.Steps {
			if step.ID == e.Did.Step {
				return strings.ToLower(step.Title[:1]) + step.Title[1:], true
			}
		}
	case e.Potted != nil && e.Potted.Medium != "":
		return "into " + e.Potted.Medium, true
	case e.Potted != nil:
		return "another pot", true
	case e.Fed != nil:
		return fmt.Sprintf("fed at %g of label rate", e.Fed.Strength), true
	case e.Tallied != nil:
		return fmt.Sprintf("%d roots counted", e.Tallied.Counted()), true
	case e.Treated != nil:
		return e.Treated.Product + " used", true
	case e.Moved != nil && e.Moved.Isolation == Isolated:
		return "isolated", true
	case e.Moved != nil:
		return "moved", true
	case e.Noted != nil:
		return e.Noted.Text, true
	case e.Closed != nil:
		return "closed: " + strings.ReplaceAll(string(e.Closed.Outcome), "-", " "), true
	case e.Reopened != nil:
		return "reopened", true
	}
	return "", false
}
