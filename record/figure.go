package record

import (
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/recovery"
)

// Figure is what a small drawing shows of a plant.
type Figure struct {
	Growths int      `json:"growths" doc:"Bulbs, canes, rosettes or stems, as last recorded; 0 where nobody counted."`
	Leaves  int      `json:"leaves" doc:"Leaves, as last recorded; 0 where nobody counted."`
	Seen    []string `json:"seen" doc:"Parts on which the last look saw something."`
	Looked  []string `json:"looked" doc:"Parts on which the last look saw nothing amiss."`
}

// wellSince says whether the plant was found well after a look: its tracks are
// passed, or a later check-in read what would alarm and nothing did. What was seen
// before is no longer how it is.
func (s State) wellSince(look day.Day) bool {
	if s.Mended() {
		return true
	}
	calm := false
	for _, m := range recovery.Measures() {
		last, read := s.Readings.Last(m.ID)
		if !m.Alarm || !read || last.On <= look {
			continue
		}
		if last.Value > 0 {
			return false
		}
		calm = true
	}
	return calm
}

// Figure gives what a small drawing shows.
func (s State) Figure() Figure {
	f := Figure{Seen: []string{}, Looked: []string{}}
	if s.Arrival.Growths != nil {
		f.Growths = *s.Arrival.Growths
	}
	if s.Arrival.Leaves != nil {
		f.Leaves = *s.Arrival.Leaves
	}
	for _, r := range s.Readings["new-leaves"] {
		f.Leaves += int(r.Value)
	}
	for _, r := range s.Readings["leaves-lost"] {
		f.Leaves -= int(r.Value)
	}
	f.Leaves = max(f.Leaves, 0)
	if s.Examined == nil {
		return f
	}
	seen, looked := s.zonesSeen()
	faded := s.wellSince(s.Examined.On)
	for _, z := range diagnosis.Zones() {
		switch {
		case !z.Drawn:
		case seen[z.ID] && faded:
			f.Looked = append(f.Looked, z.ID)
		case seen[z.ID]:
			f.Seen = append(f.Seen, z.ID)
		case looked[z.ID]:
			f.Looked = append(f.Looked, z.ID)
		}
	}
	return f
}

// zonesSeen are the parts on which its last look saw something, and those that
// were looked at and found sound.
func (s State) zonesSeen() (seen, looked map[string]bool) {
	seen, looked = map[string]bool{}, map[string]bool{}
	for _, id := range s.Examined.Present {
		if sign, ok := diagnosis.SignByID(id); ok {
			if diagnosis.Good(id) {
				looked[sign.Zone] = true
			} else {
				seen[sign.Zone] = true
			}
		}
	}
	for _, id := range s.Examined.Absent {
		if sign, ok := diagnosis.SignByID(id); ok {
			looked[sign.Zone] = true
		}
	}
	return seen, looked
}
