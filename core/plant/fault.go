package plant

import (
	"fmt"
	"slices"
	"strings"
	"unicode/utf8"
)

// Fault is a value of a profile that cannot be right: the field, and in plain
// words what is wanted.
type Fault struct{ Field, Message string }

// Faults says what is wrong with a profile; empty when nothing is.
func (p Profile) Faults() (faults []Fault) {
	add := func(field, format string, args ...any) {
		faults = append(faults, Fault{field, fmt.Sprintf(format, args...)})
	}
	if strings.TrimSpace(p.Botanical) == "" {
		add("botanical", "give its botanical name, or the best you know")
	}
	if _, ok := HabitByID(p.Habit); !ok {
		add("habit", "there is no growth habit %q; pick how it grows", p.Habit)
	}
	faults = append(faults, p.Wishes().Faults()...)
	switch p.Sun {
	case Shade, Filtered, MorningSun, FullSun:
	default:
		add("sun", "say how much direct sun it bears: none, filtered, morning or full")
	}
	faults = append(faults, p.numberFaults()...)
	faults = append(faults, p.mixFaults()...)
	faults = append(faults, p.tooLong()...)
	for i, t := range p.Traits {
		if traitWords[t] == "" {
			add(fmt.Sprintf("traits[%d]", i), "there is no trait %q", t)
		}
	}
	return faults
}

// How long the words of a kind may be, characters, and how many may stand in a list.
const (
	mostName = 120
	mostText = 2000
	mostList = 60
)

// tooLong says which words of a profile are longer than anything here shows.
func (p Profile) tooLong() (faults []Fault) {
	add := func(field string, words string, most int) {
		if utf8.RuneCountInString(words) > most {
			faults = append(faults, Fault{field, fmt.Sprintf("say it in at most %d characters", most)})
		}
	}
	for field, words := range map[string]string{
		"botanical": p.Botanical, "common": p.Common, "thirst": p.Thirst, "restKind": p.RestKind, "potFit": p.PotFit,
		"potShape": p.PotShape, "soldIn": p.SoldIn, "piece": p.Piece, "sure": p.Sure,
	} {
		add(field, words, mostName)
	}
	for field, words := range map[string]string{
		"rest": p.Rest, "lookAlike": p.LookAlike, "note": p.Note, "source": p.Source,
	} {
		add(field, words, mostText)
	}
	for field, list := range map[string][]string{
		"names": p.Names, "synonyms": p.Synonyms, "setups": p.Setups, "repotWhen": p.RepotWhen, "troubles": p.Troubles,
		"propagation": p.Propagation, "rootIn": p.RootIn, "never": p.Never,
	} {
		if len(list) > mostList {
			faults = append(faults, Fault{field, fmt.Sprintf("give at most %d of them", mostList)})
			continue
		}
		for _, words := range list {
			add(field, words, mostName)
		}
	}
	if len(p.Poisons) > mostList || len(p.Pests) > mostList || len(p.Traits) > mostList || len(p.Mixes) > mostList ||
		len(p.Weeks) > mostList || len(p.Sources) > mostList {
		faults = append(faults, Fault{"traits", fmt.Sprintf("no list of a kind holds more than %d", mostList)})
	}
	slices.SortFunc(faults, func(a, b Fault) int { return strings.Compare(a.Field, b.Field) })
	return faults
}

// Wishes are what a plant wants of its place and water: a profile's, or the
// values overruled for one plant. A missing value is not overruled.
type Wishes struct {
	Light       *[3]float64 `json:"light,omitempty" minimum:"0" maximum:"200" doc:"DLI, mol m⁻² d⁻¹."`
	Temperature *[3]float64 `json:"temperature,omitempty" minimum:"-60" maximum:"80" doc:"°C: least, best, most."`
	Humidity    *[2]float64 `json:"humidity,omitempty" minimum:"0" maximum:"100" doc:"Per cent: least, best."`
	WaterRule   WaterRule   `json:"waterRule,omitempty"`
}

// Wishes gives the profile's own.
func (p Profile) Wishes() Wishes {
	return Wishes{&p.Light, &p.Temperature, &p.Humidity, p.WaterRule}
}

// Overruled gives the profile with the wishes of one plant in place of its own.
func (p Profile) Overruled(w Wishes) Profile {
	if w.Light != nil {
		p.Light = *w.Light
	}
	if w.Temperature != nil {
		p.Temperature = *w.Temperature
	}
	if w.Humidity != nil {
		p.Humidity = *w.Humidity
	}
	if w.WaterRule != "" {
		p.WaterRule = w.WaterRule
	}
	return p
}

// Faults says which wishes cannot be right.
func (w Wishes) Faults() (faults []Fault) {
	rising := func(field string, values []float64, least, most float64, unit string) {
		for i, v := range values {
			if v < least || v > most {
				faults = append(
					faults,
					Fault{field, fmt.Sprintf("%g %s cannot be right; give %g to %g", v, unit, least, most)},
				)
				return
			}
			if i > 0 && v <= values[i-1] {
				faults = append(faults, Fault{field, "give them rising: each more than the one before"})
				return
			}
		}
	}
	if w.Light != nil {
		rising("light", w.Light[:], 0.5, 65, "mol a day")
	}
	if w.Temperature != nil {
		rising("temperature", w.Temperature[:], -30, 50, "°C")
	}
	if w.Humidity != nil {
		rising("humidity", w.Humidity[:], 5, 100, "%")
	}
	if w.WaterRule != "" && WaterRuleText()[w.WaterRule] == "" {
		faults = append(
			faults,
			Fault{"waterRule", fmt.Sprintf("there is no water rule %q; pick one from the list", w.WaterRule)},
		)
	}
	return faults
}

// numberFaults says which numbers of a profile cannot be right.
func (p Profile) numberFaults() (faults []Fault) {
	if p.Feed.PpmN < 0 || p.Feed.PpmN > 400 {
		words := fmt.Sprintf("%g ppm cannot be right; give 0 to 400 ppm of nitrogen", p.Feed.PpmN)
		faults = append(faults, Fault{"feed.ppmN", words})
	}
	if p.Feed.Low < 0 || p.Feed.Low > 1 {
		faults = append(faults, Fault{"feed.low", "give the share fed in low light as 0 to 1"})
	}
	if p.RepotMonths[0] < 1 || p.RepotMonths[0] > p.RepotMonths[1] || p.RepotMonths[1] > 120 {
		words := "give the months between repottings, the shorter first, at most 120"
		faults = append(faults, Fault{"repotMonths", words})
	}
	if p.PerMonth[0] < 0 || p.PerMonth[0] > p.PerMonth[1] || p.PerMonth[1] > 30 {
		faults = append(faults, Fault{"perMonth", "give leaves or growths a month, the fewer first, at most 30"})
	}
	return faults
}

// mixFaults says which of its mixes have no ingredient or none of it.
func (p Profile) mixFaults() (faults []Fault) {
	for i, m := range p.Mixes {
		at := fmt.Sprintf("mixes[%d]", i)
		if len(m.Parts) == 0 {
			faults = append(faults, Fault{at, "a mix needs at least one ingredient"})
		}
		for k, part := range m.Parts {
			if strings.TrimSpace(part.What) == "" || part.Parts <= 0 || part.Parts > 100 {
				words := "name the ingredient and give its parts, more than 0"
				faults = append(faults, Fault{fmt.Sprintf("%s.parts[%d]", at, k), words})
			}
		}
	}
	return faults
}
