// Command fuzz sends made-up requests to every operation of the OpenAPI document,
// sound ones and broken ones, to the demo clinic in a database of its own, and
// lists every answer of 500 and above. It stops by itself.
//
//	go run ./scripts/fuzz [-n 50000] [-seed 1]
package main

import (
	"context"
	"encoding/json"
	"flag"
	"fmt"
	"io"
	"log"
	"maps"
	"math/rand/v2"
	"net/http"
	"net/http/cookiejar"
	"net/http/httptest"
	"net/url"
	"os"
	"slices"
	"strings"
	"time"

	"tendermend/core/day"
	"tendermend/demo"
	"tendermend/localpg"
	"tendermend/server"
	"tendermend/store"
)

func main() {
	n := flag.Int("n", 50_000, "requests")
	seed := flag.Uint64("seed", 1, "of what is made up")
	flag.Parse()
	broken, err := run(*n, *seed)
	if err != nil {
		fmt.Fprintln(os.Stderr, "fuzz:", err)
		os.Exit(2)
	}
	if broken > 0 {
		os.Exit(1)
	}
}

func run(n int, seed uint64) (broken int, err error) {
	ctx := context.Background()
	pg, stop, err := localpg.Scratch(ctx, "fuzz")
	if err != nil {
		return 0, err
	}
	defer func() { _ = stop() }()
	s, err := store.Open(pg.URL(), time.Now)
	if err != nil {
		return 0, err
	}
	if err := s.Migrate(ctx); err != nil {
		return 0, err
	}
	if _, err := demo.Load(ctx, s, day.At(time.Now())); err != nil {
		return 0, err
	}
	o := server.Options{Clock: time.Now, DemoEmail: demo.Email, OpenAccounts: true, SignInsPerMinute: n}
	h := httptest.NewUnstartedServer(server.New(s, o))
	complaint := ""
	h.Config.ErrorLog = log.New(writer(func(line string) { complaint = line }), "", 0)
	h.Start()
	defer h.Close()
	m, err := maker(seed)
	if err != nil {
		return 0, err
	}
	if err := s.DB.SelectContext(ctx, &m.ids, `select id::text from plants union all select id::text from places
		union all (select id::text from entries limit 200)`); err != nil {
		return 0, err
	}
	broken, by, err := storm(m, h.URL, n, &complaint)
	if err != nil {
		return 0, err
	}
	for _, status := range slices.Sorted(maps.Keys(by)) {
		fmt.Printf("%d: %d answers\n", status, by[status])
	}
	fmt.Printf("%d requests to %d operations, %d broken\n", n, len(m.operations), broken)
	return broken, nil
}

// storm sends n requests, and counts what broke and the answers by status.
func storm(m *making, url string, n int, complaint *string) (broken int, by map[int]int, err error) {
	jar, err := cookiejar.New(nil)
	if err != nil {
		return 0, nil, err
	}
	client := &http.Client{Jar: jar, Timeout: time.Minute}
	by = map[int]int{}
	signedOut := true // signing out is an operation like any other
	for range n {
		if signedOut {
			res, err := client.Post(url+"/api/session/demo", "application/json", strings.NewReader("{}"))
			if err != nil {
				return 0, nil, err
			}
			res.Body.Close()
		}
		req, says := m.request(url)
		res, err := client.Do(req)
		if err != nil {
			broken++
			fmt.Printf("no answer: %s: %v\n", says, err)
			continue
		}
		if _, err := io.Copy(io.Discard, res.Body); err != nil {
			broken++
			fmt.Printf("cut off: %s: %v\n", says, err)
		}
		res.Body.Close()
		by[res.StatusCode]++
		signedOut = res.StatusCode == http.StatusUnauthorized || req.Method == http.MethodDelete
		if *complaint != "" {
			broken++
			fmt.Printf("the server complains: %s: %s\n", strings.TrimSpace(*complaint), says)
			*complaint = ""
		}
		if res.StatusCode >= 500 {
			broken++
			fmt.Printf("%d: %s\n", res.StatusCode, says)
		}
	}
	return broken, by, nil
}

// writer hands on what is written.
type writer func(string)

func (w writer) Write(p []byte) (int, error) { w(string(p)); return len(p), nil }

type object = map[string]any

// operation is one of the document, with the address that it stands under.
type operation struct {
	method, path string
	spec         object
}

// making makes requests up.
type making struct {
	chance     *rand.Rand
	document   object
	operations []operation
	ids        []string // that are known to the clinic
}

func maker(seed uint64) (*making, error) {
	raw, err := server.DocumentJSON()
	if err != nil {
		return nil, err
	}
	m := &making{chance: rand.New(rand.NewPCG(seed, 3))}
	if err := json.Unmarshal(raw, &m.document); err != nil {
		return nil, err
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

// request makes one up, with what it is in words.
func (m *making) request(site string) (*http.Request, string) {
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
	if b, has := o.spec["requestBody"].(object); has {
		for _, media := range b["content"].(object) {
			body = m.body(media.(object))
		}
	}
	req, err := http.NewRequest(o.method, site+path, strings.NewReader(body))
	if err != nil { // an address that no client would send
		return m.request(site)
	}
	req.Header.Set("Content-Type", "application/json")
	if strings.Contains(path, "/import") || strings.Contains(path, "/pictures/") {
		req.Header.Set("Content-Type", "application/octet-stream")
	}
	return req, o.method + " " + path + " " + body[:min(len(body), 600)]
}

// body is a body by its description, or something else.
func (m *making) body(media object) string {
	switch m.chance.IntN(20) {
	case 0:
		return m.word()
	case 1:
		return `[`
	case 2:
		return `null`
	}
	schema, has := media["schema"].(object)
	if !has {
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
func (m *making) value(schema object, deep int) any {
	if ref, is := schema["$ref"].(string); is {
		parts := strings.Split(ref, "/")
		return m.value(m.document["components"].(object)["schemas"].(object)[parts[len(parts)-1]].(object), deep)
	}
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

func (m *making) text(schema object) string {
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

func (m *making) word() string { return words[m.chance.IntN(len(words))] }

// object is one with the properties that a description wants, mostly, and some
// that it allows.
func (m *making) object(schema object, deep int) object {
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
