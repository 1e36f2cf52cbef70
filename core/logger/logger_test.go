package logger_test

import (
	"fmt"
	"math"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/logger"
)

// now is after all that the files of these tests hold.
var now = time.Date(2026, 6, 1, 12, 0, 0, 0, time.UTC)

func read(t *testing.T, text string) logger.File {
	t.Helper()
	f, err := logger.Read(text, time.UTC, now, nil)
	require.NoError(t, err)
	return f
}

// Headings, separators, commas and units as instruments write them: each file is the same two
// readings, 20.5 °C with 55 % at noon of 31 March and 21 °C with 54 % an hour later.
func TestFilesAsInstrumentsWriteThem(t *testing.T) {
	for name, text := range map[string]string{
		"plain": "time,temperature,humidity\n2026-03-31 12:00,20.5,55\n2026-03-31 13:00,21,54\n",
		"German": "\ufeffDatum;Uhrzeit;Temperatur (°C);Feuchte (%)\n31.03.2026;12:00;20,5;55\n" +
			"31.03.2026;13:00;21,0;54\n",
		"American": "Timestamp,Temperature(°F),Relative_Humidity(%)\n3/31/2026 12:00 PM,68.9,55\n" +
			"3/31/2026 1:00 PM,69.8,54\n",
		"no unit": "date\ttemp\trh\n2026-03-31 12:00:00\t68.9\t0.55\n2026-03-31 13:00:00\t69.8\t0.54\n",
		"chatter": "Made by a logger\nSerial 12\n\nTime|Temp|Hum\n2026-03-31T12:00:00|20.5|55\n" +
			"2026-03-31T13:00:00|21|54\n",
		"unix":       "stamp;t;h\n1774958400;20.5;55\n1774962000;21;54\n",
		"zone":       "time,temperature,humidity\n2026-03-31T14:00:00+02:00,20.5,55\n2026-03-31T15:00:00+02:00,21,54\n",
		"dew point":  "time,dew point °C,temperature °C,humidity\n2026-03-31 12:00,11,20.5,55\n2026-03-31 13:00,11,21,54\n",
		"backwards":  "time,temperature,humidity\n2026-03-31 13:00,21,54\n2026-03-31 12:00,20.5,55\n",
		"came twice": "time,temperature,humidity\n2026-03-31 12:00,9,9\n2026-03-31 12:00,20.5,55\n2026-03-31 13:00,21,54\n",
	} {
		f := read(t, text)
		require.Len(t, f.Rows, 2, name)
		assert.Equal(t, time.Date(2026, 3, 31, 12, 0, 0, 0, time.UTC), f.Rows[0].At, name)
		assert.Equal(t, time.Date(2026, 3, 31, 13, 0, 0, 0, time.UTC), f.Rows[1].At, name)
		assert.InDelta(t, 20.5, *f.Rows[0].TempC, .01, name)
		assert.InDelta(t, 54, *f.Rows[1].Humidity, .01, name)
		assert.False(t, f.DayOrMonth, name)
	}
}

// A row that is no reading is passed over and told with its line in the file; the others are read.
func TestRowsThatAreNoReadingsArePassedOverByRow(t *testing.T) {
	file := func(n int, at map[int]string) string {
		var text strings.Builder
		text.WriteString("Logger 12\r\n\r\ntime;temperature;humidity\r\n")
		for i := range n {
			row := fmt.Sprintf("%s;20.5;55", time.Date(2026, 3, 1, i, 0, 0, 0, time.UTC).Format("02.01.2006 15:04"))
			if other, is := at[i]; is {
				row = other
			}
			text.WriteString(row + "\r\n")
		}
		return text.String()
	}
	f := read(t, file(456, map[int]string{
		3: "31.02.2026 03:00;20;50", 7: "Sensor error;;", 8: "", 9: "01.03.2026 09:00;;",
		200: "01.01.2099 00:00;20;50", 300: "lost"}))
	assert.Len(t, f.Rows, 450)
	assert.Equal(t, 5, f.Skipped)
	assert.Equal(t, []logger.Passed{
		{Row: 7, Why: "“31.02.2026 03:00” is no time"}, {Row: 11, Why: "“Sensor error” is no time"},
		{Row: 13, Why: "it has neither a temperature nor a humidity"},
		{Row: 204, Why: "“01.01.2099 00:00” is yet to come"}, {Row: 304, Why: "it has 1 column and the heading 3"},
	}, f.Passed)
	dead := map[int]string{}
	for i := range 60 {
		dead[20+i] = "Sensor error;;"
	}
	f = read(t, file(100, dead))
	assert.Equal(t, []int{40, 60, 10}, []int{len(f.Rows), f.Skipped, len(f.Passed)}, "ten are told, all are counted")
}

