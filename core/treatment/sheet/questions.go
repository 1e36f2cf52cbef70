package sheet

import (
	"encoding/json"
	"slices"
	"sync"

	"tendermend/core/facts"
	"tendermend/core/treatment"
	"tendermend/core/treatment/compose"
)

// MostQuestions is how many questions are asked before a plan at most: more are not
// answered well (our own ruling).
const MostQuestions = 5

// Question is something that nobody said and that would change this plan.
type Question struct {
	ID      string           `json:"id"`
	Ask     string           `json:"ask"`
	How     string           `json:"how" doc:"How to find out."`
	Taken   string           `json:"taken" doc:"What is taken where nobody knows: the cautious value, in words."`
	Answers []QuestionAnswer `json:"answers"`
}

// QuestionAnswer is one answer to a question, with what it fills in.
type QuestionAnswer struct {
	ID    string  `json:"id"`
	Label string  `json:"label"`
	Says  Answers `json:"says"`
}

// asked is a question with when it is asked, and what is taken without an answer.
type asked struct {
	id, ask, how string
	known        func(facts.Facts) bool
	fits         func(treatment.Situation) bool
	taken        func(treatment.Situation) string
	answers      []QuestionAnswer
}

func of[T any](v T) *T { return &v }

// QuestionsFor lists what to ask before this plan is made, the most telling first: what
// nobody said, what was not answered with “don't know”, and what changes the plan.
func QuestionsFor(s treatment.Situation, a Answers) []Question {
	a.fill(&s)
	base := made(s)
	list := []Question{}
	for _, q := range questions {
		if len(list) == MostQuestions {
			break
		}
		if q.known(s.Facts) || slices.Contains(a.Unknown, q.id) || q.fits != nil && !q.fits(s) || !q.changes(s, base) {
			continue
		}
		list = append(list, Question{q.id, q.ask, q.how, q.taken(s), q.answers})
	}
	return list
}

// changes says whether one of its answers makes another plan.
func (q asked) changes(s treatment.Situation, base string) bool {
	different := make([]bool, len(q.answers))
	var wg sync.WaitGroup
	for i, answer := range q.answers {
		wg.Go(func() {
			other := s
			answer.Says.Tell(&other.Facts, s.On)
			different[i] = made(other) != base
		})
	}
	wg.Wait()
	return slices.Contains(different, true)
}

// made is what a plan does, so that two can be compared.
func made(s treatment.Situation) string {
	p, err := compose.Plan(s)
	if err != nil {
		return err.Error()
	}
	raw, err := json.Marshal(p.Sittings)
	if err != nil {
		return err.Error()
	}
	return string(raw)
}

// takenFor lists the questions that nobody could answer, with what was taken in their
// place.
func takenFor(s treatment.Situation, a Answers) (list []Rule) {
	for _, q := range questions {
		if slices.Contains(a.Unknown, q.id) && !q.known(s.Facts) {
			list = append(list, Rule{ID: "taken-" + q.id, What: "Not known: " + q.ask, Why: "Taken: " + q.taken(s) + "."})
		}
	}
	return list
}
