// Command load measures the answers of every screen with 10,000 plants and a
// million entries: it fills a database of its own, serves it on loopback, asks
// each address many times and prints the median, the 95th percentile and the
// slowest answer. It stops by itself.
package main

import (
	"bytes"
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"flag"
	"fmt"
	"image"
	"image/jpeg"
	"io"
	"math/rand/v2"
	"net/http"
	"net/http/cookiejar"
	"net/http/httptest"
	"os"
	"runtime"
	"runtime/pprof"
	"slices"
	"sync"
	"time"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/localpg"
	"tendermend/record"
	"tendermend/server"
	"tendermend/store"
)

func main() {
	plants := flag.Int("plants", 10000, "plants in the collection")
	entries := flag.Int("entries", 1000000, "entries in all")
	asks := flag.Int("asks", 200, "times each address is asked")
	at := flag.Int("at-once", 2, "requests at the same time")
	dir := flag.String("dir", "", "keep the database in this folder and use it again")
	flag.Parse()
	if err := run(*dir, *plants, *entries, *asks, *at); err != nil {
		fmt.Fprintln(os.Stderr, "load:", err)
		os.Exit(1)
	}
}

const email, password = "load@example.org", "a short sentence"

func run(dir string, plants, entries, asks, at int) error {
	ctx := context.Background()
	pg, stop, err := started(ctx, dir)
	if err != nil {
		return err
	}
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
	h := httptest.NewServer(server.New(s, server.Options{Clock: time.Now, SignInsPerMinute: 1000}))
	defer h.Close()
	return measure(h.URL, heavy, asks, at)
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

// filled gives the plant with a thousand entries, writing everything first
// where the database is empty.
func filled(ctx context.Context, s *store.Store, url string, plants, entries int) (heavy uuid.UUID, err error) {
	err = s.DB.GetContext(ctx, &heavy, `select id from plants order by entries desc limit 1`)
	if !errors.Is(err, sql.ErrNoRows) {
		return heavy, err
	}
	account, err := s.CreateAccount(
		ctx,
		store.NewAccount{Email: email, Name: "Load", Password: password, CollectionName: "Load"},
	)
	if err != nil {
		return heavy, err
	}
	begun := time.Now()
	if heavy, err = fill(ctx, url, account, day.At(time.Now()), plants, entries); err != nil {
		return heavy, err
	}
	fmt.Printf("%d plants and %d entries written in %s\n", plants, entries, time.Since(begun).Round(time.Second))
	begun = time.Now()
	if _, err := s.Recompute(ctx); err != nil {
		return heavy, err
	}
	fmt.Printf("lists recomputed in %s\n\n", time.Since(begun).Round(time.Second))
	_, err = s.DB.ExecContext(ctx, `vacuum analyze`)
	return heavy, err
}

// fill copies plants and entries straight into the tables, then leaves the
// lists to recompute. One plant gets a thousand entries; its id is given back.
func fill(
	ctx context.Context,
	url string,
	a store.Account,
	today day.Day,
	plants, entries int,
) (heavy uuid.UUID, err error) {
	conn, err := pgx.Connect(ctx, url)
	if err != nil {
		return heavy, err
	}
	defer func() { _ = conn.Close(ctx) }()
	chance := rand.New(rand.NewPCG(1, 2))
	ids := make([]uuid.UUID, plants)
	rows := make([][]any, plants)
	for i := range ids {
		ids[i] = uuid.Must(uuid.NewV7())
		rows[i] = []any{a.Collection.ID, ids[i]}
	}
	if _, err := conn.CopyFrom(ctx, pgx.Identifier{"plants"}, []string{"collection_id", "id"},
		pgx.CopyFromRows(rows)); err != nil {
		return heavy, err
	}
	profiles := plant.Profiles()
	each := (entries - 1000) / plants
	written := 0
	write := func(id uuid.UUID, n int) error {
		batch := make([][]any, 0, n)
		story(chance, profiles, id, today, n, func(e record.Entry) error {
			body, err := json.Marshal(e.Body)
			if err != nil {
				return err
			}
			batch = append(
				batch,
				[]any{
					a.Collection.ID,
					uuid.Must(uuid.NewV7()),
					id,
					string(e.Kind()),
					e.On.Time(),
					e.RecordedAt,
					a.User.ID,
					nil,
					body,
				},
			)
			return nil
		})
		written += len(batch)
		_, err := conn.CopyFrom(
			ctx,
			pgx.Identifier{"entries"},
			[]string{
				"collection_id",
				"id",
				"plant_id",
				"kind",
				"on_day",
				"recorded_at",
				"by_user",
				"replaces",
				"body",
			},
			pgx.CopyFromRows(batch),
		)
		return err
	}
	for i, id := range ids {
		n := each
		if i == 0 {
			n = 1000
		}
		if err := write(id, n); err != nil {
			return heavy, err
		}
	}
	return ids[0], nil
}

// story makes up n entries of one plant: taken in, examined, planned, then
// check-ins and waterings until about today.
func story(
	chance *rand.Rand,
	profiles []plant.Profile,
	id uuid.UUID,
	today day.Day,
	n int,
	write func(record.Entry) error,
) {
	p := profiles[chance.IntN(len(profiles))]
	began := today - day.Day(300+chance.IntN(60))
	recorded := time.Now()
	put := func(on day.Day, b record.Body) {
		recorded = recorded.Add(time.Millisecond)
		if err := write(record.Entry{ID: id, PlantID: id, On: on, RecordedAt: recorded, Body: b}); err != nil {
			panic(err)
		}
	}
	width := 12.0
	put(
		began,
		record.Body{
			Arrived: &record.Arrived{
				Name:       fmt.Sprintf("%s %d", p.Common, chance.IntN(10000)),
				Profile:    p.ID,
				Habit:      p.Habit,
				PotWidthCM: &width,
			},
		},
	)
	put(
		began,
		record.Body{
			Examined: &record.Examined{
				Present: []string{"root.mushy", "leaf.drooping"},
				Absent:  []string{"pest.cotton"},
			},
		},
	)
	put(began, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"root-rot"}}})
	made, err := sheet.Of(
		treatment.Situation{Kind: p.ID, Causes: []cause.ID{cause.RootRot}, On: began},
		sheet.Answers{},
	)
	if err != nil {
		panic(err)
	}
	put(began, record.Body{Planned: &record.Planned{Plan: &made.Sheet}})
	// Half of them went through their stages; the others are in the first.
	if track, _ := recovery.TrackByID(made.Sheet.Track); chance.IntN(2) == 0 {
		on := began
		for i, stage := range track.Stages {
			to := recovery.Mended
			if i+1 < len(track.Stages) {
				to = track.Stages[i+1].ID
			}
			on += day.Day(10 + chance.IntN(40))
			put(
				on,
				record.Body{Staged: &record.Staged{Track: made.Sheet.Track, From: stage.ID, To: to, GateOpen: true}},
			)
			n--
		}
	}
	for i := range n - 4 {
		on := began + day.Day((i+1)*int(today-began-5)/(n-3))
		if i%2 == 0 {
			put(on, record.Body{Watered: &record.Watered{}})
			continue
		}
		if i%10 == 5 {
			leaf := uuid.NewSHA1(id, []byte{byte(i / 100)})
			size := float64(20 + i%100)
			put(on, record.Body{Grown: &record.Grown{Growth: leaf, Sort: recovery.Leaf, SizeMM: &size}})
			continue
		}
		put(
			on,
			record.Body{
				Checked: &record.Checked{
					Readings: []record.Value{
						{Measure: "wilt", Value: 0},
						{Measure: "smell", Value: 0},
						{Measure: "longest-root", Value: float64(i / 4)},
					},
				},
			},
		)
	}
}

