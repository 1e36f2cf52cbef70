package e2e

import (
	"testing"
	"time"

	"github.com/chromedp/chromedp"
	"github.com/stretchr/testify/assert"
)

// metricOn lists what a page says in metric units.
const metricOn = `Array.from(document.body.innerText.matchAll(
	/[^\n]{0,60}\d\s?(?:°C|cm|mm|ml|l|litres?|kg|g)(?![\w/])[^\n]{0,30}/g)).map((m) => m[0])`

// Whoever reads inches and degrees Fahrenheit finds no other on any screen, in numbers as in
// sentences. What a feed's label gives by the litre and what the cupboard is counted in stay.
func TestInUSUnitsNothingIsSaidInMetric(t *testing.T) {
	s := start(t, true)
	p := s.page(t, 1280, 800)
	p.openDemo("/")
	p.run(script(`localStorage.setItem("units", JSON.stringify("us"))`))
	for _, view := range demoViews {
		if view.path == "/bench/feed" || view.path == "/bench/cupboard" {
			continue
		}
		p.open(view.path)
		p.see(view.wait)
		p.run(script(`document.querySelectorAll("main details").forEach((d) => { d.open = true; })`),
			chromedp.Sleep(300*time.Millisecond))
		assert.Empty(t, eval[[]string](p, metricOn), view.path)
	}
}
