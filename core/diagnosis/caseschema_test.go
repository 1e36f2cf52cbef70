package diagnosis

import (
	"bytes"
	"encoding/json"
	"os"
	"strings"
	"testing"

	"github.com/santhosh-tekuri/jsonschema/v6"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// The published schema and the reader agree, judged by a general-purpose
// validator: what one takes the other takes, what one refuses the other refuses.
func TestCaseSchemaAndReaderAgree(t *testing.T) {
	raw, err := json.Marshal(CaseSchema())
	require.NoError(t, err)
	parsed, err := jsonschema.UnmarshalJSON(bytes.NewReader(raw))
	require.NoError(t, err)
	compiler := jsonschema.NewCompiler()
	require.NoError(t, compiler.AddResource("case.schema.json", parsed))
	schema, err := compiler.Compile("case.schema.json")
	require.NoError(t, err)
	valid := func(file string) bool {
		instance, err := jsonschema.UnmarshalJSON(strings.NewReader(file))
		require.NoError(t, err)
		return schema.Validate(instance) == nil
	}

	for _, name := range []string{"practice", "new", "outside"} {
		file, err := os.ReadFile("testdata/cases_" + name + ".json")
		require.NoError(t, err)
		assert.True(t, valid(string(file)), name)
	}
	for file, good := range map[string]bool{
		`{"habit":"fern"}`: true,
		`{"habit":"fern","season":"winter","present":["leaf.crisp"],"absent":[],"causes":["dry-air"]}`: true,
		`[]`:                         true,
		`{"present":["leaf.crisp"]}`: false,
		`{"habit":"weed"}`:           false,
		`{"habit":"fern","present":["leaf.blue"]}`:                                                  false,
		`{"habit":"fern","causes":["curse"]}`:                                                       false,
		`{"habit":"fern","season":"monsoon"}`:                                                       false,
		`{"habit":"fern","presnt":["leaf.crisp"]}`:                                                  false,
		`{"habit":"fern","present":"leaf.crisp"}`:                                                   false,
		`{"habit":"fern","present":[{"sign":"leaf.tips-brown","sure":false,"degree":"strong"}]}`:    true,
		`{"habit":"fern","absent":[{"sign":"leaf.crisp","sure":false}],"causes":[],"outside":true}`: true,
		`{"habit":"fern","present":[{"sign":"leaf.crisp","again":true}]}`:                           true,
		`{"habit":"fern","present":[{"sign":"leaf.blue"}]}`:                                         false,
		`{"habit":"fern","present":[{"sign":"leaf.crisp","degree":"much"}]}`:                        false,
		`{"habit":"fern","present":[{"sign":"leaf.crisp","certain":true}]}`:                         false,
		`{"habit":"fern","traits":["soap-tender"]}`:                                                 true,
		`{"habit":"fern","traits":["grumpy"]}`:                                                      false,
	} {
		assert.Equal(t, good, valid(file), "schema on %s", file)
		_, _, err := ReadCases(strings.NewReader(file))
		assert.Equal(t, good, err == nil, "reader on %s: %v", file, err)
	}
	_, _, err = ReadCases(strings.NewReader(`{"habit":"fern","present":["med.wet-long","med.dry-through"]}`))
	assert.ErrorContains(t, err, `"med.wet-long" and "med.dry-through" cannot both be true`)
	published, err := os.ReadFile("../../docs/case.schema.json")
	require.NoError(t, err)
	assert.JSONEq(t, string(raw), string(published), "run make api")
}
