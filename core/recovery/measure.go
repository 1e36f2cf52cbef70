// Package recovery holds the tracks on which plants mend: stages, what must be
// seen before the next one, stalls and setbacks. Nobody is moved by a date.
package recovery

import (
	"fmt"
	"slices"
)

// MeasureKind says what a reading is.
type MeasureKind string

// The kinds of measure.
const (
	YesNo   MeasureKind = "yes-no" // 1 or 0
	Count   MeasureKind = "count"
	Length  MeasureKind = "mm"
	Percent MeasureKind = "percent"
	Scale   MeasureKind = "scale"
)

// Measure is something read at a check-in, the same way each time.
type Measure struct {
	ID    string      `json:"id"`
	Ask   string      `json:"ask" doc:"The question as put to the carer."`
	Short string      `json:"short"`
	How   string      `json:"how"`
	Kind  MeasureKind `json:"kind"`
	Most  float64     `json:"most" doc:"The largest reading that makes sense."`
	// Growing is true where a rise is progress: it ends a stall.
	Growing bool `json:"growing"`
	// Alarm is true where a yes may be a setback.
	Alarm bool `json:"alarm"`
	// Always is true where it is asked at every check-in of a stage.
	Always bool `json:"always"`
	// Unstaged is true where it is asked of a plant that is in no stage.
	Unstaged bool `json:"unstaged"`
	// Word is what a yes is called where it is answered in one tap; empty where it
	// is not.
	Word string `json:"word"`
	// Calm is what a no is called where it is answered in one tap.
	Calm string `json:"calm"`
	// SinceLook is true where it counts what came since the last look, so that it
	// is never the same as last time.
	SinceLook bool `json:"sinceLook"`
	// Curve is how much its curve tells: 1 is drawn first, 0 is not drawn.
	Curve int `json:"curve"`
}

