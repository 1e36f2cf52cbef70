package care

import (
	"cmp"
	"fmt"
	"slices"
	"strings"
	"time"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/water"
	"tendermend/core/working"
)

// Plant is what a routine is worked out from.
type Plant struct {
	Wants plant.Profile // its kind's wishes, or its habit's
	Habit plant.Habit
	South bool
	// Dim says whether it grows little on a day for want of light; nil where nobody knows its
	// place: then in the three months of the shortest days.
	Dim func(day.Day) bool
	// Rule is its water rule on a day; nil where nothing is known but its kind.
	Rule func(day.Day) water.Line
	Had  day.Day // about since when it has been had; the earliest day where that is long ago
	New  bool    // whether it is known to have come not long ago
	// FreshOn is the day on which it last came into fresh medium; nil where never.
	FreshOn *day.Day
	// LiveShare is the share of its roots that live; nil where nobody counted.
	LiveShare *float64
	Watched   bool // whether it is kept under watch: its pests are looked for weekly
	InBud     bool
	Fed       int // feeds since it was flushed
	Last      map[Job]day.Day
	// Snoozed are jobs that were put off, with the day.
	Snoozed map[Job]day.Day
	Off     []Job // jobs that are switched off for it
	// Covered and Dimmed are since when it stands under a cover, and out of its light, that a treatment put it in and
	// nobody took off: nil where it does not.
	Covered, Dimmed *day.Day
}

// Due is a job of the routine with its next day.
type Due struct {
	Job   Job      `json:"job"`
	Title string   `json:"title"`
	On    day.Day  `json:"on" doc:"The day from which it is due."`
	Last  *day.Day `json:"last,omitempty" doc:"When it was done last; missing where it never was."`
	Why   string   `json:"why"`
	How   string   `json:"how"`
	Done  string   `json:"done" doc:"What it is called where it is answered in one tap."`
	// Pauses is the time after its day in which it waits: the plant rests, or grows
	// too little.
	Pauses *Pause `json:"pauses,omitempty" doc:"The time in which it waits though it is due."`
	// Weaker is the time after its day in which it is fed as in the dark months.
	Weaker *Pause `json:"weaker,omitempty" doc:"The time in which it is fed weaker than on its day."`
	// Minutes it takes beside a look (common practice).
	Minutes int    `json:"minutes"`
	Measure string `json:"measure,omitempty" doc:"The measure that a look for it reads; missing for other jobs."`
	// PutOff is how often it was put off since it was done last, and PutOffWhy why the last time.
	PutOff    int    `json:"putOff,omitempty" doc:"How often it was put off since it was done last."`
	PutOffWhy string `json:"putOffWhy,omitempty" doc:"Why it was put off the last time."`
	Unwanted  bool   `json:"unwanted,omitempty" doc:"Whether it was put off so often that it may not be wanted here."`
	// Strength is set for feeds.
	Strength float64 `json:"strength,omitempty" doc:"Share of the label's rate, for feeding."`
}

// strengths at which a plant that is well is fed, in growth and in the dark months,
// with what they are called (common practice: half of what labels say).
var strengths = map[lightSeason]struct {
	share float64
	rate  string // the same in words, of the label's
}{
	growth: {0.5, "half"},
	low:    {0.25, "a quarter of"},
}

// apartInTheDark is by how much feeds lie farther apart in the dark months (common practice).
const apartInTheDark = 2

// FedInTheDark tells how a plant that is well is fed while it grows little: every so many days,
// 0 for never, and at what part of the label's rate; feeds is false where it never is.
func FedInTheDark(f plant.Feed) (days day.Day, rate string, feeds bool) {
	apart, feeds := feedDays[cmp.Or(f.Every, usualFeed)]
	if f.PpmN > 0 && f.Low == 0 {
		return 0, "", feeds
	}
	return apartInTheDark * apart, strengths[low].rate, feeds
}

// fedAt is what a feed at a rate is called; empty in a rest, in which nothing is fed.
func fedAt(rate string) string {
	if rate == "" {
		return ""
	}
	return "fed at " + rate + " the label’s rate"
}

