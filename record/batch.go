package record

import (
	"fmt"
	"slices"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/pieces"
	"tendermend/core/working"
)

// TakenAs is the batch as which pieces of a plant were taken.
type TakenAs struct {
	N      int           `json:"n" doc:"How many pieces."`
	Method pieces.Method `json:"method" doc:"As the kinds name it: tip-cutting, node-cutting …"`
	Vessel pieces.Vessel `json:"vessel" enum:"water,mix,moss,moss-box,mother,pot" doc:"What they root in."`
}

// mostPieces is how many pieces a batch has at most.
const mostPieces = 500

func (b *TakenAs) check(faults *Faults) {
	if b == nil {
		return
	}
	if b.N < 1 || b.N > mostPieces {
		said := "a batch has between 1 and " + working.Count(mostPieces, "piece")
		*faults = append(*faults, Fault{Field: "arrived.batch.n", Message: said})
	}
	if _, known := pieces.WayOf(b.Method); !known {
		const said = "%q is no way to take pieces; pick one from the list"
		*faults = append(*faults, Fault{Field: "arrived.batch.method", Message: fmt.Sprintf(said, b.Method)})
	}
	if !slices.Contains(pieces.Vessels(), b.Vessel) {
		const said = "say what they root in: %q is none of those in the list"
		*faults = append(*faults, Fault{Field: "arrived.batch.vessel", Message: fmt.Sprintf(said, b.Vessel)})
	}
}

// Batch is what has become of a batch of pieces, all together one row.
type Batch struct {
	TakenAs
	Alive    int              `json:"alive" doc:"In the vessel and alive."`
	Shoots   int              `json:"shoots" doc:"Of them with a shoot."`
	Rooted   int              `json:"rooted" doc:"Of them with roots."`
	Lost     int              `json:"lost" doc:"Died, rotted ones among them."`
	Rotted   int              `json:"rotted"`
	Potted   int              `json:"potted" doc:"Potted out as plants."`
	Returned int              `json:"returned" doc:"Put back with the mother."`
	Counts   []BatchCount     `json:"counts" doc:"What each look found, oldest first."`
	Rootings []pieces.Rooting `json:"rootings" doc:"When how many were found with roots first."`
	CountOn  *day.Day         `json:"countOn,omitempty" doc:"The day of the next count; missing where none is left."`
}

// BatchCount is what one look at a batch found.
type BatchCount struct {
	On     day.Day `json:"on"`
	Alive  int     `json:"alive"`
	Shoots int     `json:"shoots"`
	Rooted int     `json:"rooted"`
	Lost   int     `json:"lost" doc:"In all by then."`
}

// batchOf begins a batch.
func batchOf(t *TakenAs, on day.Day) *Batch {
	if t == nil {
		return nil
	}
	next := on + pieces.CountDays
	return &Batch{TakenAs: *t, Alive: t.N, Counts: []BatchCount{}, Rootings: []pieces.Rooting{}, CountOn: &next}
}

// Outcome is the batch as statistics count it. What had roots and died counts as rooted.
func (b *Batch) Outcome(kind string) pieces.Outcome {
	return pieces.Outcome{
		Method: b.Method, Kind: kind, Taken: b.N, Rooted: b.everRooted(), Lost: min(b.Lost, b.N-b.everRooted()),
		Rootings: b.Rootings,
	}
}

// everRooted counts those that have roots and those that were potted out with them.
func (b *Batch) everRooted() int {
	n := 0
	for _, r := range b.Rootings {
		n += r.N
	}
	return n
}

// standing says where a batch stands.
func (b *Batch) standing() string {
	switch {
	case b.Alive == 0 && b.Potted+b.Returned == 0:
		return "died"
	case b.Alive == 0:
		return "parted"
	case b.Rooted > 0:
		return "rooted"
	}
	return "rooting"
}

// Watered says whether it is watered as a pot is: what stands in water, in a box or on the
// mother is not.
func (b *Batch) Watered() bool {
	return b.Alive > 0 && slices.Contains([]pieces.Vessel{pieces.InMix, pieces.OwnPot}, b.Vessel)
}

// next sets the day of the next count.
func (b *Batch) next(on day.Day) {
	b.CountOn = nil
	if b.Alive > 0 {
		next := on + pieces.CountDays
		b.CountOn = &next
	}
}

// Counted is a look at a batch: how many are alive, have a shoot, have roots.
type Counted struct {
	Alive  int    `json:"alive" doc:"How many are alive now."`
	Shoots int    `json:"shoots" doc:"How many of them have a shoot."`
	Rooted int    `json:"rooted" doc:"How many of them have roots."`
	Rotted *int   `json:"rotted,omitempty" doc:"How many of those that died rotted; all of them where nobody says."`
	Note   string `json:"note,omitempty" maxLength:"2000"`
}

// KindCounted stands in stored records: it is never renamed or used for another.
const KindCounted Kind = "counted"

