package e2e

import (
	"testing"

	"github.com/stretchr/testify/assert"
)

// A carer may go against a rule, with a reason, and never silently.
func TestAPlanIsChangedAgainstARuleOnlyWithAReason(t *testing.T) {
	t.Parallel()
	p := start(t, true).page(t, 1280, 800)
	p.openDemo(plantPath("T-032") + "/do")
	p.see("What do you think it is?")
	p.click(`//*[@data-cause="root-rot"]//input`)
	p.click(by("button", "Accept"))
	p.see("Of ten such plants")
	p.fill("Live root ball, width", "8")
	p.hides("goes against what is never done")
	p.click(`(//button[starts-with(@aria-label, "Change its steps: Root work")])[1]`)
	p.click(`//button[@aria-label="Leave this out: Clean blade and hands"]`)
	p.see("goes against what is never done")
	p.see("N01")
	taken := `[...document.querySelectorAll("button")].find(b => b.innerText === "Take up this plan").disabled`
	p.until(taken)
	p.fill("Why you do it all the same", "a new blade out of its wrapper")
	p.until("!" + taken)
	p.click(by("button", "Take up this plan"))
	p.see("Against the rules, by your own decision")
	p.see("a new blade out of its wrapper")
}

func TestWhatIsLeftOutCanBePutBack(t *testing.T) {
	t.Parallel()
	p := start(t, true).page(t, 1280, 800)
	p.openDemo(plantPath("T-032") + "/do")
	p.see("What do you think it is?")
	p.click(`//*[@data-cause="root-rot"]//input`)
	p.click(by("button", "Accept"))
	p.see("Of ten such plants")
	p.click(`(//button[starts-with(@aria-label, "Change its steps: Root work")])[1]`)
	p.click(`//button[@aria-label="Leave this out: Stake it"]`)
	p.until(`!document.querySelector('[data-step^="stake"]')`)
	p.click(by("button", "Put back: Stake it"))
	p.until(`!!document.querySelector('[data-step^="stake"]')`)
}

// A set-up can be changed without any illness.
func TestAWishNeedsNoIllness(t *testing.T) {
	t.Parallel()
	p := start(t, true).page(t, 1280, 800)
	p.openDemo("/plants/new")
	p.fill("Name", "Sound one")
	p.fill("Kind", "moth orchid")
	p.choose(`//*[@role="option"][contains(., "Phalaenopsis")][1]`)
	p.click(by("button", "Take it in"))
	p.see("What it may be")
	p.click(`//a[.="What to do"]`)
	p.see("Nothing ails it, but you want something of it")
	p.click(by("button", "Fresh mix"))
	p.click(by("button", "Take up this plan"))
	p.see("steps to do")
	p.hides("Of ten such plants")
	assert.NotEmpty(t, eval[string](p, `document.querySelector('section[aria-label="Steps"]').innerText`))
	p.click(by("a", "Where it stands"))
	p.see("as was wished: fresh mix")
	p.see("Nobody has looked yet")
}

// Another day that a rule forbids is the nearest that it allows, and says so; with a reason it is that very day.
func TestAnotherDayIsTheNearestThatTheRulesAllow(t *testing.T) {
	t.Parallel()
	p := start(t, true).page(t, 1280, 800)
	p.openDemo(plantPath("T-032") + "/do")
	p.see("What do you think it is?")
	p.click(`//*[@data-cause="root-rot"]//input`)
	p.click(by("button", "Accept"))
	p.see("Of ten such plants")
	p.click(`(//button[starts-with(@aria-label, "On another day: Root work")])[1]`)
	p.fill("Days from today", "3")
	p.see("(N83)")
	p.see("the nearest day that the rules allow")
	p.fill("Why you do it all the same", "I am away until then")
	p.hides("the nearest day that the rules allow")
	p.click(by("button", "Take up this plan"))
	p.see("I am away until then")
}

// Several kinds go by one name: which one it is is asked, with why it matters.
func TestANameThatSeveralKindsShareAsksWhichOne(t *testing.T) {
	t.Parallel()
	p := start(t, true).page(t, 1280, 800)
	p.openDemo("/plants/new")
	p.fill("Kind", "umbrella plant")
	p.see("Several kinds go by this name.")
	p.click(`//section[@aria-label="Which one is it?"]//button[contains(., "Cyperus")]`)
	p.hides("Several kinds go by this name.")
	p.until(`[...document.querySelectorAll("input")].some(i => i.value.startsWith("Cyperus alternifolius"))`)
}

func TestPoisonIsShownByHowBadItIs(t *testing.T) {
	t.Parallel()
	p := start(t, true).page(t, 390, 844)
	p.openDemo("/handbook/kinds/ficus-lyrata")
	p.see("Harms people (mild)")
	p.open("/handbook/kinds/phalaenopsis-hybrid")
	p.see("No harm known to")
}
