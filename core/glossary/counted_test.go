package glossary_test

import (
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/working"
)

// things that sentences count.
const things = `(days|hours|minutes|weeks|months|years|looks|steps|leaves|roots|tips|cases|entries|pictures|times|` +
	`pieces|growths|seconds|readings|answers|waterings|treatments|persons|plants|reports|notes|sessions)\b`

// byHand are sentences that put a number before a plural by hand: with one of them it
// reads "1 days". A span ("2 to 4 weeks") is no count.
var byHand = map[string]*regexp.Regexp{
	".go":  regexp.MustCompile(`(?:^|[^–\-]|[^t][^o] )%(?:d|g|v|\.\d+f) ` + things),
	".ts":  regexp.MustCompile(`(?:^|[^–\-])\$\{[^}]+\} ` + things),
	".tsx": regexp.MustCompile(`(?:^|[^–\-$=])\$?\{[^{}]+\}(?:</b>)? ` + things + `[^=]`),
}

// anArticle is one that stands before a word that only the running program knows.
var anArticle = regexp.MustCompile(`"(?:[^"]* )?[Aa] %s`)

// Every sentence counts through one function, so that none can say "1 days" or "a
// orchid".
func TestNoSentenceCountsByHand(t *testing.T) {
	seen := 0
	for _, dir := range []string{"core", "record", "server", "store", "exchange", "cmd", "web/src"} {
		err := filepath.WalkDir(filepath.Join("../..", dir), func(path string, d fs.DirEntry, err error) error {
			rule := byHand[filepath.Ext(path)]
			switch {
			case err != nil || d.IsDir() || rule == nil:
				return err
			case strings.Contains(path, "_test.") || strings.Contains(path, ".test.") || strings.Contains(path, "schema.d"),
				strings.HasSuffix(path, "gate/notation.go"): // what it reads is never said
				return nil
			}
			seen++
			raw, err := os.ReadFile(path)
			for n, line := range strings.Split(string(raw), "\n") {
				for _, said := range rule.FindAllString(line, -1) {
					if !strings.Contains(said, "sayCount") && !strings.Contains(said, "times(") {
						assert.Fail(t, "counted by hand", "%s:%d: %s", path, n+1, strings.TrimSpace(line))
					}
				}
				if filepath.Ext(path) == ".go" && anArticle.MatchString(line) {
					assert.Fail(t, "an article by hand", "%s:%d: %s", path, n+1, strings.TrimSpace(line))
				}
			}
			return err
		})
		require.NoError(t, err)
	}
	assert.Greater(t, seen, 300, "files that were read")
}

func TestNoneOneAndTwoOfAThing(t *testing.T) {
	assert.Equal(t, []string{"0 days", "1 day", "2 days"},
		[]string{working.Count(0, "day"), working.Count(1, "day"), working.Count(2, "day")})
	assert.Equal(
		t,
		[]string{"2 leaves", "2 entries", "2 days", "2 clean looks"},
		[]string{
			working.Count(2, "leaf"),
			working.Count(2, "entry"),
			working.Count(2, "day"),
			working.Count(2, "clean look"),
		},
	)
	assert.Equal(t, []string{"1 hour", "1.5 hours", "0 hours"},
		[]string{working.Measured(1, "hour"), working.Measured(1.5, "hour"), working.Measured(0, "hour")})
	assert.Equal(t, []string{"1 of 2 looks", "2 looks", "7 looks", "0 of 1 look"},
		[]string{working.Of(1, 2, "look"), working.Of(2, 2, "look"), working.Of(7, 2, "look"), working.Of(0, 1, "look")})
	for thing, said := range map[string]string{
		"orchid": "an orchid", "aroid vine": "an aroid vine", "fern": "a fern", "upright succulent": "an upright succulent",
		"unit": "a unit", "usual one": "a usual one", "euphorbia": "a euphorbia", "ivy": "an ivy",
		"Air plant": "an Air plant",
	} {
		assert.Equal(t, said, working.A(thing))
	}
}
