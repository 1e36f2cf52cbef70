package server

import (
	"bytes"
	"cmp"
	"context"
	"fmt"
	"maps"
	"slices"

	"github.com/google/uuid"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/exposure"
	"tendermend/core/plant"
	"tendermend/core/working"
	"tendermend/record"
	"tendermend/store"
)

// tracing gathers what an outbreak is worked out from.
type tracing struct {
	store      *store.Store
	collection uuid.UUID
	cause      cause.ID
	today      day.Day

	met     map[uuid.UUID]*metPlant        // every plant of which it matters who it is
	known   map[uuid.UUID]store.Outbreaker // every plant that is named
	sick    []exposure.Sick
	found   map[uuid.UUID]day.Day // when each of them was found to have it
	web     *exposure.Web
	asked   map[uuid.UUID]bool // of whom the contacts were asked for
	kinds   plant.Kinds
	likes   map[string]float64 // how well the cause likes a kind, as far as it was asked
	exposed []exposure.Exposed
	told    []exposure.Exposed              // those of them that are listed
	more    int                             // how many others want one look
	moreOn  *day.Day                        // and when
	from    map[uuid.UUID][]exposure.Origin // where each that has it may have it from
	shares  map[uuid.UUID]working.Amount    // how the first share of these was worked out
	past    []store.Ending
}

// metPlant is a plant with what counts for it in what is traced.
type metPlant struct {
	store.Met
	exposure.Host
}

// mostToldOnce is how many plants are listed that want no more than one look: beyond that, their
// next look of any kind tells.
const mostToldOnce = 100

// mostSick is of how many plants that have it contacts are asked: beyond that, a whole
// collection has it.
const mostSick = 60

// gather asks the store for all plants that have the cause, or for one alone, and for
// whom they had to do with.
func (t *tracing) gather(ctx context.Context, only *uuid.UUID) (err error) {
	s := t.store
	if t.kinds, err = s.Kinds(ctx, t.collection); err != nil {
		return err
	}
	having, err := s.HavingOrWatched(ctx, t.collection, t.cause)
	if err != nil {
		return err
	}
	t.met, t.known, t.likes = map[uuid.UUID]*metPlant{}, map[uuid.UUID]store.Outbreaker{}, map[string]float64{}
	t.found, t.asked = map[uuid.UUID]day.Day{}, map[uuid.UUID]bool{}
	for _, o := range having {
		t.knows(o)
		has := o.Has(t.cause)
		switch {
		case only != nil && *only != o.ID:
		case has != nil && (has.Decided || only != nil) && len(t.sick) < mostSick:
			t.has(o, has.Since)
		}
	}
	if only != nil && len(t.sick) == 0 {
		if err := t.asIf(ctx, *only); err != nil {
			return err
		}
	}
	if t.past, err = s.EndedOf(ctx, t.collection, t.cause, t.today-exposure.PastDays); err != nil {
		return err
	}
	if err := t.trace(ctx); err != nil {
		return err
	}
	t.choose()
	t.back()
	return t.name(ctx)
}

// asIf asks of a plant as if it had it from today on.
func (t *tracing) asIf(ctx context.Context, plant uuid.UUID) error {
	one, err := t.store.Outbreakers(ctx, t.collection, []uuid.UUID{plant})
	if err != nil {
		return err
	}
	if len(one) == 0 {
		return store.ErrNotFound
	}
	t.knows(one[0])
	t.has(one[0], t.today)
	return nil
}

func (t *tracing) knows(o store.Outbreaker) {
	t.known[o.ID] = o
	t.meets(&metPlant{Met: o.Met})
}

// meets keeps of a plant what counts for it.
func (t *tracing) meets(m *metPlant) {
	likes, asked := t.likes[m.Profile]
	if !asked {
		likes = t.liking(m.Profile)
		t.likes[m.Profile] = likes
	}
	m.Host = exposure.Host{Liking: likes, Clean: m.CleanOf(t.cause)}
	t.met[m.ID] = m
}

