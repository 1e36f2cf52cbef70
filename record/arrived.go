package record

import (
	"fmt"
	"strings"

	"tendermend/core/plant"

	"github.com/google/uuid"
)

// Arrived takes a plant in.
type Arrived struct {
	Name       string     `json:"name" maxLength:"120" doc:"What it is called here."`
	Label      string     `json:"label,omitempty" maxLength:"24" doc:"The code on its label."`
	Profile    string     `json:"profile,omitempty" doc:"Its kind; empty when unknown."`
	Habit      string     `json:"habit" doc:"Its growth habit, enough when the kind is unknown."`
	From       string     `json:"from,omitempty" maxLength:"120"`
	Price      *float64   `json:"price,omitempty" minimum:"-9999" maximum:"1000000" doc:"In the collection's money."`
	Packing    Packing    `json:"packing,omitempty" enum:"unpacked,dry,wet,cold,weeks-in-box,unknown"`
	PotWidthCM *float64   `json:"potWidthCm,omitempty" minimum:"-9999" maximum:"99999" doc:"Inner width of its pot, cm."`
	PotDepthCM *float64   `json:"potDepthCm,omitempty" minimum:"-9999" maximum:"99999" doc:"Depth of its pot, cm."`
	Medium     string     `json:"medium,omitempty" maxLength:"120"`
	Leaves     *int       `json:"leaves,omitempty" minimum:"-9999" maximum:"99999"`
	Growths    *int       `json:"growths,omitempty" minimum:"-9999" maximum:"99999" doc:"Bulbs, canes, rosettes or stems."`
	Place      *uuid.UUID `json:"place,omitempty"`
	Tray       string     `json:"tray,omitempty" maxLength:"40" doc:"The tray that it shares there, by name."`
	Isolated   bool       `json:"isolated"`
	Had        Had        `json:"had,omitempty" enum:"weeks,months,years,unknown" doc:"How long it had been had before."`
	Suspect    bool       `json:"suspect,omitempty" doc:"Whether where it comes from is suspect."`
	Well       bool       `json:"well,omitempty" doc:"Taken in as well: nothing ails it as far as one sees."`
	Mother     *uuid.UUID `json:"mother,omitempty" doc:"The plant here that it is a piece of."`
	// Batch is set where several pieces are one row; BatchOf is the batch that one of them
	// was potted out of, PotOf the plant in whose pot it stood.
	Batch   *TakenAs   `json:"batch,omitempty" doc:"As what batch of pieces it was taken; missing of a plant."`
	BatchOf *uuid.UUID `json:"batchOf,omitempty" doc:"The batch that it was potted out of."`
	PotOf   *uuid.UUID `json:"potOf,omitempty" doc:"The plant here with which it stood in one pot until then."`
	Note    string     `json:"note,omitempty" maxLength:"2000"`
	// Box is what came in together: all of a box have it as a tag.
	Box string `json:"box,omitempty" maxLength:"80" doc:"The box that it came in, by name: a tag of all that came in it."`
}

// Packing says how a plant travelled.
type Packing string

// How plants arrive.
const (
	Unpacked     Packing = "unpacked"
	PackedDry    Packing = "dry"
	PackedWet    Packing = "wet"
	PackedCold   Packing = "cold"
	WeeksInBox   Packing = "weeks-in-box"
	PackingOther Packing = "unknown"
)

// KindArrived stands in stored records: it is never renamed or used for another.
const KindArrived Kind = "arrived"

// Kind names it.
func (*Arrived) Kind() Kind { return KindArrived }

func (a *Arrived) check(s *situation) (faults Faults) {
	no := func(field, format string, args ...any) {
		faults = append(faults, Fault{Field: "arrived." + field, Message: fmt.Sprintf(format, args...)})
	}
	if strings.TrimSpace(a.Name) == "" && strings.TrimSpace(a.Label) == "" {
		no("name", "give it a name or a label code, so that it can be told from the others")
	}
	if _, ok := hadDays[a.Had]; !ok && a.Had != HadUnknown {
		no("had", "%q is not weeks, months, years or unknown; pick one", a.Had)
	}
	habit, ok := plant.HabitByID(a.Habit)
	if !ok {
		no("habit", "there is no growth habit %q; pick how it grows", a.Habit)
	}
	if a.Profile != "" {
		p, known := s.ledger.kinds.ByID(a.Profile)
		switch {
		case !known:
			no("profile", "the kind %q is not known; pick one from the list, or leave it empty and pick only its habit",
				a.Profile)
		case ok && !p.GrowsAs(habit.ID):
			no("habit", "%s does not grow like that; leave the habit to the kind", p.Botanical)
		}
	}
	if a.Mother != nil && *a.Mother == s.entry.PlantID {
		no("mother", "a plant is not its own mother; pick another")
	}
	a.Batch.check(&faults)
	between(&faults, "arrived.potWidthCm", a.PotWidthCM, 1, 200, "cm")
	between(&faults, "arrived.potDepthCm", a.PotDepthCM, 1, 200, "cm")
	between(&faults, "arrived.price", a.Price, 0, 100000, "as a price")
	countBetween(&faults, "arrived.leaves", a.Leaves, 0, 10000)
	countBetween(&faults, "arrived.growths", a.Growths, 0, 1000)
	if _, here := s.ledger.arrival(s.entry.Replaces); here {
		const said = "this plant has arrived already; correct its arrival instead"
		faults = append(faults, Fault{Field: "arrived", Message: said, Conflict: true})
	}
	if e, found := s.ledger.firstBefore(s.entry.On); found {
		const said = "there is an entry of %s, before this arrival; give that day or an earlier one"
		faults = append(faults, Fault{Field: "on", Message: fmt.Sprintf(said, e.On)})
	}
	return faults
}

func (a *Arrived) apply(s *State, e Entry) {
	s.Here, s.ArrivedOn, s.Arrival, s.Place = true, e.On, *a, a.Place
	s.Habit, _ = plant.HabitByID(a.Habit)
	if p, ok := s.kinds.ByID(a.Profile); ok {
		s.Profile = &p
		if h, ok := plant.HabitByID(p.Habit); ok {
			s.Habit = h // the tables may know its kind better than an older record
		}
	}
	s.tag(a.Box)
	s.Batch = batchOf(a.Batch, e.On)
	s.Tray = strings.TrimSpace(a.Tray)
	s.Pot = Pot{WidthCM: a.PotWidthCM, DepthCM: a.PotDepthCM, Medium: a.Medium}
	if a.Isolated {
		s.keep(Isolated, e.On, "")
	}
	if a.Well {
		on := e.On
		s.FoundWell = &on
	}
	s.looked(e.On)
}

func (*Arrived) event(State) (string, bool) { return "arrived", true }

func (*Arrived) taken() taken { return whileHere }

func (*Arrived) effort() (Effort, int) { return ForNothing, 0 }
