package state

import (
	"tendermend/core/facts"
	t "tendermend/core/treatment"
)

// effects are what operators leave behind (our own modelling). An operator without a
// row is housekeeping, or is recorded by what is read in it.
var effects = map[t.OperatorID]func(Done) Effect{
	t.Isolate:   isolated,
	t.KeepApart: isolated,
	t.Release:   func(Done) Effect { return Effect{Apart: AmongAll} },

	t.Unpot:      changes(ChangeEffect{Seat: facts.InHand, Standing: no()}),
	t.WashOff:    changes(ChangeEffect{MediumClass: facts.NoMedium}),
	t.RemovePlug: changes(ChangeEffect{Plug: no()}),
	t.Tally:      func(Done) Effect { return Effect{Counts: true} },
	t.TrimDead:   cuts("roots"),
	t.RootPrune:  prunedBack,
	t.CutRot:     cuts(""),
	t.PickCrown:  cuts("crown"),
	t.Behead:     cuts("stem"),
	t.TrimBranch: cuts("stem"),
	t.Callus:     changes(ChangeEffect{Seat: facts.OnTray}),

	t.StripSpikes:  stripped,
	t.RemoveLeaves: cuts("leaf"),
	t.TakeOffset:   cuts("plantlet"),
	t.Insurance:    cuts("tip"),
	t.TipCut:       cuts("tip"),
	t.LeafCut:      cuts("leaf"),
	t.Layer:        layered,

	t.PotIn:        stand(facts.InPot, ""),
	t.PotUp:        stand(facts.InPot, ""),
	t.WrapMoss:     stand(facts.InPot, facts.Moss),
	t.Hang:         stand(facts.Hung, facts.NoMedium),
	t.Mount:        stand(facts.OnMount, facts.NoMedium),
	t.SetCup:       stand(facts.InCup, facts.InWater),
	t.SetDish:      stand(facts.InDish, ""),
	t.SetReservoir: stand(facts.InReservoir, facts.Stones),
	t.RaiseBase:    func(Done) Effect { none := 0.0; return Effect{Changes: &ChangeEffect{BaseUnderCM: &none}} },

	t.PreWater:    waters(facts.WateredThrough),
	t.FirstWater:  waters(facts.WateredThrough),
	t.Soak:        waters(facts.WateredSoak),
	t.BottomWater: waters(facts.WateredBelow),
	t.Flush:       waters(facts.WateredFlush),
	t.CupFill:     waters(facts.WateredCup),
	t.WetRoots:    waters(facts.WateredRoots),
	t.Mist:        waters(facts.WateredLeaves),
	t.ChangeWater: waters(facts.WateredRoots),
	t.ByRule:      waters(facts.WateredThrough),
	t.HoldWater:   changes(ChangeEffect{NoWater: yes()}),
	t.DrainSaucer: changes(ChangeEffect{Standing: no()}),

	t.CoverIt: func(d Done) Effect {
		c := facts.Cover(d.Step.Params.Cover)
		if c == "" {
			c = facts.ClosedCover
		}
		return Effect{Changes: &ChangeEffect{Cover: c}}
	},
	t.Wean:     changes(ChangeEffect{Cover: facts.Uncovered}),
	t.Harden:   changes(ChangeEffect{Cover: facts.Uncovered}),
	t.ShadeIt:  func(d Done) Effect { return Effect{Changes: &ChangeEffect{LightShare: known(d.Step.Params.Share)}} },
	t.Brighten: func(d Done) Effect { return Effect{Changes: &ChangeEffect{Brighter: known(d.Step.Params.Share)}} },
	t.Temper:   func(d Done) Effect { return Effect{Changes: &ChangeEffect{WarmthC: known(d.Step.Params.ToC)}} },

	t.Discard: changes(ChangeEffect{Seat: facts.InBin}),

	t.FeedIt:    fed,
	t.HoldFeed:  changes(ChangeEffect{NoFeed: yes()}),
	t.WashDown:  treats("a wash with water"),
	t.Soap:      treats("soap"),
	t.Oil:       treats("oil, by its label"),
	t.Alcohol:   treats("alcohol, dabbed"),
	t.Peroxide:  treats("peroxide"),
	t.LabelDrug: treats("a product, by its label"),
	t.Systemic:  treats("a systemic product, by its label"),
	t.Earth:     treats("diatomaceous earth"),
	t.Scrape:    treats("scraped off"),
	t.HandPick:  treats("picked off by hand"),
	t.Predators: treats("predators"),
	t.Nematodes: treats("nematodes"),
	t.Larvicide: treats("a product against larvae, by its label"),
	t.HotDip:    treats("a warm bath"),
}

