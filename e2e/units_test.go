package e2e

import (
	"time"

	"github.com/chromedp/chromedp"
	"github.com/stretchr/testify/assert"
)

// metricOn lists what a page says in metric units.
const metricOn = `Array.from(document.body.innerText.matchAll(
	/[^\n]{0,60}\d\s?(?:°C|cm|mm|ml|l|litres?|kg|g)(?![\w/])[^\n]{0,30}/g)).map((m) => m[0])`

// inUSUnits makes a page that of somebody who reads inches and degrees Fahrenheit.
func (p *page) inUSUnits() {
	p.t.Helper()
	p.run(script(`localStorage.setItem("units", JSON.stringify("us"))`))
}

// saysNothingMetric fails for each metric amount on a page in US units, in numbers as in sentences and in what opens
// too. What a feed's label gives by the litre and what the cupboard is counted in stay.
func (p *page) saysNothingMetric(view string) {
	p.t.Helper()
	if view == "/bench/feed" || view == "/bench/cupboard" {
		return
	}
	p.run(script(`document.querySelectorAll("main details").forEach((d) => { d.open = true; })`),
		chromedp.Sleep(200*time.Millisecond))
	assert.Empty(p.t, eval[[]string](p, metricOn), view)
}