// One stamp in ten may be no time, and one in any case; from there on the way they are written is not understood.
func TestHowManyTimesMayBeNone(t *testing.T) {
	for _, row := range []struct {
		rows, wrong int
		read        bool
	}{{2, 1, false}, {3, 1, true}, {3, 2, false}, {20, 2, true}, {20, 3, false}, {100, 10, true}, {100, 11, false}} {
		text := "time,temperature\n"
		for i := range row.rows {
			day := 1
			if i >= row.rows-row.wrong {
				day = 32
			}
			text += fmt.Sprintf("2026-03-%02d %02d:%02d,20\n", day, i/60, i%60)
		}
		_, err := logger.Read(text, time.UTC, now, nil)
		assert.Equal(t, row.read, err == nil, "%v", row)
	}
}

// A reading may be a day ahead of the clock; where half of them are more than that nothing is read.
func TestAClockThatIsWrongIsSaid(t *testing.T) {
	at := func(hours ...int) string {
		text := "time,temperature\n"
		for _, h := range hours {
			text += now.Add(time.Duration(h)*time.Hour).Format("2006-01-02 15:04") + ",20\n"
		}
		return text
	}
	assert.Len(t, read(t, at(0, 12, 24)).Rows, 3)
	assert.Len(t, read(t, at(0, 12, 25)).Rows, 2)
	_, err := logger.Read(at(0, 25), time.UTC, now, nil)
	assert.ErrorContains(t, err, "set the instrument's clock")
}

func TestDayOrMonthFirstIsAskedWhereNothingTells(t *testing.T) {
	text := "time,temperature\n03/04/2026 12:00,20\n03/04/2026 13:00,21\n"
	assert.True(t, read(t, text).DayOrMonth)
	for first, month := range map[bool]time.Month{true: time.March, false: time.April} {
		f, err := logger.Read(text, time.UTC, now, &first)
		require.NoError(t, err)
		assert.Equal(t, month, f.Rows[0].At.Month())
		assert.False(t, f.DayOrMonth)
	}
	span := "time,temperature\n03/04/2026 12:00,20\n04/04/2026 12:00,21\n05/04/2026 12:00,21\n"
	f := read(t, span)
	assert.Equal(t, time.April, f.Rows[0].At.Month(), "three days are likelier than three months")
	assert.False(t, f.DayOrMonth)
}

func TestTimesWithoutAZoneAreOfThePlace(t *testing.T) {
	zone, err := time.LoadLocation("America/Lima")
	require.NoError(t, err)
	f, err := logger.Read("time,temp\n2026-03-31 12:00,20\n2026-03-31 13:00,20\n", zone, now, nil)
	require.NoError(t, err)
	assert.Equal(t, 17, f.Rows[0].At.UTC().Hour())
}

