package fit

import (
	"cmp"
	"slices"
)

// What standing somewhere costs (guesses): a move must be worth it.
const (
	costOfUnfit   = 100 // at score 0, straight to 0 at score 1
	costOfDeath   = 400 // where it scores nothing at all
	costOfMove    = 6
	costOfSulking = 10
	costOfNowhere = 90
	forbidden     = 1e6
	// winsAtLeast is what a proposed move must win, alone or with the one it makes room for.
	winsAtLeast = 15
	// mostAtOnce is how many plants are placed in one reckoning: of more only the worst placed
	// are moved, so many at a time.
	mostAtOnce  = 300
	worstAtOnce = 60
	badly       = 0.6
)

// Standing is a plant that stands somewhere, or nowhere yet.
type Standing struct {
	ID       string
	Here     int       // index of its place; -1 where it has none
	Scores   []float64 // of each place, 0 to 1
	Apart    bool      // whether it has to be kept apart
	HeightCM float64   // 0 where nobody measured
	Poison   bool      // whether it must stand out of reach
	Sulks    bool
	Worth    float64 // 1 for an ordinary plant
}

// Spot is a place that plants can stand in.
type Spot struct {
	Slots    int // how many it holds; 0 where nobody said
	Apart    bool
	HeightCM float64 // how tall one may be; 0 for any
	Reach    bool    // whether children or animals reach it
}

// Move is one move of a proposal.
type Move struct {
	ID   string  `json:"id"`
	From int     `json:"from" doc:"Index of the place it stands in; -1 for none."`
	To   int     `json:"to"`
	Wins float64 `json:"wins" doc:"By how much it stands better, 0 to 100 and more."`
	// MakesRoom says that it wins little itself and makes room for another that wins more.
	MakesRoom bool `json:"makesRoom,omitempty"`
}

// Cost is what a plant's standing in a place costs; beyond a million where it must not.
func (s Standing) Cost(place int, spot Spot) float64 {
	if s.Apart != spot.Apart || spot.HeightCM > 0 && s.HeightCM > spot.HeightCM || s.Poison && spot.Reach {
		return forbidden
	}
	score := s.Scores[place]
	if score <= 0 {
		return costOfDeath * s.Worth
	}
	cost := costOfUnfit * s.Worth * (1 - score)
	if place != s.Here {
		cost += costOfMove
		if s.Sulks {
			cost += costOfSulking
		}
	}
	return cost
}

// Propose gives the moves that put every plant where all of them together stand best, within
// what the places hold; only moves that win something, or make room for one that does. Plants for
// which no place is left stay
// where they are.
func Propose(plants []Standing, spots []Spot) []Move {
	movable, free := movableOf(plants, spots)
	if len(movable) == 0 {
		return nil
	}
	slots := slotsFor(movable, spots, free)
	costs := make([][]float64, len(movable))
	for i, p := range movable {
		row := make([]float64, len(slots)+len(movable))
		for j, place := range slots {
			row[j] = p.Cost(place, spots[place])
		}
		for j := range movable {
			row[len(slots)+j] = forbidden
		}
		row[len(slots)+i] = costOfNowhere * p.Worth
		costs[i] = row
	}
	var moves []Move
	for i, column := range match(costs) {
		p := movable[i]
		if column >= len(slots) || slots[column] == p.Here {
			continue
		}
		to := slots[column]
		stays := costOfNowhere * p.Worth
		if p.Here >= 0 {
			stays = p.Cost(p.Here, spots[p.Here])
		}
		moves = append(moves, Move{ID: p.ID, From: p.Here, To: to, Wins: stays - p.Cost(to, spots[to])})
	}
	return worthIt(moves, plants, spots)
}

