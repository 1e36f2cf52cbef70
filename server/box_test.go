package server_test

import (
	"fmt"
	"net/url"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// boxOf takes so many alike in as one box, and gives their ids.
func (c *client) boxOf(n int, name string) (plants []string) {
	c.t.Helper()
	read := c.call("POST", "/api/box", map[string]any{"text": fmt.Sprintf("%d x Phalaenopsis equestris", n)})
	require.Equal(c.t, 200, read.status, read.raw)
	var entries []map[string]any
	for i := range n {
		plants = append(plants, newID())
		entries = append(entries, map[string]any{"plant": plants[i], "id": newID(), "on": ago(0), "arrived": map[string]any{
			"name": at(c.t, read.body, "plants", i, "name"), "label": at(c.t, read.body, "plants", i, "label"),
			"habit": at(c.t, read.body, "plants", i, "habit"), "profile": at(c.t, read.body, "plants", i, "kinds", 0),
			"isolated": false, "box": name}})
	}
	kept := c.call("POST", "/api/entries", map[string]any{"entries": entries})
	require.Equal(c.t, 200, kept.status, kept.raw)
	require.Empty(c.t, at(c.t, kept.body, "refused"), kept.raw)
	return plants
}

func tagged(tag string) string { return "/api/plants?tag=" + url.QueryEscape(tag) }

// A box is read without being recorded: labels counted on, its price parted, lines that
// cannot be said; what came in it is found by it, by nobody else.
func TestABoxIsReadTakenInAndFound(t *testing.T) {
	_, at0 := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, at0, "one@example.org"), member(t, at0, "two@example.org")
	c.arrive(9, map[string]any{"name": "First", "label": "T-041", "habit": "fern"})
	read := c.call("POST", "/api/box", map[string]any{"text": "2 x pothos, small black flies\n0 x pothos", "price": 10.01})
	require.Equal(t, 200, read.status, read.raw)
	assert.Equal(t, "T-042", at(t, read.body, "plants", 0, "label"))
	assert.Equal(t, "T-043", at(t, read.body, "plants", 1, "label"))
	assert.EqualValues(t, 5.01, at(t, read.body, "plants", 0, "price"))
	assert.EqualValues(t, 5, at(t, read.body, "plants", 1, "price"))
	assert.EqualValues(t, 2, at(t, read.body, "problems", 0, "line"))
	assert.EqualValues(t, 1, c.call("GET", "/api/plants", nil).body["total"], "nothing was recorded")
	assert.Equal(t, "###", stranger.call("POST", "/api/box", map[string]any{"text": ""}).body["pattern"])

	c.boxOf(3, "Box of the quay")
	found := c.call("GET", tagged("Box of the quay"), nil)
	assert.EqualValues(t, 3, found.body["total"], found.raw)
	assert.EqualValues(t, 3, at(t, found.body, "tags", "Box of the quay"))
	assert.EqualValues(t, 3, c.call("GET", "/api/plants?q=quay", nil).body["total"], "and by its words")
	assert.EqualValues(t, 0, stranger.call("GET", tagged("Box of the quay"), nil).body["total"])
	assert.Empty(t, stranger.call("GET", "/api/plants", nil).body["tags"])
}

