package diagnosis

import (
	"encoding/csv"
	"os"
	"strconv"
	"strings"
	"testing"

	"tendermend/core/plant"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// rowsOf reads a table as it is written down, with nothing of the program.
func rowsOf(t *testing.T, name string) [][]string {
	t.Helper()
	raw, err := os.ReadFile("tables/" + name)
	require.NoError(t, err)
	rows, err := csv.NewReader(strings.NewReader(string(raw))).ReadAll()
	require.NoError(t, err)
	return rows[1:]
}

// What a sheet tells of a cause is what stands in the tables.
func TestSheetsTellTheTables(t *testing.T) {
	chains := 0
	for _, r := range rowsOf(t, "chains.csv") {
		from, ok := Standard().SheetOf(r[0])
		require.True(t, ok)
		to, ok := Standard().SheetOf(r[1])
		require.True(t, ok)
		assert.Contains(t, from.BringsOn, r[1], r[0])
		assert.Contains(t, to.BroughtBy, r[0], r[1])
		chains++
	}
	brings, brought := 0, 0
	for _, c := range Causes() {
		s, _ := Standard().SheetOf(c.ID)
		brings, brought = brings+len(s.BringsOn), brought+len(s.BroughtBy)
	}
	assert.Equal(t, chains, brings)
	assert.Equal(t, chains, brought)

	raw, err := os.ReadFile("tables/links.txt")
	require.NoError(t, err)
	written := map[string]int{}
	for line := range strings.Lines(string(raw)) {
		for _, word := range strings.Fields(line)[1:] {
			sign, _, _ := strings.Cut(word, "=")
			written[sign]++
		}
	}
	for _, s := range Signs() {
		shows := Standard().CausesShowing(s.ID)
		assert.Len(t, shows, written[s.ID], s.ID)
		for i, by := range shows {
			assert.Positive(t, by.Frequency, s.ID)
			assert.True(t, i == 0 || shows[i-1].Frequency >= by.Frequency, s.ID)
		}
	}
}

// Odds before any answer: prior ÷ (1 − prior), times the chance that a cause brings on
// none of what it can bring on.
func TestOddsBeforeAnyAnswer(t *testing.T) {
	c := examine(t, look("aroid-vine"))
	p, causes := c.problem()
	for i, cause := range causes {
		id := c.k.causes[cause].ID
		want := c.Prior(id) / (1 - c.Prior(id))
		for _, r := range rowsOf(t, "chains.csv") {
			if w, err := strconv.ParseFloat(r[2], 64); r[0] == id && c.Prior(r[1]) > 0 {
				require.NoError(t, err)
				want *= 1 - w
			}
		}
		assert.InDelta(t, want, p.odds[i], 1e-9, id)
	}
}

// What helps and harms a cause is what the table of moves says.
func TestSheetsNameEveryMoveThatMatters(t *testing.T) {
	helps, harms := map[string]int{}, map[string]int{}
	for _, r := range rowsOf(t, "moves.csv") {
		for _, word := range strings.Fields(r[len(r)-1]) {
			id, by, _ := strings.Cut(word, "=")
			if strings.HasPrefix(by, "-") {
				harms[id]++
			} else {
				helps[id]++
			}
		}
	}
	for _, c := range Causes() {
		s, _ := Standard().SheetOf(c.ID)
		assert.Len(t, s.Helps, helps[c.ID], c.ID)
		assert.Len(t, s.Harms, harms[c.ID], c.ID)
	}
}

// What a habit cannot have stands on no key of it, and has no evidence.
func TestWhatAHabitCannotHaveIsNotNamed(t *testing.T) {
	cannot := 0
	for _, h := range plant.Habits() {
		c := examine(t, look(h.ID, "leaf.drooping"))
		for _, row := range Standard().KeyOf(h, nil) {
			for _, id := range []string{row.Cause, row.Alike} {
				assert.True(t, id == "" || Standard().PriorFor(id, h, "") > 0, "%s on %s", id, h.ID)
			}
		}
		for _, known := range Causes() {
			if c.Prior(known.ID) == 0 {
				cannot++
				assert.Empty(t, c.Evidence([]string{known.ID})[known.ID], "%s on %s", known.ID, h.ID)
			}
		}
	}
	assert.Positive(t, cannot)
}

// A case that can no longer be read teaches nothing, and breaks nothing.
func TestACaseThatCannotBeReadTeachesNothing(t *testing.T) {
	good := WorkedCase{Examination: look("fern", "pest.webbing"), Causes: []string{"spider-mite"}, Known: true}
	lost, odd := good, good
	lost.Examination = look("fern", "sign.gone")
	odd.Examination = look("moss", "pest.webbing")
	k := Standard()
	assert.Equal(t, k.Learn([]WorkedCase{good}), k.Learn([]WorkedCase{lost, good, odd}))
}

// It is enough where a cause reaches one third and some cause is likelier than none.
func TestWhenAnExaminationIsEnough(t *testing.T) {
	for chance, want := range map[float64]bool{0.34: false, 0.49: false, 0.51: true} {
		c := made(t, look("aroid-vine", "leaf.torn"), map[string]float64{"breakage": chance})
		assert.Equal(t, want, c.Result().Enough, chance)
	}
	two := made(t, look("aroid-vine"), map[string]float64{"breakage": 0.32, "drought": 0.40, "rust": 0.28})
	assert.True(t, two.Result().Enough)
}
