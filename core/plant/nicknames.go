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
	rows, err := csv.NewReader(strings.NewReader(nicknamesCSV)).ReadAll()
	if err != nil {
		panic(fmt.Errorf("short names: %w", err))
	}
	list := map[string][]Profile{}
	for _, row := range rows[1:] {
		name := strings.Join(wordsOf(row[0]), " ")
		for _, id := range strings.Split(row[1], ";") {
			p, known := profileByID[id]
			if !known {
				panic(fmt.Errorf("short names: there is no kind %q", id))
			}
			list[name] = append(list[name], p)
		}
	}
	return list
})
