package record_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/state"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
)

// toldOf is what both a plan and the record know of how a plant stands. That it is firm again is seen, not recorded
// with its water, and tools are of the moment.
func toldOf(p state.Plant) state.Plant {
	return state.Plant{
		Seat: p.Seat, Medium: p.Medium, Standing: p.Standing, Plug: p.Plug, Moist: p.Moist, NoWater: p.NoWater,
		NoFeed: p.NoFeed, Cover: p.Cover, Light: p.Light, WarmthC: p.WarmthC, Apart: p.Apart, Rot: p.Rot,
	}
}

// A tick leaves in the record what the plan reckoned with: for every operator, those that write nothing beside their
// tick too. Nothing is changed by a tick that was skipped.
func TestATickLeavesWhatThePlanReckonedWith(t *testing.T) {
	yes, half, warm := true, 0.5, 20.0
	causes := []cause.ID{cause.RootRot}
	for _, o := range treatment.Operators() {
		for _, skipped := range []bool{false, true} {
			b := newBook(t)
			b.rot()
			b.write(39, record.Body{Stated: &record.Stated{
				Seat: facts.InPot, MediumClass: facts.Soil, Standing: &yes, Plug: &yes, Moist: facts.Dry,
				Cover: facts.OpenCover, LightShare: &half, WarmthC: &warm, RotAlive: &yes,
			}})
			step := treatment.Step{Op: o.ID, Params: treatment.Params{
				Share: treatment.N(0.25), ToC: treatment.N(18), What: state.CutFree,
			}}
			at := func() (state.Plant, state.Nature) {
				s := treatment.Situation{
					Kind: "monstera-adansonii", Causes: causes, On: today - 38,
					Facts: b.state().Facts(today-38, record.Context{}),
				}
				n, known := state.NatureOf(s)
				require.True(t, known)
				return state.Begin(s), n
			}
			before, nature := at()
			makes, writes := state.EffectOf(state.Done{Step: step, Nature: nature})
			x := sheet.Step{ID: "x", Op: string(o.ID), Title: o.Title}
			if writes {
				x.Makes = &makes
			}
			plan := sheet.Plan{Causes: []string{"root-rot"}, Track: b.state().Plan.Track, Steps: []sheet.Step{x}}
			b.entries = append(b.entries, b.entry(39, record.Body{Planned: &record.Planned{Plan: &plan}}))
			b.write(38, record.Body{Did: &record.Did{Step: "x", Skipped: skipped, Reason: "as it came"}})
			after, _ := at()
			want := toldOf(before)
			if !skipped {
				want = toldOf(before.After(step, state.Moment{}, nature))
			}
			assert.Equal(t, want, toldOf(after), "%s, skipped %t", o.ID, skipped)
		}
	}
}
