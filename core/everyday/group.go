package everyday

import (
	"strings"

	"tendermend/core/plant"
)

// mostGroupWords is how many words the name of a group has at most.
const mostGroupWords = 2

// inPassing are words before the name of a group that speak of another plant, and ofThings those after it that make it
// the name of a thing: "beside the fern", "orchid bark".
var (
	inPassing = set(`beside near by behind under from with at like as unlike between`)
	articles  = set(`a an the my our her his their this that other another some`)
	ofThings  = set(`bark mix mixture soil compost pot pots feed food fertiliser fertilizer medium substrate moss book shop
		nursery house houses show grower growers leaf frond fronds oil`)
)

// groupIn finds the group of kinds that a text is about; nil where it is about none.
func groupIn(text string) *plant.KindGroup {
	words := fold(text)
	for n := mostGroupWords; n > 0; n-- {
		for from := 0; from+n <= len(words); from++ {
			g, known := plant.GroupCalled(strings.Join(words[from:from+n], " "))
			if known && !passes(words[:from]) && !(from+n < len(words) && ofThings[words[from+n]]) {
				return &g
			}
		}
	}
	return nil
}

// passes says whether what comes before a name speaks of it in passing only.
func passes(before []string) bool {
	for len(before) > 0 && articles[before[len(before)-1]] {
		before = before[:len(before)-1]
	}
	if len(before) == 0 {
		return false
	}
	last := before[len(before)-1]
	return inPassing[last] || last == "to" && len(before) > 1 && before[len(before)-2] == "next"
}
