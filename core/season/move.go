package season

import (
	"fmt"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/fit"
	"tendermend/core/place"
	"tendermend/core/plant"
	"tendermend/core/working"
)

const (
	// gains is by how much better a place in the open must suit a plant through the time that
	// it can stand there, 0 to 1, to be worth the carrying (common practice).
	gains = 0.15
	// shortestOut is for how many days it is worth it (common practice).
	shortestOut = 42
	// tooLate is how many days before it comes in again nobody puts it out any more.
	tooLate = 30
)

// Moves are those of the coming year's asks that take a plant out or in.
func Moves(p Plant, known day.Day) []Ask {
	if p.Here == nil {
		return nil
	}
	if p.Here.Outdoors {
		return p.in(known)
	}
	return p.out(known)
}

// out asks to put a plant out that stands in, can stand out for six weeks and does better there.
func (p Plant) out(known day.Day) (asks []Ask) {
	if len(p.Outside) == 0 || p.Wants.Has(plant.SulksMoved) {
		return nil
	}
	kind := fit.KindOf(p.Wants)
	for _, of := range []day.Day{known - year, known, known + year} { // it may have begun last year, in the south
		stays := p.Here.OutFrom(kind.Low, kind.Chill, of)
		in := stays.In
		if stays.Out > in { // over the turn of the year, in the south
			in += year
		}
		ends := in - tooLate
		if stays.Always || stays.Never || in-stays.Out < shortestOut || ends < known || !p.gains(kind, stays.Out, in) {
			continue
		}
		const why = "From %s on the nights there are as a rule warm enough for it: it bears %s °C for long and is hurt at " +
			"%s °C. It can stay until %s, and does better there than inside."
		asks = append(asks, Ask{
			Job: care.PutOut, From: stays.Out, Until: min(stays.Out+outDays, ends), Ends: ends, What: "Put it out",
			How: "In the shade and out of the wind for the first week, then by steps into its light. " +
				"Look for pests before it comes near others.",
			Why: fmt.Sprintf(why, dayMonth(stays.Out), oneDecimal(kind.Low), oneDecimal(kind.Chill), dayMonth(in)),
		})
	}
	return asks
}

// gains says whether some place in the open suits a kind better through a time than the one
// where it stands, in the middle of each of its months.
func (p Plant) gains(kind fit.Kind, from, to day.Day) bool {
	mean := func(at place.YearAir) float64 {
		sum, n := 0.0, 0
		for d := from; d <= to; d += 30 {
			sum += kind.Month(monthOf(at, d), p.rests(d)).Value
			n++
		}
		return sum / float64(n)
	}
	here := mean(*p.Here)
	for _, at := range p.Outside {
		if mean(at) >= here+gains {
			return true
		}
	}
	return false
}

func monthOf(at place.YearAir, d day.Day) fit.Month {
	i := d.Month() - 1
	return fit.Month{
		Light: at.Light[i], Sun: at.Sun[i], Hot: at.Hot[i], Night: at.Night[i], Day: at.Day[i], Humidity: at.Humidity[i],
	}
}

// in asks to bring a plant in that stands in the open, before a night can harm it.
func (p Plant) in(known day.Day) []Ask {
	kind := fit.KindOf(p.Wants)
	stays := p.Here.OutFrom(kind.Low, kind.Chill, known)
	if stays.Always {
		return nil
	}
	a := Ask{
		Job: care.BringIn, What: "Bring it in", From: stays.In - ReadyDays, Until: stays.In, Ends: known + year,
		How: "Look for pests at the door, and again after three, ten and twenty-one days; stand it where it is bright.",
	}
	const why = "After %s a cold night there can go down to what hurts it: it bears %s °C for long and is hurt at %s °C."
	a.Why = fmt.Sprintf(why, dayMonth(stays.In), oneDecimal(kind.Low), oneDecimal(kind.Chill))
	switch {
	case stays.Never:
		a.From, a.Until = known, known
		a.Why = fmt.Sprintf("No time of the year there is warm enough by night for it: it bears %s °C for long and is hurt "+
			"at %s °C.", oneDecimal(kind.Low), oneDecimal(kind.Chill))
	case !stays.Holds(known):
		a.From, a.Until = known, known
	case stays.In < known: // it comes in next year
		a.From, a.Until = a.From+year, a.Until+year
	}
	return []Ask{a}
}

func dayMonth(d day.Day) string { return d.Time().Format("2 January") }

// Raise gives the step by which the light of a plant is raised next after it was moved on a day
// from one place to another, where it gets so much more light that it would burn; false where it
// does not, or has had all its steps. Last is the day on which its light was raised last, and
// worked the one on which it was potted or treated last: it is left alone for some days then.
func Raise(from, to place.YearAir, moved, last, worked day.Day) (Ask, bool) {
	before, after := monthOf(from, moved), monthOf(to, moved)
	steps := fit.Rise(before.Light, after.Light, before.Sun, after.Sun)
	if len(steps) < 2 {
		return Ask{}, false
	}
	next := 0
	for next < len(steps) && moved+day.Day(steps[next].Day) <= last {
		next++
	}
	if next == len(steps) {
		return Ask{}, false
	}
	on, gap := moved+day.Day(steps[next].Day), day.Day(steps[1].Day)
	if next > 0 {
		gap = day.Day(steps[next].Day - steps[next-1].Day)
		on = max(on, last+gap, worked+leftAlone)
	}
	const why = "It came on %s from %s mol of light a day to %s: leaves that are used to less burn. " +
		"By half more at a step, over one to two weeks."
	a := Ask{
		Job: care.LightStep, From: on, Until: on + gap/2, Ends: moved + day.Day(steps[len(steps)-1].Day) + stepsForgotten,
		What: fmt.Sprintf("Light, step %d of %d", next+1, len(steps)),
		How:  "It can have all the light of its place now.",
		Why:  fmt.Sprintf(why, dayMonth(moved), oneDecimal(before.Light), oneDecimal(after.Light)),
	}
	if step := steps[next]; next < len(steps)-1 {
		const how = "Give it about %d %% of the light of its place now: behind a thin curtain, or a step back from the " +
			"pane%s. Not while it is thirsty."
		a.How = fmt.Sprintf(how, int(step.Light/after.Light*100+0.5), sunAtMost(step.Sun))
	}
	return a, true
}

// leftAlone is how many days a plant is left alone after it was potted or treated, before its light
// is raised (common practice).
const leftAlone = 3

// stepsForgotten is how many days after its last step a rise in light is no longer asked for:
// the leaves are used to it, or burnt.
const stepsForgotten = 14

func sunAtMost(hours float64) string {
	if hours < 0.5 {
		return ", out of the sun"
	}
	return fmt.Sprintf(", with %s of sun at most", working.Measured(float64(int(hours*2+0.5))/2, "hour"))
}
