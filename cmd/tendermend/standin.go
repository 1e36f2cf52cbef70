package main

import (
	"bufio"
	"encoding/json"
	"errors"
	"flag"
	"fmt"
	"io"
	"net/http"
	"strconv"
	"time"

	"tendermend/core/day"
	"tendermend/core/place"
	"tendermend/sim"
)

// What the stand-ins give where nobody says otherwise.
const (
	loggedDays    = 14
	forecastDays  = 7
	scaleReadings = 10
	fullGrams     = 560.0
	dailyGrams    = 22.0
)

// standIn is a simulated instrument or service that speaks the plain format of a real one: a
// logger writes CSV, a scale writes a weight a line, a weather service answers JSON.
func standIn(args []string, out io.Writer) error {
	if len(args) == 0 {
		return badInput{errors.New("say which: logger, scale or weather")}
	}
	flags := flag.NewFlagSet("standin "+args[0], flag.ContinueOnError)
	seed := flags.Uint64("seed", 1, "another seed makes up another one")
	days := flags.Int("days", 0, "for how many days")
	addr := flags.String("addr", "127.0.0.1:4399", "where the weather service listens")
	if err := flags.Parse(args[1:]); err != nil {
		return badInput{err}
	}
	count := func(usual int) int {
		if *days > 0 {
			return *days
		}
		return usual
	}
	switch args[0] {
	case "logger":
		n := count(loggedDays)
		from := time.Now().Truncate(time.Hour).AddDate(0, 0, -n)
		return sim.WriteCSV(out, sim.Logger(*seed, from, time.Hour, n*24))
	case "scale":
		return weights(out, count(scaleReadings))
	case "weather":
		server := &http.Server{Addr: *addr, Handler: weather(*seed, count(forecastDays)), ReadHeaderTimeout: 5 * time.Second}
		fmt.Fprintf(out, "a made-up weather service is at http://%s/forecast?latitude=48\n", *addr)
		return server.ListenAndServe()
	}
	return badInput{fmt.Errorf("there is no stand-in %q: it is logger, scale or weather", args[0])}
}

// weights writes what a kitchen scale shows of one pot, a line a day: its day and its grams.
func weights(out io.Writer, days int) error {
	w := bufio.NewWriter(out)
	for i := range days {
		on := day.At(time.Now()) - day.Day(days-1-i)
		if _, err := fmt.Fprintf(w, "%s,%.0f g\n", on, fullGrams-dailyGrams*float64(i%scaleReadings)); err != nil {
			return err
		}
	}
	return w.Flush()
}

// weatherAnswer is what a weather service answers: the nights to come.
type weatherAnswer struct {
	From   day.Day   `json:"from"`
	Nights []float64 `json:"nights"`
	Source string    `json:"source"`
}

// weather answers the coming nights of a latitude, so many of them.
func weather(seed uint64, n int) http.Handler {
	mux := http.NewServeMux()
	mux.HandleFunc("GET /forecast", func(w http.ResponseWriter, r *http.Request) {
		latitude, err := strconv.ParseFloat(r.URL.Query().Get("latitude"), 64)
		if err != nil || latitude < -89 || latitude > 89 {
			http.Error(w, "say the latitude, -89 to 89 degrees", http.StatusBadRequest)
			return
		}
		today := day.At(time.Now())
		usual := place.Site{Latitude: latitude, Nights: place.NightsAt(latitude)}.UsualNight(today)
		w.Header().Set("Content-Type", "application/json")
		_ = json.NewEncoder(w).Encode(weatherAnswer{today, sim.Nights(seed+uint64(today), usual, n), "the weather stand-in"})
	})
	return mux
}
