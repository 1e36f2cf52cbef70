package sheet

import (
	"slices"
	"strings"

	"tendermend/core/treatment"
)

// Answers are what the carer is asked before a plan is made, as they stand in
// the record. What is missing was not answered.
type Answers struct {
	LiveRoots   *int               `json:"liveRoots,omitempty" doc:"Live roots counted."`
	DeadRoots   *int               `json:"deadRoots,omitempty" doc:"Dead roots counted."`
	LiveTips    *int               `json:"liveTips,omitempty"`
	RootBallCM  *float64           `json:"rootBallCm,omitempty" doc:"Width of the live root ball."`
	PotWidthCM  *float64           `json:"potWidthCm,omitempty" doc:"Inner width of the present pot."`
	Reserves    treatment.Reserves `json:"reserves,omitempty" enum:"plump,ridged,shrivelled"`
	LiveRot     *bool              `json:"liveRot,omitempty"`
	InSpike     *bool              `json:"inSpike,omitempty"`
	WarmthC     *float64           `json:"warmthC,omitempty" doc:"Room warmth."`
	HumidityPct *float64           `json:"humidityPct,omitempty"`
	LookDays    *int               `json:"lookDays,omitempty" doc:"How often the carer can look."`
	Limp        *bool              `json:"limp,omitempty" doc:"Whether it hangs limp now."`
	Moist       treatment.Moist    `json:"moist,omitempty" enum:"soaked,wet,right,due,dry,bone" doc:"Its medium."`
	Standing    *bool              `json:"standing,omitempty" doc:"Whether water stands in saucer or outer pot."`
	Plug        *bool              `json:"plug,omitempty" doc:"Whether a nursery plug sits in its roots."`
	PotHoles    *bool              `json:"potHoles,omitempty" doc:"Whether its pot has holes that water runs out of."`
	OffsetsSeen *int               `json:"offsetsSeen,omitempty" doc:"Plantlets, pups or offsets on it."`
	Growths     *int               `json:"growths,omitempty" doc:"Bulbs, canes, shoots or rosettes."`
	Growing     *bool              `json:"growing,omitempty" doc:"Something new was seen within a month."`
	OwnedDays   *int               `json:"ownedDays,omitempty" doc:"Days since it came; missing where nobody knows."`

	RootWash    string `json:"rootWash,omitempty" enum:"soap,peroxide,fungicide,water" doc:"The root rinse."`
	School      string `json:"school,omitempty" doc:"The orchid school taken."`
	Spikes      string `json:"spikes,omitempty" enum:"cut,keep-one,keep" doc:"What is done with flower spikes."`
	Plantlets   string `json:"plantlets,omitempty" enum:"now,wait,stay" doc:"When plantlets come off."`
	DryRoots    string `json:"dryRoots,omitempty" enum:"cut,keep,wait" doc:"What is done with roots that look dry."`
	PestFirst   string `json:"pestFirst,omitempty" enum:"soap,oil,neem,earth,alcohol,systemic,predators,hot-dip"`
	Arrivals    string `json:"arrivals,omitempty" enum:"two-weeks,needed,at-once" doc:"When newcomers are repotted."`
	CutDressing string `json:"cutDressing,omitempty" enum:"dry,cinnamon,powder"`
	CrownDose   string `json:"crownDose,omitempty" enum:"dry,peroxide,label"`
	Cover       string `json:"cover,omitempty" enum:"kind,open,none"`
	FirstWater  string `json:"firstWater,omitempty" enum:"dry-day,at-once"`
	Succulent   string `json:"succulentWater,omitempty" enum:"dry-day,at-roots"`
	Gnats       string `json:"gnats,omitempty" enum:"dry-top,grit,larvicide"`
	Aim         string `json:"aim,omitempty" enum:"S0,S4,S5,S6,mount" doc:"What a change of set-up aims at."`

	Wish      treatment.Wish `json:"wish,omitempty" enum:"setup-change,propagate,refresh,part,prune"`
	Edits     []Edit         `json:"edits,omitempty" maxItems:"60" doc:"What the carer does otherwise than the plan."`
	Overruled []string       `json:"overruled,omitempty" maxItems:"40" doc:"Rules set aside, in older records."`
}

