package compose

import (
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/plant"
	"tendermend/core/working"
)

func sayAid(w saying) string {
	when := "Call a poison centre for people, a vet for an animal, now"
	pets, people := plant.Severity(w.kind.Toxicity("pets").Bad), plant.Severity(w.kind.Toxicity("people").Bad)
	if w.named && max(pets, people) < badPoison {
		when = "It is mildly poisonous: call a poison centre or a vet at the first sign, for a child at once"
	}
	name := "with the plant's name"
	if w.named {
		name = "and say its name, " + w.kind.Botanical
	}
	return "First whoever bit it: who, how much, how long ago? Wipe out the mouth, give nothing, and never force " +
		"vomiting. " +
		when + ", " + name + "; take its label along. Put the plant out of reach."
}

func sayBaseline(w saying) string {
	if w.binnedWhole {
		return "Take a picture of it and of what ails it: it is let go today."
	}
	counted := "count leaves and growths"
	if w.leafless {
		counted = "count its stems or heads and measure its height"
	}
	return "Take a picture from the side you will always use, " + counted + ", and weigh the " + w.potName() + "."
}

func listed(words []string) string {
	if len(words) < 2 {
		return strings.Join(words, "")
	}
	return strings.Join(words[:len(words)-1], ", ") + " and " + words[len(words)-1]
}

// beforeWork is when something that waited is looked at once more.
const beforeWork = "before the work"

func sayLook(w saying) string {
	p := w.Params
	said := "Look at it"
	switch {
	case w.Every > 0 && len(w.Until) > 0:
		said = "Look at it " + everyWords(w.Every) + lastsWords(w.Until)
	case w.Every > 0:
		said = "Look at it " + everyWords(w.Every)
	}
	switch {
	case p.What == keepOrDiscard:
		return "Decide: keep it or discard it? " + working.Capital(p.Note) + closing(p.Note)
	case strings.HasPrefix(p.Note, beforeWork):
		return said + " " + p.Note
	case p.Note == anyLeft && w.asksForPests() != "":
		return said + ", against the picture: marks as they were" + w.asksForPests() + "? " +
			"What is left is treated where it sits."
	case p.Note == anyWashed:
		return said + ", against the picture: " + w.asks() + "? What is left is washed off again."
	case p.Note == "":
		return said + ", against the picture: " + w.asks() + "?"
	case asksWhetherFirm(w.step):
		return said + ", against the picture: " + w.asks() + "? " + p.Note + "."
	case strings.HasSuffix(p.Note, "?"), strings.Contains(p.Note, "? "):
		return said + ": " + p.Note + closing(p.Note)
	}
	return said + ": " + p.Note + "."
}

// asks is what a look asks for where its step does not say: marks where something marks
// leaves, wool where it lives at the roots, and how firm it stands where its roots are in
// question; of what hung limp whether it stands again.
func (w saying) asks() string {
	below := len(w.causes) > 0
	for _, id := range w.causes {
		known, _ := cause.ByID(id)
		marks := id == cause.Edema || id == cause.ColdWaterMarks // of water, on the leaves
		below = below && (id == cause.RootMealybug || slices.Contains(deadRootsOf, known.Kind) && !marks)
	}
	firm := "as firm as it was"
	if w.limp {
		firm = "firm again"
	}
	asks := "marks as they were, new growth clean"
	switch {
	case below:
		asks = firm + ", nothing newly yellow"
	case w.limp || w.mostRootsDead():
		asks = firm + ", " + asks
	}
	if w.has(cause.RootMealybug) {
		asks += ", no white wool at the holes, the rim or its foot"
	}
	return asks + w.asksForPests()
}

// saySlideLook tells wool from sound roots where it lives there: both are white.
func saySlideLook(w saying) string {
	const slide = "Slide it out for a minute, look at the ball and the wall of the pot, and put it back: "
	if w.has(cause.RootNematode) {
		return slide + knots
	}
	if w.has(cause.RootMealybug, cause.Mealybug) {
		return slide + "white wool, or small pale insects, between the roots? Sound roots are firm and smooth."
	}
	return slide + "white and firm is well, brown and soft is not."
}

func closing(s string) string {
	if strings.HasSuffix(s, "?") || strings.HasSuffix(s, ".") {
		return ""
	}
	return "."
}

func sayRoutine(w saying) string {
	if w.Params.What != "" {
		return "Its " + w.Params.What + ", unchanged."
	}
	switch {
	case len(w.Until) > 0 && w.firstRoots():
		return "Leave it as it stands, without water, until " + untilWords(w.Until) + "."
	case len(w.Until) > 0:
		return "Go on as ever with water, light and feed, unchanged, until " + untilWords(w.Until) + "."
	}
	return "Go back to the ordinary care of its kind and season."
}
