// Package folder reads a folder of pictures: of which plant each is, on which day and from
// which side it was taken, by the names of files and folders and by what the camera wrote.
package folder

import (
	"cmp"
	"path"
	"slices"
	"strings"

	"github.com/agnivade/levenshtein"
	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/record"
)

// File is a picture of a folder before it is sent.
type File struct {
	Path string `json:"path" maxLength:"400" doc:"Its name with the folders above it, by slashes."`
	Size int    `json:"size" minimum:"0" maximum:"2147483647" doc:"Bytes, so that the same file is known again."`
	// Camera is when the camera says that it was taken; Written when the file was written.
	Camera  *day.Day `json:"camera,omitempty" doc:"The day that the camera wrote into it."`
	Written *day.Day `json:"written,omitempty" doc:"The day on which the file was written."`
}

// Whose is a plant that pictures may be of.
type Whose struct {
	ID    uuid.UUID `json:"id"`
	Name  string    `json:"name"`
	Label string    `json:"label,omitempty"`
	// On is the day on which it came; it has no picture here from before.
	On day.Day `json:"on" doc:"When it came."`
}

// Told says by what something was found.
type Told string

// What tells of which plant a picture is, and of which day.
const (
	ByLabel   Told = "label"   // its label stands in the name
	ByName    Told = "name"    // what it is called stands there
	ByNearly  Told = "nearly"  // but for a letter
	ByFile    Told = "file"    // the day stands in the name of file or folder
	ByCamera  Told = "camera"  // the camera wrote it
	ByWritten Told = "written" // it is only when the file was written
	ByNothing Told = "nothing"
)

// Shot is what is made of a file.
type Shot struct {
	Path    string      `json:"path"`
	ID      uuid.UUID   `json:"id" doc:"The picture's id: the same file has the same."`
	Entry   uuid.UUID   `json:"entry" doc:"Id of the entry that records it."`
	Plant   *Whose      `json:"plant,omitempty" doc:"Of which plant it is; missing where nothing or several fit."`
	Several []Whose     `json:"several" doc:"The plants that fit alike, where there are several."`
	Found   Told        `json:"found" enum:"label,name,nearly,nothing" doc:"By what the plant was found."`
	On      *day.Day    `json:"on,omitempty" doc:"The day on which it was taken."`
	Dated   Told        `json:"dated" enum:"file,camera,written,nothing" doc:"By what its day is known."`
	Side    record.Side `json:"side" enum:"front,left,right,back,top,base,roots"`
	Why     string      `json:"why,omitempty" doc:"What keeps it from being taken in as it is."`
	Here    bool        `json:"here" doc:"Whether it was taken in before."`
}

// Most is how many files are matched at once.
const Most = 500

// space parts the ids of pictures that come by a folder from all others.
var space = uuid.MustParse("4ed1a0e6-7a3d-5f60-9e3a-3f9a5a0b3b1c")

// Match says of each file what it is of. The same file gives the same ids each time.
func Match(files []File, plants []Whose, today day.Day) []Shot {
	known := index(plants)
	shots := make([]Shot, len(files))
	for i, f := range files {
		shots[i] = known.shot(f, today)
	}
	return shots
}

// called are plants by what they are called, in plain words.
type called struct {
	labels, names map[string][]Whose
	byLength      map[int][]string // names by how long they are, for those that are nearly written
}

func index(plants []Whose) called {
	c := called{labels: map[string][]Whose{}, names: map[string][]Whose{}, byLength: map[int][]string{}}
	for _, p := range plants {
		for _, l := range []string{wordsOf(p.Label), strings.ReplaceAll(wordsOf(p.Label), " ", "")} {
			if l != "" && !slices.Contains(c.labels[l], p) {
				c.labels[l] = append(c.labels[l], p)
			}
		}
		if n := wordsOf(p.Name); n != "" {
			if len(c.names[n]) == 0 {
				c.byLength[len(n)] = append(c.byLength[len(n)], n)
			}
			c.names[n] = append(c.names[n], p)
		}
	}
	return c
}

func (c called) shot(f File, today day.Day) Shot {
	id := uuid.NewSHA1(space, []byte(path.Base(f.Path)+"\x00"+sizeWords(f)))
	s := Shot{
		Path: f.Path, ID: id, Entry: uuid.NewSHA1(id, []byte("entry")), Several: []Whose{}, Found: ByNothing,
		Side: sideIn(f.Path),
	}
	s.On, s.Dated = dayOf(f, today)
	fit, found := c.find(f.Path)
	switch len(fit) {
	case 0:
		s.Why = "no plant here has a label or a name like that"
	case 1:
		s.Plant, s.Found = &fit[0], found
	default:
		s.Several, s.Found, s.Why = fit, found, "several plants are called that"
	}
	switch {
	case s.On == nil:
		s.Why = cmp.Or(s.Why, "neither its name nor the camera tells the day")
	case *s.On > today:
		s.Why = cmp.Or(s.Why, "its day is still to come")
	case s.Plant != nil && *s.On < s.Plant.On:
		s.Why = "its day is before the plant came, on " + s.Plant.On.Words()
	}
	return s
}

// find looks for a plant from the file's own name up to the outermost folder: labels before
// names, the longest words first, and what is wrong by a letter last.
func (c called) find(name string) ([]Whose, Told) {
	parts := strings.Split(strings.TrimSuffix(name, path.Ext(name)), "/")
	slices.Reverse(parts)
	for _, part := range parts {
		words := strings.Fields(wordsOf(part))
		if fit := longest(words, c.labels); len(fit) > 0 {
			return fit, ByLabel
		}
		if fit := longest(words, c.names); len(fit) > 0 {
			return fit, ByName
		}
	}
	for _, part := range parts {
		if fit := c.nearly(rest(part)); len(fit) > 0 {
			return fit, ByNearly
		}
	}
	return nil, ByNothing
}

// longest finds the longest run of words that something is called.
func longest(words []string, by map[string][]Whose) []Whose {
	for n := min(len(words), 12); n > 0; n-- {
		for i := 0; i+n <= len(words); i++ {
			if fit := by[strings.Join(words[i:i+n], " ")]; len(fit) > 0 {
				return fit
			}
		}
	}
	return nil
}

// nearEnough is the length from which a name with one letter wrong is still taken for it.
const nearEnough = 5

// nearly finds what is written like that but for a letter.
func (c called) nearly(said string) []Whose {
	if len(said) < nearEnough {
		return nil
	}
	var fit []Whose
	for n := len(said) - 1; n <= len(said)+1; n++ {
		for _, name := range c.byLength[n] {
			if levenshtein.ComputeDistance(said, name) <= 1 {
				fit = append(fit, c.names[name]...)
			}
		}
	}
	return fit
}
