package facts

import (
	"fmt"

	"tendermend/core/day"
)

// Row is one fact as it is shown: what is known, since when, and from where.
type Row struct {
	ID    string   `json:"id"`
	Name  string   `json:"name"`
	Value string   `json:"value" doc:"In words."`
	Unit  string   `json:"unit,omitempty" enum:"cm" doc:"Where the value is a measure that is shown in the carer's units."`
	Size  *float64 `json:"size,omitempty" doc:"The measure itself."`
	On    *day.Day `json:"on,omitempty" doc:"The day of it; missing where it has none."`
	From  Source   `json:"from" enum:"usual,derived,typed,measured,done" doc:"Where it comes from."`
}

var seatWords = map[Seat]string{
	InPot: "a pot", InBasket: "a basket", OnMount: "a slab", Hung: "hung bare", InCup: "a cup over water",
	InDish: "a pot in a dish of water", InReservoir: "a pot with a water space", InJar: "a glass of water",
	InBox: "a moss box", OnTray: "laid on a tray", InHand: "out of its pot", InBin: "thrown away",
}

// Words say what a plant stands in.
func (s Seat) Words() string { return seatWords[s] }

var classWords = map[MediumClass]string{
	Soil: "soil", Bark: "bark", Moss: "moss", Stones: "clay or stones", Peat: "peat", InWater: "water",
	NoMedium: "nothing",
}

// Words say a class of medium.
func (m MediumClass) Words() string { return classWords[m] }

var stateWords = map[MediumState]string{
	Sound: "sound", Tired: "tired", Rotten: "rotten", Sour: "sour", Crusted: "crusted with salts",
	Repels: "sheds water", Infested: "with insects",
}

var moistWords = map[Moist]string{
	Soaked: "soaked", Wet: "wet", Right: "moist", Due: "as dry as it likes", Dry: "too dry", Bone: "dry to the core",
}

var coverWords = map[Cover]string{Uncovered: "none", OpenCover: "open", ClosedCover: "closed"}

// Rows list what is known of a plant, in the order of a look: what it stands in, its
// roots, what grows on it, how it is, where it stands.
func (f Facts) Rows() []Row {
	l := rows{}
	l.word("seat", "stands in", wordOf(f.Seat, seatWords))
	l.size("pot-width", "pot, inner width", f.PotWidthCM)
	l.size("pot-depth", "pot, depth", f.PotDepthCM)
	l.word("medium", "medium", wordOf(f.MediumClass, classWords))
	l.word("medium-state", "its medium is", wordOf(f.Medium, stateWords))
	l.word("moist", "moisture", wordOf(f.Moist, moistWords))
	l.yes("standing", "water in saucer or outer pot", f.Standing)
	l.yes("holes", "holes in its pot", f.PotHoles)
	l.size("level", "level of its water", f.LevelCM)
	l.word("cover", "cover", wordOf(f.Cover, coverWords))
	l.count("live-roots", "live roots", f.LiveRoots)
	l.count("dead-roots", "dead roots", f.DeadRoots)
	if share, counted := f.LiveShare(); counted {
		l.add("share", "share alive", fmt.Sprintf("%.0f %%", 100*share), f.LiveRoots.On, Derived)
	}
	l.count("tips", "growing root tips", f.LiveTips)
	l.size("ball", "live root ball", f.RootBallCM)
	l.size("new-roots", "roots on new growth", f.NewRootsCM)
	l.count("growths", "growths", f.Growths)
	l.count("leaves", "leaves", f.Leaves)
	l.count("spikes", "flower spikes", f.Spikes)
	l.count("plantlets", "plantlets and offsets", f.Plantlets)
	l.yes("growing", "grows", f.Growing)
	l.yes("resting", "at rest", f.Resting)
	l.yes("limp", "limp", f.Limp)
	l.word("reserves", "reserves", wordOf(f.Reserves, map[Reserves]string{
		Plump: "plump", Ridged: "ridged", Shrivelled: "shrivelled",
	}))
	l.yes("rot", "rot spreads", f.RotAlive)
	l.share("infested", "infested", f.Infested)
	l.share("light", "light, of its best", f.LightShare)
	l.yes("isolated", "isolated", f.Isolated)
	l.yes("no-water", "kept dry", f.NoWater)
	l.yes("no-feed", "kept without feed", f.NoFeed)
	had := f.NewcomerDays
	had.On = 0 // it is counted to today
	l.count("had", "days had", had)
	return l
}

type rows []Row

func (l *rows) add(id, name, value string, on day.Day, from Source) {
	line := Row{ID: id, Name: name, Value: value, From: from}
	if on != 0 {
		line.On = &on
	}
	*l = append(*l, line)
}

func wordOf[T comparable](f Fact[T], words map[T]string) Fact[string] {
	return Fact[string]{words[f.Value], f.Known, f.On, f.From}
}

func (l *rows) word(id, name string, f Fact[string]) {
	if f.Known && f.Value != "" {
		l.add(id, name, f.Value, f.On, f.From)
	}
}

func (l *rows) count(id, name string, f Number) {
	if f.Known {
		l.add(id, name, fmt.Sprintf("%g", f.Value), f.On, f.From)
	}
}

func (l *rows) share(id, name string, f Number) {
	if f.Known {
		l.add(id, name, fmt.Sprintf("%.0f %%", 100*f.Value), f.On, f.From)
	}
}

func (l *rows) size(id, name string, f Number) {
	if !f.Known {
		return
	}
	size := f.Value
	l.add(id, name, fmt.Sprintf("%g cm", size), f.On, f.From)
	last := &(*l)[len(*l)-1]
	last.Unit, last.Size = "cm", &size
}

func (l *rows) yes(id, name string, f Yes) {
	if !f.Known {
		return
	}
	said := "no"
	if f.Value {
		said = "yes"
	}
	l.add(id, name, said, f.On, f.From)
}
