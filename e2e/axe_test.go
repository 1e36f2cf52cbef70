package e2e

import (
	"context"
	"encoding/json"
	"os"
	"testing"

	"github.com/chromedp/cdproto/runtime"
	"github.com/chromedp/chromedp"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// finding is one rule of axe that a page breaks.
type finding struct {
	ID     string `json:"id"`
	Impact string `json:"impact"`
	Help   string `json:"help"`
	Nodes  []struct {
		HTML    string `json:"html"`
		Summary string `json:"failureSummary"`
	} `json:"nodes"`
}

// axe gives what a page breaks: of all rules, or of those that are named.
func (p *page) axe(rules ...string) []finding {
	p.t.Helper()
	source, err := os.ReadFile("../web/node_modules/axe-core/axe.min.js")
	require.NoError(p.t, err)
	p.run(script(string(source)))
	ctx, cancel := context.WithTimeout(p.ctx, 2*patience)
	defer cancel()
	raw, err := chromedp.Run(
		ctx,
		chromedp.Evaluate[string](
			`axe.run(document, `+asked(rules)+`).then(r => JSON.stringify(r.violations))`,
			func(e *runtime.EvaluateParams) { yes := true; e.AwaitPromise = &yes },
		),
	)
	require.NoError(p.t, err)
	var found []finding
	require.NoError(p.t, json.Unmarshal([]byte(raw), &found))
	return found
}

// asked are the options of axe: violations alone, of all rules or of some.
func asked(rules []string) string {
	options := map[string]any{"resultTypes": []string{"violations"}}
	if len(rules) > 0 {
		options["runOnly"] = map[string]any{"type": "rule", "values": rules}
	}
	raw, _ := json.Marshal(options)
	return string(raw)
}

// noSeriousFinding fails for each serious or critical finding of axe on the page, by all rules or by some.
func (p *page) noSeriousFinding(view string, rules ...string) {
	p.t.Helper()
	p.until(`document.getAnimations().every(a => a.playState !== "running" ||
		a.effect?.getComputedTiming().iterations === Infinity)`)
	for _, f := range p.axe(rules...) {
		if f.Impact == "serious" || f.Impact == "critical" {
			for _, n := range f.Nodes {
				assert.Fail(p.t, f.Help, "%s: %s\n%s", view, n.HTML, n.Summary)
			}
		}
	}
}

// onPhone are the rules that may tell otherwise of a narrow page in the dark: the rest of what a page says is the same.
var onPhone = []string{
	"color-contrast", "link-in-text-block", "scrollable-region-focusable", "aria-hidden-focus",
	"button-name", "link-name", "label", "nested-interactive",
}

// Every view, on a desk in the light with metric units, and on a phone in the dark with those of the United States: axe
// finds nothing serious, and whoever reads inches finds no centimetre.
func TestNoSeriousFindingByAxe(t *testing.T) {
	t.Parallel()
	s := start(t, true)
	for _, size := range []struct {
		name          string
		width, height int64
		scheme        string
		rules         []string
		us            bool
	}{
		{"desk, light", 1280, 800, "light", nil, false},
		{"phone, dark, US units", 390, 844, "dark", onPhone, true},
	} {
		t.Run(size.name, func(t *testing.T) {
			t.Parallel()
			p := s.page(t, size.width, size.height)
			p.prefer("prefers-color-scheme", size.scheme)
			p.open("/")
			p.see("Look round the demo clinic")
			check := func(view string) { p.noSeriousFinding(size.name+", "+view, size.rules...) }
			check("sign-in")
			p.click(by("button", "Look round the demo clinic"))
			p.see("Today’s walk")
			if size.us {
				p.inUSUnits()
			}
			for _, view := range demoViews {
				p.open(view.path)
				p.see(view.wait)
				check(view.path)
				if size.us {
					p.saysNothingMetric(view.path)
				}
			}
		})
	}
}
