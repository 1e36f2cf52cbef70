// Package cause holds everything that can ail a plant, as treatment needs it:
// how fast one must act, how it spreads, whether it harms at all.
package cause

import (
	"embed"
	"encoding/csv"
	"fmt"
	"slices"
	"strconv"
	"strings"
)

// ID names a cause. Ids stand in stored records: never rename or reuse one.
type ID string

// The causes that code names; the others live in the table alone.
const (
	Overwatering, Springtail, RootRot, BaseRot, BlackRot, SoftRot             ID = "overwatering", "springtail", "root-rot", "base-rot", "black-rot", "soft-rot"
	Fusarium, SouthernBlight, Drought, DryRootLoss, MediumCollapsed           ID = "fusarium", "southern-blight", "drought", "dry-root-loss", "medium-collapsed"
	MediumRepels, PotTooBig, PotBound, NoDrainage, BaseBuried, Detached       ID = "medium-repels", "pot-too-big", "pot-bound", "no-drainage", "base-buried", "detached"
	MossSmothered, Edema, LowLight, SelfShading, SunScorch, LampBurn          ID = "moss-smothered", "edema", "low-light", "self-shading", "sun-scorch", "lamp-burn"
	ColdInjury, HeatStress, SaltInjury, WaterQuality, SoftenedWater, Chlorine ID = "cold-injury", "heat-stress", "salt-injury", "water-quality", "softened-water", "chlorine"
	Fluoride, Dormancy, WokenEarly, SettlingIn, BloomDrain, OffsetDrain       ID = "fluoride", "dormancy", "woken-early", "settling-in", "bloom-drain", "offset-drain"
	SpentRosette, SprayInjury, Mealybug, RootMealybug, SoftScale              ID = "spent-rosette", "spray-injury", "mealybug", "root-mealybug", "scale"
	ArmouredScale, SpiderMite, FlatMite, BroadMite, Thrips, Aphid, Whitefly   ID = "armoured-scale", "spider-mite", "flat-mite", "broad-mite", "thrips", "aphid", "whitefly"
	FungusGnat, LeafMiner, Chewer, RootGrub, SlugSnail, RootNematode          ID = "fungus-gnat", "leaf-miner", "chewer", "root-grub", "slug-snail", "root-nematode"
	LeafNematode, BacterialSpot, Acidovorax, FungalSpot, Anthracnose          ID = "leaf-nematode", "bacterial-spot", "acidovorax", "fungal-spot", "anthracnose"
	PowderyMildew, Rust, GreyMould, PetalBlight, Virus, Ethylene, Congested   ID = "powdery-mildew", "rust", "grey-mould", "petal-blight", "virus", "ethylene", "congested"
	OldLeaf, WaterRoots, ColdWaterMarks, MesophyllCollapse, Corking           ID = "old-leaf", "water-roots", "cold-water-marks", "mesophyll-collapse", "corking"
	StressColour, CupFoul, CrownWet, NitrogenLow, Girdled, PhOff, DryAir      ID = "stress-colour", "cup-foul", "crown-wet", "nitrogen-low", "girdled", "ph-off", "dry-air"
)

// Way is how a cause travels to other plants.
type Way string

// The ways.
const (
	ByAir     Way = "air"
	ByContact Way = "contact"
	BySoil    Way = "soil"
	ByTools   Way = "tools"
	ByVector  Way = "vector"
	ByWater   Way = "water"
)

// Cause is one thing that can be wrong.
type Cause struct {
	ID        ID
	Label     string
	Kind      string // water, roots, pest, disease …
	Spreads   []Way
	DaysToAct int // within how many days one must act
	Harmless  bool
	// Parts are the narrower causes that an umbrella of older records stands for.
	Parts   []ID
	Summary string

	only, not []string // habits
}

// Fits says whether a plant of the habit can have it.
func (c Cause) Fits(habit string) bool {
	if c.only != nil {
		return slices.Contains(c.only, habit)
	}
	return !slices.Contains(c.not, habit)
}

// Days to act, priors and ways are common practice.
//
//go:embed data/causes.csv
var files embed.FS

var causes = read()

var byID = func() map[ID]Cause {
	m := make(map[ID]Cause, len(causes))
	for _, c := range causes {
		m[c.ID] = c
	}
	return m
}()

// All lists every cause.
func All() []Cause { return slices.Clone(causes) }

// ByID finds a cause; false when there is none of that id.
func ByID(id ID) (Cause, bool) {
	c, ok := byID[id]
	return c, ok
}

func read() []Cause {
	f, err := files.Open("data/causes.csv")
	if err != nil {
		panic(err)
	}
	rows, err := csv.NewReader(f).ReadAll()
	if err != nil {
		panic(fmt.Errorf("causes: %w", err))
	}
	at := map[string]int{}
	for i, column := range rows[0] {
		at[column] = i
	}
	list := make([]Cause, 0, len(rows)-1)
	for _, cells := range rows[1:] {
		cell := func(column string) string { return cells[at[column]] }
		days, err := strconv.Atoi(cell("days_to_act"))
		if err != nil {
			panic(fmt.Errorf("causes: days to act of %s: %w", cell("id"), err))
		}
		c := Cause{
			ID:        ID(cell("id")),
			Label:     cell("label"),
			Kind:      cell("kind"),
			DaysToAct: days,
			Harmless:  cell("harmless") == "yes",
			Summary:   cell("summary"),
			Spreads:   split[Way](cell("spreads_by")),
			Parts:     split[ID](cell("umbrella_of")),
		}
		if only, found := strings.CutPrefix(cell("habits"), "only:"); found {
			c.only = split[string](only)
		} else if not, found := strings.CutPrefix(cell("habits"), "not:"); found {
			c.not = split[string](not)
		}
		list = append(list, c)
	}
	return list
}

func split[T ~string](cell string) (list []T) {
	for _, word := range strings.FieldsFunc(cell, func(r rune) bool { return r == ';' }) {
		list = append(list, T(word))
	}
	return list
}
