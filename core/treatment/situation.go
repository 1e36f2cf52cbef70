// Package treatment composes a plan for one plant from the protocols for the
// causes that its carer accepts: dated steps in working order, with amounts
// and cautions.
package treatment

import (
	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/pest"
	"tendermend/core/plant"
)

// Reserves say what a plant can live on.
type Reserves string

// The grades of reserves; empty when nobody looked.
const (
	Plump      Reserves = "plump"
	Ridged     Reserves = "ridged"
	Shrivelled Reserves = "shrivelled"
)

// Situation is what a plan is made for.
type Situation struct {
	Habit   plant.Habit
	Profile *plant.Profile
	Causes  []string // accepted, most urgent or likeliest first
	Season  climate.Season
	Start   day.Day
	Answers Answers
	// Chances are those of the differential when the causes were accepted; empty
	// where nobody examined it.
	Chances   map[string]float64
	Household Household
	// Warmth is that of its place; the zero value stands for a usual room.
	Warmth pest.Warmth
}

// warmth gives the warmth of the place, a usual room where nothing is known.
func (s Situation) warmth() pest.Warmth {
	if s.Warmth.High == 0 && len(s.Warmth.Read) == 0 {
		return pest.UsualRoom
	}
	return s.Warmth
}

// Household is who lives where the plant is treated.
type Household struct {
	Children    bool `json:"children"`
	Pets        bool `json:"pets"`
	Pollinators bool `json:"pollinators" doc:"Plants stand outdoors, or where bees reach them."`
	Asthma      bool `json:"asthma"`
}

// Answers are what the carer is asked before a plan is made. What is nil was
// not answered.
type Answers struct {
	LiveRoots   *int     `json:"liveRoots,omitempty" doc:"Live roots counted."`
	LiveTips    *int     `json:"liveTips,omitempty"`
	RootBallCM  *float64 `json:"rootBallCm,omitempty" doc:"Width of the live root ball."`
	PotWidthCM  *float64 `json:"potWidthCm,omitempty" doc:"Inner width of the present pot."`
	Reserves    Reserves `json:"reserves,omitempty" enum:"plump,ridged,shrivelled"`
	LiveRot     *bool    `json:"liveRot,omitempty"`
	InSpike     *bool    `json:"inSpike,omitempty"`
	WarmthC     *float64 `json:"warmthC,omitempty" doc:"Room warmth."`
	HumidityPct *float64 `json:"humidityPct,omitempty"`
	LookDays    *int     `json:"lookDays,omitempty" doc:"How often the carer can look."`
	RootWash    string   `json:"rootWash,omitempty" enum:"soap,peroxide,fungicide" doc:"The school of root wash."`
	School      string   `json:"school,omitempty" doc:"The orchid school taken."`
	Spikes      string   `json:"spikes,omitempty" enum:"cut,keep-one" doc:"What is done with flower spikes."`
	Plantlets   string   `json:"plantlets,omitempty" enum:"now,wait" doc:"When plantlets come off."`
	DryRoots    string   `json:"dryRoots,omitempty" enum:"cut,keep" doc:"What is done with roots that look dry."`
	PestFirst   string   `json:"pestFirst,omitempty" enum:"soap,neem,earth,alcohol,systemic,predators" doc:"What is tried first against pests."`
	Arrivals    string   `json:"arrivals,omitempty" enum:"two-weeks,needed,at-once" doc:"When newcomers are repotted."`
	Overruled   []string `json:"overruled,omitempty" maxItems:"40" doc:"Ids of rules that the carer sets aside."`
}

func is(b *bool) bool { return b != nil && *b }

// fewRoots says whether an orchid's roots call for one of the schools.
func (s Situation) fewRoots() bool {
	if s.Answers.LiveRoots != nil {
		return *s.Answers.LiveRoots <= 3
	}
	for _, c := range s.Causes {
		if c == "dry-root-loss" || c == "detached" {
			return true
		}
	}
	return false
}

// WantsSchool says whether the plan needs one of the orchid schools: an orchid
// with few or no live roots.
func (s Situation) WantsSchool() bool {
	if !s.Habit.Orchid {
		return false
	}
	if s.fewRoots() {
		return true
	}
	return s.Answers.LiveRoots == nil && s.accepts("root-rot")
}

func (s Situation) accepts(cause string) bool {
	for _, c := range s.Causes {
		if c == cause {
			return true
		}
	}
	return false
}
