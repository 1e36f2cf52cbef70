package record

import (
	"slices"
	"time"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/plant"
)

// Ledger is a plant's record while entries are added to it: many entries are
// checked one after the other without reading the whole record anew for each.
type Ledger struct {
	plant   uuid.UUID
	kinds   plant.Kinds
	entries []Entry
	at      map[uuid.UUID]int         // where an entry stands in entries
	undone  map[uuid.UUID][]uuid.UUID // the entries that void or replace one
	with    map[uuid.UUID]uuid.UUID   // the entry that one is an effect of
	ends    []int                     // arrivals, closings and reopenings

	folded *State // nil when the record must be read anew
	last   Entry  // the last entry in folded, in the order of the record
}

// NewLedger begins with the entries so far. Kinds are the collection's own.
func NewLedger(plantID uuid.UUID, entries []Entry, kinds plant.Kinds) *Ledger {
	l := &Ledger{
		plant: plantID, kinds: kinds,
		at: make(map[uuid.UUID]int, len(entries)), undone: map[uuid.UUID][]uuid.UUID{}, with: map[uuid.UUID]uuid.UUID{},
	}
	for _, e := range entries {
		l.enter(e)
	}
	return l
}

// Add adds an entry that was checked.
func (l *Ledger) Add(e Entry) {
	l.enter(e)
	switch {
	case l.folded == nil:
	case e.Voided != nil || e.Replaces != nil || e.Arrived != nil || byRecord(&l.last, &e) >= 0:
		l.folded = nil
	default:
		l.folded.take(e)
		l.folded.Entries++
		l.last = e
	}
}

func (l *Ledger) enter(e Entry) {
	if e.Arrived != nil || e.Closed != nil || e.Reopened != nil {
		l.ends = append(l.ends, len(l.entries))
	}
	l.at[e.ID] = len(l.entries)
	l.entries = append(l.entries, e)
	if e.With != nil {
		l.with[e.ID] = *e.With
	}
	for _, id := range undoes(e) {
		l.undone[id] = append(l.undone[id], e.ID)
	}
}

// mostBack is how far a clock may have been set back and the order of a record be kept all
// the same; what stands further ahead was written by another clock.
const mostBack = time.Minute

// After is when something is recorded that comes after all that is there: now, or right
// after the last of it, where the clock stood still or was set back a little.
func (l *Ledger) After(now time.Time) time.Time {
	at := now
	for _, e := range l.entries {
		if !e.RecordedAt.Before(at) && e.RecordedAt.Sub(now) < mostBack {
			at = e.RecordedAt.Add(time.Microsecond)
		}
	}
	return at
}

func (l *Ledger) find(id uuid.UUID) (Entry, bool) {
	i, known := l.at[id]
	if !known {
		return Entry{}, false
	}
	return l.entries[i], true
}

// live says whether an entry counts.
func (l *Ledger) live(id uuid.UUID) bool {
	return judge(id, l.undone, l.with, map[uuid.UUID]bool{})
}

// Counting gives the entries that count, neither taken back nor corrected by another, in the order of the record.
func (l *Ledger) Counting() []Entry {
	var list []Entry
	for _, e := range l.entries {
		if e.Voided == nil && l.live(e.ID) {
			list = append(list, e)
		}
	}
	return InOrder(list)
}

// counting gives the counting ones among arrivals, closings and reopenings, in
// the order of the record, but for one.
func (l *Ledger) counting(but *uuid.UUID) []Entry {
	var list []Entry
	for _, i := range l.ends {
		if e := l.entries[i]; l.live(e.ID) && (but == nil || *but != e.ID) {
			list = append(list, e)
		}
	}
	return InOrder(list)
}

// arrival is the arrival that counts, when one entry does not.
func (l *Ledger) arrival(but *uuid.UUID) (last Entry, found bool) {
	for _, e := range l.counting(but) {
		if e.Arrived != nil {
			last, found = e, true
		}
	}
	return last, found
}

// leaving is how and when the plant left; nil while it is here.
func (l *Ledger) leaving() (left *Closed, on day.Day) {
	for _, e := range l.counting(nil) {
		switch {
		case e.Closed != nil && e.Closed.leaves():
			left, on = e.Closed, e.On
		case e.Reopened != nil:
			left = nil
		}
	}
	return left, on
}

// firstBefore gives the first counting entry before a day, arrivals left aside.
func (l *Ledger) firstBefore(on day.Day) (Entry, bool) {
	i := slices.IndexFunc(l.entries, func(e Entry) bool { return e.Arrived == nil && e.On < on && l.live(e.ID) })
	if i < 0 {
		return Entry{}, false
	}
	return l.entries[i], true
}

// State is the plant as the record tells it so far.
func (l *Ledger) State() State { return l.without(nil) }

// without is the plant as the record tells it, when one entry does not count.
func (l *Ledger) without(but *uuid.UUID) State {
	if but != nil {
		kept := slices.DeleteFunc(slices.Clone(l.entries), func(e Entry) bool { return e.ID == *but })
		return Fold(l.plant, kept, l.kinds)
	}
	return l.fold().settled()
}

// fold is the plant as read so far, not settled.
func (l *Ledger) fold() *State {
	if l.folded == nil {
		state := read(l.plant, l.entries, l.kinds)
		l.folded = &state
		if sorted := InOrder(l.entries); len(sorted) > 0 {
			l.last = sorted[len(sorted)-1]
		}
	}
	return l.folded
}

// asOf is the plant as the record told it on the day of an entry, read for the case
// that the entry belongs to: what was said then is judged by then.
func (l *Ledger) asOf(e Entry) State {
	state := l.State()
	if e.On < l.last.On {
		then := slices.DeleteFunc(slices.Clone(l.entries), func(x Entry) bool { return x.Arrived == nil && x.On > e.On })
		state = Fold(l.plant, then, l.kinds)
	}
	return (&situation{entry: e, folded: &state}).caseState()
}

// With gives the entry that one belongs to as its effect: what corrects an effect is an
// effect of the same; nil for all others.
func (l *Ledger) With(e Entry) *uuid.UUID {
	if e.Replaces == nil {
		return e.With
	}
	if old, found := l.find(*e.Replaces); found {
		return old.With
	}
	return e.With
}
