package e2e

import (
	"fmt"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/stretchr/testify/assert"
)

// begin opens an account of one's own with an empty collection.
func (p *page) begin(name, email string) {
	p.t.Helper()
	p.open("/")
	p.click(by("button", "Start an empty collection"))
	p.fill("Your name", name)
	p.fill("What the collection is called", name+"’s sill")
	p.fill("E-mail", email)
	p.fill("Password", "a short sentence")
	p.click(by("button", "Begin"))
	p.see("No plants yet")
}

// A whole collection moves to another account, by the screen alone.
func TestACollectionMovesHouse(t *testing.T) {
	t.Parallel()
	s := start(t, true)
	p := s.page(t, 1280, 800)
	p.openDemo("/exchange")
	p.see("What you recorded is yours")
	p.run(
		script(
			`fetch(document.querySelector('a[href="/api/archive.json"]').href).then((r) => r.text()).then((t) => { ` +
				`window.name = t; })`,
		),
	)
	p.until(`window.name.includes("tender-mend archive 1")`) // a window's name outlives signing out
	p.click(by("button", "Ferry terminal clinic"))
	p.click(`//*[@role="menuitem"][.="Sign out"]`)
	p.run(chromedp.WaitVisible(by("button", "Look round the demo clinic")))
	p.begin("Rosa", "rosa@example.org")

	p.open("/exchange")
	p.see("What you recorded is yours")
	take := func(change string) {
		p.run(
			script(
				`(() => { const files = new DataTransfer();
			files.items.add(new File([window.name` + change + `], "clinic.json", {type: "application/json"}));
			const input = document.querySelector('input[type=file]'); input.files = files.files;
			input.dispatchEvent(new Event("change", {bubbles: true})); })()`,
			),
		)
	}
	take(`.slice(0, 4000)`)
	p.see("Nothing was taken over") // a file that was cut off
	p.open("/plants")
	p.see("No plants yet")

	p.open("/exchange")
	p.see("What you recorded is yours")
	take(``)
	p.see("From clinic.json: 56 plants")
	p.see("0 were here already")
	p.open("/exchange")
	p.see("What you recorded is yours")
	take(``)
	p.see("From clinic.json: 0 plants, 0 entries and 0 pictures")

	p.open(plantPath("T-014")) // its id came along
	p.see("looks in 262 days, 2 gates passed, 1 step back")
	p.open(plantPath("T-021") + "/pictures")
	p.until(
		`[...document.querySelectorAll("section[aria-label='Compare'] img")].length === 2 && ` +
			`[...document.querySelectorAll("section[aria-label='Compare'] img")].every((i) => i.naturalWidth > 100)`,
	)
	p.open("/look-back")
	p.see("11 saved, 2 lost")
}

// Weighed bare twice, a plant on its reserves tells how long they last.
func TestTheBarePlantIsWeighed(t *testing.T) {
	t.Parallel()
	s := start(t, true)
	p := s.page(t, 390, 844)
	p.openDemo(plantPath("C-015"))
	reserves := func() string {
		p.see("Its reserves run out between")
		return eval[string](
			p,
			`[...document.querySelectorAll("li")].find((l) => l.innerText.includes("reserves run out")).innerText`,
		)
	}
	before := reserves()
	weigh := func(grams string) {
		p.open(plantPath("C-015") + "/measure")
		p.click(`//label[.="Bare plant"]`)
		p.fill("Weighs", grams)
		p.click(`//form[@aria-label="Weight"]//button[.="Record"]`)
		p.see("Recorded: weight")
	}
	weigh("120")
	s.wait(t, 8)
	weigh("114")
	p.open(plantPath("C-015"))
	assert.NotEqual(t, before, reserves())
	p.click(`//button[@aria-label="How its reserves came about"]`)
	p.see("from 2 weighings of the bare plant")
	p.see("120 g")
	p.open(plantPath("C-015") + "/record")
	p.see("Weighed bare")
}

// A case ends, is told, and is taken up again; what was recorded stays.
func TestACaseEndsAndIsTakenUpAgain(t *testing.T) {
	t.Parallel()
	s := start(t, true)
	p := s.page(t, 390, 844)
	p.openDemo(plantPath("T-009"))
	p.see("looks in")
	looks := eval[string](p, `document.body.innerText.match(/\d+ looks in/)[0]`)
	for _, end := range []struct{ button, choice, says string }{
		{"Close the case", "Kept under watch", "Kept under watch"},
		{"It is no longer here", "Given away", "Given away on 24 November"},
	} {
		p.click(by("button", end.button))
		p.click(fmt.Sprintf(`//*[@role="dialog"]//label[starts-with(., %q)]`, end.choice))
		p.fill("Anything to remember", "By the east window.")
		p.click(fmt.Sprintf(`//*[@role="dialog"]//button[.=%q]`, end.button))
		p.see(end.says)
		p.see("By the east window.")
		p.see(looks)
		if end.choice == "Kept under watch" {
			p.see("Look at it now") // it is still looked after
			continue
		}
		p.hides("Look at it now")
	}
	p.click(by("button", "It is here again"))
	p.see("Look at it now")
	p.click(by("button", "take it up again"))
	p.see("growing again") // where it stood before
	p.open(plantPath("T-009") + "/record")
	p.see("Reopened")
}
