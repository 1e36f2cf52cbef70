package plant

import "slices"

// nicknames are short names that people say and no table of kinds has, folded as names are looked up, with the kinds
// that they mean, the likeliest first (common practice).
var nicknames = map[string][]string{
	"bird nest":     {"asplenium-nidus"},
	"brasil":        {"philodendron-hederaceum"},
	"dancing lady":  {"oncidium-hybrid"},
	"golden barrel": {"echinocactus-grusonii"},
	"jasmine":       {"jasminum-polyanthum", "jasminum-sambac"},
	"maidenhair":    {"adiantum-raddianum"},
	"nodosa":        {"brassavola-nodosa"},
	"norfolk pine":  {"araucaria-heterophylla"},
	"pink princess": {"philodendron-erubescens"},
	"sharry baby":   {"oncidium-hybrid"},
	"staghorn":      {"platycerium-bifurcatum"},
	"swiss cheese":  {"monstera-deliciosa"},
	"wandering jew": {"tradescantia-zebrina"},
	"xma cactus":    {"schlumbergera-truncata"},
	"zz":            {"zamioculcas-zamiifolia"},
}

// nicknamed gives the kinds of which something, in the singular, is a nickname.
func nicknamed(name string) (list []Profile) {
	for _, id := range nicknames[name] {
		if i := slices.IndexFunc(profiles, func(p Profile) bool { return p.ID == id }); i >= 0 {
			list = append(list, profiles[i])
		}
	}
	return list
}
