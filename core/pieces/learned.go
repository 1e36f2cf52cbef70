package pieces

import (
	"cmp"
	"slices"

	"tendermend/core/interval"
	"tendermend/core/working"
)

// Rooting is how many pieces of a batch were found with roots first, after how many days.
type Rooting struct {
	Days int `json:"days"`
	N    int `json:"n"`
}

// Outcome is what has become of a batch so far.
type Outcome struct {
	Method Method
	Kind   string // id of its kind; empty where nobody knows
	Taken  int
	// Rooted counts all that ever had roots; Lost those that died without.
	Rooted, Lost int
	Rootings     []Rooting
}

// Learned is what the batches of one method, or of one method and kind, teach.
type Learned struct {
	Method  Method          `json:"method"`
	Kind    string          `json:"kind,omitempty" doc:"Id of the kind; missing where it is of all kinds."`
	Batches int             `json:"batches"`
	Taken   int             `json:"taken" doc:"Pieces in all."`
	Rooted  int             `json:"rooted"`
	Lost    int             `json:"lost"`
	Open    int             `json:"open" doc:"Pieces of which nobody knows yet."`
	Share   *working.Amount `json:"share,omitempty" doc:"The share that rooted of those that are decided."`
	Low     float64         `json:"low" doc:"The lower end of that share, 0 to 1."`
	High    float64         `json:"high"`
	// MedianDays is the day by which half of those that rooted had roots.
	MedianDays *int `json:"medianDays,omitempty"`
}

// Learn adds batches up by method, and by method and kind, the most pieces first.
func Learn(batches []Outcome) []Learned {
	type of struct {
		method Method
		kind   string
	}
	groups := map[of][]Outcome{}
	for _, b := range batches {
		groups[of{b.Method, ""}] = append(groups[of{b.Method, ""}], b)
		if b.Kind != "" {
			groups[of{b.Method, b.Kind}] = append(groups[of{b.Method, b.Kind}], b)
		}
	}
	list := []Learned{}
	for key, group := range groups {
		list = append(list, learn(key.method, key.kind, group))
	}
	slices.SortFunc(list, func(x, y Learned) int {
		return cmp.Or(cmp.Compare(y.Taken, x.Taken), cmp.Compare(x.Method, y.Method), cmp.Compare(x.Kind, y.Kind))
	})
	return list
}

func learn(method Method, kind string, group []Outcome) Learned {
	l := Learned{Method: method, Kind: kind, Batches: len(group)}
	var rootings []Rooting
	for _, b := range group {
		l.Taken += b.Taken
		l.Rooted += b.Rooted
		l.Lost += b.Lost
		rootings = append(rootings, b.Rootings...)
	}
	l.Open = l.Taken - l.Rooted - l.Lost
	if decided := l.Rooted + l.Lost; decided > 0 {
		l.Low, l.High = interval.Wilson(l.Rooted, decided)
		l.Share = share(l.Rooted, decided)
	}
	if days, rooted := median(rootings); rooted {
		l.MedianDays = &days
	}
	return l
}

func share(rooted, decided int) *working.Amount {
	return &working.Amount{
		What: "share that rooted", Value: 100 * float64(rooted) / float64(decided), Unit: "%",
		Working: working.Working{
			Inputs: []working.Input{
				{Name: "rooted", Value: float64(rooted)}, {Name: "rooted or lost", Value: float64(decided)},
			},
			Formula: "share = rooted ÷ (rooted + lost); range by Wilson, 95 %",
			Source:  "the counts of this collection; Wilson 1927",
			Sure:    "pieces of one batch share their luck: the true range is wider",
		},
	}
}

// median is the day by which half of all had roots; false where none had.
func median(rootings []Rooting) (int, bool) {
	all := 0
	for _, r := range rootings {
		all += r.N
	}
	slices.SortFunc(rootings, func(x, y Rooting) int { return cmp.Compare(x.Days, y.Days) })
	have := 0
	for _, r := range rootings {
		if have += r.N; 2*have >= all && all > 0 {
			return r.Days, true
		}
	}
	return 0, false
}
