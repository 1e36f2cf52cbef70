package e2e

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// A place is described and its year is drawn; a trip is planned and its sitter, who has no
// account, ticks a plant, which stands in the record under their name.
func TestAPlaceIsDescribedAndATripIsSat(t *testing.T) {
	t.Parallel()
	s := start(t, true)
	p := s.page(t, 1280, 900)
	p.openDemo("/places")
	p.see("to bring in")
	p.fill("Name", "Harbour window")
	p.click(by("button", "Add the place"))
	p.click(by("a", "Harbour window"))
	p.see("Nobody has said what it is like")
	p.click(`//input[@id=(//label[starts-with(normalize-space(.), "Its window looks")]/@for)]`)
	p.choose(`//div[@role="option"][normalize-space(.)="west"]`)
	p.fill("Plants from the glass", "0.5")
	p.click(by("button", "Keep it and reckon its year"))
	p.see("Its year")
	p.see("nights down to about")

	p.open("/trips")
	p.see("The next trip")
	p.fill("Who comes in", "Ines")
	p.click(by("button", "Plan it"))
	p.see("What Ines does")
	p.click(by("button", "Change the trip"))
	p.fill("Where you are reached", "the ferry office")
	p.noSeriousFinding("a trip that is being changed")
	p.click(by("button", "Change it"))
	p.see("In doubt: the ferry office")
	p.see("Changed 1 time")
	p.click(by("button", "Make Ines"))
	p.until(`document.querySelector('a[href*="/sit/"]') !== null`)
	link := eval[string](p, `document.querySelector('a[href*="/sit/"]').getAttribute("href")`)
	path := link[strings.Index(link, "/sit/"):]

	s.wait(t, 3) // the demo's next trip begins in two days
	sitter := s.page(t, 390, 844)
	sitter.open(path)
	sitter.see("Hello Ines")
	sitter.see("Do not water")
	sitter.noSeriousFinding("the sitter's page")
	sitter.click(`(//button[normalize-space(.)="Done"])[1]`)
	sitter.see("watered today")
	var by string
	require.NoError(t, s.Store.DB.Get(&by, `select by_name from entries where by_name is not null
		order by recorded_at desc limit 1`))
	assert.Equal(t, "Ines", by)
	assert.Zero(t, eval[float64](sitter, `document.documentElement.scrollWidth - innerWidth`), "no sideways scroll")
}
