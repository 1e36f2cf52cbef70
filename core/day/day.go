// Package day gives calendar days without a clock or a time zone. The record
// counts in days; what day it is today is always told from outside.
package day

import (
	"database/sql/driver"
	"fmt"
	"time"
)

const layout = "2006-01-02"

// Day is a calendar day, counted from 1 January 1970. The zero value is that
// day, so a day that may be missing is a *Day.
type Day int

// Of gives the day in the year, month and day of month of the Gregorian
// calendar; values out of range carry over as in time.Date.
func Of(year int, month time.Month, dayOfMonth int) Day {
	return fromTime(time.Date(year, month, dayOfMonth, 0, 0, 0, 0, time.UTC))
}

// Made is the day of a year, a month from 1 and a day of it; false where the calendar has none.
func Made(year, month, dayOfMonth int) (Day, bool) {
	d := Of(year, time.Month(month), dayOfMonth)
	at := d.Time()
	return d, at.Year() == year && int(at.Month()) == month && at.Day() == dayOfMonth
}

// At gives the calendar day of an instant in that instant's own time zone.
func At(t time.Time) Day { return Of(t.Year(), t.Month(), t.Day()) }

// Parse reads a day written as 2026-11-24.
func Parse(s string) (Day, error) {
	t, err := time.Parse(layout, s)
	if err != nil || t.Year() < 1 { // the calendar of the record knows no year 0
		return 0, fmt.Errorf("%q is not a day written as year-month-day, for example 2026-11-24", s)
	}
	return fromTime(t), nil
}

func fromTime(t time.Time) Day { return Day(t.Unix() / 86400) }

// Time gives midnight UTC of the day.
func (d Day) Time() time.Time { return time.Unix(int64(d)*86400, 0).UTC() }

// Month gives the month of the year.
func (d Day) Month() time.Month { return d.Time().Month() }

// String writes the day as 2026-11-24.
func (d Day) String() string { return d.Time().Format(layout) }

// MarshalText writes the day as 2026-11-24.
func (d Day) MarshalText() ([]byte, error) { return []byte(d.String()), nil }

// UnmarshalText reads a day written as 2026-11-24.
func (d *Day) UnmarshalText(text []byte) (err error) {
	*d, err = Parse(string(text))
	return err
}

// Value stores the day in a date column.
func (d Day) Value() (driver.Value, error) { return d.String(), nil }

// Scan reads the day from a date column.
func (d *Day) Scan(src any) error {
	switch v := src.(type) {
	case time.Time:
		*d = At(v)
		return nil
	case string:
		return d.UnmarshalText([]byte(v))
	}
	return fmt.Errorf("cannot read a day from %T", src)
}

// Words says the day as people do, "15 November 2026".
func (d Day) Words() string { return d.Time().Format("2 January 2006") }