var measures = []Measure{
	{
		ID:       "wilt",
		Ask:      "Wilted since the last look?",
		Short:    "new wilt",
		How:      "Compare its stance with the last picture",
		Kind:     YesNo,
		Most:     1,
		Alarm:    true,
		Always:   true,
		Unstaged: true,
		Word:     "limp",
		Calm:     "firm",
	},
	{
		ID:        "yellow",
		Ask:       "New yellowing since the last look?",
		Short:     "new yellowing",
		How:       "Count yellow leaves",
		Kind:      YesNo,
		Most:      1,
		SinceLook: true,
	},
	{
		ID:       "smell",
		Ask:      "Does pot or base smell sour or rotten?",
		Short:    "smell",
		How:      "Smell the drainage hole",
		Kind:     YesNo,
		Most:     1,
		Alarm:    true,
		Always:   true,
		Unstaged: true,
	},
	{
		ID:    "rot",
		Ask:   "New rot on roots or base?",
		Short: "new rot",
		How:   "Look through a clear pot, press the base",
		Kind:  YesNo,
		Most:  1,
		Alarm: true,
	},
	{
		ID:    "rocks",
		Ask:   "Does it rock in the pot?",
		Short: "rocks",
		How:   "Rock it gently between two fingers",
		Kind:  YesNo,
		Most:  1,
	},
	{
		ID:      "live-tips",
		Ask:     "Live root tips",
		Short:   "live tips",
		How:     "Count green, red or white growing ends",
		Kind:    Count,
		Most:    200,
		Growing: true,
		Curve:   2,
	},
	{
		ID:      "longest-root",
		Ask:     "Longest live root",
		Short:   "longest root",
		How:     "Measure along the root, or on the wall of a clear pot",
		Kind:    Length,
		Most:    2000,
		Growing: true,
		Curve:   1,
	},
	{
		ID:      "roots-3cm",
		Ask:     "Roots of 3 cm or more",
		Short:   "roots of 3 cm",
		How:     "Count those you can see",
		Kind:    Count,
		Most:    200,
		Growing: true,
	},
	{
		ID:      "roots-5cm",
		Ask:     "Roots of 5 cm or more",
		Short:   "roots of 5 cm",
		How:     "Count those you can see",
		Kind:    Count,
		Most:    200,
		Growing: true,
	},
	{
		ID:      "roots-7cm",
		Ask:     "Roots of 7.5 cm or more",
		Short:   "roots of 7.5 cm",
		How:     "Count those you can see",
		Kind:    Count,
		Most:    200,
		Growing: true,
	},
	{
		ID:      "tips-2cm",
		Ask:     "New green or red tips of 2 cm or more",
		Short:   "tips of 2 cm",
		How:     "Count those you can see",
		Kind:    Count,
		Most:    200,
		Growing: true,
	},
	{
		ID:      "roots-at-bottom",
		Ask:     "Have roots reached the pot's bottom?",
		Short:   "roots at the bottom",
		How:     "Look through a clear pot or the holes",
		Kind:    YesNo,
		Most:    1,
		Growing: true,
	},
	{
		ID:      "root-on-new",
		Ask:     "Longest root on the new growth",
		Short:   "root on new growth",
		How:     "Measure from its foot",
		Kind:    Length,
		Most:    500,
		Growing: true,
		Curve:   3,
	},
	{
		ID:      "new-growth",
		Ask:     "New growth point started?",
		Short:   "new growth",
		How:     "Look at crown, nodes or bulb feet",
		Kind:    YesNo,
		Most:    1,
		Growing: true,
	},
	{
		ID:    "growing",
		Ask:   "Has anything new grown in the last month?",
		Short: "growing",
		How:   "A leaf, a shoot, a root tip or length that was not there a month ago",
		Kind:  YesNo,
		Most:  1,
		Word:  "it grows",
		Calm:  "nothing new",
	},
	{
		ID:    "at-rest",
		Ask:   "Has it gone to rest?",
		Short: "at rest",
		How:   "Its leaves gone or going, or it has stopped growing and is firm",
		Kind:  YesNo,
		Most:  1,
	},
	{
		ID:        "new-leaves",
		Ask:       "New leaves opened since the last look",
		Short:     "new leaves",
		How:       "Count the leaves that opened",
		Kind:      Count,
		Most:      50,
		Growing:   true,
		Curve:     4,
		Unstaged:  true,
		SinceLook: true,
	},
	{
		ID:        "leaf-ratio",
		Ask:       "Newest leaf against the one before",
		Short:     "newest leaf's size",
		How:       "Length of the newest over length of the one before",
		Kind:      Percent,
		Most:      400,
		Curve:     5,
		SinceLook: true,
	},
	{
		ID:        "leaves-lost",
		Ask:       "Leaves lost since the last look",
		Short:     "leaves lost",
		How:       "Count what has gone",
		Kind:      Count,
		Most:      200,
		SinceLook: true,
	},
	{
		ID:    "uncurled",
		Ask:   "Leaves uncurled and up again?",
		Short: "leaves uncurled",
		How:   "Look along the blades",
		Kind:  YesNo,
		Most:  1,
	},
	{
		ID:    "core-wet",
		Ask:   "Is the core of the root ball wet?",
		Short: "core wet",
		How:   "Push a stick to the middle",
		Kind:  YesNo,
		Most:  1,
	},
	{
		ID:    "out-of-chamber",
		Ask:   "Out of the chamber all day?",
		Short: "out of the chamber",
		How:   "Answer for the days since the last look",
		Kind:  YesNo,
		Most:  1,
	},
	{
		ID:       LivePests,
		Ask:      "Live pests found?",
		Short:    "live pests",
		How:      "Joints, undersides, tips and pot rim, with a lens",
		Kind:     YesNo,
		Most:     1,
		Alarm:    true,
		Always:   true,
		Unstaged: true,
		Word:     "pests",
		Calm:     "no pests",
		Curve:    8,
	},
	{
		ID:    "marked-new",
		Ask:   "Are the new leaves marked too?",
		Short: "new leaves marked",
		How:   "Hold newest beside older leaf",
		Kind:  YesNo,
		Most:  1,
	},
	{
		ID:    "drained",
		Ask:   "Spikes and dead parts off?",
		Short: "drains off",
		How:   "Nothing left that takes and does not give",
		Kind:  YesNo,
		Most:  1,
	},
	{
		ID:    "repotted",
		Ask:   "Repotted?",
		Short: "repotted",
		How:   "Into the mix and pot of the plan",
		Kind:  YesNo,
		Most:  1,
	},
	{
		ID:      "growth-mature",
		Ask:     "Has the new growth matured?",
		Short:   "growth mature",
		How:     "Bulb filled or leaf at full size",
		Kind:    YesNo,
		Most:    1,
		Growing: true,
	},
	{
		ID:      "reservoir-falls",
		Ask:     "Does the reservoir fall by itself?",
		Short:   "reservoir falls",
		How:     "Mark the level and look next day",
		Kind:    YesNo,
		Most:    1,
		Growing: true,
	},
	{
		ID:    "steady",
		Ask:   "Steady without its stakes?",
		Short: "steady",
		How:   "Loosen the clips and rock it",
		Kind:  YesNo,
		Most:  1,
	},
	{
		ID:    "plump",
		Ask:   "Plumpness, 1 shrivelled to 5 full",
		Short: "plumpness",
		How:   "Compare with the pictures of the scale",
		Kind:  Scale,
		Most:  5,
		Curve: 6,
	},
	{
		ID:    "plump-oldest",
		Ask:   "Plumpness of the oldest bulb, 1 shrivelled to 5 full",
		Short: "plumpness of the oldest",
		How:   "Compare with the pictures of the scale",
		Kind:  Scale,
		Most:  5,
	},
	{
		ID:    "marked-leaves",
		Ask:   "Leaves with marks",
		Short: "marked leaves",
		How:   "Count every leaf with at least one mark, the same way each time",
		Kind:  Count,
		Most:  1000,
		Curve: 7,
	},
	{
		ID:    "pieces-alive",
		Ask:   "Pieces that are alive",
		Short: "pieces alive",
		How:   "Count cuttings or nodes that are firm and green",
		Kind:  Count,
		Most:  500,
		Curve: 9,
	},
	{
		ID:      "pieces-rooted",
		Ask:     "Pieces with roots of 2 cm or more",
		Short:   "pieces rooted",
		How:     "Lift the moss at one edge, or look through the wall; never tug",
		Kind:    Count,
		Most:    500,
		Growing: true,
		Curve:   10,
	},
	{
		ID:    "pieces-rotted",
		Ask:   "Pieces that have rotted",
		Short: "pieces rotted",
		How:   "Soft or black ones: take them out and count them",
		Kind:  Count,
		Most:  500,
	},
	{
		ID:      "tips-1cm",
		Ask:     "New root tips of 1 cm or more",
		Short:   "tips of 1 cm",
		How:     "Count those you can see",
		Kind:    Count,
		Most:    200,
		Growing: true,
	},
	{
		ID:    "in-range",
		Ask:   "Has it stood in its range of warmth for three days?",
		Short: "warmth in range",
		How:   "Read the thermometer's lowest and highest beside the range of its kind",
		Kind:  YesNo,
		Most:  1,
	},
	{
		ID:    "flowers-over",
		Ask:   "Is the last flower over?",
		Short: "flowers over",
		How:   "No open flower and no bud is left",
		Kind:  YesNo,
		Most:  1,
	},
	{
		ID:      "offsets",
		Ask:     "Plantlets, side shoots or pups on it",
		Short:   "offsets",
		How:     "Count them at base, nodes and spikes",
		Kind:    Count,
		Most:    100,
		Growing: true,
	},
	{
		ID:      "offset-grown",
		Ask:     "Is an offset a third of its mother's size, with roots of its own?",
		Short:   "offset grown",
		How:     "Hold it beside its mother; push the medium aside at its foot",
		Kind:    YesNo,
		Most:    1,
		Growing: true,
	},
	{
		ID:    "rival-absent",
		Ask:   "Was what else it could be looked for, and not found?",
		Short: "rival ruled out",
		How:   "Do the checks that are still open",
		Kind:  YesNo,
		Most:  1,
	},
	{
		ID:    "treated",
		Ask:   "All treatments of the plan done?",
		Short: "treatments done",
		How:   "Read the plan",
		Kind:  YesNo,
		Most:  1,
	},
}

