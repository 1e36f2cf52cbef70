package store_test

import (
	"bytes"
	"encoding/json"
	"fmt"
	"os"
	"slices"
	"syscall"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/exchange"
	"tendermend/internal/pgtest"
	"tendermend/record"
	"tendermend/store"
)

// again writes an archive out and reads it in.
func again(t *testing.T, a exchange.Archive) exchange.Archive {
	t.Helper()
	copied, err := exchange.Read(bytes.TrimSpace(pgtest.JSON(t, a)))
	require.NoError(t, err)
	return copied
}

// What was recorded once comes back whatever the rules of today are; what of it does
// not fit them is told.
func TestWhatWasRecordedOnceIsKept(t *testing.T) {
	s := pgtest.Store(t)
	one := pgtest.Account(t, s, "one@example.org")
	kept(t, s, one)
	good := pgtest.Archived(t, s, one.Collection, nil, true)
	old := day.Day(40 * 366)
	for name, change := range map[string]func(*exchange.Archive){
		"a day ahead":          func(a *exchange.Archive) { a.Plants[0].Entries[3].On = today + 2 },
		"over thirty years":    func(a *exchange.Archive) { a.Plants[0].Entries[0].On = today - old },
		"before its arrival":   func(a *exchange.Archive) { a.Plants[0].Entries[1].On = today - 90 },
		"an unknown place":     func(a *exchange.Archive) { a.Places = nil },
		"an unknown kind":      func(a *exchange.Archive) { a.Kinds = nil },
		"a range narrowed":     func(a *exchange.Archive) { a.Kinds[0].Light = [3]float64{9, 5, 1} },
		"a cause withdrawn":    func(a *exchange.Archive) { a.Plants[0].Entries[1].Diagnosed.Causes = []string{"vapours"} },
		"a step of no plan":    func(a *exchange.Archive) { a.Plants[0].Entries[3].Did.Step = "ready-pot@d9" },
		"a stage never passed": func(a *exchange.Archive) { stage(a) },
		"an absurd number": func(a *exchange.Archive) {
			a.Plants[0].Entries[3].Body = record.Body{Weighed: &record.Weighed{Grams: 9e9}}
		},
	} {
		t.Run(name, func(t *testing.T) {
			mine := pgtest.Account(t, s, uuid.NewString()+"@example.org")
			file := again(t, good)
			change(&file)
			added, err := s.Import(t.Context(), mine, file, today, nil)
			require.NoError(t, err)
			assert.Equal(t, len(file.Plants[0].Entries), added.Entries)
			assert.NotEmpty(t, added.Notes)
			back := pgtest.Archived(t, s, mine.Collection, nil, true)
			assert.Equal(t, len(file.Plants[0].Entries), len(back.Plants[0].Entries), "and goes out again")
			_, err = s.Recompute(t.Context())
			require.NoError(t, err)
		})
	}
	for name, spoil := range map[string]func(*exchange.Archive){
		"no arrival": func(a *exchange.Archive) { a.Plants[0].Entries = a.Plants[0].Entries[1:] },
		"corrects what is not there": func(a *exchange.Archive) {
			strange := newID()
			a.Plants[0].Entries[2].Replaces = &strange
		},
		"no day of a plant": func(a *exchange.Archive) { a.Plants[0].Entries[1].On = day.Of(1799, 12, 31) },
	} {
		mine := pgtest.Account(t, s, uuid.NewString()+"@example.org")
		file := again(t, good)
		spoil(&file)
		_, err := s.Import(t.Context(), mine, file, today, nil)
		var faults record.Faults
		assert.ErrorAs(t, err, &faults, name)
	}
}

// stage adds a stage that the plan of today does not have.
func stage(a *exchange.Archive) {
	p := &a.Plants[0]
	e := record.Entry{
		ID: newID(), PlantID: p.ID, On: today - 1, RecordedAt: pgtest.Clock(),
		Body: record.Body{Staged: &record.Staged{Track: "foliage-rerooting", From: "mended", To: "knock-down"}},
	}
	p.Entries = append(p.Entries, e)
}

// What is typed by hand into a table is judged by the rules of today.
func TestWhatIsTypedByHandIsJudged(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	plant := newID()
	file := exchange.Archive{Format: exchange.Format, Plants: []exchange.Plant{{ID: plant, Entries: []record.Entry{
		arrivalOf(plant, today-3), entry(plant, today+1, record.Body{Watered: &record.Watered{}}),
	}}}}
	_, err := s.Import(t.Context(), a, file, today, nil)
	var faults record.Faults
	require.ErrorAs(t, err, &faults)
	assert.Contains(t, faults.Error(), "still to come")
	file.Plants[0].Entries[1].On = today
	added, err := s.Import(t.Context(), a, file, today, nil)
	require.NoError(t, err)
	assert.Equal(t, 2, added.Entries)
}

func arrivalOf(plant uuid.UUID, on day.Day) record.Entry {
	e := arrival("Vine", on)
	e.PlantID = plant
	return e
}

