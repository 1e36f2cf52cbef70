package compose

import (
	"slices"

	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// step is a step in the making.
type step = treatment.Step

type option func(*step)

func do(op treatment.OperatorID, opts ...option) step {
	s := step{Op: op}
	for _, o := range opts {
		o(&s)
	}
	return s
}

func organ(o treatment.Organ) option { return func(s *step) { s.Organ = o } }

func every(days int, until gate.Gate) option {
	return func(s *step) { s.Every, s.Until = days, until }
}

func until(what gate.Gate) option { return func(s *step) { s.Until = what } }

func with(f func(p *treatment.Params)) option { return func(s *step) { f(&s.Params) } }

func share(v float64) option         { return with(func(p *treatment.Params) { p.Share = num(v) }) }
func how(v string) option            { return with(func(p *treatment.Params) { p.How = v }) }
func what(v string) option           { return with(func(p *treatment.Params) { p.What = v }) }
func note(v string) option           { return with(func(p *treatment.Params) { p.Note = v }) }
func water(v treatment.Water) option { return with(func(p *treatment.Params) { p.Water = v }) }

func num(v float64) treatment.Number { return treatment.N(v) }

// The order of work inside one slot. A block keeps its own order; blocks stand
// by these ranks.
const (
	rankFirst    = -2 // people first, and what strangles
	rankStart    = 0  // isolate, baseline, neighbours
	rankSoak     = 4
	rankReady    = 10
	rankPull     = 12
	rankBlade    = 15
	rankPieces   = 20 // spikes, insurance, cuttings: before the cut they insure
	rankCrown    = 30
	rankLeaf     = 35
	rankSpray    = 40
	rankRoot     = 50
	rankAfter    = 60 // cover, shade, air
	rankWater    = 62
	rankLook     = 70
	rankPestBag  = 80
	rankLastLook = 81
)

// block is some steps of one day that stay in their order.
type block struct {
	rank, turn int
	kind       treatment.SittingKind
	held       string // why its day is later than it was asked for
	steps      []step
}

type slotOfDay struct {
	day  int
	slot treatment.Slot
}

// gated is a sitting that waits for something to be seen.
type gated struct {
	waits gate.Gate
	held  string
	kind  treatment.SittingKind
	steps []step
	// after is true where it counts days from the gated sitting before it.
	after bool
}

// draft is the plan under work.
type draft struct {
	days  map[slotOfDay][]block
	gates []gated
	turn  int
}

func (d *draft) at(day, rank int, steps ...step) { d.in(treatment.Morning, day, rank, "", steps...) }

func (d *draft) sit(kind treatment.SittingKind, day, rank int, steps ...step) {
	d.in(treatment.Morning, day, rank, kind, steps...)
}

func (d *draft) in(slot treatment.Slot, day, rank int, kind treatment.SittingKind, steps ...step) {
	if len(steps) == 0 {
		return
	}
	d.turn++
	key := slotOfDay{day, slot}
	d.days[key] = append(d.days[key], block{rank: rank, turn: d.turn, kind: kind, steps: steps})
}

// heldTo says of a day's sitting why it was not sooner.
func (d *draft) heldTo(day int, why string) {
	key := slotOfDay{day, treatment.Morning}
	for i := range d.days[key] {
		d.days[key][i].held = why
	}
}

// gate adds steps that wait for something. Steps that wait for the same
// stand together, unless they are a sitting of their own.
func (d *draft) gate(waits gate.Gate, steps ...step) {
	if len(steps) == 0 {
		return
	}
	if i := d.waiting(waits); i >= 0 {
		d.gates[i].steps = append(d.gates[i].steps, steps...)
		return
	}
	d.gates = append(d.gates, gated{waits: waits, steps: steps})
}

// gateFirst adds steps that wait for something, and puts what waits for that before all else that waits: it is done
// until then.
func (d *draft) gateFirst(waits gate.Gate, steps ...step) {
	d.gate(waits, steps...)
	i := d.waiting(waits)
	first := d.gates[i]
	d.gates = slices.Insert(slices.Delete(d.gates, i, i+1), 0, first)
}

// waiting is the index of the steps that wait for something and are no sitting of their own; -1 where there are none.
func (d *draft) waiting(waits gate.Gate) int {
	return slices.IndexFunc(d.gates, func(g gated) bool {
		return g.waits.Same(waits) && g.held == "" && g.kind == "" && !g.after
	})
}

// hold adds a whole sitting that waits for its gate, with what holds it.
func (d *draft) hold(kind treatment.SittingKind, waits gate.Gate, held string, steps ...step) {
	d.gates = append(d.gates, gated{waits: waits, held: held, kind: kind, steps: steps})
}

// then adds steps that come days after the gated sitting before them.
func (d *draft) then(waits gate.Gate, steps ...step) {
	if len(steps) > 0 {
		d.gates = append(d.gates, gated{waits: waits, steps: steps, after: true})
	}
}

func has(steps []step, ops ...treatment.OperatorID) bool {
	return slices.ContainsFunc(steps, func(s step) bool { return slices.Contains(ops, s.Op) })
}
