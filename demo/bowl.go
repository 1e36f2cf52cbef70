package demo

import (
	"fmt"

	"github.com/google/uuid"

	"tendermend/core/recovery"
	"tendermend/record"
)

// bowl is a planted bowl that came as one: three plants in it that drink differently, told
// from each other, with the leaves of each.
func bowl(c *clinic) {
	h := c.arrive(120, "Ticket hall", record.Arrived{
		Label: "K-001", Name: "Bowl from the captain’s cabin", Profile: "fittonia-albivenis", Habit: "soft-trailer",
		From: "the captain’s cabin", Packing: record.Unpacked, PotWidthCM: p(16.0), PotDepthCM: p(8.0),
		Medium: "potting soil", Leaves: p(22), Growths: p(4), Had: record.HadMonths, Well: true,
	})
	h.water(100, 5, 11)
	h.write(60, record.Body{Shared: &record.Shared{Plants: []record.Potmate{
		{Letter: "A", Name: "the veined one at the rim"},
		{Letter: "B", Name: "the little palm", Profile: "chamaedorea-elegans"},
		{Letter: "C", Name: "the windowed rosette in the middle", Profile: "haworthia-cooperi"},
	}}})
	for _, one := range []struct {
		of          string
		daysAgo, mm int
	}{{"A", 58, 34}, {"B", 55, 120}, {"C", 50, 41}, {"A", 31, 38}, {"C", 12, 30}} {
		h.leafOf(one.of, one.daysAgo, float64(one.mm))
	}
}

// leafOf writes a leaf that grew up on one plant of a pot.
func (h *hand) leafOf(of string, daysAgo int, mm float64) {
	leaf := uuid.NewSHA1(space, fmt.Appendf(nil, "%s %s %d", h.label, of, daysAgo))
	begun := record.Grown{Growth: leaf, Sort: recovery.Leaf, Of: of, State: recovery.Starting}
	h.write(daysAgo, record.Body{Grown: &begun})
	h.write(daysAgo-10, record.Body{Grown: &record.Grown{Growth: leaf, SizeMM: &mm, State: recovery.Mature}})
}
