package record_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/roots"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/core/water"
	"tendermend/record"
	"tendermend/record/due"
	"tendermend/record/told"
)

func (b *book) facts() facts.Facts { return b.state().Facts(today, record.Context{}) }

// step finds a step of the plan in hand by its operator; one for the plant before one for
// its pieces, whose tick says nothing of the plant.
func (b *book) step(op treatment.OperatorID) sheet.Step {
	b.t.Helper()
	steps := b.state().Plan.Steps
	is := func(x sheet.Step) bool { return x.Op == string(op) }
	i := slices.IndexFunc(steps, func(x sheet.Step) bool { return is(x) && x.Makes != nil })
	if i < 0 {
		i = slices.IndexFunc(steps, is)
	}
	require.GreaterOrEqual(b.t, i, 0, "no step %s", op)
	return steps[i]
}

func (b *book) tick(daysAgo int, op treatment.OperatorID, made *record.Made) {
	b.t.Helper()
	did := record.Did{Step: b.step(op).ID, Made: made, Reason: "as it came"}
	b.write(daysAgo, record.Body{Did: &did})
}

// Facts are unknown again when they are too old, on both sides of the limit.
func TestFactsHoldForTheirDays(t *testing.T) {
	tally := record.Body{Tallied: &record.Tallied{Tally: roots.Tally{InMedium: roots.Count{Live: 6, Mushy: 4}}}}
	yes := true
	for name, c := range map[string]struct {
		body  record.Body
		holds int
		known func(facts.Facts) bool
	}{
		"a stick": {record.Body{Probed: &record.Probed{Moisture: water.Dry}}, 3,
			func(f facts.Facts) bool { return f.Moist.Known }},
		"a watering": {record.Body{Watered: &record.Watered{}}, 3,
			func(f facts.Facts) bool { return f.Moist.Known }},
		"that it is limp": {record.Body{Stated: &record.Stated{Limp: &yes}}, 7,
			func(f facts.Facts) bool { return f.Limp.Known }},
		"its reserves": {record.Body{Stated: &record.Stated{Reserves: facts.Plump}}, 7,
			func(f facts.Facts) bool { return f.Reserves.Known }},
		"a count of roots": {tally, 60, func(f facts.Facts) bool { return f.LiveRoots.Known }},
		"that it grows": {record.Body{Stated: &record.Stated{Growing: &yes}}, 30,
			func(f facts.Facts) bool { return f.Growing.Known }},
		"what it stands in": {record.Body{Stated: &record.Stated{Seat: facts.OnMount}}, 59,
			func(f facts.Facts) bool { return f.Seat.Known }},
	} {
		for _, ago := range []int{c.holds, c.holds + 1} {
			if ago >= 60 && name != "a count of roots" {
				continue // it came sixty days ago, and this fact holds for good
			}
			b := newBook(t)
			b.entries[0].On -= 40
			b.write(ago, c.body)
			assert.Equal(t, ago <= c.holds, c.known(b.facts()), "%s, %d days old", name, ago)
		}
	}
}

func TestAKnownPotIsAPotWhateverItsKindIsSoldIn(t *testing.T) {
	b := newBook(t)
	assert.False(t, b.facts().Seat.Known, "nobody said")
	width := 14.0
	b.write(3, record.Body{Potted: &record.Potted{WidthCM: &width, Medium: "bark and perlite"}})
	f := b.facts()
	assert.Equal(t, facts.InPot, f.Seat.Value)
	assert.Equal(t, facts.Bark, f.MediumClass.Value)
	assert.Equal(t, facts.Sound, f.Medium.Value)
	assert.Equal(t, 14.0, f.PotWidthCM.Value)
	b.write(2, record.Body{Potted: &record.Potted{Seat: facts.OnMount}})
	f = b.facts()
	assert.Equal(t, facts.OnMount, f.Seat.Value)
	assert.False(t, f.PotWidthCM.Known, "a slab has no width")
}

// A newer word stands above an older reading, and a newer reading above an older word.
func TestTheNewestOfSeveralSourcesIsTaken(t *testing.T) {
	b := newBook(t)
	b.write(3, record.Body{Watered: &record.Watered{}})
	assert.Equal(t, facts.Right, b.facts().Moist.Value)
	b.write(2, record.Body{Probed: &record.Probed{Moisture: water.Dry}})
	assert.Equal(t, facts.Dry, b.facts().Moist.Value)
	assert.Equal(t, facts.Measured, b.facts().Moist.From)
	b.write(1, record.Body{Stated: &record.Stated{Moist: facts.Wet}})
	assert.Equal(t, facts.Wet, b.facts().Moist.Value)
	assert.Equal(t, facts.Typed, b.facts().Moist.From)
	b.write(0, record.Body{Watered: &record.Watered{How: facts.WateredLeaves}})
	assert.Equal(t, facts.Typed, b.facts().Moist.From, "misted leaves wet no medium")
}

