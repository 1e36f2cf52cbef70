// Package attack makes requests to the operations of an OpenAPI document: by chance, sound ones and
// broken ones, and with each number at its edge and each list empty.
package attack

import (
	"encoding/json"
	"fmt"
	"maps"
	"math/rand/v2"
	"net/http"
	"net/url"
	"slices"
	"strings"
	"time"

	"tendermend/core/day"
)

type object = map[string]any

// operation is one of the document, with the address that it stands under.
type operation struct {
	method, path string
	spec         object
}

// Drawer makes requests up by chance.
type Drawer struct {
	chance *rand.Rand
	Document
	ids []string // that are known
}

// Draws makes requests up to the operations of a document, with ids that are known.
func (d Document) Draws(seed uint64, ids []string) *Drawer {
	return &Drawer{rand.New(rand.NewPCG(seed, 3)), d, ids}
}

// Document is the description of what can be asked.
type Document struct {
	document   object
	operations []operation
}

// ReadDocument reads an OpenAPI document.
func ReadDocument(raw []byte) (m Document, err error) {
	if err := json.Unmarshal(raw, &m.document); err != nil {
		return m, err
	}
	paths := m.document["paths"].(object)
	for _, path := range slices.Sorted(maps.Keys(paths)) {
		methods := paths[path].(object)
		for _, method := range slices.Sorted(maps.Keys(methods)) {
			m.operations = append(m.operations, operation{strings.ToUpper(method), path, methods[method].(object)})
		}
	}
	return m, nil
}

// Operations is how many there are.
func (d Document) Operations() int { return len(d.operations) }

// Request makes one up, with what it is in words.
func (m *Drawer) Request(site string) (*http.Request, string) {
	o := m.operations[m.chance.IntN(len(m.operations))]
	path, query := o.path, url.Values{}
	parameters, _ := o.spec["parameters"].([]any)
	for _, p := range parameters {
		p := p.(object)
		value := fmt.Sprint(m.value(p["schema"].(object), 0))
		switch name := p["name"].(string); {
		case p["in"] == "path":
			path = strings.ReplaceAll(path, "{"+name+"}", url.PathEscape(value))
		case p["in"] == "query" && m.chance.IntN(2) == 0:
			query.Set(name, value)
		}
	}
	if len(query) > 0 {
		path += "?" + query.Encode()
	}
	body := ""
	if b, is := o.spec["requestBody"].(object); is {
		for _, media := range b["content"].(object) {
			body = m.body(media.(object))
		}
	}
	req, err := http.NewRequest(o.method, site+path, strings.NewReader(body))
	if err != nil { // an address that no client would send
		return m.Request(site)
	}
	req.Header.Set("Content-Type", "application/json")
	if strings.Contains(path, "/import") || strings.Contains(path, "/pictures/") {
		req.Header.Set("Content-Type", "application/octet-stream")
	}
	return req, o.method + " " + path + " " + body[:min(len(body), 600)]
}

// body is a body by its description, or something else.
func (m *Drawer) body(media object) string {
	switch m.chance.IntN(20) {
	case 0:
		return m.word()
	case 1:
		return `[`
	case 2:
		return `null`
	}
	schema, is := media["schema"].(object)
	if !is {
		return m.word()
	}
	raw, err := json.Marshal(m.value(schema, 0))
	if err != nil {
		return "{}"
	}
	if m.chance.IntN(30) == 0 && len(raw) > 2 {
		return string(raw[:m.chance.IntN(len(raw))])
	}
	return string(raw)
}

// value is one that a description allows, mostly.
func (m *Drawer) value(schema object, deep int) any {
	schema, _ = m.resolve(schema)
	if m.chance.IntN(40) == 0 {
		return []any{nil, -1, 1e308, m.word(), []any{}, object{}, true, ""}[m.chance.IntN(8)]
	}
	if list, is := schema["enum"].([]any); is && m.chance.IntN(15) > 0 {
		return list[m.chance.IntN(len(list))]
	}
	kind, _ := schema["type"].(string)
	if kinds, is := schema["type"].([]any); is {
		kind = kinds[0].(string)
	}
	switch kind {
	case "object":
		return m.object(schema, deep)
	case "array":
		items, _ := schema["items"].(object)
		out := []any{}
		for range m.chance.IntN(4) {
			if deep < 6 && items != nil {
				out = append(out, m.value(items, deep+1))
			}
		}
		return out
	case "integer":
		return []int{0, 1, 2, -1, 7, 40, 1 << 40, m.chance.IntN(300)}[m.chance.IntN(8)]
	case "number":
		return []float64{0, 1, 0.5, -3, 1e-300, 1e300, 12, m.chance.Float64() * 100}[m.chance.IntN(8)]
	case "boolean":
		return m.chance.IntN(2) == 0
	}
	return m.text(schema)
}

func (m *Drawer) text(schema object) string {
	switch schema["format"] {
	case "uuid":
		if m.chance.IntN(3) > 0 {
			return m.ids[m.chance.IntN(len(m.ids))]
		}
		return fmt.Sprintf("01890000-0000-7000-8000-%012x", m.chance.Uint64N(1<<47))
	case "date":
		return day.At(time.Now()).String()
	}
	return m.word()
}

// words are ids of the trade, and what breaks things.
var words = []string{
	"", "a", "monstera-deliciosa", "phalaenopsis-hybrid", "root-rot", "mealybug", "root.mushy", "leaf.drooping", "fern",
	"aroid-vine", "2026-11-20", "9999-99-99", "0001-01-01", "\x00", "é\u202eabc", "'; drop table plants; --", "%",
	"../..",
	"NaN", "1e999", "wilt", "unpot@d0", "foliage-rerooting", strings.Repeat("long ", 60), "😀", "=1+1", "bark", "bleach",
}

func (m *Drawer) word() string { return words[m.chance.IntN(len(words))] }

// object is one with the properties that a description wants, mostly, and some
// that it allows.
func (m *Drawer) object(schema object, deep int) object {
	out := object{}
	properties, _ := schema["properties"].(object)
	required, _ := schema["required"].([]any)
	for _, name := range slices.Sorted(maps.Keys(properties)) {
		wanted := slices.Contains(required, any(name)) && m.chance.IntN(25) > 0
		if wanted || deep < 4 && m.chance.IntN(max(2, len(properties)/2)) == 0 {
			out[name] = m.value(properties[name].(object), deep+1)
		}
	}
	if more, is := schema["additionalProperties"].(object); is && deep < 4 {
		out[m.word()] = m.value(more, deep+1)
	}
	return out
}
