package plant

import (
	"encoding/csv"
	"fmt"
	"strings"
	"sync"

	_ "embed"
)

// nicknamesCSV are short names that people say and no table of kinds has, with the kinds that they mean, the
// likeliest first (common practice).
//
//go:embed data/nicknames.csv
var nicknamesCSV string

// nicknames are those kinds by name, folded as names are looked up.
var nicknames = sync.OnceValue(func() map[string][]Profile {
	list := map[string][]Profile{}
	for _, row := range rowsOf(nicknamesCSV) {
		list[strings.Join(wordsOf(row[0]), " ")] = kindsIn(row[1])
	}
	return list
})

// rowsOf are the rows of a table that ships with the program, without its head.
func rowsOf(table string) [][]string {
	rows, err := csv.NewReader(strings.NewReader(table)).ReadAll()
	if err != nil {
		panic(fmt.Errorf("reading a table of kinds: %w", err))
	}
	return rows[1:]
}

// kindsIn are the kinds of a cell of such a table, their ids parted by semicolons.
func kindsIn(cell string) (list []Profile) {
	for _, id := range strings.Split(cell, ";") {
		p, known := profileByID[id]
		if !known {
			panic(fmt.Errorf("a table of kinds: there is no kind %q", id))
		}
		list = append(list, p)
	}
	return list
}
