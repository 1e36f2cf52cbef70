package record_test

import (
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/core/water"
	"tendermend/record"
	"tendermend/record/due"
	"tendermend/record/told"
)

// anything makes up what a carer could record; much of it is refused.
func anything(b *book, chance *rand.Rand) record.Body {
	s := b.state()
	measures := recovery.Measures()
	bodies := []func() record.Body{
		func() record.Body { return record.Body{Watered: &record.Watered{}} },
		func() record.Body {
			return record.Body{
				Probed: &record.Probed{Moisture: []water.Moisture{water.Dry, water.Moist, water.Wet}[chance.IntN(3)]},
			}
		},
		func() record.Body {
			c := &record.Checked{}
			for range 1 + chance.IntN(5) {
				m := measures[chance.IntN(len(measures))]
				c.Readings = append(
					c.Readings,
					record.Value{Measure: m.ID, Value: float64(chance.IntN(int(min(m.Most, 60)) + 1))},
				)
			}
			return record.Body{Checked: c}
		},
		func() record.Body {
			g := &record.Grown{
				Growth:   uuid.New(),
				Sort:     recovery.GrowthSorts()[chance.IntN(len(recovery.GrowthSorts()))].ID,
				CameWith: chance.IntN(3) == 0,
				State:    recovery.GrowthStates()[chance.IntN(5)],
			}
			if n := len(s.Strands); n > 0 && chance.IntN(3) > 0 {
				g.Growth, g.Sort = uuid.MustParse(s.Strands[chance.IntN(n)].ID), ""
			}
			if chance.IntN(2) == 0 {
				g.SizeMM = p(float64(chance.IntN(300)))
			}
			return record.Body{Grown: g}
		},
		func() record.Body {
			return record.Body{
				Pictured: &record.Pictured{Picture: uuid.New(), Side: record.Sides()[chance.IntN(len(record.Sides()))]},
			}
		},
		func() record.Body {
			return record.Body{
				Metered: &record.Metered{
					MinC: p(float64(5 + chance.IntN(15))),
					MaxC: p(float64(20 + chance.IntN(12))),
				},
			}
		},
		func() record.Body {
			if len(s.Courses) == 0 {
				return record.Body{Noted: &record.Noted{Text: "no course"}}
			}
			c := s.Courses[chance.IntN(len(s.Courses))]
			track, stage, in := c.In()
			from := recovery.Mended
			if in {
				from = stage.ID
			}
			to := recovery.Mended
			if i := chance.IntN(len(track.Stages) + 1); i < len(track.Stages) {
				to = track.Stages[i].ID
			}
			return record.Body{Staged: &record.Staged{Track: c.Track, From: from, To: to, Reason: "made up"}}
		},
		func() record.Body {
			if s.Plan == nil {
				return record.Body{Noted: &record.Noted{Text: "no plan"}}
			}
			return record.Body{
				Did: &record.Did{
					Step:    s.Plan.Steps[chance.IntN(len(s.Plan.Steps))].ID,
					Skipped: chance.IntN(5) == 0,
					Reason:  "so",
				},
			}
		},
		func() record.Body {
			ends := []record.Outcome{
				record.OutcomeKept, record.OutcomeMended, record.OutcomeNothing, record.OutcomeGiven, record.OutcomeLost,
			}
			return record.Body{Closed: &record.Closed{Outcome: ends[chance.IntN(len(ends))], Reason: "made up"}}
		},
		func() record.Body { return record.Body{Opened: &record.Opened{Why: "made up"}} },
		func() record.Body {
			signals := recovery.Signals()
			id := signals[chance.IntN(len(signals))].ID
			return record.Body{Dismissed: &record.Dismissed{Signal: id, Reason: "made up"}}
		},
		func() record.Body {
			return record.Body{Tried: &record.Tried{What: "made up", Hope: "a leaf", Days: 1 + chance.IntN(40)}}
		},
		func() record.Body {
			trials := append(b.state().Trials, record.Trial{})
			return record.Body{Judged: &record.Judged{
				Trial: trials[chance.IntN(len(trials))].ID, Result: record.HelpedSame,
			}}
		},
		func() record.Body {
			return record.Body{Tended: &record.Tended{Jobs: []care.Job{care.Jobs()[chance.IntN(3)].ID}}}
		},
		func() record.Body {
			return record.Body{Snoozed: &record.Snoozed{Job: care.Turn, Off: chance.IntN(2) == 0}}
		},
		func() record.Body { return record.Body{Diagnosed: &record.Diagnosed{Nothing: true}} },
		func() record.Body { return record.Body{Reopened: &record.Reopened{}} },
		func() record.Body {
			return record.Body{Voided: &record.Voided{Entry: b.entries[1+chance.IntN(len(b.entries)-1)].ID}}
		},
		func() record.Body {
			causes := [][]string{
				{"root-rot"},
				{"mealybug"},
				{"root-rot", "mealybug"},
				{"drought"},
				{"low-light", "spider-mite"},
			}
			return record.Body{Diagnosed: &record.Diagnosed{Causes: causes[chance.IntN(len(causes))]}}
		},
		func() record.Body { return record.Body{Planned: &record.Planned{Keeps: chance.IntN(2) == 0}} },
	}
	return bodies[chance.IntN(len(bodies))]()
}