func TestWhatIsNoLoggersFileIsSaid(t *testing.T) {
	for text, says := range map[string]string{
		"":                                      "no readings",
		"time,temperature\n":                    "no readings",
		"place,temperature\nhere,20\nhere,21\n": "no column of the file is a time",
		"time,noise\n2026-03-31 12:00,4\n2026-03-31 13:00,4\n":              "neither a temperature",
		"time,temperature\nyesterday,20\ntoday,21\n":                        "cannot be read all in one way",
		"time,temperature\n" + strings.Repeat("x,1\n", logger.MostRows):     "at most 500000",
		"time,temperature\n2026-03-31 12:00,20\n31.03.2026 12:00,21\nx,1\n": "one way",
	} {
		_, err := logger.Read(text, time.UTC, now, nil)
		assert.ErrorContains(t, err, says)
	}
}

// hours makes readings, one an hour.
func hours(n int, at func(i int) (temp, wet float64)) (rows []logger.Row) {
	for i := range n {
		temp, wet := at(i)
		rows = append(rows, logger.Row{
			At: time.Date(2026, 3, 1, 0, 0, 0, 0, time.UTC).Add(time.Duration(i) * time.Hour), TempC: &temp, Humidity: &wet,
		})
	}
	return rows
}

func TestSenselessReadingsAreThrownOut(t *testing.T) {
	steady := func(i int) (float64, float64) { return 20 + math.Sin(float64(i)/4), 50 }
	spoilt := func(at int, temp, wet float64) []logger.Row {
		return hours(48, func(i int) (float64, float64) {
			if i == at {
				return temp, wet
			}
			return steady(i)
		})
	}
	for _, row := range []struct {
		temp, wet float64
		thrown    int
	}{{20, 50, 0}, {85, 50, 1}, {-31, 50, 1}, {20, 0.5, 1}, {20, 106, 1}, {32, 50, 1}, {20, 75, 1}, {85, 0, 2}} {
		assert.Equal(t, row.thrown, logger.Clean(spoilt(24, row.temp, row.wet)), "%v", row)
	}
	wet := hours(20, func(int) (float64, float64) { return 20, 102 })
	assert.Zero(t, logger.Clean(wet))
	assert.InDelta(t, 100, *wet[3].Humidity, 0)
	step := hours(48, func(i int) (float64, float64) { return 15 + 8*float64(i/24), 50 })
	assert.LessOrEqual(t, logger.Clean(step), 0, "a step that stays is none")
}

// Each limit of what a reading may be, and of how far it may lie from its neighbours, on both
// sides.
func TestLimitsOfReadings(t *testing.T) {
	steady := func(temp, wet float64) []logger.Row {
		return hours(24, func(int) (float64, float64) { return temp, wet })
	}
	for _, row := range []struct {
		temp, wet float64
		thrown    int
	}{
		{-30, 50, 0}, {-30.1, 50, 24}, {60, 50, 0}, {60.1, 50, 24}, {20, 1, 0}, {20, .9, 24}, {20, 105, 0},
		{20, 105.1, 24},
	} {
		assert.Equal(t, row.thrown, logger.Clean(steady(row.temp, row.wet)), "%v", row)
	}
	for _, row := range []struct {
		temp, wet float64
		thrown    int
	}{{22.5, 50, 0}, {22.6, 50, 1}, {20, 60, 0}, {20, 60.1, 1}} {
		rows := steady(20, 50)
		*rows[12].TempC, *rows[12].Humidity = row.temp, row.wet
		assert.Equal(t, row.thrown, logger.Clean(rows), "%v", row)
	}
	assert.True(t, logger.ReadDay{Hours: 18}.Counts())
	assert.False(t, logger.ReadDay{Hours: 17.9}.Counts())
}

