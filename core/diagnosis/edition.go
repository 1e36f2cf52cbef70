package diagnosis

import (
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"fmt"
	"sync"
)

// Edition is the state of the tables by which something was judged.
type Edition struct {
	Version string `json:"version"`
	Hash    string `json:"hash" doc:"SHA-256 of all tables: the same hash, the same answers."`
}

// Current gives the edition of the tables of this program. A test binds its
// version to its hash: tables do not change under a version.
var Current = sync.OnceValue(func() Edition {
	sum := sha256.New()
	for _, table := range []any{signs, causes, moves, habitFactors, exclusions, supposes, doable, good, notAtOnce} {
		raw, err := json.Marshal(table)
		if err != nil {
			panic(fmt.Sprintf("hashing the tables: %v", err)) // they are plain values
		}
		_, _ = sum.Write(raw)
	}
	fmt.Fprintf(sum, "%v", links) // maps are written in the order of their keys
	return Edition{Version, hex.EncodeToString(sum.Sum(nil))}
})
