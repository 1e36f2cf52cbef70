// Package glossary says the words of the trade plainly.
package glossary

import (
	_ "embed"
	"encoding/csv"
	"fmt"
	"slices"
	"strings"
	"sync"
)

// Word is a word of the trade and what it means (common practice, our own words).
type Word struct {
	Term    string `json:"term"`
	Also    string `json:"also,omitempty" doc:"Another name for it."`
	Meaning string `json:"meaning"`
}

//go:embed glossary.csv
var table string

var words = sync.OnceValue(func() []Word {
	rows, err := csv.NewReader(strings.NewReader(table)).ReadAll()
	if err != nil {
		panic(fmt.Sprintf("the glossary cannot be read: %v", err)) // it is part of the program
	}
	list := make([]Word, 0, len(rows)-1)
	for _, r := range rows[1:] {
		list = append(list, Word{r[0], r[1], r[2]})
	}
	return list
})

// Words lists the words by the alphabet.
func Words() []Word { return slices.Clone(words()) }
