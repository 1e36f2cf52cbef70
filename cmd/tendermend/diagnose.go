package main

import (
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"os"

	"tendermend/core/diagnosis"
)

// diagnose reads one examination or a list of them and prints what follows,
// all or nothing.
func diagnose(in io.Reader, out io.Writer) error {
	cases, array, err := diagnosis.ReadCases(in)
	if err != nil {
		return badInput{err}
	}
	results := make([]diagnosis.Result, len(cases))
	for i, c := range cases {
		if results[i], err = diagnosis.Diagnose(c.Examination); err != nil {
			return badInput{err}
		}
	}
	e := json.NewEncoder(out)
	if array {
		return e.Encode(results)
	}
	return e.Encode(results[0])
}

// caseSchema prints the JSON Schema of the files that diagnose and cases read.
func caseSchema(out io.Writer) error {
	e := json.NewEncoder(out)
	e.SetIndent("", "  ")
	return e.Encode(diagnosis.CaseSchema())
}

// scoreCases runs the worked cases of a file and prints how often the
// differential was right.
func scoreCases(args []string, out io.Writer) error {
	if len(args) != 1 {
		return badInput{errors.New("cases takes one file: tendermend cases FILE")}
	}
	f, err := os.Open(args[0])
	if err != nil {
		return badInput{err}
	}
	defer f.Close()
	cases, _, err := diagnosis.ReadCases(f)
	if err != nil {
		return badInput{fmt.Errorf("%s: %w", args[0], err)}
	}
	score, err := diagnosis.Standard().ScoreCases(cases)
	if err != nil {
		return badInput{fmt.Errorf("%s: %w", args[0], err)}
	}
	return score.Print(out)
}
