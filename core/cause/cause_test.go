package cause_test

import (
	"go/ast"
	"go/parser"
	"go/token"
	"strconv"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/cause"
)

// A cause that is named in the code exists in the table, and the other way round.
func TestEveryCauseHasAConstant(t *testing.T) {
	file, err := parser.ParseFile(token.NewFileSet(), "ids.go", nil, 0)
	require.NoError(t, err)
	var named []string
	ast.Inspect(file, func(n ast.Node) bool {
		if lit, ok := n.(*ast.BasicLit); ok {
			id, err := strconv.Unquote(lit.Value)
			require.NoError(t, err)
			named = append(named, id)
		}
		return true
	})
	var listed []string
	for _, c := range cause.All() {
		listed = append(listed, string(c.ID))
	}
	assert.ElementsMatch(t, listed, named)
}

func TestCausesAreReadWhole(t *testing.T) {
	ways := []cause.Way{cause.ByAir, cause.ByContact, cause.BySoil, cause.ByTools, cause.ByVector, cause.ByWater}
	assert.Len(t, cause.All(), 92)
	for _, c := range cause.All() {
		found, ok := cause.ByID(c.ID)
		assert.True(t, ok, c.ID)
		assert.Equal(t, c, found)
		assert.NotEmpty(t, c.Label, c.ID)
		assert.NotEmpty(t, c.Kind, c.ID)
		assert.Subset(t, ways, c.Spreads, c.ID)
	}
	_, ok := cause.ByID("gout")
	assert.False(t, ok)
}
