package main

import (
	"fmt"
	"net/http"
	"net/http/cookiejar"
	"slices"
	"strings"
	"time"

	"github.com/google/uuid"
)

// measure asks each address often, and says beside how long it took how much of that
// were its statements alone.
func measure(url string, heavy uuid.UUID, bare *sqlTime, asks, at int) error {
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
		"present": strings.Fields(`leaf.yellow-few-oldest leaf.drooping leaf.tips-brown leaf.spots-dark-dry
			leaf.dropping-fast leaf.yellow-many-fast new.none-in-season med.wet-long course.slow root.no-tips
			pest.cotton leaf.sticky`),
		"absent": strings.Fields(`pest.scale-bumps pest.webbing root.smell stem.soft-brown leaf.black-mush place.cold
			leaf.stippling med.mould`),
	}
	fmt.Printf("%-34s %9s %9s %9s %9s %8s   (%d asks, %d at once)\n",
		"address", "median", "95 %", "slowest", "SQL alone", "times", asks, at)
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
		bare.taken()
		times, err := askOften(c, row.method, url+row.path, row.body, asks, at)
		if err != nil {
			return fmt.Errorf("%s: %w", row.name, err)
		}
		inSQL, whole := bare.taken()/time.Duration(len(times)), time.Duration(0)
		for _, t := range times {
			whole += t / time.Duration(len(times))
		}
		fmt.Printf("%s %9s %8.1f\n", figures(row.name, times), ms(inSQL), float64(whole)/float64(inSQL))
	}
	if *uploads == 0 {
		return nil
	}
	return upload(c, url+file)
}

// figures puts the median, the 95th percentile and the slowest behind a name.
func figures(name string, times []time.Duration) string {
	slices.Sort(times)
	n := len(times)
	return fmt.Sprintf("%-34s %9s %9s %9s", name, ms(times[n/2]), ms(times[n*95/100]), ms(times[n-1]))
}
