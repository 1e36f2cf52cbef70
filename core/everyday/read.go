package everyday

import (
	"regexp"
	"slices"
	"strings"

	"tendermend/core/plant"
)

// Seen is a sign that a sentence says is there.
type Seen struct {
	Sign string `json:"sign"`
	// Sure is false where the sentence doubts it, or its words mean other signs too.
	Sure bool `json:"sure"`
}

// Reading is what a sentence says: the kinds that it may be about, likeliest first, the
// signs that are there and those that are not. Each is to be confirmed by who said it.
type Reading struct {
	Kind    []string `json:"kind" doc:"Ids of the kinds that it may be about, likeliest first."`
	Present []Seen   `json:"present"`
	Absent  []string `json:"absent"`
	// Group is what it is about where it names no kind, as "my orchid"; nil where it is about none.
	Group *plant.KindGroup `json:"-"`
}

// Read reads a sentence or several. It never fails: what it does not understand is left
// out.
func Read(text string, kinds plant.Kinds) Reading {
	r := reader{
		book: bookOnce(), kinds: kinds.Names(),
		out: Reading{Kind: []string{}, Present: []Seen{}, Absent: []string{}},
	}
	for _, sentence := range sentences.FindAllString(text, -1) {
		for _, said := range askedApart(ofPlants.ReplaceAllString(r.kindIn(r.withoutNeighbour(sentence)), " it ")) {
			if statement, is := takenForGranted(said); is {
				r.sentence(statement)
			} else if !strings.HasSuffix(strings.TrimSpace(said), "?") || !questions.MatchString(said) {
				r.sentence(strings.TrimRight(said, ".!? "))
			}
		}
	}
	if len(r.out.Kind) == 0 {
		r.out.Group = groupIn(text)
	}
	return r.out
}

// ofPlants are words for the plant itself that no kind has for a name and no table knows.
var ofPlants = regexp.MustCompile(`(?i)\b(?:(?:my|our|the|this|a)\s+)?` +
	`(?:(?:little|small|big|young|old|poor|tiny|large)\s+)*(?:trees?|bonsais?|shrubs?)\b`)

// reader gathers what is read.
type reader struct {
	book  *book
	kinds *plant.Names
	out   Reading
	// guesses are the names so far that were compared letter by letter.
	guesses int
}

// oneUnknown leaves one idea that stands in no phrase: whoever tells of a plant uses names
// that nobody can know, and one of them is doubt enough.
func (b *book) oneUnknown(ideas []idea) []idea {
	met := false
	return slices.DeleteFunc(ideas, func(i idea) bool {
		if _, known := b.rare[i]; known {
			return false
		}
		again := met
		met = true
		return again
	})
}

// sentence reads one sentence: its parts, joined again where together they say one thing.
func (r *reader) sentence(text string) {
	if asks.MatchString(text) {
		return
	}
	parts := r.parts(text)
	carried(parts)
	doubt := false
	for from := 0; from < len(parts); {
		to, found := r.longest(parts, from)
		goesOn := !strings.ContainsAny(parts[from].by, ",;") && !strings.Contains(parts[from].by, "but")
		doubt = parts[from].doubts || doubt && goesOn
		aside := to == from+1 && (parts[from].tellsWhen() || parts[from].tellsWhere() || parts[from].tellsCare())
		if !aside && r.counts(parts[from], found) {
			r.take(found, doubt || found.tooWetMaybe(parts[from:to]))
			r.takeToo(parts[from:to], found, doubt)
		}
		from = to
	}
}

// takeToo notes what is said with a plant that does not perk up, as "limp though the soil is wet" says two
// signs more.
func (r *reader) takeToo(parts []part, f finding, doubt bool) {
	if len(f.list) == 0 || f.denies || f.list[0].sign != "course.no-perk" {
		return
	}
	var ideas []idea
	for _, p := range parts {
		ideas = union(ideas, p.ideas)
	}
	for _, with := range [][]idea{{"limp"}, {"wet", "soil"}} {
		if slices.Contains(ideas, with[0]) {
			said := r.found(with)
			r.take(said, doubt || said.tooWetMaybe(parts))
		}
	}
}

// finding is what some parts say together.
type finding struct {
	list   []match
	denies bool
	mute   bool // it is known to tell no sign
}

