package recovery

import "tendermend/core/day"

// Trend is how a condition changed since a day.
type Trend struct {
	Days   int `json:"days" doc:"How long ago it is compared with."`
	Points int `json:"points" doc:"Points up, or down below 0; 0 where it is much the same."`
}

// A trend looks four weeks back, and says nothing of fewer points than a second
// look at the same plant would differ by (common practice).
const (
	trendDays  = 28
	leastTrend = 3
)

// TrendOf compares a condition with that of four weeks ago, from conditions by
// day, oldest first; false where nobody looked so long ago.
func TrendOf(scores []Reading, now float64, today day.Day) (Trend, bool) {
	for i := len(scores) - 1; i >= 0; i-- {
		if today-scores[i].On < trendDays {
			continue
		}
		points := int(now - scores[i].Value)
		if points > -leastTrend && points < leastTrend {
			points = 0
		}
		return Trend{Days: trendDays, Points: points}, true
	}
	return Trend{}, false
}
