package e2e

import (
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"github.com/chromedp/chromedp"
	"github.com/stretchr/testify/require"
)

// beside is where some plants of the demo stand side by side.
func beside(labels ...string) string {
	var ids []string
	for _, label := range labels {
		ids = append(ids, "plants="+strings.TrimPrefix(plantPath(label), "/plants/"))
	}
	return "/compare?" + strings.Join(ids, "&")
}

// Screenshots of the main views, from the demo: SCREENSHOTS=docs/screenshots go
// test ./e2e -run Screenshots. Without that variable nothing is drawn.
func TestScreenshots(t *testing.T) {
	folder := os.Getenv("SCREENSHOTS")
	if folder == "" {
		t.Skip("set SCREENSHOTS to a folder to draw them")
	}
	if !filepath.IsAbs(folder) {
		folder = filepath.Join("..", folder)
	}
	require.NoError(t, os.MkdirAll(folder, 0o755))
	s := start(t, true)
	only := os.Getenv("ONLY")
	for _, view := range []struct {
		name, path, wait string
		width, height    int64
		dark             bool
		then             func(*page)
	}{
		{name: "rounds", path: "/", wait: "Today’s walk", width: 1280, height: 800},
		{name: "rounds-phone", path: "/", wait: "Today’s walk", width: 390, height: 844},
		{name: "plants", path: "/plants", wait: "in the collection", width: 1280, height: 800},
		{name: "plant", path: plantPath("T-014"), wait: "looks in", width: 1280, height: 800},
		{name: "growths", path: plantPath("T-021") + "/growths", wait: "What it grew", width: 1280, height: 800},
		{name: "side-by-side", path: beside("T-011", "T-009", "T-021", "C-010"), wait: "What differs", width: 1280,
			height: 800},
		{name: "guided-phone", path: "/trouble", wait: "What is wrong?", width: 390, height: 844, then: func(p *page) {
			p.click(by("button", "Going yellow"))
			p.click(`//button[@data-sign="leaf.yellow-many-fast"]`)
			p.click(by("button", "I do not know"))
			p.until(`document.querySelector('fieldset[class*=three]')?.disabled === false`)
		}},
		{name: "look-back", path: plantPath("T-003") + "/look-back", wait: "How long each stage took", width: 1280,
			height: 800},
		{name: "plant-dark", path: plantPath("T-009"), wait: "looks in", width: 1280, height: 800, dark: true},
		{name: "place", path: placePath("Stair landing"), wait: "Its year", width: 1280, height: 800},
		{name: "trip", path: tripPath(), wait: "What Mara", width: 1280, height: 800},
		{name: "examine", path: plantPath("T-032") + "/examine", wait: "What it may be", width: 1280, height: 800,
			then: func(p *page) {
				p.touch("leaves")
				p.click(`//button[@aria-label="seen: Many leaves went yellow within days"]`)
				p.touch("stance")
				p.click(`//button[@aria-label="seen: Leaves hang limp"]`)
				p.touch("medium")
				p.click(`//button[@aria-label="seen: Still wet deep down long after it should have dried"]`)
				p.click(by("button", "Like what: Still wet deep down"))
				p.until(`document.querySelector("[data-testid=next-check] button[data-answer]") !== null`)
			}},
		{name: "plan", path: plantPath("T-008") + "/do", wait: "steps to do", width: 1280, height: 800},
		{name: "check-in-phone", path: plantPath("T-014") + "?check", wait: "Record the check-in", width: 390, height: 844},
		{name: "handbook", path: "/handbook/kinds/monstera-adansonii/key?list=kinds", wait: "commonest troubles",
			width: 1280, height: 800},
		{name: "at-sale", path: "/sale", wait: "At the sale", width: 1280, height: 800, then: func(p *page) {
			p.fill("How it grows", "single-stem")
			p.choose(`//*[@role="option"][.="single-stem orchid"]`)
			p.fill("Price asked", "16")
			p.fill("A sound one costs", "18")
			p.touch("pot")
			p.click(`//button[@aria-label="seen: A sour, rotten or mouldy smell at the drainage hole"]`)
			p.touch("leaves")
			p.click(`//button[@aria-label="seen: Thick leaves pleated, leathery or wrinkled"]`)
			p.see("Worth it for less")
		}},
		{name: "outbreak", path: "/outbreaks/mealybug", wait: "Where they stand", width: 1280, height: 800},
		{name: "work-phone", path: plantPath("T-008") + "/work", wait: "Lay out first", width: 390, height: 844},
		{name: "bench", path: "/bench", wait: "A pot for the live roots", width: 1280, height: 800, then: func(p *page) {
			p.fill("Live root ball, width", "7")
			p.fill("Present pot", "20")
			p.see("stays wet and sours")
		}},
	} {
		if only != "" && !strings.Contains(","+only+",", ","+view.name+",") {
			continue
		}
		p := s.page(t, view.width, view.height)
		if view.dark {
			p.prefer("prefers-color-scheme", "dark")
		}
		p.openDemo(view.path)
		p.see(view.wait)
		if view.then != nil {
			view.then(p)
		}
		p.run(chromedp.Sleep(700 * time.Millisecond)) // fonts and transitions settle
		p.shot(filepath.Join(folder, view.name+".png"))
	}
}
