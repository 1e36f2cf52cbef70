package exposure

import (
	"fmt"
	"math"

	"tendermend/core/day"
	"tendermend/core/working"
)

// Say tells in words how two plants had to do with each other; other is what the plant
// that has it is called.
func (h Held) Say(other string) string {
	other = "“" + other + "”"
	days := working.Count(h.Times, "day")
	switch h.Tie {
	case Touching:
		return fmt.Sprintf("Its leaves touched %s for %s, %s.", other, days, h.span())
	case Tray:
		return fmt.Sprintf("It stood in one tray with %s for %s, %s.", other, days, h.span())
	case Session:
		return fmt.Sprintf("The same hands had it after %s %s.", other, h.onDays())
	case Blade:
		return fmt.Sprintf("It was cut after %s %s, and nobody recorded that the blade was cleaned between.",
			other, h.onDays())
	case Kin:
		return fmt.Sprintf("One is a piece of the other: it and %s were one plant until %s.", other, h.Since.Words())
	case Came:
		return fmt.Sprintf("It came with %s from one source on %s.", other, h.Since.Words())
	case Apart:
		return fmt.Sprintf("It was in one place with %s for %s, one of them kept apart there, %s.", other, days, h.span())
	case Beside, OnePlace:
	}
	return fmt.Sprintf("It stood in one place with %s for %s, %s.", other, days, h.span())
}

// onDays says when hands or a blade went from one to the other.
func (h Held) onDays() string {
	if h.Times == 1 {
		return "on " + h.Since.Words()
	}
	return fmt.Sprintf("on %s from %s to %s", working.Count(h.Times, "day"), h.Since.Words(), h.Until.Words())
}

func (h Held) span() string {
	from, until := h.Since, h.Until
	if until-from > day.Day(h.Times) { // only the last of it counts
		from = until - day.Day(h.Times)
	}
	return "from " + from.Words() + " to " + until.Words()
}

// Amount is the chance with its working.
func (e Exposed) Amount() working.Amount {
	w := working.Working{
		Formula: "chance = (1 − (1 − chance each time) multiplied over all days and times) × how well it likes the " +
			"plant, leg by leg",
		Source: Source,
		Sure:   "a guess that may be wrong by half: it says whom to look at first",
	}
	for _, leg := range e.Legs() {
		for _, t := range leg.Ties {
			w.Inputs = append(w.Inputs,
				working.Input{Name: "chance each time, " + t.Tie.Name(), Value: round(t.Hazard, 5)},
				working.Input{Name: "times", Value: float64(t.Times)})
		}
	}
	w.Inputs = append(w.Inputs, working.Input{Name: "how well it likes the plant, 0 to 1", Value: e.Liking})
	return working.Amount{What: "chance that it caught it", Value: round(100*e.Chance, 0), Unit: "%", Working: w}
}

// Name is a tie in a word or two.
func (t Tie) Name() string { return tieNames[t] }

var tieNames = map[Tie]string{
	Touching: "leaf to leaf", Tray: "one tray", Beside: "within 30 cm", OnePlace: "one place",
	Apart: "one place, kept apart", Session: "the same hands", Blade: "one blade", Kin: "a piece of it",
	Came: "came together",
}

func round(x float64, places int) float64 {
	p := math.Pow10(places)
	return math.Round(x*p) / p
}