func TestTagsArePutOnAndTakenOff(t *testing.T) {
	_, at0 := serve(t, server.Options{OpenAccounts: true})
	c := member(t, at0, "one@example.org")
	plant := c.arrive(9, map[string]any{"name": "Fern", "habit": "fern"})
	tags := func() any { return at(t, c.call("GET", "/api/plants", nil).body, "plants", 0, "tags") }
	c.tell(plant, 0, "tagged", map[string]any{"add": []string{" for sale ", "attic"}})
	assert.Equal(t, []any{"attic", "for sale"}, tags())
	c.tell(plant, 0, "tagged", map[string]any{"add": []string{"attic"}})
	assert.Equal(t, []any{"attic", "for sale"}, tags(), "once")
	undo := c.record(plant, map[string]any{"on": ago(0), "tagged": map[string]any{"remove": []string{"attic"}}})
	assert.Equal(t, []any{"for sale"}, tags())
	c.tell(plant, 0, "voided", map[string]any{"entry": undo.body["id"], "reason": "mistake"})
	assert.Equal(t, []any{"attic", "for sale"}, tags())

	// Twenty are kept, of eighty letters each; a twenty-first and a longer one are refused.
	var many []string
	for n := range 18 {
		many = append(many, fmt.Sprint("tag ", n))
	}
	long := strings.Repeat("a", 80)
	longer := c.record(plant, map[string]any{"on": ago(0), "tagged": map[string]any{"add": []string{long + "a"}}})
	assert.Equal(t, 422, longer.status, longer.raw)
	full := c.record(plant, map[string]any{"on": ago(0), "tagged": map[string]any{"add": append(many, long)}})
	assert.Equal(t, 422, full.status, "with the two it has these are one too many")
	c.tell(plant, 0, "tagged", map[string]any{"add": many})
	assert.Len(t, tags(), 20)
	full = c.record(plant, map[string]any{"on": ago(0), "tagged": map[string]any{"add": []string{long}}})
	assert.Contains(t, full.says(), "more than 20 tags")
	c.tell(plant, 0, "tagged", map[string]any{"remove": []string{"attic"}, "add": []string{long}})
	assert.Contains(t, tags(), long)

	for _, bad := range []map[string]any{{}, {"add": []string{"  "}}} {
		a := c.record(plant, map[string]any{"on": ago(0), "tagged": bad})
		assert.Equal(t, 422, a.status, a.raw)
	}
}

// The register goes by what is asked, over pages as well; numbers in names by their size.
func TestTheRegisterIsSorted(t *testing.T) {
	_, at0 := serve(t, server.Options{OpenAccounts: true})
	c := member(t, at0, "one@example.org")
	for i, name := range []string{"Fern 12", "fern 2", "Anthurium", "Fern 1"} {
		c.arrive(20+i, map[string]any{"name": name, "habit": "fern"})
	}
	names := func(sort string) (list []string) {
		after := ""
		for {
			a := c.call("GET", "/api/plants?limit=1&sort="+sort+"&after="+url.QueryEscape(after), nil)
			require.Equal(t, 200, a.status, a.raw)
			list = append(list, at(t, a.body, "plants", 0, "name").(string))
			if after = a.body["next"].(string); after == "" {
				return list
			}
		}
	}
	assert.Equal(t, []string{"Anthurium", "Fern 1", "fern 2", "Fern 12"}, names("name"))
	assert.Equal(t, []string{"Fern 12", "fern 2", "Anthurium", "Fern 1"}, names("newest"))
	assert.Equal(t, []string{"Fern 1", "Anthurium", "fern 2", "Fern 12"}, names("oldest"))
	mark := c.call("GET", "/api/plants?limit=1&sort=name", nil).body["next"].(string)
	other := c.call("GET", "/api/plants?limit=1&sort=newest&after="+url.QueryEscape(mark), nil)
	assert.Equal(t, 422, other.status, "a page mark names the order it was made for")
	assert.Contains(t, other.raw, "another order")
	// What is overdue longest comes first; what asks for nothing, last.
	due := func() (days []string) {
		for _, row := range c.call("GET", "/api/plants?sort=due", nil).body["plants"].([]any) {
			on, _ := row.(map[string]any)["nextDue"].(string)
			what, _ := row.(map[string]any)["nextWhat"].(string)
			assert.Equal(t, on == "", what == "", "what is due is said with its day")
			days = append(days, on)
		}
		return days
	}()
	assert.True(t, slices.IsSorted(due), due)
	assert.Greater(t, due[3], due[0], "they are not all of one day")
	assert.Equal(t, 422, c.call("GET", "/api/plants?sort=luck", nil).status)
}

