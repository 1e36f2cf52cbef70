package compose

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// Whatever ails it, what stands outside the warmth that its kind bears is brought into it: from 13 °C
// on for a monstera, up to 27 for a ribbon fern; nobody is told of it within that, or where nothing was measured.
func TestBroughtIntoItsWarmth(t *testing.T) {
	for _, c := range []struct {
		kind, cause, warmth, want string
	}{
		{"pteris-cretica", "dry-air", `"warmthC":28`, "cooler spot, at 27 °C or below"},
		{"pteris-cretica", "dry-air", `"warmthC":27`, ""},
		{"monstera-deliciosa", "dry-air", `"warmthC":12`, "Keep it at 13 °C or more"},
		{"monstera-deliciosa", "dry-air", `"warmthC":13`, ""},
		{"monstera-deliciosa", "dry-air", ``, ""},
		{"gonialoe-variegata", "southern-blight", `"warmthC":1`, ""}, // it is thrown away
	} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":[%q],"on":"2026-06-15",
			"answers":{"moist":"right"},"place":{%s}}`, c.kind, c.cause, c.warmth), treatment.Temper)
		assert.Equal(t, c.want != "", len(words) > 0, "%+v", c)
		assert.Contains(t, strings.Join(words, " "), c.want, "%+v", c)
	}
	// Work on roots that waits for the warmth says so; rot that lives does not wait.
	for cause, waits := range map[string]bool{`"congested"],"answers":{"growths":8`: true,
		`"root-rot"],"answers":{"rotAlive":true`: false} {
		words, _ := said(t, `{"kind":"pteris-cretica","causes":[`+cause+`,"moist":"right","liveRoots":9},
			"on":"2026-05-15","place":{"warmthC":31}}`, treatment.Temper)
		assert.Equal(t, waits, strings.Contains(strings.Join(words, " "), "too warm there to open"), cause)
	}
}

// Air that was read to be as moist as its kind likes it stays so; what was not read, or is drier, is made moister.
func TestAirThatIsMoistEnoughStaysSo(t *testing.T) {
	for _, c := range []struct{ place, want string }{
		{`"humidityPct":60`, "moist enough, at 60 %: dry air is hardly what ails it. See that it stays above 40 %"},
		{`"humidityPct":59`, "Make the air moister"},
		{``, "Make the air moister"},
	} {
		words, _ := said(t, `{"kind":"monstera-deliciosa","causes":["dry-air"],"on":"2026-06-15",
			"answers":{"moist":"right"},"place":{`+c.place+`}}`, treatment.Humidify)
		assert.Contains(t, strings.Join(words, " "), c.want, c.place)
	}
}

// What only wets the medium by the way waters nothing: thrips are washed off a plant in a dry pot after it drank.
func TestADryPotIsWateredBeforeItsNematodes(t *testing.T) {
	for moist, want := range map[string]string{
		"bone": "It is dry through: water it now", "dry": "It is too dry for it: water it now", "right": "", "wet": "",
	} {
		words, days := said(t, `{"kind":"cymbidium-hybrid","causes":["thrips"],"on":"2026-06-15",
			"answers":{"moist":"`+moist+`","liveRoots":9,"limp":false},"place":{"warmthC":20}}`, treatment.ByRule)
		if want == "" {
			assert.Empty(t, words, moist)
			continue
		}
		require.NotEmpty(t, words, moist)
		assert.Contains(t, words[0], want, moist)
		assert.Equal(t, 0, days[0], moist)
	}
}

// Where every counted root lives drought has taken none: its pot stays closed. One dead root opens it, or none counted.
func TestNoPotIsOpenedWhereEveryRootLives(t *testing.T) {
	for counted, opens := range map[string]bool{
		`"liveRoots":9,"deadRoots":0`: false, `"liveRoots":9,"deadRoots":1`: true, `"liveRoots":9`: true, ``: true,
	} {
		answers := strings.Trim(`"moist":"right",`+counted, ",")
		words, _ := said(t, `{"kind":"oncidium-hybrid","causes":["dry-root-loss"],"on":"2026-06-15","place":{"warmthC":20},
			"answers":{`+answers+`}}`, treatment.Unpot)
		assert.Equal(t, opens, len(words) > 0, counted)
	}
}

// A torn stem is cut only where its kind grows on below the cut.
func TestATornStemIsCutOnlyWhereItGrowsOn(t *testing.T) {
	for kind, cut := range map[string]bool{
		"caryota-mitis": false, "phalaenopsis-hybrid": false, "anthurium-andraeanum": false, "epipremnum-aureum": true,
		"ficus-lyrata": true,
	} {
		words, _ := said(t, `{"kind":"`+kind+`","causes":["breakage"],"on":"2026-06-15",
			"answers":{"moist":"right"},"place":{"warmthC":20}}`, treatment.Stake)
		require.NotEmpty(t, words, kind)
		assert.Equal(t, cut, strings.Contains(words[0], "cut it clean with a blade wiped"), kind)
		assert.Equal(t, !cut, strings.Contains(words[0], "No stem of it is cut"), kind)
	}
}

// Air that was measured drier than its kind bears is said where the plan does nothing about it; what rests, and what
// moist air harms, is not told so, and no guess is.
func TestDryAirThatIsNoPartOfThePlanIsSaid(t *testing.T) {
	for _, c := range []struct {
		kind, cause, place string
		said               bool
	}{
		{"spathoglottis-plicata", "flowers-over", `"humidityPct":44`, true},
		{"spathoglottis-plicata", "flowers-over", `"humidityPct":45`, false},
		{"spathoglottis-plicata", "flowers-over", ``, false},
		{"spathoglottis-plicata", "dry-air", `"humidityPct":44`, false},
		{"spathoglottis-plicata", "fungal-spot", `"humidityPct":44`, false},
		{"mammillaria-hahniana", "flowers-over", `"humidityPct":5`, false},
	} {
		why := leftOut(t, `{"kind":"`+c.kind+`","causes":["`+c.cause+`"],"on":"2026-06-15",
			"answers":{"moist":"right"},"place":{`+c.place+`}}`, "dry-air")
		assert.Equal(t, c.said, strings.Contains(why, "it wants 45 % or more"), "%+v: %s", c, why)
	}
}

// Half an hour in water is short for a pot that is dry through.
func TestAPotThatIsDryThroughSoaksForLonger(t *testing.T) {
	for moist, longer := range map[string]bool{"bone": true, "dry": false} {
		words, days := said(t, `{"kind":"spathoglottis-plicata","causes":["flowers-over"],"on":"2026-06-15",
			"answers":{"moist":"`+moist+`","limp":true}}`, treatment.Soak)
		require.NotEmpty(t, words)
		assert.Zero(t, days[0])
		assert.Equal(t, longer, strings.HasSuffix(words[0], "leave it in for longer while bubbles still rise."), moist)
	}
}

// Where it stands too warm a limp plant is slid out only when it hangs as limp in its own range.
func TestALimpPlantInTheHeatIsJudgedWhereItIsCooler(t *testing.T) {
	for warm, cooler := range map[string]bool{"27": true, "26": false} {
		words, _ := said(t, `{"kind":"miltoniopsis-vexillaria","causes":["dry-air"],"on":"2026-06-15",
			"answers":{"moist":"dry","limp":true},"place":{"warmthC":`+warm+`}}`, treatment.Look)
		asked := strings.Join(words, " ")
		assert.Contains(t, asked, "Still as limp on day 4 in a moist pot")
		assert.Equal(t, cooler, strings.Contains(asked, "in a moist pot at 26 °C or below: slide it out"), asked)
	}
}

// What was too hot is cooled down to its own range; where it was measured to stand in it by now it is kept so.
func TestWhatWasTooHotIsKeptCool(t *testing.T) {
	for _, c := range []struct{ answers, want string }{
		{`"moist":"right"},"place":{"warmthC":26}`, "cool enough where it stands now, at 26 °C"},
		{`"moist":"right"},"place":{"warmthC":27}`, "out of the sun, until it stands at 26 °C or below."},
		{`"moist":"right"}`, "out of the sun."},
		{`"limp":false}`, "out of the sun; water only if it is dry."},
	} {
		words, _ := said(t, `{"kind":"miltoniopsis-vexillaria","causes":["heat-stress"],"on":"2026-06-15",
			"answers":{`+c.answers+`}`, treatment.Temper)
		assert.Contains(t, strings.Join(words, " "), c.want, c.answers)
	}
}
