package compose

import "tendermend/core/treatment"

// waste names what the steps of a sitting leave to be bagged.
func (c *composer) waste(before []step) string {
	// The sound top of a single shoot goes on alone, and what rots would stay behind in its pot.
	single := c.Facts.Growths.Or(1) <= 1
	base := single && c.rotLives && has(before, treatment.Behead) && !has(before, treatment.Unpot)
	medium := !base && has(before, treatment.WashOff, treatment.Loosen, treatment.TopDress, treatment.RemovePlug)
	moss := has(before, treatment.ClearMoss)
	cut := has(before, cutOps...) || has(before, treatment.StripSpikes, treatment.PullDead)
	pests := has(before, treatment.Scrape, treatment.HandPick)
	var list []string
	for _, one := range []struct {
		is   bool
		said string
	}{
		{base, "the old base with its medium"}, {medium, "the old medium"},
		{moss, "the moss"}, {cut, "what was cut or taken off"},
		{pests && !cut, "what was picked and scraped off"},
	} {
		if one.is {
			list = append(list, one.said)
		}
	}
	return listed(list)
}