func (t *tracing) has(o store.Outbreaker, found day.Day) {
	t.found[o.ID] = found
	since := exposure.SinceWhen(t.cause, found, o.CameOn, t.met[o.ID].Clean)
	t.sick = append(t.sick, exposure.Sick{Plant: o.ID, Since: since})
}

// trace asks for the contacts of what has it, then of what may hand it on, and works out
// who may have caught it. Who a plant is is asked of those alone for which it matters: thousands
// that one had in hands can hardly have caught it, whoever they are.
func (t *tracing) trace(ctx context.Context) error {
	since := t.today
	asked := make([]uuid.UUID, len(t.sick))
	for i, one := range t.sick {
		asked[i] = one.Plant
		found := t.found[one.Plant]
		since = min(since, one.Since, found-exposure.Reach(t.cause, found))
	}
	t.web = exposure.Weave(t.question())
	if len(asked) == 0 {
		return nil
	}
	if err := t.tied(ctx, asked, since, true); err != nil {
		return err
	}
	if err := t.lookUp(ctx, t.web.WhoMatters(exposure.HandsOn)); err != nil {
		return err
	}
	next, from := t.web.HandingOn(t.web.Trace())
	if next = next[:min(len(next), mostSick)]; len(next) > 0 {
		if err := t.tied(ctx, next, from, false); err != nil {
			return err
		}
	}
	if err := t.lookUp(ctx, t.web.WhoMatters(exposure.Told)); err != nil {
		return err
	}
	t.exposed = t.web.Trace()
	return nil
}

// tied adds the contacts of plants since a day, with what was had in hands before them where that
// is asked for.
func (t *tracing) tied(ctx context.Context, plants []uuid.UUID, since day.Day, before bool) error {
	more, err := t.store.Contacts(ctx, t.collection, plants, since, t.today, before)
	if err != nil {
		return err
	}
	t.web.Add(slices.DeleteFunc(more, func(c exposure.Contact) bool {
		return t.asked[c.From] || t.asked[c.To] // all that one had to do with was asked for before
	}))
	for _, id := range plants {
		t.asked[id] = true
	}
	return nil
}

// lookUp asks who plants are that are not known yet.
func (t *tracing) lookUp(ctx context.Context, ids []uuid.UUID) error {
	unknown := slices.DeleteFunc(ids, func(id uuid.UUID) bool { _, known := t.met[id]; return known })
	if len(unknown) == 0 {
		return nil
	}
	met, err := t.store.WereMet(ctx, t.collection, unknown)
	known := make(map[uuid.UUID]*metPlant, len(t.met)+len(met))
	maps.Copy(known, t.met)
	t.met = known
	plants := make([]metPlant, len(met))
	for i, m := range met {
		plants[i].Met = m
		t.meets(&plants[i])
	}
	return err
}

// choose picks who is listed of those that may have caught it: all that want a watch, and the
// likeliest of those for whom one look is enough. What has it, may have it or is watched is listed
// as that.
func (t *tracing) choose() {
	once := 0
	for _, e := range t.exposed {
		if e.Act == exposure.Nothing || !t.met[e.Plant].Here || t.role(t.known[e.Plant]) != "" {
			continue
		}
		if e.Act == exposure.LookOnce {
			if once++; once > mostToldOnce {
				t.more, t.moreOn = t.more+1, &e.Looks[0]
				continue
			}
		}
		t.told = append(t.told, e)
	}
}

// name reads what the plants are called that are told of.
func (t *tracing) name(ctx context.Context) error {
	wanted := map[uuid.UUID]bool{}
	for _, e := range t.told {
		wanted[e.Plant] = true
		for _, leg := range e.Legs() {
			wanted[leg.From], wanted[leg.To] = true, true
		}
	}
	for _, from := range t.from {
		for _, o := range from {
			wanted[o.Plant] = true
		}
	}
	for _, o := range t.known {
		delete(wanted, o.ID)
	}
	named, err := t.store.Outbreakers(ctx, t.collection, slices.Collect(maps.Keys(wanted)))
	for _, o := range named {
		t.knows(o)
	}
	return err
}

