// Command asked answers of one plant without a server and without a database: what stands around it and its record go
// in as one value of JSON; how it does, what it is given and what is due come out, and one more entry as it would be
// kept, with its differential or its plan. It is what a browser would run.
//
//	asked < question.json
package main

import (
	"encoding/json"
	"fmt"
	"io"
	"os"
)

func main() {
	if err := answer(os.Stdin, os.Stdout); err != nil {
		fmt.Fprintln(os.Stderr, err)
		os.Exit(1)
	}
}

// answer reads a question and writes its answer.
func answer(in io.Reader, out io.Writer) error {
	var q question
	read := json.NewDecoder(in)
	read.DisallowUnknownFields()
	if err := read.Decode(&q); err != nil {
		return fmt.Errorf("reading the question: %w", err)
	}
	a, err := q.ask()
	if err != nil {
		return err
	}
	write := json.NewEncoder(out)
	write.SetIndent("", "  ")
	return write.Encode(a)
}
