package bench

import (
	"errors"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/feed"
	"tendermend/core/mix"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/working"
)

// FeedInput asks what feeds bring to the water.
type FeedInput struct {
	Doses   []feed.Dose `json:"doses" minItems:"1" maxItems:"6"`
	WantedN *float64    `json:"wantedN,omitempty" minimum:"0" maximum:"10000" doc:"Wanted nitrogen, ppm."`
	PotCM   *float64    `json:"potCm,omitempty" minimum:"0" maximum:"1000" doc:"Pot width, cm, for the volume of a flush."`
}

// Feed gives ppm of each element, half and quarter strength, the grams for a
// wanted strength, and the volume of a flush.
func Feed(i FeedInput) (Reckoning, error) {
	r := fresh()
	if len(i.Doses) == 0 {
		return r, Fault{"doses", "give at least one feed"}
	}
	w, err := feed.Water(i.Doses)
	if err != nil {
		return r, Fault{"doses", err.Error()}
	}
	r.elements(i, w)
	if i.WantedN != nil {
		grams, err := feed.ForNitrogen(i.Doses[0].Label, *i.WantedN)
		if err != nil {
			return r, Fault{"wantedN", err.Error()}
		}
		r.add(i.Doses[0].Label.Name+" for that much N", grams, "g/l", "ppm ÷ (% × 10)", ppmSource,
			"as sure as the label", in("wanted N", *i.WantedN, "ppm"), in("N on the label", i.Doses[0].Label.N, "%"))
	}
	if i.PotCM != nil {
		if err := between("potCm", *i.PotCM, 1, 200, "cm"); err != nil {
			return r, err
		}
		r.add("clean water for a flush", 3*mix.PotLitres(*i.PotCM), "l", "3 × the volume of a usual pot",
			"geometry; three volumes common practice", "more does no harm where it drains", in("pot", *i.PotCM, "cm"))
	}
	if w.N > 300 {
		r.warn("Over 300 ppm N burns roots of most indoor plants.")
	}
	if fallsOut(i.Doses) {
		r.warn(
			"Calcium with phosphate or sulphate falls out in a strong stock: keep two stock bottles, mix only in " +
				"the watering can.",
		)
	}
	return r, nil
}

const ppmSource = "definition of ppm; P and K from their oxides by IUPAC atomic weights"

// elements adds what the doses give of each element, and of N at half and a
// quarter of the strength.
func (r *Reckoning) elements(i FeedInput, w feed.PPM) {
	var inputs []working.Input
	for _, d := range i.Doses {
		inputs = append(inputs, in(d.Label.Name, d.PerLitre, "g/l"))
	}
	for _, e := range []struct {
		name  string
		value float64
	}{{"N", w.N}, {"P", w.P}, {"K", w.K}, {"Ca", w.Ca}, {"Mg", w.Mg}} {
		if e.value > 0 || e.name == "N" {
			r.add(e.name, e.value, "ppm", "g/l × % × 10, P₂O₅ × 0.436, K₂O × 0.830", ppmSource,
				"as sure as the scale", inputs...)
		}
	}
	r.add("N at half strength", w.N/2, "ppm", "half of it", "arithmetic", "exact")
	r.add("N at a quarter, each watering", w.N/4, "ppm", "a quarter of it: weakly, weekly",
		working.CommonPractice, "exact")
}

// fallsOut says whether calcium of one feed meets phosphate or sulphate of another.
func fallsOut(doses []feed.Dose) bool {
	calcium, phosphate := false, false
	for _, d := range doses {
		calcium = calcium || d.Label.Ca > 0
		phosphate = phosphate || d.Label.P2O5 > 0 || d.Label.Mg > 0
	}
	return calcium && phosphate && len(doses) > 1
}

// LightInput asks what a light reading comes to over a day.
type LightInput struct {
	Reading float64      `json:"reading" minimum:"0" maximum:"300000"`
	Unit    string       `json:"unit" enum:"lux,fc" doc:"Lux or foot-candles."`
	Lamp    climate.Lamp `json:"lamp" enum:"sun,cool-white,metal-halide,high-pressure-sodium,incandescent"`
	Hours   float64      `json:"hours" minimum:"0" maximum:"24" doc:"Hours a day at about that light."`
}

// Light gives PPFD, the daily light integral and, against a kind, the hours to
// reach what it wants.
func Light(i LightInput, kind *plant.Profile) (Reckoning, error) {
	r := fresh()
	if err := errors.Join(between("reading", i.Reading, 0, 200000, i.Unit), between("hours", i.Hours, 0.1, 24,
		"hours")); err != nil {
		return r, firstFault(err)
	}
	if !climate.LampKnown(i.Lamp) {
		return r, Fault{"lamp", "pick what gives the light"}
	}
	lux := i.Reading
	if i.Unit == "fc" {
		lux *= climate.FootCandles
		r.add("light", lux, "lux", "foot-candles × 10.764", "definition", "exact", in("reading", i.Reading, "fc"))
	}
	ppfd := climate.PPFD(lux, i.Lamp)
	const source = "Thimijan and Heins 1983, HortScience 18:818 (from memory)"
	r.add(
		"PPFD",
		ppfd,
		"µmol m⁻² s⁻¹",
		"lux ÷ lux per µmol of the lamp",
		source,
		"within about a tenth; LEDs differ",
		in("lux", lux, "lux"),
	)
	dli := climate.DLI(ppfd, i.Hours)
	r.add(
		"light a day (DLI)",
		dli,
		"mol m⁻²",
		"PPFD × hours × 0.0036",
		"arithmetic",
		"rough: one reading stands for the day",
		in("PPFD", ppfd, ""),
		in("hours", i.Hours, ""),
	)
	if kind != nil {
		r.lightFor(*kind, ppfd, dli)
	}
	return r, nil
}