// Seasons of light for a plant.
type lightSeason int

const (
	growth lightSeason = iota
	low                // short days: it grows little
	rest               // it rests
)

// seasonOn gives the light season of a plant on a day: its rest where it is seen
// or known, the time in which it is dim for it, or growth (common practice).
func (p Plant) seasonOn(d day.Day) lightSeason {
	switch {
	case p.rule(d).Rest:
		return rest
	case p.dim(d):
		return low
	}
	return growth
}

func (p Plant) dim(d day.Day) bool {
	if p.Dim != nil {
		return p.Dim(d)
	}
	m := plant.NorthMonth(d, p.South)
	return m == time.November || m == time.December || m == time.January
}

// rule is its water rule on a day, from which its rest is read.
func (p Plant) rule(d day.Day) water.Line {
	if p.Rule != nil {
		return p.Rule(d)
	}
	return water.LineOn(water.Asked{Kind: p.Wants, Habit: p.Habit, On: d, South: p.South})
}

// fed says whether it may be fed on a day: never in a rest of its kind, and in the
// dark months only where its kind is.
func (p Plant) fed(d day.Day) bool {
	if p.rule(d).NoFeed {
		return false
	}
	unfedInTheDark := p.Wants.Feed.PpmN > 0 && p.Wants.Feed.Low == 0
	return !unfedInTheDark || p.seasonOn(d) != low
}

// Intervals and limits of the routine, in days (common practice).
const (
	pestDays      = 14
	pestDaysLow   = 21
	pestDaysWatch = 7
	washDays      = 56
	flushDays     = 56
	flushDaysSalt = 35
	feedsToFlush  = 4
	turnDays      = 14
	pinchDays     = 30
	stakeDays     = 60
	freshDays     = 30 // nothing is fed in fresh medium for so long
	monthDays     = 30
	longestRest   = 370
)

// OftenPutOff is after how many times of putting a job off it is asked whether it is wanted at all
// (common practice).
const OftenPutOff = 3

// NewDays is how long a plant counts as new: for so long it is not fed (common
// practice).
const NewDays = 30

// LeastRoots is the share of live roots under which a feed does harm (common
// practice).
const LeastRoots = 0.4

// feedDays is how many days lie between feeds in growth.
var feedDays = map[string]day.Day{
	"each-watering": 7, "weekly": 7, "fortnight": 14, "month": 30, "six-weeks": 42, "quarter": 91,
}

// usualFeed is taken where the kind does not say (common practice).
const usualFeed = "month"

// Routine gives the next day of each job that the plant wants, in the order in
// which they are done at it.
func Routine(p Plant) []Due {
	list := []Due{}
	add := func(job Job, on day.Day, wanted bool, why string) {
		if !wanted || slices.Contains(p.Off, job) {
			return
		}
		words, _ := ByID(job)
		due := Due{
			Job: job, Title: words.Title, On: max(on, p.Snoozed[job]), Why: why,
			How: words.How, Done: words.Done, Minutes: words.Minutes, Measure: words.Measure,
		}
		if last, done := p.Last[job]; done {
			due.Last = &last
		}
		due.Pauses = p.pause(job, due.On)
		if job == Feed {
			how := strengths[p.seasonOn(due.On)]
			due.Strength, due.Done = how.share, fedAt(how.rate)
			due.Weaker = p.weaker(due.On)
		}
		list = append(list, due)
	}
	for _, words := range jobs {
		on, wanted, why := p.next(words.ID)
		add(words.ID, on, wanted, why)
	}
	return list
}

// lightBackDays is how far apart the steps back into its light are, and LightBackStep by how much of its best light
// each is brighter (common practice).
const (
	lightBackDays = 7
	LightBackStep = 0.3
)

// since is the day from which an interval counts: the last time, or since when it
// has been had.
func (p Plant) since(job Job) day.Day {
	if last, done := p.Last[job]; done {
		return last
	}
	return p.Had
}