// Kind names it.
func (*Counted) Kind() Kind { return KindCounted }

func (c *Counted) check(s *situation) (faults Faults) {
	no := func(field, format string, args ...any) {
		faults = append(faults, Fault{Field: "counted." + field, Message: fmt.Sprintf(format, args...)})
	}
	b := s.state().Batch
	switch {
	case b == nil:
		return Faults{{Field: "counted", Message: "this is one plant, not a batch: count its roots or growths instead"}}
	case c.Alive < 0 || c.Shoots < 0 || c.Rooted < 0:
		no("alive", "a count is 0 or more")
	case c.Alive > b.Alive:
		no("alive", "only %s were left to be alive; correct the count before if that was wrong", pieceCount(b, b.Alive))
	case c.Shoots > c.Alive:
		no("shoots", "of %s alive, %d cannot have a shoot", pieceCount(b, c.Alive), c.Shoots)
	case c.Rooted > c.Alive:
		no("rooted", "of %s alive, %d cannot have roots", pieceCount(b, c.Alive), c.Rooted)
	case c.Rotted != nil && (*c.Rotted < 0 || *c.Rotted > b.Alive-c.Alive):
		no("rotted", "%s died since the last count, so %d cannot have rotted", pieceCount(b, b.Alive-c.Alive), *c.Rotted)
	}
	return faults
}

func pieceCount(b *Batch, n int) string {
	way, _ := pieces.WayOf(b.Method)
	return working.Count(n, way.One)
}

func (c *Counted) apply(s *State, e Entry) {
	b := s.Batch
	if b == nil {
		return
	}
	died := max(0, b.Alive-c.Alive)
	rotted := died
	if c.Rotted != nil {
		rotted = *c.Rotted
	}
	if more := c.Rooted - b.Rooted; more > 0 {
		b.Rootings = append(b.Rootings, pieces.Rooting{Days: int(e.On - s.ArrivedOn), N: more})
	}
	b.Alive, b.Shoots, b.Rooted = c.Alive, c.Shoots, c.Rooted
	b.Lost, b.Rotted = b.Lost+died, b.Rotted+rotted
	b.Counts = append(b.Counts, BatchCount{e.On, b.Alive, b.Shoots, b.Rooted, b.Lost})
	b.next(e.On)
	s.looked(e.On)
}

func (c *Counted) event(s State) (string, bool) {
	if s.Batch == nil {
		return "counted", true
	}
	return fmt.Sprintf("%s alive, %d with roots", pieceCount(s.Batch, c.Alive), c.Rooted), true
}

func (*Counted) taken() taken { return whileHere }

func (*Counted) effort() (Effort, int) { return ForLooks, 5 }

// Parted takes pieces out of a batch: potted out as plants, or put back with the mother.
type Parted struct {
	Potted   int    `json:"potted" doc:"How many were potted out, each a plant of its own."`
	Returned int    `json:"returned" doc:"How many went back into the mother's pot."`
	Note     string `json:"note,omitempty" maxLength:"2000"`
	// Plants are those that came of it, where they were taken in.
	Plants []uuid.UUID `json:"plants,omitempty" maxItems:"500" doc:"The plants that came of it."`
}

// KindParted stands in stored records: it is never renamed or used for another.
const KindParted Kind = "parted"

// Kind names it.
func (*Parted) Kind() Kind { return KindParted }

func (p *Parted) check(s *situation) Faults {
	b := s.state().Batch
	switch {
	case b == nil:
		return Faults{{Field: "parted", Message: "this is one plant, not a batch: nothing can be parted from it like that"}}
	case p.Potted < 0 || p.Returned < 0 || p.Potted+p.Returned == 0:
		return Faults{{Field: "parted.potted", Message: "say how many were potted out or put back"}}
	case p.Potted+p.Returned > b.Alive:
		const said = "%s are left; %d cannot be taken out"
		return Faults{{Field: "parted.potted", Message: fmt.Sprintf(said, pieceCount(b, b.Alive), p.Potted+p.Returned)}}
	}
	return nil
}

func (p *Parted) apply(s *State, e Entry) {
	b := s.Batch
	if b == nil {
		return
	}
	out := p.Potted + p.Returned
	b.Alive -= out
	b.Potted, b.Returned = b.Potted+p.Potted, b.Returned+p.Returned
	b.Rooted, b.Shoots = max(0, b.Rooted-out), min(b.Shoots, b.Alive)
	b.next(e.On)
	s.looked(e.On)
}

func (p *Parted) event(State) (string, bool) {
	switch {
	case p.Returned == 0:
		return fmt.Sprintf("%d potted out", p.Potted), true
	case p.Potted == 0:
		return fmt.Sprintf("%d put back with the mother", p.Returned), true
	}
	return fmt.Sprintf("%d potted out, %d put back with the mother", p.Potted, p.Returned), true
}

func (*Parted) taken() taken { return whileHere }

func (*Parted) effort() (Effort, int) { return ForLooks, 15 }