func (f finding) near() float64 {
	if len(f.list) == 0 {
		return 0
	}
	return f.list[0].near
}

// says whether two findings mean the same sign first.
func (f finding) says(g finding) bool {
	return len(f.list) > 0 && len(g.list) > 0 && f.list[0].sign == g.list[0].sign
}

// onPlant says whether what was found is seen on the plant.
func (f finding) onPlant() bool { return len(f.list) > 0 && onPlant(f.list[0].sign) }

// saysItsOwn says whether a part says something of its own, by what was found before it, together with it and in it
// alone: a sign that together they do not say, or where the plant stands, or how it is kept, beside what is seen on it.
func (p part) saysItsOwn(before, together, alone finding) bool {
	return before.says(together) && alone.near() >= sureFrom && !before.says(alone) ||
		before.near() >= sureFrom && before.onPlant() && p.besidePlant(alone)
}

// besidePlant says whether a part names no part of the plant, and tells of its place, its care or its course.
func (p part) besidePlant(alone finding) bool {
	named := slices.ContainsFunc(p.ideas, func(i idea) bool { return organs[i] || spots[i] })
	return !named && alone.near() >= nearToRead && !alone.onPlant()
}

// tellsWell says whether what was found is a sign of health, as "the roots look fine" is.
func (f finding) tellsWell() bool {
	return len(f.list) > 0 && slices.ContainsFunc(wells, func(w string) bool {
		return slices.Contains(f.list[0].by.ideas, stem(w))
	})
}

// longest reads as many parts together as say one thing better than they say it apart.
func (r *reader) longest(parts []part, from int) (to int, best finding) {
	to, best = from+1, r.found(parts[from].ideas)
	ideas := slices.Clone(parts[from].ideas)
	apart := best.near() * r.told(ideas)
	for next := from + 1; next < len(parts) && next <= from+mostJoined && !best.mute; next++ {
		if !parts[from].goesWith(parts[next]) {
			break
		}
		ideas = union(ideas, parts[next].ideas)
		together, alone := r.found(ideas), r.found(parts[next].ideas)
		if parts[next].saysItsOwn(best, together, alone) {
			break
		}
		if alone.near() >= nearToRead {
			apart += alone.near() * r.told(parts[next].ideas)
		}
		if together.beats(alone) || together.near() >= nearToRead && together.near()*r.told(ideas) >= apart {
			to, best = next+1, together
		}
	}
	if from > 0 && to == from+1 {
		best = r.withPlace(parts, from, best)
	}
	return to, r.atBase(parts, from, to, best)
}

// atBase reads a part with its base, where what follows says that it is near the medium: "soft near the soil".
func (r *reader) atBase(parts []part, from, to int, plain finding) finding {
	if to == len(parts) || !parts[to].tellsOfBase() || plain.denies {
		return plain
	}
	if with := r.found(union(parts[from].ideas, []idea{"base"})); with.near() > plain.near() {
		return with
	}
	return plain
}

// goesWith says whether a part may say one thing with a later one.
func (p part) goesWith(later part) bool {
	return p.denies == later.denies && !p.well && !later.well && !strings.Contains(later.by, "but")
}

// union is a list with what another has more.
func union(a, b []idea) []idea {
	out := slices.Clone(a)
	for _, i := range b {
		if !slices.Contains(out, i) {
			out = append(out, i)
		}
	}
	return out
}

// beats says whether two parts together say clearly better what one says alone.
func (f finding) beats(alone finding) bool {
	return alone.near() > 0 && f.says(alone) && f.near() >= max(sureFrom, alone.near()+better)
}

const (
	// mostJoined is how many parts more are read together with one.
	mostJoined = 2
	// better is by how much one reading must be nearer than another: parts together than
	// one of them alone, a denial than the sign that it denies.
	better = 0.02
	// nearToRead is how near a phrase must be for a sign to be taken out of a sentence.
	nearToRead = 0.55
	// placeless is what a phrase that names no place counts less than one that does.
	placeless = 0.25
	// sureFrom is from where on a sign is not in doubt, and clearly by how much it must be
	// nearer than the next.
	sureFrom = 0.72
	clearly  = 0.04
)

