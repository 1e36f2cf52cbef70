package sheet

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/treatment"
)

func always(text string) func(treatment.Situation) string {
	return func(treatment.Situation) string { return text }
}

var turgor = map[bool]string{true: "limp", false: "firm"}

// questions are what a plan may need and nobody said, in the order in which they are
// asked, with the cautious value that is taken without an answer (our own modelling).
var questions = []asked{
	{
		id: "seat", ask: "What does it stand in?", how: "Look below the leaves: pot, basket, slab, glass",
		known: func(f facts.Facts) bool { return f.Seat.Known },
		taken: func(s treatment.Situation) string { return treatment.Assumed(s).Seat.Value.Words() },
		answers: []QuestionAnswer{
			{"pot", "pot", Answers{Seat: facts.InPot}},
			{"reservoir", "pot with a water space", Answers{Seat: facts.InReservoir}},
			{"basket", "basket", Answers{Seat: facts.InBasket}}, {"mount", "slab", Answers{Seat: facts.OnMount}},
			{"hung", "hung bare", Answers{Seat: facts.Hung}}, {"jar", "glass of water", Answers{Seat: facts.InJar}},
		},
	},
	{
		id: "medium", ask: "What is it in?", how: "Scratch the surface",
		known: func(f facts.Facts) bool { return f.MediumClass.Known },
		taken: func(s treatment.Situation) string { return treatment.Assumed(s).MediumClass.Value.Words() },
		answers: []QuestionAnswer{
			{"soil", "soil", Answers{MediumClass: facts.Soil}}, {"bark", "bark", Answers{MediumClass: facts.Bark}},
			{"moss", "moss", Answers{MediumClass: facts.Moss}}, {"stones", "clay or stones", Answers{MediumClass: facts.Stones}},
			{"peat", "peat", Answers{MediumClass: facts.Peat}},
		},
	},
	{
		id: "medium-state", ask: "How is its medium?", how: "Crumble some between the fingers, and smell it",
		known: func(f facts.Facts) bool { return f.Medium.Known || f.MediumBad.Known || f.MediumSour.Known },
		taken: always("sound"),
		answers: []QuestionAnswer{
			{"sound", "sound", Answers{Medium: facts.Sound}}, {"rotten", "rotten, to mud", Answers{Medium: facts.Rotten}},
			{"sour", "smells sour", Answers{Medium: facts.Sour}}, {"infested", "with insects", Answers{Medium: facts.Infested}},
		},
	},
	{
		id: "moist", ask: "How wet is it?", how: "Push a stick to the bottom, wait ten minutes, and draw it",
		known: func(f facts.Facts) bool { return f.Moist.Known },
		taken: func(s treatment.Situation) string {
			switch treatment.Assumed(s).Moist.Value {
			case facts.Wet:
				return "wet, as what was accepted says"
			case facts.Dry:
				return "dry, as what was accepted says"
			default:
				return "moist"
			}
		},
		answers: []QuestionAnswer{
			{"wet", "wet", Answers{Moist: facts.Wet}}, {"right", "damp", Answers{Moist: facts.Right}},
			{"due", "as dry as it likes", Answers{Moist: facts.Due}}, {"dry", "dry through", Answers{Moist: facts.Dry}},
		},
	},
	{
		id: "turgor", ask: "Does it hang limp?", how: "Against how it stood when it was well",
		known:   func(f facts.Facts) bool { return f.Limp.Known },
		taken:   func(s treatment.Situation) string { return turgor[treatment.Assumed(s).Limp.Value] },
		answers: []QuestionAnswer{{"firm", "firm", Answers{Limp: of(false)}}, {"limp", "limp", Answers{Limp: of(true)}}},
	},
	{
		id: "roots", ask: "Of ten roots, how many are firm?", how: "Through a clear pot, or where the ball is slid out",
		known: func(f facts.Facts) bool { return f.LiveRoots.Known || f.FewRoots.Known },
		taken: func(s treatment.Situation) string {
			if treatment.KillsRoots(s.Causes) {
				return "three of ten: what was accepted kills roots"
			}
			return "eight of ten"
		},
		answers: []QuestionAnswer{
			{"none", "none", Answers{LiveRoots: of(0), DeadRoots: of(10)}},
			{"few", "one or two", Answers{LiveRoots: of(2), DeadRoots: of(8)}},
			{"some", "three to six", Answers{LiveRoots: of(5), DeadRoots: of(5)}},
			{"most", "most", Answers{LiveRoots: of(8), DeadRoots: of(2)}},
		},
	},
	{
		id: "growing", ask: "Anything new in a month?", how: "A leaf, a shoot or a root tip that was not there",
		known: func(f facts.Facts) bool {
			return f.Growing.Known || f.Phase.Known || f.NewGrowth.Known || f.Resting.Known
		},
		taken: always("what the month says of its kind"),
		answers: []QuestionAnswer{
			{"yes", "yes", Answers{Growing: of(true)}}, {"no", "nothing new", Answers{Growing: of(false)}},
		},
	},
	{
		id: "bloom", ask: "Flowers or buds?", how: "Spikes, buds and open flowers",
		known:   func(f facts.Facts) bool { return f.Spikes.Known || f.Buds.Known },
		taken:   always("none"),
		answers: []QuestionAnswer{{"no", "none", Answers{InSpike: of(false)}}, {"yes", "yes", Answers{InSpike: of(true)}}},
	},
	{
		id: "infested", ask: "How much of it is infested?", how: "Undersides, joints, flowers, pot rim",
		known: func(f facts.Facts) bool { return f.Infested.Known },
		fits: func(s treatment.Situation) bool {
			return slices.ContainsFunc(s.Causes, func(id cause.ID) bool { _, is := treatment.FoeOf(id); return is })
		},
		taken: always("one spot"),
		answers: []QuestionAnswer{
			{"spot", "one spot", Answers{Infested: of(0.05)}}, {"third", "under a third", Answers{Infested: of(0.25)}},
			{"more", "more", Answers{Infested: of(0.5)}},
		},
	},
	{
		id: "holes", ask: "Has its pot holes?", how: "Lift it and look below",
		known:   func(f facts.Facts) bool { return f.PotHoles.Known },
		taken:   always("yes"),
		answers: []QuestionAnswer{{"yes", "yes", Answers{PotHoles: of(true)}}, {"no", "none", Answers{PotHoles: of(false)}}},
	},
	{
		id: "offsets", ask: "Plantlets, pups or offsets on it?", how: "At the base, at nodes, on spikes",
		known: func(f facts.Facts) bool { return f.Plantlets.Known || f.Pups.Known },
		taken: always("none"),
		answers: []QuestionAnswer{
			{"no", "none", Answers{OffsetsSeen: of(0)}}, {"one", "one", Answers{OffsetsSeen: of(1)}},
			{"more", "several", Answers{OffsetsSeen: of(3)}},
		},
	},
}
