package recovery

import (
	"slices"

	"tendermend/core/day"
)

// Mark is something on a leaf or another growth that does not go away again.
type Mark string

// The marks. They stand in stored records: none is renamed.
const (
	Torn      Mark = "torn"
	Eaten     Mark = "eaten"
	BrownTip  Mark = "brown-tip"
	Spotted   Mark = "spotted"
	Scorched  Mark = "scorched"
	Speckled  Mark = "speckled"
	Misshapen Mark = "misshapen"
	Scarred   Mark = "scarred"
)

// MarkWords is a mark with how it is spoken of.
type MarkWords struct {
	ID    Mark   `json:"id" enum:"torn,eaten,brown-tip,spotted,scorched,speckled,misshapen,scarred"`
	Label string `json:"label"`
	How   string `json:"how" doc:"How it is told from the others."`
}

var marks = []MarkWords{
	{Torn, "torn", "A clean tear, or a fold that broke"},
	{Eaten, "eaten", "A hole or an edge that is gone, or windows scraped into it"},
	{BrownTip, "brown tip or edge", "Dry from the tip or the edge inwards"},
	{Spotted, "spotted", "Spots with an edge of their own, wet or dry"},
	{Scorched, "scorched", "A bleached or brown patch where sun or lamp fell on it"},
	{Speckled, "speckled", "Fine pale dots or silver, as pests leave them"},
	{Misshapen, "misshapen", "It opened bent, folded or too small"},
	{Scarred, "scarred", "An old wound that has corked over"},
}

// Marks lists the marks.
func Marks() []MarkWords { return slices.Clone(marks) }

// MostLobes is the largest number of lobes and windows of one leaf that is taken to be meant.
const MostLobes = 60

// MarkedLook is one look at the marks of a growth: all that it has, none where it is clean.
type MarkedLook struct {
	On    day.Day `json:"on"`
	Marks []Mark  `json:"marks" doc:"All marks that it has; none where it is clean."`
}

// MarkSince is a mark with the look at which it was first there.
type MarkSince struct {
	Mark Mark    `json:"mark" enum:"torn,eaten,brown-tip,spotted,scorched,speckled,misshapen,scarred"`
	On   day.Day `json:"on"`
	// Old says that its growth had it at the first look after it came with the plant.
	Old bool `json:"old" doc:"Whether it came with it."`
}

// LookedAt keeps a look at its marks: all that it has on that day.
func (s *Strand) LookedAt(on day.Day, has []Mark) {
	look := MarkedLook{On: on, Marks: append([]Mark{}, has...)}
	if n := len(s.Looks); n > 0 && s.Looks[n-1].On == on {
		s.Looks[n-1] = look // the later look of one day is the one that is believed
	} else {
		s.Looks = append(s.Looks, look)
	}
	s.settleMarks()
}

// settleMarks says since when each mark of the last look is there. What a growth that came
// with the plant had at its first look is old; on what grew here every mark is new when it
// is first seen.
func (s *Strand) settleMarks() {
	s.Marked = []MarkSince{}
	if len(s.Looks) == 0 {
		return
	}
	first := map[Mark]int{}
	for i, l := range s.Looks {
		for _, m := range l.Marks {
			if _, known := first[m]; !known {
				first[m] = i
			}
		}
	}
	for _, m := range s.Looks[len(s.Looks)-1].Marks {
		i := first[m]
		s.Marked = append(s.Marked, MarkSince{Mark: m, On: s.Looks[i].On, Old: s.CameWith && i == 0})
	}
}

// Clean says whether it was looked at and had no mark at its last look.
func (s *Strand) Clean() bool { return len(s.Looks) > 0 && len(s.Looks[len(s.Looks)-1].Marks) == 0 }

// freshMarks says of each look whether it showed a mark that was not there before.
func (s *Strand) freshMarks() map[day.Day]bool {
	fresh, seen := map[day.Day]bool{}, map[Mark]bool{}
	for i, l := range s.Looks {
		fresh[l.On] = false
		for _, m := range l.Marks {
			fresh[l.On] = fresh[l.On] || !seen[m] && !(s.CameWith && i == 0)
			seen[m] = true
		}
	}
	return fresh
}

// CleanLeafKey is where the leaves stand that opened here and were clean when they were
// looked at, each on the day of that look. It is told by strands alone, and never asked.
const CleanLeafKey = "clean-leaves"

// feedMarks adds what the looks at marks tell: whether there was a new one on the day, and
// which leaves that grew here are clean. Who answered on that day by hand is believed.
func feedMarks(h History, strands []Strand) {
	marked, clean := map[day.Day]bool{}, map[day.Day]int{}
	for _, s := range strands {
		for on, fresh := range s.freshMarks() {
			marked[on] = marked[on] || fresh
		}
		if s.Sort != Leaf || s.CameWith || s.State == Lost || len(s.Looks) == 0 {
			continue
		}
		n := 0 // a marked one is looked at, and does not count
		if s.Clean() {
			n = 1
		}
		clean[s.Looks[len(s.Looks)-1].On] += n
	}
	for on, fresh := range marked {
		if slices.ContainsFunc(h["marked-new"], func(r Reading) bool { return r.On == on }) {
			continue
		}
		value := 0.0
		if fresh {
			value = 1
		}
		h.Add("marked-new", Reading{on, value})
	}
	for on, n := range clean {
		h.Add(CleanLeafKey, Reading{on, float64(n)})
	}
}
