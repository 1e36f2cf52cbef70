// Package sky tells where the sun stands, how long the day is and how much light falls on
// open ground, by latitude and day.
package sky

import (
	"math"

	"tendermend/core/day"
)

const (
	// solarConstant is in MJ a square metre and minute (FAO Irrigation and Drainage Paper 56).
	solarConstant = 0.0820
	// MolPerMJ turns sunshine into the light that plants use: 45 % of it, 4.57 µmol a joule
	// (McCree 1972; rounded).
	MolPerMJ = 2.04
	minutes  = 24 * 60
)

// radians turns degrees.
func radians(degrees float64) float64 { return degrees * math.Pi / 180 }

// ofYear is the day's number in its year, from 1.
func ofYear(d day.Day) float64 { return float64(d.Time().YearDay()) }

// Declination of the sun, radians (FAO 56, equation 24).
func Declination(d day.Day) float64 { return 0.409 * math.Sin(2*math.Pi*ofYear(d)/365-1.39) }

// sunset is the sunset hour angle, radians; beyond the polar circles 0 or π (FAO 56,
// equation 25).
func sunset(latitude float64, d day.Day) float64 {
	x := -math.Tan(radians(latitude)) * math.Tan(Declination(d))
	return math.Acos(max(-1, min(1, x)))
}

// DayHours is how long the day is, 0 to 24 hours (FAO 56, equation 34). Latitude is in
// degrees, south negative, -89.9 to 89.9.
func DayHours(latitude float64, d day.Day) float64 { return 24 / math.Pi * sunset(latitude, d) }

// Above is the sunshine above the air, MJ a square metre and day (FAO 56, equations 21 and 23).
func Above(latitude float64, d day.Day) float64 {
	p, dec, w := radians(latitude), Declination(d), sunset(latitude, d)
	near := 1 + 0.033*math.Cos(2*math.Pi*ofYear(d)/365)
	return 24 * 60 / math.Pi * solarConstant * near *
		(w*math.Sin(p)*math.Sin(dec) + math.Cos(p)*math.Cos(dec)*math.Sin(w))
}

// Cloud is how clear the sky is in a climate.
type Cloud string

// The climates.
const (
	Cloudy Cloud = "cloudy"
	Mixed  Cloud = "mixed"
	Sunny  Cloud = "sunny"
)

// Clouds lists them.
func Clouds() []Cloud { return []Cloud{Cloudy, Mixed, Sunny} }

// clearness holds the share of the sunshine that reaches the ground at midwinter and at
// midsummer (a guess, ±15 %).
var clearness = map[Cloud][2]float64{Cloudy: {0.30, 0.44}, Mixed: {0.38, 0.50}, Sunny: {0.52, 0.62}}

// Clearness is that share on a day, a cosine between midwinter and midsummer.
func Clearness(of Cloud, latitude float64, d day.Day) float64 {
	ends, known := clearness[of]
	if !known {
		ends = clearness[Mixed]
	}
	c := math.Cos((ofYear(d) - 172) / 365 * 2 * math.Pi)
	if latitude < 0 {
		c = -c
	}
	return (ends[0]+ends[1])/2 + (ends[1]-ends[0])/2*c
}

// Outside is the light on open ground, mol a square metre and day.
func Outside(of Cloud, latitude float64, d day.Day) float64 {
	return MolPerMJ * Clearness(of, latitude, d) * Above(latitude, d)
}

// Diffuse is the share of it that comes from the sky and not straight from the sun (Erbs,
// Klein and Duffie 1982, by month; from memory).
func Diffuse(of Cloud, latitude float64, d day.Day) float64 {
	k := max(0.3, min(0.8, Clearness(of, latitude, d)))
	share := 1.311 - 3.022*k + 3.427*k*k - 1.821*k*k*k
	if sunset(latitude, d) <= radians(81.4) {
		share = 1.391 - 3.560*k + 4.189*k*k - 2.137*k*k*k
	}
	return max(0.1, min(1, share))
}

// Sun is where the sun stands.
type Sun struct {
	// Altitude above the horizon and Azimuth from south, west positive; both in radians.
	Altitude, Azimuth float64
}

// At gives where the sun stands at an hour of solar time, 12 at noon.
func At(latitude float64, d day.Day, hour float64) Sun {
	p, dec, t := radians(latitude), Declination(d), radians(15*(hour-12))
	up := math.Sin(p)*math.Sin(dec) + math.Cos(p)*math.Cos(dec)*math.Cos(t)
	return Sun{
		Altitude: math.Asin(max(-1, min(1, up))),
		Azimuth:  math.Atan2(math.Cos(dec)*math.Sin(t), math.Sin(p)*math.Cos(dec)*math.Cos(t)-math.Cos(p)*math.Sin(dec)),
	}
}

// Middle is the middle day of a month, 1 to 12, in the year of a day.
func Middle(month int, of day.Day) day.Day {
	first := day.Of(of.Time().Year(), 1, 1)
	return first + day.Day(middles[month-1]-1)
}

var middles = [12]int{15, 46, 74, 105, 135, 166, 196, 227, 258, 288, 319, 349}
