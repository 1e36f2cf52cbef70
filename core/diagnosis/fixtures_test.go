package diagnosis

import (
	"fmt"
	"os"
	"slices"
	"testing"

	"github.com/stretchr/testify/require"

	"tendermend/core/plant"
)

func examine(t *testing.T, e Examination) *Case {
	t.Helper()
	c, err := Standard().Examine(e)
	require.NoError(t, err)
	return c
}

func look(habit string, present ...string) Examination {
	return Examination{Habit: habit, Present: present}
}

func (e Examination) without(ids ...string) Examination {
	e.Absent = append(slices.Clone(e.Absent), ids...)
	return e
}

func cases(t *testing.T, name string) []WorkedCase {
	t.Helper()
	list, err := workedCases(name)
	require.NoError(t, err)
	return list
}

func workedCases(name string) ([]WorkedCase, error) {
	f, err := os.Open("testdata/cases_" + name + ".json")
	if err != nil {
		return nil, err
	}
	defer func() { _ = f.Close() }()
	list, array, err := ReadCases(f)
	if err == nil && !array {
		err = fmt.Errorf("%s: a list is wanted", name)
	}
	return list, err
}

// quietLook answers every quiet sign of the six parts as not there.
func quietLook(h plant.Habit) []string {
	c := &Case{habit: h}
	var denied []string
	for _, s := range Signs() {
		if slices.Contains(c.sixParts(), s.Zone) && s.Source == FromLook && !s.Good && Fits(s.ID, h) &&
			s.Disturbance < Unpot {
			denied = append(denied, s.ID)
		}
	}
	return denied
}

// made is a case with chances as they are given, so that a limit can be tried on
// both sides; everything else is as the examination makes it.
func made(t *testing.T, e Examination, chances map[string]float64) *Case {
	t.Helper()
	c := examine(t, e)
	for i, known := range c.k.causes {
		c.chances[i] = chances[known.ID]
	}
	c.ranked, c.checks, c.outside = nil, nil, 0
	c.sets = nil
	left := 1.0
	for id, p := range chances {
		c.sets = append(c.sets, combination{[]int{c.k.causeAt[id]}, p})
		left -= p
	}
	c.sets = append(c.sets, combination{nil, max(0, left)})
	slices.SortFunc(c.sets, func(a, b combination) int {
		if a.share > b.share {
			return -1
		}
		return 1
	})
	c.rank()
	return c
}