func (t *tracing) question() exposure.Question {
	return exposure.Question{Cause: t.cause, On: t.today, Sick: t.sick, Who: func(id uuid.UUID) (exposure.Host, bool) {
		m, known := t.met[id]
		if !known {
			return exposure.Host{}, false
		}
		return m.Host, true
	}}
}

// liking is how well the cause likes a kind.
func (t *tracing) liking(of string) float64 {
	kind, known := t.kinds.ByID(of)
	if !known {
		return exposure.LikingUnknown
	}
	return exposure.LikingOf(t.cause, kind)
}

// role is what a plant is in the outbreak by what was recorded of it; empty where nothing was.
func (t *tracing) role(o store.Outbreaker) Role {
	watch := watchOf(o, t.cause)
	_, sick := t.found[o.ID]
	switch {
	case sick:
		return RoleSick
	case o.Has(t.cause) != nil:
		return RoleSuspect
	case watch != nil && watch.Next != nil:
		return RoleWatched
	case watch != nil:
		return RoleCleared
	}
	return ""
}

// plants lists all that the outbreak concerns, by role, the likeliest first.
func (t *tracing) plants() []OutbreakPlant {
	list := []OutbreakPlant{}
	traced := map[uuid.UUID]exposure.Exposed{} // of those that are named
	for i := range t.exposed {
		if _, named := t.known[t.exposed[i].Plant]; named {
			traced[t.exposed[i].Plant] = t.exposed[i]
		}
	}
	for _, o := range t.known {
		role := t.role(o)
		if role == "" {
			continue
		}
		p := t.plant(o, role)
		if e, isTraced := traced[o.ID]; isTraced && role != RoleSick {
			t.tell(&p, e)
		}
		list = append(list, p)
	}
	for _, e := range t.told {
		p := t.plant(t.known[e.Plant], RoleExposed)
		p.Since = e.Since
		t.tell(&p, e)
		list = append(list, p)
	}
	slices.SortFunc(list, func(x, y OutbreakPlant) int {
		return cmp.Or(cmp.Compare(slices.Index(roles, x.Role), slices.Index(roles, y.Role)), cmp.Compare(sure(y), sure(x)),
			cmp.Compare(x.Name, y.Name), bytes.Compare(x.ID[:], y.ID[:]))
	})
	return list
}

// plant is a plant in a role.
func (t *tracing) plant(o store.Outbreaker, role Role) OutbreakPlant {
	p := OutbreakPlant{
		ID: o.ID, Name: o.Name, Label: o.Label, Role: role, Isolation: o.Isolation, Ways: []string{}, Looks: []day.Day{},
		Watch: watchOf(o, t.cause),
	}
	if o.PlaceID != nil {
		p.PlaceID = *o.PlaceID
	}
	switch role {
	case RoleSick:
		p.Since = t.found[o.ID]
	case RoleSuspect:
		p.Since = o.Has(t.cause).Since
	case RoleWatched, RoleCleared:
		p.Since = p.Watch.On
	case RoleExposed:
	}
	return p
}

func sure(p OutbreakPlant) float64 {
	if p.Chance == nil {
		return 0
	}
	return p.Chance.Value
}

// watchOf is what a plant is watched for of a cause; nil where it is not.
func watchOf(o store.Outbreaker, id cause.ID) *record.WatchedFor {
	i := slices.IndexFunc(o.Exposures.V, func(w record.WatchedFor) bool { return w.Cause == id })
	if i < 0 {
		return nil
	}
	return &o.Exposures.V[i]
}

