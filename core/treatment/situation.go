package treatment

import (
	"encoding/json"
	"fmt"
	"strconv"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/plant"
)

// Situation is what a plan is made for: a plant, what was accepted or wished,
// and what is known of it. Everything but a kind or a habit, and a cause or a
// wish, may be left out.
type Situation struct {
	Kind   string     `json:"kind,omitempty" doc:"Id of its kind."`
	Habit  string     `json:"habit,omitempty" doc:"How it grows, where its kind is not known."`
	Causes []cause.ID `json:"causes"`
	// Suspected are causes that were not accepted and must still be reckoned with.
	Suspected []cause.ID `json:"suspected,omitempty"`
	Wish      Wish       `json:"wish,omitempty" enum:",setup-change,propagate,refresh,part,prune"`
	On        day.Day    `json:"on" doc:"The day on which the plan is accepted: its day 0."`
	// Facts are what is known of the plant. As JSON they stand under answers, place,
	// household and south.
	Facts   facts.Facts `json:"-"`
	Choices Choices     `json:"choices"`
	// Moves are steps that the carer puts on other days.
	Moves []Move `json:"moves,omitempty" maxItems:"60" doc:"Steps that are put on another day than the plan has them."`

	// Profile is the kind itself, for a collection's own kinds; it stands above Kind.
	Profile *plant.Profile `json:"-"`
	// Chances are those of the differential when the causes were accepted.
	Chances map[cause.ID]float64 `json:"chances,omitempty"`
	// Rivals are causes that compete for the same signs, with their chances.
	Rivals map[cause.ID]float64 `json:"rivals,omitempty"`
}

// KindOf gives its kind: the collection's own, or a shipped one; false where
// nobody named one that is known.
func (s Situation) KindOf() (plant.Profile, bool) {
	if s.Profile != nil {
		return *s.Profile, true
	}
	return plant.Kinds(nil).ByID(s.Kind)
}

// HabitID is how the plant grows: its kind's habit, or the one that was said;
// empty where neither is known.
func (s Situation) HabitID() string {
	if k, known := s.KindOf(); known {
		return k.Habit
	}
	return s.Habit
}

// Number is a count or a measure that may be missing. It is read from a number,
// from a word such as "none", and from true or false.
type Number struct {
	Value float64
	Known bool
}

// N gives a known number.
func N(v float64) Number { return Number{v, true} }

// IsZero says whether nothing is known.
func (n Number) IsZero() bool { return !n.Known }

// Or gives the number, or another value where it is not known.
func (n Number) Or(other float64) float64 {
	if n.Known {
		return n.Value
	}
	return other
}

// MarshalJSON writes a number, null where it is not known.
func (n Number) MarshalJSON() ([]byte, error) {
	if !n.Known {
		return []byte("null"), nil
	}
	return json.Marshal(n.Value)
}

// UnmarshalJSON reads a number in any of the ways in which it may be written.
func (n *Number) UnmarshalJSON(raw []byte) error {
	var said any
	if err := json.Unmarshal(raw, &said); err != nil {
		return err
	}
	switch v := said.(type) {
	case nil:
		*n = Number{}
	case float64:
		*n = N(v)
	case bool:
		*n = N(0)
		if v {
			*n = N(1)
		}
	case string:
		switch v {
		case "":
			*n = Number{}
		case "none", "no":
			*n = N(0)
		case "yes":
			*n = N(1)
		default:
			f, err := strconv.ParseFloat(v, 64)
			if err != nil {
				return fmt.Errorf("%q is not a number", v)
			}
			*n = N(f)
		}
	default:
		return fmt.Errorf("%s is not a number", raw)
	}
	return nil
}

// JSONType describes a Number to those who write one.
func (Number) JSONType() string { return "number" }

// Choices are what the carer settled where the trade disagrees, and what he
// wants otherwise than the plan would.
type Choices struct {
	School      School    `json:"school,omitempty" enum:",S0,S1,S2,S3,S4,S5,S6,J"`
	Aim         Side      `json:"aim,omitempty" enum:",S0,S4,S5,S6,mount" doc:"What a change of set-up aims at."`
	RootRinse   Side      `json:"rootRinse,omitempty" enum:",water,peroxide,label,soap"`
	PestFirst   Side      `json:"pestFirst,omitempty" enum:",soap,oil,alcohol,earth,systemic,predators,neem,hot-dip"`
	DryRoots    Side      `json:"dryRoots,omitempty" enum:",keep,cut,wait"`
	Newcomer    Side      `json:"newcomer,omitempty" enum:",14 d,needed,at once"`
	Spikes      Side      `json:"spikes,omitempty" doc:"off today, keep one, keep, off when limp"`
	Plantlets   Side      `json:"plantlets,omitempty" doc:"wait, now, stay"`
	CutDressing Side      `json:"cutDressing,omitempty" enum:",dry,cinnamon,powder"`
	FirstWater  Side      `json:"firstWater,omitempty" enum:",dry day,at once"`
	Succulent   Side      `json:"succulentWater,omitempty" enum:",dry day,at roots"`
	Cover       Side      `json:"cover,omitempty" enum:",kind,open,none"`
	CrownDose   Side      `json:"crownDose,omitempty" enum:",dry,peroxide,label"`
	Pieces      Side      `json:"pieces,omitempty" enum:",together,one each"`
	Gnats       Side      `json:"gnats,omitempty" enum:",dry top,grit,larvicide"`
	MultiplyBy  string    `json:"multiplyBy,omitempty" doc:"A way by which its kind is multiplied, as the kinds name it."`
	Keep        Side      `json:"keep,omitempty" enum:",keep,discard" doc:"Whether a suspect is kept or discarded."`
	Discard     Side      `json:"discard,omitempty" enum:",now"`
	Override    facts.Yes `json:"override,omitzero" doc:"The carer's own word: nothing holds a root sitting back."`
	OneSetup    facts.Yes `json:"oneSetup,omitzero" doc:"One set-up is wanted for many plants."`
	Stock       []string  `json:"stock,omitempty"`
	RemoveShare Number    `json:"removeShare,omitzero" doc:"Share of the leaves that is to come off."`
	Mix         string    `json:"mix,omitempty" doc:"A mix of the carer's own, by parts: soil 1 bark 1."`
	// Parts is such a mix, part by part.
	Parts       []plant.Part `json:"parts,omitempty"`
	PotWidthCM  Number       `json:"potWidthCm,omitzero" doc:"The new pot that the carer has."`
	SoapMLPerL  Number       `json:"soapMlPerL,omitzero"`
	PeroxidePct Number       `json:"peroxidePct,omitzero" doc:"Strength of the peroxide at hand."`
	DipC        Number       `json:"dipC,omitzero"`
	Drug        Side         `json:"drug,omitempty" enum:",copper,sulphur"`
	Also        string       `json:"also,omitempty" doc:"Operators that the carer would like besides."`
}
