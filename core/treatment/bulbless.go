package treatment

import "strings"

// bulbless are orchids of the bulbed habit that have no bulbs to live on, by the beginning
// of the ids of their kinds (growers' books, from memory).
var bulbless = []string{
	"paphiopedilum-", "phragmipedium-", "masdevallia-veitchiana", "dracula-vampira", "restrepia-antennifera",
	"specklinia-grobyi", "disa-uniflora", "epidendrum-reed-stem", "sobralia-macrantha", "dendrobium-cuthbertsonii",
}

// Bulbless says whether a kind of the bulbed habit has no bulbs to live on.
func Bulbless(kind string) bool {
	for _, b := range bulbless {
		if strings.HasPrefix(kind, b) {
			return true
		}
	}
	return false
}