// A whole day of 15 °C by night and 21 °C by day at 50 %: its low, high, mean and vapour
// pressure deficit (FAO 56, equation 11).
func TestDaysAreMadeOfReadings(t *testing.T) {
	days := logger.Days(hours(48, func(i int) (float64, float64) {
		if i%24 < 8 {
			return 15, 50
		}
		return 21, 50
	}), time.UTC)
	require.Len(t, days, 2)
	d := days[0]
	assert.Equal(t, day.Of(2026, time.March, 1), d.On)
	assert.InDelta(t, 24, d.Hours, 1e-9)
	assert.Equal(t, []float64{15, 21}, []float64{d.Low, d.High})
	assert.InDelta(t, 19, d.Mean, 1e-9)
	es := func(t float64) float64 { return .6108 * math.Exp(17.27*t/(t+237.3)) }
	assert.InDelta(t, (8*es(15)+16*es(21))/24/2, *d.VPD, 1e-9)
	assert.True(t, d.Counts())
	assert.InDelta(t, 23.5, days[1].Hours, 1e-9, "the last reading holds for half an hour")

	few := logger.Days(hours(15, func(int) (float64, float64) { return 20, 50 }), time.UTC)
	assert.InDelta(t, 14.5, few[0].Hours, 1e-9)
	assert.False(t, few[0].Counts())
	gap := hours(24, func(int) (float64, float64) { return 20, 50 })
	assert.InDelta(t, 6.5, logger.Days(append(gap[:4:4], gap[20]), time.UTC)[0].Hours, 1e-9, "a reading holds three hours")
	evening, err := time.LoadLocation("America/Lima")
	require.NoError(t, err)
	assert.Equal(t, day.Of(2026, time.February, 28), logger.Days(gap, evening)[0].On)
}

func TestAStuckSensorIsFound(t *testing.T) {
	same := func(int) (float64, float64) { return 20.4, 50 }
	_, stuck := logger.Stuck(hours(48, same))
	assert.False(t, stuck, "47 hours")
	from, stuck := logger.Stuck(hours(49, same))
	assert.True(t, stuck)
	assert.Equal(t, 1, from.Day())
	_, stuck = logger.Stuck(hours(100, func(i int) (float64, float64) { return 20 + .1*float64(i%2), 50 }))
	assert.False(t, stuck)
}

// A year and more of readings, one a five minutes, is read in well under a second or two.
func BenchmarkReadTwoHundredThousandRows(b *testing.B) {
	var text strings.Builder
	text.WriteString("time,temperature,humidity\n")
	at := time.Date(2025, 1, 1, 0, 0, 0, 0, time.UTC)
	for i := range 200_000 {
		fmt.Fprintf(&text, "%s,%.1f,%.0f\n", at.Add(time.Duration(i)*5*time.Minute).Format("2006-01-02 15:04"),
			20+3*math.Sin(float64(i)/288*2*math.Pi), 50+10*math.Sin(float64(i)/1000))
	}
	for b.Loop() {
		f, err := logger.Read(text.String(), time.UTC, now, nil)
		if err != nil || logger.Clean(f.Rows) > 0 || len(logger.Days(f.Rows, time.UTC)) < 600 {
			b.Fatal(err)
		}
	}
}

// A file says how its times are written, by an example with its seconds.
func TestHowTimesAreWrittenIsShown(t *testing.T) {
	for text, shown := range map[string]string{
		"2026-03-31 12:00:00,20.5\n2026-03-31 13:00:00,21\n": "as 2026-03-31 14:05:00",
		"2026-03-31 12:00,20.5\n2026-03-31 13:00,21\n":       "as 2026-03-31 14:05",
	} {
		assert.Equal(t, shown, read(t, "time,temperature\n"+text).Times)
	}
}

// What is read before midnight belongs to its day to the minute.
func TestADayEndsAtMidnight(t *testing.T) {
	warm := 20.0
	late := time.Date(2026, 3, 31, 23, 30, 0, 0, time.UTC)
	days := logger.Days([]logger.Row{{At: late, TempC: &warm}, {At: late.Add(time.Hour), TempC: &warm}}, time.UTC)
	require.Len(t, days, 2)
	assert.InDelta(t, .5, days[0].Hours, 1e-9)
	assert.Equal(t, day.Of(2026, time.March, 31), days[0].On)
	assert.Equal(t, day.Of(2026, time.April, 1), days[1].On)
}