// A kind goes out with all its versions and comes back with them.
func TestAKindGoesOutWithAllItsVersions(t *testing.T) {
	s := pgtest.Store(t)
	one, two := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	kept(t, s, one)
	good := pgtest.Archived(t, s, one.Collection, nil, true)
	changed := good.Kinds[0].Profile
	changed.Habit, changed.Botanical = "fern", "Renamed since"
	s.Clock = func() time.Time { return pgtest.Clock().Add(time.Hour) }
	require.NoError(t, s.SaveKind(t.Context(), one, changed, 1, false))
	out := pgtest.Archived(t, s, one.Collection, nil, true)
	require.Len(t, out.Kinds[0].Versions, 2)
	added, err := s.Import(t.Context(), two, again(t, out), today, nil)
	require.NoError(t, err)
	assert.Zero(t, added.Unfit, "its arrival fits the version of its day: %v", added.Notes)
	back := pgtest.Archived(t, s, two.Collection, nil, true)
	assert.Equal(t, asText(t, out.Kinds), asText(t, back.Kinds))
}

func asText(t *testing.T, v any) string {
	t.Helper()
	raw, err := json.Marshal(v)
	require.NoError(t, err)
	return string(raw)
}

// A record of ten thousand entries in any order comes in in proportion to its length.
func TestEntriesInFallingDaysComeInInTime(t *testing.T) {
	if os.Getenv("SLOW") == "" {
		t.Skip("measured by hand: SLOW=1")
	}
	for _, typed := range []bool{false, true} {
		s := pgtest.Store(t)
		a := pgtest.Account(t, s, "one@example.org")
		plant, growth := newID(), newID()
		const many = 10_000
		list := []record.Entry{arrivalOf(plant, today-many-1)}
		for i := range many {
			size := float64(i%4000) + 1
			e := entry(plant, today-day.Day(i), record.Body{Grown: &record.Grown{
				Growth: growth, Sort: recovery.Leaf, SizeMM: &size,
			}})
			list = append(list, e)
		}
		if !typed {
			for i := range list {
				list[i].RecordedAt = pgtest.Clock().Add(time.Duration(i) * time.Second)
			}
		}
		slices.Reverse(list[1:])
		slices.Reverse(list[1:])
		before := cpu()
		file := exchange.Archive{Format: exchange.Format, Plants: []exchange.Plant{{ID: plant, Entries: list}}}
		added, err := s.Import(t.Context(), a, file, today, nil)
		require.NoError(t, err)
		assert.Equal(t, many+1, added.Entries)
		fmt.Printf("typed %v: %d entries in falling days, %.1f s of CPU\n", typed, many, cpu()-before)
	}
}

// cpu is the processor time of this program so far, in seconds.
func cpu() float64 {
	var used syscall.Rusage
	_ = syscall.Getrusage(syscall.RUSAGE_SELF, &used)
	return time.Duration(used.Utime.Nano() + used.Stime.Nano()).Seconds()
}

// A case ends once, and a plan takes the place of the one that is named.
func TestACaseEndsOnceAndAPlanReplacesTheOneItNames(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	plant, _ := kept(t, s, a)
	send := func(b record.Body, accepted ...record.ConcernID) error {
		_, err := s.Append(t.Context(), a, entry(plant, today, b), today, accepted...)
		return err
	}
	conflict := func(err error) {
		t.Helper()
		var faults record.Faults
		require.ErrorAs(t, err, &faults)
		assert.True(t, faults.Conflict(), "%v", faults)
	}
	conflict(send(record.Body{Planned: &record.Planned{}}))
	state, err := s.State(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	instead := state.PlanEntry
	require.NoError(t, send(record.Body{Planned: &record.Planned{Instead: &instead, Keeps: true}}))
	conflict(send(record.Body{Planned: &record.Planned{Instead: &instead}}))
	kept := record.Body{Closed: &record.Closed{Outcome: record.OutcomeKept}}
	require.NoError(t, send(kept))
	conflict(send(kept))
	lost := record.Body{Closed: &record.Closed{Outcome: record.OutcomeLost, Reason: "rot"}}
	require.NoError(t, send(lost))
	conflict(send(lost))
}

// The same id with another envelope is not the same submission.
func TestTheWholeEnvelopeIsCompared(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	plant := takeIn(t, s, a, "Vine", today-9)
	first, second := entry(plant, today-2, record.Body{Watered: &record.Watered{}}), newID()
	_, err := s.Append(t.Context(), a, first, today)
	require.NoError(t, err)
	e := entry(plant, today-2, record.Body{Watered: &record.Watered{Millilitres: p(50.0)}})
	e.ID, e.Replaces = second, &first.ID
	_, err = s.Append(t.Context(), a, e, today)
	require.NoError(t, err)
	_, err = s.Append(t.Context(), a, e, today)
	require.NoError(t, err, "sent again")
	e.Replaces = nil
	_, err = s.Append(t.Context(), a, e, today)
	assert.ErrorIs(t, err, store.ErrConflict)
}

func p[T any](v T) *T { return &v }
