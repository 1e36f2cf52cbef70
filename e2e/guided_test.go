package e2e

import (
	"fmt"
	"os"
	"path/filepath"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
)

// taps counts the taps of a hand that knows nothing.
type taps struct {
	*page
	n int
}

func (h *taps) tap(name string) {
	h.t.Helper()
	h.click(by("button", name))
	h.n++
}

// asked is the sign that the question on the screen is about; empty where none is asked.
func (p *page) asked() string {
	return eval[string](p, `document.querySelector('fieldset[class*=three]')?.getAttribute('aria-label') ?? ''`)
}

// says tells the demo's guided look in one's own words what is wrong.
func (h *taps) says(text string) {
	h.t.Helper()
	h.openDemo("/trouble")
	h.fill("Or say it in your own words", text)
	h.tap("Read it")
}

// answerAll answers questions until there is none left.
func (h *taps) answerAll(seen map[string]bool) {
	h.t.Helper()
	for range 15 {
		h.until(`document.querySelector('[data-testid=first-act]') !== null ||
			document.querySelector('fieldset[class*=three]')?.disabled === false`)
		sign := h.asked()
		if sign == "" {
			return
		}
		which := 2 // seen, not there, cannot tell
		if seen[sign] {
			which = 1
		}
		h.click(fmt.Sprintf(`//fieldset[contains(@class, "three")]/button[%d]`, which))
		h.n++
		h.until(fmt.Sprintf(`document.querySelector('[data-testid=first-act]') !== null ||
			document.querySelector('fieldset[class*=three]')?.getAttribute('aria-label') !== %q`, sign))
	}
}

// A beginner with a phone, a yellow plant and no botanical word comes from the door to the
// first safe act in at most 20 taps.
func TestFromTheDoorToTheFirstSafeAct(t *testing.T) {
	t.Parallel()
	h := &taps{page: start(t, true).page(t, 390, 844)}
	h.open("/")
	h.see("What brings you here?")
	h.keep("g1-door")
	h.tap("Something is wrong with my plant")
	h.see("What is wrong?")
	h.keep("g2-say")
	h.tap("Going yellow")
	h.see("which of these is it?")
	h.keep("g3-which-sign")
	h.click(`//button[@data-sign="leaf.yellow-many-fast"]`)
	h.n++
	h.see("Which plant is it?")
	h.keep("g4-which-plant")
	h.tap("I do not know")
	h.until(`document.querySelector('fieldset[class*=three]') !== null`)
	h.keep("g5-question")
	h.answerAll(map[string]bool{"A sour, rotten or mouldy smell at the drainage hole": true,
		"Still wet deep down long after it should have dried": true})
	h.see("What to do first")
	h.keep("g6-outcome")
	t.Logf("%d taps", h.n)
	assert.LessOrEqual(t, h.n, 20)
	assert.NotEmpty(t, eval[string](h.page, `document.querySelector('[data-testid=first-act] b').innerText`))
	h.see("Most likely it is")
}

// What is said in one's own words is shown to be confirmed, and goes into the record with
// the plant; going back opens the question again.
func TestASentenceIsReadConfirmedAndKept(t *testing.T) {
	t.Parallel()
	h := &taps{page: start(t, true).page(t, 1280, 800)}
	h.says("my pothos is going yellow, tiny black flies, no smell")
	h.see("Did you mean this?")
	h.see("The plant: ")
	h.keep("g7-read")
	assert.Equal(t, "true", eval[string](h.page,
		`document.querySelector('[data-sign="pest.small-flies"] button').getAttribute('aria-pressed')`))
	h.tap("Go on")
	h.until(`document.querySelector('fieldset[class*=three]') !== null`)
	first := h.asked()
	h.keep("g8-question-desk")
	h.click(`//fieldset[contains(@class, "three")]/button[2]`)
	h.until(fmt.Sprintf(`document.querySelector('fieldset[class*=three]')?.getAttribute('aria-label') !== %q`, first))
	assert.Equal(t, "H1", eval[string](h.page, `document.activeElement.tagName`), "no key answers what is not read yet")
	h.tap("Back")
	h.until(fmt.Sprintf(`document.querySelector('fieldset[class*=three]')?.getAttribute('aria-label') === %q`, first))
	h.answerAll(nil)
	h.see("What to do first")
	h.tap("Follow this plant")
	h.see("is recorded as its first look")
	h.fill("Name", "Yellow pothos")
	h.tap("Take it in")
	h.until(`location.pathname.endsWith('/do')`)
	h.see("Yellow pothos")
}

// Who says "my orchid" and no more is asked which by the commonest, and goes on without knowing it as well.
func TestAnOrchidIsAskedWhich(t *testing.T) {
	t.Parallel()
	h := &taps{page: start(t, true).page(t, 390, 844)}
	h.says("my orchid has limp leaves")
	h.tap("Go on")
	h.see("Which orchid is it?")
	h.keep("g9-which-orchid")
	assert.Equal(t, "H1", eval[string](h.page, `document.activeElement.tagName`))
	h.click(`//ul[1]/li[1]/button[contains(., "moth orchid")]`)
	h.until(`document.querySelector('fieldset[class*=three]') !== null`)
	h.tap("Back")
	h.see("Which orchid is it?")
	h.tap("I do not know")
	h.until(`document.querySelector('fieldset[class*=three]') !== null`)
}

// keep takes a picture where somebody wants to look at it.
func (p *page) keep(name string) {
	if dir := os.Getenv("LOOK_AT"); dir != "" {
		p.shot(filepath.Join(dir, name+".png"))
	}
}

// The page brings the data of its view: the view stands without asking for any of it, and nothing is asked
// for twice. Before any script runs the page says what is to be done.
func TestTheFirstViewsComeWithTheirData(t *testing.T) {
	t.Parallel()
	p := start(t, true).page(t, 1280, 800)
	p.openDemo("/")
	p.see("Ticket hall")
	for view, data := range map[string]string{
		"/": "/api/rounds?limit=40", plantPath("T-014"): "/api" + plantPath("T-014"),
	} {
		p.open(view)
		p.until(`!!document.querySelector("main h1") && !document.getElementById("shell")`)
		given := eval[[]string](p, `Object.keys(JSON.parse(document.getElementById("given-data").textContent))`)
		assert.Contains(t, given, data)
		asked := eval[[]string](p, `performance.getEntriesByType("resource").filter(r => r.startTime < 4000)
			.map(r => r.name.slice(location.origin.length)).filter(n => n.startsWith("/api/"))`)
		for _, address := range given {
			assert.NotContains(t, asked, address, view)
		}
		slices.Sort(asked)
		assert.Equal(t, slices.Compact(slices.Clone(asked)), asked, "nothing is asked for twice")
		before := eval[string](p, `(() => {
			const x = new XMLHttpRequest(); x.open("GET", location.pathname, false); x.send();
			return new DOMParser().parseFromString(x.responseText, "text/html").getElementById("shell").innerText })()`)
		for _, h1 := range eval[[]string](p, `[...document.querySelectorAll("main h1")].map(h => h.innerText.trim())`) {
			assert.Contains(t, before, h1, "the page says the same before its script runs")
		}
	}
}
