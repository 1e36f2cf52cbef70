package sheet

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/water"
)

// ruleOn says the water rule of the plant of a situation on a day: the same that its
// page and its walk go by.
func ruleOn(s treatment.Situation, on day.Day) string {
	habit, _ := plant.HabitByID(s.HabitID())
	a := water.Asked{Kind: plant.OfHabit(habit), Habit: habit, On: on, South: s.Facts.South}
	if kind, known := s.KindOf(); known {
		a.Kind = kind
	}
	a.Potted = s.Facts.PotWidthCM.Known
	if slices.Contains(s.Causes, cause.Dormancy) || s.Facts.Resting.Value {
		a.Resting = &water.Fact{Is: true, On: s.On, How: "it rests"}
	}
	if s.Facts.Growing.Known {
		a.Growing = &water.Fact{Is: s.Facts.Growing.Value, On: s.On, How: "as it was answered"}
	}
	if s.Facts.Leaves.Known {
		leaves := s.Facts.Leaves.Value > 0
		a.Leaves = &leaves
	}
	if s.Facts.NewRootsCM.Known {
		a.RootsCM = &s.Facts.NewRootsCM.Value
	}
	line := water.LineOn(a)
	if !line.Days {
		return capital(line.Words) + ": " + line.Why + "."
	}
	return capital(line.Words) + "."
}
