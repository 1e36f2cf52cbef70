package e2e

import (
	"fmt"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/stretchr/testify/assert"
)

// The whole job once through: a stranger opens the first account and rescues a
// plant from the door to its first stage passed.
func TestRescueFromTheDoorToTheFirstStagePassed(t *testing.T) {
	t.Parallel()
	s := start(t, false)
	p := s.page(t, 1280, 800)

	p.open("/")
	p.see("The first account")
	p.fill("Your name", "Rosa")
	p.fill("What the collection is called", "North sill")
	p.fill("E-mail", "rosa@example")
	p.fill("Password", "short")
	p.click(by("button", "Begin"))
	p.see("take at least 12 characters")
	p.fill("Password", "a short sentence")
	p.click(by("button", "Begin"))
	p.see("No plants yet")

	p.click(`//header//a[.="Places"]`)
	p.fill("Name", "Back room")
	p.click(by("button", "Add the place"))
	p.see("0 plants")

	p.click(`//header//a[.="Rounds"]`)
	p.click(by("a", "Take a plant in"))
	p.see("How it grows")
	p.fill("Name", "Window-leaf from the office")
	p.fill("Kind", "xylograph")
	p.see("This kind is not known here")
	p.fill("Kind", "adansonii")
	p.choose(by("div", "Monstera adansonii (Swiss cheese vine)") + `[@role="option"]`)
	p.click(by("summary", "What it has"))
	p.fill("Pot, inner width", "999")
	p.click(by("button", "Take it in"))
	p.see("999 cm cannot be right")
	assert.Equal(
		t,
		"Window-leaf from the office",
		eval[string](p, `[...document.querySelectorAll("input")].find(i => i.value.startsWith("Window")).value`),
		"what was typed stays",
	)
	p.fill("Pot, inner width", "18")
	p.fill("Leaves", "11")
	p.click(by("button", "Take it in"))

	p.see("What it may be")
	p.see("climbing or trailing aroid")
	p.touch("leaves")
	p.click(`//button[@aria-label="seen: Many leaves went yellow within days"]`)
	p.touch("pot")
	p.click(`//button[@aria-label="seen: A sour, rotten or mouldy smell at the drainage hole"]`)
	p.touch("medium")
	p.click(`//button[@aria-label="seen: Still wet deep down long after it should have dried"]`)
	p.click(`//button[@aria-label="seen: Dry down to the bottom"]`)
	p.see("cannot both be true")
	p.click(`//button[@aria-label="not there: Dry down to the bottom"]`)
	p.hides("cannot both be true")
	p.until(
		`document.querySelector('[data-cause="root-rot"]')?.innerText.includes("likely") && ` +
			`document.querySelector('[data-cause]').dataset.cause === "root-rot"`,
	)
	p.see("“A sour, rotten or mouldy smell")
	p.touch("joints")
	p.click(by("button", "Looked: nothing else here"))
	p.click(by("button", "Save this look"))

	p.see("What do you think it is?")
	p.until(`document.querySelector('[data-advice="now"]')?.innerText.includes("Hold water")`)
	p.until(`document.querySelector('[data-advice="not"]')?.innerText.includes("Soak")`)
	p.tickOnly("root-rot")
	p.click(by("button", "Accept root rot, make the plan"))

	p.see("Root rot")
	p.click(by("summary", "A few questions more"))
	p.fill("Live root ball, width", "7")
	p.see("pot of 9.5 cm")
	p.click(by("button", "Take up this plan"))
	p.until(`/of \d+ steps to do/.test(document.body.innerText)`)
	steps := eval[int](p, `Number(document.body.innerText.match(/of (\d+) steps to do/)[1])`)
	left := func(n int) string { return fmt.Sprintf("%d of %d steps to do", steps-n, steps) }
	p.see(left(0))
	assert.Equal(
		t,
		1,
		eval[int](p, `document.querySelectorAll('section[aria-label="Today"]').length`),
		"today's sitting stands first",
	)
	p.click(`//button[@aria-label="No picture, no count: Record how it is now"]`)
	p.see(left(1))
	p.click(`//button[@aria-label="Skip: Wash the old medium off, the core too"]`)
	p.click(by("button", "Skip it"))
	p.see("say in a few words why it is skipped")
	p.fill("Why it is skipped", "it fell off by itself")
	p.click(by("button", "Skip it"))
	p.see(left(2))
	p.see("skipped: it fell off by itself")

	p.click(`//a[.="Where it stands"]`)
	p.see("7 days without new wilt")
	quietCheck(p)
	s.wait(t, 8)
	p.run(chromedp.Reload())
	p.see("7 days without new wilt")
	quietCheck(p)
	p.click(by("button", "Pass to “waiting for new roots”"))
	p.see("stage 2 of 4")
	p.see("1 gate passed")

	p.click(by("button", "Pass anyway"))
	p.see("a step back costs more weeks than waiting")
	p.click(by("button", "Pass it on"))
	p.see("say why it moves on all the same")
	p.click(by("button", "Leave it here"))

	p.click(by("button", "Step back"))
	p.fill("Why", "it wilted in the evening")
	p.click(`//section[@role="dialog"]//button[.="Step back"]`)
	p.see("stage 1 of 4")
	p.see("1 step back")

	p.click(`//a[.="Record"]`)
	p.see("waiting for new roots → stopping the loss")
	p.click(`//li[@data-kind="staged"][1]//button[contains(@aria-label, "Undo")]`)
	p.hides("waiting for new roots → stopping the loss")
	p.hides("Recorded:")
	p.click(`//li[@data-kind="arrived"]//button[contains(@aria-label, "Correct")]`)
	p.see("Correct the arrival")
	p.fill("Name", "Window-leaf, third shelf")
	p.click(by("button", "Save the correction"))
	p.hides("Correct the arrival")
	p.see("Window-leaf, third shelf")

	s.wait(t, 9)
	p.open("/")
	p.see("Today’s walk")
	p.see("Window-leaf, third shelf")
	p.open("/plants")
	p.see("1 in the collection")
	p.fill("Words", "third")
	p.see("1 of 1")
	p.fill("Words", "orchid")
	p.see("Nothing matches")
}

func quietCheck(p *page) {
	p.t.Helper()
	p.click(by("button", "Look at it now"))
	for _, question := range []string{"Wilted since the last look?", "New yellowing since the last look?",
		"Does pot or base smell"} {
		p.click(`//fieldset[contains(., "` + question + `")]//button[.="no"]`)
	}
	p.click(`//button[@data-testid="save-check"]`)
	p.hides("Record the check-in")
}
