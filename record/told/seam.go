package told

import (
	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/record"
)

// Seam is a plant's story as a line through time: a stitch for each day on
// which somebody looked, cloth bands for its stages, a knot where a gate was
// passed, a loose thread where it fell back, bare cloth where nobody looked.
type Seam struct {
	From     day.Day       `json:"from"`
	Bands    []record.Span `json:"bands"`
	Looks    int           `json:"looks" doc:"Days on which somebody looked; a list shows fewer stitches."`
	Stitches []day.Day     `json:"stitches"`
	Knots    []day.Day     `json:"knots" doc:"Gates passed on the leading track."`
	Beside   []Knot        `json:"beside" doc:"Gates passed on tracks beside it."`
	Loose    []Loose       `json:"loose"`
	Bare     []Gap         `json:"bare"`
	Ended    *day.Day      `json:"ended,omitempty"`
}

// Knot is a gate that was passed on a track beside the leading one, on its lane.
type Knot struct {
	On   day.Day `json:"on"`
	Lane int     `json:"lane"`
}

// Loose is a step back, with why.
type Loose struct {
	On  day.Day `json:"on"`
	Why string  `json:"why"`
}

// Gap is a time in which nobody looked, longer than is usual for the habit.
type Gap struct {
	From day.Day `json:"from"`
	To   day.Day `json:"to"`
}

// spanKey tells the stages of one track in one case from all others.
type spanKey struct {
	of    uuid.UUID
	track string
}

// bareAfter is how many times the usual interval between looks makes a gap
// (common practice).
const bareAfter = 2.5

// SeamOf draws up the plant's story from its state.
func SeamOf(s record.State) Seam {
	seam := Seam{
		From:     s.ArrivedOn,
		Bands:    []record.Span{},
		Looks:    len(s.Looks),
		Stitches: s.Looks,
		Knots:    []day.Day{},
		Beside:   []Knot{},
		Loose:    []Loose{},
		Bare:     []Gap{},
	}
	if seam.Stitches == nil {
		seam.Stitches = []day.Day{}
	}
	begun := map[spanKey]bool{}
	for _, span := range s.Stages {
		switch {
		case span.Back:
			seam.Loose = append(seam.Loose, Loose{span.From, span.Reason})
		case begun[spanKey{span.Case, span.Track}] && span.Lane == 0:
			seam.Knots = append(seam.Knots, span.From)
		case begun[spanKey{span.Case, span.Track}]:
			seam.Beside = append(seam.Beside, Knot{span.From, span.Lane})
		}
		begun[spanKey{span.Case, span.Track}] = true
		// A stage left on the day it was entered has no cloth to show.
		if span.To == nil || *span.To > span.From {
			seam.Bands = append(seam.Bands, span)
		}
	}
	longest := max(day.Day(bareAfter*float64(s.Habit.LookDays)), 14)
	for i := 1; i < len(s.Looks); i++ {
		if s.Looks[i]-s.Looks[i-1] > longest {
			seam.Bare = append(seam.Bare, Gap{s.Looks[i-1], s.Looks[i]})
		}
	}
	if s.Over() {
		on := s.LeftOn
		seam.Ended = &on
	}
	return seam
}

// Thin leaves out stitches until at most so many are left, the first and the
// last among them: a list has no room for more.
func (s Seam) Thin(most int) Seam {
	if len(s.Stitches) <= most || most < 2 {
		return s
	}
	thinned := make([]day.Day, most)
	for i := range thinned {
		thinned[i] = s.Stitches[i*(len(s.Stitches)-1)/(most-1)]
	}
	s.Looks, s.Stitches = len(s.Stitches), thinned
	return s
}
