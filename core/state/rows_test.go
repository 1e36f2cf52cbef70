package state

import (
	"fmt"
	"reflect"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/treatment"
)

// ailing is a plant on day 0 about which everything is so that could be changed.
func ailing(t *testing.T, habit string, causes ...cause.ID) (Plant, Nature) {
	t.Helper()
	s := treatment.Situation{Habit: habit, Causes: causes}
	n, known := NatureOf(s)
	require.True(t, known)
	n.Share, n.Keep, n.RootDry, n.StemDry = 0.5, Leaves|Crown|Joints, [2]int{1, 3}, [2]int{2, 5}
	p := Begin(s)
	p.Seat, p.Moist, p.Standing, p.Plug, p.Rot, p.Limp, p.Thirsty = facts.InPot, facts.Dry, true, true, true, true, true
	p.Cover, p.CoveredOn, p.Sun, p.Film, p.Apart = facts.OpenCover, 0, true, treatment.Soap, true
	p.Light, p.WarmthC = treatment.N(0.5), treatment.N(20)
	p.Laid, p.Ready = &treatment.Params{PotWidthCM: treatment.N(12)}, 0
	return p, n
}

// changed says which fields differ, with what they are after.
func changed(a, b Plant) string {
	var list []string
	x, y := reflect.ValueOf(a), reflect.ValueOf(b)
	for i := range x.NumField() {
		name := x.Type().Field(i).Name
		if before, after := x.Field(i).Interface(), y.Field(i).Interface(); !reflect.DeepEqual(before, after) {
			switch after := after.(type) {
			case treatment.Number:
				list = append(list, fmt.Sprintf("%s %g", name, after.Value))
			case *treatment.Params:
				list = append(list, fmt.Sprintf("%s %t", name, after != nil))
			case []Wound:
				list = append(list, fmt.Sprintf("%s %s open %t wetted %t", name, after[0].Organ, after[0].Open, after[0].Wetted))
			case int:
				list = append(list, name+" "+map[bool]string{true: "never", false: fmt.Sprint(after)}[after == Never])
			default:
				list = append(list, fmt.Sprintf("%s %v", name, after))
			}
		}
	}
	return strings.Join(list, ", ")
}

// What is done to pieces, or to the other part, changes nothing of the plant: not its pot, its cover nor its light.
func TestWhatIsDoneToOthersChangesNothingOfThePlant(t *testing.T) {
	for _, o := range treatment.Operators() {
		for _, of := range []treatment.Target{treatment.ForPieces, treatment.ForPart} {
			p, n := ailing(t, "aroid-vine", cause.RootRot)
			x := treatment.Step{Op: o.ID, Params: treatment.Params{For: of, Share: treatment.N(0.25)}}
			assert.Empty(t, changed(p, p.After(x, Moment{Day: 3}, n)), "%s for %s", o.ID, of)
			_, writes := EffectOf(Done{Step: x, Nature: n})
			assert.False(t, writes, "%s for %s", o.ID, of)
		}
	}
}

// What each operator changes on day 3, in the morning, at a plant about which everything is so that could be changed.
// An operator without a row changes nothing but what is read in it, and the blade where it cuts.
func TestWhatEachOperatorChanges(t *testing.T) {
	told := treatment.Params{Share: treatment.N(0.25), ToC: treatment.N(18), What: CutFree}
	for _, o := range treatment.Operators() {
		p, n := ailing(t, "aroid-vine", cause.RootRot)
		after := p.After(treatment.Step{Op: o.ID, Params: told}, Moment{Day: 3}, n)
		assert.Equal(t, rows[o.ID], changed(p, after), "%s", o.ID)
	}
}

