package compose

import "tendermend/core/treatment"

// waste names what the steps of a sitting leave to be bagged.
func waste(before []step) string {
	medium := has(before, treatment.WashOff, treatment.Loosen, treatment.TopDress, treatment.RemovePlug)
	moss := has(before, treatment.ClearMoss)
	cut := has(before, cutOps...) || has(before, treatment.StripSpikes, treatment.PullDead)
	pests := has(before, treatment.Scrape, treatment.HandPick)
	var list []string
	for _, one := range []struct {
		is   bool
		said string
	}{
		{medium, "the old medium"}, {moss, "the moss"}, {cut, "what was cut or taken off"},
		{pests && !cut, "what was picked and scraped off"},
	} {
		if one.is {
			list = append(list, one.said)
		}
	}
	return listed(list)
}
