package record

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/working"
)

// Tagged puts words of the carer's own on a plant, or takes them off: what belongs
// together is found again by them.
type Tagged struct {
	Add    []string `json:"add,omitempty" maxItems:"20" doc:"Tags that it gets."`
	Remove []string `json:"remove,omitempty" maxItems:"20" doc:"Tags that it loses."`
}

// How many tags a plant has at most, and how long one is.
const (
	mostTags   = 20
	longestTag = 80
)

// KindTagged stands in stored records: it is never renamed or used for another.
const KindTagged Kind = "tagged"

// Kind names it.
func (*Tagged) Kind() Kind { return KindTagged }

func (t *Tagged) check(s *situation) (faults Faults) {
	if len(t.Add)+len(t.Remove) == 0 {
		return Faults{{Field: "tagged", Message: "say which tag it gets or loses"}}
	}
	for i, tag := range t.Add {
		faults = append(faults, tagFaults(fmt.Sprintf("tagged.add[%d]", i), tag)...)
	}
	after := State{Identity: Identity{Tags: slices.Clone(s.state().Tags)}}
	t.apply(&after, s.entry)
	if len(after.Tags) > mostTags {
		const said = "it would have more than %s; take one off first"
		faults = append(faults, Fault{Field: "tagged.add", Message: fmt.Sprintf(said, working.Count(mostTags, "tag"))})
	}
	return faults
}

// tagFaults says what keeps words from being a tag.
func tagFaults(field, tag string) Faults {
	switch tag = strings.TrimSpace(tag); {
	case tag == "":
		return Faults{{Field: field, Message: "write a word or a few"}}
	case len([]rune(tag)) > longestTag:
		return Faults{{Field: field, Message: "keep it to " + working.Count(longestTag, "letter")}}
	}
	return nil
}

func (t *Tagged) apply(s *State, _ Entry) {
	for _, tag := range t.Remove {
		s.Tags = slices.DeleteFunc(s.Tags, func(has string) bool { return has == strings.TrimSpace(tag) })
	}
	for _, tag := range t.Add {
		s.tag(tag)
	}
}

// tag puts one on, once.
func (s *State) tag(words string) {
	words = strings.TrimSpace(words)
	if words == "" || slices.Contains(s.Tags, words) {
		return
	}
	s.Tags = append(s.Tags, words)
	slices.Sort(s.Tags)
}

func (*Tagged) event(State) (string, bool) { return "", false }

func (*Tagged) taken() taken { return always }

func (*Tagged) effort() (Effort, int) { return ForNothing, 0 }
