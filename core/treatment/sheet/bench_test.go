package sheet_test

import (
	"testing"

	"tendermend/core/cause"
	"tendermend/core/treatment/sheet"
)

// The questions of a plan, as a preview asks for them.
func BenchmarkQuestions(b *testing.B) {
	s := situation("phalaenopsis-hybrid", cause.RootRot, cause.Mealybug)
	for b.Loop() {
		sheet.QuestionsFor(s, sheet.Answers{})
	}
}

// A plan with its check and its sheet.
func BenchmarkOf(b *testing.B) {
	s := situation("phalaenopsis-hybrid", cause.RootRot, cause.Mealybug)
	for b.Loop() {
		if _, err := sheet.Of(s, sheet.Answers{}); err != nil {
			b.Fatal(err)
		}
	}
}
