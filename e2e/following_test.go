package e2e

import (
	"fmt"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/stretchr/testify/assert"
)

func TestTheSeamIsMovedByKeysWheelAndFingers(t *testing.T) {
	t.Parallel()
	s := start(t, true)
	p := s.page(t, 1280, 800)
	p.openDemo(plantPath("T-014"))
	p.see("What was done and what happened")
	knot := `document.querySelector('[data-testid="story"] g[stroke="var(--red)"] circle').getAttribute("cx")`
	p.until(`document.querySelector('[data-testid="story"]').clientWidth > 900`)
	before := eval[string](p, knot)
	seam := `document.querySelector('[data-testid="story"]').parentElement`
	p.run(script(seam + `.focus()`))
	for range 4 {
		p.run(chromedp.KeyEvent("+"))
	}
	p.see("all of it")
	p.see("In these days")
	closer := eval[string](p, knot)
	assert.NotEqual(t, before, closer, "the days are drawn wider apart")
	p.run(chromedp.KeyEvent("\u0302")) // an arrow to the left
	p.until(fmt.Sprintf(`%s !== %q`, knot, closer))
	p.run(chromedp.KeyEvent("0"))
	p.hides("all of it")
	assert.Equal(t, before, eval[string](p, knot), "the whole story again")
	p.run(
		script(
			seam + `.dispatchEvent(new WheelEvent("wheel", {deltaY: -300, ctrlKey: true, bubbles: true, clientX: 600, ` +
				`clientY: 400}))`,
		),
	)
	p.see("all of it")
	p.click(by("button", "all of it"))
	// Two fingers apart show fewer days.
	touch := func(kind string, id, x int) string {
		return fmt.Sprintf(
			`%s.dispatchEvent(new PointerEvent(%q, {pointerId: %d, clientX: %d, clientY: 300, bubbles: true}))`,
			seam,
			kind,
			id,
			x,
		)
	}
	p.run(script(seam + `.setPointerCapture = () => {}`))
	for _, step := range []string{touch("pointerdown", 1, 500), touch("pointerdown", 2, 600),
		touch("pointermove", 2, 700), touch("pointermove", 2, 900), touch("pointerup", 1, 500),
		touch("pointerup", 2, 900)} {
		p.run(script(step))
	}
	p.see("all of it")
	p.click(by("button", "all of it"))

	p.click(`//button[.="condition"]`)
	p.see("of 100")
	p.click(`(//*[@data-testid="story"]//*[@role="button"])[2]`)
	p.until(
		`[...document.querySelectorAll('img[alt^="The plant on"]')].some(i => i.complete && i.naturalWidth > 100)`,
	)
	p.click(by("button", "Put it away"))
	p.click(by("button", "As a table"))
	p.until(`[...document.querySelectorAll("caption")].some(c => c.innerText === "Growths")`)
	p.see("stepped back: nobody looked for 26 days")
}

func TestGrowthsAreFollowedByTaps(t *testing.T) {
	t.Parallel()
	s := start(t, true)
	p := s.page(t, 390, 844)
	p.openDemo(plantPath("T-021") + "/growths")
	p.see("A new leaf about every")
	rows := `document.querySelectorAll('section[aria-label="Leaves"] li').length`
	p.until(rows + ` > 3`)
	before := eval[int](p, rows)
	p.click(by("button", "New leaf"))
	p.until(fmt.Sprintf(`%s === %d`, rows, before+1))
	p.see("starting")
	for range 3 {
		p.click(`(//section[@aria-label="Leaves"]//button[starts-with(@aria-label, "Lengthen")])[1]`)
	}
	p.see("15 mm")
	p.click(`(//section[@aria-label="Leaves"]//button[.="Keep it"])[1]`)
	p.see("15 mm (today)")
	p.click(`(//section[@aria-label="Leaves"]//button[.="Ripe"])[1]`)
	p.see("mature since 24 November")
	p.click(by("button", "Undo"))
	p.see("Undone")
	p.click(by("button", "With a name, a size"))
	p.fill("Called", "the one at the top")
	p.fill("Size", "40")
	p.click(by("button", "Follow it"))
	p.see("The one at the top")
}

