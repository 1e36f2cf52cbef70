package store

import (
	"database/sql/driver"
	"encoding/json"
	"fmt"

	jsonv2 "github.com/go-json-experiment/json"
)

// asJSON keeps a value in a jsonb column.
type asJSON[T any] struct{ V T }

// Value writes the JSON.
func (j asJSON[T]) Value() (driver.Value, error) { return json.Marshal(j.V) }

// Scan reads the JSON, faster than the standard reader: a walk reads it of every plant.
func (j *asJSON[T]) Scan(src any) error {
	switch raw := src.(type) {
	case []byte:
		return jsonv2.Unmarshal(raw, &j.V)
	case string:
		return jsonv2.Unmarshal([]byte(raw), &j.V)
	}
	return fmt.Errorf("cannot read JSON from %T", src)
}

// Written is JSON of a row as it was written. Lists pass it on without reading it.
type Written json.RawMessage

// Scan takes the JSON of a column.
func (w *Written) Scan(src any) error {
	switch raw := src.(type) {
	case []byte:
		*w = append((*w)[:0:0], raw...)
		return nil
	case string:
		*w = Written(raw)
		return nil
	}
	return fmt.Errorf("cannot read JSON from %T", src)
}

// MarshalJSON gives it back as it is.
func (w Written) MarshalJSON() ([]byte, error) { return json.RawMessage(w).MarshalJSON() }

// orNull keeps a value as JSON, or nothing where there is none.
func orNull[T any](v *T) any {
	if v == nil {
		return nil
	}
	return asJSON[*T]{v}
}