// Whatever is recorded, in whatever order: what follows from it holds together.
func TestWhateverIsRecordedHoldsTogether(t *testing.T) {
	for seed := range uint64(histories) {
		chance := rand.New(rand.NewPCG(seed, 21))
		b := newBook(t)
		b.rot()
		on := 39
		// One ledger, kept while entries are added to it, against the record read anew.
		ledger := record.NewLedger(b.plant, b.entries, b.kinds)
		for range 90 {
			if chance.IntN(3) == 0 && on > 0 {
				on--
			}
			e := b.entry(on, anything(b, chance))
			if all := b.state().Cases; len(all) > 0 && chance.IntN(4) == 0 {
				e.Case = &all[chance.IntN(len(all))].ID
			}
			faults := record.Check(e, b.entries, b.kinds, today)
			require.Equal(t, faults, ledger.Check(e, today), "seed %d: %s", seed, e.Kind())
			if len(faults) > 0 ||
				record.Complete(&e, b.entries, record.Context{}) != nil {
				continue
			}
			b.entries = append(b.entries, e)
			ledger.Add(e)
		}
		s := b.state()
		require.Equal(t, follows(t, s), follows(t, ledger.State()), "seed %d", seed)
		name := fmt.Sprintf("seed %d", seed)

		holdsTogether(t, name, s, b.entries, today)
		// The order in which entries come out of the database does not matter.
		shuffled := append([]record.Entry{}, b.entries...)
		chance.Shuffle(len(shuffled), func(i, j int) { shuffled[i], shuffled[j] = shuffled[j], shuffled[i] })
		assert.Equal(t, follows(t, s), follows(t, record.Fold(b.plant, shuffled, b.kinds)), name)
		// Undoing everything but the arrival leaves a plant that has just come.
		bare := newBook(t)
		bare.entries, bare.plant = b.entries, b.plant
		for _, e := range b.entries[1:] {
			if record.Live(bare.entries)[e.ID] && e.Voided == nil {
				undo := bare.entry(0, record.Body{Voided: &record.Voided{Entry: e.ID}})
				undo.RecordedAt = b.at.AddDate(1, 0, 0)
				bare.entries = append(bare.entries, undo)
			}
		}
		after := bare.state()
		assert.Equal(t, "arrived", after.Standing(), name)
		assert.Empty(t, after.Courses, name)
		assert.Empty(t, after.Strands, name)
		assert.Equal(t, []day.Day{after.ArrivedOn}, after.Looks, name)
	}
}

// follows is all that follows from a record, as text.
func follows(t *testing.T, s record.State) string {
	t.Helper()
	raw, err := json.Marshal(
		map[string]any{
			"readings": s.Readings,
			"stages":   s.Stages,
			"cases":    s.Cases,
			"alarms":   s.Alarms(),
			"apart":    s.Apart(today),
			"strands":  s.Strands,
			"pictures": s.Pictures,
			"trials":   s.Trials,
			"tasks":    due.Tasks(s, false),
			"seam":     told.SeamOf(s),
			"events":   s.Events,
			"scores":   s.Scores(),
		},
	)
	require.NoError(t, err)
	return string(raw)
}
