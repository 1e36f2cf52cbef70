package exchange

import (
	"fmt"
	"math"

	"tendermend/core/place"
	"tendermend/record"
)

// The readings that can be: °C on earth, percent of moist air, and daylight in µmol.
const (
	coldest, warmest = -90, 90
	mostLight        = 2500
	mostLatitude     = 89
)

// airFaults says which readings of a place cannot be: none is taken over then.
func (p Place) airFaults(at string) (faults record.Faults) {
	for i, r := range p.Readings {
		if outside(r.TempC, coldest, warmest) || outside(r.Humidity, 0, 100) {
			faults = append(faults, record.Fault{Field: fmt.Sprintf("%s.readings[%d]", at, i),
				Message: fmt.Sprintf("warmth lies between %d and %d °C, and moisture between 0 and 100 %%", coldest, warmest)})
			break
		}
	}
	for i, l := range p.Lights {
		if outside(&l.Hour, 0, 24) || outside(&l.PPFD, 0, mostLight) ||
			l.Sky != place.GreySky && l.Sky != place.ClearSky {
			faults = append(faults, record.Fault{Field: fmt.Sprintf("%s.lights[%d]", at, i),
				Message: fmt.Sprintf("an hour of the day, an overcast or a clear sky, and light up to %d are wanted", mostLight)})
			break
		}
	}
	return faults
}

// siteFaults says what keeps a collection from being there.
func siteFaults(at *place.Site) record.Faults {
	if at == nil {
		return nil
	}
	said := math.Abs(at.Latitude) <= mostLatitude && len(at.Nights) == 12 && place.CheckNights(at.Nights) == nil
	if said {
		return nil
	}
	return record.Faults{{Field: "site", Message: "a latitude up to 89° and the nights of twelve months are wanted"}}
}

func outside(v *float64, least, most float64) bool {
	return v != nil && (math.IsNaN(*v) || *v < least || *v > most)
}
