package record

import (
	"fmt"
	"slices"

	"tendermend/core/day"
	"tendermend/core/pieces"
	"tendermend/core/working"
)

// TakenAs is the batch as which pieces of a plant were taken.
type TakenAs struct {
	N      int           `json:"n" minimum:"-9999" maximum:"99999" doc:"How many pieces."`
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

// pieceCount is so many pieces, as one of its way is called.
func pieceCount(b *Batch, n int) string {
	way, _ := pieces.WayOf(b.Method)
	return working.Count(n, way.One)
}
