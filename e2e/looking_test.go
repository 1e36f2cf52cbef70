package e2e

import (
	"os"
	"path/filepath"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
	"github.com/stretchr/testify/require"
)

// Two minutes before buying: prices and a few looks give a verdict, and what was
// seen goes with the plant that was bought.
func TestFromTheSaleToTheRegister(t *testing.T) {
	t.Parallel()
	p := start(t, true).page(t, 390, 844)
	p.openDemo("/plants")
	p.click(by("a", "At a sale"))
	p.see("Pick how it grows")
	p.fill("How it grows", "single-stem")
	p.choose(`//*[@role="option"][.="single-stem orchid"]`)
	p.fill("Price asked", "16")
	p.fill("A sound one costs", "18")
	p.touch("joints")
	p.click(by("button", "Looked: nothing else here"))
	p.touch("pot")
	p.click(`//button[@aria-label="seen: A sour, rotten or mouldy smell at the drainage hole"]`)
	p.until(`document.querySelector('[data-testid="verdict"]').innerText.includes("for less")`)
	p.see("ask for")
	p.click(by("button", "Like what: A sour, rotten"))
	p.see("sour, musty or foul")
	p.run(chromedp.Reload())
	p.until(`document.querySelector('[data-testid="verdict"]')?.innerText.includes("for less")`)
	p.click(by("button", "Bought it"))
	p.see("recorded as its first look")
	p.fill("Name", "Bargain with a smell")
	p.click(by("button", "Take it in"))
	p.see("What do you think it is?")
	p.click(`//a[.="Record"]`)
	p.see("a sour, rotten or mouldy smell")
	p.see("White cottony tufts")
}

// Roots are counted by pressing, the record answers their signs from then on,
// and what it turned out to be stands beside what was said first.
func TestATallyAnswersAndACaseIsConfirmed(t *testing.T) {
	t.Parallel()
	p := start(t, true).page(t, 1280, 800)
	p.openDemo(plantPath("T-032") + "/measure")
	p.see("Pinch each root")
	p.click(`//button[@aria-label="one more: Live, in the medium"]`)
	for range 7 {
		p.click(`//button[@aria-label="one more: Mushy, in the medium"]`)
	}
	p.click(`//button[@aria-label="one more: In doubt, in the air"]`)
	p.click(`//button[@aria-label="one less: In doubt, in the air"]`)
	p.fill("Live root ball", "5")
	p.see("13 % of the roots live")
	p.see("7.5 cm")
	p.click(by("button", "Record the tally"))
	p.see("Recorded: root tally")
	p.fill("Coldest night", "99")
	p.click(`//form[@aria-label="Light and air at its leaves"]//button[.="Record"]`)
	p.see("99 °C cannot be right")
	p.fill("Coldest night", "9")
	p.click(`//form[@aria-label="Light and air at its leaves"]//button[.="Record"]`)
	p.see("Recorded: light and air")
	p.click(by("button", "overrule for this plant"))
	p.fill("Lower limit", "8")
	p.click(`//button[.="Overrule"]`)
	p.see("say why this plant wants it otherwise")
	p.fill("Why this plant wants it otherwise", "it wintered on the deck")
	p.click(`//button[.="Overrule"]`)
	p.see("Overruled for this plant: it wintered on the deck")

	p.click(`//a[.="Examine"]`)
	p.see("What it may be")
	p.touch("roots")
	p.see("1 of 8 roots live")
	p.until(`document.querySelector('[data-cause]').dataset.cause === "root-rot"`)
	p.touch("stance")
	p.click(`//button[@aria-label="seen: Leaves hang limp"]`)
	p.see("would change the picture")
	p.click(by("button", "Save this look"))
	p.see("What do you think it is?")
	p.click(`//a[.="Where it stands"]`)
	p.see("How the opinion moved")
	p.click(by("button", "say what it was"))
	p.fill("It was", "Root rot")
	p.choose(`//*[@role="option"][.="Root rot"]`)
	p.press(kb.Escape)
	p.click(by("button", "Confirm it"))
	p.see("its treatment mended it today")
	p.open("/handbook/confirmed")
	p.see("17 confirmed cases. Too few")
	p.see("Anthurium from the night ferry")
}

