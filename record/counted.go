package record

import (
	"fmt"

	"tendermend/core/pieces"
)

// Counted is a look at a batch: how many are alive, have a shoot, have roots.
type Counted struct {
	Alive  int    `json:"alive" minimum:"-9999" maximum:"99999" doc:"How many are alive now."`
	Shoots int    `json:"shoots" minimum:"-9999" maximum:"99999" doc:"How many of them have a shoot."`
	Rooted int    `json:"rooted" minimum:"-9999" maximum:"99999" doc:"How many of them have roots."`
	Rotted *int   `json:"rotted,omitempty" minimum:"-9999" maximum:"99999" doc:"How many that died rotted; else all."`
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
