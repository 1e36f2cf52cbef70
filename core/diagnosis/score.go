package diagnosis

import (
	"fmt"
	"io"
	"math"
	"math/rand/v2"
	"slices"
	"sort"
	"text/tabwriter"

	"gonum.org/v1/gonum/stat"
)

// Score is how well chances matched what was true, over cases whose causes are
// known.
type Score struct {
	Cases     int `json:"cases"`
	FirstTrue int `json:"firstTrue" doc:"Cases whose first cause is one of the true ones."`
	Ill       int `json:"ill" doc:"Cases in which something was wrong."`
	MainIn3   int `json:"mainIn3" doc:"Of these, those whose main cause is among the first three."`
	// Brier is the mean over cases of Σ (chance − truth)² over all causes (Brier
	// 1950); 0 is perfect, and the number of causes in the case is the score of
	// calling every cause impossible.
	Brier float64 `json:"brier" doc:"Mean of the sum over causes of (chance − truth)²; 0 is perfect."`
	// LogLoss is the mean over cases of Σ −ln(chance of what was so), chances cut at
	// 0.0001 (Good 1952); 0 is perfect.
	LogLoss float64 `json:"logLoss" doc:"Mean of the sum over causes of −ln(chance given to what was so); 0 is perfect."`
	// Intervals are 95 % bootstrap intervals (Efron 1979): 1,000 draws of as many cases.
	Intervals   Intervals `json:"intervals" doc:"95 % bootstrap intervals."`
	Reliability [10]Bin   `json:"reliability" doc:"By tenth of stated chance."`
	Missed      []Missed  `json:"missed"`
}

// Intervals are where the figures of a score lie in 95 of 100 draws of its cases.
type Intervals struct {
	FirstTrue [2]float64 `json:"firstTrue" doc:"Share, 0-1."`
	MainIn3   [2]float64 `json:"mainIn3" doc:"Share, 0-1."`
	Brier     [2]float64 `json:"brier"`
	LogLoss   [2]float64 `json:"logLoss"`
}

// CasesTriedOn is how many worked cases the tables were tried on when they were made.
// People wrote them down; they are no outcomes.
const CasesTriedOn = 91

// CasesForAShare is how many confirmed cases there must be before a share of right
// first looks is shown (common practice).
const CasesForAShare = 50

// Bin counts the causes whose stated chance fell in one tenth.
type Bin struct {
	Stated int     `json:"stated" doc:"How many causes were given such a chance."`
	Sum    float64 `json:"sum" doc:"Of the chances."`
	True   int     `json:"true" doc:"How many of them were true."`
}

// Missed is a case whose first cause was not one of the true ones.
type Missed struct {
	Case  string        `json:"case"`
	First []CauseChance `json:"first"`
	True  []string      `json:"true"`
}

// Foretold is what was said of a case, likeliest first, and what was true, the
// main cause first; no cause means that nothing was wrong.
type Foretold struct {
	Case string
	Said []CauseChance
	True []string
}

// FirstTrue says whether the first cause said is one of the true ones; where
// nothing was wrong, whether nothing reached one third.
func (f Foretold) FirstTrue() bool {
	if len(f.Said) == 0 {
		return false
	}
	if len(f.True) == 0 {
		return f.Said[0].Chance < shaky
	}
	return f.place(f.Said[0].ID) >= 0
}

func (f Foretold) place(id string) int {
	for i, t := range f.True {
		if t == id {
			return i
		}
	}
	return -1
}

// ScoreCases diagnoses each case and compares with its causes.
func (k *Knowledge) ScoreCases(cases []WorkedCase) (Score, error) {
	said := make([]Foretold, len(cases))
	for i, wc := range cases {
		c, err := k.Examine(wc.Examination)
		if err != nil {
			return Score{}, fmt.Errorf("%s%w", wc.name(i, true), err)
		}
		said[i] = Foretold{wc.ID, c.toldFor(wc.Causes), wc.Causes}
	}
	return ScoreForetold(said), nil
}

// toldFor gives the chances of all causes; an umbrella that an older case names as
// true stands in the place of its parts.
func (c *Case) toldFor(truth []string) []CauseChance {
	said := c.Causes()
	for _, id := range truth {
		known := c.k.causes[c.k.causeAt[id]]
		if len(known.parts) == 0 {
			continue
		}
		said = slices.DeleteFunc(said, func(cc CauseChance) bool { return slices.Contains(known.parts, cc.ID) })
		said = append(said, CauseChance{id, c.Chance(id)})
	}
	sort.SliceStable(said, func(a, b int) bool { return said[a].Chance > said[b].Chance })
	return said
}

