package exchange

import (
	"encoding/csv"
	"fmt"
	"io"
	"strconv"
	"strings"
	"time"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/record"
)

// registerColumns are those of the register. The first ones can be read in to
// take plants in; the last ones tell where a plant stands and are not read.
var registerColumns = []string{
	"id",
	"label",
	"name",
	"kind",
	"habit",
	"place",
	"arrived",
	"from",
	"price",
	"packing",
	"pot_width_cm",
	"pot_depth_cm",
	"medium",
	"leaves",
	"growths",
	"isolated",
	"note",
	"had",
	"botanical",
	"standing",
	"stage",
	"isolation",
	"causes",
	"last_look",
	"ended",
}

// Registered is one row of the register.
type Registered struct {
	ID        uuid.UUID
	On        day.Day
	Arrival   record.Arrived
	PlaceName string
	Botanical string
	Standing  string
	Stage     string
	Isolation string
	Causes    []string
	LastLook  day.Day
	Ended     *day.Day
}

// WriteRegister writes the register as CSV.
func WriteRegister(w io.Writer, list []Registered) error {
	out := csv.NewWriter(w)
	if err := out.Write(registerColumns); err != nil {
		return err
	}
	number := func(v *float64) string {
		if v == nil {
			return ""
		}
		return strconv.FormatFloat(*v, 'f', -1, 64)
	}
	whole := func(v *int) string {
		if v == nil {
			return ""
		}
		return strconv.Itoa(*v)
	}
	for _, r := range list {
		ended := ""
		if r.Ended != nil {
			ended = r.Ended.String()
		}
		a := r.Arrival
		err := out.Write(
			[]string{
				r.ID.String(),
				guard(a.Label),
				guard(a.Name),
				a.Profile,
				a.Habit,
				guard(r.PlaceName),
				r.On.String(),
				guard(a.From),
				number(a.Price),
				string(a.Packing),
				number(a.PotWidthCM),
				number(a.PotDepthCM),
				guard(a.Medium),
				whole(a.Leaves),
				whole(a.Growths),
				strconv.FormatBool(a.Isolated),
				guard(a.Note),
				string(a.Had),
				guard(r.Botanical),
				r.Standing,
				r.Stage,
				r.Isolation,
				strings.Join(r.Causes, " "),
				r.LastLook.String(),
				ended,
			},
		)
		if err != nil {
			return err
		}
	}
	out.Flush()
	return out.Error()
}

// space makes the ids of plants that come without one from what their row says,
// so that reading a table twice takes nobody in twice.
var space = uuid.NewSHA1(uuid.NameSpaceURL, []byte("tender-mend register"))

// ReadRegister reads a register as arrivals: a table with at least a name and a
// growth habit in each row. A row without a day is
// taken in on the given one; how long it has been had is then unknown.
func ReadRegister(raw []byte, today day.Day) (plants []Plant, places []Place, err error) {
	list, err := rows(raw, []string{"name", "habit"})
	if err != nil {
		return nil, nil, err
	}
	placeID := map[string]uuid.UUID{}
	for n, row := range list {
		a, on, err := arrivalOf(row, n+2, today)
		if err != nil {
			return nil, nil, err
		}
		if name := strings.TrimSpace(row["place"]); name != "" {
			at, known := placeID[strings.ToLower(name)]
			if !known {
				at = uuid.NewSHA1(space, []byte("place "+strings.ToLower(name)))
				placeID[strings.ToLower(name)] = at
				places = append(places, Place{ID: at, Name: name})
			}
			a.Place = &at
		}
		id := uuid.NewSHA1(space, []byte(strings.Join(
			[]string{row["label"], row["name"], row["habit"], row["arrived"], row["from"]}, "\x00")))
		if row["id"] != "" {
			if id, err = uuid.Parse(row["id"]); err != nil {
				return nil, nil, inRow(n+2, "id", "leave it empty, or give the id that the register wrote")
			}
		}
		e := record.Entry{
			ID:         uuid.NewSHA1(id, []byte("arrival")),
			PlantID:    id,
			On:         on,
			RecordedAt: time.Time{},
			Body:       record.Body{Arrived: &a},
		}
		plants = append(plants, Plant{ID: id, Name: a.Name, KindName: row["botanical"], Entries: []record.Entry{e}})
	}
	return plants, places, nil
}

func inRow(n int, column, wanted string) error {
	return fmt.Errorf("row %d, column “%s”: %s", n, column, wanted)
}

// arrivalOf reads the arrival in the n-th row of a register, and its day.
func arrivalOf(row map[string]string, n int, today day.Day) (a record.Arrived, on day.Day, err error) {
	a = record.Arrived{
		Label:    row["label"],
		Name:     row["name"],
		Profile:  row["kind"],
		Habit:    row["habit"],
		From:     row["from"],
		Packing:  record.Packing(row["packing"]),
		Medium:   row["medium"],
		Note:     row["note"],
		Had:      record.Had(row["had"]),
		Isolated: row["isolated"] == "true" || row["isolated"] == "yes",
	}
	on = today
	if row["arrived"] == "" && a.Had == "" {
		a.Had = record.HadUnknown // taken in today, and nobody says since when it is had
	}
	if row["arrived"] != "" {
		if on, err = day.Parse(row["arrived"]); err != nil {
			return a, on, inRow(n, "arrived", "write the day as 2026-11-24")
		}
	}
	for column, to := range map[string]**float64{"price": &a.Price, "pot_width_cm": &a.PotWidthCM,
		"pot_depth_cm": &a.PotDepthCM} {
		if row[column] != "" {
			v, err := strconv.ParseFloat(row[column], 64)
			if err != nil {
				return a, on, inRow(n, column, "write a number with a point, as 12.5")
			}
			*to = &v
		}
	}
	for column, to := range map[string]**int{"leaves": &a.Leaves, "growths": &a.Growths} {
		if row[column] != "" {
			v, err := strconv.Atoi(row[column])
			if err != nil {
				return a, on, inRow(n, column, "write a whole number")
			}
			*to = &v
		}
	}
	return a, on, nil
}
