package record

import "tendermend/core/diagnosis"

// Figure is what a small drawing shows of a plant.
type Figure struct {
	Growths int      `json:"growths" doc:"Bulbs, canes, rosettes or stems, as last recorded; 0 where nobody counted."`
	Leaves  int      `json:"leaves" doc:"Leaves, as last recorded; 0 where nobody counted."`
	Seen    []string `json:"seen" doc:"Parts on which the last look saw something."`
	Looked  []string `json:"looked" doc:"Parts on which the last look saw nothing amiss."`
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
	seen, looked := map[string]bool{}, map[string]bool{}
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
	for _, z := range diagnosis.Zones {
		switch {
		case !z.Drawn:
		case seen[z.ID]:
			f.Seen = append(f.Seen, z.ID)
		case looked[z.ID]:
			f.Looked = append(f.Looked, z.ID)
		}
	}
	return f
}
