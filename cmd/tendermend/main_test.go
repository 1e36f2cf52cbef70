package main

import (
	"bytes"
	"encoding/json"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// asProgram has the tests' own binary be the program: nothing is built a second time.
const asProgram = "TENDERMEND_TEST_AS_PROGRAM"

// program gives the path of the program.
func program(t *testing.T) string {
	t.Helper()
	t.Setenv(asProgram, "1")
	path, err := os.Executable()
	require.NoError(t, err)
	return path
}

func call(t *testing.T, path, input string, args ...string) (out, errs string, status int) {
	t.Helper()
	var stdout, stderr bytes.Buffer
	cmd := exec.Command(path, args...)
	cmd.Stdin, cmd.Stdout, cmd.Stderr = strings.NewReader(input), &stdout, &stderr
	_ = cmd.Run()
	return stdout.String(), stderr.String(), cmd.ProcessState.ExitCode()
}

func TestDiagnoseCommand(t *testing.T) {
	path := program(t)
	const one = `{"habit":"aroid-vine","season":"winter","present":["med.dry-through"],"absent":["root.smell"]}`
	out, errs, status := call(t, path, one, "diagnose")
	require.Zero(t, status, errs)
	var result struct {
		Causes []struct {
			ID     string
			Chance float64
		}
		Sets   []struct{ Causes []string }
		Checks []struct {
			Sign    string
			Minutes int
			Worth   float64
		}
		Moves []struct{ Move, Advice string }
		// A pointer tells a missing answer from a no.
		Enough      *bool
		Verdict     string
		Outside     *struct{ Chance float64 }
		Unexplained []string
		Conditions  []string
	}
	require.NoError(t, json.Unmarshal([]byte(out), &result))
	assert.Equal(t, "drought", result.Causes[0].ID)
	assert.Len(t, result.Causes, 90, "all causes but the umbrella of older records")
	assert.Len(t, result.Sets, 5)
	assert.NotEmpty(t, result.Checks)
	assert.NotEmpty(t, result.Moves)
	require.NotNil(t, result.Enough)
	assert.Equal(t, "look-further", result.Verdict)
	require.NotNil(t, result.Outside)
	assert.NotNil(t, result.Unexplained)
	assert.NotNil(t, result.Conditions)

	const more = `{"habit":"aroid-vine","present":["pot.no-drain",{"sign":"leaf.tips-brown","sure":false,` +
		`"degree":"strong"}]}`
	out, errs, status = call(t, path, more, "diagnose")
	require.Zero(t, status, errs)
	require.NoError(t, json.Unmarshal([]byte(out), &result))
	assert.Equal(t, []string{"no-drainage"}, result.Conditions)

	out, _, status = call(t, path, "["+one+","+one+"]", "diagnose")
	require.Zero(t, status)
	var list []json.RawMessage
	require.NoError(t, json.Unmarshal([]byte(out), &list))
	assert.Len(t, list, 2, "for a list a list")

	for name, tc := range map[string]struct{ input, says string }{
		"unknown sign": {`{"habit":"fern","present":["leaf.blue"],"absent":[]}`,
			`present[0]: there is no sign "leaf.blue"`},
		"unknown habit": {`[{"habit":"fern","present":[],"absent":[]},{"habit":"moss","present":[],"absent":[]}]`,
			`case 1: habit: there is no growth habit "moss"`},
		"both": {`{"habit":"fern","present":["leaf.crisp"],"absent":["leaf.crisp"]}`,
			`absent[0]: "leaf.crisp" is said to be both`},
		"broken":     {"{\"habit\":\n\"fern\",,}", "line 2"},
		"cut off":    {`{"habit":"fern"`, "ends too early"},
		"misspelt":   {`{"habit":"fern","presnt":[]}`, `unknown field "presnt"`},
		"wrong type": {`{"habit":"fern","present":"leaf.crisp"}`, "present should be"},
		"two values": {`{"habit":"fern"} {"habit":"fern"}`, "more after the end"},
		"empty":      {"", "empty"},
	} {
		out, errs, status := call(t, path, tc.input, "diagnose")
		assert.Equal(t, 2, status, name)
		assert.Empty(t, out, name)
		assert.Contains(t, errs, tc.says, name)
	}
}

func TestCasesCommand(t *testing.T) {
	path := program(t)
	out, errs, status := call(t, path, "", "cases", "../../core/diagnosis/testdata/cases_practice.json")
	require.Zero(t, status, errs)
	assert.Contains(t, out, "first cause true               60 (98.4 %, 95 %: ")
	assert.Contains(t, out, "main cause in the first three  61 (100.0 %, 95 %: 100.0-100.0 %)")
	assert.Contains(t, out, "Brier")
	assert.Contains(t, out, "log loss per case")
	assert.Contains(t, out, "90-100 %")
	file := filepath.Join(t.TempDir(), "none.json")
	require.NoError(
		t,
		os.WriteFile(file, []byte(`[{"habit":"fern","present":["new.clean"],"absent":[],"causes":[]}]`), 0o600),
	)
	out, errs, status = call(t, path, "", "cases", file)
	require.Zero(t, status, errs)
	assert.Contains(t, out, "cases                          1")

	_, errs, status = call(t, path, "", "cases", "nowhere.json")
	assert.Equal(t, 2, status)
	assert.Contains(t, errs, "nowhere.json")
	file = filepath.Join(t.TempDir(), "bad.json")
	require.NoError(
		t,
		os.WriteFile(file, []byte(`[{"id":"x1","habit":"fern","present":[],"absent":[],"causes":["curse"]}]`), 0o600),
	)
	_, errs, status = call(t, path, "", "cases", file)
	assert.Equal(t, 2, status)
	assert.Contains(t, errs, `case x1: causes[0]: there is no cause "curse"`)
}

func TestUnknownCommandShowsTheUsage(t *testing.T) {
	path := program(t)
	for _, args := range [][]string{{}, {"dance"}} {
		_, errs, status := call(t, path, "", args...)
		assert.Equal(t, 2, status)
		assert.Contains(t, errs, "tendermend diagnose")
	}
	_, errs, status := call(t, path, "", "migrate")
	assert.Equal(t, 2, status)
	assert.Contains(t, errs, "DATABASE_URL")
}

func TestPlansComeOutAndAreProvedFromTheCommandLine(t *testing.T) {
	path := program(t)
	const one = `{"kind":"phalaenopsis-hybrid","causes":["medium-collapsed"],"on":"2026-10-10",` +
		`"answers":{"liveRoots":9,"deadRoots":6,"liveTips":3,"rootBallCm":9,"potWidthCm":12,"plug":true},` +
		`"choices":{"school":"S0"}}`
	out, errs, status := call(t, path, one, "plan")
	require.Zero(t, status, errs)
	var p struct {
		School   string
		Sittings []struct {
			Day   *int
			Steps []struct {
				Op     string
				Params struct{ PotWidthCm, VolumeMl float64 }
			}
		}
	}
	require.NoError(t, json.Unmarshal([]byte(out), &p))
	assert.Equal(t, "S0", p.School)
	assert.Equal(t, "ready-pot", p.Sittings[0].Steps[1].Op)
	assert.InDelta(t, 11, p.Sittings[0].Steps[1].Params.PotWidthCm, 0.01)
	assert.InEpsilon(t, 680, p.Sittings[0].Steps[1].Params.VolumeMl, 0.1)
	again, _, _ := call(t, path, one, "plan")
	assert.Equal(t, out, again, "the same situation gives the same bytes")
	list, _, status := call(t, path, "["+one+","+one+"]", "plan")
	assert.Zero(t, status)
	assert.Equal(t, "["+strings.TrimSpace(out)+","+strings.TrimSpace(out)+"]", strings.TrimSpace(list))

	out, errs, status = call(t, path, `{"situation":`+one+`,"plan":`+out+`}`, "check-plan")
	assert.Zero(t, status, errs)
	assert.JSONEq(t, `[]`, out)
	bad := `{"situation":` + one + `,"plan":{"sittings":[{"kind":"ROOT-WASH","day":0,"slot":"morning",` +
		`"steps":[{"op":"unpot"},{"op":"trim-dead"}]}]}}`
	out, _, status = call(t, path, bad, "check-plan")
	assert.Equal(t, 1, status)
	var broken []struct{ Rule, Step, Why string }
	require.NoError(t, json.Unmarshal([]byte(out), &broken))
	rules := []string{}
	for _, b := range broken {
		rules = append(rules, b.Rule)
		assert.NotEmpty(t, b.Why)
	}
	assert.Contains(t, rules, "N01", "the blade was not cleaned")
	assert.Contains(t, rules, "N15", "it never comes back into its pot")

	for in, says := range map[string]string{
		``: "situation", `{"kind":"no-such","causes":["root-rot"]}`: "no-such",
		`{"habit":"fern","causes":["gout"]}`: "gout",
		`{"habit":"fern"}`:                   "accept at least one cause", one + one: "one situation, or a list in brackets",
		`[{]`: "list of situations",
	} {
		_, errs, status := call(t, path, in, "plan")
		assert.Equal(t, 2, status, in)
		assert.Contains(t, errs, says, in)
	}
	_, errs, status = call(t, path, strings.Replace(bad, `"unpot"`, `"uproot"`, 1), "check-plan")
	assert.Equal(t, 2, status)
	assert.Contains(t, errs, "uproot")

	out, _, status = call(t, path, "", "plan-schema")
	assert.Zero(t, status)
	assert.True(t, json.Valid([]byte(out)))
	assert.Contains(t, out, `"liveRoots"`)
}

func TestPlanSamplesAreTextAndTheSameForASeed(t *testing.T) {
	path := program(t)
	first, errs, status := call(t, path, "", "plan", "-sample", "12", "-seed", "7")
	require.Zero(t, status, errs)
	again, _, _ := call(t, path, "", "plan", "-sample", "12", "-seed", "7")
	other, _, _ := call(t, path, "", "plan", "-sample", "12", "-seed", "8")
	assert.Equal(t, first, again)
	assert.NotEqual(t, first, other)
	assert.Equal(t, 12, strings.Count(first, "== "))
	assert.NotContains(t, first, "%!")
	_, errs, status = call(t, path, "", "plan", "-sample", "many")
	assert.Equal(t, 2, status)
	assert.Contains(t, errs, "-sample N")
}

func TestWaterIsForecastFromTheCommandLine(t *testing.T) {
	path := program(t)
	const history = `{"today":"2026-06-03","rule":"half-dry","pot":{"topCm":14,"depthCm":12,` +
		`"mix":[{"name":"potting soil","share":1}]},"air":[{"vpd":1,"dli":6}],` +
		`"events":[{"on":"2026-06-01","watered":"through"}]}`
	out, _, status := call(t, path, history, "water")
	require.Equal(t, 0, status)
	var f struct{ From, Best, Until, Low, High, Say string }
	require.NoError(t, json.Unmarshal([]byte(out), &f))
	assert.Less(t, f.From, f.Best)
	assert.LessOrEqual(t, f.Low, f.High)
	assert.Equal(t, "wait", f.Say)
	many, _, status := call(t, path, "["+history+","+history+"]", "water")
	require.Equal(t, 0, status)
	var list []any
	require.NoError(t, json.Unmarshal([]byte(many), &list))
	assert.Len(t, list, 2)
	_, said, status := call(t, path, `[{"today":"soon","pot":{},"events":[]}]`, "water")
	assert.Equal(t, 2, status)
	assert.Contains(t, said, `history 0: today: "soon" is no day`)
	schema, _, status := call(t, path, "", "water-schema")
	require.Equal(t, 0, status)
	kept, err := os.ReadFile("../../docs/water.schema.json")
	require.NoError(t, err)
	assert.JSONEq(t, string(kept), schema)
}
