package diagnosis

import (
	"math"
	"sort"

	"tendermend/core/plant"
)

// Shown is how often a cause shows a sign.
type Shown struct {
	Sign      string  `json:"sign"`
	Frequency float64 `json:"frequency" doc:"How often this cause alone shows the sign, 0-1."`
	Word      string  `json:"word" doc:"nearly always, usually, often, sometimes or seldom."`
}

// Done is what a move does to a cause.
type Done struct {
	Move   string `json:"move"`
	Effect int    `json:"effect" doc:"+4 helps most, −5 harms most."`
}

// Sheet is all that the tables know of a cause.
type Sheet struct {
	Cause      Cause    `json:"cause"`
	Signs      []Shown  `json:"signs" doc:"Most frequent first."`
	Helps      []Done   `json:"helps"`
	Harms      []Done   `json:"harms"`
	LookAlikes []string `json:"lookAlikes" doc:"The causes that share most of its signs."`
	More       []string `json:"more" doc:"Habits that meet it more often than others."`
	Less       []string `json:"less" doc:"Habits that meet it less often."`
	Never      []string `json:"never" doc:"Habits that cannot have it."`
	BringsOn   []string `json:"bringsOn" doc:"Causes that it can bring on."`
	BroughtBy  []string `json:"broughtBy" doc:"Causes that can bring it on."`
}

// frequencyWord says a link's grade.
func frequencyWord(f float64) string {
	switch {
	case f >= 0.9:
		return "nearly always"
	case f >= 0.7:
		return "usually"
	case f >= 0.45:
		return "often"
	case f >= 0.2:
		return "sometimes"
	}
	return "seldom"
}

// lookAlikesShown is how many look-alikes a sheet names.
const lookAlikesShown = 4

// SheetOf gathers what the tables know of a cause; false for an unknown id.
func (k *Knowledge) SheetOf(id string) (Sheet, bool) {
	c, ok := CauseByID(id)
	if !ok {
		return Sheet{}, false
	}
	s := Sheet{
		Cause:      c,
		Signs:      []Shown{},
		Helps:      []Done{},
		Harms:      []Done{},
		LookAlikes: k.lookAlikes(id),
		More:       []string{},
		Less:       []string{},
		Never:      []string{},
		BringsOn:   []string{},
		BroughtBy:  []string{},
	}
	for i, often := range k.link[k.causeAt[id]] {
		if often > 0 {
			s.Signs = append(s.Signs, Shown{k.signs[i].ID, often, frequencyWord(often)})
		}
	}
	sort.SliceStable(s.Signs, func(a, b int) bool { return s.Signs[a].Frequency > s.Signs[b].Frequency })
	s.moves(k)
	s.others(k)
	return s, true
}

// moves gathers what helps and what harms, the strongest first.
func (s *Sheet) moves(k *Knowledge) {
	for _, m := range k.moves {
		switch e := m.Effects[s.Cause.ID]; {
		case e > 0:
			s.Helps = append(s.Helps, Done{m.ID, e})
		case e < 0:
			s.Harms = append(s.Harms, Done{m.ID, e})
		}
	}
	sort.SliceStable(s.Helps, func(a, b int) bool { return s.Helps[a].Effect > s.Helps[b].Effect })
	sort.SliceStable(s.Harms, func(a, b int) bool { return s.Harms[a].Effect < s.Harms[b].Effect })
}

// others gathers the ways of growing that it is found on more and less, and the
// causes that bring it on or that it brings on.
func (s *Sheet) others(k *Knowledge) {
	c, id := s.Cause, s.Cause.ID
	for _, h := range plant.Habits() {
		switch f, named := k.factors[h.ID][id]; {
		case !c.fits(h.ID):
			s.Never = append(s.Never, h.ID)
		case named && f > 1:
			s.More = append(s.More, h.ID)
		case named && f < 1:
			s.Less = append(s.Less, h.ID)
		}
	}
	for from, effects := range k.starts {
		for _, e := range effects {
			switch {
			case from == k.causeAt[id]:
				s.BringsOn = append(s.BringsOn, k.causes[e.to].ID)
			case e.to == k.causeAt[id]:
				s.BroughtBy = append(s.BroughtBy, k.causes[from].ID)
			}
		}
	}
}

// Shows is a cause and how often it shows a sign.
type Shows struct {
	Cause     string  `json:"cause"`
	Frequency float64 `json:"frequency"`
	Word      string  `json:"word"`
}

