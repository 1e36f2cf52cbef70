package e2e

import (
	"context"
	"encoding/json"
	"os"
	"testing"
	"time"

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

func (p *page) axe() []finding {
	p.t.Helper()
	source, err := os.ReadFile("../web/node_modules/axe-core/axe.min.js")
	require.NoError(p.t, err)
	p.run(script(string(source)))
	ctx, cancel := context.WithTimeout(p.ctx, 2*patience)
	defer cancel()
	raw, err := chromedp.Run(
		ctx,
		chromedp.Evaluate[string](
			`axe.run(document, {resultTypes: ["violations"]}).then(r => JSON.stringify(r.violations))`,
			func(e *runtime.EvaluateParams) { yes := true; e.AwaitPromise = &yes },
		),
	)
	require.NoError(p.t, err)
	var found []finding
	require.NoError(p.t, json.Unmarshal([]byte(raw), &found))
	return found
}

// noSeriousFinding fails for each serious or critical finding of axe on the page.
func (p *page) noSeriousFinding(view string) {
	p.t.Helper()
	p.run(chromedp.Sleep(400 * time.Millisecond)) // transitions settle
	for _, f := range p.axe() {
		if f.Impact == "serious" || f.Impact == "critical" {
			for _, n := range f.Nodes {
				assert.Fail(p.t, f.Help, "%s: %s\n%s", view, n.HTML, n.Summary)
			}
		}
	}
}

func TestNoSeriousFindingByAxe(t *testing.T) {
	s := start(t, true)
	for _, size := range []struct {
		name          string
		width, height int64
		scheme        string
	}{{"desk, light", 1280, 800, "light"}, {"phone, dark", 390, 844, "dark"}} {
		p := s.page(t, size.width, size.height)
		p.prefer("prefers-color-scheme", size.scheme)
		p.open("/")
		p.see("Look round the demo clinic")
		check := func(view string) { p.noSeriousFinding(size.name + ", " + view) }
		check("sign-in")
		p.click(by("button", "Look round the demo clinic"))
		p.see("Today’s walk")
		for _, view := range demoViews {
			p.open(view.path)
			p.see(view.wait)
			check(view.path)
		}
	}
}
