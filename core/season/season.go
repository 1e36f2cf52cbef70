// Package season tells what the turn of the year asks for a plant where it stands: to rest, to
// be fed less, to stand brighter or in the shade, to go out and to come in, each between two days
// and with its reason; and how it is used to more light after a move.
package season

import (
	"fmt"
	"slices"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/fit"
	"tendermend/core/place"
	"tendermend/core/plant"
	"tendermend/core/working"
)

// Plant is what its seasons are worked out from.
type Plant struct {
	Wants plant.Profile
	South bool
	// Here is the place where it stands; nil where nothing is known of it.
	Here *place.YearAir
	// FedOn is the day on which it was fed last; 0 where it never was.
	FedOn day.Day
	// Outside are the places of its collection that lie in the open; none for most flats.
	Outside []place.YearAir
}

// Ask is one thing that the season asks for.
type Ask struct {
	Job   care.Job
	From  day.Day // the first useful day
	Until day.Day // the last day on which it is in time
	Ends  day.Day // the last day on which it is any use
	What  string
	How   string
	Why   string
}

// span is a run of days, both ends within.
type span struct{ from, to day.Day }

// ReadyDays is how long before its day a move of the season is spoken of: to make room, or to find
// a lighter place (common practice).
const ReadyDays = 14

// How long before its day a change is spoken of, and how long it can wait (common practice).
const (
	shadeReady = 7
	outDays    = 21 // after the first day that is warm enough
	restDays   = 21
	feedWaits  = 14
	fedLately  = 90 // for so many days after a feed a plant counts as one that is fed
	// What does not suit it for longer is no matter of the season, but of its place; and what is
	// over within two weeks is weather.
	longestSeason  = 210
	shortestSeason = 14
	year           = 365
)

// Asks gives what the coming year asks for, as it was known on a day, by first day: what was
// over before that day is left out.
func Asks(p Plant, known day.Day) (asks []Ask) {
	asks = p.rest(known)
	moves := Moves(p, known)
	if len(moves) > 0 && moves[0].Job == care.BringIn && moves[0].From <= known {
		return moves // first of all it comes in: what it wants out there is no question
	}
	if p.Here != nil {
		asks = slices.Concat(asks, p.feedLess(known), p.brighter(known), p.shade(known), moves)
	}
	slices.SortStableFunc(asks, func(a, b Ask) int { return int(a.From - b.From) })
	return asks
}

// aWeek is how far apart days are asked about: what holds for less is weather.
const aWeek = 7

// spans lists the runs of days on which something holds, from a year before a day to a year
// after it, that are not over on that day and are seasons: none that lasts most of the year.
func spans(known day.Day, holds func(day.Day) bool) (list []span) {
	first, from := known-year, day.Day(-1)
	was := holds(first)
	for d := first + aWeek; d <= known+year; d += aWeek {
		is := holds(d)
		if is == was {
			continue
		}
		turned := d
		for holds(turned-1) == is {
			turned--
		}
		if was = is; is {
			from = turned
			continue
		}
		if n := turned - from; from > 0 && turned > known && n >= shortestSeason && n <= longestSeason {
			list = append(list, span{from, turned - 1})
		}
	}
	return list
}

// words says a span in words: “5 October to 8 February”.
func (s span) words() string {
	return s.from.Time().Format("2 January") + " to " + s.to.Time().Format("2 January")
}

// Dim says whether a plant grows little on a day for want of light: no lamp gives it what it
// wants at least, and the day is short, or shortens, or its place is too dark (common practice).
// Kinds that rest in summer grow in the dark months.
func Dim(wants plant.Profile, here place.YearAir, on day.Day) bool {
	if wants.GrowsInTheDark() {
		return false
	}
	light, least := here.LightOn(on), wants.Light[0]
	if here.Lamp && light >= least {
		return false
	}
	hours := here.HoursOn(on)
	return hours < shortDay || light < least || hours < waningDay && here.HoursOn(on+1) < hours
}

// Days so short that little grows, and so short while they shorten, hours (common practice).
const (
	shortDay  = 10.0
	waningDay = 11.5
)

// rests says whether a kind rests in the month of a day.
func (p Plant) rests(on day.Day) bool { return p.Wants.RestsIn(plant.NorthMonth(on, p.South)) }

