package state

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/treatment"
)

// Effect is what an operator leaves behind when it is done: the facts that it changes.
// What is not set stays as it was. Each part becomes an entry of the record.
type Effect struct {
	Stands  *StandEffect  `json:"stands,omitempty" doc:"What the plant stands in from then on."`
	Waters  *WaterEffect  `json:"waters,omitempty"`
	Feeds   *float64      `json:"feeds,omitempty" minimum:"0" maximum:"1000" doc:"Share of its usual strength."`
	Treats  *TreatEffect  `json:"treats,omitempty"`
	Cuts    *CutEffect    `json:"cuts,omitempty"`
	Apart   Apart         `json:"apart,omitempty" enum:"isolated,clean" doc:"How it is kept among the others."`
	Counts  bool          `json:"counts,omitempty" doc:"Whether roots are counted in it."`
	Changes *ChangeEffect `json:"changes,omitempty"`
}

// Apart is how a plant is kept among the others after a step.
type Apart string

// The two ways.
const (
	KeptApart Apart = "isolated"
	AmongAll  Apart = "clean"
)

// StandEffect is what a plant stands in.
type StandEffect struct {
	Seat    facts.Seat        `json:"seat,omitempty"`
	Class   facts.MediumClass `json:"mediumClass,omitempty"`
	Medium  string            `json:"medium,omitempty" doc:"Its mix in words."`
	WidthCM *float64          `json:"widthCm,omitempty" minimum:"0" maximum:"1000"`
	DepthCM *float64          `json:"depthCm,omitempty" minimum:"0" maximum:"1000"`
	LevelCM *float64          `json:"levelCm,omitempty" minimum:"0" maximum:"1000"`
}

// WaterEffect is a watering.
type WaterEffect struct {
	How facts.Watering `json:"how"`
	ML  *float64       `json:"ml,omitempty" minimum:"0" maximum:"1000000"`
}

// TreatEffect is a product or an act against a pest or a disease.
type TreatEffect struct {
	Class   treatment.OperatorID `json:"class"`
	Product string               `json:"product" doc:"What it is called where nobody typed its name."`
	Against cause.ID             `json:"against,omitempty"`
	Where   string               `json:"where,omitempty"`
	// Named is true for what is bought and has a label: its name is typed.
	Named bool `json:"named,omitempty" doc:"Whether it has a label, and its name is typed."`
}

// CutEffect is what was cut off.
type CutEffect struct {
	Organ string   `json:"organ"`
	N     *int     `json:"n,omitempty" minimum:"0" maximum:"9999"`
	Share *float64 `json:"share,omitempty" minimum:"0" maximum:"1"`
	Kept  *int     `json:"kept,omitempty" minimum:"0" maximum:"9999"`
}

// ChangeEffect is other facts that a step makes so.
type ChangeEffect struct {
	Seat        facts.Seat        `json:"seat,omitempty"`
	MediumClass facts.MediumClass `json:"mediumClass,omitempty"`
	Cover       facts.Cover       `json:"cover,omitempty"`
	LightShare  *float64          `json:"lightShare,omitempty" minimum:"0" maximum:"1"`
	Brighter    *float64          `json:"brighter,omitempty" minimum:"0" maximum:"1000" doc:"Share its light rises by."`
	WarmthC     *float64          `json:"warmthC,omitempty" minimum:"-60" maximum:"80"`
	BaseUnderCM *float64          `json:"baseUnderCm,omitempty" minimum:"0" maximum:"1000"`
	Standing    *bool             `json:"standing,omitempty"`
	Plug        *bool             `json:"plug,omitempty"`
	RotAlive    *bool             `json:"rotAlive,omitempty"`
	NoWater     *bool             `json:"noWater,omitempty"`
	NoFeed      *bool             `json:"noFeed,omitempty"`
}

// Done is a step with what its sitting laid out for it.
type Done struct {
	Step treatment.Step
	// Laid are the parameters of the pot that was laid out for the plant; nil where none was.
	Laid *treatment.Params
	// Nature is the plant's, and what ails it.
	Nature Nature
}

