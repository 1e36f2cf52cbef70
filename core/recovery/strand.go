package recovery

import (
	"cmp"
	"fmt"
	"maps"
	"math"
	"slices"

	"gonum.org/v1/gonum/stat/distuv"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/working"
)

// GrowthSort says what a strand is.
type GrowthSort string

// The sorts of growth.
const (
	Leaf     GrowthSort = "leaf"
	Bulb     GrowthSort = "bulb"
	Cane     GrowthSort = "cane"
	Shoot    GrowthSort = "shoot"
	Spike    GrowthSort = "spike"
	Plantlet GrowthSort = "plantlet"
	Root     GrowthSort = "root"
)

// SortOfGrowth is a sort with how it is spoken of and measured.
type SortOfGrowth struct {
	ID    GrowthSort `json:"id" enum:"leaf,bulb,cane,shoot,spike,plantlet,root"`
	Label string     `json:"label"`
	Many  string     `json:"many"`
	How   string     `json:"how" doc:"How its size is measured, the same way each time."`
	// Feeds is false where it takes and does not give.
	Feeds bool `json:"feeds"`
}

// GrowthSorts lists the sorts of growth.
func GrowthSorts() []SortOfGrowth { return slices.Clone(growthSorts) }

var growthSorts = []SortOfGrowth{
	{Leaf, "leaf", "leaves", "Length of the blade, without its stalk", true},
	{Bulb, "pseudobulb", "pseudobulbs", "Height from its foot", true},
	{Cane, "cane", "canes", "Length from its foot", true},
	{Shoot, "shoot", "shoots", "Length from where it starts", true},
	{Spike, "flower spike", "flower spikes", "Length from where it starts", false},
	{Plantlet, "plantlet", "plantlets", "Length of its longest leaf", true},
	{Root, "root", "roots", "Length along it", true},
}

// SortsOf lists the sorts that are followed on plants of a habit, the usual one
// first.
func SortsOf(h plant.Habit) []GrowthSort {
	switch {
	case h.ID == "monopodial-orchid":
		return []GrowthSort{Leaf, Root, Spike, Plantlet}
	case h.Orchid && h.ID != "jewel-orchid":
		return []GrowthSort{Bulb, Leaf, Root, Spike, Cane, Shoot, Plantlet}
	}
	return []GrowthSort{Leaf, Shoot, Root, Plantlet, Spike}
}

// GrowthState says how a growth is.
type GrowthState string

// The states of a growth.
const (
	Starting GrowthState = "starting"
	Growing  GrowthState = "growing"
	Mature   GrowthState = "mature"
	Stalled  GrowthState = "stalled"
	Lost     GrowthState = "lost"
)

// GrowthStates lists the states in the order in which they come.
func GrowthStates() []GrowthState { return slices.Clone(growthStates) }

var growthStates = []GrowthState{Starting, Growing, Mature, Stalled, Lost}

// Strand is one growth that is followed: a leaf, a bulb, a root worth following.
type Strand struct {
	ID       string      `json:"id"`
	Sort     GrowthSort  `json:"sort" enum:"leaf,bulb,cane,shoot,spike,plantlet,root"`
	Number   int         `json:"number" doc:"Its turn among its sort, from 1."`
	Of       string      `json:"of,omitempty" doc:"Which plant it is of, by letter, where several stand in one pot."`
	Name     string      `json:"name" doc:"What it is called here: the third leaf."`
	CameWith bool        `json:"cameWith" doc:"Whether it came with the plant; otherwise it grew here."`
	Began    day.Day     `json:"began"`
	State    GrowthState `json:"state" enum:"starting,growing,mature,stalled,lost"`
	StateOn  day.Day     `json:"stateOn" doc:"Since when it is in that state."`
	Sizes    []Reading   `json:"sizes" doc:"Sizes in mm, oldest first."`
	// Looks are those at its marks, oldest first.
	Looks  []MarkedLook `json:"looks" doc:"Looks at its marks, oldest first."`
	Marked []MarkSince  `json:"marked" doc:"Its marks at the last look, each with since when."`
	Lobes  *int         `json:"lobes,omitempty" doc:"Lobes and windows of a leaf, at the last count."`
}

// Size gives its last size in mm; false when it was never measured.
func (s Strand) Size() (float64, bool) {
	if n := len(s.Sizes); n > 0 {
		return s.Sizes[n-1].Value, true
	}
	return 0, false
}

// Ratio is the size of a grown-up growth against the one of its sort before it.
type Ratio struct {
	Strand  string  `json:"strand"`
	Against string  `json:"against"`
	On      day.Day `json:"on"`
	Percent float64 `json:"percent"`
}

