package diagnosis

import (
	"tendermend/core/climate"
	"tendermend/core/plant"
)

// network is a two-layer noisy-OR belief network: causes that are independent
// a priori, and signs that each fail to show with probability
// (1 − background) × Π(1 − link) over the causes present (Pearl 1988, ch. 4;
// Heckerman 1989; Shwe et al. 1991, Methods Inf Med 30:241).
type network struct {
	prior      []float64   // chance of each cause before evidence
	background []float64   // chance of each sign with no cause present
	miss       [][]float64 // miss[c][s]: chance that cause c alone fails to show sign s
	linked     [][]int     // linked[s]: the causes that can show sign s
}

func newNetwork(prior, background []float64, linkOf func(cause, sign int) float64) *network {
	n := &network{
		prior:      prior,
		background: background,
		miss:       make([][]float64, len(prior)),
		linked:     make([][]int, len(background)),
	}
	for c := range prior {
		n.miss[c] = make([]float64, len(background))
		for s := range background {
			l := linkOf(c, s)
			n.miss[c][s] = 1 - l
			if l > 0 && prior[c] > 0 {
				n.linked[s] = append(n.linked[s], c)
			}
		}
	}
	return n
}

// linkMatrix holds the link of each cause (row) to each sign (column).
var linkMatrix = func() [][]float64 {
	m := make([][]float64, len(causes))
	for c, cause := range causes {
		m[c] = make([]float64, len(signs))
		for _, l := range links[cause.ID] {
			m[c][signIndex[l.sign]] = l.frequency
		}
	}
	return m
}()

// maxPrior keeps a prior with its habit factor a chance.
const maxPrior = 0.5

// PriorFor gives the chance of a cause before any sign is known, for a habit
// in a season. An empty season counts as unknown.
func PriorFor(causeID string, habit plant.Habit, season climate.Season) float64 {
	prior := causes[causeIndex[causeID]].Prior
	if factor, named := habitFactors[habit.ID][causeID]; named {
		prior *= factor
	}
	if causeID == "dormancy" && !habit.RestsIn(season) {
		prior = 0
	}
	return min(prior, maxPrior)
}

func networkFor(habit plant.Habit, season climate.Season) *network {
	prior := make([]float64, len(causes))
	for i, c := range causes {
		prior[i] = PriorFor(c.ID, habit, season)
	}
	background := make([]float64, len(signs))
	for i, s := range signs {
		background[i] = s.Background
	}
	return newNetwork(prior, background, func(c, s int) float64 { return linkMatrix[c][s] })
}
