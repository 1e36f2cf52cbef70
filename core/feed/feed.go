// Package feed computes what a feed brings to the water: ppm of each element
// from the label's percentages.
package feed

import (
	"errors"
	"fmt"
)

// From oxide to element, by molar masses (IUPAC atomic weights: P 30.974,
// O 15.999, K 39.098).
const (
	PofP2O5 = 2 * 30.974 / (2*30.974 + 5*15.999)
	KofK2O  = 2 * 39.098 / (2*39.098 + 15.999)
)

// Label is what a feed's label gives, in per cent by weight. P and K stand on
// labels as oxides.
type Label struct {
	Name string  `json:"name" maxLength:"80"`
	N    float64 `json:"n" minimum:"0" maximum:"60"`
	P2O5 float64 `json:"p2o5" minimum:"0" maximum:"62"`
	K2O  float64 `json:"k2o" minimum:"0" maximum:"64"`
	Ca   float64 `json:"ca" minimum:"0" maximum:"40"`
	Mg   float64 `json:"mg" minimum:"0" maximum:"30"`
}

// Dose is a feed and how much of it goes into each litre.
type Dose struct {
	Label    Label   `json:"label"`
	PerLitre float64 `json:"perLitre" minimum:"0" maximum:"50" doc:"Grams a litre; for liquids ml × density."`
}

// PPM is what is in the water, in mg per litre.
type PPM struct {
	N  float64 `json:"n"`
	P  float64 `json:"p"`
	K  float64 `json:"k"`
	Ca float64 `json:"ca"`
	Mg float64 `json:"mg"`
}

// ErrLabel means percentages that no feed can have.
var ErrLabel = errors.New("percentages lie between 0 and 100 and come to at most 100 together")

func (l Label) check() error {
	sum := 0.0
	for _, v := range []float64{l.N, l.P2O5, l.K2O, l.Ca, l.Mg} {
		if !(v >= 0 && v <= 100) {
			return fmt.Errorf("%s: %w", l.Name, ErrLabel)
		}
		sum += v
	}
	// Calcium and nitrogen of calcium nitrate stand beside each other, not in each
	// other: more than 100 together is a misreading.
	if sum > 100 {
		return fmt.Errorf("%s: %w", l.Name, ErrLabel)
	}
	return nil
}

// Water gives the ppm of all doses together: g/l × % × 10, oxides turned into
// elements. An error names the feed whose label cannot be right.
func Water(doses []Dose) (PPM, error) {
	var w PPM
	for _, d := range doses {
		if err := d.Label.check(); err != nil {
			return PPM{}, err
		}
		if !(d.PerLitre >= 0) {
			return PPM{}, fmt.Errorf("%s: give grams per litre, 0 or more", d.Label.Name)
		}
		of := func(percent float64) float64 { return d.PerLitre * percent * 10 }
		w.N += of(d.Label.N)
		w.P += of(d.Label.P2O5) * PofP2O5
		w.K += of(d.Label.K2O) * KofK2O
		w.Ca += of(d.Label.Ca)
		w.Mg += of(d.Label.Mg)
	}
	return w, nil
}

// ForNitrogen gives the grams per litre of a feed that bring a wanted ppm of
// nitrogen; an error where the feed has none.
func ForNitrogen(l Label, ppm float64) (float64, error) {
	if err := l.check(); err != nil {
		return 0, err
	}
	if l.N == 0 {
		return 0, fmt.Errorf("%s holds no nitrogen", l.Name)
	}
	if !(ppm > 0) {
		return 0, errors.New("give a wanted ppm above 0")
	}
	return ppm / (l.N * 10), nil
}
