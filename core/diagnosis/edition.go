package diagnosis

import (
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"fmt"
	"io/fs"

	"tendermend/core/plant"
)

// Edition is the state of the tables by which something was judged.
type Edition struct {
	Version string `json:"version"`
	Hash    string `json:"hash" doc:"SHA-256 of all tables: the same hash, the same answers."`
	Learned bool   `json:"learned,omitempty" doc:"Whether what the collection's own cases taught was switched on."`
}

// String names the edition as it is kept with a diagnosis.
func (e Edition) String() string {
	if e.Learned {
		return e.Version + "+learned"
	}
	return e.Version
}

// hash goes over every table as it is written down.
func (k *Knowledge) hash() string {
	sum := sha256.New()
	err := fs.WalkDir(tables, "tables", func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || d.Name() == "sign_pictures.csv" {
			return err // pictures change no answer
		}
		raw, err := tables.ReadFile(path)
		_, _ = sum.Write(raw)
		return err
	})
	if err != nil {
		panic(fmt.Sprintf("hashing the tables: %v", err)) // they are part of the program
	}
	for _, table := range []any{k.causes, grades, good, lethal} {
		raw, err := json.Marshal(table)
		if err != nil {
			panic(fmt.Sprintf("hashing the tables: %v", err)) // they are plain values
		}
		_, _ = sum.Write(raw)
	}
	for _, c := range k.causes {
		fmt.Fprint(sum, c.parts, c.firstMove, c.mild)
		for _, h := range plant.Habits() {
			fmt.Fprint(sum, c.fits(h.ID))
		}
	}
	return hex.EncodeToString(sum.Sum(nil))
}