// A bench day goes from the clean to the infested, sums what all of it takes, and ends for a
// plant when its steps are done.
func TestABenchDayGoesFromCleanToInfested(t *testing.T) {
	_, at0 := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, at0, "one@example.org"), member(t, at0, "two@example.org")
	plants := c.boxOf(4, "Box")
	unlisted := c.call("GET", "/api/bench-day?tag=Box", nil)
	assert.EqualValues(t, 0, unlisted.body["more"])
	decide := func(plant, sign, cause string) {
		c.tell(plant, 0, "examined", map[string]any{"present": []string{sign}, "absent": []string{}})
		c.tell(plant, 0, "diagnosed", map[string]any{"causes": []string{cause}})
		c.tell(plant, 0, "planned", map[string]any{"answers": map[string]any{"rootBallCm": 7}})
	}
	decide(plants[0], "pest.cotton", "mealybug")
	decide(plants[1], "root.circling", "pot-bound")
	decide(plants[2], "root.mushy", "root-rot")

	day := c.call("GET", "/api/bench-day?tag=Box", nil)
	require.Equal(t, 200, day.status, day.raw)
	var turns, ids []any
	for i := range 3 {
		turns = append(turns, at(t, day.body, "plants", i, "turn"))
		ids = append(ids, at(t, day.body, "plants", i, "id"))
	}
	assert.Equal(t, []any{"clean", "suspect", "infested"}, turns)
	assert.Equal(t, []any{plants[1], plants[2], plants[0]}, ids)
	assert.EqualValues(t, 1, day.body["nothing"])
	assert.NotEmpty(t, day.body["needs"])
	empty := stranger.call("GET", "/api/bench-day?tag=Box", nil)
	assert.Empty(t, empty.body["plants"], empty.raw)

	var did []map[string]any
	for _, step := range at(t, day.body, "plants", 0, "steps").([]any) {
		s := step.(map[string]any)
		did = append(did, map[string]any{"plant": plants[1], "id": newID(), "on": ago(0), "case": s["case"],
			"did": map[string]any{"step": s["id"], "skipped": false, "note": "no picture was made"}})
	}
	kept := c.call("POST", "/api/entries", map[string]any{"entries": did})
	require.Equal(t, 200, kept.status, kept.raw)
	assert.Empty(t, at(t, kept.body, "refused"), kept.raw)
	day = c.call("GET", "/api/bench-day?tag=Box", nil)
	assert.EqualValues(t, 2, day.body["nothing"], "what is done wants nothing more today")
}

// Plants that were picked are listed by their ids, and none of a stranger's.
func TestPickedPlantsAreListed(t *testing.T) {
	_, at0 := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, at0, "one@example.org"), member(t, at0, "two@example.org")
	plants := c.boxOf(3, "Box")
	two := "/api/plants?plants=" + plants[0] + "&plants=" + plants[2]
	assert.EqualValues(t, 2, c.call("GET", two, nil).body["total"])
	assert.EqualValues(t, 0, stranger.call("GET", two, nil).body["total"])
	assert.Equal(t, 422, c.call("GET", "/api/plants?plants=nobody", nil).status)
}

// Plants stand side by side in the order that is asked for, with what differs; sound ones of
// the kind are found beside one that is not, those of its place first.
func TestPlantsStandSideBySide(t *testing.T) {
	_, at0 := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, at0, "one@example.org"), member(t, at0, "two@example.org")
	sill := c.place("Sill", false)
	fern := func(name string, more map[string]any) string {
		arrived := map[string]any{"name": name, "habit": "fern", "potWidthCm": 12}
		for k, v := range more {
			arrived[k] = v
		}
		return c.arrive(30, arrived)
	}
	ill := fern("Ill", map[string]any{"place": sill, "potWidthCm": 20})
	far := fern("A far one", map[string]any{"well": true})
	near := fern("Near", map[string]any{"well": true, "place": sill})
	c.arrive(30, map[string]any{"name": "Other", "habit": "cactus", "well": true})
	for _, days := range []int{20, 13, 6} {
		c.tell(near, days, "watered", map[string]any{})
	}
	beside := c.call("GET", "/api/compare?sisters=true&plants="+ill, nil)
	require.Equal(t, 200, beside.status, beside.raw)
	var names []any
	for i := range 3 {
		names = append(names, at(t, beside.body, "plants", i, "name"))
	}
	assert.Equal(t, []any{"Ill", "Near", "A far one"}, names)
	rows := map[string][]any{}
	differs := map[string]bool{}
	for _, r := range beside.body["rows"].([]any) {
		row := r.(map[string]any)
		rows[row["what"].(string)] = row["values"].([]any)
		differs[row["what"].(string)] = row["differs"].(bool)
	}
	assert.Equal(t, []any{"20 cm", "12 cm", "12 cm"}, rows["pot, inner width"])
	assert.True(t, differs["pot, inner width"])
	assert.Equal(t, []any{"", "every 7 days", ""}, rows["waterings"])
	assert.False(t, differs["waterings"], "what is known of one alone does not differ")
	assert.False(t, differs["kind"])
	assert.Equal(t, []any{"Sill", "Sill", ""}, rows["place"])

	two := c.call("GET", "/api/compare?plants="+far+"&plants="+ill, nil)
	assert.Equal(t, "A far one", at(t, two.body, "plants", 0, "name"), "in the order that was asked for")
	assert.Empty(t, stranger.call("GET", "/api/compare?sisters=true&plants="+ill, nil).body["plants"])
	assert.Equal(t, 422, c.call("GET", "/api/compare?plants=nobody", nil).status)
}