// next gives the next day of a job and why; false where the plant does not want
// it.
func (p Plant) next(job Job) (on day.Day, wanted bool, why string) {
	since := p.since(job)
	switch job {
	case PestLook:
		return p.pestLook(since)
	case Feed:
		return p.feed(since)
	case Flush:
		return p.flush(since)
	case LeafWash:
		marked := p.Wants.Has(plant.PowderBloom) || p.Wants.Has(plant.Fuzzy) || p.Wants.Has(plant.DryLeaves)
		return p.awake(since + washDays), !marked && !p.Wants.Has(plant.Spines), "Dust takes light; mites like it."
	case Turn:
		still := p.Wants.Has(plant.SulksMoved) || p.InBud
		return p.awake(since + turnDays), !still, "It grows towards the window."
	case Pinch:
		return p.growing(since + pinchDays), p.Habit.ID == "soft-trailer", "Unpinched it grows bare and long."
	case Stake:
		climbs := slices.Contains([]string{"aroid-vine", "wax-vine"}, p.Habit.ID)
		return p.growing(since + stakeDays), climbs || p.InBud, "Ties that held a young shoot cut into an old one."
	case RepotCheck:
		return p.repot(since)
	case Uncover, LightBack:
		return p.leftOn(job, since)
	default: // the season asks for the others, by the place
	}
	return 0, false, ""
}

// leftOn takes off what a treatment put on: first its cover, then the shade.
func (p Plant) leftOn(job Job, since day.Day) (day.Day, bool, string) {
	switch {
	case job == Uncover && p.Covered != nil:
		return *p.Covered, true, "It stands under the cover of a treatment that has ended."
	case job == LightBack && p.Dimmed != nil && p.Covered == nil:
		return max(*p.Dimmed, since+lightBackDays), true, "It still stands in the shade of a treatment that has ended."
	}
	return 0, false, ""
}

func (p Plant) pestLook(since day.Day) (day.Day, bool, string) {
	if p.Watched {
		return since + pestDaysWatch, true, "It is under watch."
	}
	every, when := day.Day(pestDays), "while it grows"
	if p.seasonOn(since+pestDays) != growth {
		every, when = pestDaysLow, "in the dark months and in rest"
	}
	return since + every, true, fmt.Sprintf("Every %s %s.%s", working.Count(int(every), "day"), when, p.likings())
}

// likings names the pests that come to its kind often.
func (p Plant) likings() string {
	var often []string
	for _, l := range p.Wants.Pests {
		if pest, known := cause.ByID(cause.ID(l.Pest)); known && l.How == plant.Often {
			often = append(often, strings.ToLower(pest.Label))
		}
	}
	if len(often) == 0 {
		return ""
	}
	return " Its kind draws these most: " + strings.Join(often, ", ") + "."
}

func (p Plant) feed(since day.Day) (day.Day, bool, string) {
	apart, feeds := feedDays[cmp.Or(p.Wants.Feed.Every, usualFeed)]
	if !feeds || p.LiveShare != nil && *p.LiveShare < LeastRoots {
		return 0, false, ""
	}
	why := fmt.Sprintf("Every %s while it grows.", working.Count(int(apart), "day"))
	on := since + apart
	if p.seasonOn(on) == low {
		apart *= apartInTheDark
		on, why = since+apart, fmt.Sprintf("Every %s in the dark months, weaker.", working.Count(int(apart), "day"))
	}
	if p.FreshOn != nil {
		on = max(on, *p.FreshOn+freshDays)
	}
	if p.New {
		on = max(on, p.Had+NewDays)
	}
	return p.first(on, p.fed), true, why + " Water first where it is thirsty, feed at the next."
}

func (p Plant) flush(since day.Day) (day.Day, bool, string) {
	every := day.Day(flushDays)
	if p.Wants.Has(plant.SaltTender) {
		every = flushDaysSalt
	}
	why := fmt.Sprintf("Fed %s since; salts gather.", working.Count(p.Fed, "time"))
	return p.first(since+every, p.fed), p.Fed >= feedsToFlush, why
}

