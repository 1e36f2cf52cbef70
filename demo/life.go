package demo

import (
	"math"
	"math/rand/v2"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/roots"
	"tendermend/core/water"
	"tendermend/record"
	"tendermend/sim"
)

// life is a made-up plant that is really alive, and what its carer knows of it.
type life struct {
	plant    *sim.Plant
	now      day.Day
	nextLook day.Day
	nextShot day.Day
	every    int // days between pictures
	away     [][2]int
	leaves   map[int]uuid.UUID // strands by leaf
	bulbs    map[int]uuid.UUID
	roots    map[int]uuid.UUID
	written  map[uuid.UUID]float64 // last size written of a strand
	figure   string
	fed      day.Day
	careless float64    // chance that a dry pot is not noticed on a day
	sticks   *rand.Rand // chance of its own: sticks change nothing else of the story
	stop     bool       // the carer records no more gates
}

// begin brings the plant to life on the day it came.
func (h *hand) begin(s sim.Spec) {
	if h.err != nil {
		return
	}
	state := h.state()
	s.Habit = state.Habit
	if s.Leaves == 0 && state.Arrival.Leaves != nil {
		s.Leaves = min(*state.Arrival.Leaves, 26)
	}
	if s.PotMM == 0 {
		s.PotMM = 100
		if d := state.Pot.DepthCM; d != nil {
			s.PotMM = *d * 10
		}
	}
	if s.WarmC == 0 {
		s.WarmC = 20.5
	}
	if s.Lag == 0 {
		s.Lag, s.Every, s.RootMM = 8, 3.5, 1.7
	}
	seed := uint64(7)
	for _, r := range h.label {
		seed = seed*131 + uint64(r)
	}
	h.life = &life{
		plant:    sim.New(s, state.ArrivedOn, seed),
		now:      state.ArrivedOn,
		nextLook: state.ArrivedOn,
		nextShot: state.ArrivedOn,
		every:    24,
		leaves:   map[int]uuid.UUID{},
		bulbs:    map[int]uuid.UUID{},
		roots:    map[int]uuid.UUID{},
		written:  map[uuid.UUID]float64{},
		figure:   state.Habit.Figure,
		careless: 0.2,
		sticks:   rand.New(rand.NewPCG(seed, 41)),
	}
	h.shoot(state.ArrivedOn)
	h.life.nextShot += day.Day(h.life.every)
}

// live lets days go by until so many days before today: the plant lives, and its
// carer looks, waters, follows the plan and passes gates as they open.
func (h *hand) live(until int) {
	if h.life == nil {
		return
	}
	for l := h.life; l.now < h.on(until) && h.err == nil; {
		l.now++
		l.plant.Step()
		if h.gone(l.now) {
			continue
		}
		state := h.state()
		if state.Over() {
			return
		}
		h.pour(state)
		if l.now < l.nextLook {
			continue
		}
		h.look()
	}
}

// gone says whether nobody is there on a day.
func (h *hand) gone(on day.Day) bool {
	for _, a := range h.life.away {
		if on > h.on(a[0]) && on < h.on(a[1]) {
			return true
		}
	}
	return false
}

// pour waters a pot that is found dry enough.
func (h *hand) pour(state record.State) {
	l := h.life
	if _, stage, in := state.CurrentStage(); in && stage.HoldsWater {
		l.plant.Water = max(l.plant.Water, 0.5) // over a cup, misted: not watered as a pot
		return
	}
	dry := 0.38
	if state.Wants.WaterRule == plant.DryThrough {
		dry = 0.14
	}
	h.stick(state)
	if state.Plan == nil && state.Examined == nil || l.plant.Water > dry || h.chance.Float64() < l.careless {
		return
	}
	l.plant.GiveWater()
	h.writeOn(l.now, record.Body{Watered: &record.Watered{}})
}

// The carers took to the stick two months ago, and use it on every fourth day or so of a plant.
const (
	sticksSince = 60
	stickChance = 0.25
	stickSlip   = 0.08
)

// stick records what a stick finds in a pot, a little wrong at times.
func (h *hand) stick(state record.State) {
	l := h.life
	rule, asks := drying.RuleOf(state.Wants.WaterRule)
	if !asks || l.now < h.on(sticksSince) || l.sticks.Float64() > stickChance {
		return
	}
	found := drying.WetAt(rule.Depth, l.plant.Water) + stickSlip*l.sticks.NormFloat64()
	h.writeOn(l.now, record.Body{Probed: &record.Probed{Moisture: water.Moisture(drying.Found(found))}})
}

