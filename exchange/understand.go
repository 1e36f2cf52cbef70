package exchange

import (
	"bytes"

	"tendermend/core/day"
)

// Understand reads whatever of the open formats a file is in: an archive, a
// table of entries, or a register, whose rows without a day came today.
func Understand(raw []byte, today day.Day) (Archive, error) {
	text := bytes.TrimSpace(bytes.TrimPrefix(raw, []byte("\ufeff")))
	if len(text) == 0 {
		return Archive{}, ErrNotOurs
	}
	if text[0] == '{' {
		return Read(text)
	}
	head, _, _ := bytes.Cut(text, []byte("\n"))
	a := Archive{Format: Format, Written: today}
	var err error
	if bytes.Contains(head, []byte("recorded_at")) {
		a.Plants, a.Places, err = ReadEntries(text)
	} else {
		a.Plants, a.Places, err = ReadRegister(text, today)
	}
	return a, err
}
