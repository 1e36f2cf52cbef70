package record

import (
	"sort"

	"github.com/google/uuid"
)

// Live marks the entries that count: those that no counting entry voids or
// replaces. Taking back a taking-back brings the first entry to life again.
func Live(entries []Entry) map[uuid.UUID]bool {
	undoneBy := map[uuid.UUID][]uuid.UUID{}
	for _, e := range entries {
		if e.Voided != nil {
			undoneBy[e.Voided.Entry] = append(undoneBy[e.Voided.Entry], e.ID)
		}
		if e.Replaces != nil {
			undoneBy[*e.Replaces] = append(undoneBy[*e.Replaces], e.ID)
		}
	}
	live := make(map[uuid.UUID]bool, len(entries))
	var judge func(id uuid.UUID) bool
	judge = func(id uuid.UUID) bool {
		if known, ok := live[id]; ok {
			return known
		}
		live[id] = true // an entry cannot undo itself through a circle
		alive := true
		for _, by := range undoneBy[id] {
			if judge(by) {
				alive = false
			}
		}
		live[id] = alive
		return alive
	}
	for _, e := range entries {
		judge(e.ID)
	}
	return live
}

// InOrder sorts entries by the day they happened, and within a day by when they
// were recorded. The arrival comes first whatever its day.
func InOrder(entries []Entry) []Entry {
	sorted := append([]Entry{}, entries...)
	sort.SliceStable(sorted, func(a, b int) bool {
		x, y := sorted[a], sorted[b]
		switch {
		case (x.Arrived != nil) != (y.Arrived != nil):
			return x.Arrived != nil
		case x.On != y.On:
			return x.On < y.On
		case !x.RecordedAt.Equal(y.RecordedAt):
			return x.RecordedAt.Before(y.RecordedAt)
		}
		return x.ID.String() < y.ID.String()
	})
	return sorted
}
