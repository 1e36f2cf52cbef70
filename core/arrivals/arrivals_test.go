package arrivals_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/arrivals"
	"tendermend/core/plant"
)

// names are what the plants of a list are called, with the kind that is taken for each.
func names(list []arrivals.Plant) (out []string) {
	for _, p := range list {
		kind := "?"
		if len(p.Kinds) > 0 {
			kind = p.Kinds[0]
		}
		out = append(out, p.Name+" = "+kind)
	}
	return out
}

func TestABoxIsReadLineByLine(t *testing.T) {
	for _, c := range []struct {
		text string
		want []string
	}{
		{"Phalaenopsis equestris", []string{"Phalaenopsis equestris = phalaenopsis-equestris"}},
		{"2 x Phalaenopsis equestris", []string{
			"Phalaenopsis equestris 1 = phalaenopsis-equestris", "Phalaenopsis equestris 2 = phalaenopsis-equestris"}},
		{"2 Phalaenopsis equestris, soft leaves", []string{
			"Phalaenopsis equestris 1 = phalaenopsis-equestris", "Phalaenopsis equestris 2 = phalaenopsis-equestris"}},
		{"Phalaenopsis equestris (2)", []string{
			"Phalaenopsis equestris 1 = phalaenopsis-equestris", "Phalaenopsis equestris 2 = phalaenopsis-equestris"}},
		{"Phalaenopsis equestris × 1", []string{"Phalaenopsis equestris = phalaenopsis-equestris"}},
		{"the big one from the stairs", []string{"the big one from the stairs = ?"}},
		{"\n  \nSwiss cheese plant\r\n", []string{"Swiss cheese plant = monstera-deliciosa"}},
	} {
		list, problems := arrivals.Read(c.text, plant.Kinds{})
		assert.Empty(t, problems, c.text)
		assert.Equal(t, c.want, names(list), c.text)
	}
}

// What a line says of its plants is read as signs; a line alone says none.
func TestALineSaysWhatItsPlantsHave(t *testing.T) {
	list, _ := arrivals.Read("3 x pothos, small black flies, no smell\npothos", plant.Kinds{})
	require.Len(t, list, 4)
	for _, p := range list[:3] {
		assert.NotEmpty(t, p.Present, p.Name)
		assert.NotEmpty(t, p.Absent, p.Name)
		assert.Equal(t, 1, p.Line)
	}
	assert.Empty(t, list[3].Present)
	assert.Equal(t, 2, list[3].Line)
	assert.NotEmpty(t, list[3].Habit)
}

func TestLinesThatCannotBeAreSaidAndTheOthersRead(t *testing.T) {
	list, problems := arrivals.Read("0 x pothos\npothos\n, wilted\n201 x pothos\n199 x pothos", plant.Kinds{})
	assert.Len(t, list, 200, "as many as a box holds")
	var lines []int
	for _, p := range problems {
		lines = append(lines, p.Line)
	}
	assert.Equal(t, []int{1, 3, 4}, lines)
	for letters, wrong := range map[int]int{110: 0, 111: 1} {
		_, problems = arrivals.Read(strings.Repeat("a", letters), plant.Kinds{})
		assert.Len(t, problems, wrong, "%d letters", letters)
	}
	_, problems = arrivals.Read("200 x pothos\npothos", plant.Kinds{})
	assert.Len(t, problems, 1, "one more than a box holds")
}

func TestLabelsAreCountedOnByAPattern(t *testing.T) {
	taken := []string{"T-008", "T-033", "C-012", "T-9", "spare"}
	assert.Equal(t, "T-###", arrivals.Pattern(taken))
	assert.Equal(t, "###", arrivals.Pattern(nil))
	for _, c := range []struct {
		pattern string
		want    []string
	}{
		{"T-###", []string{"T-034", "T-035"}},
		{"C-###", []string{"C-013", "C-014"}},
		{"box", []string{"box1", "box2"}},
		{"N-##/26", []string{"N-01/26", "N-02/26"}},
	} {
		assert.Equal(t, c.want, arrivals.Labels(c.pattern, taken, 2), c.pattern)
	}
	grown := arrivals.Labels("a-#", []string{"a-9"}, 2)
	assert.Equal(t, []string{"a-10", "a-11"}, grown, "a number grows beyond its width")
}

func TestALabelThatIsTakenIsTold(t *testing.T) {
	taken := []string{"T-008", "", "spare"}
	labels := []string{"T-008", "T-009", " t-009 ", "Spare", "", "", "T-08"}
	assert.Equal(t, []bool{true, false, true, true, false, false, false}, arrivals.Again(labels, taken))
}

// The parts of a price add up to it, to the hundredth, and differ by a hundredth at most.
func TestAPriceIsPartedWhole(t *testing.T) {
	for _, price := range []float64{0, 0.01, 10, 99.99, 100} {
		for n := 1; n <= 13; n++ {
			var cents, least, most int
			for i, part := range arrivals.Shares(price, n) {
				c := int(part*100 + 0.5)
				cents += c
				if i == 0 {
					least, most = c, c
				}
				least, most = min(least, c), max(most, c)
			}
			assert.Equal(t, int(price*100+0.5), cents, "%g in %d", price, n)
			assert.LessOrEqual(t, most-least, 1)
		}
	}
	assert.Nil(t, arrivals.Shares(5, 0))
}

func FuzzRead(f *testing.F) {
	f.Add("3 x Hoya, limp\n\n(4)")
	f.Fuzz(func(t *testing.T, text string) {
		list, problems := arrivals.Read(text, plant.Kinds{})
		lines := strings.Count(text, "\n") + 1
		assert.LessOrEqual(t, len(list), arrivals.MostPlants)
		for _, p := range list {
			assert.NotEmpty(t, strings.TrimSpace(p.Name))
			assert.LessOrEqual(t, p.Line, lines)
		}
		for _, p := range problems {
			assert.LessOrEqual(t, p.Line, lines)
		}
	})
}