// Three histories, as the facts stand before and after each tick.
func TestTicksLeaveTheFactsOfTheirSteps(t *testing.T) {
	t.Run("potted", func(t *testing.T) {
		b := newBook(t)
		b.rot()
		b.tick(40, treatment.Unpot, nil)
		assert.Equal(t, facts.InHand, b.facts().Seat.Value)
		live, dead, ball := 6, 14, 7.0
		b.tick(40, treatment.Tally, &record.Made{Live: &live, Dead: &dead, BallCM: &ball})
		share, counted := b.facts().LiveShare()
		assert.True(t, counted)
		assert.InDelta(t, 0.3, share, 1e-9)
		b.tick(40, treatment.TrimDead, nil)
		assert.False(t, b.facts().RotAlive.Value)
		assert.True(t, b.facts().RotAlive.Known)
		width := 10.0
		b.tick(40, treatment.PotIn, &record.Made{WidthCM: &width})
		f := b.facts()
		assert.Equal(t, facts.InPot, f.Seat.Value)
		assert.Equal(t, 10.0, f.PotWidthCM.Value)
		assert.Equal(t, facts.Done, f.Seat.From)
		assert.Equal(t, today-40, f.Last[facts.Potted])
		before := len(b.state().WateredOn)
		b.tick(38, treatment.FirstWater, nil)
		assert.Len(t, b.state().WateredOn, before+1)
		assert.Equal(t, today-38, b.facts().Last[facts.WateredNow])
		b.tick(38, treatment.ShadeIt, nil)
		assert.True(t, b.facts().LightShare.Known)
		r := told.ReviewOf(b.state(), b.entries, today-38, today)
		assert.Equal(t, 1, r.Watered, "what a step waters is watered")
		for _, in := range r.Minutes.Working.Inputs {
			assert.NotEqual(t, "waterings", in.Name, "its minutes are those of the step")
		}
	})
	t.Run("gated root work", func(t *testing.T) {
		b := newBook(t)
		width := 14.0
		b.write(20, record.Body{Potted: &record.Potted{WidthCM: &width}})
		b.write(20, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"pot-bound"}}})
		b.write(20, record.Body{Planned: &record.Planned{Answers: sheet.Answers{WarmthC: of(10.0)}}})
		unpot := b.step(treatment.Unpot)
		require.NotEmpty(t, unpot.Waits, "no roots are worked on in the cold")
		o, gated := b.state().Opening(unpot, today)
		require.True(t, gated)
		assert.Equal(t, len(unpot.Waits), len(o.Conditions))
	})
	t.Run("clay", func(t *testing.T) {
		b := newBook(t)
		width, level := 12.0, 2.0
		b.write(9, record.Body{Potted: &record.Potted{
			Seat: facts.InReservoir, WidthCM: &width, LevelCM: &level, Medium: "clay pellets",
		}})
		f := b.facts()
		assert.Equal(t, facts.InReservoir, f.Seat.Value)
		assert.Equal(t, facts.Stones, f.MediumClass.Value)
		line := b.state().WaterLine(today, false)
		assert.Contains(t, line.Words, "reservoir", "it is watered as what it stands in")
		assert.Contains(t, told.CardOf(b.state(), today, false).Water.Text, "2 cm")
	})
}

func of[T any](v T) *T { return &v }

// After any history the facts of a ledger to which entries were added one by one equal
// those of a fresh fold.
func TestFactsOfALedgerEqualThoseOfAFreshFold(t *testing.T) {
	for seed := range uint64(60) {
		r := rand.New(rand.NewPCG(19, seed))
		b := newBook(t)
		b.rot()
		steps := b.state().Plan.Steps
		ledger := record.NewLedger(b.plant, b.entries, b.kinds)
		for range 30 {
			e := anyEntry(r, b, steps)
			if len(ledger.Check(e, today)) > 0 {
				continue
			}
			require.NoError(t, ledger.Complete(&e, record.Context{}))
			added := []record.Entry{e}
			ledger.Add(e)
			for _, effect := range ledger.Effects(e) {
				ledger.Add(effect)
				added = append(added, effect)
			}
			b.entries = append(b.entries, added...)
		}
		shuffled := slices.Clone(b.entries)
		r.Shuffle(len(shuffled), func(i, j int) { shuffled[i], shuffled[j] = shuffled[j], shuffled[i] })
		fresh := record.Fold(b.plant, shuffled, b.kinds).Facts(today, record.Context{})
		assert.Equal(t, fresh, ledger.State().Facts(today, record.Context{}), "seed %d", seed)
	}
}

