package trip

import (
	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/plant"
)

// LookFirst is from what chance of having stood too dry on a plant is looked at first after a
// trip.
const LookFirst = 0.10

// FeelFirst is what whoever waters for somebody is told above all (common practice).
const FeelFirst = "Feel first, a finger deep. If it is wet, leave it and tick that: too much water harms more " +
	"than too little."

// ApartLast is what they are told of plants that are kept apart (common practice).
const ApartLast = "Kept apart: do it last, and wash your hands afterwards."

// Otherwise says how a plant is seen to whose pot tells nothing by drying out: what is done
// and every how many days (common practice); false where its rule is none of these.
func Otherwise(rule plant.WaterRule) (what string, everyDays int, known bool) {
	switch rule {
	case plant.AirRoots:
		return "dip or mist it every day", 1, true
	case plant.CupWater:
		return "fill its cup up", 4, true
	case plant.Reservoir:
		return "fill its reservoir up when the level is down", 7, true
	case plant.WetTray:
		return "keep water in its tray", 3, true
	case plant.Dish:
		return "fill its dish to the mark", 2, true
	case plant.InWater:
		return "change its water, to just below its base", 4, true
	case plant.Even, plant.SurfaceDry, plant.QuarterDry, plant.HalfDry, plant.DryThrough, plant.DryRest, plant.NoWater,
		plant.TopDry:
	}
	return "", 0, false
}

// OnDays are the days of a trip on which something is done that often.
func OnDays(every, away int) []int {
	days := []int{}
	for d := 1; d < away && every > 0; d += every {
		days = append(days, d)
	}
	return days
}

// Never says why a plant is not watered at all over a trip, in words; empty where it is: by
// what is known of it now, by its kind's calendar, or because no rule asks for water.
func Never(p plant.Profile, rule plant.WaterRule, seenAtRest bool, held string, from day.Day, south bool) string {
	_, dries := drying.RuleOf(rule)
	_, _, other := Otherwise(rule)
	switch {
	case seenAtRest && !dries || rests(p, from, south):
		return "it rests"
	case other:
		return ""
	case held != "":
		return held
	case !dries:
		return "its kind is not watered now"
	}
	return ""
}

// rests says whether a kind is kept dry over a trip that begins on a day, because it rests
// then by its calendar.
func rests(p plant.Profile, from day.Day, south bool) bool {
	return p.RestsIn(plant.NorthMonth(from, south)) && p.WaterAtRest() == plant.RestDry
}
