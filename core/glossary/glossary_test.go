package glossary

import (
	"sort"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
)

func TestWordsAreSortedAndSayWhatTheyMean(t *testing.T) {
	list := Words()
	assert.GreaterOrEqual(t, len(list), 80)
	assert.True(t, sort.SliceIsSorted(list, func(a, b int) bool {
		return strings.ToLower(list[a].Term) < strings.ToLower(list[b].Term)
	}))
	for i, w := range list {
		assert.True(t, strings.HasSuffix(w.Meaning, "."), w.Term)
		assert.NotContains(t, strings.ToLower(w.Meaning), "is a "+strings.ToLower(w.Term), "it does not explain itself")
		assert.False(t, i > 0 && strings.EqualFold(list[i-1].Term, w.Term), w.Term)
	}
	list[0].Term = "changed"
	assert.NotEqual(t, "changed", Words()[0].Term, "copies are handed out")
}