func measure(url string, heavy uuid.UUID, asks, at int) error {
	jar, err := cookiejar.New(nil)
	if err != nil {
		return err
	}
	c := &http.Client{Jar: jar, Timeout: 30 * time.Second}
	if _, err := ask(c, "POST", url+"/api/session", map[string]string{"email": email, "password": password}); err != nil {
		return err
	}
	file := "/api/plants/" + heavy.String()
	signs := map[string][]string{
		"present": {
			"leaf.yellow-few-oldest",
			"leaf.drooping",
			"leaf.tips-brown",
			"leaf.spots-dark-dry",
			"leaf.dropping-fast",
			"leaf.yellow-many-fast",
			"new.none-in-season",
			"med.wet-long",
			"course.slow",
			"root.no-tips",
			"pest.cotton",
			"leaf.sticky",
		},
		"absent": {
			"pest.scale-bumps",
			"pest.webbing",
			"root.smell",
			"stem.soft-brown",
			"leaf.black-mush",
			"place.cold",
			"leaf.stippling",
			"med.mould",
		},
	}
	fmt.Printf("%-34s %9s %9s %9s   (%d asks, %d at once)\n", "address", "median", "95 %", "slowest", asks, at)
	for _, row := range []struct {
		name, method, path string
		body               any
	}{
		{"the walk", "GET", "/api/rounds", nil},
		{"register, first page", "GET", "/api/plants", nil},
		{"register, words", "GET", "/api/plants?q=orchid+moth", nil},
		{"register, by stage", "GET", "/api/plants?stage=stabilise", nil},
		{"places", "GET", "/api/places", nil},
		{"a plant's file, 1,000 entries", "GET", file, nil},
		{"its record", "GET", file + "/entries", nil},
		{"a look back over it", "GET", file + "/review", nil},
		{"a look back over all", "GET", "/api/review", nil},
		{"differential, 20 signs", "POST", file + "/differential", signs},
	} {
		times, err := askOften(c, row.method, url+row.path, row.body, asks, at)
		if err != nil {
			return fmt.Errorf("%s: %w", row.name, err)
		}
		slices.Sort(times)
		fmt.Printf(
			"%-34s %9s %9s %9s\n",
			row.name,
			ms(times[len(times)/2]),
			ms(times[len(times)*95/100]),
			ms(times[len(times)-1]),
		)
	}
	if *uploads == 0 {
		return nil
	}
	return upload(c, url+file)
}

