package place

import (
	"math"
	"slices"

	"gonum.org/v1/gonum/stat"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/logger"
	"tendermend/core/sky"
)

// MonthThere is what a place is like in the middle of a month.
type MonthThere struct {
	Month    int     `json:"month"`
	Light    float64 `json:"light" doc:"Mol a square metre and day, with the lamp."`
	Low      float64 `json:"low" doc:"The lower end of its range, four times in five within."`
	High     float64 `json:"high"`
	SunMost  float64 `json:"sunMost" doc:"Hours in which the sun reaches the plants on a clear day."`
	SunUsual float64 `json:"sunUsual" doc:"Hours in which it usually does."`
	SunFrom  float64 `json:"sunFrom,omitempty" doc:"The hour of solar time at which it begins to."`
	SunTo    float64 `json:"sunTo,omitempty"`
	Hot      bool    `json:"hot" doc:"Whether it does between 11 and 16 o'clock."`
	DayHours float64 `json:"dayHours" doc:"How long the day is, hours."`
	Night    float64 `json:"night" doc:"Its usual night minimum, °C."`
	Day      float64 `json:"day" doc:"Its usual day, °C."`
	Humidity float64 `json:"humidity" doc:"Percent."`
	VPD      float64 `json:"vpd" doc:"kPa, by day."`
}

// Known is what was read of a place, beside how it is described.
type Known struct {
	Light  []LightRead
	Nights []Night // own nights with the same nights outdoors
	// Warmer and Moister are by how much its days are warmer, °C, and moister, percent, than
	// would be assumed; 0 where nobody read any.
	Warmer, Moister float64
}

// Usual days by setting (guesses): indoors what heating and summer give, elsewhere so many
// degrees over the night.
const (
	heatedDay, summerDay = 21.0, 23.5
	overNightPorch       = 6.0
	overNightCold        = 4.0
	overNightOut         = 9.0
	sillDrop             = 1.0
	// The air outdoors is moist by night; people and plants add some indoors (common practice).
	outdoorHumidity = 80.0
	meanOverNight   = 4.0
	peopleAdd       = 7.0
	driestAir       = 15.0
	wettestAir      = 90.0
	outDayHumidity  = 65.0
	noonFrom        = 11.0
	noonTo          = 16.0
)

// Year gives the twelve months of a place, from that of a day on.
func (p Details) Year(at Site, known Known, from day.Day) []MonthThere {
	factor, spread := p.Scale(at, known.Light)
	months := make([]MonthThere, 12)
	for i := range months {
		month := (int(from.Month())-1+i)%12 + 1
		months[i] = p.month(at, known, factor, spread, month, from)
	}
	return months
}

func (p Details) month(at Site, known Known, factor, spread float64, month int, from day.Day) MonthThere {
	d := sky.Middle(month, from)
	m := MonthThere{Month: month, DayHours: sky.DayHours(at.Latitude, d)}
	daylight := factor * p.daylight(at, d)
	m.Light = daylight + p.lamp()
	low, high := Within(daylight, spread)
	m.Low, m.High = low+p.lamp(), high+p.lamp()
	m.SunMost, m.SunUsual = p.SunHours(at, d)
	sun := p.sun(at, d)
	m.SunFrom, m.SunTo, m.Hot = sun.from, sun.to, sun.hot
	m.Night, m.Day, m.Humidity = p.air(at, known, d)
	m.VPD = climate.VPD(m.Day, m.Humidity)
	return m
}

// cold says whether a month is in the cold half of the year there.
func (s Site) cold(d day.Day) bool {
	if len(s.Nights) != 12 {
		return false
	}
	return s.UsualNight(d) < (slices.Min(s.Nights)+slices.Max(s.Nights))/2
}

// air gives night, day and humidity: as typed, or else as read and assumed.
func (p Details) air(at Site, known Known, d day.Day) (night, day, humidity float64) {
	out := at.UsualNight(d)
	night = p.NightAt(out, known.Nights)
	day = p.usualDay(night, at.cold(d))
	if p.Setting == Outdoors {
		humidity = outDayHumidity
	} else {
		mean := out + meanOverNight
		same := outdoorHumidity * climate.SaturationVapourPressure(mean) / climate.SaturationVapourPressure(day)
		humidity = same + peopleAdd
	}
	// Both are read against what is assumed, so neither goes into the other.
	day += known.Warmer
	humidity = max(driestAir, min(wettestAir, humidity+known.Moister))
	typed := p.Summer
	if at.cold(d) {
		typed = p.Winter
	}
	if typed != nil {
		night, day, humidity = or(typed.Night, night), or(typed.Day, day), or(typed.Humidity, humidity)
	}
	return math.Round(10*night) / 10, math.Round(10*day) / 10, math.Round(humidity)
}

func or(v *float64, usual float64) float64 {
	if v == nil {
		return usual
	}
	return *v
}

func (p Details) usualDay(night float64, cold bool) float64 {
	switch p.Setting {
	case Outdoors:
		return night + overNightOut
	case Porch:
		return night + overNightPorch
	case ColdRoom:
		return night + overNightCold
	case Sill:
		if cold {
			return heatedDay - sillDrop
		}
	case Room:
	}
	if cold {
		return heatedDay
	}
	return summerDay
}

// assumed gives day and humidity as they would be assumed on a day where nobody reads or types
// them: what readings are compared with.
func (p Details) assumed(at Site, d day.Day) (temperature, humidity float64) {
	p.Winter, p.Summer = nil, nil
	_, temperature, humidity = p.air(at, Known{}, d)
	return temperature, humidity
}

// Learn is what readings teach of a place: its light, and of its whole days how its nights
// follow those outdoors, as read there or else as usual, and by how much its days are warmer
// and moister than would be assumed.
func (p Details) Learn(at Site, light []LightRead, days []logger.ReadDay, outdoors map[day.Day]float64) Known {
	known := Known{Light: light}
	var warmer, moister []float64
	for _, d := range days {
		if !d.Counts() {
			continue
		}
		out, read := outdoors[d.On]
		if !read {
			out = at.UsualNight(d.On)
		}
		known.Nights = append(known.Nights, Night{Out: out, In: d.Low})
		temperature, humidity := p.assumed(at, d.On)
		warmer = append(warmer, d.High-temperature)
		if d.Humidity != nil {
			moister = append(moister, *d.Humidity-humidity)
		}
	}
	if len(warmer) > 0 {
		known.Warmer = stat.Mean(warmer, nil)
	}
	if len(moister) > 0 {
		known.Moister = stat.Mean(moister, nil)
	}
	return known
}
