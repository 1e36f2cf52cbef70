package record

import (
	"fmt"
	"strings"

	"tendermend/core/day"
	"tendermend/core/treatment/sheet"
	"tendermend/core/working"
)

// How a plan that was taken up is another now.
const (
	ChangedMoved   = "moved"
	ChangedHeld    = "held"
	ChangedDropped = "dropped"
)

// Changed is work of a plan that was taken up and is not as it was promised: steps with one reason.
type Changed struct {
	How     string   `json:"how" enum:"moved,held,dropped"`
	Steps   []string `json:"steps" doc:"Ids of the steps."`
	Titles  []string `json:"titles" doc:"What they do, each once."`
	From    day.Day  `json:"from" doc:"The day that was promised."`
	To      *day.Day `json:"to,omitempty" doc:"The day on which it is now; missing where it has none."`
	Because string   `json:"because"`
}

// Changed lists what of the plan in hand is not as it was promised, each with its reason, in the order of its days.
func (s State) Changed(on day.Day) []Changed {
	list := []Changed{}
	if s.Plan == nil || !s.Case.Open() {
		return list
	}
	ticks := s.Done()
	for _, step := range s.Plan.Steps {
		if _, done := ticks[step.ID]; done && step.Every == 0 || step.Gate != "" {
			continue
		}
		one, is := s.changed(step, on)
		if !is {
			continue
		}
		if n := len(list); n > 0 && list[n-1].goesWith(one) {
			list[n-1].add(one)
			continue
		}
		list = append(list, one)
	}
	return list
}

// changed says how one step is not as it was promised.
func (s State) changed(step sheet.Step, on day.Day) (Changed, bool) {
	now := s.DueOn(step.ID)
	c := Changed{Steps: []string{step.ID}, Titles: []string{step.Title}, From: step.On}
	_, begun := s.Ticks[step.ID]
	switch {
	case s.Stopped(step, max(on, now)):
		c.How, c.Because = ChangedHeld, "This comes first: "+s.soundsNow()+"."
	case s.leftBehind(step, now):
		c.How, c.Because = ChangedDropped, "It belonged to a stage that was left on "+s.Courses[0].Began.Words()+"."
	case begun || now == step.On:
		return c, false
	default:
		c.How, c.To, c.Because = ChangedMoved, &now, s.whyMoved(step)
	}
	return c, true
}

// soundsNow is what alarms, in words.
func (s State) soundsNow() string {
	var said []string
	for _, a := range s.Alarms() {
		said = append(said, working.Lower(a.Title))
	}
	return strings.Join(said, ", ")
}

// whyMoved says why a step has another day.
func (s State) whyMoved(step sheet.Step) string {
	if step.Pest != nil && step.Pest.Nth > 0 {
		return "Its round is counted from the last one that was done, and from the warmth read since."
	}
	before, _ := s.movedBy(step)
	done := s.Ticks[before.ID].On.Words()
	return fmt.Sprintf("“%s” was done on %s, and this is counted from then.", before.Title, done)
}

// goesWith says whether two are told as one.
func (c Changed) goesWith(d Changed) bool {
	return c.How == d.How && c.From == d.From && c.Because == d.Because
}

func (c *Changed) add(d Changed) {
	c.Steps = append(c.Steps, d.Steps...)
	for _, title := range d.Titles {
		if c.Titles[len(c.Titles)-1] != title {
			c.Titles = append(c.Titles, title)
		}
	}
}
