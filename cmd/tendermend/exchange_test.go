package main

import (
	"encoding/json"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/exchange"
	"tendermend/internal/pgtest"
	"tendermend/record"
	"tendermend/store"
)

func TestMain(m *testing.M) {
	if os.Getenv(asProgram) != "" {
		main()
		return
	}
	pgtest.Run(m)
}

// onDatabase gives a caller of the program on a migrated database of the test's
// own, with two accounts, and a store on the same.
func onDatabase(t *testing.T) (call func(args ...string) (out, errs string, status int), s *store.Store) {
	path := program(t)
	url, err := pgtest.Server().CreateDatabase(t.Context(), "commands")
	require.NoError(t, err)
	call = func(args ...string) (string, string, int) {
		var out, errs strings.Builder
		cmd := exec.Command(path, args...)
		cmd.Env, cmd.Stdout, cmd.Stderr = append(os.Environ(), "DATABASE_URL="+url), &out, &errs
		_ = cmd.Run()
		return out.String(), errs.String(), cmd.ProcessState.ExitCode()
	}
	_, errs, status := call("migrate")
	require.Zero(t, status, errs)
	s, err = store.Open(url, time.Now)
	require.NoError(t, err)
	t.Cleanup(func() { s.DB.Close() })
	return call, s
}

func TestACollectionGoesOutAndInFromTheCommandLine(t *testing.T) {
	call, s := onDatabase(t)
	one := pgtest.Account(t, s, "one@example.org")
	pgtest.Account(t, s, "two@example.org")
	today := day.At(time.Now()) - 1
	arrival := record.Entry{
		ID:      uuid.Must(uuid.NewV7()),
		PlantID: uuid.Must(uuid.NewV7()),
		On:      today,
		Body:    record.Body{Arrived: &record.Arrived{Name: "Fern by the door", Habit: "fern"}},
	}
	_, err := s.Append(t.Context(), one, arrival, today)
	require.NoError(t, err)

	for _, as := range []string{"archive", "entries", "register"} {
		out, errs, status := call("export", "-email", "one@example.org", "-as", as)
		require.Zero(t, status, errs)
		assert.Contains(t, out, "Fern by the door", as)
		none, _, _ := call("export", "-email", "two@example.org", "-as", as)
		assert.NotContains(t, none, "Fern by the door", as)
	}
	out, _, _ := call("export", "-email", "one@example.org")
	file := filepath.Join(t.TempDir(), "collection.json")
	require.NoError(t, os.WriteFile(file, []byte(out), 0o600))
	said, errs, status := call("import", "-email", "TWO@example.org", file)
	require.Zero(t, status, errs)
	assert.Equal(t, "1 plant, 1 record and 0 pictures taken over; 0 were here already\n", said)
	said, _, _ = call("import", "-email", "two@example.org", file)
	assert.Equal(
		t,
		"0 plants, 0 records and 0 pictures taken over; 1 were here already\n",
		said,
		"the same again does nothing twice",
	)
	back, _, _ := call("export", "-email", "two@example.org")
	var a, b exchange.Archive
	require.NoError(t, json.Unmarshal([]byte(out), &a))
	require.NoError(t, json.Unmarshal([]byte(back), &b))
	assert.Equal(t, a.Plants, b.Plants)

	forged := filepath.Join(t.TempDir(), "forged.json")
	require.NoError(
		t,
		os.WriteFile(forged, []byte(strings.ReplaceAll(out, "Fern by the door", "Fern by the gate")), 0o600),
	)
	for name, tc := range map[string]struct {
		args []string
		says string
	}{
		"nobody's":       {[]string{"export"}, "-email"},
		"a stranger's":   {[]string{"export", "-email", "who@example.org"}, "nobody signs in"},
		"no such format": {[]string{"export", "-email", "one@example.org", "-as", "poem"}, "archive, entries or register"},
		"no file":        {[]string{"import", "-email", "one@example.org"}, "takes one file"},
		"missing file":   {[]string{"import", "-email", "one@example.org", "nowhere.json"}, "nowhere.json"},
		"not ours":       {[]string{"import", "-email", "one@example.org", "main.go"}, "nothing was taken over"},
		"otherwise":      {[]string{"import", "-email", "two@example.org", forged}, "says otherwise"},
	} {
		out, errs, status := call(tc.args...)
		assert.Equal(t, 2, status, name)
		assert.Empty(t, out, name)
		assert.Contains(t, errs, tc.says, name)
	}
}

func TestRecomputeCommand(t *testing.T) {
	path := program(t)
	url, err := pgtest.Server().CreateDatabase(t.Context(), "recomputed")
	require.NoError(t, err)
	t.Setenv("DATABASE_URL", url)
	_, errs, status := call(t, path, "", "migrate")
	require.Zero(t, status, errs)
	out, errs, status := call(t, path, "", "recompute")
	require.Zero(t, status, errs)
	assert.Equal(t, "0 plants recomputed\n", out)
}

func TestSchemasComeOutAsJSON(t *testing.T) {
	path := program(t)
	for _, command := range []string{"case-schema", "archive-schema", "openapi"} {
		out, errs, status := call(t, path, "", command)
		require.Zero(t, status, errs)
		assert.True(t, json.Valid([]byte(out)), command)
	}
	// What is checked in is what the program says.
	for command, file := range map[string]string{"archive-schema": "archive.schema.json",
		"case-schema": "case.schema.json", "openapi": "openapi.json"} {
		want, err := os.ReadFile("../../docs/" + file)
		require.NoError(t, err)
		out, _, _ := call(t, path, "", command)
		assert.JSONEq(t, string(want), out, file)
	}
}

// A list is told as it is read, with no database, and what is wrong of it row by row.
func TestAListIsPreviewedFromTheCommandLine(t *testing.T) {
	file := filepath.Join(t.TempDir(), "mine.csv")
	const text = "Name;Species;Bought\nFred;Boston fern;1.3.2026\nIda;unheard of;\n"
	require.NoError(t, os.WriteFile(file, []byte(text), 0o600))
	raw, err := exec.Command(program(t), "import", "-preview", file).Output()
	require.NoError(t, err)
	var told struct {
		Plants []struct {
			Row                                      int
			Name, Kind, Habit, Label, Arrived, Place string
		}
		Readings []any
		Problems []struct {
			Row         int
			Column, Why string
		}
	}
	require.NoError(t, json.Unmarshal(raw, &told))
	require.Len(t, told.Plants, 2)
	fred := told.Plants[0]
	assert.Equal(t, []any{2, "Fred", "nephrolepis-exaltata", "fern", "2026-03-01"},
		[]any{fred.Row, fred.Name, fred.Kind, fred.Habit, fred.Arrived})
	assert.NotNil(t, told.Readings)
	require.Len(t, told.Problems, 1)
	assert.Equal(t, []any{3, "Species"}, []any{told.Problems[0].Row, told.Problems[0].Column})
	bad := exec.Command(program(t), "import", "-preview", filepath.Join(t.TempDir(), "none.csv"))
	require.Error(t, bad.Run())
	assert.Equal(t, 2, bad.ProcessState.ExitCode())
}
