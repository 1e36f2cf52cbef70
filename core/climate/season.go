// Package climate computes what a place offers a plant: season, light and air.
package climate

import (
	"slices"
	"time"

	"tendermend/core/day"
)

// Season is a meteorological season of three whole months.
type Season string

// The four seasons; the empty season means that it is not known.
const (
	Spring Season = "spring"
	Summer Season = "summer"
	Autumn Season = "autumn"
	Winter Season = "winter"
)

// Seasons lists the seasons in the order of the year.
func Seasons() []Season { return slices.Clone(seasons) }

var seasons = []Season{Spring, Summer, Autumn, Winter}

// SeasonOf gives the season of a day: spring begins on 1 March north of the
// equator and on 1 September south of it.
func SeasonOf(d day.Day, south bool) Season {
	quarter := (int(d.Month()) - int(time.March) + 12) % 12 / 3
	if south {
		quarter = (quarter + 2) % 4
	}
	return seasons[quarter]
}
