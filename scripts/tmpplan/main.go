package main

import (
	"encoding/json"
	"fmt"
	"os"

	"tendermend/core/treatment"
	"tendermend/core/treatment/compose"
)

func main() {
	dec := json.NewDecoder(os.Stdin)
	enc := json.NewEncoder(os.Stdout)
	for dec.More() {
		var s treatment.Situation
		if err := dec.Decode(&s); err != nil {
			fmt.Fprintln(os.Stderr, err)
			os.Exit(2)
		}
		p, err := compose.Plan(s)
		if err != nil {
			enc.Encode(map[string]string{"error": err.Error()})
			continue
		}
		enc.Encode(p)
	}
}