// look is a check-in with all that follows from it.
func (h *hand) look() {
	l := h.life
	h.tickDue(l.now)
	state := h.state()
	every := state.Habit.LookDays * 2
	asked := map[string]bool{}
	for _, c := range state.Courses {
		if _, stage, in := c.In(); in {
			every = min(every, stage.LookDays)
			for _, m := range state.Asks(stage) {
				asked[m.ID] = true
			}
		}
	}
	if state.Plan == nil {
		l.nextLook = l.now + 7
		return
	}
	for _, m := range recovery.Measures() {
		if m.Unstaged && state.Mended() {
			asked[m.ID] = true
		}
	}
	l.nextLook = l.now + day.Day(every+h.chance.IntN(2))
	var readings []record.Value
	for _, m := range recovery.Measures() {
		if !asked[m.ID] {
			continue
		}
		if v, ok := h.read(state, m.ID); ok {
			readings = append(readings, record.Value{Measure: m.ID, Value: v})
		}
	}
	if len(readings) > 0 {
		h.writeOn(l.now, record.Body{Checked: &record.Checked{Readings: readings}})
	}
	h.strands()
	h.weighBare(state)
	l.plant.Looked()
	if l.now >= l.nextShot {
		h.shoot(l.now)
		l.nextShot = l.now + day.Day(l.every)
	}
	h.feedNow(state)
	h.gates()
}

// betweenWeighings is how often a plant in a cup is put on the scale, in days.
const betweenWeighings = 9

// weighBare weighs what lives on its reserves in a cup, where it is lifted anyway.
func (h *hand) weighBare(state record.State) {
	if _, stage, in := state.CurrentStage(); !in || stage.ID != "cup" {
		return
	}
	if n := len(state.Bare); n > 0 && h.life.now-state.Bare[n-1].On < betweenWeighings {
		return
	}
	h.writeOn(h.life.now, record.Body{Weighed: &record.Weighed{Grams: math.Round(h.life.plant.Grams()), Bare: true}})
}

// read gives a reading: what the plant shows, or what the carer did.
func (h *hand) read(state record.State, measure string) (float64, bool) {
	inStage := 0
	if courses := state.Leading(); len(courses) > 0 {
		inStage = int(h.life.now - courses[0].Began)
	}
	switch measure {
	case "drained":
		return 1, true
	case "repotted":
		return float64(yesNo(inStage >= 4)), true
	case "treated":
		for _, step := range state.Plan.Steps {
			if _, ticked := state.Ticks[step.ID]; step.Pest != nil && !ticked {
				return 0, true
			}
		}
		return 1, true
	case "out-of-chamber":
		h.life.plant.Uncover(inStage >= 5)
	}
	return h.life.plant.Read(measure)
}

// feedNow feeds lightly once a month in stages that allow it.
func (h *hand) feedNow(state record.State) {
	courses := state.Leading()
	if len(courses) == 0 || h.life.now-h.life.fed < 30 {
		return
	}
	track, _, in := courses[0].In()
	if in && courses[0].Stage < len(track.Stages)-1 || track.Beside || h.life.now-courses[0].Began < 14 {
		return
	}
	h.life.fed = h.life.now
	h.writeOn(h.life.now, record.Body{Fed: &record.Fed{Strength: 0.5, Product: "leaf plant feed 3-1-2"}})
}

// gates passes the stages whose gates are open, and steps back where it must.
func (h *hand) gates() {
	if h.life.stop {
		return
	}
	state := h.state()
	for _, c := range state.Courses {
		track, stage, in := c.In()
		if !in {
			continue
		}
		if back, found := track.FindSetback(c.Stage, state.Readings, c.Began, h.life.now); found {
			h.writeOn(
				h.life.now,
				record.Body{
					Staged: &record.Staged{Track: c.Track, From: stage.ID, To: back.BackTo, Reason: back.Why},
				},
			)
			h.life.plant.Treat()
			continue
		}
		if !state.Gate(c, h.life.now).Open {
			continue
		}
		to := recovery.Mended
		if c.Stage+1 < len(track.Stages) {
			to = track.Stages[c.Stage+1].ID
		}
		h.writeOn(h.life.now, record.Body{Staged: &record.Staged{Track: c.Track, From: stage.ID, To: to}})
	}
}

// countRoots writes a tally of what lives and died.
func (h *hand) countRoots(daysAgo int, c roots.Count, ball float64) {
	longest, _ := h.life.plant.Read("longest-root")
	tips, _ := h.life.plant.Read("live-tips")
	h.tally(daysAgo, c, longest, int(tips), ball)
}
