package diagnosis

import (
	"maps"
	"slices"
	"sort"

	"tendermend/core/climate"
	"tendermend/core/plant"
)

// CaseSchema gives the JSON Schema (2020-12) of a case file: one case, or a list
// of them. It names every id, so that any validator finds an unknown one.
func CaseSchema() map[string]any {
	text := func(doc string) map[string]any { return map[string]any{"type": "string", "description": doc} }
	list := func(doc string, of map[string]any) map[string]any {
		return map[string]any{"type": "array", "uniqueItems": true, "items": of, "description": doc}
	}
	ref := func(name string) map[string]any { return map[string]any{"$ref": "#/$defs/" + name} }
	signIDs, causeIDs, habitIDs := schemaIDs()
	traits := slices.Sorted(maps.Keys(plant.TraitWords()))
	return map[string]any{
		"$schema": "https://json-schema.org/draft/2020-12/schema",
		"title":   "Tender Mend case file",
		"description": "One examination of a plant, or a list of them: what was seen, what was looked for and not " +
			"there, and the causes where they are known.",
		"oneOf": []any{ref("case"), map[string]any{"type": "array", "items": ref("case")}},
		"$defs": map[string]any{
			"sign": map[string]any{"enum": signIDs},
			"answer": map[string]any{
				"description": "The id of a sign; an object where one only thinks so, has looked twice, or says how much of it " +
					"there is.",
				"oneOf": []any{ref("sign"), map[string]any{
					"type":                 "object",
					"additionalProperties": false,
					"required":             []string{"sign"},
					"properties": map[string]any{
						"sign":   ref("sign"),
						"sure":   map[string]any{"type": "boolean", "description": "False where one only thinks so."},
						"again":  map[string]any{"type": "boolean", "description": "True where it was seen at a second look too."},
						"degree": map[string]any{"enum": []Degree{Few, Some, Many, Mild, Clear, Strong}},
					},
				}},
			},
			"cause": map[string]any{"enum": causeIDs},
			"case": map[string]any{
				"type":                 "object",
				"additionalProperties": false,
				"required":             []string{"habit"},
				"properties": map[string]any{
					"id":    text("A name for the case."),
					"story": text("What happened, in words."),
					"habit": map[string]any{"enum": habitIDs, "description": "How the plant grows."},
					"season": map[string]any{
						"enum":        climate.Seasons(),
						"description": "The season of the look, where it was.",
					},
					"present": list("Signs seen.", ref("answer")),
					"absent": list(
						"Signs looked for and not there. A sign in neither list was not looked for.",
						ref("answer"),
					),
					"unknown": list("Signs that were asked and that nobody could answer.", ref("sign")),
					"traits":  list("Properties of its kind that rule out some moves.", map[string]any{"enum": traits}),
					"causes":  list("What it was, the main cause first; none where it was nothing on the list.", ref("cause")),
					"outside": map[string]any{
						"type":        "boolean",
						"description": "Whether what ails it is on no list.",
					},
					"basis": text("How the causes are known."),
				},
			},
		},
	}
}

// schemaIDs are the ids that a case file may name, sorted.
func schemaIDs() (signIDs, causeIDs, habitIDs []string) {
	for _, s := range Signs() {
		signIDs = append(signIDs, s.ID)
	}
	for _, c := range Causes() {
		causeIDs = append(causeIDs, c.ID)
	}
	for _, h := range plant.Habits() {
		habitIDs = append(habitIDs, h.ID)
	}
	habitIDs = append(habitIDs, plant.HabitAliases()...)
	for _, ids := range [][]string{signIDs, causeIDs, habitIDs} {
		sort.Strings(ids)
	}
	return signIDs, causeIDs, habitIDs
}
