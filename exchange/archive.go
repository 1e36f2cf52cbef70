// Package exchange writes records out and reads them in, in open formats, so
// that nobody is held by the program: a whole collection or one plant as JSON,
// its entries as CSV, and the register as CSV.
package exchange

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"image"
	_ "image/jpeg" // the one format that is kept
	"io"
	"time"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/place"
	"tendermend/core/plant"
	"tendermend/record"
)

// Format names the JSON format and its version.
const Format = "tender-mend archive 1"

// Archive is a collection, or some plants of it, with all that was recorded.
type Archive struct {
	Format     string  `json:"format" enum:"tender-mend archive 1"`
	Written    day.Day `json:"written"`
	Collection string  `json:"collection" doc:"What the collection is called."`
	// Site is where the collection is, where somebody said so; missing of a plant alone.
	Site     *place.Site `json:"site,omitempty" doc:"Where the collection is, as somebody said."`
	Places   []Place     `json:"places"`
	Kinds    []Kind      `json:"kinds" doc:"Kinds that the collection added."`
	Supplies []Supply    `json:"supplies"`
	// Decided and Trips are of a whole collection; a plant alone takes none along.
	Decided *Decided `json:"decided,omitempty" doc:"What the collection decided for all its plants."`
	Trips   []Trip   `json:"trips,omitempty" doc:"Times away, the last first."`
	// Cases are confirmed cases of other collections that were taken in to learn from.
	Cases  []diagnosis.WorkedCase `json:"cases,omitempty" doc:"Confirmed cases that were taken in from others."`
	Plants []Plant                `json:"plants"`
}

// Place is a place of the collection.
type Place struct {
	ID        uuid.UUID `json:"id"`
	Name      string    `json:"name"`
	Light     string    `json:"light,omitempty"`
	Isolation bool      `json:"isolation,omitempty"`
	// Details is what is known of its light and air.
	Details *place.Details `json:"details,omitempty" doc:"What is known of its light and air."`
	PartOf  *uuid.UUID     `json:"partOf,omitempty" doc:"The place that it is a part of."`
	Gone    bool           `json:"gone,omitempty" doc:"Whether it is no longer used; the record still names it."`
	// Lights and Readings are what was read there, the oldest first; a plant alone takes none.
	Lights   []PlaceLight   `json:"lights,omitempty" doc:"Readings of light there."`
	Readings []PlaceReading `json:"readings,omitempty" doc:"Readings of a logger there, the oldest first."`
}

// PlaceLight is a reading of light in a place.
type PlaceLight struct {
	ID uuid.UUID `json:"id"`
	place.LightRead
}

// PlaceReading is what a logger read in a place at one time.
type PlaceReading struct {
	At       time.Time `json:"at" db:"at"`
	TempC    *float64  `json:"tempC,omitempty" db:"temperature"`
	Humidity *float64  `json:"humidity,omitempty" db:"humidity" doc:"Percent."`
}

// Kind is a kind that the collection added, in its newest version.
type Kind struct {
	plant.Profile
	Withdrawn bool `json:"withdrawn,omitempty" doc:"Whether it can no longer be chosen; its plants keep it."`
	// Versions are all of it, the oldest first; archives of before hold the newest alone.
	Versions []KindVersion `json:"versions,omitempty" doc:"All versions of it, the oldest first."`
}

// KindVersion is one version of a kind that the collection added.
type KindVersion struct {
	Profile    plant.Profile `json:"profile"`
	Withdrawn  bool          `json:"withdrawn,omitempty"`
	RecordedAt time.Time     `json:"recordedAt"`
}

// Supply is a supply of the cupboard with what went in and out by hand.
type Supply struct {
	ID    uuid.UUID `json:"id"`
	Name  string    `json:"name"`
	Unit  string    `json:"unit"`
	Low   float64   `json:"low"`
	Price *float64  `json:"price,omitempty"`
	// A plant that goes out alone takes what was used on it along as withdrawn:
	// it is on nobody's shelf where the plant comes in.
	Withdrawn bool         `json:"withdrawn,omitempty" doc:"Whether it stands in the cupboard no longer."`
	Moves     []SupplyMove `json:"moves" doc:"What steps of plans used stands in their entries."`
}

