package folder_test

import (
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"

	"tendermend/core/day"
	"tendermend/exchange/folder"
	"tendermend/record"
)

var (
	today = day.Of(2026, 11, 28)
	came  = day.Of(2026, 1, 10)
	lady  = folder.Whose{ID: uuid.New(), Name: "Old lady on the landing sill", Label: "T-033", On: came}
	one   = folder.Whose{ID: uuid.New(), Name: "Moth orchid, 1", Label: "B-001", On: came}
	tenth = folder.Whose{ID: uuid.New(), Name: "Moth orchid, 10", Label: "B-010", On: came}
	twin  = folder.Whose{ID: uuid.New(), Name: "Pothos", On: came}
	other = folder.Whose{ID: uuid.New(), Name: "Pothos", On: came}
	ivy   = folder.Whose{ID: uuid.New(), Name: "Ivie", On: came}
	hoya  = folder.Whose{ID: uuid.New(), Name: "Hoyas", On: came}
	felt  = folder.Whose{ID: uuid.New(), Name: "Müller’s fern", On: came}
	all   = []folder.Whose{lady, one, tenth, twin, other, ivy, hoya, felt}
)

func shot(f folder.File) folder.Shot { return folder.Match([]folder.File{f}, all, today)[0] }

func TestAPictureIsOfThePlantThatItsNameTells(t *testing.T) {
	for path, want := range map[string]struct {
		plant *folder.Whose
		found folder.Told
	}{
		"T-033.jpg":                                 {&lady, folder.ByLabel},
		"t033 2026-05-01.jpg":                       {&lady, folder.ByLabel},
		"pictures/T-033/IMG_20260501_101112.jpg":    {&lady, folder.ByLabel},
		"pictures/old lady on the landing sill.jpg": {&lady, folder.ByName},
		"Old Lady on the Landing Sill/top 3.png":    {&lady, folder.ByName},
		"Moth orchid, 10.jpg":                       {&tenth, folder.ByName},
		"moth_orchid_1_2026-05-01.jpg":              {&one, folder.ByName},
		"mullers fern.jpg":                          {&felt, folder.ByName},
		"mulers fern 2026-05-01.jpg":                {&felt, folder.ByNearly},
		"hoyaz.jpg":                                 {&hoya, folder.ByNearly}, // five letters
		"ivia.jpg":                                  {nil, folder.ByNothing},  // four: too short to be guessed
		"mulers ferm.jpg":                           {nil, folder.ByNothing},  // two letters
		"B-001/T-033.jpg":                           {&lady, folder.ByLabel},  // its own name before its folder
		"IMG_20260501_101112.jpg":                   {nil, folder.ByNothing},
		"T-0331.jpg":                                {nil, folder.ByNothing},
	} {
		got := shot(folder.File{Path: path})
		assert.Equal(t, want.plant, got.Plant, path)
		assert.Equal(t, want.found, got.Found, path)
	}
	both := shot(folder.File{Path: "pothos.jpg"})
	assert.Nil(t, both.Plant)
	assert.Equal(t, []folder.Whose{twin, other}, both.Several)
	assert.Contains(t, both.Why, "several plants")
}

func TestItsDayIsWhatSomebodyWroteThenWhatTheCameraWrote(t *testing.T) {
	camera, written := day.Of(2026, 4, 2), day.Of(2026, 4, 9)
	later := today + 1
	for _, c := range []struct {
		f     folder.File
		on    day.Day
		dated folder.Told
	}{
		{folder.File{Path: "T-033 2026-05-01.jpg", Camera: &camera}, day.Of(2026, 5, 1), folder.ByFile},
		{folder.File{Path: "IMG_20260501_101112.jpg"}, day.Of(2026, 5, 1), folder.ByFile},
		{folder.File{Path: "2026_05_01/T-033.jpg"}, day.Of(2026, 5, 1), folder.ByFile},
		{folder.File{Path: "T-033 1.5.2026.jpg"}, day.Of(2026, 5, 1), folder.ByFile},
		{folder.File{Path: "T-033 31.4.2026.jpg", Camera: &camera}, camera, folder.ByCamera}, // no such day
		{folder.File{Path: "T-033 01-05-2026.jpg", Camera: &camera}, camera, folder.ByCamera},
		{folder.File{Path: "T-033.jpg", Camera: &camera, Written: &written}, camera, folder.ByCamera},
		{folder.File{Path: "T-033.jpg", Written: &written}, written, folder.ByWritten},
		{folder.File{Path: "T-033.jpg", Written: &later}, 0, folder.ByNothing},
	} {
		got := shot(c.f)
		assert.Equal(t, c.dated, got.Dated, "%+v", c.f)
		if c.dated == folder.ByNothing {
			assert.Nil(t, got.On)
			assert.Contains(t, got.Why, "tells the day")
			continue
		}
		assert.Equal(t, c.on, *got.On, "%+v", c.f)
	}
	for path, why := range map[string]string{
		"T-033 2026-01-09.jpg": "before the plant came",
		"T-033 2026-01-10.jpg": "",
		"T-033 2026-11-28.jpg": "",
		"T-033 2026-11-29.jpg": "still to come",
	} {
		got := shot(folder.File{Path: path}).Why
		assert.Contains(t, got, why, path)
		assert.Equal(t, why == "", got == "", path)
	}
}

func TestItsSideIsToldByAWord(t *testing.T) {
	for path, side := range map[string]record.Side{
		"T-033 roots.jpg": record.SideRoots, "T-033/top_2.jpg": record.SideTop, "T-033.jpg": record.SideFront,
		"T-033 stop.jpg": record.SideFront,
	} {
		assert.Equal(t, side, shot(folder.File{Path: path}).Side, path)
	}
}

// The same file has the same ids in whatever folder it lies; another of the same name has not.
func TestTheSameFileIsKnownAgain(t *testing.T) {
	a := shot(folder.File{Path: "a/T-033.jpg", Size: 10})
	assert.Equal(t, a.ID, shot(folder.File{Path: "b/T-033.jpg", Size: 10}).ID)
	assert.NotEqual(t, a.ID, shot(folder.File{Path: "a/T-033.jpg", Size: 11}).ID)
	assert.NotEqual(t, a.ID, a.Entry)
}
