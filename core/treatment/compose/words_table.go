package compose

import (
	"cmp"
	"fmt"

	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
	"tendermend/core/working"
)

type sayer = func(saying) string

func fixedly(text string) sayer { return func(saying) string { return text } }

// sayings put each operator into words, one text for each of its variants.
var sayings = map[treatment.OperatorID]sayer{
	treatment.Aid:        sayAid,
	treatment.Baseline:   sayBaseline,
	treatment.Isolate:    sayIsolate,
	treatment.Neighbours: sayNeighbours,
	treatment.Release:    fixedly("Let it back among the others."),
	treatment.CleanBlade: sayBlade,
	treatment.ReadyPot:   saying.pot,
	treatment.PreWater:   fixedly("Water it through today: roots full of water bend tomorrow, thirsty ones snap."),
	treatment.Untie: fixedly("Cut the tie, wire or net on both sides of the stem and lift it off; never " +
		"pull it through the groove."),
	treatment.StripSpikes:  saySpikes,
	treatment.PullDead:     sayPull,
	treatment.RemoveLeaves: sayLeaves,
	treatment.TakeOffset: func(w saying) string {
		return "Part the " + cmp.Or(w.organ(), "offset") + " with its own roots, close to the mother."
	},
	treatment.Insurance: func(w saying) string {
		return "Before the big cut save " + w.counted("firm "+single[w.Organ], "firm "+w.organ()) + ", well away from " +
			"the trouble."
	},
	treatment.Unpot:     sayUnpot,
	treatment.WashOff:   sayWash,
	treatment.SlideLook: saySlideLook,
	treatment.Loosen:    sayLoosen,
	treatment.RemovePlug: fixedly("Take the nursery plug out: the net, sponge or tight core of moss in the middle " +
		"of the roots."),
	treatment.ClearMoss: fixedly("Lift the living moss off under water, with fingers and a soft brush, until the " +
		"skin of the roots shows."),
	treatment.Tally:     sayTally,
	treatment.TrimDead:  sayTrim,
	treatment.CutRot:    sayCutRot,
	treatment.PickCrown: fixedly("Pick the rotten heart out by hand: only what comes away brown. Cut nothing."),
	treatment.PartIt:    sayPart,
	treatment.DustCut: func(w saying) string {
		return "Dust the cut of the " + w.organ() + " with ground cinnamon or a labelled powder; no powder on roots."
	},
	treatment.DryCut:    sayDry,
	treatment.Callus:    sayCallus,
	treatment.Peroxide:  sayPeroxide,
	treatment.LabelDrug: sayLabelDrug,
	treatment.EaseLeaf: fixedly("Where a new leaf is stuck in its fold, lay damp paper on it on two mornings, then " +
		"roll it open from its base with moist fingers. A tear that comes is let be; where none is stuck, leave this out."),
	treatment.CrownDrain: sayDrain,
	treatment.CrownDry:   sayCrownDry,
	treatment.PotIn:      sayPotIn,
	treatment.PotUp:      sayPotUp,
	treatment.RootPrune: fixedly("Shave the ball by a quarter at most with a clean knife, and set it back into its " +
		"pot with " +
		"fresh mix round it."),
	treatment.TopDress: sayTopDress,
	treatment.RaiseBase: fixedly("Take medium away from the base until it is free, 2 cm at most. Buried deeper, it " +
		"is lifted whole."),
	treatment.WrapMoss: fixedly("Wrap damp moss, squeezed until no drop falls, round the roots and none at the " +
		"base, and set it into a " +
		"snug pot."),
	treatment.Hang: func(w saying) string {
		if w.ofPieces() {
			return "Hang the plantlet by itself, with thin wisps of dead moss round its roots."
		}
		return "Hang it with bare roots: thin wisps of dead moss tied round the live ones, no more."
	},
	treatment.Mount: func(w saying) string {
		if w.ofPieces() {
			if w.orchid {
				return "Tie the plantlet on a slab of its own, with a thin pad under its roots."
			}
			return "Tie the pup on a slab of its own."
		}
		if w.habitID == treatment.Monopodial {
			return "Tie it on its slab with a thin pad under the roots; the ties go round the stem, below its lowest leaf."
		}
		return "Tie it on its slab with a thin pad under the roots; the ties go over the rhizome."
	},
	treatment.SetCup: func(w saying) string {
		return fmt.Sprintf("Prop it in a clear cup with its base %g mm above the water.", w.Params.GapMM.Or(3))
	},
	treatment.SetDish: func(w saying) string {
		return fmt.Sprintf("Stand the pot in a dish of water %g cm deep and mark the level: it falls as the roots go down.",
			w.Params.LevelCM.Or(2))
	},
	treatment.SetReservoir: func(w saying) string {
		return fmt.Sprintf("Set it in rinsed clay pellets, tight round the roots, over a reservoir that will be %g cm deep.",
			w.Params.LevelCM.Or(2))
	},
	treatment.Stake:       sayStake,
	treatment.Label:       sayLabel,
	treatment.FirstWater:  sayFirstWater,
	treatment.Soak:        saySoak,
	treatment.BottomWater: sayBottom,
	treatment.CupFill: fixedly("Fill the cup to a quarter with low-mineral water, and keep the medium only " +
		"just moist."),
	treatment.WetRoots: fixedly("Wet the bare roots in the morning until they are green; twice on a day that is " +
		"hot or dry. They are " +
		"grey again by evening."),
	treatment.Mist:        fixedly("Mist it once or twice in the morning; it is dry again by noon."),
	treatment.ChangeWater: fixedly("Change the water at its old level and wipe the base dry."),
	treatment.Flush:       sayFlush,
	treatment.HoldWater:   sayHold,
	treatment.ByRule:      sayByRule,
	treatment.DrainSaucer: sayDrainSaucer,
	treatment.CoverIt:     sayCover,
	treatment.Wean: func(w saying) string {
		return fmt.Sprintf("Open the cover a little wider every two or three days, over %s. If it wilts, go one step back.",
			working.Measured(w.Params.Days.Or(14), "day"))
	},
	treatment.ShadeIt:   sayShade,
	treatment.Brighten:  sayBrighten,
	treatment.Temper:    sayTemper,
	treatment.Humidify:  sayHumidify,
	treatment.Air:       sayAir,
	treatment.Undraught: fixedly("Move it out of the draught: away from vent, heater and door."),
	treatment.FeedIt: func(w saying) string {
		strength := " at " + shareWords(w.Params.Share.Or(1)) + " of its usual strength" + extra(w.Params.What) + "."
		switch {
		case w.livesInAir():
			return "Feed it in its bath" + strength + " Shake it out, and let it dry upside down."
		case w.hangs():
			return "Wet its roots until they are green, and then feed them" + strength
		case w.Params.How == afterWater:
			return "Water it, and then feed it onto the moist medium" + strength
		}
		return "Feed it onto moist medium" + strength
	},
	treatment.Supplement: saySupplement,
	treatment.HoldFeed: func(w saying) string {
		if d, since := w.Until.Since(facts.SatRoots); since {
			return "Give no feed until " + working.Count(d, "day") + " after the work on its roots."
		}
		return "Give no feed until " + untilWords(w.ends()) + "."
	},
	treatment.WashDown: sayWashDown,
	treatment.Soap:     saySoap,
	treatment.Oil:      sayOil,
	treatment.RinseOff: sayRinse,
	treatment.Alcohol:  sayAlcohol,
	treatment.Scrape:   fixedly("Scrape the shields off with a nail or a soft brush, sheaths and joints too."),
	treatment.Earth:    fixedly("Dust the dry leaves thinly with diatomaceous earth, and wipe it off after four days."),
	treatment.Systemic: fixedly("Give a systemic product against insects into moist medium. Its label sets the " +
		"dose: type it in."),
	treatment.Predators: fixedly("Release predators as their supplier says, on leaves free of any product. From " +
		"then on nothing is " +
		"sprayed."),
	treatment.Nematodes: sayNematodes,
	treatment.Traps: func(w saying) string {
		return "Hang " + orWord(w.Params.Colour, "yellow") + " sticky cards at the height of the leaves, and count " +
			"them each week."
	},
	treatment.HotDip: func(w saying) string {
		return fmt.Sprintf("Lay it into water of %g °C for %s, held by a thermometer, then into cool shade.",
			w.Params.WaterC.Or(43.5), working.Measured(w.Params.Minutes.Or(15), "minute"))
	},
	treatment.HandPick: fixedly("When it is dark, pick them off by torchlight: pot holes, rims and undersides too."),
	treatment.Larvicide: fixedly("Give a biological larvicide with its next water, when that is due. Its label sets " +
		"the dose: type it in."),
	treatment.DryTop: sayDryTop,
	treatment.BagWaste: func(w saying) string {
		return "Bag " + orWord(w.Params.What, "what came off") + " where it lies, and knot the bag before you carry " +
			"it through the house."
	},
	treatment.ScaldPot: func(w saying) string {
		return "Scald " + orWord(w.Params.What, "the empty pot and tray") + " for ten minutes at 60 °C or more; " +
			"nothing grows in it meanwhile."
	},
	treatment.BakeGrit: fixedly("Rinse the clay until the water runs clear and soak it for a day; grit for the top " +
		"is boiled for ten " +
		"minutes."),
	treatment.TipCut: sayTipCut,
	treatment.NodeBox: func(w saying) string {
		if w.Params.N.Value == 1 {
			return "Cut one node with its leaf, and lay it on damp moss in a clear box with its lid on."
		}
		return "Cut " + w.counted("node", "nodes") + ", each with its leaf, and lay them on damp moss in a clear box " +
			"with its lid on."
	},
	treatment.LeafCut: func(w saying) string {
		return "Cut " + w.counted("sound leaf", "sound leaves") + " whole at the stalk."
	},
	treatment.Layer: sayLayer,
	treatment.Behead: func(w saying) string {
		return "Cut the top off " + orWord(w.Params.What, "above every stain") + ": the ring must be clean all round. " +
			"Clean the blade after " +
			"each cut."
	},
	treatment.BoxTally:  fixedly("Count the pieces: alive, with a shoot, rooted, rotted; rotted ones come out."),
	treatment.PotPieces: fixedly("Pot each piece that has roots of 2 to 3 cm; the others stay."),
	treatment.Harden: func(w saying) string {
		if w.piecesOpen {
			return fmt.Sprintf("Bring the pieces into the light of their place by steps, over %s: a little more every few days.",
				working.Measured(w.Params.Days.Or(12), "day"))
		}
		return fmt.Sprintf("Get the pieces used to the air of the room by steps, over %s: a little wider every few days.",
			working.Measured(w.Params.Days.Or(12), "day"))
	},
	treatment.Refill:     sayRefill,
	treatment.TrimBranch: sayTrimBranch,
	treatment.Turn:       fixedly("Turn it by a quarter; mark the side."),
	treatment.VirusTest:  fixedly("Test two leaves with a strip or through a laboratory, and write the result down."),
	treatment.KeepApart: fixedly("Keep it apart for good: its own blade, tray and water, washed by itself. Nothing " +
		"is cut from it for " +
		"others."),
	treatment.Discard: fixedly("Bag plant and medium where they stand, and clean shelf and tools after it."),
	treatment.Look:    sayLook,
	treatment.Routine: sayRoutine,
}

func orWord(said, usual string) string {
	if said == "" {
		return usual
	}
	return said
}

func extra(what string) string {
	if what == "" {
		return ""
	}
	return ", " + what
}

// ends is what ends a step, by its own gate or by that of its parameters.
func (w saying) ends() gate.Gate {
	if len(w.Until) > 0 {
		return w.Until
	}
	return w.Params.Until
}

func shareWords(v float64) string {
	switch v {
	case 0.25:
		return "a quarter"
	case 0.5:
		return "half"
	case 1:
		return "the whole"
	}
	return fmt.Sprintf("%.0f %%", 100*v)
}

var single = map[treatment.Organ]string{
	treatment.OnTip: "tip", treatment.OnLeaf: "leaf", treatment.OnSegment: "segment", treatment.OnNode: "node",
}
