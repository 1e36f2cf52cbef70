package sheet

import (
	"fmt"
	"regexp"
	"strconv"
	"strings"
)

var (
	gateShare = regexp.MustCompile(`\br (0\.\d+)`)
	gateDays  = regexp.MustCompile(`\b(\d+) d\b`)
	gateDay   = regexp.MustCompile(`\bd(\d+)\b`)
	gateWords = strings.NewReplacer(
		"28 d and a",
		"28 days gone by and a",
		"28 d,",
		"28 days gone by,",
		"due",
		"dry as it likes to be",
	)
)

// SayGate writes what a sitting waits for in plain words: plans say it short,
// "28 d, new leaf, r 0.25".
func SayGate(gate string) string {
	said := gateWords.Replace(gate)
	said = gateShare.ReplaceAllStringFunc(said, func(m string) string {
		share, err := strconv.ParseFloat(strings.TrimPrefix(m, "r "), 64)
		if err != nil {
			return m
		}
		return fmt.Sprintf("%.0f %% of its roots alive", 100*share)
	})
	return gateDay.ReplaceAllString(gateDays.ReplaceAllStringFunc(said, func(m string) string {
		if m == "1 d" {
			return "1 day"
		}
		return strings.TrimSuffix(m, "d") + "days"
	}), "day $1")
}
