package prognosis

// outlook is what a cause usually comes to when it is treated: the share of
// plants that live, the weeks until they are mended, what the rescue uses up in
// fillings of a pot with fresh mix, and the carer's minutes over all of it.
type outlook struct {
	lives    float64
	weeks    [2]int
	fillings float64
	minutes  int
}

// outlooks holds one for every cause: common practice, as growers tell it, and
// to be bettered by a collection's own closed cases.
var outlooks = map[string]outlook{
	"overwatering":      {0.93, [2]int{3, 8}, 0, 30},
	"root-rot":          {0.65, [2]int{8, 26}, 1, 150},
	"base-rot":          {0.35, [2]int{8, 26}, 1, 150},
	"drought":           {0.92, [2]int{1, 12}, 0, 45},
	"uneven-water":      {0.97, [2]int{2, 8}, 0, 20},
	"dry-root-loss":     {0.70, [2]int{12, 30}, 1, 180},
	"medium-collapsed":  {0.90, [2]int{4, 16}, 1, 60},
	"medium-repels":     {0.95, [2]int{1, 6}, 0.5, 45},
	"pot-too-big":       {0.93, [2]int{4, 12}, 1, 45},
	"pot-bound":         {0.98, [2]int{2, 8}, 1, 45},
	"no-drainage":       {0.94, [2]int{2, 8}, 0.5, 30},
	"base-buried":       {0.88, [2]int{4, 16}, 1, 60},
	"detached":          {0.60, [2]int{12, 30}, 1, 120},
	"moss-smothered":    {0.88, [2]int{8, 26}, 0.5, 90},
	"edema":             {0.99, [2]int{4, 10}, 0, 10},
	"low-light":         {0.96, [2]int{6, 16}, 0, 20},
	"sun-scorch":        {0.98, [2]int{4, 12}, 0, 10},
	"self-shading":      {0.98, [2]int{4, 12}, 0, 30},
	"dry-air":           {0.98, [2]int{4, 12}, 0, 20},
	"draught":           {0.98, [2]int{3, 8}, 0, 10},
	"cold-injury":       {0.75, [2]int{6, 20}, 0.5, 40},
	"heat-stress":       {0.92, [2]int{2, 8}, 0, 20},
	"salt-injury":       {0.94, [2]int{4, 12}, 0.5, 40},
	"water-quality":     {0.98, [2]int{4, 16}, 0, 20},
	"nitrogen-low":      {0.99, [2]int{4, 10}, 0, 10},
	"micronutrient-low": {0.98, [2]int{4, 12}, 0, 15},
	"old-leaf":          {1, [2]int{0, 0}, 0, 0},
	"dormancy":          {0.99, [2]int{8, 20}, 0, 10},
	"woken-early":       {0.75, [2]int{8, 20}, 0, 30},
	"settling-in":       {0.98, [2]int{3, 8}, 0, 10},
	"bloom-drain":       {0.90, [2]int{8, 26}, 0, 30},
	"offset-drain":      {0.88, [2]int{8, 26}, 0.5, 45},
	"spent-rosette":     {0.9, [2]int{12, 52}, 0.5, 30}, // the rosette ends: it lives on in the offsets at its foot
	"regulator-dwarfed": {0.99, [2]int{12, 40}, 0, 10},
	"mealybug":          {0.85, [2]int{6, 14}, 1, 150},
	"root-mealybug":     {0.80, [2]int{8, 16}, 1, 150},
	"scale":             {0.85, [2]int{8, 20}, 0.5, 150},
	"spider-mite":       {0.88, [2]int{4, 10}, 0.5, 90},
	"thrips":            {0.80, [2]int{5, 12}, 0.5, 120},
	"aphid":             {0.97, [2]int{2, 6}, 0.5, 45},
	"whitefly":          {0.92, [2]int{4, 10}, 0.5, 90},
	"broad-mite":        {0.65, [2]int{6, 14}, 0.5, 90},
	"springtail":        {1, [2]int{1, 4}, 0, 5},
	"fungus-gnat":       {0.98, [2]int{4, 10}, 0.5, 40},
	"slug-snail":        {0.96, [2]int{2, 6}, 0.5, 40},
	"soft-rot":          {0.30, [2]int{4, 20}, 1, 120},
	"bacterial-spot":    {0.70, [2]int{4, 14}, 0, 60},
	"fungal-spot":       {0.92, [2]int{4, 12}, 0, 45},
	"powdery-mildew":    {0.93, [2]int{3, 10}, 0, 45},
	"rust":              {0.90, [2]int{4, 12}, 0, 45},
	"grey-mould":        {0.92, [2]int{2, 8}, 0, 30},
	"fusarium":          {0.10, [2]int{12, 52}, 0, 60},
	"virus":             {0.05, [2]int{12, 52}, 0, 60}, // it may live on, but stays ill and a danger to others
	"breakage":          {0.99, [2]int{3, 10}, 0, 10},
	"spray-injury":      {0.95, [2]int{4, 12}, 0, 15},
}