// lightFor says how light stands to what a kind wants, and the hours to reach it.
func (r *Reckoning) lightFor(kind plant.Profile, ppfd, dli float64) {
	if ppfd > 0 {
		r.hoursFor("hours for the least it wants", kind.Light[0], ppfd, kind)
		r.hoursFor("hours for its best", kind.Light[1], ppfd, kind)
	}
	switch {
	case dli < kind.Light[0]:
		r.warn("Too little for it: it wants at least %g mol a day.", kind.Light[0])
	case dli > kind.Light[2]:
		r.warn("Too much for it: it bears %g mol a day at most. Less light, by steps.", kind.Light[2])
	}
}

func (r *Reckoning) hoursFor(what string, wanted, ppfd float64, kind plant.Profile) {
	hours := climate.HoursFor(wanted, ppfd)
	if hours > 24 {
		r.warn("Even 24 hours at this light do not give it %g mol: bring it nearer, or use a stronger lamp.", wanted)
		return
	}
	r.add(what, hours, "h", "wanted DLI ÷ (PPFD × 0.0036)", "arithmetic; its wishes: "+kind.Source,
		"as sure as the reading", in("wanted", wanted, "mol m⁻²"))
}

// AirInput asks what air feels like to a leaf.
type AirInput struct {
	TempC       float64 `json:"tempC" minimum:"-60" maximum:"60"`
	HumidityPct float64 `json:"humidityPct" minimum:"0" maximum:"100"`
	Chamber     bool    `json:"chamber,omitempty" doc:"Whether it is the air in a closed chamber."`
}

// Air gives VPD and dew point, with comfort against the usual and the kind.
func Air(i AirInput, kind *plant.Profile) (Reckoning, error) {
	r := fresh()
	if err := errors.Join(between("tempC", i.TempC, -20, 60, "°C"), between("humidityPct", i.HumidityPct, 1, 100,
		"%")); err != nil {
		return r, firstFault(err)
	}
	inputs := []working.Input{in("air", i.TempC, "°C"), in("humidity", i.HumidityPct, "%")}
	const source = "FAO Irrigation and Drainage Paper 56 (Allen et al. 1998), eq. 11"
	vpd := climate.VPD(i.TempC, i.HumidityPct)
	r.add(
		"vapour pressure deficit",
		vpd,
		"kPa",
		"0.6108·exp(17.27T/(T+237.3)) × (1 − RH/100)",
		source,
		"leaf taken as warm as the air",
		inputs...)
	dew := climate.DewPoint(i.TempC, i.HumidityPct)
	r.add("dew point", dew, "°C", "the same, turned round", source, "as sure as the readings", inputs...)
	band, where := climate.LeafComfort, "Most foliage in growth is at ease"
	if i.Chamber {
		band, where = climate.ChamberComfort, "Rootless plants in a chamber are at ease"
	}
	r.add("at ease from", band[0], "kPa", where, working.CommonPractice, "usual")
	r.add("at ease to", band[1], "kPa", where, working.CommonPractice, "usual")
	switch {
	case vpd < band[0]:
		r.warn("Very moist: leaves stay wet and breathe little. Move the air.")
	case vpd > band[1]:
		r.warn("Thirsty air: leaves lose more than weak roots bring. Moister air, shade, or a cover.")
	}
	if i.TempC-dew < 2 {
		r.warn("Within 2 °C of the dew point: it will drip by night, and spots and mould follow.")
	}
	if kind != nil {
		if i.HumidityPct < kind.Humidity[0] {
			r.warn("Drier than it wants: at least %g %%.", kind.Humidity[0])
		}
		if i.TempC < kind.Temperature[0] || i.TempC > kind.Temperature[2] {
			r.warn("Outside what it bears: %g to %g °C.", kind.Temperature[0], kind.Temperature[2])
		}
	}
	return r, nil
}

// RunwayInput asks how long a rootless plant lives on reserves.
type RunwayInput struct {
	Reserves  string     `json:"reserves,omitempty" enum:"plump,ridged,shrivelled,thin-stemmed"`
	Weighings []Weighing `json:"weighings,omitempty" maxItems:"60" doc:"The bare plant, oldest first."`
}

// Weighing is a bare plant's weight on a day.
type Weighing struct {
	On    day.Day `json:"on"`
	Grams float64 `json:"grams" minimum:"0" maximum:"1000000"`
}

// Runway gives the days that are left, by weighings where there are any.
func Runway(i RunwayInput) (Reckoning, error) {
	r := fresh()
	var readings []recovery.Reading
	for _, w := range i.Weighings {
		if err := between("weighings", w.Grams, 0.1, 100000, "g"); err != nil {
			return r, err
		}
		readings = append(readings, recovery.Reading{On: w.On, Value: w.Grams})
	}
	way, err := recovery.RunwayByWeight(readings)
	formula, source, sure := "weight falls exponentially to about 55 % of where it started: 60 % at the fastest "+
		"loss, 50 % at the slowest", working.CommonPractice, "a range, widest at first"
	if err != nil {
		if way, err = recovery.RunwayByEye(i.Reserves); err != nil {
			return r, Fault{"weighings", recovery.ErrRunway.Error()}
		}
		formula, sure = "by how its reserves look", "rough: weigh it twice, a week apart, for better"
	}
	r.add("days left, shortest", way.Days[0], "days", formula, source, sure)
	r.add("days left, longest", way.Days[1], "days", formula, source, sure)
	if way.Weighed {
		r.add(
			"loses a day",
			100*way.Loss,
			"%",
			"ln(first ÷ last) ÷ days",
			"arithmetic",
			"from first and last weighing",
		)
	}
	r.warn("Hold it beside the time to roots of its school: what runs out first?")
	return r, nil
}
