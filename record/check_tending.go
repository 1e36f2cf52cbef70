package record

import (
	"fmt"

	"tendermend/core/diagnosis"
)

// checkCauses refuses unknown causes, causes named twice and too many.
func checkCauses(field string, ids []string) (faults Faults) {
	seen := map[string]bool{}
	for i, id := range ids {
		at := fmt.Sprintf("%s[%d]", field, i)
		if _, ok := diagnosis.CauseByID(id); !ok {
			faults = append(faults, Fault{Field: at, Message: fmt.Sprintf("there is no cause %q", id)})
		}
		if seen[id] {
			faults = append(faults, Fault{Field: at, Message: fmt.Sprintf("%q stands twice; name it once", id)})
		}
		seen[id] = true
	}
	if len(ids) > 6 {
		faults = append(
			faults,
			Fault{Field: field, Message: "name at most six causes; more cannot be told apart or treated at once"},
		)
	}
	return faults
}
