package plant

import (
	"cmp"
	"embed"
	"encoding/csv"
	"fmt"
	"regexp"
	"strconv"
	"strings"
)

// The kinds that ship with the program, one row each. The tables are data of
// the trade, from memory of society culture sheets, extension leaflets, growers'
// books and poison-control lists; each row says how sure it is.
//
//go:embed data/kinds_orchids.csv data/kinds_foliage.csv
var kindFiles embed.FS

var profiles = shipped()

// shipped reads the tables. They are part of the program and are proved row by
// row in tests, so that a row that cannot be read is a fault of the program.
func shipped() []Profile {
	var list []Profile
	for _, name := range []string{"data/kinds_orchids.csv", "data/kinds_foliage.csv"} {
		f, err := kindFiles.Open(name)
		if err != nil {
			panic(err)
		}
		rows, err := csv.NewReader(f).ReadAll()
		if err != nil {
			panic(fmt.Errorf("%s: %w", name, err))
		}
		for i, cells := range rows[1:] {
			r := row{cells: map[string]string{}}
			for c, column := range rows[0] {
				r.cells[column] = cells[c]
			}
			p := r.profile()
			if r.err != nil {
				panic(fmt.Errorf("%s, row %d (%s): %w", name, i+2, p.ID, r.err))
			}
			list = append(list, p)
		}
	}
	nameAlikes(list)
	return list
}

var kindID = regexp.MustCompile(`[a-z]+(-[a-z]+)+`)

// nameAlikes writes what a kind is confused with by name, where the tables say
// it by id.
func nameAlikes(list []Profile) {
	names := make(map[string]string, len(list))
	for _, p := range list {
		names[p.ID] = p.Botanical
	}
	for i := range list {
		said := kindID.ReplaceAllStringFunc(list[i].LookAlike, func(id string) string {
			if name, ok := names[id]; ok {
				return name
			}
			return id
		})
		list[i].LookAlike = strings.ReplaceAll(strings.ReplaceAll(said, "; ", ";"), ";", "; ")
	}
}

// row is one line of a kinds' table; the first thing that cannot be read stays
// as its error.
type row struct {
	cells map[string]string
	err   error
}

func (r *row) number(column string) float64 {
	v, err := strconv.ParseFloat(r.cells[column], 64)
	if err != nil && r.err == nil {
		r.err = fmt.Errorf("%s: %w", column, err)
	}
	return v
}

func (r *row) list(column string) []string {
	if r.cells[column] == "" {
		return nil
	}
	return strings.Split(r.cells[column], ";")
}

// several reads a list in which "none" stands for nothing.
func (r *row) several(column string) []string {
	if some(r.cells[column]) == "" {
		return nil
	}
	return r.list(column)
}

// some is a cell in which "none" stands for nothing.
func some(cell string) string {
	if cell == "none" {
		return ""
	}
	return cell
}

// span reads two whole numbers with a dash between, the fewer first.
func (r *row) span(column string) *[2]int {
	var span [2]int
	if _, err := fmt.Sscanf(r.cells[column], "%d-%d", &span[0], &span[1]); err != nil && r.err == nil {
		r.err = fmt.Errorf("%s: %w", column, err)
	}
	return &span
}

var rootsFirst = regexp.MustCompile(`^roots-first\((\d+) cm\)$`)

// rule reads a water rule, with the roots that it waits for, in cm.
func (r *row) rule(column string) (WaterRule, float64) {
	code := r.cells[column]
	if m := rootsFirst.FindStringSubmatch(code); m != nil {
		cm, _ := strconv.ParseFloat(m[1], 64)
		return DryRest, cm
	}
	if rule, ok := ruleCodes[code]; ok {
		return rule, 0
	}
	return WaterRule(code), 0
}

var covers = map[string]Cover{"yes": CoverClosed, "open": CoverOpen, "no": CoverNone}