func (p Plant) rest(known day.Day) (asks []Ask) {
	if p.Wants.HowItRests() == plant.RestNone {
		return nil
	}
	what, does := "Let it rest", "rests"
	if p.Wants.HowItRests() == plant.RestSlows {
		what, does = "Let it slow down", "hardly grows"
	}
	how := "Water it by the rule of its rest, and feed nothing."
	if p.Wants.Rest != "" {
		how = working.Capital(p.Wants.Rest) + "."
	}
	for _, s := range spans(known, p.rests) {
		asks = append(asks, Ask{
			Job: care.Rest, From: s.from, Until: s.from + restDays, Ends: s.to, What: what, How: how,
			Why: fmt.Sprintf("Its kind %s from about %s.", does, s.words()),
		})
	}
	return asks
}

func (p Plant) feedLess(known day.Day) (asks []Ask) {
	days, strength, feeds := care.FedInTheDark(p.Wants.Feed)
	if !feeds || p.FedOn == 0 || known-p.FedOn > fedLately {
		return nil
	}
	how := fmt.Sprintf("At most %s the label's rate, %s.", strength, working.Every(int(days), "day"))
	if days == 0 {
		how = "Feed nothing until then: its kind takes none in the dark."
	}
	for _, s := range spans(known, func(d day.Day) bool { return Dim(p.Wants, *p.Here, d) }) {
		middle := s.from + (s.to-s.from)/2
		if p.rests(middle) {
			continue
		}
		const shortens = "From %s little grows there: the days shorten, to %s hours in the middle of that time"
		why := fmt.Sprintf(shortens, s.words(), oneDecimal(p.Here.HoursOn(middle)))
		if light := p.Here.LightOn(middle); light < p.Wants.Light[0] {
			why += fmt.Sprintf(", and it gets %s mol of light a day and wants %s at least", oneDecimal(light),
				oneDecimal(p.Wants.Light[0]))
		}
		asks = append(asks, Ask{
			Job: care.FeedLess, From: s.from, Until: s.from + feedWaits, Ends: s.to,
			What: "Feed it less until " + s.to.Time().Format("2 January"), How: how, Why: why + ".",
		})
	}
	return asks
}

func (p Plant) brighter(known day.Day) (asks []Ask) {
	least := p.Wants.Light[0]
	if least <= 0 {
		return nil
	}
	counts := func(d day.Day) float64 { return fit.Counts(p.Here.LightOn(d), p.rests(d)) }
	for _, s := range spans(known, func(d day.Day) bool { return counts(d) < least }) {
		darkest := s.from
		for d := s.from; d <= s.to; d++ {
			if counts(d) < counts(darkest) {
				darkest = d
			}
		}
		const how = "Nearer to the pane, at a brighter window, or under a lamp of %g µmol at its leaves for %s a day."
		const why = "From %s it is too dark for it there: it gets down to %s mol of light a day and wants %s at least."
		asks = append(asks, Ask{
			Job: care.Brighter, From: s.from - ReadyDays, Until: s.from, Ends: s.to,
			What: "Stand it brighter for the dark months",
			How:  fmt.Sprintf(how, fit.Lamp(least-counts(darkest)), working.Count(fit.LampHours, "hour")),
			Why:  fmt.Sprintf(why, s.words(), oneDecimal(p.Here.LightOn(darkest)), oneDecimal(least)),
		})
	}
	return asks
}

func (p Plant) shade(known day.Day) (asks []Ask) {
	kind := fit.KindOf(p.Wants)
	burns := func(d day.Day) bool {
		return kind.Burns(p.Here.LightOn(d), p.Here.SunOn(d), p.Here.Hot[d.Month()-1])
	}
	for _, s := range spans(known, burns) {
		worst := s.from
		for d := s.from; d <= s.to; d++ {
			if p.Here.SunOn(d) > p.Here.SunOn(worst) {
				worst = d
			}
		}
		const why = "From %s up to %s hours of sun reach it there and %s mol of light a day; it bears %s hours and %s mol."
		hot := p.Here.Hot[worst.Month()-1]
		how := "A thin curtain, or a step back from the pane, while the sun reaches it."
		if hot {
			how = "A thin curtain from 11 to 16 o'clock, or a step back from the pane."
		}
		asks = append(asks, Ask{
			Job: care.Shade, From: s.from - shadeReady, Until: s.from, Ends: s.to,
			What: "Shade it for the bright months", How: how,
			Why: fmt.Sprintf(why, s.words(), oneDecimal(p.Here.SunOn(worst)), oneDecimal(p.Here.LightOn(worst)),
				oneDecimal(kind.SunBorne(hot)), oneDecimal(p.Wants.Light[2])),
		})
	}
	return asks
}

// oneDecimal says a number to one decimal, and a whole one without.
func oneDecimal(x float64) string {
	return fmt.Sprintf("%g", float64(int(x*10+0.5))/10)
}
