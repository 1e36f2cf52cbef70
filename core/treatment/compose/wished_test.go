package compose

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// A wish is for a plant that is well: without a live root it is left out and the base is looked at; a tuber at
// rest has none by nature, and taking pieces may be what is left, while its own rescue is asked for.
func TestAWishIsForAPlantThatIsWell(t *testing.T) {
	const s = `{"kind":%q,"causes":[],"wish":%q,"on":%q,"answers":{"moist":"right","liveRoots":%d,"growths":6%s},
		"place":{"warmthC":22}}`
	for _, c := range []struct {
		kind, wish, on string
		live           int
		more           string
		left, asked    bool
	}{
		{"polyscias-scutellaria", "setup-change", "2026-05-15", 0, "", true, true},
		{"polyscias-scutellaria", "setup-change", "2026-05-15", 1, "", false, false},
		{"epiphyllum-hybrid", "refresh", "2026-05-15", 0, "", true, true},
		{"polyscias-scutellaria", "propagate", "2026-05-15", 0, "", false, true},
		{"polyscias-scutellaria", "propagate", "2026-05-15", 1, "", false, false},
		{"caladium-bicolor", "refresh", "2026-01-15", 0, `,"leaves":0`, false, false},
	} {
		of := fmt.Sprintf(s, c.kind, c.wish, c.on, c.live, c.more)
		assert.Equal(t, c.left, strings.Contains(leftOut(t, of, c.wish), "for a plant that is well"), of)
		looks, _ := said(t, of, treatment.Look)
		assert.Equal(t, c.asked, strings.Contains(strings.Join(looks, " "), "is its base firm"), of)
	}
}

// A wish does not hurry because the plant hangs limp: it waits for its season as if it stood firm.
func TestALimpPlantHurriesNoWish(t *testing.T) {
	for _, limp := range []string{"true", "false"} {
		p, err := Plan(situationOf(t, `{"kind":"alocasia-macrorrhizos","causes":[],"wish":"part","on":"2026-11-15",
			"answers":{"limp":`+limp+`,"moist":"dry","growths":6,"liveRoots":18},"place":{"warmthC":20}}`))
		require.NoError(t, err)
		for _, x := range p.Sittings {
			if slices.ContainsFunc(x.Steps, func(s treatment.Step) bool { return s.Op == treatment.PartIt }) {
				assert.Contains(t, x.Held, "season", limp)
			}
		}
	}
}

// Pieces of a limp plant root badly: it is asked again in two weeks; what stands firm, or has no live root left,
// gives them today.
func TestNoPiecesOfALimpPlant(t *testing.T) {
	for answers, taken := range map[string]bool{
		`"limp":true,"liveRoots":18`: false, `"limp":false,"liveRoots":18`: true, `"limp":true,"liveRoots":0`: true,
	} {
		of := `{"kind":"rhipsalis-baccifera","causes":[],"wish":"propagate","on":"2026-03-15","answers":{"moist":"right",` +
			answers + `},"place":{"warmthC":20}}`
		tips, _ := said(t, of, treatment.TipCut)
		assert.Equal(t, taken, len(tips) > 0, answers)
		assert.Equal(t, !taken, strings.Contains(leftOut(t, of, "propagate"), "hangs limp"), answers)
		looks, days := said(t, of, treatment.Look)
		asked := slices.IndexFunc(looks, func(w string) bool { return strings.Contains(w, "may pieces be taken") })
		assert.Equal(t, !taken, asked >= 0 && days[asked] == 14, answers)
	}
}

// A leaf has no nodes: it is set by its lower end, a tip by its nodes.
func TestALeafIsSetByItsLowerEnd(t *testing.T) {
	for kind, want := range map[string]string{
		"saintpaulia-ionantha": "with their lower ends 2 to 3 cm under", "coleus-scutellarioides": "with 1 or 2 nodes",
	} {
		words, _ := said(t, `{"kind":"`+kind+`","causes":[],"wish":"propagate","on":"2026-06-15","answers":{"moist":"right",
			"liveRoots":18},"place":{"warmthC":22}}`, treatment.PotIn)
		require.NotEmpty(t, words, kind)
		assert.Contains(t, words[0], want, kind)
	}
}

// A change of seat waits until the plant is well: it neither hangs limp nor has a pest or a disease, unless its roots
// are worked on anyway or the carer says so.
func TestAChangeOfSeatWaitsUntilItIsWell(t *testing.T) {
	for _, c := range []struct {
		causes, answers, choices string
		now                      bool
	}{
		{``, `"limp":false`, ``, true},
		{``, `"limp":true`, ``, false},
		{`"fungal-spot"`, `"limp":false`, ``, false},
		{`"scale"`, `"limp":false`, ``, false},
		{`"scale"`, `"limp":false`, `"override":true`, true},
		{`"chlorine"`, `"limp":false`, ``, true},
		{`"root-rot"`, `"limp":true`, ``, true},
	} {
		s := fmt.Sprintf(`{"kind":"rosa-miniature","causes":[%s],"wish":"setup-change","on":"2026-05-15","answers":{%s,
			"moist":"right","liveRoots":9,"deadRoots":3},"choices":{%s},"place":{"warmthC":20}}`, c.causes, c.answers, c.choices)
		works, _ := said(t, s, treatment.Unpot)
		assert.Equal(t, c.now, len(works) > 0, "%+v", c)
		looks, days := said(t, s, treatment.Look)
		all := strings.Join(looks, " ")
		assert.Equal(t, c.now, !strings.Contains(all, "may it change its seat now?"), "%+v", c)
		assert.NotContains(t, all, "reservoir", "its new pot has none")
		if !c.now {
			assert.Contains(t, days, unwellAsksDays)
		}
	}
}

