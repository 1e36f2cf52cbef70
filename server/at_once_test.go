package server_test

import (
	"fmt"
	"io"
	"net/http"
	"net/http/httptest"
	"sync"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/internal/pgtest"
	"tendermend/server"
)

// atOnce sends eight requests at the same time and counts their answers by status.
func (c *client) atOnce(ask func(c *client, i int) answer) map[int]int {
	c.t.Helper()
	var mu sync.Mutex
	var wg sync.WaitGroup
	by := map[int]int{}
	for i := range 8 {
		wg.Go(func() {
			a := ask(c, i)
			mu.Lock()
			defer mu.Unlock()
			by[a.status]++
		})
	}
	wg.Wait()
	return by
}

// What reads, judges and writes does so while it holds what it judges: of eight that want the same thing one gets
// it, and the others are told so.
func TestOfEightAtOnceOneIsTaken(t *testing.T) {
	url, _ := onDay(t, server.Options{OpenAccounts: true, SignInsPerMinute: 1000})
	c := member(t, url, "one@example.org")
	post := func(path string, body func(i int) map[string]any) func(*client, int) answer {
		return func(c *client, i int) answer { return c.call("POST", path, body(i)) }
	}

	pot := newID()
	c.tell(pot, 120, "arrived", map[string]any{
		"name": "Bowl", "profile": "fittonia-albivenis", "habit": "soft-trailer", "isolated": false,
	})
	c.tell(pot, 60, "shared", map[string]any{"plants": []map[string]any{
		{"letter": "A"}, {"letter": "B"}, {"letter": "C"},
	}})
	noted := newID()
	note := c.record(pot, map[string]any{"id": noted, "on": ago(1), "noted": map[string]any{"text": "n"}})
	require.Equal(t, 200, note.status)
	shelf := c.placed("Shelf", sill("E"))
	supply, soap := newID(), newID()
	require.Equal(t, 200, c.call("PUT", "/api/supplies/"+soap,
		map[string]any{"name": "Soap", "unit": "ml", "low": 1, "version": 0}).status)
	stock := "/api/supplies/" + soap + "/stock"
	require.Equal(t, 200, c.call("POST", stock, map[string]any{"id": newID(), "on": ago(0), "amount": 4}).status)
	trip := "/api/trips/" + c.plans(2, 30, "").body["id"].(string)
	ill, dying := c.takeIn("Ill"), c.takeIn("Dying")
	c.tell(ill, 0, "diagnosed", map[string]any{"causes": []string{"root-rot"}})
	kind := c.kindFrom("zygopetalum-maculatum", "Zygopetalum of the quay", 0)
	kind["profile"].(map[string]any)["common"] = ""

	for what, ask := range map[string]func(*client, int) answer{
		"taking the same plant out of a pot": post("/api/plants/"+pot+"/pot/out", func(i int) map[string]any {
			return map[string]any{"id": newID(), "on": ago(0), "out": []map[string]any{
				{"letter": "B", "plant": newID(), "name": fmt.Sprint("Out ", i)},
			}}
		}),
		"taking the same entry back": post("/api/plants/"+pot+"/entries", func(int) map[string]any {
			return map[string]any{"id": newID(), "on": ago(0), "voided": map[string]any{"entry": noted}}
		}),
		"a place of the same name": post("/api/places", func(int) map[string]any {
			return map[string]any{"id": newID(), "name": "Ledge"}
		}),
		"changing the same version of a place": func(c *client, i int) answer {
			return c.call("PUT", "/api/places/"+shelf, map[string]any{"name": fmt.Sprint("Shelf ", i), "version": 1})
		},
		"saving the same version of a kind": func(c *client, i int) answer {
			profile := map[string]any{}
			for k, v := range kind["profile"].(map[string]any) {
				profile[k] = v
			}
			profile["botanical"] = fmt.Sprint("Zygopetalum of pier ", i)
			return c.call("PUT", "/api/profiles/own:0123456789", map[string]any{"version": 0, "profile": profile})
		},
		"adding the same supply": func(c *client, i int) answer {
			return c.call("PUT", "/api/supplies/"+supply, map[string]any{"name": fmt.Sprint("Bark ", i), "unit": "l",
				"low": 1, "version": 0})
		},
		"taking the last of a supply": post("/api/supplies/"+soap+"/stock", func(int) map[string]any {
			return map[string]any{"id": newID(), "on": ago(0), "amount": -4}
		}),
		"changing the same version of a trip": func(c *client, i int) answer {
			return c.call("PUT", trip, wanted(2, 20+i, "", map[string]any{"version": 1}))
		},
		"an account of the same address": func(_ *client, i int) answer {
			return visit(t, url).call("POST", "/api/accounts", map[string]any{"name": fmt.Sprint("N ", i),
				"email": "same@example.org", "password": "a short sentence", "collection": "C"})
		},
		"a plan in the place of the same one": post("/api/plants/"+ill+"/entries", func(i int) map[string]any {
			return map[string]any{"id": newID(), "on": ago(0), "planned": map[string]any{
				"answers": map[string]any{"rootBallCm": 4 + float64(i)/2}}}
		}),
		"ending the same case": post("/api/plants/"+dying+"/entries", func(int) map[string]any {
			return map[string]any{"id": newID(), "on": ago(0), "closed": map[string]any{"outcome": "lost", "reason": "rot"}}
		}),
	} {
		by := c.atOnce(ask)
		assert.Equal(t, 1, by[http.StatusOK], "%s: %v", what, by)
		assert.Equal(t, 7, by[http.StatusConflict]+by[http.StatusUnprocessableEntity], "%s: %v", what, by)
	}
	assert.Len(t, at(t, c.call("GET", "/api/plants/"+pot, nil).body, "shared", "out"), 1)
}

