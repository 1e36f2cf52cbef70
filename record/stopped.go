package record

import (
	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/core/water"
	"tendermend/core/working"
)

// alarmHolds lists when what sounds holds water back: until it is answered; what sounds for a medium that stays wet,
// until a stick comes out drier. It stands above every plan.
func (s State) alarmHolds() (list []hold) {
	for _, a := range s.Alarms() {
		if !a.NoWater {
			continue
		}
		h := hold{a.On, untilSeen, "no water until this is answered: " + working.Lower(a.Title)}
		if a.ID == recovery.SignalWetWater || a.ID == recovery.SignalNoDrink {
			h.until = s.driedAfter(a.On)
		}
		list = append(list, h)
	}
	return list
}

// driedAfter is the first day after another on which a stick came out dry or barely damp; untilSeen where none did.
func (s State) driedAfter(on day.Day) day.Day {
	for _, p := range s.Probes {
		if p.On > on && (p.Moisture == water.Dry || p.Moisture == water.Barely) {
			return p.On
		}
	}
	return untilSeen
}

// Unfed says whether nothing is fed, and no growth asked after, until what sounds is answered.
func (s State) Unfed() bool {
	for _, a := range s.Alarms() {
		if a.NoFeed {
			return true
		}
	}
	return false
}

// Stopped says whether what sounds stands above a step of the plan: water and feed of the plant itself wait until it is
// answered.
func (s State) Stopped(step sheet.Step, on day.Day) bool {
	op := treatment.OperatorID(step.Op)
	switch {
	case step.Of != "":
		return false
	case op == treatment.FeedIt || op == treatment.Supplement:
		return s.Unfed()
	case op.Does(treatment.Waters) || op == treatment.ByRule:
		for _, h := range s.alarmHolds() {
			if h.from <= on && on < h.until {
				return true
			}
		}
	}
	return false
}