// Growths is what the strands of a plant come to.
type Growths struct {
	Made   int     `json:"made" doc:"Feeding growths that grew here, roots not counted."`
	Gone   int     `json:"gone" doc:"Feeding growths lost since it came, roots not counted."`
	Ratios []Ratio `json:"ratios" doc:"Each grown-up growth against the one before, oldest first."`
	Means  string  `json:"means" doc:"What these ratios tell."`
	// Interval is the time from one leaf to the next; missing with fewer than two
	// leaves grown here.
	Interval *working.Amount `json:"interval,omitempty"`
	// Pace is how many growths of its kind's own sort start in half a year.
	Pace *working.Amount `json:"pace,omitempty"`
}

const halfYear = 182 // days

// keepsUp is the size of a growth in per cent of the one before from which the
// roots keep up with the leaves (common practice).
const keepsUp = 90

// Reckon sums up the strands of a plant as of a day.
func Reckon(strands []Strand, since, today day.Day) Growths {
	g := Growths{Ratios: []Ratio{}, Means: fmt.Sprintf("At least %d %% means that the roots keep up.", keepsUp)}
	leaves := map[string][]day.Day{} // by plant of the pot
	recent := 0
	for _, s := range strands {
		if s.Sort == Root || s.Sort == Spike {
			continue
		}
		if !s.CameWith && s.Began <= today {
			g.Made++
			if s.Sort == Leaf {
				leaves[s.Of] = append(leaves[s.Of], s.Began)
			}
			if today-s.Began <= halfYear {
				recent++
			}
		}
		if s.State == Lost && s.StateOn <= today {
			g.Gone++
		}
	}
	g.Ratios = append(g.Ratios, ratios(strands)...)
	g.Interval = interval(leaves)
	g.Pace = halfYearly(recent, g.Made, since, today)
	return g
}

// ratios holds each grown-up growth against the one of its sort before it, of the same plant. What
// came with the plant, or began on one day, has no order among itself: of such a
// group the middle one by size stands for all, the larger of two, so that the
// order in which they were typed changes nothing.
func ratios(strands []Strand) (list []Ratio) {
	type ofPlant struct {
		sort  GrowthSort
		plant string
	}
	grown := map[ofPlant][]Strand{}
	for _, s := range strands {
		if _, measured := s.Size(); measured && (s.State == Mature || s.CameWith) {
			grown[ofPlant{s.Sort, s.Of}] = append(grown[ofPlant{s.Sort, s.Of}], s)
		}
	}
	keys := slices.SortedFunc(maps.Keys(grown), func(a, b ofPlant) int {
		return cmp.Or(cmp.Compare(a.plant, b.plant), cmp.Compare(a.sort, b.sort))
	})
	for _, key := range keys {
		of := grown[key]
		slices.SortFunc(of, byAge)
		var before *Strand
		for len(of) > 0 {
			n := 1
			for n < len(of) && of[n].CameWith == of[0].CameWith && (of[0].CameWith || of[n].Began == of[0].Began) {
				n++
			}
			for _, s := range of[:n] {
				if before == nil || s.CameWith {
					continue
				}
				if was, _ := before.Size(); was > 0 {
					size, _ := s.Size()
					list = append(
						list,
						Ratio{s.ID, before.ID, s.Sizes[len(s.Sizes)-1].On, math.Round(100 * size / was)},
					)
				}
			}
			before, of = &of[n/2], of[n:]
		}
	}
	slices.SortStableFunc(list, func(a, b Ratio) int { return cmp.Compare(a.On, b.On) })
	return list
}

// byAge orders growths: those that came with the plant first, then by the day
// on which they began; growths of one age by their size.
func byAge(a, b Strand) int {
	if a.CameWith != b.CameWith {
		if a.CameWith {
			return -1
		}
		return 1
	}
	if !a.CameWith && a.Began != b.Began {
		return cmp.Compare(a.Began, b.Began)
	}
	x, _ := a.Size()
	y, _ := b.Size()
	return cmp.Or(cmp.Compare(x, y), cmp.Compare(a.ID, b.ID))
}

// interval is the time from leaf to leaf; of several plants in one pot each counts its own gaps.
func interval(byPlant map[string][]day.Day) *working.Amount {
	var gaps []float64
	for _, of := range slices.Sorted(maps.Keys(byPlant)) {
		began := byPlant[of]
		slices.Sort(began)
		for i := 1; i < len(began); i++ {
			gaps = append(gaps, float64(began[i]-began[i-1]))
		}
	}
	if len(gaps) == 0 {
		return nil
	}
	least, most := gaps[0], gaps[0]
	for _, g := range gaps {
		least, most = min(least, g), max(most, g)
	}
	sure := "from one gap alone"
	if len(gaps) > 1 {
		sure = fmt.Sprintf("from %d gaps", len(gaps))
	}
	return &working.Amount{
		What:  "days from leaf to leaf",
		Value: medianOf(gaps),
		Unit:  "days",
		Working: working.Working{
			Inputs: []working.Input{
				{Name: "gaps", Value: float64(len(gaps))},
				{Name: "shortest", Value: least, Unit: "days"},
				{Name: "longest", Value: most, Unit: "days"},
			},
			Formula: "median of the days between the beginnings of leaves that grew here", Source: "its own record", Sure: sure},
	}
}

