package main

import (
	"bytes"
	"encoding/json"
	"errors"
	"flag"
	"fmt"
	"io"
	"os"
	"reflect"
	"strings"

	"github.com/invopop/jsonschema"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/treatment/compose"
	"tendermend/core/working"
)

// errBroken says that a plan breaks a rule; what it breaks is printed already.
var errBroken = errors.New("the plan breaks rules")

// read decodes one value. A field that is not known is named on standard error
// and passed over: files of other versions may say more.
func read[T any](raw []byte, what string) (v T, err error) {
	strict := json.NewDecoder(bytes.NewReader(raw))
	strict.DisallowUnknownFields()
	if err = strict.Decode(&v); err == nil {
		if strict.More() {
			return v, badInput{
				fmt.Errorf("%s: something follows it; give one %s, or a list in brackets", what, what),
			}
		}
		return v, nil
	}
	lenient := new(T)
	if again := json.Unmarshal(raw, lenient); again != nil {
		return v, badInput{fmt.Errorf("%s: %w", what, again)}
	}
	fmt.Fprintf(os.Stderr, "tendermend: %s: %v; passed over\n", what, err)
	return *lenient, nil
}

// planOrSample plans what is read, or draws situations itself where it is told how many.
func planOrSample(args []string, in io.Reader, out io.Writer) error {
	flags := flag.NewFlagSet("plan", flag.ContinueOnError)
	flags.SetOutput(io.Discard)
	many := flags.Int("sample", 0, "how many plans to print as text, for situations drawn at random")
	seed := flags.Uint64("seed", 1, "what the situations are drawn from: the same seed, the same plans")
	if err := flags.Parse(args); err != nil || *many < 0 || flags.NArg() > 0 {
		return badInput{errors.New("plan reads a situation from standard input, or prints plans with -sample N [-seed S]")}
	}
	if *many > 0 {
		return samplePlans(out, *many, *seed)
	}
	return plan(in, out)
}

// plan reads a situation, or a list of them, and prints the plans.
func plan(in io.Reader, out io.Writer) error {
	return oneOrMany(in, out, "situation", compose.Plan)
}

// oneOrMany reads one thing, or a list of them, and prints what is made of each.
func oneOrMany[S, P any](in io.Reader, out io.Writer, what string, of func(S) (P, error)) error {
	raw, err := io.ReadAll(in)
	if err != nil {
		return err
	}
	raw = bytes.TrimSpace(raw)
	list := []json.RawMessage{raw}
	array := len(raw) > 0 && raw[0] == '['
	if array {
		if err := json.Unmarshal(raw, &list); err != nil {
			return badInput{fmt.Errorf("a list of %s: %w", working.Many(what), err)}
		}
	}
	made := make([]P, len(list))
	for i, one := range list {
		named := what
		if array {
			named = fmt.Sprintf("%s %d", what, i)
		}
		s, err := read[S](one, named)
		if err != nil {
			return err
		}
		if made[i], err = of(s); err != nil {
			return badInput{fmt.Errorf("%s: %w", named, err)}
		}
	}
	e := json.NewEncoder(out)
	e.SetEscapeHTML(false)
	if array {
		return e.Encode(made)
	}
	return e.Encode(made[0])
}

// planned is a plan with the situation that it is for.
type planned struct {
	Situation treatment.Situation `json:"situation"`
	Plan      treatment.Plan      `json:"plan"`
}

// brokenRule is one line of what check-plan prints.
type brokenRule struct {
	Rule    treatment.RuleID `json:"rule"`
	Sitting int              `json:"sitting"`
	Step    string           `json:"step"`
	Why     string           `json:"why"`
}

