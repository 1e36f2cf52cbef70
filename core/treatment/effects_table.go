package treatment

import "tendermend/core/facts"

// effects are what operators leave behind (our own modelling). An operator without a
// row is housekeeping, or is recorded by what is read in it.
var effects = map[OperatorID]func(Done) Effect{
	Isolate:   func(Done) Effect { return Effect{Apart: KeptApart} },
	KeepApart: func(Done) Effect { return Effect{Apart: KeptApart} },
	Release:   func(Done) Effect { return Effect{Apart: AmongAll} },

	Unpot:      changes(ChangeEffect{Seat: facts.InHand, Standing: no()}),
	WashOff:    changes(ChangeEffect{MediumClass: facts.NoMedium}),
	RemovePlug: changes(ChangeEffect{Plug: no()}),
	Tally:      func(Done) Effect { return Effect{Counts: true} },
	TrimDead:   cuts("roots", true),
	RootPrune:  cuts("roots", false),
	CutRot:     cuts("", true),
	PickCrown:  cuts("crown", true),
	Behead:     cuts("stem", true),
	TrimBranch: cuts("stem", false),
	Callus:     changes(ChangeEffect{Seat: facts.OnTray}),

	StripSpikes:  stripped,
	RemoveLeaves: cuts("leaf", false),
	TakeOffset:   cuts("plantlet", false),
	Insurance:    cuts("tip", false),
	TipCut:       cuts("tip", false),
	LeafCut:      cuts("leaf", false),
	Layer:        layered,

	PotIn:        stand(facts.InPot, ""),
	PotUp:        stand(facts.InPot, ""),
	WrapMoss:     stand(facts.InPot, facts.Moss),
	Hang:         stand(facts.Hung, facts.NoMedium),
	Mount:        stand(facts.OnMount, facts.NoMedium),
	SetCup:       stand(facts.InCup, facts.InWater),
	SetDish:      stand(facts.InDish, ""),
	SetReservoir: stand(facts.InReservoir, facts.Stones),
	RaiseBase:    func(Done) Effect { none := 0.0; return Effect{Changes: &ChangeEffect{BaseUnderCM: &none}} },

	PreWater:    waters(facts.WateredThrough),
	FirstWater:  waters(facts.WateredThrough),
	Soak:        waters(facts.WateredSoak),
	BottomWater: waters(facts.WateredBelow),
	Flush:       waters(facts.WateredFlush),
	CupFill:     waters(facts.WateredCup),
	WetRoots:    waters(facts.WateredRoots),
	Mist:        waters(facts.WateredLeaves),
	ChangeWater: waters(facts.WateredRoots),
	ByRule:      waters(facts.WateredThrough),
	HoldWater:   changes(ChangeEffect{NoWater: yes()}),
	DrainSaucer: changes(ChangeEffect{Standing: no()}),

	CoverIt: func(d Done) Effect {
		c := facts.Cover(d.Step.Params.Cover)
		if c == "" {
			c = facts.ClosedCover
		}
		return Effect{Changes: &ChangeEffect{Cover: c}}
	},
	Wean:     changes(ChangeEffect{Cover: facts.Uncovered}),
	Harden:   changes(ChangeEffect{Cover: facts.Uncovered}),
	ShadeIt:  func(d Done) Effect { return Effect{Changes: &ChangeEffect{LightShare: known(d.Step.Params.Share)}} },
	Brighten: func(d Done) Effect { return Effect{Changes: &ChangeEffect{Brighter: known(d.Step.Params.Share)}} },
	Temper:   func(d Done) Effect { return Effect{Changes: &ChangeEffect{WarmthC: known(d.Step.Params.ToC)}} },

	FeedIt:    fed,
	HoldFeed:  changes(ChangeEffect{NoFeed: yes()}),
	WashDown:  treats("a wash with water"),
	Soap:      treats("soap"),
	Oil:       treats("oil, by its label"),
	Alcohol:   treats("alcohol, dabbed"),
	Peroxide:  treats("peroxide"),
	LabelDrug: treats("a product, by its label"),
	Systemic:  treats("a systemic product, by its label"),
	Earth:     treats("diatomaceous earth"),
	Scrape:    treats("scraped off"),
	HandPick:  treats("picked off by hand"),
	Predators: treats("predators"),
	Nematodes: treats("nematodes"),
	Larvicide: treats("a product against larvae, by its label"),
	HotDip:    treats("a warm bath"),
}

// fed is a feeding; a medium that was kept unfed is so no longer.
func fed(d Done) Effect {
	e := Effect{Feeds: known(d.Step.Params.Share), Changes: &ChangeEffect{NoFeed: no()}}
	if e.Feeds == nil {
		usual := 1.0
		e.Feeds = &usual
	}
	return e
}

// CutFree is what a step of layering says when the rooted piece is taken.
const CutFree = "cut free"

// layered takes a piece off only when it is cut free.
func layered(d Done) Effect {
	if d.Step.Params.What != CutFree {
		return Effect{}
	}
	return cuts("stem", false)(d)
}

// writes says what an operator writes into the record.
var writes = map[OperatorID]string{
	Isolate: "a move: isolated", KeepApart: "a move: isolated", Release: "a move: among the others",
	Unpot: "it is in the hand; no water stands", WashOff: "it is in no medium", RemovePlug: "no plug",
	Tally: "a root count", TrimDead: "a cut: roots; no live rot", RootPrune: "a cut: roots",
	CutRot: "a cut; no live rot", PickCrown: "a cut: crown; no live rot", Behead: "a cut: stem; no live rot",
	TrimBranch: "a cut: stem", Callus: "it lies on a tray", StripSpikes: "a cut: spikes, and how many are kept",
	RemoveLeaves: "a cut: leaves", TakeOffset: "a cut: plantlets", Insurance: "a cut: a piece", TipCut: "a cut: tips",
	LeafCut: "a cut: leaves", Layer: "a cut: stem, when it is cut free",
	PotIn: "a potting: pot, depth and mix", PotUp: "a potting: pot, depth and mix",
	WrapMoss: "a potting: moss", Hang: "it hangs bare", Mount: "it is on a slab", SetCup: "it is in a cup of water",
	SetDish: "it stands in a dish", SetReservoir: "it stands in a reservoir, with its level",
	RaiseBase: "its base is free",
	PreWater:  "a watering, through", FirstWater: "a watering, with its amount", Soak: "a watering, soaked",
	BottomWater: "a watering, from below", Flush: "a watering, flushed", CupFill: "a watering of the cup",
	WetRoots: "a watering of the roots", Mist: "a watering of the leaves", ChangeWater: "a watering of the roots",
	ByRule: "a watering", HoldWater: "no water until further notice", DrainSaucer: "no water stands", CoverIt: "its cover",
	Wean: "no cover", Harden: "no cover", ShadeIt: "its share of light", Brighten: "its share of light, more",
	Temper: "its warmth", FeedIt: "a feed, with its strength", HoldFeed: "no feed until further notice",
	WashDown: "a treatment", Soap: "a treatment", Oil: "a treatment", Alcohol: "a treatment", Peroxide: "a treatment",
	LabelDrug: "a treatment; product and dose as typed from its label", Systemic: "a treatment; product and dose as " +
		"typed from its label", Earth: "a treatment", Scrape: "a treatment", HandPick: "a treatment",
	Predators: "a treatment", Nematodes: "a treatment", Larvicide: "a treatment; product and dose as typed from its " +
		"label", HotDip: "a treatment",
}