var rows = map[treatment.OperatorID]string{
	treatment.Release:      "Apart false, Free true",
	treatment.CleanBlade:   "Blade clean",
	treatment.ReadyPot:     "Laid true, Ready 3",
	treatment.PreWater:     "Moist right, Limp false, Thirsty false",
	treatment.StripSpikes:  "Blade used",
	treatment.RemoveLeaves: "Blade dirty, Taken [{3 0.25}]",
	treatment.TakeOffset:   "Blade used",
	treatment.Insurance:    "Blade used",
	treatment.Unpot:        "Seat hand, Out true, Standing false, LiftedOn 3",
	treatment.WashOff:      "Medium none, Wet 6, WetOn 3",
	treatment.RemovePlug:   "Plug false",
	treatment.ClearMoss:    "Cleared true, Wet 6, WetOn 3",
	treatment.TrimDead:     "Blade dirty, Rot false, Wounds roots open true wetted true, LostOn 3",
	treatment.CutRot:       "Blade dirty, Rot false, Wounds stem open true wetted true",
	treatment.PickCrown:    "Rot false",
	treatment.PartIt:       "Blade used, Wounds rhizome open true wetted true",
	treatment.Callus:       "Seat tray",
	treatment.Peroxide:     "Wet 2, WetOn 3",
	treatment.LabelDrug:    "Film label-drug, TreatedOn 3",
	treatment.PotIn:        "Laid false, Ready never, SetOn 3",
	treatment.PotUp:        "Laid false, Ready never, SetOn 3",
	treatment.RootPrune:    "Blade used, Laid false, Ready never, Wounds roots open true wetted true, SetOn 3",
	treatment.WrapMoss:     "Laid false, Ready never, Medium moss, SetOn 3",
	treatment.Hang:         "Laid false, Ready never, Seat hung, Medium none, SetOn 3",
	treatment.Mount:        "Laid false, Ready never, Seat mount, Medium none, SetOn 3",
	treatment.SetCup:       "Laid false, Ready never, Seat cup, Medium water, SetOn 3",
	treatment.SetDish:      "Seat dish",
	treatment.SetReservoir: "Laid false, Ready never, Seat reservoir, Medium stones, SetOn 3",
	treatment.FirstWater:   "Moist right, Limp false, Thirsty false, SoakedOn 3, WateredOn 3",
	treatment.Soak:         "Moist right, Limp false, Thirsty false, DippedOn 3, SoakedOn 3, WateredOn 3",
	treatment.BottomWater:  "Moist right, Limp false, Thirsty false, SoakedOn 3, WateredOn 3",
	treatment.WetRoots:     "Moist right",
	treatment.ChangeWater:  "Moist right",
	treatment.Mist:         "Wet 1, WetOn 3",
	treatment.Flush:        "Moist right, Limp false, Thirsty false, SoakedOn 3, WateredOn 3",
	treatment.HoldWater:    "NoWater true",
	treatment.ByRule:       "Moist right, Limp false, Thirsty false, SoakedOn 3, WateredOn 3",
	treatment.DrainSaucer:  "Standing false",
	treatment.CoverIt:      "Cover closed",
	treatment.Wean:         "Cover none, CoveredOn never",
	treatment.ShadeIt:      "Sun false, Light 0.25, ShadedOn 3",
	treatment.Brighten:     "Light 0.75",
	treatment.Temper:       "WarmthC 18",
	treatment.HoldFeed:     "NoFeed true",
	treatment.WashDown:     "Wet 7, WetOn 3",
	treatment.Soap:         "Wet 7, WetOn 3, TreatedOn 3",
	treatment.Oil:          "Wet 7, Film oil, WetOn 3, TreatedOn 3",
	treatment.RinseOff:     "Wet 7, Film , WetOn 3",
	treatment.Alcohol:      "Film alcohol, TreatedOn 3",
	treatment.Scrape:       "TreatedOn 3",
	treatment.Earth:        "Film earth, DustedOn 3",
	treatment.Systemic:     "Film systemic, TreatedOn 3",
	treatment.Predators:    "PredatorsOn 3, TreatedOn 3",
	treatment.HotDip:       "Wet 7, WetOn 3, TreatedOn 3",
	treatment.TipCut:       "Blade used",
	treatment.NodeBox:      "Blade used",
	treatment.LeafCut:      "Blade used",
	treatment.Layer:        "Blade used",
	treatment.Behead:       "Blade dirty, Rot false, Wounds stem open true wetted true",
	treatment.Harden:       "Cover none, CoveredOn never",
	treatment.TrimBranch:   "Blade used, Wounds stem open true wetted false",
	treatment.Discard:      "Seat bin",
}
