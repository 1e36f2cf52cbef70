package plant

// weeksOf are the usual weeks of a habit's recovery tracks from start to mended
// (common practice).
var weeksOf = map[string][]TrackWeeks{
	"sympodial-orchid": {
		{"orchid-water-bridge", [2]int{16, 50}},
		{"orchid-lean", [2]int{26, 72}},
		{"orchid-rest", [2]int{19, 69}},
	},
	"monopodial-orchid": {
		{"orchid-water-bridge", [2]int{16, 50}},
		{"orchid-basket", [2]int{14, 41}},
		{"crown-recovery", [2]int{14, 44}},
	},
	"winter-deciduous-orchid": {{"orchid-rest", [2]int{19, 69}}, {"waking", [2]int{8, 26}}},
	"jewel-orchid":            {{"rejuvenation", [2]int{8, 23}}, {"foliage-rerooting", [2]int{7, 26}}},
	"aroid-vine":              {{"foliage-rerooting", [2]int{7, 26}}},
	"aroid-clump":             {{"foliage-rerooting", [2]int{7, 26}}},
	"rhizomatous-foliage":     {{"foliage-rerooting", [2]int{7, 26}}},
	"begonia":                 {{"foliage-rerooting", [2]int{6, 22}}},
	"soft-trailer":            {{"rejuvenation", [2]int{4, 10}}, {"foliage-rerooting", [2]int{5, 16}}},
	"woody":                   {{"foliage-rerooting", [2]int{9, 34}}},
	"giant-herb":              {{"foliage-rerooting", [2]int{10, 36}}},
	"wax-vine":                {{"foliage-rerooting", [2]int{8, 30}}},
	"succulent-rosette":       {{"succulent-rerooting", [2]int{8, 30}}},
	"upright-succulent":       {{"succulent-rerooting", [2]int{8, 30}}},
	"trailing-succulent":      {{"succulent-rerooting", [2]int{6, 22}}},
	"cactus":                  {{"succulent-rerooting", [2]int{10, 36}}},
	"forest-cactus":           {{"foliage-rerooting", [2]int{8, 30}}},
	"fern":                    {{"foliage-rerooting", [2]int{6, 22}}},
	"palm":                    {{"foliage-rerooting", [2]int{12, 44}}},
	"cycad":                   {{"succulent-rerooting", [2]int{14, 52}}},
	"bromeliad":               {{"foliage-rerooting", [2]int{10, 36}}, {"crown-recovery", [2]int{14, 44}}},
	"air-plant":               {{"crown-recovery", [2]int{14, 44}}},
	"bulb":                    {{"succulent-rerooting", [2]int{6, 22}}},
	"gesneriad":               {{"foliage-rerooting", [2]int{6, 22}}},
	"carnivore":               {{"foliage-rerooting", [2]int{6, 22}}},
	"herb-clump":              {{"foliage-rerooting", [2]int{6, 22}}},
	"ivy":                     {{"foliage-rerooting", [2]int{5, 18}}},
	"cane-foliage":            {{"foliage-rerooting", [2]int{8, 30}}},
}
