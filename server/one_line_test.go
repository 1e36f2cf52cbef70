package server_test

import (
	"encoding/json"
	"os"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

// Every text of 200 letters at most that can be sent is one line: the document says so of each, and a control character
// in one is refused at its place in plain words. A note may have lines.
func TestAOneLineFieldIsOneLine(t *testing.T) {
	raw, err := os.ReadFile("../docs/openapi.json")
	require.NoError(t, err)
	var document struct {
		Components struct {
			Schemas map[string]struct {
				Properties map[string]struct {
					MaxLength int
					Pattern   string
				}
			}
		}
	}
	require.NoError(t, json.Unmarshal(raw, &document))
	for of, fields := range map[string]string{
		"Arrived": "name label from box tray medium", "Potted": "medium", "PlaceInputBody": "name light",
		"TripInputBody": "sitter phone", "SupplyInputBody": "name", "AccountInputBody": "name collection",
		"Treated": "product where batch class", "KeptRecipe": "name for", "TakenOut": "name label",
	} {
		for field := range strings.FieldsSeq(fields) {
			p := document.Components.Schemas[of].Properties[field]
			assert.True(t, p.MaxLength > 0 && p.MaxLength <= 200 && p.Pattern != "", "%s.%s", of, field)
		}
	}
	assert.Empty(t, document.Components.Schemas["Arrived"].Properties["note"].Pattern)

	_, url := serve(t, server.Options{})
	c := member(t, url, "one@example.org")
	for _, control := range []string{"\r", "\n", "\t", "\a", "\x1b", "\x7f"} {
		a := c.record(newID(), map[string]any{"on": ago(0), "arrived": map[string]any{
			"name": "Fern" + control, "habit": "fern", "isolated": false}})
		assert.Equal(t, 422, a.status, "%q", control)
		assert.Contains(t, a.raw, "write one line, without control characters")
		assert.Contains(t, a.raw, "body.arrived.name")
	}
	a := c.record(newID(), map[string]any{"on": ago(0), "arrived": map[string]any{
		"name": "Farn Ümläut 蘭 🌿", "habit": "fern", "isolated": false, "note": "Two\nlines"}})
	assert.Equal(t, 200, a.status, a.raw)
}
