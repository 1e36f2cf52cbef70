package place

import (
	"math"

	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/sky"
)

// YearAir is the light and air of a place by month, January first: what its pots dry in, and
// what the seasons ask of its plants.
type YearAir struct {
	Light    [12]float64 `json:"light" doc:"Mol a square metre and day, with the lamp."`
	VPD      [12]float64 `json:"vpd" doc:"kPa, by day."`
	Sun      [12]float64 `json:"sun" doc:"Hours of sun that usually reach the plants."`
	Hot      [12]bool    `json:"hot" doc:"Whether they lie between 11 and 16 o'clock."`
	Night    [12]float64 `json:"night" doc:"°C, its usual minimum."`
	Day      [12]float64 `json:"day" doc:"°C, its usual day."`
	Humidity [12]float64 `json:"humidity" doc:"Percent."`
	Out      [12]float64 `json:"out" doc:"°C, the usual night in the open there."`
	Latitude float64     `json:"latitude"`
	Outdoors bool        `json:"outdoors,omitempty" doc:"Whether it lies in the open."`
	Lamp     bool        `json:"lamp,omitempty" doc:"Whether a lamp burns there."`
	Fan      bool        `json:"fan,omitempty"`
	// Since is the day from which on it is known what the place is like.
	Since day.Day `json:"since,omitempty"`
}

// How finely air is told: what differs by less changes no window (common practice).
const (
	lightSteps = 2  // steps to a mol
	vpdSteps   = 20 // steps to a kPa
	coarsely   = 2  // steps to an hour of sun and to a degree
)

// AirOf is what twelve months of a place come to for its plants.
func AirOf(year []MonthThere, p Details, at Site) YearAir {
	air := YearAir{Fan: p.Fan, Outdoors: p.Setting == Outdoors, Latitude: at.Latitude}
	air.Lamp = p.Lamp != nil && p.Lamp.PPFD > 0 && p.Lamp.Hours > 0
	copy(air.Out[:], at.Nights)
	for _, m := range year {
		i := m.Month - 1
		air.Light[i] = math.Round(m.Light*lightSteps) / lightSteps
		air.VPD[i] = math.Round(m.VPD*vpdSteps) / vpdSteps
		air.Sun[i], air.Hot[i] = math.Round(m.SunUsual*coarsely)/coarsely, m.Hot
		air.Night[i] = math.Round(m.Night*coarsely) / coarsely
		air.Day[i] = math.Round(m.Day*coarsely) / coarsely
		air.Humidity[i] = math.Round(m.Humidity)
	}
	return air
}

// On is the air that a pot dries in there on a day, of a kind with its best light; the usual
// air where nothing is known of the kind.
func (y YearAir) On(on day.Day, best float64, usual drying.Air) drying.Air {
	if best <= 0 {
		return usual
	}
	m := on.Month() - 1
	usual.Light, usual.VPD, usual.Fan = y.Light[m]/best, y.VPD[m], y.Fan
	return usual
}

// LightOn is how much light there is on a day, mol a square metre: straight between the middles
// of the months.
func (y YearAir) LightOn(on day.Day) float64 { return through(y.Light[:], on) }

// SunOn is for how many hours the sun usually reaches the plants on a day.
func (y YearAir) SunOn(on day.Day) float64 { return through(y.Sun[:], on) }

// HoursOn is how long a day is there, hours.
func (y YearAir) HoursOn(on day.Day) float64 { return sky.DayHours(y.Latitude, on) }

// OutFrom tells when a plant that wants so warm a night, and is hurt at chill, can stand in the
// open there, °C, in the year of a day.
func (y YearAir) OutFrom(low, chill float64, year day.Day) Stays {
	return Site{Nights: y.Out[:]}.OutFrom(low, chill, 0, year)
}
