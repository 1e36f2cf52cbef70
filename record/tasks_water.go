package record

import (
	"tendermend/core/climate"
	"tendermend/core/water"
)

// WaterWindow gives the next look window for water; false when none is kept:
// never watered here, or its stage or its rest holds water back.
func (s State) WaterWindow(south bool) (water.Window, bool) {
	for _, c := range s.OpenCases() {
		if _, stage, ok := s.As(c).CurrentStage(); ok && stage.HoldsWater {
			return water.Window{}, false
		}
	}
	if len(s.WateredOn) == 0 {
		return water.Window{}, false
	}
	w, known := water.NextLook(
		s.Habit,
		climate.SeasonOf(s.WateredOn[len(s.WateredOn)-1], south),
		s.WateredOn,
		s.StillMoist,
	)
	if known && s.restsDry() {
		w = s.afterRest(w, south)
	}
	return w, known
}

// restsDry says whether it is kept dry while it rests: a cactus is, whatever its
// kind.
func (s State) restsDry() bool {
	return s.Habit.ID == "cactus" || s.Profile != nil && s.Profile.RestsDry()
}

// afterRest moves a window for water behind a dry rest, where it lies in one or
// reaches into one: a plant that is dry for its rest has missed nothing.
func (s State) afterRest(w water.Window, south bool) water.Window {
	const longest = 370
	for on := w.From; on <= w.Until; on++ {
		if !s.Rests(on, south) {
			continue
		}
		end := on
		for end < on+longest && s.Rests(end, south) {
			end++
		}
		w.From, w.Until = end, end+(w.Until-w.From)
		return w
	}
	return w
}

func (s State) waterTask(south bool) (Task, bool) {
	w, ok := s.WaterWindow(south)
	if !ok {
		return Task{}, false
	}
	why := "Its own record says it dries about now."
	if w.Guess {
		why = "A guess from its habit; its own gaps are not known yet."
	}
	return Task{
		Kind:    TaskWater,
		From:    w.From,
		Until:   w.Until,
		What:    "Feel whether it is dry enough to water",
		Why:     why,
		Minutes: 1,
		Weight:  2,
	}, true
}
