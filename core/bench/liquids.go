package bench

import (
	"cmp"
	"errors"
	"fmt"
	"slices"
	"strings"

	"tendermend/core/mix"
	"tendermend/core/working"
)

// DilutionInput asks for a dilution: by strength, or by parts.
type DilutionInput struct {
	What      string    `json:"what,omitempty" maxLength:"80" doc:"What is diluted."`
	StockPct  *float64  `json:"stockPct,omitempty" minimum:"0" maximum:"100" doc:"Strength of the stock, per cent."`
	WantedPct *float64  `json:"wantedPct,omitempty" minimum:"0" maximum:"100" doc:"Strength wanted, per cent."`
	Ratio     []float64 `json:"ratio,omitempty" minimum:"0" maximum:"100000" minItems:"2" maxItems:"2" doc:"Water, stock."`
	Volume    string    `json:"volume" maxLength:"40" doc:"How much is wanted, as written: 250 ml, 1 1/2 cups, 2 l."`
	With      []string  `json:"with,omitempty" maxItems:"12" doc:"What goes in, or was in the bottle before."`
}

// peroxideMost is the strongest peroxide used on plants as bought, per cent.
const peroxideMost = 3.0

// soapMost is the strongest soap sprayed on leaves, per cent of the bottle
// (common practice).
const soapMost = 2.0

// holds says whether something is in the dilution, by its id or in the words for
// what is diluted.
func (i DilutionInput) holds(what string) bool {
	return strings.Contains(strings.ToLower(i.What), what) ||
		slices.ContainsFunc(i.With, func(id string) bool { return strings.Contains(id, what) })
}

// Dilution gives stock and water, in ml and in spoons. It refuses what would
// harm the one who mixes it.
func Dilution(i DilutionInput) (Reckoning, error) {
	r := fresh()
	clashes, unknown := mix.Guard(i.With)
	for _, c := range clashes {
		if c.Danger {
			return r, Fault{"with", fmt.Sprintf("never mix %s and %s: it %s", labelOf(c.A), labelOf(c.B), c.Why)}
		}
		r.warn("%s and %s: %s.", labelOf(c.A), labelOf(c.B), c.Why)
	}
	for _, u := range unknown {
		r.warn("Nothing is known here of %s: what its label says decides.", u)
	}
	volume, err := mix.ParseAmount(i.Volume)
	if err != nil {
		return r, Fault{"volume", err.Error()}
	}
	if volume.Unit != "ml" {
		return r, Fault{"volume", "give a volume, such as 250 ml or 1 gal"}
	}
	d, err := i.parted(volume.Value)
	if err != nil {
		return r, err
	}
	what := cmp.Or(strings.TrimSpace(i.What), "stock")
	r.add(what, d.stock, "ml", d.formula, "arithmetic", "exact", d.inputs...)
	r.add("water", d.water, "ml", d.formula, "arithmetic", "exact", d.inputs...)
	if s := mix.Spoons(d.stock); s != "" {
		r.warn("%s of %s is about %s in US spoons.", "That much", what, s)
	}
	strength := 100 * d.stock / volume.Value
	if i.StockPct != nil {
		strength *= *i.StockPct / 100
	}
	if i.StockPct != nil && i.holds("peroxide") && strength > peroxideMost {
		return fresh(), Fault{"wantedPct", "peroxide is at most 3 % on plants and as bought; 1-1.5 % rinses roots"}
	}
	r.harms(i, strength)
	return r, nil
}

// parting is a volume parted into stock and water, in ml.
type parting struct {
	stock, water float64
	formula      string
	inputs       []working.Input
}

