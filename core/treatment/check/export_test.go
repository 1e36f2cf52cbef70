package check

import t "tendermend/core/treatment"

// Cautions lists the letters of the cautions that a plan needs, for a plan that
// was written by hand.
func Cautions(s t.Situation, p t.Plan) []string {
	c, ok := read(s, &p)
	if !ok {
		return nil
	}
	list := needs(carryOut(c), c)
	letters := []string{}
	for _, w := range t.Cautions() {
		if list[w.ID] != nil {
			letters = append(letters, w.ID)
		}
	}
	return letters
}
