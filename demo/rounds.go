package demo

import (
	"slices"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/record"
	"tendermend/record/due"
)

// roundDays are how many days ago the carers last went round what is well, the earlier time first.
var roundDays = []int{19, 5}

// betweenWaters is within how many days nobody waters again on a round.
const betweenWaters = 6

// forgotten are plants that nobody got round to.
var forgotten = []string{"T-010", "K-001"}

// rounds has what is well looked at and cared for as its routine asks, on the last two rounds; nothing else of the
// clinic is as up to date, and two plants were forgotten.
func rounds(c *clinic) {
	for _, h := range c.hands {
		s := h.state()
		well := !s.Over() && s.Batch == nil && slices.Contains([]string{"well", "mended"}, s.Standing())
		if h.err != nil || !well || slices.Contains(forgotten, h.label) {
			continue
		}
		for _, ago := range roundDays {
			h.round(ago)
		}
	}
}

// round is one of them: what is due is done, and what is not to stand dry is watered where it was not.
func (h *hand) round(ago int) {
	s := h.state()
	if h.on(ago) <= s.ArrivedOn {
		return
	}
	jobs, fed := []care.Job{care.PestLook}, false
	for _, d := range due.Routine(s, false) {
		switch {
		case d.On > h.on(ago), d.Job == care.PestLook, d.Job.Moves():
		case d.Job == care.Feed:
			fed = true
		default:
			jobs = append(jobs, d.Job)
		}
	}
	h.write(ago, record.Body{Tended: &record.Tended{Jobs: jobs}})
	wet := slices.ContainsFunc(s.WateredOn, func(on day.Day) bool { return on > h.on(ago)-betweenWaters })
	if !wet && s.Wants.WaterRule != plant.DryThrough {
		h.write(ago, record.Body{Watered: &record.Watered{}})
	}
	if fed {
		h.write(ago, record.Body{Fed: &record.Fed{Strength: 0.5, Product: "leaf plant feed 3-1-2"}})
	}
}
