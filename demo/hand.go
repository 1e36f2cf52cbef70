// Package demo makes up a clinic: a volunteer plant clinic in a converted ferry
// terminal, nine months of it, always the same and relative to today. All of it
// is invented.
package demo

import (
	"context"
	"fmt"
	"math/rand/v2"
	"time"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/roots"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/core/water"
	"tendermend/record"
	"tendermend/store"
)

// The account that the demo opens.
const (
	Email    = "clinic@ferry-terminal.example"
	Password = "a tender mend holds"
)

// space keeps the demo's ids the same in every run.
var space = uuid.NewSHA1(uuid.NameSpaceURL, []byte("tendermend:demo"))

func id(name string) uuid.UUID { return uuid.NewSHA1(space, []byte(name)) }

// clinic writes the demo's record as carers would have, each entry on its day.
type clinic struct {
	ctx     context.Context
	store   *store.Store
	account store.Account
	today   day.Day
	places  map[string]uuid.UUID
	hands   []*hand
	err     error // the first thing that went wrong; nothing is written after it
}

// hand records one plant's story. Days are counted back from today.
type hand struct {
	*clinic
	label    string
	plant    uuid.UUID
	entries  []record.Entry
	shots    []snapshot
	pictures []store.Picture // drawn from the shots
	chance   *rand.Rand
	life     *life
	seen     int          // entries that the folded state knows
	folded   record.State // as of those
}

func (c *clinic) on(daysAgo int) day.Day { return c.today - day.Day(daysAgo) }

// carers take turns; the account's own name stands first.
var carers = []string{"Ilse", "Ilse", "Tomas", "Ilse", "Marit"}

func (h *hand) write(daysAgo int, b record.Body) uuid.UUID { return h.writeOn(h.on(daysAgo), b) }

// writeOn checks and completes an entry as the store would, and keeps it until
// the whole story is written at once.
func (h *hand) writeOn(on day.Day, b record.Body) uuid.UUID {
	if h.err != nil {
		return uuid.Nil
	}
	n := len(h.entries) + 1
	e := record.Entry{
		ID:      id(fmt.Sprintf("%s/%d", h.label, n)),
		PlantID: h.plant,
		On:      on,
		Body:    b,
		By:      carers[int(on)%len(carers)],
	}
	e.RecordedAt = recordedAt(on, n)
	ledger := record.NewLedger(h.plant, h.entries, plant.Kinds{})
	e.With = ledger.With(e)
	if err := ledger.Complete(&e, record.Context{Kinds: plant.Kinds{}}); err != nil {
		h.err = fmt.Errorf("demo plant %s, entry %d on %s: %w", h.label, n, on, err)
	}
	h.keep(ledger, e)
	for _, effect := range ledger.Effects(h.entries[len(h.entries)-1]) {
		effect.By = e.By
		h.keep(ledger, effect)
	}
	return e.ID
}

// keep checks and adds one.
func (h *hand) keep(ledger *record.Ledger, e record.Entry) {
	n := len(h.entries) + 1
	e.RecordedAt = recordedAt(e.On, n)
	if faults := ledger.Check(e, h.today); len(faults) > 0 && h.err == nil {
		h.err = fmt.Errorf("demo plant %s, entry %d on %s: %w", h.label, n, e.On, faults)
	}
	h.entries = append(h.entries, e)
	ledger.Add(e)
}

// recordedAt is nine in the morning of an entry's day, each a second later.
func recordedAt(on day.Day, n int) time.Time {
	return on.Time().Add(9*time.Hour + time.Duration(n)*time.Second)
}

// state folds what is written so far.
func (h *hand) state() record.State {
	if h.seen != len(h.entries) {
		h.folded, h.seen = record.Fold(h.plant, h.entries, plant.Kinds{}), len(h.entries)
	}
	return h.folded
}

// keep writes every story into the database.
func (c *clinic) keep() error {
	if c.err != nil {
		return c.err
	}
	if err := c.develop(); err != nil {
		return err
	}
	for _, h := range c.hands {
		p := store.PlantRecord{ID: h.plant, Entries: h.entries, Pictures: h.pictures}
		if _, err := c.store.ImportPlant(c.ctx, c.account, p); err != nil {
			return fmt.Errorf("demo plant %s: %w", h.label, err)
		}
	}
	return c.err
}

func (c *clinic) arrive(daysAgo int, place string, a record.Arrived) *hand {
	seed := uint64(0)
	for _, r := range a.Label {
		seed = seed*131 + uint64(r)
	}
	h := &hand{clinic: c, label: a.Label, plant: id(a.Label), chance: rand.New(rand.NewPCG(1905, seed))}
	c.hands = append(c.hands, h)
	at := c.places[place]
	a.Place = &at
	h.write(daysAgo, record.Body{Arrived: &a})
	return h
}