// tell puts on a plant how it may have caught it, and what follows.
func (t *tracing) tell(p *OutbreakPlant, e exposure.Exposed) {
	chance, shows := e.Amount(), e.Shows
	p.Chance, p.Act, p.Looks, p.Shows = &chance, e.Act, e.Looks, &shows
	legs := e.Legs()
	last := legs[len(legs)-1]
	p.From = last.From
	for _, tie := range last.Ties {
		p.Ways = append(p.Ways, tie.Say(t.known[last.From].Name))
	}
	if len(legs) > 1 {
		first := legs[0]
		const via = "“%s” may have it from “%s”: %s"
		p.Ways = append(p.Ways, fmt.Sprintf(via, t.known[first.To].Name, t.known[first.From].Name,
			working.Lower(first.Ties[0].Say(t.known[first.From].Name))))
	}
}

// back works out where each that has it may have it from, the likeliest of them.
func (t *tracing) back() {
	ended := map[uuid.UUID]day.Day{}
	for _, p := range t.past {
		ended[p.ID] = p.Opened
	}
	t.from, t.shares = map[uuid.UUID][]exposure.Origin{}, map[uuid.UUID]working.Amount{}
	for _, sick := range t.sick {
		me, found := t.known[sick.Plant], t.found[sick.Plant]
		from := t.web.Back(exposure.Find{
			Plant: sick.Plant, On: found, Came: me.CameOn, Suspect: me.BadSource,
		}, func(id uuid.UUID) exposure.Suspect { return t.suspect(id, found, ended) })
		t.shares[sick.Plant] = exposure.ShareAmount(from)
		t.from[sick.Plant] = from[:min(len(from), mostOrigins)]
	}
}

// origins tells where each that has it may have it from, what was found first first.
func (t *tracing) origins() []OutbreakOrigin {
	list := []OutbreakOrigin{}
	for _, sick := range t.sick {
		list = append(list, t.originWords(sick.Plant))
	}
	slices.SortStableFunc(list, func(x, y OutbreakOrigin) int { return cmp.Compare(t.found[x.Plant], t.found[y.Plant]) })
	return list
}

// suspect is what speaks for a plant as the one from which another has it.
func (t *tracing) suspect(id uuid.UUID, found day.Day, ended map[uuid.UUID]day.Day) exposure.Suspect {
	o, m := t.known[id], t.met[id]
	if m == nil {
		return exposure.Suspect{}
	}
	since, had := t.found[id]
	if opened, was := ended[id]; was && !had {
		since, had = opened, opened <= found
	}
	chance := 0.0
	if has := o.Has(t.cause); has != nil && !had {
		since, chance = has.Since, exposure.MayHave
	}
	if since == 0 {
		since = found
	}
	return exposure.Suspect{
		Had:   exposure.Prior(had, chance, exposure.Lately(t.cause, found, m.CameOn, m.Clean)),
		Since: exposure.SinceWhen(t.cause, since, m.CameOn, m.Clean),
	}
}

// mostOrigins is how many origins are told of a plant.
const mostOrigins = 4

// originWords tells the likeliest origins.
func (t *tracing) originWords(of uuid.UUID) OutbreakOrigin {
	out := OutbreakOrigin{Plant: of, From: []OriginWords{}, Share: t.shares[of]}
	for _, o := range t.from[of] {
		w := OriginWords{Plant: o.Plant, Share: o.Share, Name: t.known[o.Plant].Name}
		switch {
		case o.Came:
			w.Words = "It had it when it came, on " + t.known[of].CameOn.Words() + "."
		case o.Leg == nil:
			w.Words = "From no plant here: by a window, on clothes, with cut flowers or a bag of mix."
		default:
			w.Words = o.Leg.Ties[0].Say(w.Name)
		}
		out.From = append(out.From, w)
	}
	return out
}

// began is when it was found first, with the cases that it follows on.
func (t *tracing) began(plants []OutbreakPlant) (day.Day, bool) {
	var found []day.Day
	for _, p := range plants {
		if p.Role == RoleSick || p.Role == RoleSuspect {
			found = append(found, p.Since)
		}
	}
	var earlier [][2]day.Day
	for _, e := range t.past {
		earlier = append(earlier, [2]day.Day{e.Opened, e.Ended})
	}
	return exposure.Began(t.cause, found, earlier)
}