// A label that another plant has is said before anything is recorded: one that was given out since, one that was
// written by hand, and one that stands in the box twice. What is left out takes no label.
func TestLabelsThatAreTakenAreSaidBefore(t *testing.T) {
	_, at0 := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, at0, "one@example.org"), member(t, at0, "two@example.org")
	c.arrive(9, map[string]any{"name": "First", "label": "T-041", "habit": "fern"})
	ask := func(by *client, labels []string, left []int) (out []string) {
		read := by.call("POST", "/api/box", map[string]any{"text": "4 x pothos", "pattern": "T-###",
			"labels": labels, "left": left})
		require.Equal(t, 200, read.status, read.raw)
		for i := range 4 {
			p := at(t, read.body, "plants", i).(map[string]any)
			label, _ := p["label"].(string)
			if p["again"] == true {
				label += " again"
			}
			out = append(out, label)
		}
		return out
	}
	assert.Equal(t, []string{"T-042", "T-043", "T-044", "T-045"}, ask(c, nil, nil))
	assert.Equal(t, []string{"T-041 again", "T-042", "x", "x again"}, ask(c, []string{"T-041", "", "x", "x"}, nil))
	assert.Equal(t, []string{"", "x", "T-042", "x again"}, ask(c, []string{"x", "x", "", "x"}, []int{0}))
	assert.Equal(t, []string{"T-041", "T-001", "T-002", "T-003"}, ask(stranger, []string{"T-041"}, nil))
}

// A box of forty is taken in whole or not at all: where one is refused it says of each that is, and keeps none; put
// right and sent again with the same ids all forty are there, once.
func TestABoxIsTakenInWholeOrNotAtAll(t *testing.T) {
	s, at0 := serve(t, server.Options{})
	c := member(t, at0, "one@example.org")
	var entries []map[string]any
	for i := range 40 {
		plant := newID()
		entries = append(entries,
			of(plant, 0, "arrived", map[string]any{"name": fmt.Sprintf("Moth orchid %d", i+1), "habit": "monopodial-orchid",
				"isolated": true, "box": "Big"}),
			of(plant, 0, "examined", map[string]any{"present": []string{"root.mushy"}, "absent": []string{}}))
	}
	send := func() answer {
		return c.call("POST", "/api/entries", map[string]any{"entries": entries, "whole": true})
	}
	for _, i := range []int{22, 79} {
		entries[i]["on"] = ago(-1)
	}
	a := send()
	require.Equal(t, 200, a.status, a.raw)
	assert.Empty(t, list(a, "kept"))
	require.Len(t, list(a, "refused"), 2, a.raw)
	assert.Equal(t, entries[22]["plant"], at(t, a.body, "refused", 0, "plant"))
	assert.Contains(t, a.raw, "still to come")
	assert.EqualValues(t, 0, c.call("GET", "/api/plants", nil).body["total"])
	for _, i := range []int{22, 79} {
		entries[i]["on"] = ago(0)
	}
	// The disk is full where half of it is written.
	_, err := s.DB.Exec(`create function full_disk() returns trigger language plpgsql as $$ begin
			if (select count(*) from entries) >= 40 then raise 'no space left' using errcode = '53100'; end if;
			return new; end $$;
		create trigger full_disk before insert on entries for each row execute function full_disk()`)
	require.NoError(t, err)
	a = send()
	require.Equal(t, 503, a.status, a.raw)
	assert.Contains(t, a.raw, "no room left")
	assert.EqualValues(t, 0, c.call("GET", "/api/plants", nil).body["total"])
	_, err = s.DB.Exec(`drop function full_disk cascade`)
	require.NoError(t, err)
	for range 2 {
		a = send()
		assert.Len(t, list(a, "kept"), 80, a.raw)
	}
	assert.EqualValues(t, 40, c.call("GET", tagged("Big"), nil).body["total"])
	assert.Equal(t, 2, c.entriesOf(entries[0]["plant"].(string)))
}
