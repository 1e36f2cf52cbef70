package fit

import (
	"cmp"
	"slices"

	"tendermend/internal/least"
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
	Here     int                     // index of its place; -1 where it has none
	Score    func(place int) float64 // how well a place suits it, 0 to 1
	Apart    bool                    // whether it has to be kept apart
	HeightCM float64                 // 0 where nobody measured
	Poison   bool                    // whether it must stand out of reach
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
	Plant int     // index of the plant
	From  int     // index of the place it stands in; -1 for none
	To    int     // index of the place it goes to
	Wins  float64 // by how much it stands better, 0 to 100 and more
	// MakesRoom says that it wins little itself and makes room for another that wins more.
	MakesRoom bool
}

// Cost is what a plant's standing in a place costs; beyond a million where it must not.
func (s Standing) Cost(place int, spot Spot) float64 {
	if s.Apart != spot.Apart || spot.HeightCM > 0 && s.HeightCM > spot.HeightCM || s.Poison && spot.Reach {
		return forbidden
	}
	score := s.Score(place)
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
	prices := make([][]float64, len(movable)) // of each place for each of them
	for i, at := range movable {
		prices[i] = make([]float64, len(spots))
		for place, spot := range spots {
			prices[i][place] = plants[at].Cost(place, spot)
		}
	}
	slots := slotsFor(prices, free)
	costs := make([][]float64, len(movable))
	for i, at := range movable {
		row := make([]float64, len(slots)+len(movable))
		for j, place := range slots {
			row[j] = prices[i][place]
		}
		for j := range movable {
			row[len(slots)+j] = forbidden
		}
		row[len(slots)+i] = costOfNowhere * plants[at].Worth
		costs[i] = row
	}
	var moves []Move
	for i, column := range match(costs) {
		p := plants[movable[i]]
		if column >= len(slots) || slots[column] == p.Here {
			continue
		}
		to := slots[column]
		stays := costOfNowhere * p.Worth
		if p.Here >= 0 {
			stays = prices[i][p.Here]
		}
		moves = append(moves, Move{Plant: movable[i], From: p.Here, To: to, Wins: stays - prices[i][to]})
	}
	return worthIt(moves, plants, spots)
}

// slotsFor gives the place of each column of the reckoning. The cheapest places of a plant that
// together hold as many as there are plants are enough for it: the others cannot fill them all, so
// it never has to go to a dearer one. What no plant needs so has no column; nothing else comes out.
func slotsFor(prices [][]float64, free []int) (slots []int) {
	wanted := make([]bool, len(free))
	places := make([]int, len(free))
	for _, costs := range prices {
		for place := range places {
			places[place] = place
		}
		slices.SortStableFunc(places, func(a, b int) int { return cmp.Compare(costs[a], costs[b]) })
		room := 0
		for _, place := range places {
			if room >= len(prices) {
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
		for range min(n, len(prices)) {
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
	stands := make([]int, places)
	for _, p := range plants {
		if p.Here >= 0 {
			stands[p.Here]++
		}
	}
	for _, m := range moves {
		if m.From >= 0 {
			stands[m.From]--
		}
		stands[m.To]++
	}
	return stands
}

// movableOf are the plants, by index, that are placed anew, and what is free for them: all of them,
// or of many the worst placed, and no more of them than can be reckoned with at once.
func movableOf(plants []Standing, spots []Spot) (movable, free []int) {
	free = make([]int, len(spots))
	for i, s := range spots {
		if free[i] = s.Slots; s.Slots == 0 {
			free[i] = len(plants)
		}
	}
	if len(plants) <= mostAtOnce {
		for i := range plants {
			movable = append(movable, i)
		}
		return movable, free
	}
	here := make([]float64, len(plants))
	for i, p := range plants {
		if here[i] = p.here(spots); here[i] < badly {
			movable = append(movable, i)
		}
		if p.Here >= 0 {
			free[p.Here]--
		}
	}
	movable = least.Of(worstAtOnce, movable, func(x, y int) int {
		return cmp.Or(cmp.Compare(here[x], here[y]), cmp.Compare(x, y))
	})
	for _, i := range movable { // where they stand is free for them
		if at := plants[i].Here; at >= 0 {
			free[at]++
		}
	}
	for i := range free {
		free[i] = max(0, free[i])
	}
	return movable, free
}

// here is how well it stands: below 0 where it must not stand there, or stands nowhere.
func (s Standing) here(spots []Spot) float64 {
	if s.Here < 0 || s.Cost(s.Here, spots[s.Here]) >= forbidden {
		return -1
	}
	return s.Score(s.Here)
}
