package record

import (
	"fmt"

	"tendermend/core/climate"
)

// Metered is what was read of light and air at the plant's leaves.
type Metered struct {
	Lux         *float64     `json:"lux,omitempty" minimum:"-9999" maximum:"999999" doc:"Light at leaf height, lux."`
	Lamp        climate.Lamp `json:"lamp,omitempty" enum:"sun,cool-white,metal-halide,high-pressure-sodium,incandescent"`
	Hours       *float64     `json:"hours,omitempty" minimum:"-999" maximum:"9999" doc:"Hours a day at about that light."`
	MinC        *float64     `json:"minC,omitempty" minimum:"-9999" maximum:"99999" doc:"Lowest night, °C."`
	MaxC        *float64     `json:"maxC,omitempty" minimum:"-9999" maximum:"99999" doc:"Highest day, °C."`
	HumidityPct *float64     `json:"humidityPct,omitempty" minimum:"-999" maximum:"9999" doc:"Humidity, %."`
}

// KindMetered stands in stored records: it is never renamed or used for another.
const KindMetered Kind = "metered"

// Kind names it.
func (*Metered) Kind() Kind { return KindMetered }

func (m *Metered) check(*situation) (faults Faults) {
	if m.Lux == nil && m.MinC == nil && m.MaxC == nil && m.HumidityPct == nil {
		faults = append(faults, Fault{Field: "metered", Message: "give at least one reading"})
	}
	between(&faults, "metered.lux", m.Lux, 0, 200000, "lux")
	between(&faults, "metered.hours", m.Hours, 0.5, 24, "hours a day")
	between(&faults, "metered.minC", m.MinC, -40, 50, "°C")
	between(&faults, "metered.maxC", m.MaxC, -40, 60, "°C")
	between(&faults, "metered.humidityPct", m.HumidityPct, 1, 100, "%")
	if m.MinC != nil && m.MaxC != nil && *m.MinC > *m.MaxC {
		faults = append(
			faults,
			Fault{Field: "metered.minC", Message: "the night's lowest is above the day's highest; change them round"},
		)
	}
	if m.Lamp != "" && !climate.LampKnown(m.Lamp) {
		faults = append(
			faults,
			Fault{
				Field:   "metered.lamp",
				Message: fmt.Sprintf("there is no lamp %q; pick what gives the light", m.Lamp),
			},
		)
	}
	return faults
}

func (m *Metered) apply(s *State, e Entry) { s.Meters = append(s.Meters, Meter{e.On, *m}) }

func (*Metered) event(State) (string, bool) { return "", false }

func (*Metered) taken() taken { return whileHere }

func (*Metered) effort() (Effort, int) { return ForLooks, 2 }
