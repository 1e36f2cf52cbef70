package compose

import (
	"regexp"
	"strconv"
	"strings"

	"tendermend/core/plant"
)

var mixWords = regexp.MustCompile(`([a-z][a-z /]*?)\s+(\d+(?:\.\d+)?)`)

// ReadMix reads a mix by parts as it is said: "soil 1 perlite 1 medium bark 1".
// It is nil where nothing is said.
func ReadMix(words string) (parts []plant.Part) {
	for _, m := range mixWords.FindAllStringSubmatch(strings.ToLower(words), -1) {
		n, err := strconv.ParseFloat(m[2], 64)
		if err == nil && n > 0 {
			parts = append(parts, plant.Part{What: strings.TrimSpace(m[1]), Parts: n})
		}
	}
	return parts
}