// CausesShowing lists the causes that show a sign, those that show it most
// often first; none for an unknown id.
func (k *Knowledge) CausesShowing(signID string) []Shows {
	list := []Shows{}
	s, ok := k.signAt[signID]
	if !ok {
		return list
	}
	for c, cause := range k.causes {
		if f := k.link[c][s]; f > 0 && len(cause.parts) == 0 {
			list = append(list, Shows{cause.ID, f, frequencyWord(f)})
		}
	}
	sort.SliceStable(list, func(a, b int) bool { return list[a].Frequency > list[b].Frequency })
	return list
}

// lookAlikes ranks the other causes by the share of signs they have in common:
// Σ min(a, b) / Σ max(a, b) over all signs (Ruzicka's similarity).
func (k *Knowledge) lookAlikes(id string) []string {
	c := k.causeAt[id]
	type alike struct {
		id    string
		share float64
	}
	var all []alike
	for o, other := range k.causes {
		if o == c || len(other.parts) > 0 {
			continue
		}
		var least, most float64
		for s := range k.signs {
			least += min(k.link[c][s], k.link[o][s])
			most += max(k.link[c][s], k.link[o][s])
		}
		all = append(all, alike{other.ID, least / most})
	}
	sort.SliceStable(all, func(a, b int) bool { return all[a].share > all[b].share })
	ids := make([]string, lookAlikesShown)
	for i := range ids {
		ids[i] = all[i].id
	}
	return ids
}

// Apart is a sign that tells causes from each other.
type Apart struct {
	Sign   string    `json:"sign"`
	Chance []float64 `json:"chance" doc:"How often each cause shows it, background included, in the order asked."`
	Bits   float64   `json:"bits" doc:"What the look settles between them, if they are equally likely."`
	Worth  float64   `json:"worth" doc:"Bits over the cost of the look."`
}

// Comparison puts causes side by side.
type Comparison struct {
	Causes []Cause `json:"causes"`
	Shared []Apart `json:"shared" doc:"Signs that they show about as often: no help."`
	Apart  []Apart `json:"apart" doc:"Signs that tell them apart, most telling first."`
	Check  string  `json:"check" doc:"The sign that separates them best for its cost."`
}

// telling is the least a sign must settle to be named as telling causes apart.
const telling = 0.05

// Compare puts two or three causes side by side; false when one is unknown,
// stands twice, or there are not two or three.
func (k *Knowledge) Compare(ids []string) (Comparison, bool) {
	c := Comparison{Causes: []Cause{}, Shared: []Apart{}, Apart: []Apart{}}
	if len(ids) < 2 || len(ids) > 3 {
		return c, false
	}
	seen := map[string]bool{}
	for _, id := range ids {
		at, ok := k.causeAt[id]
		if !ok || seen[id] {
			return c, false
		}
		seen[id] = true
		c.Causes = append(c.Causes, k.causes[at])
	}
	best := 0.0
	for s, sign := range k.signs {
		a := Apart{Sign: sign.ID, Chance: make([]float64, len(ids))}
		linked := 0.0
		for i, id := range ids {
			l := k.link[k.causeAt[id]][s]
			linked = max(linked, l)
			a.Chance[i] = 1 - (1-sign.Background)*(1-l)
		}
		if linked < 0.2 {
			continue
		}
		a.Bits = settles(a.Chance)
		a.Worth = a.Bits / (2 + float64(sign.Minutes) + disturbancePrice[sign.Disturbance])
		if a.Bits < telling {
			c.Shared = append(c.Shared, a)
			continue
		}
		c.Apart = append(c.Apart, a)
		if a.Worth > best {
			best, c.Check = a.Worth, a.Sign
		}
	}
	sort.SliceStable(c.Apart, func(a, b int) bool { return c.Apart[a].Bits > c.Apart[b].Bits })
	sort.SliceStable(c.Shared, func(a, b int) bool { return c.Shared[a].Chance[0] > c.Shared[b].Chance[0] })
	return c, true
}

// settles gives the mutual information, in bits, between which of equally
// likely causes is true and whether the sign is seen.
func settles(chance []float64) float64 {
	var mean, within float64
	for _, p := range chance {
		mean += p / float64(len(chance))
		within += entropy(p) / float64(len(chance))
	}
	return math.Max(0, entropy(mean)-within)
}

// entropy of a yes/no question, in bits.
func entropy(p float64) float64 {
	if p <= 0 || p >= 1 {
		return 0
	}
	return -p*math.Log2(p) - (1-p)*math.Log2(1-p)
}
