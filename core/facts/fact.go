package facts

import (
	"encoding/json"
	"fmt"
	"strconv"

	"tendermend/core/day"
)

// Source says where a fact comes from.
type Source uint8

// The sources, from nothing to the surest.
const (
	Unknown  Source = iota // nobody knows
	Usual                  // what its kind or a habit of its trouble usually has
	Derived                // follows from other facts
	Typed                  // somebody said so
	Measured               // counted, weighed or measured
	Done                   // a step that was done made it so
)

var sourceNames = [...]string{"unknown", "usual", "derived", "typed", "measured", "done"}

// String names the source.
func (s Source) String() string { return sourceNames[s] }

// MarshalText writes the name of the source.
func (s Source) MarshalText() ([]byte, error) { return []byte(s.String()), nil }

// UnmarshalText reads the name of a source.
func (s *Source) UnmarshalText(text []byte) error {
	for i, name := range sourceNames {
		if name == string(text) {
			*s = Source(i)
			return nil
		}
	}
	return fmt.Errorf("%q is no source of a fact", text)
}

// Fact is one thing that is known of a plant, or not. A value that is only usual, or
// taken to be on the safe side, stands in Value while Known is false.
type Fact[T any] struct {
	Value T
	Known bool // somebody said, measured or did it, or it follows from what was
	On    day.Day
	From  Source
}

// Number is a count or a measure.
type Number = Fact[float64]

// Yes is an answer of yes or no.
type Yes = Fact[bool]

// Said is a fact that somebody typed, with no day of its own.
func Said[T any](v T) Fact[T] { return Fact[T]{Value: v, Known: true, From: Typed} }

// Seen is a fact of a day, from a source that knows.
func Seen[T any](v T, on day.Day, from Source) Fact[T] { return Fact[T]{v, true, on, from} }

// Taken is a value that nobody said: the kind's usual one, or the cautious one.
func Taken[T any](v T) Fact[T] { return Fact[T]{Value: v, From: Usual} }

// Or gives the value where it is known, otherwise another.
func (f Fact[T]) Or(other T) T {
	if f.Known {
		return f.Value
	}
	return other
}

// IsZero says whether nothing is known and nothing was taken in its place.
func (f Fact[T]) IsZero() bool { return f.From == Unknown && !f.Known }

// MarshalJSON writes the bare value, null where it is not known: that is how
// situations are written by hand. What a screen shows of a fact is its Row.
func (f Fact[T]) MarshalJSON() ([]byte, error) {
	if !f.Known {
		return []byte("null"), nil
	}
	return json.Marshal(f.Value)
}

// UnmarshalJSON reads a bare value. A number is read from a number, from a word
// such as "none", and from true or false; an answer from true, false and words.
func (f *Fact[T]) UnmarshalJSON(raw []byte) error {
	*f = Fact[T]{}
	var said any
	if err := json.Unmarshal(raw, &said); err != nil {
		return err
	}
	if said == nil || said == "" {
		return nil
	}
	var err error
	switch to := any(&f.Value).(type) {
	case *float64:
		*to, err = readNumber(said)
	case *bool:
		*to, err = readAnswer(said)
	default:
		err = json.Unmarshal(raw, &f.Value)
	}
	if err != nil {
		return err
	}
	f.Known, f.From = true, Typed
	return nil
}

// JSONType describes a fact to those who write one.
func (f Fact[T]) JSONType() string {
	switch any(f.Value).(type) {
	case float64:
		return "number"
	case bool:
		return "boolean"
	}
	return "string"
}

func readNumber(said any) (float64, error) {
	switch v := said.(type) {
	case float64:
		return v, nil
	case bool:
		if v {
			return 1, nil
		}
		return 0, nil
	case string:
		switch v {
		case "none", "no":
			return 0, nil
		case "yes":
			return 1, nil
		}
		n, err := strconv.ParseFloat(v, 64)
		if err != nil {
			return 0, fmt.Errorf("%q is not a number", v)
		}
		return n, nil
	}
	return 0, fmt.Errorf("%v is not a number", said)
}

func readAnswer(said any) (bool, error) {
	switch v := said.(type) {
	case bool:
		return v, nil
	case float64:
		return v != 0, nil
	case string:
		return v != "no" && v != "none" && v != "firm", nil
	}
	return false, fmt.Errorf("%v is neither yes nor no", said)
}
