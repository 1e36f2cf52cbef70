package record

import (
	"fmt"
	"math"
	"reflect"
	"slices"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/plant"
)

// Form says what keeps an entry that was recorded once, here or elsewhere, from being
// kept: that it is none at all. It asks neither what state the plant was in nor what
// rules hold today: an old record is never lost because rules changed.
func Form(e Entry, among map[uuid.UUID]bool, arrived bool) Faults {
	contents := e.contents()
	switch {
	case e.ID == uuid.Nil:
		return Faults{{Field: "id", Message: "an entry has an id of its own"}}
	case len(contents) != 1:
		const said = "an entry records exactly one thing; this one has %d"
		return Faults{{Field: "body", Message: fmt.Sprintf(said, len(contents))}}
	case e.On < firstDay || e.On > lastDay:
		const said = "%s is no day of a plant's life; give one from %s to %s"
		return Faults{{Field: "on", Message: fmt.Sprintf(said, e.On, firstDay, lastDay)}}
	case !arrived:
		return Faults{{Field: "plant", Message: "no arrival of this plant is in its record"}}
	case !finite(reflect.ValueOf(contents[0])):
		return Faults{{Field: string(e.Kind()), Message: "a number in it is none that can be"}}
	}
	if a := e.Arrived; a != nil {
		if _, known := plant.HabitByID(a.Habit); !known {
			const said = "there is no growth habit %q; habits are never taken away"
			return Faults{{Field: "arrived.habit", Message: fmt.Sprintf(said, a.Habit)}}
		}
	}
	for _, id := range undoes(e) {
		if !among[id] || id == e.ID {
			const said = "it corrects or undoes entry %s, which is not in the plant's record"
			return Faults{{Field: "replaces", Message: fmt.Sprintf(said, id)}}
		}
	}
	return nil
}

// The days between which something can have been recorded.
var firstDay, lastDay = day.Of(1800, 1, 1), day.Of(2999, 12, 31)

// finite says whether all numbers of a value can be: neither infinite nor none.
func finite(v reflect.Value) bool {
	switch v.Kind() {
	case reflect.Float64, reflect.Float32:
		return !math.IsNaN(v.Float()) && !math.IsInf(v.Float(), 0)
	case reflect.Pointer, reflect.Interface:
		return v.IsNil() || finite(v.Elem())
	case reflect.Struct:
		for i := range v.NumField() {
			if v.Type().Field(i).IsExported() && !finite(v.Field(i)) {
				return false
			}
		}
	case reflect.Slice, reflect.Array:
		for i := range v.Len() {
			if !finite(v.Index(i)) {
				return false
			}
		}
	case reflect.Map:
		for _, k := range v.MapKeys() {
			if !finite(v.MapIndex(k)) {
				return false
			}
		}
	default:
	}
	return true
}

// Unfit is an entry that was kept as it was and does not fit the rules of today.
type Unfit struct {
	Entry uuid.UUID `json:"entry"`
	On    day.Day   `json:"on"`
	Why   string    `json:"why"`
}

// Misfits lists which of the entries of a plant that count do not fit the rules of
// today, each judged by what the record tells up to its day: they are kept, and the
// fold passes by what it cannot apply. Kinds gives the collection's own kinds as they
// were on a day. It takes time in proportion to the record.
func Misfits(plantID uuid.UUID, entries []Entry, kinds func(Entry) plant.Kinds, today day.Day) (list []Unfit) {
	live := Live(entries)
	ledger := NewLedger(plantID, nil, nil)
	for _, e := range InOrder(entries) {
		if !live[e.ID] || e.Voided != nil {
			continue
		}
		e.Replaces = nil // it stands where it is; what it took the place of does not count
		if e.Arrived != nil {
			ledger.kinds = kinds(e)
		}
		if faults := ledger.Check(e, today); len(faults) > 0 {
			list = append(list, Unfit{e.ID, e.On, faults[0].Message})
		}
		ledger.Add(e)
	}
	slices.SortStableFunc(list, func(a, b Unfit) int { return int(a.On - b.On) })
	return list
}