// told is how much ideas tell together.
func (r *reader) told(ideas []idea) (sum float64) {
	for _, i := range ideas {
		sum += r.book.weight(i) * r.book.weight(i)
	}
	return sum
}

// withPlace reads a part that names no place on the plant with the place named before it:
// "the leaves are yellow and dropping".
func (r *reader) withPlace(parts []part, from int, plain finding) finding {
	if len(parts[from].ideas) == 0 || plain.mute || parts[from].standsAlone(plain) {
		return plain
	}
	for back := from - 1; back >= 0; back-- {
		for _, i := range parts[back].ideas {
			if (organs[i] || spots[i]) && !slices.Contains(parts[from].ideas, i) {
				if plain.near() >= wholly && strings.HasPrefix(plain.list[0].sign, i+".") {
					return plain
				}
				if with := r.found(append([]idea{i}, parts[from].ideas...)); with.near() > plain.near()-placeless {
					return with
				}
				return plain
			}
		}
	}
	return plain
}

// standsAlone says whether a part names its own place on the plant, is set against what was said before it, or is
// found to tell of no place: of the care, or that nothing crawls.
func (p part) standsAlone(plain finding) bool {
	if slices.ContainsFunc(p.ideas, func(i idea) bool { return organs[i] || spots[i] || i == "smell" }) {
		return true
	}
	if plain.near() < nearToRead {
		return false
	}
	sign := plain.list[0].sign
	return !onPlant(sign) || strings.Contains(p.by, "but") || plain.denies && strings.HasPrefix(sign, "pest.")
}

// onPlant says whether a sign is seen on a part of the plant, and not in its care, its place
// or its course.
func onPlant(sign string) bool {
	return !slices.ContainsFunc([]string{"care.", "place.", "course."}, func(of string) bool {
		return strings.HasPrefix(sign, of)
	})
}

// found is what ideas mean, as they stand and without their denial: whichever is nearer.
func (r *reader) found(ideas []idea) finding {
	if len(ideas) == 0 {
		return finding{}
	}
	ranked := r.book.ranked(ideas)
	mute := len(ranked) > 0 && ranked[0].sign == noSign && ranked[0].near >= sureFrom
	list := signsOf(ranked)
	if mute || !slices.Contains(ideas, not) {
		return finding{list: list, mute: mute}
	}
	said := finding{list: list}
	plain := slices.DeleteFunc(slices.Clone(ideas), func(i idea) bool { return i == not })
	denied := finding{list: r.book.matches(plain), denies: true}
	own := len(said.list) > 0 && slices.Contains(said.list[0].by.ideas, not)
	if own && said.near() >= denied.near()-better {
		return said // the denial is part of the sign: "no new leaves"
	}
	return denied
}

// take notes what was found.
func (r *reader) take(f finding, doubt bool) {
	if f.near() < nearToRead {
		return
	}
	if f.denies {
		for _, s := range f.list[0].by.signs {
			if !r.has(s) {
				r.out.Absent = append(r.out.Absent, s)
			}
		}
		return
	}
	one := f.list[0]
	if r.has(one.sign) {
		return
	}
	open := len(one.by.signs) > 1 || len(f.list) > 1 && f.list[1].near > one.near-clearly
	r.out.Present = append(r.out.Present, Seen{one.sign, !doubt && !open && one.near >= sureFrom})
}

// counts says whether what a part was found to say is one: not what is well there, and not tiny
// specks beside silvery scars, which are no spots: what scraped the leaf leaves them on it.
func (r *reader) counts(p part, f finding) bool {
	if p.well && !f.tellsWell() {
		return false
	}
	specked := f.near() > 0 && slices.Contains(speckSigns, f.list[0].sign)
	left := specked && r.has("leaf.silver-scars")
	return !left || !specks.MatchString(p.text)
}

// speckSigns are what tiny specks are read as, where nothing else says what left them.
var speckSigns = []string{"leaf.spots-dark-dry", "leaf.fruit-dots", "pest.chewers", "leaf.stippling"}

func (r *reader) has(sign string) bool {
	return slices.Contains(r.out.Absent, sign) ||
		slices.ContainsFunc(r.out.Present, func(s Seen) bool { return s.Sign == sign })
}
