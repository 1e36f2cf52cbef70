package record

import "strings"

// Noted is a free note.
type Noted struct {
	Text string `json:"text" maxLength:"4000"`
}

// KindNoted stands in stored records: it is never renamed or used for another.
const KindNoted Kind = "noted"

// Kind names it.
func (*Noted) Kind() Kind { return KindNoted }

func (n *Noted) check(*situation) Faults {
	if strings.TrimSpace(n.Text) == "" {
		return Faults{{Field: "noted.text", Message: "write something, or leave it"}}
	}
	return nil
}

func (*Noted) apply(s *State, e Entry) {}

func (n *Noted) event(State) (string, bool) { return n.Text, true }

func (*Noted) taken() taken { return always }

func (*Noted) effort() (Effort, int) { return ForNothing, 0 }
