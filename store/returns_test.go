package store_test

import (
	"compress/gzip"
	"io"
	"math/rand/v2"
	"os"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/recovery"
	"tendermend/exchange"
	"tendermend/internal/pgtest"
	"tendermend/record"
	"tendermend/store"
)

// inZone opens an account whose collection lies in a zone of time.
func inZone(t *testing.T, s *store.Store, zone string) store.Account {
	t.Helper()
	email := uuid.NewString() + "@example.org"
	a, err := s.CreateAccount(t.Context(), store.NewAccount{
		Email: email, Name: "Somebody", Password: "eight words", CollectionName: zone, TimeZone: zone,
	})
	require.NoError(t, err)
	return a
}

// comesBack takes an archive over into zones at both ends of the day and wants each of
// its entries to come out again as it went in.
func comesBack(t *testing.T, s *store.Store, file exchange.Archive, now time.Time) {
	t.Helper()
	for _, zone := range []string{"Pacific/Kiritimati", "UTC", "Pacific/Pago_Pago"} {
		mine := inZone(t, s, zone)
		added, err := s.Import(t.Context(), mine, file, mine.Collection.Today(now), nil)
		require.NoError(t, err, zone)
		entries := 0
		for _, p := range file.Plants {
			entries += len(p.Entries)
		}
		require.Equal(t, entries, added.Entries, "none is lost in %s", zone)
		out := pgtest.Archived(t, s, mine.Collection, nil, true)
		want := map[uuid.UUID]string{}
		for _, p := range file.Plants {
			for _, e := range p.Entries {
				want[e.ID] = asText(t, e)
			}
		}
		for _, p := range out.Plants {
			for _, e := range p.Entries {
				assert.JSONEq(t, want[e.ID], asText(t, e))
				delete(want, e.ID)
			}
		}
		assert.Empty(t, want, zone)
		twice, err := s.Import(t.Context(), mine, out, mine.Collection.Today(now), nil)
		require.NoError(t, err)
		assert.Zero(t, twice.Entries, "twice does nothing twice")
	}
}

// The archives of earlier editions come back whole in any zone.
func TestEarlierEditionsArchivesComeBack(t *testing.T) {
	for _, name := range []string{"collection-v1.json.gz", "collection-v2.json.gz"} {
		t.Run(name, func(t *testing.T) { editionComesBack(t, "../exchange/testdata/"+name) })
	}
}

func editionComesBack(t *testing.T, path string) {
	t.Helper()
	f, err := os.Open(path)
	require.NoError(t, err)
	defer f.Close()
	z, err := gzip.NewReader(f)
	require.NoError(t, err)
	raw, err := io.ReadAll(z)
	require.NoError(t, err)
	file, err := exchange.Read(raw)
	require.NoError(t, err)
	s := pgtest.Store(t)
	for i := range file.Plants {
		file.Plants[i].Pictures = nil // their way is tested for itself
	}
	comesBack(t, s, file, pgtest.Clock())
}

// Random lives, recorded as a carer might tap without a thought, come back whole: also
// those that today's rules would not take.
func TestRandomLivesComeBack(t *testing.T) {
	s := pgtest.Store(t)
	draw := rand.New(rand.NewPCG(11, 18))
	// Half past ten in the morning: it is the day after in the one zone and the day
	// before in the other.
	now := today.Time().Add(10*time.Hour + 30*time.Minute)
	file := exchange.Archive{Format: exchange.Format, Written: today, Places: []exchange.Place{}}
	for range 30 {
		file.Plants = append(file.Plants, randomLife(draw, now))
	}
	comesBack(t, s, again(t, file), now)
}

// randomLife makes a record up without asking any rule.
func randomLife(draw *rand.Rand, now time.Time) exchange.Plant {
	p := exchange.Plant{ID: newID(), Name: "Life", Pictures: []exchange.Picture{}}
	at := now.Add(-400 * 24 * time.Hour).Truncate(time.Microsecond)
	put := func(on day.Day, b record.Body) uuid.UUID {
		at = at.Add(time.Duration(1+draw.IntN(5000)) * time.Second)
		e := record.Entry{ID: newID(), PlantID: p.ID, On: on, RecordedAt: at, By: "Somebody", Body: b}
		if n := len(p.Entries); n > 3 && draw.IntN(12) == 0 && p.Entries[n-1].Kind() == b.Kind() {
			e.Replaces = &p.Entries[n-1].ID
		}
		p.Entries = append(p.Entries, e)
		return e.ID
	}
	pick := func(list ...string) string { return list[draw.IntN(len(list))] }
	began := today - day.Day(30+draw.IntN(300))
	put(began, record.Body{Arrived: &record.Arrived{Name: "Life", Habit: pick("aroid-vine", "woody", "fern")}})
	causes := []string{"root-rot", "mealybug", "drought", "virus", "no-such-cause"}
	stages := []string{"stabilise", "re-root", "mended", "knock-down", "callus"}
	for range 10 + draw.IntN(50) {
		on := today + 2 - day.Day(draw.IntN(int(today-began)+3))
		last := p.Entries[draw.IntN(len(p.Entries))].ID
		put(on, []record.Body{
			{Watered: &record.Watered{}},
			{Checked: &record.Checked{Readings: []record.Value{{Measure: pick("wilt", "rot", "omen"),
				Value: float64(draw.IntN(3))}}}},
			{Examined: &record.Examined{Present: []string{pick("root.mushy", "leaf.blue")},
				Chances: []diagnosis.CauseChance{}}},
			{Diagnosed: &record.Diagnosed{Causes: []string{pick(causes...)}}},
			{Staged: &record.Staged{Track: pick("foliage-rerooting", "pest-clearance", "gone"), From: pick(stages...),
				To: pick(stages...)}},
			{Did: &record.Did{Step: pick("unpot@d0", "no-step")}},
			{Closed: &record.Closed{Outcome: record.Outcome(pick("mended", "lost", "given-away", "kept-under-watch"))}},
			{Reopened: &record.Reopened{}},
			{Grown: &record.Grown{Growth: newID(), Sort: recovery.GrowthSort(pick("leaf", "root", "wing"))}},
			{Moved: &record.Moved{Isolation: record.Isolation(pick("clean", "isolated", "adrift"))}},
			{Dismissed: &record.Dismissed{Signal: pick("rot", "omen"), Reason: ""}},
			{Opened: &record.Opened{Why: ""}},
			{Voided: &record.Voided{Entry: last}},
		}[draw.IntN(13)])
	}
	return p
}
