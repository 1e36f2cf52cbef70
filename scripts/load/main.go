// Command load measures the answers of every screen with 10,000 plants and a
// million entries: it fills a database of its own, serves it on loopback, asks
// each address many times and prints the median, the 95th percentile and the
// slowest answer. It stops by itself.
package main

import (
	"context"
	"flag"
	"fmt"
	"net/http/httptest"
	"os"
	"runtime/debug"
	"runtime/pprof"
	"time"

	"tendermend/localpg"
	"tendermend/server"
	"tendermend/store"
	"tendermend/web"
)

func main() {
	plants := flag.Int("plants", 10000, "plants in the collection")
	entries := flag.Int("entries", 1000000, "entries in all")
	others := flag.Int("others", 1000, "other collections, each of a hundred plants, that come beside it; 0 for none")
	asks := flag.Int("asks", 200, "times each address is asked")
	at := flag.Int("at-once", 2, "requests at the same time")
	dir := flag.String("dir", "", "keep the database in this folder and use it again")
	flag.Parse()
	if err := run(*dir, *plants, *entries, *others, *asks, *at); err != nil {
		fmt.Fprintln(os.Stderr, "load:", err)
		os.Exit(1)
	}
}

const email, password = "load@example.org", "a short sentence"

func run(dir string, plants, entries, others, asks, at int) error {
	debug.SetGCPercent(server.GarbagePercent) // as the program does
	ctx := context.Background()
	pg, stop, err := started(ctx, dir)
	if err != nil {
		return err
	}
	localpg.StopOnSignal(stop)
	defer func() { _ = stop() }()
	s, err := store.Open(pg.URL(), time.Now)
	if err != nil {
		return err
	}
	if err := s.Migrate(ctx); err != nil {
		return err
	}
	heavy, err := filled(ctx, s, pg.URL(), plants, entries)
	if err != nil {
		return err
	}
	if profile := os.Getenv("CPU_PROFILE"); profile != "" {
		f, err := os.Create(profile)
		if err != nil {
			return err
		}
		defer f.Close()
		if err := pprof.StartCPUProfile(f); err != nil {
			return err
		}
		defer pprof.StopCPUProfile()
	}
	asked, bare, err := timed(pg.URL())
	if err != nil {
		return err
	}
	h := httptest.NewServer(server.New(asked, server.Options{Clock: time.Now, SignInsPerMinute: 1000, Files: web.Files()}))
	defer h.Close()
	t := &table{}
	if err := measure(t, h.URL, heavy, s, bare, asks, at); err != nil {
		return err
	}
	if others == 0 {
		return t.write(asks, at)
	}
	if err := amongOthers(ctx, t, pg, h.URL, heavy, others, asks, []*store.Store{s, asked}); err != nil {
		return err
	}
	return t.write(asks, at)
}

// started starts a database in a folder that is kept, or in one that goes with it.
func started(ctx context.Context, dir string) (*localpg.Server, func() error, error) {
	if dir == "" {
		return localpg.Scratch(ctx, "load")
	}
	pg, err := localpg.Start(ctx, dir, true)
	if err != nil {
		return nil, nil, err
	}
	return pg, pg.Stop, nil
}
