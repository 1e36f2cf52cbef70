package record

import (
	"fmt"
	"strings"

	"tendermend/core/climate"
	"tendermend/core/diagnosis"
)

func (t *Tallied) check(situation) (faults Faults) {
	if t.Counted() == 0 && t.LongestMM == nil && t.Tips == nil && t.RootBallCM == nil {
		faults = append(faults, Fault{Field: "tallied", Message: "count at least one root, or measure something"})
	}
	for name, c := range map[string][4]int{"inMedium": {t.InMedium.Live, t.InMedium.Doubtful, t.InMedium.DeadDry, t.InMedium.Mushy},
		"inAir": {t.InAir.Live, t.InAir.Doubtful, t.InAir.DeadDry, t.InAir.Mushy}} {
		for i := range c {
			countBetween(&faults, "tallied."+name, &c[i], 0, 500)
		}
	}
	between(&faults, "tallied.longestMm", t.LongestMM, 0, 2000, "mm")
	countBetween(&faults, "tallied.tips", t.Tips, 0, 500)
	between(&faults, "tallied.rootBallCm", t.RootBallCM, 0.5, 200, "cm")
	return faults
}

func (f *Fed) check(situation) (faults Faults) {
	between(&faults, "fed.strength", &f.Strength, 0.05, 5, "times the label's rate")
	return faults
}

func (p *Potted) check(situation) (faults Faults) {
	if p.WidthCM == nil && p.DepthCM == nil && strings.TrimSpace(p.Medium) == "" {
		faults = append(faults, Fault{Field: "potted", Message: "say what is new: the pot's width, or the medium"})
	}
	between(&faults, "potted.widthCm", p.WidthCM, 1, 200, "cm")
	between(&faults, "potted.depthCm", p.DepthCM, 1, 200, "cm")
	return faults
}

func (m *Metered) check(situation) (faults Faults) {
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

func (a *Adjusted) check(situation) (faults Faults) {
	for _, f := range a.Wishes.Faults() {
		faults = append(faults, Fault{Field: "adjusted." + f.Field, Message: f.Message})
	}
	if strings.TrimSpace(a.Reason) == "" {
		faults = append(faults, Fault{Field: "adjusted.reason", Message: "say why this plant wants it otherwise"})
	}
	return faults
}

func (p *Prepared) check(situation) (faults Faults) {
	if strings.TrimSpace(p.What) == "" || len(p.Amounts) == 0 {
		faults = append(faults, Fault{Field: "prepared", Message: "say what was prepared, with at least one amount"})
	}
	return faults
}

func (t *Treated) check(situation) (faults Faults) {
	if strings.TrimSpace(t.Product) == "" {
		faults = append(
			faults,
			Fault{Field: "treated.product", Message: "name the product as it stands on its label"},
		)
	}
	if _, ok := diagnosis.CauseByID(t.Against); t.Against != "" && !ok {
		faults = append(
			faults,
			Fault{Field: "treated.against", Message: fmt.Sprintf("there is no cause %q", t.Against)},
		)
	}
	countBetween(&faults, "treated.intervalDays", &t.IntervalDays, 0, 365)
	between(&faults, "treated.reentryHours", &t.ReentryHours, 0, 1000, "hours")
	return faults
}

// howKnown are the ways in which one knows what it was.
var howKnown = map[string]bool{"seen": true, "mended-by": true, "laboratory": true, "died-of": true, "guess": true}

func (c *Confirmed) check(s situation) (faults Faults) {
	faults = checkCauses("confirmed.causes", c.Causes)
	if !howKnown[c.How] {
		faults = append(
			faults,
			Fault{
				Field:   "confirmed.how",
				Message: "say how you know: seen, mended by its treatment, a laboratory, what it died of, or a guess",
			},
		)
	}
	if s.state.Examined == nil {
		faults = append(
			faults,
			Fault{
				Field:    "confirmed",
				Message:  "it was never examined, so there is nothing to confirm; examine it first",
				Conflict: true,
			},
		)
	}
	return faults
}

// checkCauses refuses unknown causes, causes named twice and too many.
func checkCauses(field string, ids []string) (faults Faults) {
	seen := map[string]bool{}
	for i, id := range ids {
		at := fmt.Sprintf("%s[%d]", field, i)
		if _, ok := diagnosis.CauseByID(id); !ok {
			faults = append(faults, Fault{Field: at, Message: fmt.Sprintf("there is no cause %q", id)})
		}
		if seen[id] {
			faults = append(faults, Fault{Field: at, Message: fmt.Sprintf("%q stands twice; name it once", id)})
		}
		seen[id] = true
	}
	if len(ids) > 6 {
		faults = append(
			faults,
			Fault{Field: field, Message: "name at most six causes; more cannot be told apart or treated at once"},
		)
	}
	return faults
}