// slotsFor gives the place of each column of the reckoning. The cheapest places of a plant that
// together hold as many as there are plants are enough for it: the others cannot fill them all, so
// it never has to go to a dearer one. What no plant needs so has no column; nothing else comes out.
func slotsFor(movable []Standing, spots []Spot, free []int) (slots []int) {
	wanted := make([]bool, len(spots))
	places := make([]int, len(spots))
	for _, p := range movable {
		costs := make([]float64, len(spots))
		for place := range spots {
			places[place], costs[place] = place, p.Cost(place, spots[place])
		}
		slices.SortStableFunc(places, func(a, b int) int { return cmp.Compare(costs[a], costs[b]) })
		room := 0
		for _, place := range places {
			if room >= len(movable) {
				break
			}
			wanted[place] = true
			room += free[place]
		}
	}
	for place, n := range free {
		if !wanted[place] {
			continue
		}
		for range min(n, len(movable)) {
			slots = append(slots, place)
		}
	}
	return slots
}

// worthIt leaves out moves that win too little. One whose plant could stay only in the way of
// another is kept while both together win enough; otherwise both go.
func worthIt(moves []Move, plants []Standing, spots []Spot) []Move {
	slices.SortStableFunc(moves, func(x, y Move) int { return cmp.Compare(y.Wins, x.Wins) })
	stands := standing(moves, plants, len(spots))
	gone := make([]bool, len(moves))
	drop := func(i int) {
		gone[i] = true
		stands[moves[i].To]--
		if moves[i].From >= 0 {
			stands[moves[i].From]++
		}
	}
	full := func(place int) bool { return spots[place].Slots > 0 && stands[place] >= spots[place].Slots }
	for i := len(moves) - 1; i >= 0; i-- {
		m := moves[i]
		switch comes := into(moves, gone, m.From); {
		case gone[i] || m.Wins >= winsAtLeast:
		case m.From < 0 || !full(m.From) || comes < 0:
			drop(i)
		case moves[comes].Wins+m.Wins >= winsAtLeast:
			moves[i].MakesRoom = true
		default:
			drop(i)
		}
	}
	return roomFor(moves, gone, spots, stands, drop)
}

// roomFor leaves out what has no room: who stays may stand where another was to come, and
// those that win least stay away.
func roomFor(moves []Move, gone []bool, spots []Spot, stands []int, drop func(int)) []Move {
	for changed := true; changed; {
		changed = false
		for i := len(moves) - 1; i >= 0; i-- {
			to := moves[i].To
			if !gone[i] && spots[to].Slots > 0 && stands[to] > spots[to].Slots {
				drop(i)
				changed = true
			}
		}
	}
	kept := moves[:0]
	for i, m := range moves {
		if !gone[i] {
			kept = append(kept, m)
		}
	}
	return kept
}

// into finds the move into a place that wins most; -1 where there is none.
func into(moves []Move, gone []bool, place int) int {
	for i, m := range moves {
		if !gone[i] && m.To == place {
			return i
		}
	}
	return -1
}

// standing counts how many stand in each place after some moves.
func standing(moves []Move, plants []Standing, places int) []int {
	to := make(map[string]int, len(moves))
	for _, m := range moves {
		to[m.ID] = m.To
	}
	stands := make([]int, places)
	for _, p := range plants {
		at := p.Here
		if moved, is := to[p.ID]; is {
			at = moved
		}
		if at >= 0 {
			stands[at]++
		}
	}
	return stands
}

// movableOf are the plants that are placed anew, and what is free for them: all of them, or of
// many the worst placed, and no more of them than can be reckoned with at once.
func movableOf(plants []Standing, spots []Spot) (movable []Standing, free []int) {
	free = make([]int, len(spots))
	for i, s := range spots {
		if free[i] = s.Slots; s.Slots == 0 {
			free[i] = len(plants)
		}
	}
	if len(plants) <= mostAtOnce {
		return plants, free
	}
	worst := slices.Clone(plants)
	slices.SortStableFunc(worst, func(x, y Standing) int { return cmp.Compare(x.here(spots), y.here(spots)) })
	for _, p := range worst {
		if len(movable) < worstAtOnce && p.here(spots) < badly {
			movable = append(movable, p)
		} else if p.Here >= 0 {
			free[p.Here] = max(0, free[p.Here]-1)
		}
	}
	return movable, free
}

// here is how well it stands: below 0 where it must not stand there, or stands nowhere.
func (s Standing) here(spots []Spot) float64 {
	if s.Here < 0 || s.Cost(s.Here, spots[s.Here]) >= forbidden {
		return -1
	}
	return s.Scores[s.Here]
}
