package server

import (
	_ "embed"
	"encoding/json"
	"html/template"
	"io/fs"
	"regexp"
	"strings"
)

// ahead is what a view will fetch: its modules, by where they lie in the front end, and its
// data. The page names them, so that they come beside the program and not after it.
type ahead struct {
	view    *regexp.Regexp // the path of the view
	modules []string
	data    []string // with $1 for the plant
}

// aheads are the views that are opened first: the walk and a plant's page.
var aheads = []ahead{
	{
		regexp.MustCompile(`^/$`),
		[]string{"src/views/Rounds.tsx"},
		[]string{"/api/rounds?limit=40"},
	},
	{
		regexp.MustCompile(`^/plants/([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})$`),
		[]string{"src/views/plant/Standing.tsx"},
		[]string{"/api/plants/$1"},
	},
}

// built is one module as the build lists it.
type built struct {
	File    string   `json:"file"`
	Imports []string `json:"imports"`
}

//go:embed ahead.html
var aheadHTML string

// aheadLines are the lines of a page's head for what is fetched ahead.
var aheadLines = template.Must(template.New("ahead").Parse(aheadHTML))

// fetches is what each view of aheads fetches: its modules with all that those import.
func fetches(files fs.FS) [][]string {
	modules := map[string]built{}
	if raw, err := fs.ReadFile(files, ".vite/manifest.json"); err == nil {
		_ = json.Unmarshal(raw, &modules) // without it the view fetches its modules itself
	}
	out := make([][]string, len(aheads))
	for i, a := range aheads {
		done := map[string]bool{"index.html": true} // the page fetches that anyway
		var add func(id string)
		add = func(id string) {
			m, known := modules[id]
			if !known || done[id] {
				return
			}
			done[id] = true
			out[i] = append(out[i], m.File)
			for _, next := range m.Imports {
				add(next)
			}
		}
		for _, id := range a.modules {
			add(id)
		}
	}
	return out
}

// aheadOf gives the lines for a path; empty where nothing is known of its view.
func aheadOf(modules [][]string, path string) string {
	for i, a := range aheads {
		found := a.view.FindStringSubmatchIndex(path)
		if found == nil {
			continue
		}
		said := struct{ Modules, Data []string }{Modules: modules[i]}
		for _, address := range a.data {
			said.Data = append(said.Data, string(a.view.ExpandString(nil, address, path, found)))
		}
		var lines strings.Builder
		if err := aheadLines.Execute(&lines, said); err != nil {
			return "" // the view fetches what it wants itself
		}
		return lines.String()
	}
	return ""
}
