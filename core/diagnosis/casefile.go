package diagnosis

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"io"

	"tendermend/core/plant"
)

// WorkedCase is an examination, with its causes where they are known, the main
// one first. It is what a case file holds; see CaseSchema.
type WorkedCase struct {
	ID    string
	Story string
	Examination
	// Causes are what it was; none where Known says that nothing on the list was.
	Causes  []string
	Known   bool
	Outside bool // something that is on no list was at work
	Basis   string
}

// ReadCases reads one examination or case, or a JSON array of them. Array says
// which it was. Errors name the place: the line for broken JSON, the case and
// field for an unknown id. An unknown field is an error too, so that a
// misspelt "present" is not taken for an empty look.
func ReadCases(r io.Reader) (cases []WorkedCase, array bool, err error) {
	raw, err := io.ReadAll(r)
	if err != nil {
		return nil, false, fmt.Errorf("reading the input: %w", err)
	}
	raw = bytes.TrimSpace(raw)
	if len(raw) == 0 {
		return nil, false, errors.New("the input is empty: give one examination or a list of them as JSON")
	}
	if array = raw[0] == '['; array {
		err = decodeStrictly(raw, &cases)
	} else {
		cases = make([]WorkedCase, 1)
		err = decodeStrictly(raw, &cases[0])
	}
	if err != nil {
		return nil, array, err
	}
	for i, c := range cases {
		if err := c.check(); err != nil {
			return nil, array, fmt.Errorf("%s%w", c.name(i, array), err)
		}
	}
	return cases, array, nil
}

func (c WorkedCase) check() error {
	if _, err := Standard().Examine(c.Examination); err != nil {
		return err
	}
	if a, b, clash := Contradiction(c.Examination); clash {
		return fmt.Errorf("%q and %q cannot both be true of one look; keep the one you are sure of", a, b)
	}
	for i, trait := range c.Traits {
		if _, ok := plant.TraitWords()[trait]; !ok {
			return fmt.Errorf("traits[%d]: there is no trait %q", i, trait)
		}
	}
	for i, id := range c.Causes {
		if _, ok := CauseByID(id); !ok {
			return fmt.Errorf("causes[%d]: there is no cause %q", i, id)
		}
	}
	return nil
}

func (c WorkedCase) name(i int, array bool) string {
	switch {
	case c.ID != "":
		return fmt.Sprintf("case %s: ", c.ID)
	case array:
		return fmt.Sprintf("case %d: ", i)
	}
	return ""
}

func decodeStrictly(raw []byte, into any) error {
	d := json.NewDecoder(bytes.NewReader(raw))
	d.DisallowUnknownFields()
	err := d.Decode(into)
	at := func(offset int64, err error) error { return atLine{lineOf(raw, offset), err} }
	if err == nil {
		if _, extra := d.Token(); !errors.Is(extra, io.EOF) {
			return at(d.InputOffset(), errors.New("there is more after the end of the JSON value"))
		}
		return nil
	}
	var inner atLine
	if errors.As(err, &inner) { // what stands in it was read alone, and counts its own lines
		return at(d.InputOffset(), inner.err)
	}
	var syntax *json.SyntaxError
	var kind *json.UnmarshalTypeError
	switch {
	case errors.As(err, &syntax):
		return at(syntax.Offset, fmt.Errorf("broken JSON: %w", err))
	case errors.As(err, &kind):
		return at(kind.Offset, fmt.Errorf("%s should be %s, not %s", kind.Field, kind.Type, kind.Value))
	case errors.Is(err, io.ErrUnexpectedEOF):
		return at(int64(len(raw)), errors.New("the JSON ends too early"))
	}
	return at(d.InputOffset(), err)
}

// atLine is something wrong in a file, with the line at which it was found.
type atLine struct {
	line int
	err  error
}

func (a atLine) Error() string { return fmt.Sprintf("line %d: %s", a.line, a.err) }

func (a atLine) Unwrap() error { return a.err }

func lineOf(raw []byte, offset int64) int {
	return 1 + bytes.Count(raw[:min(offset, int64(len(raw)))], []byte("\n"))
}
