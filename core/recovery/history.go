package recovery

import (
	"sort"

	"tendermend/core/day"
)

// Reading is one dated value of a measure.
type Reading struct {
	On    day.Day `json:"on"`
	Value float64 `json:"value"`
}

// History holds the readings of one plant by measure, oldest first.
type History map[string][]Reading

// Add puts a reading in its place by date; of one day the later added stands
// later.
func (h History) Add(measure string, r Reading) {
	list := h[measure]
	at := sort.Search(len(list), func(i int) bool { return list[i].On > r.On })
	list = append(list, Reading{})
	copy(list[at+1:], list[at:])
	list[at] = r
	h[measure] = list
}

// Last gives the newest reading of a measure.
func (h History) Last(measure string) (Reading, bool) {
	list := h[measure]
	if len(list) == 0 {
		return Reading{}, false
	}
	return list[len(list)-1], true
}

// since gives the readings on or after a day.
func (h History) since(measure string, from day.Day) []Reading {
	list := h[measure]
	at := sort.Search(len(list), func(i int) bool { return list[i].On >= from })
	return list[at:]
}

// until gives the readings on or before a day.
func (h History) until(measure string, to day.Day) []Reading {
	list := h[measure]
	at := sort.Search(len(list), func(i int) bool { return list[i].On > to })
	return list[:at]
}

// within gives the readings of the days from one to another.
func (h History) within(measure string, from, to day.Day) []Reading {
	list := h.since(measure, from)
	at := sort.Search(len(list), func(i int) bool { return list[i].On > to })
	return list[:at]
}

// counting gives the readings that count for a stage from its first day to another.
// Of what grows that day's are where it began: what was there when a stage began
// is not what came in it.
func (h History) counting(measure string, began, to day.Day) []Reading {
	if measureByID[measure].Growing {
		began++
	}
	return h.within(measure, began, to)
}
