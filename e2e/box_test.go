package e2e

import (
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/stretchr/testify/assert"
)

// hand counts clicks and keys; names are typed uncounted.
type hand struct {
	*page
	n int
}

func (h *hand) tap(what string) {
	h.t.Helper()
	h.n++
	h.click(what)
}

// type_ types into what has the focus; each key counts.
func (h *hand) types(words string) {
	h.t.Helper()
	h.n += len(words)
	h.run(chromedp.KeyEvent(words))
}

// called types a name, which does not count.
func (h *hand) called(name string) {
	h.t.Helper()
	h.run(chromedp.KeyEvent(name))
}

// Twelve alike come in, are looked at side by side and planned for in at most sixty clicks
// and keys beyond their name; where one differs it is told by a tap.
func TestTwelveAlikeComeInAndArePlannedFor(t *testing.T) {
	t.Parallel()
	h := &hand{page: start(t, true).page(t, 1280, 800)}
	h.openDemo("/plants")
	h.see("in the collection")
	h.tap(by("a", "A box comes in"))
	h.see("The plants of the box")
	h.tap(`//textarea`)
	h.types("12 x ")
	h.called("Phalaenopsis equestris")
	h.until(`[...document.querySelectorAll("input")].some(i => i.value === "Phalaenopsis equestris 12")`)
	h.noSeriousFinding("a box")
	h.tap(by("button", "Take in 12 plants"))
	h.see("12 plants that belong together")
	h.tap(`//input[@type="search"]`)
	h.types("mushy")
	h.tap(by("button", "Roots brown and soft"))
	h.tap(by("button", "Seen on all: Roots brown and soft"))
	h.see("Accept root rot and plan for 12 plants")
	h.tap(`//button[starts-with(@aria-label, "T-045: seen")]`) // not there on the last one
	h.see("plan for 11 plants")
	h.noSeriousFinding("side by side")
	h.tap(by("button", "Accept root rot and plan for 11 plants"))
	h.see("To their bench day")
	h.tap(by("a", "To their bench day"))
	h.see("Lay out for all")
	h.see("Then the suspect")
	assert.Equal(t, 11.0, eval[float64](h.page, `document.querySelectorAll("[data-testid=on-bench]").length`))
	assert.LessOrEqual(t, h.n, 60, "clicks and keys")
	t.Logf("%d clicks and keys", h.n)

	h.noSeriousFinding("bench day")
	h.tap(`(//li[@data-testid="on-bench"]//button)[1]`)
	h.until(`document.querySelectorAll("[data-testid=on-bench]").length === 10`)

	// Their labels are printed from where they stand together.
	h.click(by("a", "Box of 24 November"))
	h.click(by("a", "Print labels"))
	h.see("12 labels")
	h.noSeriousFinding("labels")
	h.see("T-045")
}