var measureByID = func() map[string]Measure {
	m := make(map[string]Measure, len(measures))
	for _, x := range measures {
		m[x.ID] = x
	}
	return m
}()

// Measures lists everything that is read at check-ins.
func Measures() []Measure { return slices.Clone(measures) }

// GrowthMeasures lists the measures of which a rise is growth.
func GrowthMeasures() []Measure { return growing }

var growing = slices.DeleteFunc(Measures(), func(m Measure) bool { return !m.Growing })

// MeasureByID finds a measure; false when there is none of that id.
func MeasureByID(id string) (Measure, bool) {
	m, ok := measureByID[id]
	return m, ok
}

// Check says whether a reading makes sense for the measure; the error says why
// not and what is wanted.
func (m Measure) Check(value float64) error {
	switch {
	case m.Kind == YesNo && value != 0 && value != 1:
		return fmt.Errorf("%s is answered yes (1) or no (0)", m.Short)
	case m.Kind == Count && value != float64(int(value)):
		return fmt.Errorf("%s is a whole number", m.Short)
	case m.Kind == Scale && (value < 1 || value > m.Most):
		return fmt.Errorf("%s goes from 1 to %g", m.Short, m.Most)
	case value < 0 || value > m.Most:
		return fmt.Errorf("%s must lie between 0 and %g", m.Short, m.Most)
	}
	return nil
}
