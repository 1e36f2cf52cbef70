package e2e

import (
	"image"
	"image/jpeg"
	"os"
	"path/filepath"
	"testing"
	"time"

	"github.com/chromedp/chromedp"
	"github.com/stretchr/testify/require"
)

// A bowl's plants are told from each other, and one of them comes into a pot of its own with
// its leaf; taken back, all stand in the bowl again.
func TestPlantsOfABowlAreParted(t *testing.T) {
	t.Parallel()
	p := start(t, true).page(t, 1280, 800)
	p.openDemo(plantPath("K-001"))
	p.click(by("a", "3 plants in one pot"))
	p.see("Better parted")
	p.see("They drink differently")
	p.click(`//label[contains(., "the little palm")]`)
	p.click(`//button[.="1 plant into a pot of its own"]`)
	p.see("Recorded: Bowl from the captain’s cabin: 1 plant taken out of its pot")
	p.see("Taken out of it")
	p.click(`//button[.="Undo"]`)
	p.see("Undone:")
	p.see("3 plants in one pot")
	p.click(by("a", "Their growths"))
	p.see("Leaves of B, the little palm")
}

// Pictures find their plants by what their files are called.
func TestPicturesComeInByTheirNames(t *testing.T) {
	t.Parallel()
	p := start(t, true).page(t, 1280, 800)
	p.openDemo("/exchange")
	p.click(by("a", "A folder of pictures"))
	p.see("Each goes to the plant")
	dir := t.TempDir()
	var files []string
	for _, name := range []string{"K-001 roots.jpg", "holiday.jpg"} {
		file, err := os.Create(filepath.Join(dir, name))
		require.NoError(t, err)
		require.NoError(t, jpeg.Encode(file, image.NewGray(image.Rect(0, 0, 40, 30)), nil))
		require.NoError(t, file.Close())
		taken := time.Date(2026, time.November, 20, 12, 0, 0, 0, time.UTC)
		require.NoError(t, os.Chtimes(file.Name(), taken, taken))
		files = append(files, file.Name())
	}
	p.run(chromedp.SetUploadFiles(`//input[@aria-label="Some pictures"]`, files))
	p.see("1 picture of 1 plant; 1 picture to say more of")
	p.see("No plant here has a label or a name like that.")
	p.click(`//button[.="Take 1 picture in"]`)
	p.see("Recorded: A folder: 1 picture taken in")
	p.see("1 picture here already")
	p.run(chromedp.SetUploadFiles(`//input[@aria-label="Some pictures"]`, files))
	p.see("0 pictures of 0 plants; 1 picture to say more of; 1 picture here already")
}
