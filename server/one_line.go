package server

import (
	"strings"

	"github.com/danielgtaylor/huma/v2"
)

// longestLine is the longest text that is written in one line, letters: what may be longer is written in several.
const longestLine = 200

// A line holds no control characters: the ends of lines, tabs, bells and escapes mean something to calendars, printers
// and terminals that read it later.
const (
	oneLine     = `^[^\x00-\x1f\x7f]*$`
	oneLineSaid = "one line, without control characters"
)

// linesAreLines says of every short text that can be sent that it is one line.
func linesAreLines(api huma.API) {
	seen := map[*huma.Schema]bool{}
	for _, path := range api.OpenAPI().Paths {
		for _, o := range []*huma.Operation{path.Put, path.Post} {
			if o == nil || o.RequestBody == nil {
				continue
			}
			for _, content := range o.RequestBody.Content {
				lines(api.OpenAPI().Components.Schemas, content.Schema, seen)
			}
		}
	}
}

func lines(all huma.Registry, s *huma.Schema, seen map[*huma.Schema]bool) {
	if s != nil && s.Ref != "" {
		s = all.Map()[strings.TrimPrefix(s.Ref, "#/components/schemas/")]
	}
	if s == nil || seen[s] {
		return
	}
	seen[s] = true
	if s.Type == huma.TypeString && s.MaxLength != nil && *s.MaxLength <= longestLine && s.Pattern == "" {
		s.Pattern, s.PatternDescription = oneLine, oneLineSaid
		s.PrecomputeMessages()
	}
	for _, p := range s.Properties {
		lines(all, p, seen)
	}
	lines(all, s.Items, seen)
}
