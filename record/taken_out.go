package record

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/sharedpot"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
)

// TakenOut is a plant that is taken out of a shared pot into one of its own.
type TakenOut struct {
	Letter     string    `json:"letter" enum:"B,C,D,E,F,G,H,I,J,K,L" doc:"A stays: the record goes on as its own."`
	Plant      uuid.UUID `json:"plant" doc:"Id of the plant that it is now, made by the sender."`
	Name       string    `json:"name" maxLength:"120"`
	Label      string    `json:"label,omitempty" maxLength:"24"`
	PotWidthCM *float64  `json:"potWidthCm,omitempty" minimum:"-9999" maximum:"99999" doc:"Inner width of its own pot."`
	Leaves     *int      `json:"leaves,omitempty" minimum:"-9999" maximum:"99999"`
	Growths    *int      `json:"growths,omitempty" minimum:"-9999" maximum:"99999" doc:"Bulbs, canes, rosettes or stems."`
}

// outSpace parts the ids of what is written by a taking out from all others.
var outSpace = uuid.MustParse("1f6f0c62-6c0e-5b0d-8a63-0f6d4b7c9e2a")

// TakeOut gives what is written where plants are taken out of a shared pot: for each its
// arrival with the growths that were told of it, and last what is left in the pot. All ids
// follow from the asking's, so that sending it again writes nothing twice.
func (s State) TakeOut(asked uuid.UUID, on day.Day, out []TakenOut) ([][]Entry, Faults) {
	if s.Shared == nil || len(s.Shared.Plants) < 2 {
		return nil, Faults{{Field: "out", Message: "it is alone in its pot: say first which plants stand in it"}}
	}
	left := &Shared{Keep: s.Shared.Kept}
	var all [][]Entry
	var faults Faults
	seen := map[string]bool{}
	for i, o := range out {
		at := slices.IndexFunc(s.Shared.Plants, func(m Potmate) bool { return m.Letter == o.Letter })
		switch {
		case at <= 0:
			faults = append(faults, Fault{Field: fmt.Sprintf("out[%d].letter", i),
				Message: "pick one that stands in the pot, and not A: its record goes on here"})
			continue
		case seen[o.Letter]:
			faults = append(faults, Fault{Field: fmt.Sprintf("out[%d].letter", i), Message: o.Letter + " stands twice"})
			continue
		}
		seen[o.Letter] = true
		left.Out = append(left.Out, OutOf{o.Letter, o.Plant})
		all = append(all, s.outEntries(asked, on, s.Shared.Plants[at], o))
	}
	if len(faults) > 0 {
		return nil, faults
	}
	for _, m := range s.Shared.Plants {
		if !seen[m.Letter] {
			left.Plants = append(left.Plants, m)
		}
	}
	return append(all, []Entry{{ID: asked, PlantID: s.PlantID, On: on, Body: Body{Shared: left}}}), nil
}

// outEntries begins the record of one that was taken out.
func (s State) outEntries(asked uuid.UUID, on day.Day, m Potmate, o TakenOut) []Entry {
	id := func(what string) uuid.UUID { return uuid.NewSHA1(outSpace, []byte(asked.String()+m.Letter+what)) }
	host := s.PlantID
	a := Arrived{
		Name: strings.TrimSpace(o.Name), Label: o.Label, Profile: s.Arrival.Profile, Habit: s.Habit.ID,
		From: s.Arrival.From, PotWidthCM: o.PotWidthCM, Leaves: o.Leaves, Growths: o.Growths, Place: s.Place, Tray: s.Tray,
		Isolated: s.Isolation == Isolated, Had: s.hadBy(on), Suspect: s.Arrival.Suspect, PotOf: &host,
		Medium: s.Pot.Medium, Note: "Stood in one pot with " + cmp.Or(s.Arrival.Name, s.Arrival.Label) + ".",
	}
	if p, known := s.kinds.ByID(m.Profile); known {
		a.Profile = m.Profile
		if h, is := plant.HabitByID(p.Habit); is {
			a.Habit = h.ID
		}
	}
	list := []Entry{{ID: id("arrived"), PlantID: o.Plant, On: on, Body: Body{Arrived: &a}}}
	for _, x := range s.Strands {
		if x.Of != m.Letter || x.State == recovery.Lost {
			continue
		}
		g := Grown{Growth: id("growth" + x.ID), Sort: x.Sort, Name: x.Name, CameWith: true, State: x.State, Lobes: x.Lobes}
		if mm, measured := x.Size(); measured {
			g.SizeMM = &mm
		}
		for _, mark := range x.Marked {
			g.Marks = append(g.Marks, mark.Mark)
		}
		list = append(list, Entry{ID: id("grown" + x.ID), PlantID: o.Plant, On: on, Body: Body{Grown: &g}})
	}
	return list
}

// hadBy is for how long it will have been had on a day, as an arrival says it.
func (s State) hadBy(on day.Day) Had {
	days, known := s.Owned(on)
	if !known {
		return HadUnknown
	}
	had := HadNew
	for _, h := range []Had{HadWeeks, HadMonths, HadYears} {
		if days >= hadDays[h] {
			had = h
		}
	}
	return had
}

// PotAdvice weighs whether the plants of its pot are parted or stay together, as of a day.
func (s State) PotAdvice(on day.Day) sharedpot.Parting {
	pot := sharedpot.Pot{Spreading: len(s.Suspected()) > 0, WidthCM: s.Facts(on, Context{}).PotWidthCM.Or(0)}
	if grows := s.Growing(on); grows != nil {
		pot.Growing = grows.Is
	}
	for _, m := range s.Shared.Plants {
		kind := s.Wants
		if p, known := s.kinds.ByID(m.Profile); known {
			kind = p
		}
		pot.Kinds = append(pot.Kinds, kind)
	}
	if s.Plan != nil && !s.Over() {
		done := s.Done()
		pot.Work = slices.ContainsFunc(s.Plan.Steps, func(x sheet.Step) bool {
			_, ticked := done[x.ID]
			return x.Op == string(treatment.Unpot) && !ticked
		})
	}
	return sharedpot.Weigh(pot)
}
