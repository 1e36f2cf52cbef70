package glossary

import (
	"encoding/csv"
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/internal/approve"
)

const root = "../.."

// plain is the list of words that need no explanation.
const plain = "testdata/plain.txt"

// names are columns that hold names of plants and ids, not prose.
var names = []string{"id", "botanical", "synonyms", "common", "drawing", "look_alike", "also", "mix", "setup", "habit"}

var (
	word = regexp.MustCompile(`\p{L}[\p{Ll}’']+(?:-\p{Ll}+)*|[A-Z]{2,}\b`)
	// shown is what stands between the tags of a screen, or in quotes with a blank in it.
	shown = regexp.MustCompile(`>([^<>{}=;]+)<|"([^"\n]* [^"\n]*)"`)
	// classes are names of styles: nobody reads them.
	classes = regexp.MustCompile(`className="[^"]*"`)
)

// Every word that a screen can show is in the glossary or among the plain words. Where
// this fails, explain the new words in glossary.csv, or, if everybody knows them, run
// with APPROVE=1.
func TestEveryWordOnAScreenIsPlainOrExplained(t *testing.T) {
	raw, err := os.ReadFile(plain)
	if !approve.Taking() {
		require.NoError(t, err)
	}
	known := map[string]bool{}
	for _, w := range strings.Fields(string(raw)) {
		known[w] = true
	}
	explained := map[string]bool{}
	for _, w := range Words() {
		for _, part := range word.FindAllString(w.Term+" "+w.Also, -1) {
			explained[stem(part)] = true
		}
	}
	met := map[string]bool{}
	for _, text := range texts(t) {
		for _, w := range word.FindAllString(text, -1) {
			for part := range strings.SplitSeq(w, "-") {
				if s := stem(part); len(s) > 2 && !explained[s] {
					met[s] = true
				}
			}
		}
	}
	var missing []string
	for w := range met {
		if !known[w] {
			missing = append(missing, w)
		}
	}
	if approve.Taking() {
		list := []string{}
		for w := range met {
			list = append(list, w)
		}
		slices.Sort(list)
		require.NoError(t, os.WriteFile(plain, []byte(strings.Join(list, "\n")+"\n"), 0o600))
		return
	}
	slices.Sort(missing)
	assert.Empty(t, missing, "neither plain nor explained")
	assert.Greater(t, len(met), 1000)
}

// stem takes the commonest endings off, so that "leaves" and "leaf" count once.
func stem(w string) string {
	w = strings.ToLower(strings.TrimSuffix(strings.ReplaceAll(w, "’", "'"), "'s"))
	for _, end := range []string{"ing", "ed", "es", "s", "ly"} {
		if short, cut := strings.CutSuffix(w, end); cut && len(short) > 3 {
			return strings.TrimSuffix(short, "e")
		}
	}
	return strings.TrimSuffix(w, "e")
}

// texts are the words of the trade that the program holds, save those that it only listens
// to: sentences in its tables and
// its code, and what its screens say.
func texts(t *testing.T) (list []string) {
	t.Helper()
	for _, dir := range []string{"core", "record", "server", "web/src"} {
		require.NoError(t, filepath.WalkDir(filepath.Join(root, dir), func(path string, d fs.DirEntry, err error) error {
			switch {
			case err != nil || d.IsDir() || strings.Contains(path, "test") || strings.Contains(path, "everyday"):
			case strings.HasSuffix(path, ".csv"):
				list = append(list, prose(t, path)...)
			case strings.HasSuffix(path, ".go"):
				list = append(list, sentences(t, path)...)
			case strings.HasSuffix(path, ".tsx"):
				raw, err := os.ReadFile(path)
				require.NoError(t, err)
				for _, m := range shown.FindAllStringSubmatch(classes.ReplaceAllString(string(raw), ""), -1) {
					list = append(list, m[1], m[2])
				}
			}
			return err
		}))
	}
	return list
}

// prose are the columns of a table that hold sentences.
func prose(t *testing.T, path string) (list []string) {
	t.Helper()
	file, err := os.Open(path)
	require.NoError(t, err)
	defer func() { _ = file.Close() }()
	rows, err := csv.NewReader(file).ReadAll()
	require.NoError(t, err)
	for _, r := range rows[1:] {
		for i, cell := range r {
			if !slices.Contains(names, rows[0][i]) && strings.Contains(cell, " ") && !strings.Contains(cell, "=") {
				list = append(list, cell)
			}
		}
	}
	return list
}

// sentences are the strings of a file of code that hold a blank, without tags.
func sentences(t *testing.T, path string) (list []string) {
	t.Helper()
	file, err := parser.ParseFile(token.NewFileSet(), path, nil, 0)
	require.NoError(t, err)
	ast.Inspect(file, func(n ast.Node) bool {
		switch x := n.(type) {
		case *ast.Field, *ast.ImportSpec:
			return false
		case *ast.BasicLit:
			if text, err := strconv.Unquote(x.Value); err == nil && x.Kind == token.STRING && strings.Contains(text, " ") {
				list = append(list, text)
			}
		}
		return true
	})
	return list
}
