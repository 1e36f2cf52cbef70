package exchange

import (
	"bytes"
	"errors"
	"unicode/utf8"

	"golang.org/x/text/encoding/charmap"
	"golang.org/x/text/encoding/unicode"
	"golang.org/x/text/transform"

	"tendermend/core/day"
)

// Understand reads whatever of the open formats a file is in: an archive, a
// table of entries, or a register, whose rows without a day came today.
func Understand(raw []byte, today day.Day) (Archive, error) {
	a, err := understand(raw, today)
	if err != nil {
		return a, err
	}
	return a, refuseNUL(raw, a)
}

func understand(raw []byte, today day.Day) (Archive, error) {
	if bytes.HasPrefix(bytes.TrimSpace(raw), []byte("{")) && !utf8.Valid(raw) {
		return Archive{}, errors.New("this archive is not written in UTF-8; take it out once more, or save it as UTF-8")
	}
	text, err := Text(raw)
	if err != nil {
		return Archive{}, err
	}
	text = bytes.TrimSpace(bytes.TrimPrefix(text, []byte("\ufeff")))
	if len(text) == 0 {
		return Archive{}, ErrNotOurs
	}
	if text[0] == '{' {
		return Read(text)
	}
	head, _, _ := bytes.Cut(text, []byte("\n"))
	a := Archive{Format: Format, Written: today}
	if bytes.Contains(head, []byte("recorded_at")) {
		a.Plants, a.Places, err = ReadEntries(text)
	} else {
		a.Plants, a.Places, err = ReadRegister(text, today)
	}
	return a, err
}

// Text gives a table as UTF-8: spreadsheets also write UTF-16 with its mark,
// and the Latin letters of Windows.
func Text(raw []byte) ([]byte, error) {
	if utf8.Valid(raw) {
		return raw, nil
	}
	text, _, err := transform.Bytes(unicode.BOMOverride(charmap.Windows1252.NewDecoder()), raw)
	if err != nil || bytes.ContainsRune(text, utf8.RuneError) || bytes.IndexByte(text, 0) >= 0 {
		return nil, errors.New("the letters of this table cannot be read; save it as CSV in UTF-8 and send it again")
	}
	return text, nil
}
