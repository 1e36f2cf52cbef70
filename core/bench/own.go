package bench

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/mix"
	"tendermend/core/plant"
)

// Own are the media and the recipes of a collection's own.
type Own struct {
	Media   []OwnMedium `json:"media"`
	Recipes []Recipe    `json:"recipes"`
}

// OwnMedium is a medium that the tables do not have: what it holds, and what it is most
// like, by which rules about media judge it.
type OwnMedium struct {
	Name  string     `json:"name" minLength:"1" maxLength:"30"`
	Like  string     `json:"like" maxLength:"30" doc:"Id of the ingredient that it is most like."`
	Water [2]float64 `json:"water" minimum:"0" maximum:"1" doc:"Share that holds water after draining, least and most."`
	Air   [2]float64 `json:"air" minimum:"0" maximum:"1" doc:"Share that stays air, least and most."`
}

// mostOwn is how many media, and how many recipes, a collection keeps of its own.
const mostOwn = 100

// Called is how it is written in a mix: with what it is like.
func (m OwnMedium) Called() string { return fmt.Sprintf("%s (like %s)", m.Name, m.Like) }

// check says what keeps it from being kept.
func (m OwnMedium) check() error {
	known := slices.ContainsFunc(mix.Ingredients(), func(g mix.Ingredient) bool { return g.ID == m.Like })
	switch {
	case m.Name == "":
		return Fault{"name", "say what it is called"}
	case strings.ContainsAny(m.Name, "()"):
		return Fault{"name", "leave ( and ) out: between them stands what it is like"}
	case !known:
		return Fault{"like", "pick the ingredient that it is most like"}
	}
	for _, share := range []struct {
		field string
		of    [2]float64
	}{{"water", m.Water}, {"air", m.Air}} {
		if !(share.of[0] >= 0 && share.of[0] <= share.of[1] && share.of[1] <= 1) {
			return Fault{share.field, "give two shares of its volume, the smaller first, from 0 to 100 %"}
		}
	}
	if m.Water[0]+m.Air[0] > 1 {
		return Fault{"air", "water and air together are more than its volume"}
	}
	return nil
}

// Ingredients are those of the tables with a collection's own before them.
func (o Own) Ingredients() []mix.Ingredient {
	list := make([]mix.Ingredient, 0, len(o.Media))
	for _, m := range o.Media {
		list = append(list, mix.Ingredient{ID: m.Called(), Label: m.Name, Water: m.Water, Air: m.Air})
	}
	return append(list, mix.Ingredients()...)
}

// WithMedium keeps a medium in place of the one of that name; withdrawn, none of that name.
func (o Own) WithMedium(m OwnMedium, withdrawn bool) (Own, error) {
	m.Name = strings.TrimSpace(m.Name)
	o.Media = slices.DeleteFunc(slices.Clone(o.Media), func(x OwnMedium) bool { return same(x.Name, m.Name) })
	if withdrawn {
		return o, nil
	}
	if err := m.check(); err != nil {
		return o, err
	}
	if len(o.Media) >= mostOwn {
		return o, Fault{"name", fmt.Sprintf("%d media are kept already; take one out first", mostOwn)}
	}
	o.Media = append(o.Media, m)
	return o, nil
}

// WithRecipe keeps a recipe in place of the one of that name; withdrawn, none of that name.
func (o Own) WithRecipe(r Recipe, withdrawn bool) (Own, error) {
	r.Name = strings.TrimSpace(r.Name)
	o.Recipes = slices.DeleteFunc(slices.Clone(o.Recipes), func(x Recipe) bool { return same(x.Name, r.Name) })
	if withdrawn {
		return o, nil
	}
	r.Parts = slices.DeleteFunc(slices.Clone(r.Parts), func(p plant.Part) bool { return strings.TrimSpace(p.What) == "" })
	switch {
	case r.Name == "":
		return o, Fault{"name", "say what it is called"}
	case len(o.Recipes) >= mostOwn:
		return o, Fault{"name", fmt.Sprintf("%d recipes are kept already; take one out first", mostOwn)}
	case len(r.Parts) == 0:
		return o, Fault{"parts", "give at least one ingredient with parts above 0"}
	}
	for i, p := range r.Parts {
		if !(p.Parts > 0 && p.Parts <= mostParts) {
			return o, Fault{fmt.Sprintf("parts[%d].parts", i), fmt.Sprintf("give parts above 0, at most %d", mostParts)}
		}
	}
	o.Recipes = append(o.Recipes, r)
	return o, nil
}

// And adds the media and recipes of another collection whose names are not here yet, as far as
// there is room for them.
func (o Own) And(other Own) (Own, error) {
	for _, m := range other.Media {
		here := slices.ContainsFunc(o.Media, func(x OwnMedium) bool { return same(x.Name, m.Name) })
		if here || len(o.Media) >= mostOwn {
			continue
		}
		with, err := o.WithMedium(m, false)
		if err != nil {
			return o, err
		}
		o = with
	}
	for _, r := range other.Recipes {
		here := slices.ContainsFunc(o.Recipes, func(x Recipe) bool { return same(x.Name, r.Name) })
		if here || len(o.Recipes) >= mostOwn {
			continue
		}
		with, err := o.WithRecipe(r, false)
		if err != nil {
			return o, err
		}
		o = with
	}
	return o, nil
}

func same(a, b string) bool { return strings.EqualFold(strings.TrimSpace(a), strings.TrimSpace(b)) }

// has says whether something is a medium of the collection's own.
func (o Own) has(called string) bool {
	return slices.ContainsFunc(o.Media, func(m OwnMedium) bool { return same(m.Called(), called) })
}
