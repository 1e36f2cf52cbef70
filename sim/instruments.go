package sim

import (
	"fmt"
	"io"
	"math"
	"math/rand/v2"
	"time"

	"tendermend/core/logger"
)

// Logger makes up what a temperature and humidity logger on a sill writes down, one reading
// every so often: warm afternoons, cool nights, drier when it is heated.
func Logger(seed uint64, from time.Time, every time.Duration, n int) []logger.Row {
	r := rand.New(rand.NewPCG(seed, 17))
	rows := make([]logger.Row, n)
	drift := 0.0
	for i := range rows {
		at := from.Add(time.Duration(i) * every)
		hour := float64(at.Hour()) + float64(at.Minute())/60
		drift = 0.98*drift + 0.15*r.NormFloat64()
		temperature := round(18.2+2.6*math.Sin((hour-9)/24*2*math.Pi)+drift, 0.1)
		humidity := round(44-4*math.Sin((hour-9)/24*2*math.Pi)-1.5*drift+r.NormFloat64(), 1)
		rows[i] = logger.Row{At: at, TempC: &temperature, Humidity: &humidity}
	}
	return rows
}

func round(v, to float64) float64 { return math.Round(v/to) * to }

// WriteCSV writes readings as an instrument would.
func WriteCSV(w io.Writer, rows []logger.Row) error {
	if _, err := fmt.Fprintln(w, "time,temperature °C,humidity %"); err != nil {
		return err
	}
	for _, r := range rows {
		if _, err := fmt.Fprintf(w, "%s,%.1f,%.0f\n", r.At.Format("2006-01-02 15:04"), *r.TempC, *r.Humidity); err != nil {
			return err
		}
	}
	return nil
}

// Nights makes up a forecast of night minima, °C, from tonight on, about what is usual.
func Nights(seed uint64, usual float64, n int) []float64 {
	r := rand.New(rand.NewPCG(seed, 29))
	nights := make([]float64, n)
	drift := -1.5
	for i := range nights {
		drift = 0.8*drift + 1.5*r.NormFloat64()
		nights[i] = round(usual+drift, 0.5)
	}
	return nights
}
