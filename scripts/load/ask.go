package main

import (
	"bytes"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"sync"
	"time"
)

func ms(d time.Duration) string { return fmt.Sprintf("%.1f ms", float64(d.Microseconds())/1000) }

// often asks something many times, some at once, and gives how long each took.
func often(ask func() (time.Duration, error), asks, at int) ([]time.Duration, error) {
	var (
		wait  sync.WaitGroup
		lock  sync.Mutex
		times []time.Duration
		first error
	)
	for range at {
		wait.Go(func() {
			for range asks / at {
				d, err := ask()
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