// SupplyMove is something that went into the cupboard, or out.
type SupplyMove struct {
	ID     uuid.UUID `json:"id"`
	On     day.Day   `json:"on"`
	Amount float64   `json:"amount"`
	Why    string    `json:"why,omitempty"`
}

// Plant is a plant with its whole record, undone entries too.
type Plant struct {
	ID       uuid.UUID      `json:"id"`
	Name     string         `json:"name" doc:"For the reader; the entries tell."`
	Entries  []record.Entry `json:"entries"`
	Pictures []Picture      `json:"pictures"`
	// KindName is the botanical name of its kind, as a register has it: all that is known of an own kind elsewhere.
	KindName string `json:"-"`
}

// Picture is a picture, as JPEG in base64.
type Picture struct {
	ID         uuid.UUID `json:"id"`
	Width      int       `json:"width"`
	Height     int       `json:"height"`
	RecordedAt time.Time `json:"recordedAt"`
	Digest     []byte    `json:"digest" doc:"SHA-256 of what was first sent."`
	JPEG       []byte    `json:"jpeg"`
	Small      []byte    `json:"small"`
}

// Writer writes an archive plant by plant, so that a large one never lies whole
// in memory.
type Writer struct {
	to     io.Writer
	plants int
}

// Begin writes all of an archive that stands before its plants.
func Begin(w io.Writer, head Archive) (*Writer, error) {
	head.Plants = []Plant{}
	raw, err := json.MarshalIndent(head, "", " ")
	if err != nil {
		return nil, fmt.Errorf("writing the archive: %w", err)
	}
	_, err = w.Write(bytes.TrimSuffix(raw, []byte("]\n}")))
	return &Writer{to: w}, err
}

// Plant writes the next plant.
func (x *Writer) Plant(p Plant) error {
	raw, err := json.MarshalIndent(p, "  ", " ")
	if err != nil {
		return fmt.Errorf("writing plant %s: %w", p.ID, err)
	}
	before := ",\n  "
	if x.plants == 0 {
		before = "\n  "
	}
	x.plants++
	if _, err := io.WriteString(x.to, before); err != nil {
		return err
	}
	_, err = x.to.Write(raw)
	return err
}

// End writes what stands behind the plants.
func (x *Writer) End() error {
	end := "\n ]\n}\n"
	if x.plants == 0 {
		end = "]\n}\n"
	}
	_, err := io.WriteString(x.to, end)
	return err
}

// ErrNotOurs means that a file is neither an archive, nor entries, nor a
// register.
var ErrNotOurs = errors.New(
	"this is neither an archive, nor a table of entries, nor a register; the columns and fields are described in " +
		"docs/exchange.md",
)

// Read reads an archive. Fields that it does not know are refused, so that
// nothing is lost in silence.
func Read(raw []byte) (Archive, error) {
	var a Archive
	in := json.NewDecoder(bytes.NewReader(raw))
	in.DisallowUnknownFields()
	if err := in.Decode(&a); err != nil {
		return Archive{}, fmt.Errorf("the archive cannot be read: %w", err)
	}
	if a.Format != Format {
		return Archive{}, ErrNotOurs
	}
	for i, p := range a.Plants {
		for j, e := range p.Entries {
			if e.ID == uuid.Nil || e.Kind() == "" {
				return Archive{}, fmt.Errorf("plants[%d].entries[%d] holds no entry of a known kind", i, j)
			}
		}
		for j, x := range p.Pictures {
			for _, jpeg := range [][]byte{x.JPEG, x.Small} {
				// Pictures are shown to browsers: nothing else may stand in their place.
				if _, format, err := image.DecodeConfig(bytes.NewReader(jpeg)); err != nil || format != "jpeg" {
					return Archive{}, fmt.Errorf("plants[%d].pictures[%d] holds no JPEG", i, j)
				}
			}
		}
	}
	return a, nil
}
