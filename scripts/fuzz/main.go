// Command fuzz sends made-up requests to every operation of the OpenAPI document,
// sound ones and broken ones, to the demo clinic in a database of its own, and
// lists every answer of 500 and above, and every one that took more than two seconds. It stops by itself.
//
//	go run ./scripts/fuzz [-n 50000] [-seed 1]
package main

import (
	"context"
	"flag"
	"fmt"
	"io"
	"log"
	"maps"
	"net/http"
	"net/http/cookiejar"
	"net/http/httptest"
	"os"
	"slices"
	"strings"
	"time"

	"tendermend/core/day"
	"tendermend/demo"
	"tendermend/internal/attack"
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
	localpg.StopOnSignal(stop)
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
	raw, err := server.DocumentJSON()
	if err != nil {
		return 0, err
	}
	document, err := attack.ReadDocument(raw)
	if err != nil {
		return 0, err
	}
	var ids []string
	if err := s.DB.SelectContext(ctx, &ids, `select id::text from plants union all select id::text from places
		union all (select id::text from entries limit 200)`); err != nil {
		return 0, err
	}
	broken, by, err := storm(document.Draws(seed, ids), h.URL, n, &complaint)
	if err != nil {
		return 0, err
	}
	for _, status := range slices.Sorted(maps.Keys(by)) {
		fmt.Printf("%d: %d answers\n", status, by[status])
	}
	fmt.Printf("%d requests to %d operations, %d broken\n", n, document.Operations(), broken)
	return broken, nil
}

// slow is what no answer takes but that of a sign-in.
const slow = 2 * time.Second

// storm sends n requests, and counts what broke and the answers by status.
func storm(m *attack.Drawer, url string, n int, complaint *string) (broken int, by map[int]int, err error) {
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
		req, says := m.Request(url)
		begun := time.Now()
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
		if took := time.Since(begun); took > slow && req.URL.Path != "/api/session" { // a password takes its time
			broken++
			fmt.Printf("took %v: %s\n", took, says)
		}
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
