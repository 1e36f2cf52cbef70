package server

import (
	"encoding/json"
	"fmt"
	"html"
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
		[]string{"src/views/plant/PlantPage.tsx", "src/views/plant/Standing.tsx"},
		[]string{"/api/plants/$1"},
	},
}

// built is one module as the build lists it.
type built struct {
	File    string   `json:"file"`
	Imports []string `json:"imports"`
	CSS     []string `json:"css"`
}

// links are the lines of the page that fetch ahead, by view.
func links(files fs.FS) []string {
	modules := map[string]built{}
	if raw, err := fs.ReadFile(files, ".vite/manifest.json"); err == nil {
		_ = json.Unmarshal(raw, &modules) // without it the view fetches its modules itself
	}
	out := make([]string, len(aheads))
	for i, a := range aheads {
		var b strings.Builder
		done := map[string]bool{"index.html": true} // the page fetches that anyway
		var add func(id string)
		add = func(id string) {
			m, known := modules[id]
			if !known || done[id] {
				return
			}
			done[id] = true
			fmt.Fprintf(&b, "<link rel=\"modulepreload\" href=\"/%s\">\n", html.EscapeString(m.File))
			for _, next := range m.Imports {
				add(next)
			}
		}
		for _, id := range a.modules {
			add(id)
		}
		for _, address := range a.data {
			fmt.Fprintf(&b, "<link rel=\"preload\" as=\"fetch\" crossorigin href=\"%s\">\n", html.EscapeString(address))
		}
		out[i] = b.String()
	}
	return out
}

// aheadOf gives the lines for a path; empty where nothing is known of its view.
func aheadOf(lines []string, path string) string {
	for i, a := range aheads {
		if found := a.view.FindStringSubmatchIndex(path); found != nil {
			return string(a.view.ExpandString(nil, lines[i], path, found))
		}
	}
	return ""
}