// halfYearly gives the growths of half a year with the exact interval of a count
// (Garwood 1936, Biometrika 28:437); scaled up where it is here for less.
func halfYearly(recent, made int, since, today day.Day) *working.Amount {
	days := min(float64(today-since), halfYear)
	if made == 0 || days < 30 {
		return nil
	}
	low, high := CountInterval(recent)
	scale := halfYear / days
	return &working.Amount{
		What:  "growths in half a year",
		Value: round1(float64(recent) * scale),
		Working: working.Working{
			Inputs: []working.Input{{Name: "growths begun", Value: float64(recent)}, {Name: "in days", Value: days},
				{
					Name:  "at least, in half a year",
					Value: round1(low * scale),
				}, {Name: "at most", Value: round1(high * scale)}},
			Formula: "growths begun in the last 182 days (or since it came, scaled up); 95 % interval of a count",
			Source:  "its own record; Garwood 1936", Sure: "wide while few have grown"},
	}
}

// CountInterval gives the exact 95 % interval of a Poisson count (Garwood 1936).
func CountInterval(k int) (low, high float64) {
	if k > 0 {
		low = distuv.ChiSquared{K: float64(2 * k)}.Quantile(0.025) / 2
	}
	return low, distuv.ChiSquared{K: float64(2*k + 2)}.Quantile(0.975) / 2
}

// FeedReadings adds to a history what the strands tell of its measures, so that
// a growth recorded as a strand is not counted a second time at a check-in: of
// leaves counted at a check-in only those count that no strand began since the
// count before.
func FeedReadings(h History, strands []Strand) {
	begun, lost := map[day.Day]int{}, map[day.Day]int{}
	for _, s := range strands {
		if s.Sort == Leaf && !s.CameWith {
			begun[s.Began]++
		}
		if s.Sort == Leaf && s.State == Lost {
			lost[s.StateOn]++
		}
		if whole := s.Sort == Bulb || s.Sort == Cane || s.Sort == Shoot; whole && !s.CameWith {
			h.Add("new-growth", Reading{s.Began, 1})
			if s.State == Mature {
				h.Add("growth-mature", Reading{s.StateOn, 1})
			}
		}
	}
	longestRoots(h, strands)
	feedMarks(h, strands)
	settle(h, "new-leaves", begun)
	settle(h, "leaves-lost", lost)
	for _, r := range ratios(strands) {
		h.Add("leaf-ratio", Reading{r.On, r.Percent})
	}
}

// longestRoots adds the longest of the roots that are followed, on each day on
// which one of them was measured or lost and nobody read the longest root.
func longestRoots(h History, strands []Strand) {
	changes := map[day.Day]map[string]float64{}
	note := func(on day.Day, id string, mm float64) {
		if changes[on] == nil {
			changes[on] = map[string]float64{}
		}
		changes[on][id] = mm
	}
	for _, s := range strands {
		if s.Sort != Root {
			continue
		}
		for _, r := range s.Sizes {
			note(r.On, s.ID, r.Value)
		}
		if s.State == Lost {
			note(s.StateOn, s.ID, 0)
		}
	}
	days := make([]day.Day, 0, len(changes))
	for on := range changes {
		days = append(days, on)
	}
	slices.Sort(days)
	now := map[string]float64{}
	for _, on := range days {
		for id, mm := range changes[on] {
			now[id] = mm
		}
		longest := 0.0
		for _, mm := range now {
			longest = max(longest, mm)
		}
		if read := h.since("longest-root", on); len(read) > 0 && read[0].On == on {
			continue
		}
		h.Add("longest-root", Reading{on, longest})
	}
}

// settle takes what strands counted off the counts of check-ins, and adds it.
func settle(h History, measure string, counted map[day.Day]int) {
	if len(counted) == 0 {
		return
	}
	before := day.Day(math.MinInt32)
	list := h[measure]
	for i, r := range list {
		for on, n := range counted {
			if on > before && on <= r.On {
				list[i].Value = max(0, list[i].Value-float64(n))
			}
		}
		before = r.On
	}
	for on, n := range counted {
		h.Add(measure, Reading{on, float64(n)})
	}
}