// As many as a club takes in a week.
var uploads = flag.Int("uploads", 200, "pictures of twelve megapixels that are sent")

// upload sends pictures of twelve megapixels and tells how long each took, and
// what memory was held before, between and after.
func upload(c *http.Client, file string) error {
	shot := image.NewRGBA(image.Rect(0, 0, 4000, 3000))
	chance := rand.New(rand.NewPCG(3, 4))
	for i := range shot.Pix {
		shot.Pix[i] = uint8(i/4000%200) + uint8(chance.IntN(40))
	}
	var sent bytes.Buffer
	if err := jpeg.Encode(&sent, shot, &jpeg.Options{Quality: 88}); err != nil {
		return err
	}
	shot = nil
	fmt.Printf("\n%d pictures of 12 megapixels, %.1f MB each\n", *uploads, float64(sent.Len())/(1<<20))
	var times []time.Duration
	for n := range *uploads {
		id := uuid.Must(uuid.NewV7())
		begun := time.Now()
		req, err := http.NewRequest("PUT", file+"/pictures/"+id.String(), bytes.NewReader(sent.Bytes()))
		if err != nil {
			return err
		}
		req.Header.Set("Content-Type", "image/jpeg")
		res, err := c.Do(req)
		if err != nil {
			return err
		}
		_, _ = io.Copy(io.Discard, res.Body)
		res.Body.Close()
		if res.StatusCode != http.StatusOK {
			return fmt.Errorf("a picture: %s", res.Status)
		}
		times = append(times, time.Since(begun))
		if n%50 == 0 || n == *uploads-1 {
			var m runtime.MemStats
			runtime.GC()
			runtime.ReadMemStats(&m)
			fmt.Printf(
				"after %3d: %.0f MB in use, %.0f MB taken from the system\n",
				n+1,
				float64(m.HeapAlloc)/(1<<20),
				float64(m.Sys)/(1<<20),
			)
		}
		if _, err := ask(c, "POST", file+"/entries", map[string]any{"id": uuid.Must(uuid.NewV7()),
			"on": day.At(time.Now().UTC()), "pictured": map[string]any{"picture": id, "side": "front"}}); err != nil {
			return err
		}
	}
	slices.Sort(times)
	fmt.Printf(
		"%-34s %9s %9s %9s\n",
		"a picture stored",
		ms(times[len(times)/2]),
		ms(times[len(times)*95/100]),
		ms(times[len(times)-1]),
	)
	times, err := askOften(c, "GET", file, nil, 100, 2)
	if err != nil {
		return err
	}
	slices.Sort(times)
	fmt.Printf(
		"%-34s %9s %9s %9s\n",
		"the plant's file with them",
		ms(times[len(times)/2]),
		ms(times[len(times)*95/100]),
		ms(times[len(times)-1]),
	)
	return nil
}

func ms(d time.Duration) string { return fmt.Sprintf("%.1f ms", float64(d.Microseconds())/1000) }

func askOften(c *http.Client, method, url string, body any, asks, at int) ([]time.Duration, error) {
	var (
		wait  sync.WaitGroup
		lock  sync.Mutex
		times []time.Duration
		first error
	)
	for range at {
		wait.Go(func() {
			for range asks / at {
				d, err := ask(c, method, url, body)
				lock.Lock()
				times = append(times, d)
				if err != nil && first == nil {
					first = err
				}
				lock.Unlock()
			}
		})
	}
	wait.Wait()
	return times, first
}

func ask(c *http.Client, method, url string, body any) (time.Duration, error) {
	raw, err := json.Marshal(body)
	if err != nil {
		return 0, err
	}
	req, err := http.NewRequest(method, url, bytes.NewReader(raw))
	if err != nil {
		return 0, err
	}
	req.Header.Set("Content-Type", "application/json")
	begun := time.Now()
	res, err := c.Do(req)
	if err != nil {
		return 0, err
	}
	defer res.Body.Close()
	if _, err := io.Copy(io.Discard, res.Body); err != nil {
		return 0, err
	}
	if res.StatusCode != http.StatusOK {
		return 0, fmt.Errorf("%s answers %s", url, res.Status)
	}
	return time.Since(begun), nil
}