// checkPlan reads a situation with a plan and prints every rule that the plan
// breaks.
func checkPlan(in io.Reader, out io.Writer) error {
	raw, err := io.ReadAll(in)
	if err != nil {
		return err
	}
	p, err := read[planned](raw, "situation and plan")
	if err != nil {
		return err
	}
	for i, s := range p.Plan.Sittings {
		for k, x := range s.Steps {
			if _, known := treatment.OperatorByID(x.Op); !known {
				return badInput{fmt.Errorf("plan.sittings[%d].steps[%d].op: there is no operator %q", i, k, x.Op)}
			}
		}
	}
	for i, id := range p.Situation.Causes {
		if _, known := cause.ByID(id); !known {
			return badInput{fmt.Errorf("situation.causes[%d]: there is no cause %q", i, id)}
		}
	}
	list, err := check.Plan(p.Situation, p.Plan)
	if err != nil {
		return badInput{err}
	}
	lines := []brokenRule{}
	for _, b := range list {
		lines = append(lines, brokenRule{b.Rule, b.Sitting, b.Step, b.Why})
	}
	e := json.NewEncoder(out)
	e.SetEscapeHTML(false)
	if err := e.Encode(lines); err != nil {
		return err
	}
	if len(lines) > 0 {
		return errBroken
	}
	return nil
}

// planSchema prints the JSON Schema of situations and plans. It names every id,
// so that any validator finds an unknown one.
func planSchema(out io.Writer) error {
	r := &jsonschema.Reflector{
		Mapper:                     mapped,
		DoNotReference:             false,
		ExpandedStruct:             false,
		RequiredFromJSONSchemaTags: true,
		AllowAdditionalProperties:  true,
	}
	s := r.Reflect(struct {
		planned
		Situation treatment.Written `json:"situation"`
	}{})
	for _, t := range []reflect.Type{reflect.TypeFor[treatment.Written](), reflect.TypeFor[facts.Facts](),
		reflect.TypeFor[treatment.Choices](), reflect.TypeFor[facts.Place](),
		reflect.TypeFor[facts.Household](), reflect.TypeFor[treatment.Plan](), reflect.TypeFor[treatment.Sitting](),
		reflect.TypeFor[treatment.Step](), reflect.TypeFor[treatment.Params]()} {
		tagged(s.Definitions[t.Name()], t)
	}
	s.ID = ""
	s.Title = "Tender Mend plans"
	s.Description = "A situation with the plan for it: what check-plan reads. plan reads the situation alone and " +
		"writes the plan alone."
	e := json.NewEncoder(out)
	e.SetEscapeHTML(false)
	e.SetIndent("", "  ")
	return e.Encode(s)
}

// tagged puts what the fields' tags say into a schema.
func tagged(s *jsonschema.Schema, t reflect.Type) {
	for i := range t.NumField() {
		f := t.Field(i)
		name, _, _ := strings.Cut(f.Tag.Get("json"), ",")
		p, ok := s.Properties.Get(name)
		if !ok {
			continue
		}
		p.Description = f.Tag.Get("doc")
		if words := f.Tag.Get("enum"); words != "" && p.Enum == nil {
			for _, w := range strings.Split(words, ",") {
				p.Enum = append(p.Enum, w)
			}
		}
	}
}

// ids lists the ids that a type may hold.
func ids[T any](list []T, id func(T) string) *jsonschema.Schema {
	s := &jsonschema.Schema{Type: "string"}
	for _, x := range list {
		s.Enum = append(s.Enum, id(x))
	}
	return s
}

func mapped(t reflect.Type) *jsonschema.Schema {
	if named, is := reflect.Zero(t).Interface().(interface{ JSONType() string }); is {
		return &jsonschema.Schema{Type: named.JSONType()}
	}
	switch t {
	case reflect.TypeFor[gate.Gate]():
		return &jsonschema.Schema{Description: "A list of conditions, or a gate written short."}
	case reflect.TypeFor[day.Day]():
		return &jsonschema.Schema{Type: "string", Format: "date"}
	case reflect.TypeFor[treatment.OperatorID]():
		return ids(treatment.Operators(), func(o treatment.Operator) string { return string(o.ID) })
	case reflect.TypeFor[treatment.RuleID]():
		return ids(treatment.Rules(), func(r treatment.Rule) string { return string(r.ID) })
	case reflect.TypeFor[cause.ID]():
		return ids(append(cause.All(), cause.Cause{}), func(c cause.Cause) string { return string(c.ID) })
	case reflect.TypeFor[treatment.Wish]():
		return ids(append(treatment.Wishes(), ""), func(w treatment.Wish) string { return string(w) })
	case reflect.TypeFor[*plant.Profile]():
		return &jsonschema.Schema{Type: "object"}
	}
	return nil
}
