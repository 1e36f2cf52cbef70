package main

import (
	"flag"
	"fmt"
	"net/http"
	"net/http/cookiejar"
	"slices"
	"strings"
	"time"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/store"
)

var only = flag.String("only", "", "ask only the addresses whose name holds these words")

// address is what is asked.
type address struct {
	name, method, path string
	body               any
	of                 uuid.UUID // the plant whose rows it tells of; none for lists
}

// addresses are what the screens ask for, and a plant with a long record.
func addresses(file string, heavy uuid.UUID) []address {
	signs := map[string][]string{
		"present": strings.Fields(`leaf.yellow-few-oldest leaf.drooping leaf.tips-brown leaf.spots-dark-dry
			leaf.dropping-fast leaf.yellow-many-fast new.none-in-season med.wet-long course.slow root.no-tips
			pest.cotton leaf.sticky`),
		"absent": strings.Fields(`pest.scale-bumps pest.webbing root.smell stem.soft-brown leaf.black-mush place.cold
			leaf.stippling med.mould`),
	}
	return []address{
		{"the walk", "GET", "/api/rounds", nil, uuid.Nil},
		{"the page of the walk", "GET", "/", nil, uuid.Nil},
		{"the walk in ten minutes", "GET", "/api/rounds?minutes=10", nil, uuid.Nil},
		{"register, first page", "GET", "/api/plants", nil, uuid.Nil},
		{"register, words", "GET", "/api/plants?q=orchid+moth", nil, uuid.Nil},
		{"register, by stage", "GET", "/api/plants?stage=stabilise", nil, uuid.Nil},
		{"register, due first", "GET", "/api/plants?sort=due", nil, uuid.Nil},
		{"register, worst first", "GET", "/api/plants?sort=condition", nil, uuid.Nil},
		{"six side by side", "GET", "/api/compare?sisters=true&plants=" + heavy.String(), nil, heavy},
		{"exposure of a plant", "GET", file + "/exposure?cause=mealybug", nil, uuid.Nil},
		{"places", "GET", "/api/places?years=true", nil, uuid.Nil},
		{"who fits where", "GET", "/api/fit", nil, uuid.Nil},
		{"a plant's file", "GET", file, nil, heavy},
		{"its page", "GET", "/plants/" + heavy.String(), nil, heavy},
		{"its record", "GET", file + "/entries", nil, heavy},
		{"a look back over it", "GET", file + "/review", nil, heavy},
		{"a look back over all", "GET", "/api/review", nil, uuid.Nil},
		{"what became of all", "GET", "/api/origins", nil, uuid.Nil},
		{"what became, by kind", "GET", "/api/origins?by=kind", nil, uuid.Nil},
		{"differential, 20 signs", "POST", file + "/differential", signs, heavy},
	}
}

// measure asks each address often, and says beside how long it took what its statements
// alone take: for a plant, to read the rows of its record.
func measure(t *table, url string, heavy uuid.UUID, s *store.Store, bare *sqlTime, asks, at int) error {
	c, err := signedIn(url)
	if err != nil {
		return err
	}
	file := "/api/plants/" + heavy.String()
	var entries int // a thousand, and some more after each run in a folder that is used again
	if err := s.DB.Get(&entries, `select entries from plants where id = $1`, heavy); err != nil {
		return err
	}
	fmt.Printf("the plant that is asked for holds %d entries\n", entries)
	fmt.Printf("%-34s %9s %9s %9s %9s %8s   (%d asks, %d at once)\n",
		"address", "median", "95 %", "slowest", "SQL alone", "times", asks, at)
	for _, row := range addresses(file, heavy) {
		if !strings.Contains(row.name, *only) {
			continue
		}
		bare.taken()
		asking := func() (time.Duration, error) { return ask(c, row.method, url+row.path, row.body) }
		times, err := often(asking, asks, at)
		if err != nil {
			return fmt.Errorf("%s: %w", row.name, err)
		}
		inSQL := bare.taken() / time.Duration(len(times))
		if row.of != uuid.Nil {
			alone, err := often(func() (time.Duration, error) { return readRecord(s, row.of) }, asks, at)
			if err != nil {
				return err
			}
			inSQL = mean(alone)
		}
		t.add(row.name, times, inSQL)
		fmt.Printf("%s %9s %8.1f\n", figures(row.name, times), ms(inSQL), float64(mean(times))/float64(inSQL))
	}
	if err := afterEntries(t, c, url+file); err != nil {
		return err
	}
	if *uploads == 0 || *only != "" {
		return nil
	}
	return upload(c, url+file)
}

// signedIn is a client whose requests are those of the person that has all the plants.
func signedIn(url string) (*http.Client, error) {
	jar, err := cookiejar.New(nil)
	if err != nil {
		return nil, err
	}
	c := &http.Client{Jar: jar, Timeout: 30 * time.Second}
	_, err = ask(c, "POST", url+"/api/session", map[string]string{"email": email, "password": password})
	return c, err
}

func mean(times []time.Duration) (mean time.Duration) {
	for _, t := range times {
		mean += t / time.Duration(len(times))
	}
	return mean
}

// figures puts the median, the 95th percentile and the slowest behind a name.
func figures(name string, times []time.Duration) string {
	slices.Sort(times)
	n := len(times)
	return fmt.Sprintf("%-34s %9s %9s %9s", name, ms(times[n/2]), ms(times[n*95/100]), ms(times[n-1]))
}

// afterEntries tells how long a plant's file takes right after something was recorded:
// what was kept of it is old by then.
func afterEntries(t *table, c *http.Client, file string) error {
	var times []time.Duration
	for n := range 40 {
		note := map[string]any{
			"id": uuid.Must(uuid.NewV7()), "on": day.At(time.Now()), "noted": map[string]string{"text": fmt.Sprint("look ", n)},
		}
		if _, err := ask(c, "POST", file+"/entries", note); err != nil {
			return err
		}
		took, err := ask(c, "GET", file, nil)
		if err != nil {
			return err
		}
		times = append(times, took)
	}
	t.add("a plant's file after an entry", times, 0)
	fmt.Println(figures("a plant's file after an entry", times))
	return nil
}