// A picture goes from a file into the record, and a leaf is measured on it.
func TestALeafIsMeasuredOnAPicture(t *testing.T) {
	t.Parallel()
	s := start(t, true)
	p := s.page(t, 1280, 800)
	p.openDemo(plantPath("T-021") + "/pictures")
	p.see("Then and now")
	p.see("On the same scale")
	p.click(`//label[contains(., "One over the other")]`)
	p.until(`document.querySelector('input[type=range]') !== null`)
	p.run(script(`(async () => {
		const c = document.createElement("canvas"); c.width = 800; c.height = 600;
		const g = c.getContext("2d"); g.fillStyle = "#dfe8d8"; g.fillRect(0, 0, 800, 600);
		g.fillStyle = "#a55"; g.fillRect(200, 300, 400, 200);
		const blob = await new Promise((ok) => c.toBlob(ok, "image/png"));
		const files = new DataTransfer(); files.items.add(new File([blob], "leaf.png", {type: "image/png"}));
		const input = document.querySelector('input[type=file]');
		input.files = files.files;
			input.dispatchEvent(new Event("change", {bubbles: true}));
	})()`))
	p.see("The last one, faintly")
	p.click(by("button", "Keep it"))
	p.see("Recorded: picture")
	p.until(`[...document.querySelectorAll("section[aria-label='All pictures'] img")].at(-1)?.naturalWidth > 100`)
	p.see("Not on one scale")
	p.click(by("button", "Measure on this picture"))
	p.see("Tap both ends of something whose size you know")
	p.until(`document.querySelector('[aria-label^="The picture. Tap"] img').naturalWidth > 0`)
	tap := func(x, y float64) {
		p.run(
			script(
				fmt.Sprintf(
					`(() => { const b = document.querySelector('[aria-label^="The picture. Tap"]'), r = b.getBoundingClientRect();
			b.dispatchEvent(new MouseEvent("click", {bubbles: true, detail: 1, clientX: r.left + %g * r.width,
			clientY: r.top + %g * r.width})); })()`,
					x,
					y,
				),
			),
		)
	}
	tap(0.25, 0.5)
	tap(0.75, 0.5)
	p.fill("It is this long", "200")
	p.click(by("button", "Set the scale"))
	p.see("Tap both ends of what you want to measure")
	tap(0.2, 0.1)
	tap(0.2, 0.45)
	p.until(
		`document.querySelector('[data-testid="length"]').innerText === "140 mm"`,
	) // 0.35 of a picture that is 400 mm wide
	p.fill("It is", "a new leaf")
	p.choose(`//*[@role="option"][.="a new leaf"]`)
	p.click(by("button", "Into the record"))
	p.see("140 mm measured")
	p.click(`//a[.="Growths"]`)
	p.see("140 mm (today)")

	// By keys: the mark is moved with the arrows and set with Enter.
	p.open(plantPath("T-021") + "/pictures?measure=")
	p.see("Tap both ends of what you want")
	p.run(script(`document.querySelector('[aria-label^="The picture. Tap"]').focus()`), chromedp.KeyEvent("\r"))
	for range 10 {
		p.run(chromedp.KeyEvent("\u0303")) // an arrow to the right
	}
	p.run(chromedp.KeyEvent("\r"))
	p.until(`/^\d+ mm$/.test(document.querySelector('[data-testid="length"]').innerText)`)
}

func TestACheckInTakesFewTaps(t *testing.T) {
	t.Parallel()
	s := start(t, true)
	p := s.page(t, 390, 844)
	p.openDemo(plantPath("T-014"))
	taps := 0
	tap := func(what string) { taps++; p.click(what) }
	tap(by("button", "Look at it now"))
	tap(by("button", "Nothing amiss"))
	tap(by("button", "The rest as last time"))
	tap(`//button[@data-testid="save-check"]`)
	p.see("Recorded: check-in")
	assert.LessOrEqual(t, taps, 6)
	p.open(plantPath("T-014") + "/record")
	p.see("new wilt: no")
	p.see("longest root:")
}

func TestTwoTracksStandSideBySide(t *testing.T) {
	t.Parallel()
	s := start(t, true)
	p := s.page(t, 1280, 800)
	p.openDemo(plantPath("T-008"))
	p.see("Mealybugs: again every")
	p.open(plantPath("T-028"))
	p.until(`document.querySelector('section[aria-label^="Beside it"]') !== null`)
	p.see("Odds to live")
	p.click(by("button", "Close the case"))
	p.click(by("label", "Kept under watch"))
	p.click(`//section[@role="dialog"]//button[.="Close the case"]`)
	p.see("Kept under watch")
	p.see("Look at it now")
	p.click(by("button", "take it up again"))
	p.see("Clearing pests")
}

func TestLookingBackAndOut(t *testing.T) {
	t.Parallel()
	s := start(t, true)
	p := s.page(t, 1280, 800)
	p.openDemo(plantPath("T-003") + "/look-back")
	p.see("It was drought stress")
	p.see("never let the peat dry through again")
	p.until(`document.querySelectorAll('section[aria-label="Before and after"] img').length === 2`)
	p.click(`//label[.="Half a year"]`)
	p.see("How long each stage took")
	p.run(
		script(
			`fetch(document.querySelector('a[download][href*="review.html"]').href).then((r) => r.text()).then((t) => { ` +
				`window.given = t; })`,
		),
	)
	p.until(`window.given?.includes("data:image/jpeg;base64,")`) // one file with its pictures
	p.open("/look-back")
	p.see("of those saved and lost")
	p.see("Water bridge")
	p.click(`//a[.="Masdevallia, last of three"]`)
	p.see("Heat on the deck")

	p.open("/exchange")
	p.see("What you recorded is yours")
	take := func(name, text string) {
		p.run(
			script(
				fmt.Sprintf(
					`(() => { const files = new DataTransfer(); files.items.add(new File([%q], %q, {type: "text/csv"}));
			const input = document.querySelector('input[type=file]'); input.files = files.files;
			input.dispatchEvent(new Event("change", {bubbles: true})); })()`,
					text,
					name,
				),
			),
		)
	}
	take("wrong.csv", "name,price\nFred,3\n")
	p.see("give its kind by any name")
	p.see("1 thing to put right first")
	take("own.csv", "Plant;Species;Where\nFern of the purser;Boston fern;Ticket hall\n")
	p.see("Nephrolepis exaltata")
	p.click(by("button", "Take 1 plant in"))
	p.see("1 plant, 1 entry")
	take("more.csv", "name,habit,place\nFig of the pilot,woody,Ticket hall\n")
	p.see("Take 1 plant in")
	p.hides("Nephrolepis exaltata")
	p.click(by("button", "Take 1 plant in"))
	p.see("From more.csv: 1 plant, 1 entry")
	p.click(`//header//a[.="Plants"]`)
	p.fill("Words", "purser")
	p.see("Fern of the purser")
}
