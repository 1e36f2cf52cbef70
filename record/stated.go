package record

import (
	"reflect"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/recovery"
	"tendermend/core/water"
)

// Stated is what somebody said of the plant, or what a step of its plan made so: each
// thing that is set, and nothing of the others.
type Stated struct {
	Seat facts.Seat `json:"seat,omitempty" enum:"pot,basket,mount,hung,cup,dish,reservoir,jar,box,tray,hand,bin"`

	MediumClass facts.MediumClass `json:"mediumClass,omitempty" enum:"soil,bark,moss,stones,peat,water,none"`
	Medium      facts.MediumState `json:"medium,omitempty" enum:"sound,tired,rotten,sour,crusted,repels,infested"`
	Moist       facts.Moist       `json:"moist,omitempty" enum:"soaked,wet,right,due,dry,bone"`
	PotWidthCM  *float64          `json:"potWidthCm,omitempty" minimum:"-999" maximum:"9999" doc:"Inner width of its pot."`
	Holes       *bool             `json:"holes,omitempty" doc:"Whether water runs out of its pot."`
	Standing    *bool             `json:"standing,omitempty" doc:"Whether water stands in saucer or outer pot."`
	BaseUnderCM *float64          `json:"baseUnderCm,omitempty" minimum:"-9999" maximum:"99999" doc:"Depth of its base."`
	Plug        *bool             `json:"plug,omitempty" doc:"Whether a nursery plug sits in the roots."`
	Cover       facts.Cover       `json:"cover,omitempty" enum:"none,open,closed"`
	Limp        *bool             `json:"limp,omitempty"`
	Reserves    facts.Reserves    `json:"reserves,omitempty" enum:"plump,ridged,shrivelled"`
	RotAlive    *bool             `json:"rotAlive,omitempty" doc:"Whether rot spreads now."`
	Growing     *bool             `json:"growing,omitempty" doc:"Whether anything new was seen within a month."`
	Resting     *bool             `json:"resting,omitempty"`
	Spikes      *int              `json:"spikes,omitempty" minimum:"-9999" maximum:"99999" doc:"Spikes in bud or bloom."`
	Growths     *int              `json:"growths,omitempty" minimum:"-999" maximum:"9999" doc:"Bulbs, canes or rosettes."`
	Leaves      *int              `json:"leaves,omitempty" minimum:"-9999" maximum:"99999"`
	Plantlets   *int              `json:"plantlets,omitempty" minimum:"-999" maximum:"9999" doc:"Offsets on it."`
	Infested    *float64          `json:"infested,omitempty" minimum:"-999" maximum:"9999" doc:"Share infested."`
	LightShare  *float64          `json:"lightShare,omitempty" minimum:"-999" maximum:"9999" doc:"Its light, of the best."`
	WarmthC     *float64          `json:"warmthC,omitempty" minimum:"-999" maximum:"9999" doc:"Warmth it is kept at, °C."`
	NoWater     *bool             `json:"noWater,omitempty" doc:"Whether it is kept dry until further notice."`
	NoFeed      *bool             `json:"noFeed,omitempty" doc:"Whether nothing is fed until further notice."`
}

// KindStated stands in stored records: it is never renamed or used for another.
const KindStated Kind = "stated"

// Kind names it.
func (*Stated) Kind() Kind { return KindStated }

func (st *Stated) check(*situation) (faults Faults) {
	if reflect.ValueOf(*st).IsZero() {
		faults = append(faults, Fault{Field: "stated", Message: "say at least one thing of the plant"})
	}
	between(&faults, "stated.potWidthCm", st.PotWidthCM, 1, 200, "cm")
	between(&faults, "stated.baseUnderCm", st.BaseUnderCM, 0, 100, "cm")
	between(&faults, "stated.infested", st.Infested, 0, 1, "of it")
	between(&faults, "stated.lightShare", st.LightShare, 0, 1, "of its best light")
	between(&faults, "stated.warmthC", st.WarmthC, -10, 45, "°C")
	countBetween(&faults, "stated.spikes", st.Spikes, 0, 200)
	countBetween(&faults, "stated.growths", st.Growths, 0, 500)
	countBetween(&faults, "stated.leaves", st.Leaves, 0, 5000)
	countBetween(&faults, "stated.plantlets", st.Plantlets, 0, 100)
	return faults
}

func (st *Stated) apply(s *State, e Entry) {
	f, from := &s.Known, facts.Typed
	if e.With != nil {
		from = facts.Done
	}
	st.into(f, e.On, from)
	if st.PotWidthCM != nil {
		s.Pot.WidthCM = st.PotWidthCM
	}
	for measure, said := range map[string]*bool{water.GrowingMeasure: st.Growing, water.RestMeasure: st.Resting} {
		if said != nil && e.With == nil {
			s.Readings.Add(measure, recovery.Reading{On: e.On, Value: asReading(*said)})
		}
	}
	s.looked(e.On)
}

// into puts what is said into facts.
func (st *Stated) into(f *facts.Facts, on day.Day, from facts.Source) {
	setWord(&f.Seat, st.Seat, on, from)
	setWord(&f.MediumClass, st.MediumClass, on, from)
	setWord(&f.Medium, st.Medium, on, from)
	setWord(&f.Moist, st.Moist, on, from)
	setWord(&f.Cover, st.Cover, on, from)
	setWord(&f.Reserves, st.Reserves, on, from)
	set(&f.PotWidthCM, st.PotWidthCM, on, from)
	set(&f.BaseUnderCM, st.BaseUnderCM, on, from)
	set(&f.Infested, st.Infested, on, from)
	set(&f.LightShare, st.LightShare, on, from)
	set(&f.Place.WarmthC, st.WarmthC, on, from)
	set(&f.PotHoles, st.Holes, on, from)
	set(&f.Standing, st.Standing, on, from)
	set(&f.Plug, st.Plug, on, from)
	set(&f.Limp, st.Limp, on, from)
	set(&f.RotAlive, st.RotAlive, on, from)
	set(&f.Growing, st.Growing, on, from)
	set(&f.Resting, st.Resting, on, from)
	set(&f.NoWater, st.NoWater, on, from)
	set(&f.NoFeed, st.NoFeed, on, from)
	setCount(&f.Spikes, st.Spikes, on, from)
	setCount(&f.Growths, st.Growths, on, from)
	setCount(&f.Leaves, st.Leaves, on, from)
	setCount(&f.Plantlets, st.Plantlets, on, from)
}

func set[T any](f *facts.Fact[T], v *T, on day.Day, from facts.Source) {
	if v != nil {
		*f = facts.Seen(*v, on, from)
	}
}

func setWord[T ~string](f *facts.Fact[T], v T, on day.Day, from facts.Source) {
	if v != "" {
		*f = facts.Seen(v, on, from)
	}
}

func setCount(f *facts.Number, v *int, on day.Day, from facts.Source) {
	if v != nil {
		*f = facts.Seen(float64(*v), on, from)
	}
}

func asReading(yes bool) float64 {
	if yes {
		return 1
	}
	return 0
}

func (*Stated) event(State) (string, bool) { return "", false }

func (*Stated) taken() taken { return whileHere }

func (*Stated) effort() (Effort, int) { return ForLooks, 1 }