func (r *row) profile() Profile {
	c := r.cells
	names := r.list("common")
	chill := r.number("chill")
	p := Profile{
		ID:          c["id"],
		Botanical:   c["botanical"],
		Synonyms:    r.list("synonyms"),
		Common:      names[0],
		Names:       names[1:],
		Habit:       c["habit"],
		Setups:      r.list("setup"),
		Epiphyte:    c["epiphyte"] == "yes",
		Branches:    Branches(c["branches_when_cut"]),
		Light:       [3]float64{r.number("light_low"), r.number("light_best"), r.number("light_high")},
		Temperature: [3]float64{r.number("temp_low"), r.number("temp_best"), r.number("temp_high")},
		Chill:       &chill,
		Humidity:    [2]float64{r.number("humidity_least"), r.number("humidity_best")},
		Thirst:      c["thirst_signal"],
		Sun:         Sun(c["sun"]),
		Feed:        Feed{r.number("feed_ppm_n"), r.number("feed_low_share"), c["feed_every"]},
		RepotMonths: [2]int{int(r.number("repot_months_from")), int(r.number("repot_months_to"))},
		RepotWhen:   r.list("repot_when"),
		PotFit:      c["pot_fit"],
		PotShape:    c["pot_shape"],
		PerMonth:    [2]float64{r.number("growths_per_month_from"), r.number("growths_per_month_to")},
		DryDays:     &[2]int{int(r.number("after_root_cut_dry_days_from")), int(r.number("after_root_cut_dry_days_to"))},
		Cover:       covers[c["cover_after_root_loss"]],
		Troubles:    r.list("troubles"),
		Propagation: r.list("propagation"),
		LookAlike:   c["look_alike"],
		Note:        c["note"],
		Weeks:       weeksOf[c["habit"]],
		Source:      c["source"],
		Sure:        c["sure"],
		Size:        Size(c["size"]),
		SoldIn:      c["sold_in"],
		CutDryDays:  r.span("cut_callus_days"),
		RootIn:      r.several("root_in"),
		Piece:       some(c["piece"]),
		Never:       r.several("never"),
		RestSeen:    RestLook(c["rest_seen"]),
		RestWater:   RestWater(c["rest_water"]),
		Traits:      []Trait{},
		Sources:     map[string]string{"weeks": "common practice"},
	}
	p.WaterRule, p.RootsFirstCM = r.rule("water_growth")
	p.WaterLow, _ = r.rule("water_low")
	p.RootsWeeks = *r.span("roots_weeks")
	if c["rest"] != "none" && c["rest"] != "" {
		p.RestKind, p.Rest = c["rest"], c["rest_how"]
	}
	p.Mixes = r.mixes()
	p.Poisons = []Poison{poisonOf("people", c["toxic_people"]), poisonOf("pets", c["toxic_pets"])}
	p.Pests = r.pests()
	for _, code := range r.list("traits") {
		p.Traits = append(p.Traits, cmp.Or(traitCodes[code], Trait(code)))
	}
	p.Traits = append(p.Traits, p.told()...)
	return p
}

// pests are those that like a kind; a star says often.
func (r *row) pests() (list []Liking) {
	for _, id := range r.list("pests") {
		how := Sometimes
		if pest, often := strings.CutSuffix(id, "*"); often {
			id, how = pest, Often
		}
		list = append(list, Liking{id, how})
	}
	return list
}

// told gives the traits that other columns tell.
func (p Profile) told() (traits []Trait) {
	for _, t := range []struct {
		trait Trait
		is    bool
	}{
		{ToxicPeople, Severity(p.Toxicity("people").Bad) > 0 && p.Toxicity("people").Bad != NotKnown},
		{ToxicPets, Severity(p.Toxicity("pets").Bad) > 0 && p.Toxicity("pets").Bad != NotKnown},
		{SnugPot, p.PotFit == "snug"}, {ShallowPot, p.PotShape == "shallow"},
		{WinterRest, strings.Contains(p.RestKind, "winter")}, {AirHoles, p.PotShape == "holes"},
	} {
		if t.is {
			traits = append(traits, t.trait)
		}
	}
	return traits
}

func (r *row) mixes() []Mix {
	var parts []Part
	for _, cell := range r.list("mix") {
		what, n, found := strings.Cut(cell, ":")
		if !found {
			continue // none: it grows in air
		}
		share, err := strconv.ParseFloat(n, 64)
		if err != nil && r.err == nil {
			r.err = fmt.Errorf("mix: %w", err)
		}
		parts = append(parts, Part{what, share})
	}
	if parts == nil {
		return []Mix{}
	}
	return []Mix{{Name: "its own mix", Parts: parts}}
}
