package server

import (
	"encoding/json"
	"fmt"
	"reflect"

	"github.com/danielgtaylor/huma/v2"

	"tendermend/store"
)

// passed is JSON of a T that goes from a row to the answer unread: a walk of forty
// plants need not take forty seams apart to put them together again.
type passed[T any] struct{ store.Written }

// Schema is that of T.
func (passed[T]) Schema(r huma.Registry) *huma.Schema {
	return r.Schema(reflect.TypeFor[T](), true, "")
}

// asWritten is a value as a row would hold it.
func asWritten[T any](v T) passed[T] {
	raw, err := json.Marshal(v)
	if err != nil {
		panic(
			fmt.Sprintf("a plain value cannot be written as JSON: %v", err),
		) // a fault of the program, not of its data
	}
	return passed[T]{raw}
}
