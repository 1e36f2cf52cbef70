package drawing_test

import (
	"image"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/plant"
	"tendermend/demo/drawing"
)

func scene(figure string) drawing.Scene {
	return drawing.Scene{
		Figure:  figure,
		Blades:  []drawing.Blade{{MM: 90}, {MM: 110}, {MM: 100, Yellow: true}, {MM: 95}, {MM: 105}},
		PotMM:   120,
		FrameMM: 160,
		DeepMM:  100,
		Largest: 120,
		Seed:    3,
	}
}

// dark says whether a pixel is of the ink that outlines everything.
func dark(m image.Image, x, y int) bool {
	r, g, b, _ := m.At(x, y).RGBA()
	return r < 0x6000 && g < 0x6000 && b < 0x6000
}

// The rim of the pot is where it is said to be: two taps on it give the scale.
func TestThePotIsWhereItIsSaidToBe(t *testing.T) {
	s := scene("none")
	s.Blades = nil
	m, rim := drawing.Draw(s), drawing.Rim(s)
	y := int(rim.Y)
	left, right := -1, -1
	for x := range drawing.Width {
		if dark(m, x, y) {
			if left < 0 {
				left = x
			}
			right = x
		}
	}
	assert.InDelta(t, rim.X1, left, 3)
	assert.InDelta(t, rim.X2, right, 3)
}

// A pot of half the width is drawn half as wide: pictures of one plant keep one
// scale, whatever pot it stands in.
func TestPicturesOfOnePlantKeepOneScale(t *testing.T) {
	large, small := scene("vine"), scene("vine")
	large.PotMM, small.PotMM = 160, 80
	a, b := drawing.Rim(large), drawing.Rim(small)
	assert.InDelta(t, (a.X2-a.X1)/2, b.X2-b.X1, 0.01)
}

func TestEveryHabitIsDrawn(t *testing.T) {
	bare := scene("none")
	bare.Blades = nil
	empty := drawing.Draw(bare)
	for _, h := range plant.Habits() {
		s := scene(h.Figure)
		m := drawing.Draw(s)
		require.Equal(t, image.Rect(0, 0, drawing.Width, drawing.Height), m.Bounds())
		differs := 0
		for y := 0; y < drawing.Height; y += 4 {
			for x := 0; x < drawing.Width; x += 4 {
				if m.At(x, y) != empty.At(x, y) {
					differs++
				}
			}
		}
		assert.Greater(t, differs, 300, "%s shows a plant", h.ID)
		limp := s
		limp.Limp = true
		assert.NotEqual(t, m, drawing.Draw(limp), "%s hangs when it is limp", h.ID)
		assert.Equal(t, m, drawing.Draw(s), "%s is drawn the same twice", h.ID)
	}
}

func TestRootsShowInAClearPotAlone(t *testing.T) {
	s := scene("bulbed")
	s.Roots, s.Bulbs = []float64{40, 60}, []float64{50, 60}
	clay := drawing.Draw(s)
	s.Clear = true
	pot := drawing.Draw(s)
	assert.NotEqual(t, clay, pot)
	more := s
	more.Roots = []float64{70, 90}
	assert.NotEqual(t, pot, drawing.Draw(more))
}
