package main

import (
	"encoding/json"
	"io"
	"reflect"

	"github.com/invopop/jsonschema"

	"tendermend/core/drying"
	"tendermend/core/forecast"
	"tendermend/core/plant"
)

// waterForecast reads a pot's history, or a list of them, and prints when to look.
func waterForecast(in io.Reader, out io.Writer) error {
	return oneOrMany(in, out, "history", func(h forecast.History) (forecast.Forecast, error) {
		return forecast.Of(h, plant.Kinds{})
	})
}

// waterSchema prints the schema of what waterForecast reads and prints.
func waterSchema(out io.Writer) error {
	r := &jsonschema.Reflector{Mapper: mapped, AllowAdditionalProperties: true}
	s := r.Reflect(struct {
		History  forecast.History  `json:"history"`
		Forecast forecast.Forecast `json:"forecast"`
	}{})
	for _, t := range []reflect.Type{
		reflect.TypeFor[forecast.History](), reflect.TypeFor[forecast.Forecast](), reflect.TypeFor[forecast.Event](),
		reflect.TypeFor[forecast.Air](), reflect.TypeFor[drying.Pot](), reflect.TypeFor[drying.Part](),
		reflect.TypeFor[drying.Sign](),
	} {
		if d, defined := s.Definitions[t.Name()]; defined {
			tagged(d, t)
		}
	}
	s.ID = ""
	s.Title = "Tender Mend water"
	s.Description = "A pot's history, which water reads, with the forecast that it prints. Days are YYYY-MM-DD, and " +
		"may have an hour: YYYY-MM-DDTHH:MM. A list of histories gives a list of forecasts."
	e := json.NewEncoder(out)
	e.SetIndent("", "  ")
	e.SetEscapeHTML(false)
	return e.Encode(s)
}
