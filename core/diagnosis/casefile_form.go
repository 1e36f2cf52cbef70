package diagnosis

import (
	"encoding/json"
	"fmt"
	"slices"

	"tendermend/core/climate"
	"tendermend/core/plant"
)

// caseForm is a worked case as a file holds it.
type caseForm struct {
	ID      string         `json:"id,omitempty"`
	Story   string         `json:"story,omitempty"`
	Habit   string         `json:"habit"`
	Season  climate.Season `json:"season,omitempty"`
	Traits  []plant.Trait  `json:"traits,omitempty"`
	Present []formAnswer   `json:"present"`
	Absent  []formAnswer   `json:"absent"`
	Unknown []string       `json:"unknown,omitempty"`
	Causes  []string       `json:"causes,omitempty"`
	// Outside says that what ails it is on no list.
	Outside bool   `json:"outside,omitempty"`
	Basis   string `json:"basis,omitempty"`
}

// formAnswer is the id of a sign, or an object where more is said of it.
type formAnswer struct {
	Sign   string `json:"sign"`
	Sure   *bool  `json:"sure,omitempty"`
	Again  bool   `json:"again,omitempty"`
	Degree Degree `json:"degree,omitempty"`
}

// UnmarshalJSON reads an id or an object.
func (a *formAnswer) UnmarshalJSON(raw []byte) error {
	if len(raw) > 0 && raw[0] == '"' {
		return json.Unmarshal(raw, &a.Sign)
	}
	type plain formAnswer
	return decodeStrictly(raw, (*plain)(a))
}

// MarshalJSON writes the id alone where nothing more is said.
func (a formAnswer) MarshalJSON() ([]byte, error) {
	if a.Sure == nil && a.Degree == NoDegree && !a.Again {
		return json.Marshal(a.Sign)
	}
	type plain formAnswer
	return json.Marshal(plain(a))
}

// UnmarshalJSON reads a case as a file holds it.
func (c *WorkedCase) UnmarshalJSON(raw []byte) error {
	var f caseForm
	if err := decodeStrictly(raw, &f); err != nil {
		return err
	}
	*c = WorkedCase{
		ID:      f.ID,
		Story:   f.Story,
		Causes:  f.Causes,
		Known:   f.Causes != nil,
		Outside: f.Outside,
		Basis:   f.Basis,
		Examination: Examination{
			Habit:   f.Habit,
			Season:  f.Season,
			Traits:  f.Traits,
			Present: []string{},
			Absent:  []string{},
			Unknown: f.Unknown,
		},
	}
	for _, list := range []struct {
		field string
		of    []formAnswer
		to    *[]string
	}{{"present", f.Present, &c.Present}, {"absent", f.Absent, &c.Absent}} {
		for i, a := range list.of {
			*list.to = append(*list.to, a.Sign)
			if a.Sure != nil && !*a.Sure {
				c.Unsure = append(c.Unsure, a.Sign)
			}
			if list.field == "absent" && a.Again {
				return fmt.Errorf("absent[%d]: a sign that is not there was not seen again", i)
			}
			if a.Again {
				c.Again = append(c.Again, a.Sign)
			}
			if a.Degree == NoDegree {
				continue
			}
			if list.field == "absent" {
				return fmt.Errorf("absent[%d]: a sign that is not there has no degree", i)
			}
			if c.Degrees == nil {
				c.Degrees = map[string]Degree{}
			}
			c.Degrees[a.Sign] = a.Degree
		}
	}
	return nil
}

// MarshalJSON writes a case as a file holds it.
func (c WorkedCase) MarshalJSON() ([]byte, error) {
	f := caseForm{
		ID:      c.ID,
		Story:   c.Story,
		Habit:   c.Habit,
		Season:  c.Season,
		Traits:  c.Traits,
		Present: []formAnswer{},
		Absent:  []formAnswer{},
		Unknown: c.Unknown,
		Causes:  c.Causes,
		Outside: c.Outside,
		Basis:   c.Basis,
	}
	for _, list := range []struct {
		of []string
		to *[]formAnswer
	}{{c.Present, &f.Present}, {c.Absent, &f.Absent}} {
		for _, id := range list.of {
			a := formAnswer{Sign: id, Degree: c.Degrees[id], Again: slices.Contains(c.Again, id)}
			if slices.Contains(c.Unsure, id) {
				a.Sure = new(bool)
			}
			*list.to = append(*list.to, a)
		}
	}
	return json.Marshal(f)
}
