package record

import (
	"fmt"
	"strings"

	"github.com/google/uuid"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/exposure"
	"tendermend/core/isolation"
	"tendermend/core/recovery"
)

// ExposedTo is why a plant is put on watch: it had to do with one that has what travels.
type ExposedTo struct {
	Cause cause.ID  `json:"cause" doc:"What it may have caught."`
	Plant uuid.UUID `json:"plant" doc:"The plant that it may have it from."`
	// Once is true where one look is enough; else it is looked at four times.
	Once bool `json:"once,omitempty" doc:"Whether one look is enough."`
}

// Exposure is an exposure with its day.
type Exposure struct {
	On    day.Day   `json:"on"`
	Entry uuid.UUID `json:"entry"`
	Why   string    `json:"why"`
	ExposedTo
}

func (x *ExposedTo) check(faults *Faults) {
	if x == nil {
		return
	}
	if _, travels := exposure.ModeOf(x.Cause); !travels {
		const said = "%q is nothing that goes from plant to plant; pick a cause that does"
		*faults = append(*faults, Fault{Field: "moved.exposed.cause", Message: fmt.Sprintf(said, x.Cause)})
	}
}

// Looks are the days on which it is looked at for what it may have caught.
func (x Exposure) Looks() []day.Day {
	act := exposure.Watch
	if x.Once {
		act = exposure.LookOnce
	}
	return exposure.Looks(x.Cause, x.On, act)
}

// Name is the cause in words.
func (x Exposure) Name() string {
	one, _ := cause.ByID(x.Cause)
	return one.Label
}

// Pest says whether it is an animal that is looked for.
func (x Exposure) Pest() bool {
	one, _ := cause.ByID(x.Cause)
	return one.Kind == "pest"
}

// LookedFor says whether somebody looked for what it may have caught and found nothing,
// on a day or later.
func (s State) LookedFor(x Exposure, on day.Day) bool {
	if s.FoundWell != nil && *s.FoundWell >= on {
		return true
	}
	if !x.Pest() {
		return s.Examined != nil && s.Examined.On >= on
	}
	last, read := s.Readings.Last(recovery.LivePests)
	return read && last.On >= on && last.Value == 0
}

// NextLook gives the next day on which an exposure wants a look, and which of them it
// is; false when all were had.
func (s State) NextLook(x Exposure) (on day.Day, nth int, wanted bool) {
	for i, look := range x.Looks() {
		if !s.LookedFor(x, look) {
			return look, i + 1, true
		}
	}
	return 0, 0, false
}

// exposed adds what it may have caught to why it is kept apart.
func (a *KeptApart) exposed(s State) {
	for _, x := range s.Exposures {
		if s.LookedFor(x, x.Looks()[len(x.Looks())-1]) {
			continue
		}
		a.Reasons = append(a.Reasons, ApartReason{
			What: strings.TrimSuffix(x.Why, ".") + ".", Cause: string(x.Cause), Since: x.On,
			Ways: isolation.WaysOf(string(x.Cause)), travel: isolation.TravelOf(string(x.Cause)),
		})
		next, _, _ := s.NextLook(x)
		last := x.Looks()[len(x.Looks())-1]
		a.Release.wants(false, "looked at for "+strings.ToLower(x.Name())+" until "+last.Words(),
			"the next look is on "+next.Words())
	}
}

// PestsClean is the last day on which somebody looked for pests and found none; nil
// where nobody did, or they were found since.
func (s State) PestsClean() *day.Day {
	last, read := s.Readings.Last(recovery.LivePests)
	if !read || last.Value > 0 {
		return nil
	}
	return &last.On
}

// WatchedFor is an exposure with the look that it wants next.
type WatchedFor struct {
	Exposure
	Looks int      `json:"looks" doc:"How many looks it wants in all."`
	Had   int      `json:"had" doc:"How many of them were had without a find."`
	Next  *day.Day `json:"next,omitempty" doc:"The day of the next; missing where all were had."`
}

// WatchedFor lists what the plant is watched for, as lists show it.
func (s State) WatchedFor() []WatchedFor {
	list := []WatchedFor{}
	for _, x := range s.Exposures {
		w := WatchedFor{Exposure: x, Looks: len(x.Looks())}
		w.Had = w.Looks
		if next, nth, wanted := s.NextLook(x); wanted {
			w.Next, w.Had = &next, nth-1
		}
		list = append(list, w)
	}
	return list
}
