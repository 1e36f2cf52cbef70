package demo

import (
	"tendermend/core/care"
	"tendermend/core/roots"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
)

// Plants whose story does not end with their first trouble.

// cleared passes the gates of a row of treatments against pests, from one day on.
func (h *hand) cleared(from int) {
	for i, to := range []string{"repeats", "proving", "mended"} {
		at := from - 22*i
		h.check(at+6, "live-pests", 0, "wilt", 0, "smell", 0)
		h.check(at, "live-pests", 0, "wilt", 0, "smell", 0)
		h.stage(at, "pest-clearance", []string{"knock-down", "repeats", "proving"}[i], to, "nothing alive found")
	}
}

// scindapsus was mended of mealybugs in spring; this morning they were back.
func scindapsus(c *clinic) {
	h := c.arrive(250, "Stair landing", record.Arrived{
		Label: "W-004", Name: "Satin vine of the night watch", Profile: "scindapsus-pictus", Habit: "aroid-vine",
		Had: record.HadMonths, PotWidthCM: p(14.0), PotDepthCM: p(12.0), Medium: "airy soil", Leaves: p(22), Growths: p(3),
	})
	h.water(246, 4, 9)
	h.examine(214, []string{"pest.cotton", "leaf.sticky"}, []string{"pest.scale-bumps", "root.smell", "leaf.sooty"})
	h.accept(214, "mealybug")
	h.plan(214, sheet.Answers{WarmthC: p(21.0)})
	h.carryOut(205)
	h.cleared(190)
	h.move(140, "Stair landing", record.Clean, "a whole generation of clean looks")
	h.confirm(139, "mended-by", "mealybug")
	for d := 120; d > 10; d -= 14 {
		h.check(d, "live-pests", 0, "wilt", 0, "new-leaves", d%3)
	}
	h.check(0, "live-pests", 1, "wilt", 0)
}

// spathiphyllum thirsted in summer and rots now: two cases, one after the other.
func spathiphyllum(c *clinic) {
	h := c.arrive(200, "Ticket hall", record.Arrived{
		Label: "W-005", Name: "Flag lily of the lost-property office", Profile: "spathiphyllum-wallisii",
		Habit: "aroid-clump", Had: record.HadYears, PotWidthCM: p(17.0), PotDepthCM: p(15.0), Medium: "peat mix",
		Leaves: p(19), Growths: p(3),
	})
	h.examine(150, []string{"leaf.drooping", "med.dry-through", "leaf.crisp"}, []string{"root.smell", "pest.cotton"})
	h.accept(150, "drought")
	h.plan(150, sheet.Answers{})
	h.carryOut(149)
	h.check(148, "core-wet", 1, "wilt", 0, "smell", 0)
	h.stage(148, "drought-revive", "soak", "perk", "wet to the core")
	h.check(144, "uncurled", 1, "wilt", 0, "smell", 0)
	h.stage(144, "drought-revive", "perk", "refill", "up again")
	for d := 137; d >= 100; d -= 7 {
		h.check(d, "yellow", 0, "new-leaves", yesNo(d%2 == 0), "wilt", 0, "smell", 0)
	}
	h.stage(100, "drought-revive", "refill", "mended", "new leaves, no yellow")
	h.confirm(99, "mended-by", "drought")
	h.water(98, 20, 5)
	h.write(16, record.Body{Opened: &record.Opened{Why: "limp although wet"}})
	h.examine(16, []string{"leaf.drooping", "root.smell", "root.mushy", "med.wet-long"}, []string{"pest.cotton"})
	h.accept(16, "root-rot")
	h.tally(15, roots.Count{Live: 7, Doubtful: 2, DeadDry: 3, Mushy: 14}, 70, 4, 7)
	h.plan(15, sheet.Answers{})
	h.carryOut(13)
	h.check(9, "wilt", 1, "yellow", 0, "smell", 0, "rot", 0)
	h.check(4, "wilt", 0, "yellow", 0, "smell", 0, "rot", 0)
}

// tradescantia came from a flea market last week: well, and in quarantine.
func tradescantia(c *clinic) {
	h := c.arrive(6, "Customs cage", record.Arrived{
		Label: "W-006", Name: "Flea-market inch plant", Profile: "tradescantia-zebrina", Habit: "soft-trailer",
		From: "flea market on the quay", Price: p(2.0), Packing: record.Unpacked, Isolated: true, Suspect: true,
		Well: true, PotWidthCM: p(11.0), Medium: "potting soil", Leaves: p(30), Growths: p(5),
	})
	h.check(3, "live-pests", 0, "wilt", 0, "smell", 0)
}

// cymbidium may have a virus: kept apart for good, and cared for.
func cymbidium(c *clinic) {
	h := c.arrive(230, "Customs cage", record.Arrived{
		Label: "C-020", Name: "Cymbidium of the harbour master", Profile: "cymbidium-hybrid", Habit: "sympodial-orchid",
		Had: record.HadYears, Isolated: true, PotWidthCM: p(19.0), Medium: "bark mix", Leaves: p(24), Growths: p(6),
	})
	h.examine(225, []string{"leaf.mosaic"}, []string{"leaf.stippling", "leaf.spots-wet-halo", "pest.webbing"})
	h.accept(225, "virus")
	h.close(224, record.OutcomeKept, "Ring spots for years; it blooms all the same. Own blade, own can.")
	h.water(220, 8, 8)
	for d := 210; d > 5; d -= 30 {
		h.check(d, "live-pests", 0, "wilt", 0, "smell", 0)
	}
	h.write(60, record.Body{Fed: &record.Fed{Strength: 0.5}})
}

// sansevieria is well and has its routine.
func sansevieria(c *clinic) {
	h := c.arrive(260, "Ticket hall", record.Arrived{
		Label: "W-007", Name: "Sword plant by the left-luggage lockers", Profile: "dracaena-trifasciata",
		Habit: "upright-succulent", Had: record.HadYears, Well: true, PotWidthCM: p(20.0), Medium: "gritty mix",
		Leaves: p(12), Growths: p(4),
	})
	h.water(255, 30, 19)
	for d := 250; d > 16; d -= 28 {
		h.check(d, "live-pests", 0, "wilt", 0, "smell", 0)
	}
	h.write(90, record.Body{Tended: &record.Tended{Jobs: []care.Job{care.LeafWash, care.Turn}}})
	h.try(30, "Lamp in the evening", "a new leaf before the year is out", 28)
	h.write(70, record.Body{Fed: &record.Fed{Strength: 0.5}})
}

// mammillaria rests: dry since the clocks went back, and nothing is missing.
func mammillaria(c *clinic) {
	h := c.arrive(240, "Stair landing", record.Arrived{
		Label: "W-008", Name: "Old lady on the landing sill", Profile: "mammillaria-hahniana", Habit: "cactus",
		Had: record.HadYears, Well: true, PotWidthCM: p(10.0), Medium: "gritty mix", Growths: p(2),
	})
	h.water(238, 60, 14)
	for d := 200; d > 14; d -= 30 {
		h.check(d, "live-pests", 0, "wilt", 0, "smell", 0)
	}
}
