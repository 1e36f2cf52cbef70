package record_test

import (
	"bytes"
	"compress/gzip"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"fmt"
	"io"
	"os"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/treatment/sheet"
	"tendermend/exchange"
	"tendermend/internal/approve"
	"tendermend/record"
	"tendermend/record/due"
	"tendermend/record/told"
)

// What follows from the record of a whole clinic, at many moments of it, is what
// was approved: a print for each plant and each thing that is told of it.
func TestPrintsOfAWholeClinicStay(t *testing.T) {
	packed, err := os.ReadFile("../exchange/testdata/collection-v1.json.gz")
	require.NoError(t, err)
	in, err := gzip.NewReader(bytes.NewReader(packed))
	require.NoError(t, err)
	raw, err := io.ReadAll(in)
	require.NoError(t, err)
	archive, err := exchange.Understand(raw, today)
	require.NoError(t, err)
	kinds := plant.Kinds{}
	for _, k := range archive.Kinds {
		kinds[k.ID] = k.Profile
	}
	var b strings.Builder
	for _, p := range archive.Plants {
		said := map[string][]any{}
		entries := record.InOrder(p.Entries)
		for n := len(entries); n > 0; n -= 1 + n/6 {
			s := record.Fold(p.ID, entries[:n], kinds)
			if !s.Here {
				continue
			}
			on := entries[n-1].On
			for _, late := range []day.Day{0, 9, 45} {
				tell(said, s, entries[:n], on+late)
			}
		}
		for _, what := range []string{"tasks", "derived", "review", "figure", "seam", "follow", "situation"} {
			raw, err := json.Marshal(said[what])
			require.NoError(t, err)
			sum := sha256.Sum256(raw)
			fmt.Fprintf(&b, "%s %s %s\n", p.Name, what, hex.EncodeToString(sum[:6]))
		}
	}
	approve.Text(t, "testdata/prints.txt", b.String(), "\n")
}

// tell gathers what a state tells on a day.
func tell(said map[string][]any, s record.State, entries []record.Entry, on day.Day) {
	put := func(what string, v ...any) { said[what] = append(said[what], v...) }
	tasks := due.Tasks(s, false)
	put("tasks", tasks, due.Tasks(s, true), due.LoadOf(tasks), due.By(tasks, on, nil))
	put("derived", s.Derive(on, false), s.Derive(on, true))
	put("review", told.ReviewOf(s, entries, s.ArrivedOn, on), told.ReviewOf(s, entries, on-30, on))
	put("figure", s.Figure(), s.Standing(), s.MainCause(), s.Over(), s.EndedOn(), s.PieceIsolated(), s.LastLook())
	put("seam", told.SeamOf(s), told.SeamOf(s).Thin(20), s.PassedStages(), s.Events)
	water, watered := s.WaterWindow(false)
	stalls, can := due.StallsOn(s, false)
	dish, dished := s.DishLevel()
	reserves, lasts := s.ReservesLast(on)
	put("follow", s.Scores(), s.Rates(on), s.PestClocks(), water, watered, stalls, can, dish, dished, reserves, lasts)
	for _, c := range s.Courses {
		stall, stands := s.Stall(c, on, false)
		put("follow", stall, stands)
	}
	if s.Plan != nil {
		put("follow", s.Living(3, 2))
		for _, step := range s.Plan.Steps {
			next, due := s.NextOn(step)
			put("follow", s.DueOn(step.ID), next, due)
		}
	}
	sit := s.Situation(sheet.Answers{}, true, on, record.Context{})
	put(
		"situation",
		sit,
		sit.Causes,
		s.Examination(on, false),
	)
}
