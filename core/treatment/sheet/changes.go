package sheet

import (
	"strings"

	"tendermend/core/facts"
	"tendermend/core/treatment"
	"tendermend/core/working"
)

// changesFirst says before the steps that the plan gives the plant another seat, or a
// medium of another class, than it has: without the word of the carer nothing changes.
func changesFirst(s treatment.Situation, p Plan) (list []Rule) {
	now := treatment.Assumed(s)
	for _, step := range p.Steps {
		if step.Makes == nil || step.Makes.Stands == nil {
			continue
		}
		to := *step.Makes.Stands
		if to.Seat != "" && to.Seat != now.Seat.Value && now.Seat.Value != facts.InHand {
			list = append(list, Rule{
				ID: "changes-seat", What: "It comes to stand in something else",
				Why: "Now: " + now.Seat.Value.Words() + asTaken(now.Seat.Known) + ". By this plan: " + to.Seat.Words() + ".",
			})
		}
		if to.Class != "" && to.Class != now.MediumClass.Value && to.Class != facts.NoMedium {
			list = append(list, Rule{
				ID: "changes-medium", What: "It comes into something else",
				Why: "Now: " + now.MediumClass.Value.Words() + asTaken(now.MediumClass.Known) + ". By this plan: " +
					to.Class.Words() + ".",
			})
		}
		break
	}
	return list
}

// setAside says that the carer lets nothing hold the work on the roots back, and why.
func setAside(a Answers) []Rule {
	why := strings.TrimSpace(a.SetAside)
	if why == "" {
		return nil
	}
	return []Rule{{
		ID: "set-aside", What: "What would hold the root work back is set aside", Why: working.Capital(why), Overruled: true,
	}}
}

func asTaken(known bool) string {
	if known {
		return ""
	}
	return ", as is usual for its kind"
}
