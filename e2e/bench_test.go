package e2e

import (
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// From the tally at the bench to the plan's steps, worked through one by one:
// interrupted work goes on where it was, and the cupboard is used up.
func TestWorkingThroughAPlan(t *testing.T) {
	t.Parallel()
	p := start(t, true).page(t, 390, 844)
	p.openDemo("/bench/cupboard")
	p.see("is counted against its steps")
	p.fill("Supply", "clear bag")
	p.fill("Low at", "1")
	p.click(by("button", "Add it"))
	p.until(`document.querySelector('[data-supply="clear bag"]')?.innerText.includes("low")`)
	p.run(chromedp.Click(`//input[@aria-label="How much perlite"]`), chromedp.KeyEvent("4"))
	p.click(`//tr[@data-supply="perlite"]//button[.="in"]`)
	p.until(`document.querySelector('[data-supply="perlite"]')?.innerText.includes("7")`)

	p.open(plantPath("T-032") + "/do")
	p.see("What do you think it is?")
	p.click(by("button", "more causes"))
	p.tickOnly("root-rot")
	p.click(by("button", "Accept root rot, make the plan"))
	p.see("Who lives here?")
	p.click(`//label[.="Cats, dogs or other animals"]`)
	p.click(by("button", "That is so"))
	p.hides("Who lives here?")
	p.fill("Live root ball, width", "8")
	p.see("Of ten such plants")
	p.see("What it takes")
	p.see("Count the roots")
	p.click(by("button", "Take up this plan"))
	p.see("Work through it")
	p.click(by("a", "Work through it"))
	p.see("Lay out first")
	p.click(`//button[starts-with(normalize-space(.), "Begin")]`)
	p.see("Record how it is now")
	p.click(by("button", "Next"))
	p.hides("Record how it is now")
	p.run(chromedp.Reload())
	p.see("in one sitting")
	p.hides("Record how it is now")
	p.click(by("button", "Back"))
	p.see("Record how it is now")
	p.run(chromedp.KeyEvent(kb.ArrowRight))
	p.hides("Record how it is now")
	p.run(chromedp.KeyEvent(kb.ArrowLeft))
	p.see("Record how it is now")
	p.click(by("button", "Skip this step"))
	p.click(by("button", "Skip it"))
	p.see("say in a few words why it is skipped")
	p.fill("Why it is skipped", "the camera is broken")
	p.click(by("button", "Skip it"))
	p.hides("Record how it is now")
	for range 12 {
		if eval[bool](p, `document.body.innerText.includes("What it goes into")`) {
			break
		}
		p.click(by("button", "Next"))
		p.run(chromedp.Sleep(80_000_000))
	}
	p.see("What it goes into")
	p.run(
		chromedp.SendKeys(
			`//fieldset[contains(., "Taken from the cupboard")]//label[.="perlite"]/following::input[1]`,
			"0.5",
		),
	)
	p.click(`//button[.="Done"]`)
	p.see("Recorded: done: what it goes into")
	p.open("/bench/cupboard")
	p.until(`document.querySelector('[data-supply="perlite"]')?.innerText.includes("6.5")`)
	p.open(plantPath("T-032") + "/do")
	p.see("skipped: the camera is broken")
	p.click(by("button", "Make the plan again"))
	p.see("Go on with this plan")
	p.fill("Live root ball, width", "5")
	p.click(by("button", "Go on with this plan"))
	p.see("skipped: the camera is broken")
}

func TestTheBenchShowsItsFormulasAndRefusesDanger(t *testing.T) {
	t.Parallel()
	p := start(t, true).page(t, 1280, 800)
	p.openDemo("/bench?plant=" + plantPath("T-008")[len("/plants/"):])
	p.fill("Live root ball, width", "7")
	p.see("9.5 cm")
	p.fill("Present pot", "20")
	p.see("stays wet and sours")
	p.until(`!!document.querySelector('svg[aria-label^="To scale: a live root ball of 7 cm in a pot of 9.5 cm"]')`)
	p.click(`//button[@aria-label="How inner width came about"]`)
	p.see("root ball + 2.5 cm")
	p.press(kb.Escape)
	p.click(by("button", "Keep it"))
	p.see("Kept: pot")
	p.open(plantPath("T-008") + "/do")
	p.see("From the bench")
	p.see("inner width")

	p.open("/bench/dilution")
	p.fill("What is diluted", "peroxide")
	p.fill("How much is wanted", "1/2 pint of it")
	p.fill("Stock", "3")
	p.fill("Wanted", "1.5")
	p.see("write a number and a unit")
	p.fill("How much is wanted", "250 ml")
	p.see("125 ml")
	p.fill("What meets in the bottle", "bleach")
	p.choose(`//*[@role="option"][.="bleach"]`)
	p.fill("What meets in the bottle", "vinegar")
	p.choose(`//*[@role="option"][contains(., "vinegar")]`)
	p.see("chlorine gas")
	p.hides("125 ml")

	p.open("/bench/air")
	p.fill("Warmth", "25")
	p.fill("Humidity", "60")
	p.see("1.3 kPa")
	p.open("/bench/mix")
	p.fill("Pots of this width", "12")
	p.see("loose mix in all")
	p.see("stays air")
	p.open("/bench/feed")
	p.fill("N %", "15.5")
	p.fill("Ca %", "19")
	p.see("155 ppm")
	p.open("/bench/light")
	p.fill("Reading", "10800")
	p.see("200 µmol")
}
