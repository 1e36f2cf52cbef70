package record_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"

	"tendermend/core/roots"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
)

// Numbers that cannot be right are refused, from their limit on.
func TestNumbersAreTakenUpToTheirLimits(t *testing.T) {
	for _, c := range []struct {
		what        string
		least, most float64
		step        float64 // just outside
		body        func(float64) record.Body
	}{
		{"potted.widthCm", 1, 200, 0.1,
			func(v float64) record.Body { return record.Body{Potted: &record.Potted{WidthCM: &v, Medium: "bark"}} }},
		{"potted.depthCm", 1, 200, 0.1,
			func(v float64) record.Body { return record.Body{Potted: &record.Potted{DepthCM: &v, Medium: "bark"}} }},
		{"watered.millilitres", 1, 50000, 0.5,
			func(v float64) record.Body { return record.Body{Watered: &record.Watered{Millilitres: &v}} }},
		{"weighed.grams", 1, 200000, 0.5,
			func(v float64) record.Body { return record.Body{Weighed: &record.Weighed{Grams: v}} }},
		{"treated.reentryHours", 0, 1000, 0.5, func(v float64) record.Body {
			return record.Body{Treated: &record.Treated{Product: "soap", ReentryHours: v}}
		}},
		{"metered.lux", 0, 200000, 0.5,
			func(v float64) record.Body { return record.Body{Metered: &record.Metered{Lux: &v}} }},
		{"metered.hours", 0.5, 24, 0.1, func(v float64) record.Body {
			return record.Body{Metered: &record.Metered{Lux: pointer(100), Hours: &v}}
		}},
		{"metered.minC", -40, 50, 0.5, func(v float64) record.Body {
			return record.Body{Metered: &record.Metered{MinC: &v}}
		}},
		{"metered.maxC", -40, 60, 0.5, func(v float64) record.Body {
			return record.Body{Metered: &record.Metered{MaxC: &v}}
		}},
		{"metered.humidityPct", 1, 100, 0.5, func(v float64) record.Body {
			return record.Body{Metered: &record.Metered{HumidityPct: &v}}
		}},
		{"tallied.longestMm", 0, 2000, 0.5, func(v float64) record.Body {
			return record.Body{Tallied: &record.Tallied{Tally: roots.Tally{LongestMM: &v}}}
		}},
		{"tallied.rootBallCm", 0.5, 200, 0.1, func(v float64) record.Body {
			return record.Body{Tallied: &record.Tallied{Tally: roots.Tally{RootBallCM: &v}}}
		}},
		{"treated.intervalDays", 0, 365, 1, func(v float64) record.Body {
			return record.Body{Treated: &record.Treated{Product: "soap", IntervalDays: int(v)}}
		}},
	} {
		b := newBook(t)
		for _, v := range []float64{c.least, c.most, (c.least + c.most) / 2} {
			assert.Empty(t, b.try(1, c.body(v)), "%s %g", c.what, v)
		}
		for _, v := range []float64{c.least - c.step, c.most + c.step} {
			faults := b.try(1, c.body(v))
			if assert.Len(t, faults, 1, "%s %g", c.what, v) {
				assert.Equal(t, c.what, faults[0].Field)
				assert.Contains(t, faults[0].Message, "cannot be right")
			}
		}
	}
}

func pointer(v float64) *float64 { return &v }

// The numbers of an arrival and of the answers to a plan, the same.
func TestNumbersOfAnArrivalAreTakenUpToTheirLimits(t *testing.T) {
	b := newBook(t)
	arrive := func(a record.Arrived) record.Faults {
		a.Name, a.Habit = "x", "fern"
		e := b.entry(50, record.Body{Arrived: &a})
		e.PlantID = uuid.New()
		return record.Check(e, nil, b.kinds, today)
	}
	planned := func(a sheet.Answers) record.Faults {
		var list record.Faults
		for _, f := range b.try(1, record.Body{Planned: &record.Planned{Answers: a}}) {
			if strings.HasPrefix(f.Field, "planned.answers.") {
				list = append(list, f)
			}
		}
		return list
	}
	whole := func(v int) *int { return &v }
	for _, c := range []struct {
		what        string
		least, most int
		try         func(int) record.Faults
	}{
		{"arrived.potWidthCm", 1, 200, func(v int) record.Faults {
			return arrive(record.Arrived{PotWidthCM: pointer(float64(v))})
		}},
		{"arrived.potDepthCm", 1, 200, func(v int) record.Faults {
			return arrive(record.Arrived{PotDepthCM: pointer(float64(v))})
		}},
		{"arrived.price", 0, 100000, func(v int) record.Faults { return arrive(record.Arrived{Price: pointer(float64(v))}) }},
		{"arrived.leaves", 0, 10000, func(v int) record.Faults { return arrive(record.Arrived{Leaves: &v}) }},
		{"arrived.growths", 0, 1000, func(v int) record.Faults { return arrive(record.Arrived{Growths: &v}) }},
		{"planned.answers.ownedDays", 0, 40000, func(v int) record.Faults { return planned(sheet.Answers{OwnedDays: &v}) }},
		{"planned.answers.liveRoots", 0, 500,
			func(v int) record.Faults { return planned(sheet.Answers{LiveRoots: whole(v)}) }},
		{"planned.answers.lookDays", 1, 60,
			func(v int) record.Faults { return planned(sheet.Answers{LookDays: whole(v)}) }},
	} {
		for _, v := range []int{c.least, c.most} {
			assert.Empty(t, c.try(v), "%s %d", c.what, v)
		}
		for _, v := range []int{c.least - 1, c.most + 1} {
			if faults := c.try(v); assert.Len(t, faults, 1, "%s %d", c.what, v) {
				assert.Equal(t, c.what, faults[0].Field)
			}
		}
	}
}

// An arrival lies before all that counts, and only what counts is an arrival.
func TestAnArrivalLiesBeforeWhatCounts(t *testing.T) {
	b := newBook(t)
	watering := b.write(50, record.Body{Watered: &record.Watered{}})
	later := func() record.Faults {
		e := b.entry(40, record.Body{Arrived: b.entries[0].Arrived})
		e.Replaces = &b.entries[0].ID
		return record.Check(e, b.entries, b.kinds, today)
	}
	if faults := later(); assert.Len(t, faults, 1) {
		assert.Equal(
			t,
			fmt.Sprintf("there is an entry of %s, before this arrival; give that day or an earlier one", watering.On),
			faults[0].Message,
		)
	}
	b.write(0, record.Body{Voided: &record.Voided{Entry: watering.ID}})
	assert.Empty(t, later(), "what was undone does not count")

	_, found := record.Arrival(b.entries)
	assert.True(t, found)
	gone := b.write(0, record.Body{Voided: &record.Voided{Entry: b.entries[0].ID}})
	_, found = record.Arrival(b.entries)
	assert.False(t, found)
	b.write(0, record.Body{Voided: &record.Voided{Entry: gone.ID}})
	_, found = record.Arrival(b.entries)
	assert.True(t, found)
}

// A step that comes back each day is ticked once a day.
func TestADailyStepIsTickedOnceADay(t *testing.T) {
	b := newBook(t)
	b.rot()
	plan := *b.entries[len(b.entries)-1].Planned.Plan
	plan.Steps[0].Every = 1
	b.entries[len(b.entries)-1].Planned.Plan = &plan
	tick := record.Body{Did: &record.Did{Step: plan.Steps[0].ID}}
	b.write(39, tick)
	assert.NotEmpty(t, b.try(39, tick), "twice on a day")
	assert.Empty(t, b.try(38, tick), "the day after it comes back")
}
