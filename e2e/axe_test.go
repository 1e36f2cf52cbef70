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
		for _, view := range []struct{ path, wait string }{
			{"/", "Today’s walk"}, {"/plants", "in the collection"}, {"/plants/new", "How it grows"},
			{"/plants/box", "The plants of the box"}, {"/together?tag=none", "Nothing has this tag"},
			{"/labels?tag=none", "No plants for labels"}, {"/bench-day?tag=none", "Nothing is due on the bench"},
			{"/places", "Where it is"}, {placePath("Stair landing"), "Its year"}, {"/fit", "Who fits where"},
			{plantPath("K-001") + "/pot", "Better parted"}, {"/folder", "Each goes to"},
			{"/trips", "The next trip"}, {tripPath(), "What Mara"}, {"/origins", "What became of them"},
			{"/outbreaks", "What goes round"}, {"/outbreaks/mealybug", "Where they stand"},
			{plantPath("J-BOX"), "closed box of moss"}, {plantPath("J-001") + "/pieces", "Take pieces of it"},
			{"/places", "order of the walk"}, {"/trouble", "What is wrong?"},
			{plantPath("T-032") + "/guided", "What is wrong?"},
			{plantPath("T-014"), "looks in"}, {plantPath("T-014") + "?check", "Record the check-in"},
			{plantPath("T-032") + "/examine", "What it may be"},
			{plantPath("T-032") + "/do", "What is safe"}, {plantPath("T-008") + "/do", "steps to do"},
			{plantPath("T-014") + "/record", "entries"},
			{plantPath("T-021") + "/growths", "What it grew"}, {plantPath("T-021") + "/pictures", "Then and now"},
			{plantPath("T-021") + "/pictures?measure=", "Tap both ends"},
			{plantPath("T-003") + "/look-back", "How long each stage"}, {"/look-back", "How they ended"},
			{"/exchange", "Take out"},
			{plantPath("T-014") + "/measure", "Root tally"}, {plantPath("T-008") + "/work", "Lay out first"},
			{"/sale", "Pick how it grows"}, {"/bench", "A pot for the live roots"}, {"/bench/mix", "Ingredient"},
			{"/bench/dish", "To scale"},
			{"/bench/feed", "Feed in the water"}, {"/bench/cupboard", "is counted against its steps"},
			{"/household", "Who lives here?"}, {"/handbook/confirmed", "The cases"},
			{"/handbook/kinds/alocasia-zebrina", "Pests that come"},
			{"/handbook/habits/fern", "Kinds that grow so"}, {"/handbook/signs/root.mushy", "Looks like"},
			{"/handbook", "Which plant is it"}, {"/handbook/causes/root-rot", "Mistaken for"},
			{"/handbook/look-alikes?causes=drought,root-rot", "Tell them apart"},
		} {
			p.open(view.path)
			p.see(view.wait)
			check(view.path)
		}
	}
}
