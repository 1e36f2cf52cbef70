package server_test

import (
	"os"
	"regexp"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// A test that the page on security names is there: a page cannot promise what nobody
// checks.
func TestThePageOnSecurityNamesTestsThatExist(t *testing.T) {
	page, err := os.ReadFile("../docs/security.md")
	require.NoError(t, err)
	named := regexp.MustCompile("`(?:([a-z/]+)/)?(Test[A-Za-z0-9]+)`").FindAllStringSubmatch(string(page), -1)
	require.Greater(t, len(named), 50)
	for _, n := range named {
		folder := "server"
		if n[1] != "" {
			folder = n[1]
		}
		tests, err := os.ReadDir("../" + folder)
		require.NoError(t, err, n[0])
		found := false
		for _, f := range tests {
			if strings.HasSuffix(f.Name(), "_test.go") {
				raw, err := os.ReadFile("../" + folder + "/" + f.Name())
				require.NoError(t, err)
				found = found || strings.Contains(string(raw), "func "+n[2]+"(")
			}
		}
		assert.True(t, found, n[0])
	}
}