func (h *hand) examine(daysAgo int, present, absent []string) {
	h.write(daysAgo, record.Body{Examined: &record.Examined{Present: present, Absent: absent}})
}

func (h *hand) accept(daysAgo int, causes ...string) {
	h.write(daysAgo, record.Body{Diagnosed: &record.Diagnosed{Causes: append([]string{}, causes...)}})
}

func (h *hand) plan(daysAgo int, a sheet.Answers) {
	h.write(daysAgo, record.Body{Planned: &record.Planned{Answers: a}})
}

// carryOut does what the plan asks for by a day.
func (h *hand) carryOut(daysAgo int) { h.tickDue(h.on(daysAgo)) }

// tickDue ticks what was due by a day and is not ticked yet, as of that day.
func (h *hand) tickDue(on day.Day) {
	if h.err != nil || h.state().Plan == nil {
		return
	}
	for _, step := range h.state().Plan.Steps {
		state := h.state()
		if _, ticked := state.Ticks[step.ID]; ticked || state.DueOn(step.ID) > on {
			continue
		}
		if h.life != nil && step.Pest != nil {
			h.life.plant.Spray()
		}
		h.writeOn(on, record.Body{Did: &record.Did{Step: step.ID}})
	}
}

// skip leaves out the open steps of an operator, and says why.
func (h *hand) skip(daysAgo int, op treatment.OperatorID, why string) {
	for _, step := range h.state().Plan.Steps {
		if _, ticked := h.state().Ticks[step.ID]; step.Op == string(op) && !ticked {
			h.write(daysAgo, record.Body{Did: &record.Did{Step: step.ID, Skipped: true, Reason: why}})
		}
	}
}

// water writes waterings about every so many days, from one day to a later one.
func (h *hand) water(from, to, every int) {
	for d := from; d >= to; d -= every + h.chance.IntN(3) - 1 {
		h.write(d, record.Body{Watered: &record.Watered{}})
	}
}

func (h *hand) probe(daysAgo int, m water.Moisture) {
	h.write(daysAgo, record.Body{Probed: &record.Probed{Moisture: m}})
}

// try begins a trial that asks for its result after so many days.
func (h *hand) try(daysAgo int, what, hope string, days int) (trial uuid.UUID) {
	return h.write(daysAgo, record.Body{Tried: &record.Tried{What: what, Hope: hope, Days: days}})
}

// check writes a check-in: measure, value, measure, value …
func (h *hand) check(daysAgo int, readings ...any) {
	c := record.Checked{}
	for i := 0; i+1 < len(readings); i += 2 {
		value, ok := readings[i+1].(float64)
		if n, whole := readings[i+1].(int); whole {
			value, ok = float64(n), true
		}
		if !ok && h.err == nil {
			h.err = fmt.Errorf("demo plant %s: reading %v is no number", h.label, readings[i+1])
		}
		c.Readings = append(c.Readings, record.Value{Measure: readings[i].(string), Value: value})
	}
	h.write(daysAgo, record.Body{Checked: &c})
}

func (h *hand) stage(daysAgo int, track, from, to, reason string) {
	h.write(daysAgo, record.Body{Staged: &record.Staged{Track: track, From: from, To: to, Reason: reason}})
}

func (h *hand) move(daysAgo int, place string, state record.Isolation, why string) {
	m := record.Moved{Isolation: state, Reason: why}
	if place != "" {
		at := h.places[place]
		m.Place = &at
	}
	h.write(daysAgo, record.Body{Moved: &m})
}

func (h *hand) confirm(daysAgo int, how string, causes ...string) {
	h.write(daysAgo, record.Body{Confirmed: &record.Confirmed{Causes: causes, How: how}})
}

// tally writes a count of roots in the medium, with the live root ball in cm.
func (h *hand) tally(daysAgo int, c roots.Count, longest float64, tips int, ball float64) {
	h.write(
		daysAgo,
		record.Body{
			Tallied: &record.Tallied{
				Tally: roots.Tally{InMedium: c, LongestMM: &longest, Tips: &tips, RootBallCM: &ball},
			},
		},
	)
}

func (h *hand) potted(daysAgo int, width, depth float64, medium string) {
	h.write(daysAgo, record.Body{Potted: &record.Potted{WidthCM: &width, DepthCM: &depth, Medium: medium}})
}

func (h *hand) meter(daysAgo int, lux, hours, low, high, humidity float64) {
	h.write(
		daysAgo,
		record.Body{
			Metered: &record.Metered{Lux: &lux, Hours: &hours, MinC: &low, MaxC: &high, HumidityPct: &humidity},
		},
	)
}

func (h *hand) note(daysAgo int, text string) {
	h.write(daysAgo, record.Body{Noted: &record.Noted{Text: text}})
}

func (h *hand) close(daysAgo int, how record.Outcome, why string) {
	h.write(daysAgo, record.Body{Closed: &record.Closed{Outcome: how, Reason: why}})
}

func p[T any](v T) *T { return &v }
