package compose

import (
	"fmt"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

func sayDrain(w saying) string {
	if w.habitID == treatment.Bromeliad {
		return "Tip it, empty its cup, and take up the rest with paper."
	}
	return "Tip it, empty its crown, and take up the rest with paper."
}

func sayDrainSaucer(w saying) string {
	switch {
	case w.overReservoir() && !w.has(cause.NoDrainage):
		return reservoirDrained
	case w.Params.How != tipped && w.sealed() && !w.rootsWorked():
		return "Empty the outer pot: its own has no hole."
	case w.Params.How != tipped:
		return "Empty saucer and outer pot, and see that the holes are open."
	case w.noHole():
		return "Empty the outer pot. Its own has no open hole: hold the plant, and tip the pot until no more water runs out."
	}
	return "Empty the outer pot, and open the holes of its own from below with a stick. Has it none, hold the plant, " +
		"tip the pot until no more water runs out, note that it has none, and plan again: it wants a pot with holes."
}

func sayCrownDry(w saying) string {
	switch {
	case w.Params.How == "upside down", w.habitID == treatment.AirPlant:
		return "Shake it and dry it upside down in moving air, within four hours."
	case w.nature.KeepsDry(treatment.Joints) && !w.nature.KeepsDry(treatment.Crown):
		return "Dry joints and sheaths with moving air within the hour, before evening."
	}
	if !w.nature.KeepsDry(treatment.Crown) && !w.is(treatment.Monopodial, treatment.Bromeliad) {
		return "Let leaves and joints dry in moving air within the hour, before evening."
	}
	return "Dry the crown with moving air within the hour, before evening."
}

func sayCover(w saying) string {
	whom := "it"
	if w.Params.For == treatment.ForPieces {
		whom = "the pieces"
	}
	if w.Params.Cover == plant.CoverClosed {
		return "Put a clear bag or box over " + whom + " so that it touches no leaf, out of the sun, and air it for ten " +
			"minutes every day, until " + untilWords(w.Until) + "."
	}
	return "Put a clear cover over " + whom + " with holes, or with its top open, out of the sun, until " +
		untilWords(w.Until) + "."
}

func sayShade(w saying) string {
	said := "Keep it in bright shade, about " + shareWords(w.Params.Share.Or(0.4)) + " of its best light, without " +
		"direct sun"
	if w.ofPieces() {
		said = strings.Replace(said, "Keep it", "Keep the pieces", 1)
	}
	return said + extra(w.Params.What) + "."
}

func sayBrighten(w saying) string {
	if w.Params.What == "sun" {
		return "Let the sun reach it before ten in the morning for half an hour, and half an hour longer every three days, " +
			"until eleven; at a new mark go one step back."
	}
	return "Give it a quarter more light " + everyWords(max(w.Every, 3)) + ", until it stands in its best light; " +
		"at a new mark go " +
		"one step back."
}

// How warmth changes, where it is no rest: not below, or not above.
const (
	warmerNow = "warmer"
	coolerNow = "cooler"
)

func sayTemper(w saying) string {
	to := w.Params.ToC.Value
	switch {
	case w.has(cause.HeatStress):
		return w.cooled()
	case !w.Params.ToC.Known:
		return "Bring its warmth right by steps of half a day."
	case w.Params.How == coolerNow:
		said := fmt.Sprintf("Find it a cooler spot, at %g °C or below, by steps of half a day: off the sill, lower down, "+
			"in shade.", to)
		if strings.Contains(w.held, "temp") {
			said += " It is too warm there to open its pot."
		}
		return said
	case w.Params.How == warmerNow && w.Facts.Place.WarmthC.Known && w.named && w.airC > w.kind.Temperature[2]:
		return fmt.Sprintf("It is too warm where it stands: bring it to %g °C or below by steps of half a day, and see "+
			"that its nights stay above %g °C.", w.kind.Temperature[2], to)
	case w.Params.How == warmerNow && w.Facts.Place.WarmthC.Known && w.airC >= to:
		return fmt.Sprintf("It is warm enough where it stands: see that its nights stay above %g °C too.", to)
	case w.Params.How == warmerNow:
		return fmt.Sprintf("Keep it at %g °C or more, at night too, and get there by steps of half a day.", to)
	}
	return fmt.Sprintf("Keep it at about %g °C, and get there by steps of half a day.", to)
}

// cooled says how what was too hot is cooled, by where it stands now.
func (w saying) cooled() string {
	said := "Cool it: shade, moving air, the " + w.potName() + " out of the sun"
	if most := w.kind.Temperature[2]; w.named && w.Facts.Place.WarmthC.Known {
		if w.airC <= most {
			return fmt.Sprintf("It is cool enough where it stands now, at %g °C: keep it so, the %s out of the sun.", w.airC,
				w.potName())
		}
		said += fmt.Sprintf(", until it stands at %g °C or below", most)
	}
	if !w.Facts.Moist.Known {
		said += "; water only if it is dry"
	}
	return said + "."
}

// sayHumidify says how the air is made moister; where it was read to be as moist as the kind likes
// it, that it is to stay so.
func sayHumidify(w saying) string {
	if read := w.Facts.Place.HumidityPct; w.named && read.Known && read.Value >= w.kind.Humidity[1] {
		see := ": see"
		if w.has(cause.DryAir) {
			see = ": dry air is hardly what ails it. See"
		}
		return fmt.Sprintf("Its air is moist enough, at %g %%%s that it stays above %g %% when the heating is on; wetting "+
			"its leaves does not do that.", read.Value, see, w.kind.Humidity[0])
	}
	return "Make the air moister with a humidifier, or stand it in a group of healthy plants; wetting its leaves does " +
		"not do it."
}

func sayAir(w saying) string {
	if w.has(cause.Ethylene) {
		return "Take fruit, smoke and fresh paint away, and air the room."
	}
	return "Give it moving air: space between the plants, a gentle fan, dry by evening."
}

func saySupplement(w saying) string {
	if strings.Contains(w.Params.What, "tonic") {
		return "Give a weak seaweed tonic; it is no food."
	}
	dose := ", by its label"
	if g := w.Params.GPerL; g.Known {
		dose = fmt.Sprintf(", %g g in a litre", g.Value)
	}
	give := " " + orWord(w.Params.What, "what it lacks") + dose
	switch {
	case w.livesInAir():
		return "Give" + give + ", in its bath. Shake it out, and let it dry upside down."
	case w.hangs():
		return "Wet its roots until they are green, and then pour over them" + give + "."
	case w.Params.How == afterWater:
		return "Water it, and then give" + give + ", onto the moist medium."
	}
	return "Give" + give + ", onto moist medium."
}