// parted parts a volume in ml by parts, or by the strengths of stock and result.
func (i DilutionInput) parted(volume float64) (d parting, err error) {
	wanted := in("wanted", volume, "ml")
	switch {
	case len(i.Ratio) == 2:
		if !(i.Ratio[0] >= 0 && i.Ratio[1] > 0 && i.Ratio[0] <= 1e6) {
			return d, Fault{"ratio", "give parts of water and parts of stock, the stock more than 0"}
		}
		shares := mix.Parts(volume, i.Ratio...)
		inputs := []working.Input{wanted, in("parts of water", i.Ratio[0], ""), in("parts of stock", i.Ratio[1], "")}
		return parting{shares[1], shares[0], "volume × parts ÷ all parts", inputs}, nil
	case i.StockPct == nil || i.WantedPct == nil:
		return d, Fault{"wantedPct", "give the strengths of stock and result, or the parts"}
	}
	err = errors.Join(
		between("stockPct", *i.StockPct, 0.001, 100, "%"),
		between("wantedPct", *i.WantedPct, 0.0001, 100, "%"),
	)
	if err != nil {
		return d, firstFault(err)
	}
	stock, water, err := mix.Dilute(*i.StockPct, *i.WantedPct, volume)
	if err != nil {
		return d, Fault{"wantedPct", "a dilution is weaker than its stock; give a strength at or below that of the stock"}
	}
	inputs := []working.Input{wanted, in("stock", *i.StockPct, "%"), in("wanted", *i.WantedPct, "%")}
	return parting{stock, water, "c₁v₁ = c₂v₂", inputs}, nil
}

// harms warns of what burns skin, leaves and roots at a strength in %.
func (r *Reckoning) harms(i DilutionInput, strength float64) {
	if i.holds("peroxide") && i.StockPct != nil && *i.StockPct > peroxideMost {
		r.warn("Peroxide over 3 %% burns skin and eyes: gloves and goggles; buy 3 %% instead where you can.")
	}
	if i.holds("soap") && strength > soapMost {
		r.warn(
			"Over 20 ml of soap in a litre strips leaves and kills roots: 15 ml is usual, rinsed off, never on roots.",
		)
	}
	if i.holds("alcohol") {
		r.warn("Alcohol burns: no flame near it.")
	}
}

// firstFault gives the first of some joined faults.
func firstFault(err error) error {
	var f Fault
	if errors.As(err, &f) {
		return f
	}
	return err
}

func labelOf(id string) string {
	for _, c := range mix.Chemicals() {
		if c.ID == id {
			return c.Label
		}
	}
	return id
}

// DoseInput is what a product's label says, and how much is to be treated. The
// carer types the label in; nothing is proposed.
type DoseInput struct {
	Product  string  `json:"product" maxLength:"120"`
	Says     string  `json:"says" maxLength:"40" doc:"The label's amount, as written: 5 ml, 1/2 tsp, 2 g."`
	Per      float64 `json:"per" minimum:"0" maximum:"100000" doc:"… for so many of the unit."`
	Unit     string  `json:"unit" enum:"l,cm,m2,plant" doc:"Of spray or water, of pot width, of area, or plants."`
	Quantity float64 `json:"quantity" minimum:"0" maximum:"100000" doc:"How many of the unit are to be treated."`
}

var doseUnits = map[string]string{"l": "l", "cm": "cm of pot width", "m2": "m²", "plant": "plants"}

// Dose multiplies a label's dose.
func Dose(i DoseInput) (Reckoning, error) {
	r := fresh()
	if strings.TrimSpace(i.Product) == "" {
		return r, Fault{"product", "name the product as it stands on its label"}
	}
	says, err := mix.ParseAmount(i.Says)
	if err != nil {
		return r, Fault{"says", err.Error()}
	}
	name, ok := doseUnits[i.Unit]
	if !ok {
		return r, Fault{"unit", "a label doses by litre, by pot width, by area or by plant"}
	}
	err = errors.Join(between("per", i.Per, 0.001, 100000, name), between("quantity", i.Quantity, 0.001, 100000, name))
	if err != nil {
		return r, firstFault(err)
	}
	r.add(
		i.Product,
		says.Value*i.Quantity/i.Per,
		says.Unit,
		"what the label says × quantity ÷ the label's quantity",
		"the label of the product, typed in by you",
		"as sure as the typing: read the label twice",
		in("the label says", says.Value, says.Unit),
		in("for", i.Per, name),
		in("to be treated", i.Quantity, name),
	)
	r.warn("The label and local rules decide whether, where and how often it may be used.")
	return r, nil
}
