package facts

import "strings"

// mediumWords are what media are called, with the class that each belongs to; where
// several are named the first of this list that is found decides.
var mediumWords = []struct {
	word  string
	class MediumClass
}{
	{"sphagnum", Moss}, {"moss", Moss},
	{"leca", Stones}, {"pellet", Stones}, {"clay ball", Stones}, {"lava", Stones},
	{"bark", Bark}, {"chunk", Bark},
	{"soil", Soil}, {"compost", Soil}, {"loam", Soil}, {"mix", Soil}, {"coir", Soil},
	{"peat", Peat},
	{"pumice", Stones}, {"grit", Stones}, {"gravel", Stones}, {"sand", Stones}, {"clay", Stones}, {"stone", Stones},
	{"water", InWater},
}

// ClassOf reads the class of a medium that somebody described; empty where no word of
// it is known.
func ClassOf(medium string) MediumClass {
	said := strings.ToLower(medium)
	for _, m := range mediumWords {
		if strings.Contains(said, m.word) {
			return m.class
		}
	}
	return ""
}