// Eight taps of a sitter water once.
func TestASitterWhoTapsEightTimesAtOnceWatersOnce(t *testing.T) {
	url, _ := onDay(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	thirsty, _ := ferns(c, c.placed("Sill", sill("E")))
	trip := c.plans(0, 30, "Ines").body["id"].(string)
	link := c.call("POST", "/api/trips/"+trip+"/link", nil).body["link"].(string)
	by := c.atOnce(func(c *client, _ int) answer {
		return c.call("POST", "/api"+link, map[string]any{"id": newID(), "plant": thirsty, "did": "watered"})
	})
	assert.Equal(t, map[int]int{http.StatusOK: 8}, by)
	mine := 0
	for _, e := range list(c.call("GET", "/api/plants/"+thirsty+"/entries", nil), "entries") {
		if e.(map[string]any)["by"] == "Ines" {
			mine++
		}
	}
	assert.Equal(t, 1, mine)
}

// Of eight addresses that are made for a sitter at once one is good: each ends the one before.
func TestOfEightLinksMadeAtOnceOneIsGood(t *testing.T) {
	url, _ := onDay(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	trip := c.plans(0, 30, "Ines").body["id"].(string)
	made := make([]string, 8)
	by := c.atOnce(func(c *client, i int) answer {
		a := c.call("POST", "/api/trips/"+trip+"/link", nil)
		made[i], _ = a.body["link"].(string)
		return a
	})
	require.Equal(t, map[int]int{http.StatusOK: 8}, by)
	good := 0
	for _, link := range made {
		if visit(t, url).call("GET", "/api"+link, nil).status == http.StatusOK {
			good++
		}
	}
	assert.Equal(t, 1, good)
}

// While the tables are split nobody gets a fault of ours: it is recorded, or the answer is that the record cannot be
// reached just now. What waits for a table gives up in time.
func TestRecordingAtOnceWithASplitIsAnsweredOrPutOff(t *testing.T) {
	t.Parallel()
	s, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	plants := []string{c.takeIn("A"), c.takeIn("B"), c.takeIn("C")}
	done := make(chan error)
	go func() {
		_, err := s.Partition(t.Context(), 2)
		done <- err
	}()
	by := map[int]int{}
	for split := false; !split; {
		select {
		case err := <-done:
			require.NoError(t, err)
			split = true
		default:
		}
		for status, n := range c.atOnce(func(c *client, i int) answer {
			return c.record(plants[i%3], map[string]any{"on": ago(0), "noted": map[string]any{"text": "n"}})
		}) {
			by[status] += n
		}
	}
	assert.Positive(t, by[http.StatusOK], "%v", by)
	delete(by, http.StatusOK)
	delete(by, http.StatusServiceUnavailable)
	assert.Empty(t, by)

	tx, err := s.DB.Beginx()
	require.NoError(t, err)
	defer func() { _ = tx.Rollback() }()
	_, err = tx.Exec(`lock table entries in access exclusive mode`)
	require.NoError(t, err)
	late := c.record(plants[0], map[string]any{"on": ago(0), "noted": map[string]any{"text": "n"}})
	assert.Equal(t, http.StatusServiceUnavailable, late.status, late.raw)
	assert.Contains(t, late.raw, "try again")
}

// A mother is a plant that is here: one whose arrival was undone is none.
func TestAMotherIsAPlantThatIsHere(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	mother := newID()
	arrival := newID()
	require.Equal(t, 200, c.record(mother, map[string]any{"id": arrival, "on": ago(9),
		"arrived": map[string]any{"name": "Mother", "habit": "aroid-vine", "isolated": false}}).status)
	daughter := func() answer {
		return c.record(newID(), map[string]any{"on": ago(0), "arrived": map[string]any{
			"name": "Daughter", "habit": "aroid-vine", "isolated": false, "mother": mother}})
	}
	assert.Equal(t, 200, daughter().status)
	c.tell(mother, 0, "voided", map[string]any{"entry": arrival})
	none := daughter()
	assert.Equal(t, 422, none.status, none.raw)
	assert.Contains(t, none.raw, "the mother is no plant of this collection")
}

// An archive arrives whole over a slow line: for longer than a body may falter.
func TestAnArchiveArrivesWholeOverASlowLine(t *testing.T) {
	t.Parallel()
	s := pgtest.Store(t)
	h := httptest.NewUnstartedServer(server.New(s, server.Options{Clock: pgtest.Clock, OpenAccounts: true}))
	h.Config.ConnContext = server.SmallBuffers
	h.Start()
	t.Cleanup(h.Close)
	c := member(t, h.URL, "one@example.org")
	plant := c.takeIn("Fern")
	for range 25 {
		var sent []map[string]any
		for range 40 {
			sent = append(sent, map[string]any{"plant": plant, "id": newID(), "on": ago(0),
				"noted": map[string]any{"text": fmt.Sprintf("%0*d", 1900, uuid.New().ID())}})
		}
		require.Equal(t, 200, c.call("POST", "/api/entries", map[string]any{"entries": sent}).status)
	}
	whole := c.call("GET", "/api/archive.json", nil).raw
	require.Greater(t, len(whole), 1_900_000)
	res, err := c.http.Get(h.URL + "/api/archive.json")
	require.NoError(t, err)
	defer res.Body.Close()
	got := 0
	for begun := time.Now(); ; {
		n, err := res.Body.Read(make([]byte, 16<<10))
		got += n
		if err == io.EOF {
			break
		}
		require.NoError(t, err, "after %d bytes and %v", got, time.Since(begun))
		// 100 kB a second, on any machine: a slower one takes longer, which is allowed too.
		if late := time.Duration(got) * time.Second / 100_000; late > time.Since(begun) && late < 16*time.Second {
			time.Sleep(late - time.Since(begun))
		}
	}
	assert.Equal(t, len(whole), got)
}