// Edit is one thing that the carer does otherwise than the plan: a step left
// out, a sitting on another day, another pot.
type Edit struct {
	Step       string   `json:"step" maxLength:"60" doc:"Id of the step."`
	LeaveOut   bool     `json:"leaveOut,omitempty"`
	Day        *int     `json:"day,omitempty" minimum:"0" maximum:"400" doc:"To which its sitting moves."`
	PotWidthCM *float64 `json:"potWidthCm,omitempty" minimum:"1" maximum:"200"`
	// Reason is needed where the change goes against rules, which are named: it is of
	// this change and of no other.
	Reason  string   `json:"reason,omitempty" maxLength:"300"`
	Against []string `json:"against,omitempty" maxItems:"30" doc:"Ids of the rules that it goes against."`
}

// changes says whether it changes anything.
func (e Edit) changes() bool { return e.LeaveOut || e.Day != nil || e.PotWidthCM != nil }

// covers gives its reason for going against a rule; empty where it has none.
func (e Edit) covers(rule treatment.RuleID) string {
	if !slices.Contains(e.Against, string(rule)) {
		return ""
	}
	return strings.TrimSpace(e.Reason)
}

func number[T int | float64](v *T) treatment.Number {
	if v == nil {
		return treatment.Number{}
	}
	return treatment.N(float64(*v))
}

func yes(v *bool) treatment.Yes {
	if v == nil {
		return treatment.Yes{}
	}
	return treatment.Yes{Said: *v, Known: true}
}

func flag(v *bool) treatment.Number {
	if v == nil {
		return treatment.Number{}
	}
	if *v {
		return treatment.N(1)
	}
	return treatment.N(0)
}

// fill puts the answers into a situation, where they say something.
func (a Answers) fill(s *treatment.Situation) {
	f := &s.Answers
	f.LiveRoots, f.DeadRoots, f.LiveTips = number(a.LiveRoots), number(a.DeadRoots), number(a.LiveTips)
	f.RootBallCM, f.PotWidthCM = number(a.RootBallCM), number(a.PotWidthCM)
	f.Reserves, f.Limp, f.Moist, f.Standing, f.Plug = a.Reserves, yes(a.Limp), a.Moist, yes(a.Standing), yes(a.Plug)
	f.PotHoles = yes(a.PotHoles)
	f.Spikes, f.Plantlets, f.Growths = flag(a.InSpike), number(a.OffsetsSeen), number(a.Growths)
	f.Growing, f.NewcomerDays = yes(a.Growing), number(a.OwnedDays)
	if a.LiveRot != nil {
		f.RotAlive = yes(a.LiveRot)
	}
	s.Wish = a.Wish
	s.Place.HumidityPct, s.Place.LookDays = number(a.HumidityPct), number(a.LookDays)
	if a.WarmthC != nil {
		s.Place.WarmthC = number(a.WarmthC)
		s.Place.LowC, s.Place.HighC = treatment.Number{}, treatment.Number{}
	}
	s.Choices = a.choices()
}

// inRecord are words that stand in records for sides that plans name otherwise.
var inRecord = map[string]string{
	"fungicide": "label",
	"cut":       "off today",
	"keep-one":  "keep one",
	"two-weeks": "14 d",
	"at-once":   "at once",
	"dry-day":   "dry day",
	"at-roots":  "at roots",
	"dry-top":   "dry top",
}

func side(s string) string {
	if known, ok := inRecord[s]; ok {
		return known
	}
	return s
}

func (a Answers) choices() treatment.Choices {
	c := treatment.Choices{
		School:      a.School,
		RootRinse:   side(a.RootWash),
		Spikes:      side(a.Spikes),
		Plantlets:   a.Plantlets,
		DryRoots:    a.DryRoots,
		PestFirst:   a.PestFirst,
		Newcomer:    side(a.Arrivals),
		CutDressing: a.CutDressing,
		CrownDose:   a.CrownDose,
		Cover:       a.Cover,
		FirstWater:  side(a.FirstWater),
		Succulent:   side(a.Succulent),
		Gnats:       side(a.Gnats),
		Aim:         a.Aim,
	}
	if a.RootWash == "soap" { // older records: a rinse of a few drops is meant
		c.RootRinse = "soap"
	}
	return c
}
