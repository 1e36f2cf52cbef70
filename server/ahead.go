package server

import (
	_ "embed"
	"html/template"
	"regexp"
	"strings"
)

// ahead is the data that a view will fetch. The page names it before its scripts, so that it comes
// beside the program and not after it.
type ahead struct {
	view *regexp.Regexp // the path of the view
	data []string       // with $1 for the plant
}

// aheads are the views that are opened first: the walk and a plant's page.
var aheads = []ahead{
	{regexp.MustCompile(`^/$`), []string{"/api/rounds?limit=40", "/api/places"}},
	{
		regexp.MustCompile(`^/plants/([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})$`),
		[]string{"/api/plants/$1"},
	},
}

//go:embed ahead.html
var aheadHTML string

// aheadLines are the lines of a page's head for what is fetched ahead.
var aheadLines = template.Must(template.New("ahead").Parse(aheadHTML))

// aheadOf gives the lines for a path; empty where nothing is known of its view.
func aheadOf(path string) string {
	for _, a := range aheads {
		found := a.view.FindStringSubmatchIndex(path)
		if found == nil {
			continue
		}
		var data []string
		for _, address := range a.data {
			data = append(data, string(a.view.ExpandString(nil, address, path, found)))
		}
		var lines strings.Builder
		if err := aheadLines.Execute(&lines, data); err != nil {
			return "" // the view fetches what it wants itself
		}
		return lines.String()
	}
	return ""
}