// Pieces of a limp plant are taken when it stands firm, whatever else ails it but its roots; a fresh mix for what lost
// most of its roots goes into a smaller pot.
func TestWishesOfWhatIsLimpOrLostItsRoots(t *testing.T) {
	for cause, now := range map[string]bool{"anthracnose": false, "low-light": false, "root-rot": true} {
		why := leftOut(t, fmt.Sprintf(`{"kind":"epipremnum-aureum","causes":[%q],"wish":"propagate","on":"2026-06-15",
			"answers":{"limp":true,"moist":"right","liveRoots":3,"deadRoots":9},"place":{"warmthC":22}}`, cause),
			string(treatment.Propagate))
		assert.Equal(t, now, !strings.Contains(why, "it hangs limp"), cause)
	}
	for dead, same := range map[int]bool{3: true, 4: false} {
		pots, _ := said(t, fmt.Sprintf(`{"kind":"epipremnum-aureum","causes":["medium-collapsed"],"wish":"refresh",
			"on":"2026-06-15","answers":{"moist":"right","potWidthCm":18,"liveRoots":3,"deadRoots":%d},"place":{"warmthC":22}}`,
			dead), treatment.ReadyPot)
		assert.Equal(t, same, strings.Contains(strings.Join(pots, " "), "pot of 18 cm"), "%d: %s", dead, pots)
	}
}

// An orchid gives a plantlet, and an air plant a pup.
func TestWhatIsTiedOnASlabOfItsOwn(t *testing.T) {
	for kind, piece := range map[string]string{
		"vanda-coerulea": "Tie the plantlet", "tillandsia-xerographica": "Tie the pup",
	} {
		words, _ := said(t, `{"kind":"`+kind+`","wish":"part","on":"2026-06-15","answers":{"moist":"right"},
			"place":{"warmthC":22}}`, treatment.Mount)
		require.NotEmpty(t, words, kind)
		assert.Contains(t, words[0], piece)
	}
}

// What hangs limp, and not for thirst, is not divided: it is asked again when it stands firm. What thirsts drinks,
// and is divided then.
func TestWhatHangsLimpIsNotDivided(t *testing.T) {
	for answers, parted := range map[string]bool{
		`"limp":false,"moist":"right"`: true, `"limp":true,"moist":"right"`: false, `"limp":true,"moist":"bone"`: true,
	} {
		s := `{"kind":"spathiphyllum-wallisii","wish":"part","on":"2026-05-07","answers":{"liveRoots":5,"deadRoots":3,` +
			answers + `},"place":{"warmthC":22}}`
		parts, _ := said(t, s, treatment.PartIt)
		assert.Equal(t, parted, len(parts) > 0, answers)
		assert.Equal(t, !parted, strings.Contains(leftOut(t, s, "part"), "stands firm"), answers)
	}
}

// People and animals come before the plant, its warmth as well.
func TestWhoeverWasBittenComesFirst(t *testing.T) {
	p, err := Plan(situationOf(t, `{"kind":"lilium-hybrid","causes":["root-rot","animal-damage"],"on":"2027-01-02",
		"answers":{"moist":"dry","limp":true,"potWidthCm":20},"place":{"warmthC":31}}`))
	require.NoError(t, err)
	require.NotEmpty(t, p.Sittings)
	assert.Equal(t, treatment.Aid, p.Sittings[0].Steps[0].Op)
	assert.Equal(t, treatment.Temper, p.Sittings[0].Steps[1].Op)
}

// A wish is not hurried by what asks for nothing at the roots: it waits for the last flower, though the plant hangs
// limp; what rots there hurries it.
func TestAWishIsHurriedByWhatAilsItsRootsAlone(t *testing.T) {
	for cause, waits := range map[string]bool{"flowers-over": true, "aphid": true, "root-rot": false} {
		p, err := Plan(situationOf(t, `{"kind":"miltonia-hybrid","causes":["`+cause+`"],"wish":"refresh",
			"on":"2026-12-15","answers":{"limp":true,"moist":"right","newcomerDays":300,"spikes":2,"growths":6},
			"place":{"warmthC":20}}`))
		require.NoError(t, err)
		held := ""
		for _, s := range p.Sittings {
			held += s.Held
		}
		assert.Equal(t, waits, strings.Contains(held, "bloom"), "%s: %s", cause, held)
	}
}
