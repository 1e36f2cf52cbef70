package treatment

import "slices"

// RuleID names a rule that no plan may break. Ids stand in stored plans.
type RuleID string

// The rules, by what they forbid.
const (
	NeverBladeUnclean          RuleID = "N01"
	NeverBladeAfterInfected    RuleID = "N02"
	NeverAlcoholForVirus       RuleID = "N03"
	NeverCutNothingRegrows     RuleID = "N04"
	NeverPartItLacks           RuleID = "N05"
	NeverCutPlantletOff        RuleID = "N06"
	NeverThirdOfLeaves         RuleID = "N07"
	NeverCutOldMarks           RuleID = "N08"
	NeverTidyThirsty           RuleID = "N09"
	NeverInsureAfterCut        RuleID = "N10"
	NeverPieceTravels          RuleID = "N11"
	NeverDivideBelowLeast      RuleID = "N12"
	NeverPieceOfPiece          RuleID = "N13"
	NeverPowderOnRoots         RuleID = "N14"
	NeverTrimFirm              RuleID = "N15"
	NeverRootsBare             RuleID = "N16"
	NeverUnpotUnready          RuleID = "N17"
	NeverWaterInSitting        RuleID = "N18"
	NeverSittingSpread         RuleID = "N19"
	NeverUnpotHeld             RuleID = "N20"
	NeverUnpotUnasked          RuleID = "N21"
	NeverRootsTwice            RuleID = "N22"
	NeverRootsThirsty          RuleID = "N23"
	NeverTangleBrittle         RuleID = "N24"
	NeverSetUntrimmed          RuleID = "N25"
	NeverSoilForEpiphyte       RuleID = "N26"
	NeverMixUnknown            RuleID = "N27"
	NeverSucculentWet          RuleID = "N28"
	NeverPotTooWide            RuleID = "N29"
	NeverPotNoWider            RuleID = "N30"
	NeverPotUpTooFar           RuleID = "N31"
	NeverPotWithoutHoles       RuleID = "N32"
	NeverOldCore               RuleID = "N33"
	NeverBuriedPoint           RuleID = "N34"
	NeverScaldOccupied         RuleID = "N35"
	NeverMossAgainstBase       RuleID = "N36"
	NeverPotlessInPot          RuleID = "N37"
	NeverSittingUnlaid         RuleID = "N38"
	NeverWetOpenCut            RuleID = "N39"
	NeverWaterBeforeDry        RuleID = "N40"
	NeverNoFirstWater          RuleID = "N41"
	NeverSoakRotting           RuleID = "N42"
	NeverRootlessWater         RuleID = "N43"
	NeverWrongWater            RuleID = "N44"
	NeverBaseInWater           RuleID = "N45"
	NeverWetOvernight          RuleID = "N46"
	NeverLeavesWetByNight      RuleID = "N47"
	NeverMistDisease           RuleID = "N48"
	NeverStandingWater         RuleID = "N49"
	NeverHoldOpenEnded         RuleID = "N50"
	NeverOpposites             RuleID = "N51"
	NeverPreWaterRot           RuleID = "N52"
	NeverClosedCover           RuleID = "N53"
	NeverCoveredInSun          RuleID = "N54"
	NeverCoverOffAtOnce        RuleID = "N55"
	NeverLightTooFast          RuleID = "N56"
	NeverLightOnWeak           RuleID = "N57"
	NeverWarmTooFast           RuleID = "N58"
	NeverHumidDisease          RuleID = "N59"
	NeverFeedWeak              RuleID = "N60"
	NeverFeedDry               RuleID = "N61"
	NeverFeedWrongWay          RuleID = "N62"
	NeverProductOnWeak         RuleID = "N63"
	NeverSoapTooStrong         RuleID = "N64"
	NeverUnrinsedFilm          RuleID = "N65"
	NeverSoapOvernight         RuleID = "N66"
	NeverProductTouchesNothing RuleID = "N67"
	NeverLabelDoseInvented     RuleID = "N68"
	NeverCopperHarm            RuleID = "N69"
	NeverSystemicHarm          RuleID = "N70"
	NeverPredatorsPoisoned     RuleID = "N71"
	NeverProgrammeShort        RuleID = "N72"
	NeverSoilStageLeft         RuleID = "N73"
	NeverSulphurAfterOil       RuleID = "N74"
	NeverHazardousMix          RuleID = "N75"
	NeverDipTooHot             RuleID = "N76"
	NeverWipeBloom             RuleID = "N77"
	NeverSpreadsUnisolated     RuleID = "N78"
	NeverReleaseEarly          RuleID = "N79"
	NeverSuspectShares         RuleID = "N80"
	NeverWasteOpen             RuleID = "N81"
	NeverInfestedPieceFree     RuleID = "N82"
	NeverRotPutOff             RuleID = "N83"
	NeverUnasked               RuleID = "N84"
	NeverEndless               RuleID = "N85"
	NeverGateSeenBefore        RuleID = "N86"
	NeverChoiceSilent          RuleID = "N87"
	NeverCountedAsLoss         RuleID = "N88"
	NeverDiscardCurable        RuleID = "N89"
	NeverCautionLeftOut        RuleID = "N90"
	NeverAidLater              RuleID = "N91"
	NeverPoisonUntold          RuleID = "N92"
	NeverTopDrowned            RuleID = "N93"
	NeverPieceHomeless         RuleID = "N94"
	NeverOnlyPointTaken        RuleID = "N95"
	NeverMoreThanThere         RuleID = "N96"
	NeverSucculentPieceWet     RuleID = "N97"
	NeverWayNotItsOwn          RuleID = "N98"
	NeverWashDivision          RuleID = "N99"
	NeverCutGraft              RuleID = "N100"
	NeverHeldUncared           RuleID = "N101"
	NeverHeldInVain            RuleID = "N102"
	NeverBareUnwetted          RuleID = "N103"
	NeverCoverTooMuch          RuleID = "N104"
	NeverRestUntold            RuleID = "N105"
	NeverProductTooSoon        RuleID = "N106"
	NeverFlowersInfested       RuleID = "N107"
	NeverFlowersForWish        RuleID = "N108"
	NeverWordsOfAnother        RuleID = "N109"
	NeverWishSilent            RuleID = "N110"
	NeverWidthGuessed          RuleID = "N111"
	NeverBulbSetWet            RuleID = "N112"
	NeverPartBedless           RuleID = "N113"
	NeverTroubleAgain          RuleID = "N114"
	NeverSeatChanged           RuleID = "N115"
	NeverFlushFresh            RuleID = "N116"
	NeverPotInGlass            RuleID = "N117"
	NeverTieLeft               RuleID = "N118"
	NeverLaidOutWrong          RuleID = "N119"
	NeverDiscardRefused        RuleID = "N120"
	NeverFirstWaterWrong       RuleID = "N121"
	NeverStakeHabit            RuleID = "N122"
	NeverWetTheWet             RuleID = "N123"
	NeverTwiceInSitting        RuleID = "N124"
	NeverTwoReleases           RuleID = "N125"
	NeverWithoutEnd            RuleID = "N126"
	NeverCoreLeft              RuleID = "N127"
	NeverDrownAgain            RuleID = "N128"
	NeverRestMade              RuleID = "N129"
	NeverBurnTwice             RuleID = "N130"
	NeverNoWash                RuleID = "N131"
	NeverFalseReason           RuleID = "N132"
	NeverCauseUntouched        RuleID = "N133"
)

