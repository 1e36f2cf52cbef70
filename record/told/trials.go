package told

import (
	"cmp"
	"slices"
	"strings"

	"github.com/google/uuid"

	"tendermend/core/interval"
	"tendermend/record"
)

// TriedOn is a trial with the plant that it was made on.
type TriedOn struct {
	Plant uuid.UUID `json:"plant"`
	Name  string    `json:"name"`
	record.Trial
}

// Method is what came of one product or method over all the plants that it was tried on.
type Method struct {
	What    string    `json:"what"`
	Better  int       `json:"better"`
	Same    int       `json:"same"`
	Worse   int       `json:"worse"`
	Unclear int       `json:"unclear"`
	Open    int       `json:"open" doc:"Trials whose result nobody has said yet."`
	Low     *float64  `json:"low,omitempty" doc:"Lower end of the 95 % interval of the share that it helped, 0-1."`
	High    *float64  `json:"high,omitempty" doc:"Its upper end; missing where no trial was clear."`
	On      []TriedOn `json:"on" doc:"Its trials, the newest first."`
}

// Clear is how many of its trials had a clear result.
func (m Method) Clear() int { return m.Better + m.Same + m.Worse }

// MethodsSource says what the shares of methods rest on.
const MethodsSource = "The share that helped, of those with a clear result, as its 95 % score interval (Wilson " +
	"1927; Newcombe 1998). Plants that were left as they were are not counted: a trial without them says little."

// MethodsOf adds trials up by what was tried, whatever its letters and spaces: the most
// tried first. The share that helped leaves out what is open or unclear.
func MethodsOf(trials []TriedOn) []Method {
	at := map[string]int{}
	list := []Method{}
	for _, t := range trials {
		name := strings.ToLower(strings.Join(strings.Fields(t.What), " "))
		i, known := at[name]
		if !known {
			i = len(list)
			at[name] = i
			list = append(list, Method{What: strings.TrimSpace(t.What)})
		}
		list[i].count(t)
	}
	for i := range list {
		if n := list[i].Clear(); n > 0 {
			low, high := interval.Wilson(list[i].Better, n)
			list[i].Low, list[i].High = &low, &high
		}
	}
	slices.SortStableFunc(list, func(a, b Method) int { return cmp.Compare(len(b.On), len(a.On)) })
	return list
}

func (m *Method) count(t TriedOn) {
	m.On = append(m.On, t)
	if t.Result == nil {
		m.Open++
		return
	}
	switch t.Result.Result {
	case record.HelpedBetter:
		m.Better++
	case record.HelpedSame:
		m.Same++
	case record.HelpedWorse:
		m.Worse++
	case record.HelpedUnclear:
		m.Unclear++
	}
}
