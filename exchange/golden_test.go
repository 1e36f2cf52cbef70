package exchange_test

import (
	"compress/gzip"
	"encoding/json"
	"fmt"
	"io"
	"os"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/exchange"
	"tendermend/record"
)

// The archive was written by the first edition of the program: 31 plants with
// 2,039 entries. It must stay readable as long as there is a program; what its
// plans say stays as it was written, and they can be finished.
func TestTheFirstEditionsArchiveStaysReadable(t *testing.T) {
	raw, a := golden(t, "collection-v1.json.gz")
	require.Len(t, a.Plants, 31)
	entries, plans, finished := 0, 0, 0
	today := day.Day(1 << 30)
	for _, p := range a.Plants {
		entries += len(p.Entries)
		for _, e := range p.Entries {
			today = min(today, e.On)
		}
	}
	require.Equal(t, 2039, entries)
	for _, p := range a.Plants {
		var told []record.Entry
		last := p.Entries[0].On
		for _, e := range p.Entries {
			last = max(last, e.On)
			faults := record.Check(e, told, plant.Kinds{}, e.On+400)
			assert.Empty(t, faults, "%s on %s", e.Kind(), e.On)
			told = append(told, e)
		}
		s := record.Fold(p.Entries[0].PlantID, told, plant.Kinds{})
		if s.Plan == nil {
			continue
		}
		plans++
		// The plan stands as it was written: its steps read back to the same text.
		for _, e := range p.Entries {
			if e.Planned == nil || e.Planned.Plan == nil {
				continue
			}
			assert.Zero(t, e.Planned.Plan.Edition)
			assert.NotEmpty(t, e.Planned.Plan.Steps)
			for _, step := range e.Planned.Plan.Steps {
				assert.NotEmpty(t, step.Phase, step.ID)
				assert.NotEmpty(t, step.Title, step.ID)
				assert.Empty(t, step.Op, step.ID)
			}
		}
		if s.Closed != nil {
			continue
		}
		for _, step := range s.Plan.Steps { // every step that is open can still be ticked
			if _, ticked := s.Ticks[step.ID]; ticked {
				continue
			}
			did := record.Entry{
				ID:      [16]byte{byte(finished), 1},
				PlantID: p.Entries[0].PlantID,
				On:      last,
				Body:    record.Body{Did: &record.Did{Step: step.ID, Reason: "asked of every step"}},
			}
			assert.Empty(t, record.Check(did, told, plant.Kinds{}, last+1), step.ID)
			finished++
		}
	}
	told, err := os.ReadFile("testdata/told-v1.txt")
	require.NoError(t, err)
	assert.Equal(t, string(told), standings(a), "what the first edition told of each plant: standing and events")
	assert.Positive(t, plans)
	assert.Positive(t, finished)
	sameText(t, raw, a)
}

// The archive was written by the second edition, with cases and sittings: 37 plants with
// 2,427 entries. Each reads as it was written, and where the plants stand and what
// happened to them is what that edition told.
func TestTheSecondEditionsArchiveStaysReadable(t *testing.T) {
	raw, a := golden(t, "collection-v2.json.gz")
	require.Len(t, a.Plants, 37)
	entries := 0
	for _, p := range a.Plants {
		entries += len(p.Entries)
		for _, e := range p.Entries {
			if e.Planned != nil && e.Planned.Plan != nil {
				assert.NotEmpty(t, e.Planned.Plan.Sittings, p.Name)
			}
		}
	}
	assert.Equal(t, 2427, entries)
	told, err := os.ReadFile("testdata/told-v2.txt")
	require.NoError(t, err)
	assert.Equal(t, string(told), standings(a))
	sameText(t, raw, a)
}

// The archive was written by the third edition, whose ticks write what they make so: 37
// plants with 2,711 entries. Where the plants stand, what happened to them and what is
// known of each is what that edition told, but for the medium of what was set in a cup: it forgot that this is water.
func TestTheThirdEditionsArchiveStaysReadable(t *testing.T) {
	raw, a := golden(t, "collection-v3.json.gz")
	require.Len(t, a.Plants, 37)
	entries, effects := 0, 0
	kinds := map[record.Kind]int{}
	for _, p := range a.Plants {
		entries += len(p.Entries)
		for _, e := range p.Entries {
			kinds[e.Kind()]++
			if e.With != nil {
				effects++
			}
		}
	}
	assert.Equal(t, 2711, entries)
	assert.Equal(t, 265, effects)
	for kind, n := range map[record.Kind]int{record.KindStated: 138, record.KindCut: 26, record.KindSat: 5} {
		assert.Equal(t, n, kinds[kind], "%s", kind)
	}
	told, err := os.ReadFile("testdata/told-v3.txt")
	require.NoError(t, err)
	assert.Equal(t, string(told), standings(a)+known(a))
	sameText(t, raw, a)
}

// known tells of each plant what was told, measured or done to it by the last day of the archive.
func known(a exchange.Archive) string {
	var b strings.Builder
	for _, p := range a.Plants {
		s := record.Fold(p.Entries[0].PlantID, p.Entries, plant.Kinds{})
		last := p.Entries[0].On
		for _, e := range p.Entries {
			last = max(last, e.On)
		}
		fmt.Fprintf(&b, "%s knows:\n", s.Arrival.Label)
		for _, row := range s.Facts(last, record.Context{}).Rows() {
			if row.From == facts.Typed || row.From == facts.Measured || row.From == facts.Done {
				fmt.Fprintf(&b, "\t%s: %s, %s\n", row.ID, row.Value, row.On)
			}
		}
	}
	return b.String()
}

// golden reads an archive of an earlier edition.
func golden(t *testing.T, name string) (raw []byte, a exchange.Archive) {
	t.Helper()
	f, err := os.Open("testdata/" + name)
	require.NoError(t, err)
	defer func() { assert.NoError(t, f.Close()) }()
	zipped, err := gzip.NewReader(f)
	require.NoError(t, err)
	raw, err = io.ReadAll(zipped)
	require.NoError(t, err)
	a, err = exchange.Read(raw)
	require.NoError(t, err)
	return raw, a
}

// standings tells where each plant stands and what happened to it.
func standings(a exchange.Archive) string {
	var b strings.Builder
	for _, p := range a.Plants {
		s := record.Fold(p.Entries[0].PlantID, p.Entries, plant.Kinds{})
		fmt.Fprintf(&b, "%s: %s\n", s.Arrival.Label, s.Standing())
		for _, e := range s.Events {
			fmt.Fprintf(&b, "\t%s %s\n", e.On, e.What)
		}
	}
	return b.String()
}

// sameText holds every entry as it is read now, and written again, against the
// text of the archive: nothing is lost and nothing is said otherwise.
func sameText(t *testing.T, raw []byte, a exchange.Archive) {
	t.Helper()
	var written struct {
		Plants []struct {
			Entries []json.RawMessage `json:"entries"`
		} `json:"plants"`
	}
	require.NoError(t, json.Unmarshal(raw, &written))
	for i, p := range a.Plants {
		for k, e := range p.Entries {
			again, err := json.Marshal(e)
			require.NoError(t, err)
			require.JSONEq(t, string(written.Plants[i].Entries[k]), string(again))
		}
	}
}