// ScoreForetold compares what was said with what was true. Where only the
// likeliest causes were kept, the others count as called impossible.
func ScoreForetold(cases []Foretold) Score {
	score := Score{Cases: len(cases), Missed: []Missed{}}
	for _, f := range cases {
		score.add(f)
	}
	if n := float64(len(cases)); n > 0 {
		score.Brier /= n
		score.LogLoss /= n
		score.Intervals = bootstrap(cases)
	}
	return score
}

const (
	draws = 1000
	// least is the chance at which a logarithm is cut.
	least = 1e-4
)

// bootstrap draws as many cases again and again; the same cases give the same
// intervals.
func bootstrap(cases []Foretold) Intervals {
	r := rand.New(rand.NewPCG(uint64(len(cases)), draws))
	singles := make([]Score, len(cases))
	for i, f := range cases {
		singles[i].add(f)
	}
	var first, main, brier, loss []float64
	for range draws {
		var sum Score
		for range cases {
			one := singles[r.IntN(len(singles))]
			sum.FirstTrue += one.FirstTrue
			sum.MainIn3 += one.MainIn3
			sum.Ill += one.Ill
			sum.Brier += one.Brier
			sum.LogLoss += one.LogLoss
		}
		n := float64(len(cases))
		first = append(first, float64(sum.FirstTrue)/n)
		main = append(main, float64(sum.MainIn3)/float64(max(sum.Ill, 1)))
		brier, loss = append(brier, sum.Brier/n), append(loss, sum.LogLoss/n)
	}
	middle := func(list []float64) [2]float64 {
		slices.Sort(list)
		at := func(p float64) float64 { return stat.Quantile(p, stat.Empirical, list, nil) }
		return [2]float64{at(0.025), at(0.975)}
	}
	return Intervals{middle(first), middle(main), middle(brier), middle(loss)}
}

func (s *Score) add(f Foretold) {
	first := f.Said[:min(3, len(f.Said))]
	if len(f.True) > 0 {
		s.Ill++
	}
	if f.FirstTrue() {
		s.FirstTrue++
	} else {
		s.Missed = append(s.Missed, Missed{f.Case, first, f.True})
	}
	for _, cc := range first {
		if f.place(cc.ID) == 0 {
			s.MainIn3++
		}
	}
	unsaid := len(f.True)
	for _, cc := range f.Said {
		truth := 0.0
		bin := &s.Reliability[min(int(cc.Chance*10), 9)]
		bin.Stated++
		bin.Sum += cc.Chance
		if f.place(cc.ID) >= 0 {
			truth = 1
			bin.True++
			unsaid--
		}
		s.Brier += (cc.Chance - truth) * (cc.Chance - truth)
		s.LogLoss -= math.Log(max(least, 1-math.Abs(cc.Chance-truth)))
	}
	s.Brier += float64(unsaid)
	s.LogLoss -= float64(unsaid) * math.Log(least)
}

// Print writes the score as a table for people.
func (s Score) Print(w io.Writer) error {
	share := func(n, of int) float64 { return 100 * float64(n) / float64(max(of, 1)) }
	fmt.Fprintf(w, "cases                          %d\n", s.Cases)
	i := s.Intervals
	fmt.Fprintf(w, "first cause true               %d (%.1f %%, 95 %%: %.1f-%.1f %%)\n",
		s.FirstTrue, share(s.FirstTrue, s.Cases), 100*i.FirstTrue[0], 100*i.FirstTrue[1])
	fmt.Fprintf(w, "main cause in the first three  %d (%.1f %%, 95 %%: %.1f-%.1f %%)\n",
		s.MainIn3, share(s.MainIn3, s.Ill), 100*i.MainIn3[0], 100*i.MainIn3[1])
	fmt.Fprintf(w, "Brier score per case           %.4f (sum over causes; 95 %%: %.4f-%.4f)\n",
		s.Brier, i.Brier[0], i.Brier[1])
	fmt.Fprintf(w, "log loss per case              %.4f (sum over causes; 95 %%: %.4f-%.4f)\n",
		s.LogLoss, i.LogLoss[0], i.LogLoss[1])
	fmt.Fprintf(w, "Brier score per cause          %.5f\n\n", s.Brier/float64(len(Standard().causes)))
	table := tabwriter.NewWriter(w, 0, 0, 3, ' ', tabwriter.AlignRight)
	fmt.Fprintln(table, "stated chance\tcauses\tmean stated\ttrue\tshare true\t")
	for i, b := range s.Reliability {
		if b.Stated == 0 {
			continue
		}
		n := float64(b.Stated)
		fmt.Fprintf(
			table,
			"%d-%d %%\t%d\t%.1f %%\t%d\t%.1f %%\t\n",
			10*i,
			10*i+10,
			b.Stated,
			100*b.Sum/n,
			b.True,
			100*float64(b.True)/n,
		)
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