// anyEntry makes up an entry: a tick with what it makes so, a word, a reading, or an
// undoing of what stands.
func anyEntry(r *rand.Rand, b *book, steps []sheet.Step) record.Entry {
	ago := r.IntN(40)
	bodies := []record.Body{
		{Did: &record.Did{Step: steps[r.IntN(len(steps))].ID, Reason: "drawn", Note: "drawn"}},
		{Did: &record.Did{Step: steps[r.IntN(len(steps))].ID, Seen: true, Reason: "drawn", Note: "drawn"}},
		{Watered: &record.Watered{How: facts.WateredThrough}},
		{Stated: &record.Stated{Seat: facts.InBasket, Moist: facts.Wet}},
		{Stated: &record.Stated{Growing: of(r.IntN(2) == 0)}},
		{Probed: &record.Probed{Moisture: water.Dry}},
		{Cut: &record.Cut{Organ: "leaf", N: of(1)}},
		check("live-tips", r.IntN(4)),
		{Voided: &record.Voided{Entry: b.entries[1+r.IntN(len(b.entries)-1)].ID}},
	}
	return record.Entry{
		ID: uuid.New(), PlantID: b.plant, On: today - day.Day(ago), RecordedAt: b.at, Body: bodies[r.IntN(len(bodies))],
	}
}

// What a card says follows from plan, facts and kind.
func TestCardsComeFromThePlanAndTheFacts(t *testing.T) {
	b := newBook(t)
	b.rot()
	card := func() told.Card { return told.CardOf(b.state(), today-39, false) }
	b.tick(40, treatment.Unpot, nil)
	b.tick(40, treatment.PotIn, nil)
	first := b.step(treatment.FirstWater)
	assert.Contains(t, card().Water.Text, "First water")
	assert.Contains(t, card().Water.Text, b.state().DueOn(first.ID).Words())
	assert.Equal(t, "plan", card().Water.From)
	b.tick(40, treatment.ShadeIt, nil)
	share := b.facts().LightShare.Value
	assert.Contains(t, card().Light.Text, "% of what its kind likes best")
	assert.InDelta(t, share*b.state().Wants.Light[1], card().Gets.Value, 1e-9)
	b.tick(40, treatment.CoverIt, nil)
	assert.Contains(t, card().Air.Text, "cover")
	assert.Equal(t, "facts", card().Air.From)
	feed := b.step(treatment.FeedIt)
	assert.Contains(t, card().Feed.Text, feed.Gate)
	assert.Equal(t, []string{"Take it out of its pot", "Pot it"}, card().Done[:2])
	healthy := newBook(t)
	well := told.CardOf(healthy.state(), today, false)
	assert.Equal(
		t,
		[]string{"kind", "kind", "kind", "kind"},
		[]string{well.Water.From, well.Air.From, well.Light.From, well.Feed.From},
	)
}

// A gate that is not met keeps its step off the walk and asks for what it waits for; the
// reading that meets it dates its steps.
func TestTheReadingThatMeetsAGateDatesItsSteps(t *testing.T) {
	b := newBook(t)
	b.rot()
	b.tick(40, treatment.Unpot, nil)
	b.tick(40, treatment.PotIn, nil)
	b.tick(40, treatment.Tally, &record.Made{Live: of(8), Dead: of(2)})
	feed := b.step(treatment.FeedIt)
	dueOn := func() (day.Day, bool) { return b.state().NextOn(feed) }
	_, is := dueOn()
	assert.False(t, is, "it waits, however long")
	for _, task := range due.Tasks(b.state(), false) {
		assert.NotEqual(t, feed.ID, task.Step)
	}
	b.write(20, check("new-leaves", 1))
	on, is := dueOn()
	assert.True(t, is, "days alone are wanting: it has its date")
	assert.Equal(t, today-40+28, on, "the later of the leaf and its days")
	b.write(10, check("new-leaves", 0))
	on, is = dueOn()
	assert.True(t, is, "a leaf that was seen was seen")
	assert.Equal(t, today-40+28, on)
}
