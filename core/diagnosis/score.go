package diagnosis

import (
	"fmt"
	"io"
	"text/tabwriter"
)

// Score is how well chances matched what was true, over cases whose causes are
// known.
type Score struct {
	Cases     int
	FirstTrue int // first cause is one of the true ones
	MainIn3   int // main cause is among the first three
	// Brier is the mean over cases of Σ (chance − truth)² over all causes (Brier
	// 1950); 0 is perfect, and the number of causes in the case is the score of
	// calling every cause impossible.
	Brier       float64
	Reliability [10]Bin // by tenth of stated chance
	Missed      []Missed
}

// Bin counts the causes whose stated chance fell in one tenth.
type Bin struct {
	Stated int     // how many were given such a chance
	Sum    float64 // of the chances
	True   int     // how many of them were true
}

// Missed is a case whose first cause was not one of the true ones.
type Missed struct {
	Case  string
	First []CauseChance
	True  []string
}

// ScoreCases diagnoses each case and compares with its causes.
func ScoreCases(cases []WorkedCase) (Score, error) {
	score := Score{Cases: len(cases)}
	for i, wc := range cases {
		if len(wc.Causes) == 0 {
			return Score{}, fmt.Errorf("%scauses: name at least the main cause", wc.name(i, true))
		}
		c, err := Examine(wc.Examination)
		if err != nil {
			return Score{}, fmt.Errorf("%s%w", wc.name(i, true), err)
		}
		score.add(wc, c.Causes())
	}
	if len(cases) > 0 {
		score.Brier /= float64(len(cases))
	}
	return score, nil
}

func (s *Score) add(wc WorkedCase, ranked []CauseChance) {
	isTrue := map[string]bool{}
	for _, id := range wc.Causes {
		isTrue[id] = true
	}
	if isTrue[ranked[0].ID] {
		s.FirstTrue++
	} else {
		s.Missed = append(s.Missed, Missed{wc.ID, ranked[:3], wc.Causes})
	}
	for _, cc := range ranked[:3] {
		if cc.ID == wc.Causes[0] {
			s.MainIn3++
		}
	}
	for _, cc := range ranked {
		truth := 0.0
		bin := &s.Reliability[min(int(cc.Chance*10), 9)]
		bin.Stated++
		bin.Sum += cc.Chance
		if isTrue[cc.ID] {
			truth = 1
			bin.True++
		}
		s.Brier += (cc.Chance - truth) * (cc.Chance - truth)
	}
}

// Print writes the score as a table for people.
func (s Score) Print(w io.Writer) error {
	share := func(n int) float64 { return 100 * float64(n) / float64(max(s.Cases, 1)) }
	fmt.Fprintf(w, "cases                          %d\n", s.Cases)
	fmt.Fprintf(w, "first cause true               %d (%.1f %%)\n", s.FirstTrue, share(s.FirstTrue))
	fmt.Fprintf(w, "main cause in the first three  %d (%.1f %%)\n", s.MainIn3, share(s.MainIn3))
	fmt.Fprintf(w, "Brier score per case           %.4f (sum over causes)\n", s.Brier)
	fmt.Fprintf(w, "Brier score per cause          %.5f\n\n", s.Brier/float64(len(causes)))
	table := tabwriter.NewWriter(w, 0, 0, 3, ' ', tabwriter.AlignRight)
	fmt.Fprintln(table, "stated chance\tcauses\tmean stated\ttrue\tshare true\t")
	for i, b := range s.Reliability {
		if b.Stated == 0 {
			continue
		}
		n := float64(b.Stated)
		fmt.Fprintf(table, "%d-%d %%\t%d\t%.1f %%\t%d\t%.1f %%\t\n", 10*i, 10*i+10, b.Stated, 100*b.Sum/n, b.True, 100*float64(b.True)/n)
	}
	if err := table.Flush(); err != nil {
		return err
	}
	for _, m := range s.Missed {
		fmt.Fprintf(w, "\nnot first: case %s, true %v, said", m.Case, m.True)
		for _, cc := range m.First {
			fmt.Fprintf(w, " %s %.2f", cc.ID, cc.Chance)
		}
	}
	if len(s.Missed) > 0 {
		fmt.Fprintln(w)
	}
	return nil
}
