package main

import (
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// example is a call of the program as docs/command-line.md shows it.
type example struct{ file, input, args, output string }

var fenced = regexp.MustCompile("(?s)```([a-z]+)\n(.*?)```")

// examples are those of the page, in its order: what goes in stands before the call, what comes out behind it.
func examples(t *testing.T) (list []example) {
	t.Helper()
	page, err := os.ReadFile("../../docs/command-line.md")
	require.NoError(t, err)
	var next example
	for _, block := range fenced.FindAllStringSubmatch(string(page), -1) {
		switch block[1] {
		case "json", "csv":
			next.input, next.file = block[2], block[1]
		case "sh":
			next.args = strings.TrimPrefix(strings.TrimSpace(block[2]), "tendermend ")
		case "text":
			next.output = strings.TrimSpace(block[2])
			list, next = append(list, next), example{}
		}
	}
	return list
}

// What the page on the command line shows is what the program does.
func TestTheExamplesOfTheCommandLineComeOut(t *testing.T) {
	path := program(t)
	list := examples(t)
	require.GreaterOrEqual(t, len(list), 8)
	folder := t.TempDir()
	t.Chdir(folder)
	for _, e := range list {
		if e.file == "csv" {
			require.NoError(t, os.WriteFile(filepath.Join(folder, "mine.csv"), []byte(e.input), 0o600))
		}
		out, errs, status := call(t, path, e.input, strings.Fields(e.args)...)
		require.Zero(t, status, "%s: %s", e.args, errs)
		for part := range strings.SplitSeq(e.output, "…") {
			part = strings.Trim(part, "\n")
			at := strings.Index(out, part)
			if !assert.GreaterOrEqual(t, at, 0, "%s: there is no %q in what is left:\n%.2000s", e.args, part, out) {
				break
			}
			out = out[at+len(part):]
		}
	}
}