// Rule is something that is never done, with the reason.
type Rule struct {
	ID    RuleID `json:"id"`
	Never string `json:"never"`
	Why   string `json:"why"`
}

// rules are what no plan may do (common practice, from memory; those of safety
// follow labels and leaflets on household chemicals).
var rules = []Rule{
	// blade and cuts
	{NeverBladeUnclean, "cut with a blade that was not cleaned since it was used elsewhere",
		"it carries rot, pests and virus"},
	{NeverBladeAfterInfected, "cut again after an infected cut without cleaning the blade",
		"the next cut is infected"},
	{NeverAlcoholForVirus, "count a blade as clean by alcohol beside virus or wilt", "alcohol does not end them"},
	{
		NeverCutNothingRegrows,
		"cut a stem, crown or rhizome that cannot grow again from below the cut",
		"there is no second growing point",
	},
	{NeverPartItLacks, "work on a part that the plant has not", "it cannot be done"},
	{
		NeverCutPlantletOff,
		"cut a spike below a plantlet that stays, or the old flower stalk of a wax vine",
		"it cuts the plantlet, or next year's bloom, off",
	},
	{NeverThirdOfLeaves, "take more than a third of the live leaves in a month", "it starves"},
	{NeverCutOldMarks, "cut living tissue for marks that do not spread", "it still feeds the plant"},
	{NeverTidyThirsty, "tidy a thirsty plant, or one soaked less than four days ago", "what looks lost comes back"},
	{NeverInsureAfterCut, "save a piece after the cut that it insures against", "first means first"},
	{NeverPieceTravels, "take pieces while what travels with them is open", "the piece carries it on"},
	{NeverDivideBelowLeast, "divide below what mother or piece can live on", "two losers for one"},
	{NeverPieceOfPiece, "save a piece of a piece", "a piece is the insurance"},
	{NeverPowderOnRoots, "put powder on a root cut, or on the leaf base of a single-stem orchid",
		"it dries the root dead"},
	{
		NeverTrimFirm,
		"trim firm roots, doubtful ones that were to stay, or roots that were not counted",
		"a dry skin is not a dead core",
	},
	// root sitting
	{NeverRootsBare, "leave a plant out of its pot overnight, or fine roots bare for hours", "it dries out"},
	{NeverUnpotUnready, "unpot before its new place is ready", "there is no way back in"},
	{NeverWaterInSitting, "water between unpotting and setting", "the order is wrong"},
	{NeverSittingSpread, "spread one root sitting over several days", "it is one disturbance"},
	{NeverUnpotHeld, "unpot while something holds it back", "no root is replaced now"},
	{NeverUnpotUnasked, "unpot without a cause or a wish that asks for it", "a disturbance for nothing"},
	{NeverRootsTwice, "work on the roots twice within four weeks", "it breaks the new tips"},
	{NeverRootsThirsty, "work on the roots of a thirsty plant before it has drunk", "limp roots snap"},
	{
		NeverTangleBrittle,
		"wash, loosen or prune the roots of a palm or cycad, or loosen sound roots that are tied or brittle",
		"they are not made again",
	},
	{NeverSetUntrimmed, "set it before what is dead is trimmed", "it would be taken out again"},
	// medium and pot
	{NeverSoilForEpiphyte, "give soil or half peat to a plant that grows on trees", "it smothers the roots"},
	{NeverMixUnknown, "pot into a mix that is neither the kind's nor the school's", "one mix for all kills some"},
	{NeverSucculentWet, "give a succulent less than half mineral parts", "it stays wet"},
	{
		NeverPotTooWide,
		"rescue into a pot more than 3 cm wider than the live ball, or wider than the old one",
		"idle mix stays wet",
	},
	{NeverPotNoWider, "move a pot-bound plant into a pot that is no wider", "nothing is gained"},
	{NeverPotUpTooFar, "pot up by more than 5 cm, 7 cm for the largest", "idle mix stays wet"},
	{NeverPotWithoutHoles, "use a pot without holes", "it drowns"},
	{NeverOldCore, "leave the old core in the roots of an orchid in rotten medium", "the middle goes on rotting"},
	{NeverBuriedPoint, "bury rhizome, bulb, crown or neck", "it rots"},
	{NeverScaldOccupied, "scald a pot with the plant in it, or use bad medium again", "cooked, or infested again"},
	{
		NeverMossAgainstBase,
		"wrap moss against the base, or leave living moss on the roots it smothers",
		"it rots, or goes on smothering",
	},
	{NeverPotlessInPot, "do in a pot what needs a pot, to a plant that has none", "it cannot be done"},
	{NeverSittingUnlaid, "date a root sitting without pot, amount and label", "it cannot be carried out"},
	// water
	{NeverWetOpenCut, "water over an open cut that gets wet", "it draws rot in"},
	{NeverWaterBeforeDry, "water before the dry days are over", "the cuts have not healed"},
	{NeverNoFirstWater, "leave a root sitting without its first water", "it is forgotten, and dries"},
	{NeverSoakRotting, "soak or flush with live rot, without a drain, at rest or when wet", "it drowns"},
	{NeverRootlessWater, "water a kind that roots first before its roots are long enough", "the new growth rots"},
	{NeverWrongWater, "flush or fill with the water that is the cause", "it adds to it"},
	{NeverBaseInWater, "stand the base in water", "the stem rots"},
	{NeverWetOvernight, "leave wet overnight what must stay dry", "the crown rots"},
	{NeverLeavesWetByNight, "leave leaves wet by evening that must be dry by night", "it spreads spots"},
	{NeverMistDisease, "mist or shower with a leaf disease open", "it travels in drops"},
	{NeverStandingWater, "leave water standing in saucer or outer pot", "roots get no air"},
	{NeverHoldOpenEnded, "hold water without saying until when", "a drought follows"},
	{NeverOpposites, "do two opposite things on one day", "it makes no sense"},
	{NeverPreWaterRot, "water before root work what has live rot, is a dry kind or sleeps",
		"it wets what must be dry"},
	// air and light
	{NeverClosedCover, "close a cover over a dry kind, or over disease, oedema or broad mites",
		"it cooks, or spreads"},
	{NeverCoveredInSun, "cover a plant in the sun", "it cooks"},
	{NeverCoverOffAtOnce, "take a cover off in one step", "leaves crisp"},
	{NeverLightTooFast, "raise light by more than a quarter in three days", "it burns"},
	{NeverLightOnWeak, "raise light on thirst, a fresh burn or fresh root loss", "no roots cool the leaves"},
	{NeverWarmTooFast, "warm up fast, water or feed in the first two days after cold", "cells that lived burst"},
	{NeverHumidDisease, "raise humidity with a leaf disease or broad mites open, or on a dry kind",
		"it helps the trouble"},
	// feed
	{NeverFeedWeak, "feed few roots, open cuts, fresh root work, thirst, rest, salt or a newcomer", "it burns"},
	{NeverFeedDry, "feed onto dry medium", "it burns"},
	{NeverFeedWrongWay, "feed the roots of a carnivore, a full dose into a tank, or beside rot, wilt or burn",
		"it harms"},
	// products
	{NeverProductOnWeak, "put a product on a thirsty, hot, sunlit or burnt plant, or one that its leaves do not bear",
		"it burns"},
	{NeverSoapTooStrong, "use soap over 2 % on leaves, or over 0.05 % on roots", "it strips living membranes"},
	{NeverUnrinsedFilm, "leave soap or oil on without its rinse", "the film burns"},
	{NeverSoapOvernight, "leave soap on overnight where something must stay dry", "a wet night"},
	{NeverProductTouchesNothing, "use a product against what it does not touch", "poison for nothing"},
	{NeverLabelDoseInvented, "give an amount of a label product that nobody typed in", "the label is the law"},
	{NeverCopperHarm, "use copper on kinds it kills, or with peroxide or acid", "it kills leaves"},
	{NeverSystemicHarm, "use a systemic near pollinators or food, before potting or into dry medium",
		"law, and waste"},
	{NeverPredatorsPoisoned, "use a product while predators work, or release them onto a residue", "it kills them"},
	{NeverProgrammeShort, "end a pest programme before the hidden stages have come out", "they return"},
	{NeverSoilStageLeft, "treat thrips or gnats without their stage in the soil", "the pupae survive"},
	{NeverSulphurAfterOil, "use sulphur within a month of oil, or wash earth off at once", "it burns, or is wasted"},
	{NeverHazardousMix, "use peroxide over 3 %, mix bleach, or bring alcohol near a flame", "it injures people"},
	{NeverDipTooHot, "dip hotter than 44 °C, longer than 20 minutes, or what does not bear it", "it cooks"},
	{NeverWipeBloom, "dab, brush or wipe a powdery bloom", "the leaf stays bare"},
	// spread and end
	{NeverSpreadsUnisolated, "treat what spreads without isolating it and looking at its neighbours", "it spreads"},
	{NeverReleaseEarly, "release it before its conditions are met", "it leaks out"},
	{NeverSuspectShares, "share tools, tray or shower of a kept suspect", "it spreads"},
	{NeverWasteOpen, "carry infested or rotten waste open", "it spreads"},
	{NeverInfestedPieceFree, "let a piece of an infested plant stand free", "it spreads"},
	{NeverRotPutOff, "put off the cut of living rot", "it dies meanwhile"},
	{NeverUnasked, "do what nothing accepted asks for", "noise"},
	{NeverEndless, "repeat something without an end", "endless work"},
	{NeverGateSeenBefore, "open a gate by something seen before its stage began", "it opens on day 0"},
	{NeverChoiceSilent, "change a chosen side or school without saying why", "trust"},
	{NeverCountedAsLoss, "count as a loss what lives on in its parts", "it counts wrong"},
	{NeverDiscardCurable, "throw away what is harmless or can be cured", "waste"},
	{NeverCautionLeftOut, "leave out a caution whose danger is in the step", "safety"},
	// people, pieces, what waits, pots and courses
	{NeverAidLater, "tidy a bitten plant before whoever bit it is helped", "people and pets come before pictures"},
	{NeverPoisonUntold, "leave out, in a house with pets or children, that a plant is poisonous",
		"what nobody cuts is eaten all the same"},
	{NeverTopDrowned, "give a top without roots a wide pot, much water or feed", "it has no roots"},
	{NeverPieceHomeless, "take a piece without a home, a label and a look, or the only growing point as insurance",
		"a piece without a bed dies"},
	{NeverOnlyPointTaken, "cut the tip of what has a single growing point", "nothing grows again"},
	{NeverMoreThanThere, "take more tips or nodes than there are", "what lived is chopped up"},
	{NeverSucculentPieceWet, "set a succulent piece without a skin on its cut, or under a closed cover",
		"it rots before it roots"},
	{NeverWayNotItsOwn, "multiply a kind in a way that is not its own, or asleep", "it does not root"},
	{NeverWashDivision, "wash or shave fine roots when they are divided", "they are not made again"},
	{NeverCutGraft, "root the top of a grafted kind", "it lives by its stock"},
	{NeverHeldUncared, "hold work back without water, light and looks until then", "held means cared for"},
	{NeverHeldInVain, "hold back what cannot wait, or held work without what follows it",
		"it waits for what does not come"},
	{NeverBareUnwetted, "leave thirsty bare roots unwetted, or an air plant wet after its soak", "they dry in hours"},
	{NeverCoverTooMuch, "cover what heat or size forbid", "it cooks"},
	{NeverRestUntold, "plan a rest without its water, warmth and feed", "rest is a treatment"},
	{NeverProductTooSoon, "use a product again before its days are over, or oil too often", "films burn"},
	{NeverFlowersInfested, "leave open flowers on in which the trouble sits", "it comes back from there"},
	{NeverFlowersForWish, "cut flowers for a wish", "they are the carer's"},
	{NeverWordsOfAnother, "say a step in the words of another way of doing it", "the word kills the rule"},
	{NeverWishSilent, "let a wish end in nothing without a reason", "trust"},
	{NeverWidthGuessed, "give one pot width for a ball that nobody measured", "wet mix again"},
	{NeverBulbSetWet, "set a cut bulb or tuber within a week, or water it through", "its base rots"},
	{NeverPartBedless, "divide into more parts than there are pots, labels and water for", "parts need beds"},
	{NeverTroubleAgain, "set into moss what moss smothered, or without a root over a reservoir", "the trouble again"},
	{NeverSeatChanged, "set into a pot a kind that does not live in one", "its spikes grow down"},
	{NeverFlushFresh, "flush a mix that is fresh", "roots have just been hurt"},
	{NeverPotInGlass, "pot or flush a plant that lives in water", "it grows in water"},
	{NeverTieLeft, "lift, stake or cover a girdled plant before its tie is cut", "it is strangled first"},
	{NeverLaidOutWrong, "lay out what is not used, or water deeper than a quarter of its pot",
		"nobody knows what for, or its roots drown"},
	{NeverDiscardRefused, "keep what the carer chose to discard", "the carer decides"},
	{NeverFirstWaterWrong, "give a first water that dries on the rim", "it reaches no root"},
	{NeverStakeHabit, "stake a habit that holds itself", "the stake wounds it"},
	{NeverWetTheWet, "give a product with water while water is held", "it wets what must dry"},
	{NeverTwiceInSitting, "do the same to the same part twice in one sitting", "two recipes were glued together"},
	{NeverTwoReleases, "release it on two dates", "one of them is false"},
	{NeverWithoutEnd, "leave a wilt or a virus without a decision", "it has no end"},
	{NeverCoreLeft, "repot out of a bad medium and leave it in the roots", "the middle goes on rotting"},
	{NeverDrownAgain, "water an over-wet plant on its first day", "it is drowned already"},
	{NeverRestMade, "dry, starve or cool a plant as if it slept while it is awake", "a rest is seen, not made"},
	{NeverBurnTwice, "raise light within two weeks of a burn, or give sun to kinds that take none", "it burns again"},
	{NeverNoWash, "begin against mites, aphids, thrips or whitefly without a wash today", "the cheapest comes first"},
	{NeverFalseReason, "leave a systemic product out because of a repotting", "it is not true"},
	{NeverCauseUntouched, "do nothing for what was accepted, or leave half done what was begun", "it goes on"},
}

// Rules lists all rules.
func Rules() []Rule { return slices.Clone(rules) }

// RuleByID finds a rule; false when there is none of that id.
func RuleByID(id RuleID) (Rule, bool) {
	i := slices.IndexFunc(rules, func(r Rule) bool { return r.ID == id })
	if i < 0 {
		return Rule{}, false
	}
	return rules[i], true
}
