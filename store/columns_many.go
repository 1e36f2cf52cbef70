package store

import (
	"errors"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5/pgtype"

	"tendermend/core/day"
)

// dayTo reads a date column into a day; maybeDayTo into one that may be missing.
type (
	dayTo      struct{ day *day.Day }
	maybeDayTo struct{ day **day.Day }
)

// ofDate is the day of a date, which the driver gives as its midnight in UTC.
func ofDate(v pgtype.Date) day.Day { return day.Day(v.Time.Unix() / 86400) }

// ScanDate takes the date as the driver has it.
func (d dayTo) ScanDate(v pgtype.Date) error {
	if !v.Valid {
		return errors.New("a day is missing that every row has")
	}
	*d.day = ofDate(v)
	return nil
}

// Scan takes it through the standard interface.
func (d dayTo) Scan(src any) error { return d.day.Scan(src) }

// ScanDate takes the date as the driver has it.
func (d maybeDayTo) ScanDate(v pgtype.Date) error {
	if v.Valid {
		on := ofDate(v)
		*d.day = &on
	}
	return nil
}

// Scan takes it through the standard interface.
func (d maybeDayTo) Scan(src any) error {
	if src == nil {
		return nil
	}
	on := new(day.Day)
	*d.day = on
	return on.Scan(src)
}

// idTo reads an id column into an id; maybeIDTo into one that may be missing.
type (
	idTo      struct{ id *uuid.UUID }
	maybeIDTo struct{ id **uuid.UUID }
)

// ScanUUID takes the id as the driver has it.
func (i idTo) ScanUUID(v pgtype.UUID) error {
	if !v.Valid {
		return errors.New("an id is missing that every row has")
	}
	*i.id = v.Bytes
	return nil
}

// Scan takes it through the standard interface.
func (i idTo) Scan(src any) error { return i.id.Scan(src) }

// ScanUUID takes the id as the driver has it.
func (i maybeIDTo) ScanUUID(v pgtype.UUID) error {
	if v.Valid {
		id := uuid.UUID(v.Bytes)
		*i.id = &id
	}
	return nil
}

// Scan takes it through the standard interface.
func (i maybeIDTo) Scan(src any) error {
	if src == nil {
		return nil
	}
	id := new(uuid.UUID)
	*i.id = id
	return id.Scan(src)
}
