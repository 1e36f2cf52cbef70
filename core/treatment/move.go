package treatment

// Move is a step that the carer puts on another day than the plan has it. It is a constraint on the plan, not a change
// of a finished one: what hangs on the step moves along.
type Move struct {
	Op    OperatorID `json:"op"`
	Organ Organ      `json:"organ,omitempty"`
	For   Target     `json:"for,omitempty"`
	From  int        `json:"from" minimum:"0" maximum:"400" doc:"The day on which the plan has it, from 0."`
	To    int        `json:"to" minimum:"0" maximum:"400" doc:"The day on which it is wanted, from 0."`
}

// Means says whether a step of a day is the one that is moved.
func (m Move) Means(s Step, day int) bool {
	return s.Op == m.Op && s.Organ == m.Organ && s.Of() == m.For && day == m.From
}

// MoveOf puts a step of a day on another.
func MoveOf(s Step, from, to int) Move { return Move{s.Op, s.Organ, s.Of(), from, to} }