// EffectOf says what a step leaves behind; false where it changes no fact by itself:
// housekeeping, and looks whose readings are recorded as such.
func EffectOf(d Done) (Effect, bool) {
	if d.Step.Of() != treatment.ForPlant {
		return Effect{}, false // what was parted from it is a plant of its own
	}
	makes, known := effects[d.Step.Op]
	if !known {
		return Effect{}, false
	}
	e := makes(d)
	if e.Changes != nil && *e.Changes == (ChangeEffect{}) {
		e.Changes = nil // a shade of which no share is known changes nothing that could be told
	}
	return e, e != (Effect{})
}

// Writes says in words what an operator writes into the record when it is done; empty
// where its tick is all.
func Writes(op treatment.OperatorID) string { return writes[op] }

func no() *bool  { v := false; return &v }
func yes() *bool { v := true; return &v }

// known gives a number of the parameters, nil where it is missing.
func known(n treatment.Number) *float64 {
	if !n.Known {
		return nil
	}
	v := n.Value
	return &v
}

// countOf gives a whole number of the parameters, nil where it is missing.
func countOf(n treatment.Number) *int {
	if !n.Known {
		return nil
	}
	v := int(n.Value)
	return &v
}

// stand is what the plant is set in: the pot that was laid out, and its mix.
func stand(seat facts.Seat, class facts.MediumClass) func(Done) Effect {
	return func(d Done) Effect {
		s := StandEffect{Seat: seat, Class: class, LevelCM: known(d.Step.Params.LevelCM)}
		if s.Seat == facts.InPot && d.Laid != nil && d.Laid.Seat != "" && d.Step.Op != treatment.SetDish {
			s.Seat = d.Laid.Seat
		}
		if d.Laid != nil && seat != facts.Hung && seat != facts.OnMount {
			s.WidthCM, s.DepthCM = known(d.Laid.PotWidthCM), known(d.Laid.PotDepthCM)
			s.Medium = treatment.MixWords(d.Laid.Mix)
			if s.Class == "" {
				s.Class = treatment.MixClass(d.Laid.Mix)
			}
		}
		return Effect{Stands: &s}
	}
}

func waters(how facts.Watering) func(Done) Effect {
	return func(d Done) Effect {
		w := WaterEffect{How: how, ML: known(d.Step.Params.ML)}
		if how == facts.WateredThrough && (d.Step.Params.How == "light" || d.Step.Params.How == "quarter") {
			w.How = facts.WateredLight
		}
		return Effect{Waters: &w, Changes: &ChangeEffect{NoWater: no()}}
	}
}

// treats is a product: what it is called stands in until its name is typed.
func treats(product string) func(Done) Effect {
	return func(d Done) Effect {
		p := product
		if d.Step.Params.Product != "" {
			p = d.Step.Params.Product
		}
		return Effect{Treats: &TreatEffect{
			Class: d.Step.Op, Product: p, Against: d.Step.Cause, Where: d.Step.Params.Where,
			Named: slices.Contains(labelled, d.Step.Op),
		}}
	}
}

// labelled are products that are bought by a name and used by their label.
var labelled = []treatment.OperatorID{
	treatment.Oil, treatment.LabelDrug, treatment.Systemic, treatment.Predators, treatment.Nematodes, treatment.Larvicide,
}

// cuts is what is cut off; the rot goes with it where it lives nowhere else.
func cuts(organ string) func(Done) Effect {
	return func(d Done) Effect {
		p := d.Step.Params
		c := CutEffect{Organ: organ, N: countOf(p.N), Share: known(p.Share)}
		if c.Organ == "" {
			c.Organ = string(d.Step.Organ)
		}
		e := Effect{Cuts: &c}
		if d.Nature.rotGoes(d.Step) {
			e.Changes = &ChangeEffect{RotAlive: no()}
		}
		return e
	}
}

func stripped(d Done) Effect {
	kept := 0
	if d.Step.Params.Part == "one kept" {
		kept = 1
	}
	return Effect{Cuts: &CutEffect{Organ: "spike", Kept: &kept}}
}

func changes(c ChangeEffect) func(Done) Effect {
	return func(Done) Effect {
		made := c
		return Effect{Changes: &made}
	}
}