func (p Plant) repot(since day.Day) (day.Day, bool, string) {
	months := p.Wants.RepotMonths
	if months[0] == 0 {
		return 0, false, ""
	}
	if p.FreshOn != nil {
		since = max(since, *p.FreshOn)
	}
	on := since + day.Day((months[0]+months[1])/2*monthDays)
	const words = "Usually after %d to %s; a look tells, not the date."
	return p.growing(on), true, fmt.Sprintf(words, months[0], working.Count(months[1], "month"))
}

// Pause is a time in which a job waits: from a day up to, and without, another.
type Pause struct {
	From day.Day `json:"from"`
	To   day.Day `json:"to"`
}

// anyTime are the jobs that a rest does not put off.
var anyTime = []Job{PestLook}

// grows are the jobs that want a plant in growth; the others only want it awake.
var grows = []Job{Pinch, Stake, RepotCheck}

// pause is the next time after a day in which a job waits; nil where none comes
// within a year.
func (p Plant) pause(job Job, on day.Day) *Pause {
	if slices.Contains(anyTime, job) {
		return nil
	}
	fits := p.isAwake
	switch {
	case job == Feed, job == Flush:
		fits = p.fed
	case slices.Contains(grows, job):
		fits = p.isGrowing
	}
	from := p.first(on, func(d day.Day) bool { return !fits(d) })
	if fits(from) {
		return nil
	}
	return &Pause{from, p.first(from, fits)}
}

// At is a job as it stands on a day: one that fell due before a rest waits until
// that is over, and a feed that fell due before the dark months is given weaker.
func (d Due) At(today day.Day) Due {
	if d.Weaker != nil && today >= d.Weaker.From && today < d.Weaker.To {
		how := strengths[low]
		d.Strength, d.Done = how.share, fedAt(how.rate)
	}
	if d.Pauses != nil && today >= d.Pauses.From && today < d.Pauses.To {
		d.On = max(d.On, d.Pauses.To)
	}
	return d
}

func (p Plant) isAwake(d day.Day) bool   { return p.seasonOn(d) != rest }
func (p Plant) isGrowing(d day.Day) bool { return p.seasonOn(d) == growth }

// awake is a day, or the first after it on which the plant does not rest.
func (p Plant) awake(d day.Day) day.Day { return p.first(d, p.isAwake) }

// growing is a day, or the first after it on which the plant grows.
func (p Plant) growing(d day.Day) day.Day { return p.first(d, p.isGrowing) }

func (p Plant) first(d day.Day, fits func(day.Day) bool) day.Day {
	for next := d; next < d+longestRest; next++ {
		if fits(next) {
			return next
		}
	}
	return d
}

// joinDays is how much earlier a job may be done to join a look (common practice).
const joinDays = 3

// By gives the jobs that are done on a look of a day: those that are due, or nearly.
func By(list []Due, today day.Day) []Due {
	var due []Due
	for _, d := range list {
		if d = d.At(today); d.On <= today+joinDays {
			due = append(due, d)
		}
	}
	return due
}

// weaker is the next time after a day on which it grows well in which it grows little.
func (p Plant) weaker(on day.Day) *Pause {
	if p.seasonOn(on) != growth {
		return nil
	}
	from := p.first(on, p.dim)
	if !p.dim(from) {
		return nil
	}
	return &Pause{from, p.first(from, func(d day.Day) bool { return !p.dim(d) })}
}

// Changes gives the days on which a job begins or ceases to join looks.
func (d Due) Changes() []day.Day {
	changes := []day.Day{d.On - joinDays}
	if d.Pauses != nil {
		changes = append(changes, d.Pauses.From, d.Pauses.To-joinDays)
	}
	return changes
}

// Without leaves jobs out of a routine.
func Without(list []Due, off []Job) []Due {
	return slices.DeleteFunc(slices.Clone(list), func(d Due) bool { return slices.Contains(off, d.Job) })
}
