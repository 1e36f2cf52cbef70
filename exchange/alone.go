package exchange

import (
	"slices"

	"github.com/google/uuid"

	"tendermend/record"
)

// Used gives the supplies that steps of the archive's plants took.
func (a Archive) Used() map[uuid.UUID]bool {
	used := map[uuid.UUID]bool{}
	a.entries(func(e record.Entry) {
		if e.Did != nil {
			for _, u := range e.Did.Used {
				used[u.Supply] = true
			}
		}
	})
	return used
}

// Alone leaves of places, kinds and supplies what the archive's plants name: a
// plant that is given away does not tell of the rest of the collection, of who
// lives there or when they are away. Its supplies go along as withdrawn and
// without their moves.
func (a Archive) Alone() Archive {
	a.Site, a.Decided, a.Trips, a.Cases = nil, nil, nil, nil
	places, kinds, used := map[uuid.UUID]bool{}, map[string]bool{}, a.Used()
	a.entries(func(e record.Entry) {
		if at := placeOf(e); at != nil {
			places[*at] = true
		}
		if e.Arrived != nil {
			kinds[e.Arrived.Profile] = true
		}
	})
	a.Places = slices.DeleteFunc(a.Places, func(p Place) bool { return !places[p.ID] })
	for i := range a.Places {
		a.Places[i].Lights, a.Places[i].Readings = nil, nil
	}
	a.Kinds = slices.DeleteFunc(a.Kinds, func(k Kind) bool { return !kinds[k.ID] })
	a.Supplies = slices.DeleteFunc(a.Supplies, func(s Supply) bool { return !used[s.ID] })
	for i := range a.Supplies {
		a.Supplies[i].Withdrawn, a.Supplies[i].Low, a.Supplies[i].Moves = true, 0, []SupplyMove{}
	}
	return a
}

func (a Archive) entries(each func(record.Entry)) {
	for _, p := range a.Plants {
		for _, e := range p.Entries {
			each(e)
		}
	}
}