func TestACaseFileComesInWholeOrNotAtAll(t *testing.T) {
	t.Parallel()
	p := start(t, true).page(t, 1280, 800)
	p.openDemo(plantPath("T-033") + "/examine")
	p.see("read one in")
	give := func(content string) {
		file := filepath.Join(t.TempDir(), "case.json")
		require.NoError(t, os.WriteFile(file, []byte(content), 0o600))
		p.run(chromedp.SetUploadFiles(`//input[@type="file"]`, []string{file}))
	}
	give(`{"habit":"aroid-clump","present":["leaf.crisp","leaf.blue"]}`)
	p.see("nothing of it was")
	p.see("leaf.blue")
	p.until(`!document.body.innerText.includes("answers, about")`)
	give(`{"habit":"aroid-clump","present":["leaf.drooping","med.dry-through"],"absent":["root.smell"]}`)
	p.see("3 answers taken over")
	p.until(`document.querySelector('[data-cause]').dataset.cause === "drought"`)
}

func TestAKindOfOnesOwn(t *testing.T) {
	t.Parallel()
	p := start(t, true).page(t, 1280, 800)
	p.openDemo("/handbook?list=kinds")
	p.see("Add a kind of your own")
	p.click(by("a", "Alocasia zebrina"))
	p.see("Harms people")
	p.click(by("a", "Make a kind of your own from it"))
	p.see("Every version is kept")
	p.fill("Botanical name", "Alocasia of the customs cage")
	p.fill("Lower limit", "40")
	p.click(by("button", "Save this kind"))
	p.see("each more than the one before")
	p.fill("Lower limit", "12")
	p.click(by("button", "Save this kind"))
	p.see("added here")
	p.see("12 °C to 32 °C")
	p.open("/plants/new")
	p.see("How it grows")
	p.fill("Kind", "customs")
	p.choose(`//*[@role="option"][contains(., "Alocasia of the customs cage")]`)
	p.open("/handbook?list=habits")
	p.click(by("a", "prayer-plant family"))
	p.see("Kinds that grow so")
}

// A sign is found by everyday words, answered as one thinks, and shown beside what it
// is taken for; the verdict says what was not looked at.
func TestASignIsFoundByEverydayWords(t *testing.T) {
	t.Parallel()
	p := start(t, true).page(t, 390, 844)
	p.openDemo(plantPath("T-033") + "/examine")
	p.see("What it may be")
	p.fill("Find a sign by your own words", "white fluff")
	p.see("White cottony tufts in joints")
	p.click(by("button", "Like what: White cottony"))
	p.until(`document.querySelectorAll("svg[data-drawing]").length >= 2`)
	p.click(by("button", "seen: White cottony"))
	p.until(`document.querySelector('[data-cause]').dataset.cause === "mealybug"`)
	p.until(`document.querySelector('[data-cause="mealybug"]').innerText.includes("very likely")`)
	// All hangs on this one sign: it is looked for once more, beside what it is taken for.
	p.see("all hangs on one sign")
	p.see("Not to be taken for it:")
	p.click(by("button", "still there: White cottony"))
	p.until(`document.querySelector('[data-testid="verdict-of-look"]').dataset.verdict === "act"`)
	p.click(by("button", "I think so: White cottony"))
	p.until(`!document.querySelector('[data-cause="mealybug"]').innerText.includes("very likely")`)
	p.until(`document.querySelector('[data-testid="verdict-of-look"]').dataset.verdict === "look-further"`)
	p.see("Not looked at yet")
	p.click(by("button", "Save this look"))
	p.see("What do you think it is?")
	p.open("/handbook/kinds/monstera-adansonii/key?list=kinds")
	p.see("its commonest troubles")
	p.open("/handbook/glossary")
	p.see("The point from which the leaves of a rosette")
}
