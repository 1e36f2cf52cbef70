package record

import (
	"bytes"
	"cmp"
	"slices"

	"github.com/google/uuid"
)

// undoes lists what an entry voids or replaces.
func undoes(e Entry) (ids []uuid.UUID) {
	if e.Voided != nil {
		ids = append(ids, e.Voided.Entry)
	}
	if e.Replaces != nil {
		ids = append(ids, *e.Replaces)
	}
	return ids
}

// Live marks the entries that count: those that no counting entry voids or
// replaces, and of what another brought about only while that one counts. Taking
// back a taking-back brings the first entry to life again.
func Live(entries []Entry) map[uuid.UUID]bool {
	undone := map[uuid.UUID][]uuid.UUID{}
	for _, e := range entries {
		for _, id := range undoes(e) {
			undone[id] = append(undone[id], e.ID)
		}
	}
	with := map[uuid.UUID]uuid.UUID{}
	for _, e := range entries {
		if e.With != nil {
			with[e.ID] = *e.With
		}
	}
	live := make(map[uuid.UUID]bool, len(entries))
	for _, e := range entries {
		judge(e.ID, undone, with, live)
	}
	return live
}

// judge says whether an entry counts, given what undoes what, what is the effect of
// what, and what is judged already.
func judge(id uuid.UUID, undone map[uuid.UUID][]uuid.UUID, with map[uuid.UUID]uuid.UUID, live map[uuid.UUID]bool) bool {
	if known, ok := live[id]; ok {
		return known
	}
	live[id] = true // an entry cannot undo itself through a circle
	alive := true
	for _, by := range undone[id] {
		if judge(by, undone, with, live) {
			alive = false
		}
	}
	if of, is := with[id]; is && !judge(of, undone, with, live) {
		alive = false
	}
	live[id] = alive
	return alive
}

// InOrder sorts entries by the day they happened, and within a day by when they
// were recorded. The arrival comes first whatever its day. Entries that are in order are
// given back as they are.
func InOrder(entries []Entry) []Entry {
	inOrder := true
	for i := 1; i < len(entries) && inOrder; i++ {
		inOrder = byRecord(&entries[i-1], &entries[i]) <= 0
	}
	if inOrder {
		return entries
	}
	sorted := slices.Clone(entries)
	slices.SortStableFunc(sorted, func(x, y Entry) int { return byRecord(&x, &y) })
	return sorted
}

// byRecord compares two entries by where they stand in the record.
func byRecord(x, y *Entry) int {
	if (x.Arrived != nil) != (y.Arrived != nil) {
		if x.Arrived != nil {
			return -1
		}
		return 1
	}
	return cmp.Or(cmp.Compare(x.On, y.On), x.RecordedAt.Compare(y.RecordedAt), bytes.Compare(x.ID[:], y.ID[:]))
}

// Arrival is the arrival that counts: the last that nothing voids or replaces.
// It needs no more than the arrivals of a plant and what was taken back.
func Arrival(entries []Entry) (Entry, bool) {
	return NewLedger(uuid.Nil, entries, nil).arrival(nil)
}
