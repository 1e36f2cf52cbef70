package main

import (
	"encoding/json"
	"fmt"
	"io"

	"tendermend/core/everyday"
	"tendermend/core/plant"
)

// each reads a JSON list of texts and prints a list of what is made of each.
func each[T any](of func(string) T) func(io.Reader, io.Writer) error {
	return func(in io.Reader, out io.Writer) error {
		var said []string
		if err := json.NewDecoder(in).Decode(&said); err != nil {
			return badInput{fmt.Errorf("give a JSON list of texts, such as [\"brown tips\"]: %w", err)}
		}
		found := []T{}
		for _, s := range said {
			found = append(found, of(s))
		}
		return json.NewEncoder(out).Encode(found)
	}
}

// findSigns finds the signs that phrases mean.
var findSigns = each(everyday.Signs)

// readSaid reads sentences.
var readSaid = each(func(s string) everyday.Reading { return everyday.Read(s, plant.Kinds{}) })
