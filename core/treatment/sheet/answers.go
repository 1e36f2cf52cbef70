package sheet

import (
	"cmp"
	"slices"
	"strings"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/plant"

	"tendermend/core/treatment"
)

// Answers are what the carer is asked before a plan is made, as they stand in
// the record. What is missing was not answered.
type Answers struct {
	LiveRoots   *int           `json:"liveRoots,omitempty" minimum:"-9999" maximum:"99999" doc:"Live roots counted."`
	DeadRoots   *int           `json:"deadRoots,omitempty" minimum:"-9999" maximum:"99999" doc:"Dead roots counted."`
	LiveTips    *int           `json:"liveTips,omitempty" minimum:"-9999" maximum:"99999"`
	RootBallCM  *float64       `json:"rootBallCm,omitempty" minimum:"-999" maximum:"9999" doc:"Width of what lives."`
	PotWidthCM  *float64       `json:"potWidthCm,omitempty" minimum:"-9999" maximum:"99999" doc:"Inner width of its pot."`
	Reserves    facts.Reserves `json:"reserves,omitempty" enum:"plump,ridged,shrivelled"`
	LiveRot     *bool          `json:"liveRot,omitempty"`
	InSpike     *bool          `json:"inSpike,omitempty"`
	WarmthC     *float64       `json:"warmthC,omitempty" minimum:"-9999" maximum:"99999" doc:"Room warmth."`
	HumidityPct *float64       `json:"humidityPct,omitempty" minimum:"-9999" maximum:"99999"`
	LookDays    *int           `json:"lookDays,omitempty" minimum:"-999" maximum:"9999" doc:"Days between looks."`
	Limp        *bool          `json:"limp,omitempty" doc:"Whether it hangs limp now."`
	Moist       facts.Moist    `json:"moist,omitempty" enum:"soaked,wet,right,due,dry,bone" doc:"Its medium."`
	Standing    *bool          `json:"standing,omitempty" doc:"Whether water stands in saucer or outer pot."`
	Plug        *bool          `json:"plug,omitempty" doc:"Whether a nursery plug sits in its roots."`
	PotHoles    *bool          `json:"potHoles,omitempty" doc:"Whether its pot has holes that water runs out of."`
	OffsetsSeen *int           `json:"offsetsSeen,omitempty" minimum:"-999" maximum:"9999" doc:"Offsets on it."`
	Growths     *int           `json:"growths,omitempty" minimum:"-9999" maximum:"99999" doc:"Bulbs, canes or rosettes."`
	Growing     *bool          `json:"growing,omitempty" doc:"Something new was seen within a month."`
	OwnedDays   *int           `json:"ownedDays,omitempty" minimum:"-999" maximum:"99999" doc:"Days since it came."`

	Seat facts.Seat `json:"seat,omitempty" enum:"pot,basket,mount,hung,cup,dish,reservoir,jar,box" doc:"Its seat."`

	// MediumClass is the sort of medium that it is in.
	MediumClass facts.MediumClass `json:"mediumClass,omitempty" enum:"soil,bark,moss,stones,peat,water,none"`

	Medium   facts.MediumState `json:"medium,omitempty" enum:"sound,tired,rotten,sour,crusted,repels,infested"`
	Infested *float64          `json:"infested,omitempty" minimum:"0" maximum:"1" doc:"Share of it that is infested."`
	// SetAside is why nothing holds the work on its roots back, by the carer's own word.
	SetAside string `json:"setAside,omitempty" maxLength:"300" doc:"Why nothing holds its root work back."`
	// Unknown are questions that were answered with “don't know”: the cautious value is taken, and said.
	Unknown []string `json:"unknown,omitempty" maxItems:"20" doc:"Questions that nobody can answer."`

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
	MultiplyBy  string `json:"multiplyBy,omitempty" maxLength:"20" doc:"The way in which it is multiplied."`
	Aim         string `json:"aim,omitempty" enum:"S0,S4,S5,S6,mount" doc:"What a change of set-up aims at."`
	// Mix is the mix that the carer takes, where it is not the one of its kind.
	Mix []plant.Part `json:"mix,omitempty" maxItems:"12" doc:"The mix that is taken instead of its kind's."`

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

func number[T int | float64](v *T) facts.Number {
	if v == nil {
		return facts.Number{}
	}
	return facts.Said(float64(*v))
}

func yes(v *bool) facts.Yes {
	if v == nil {
		return facts.Yes{}
	}
	return facts.Said(*v)
}

func flag(v *bool) facts.Number {
	switch {
	case v == nil:
		return facts.Number{}
	case *v:
		return facts.Said(1.0)
	}
	return facts.Said(0.0)
}

// word is an answer by a word; empty was not given.
func word[T ~string](v T) facts.Fact[T] {
	if v == "" {
		return facts.Fact[T]{}
	}
	return facts.Said(v)
}

// take puts an answer of a day above what was known, where there is one.
func take[T any](f *facts.Fact[T], answer facts.Fact[T], on day.Day) {
	if answer.Known {
		*f = answer
		f.On = on
	}
}

// Tell puts the answers, given on a day, into facts, where they say something.
func (a Answers) Tell(f *facts.Facts, on day.Day) {
	take(&f.LiveRoots, number(a.LiveRoots), on)
	take(&f.DeadRoots, number(a.DeadRoots), on)
	take(&f.LiveTips, number(a.LiveTips), on)
	take(&f.RootBallCM, number(a.RootBallCM), on)
	take(&f.PotWidthCM, number(a.PotWidthCM), on)
	take(&f.Reserves, word(a.Reserves), on)
	take(&f.Moist, word(a.Moist), on)
	take(&f.Limp, yes(a.Limp), on)
	take(&f.Standing, yes(a.Standing), on)
	take(&f.Plug, yes(a.Plug), on)
	take(&f.PotHoles, yes(a.PotHoles), on)
	take(&f.Spikes, flag(a.InSpike), on)
	take(&f.Plantlets, number(a.OffsetsSeen), on)
	take(&f.Growths, number(a.Growths), on)
	take(&f.Growing, yes(a.Growing), on)
	take(&f.NewcomerDays, number(a.OwnedDays), on)
	take(&f.RotAlive, yes(a.LiveRot), on)
	take(&f.Seat, word(a.Seat), on)
	take(&f.MediumClass, word(a.MediumClass), on)
	take(&f.Medium, word(a.Medium), on)
	take(&f.Infested, number(a.Infested), on)
	take(&f.Place.HumidityPct, number(a.HumidityPct), on)
	take(&f.Place.LookDays, number(a.LookDays), on)
	take(&f.Place.WarmthC, number(a.WarmthC), on)
	if a.WarmthC != nil {
		f.Place.LowC, f.Place.HighC = facts.Number{}, facts.Number{}
	}
	if a.PotWidthCM != nil && !f.Seat.Known {
		f.Seat = facts.Seen(facts.InPot, on, facts.Derived)
	}
}

// fill puts the answers into a situation, where they say something.
func (a Answers) fill(s *treatment.Situation) {
	a.Tell(&s.Facts, s.On)
	s.Wish = a.Wish
	s.Choices = a.choices()
}

// inRecord are words that stand in records for sides that plans name otherwise.
var inRecord = map[string]treatment.Side{
	"fungicide": "label",
	"cut":       "off today",
	"keep-one":  "keep one",
	"two-weeks": "14 d",
	"at-once":   "at once",
	"dry-day":   "dry day",
	"at-roots":  "at roots",
	"dry-top":   "dry top",
}

func side(s string) treatment.Side { return cmp.Or(inRecord[s], treatment.Side(s)) }

func (a Answers) choices() treatment.Choices {
	c := treatment.Choices{
		School:      treatment.School(a.School),
		RootRinse:   side(a.RootWash),
		Spikes:      side(a.Spikes),
		Plantlets:   treatment.Side(a.Plantlets),
		DryRoots:    treatment.Side(a.DryRoots),
		PestFirst:   treatment.Side(a.PestFirst),
		Newcomer:    side(a.Arrivals),
		CutDressing: treatment.Side(a.CutDressing),
		CrownDose:   treatment.Side(a.CrownDose),
		Cover:       treatment.Side(a.Cover),
		FirstWater:  side(a.FirstWater),
		Succulent:   side(a.Succulent),
		Gnats:       side(a.Gnats),
		Aim:         treatment.Side(a.Aim),
		MultiplyBy:  a.MultiplyBy,
		Parts:       a.Mix,
	}
	if strings.TrimSpace(a.SetAside) != "" {
		c.Override = facts.Said(true)
	}
	if a.RootWash == "soap" { // older records: a rinse of a few drops is meant
		c.RootRinse = "soap"
	}
	return c
}
