package drying

import "strings"

// mixWords are what people write of a medium, with the ingredient that it names; of
// several that match at one spot the longest counts.
var mixWords = []struct{ word, part string }{
	{"potting soil", "potting soil"}, {"compost", "potting soil"}, {"garden soil", "potting soil"},
	{"soil", "potting soil"}, {"loam", "potting soil"}, {"cactus mix", "potting soil"}, {"peat", "peat"},
	{"coir", "coir"}, {"coco chip", "medium bark"}, {"coco", "coir"}, {"perlite", "perlite"},
	{"pumice", "pumice"}, {"lava", "pumice"}, {"vermiculite", "vermiculite"}, {"fine bark", "fine bark"},
	{"medium bark", "medium bark"}, {"coarse bark", "coarse bark"}, {"orchid mix", "medium bark"},
	{"bark", "medium bark"}, {"charcoal", "charcoal"}, {"chopped moss", "chopped moss"},
	{"sphagnum", "long moss"}, {"moss", "long moss"}, {"leaf mould", "leaf mould"}, {"grit", "grit"},
	{"gravel", "grit"}, {"sand", "sand"}, {"pellet", "clay pellets"}, {"clay", "clay pellets"},
	{"leca", "clay pellets"}, {"tree fern", "tree fern"}, {"tree-fern", "tree fern"},
}

// MixOf reads the parts of a medium that somebody described, each as much as the others;
// none where no word of it is known.
func MixOf(medium string) (mix []Part) {
	said := strings.ToLower(medium)
	for _, m := range mixWords {
		at := strings.Index(said, m.word)
		if at < 0 {
			continue
		}
		said = said[:at] + strings.Repeat(" ", len(m.word)) + said[at+len(m.word):]
		mix = append(mix, Part{m.part, 1})
	}
	return mix
}
