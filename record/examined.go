package record

import (
	"fmt"
	"maps"
	"slices"
	"strings"

	"tendermend/core/diagnosis"
)

// Examined is one look for signs.
type Examined struct {
	Present []string `json:"present" doc:"Signs seen."`
	Absent  []string `json:"absent" doc:"Signs looked for and not there."`
	// Unsure are the signs of either list that one only thinks to be so.
	Unsure []string `json:"unsure,omitempty" doc:"Signs of either list that one only thinks to be so."`
	// Again are the signs seen that were looked for a second time, and seen again.
	Again []string `json:"again,omitempty" doc:"Signs seen that were looked for a second time, and seen again."`
	// Unknown are signs that were asked and that nobody can answer.
	Unknown []string                    `json:"unknown,omitempty" doc:"Signs that were asked and that nobody can answer."`
	Degrees map[string]diagnosis.Degree `json:"degrees,omitempty" doc:"How much of a sign there is."`
	// Overruled are signs that the record suggests and the carer rejects.
	Overruled []Overruled `json:"overruled,omitempty"`
	Note      string      `json:"note,omitempty" maxLength:"2000"`
	// What the differential said at the time, so that its history can be read and
	// held against what was confirmed later. Filled in when it is recorded.
	Chances []diagnosis.CauseChance `json:"chances,omitempty"`
	Tables  string                  `json:"tables,omitempty"`
}

// Overruled is a derived sign set aside, with the reason.
type Overruled struct {
	Sign   string `json:"sign"`
	Reason string `json:"reason" maxLength:"300"`
}

// KindExamined stands in stored records: it is never renamed or used for another.
const KindExamined Kind = "examined"

// Kind names it.
func (*Examined) Kind() Kind { return KindExamined }

func (x *Examined) check(s *situation) (faults Faults) {
	answered := map[string]string{}
	for _, list := range []struct {
		field string
		ids   []string
	}{{"examined.present", x.Present}, {"examined.absent", x.Absent}} {
		for i, id := range list.ids {
			field := fmt.Sprintf("%s[%d]", list.field, i)
			sign, ok := diagnosis.SignByID(id)
			if !ok {
				faults = append(faults, Fault{Field: field, Message: fmt.Sprintf("there is no sign %q", id)})
				continue
			}
			if before := answered[id]; before != "" && before != list.field {
				faults = append(
					faults,
					Fault{
						Field: field,
						Message: fmt.Sprintf(
							"“%s” is said to be both seen and not there; keep one of the two",
							sign.Label,
						),
					},
				)
			}
			answered[id] = list.field
		}
	}
	if s.entry.RecordedAt.IsZero() { // what was recorded before this was asked is kept as it is
		faults = append(faults, x.clash()...)
	}
	faults = append(faults, x.checkMore(answered)...)
	if len(answered) == 0 {
		faults = append(
			faults,
			Fault{Field: "examined", Message: "answer at least one sign: seen, or looked for and not there"},
		)
	}
	for i, o := range x.Overruled {
		field := fmt.Sprintf("examined.overruled[%d]", i)
		if _, ok := diagnosis.SignByID(o.Sign); !ok {
			faults = append(faults, Fault{Field: field, Message: fmt.Sprintf("there is no sign %q", o.Sign)})
		}
		if strings.TrimSpace(o.Reason) == "" {
			faults = append(faults, Fault{Field: field, Message: "say why the record is wrong here"})
		}
	}
	return faults
}

// clash finds two sure answers that cannot both be true.
func (x *Examined) clash() Faults {
	a, b, found := diagnosis.Contradiction(x.look())
	if !found {
		return nil
	}
	signA, _ := diagnosis.SignByID(a)
	signB, _ := diagnosis.SignByID(b)
	said := "“%s” and “%s” cannot both be true of one look; keep the one you are sure of"
	if slices.Contains(x.Absent, b) {
		said = "“%s” can only be seen where “%s” is there as well, which is said not to be; keep the one you are " +
			"sure of"
	}
	return Faults{{Field: "examined.present", Message: fmt.Sprintf(said, signA.Label, signB.Label)}}
}

// checkMore says what is wrong with how sure one is, and with how much there is.
func (x *Examined) checkMore(answered map[string]string) (faults Faults) {
	for i, id := range x.Unsure {
		if answered[id] == "" {
			const said = "“%s” was not answered, so nobody can be unsure of it"
			faults = append(faults, Fault{Field: fmt.Sprintf("examined.unsure[%d]", i), Message: fmt.Sprintf(said, id)})
		}
	}
	for i, id := range x.Again {
		if answered[id] != "examined.present" {
			const said = "“%s” was not seen, so it was not seen again"
			faults = append(faults, Fault{Field: fmt.Sprintf("examined.again[%d]", i), Message: fmt.Sprintf(said, id)})
		}
	}
	for i, id := range x.Unknown {
		if _, ok := diagnosis.SignByID(id); !ok {
			field := fmt.Sprintf("examined.unknown[%d]", i)
			faults = append(faults, Fault{Field: field, Message: fmt.Sprintf("there is no sign %q", id)})
		}
	}
	for _, id := range slices.Sorted(maps.Keys(x.Degrees)) {
		sign, _ := diagnosis.SignByID(id)
		if answered[id] != "examined.present" || !slices.Contains(sign.Degrees, x.Degrees[id]) {
			const said = "“%s” cannot be so of “%s”; say a degree only of a sign seen that has them"
			message := fmt.Sprintf(said, x.Degrees[id], id)
			faults = append(faults, Fault{Field: "examined.degrees." + id, Message: message})
		}
	}
	return faults
}

// look is what was answered by looking.
func (x *Examined) look() diagnosis.Examination {
	return diagnosis.Examination{
		Present: x.Present, Absent: x.Absent, Unsure: x.Unsure, Again: x.Again, Unknown: x.Unknown,
		Degrees: x.Degrees,
	}
}

func (x *Examined) apply(s *State, e Entry) {
	s.Examined, s.Decided = &Look{e.On, e.ID, *x}, false
	if len(x.Chances) > 0 {
		look := x.look()
		look.Habit = s.Habit.ID
		s.Said = append(s.Said, Said{e.On, e.ID, x.Chances, x.Tables, look})
	}
	s.looked(e.On)
}

func (*Examined) event(State) (string, bool) { return "", false }

func (*Examined) taken() taken { return whileHere }

func (*Examined) effort() (Effort, int) { return ForLooks, 5 }

func (x *Examined) completed(m moment) (Body, error) {
	done := *x
	done.Tables, done.Chances = m.around.edition(), nil
	m.state.Examined = &Look{Examined: done}
	var err error
	done.Chances, err = m.chances()
	return Body{Examined: &done}, err
}

func (x *Examined) sent() Body {
	bare := *x
	bare.Chances, bare.Tables = nil, ""
	return Body{Examined: &bare}
}
