package record

import (
	"time"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
)

// Content is what one kind of entry records. Each kind is one type in a file of
// its own and one field of Body; nothing else knows them all.
type Content interface {
	// Kind names it.
	Kind() Kind
	// check says what keeps it from being recorded.
	check(*situation) Faults
	// apply folds it into what the record tells of the plant.
	apply(*State, Entry)
	// event gives what it puts on the seam; false for what is no event.
	event(State) (string, bool)
	// taken says on which plants it is taken.
	taken() taken
	// effort is the part of a review that it counts in, and the minutes that such a
	// record takes where no plan says (common practice).
	effort() (Effort, int)
}

// keeper is a kind that keeps something of the moment at which it is recorded.
type keeper interface {
	// completed is it with what is kept of that moment.
	completed(moment) (Body, error)
	// sent is it as it was sent, without what was filled in.
	sent() Body
}

// taken says whether a kind is taken on a plant that has left.
type taken int

const (
	whileHere taken = iota // wants the plant to be here on that day
	always                 // notes and what concerns the record itself
)

// moment is when an entry is recorded, with what the record tells by then.
type moment struct {
	on     day.Day
	at     time.Time
	state  State
	around Context
}

// causes gives what the differential says then, the likeliest first.
func (m moment) causes() ([]diagnosis.CauseChance, error) {
	c, err := m.around.knowledge().Examine(m.state.Examination(m.on, m.around.South))
	if err != nil {
		return nil, err
	}
	return c.Causes(), nil
}

// chances gives as much of that as is kept with an entry.
func (m moment) chances() ([]diagnosis.CauseChance, error) {
	all, err := m.causes()
	if err != nil {
		return nil, err
	}
	return all[:keptChances], nil
}
