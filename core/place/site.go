package place

import (
	_ "embed"
	"encoding/csv"
	"math"
	"strconv"
	"strings"
	"sync"

	"tendermend/core/sky"
)

// zonesCSV is where the main town of each time zone lies, degrees, of the time zone database
// (zone1970.tab and zone.tab, in the public domain).
//
//go:embed zones.csv
var zonesCSV string

var zones = sync.OnceValue(func() map[string][2]float64 {
	rows, err := csv.NewReader(strings.NewReader(zonesCSV)).ReadAll()
	if err != nil {
		panic(err) // the file ships with the program
	}
	at := make(map[string][2]float64, len(rows))
	for _, row := range rows[1:] {
		lat, _ := strconv.ParseFloat(row[1], 64)
		lon, _ := strconv.ParseFloat(row[2], 64)
		at[row[0]] = [2]float64{lat, lon}
	}
	return at
})

// Where nothing tells: the middle of the north, or of the south.
const (
	usualNorth, usualSouth = 48.0, -33.0
	januarySouth           = 6 // months by which the south is later
)

// usualNights are the mean of the nights' minima over the year and half their swing, °C, by
// latitude (a guess from memory of climate tables, ±4 °C; the sea makes it milder).
var usualNights = []struct{ latitude, mean, swing float64 }{
	{0, 22, 1}, {20, 18, 4}, {35, 10, 8}, {45, 6, 8.5}, {52, 5.5, 6.5}, {60, 0, 10}, {70, -6, 12}, {90, -20, 15},
}

// Assume gives where a collection likely is, by its time zone and half of the earth, until
// somebody says.
func Assume(zone string, south bool) Site {
	latitude := usualNorth
	if south {
		latitude = usualSouth
	}
	if at, known := zones()[zone]; known && (at[0] < 0) == south {
		latitude = at[0]
	}
	return Site{Latitude: latitude, Sky: sky.Mixed, Nights: NightsAt(latitude), Assumed: true}
}

// NightsAt gives the usual nights of a latitude, January first, °C, where nobody knows better.
func NightsAt(latitude float64) []float64 {
	far := math.Abs(latitude)
	i := 1
	for i < len(usualNights)-1 && usualNights[i].latitude < far {
		i++
	}
	a, b := usualNights[i-1], usualNights[i]
	part := (far - a.latitude) / (b.latitude - a.latitude)
	mean, swing := a.mean+part*(b.mean-a.mean), a.swing+part*(b.swing-a.swing)
	nights := make([]float64, 12)
	for m := range nights {
		at := m
		if latitude < 0 {
			at += januarySouth
		}
		nights[m] = math.Round(10*(mean-swing*math.Cos(float64(at)*2*math.Pi/12))) / 10
	}
	return nights
}
