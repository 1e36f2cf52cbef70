package bench_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/bench"
	"tendermend/core/plant"
)

func blackEarth() bench.OwnMedium {
	return bench.OwnMedium{
		Name: "Black earth", Like: "potting soil", Water: [2]float64{0.5, 0.6}, Air: [2]float64{0.05, 0.1},
	}
}

// What is kept is found again under its name; the same name replaces it, whatever its case.
func TestOwnMediaAndRecipesAreKeptByName(t *testing.T) {
	own, err := bench.Own{}.WithMedium(blackEarth(), false)
	require.NoError(t, err)
	m := blackEarth()
	m.Name, m.Air = " black EARTH ", [2]float64{0.2, 0.3}
	own, err = own.WithMedium(m, false)
	require.NoError(t, err)
	require.Len(t, own.Media, 1)
	assert.Equal(t, "black EARTH (like potting soil)", own.Ingredients()[0].ID)
	r := bench.Recipe{Name: "mine", Parts: []plant.Part{{What: own.Media[0].Called(), Parts: 1}, {What: " "}}}
	own, err = own.WithRecipe(r, false)
	require.NoError(t, err)
	assert.Len(t, own.Recipes[0].Parts, 1, "an empty line is no part")

	made, err := bench.Mix(bench.MixInput{Parts: own.Recipes[0].Parts, Litres: p(1.0)}, own)
	require.NoError(t, err)
	assert.InDelta(t, 20, amount(t, made, "stays air, least"), 1e-9, "what it was said to hold")
	assert.InDelta(t, 1, amount(t, made, own.Media[0].Called()), 1e-9)

	own, err = own.WithMedium(bench.OwnMedium{Name: "Black earth"}, true)
	require.NoError(t, err)
	own, err = own.WithRecipe(bench.Recipe{Name: "MINE"}, true)
	require.NoError(t, err)
	assert.Empty(t, own.Media)
	assert.Empty(t, own.Recipes)
}

func TestOwnMediaThatCannotBeAreRefusedAtTheirField(t *testing.T) {
	for at, spoil := range map[string]func(*bench.OwnMedium){
		"name":  func(m *bench.OwnMedium) { m.Name = "  " },
		"like":  func(m *bench.OwnMedium) { m.Like = "stardust" },
		"water": func(m *bench.OwnMedium) { m.Water = [2]float64{0.6, 0.5} },
		"air":   func(m *bench.OwnMedium) { m.Air = [2]float64{0.51, 0.6} }, // with 0.5 of water
	} {
		m := blackEarth()
		spoil(&m)
		_, err := bench.Own{}.WithMedium(m, false)
		assert.Equal(t, at, field(err))
	}
	m := blackEarth()
	m.Name = "Earth (old)"
	_, err := bench.Own{}.WithMedium(m, false)
	assert.Equal(t, "name", field(err))
	m = blackEarth()
	m.Air = [2]float64{0.5, 0.5} // with 0.5 of water it is just full
	_, err = bench.Own{}.WithMedium(m, false)
	assert.NoError(t, err)
	for _, share := range [][2]float64{{-0.1, 0.5}, {0.5, 1.1}} {
		m = blackEarth()
		m.Water = share
		_, err = bench.Own{}.WithMedium(m, false)
		assert.Equal(t, "water", field(err))
	}
	for at, r := range map[string]bench.Recipe{
		"name":           {Parts: []plant.Part{{What: "perlite", Parts: 1}}},
		"parts":          {Name: "none"},
		"parts[0].parts": {Name: "naught", Parts: []plant.Part{{What: "perlite"}}},
	} {
		_, err := bench.Own{}.WithRecipe(r, false)
		assert.Equal(t, at, field(err))
	}
}

func TestAShelfOfOnesOwnHasAnEnd(t *testing.T) {
	var own bench.Own
	var err error
	for n := range 101 {
		m := blackEarth()
		m.Name = fmt.Sprint(strings.Repeat("x", n%7), n)
		own, err = own.WithMedium(m, false)
	}
	assert.Equal(t, "name", field(err))
	assert.Len(t, own.Media, 100)
}
