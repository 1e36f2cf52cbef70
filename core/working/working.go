// Package working says how a number came about, so that every number on a
// screen can be opened: what went in, by which formula, after whom, how sure.
package working

// Input is one value that went into a number.
type Input struct {
	Name  string  `json:"name"`
	Value float64 `json:"value" minimum:"-1000000000000" maximum:"1000000000000"`
	Unit  string  `json:"unit,omitempty"`
}

// Working is the way from inputs to a number.
type Working struct {
	Inputs  []Input `json:"inputs"`
	Formula string  `json:"formula"`
	Source  string  `json:"source"`
	Sure    string  `json:"sure" doc:"How sure the number is, in words."`
}

// Amount is a computed quantity with its working.
type Amount struct {
	What    string  `json:"what"`
	Value   float64 `json:"value" minimum:"-1000000000" maximum:"1000000000"`
	Unit    string  `json:"unit" doc:"ml, l, cm, g or a count; always metric, turned into others by the screen."`
	Working Working `json:"working"`
}

// CommonPractice is the source of a fact that the trade hands on without one.
const CommonPractice = "common practice"
