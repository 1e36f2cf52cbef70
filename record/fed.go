package record

import (
	"fmt"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/feed"
	"tendermend/core/working"
)

// Fed is one feeding.
type Fed struct {
	Strength float64 `json:"strength,omitempty" minimum:"-999" maximum:"9999" doc:"Share of the label rate."`
	Product  string  `json:"product,omitempty" maxLength:"120"`
	// Slow is what has no label and feeds a little for a long time; it has no strength.
	Slow string `json:"slow,omitempty" enum:"compost,castings,fresh-mix" doc:"What has no label."`
}

// Lasts is for how many days a feeding goes on.
func (f *Fed) Lasts() day.Day {
	s, _ := feed.SlowByID(f.Slow)
	return day.Day(s.LastsDays)
}

// KindFed stands in stored records: it is never renamed or used for another.
const KindFed Kind = "fed"

// Kind names it.
func (*Fed) Kind() Kind { return KindFed }

func (f *Fed) check(*situation) (faults Faults) {
	if f.Slow != "" {
		if _, known := feed.SlowByID(f.Slow); !known {
			faults = append(faults, Fault{Field: "fed.slow", Message: "is not known here; pick one of the list"})
		}
		if f.Strength != 0 {
			const said = "belongs to what has a label; leave it out"
			faults = append(faults, Fault{Field: "fed.strength", Message: said})
		}
		return faults
	}
	between(&faults, "fed.strength", &f.Strength, 0.05, 5, "times the label's rate")
	return faults
}

func (f *Fed) apply(s *State, e Entry) { s.Feeds = append(s.Feeds, Feeding{e.On, *f}) }

func (f *Fed) event(State) (string, bool) {
	if s, slow := feed.SlowByID(f.Slow); slow {
		return fmt.Sprintf("fed a little: %s, for about %s", s.Label, working.Count(s.LastsDays, "day")), true
	}
	return fmt.Sprintf("fed at %g of label rate", f.Strength), true
}

func (*Fed) taken() taken { return whileHere }

func (*Fed) effort() (Effort, int) { return ForFeeds, 2 }

func (f *Fed) concerns(_ *situation, m moment) (list []Concern) {
	if why, rests := m.state.NoFeed(m.on, m.around.South); rests {
		said := working.Capital(why) + ": what is fed stays in the medium and burns the roots."
		list = append(list, Concern{FedAtRest, said})
	}
	for _, c := range m.state.OpenCases() {
		if _, stage, in := m.state.As(c).CurrentStage(); in && stage.OnReserves {
			const said = "In its stage, “%s”, it has no roots that could take feed up. Record it all the same?"
			list = append(list, Concern{FeedHeld, fmt.Sprintf(said, stage.Name)})
			break
		}
	}
	if n := len(m.state.Tallies); n > 0 {
		last := m.state.Tallies[n-1]
		if share, ok := last.LiveShare(); ok && share < care.LeastRoots && m.on-last.On <= readingDays {
			const said = "Only %.0f %% of its roots lived on %s: too few to take feed up."
			list = append(list, Concern{FedFewRoots, fmt.Sprintf(said, 100*share, last.On)})
		}
	}
	return list
}
