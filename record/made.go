package record

import (
	"cmp"
	"time"

	"github.com/google/uuid"

	"tendermend/core/facts"
	"tendermend/core/roots"
	"tendermend/core/state"
)

// Made is what came out otherwise than a step of the plan has it: only what differs.
type Made struct {
	WidthCM  *float64 `json:"widthCm,omitempty" minimum:"-999" maximum:"9999" doc:"Inner width of its pot."`
	DepthCM  *float64 `json:"depthCm,omitempty" minimum:"-9999" maximum:"99999"`
	Medium   string   `json:"medium,omitempty" maxLength:"120" doc:"The mix that was taken."`
	LevelCM  *float64 `json:"levelCm,omitempty" minimum:"-9999" maximum:"99999" doc:"Level of the reservoir."`
	ML       *float64 `json:"ml,omitempty" minimum:"-9999" maximum:"1000000" doc:"Water that was given."`
	N        *int     `json:"n,omitempty" minimum:"-9999" maximum:"99999" doc:"How many were cut off."`
	Strength *float64 `json:"strength,omitempty" minimum:"-999" maximum:"9999" doc:"Share of the label rate."`
	Product  string   `json:"product,omitempty" maxLength:"120" doc:"The product, as it stands on its label."`
	Live     *int     `json:"live,omitempty" minimum:"-9999" maximum:"99999" doc:"Live roots counted."`
	Dead     *int     `json:"dead,omitempty" minimum:"-9999" maximum:"99999" doc:"Dead roots counted."`
	Tips     *int     `json:"tips,omitempty" minimum:"-9999" maximum:"99999" doc:"Growing root tips counted."`
	BallCM   *float64 `json:"ballCm,omitempty" minimum:"-9999" maximum:"99999" doc:"Width of the live root ball."`
}

func (m *Made) check() (faults Faults) {
	between(&faults, "did.made.widthCm", m.WidthCM, 1, 200, "cm")
	between(&faults, "did.made.depthCm", m.DepthCM, 1, 200, "cm")
	between(&faults, "did.made.levelCm", m.LevelCM, 0.1, 30, "cm")
	between(&faults, "did.made.ml", m.ML, 1, 50000, "ml")
	between(&faults, "did.made.strength", m.Strength, 0.05, 5, "times the label's rate")
	between(&faults, "did.made.ballCm", m.BallCM, 0.5, 200, "cm")
	countBetween(&faults, "did.made.n", m.N, 0, 1000)
	countBetween(&faults, "did.made.live", m.Live, 0, 500)
	countBetween(&faults, "did.made.dead", m.Dead, 0, 500)
	countBetween(&faults, "did.made.tips", m.Tips, 0, 500)
	return faults
}

// effectSpace parts the ids of effects from all others.
var effectSpace = uuid.MustParse("6d2c6a0e-2a0b-5c9e-9a51-3f1f0b8a7d11")

// Effects gives the entries that a tick brings about: what its step makes so, filled
// from the plan and from what came out otherwise. Their ids follow from the tick's, so
// that sending it again makes them once.
func (l *Ledger) Effects(tick Entry) []Entry {
	d := tick.Did
	if d == nil || d.Skipped || !d.Writes {
		return nil
	}
	state := l.asOf(tick)
	step, found := state.step(d.Step)
	if !found {
		return nil
	}
	made := Made{}
	if d.Made != nil {
		made = *d.Made
	}
	var list []Entry
	var bodies []Body
	if d.Seen {
		bodies = l.before(tick).sawIt(step, tick.On)
	}
	if step.Makes != nil {
		bodies = append(bodies, bodiesOf(*step.Makes, made, state)...)
	}
	for i, body := range bodies {
		id := tick.ID
		e := Entry{
			ID: uuid.NewSHA1(effectSpace, append(id[:], byte(i))), PlantID: tick.PlantID, On: tick.On,
			RecordedAt: tick.RecordedAt.Add(time.Duration(i+1) * time.Microsecond), By: tick.By, With: &id, Body: body,
		}
		list = append(list, e)
	}
	return list
}

// before is the plant as the record told it when a tick was made, without the tick.
func (l *Ledger) before(tick Entry) State {
	state := l.without(&tick.ID)
	return (&situation{entry: tick, folded: &state}).caseState()
}

// bodiesOf writes an effect as entries.
func bodiesOf(e state.Effect, m Made, s State) (list []Body) {
	add := func(b Body) { list = append(list, b) }
	if e.Apart != "" {
		add(Body{Moved: &Moved{Isolation: Isolation(e.Apart), Reason: "by its plan"}})
	}
	if t, counted := m.tally(); counted && e.Counts {
		add(Body{Tallied: &t})
	}
	if c := e.Cuts; c != nil {
		cut := Cut{Organ: cmp.Or(c.Organ, "roots"), N: c.N, Share: c.Share, Kept: c.Kept}
		if m.N != nil {
			cut.N, cut.Share = m.N, nil
		}
		add(Body{Cut: &cut})
	}
	if p := e.Stands; p != nil {
		potted := Potted{Seat: p.Seat, Class: p.Class, WidthCM: p.WidthCM, DepthCM: p.DepthCM, Medium: p.Medium,
			LevelCM: p.LevelCM}
		potted.otherwise(m)
		add(Body{Potted: &potted})
	}
	if w := e.Waters; w != nil {
		add(Body{Watered: &Watered{How: w.How, Millilitres: cmp.Or(m.ML, w.ML)}})
	}
	if e.Feeds != nil {
		add(Body{Fed: &Fed{Strength: *cmp.Or(m.Strength, e.Feeds), Product: m.Product}})
	}
	if t := e.Treats; t != nil {
		add(Body{Treated: &Treated{
			Product: cmp.Or(m.Product, t.Product), Class: string(t.Class), Where: t.Where, Against: string(t.Against),
		}})
	}
	if c := e.Changes; c != nil {
		if st := changed(*c, s.Known); *st != (Stated{}) {
			add(Body{Stated: st})
		}
	}
	return list
}

// otherwise takes what came out otherwise than planned.
func (p *Potted) otherwise(m Made) {
	if m.WidthCM != nil {
		p.WidthCM = m.WidthCM
	}
	if m.DepthCM != nil {
		p.DepthCM = m.DepthCM
	}
	if m.LevelCM != nil {
		p.LevelCM = m.LevelCM
	}
	if m.Medium != "" {
		p.Medium, p.Class = m.Medium, facts.ClassOf(m.Medium)
	}
}

// changed is what a step changes besides, as it is said; brighter counts from the
// light that it had.
func changed(c state.ChangeEffect, known facts.Facts) *Stated {
	st := Stated{
		Seat: c.Seat, MediumClass: c.MediumClass, Cover: c.Cover, LightShare: c.LightShare, WarmthC: c.WarmthC,
		BaseUnderCM: c.BaseUnderCM, Standing: c.Standing, Plug: c.Plug, RotAlive: c.RotAlive, NoWater: c.NoWater,
		NoFeed: c.NoFeed,
	}
	if c.Brighter != nil {
		share := min(1, known.LightShare.Or(1)+*c.Brighter)
		st.LightShare = &share
	}
	return &st
}

// tally is the count of roots that was made, where one was.
func (m Made) tally() (t Tallied, counted bool) {
	t = Tallied{Tally: roots.Tally{Tips: m.Tips, RootBallCM: m.BallCM}}
	if m.Live != nil {
		t.InMedium.Live = *m.Live
	}
	if m.Dead != nil {
		t.InMedium.DeadDry = *m.Dead
	}
	return t, m.Live != nil || m.Dead != nil || m.Tips != nil || m.BallCM != nil
}