// isolated keeps it apart, unless the step says that nothing of it is recorded.
func isolated(d Done) Effect {
	if r := d.Step.Params.Recorded; r != nil && !*r {
		return Effect{}
	}
	return Effect{Apart: KeptApart}
}

// prunedBack is a cut of its roots, after which it goes back into a pot.
func prunedBack(d Done) Effect {
	e := cuts("roots")(d)
	e.Stands = stand(facts.InPot, "")(d).Stands
	return e
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
	return cuts("stem")(d)
}

// writes says what an operator writes into the record.
var writes = map[t.OperatorID]string{
	t.Isolate: "a move: isolated", t.KeepApart: "a move: isolated", t.Release: "a move: among the others",
	t.Unpot: "it is in the hand; no water stands", t.WashOff: "it is in no medium", t.RemovePlug: "no plug",
	t.Tally: "a root count", t.TrimDead: "a cut: roots; no live rot",
	t.RootPrune: "a cut: roots; a potting: pot, depth and mix", t.CutRot: "a cut; no live rot",
	t.PickCrown: "a cut: crown; no live rot", t.Behead: "a cut: stem; no live rot", t.TrimBranch: "a cut: stem",
	t.Callus: "it lies on a tray", t.StripSpikes: "a cut: spikes, and how many are kept",
	t.RemoveLeaves: "a cut: leaves", t.TakeOffset: "a cut: plantlets", t.Insurance: "a cut: a piece",
	t.TipCut: "a cut: tips", t.LeafCut: "a cut: leaves", t.Layer: "a cut: stem, when it is cut free",
	t.PotIn: "a potting: pot, depth and mix", t.PotUp: "a potting: pot, depth and mix",
	t.WrapMoss: "a potting: moss", t.Hang: "it hangs bare", t.Mount: "it is on a slab",
	t.SetCup: "it is in a cup of water", t.SetDish: "it stands in a dish",
	t.SetReservoir: "it stands in a reservoir, with its level", t.RaiseBase: "its base is free",
	t.PreWater: "a watering, through", t.FirstWater: "a watering, with its amount", t.Soak: "a watering, soaked",
	t.BottomWater: "a watering, from below", t.Flush: "a watering, flushed", t.CupFill: "a watering of the cup",
	t.WetRoots: "a watering of the roots", t.Mist: "a watering of the leaves",
	t.ChangeWater: "a watering of the roots", t.ByRule: "a watering", t.HoldWater: "no water until further notice",
	t.DrainSaucer: "no water stands", t.CoverIt: "its cover", t.Wean: "no cover", t.Harden: "no cover",
	t.ShadeIt: "its share of light", t.Brighten: "its share of light, more", t.Temper: "its warmth",
	t.FeedIt: "a feed, with its strength", t.HoldFeed: "no feed until further notice", t.WashDown: "a treatment",
	t.Soap: "a treatment", t.Oil: "a treatment", t.Alcohol: "a treatment", t.Peroxide: "a treatment",
	t.LabelDrug: "a treatment; product and dose as typed from its label",
	t.Systemic:  "a treatment; product and dose as typed from its label", t.Earth: "a treatment",
	t.Scrape: "a treatment", t.HandPick: "a treatment", t.Predators: "a treatment", t.Nematodes: "a treatment",
	t.Larvicide: "a treatment; product and dose as typed from its label", t.HotDip: "a treatment",
	t.Discard: "it is in the bin",
}
