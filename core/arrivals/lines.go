// Package arrivals reads what comes in together: a box of plants written down in lines, the
// labels that they get, and what each cost.
package arrivals

import (
	"fmt"
	"regexp"
	"strconv"
	"strings"

	"tendermend/core/everyday"
	"tendermend/core/plant"
	"tendermend/core/working"
)

// MostPlants is how many plants one box holds.
const MostPlants = 200

// Plant is one plant of a box, as its line says it.
type Plant struct {
	Line  int    `json:"line" doc:"Its line, from 1."`
	Name  string `json:"name"`
	Label string `json:"label"`
	// Again is set where another plant that is or was here, or one before it in the box, has the label.
	Again bool `json:"again,omitempty" doc:"Its label is one of a plant that is or was here, or of one before it."`
	// Kinds may be meant, likeliest first; the first is taken until another is chosen.
	Kinds   []string        `json:"kinds" doc:"Ids of the kinds that may be meant, likeliest first."`
	Habit   string          `json:"habit" doc:"How the first of them grows; empty where no kind was found."`
	Price   *float64        `json:"price,omitempty" doc:"Its part of the price of the box."`
	Present []everyday.Seen `json:"present" doc:"Signs that its line names."`
	Absent  []string        `json:"absent" doc:"Signs that its line says are not there."`
}

// longestName leaves room for a number behind a name.
const longestName = 110

// Problem is a line that could not be read.
type Problem struct {
	Line int    `json:"line"`
	Why  string `json:"why"`
}

// How many of a line: "3 x Hoya", "3 Hoya", "Hoya x 3", "Hoya (3)".
var (
	countBefore = regexp.MustCompile(`^\s*(\d{1,4})\s*(?:[x×*]|pcs?\.?|pieces?)?\s+(.+)$`)
	countAfter  = regexp.MustCompile(`^(.+?)\s*(?:[x×*]\s*(\d{1,4})|\((\d{1,4})\))\s*$`)
	// nameEnd is where the name ends and what it has begins.
	nameEnd = regexp.MustCompile(`\s*[,;:\t]\s*|\s+[-–]\s+`)
)

// Read reads a list: one kind, name or plant a line, how many, and what each has. What a
// line leaves open stays open; a line that cannot be is a problem, and the others are read.
func Read(text string, kinds plant.Kinds) (plants []Plant, problems []Problem) {
	plants, problems = []Plant{}, []Problem{}
	names := kinds.Names()
	for i, line := range strings.Split(strings.ReplaceAll(text, "\r\n", "\n"), "\n") {
		if strings.TrimSpace(line) == "" {
			continue
		}
		n, head, has, err := parts(line)
		if err == nil && len(plants)+n > MostPlants {
			err = fmt.Errorf("a box holds %s at most; take the rest in as another", working.Count(MostPlants, "plant"))
		}
		if err != nil {
			problems = append(problems, Problem{i + 1, err.Error()})
			continue
		}
		one := Plant{Line: i + 1, Name: head, Kinds: []string{}, Present: []everyday.Seen{}, Absent: []string{}}
		for _, k := range names.Called(head) {
			one.Kinds = append(one.Kinds, k.ID)
		}
		read := everyday.Read(head+", "+has, kinds)
		if len(one.Kinds) == 0 {
			one.Kinds = read.Kind
		}
		if has != "" {
			one.Present, one.Absent = read.Present, read.Absent
		}
		if len(one.Kinds) > 0 {
			if k, known := kinds.ByID(one.Kinds[0]); known {
				one.Habit = k.Habit
			}
		}
		for k := range n {
			each := one
			if n > 1 {
				each.Name = fmt.Sprintf("%s %d", head, k+1)
			}
			plants = append(plants, each)
		}
	}
	return plants, problems
}

// parts takes a line apart: how many, what it is called, and what it has.
func parts(line string) (n int, head, has string, err error) {
	n, head = 1, strings.TrimSpace(line)
	number := ""
	if m := countBefore.FindStringSubmatch(head); m != nil {
		number, head = m[1], m[2]
	}
	if at := nameEnd.FindStringIndex(head); at != nil {
		head, has = head[:at[0]], strings.TrimSpace(head[at[1]:])
	}
	if m := countAfter.FindStringSubmatch(head); m != nil && number == "" {
		number, head = m[2]+m[3], m[1]
	}
	if head = strings.TrimSpace(head); head == "" {
		return 0, "", "", fmt.Errorf("say what it is: a name, or a kind by any name")
	}
	if len([]rune(head)) > longestName {
		const said = "keep its name to %s; what it has comes after a comma"
		return 0, "", "", fmt.Errorf(said, working.Count(longestName, "letter"))
	}
	if number != "" {
		if n, err = strconv.Atoi(number); err != nil || n < 1 {
			return 0, "", "", fmt.Errorf("give how many as a number from 1 to %d", MostPlants)
		}
	}
	return n, head, has, nil
}
