package compose

import (
	"fmt"

	"tendermend/core/cause"
	"tendermend/core/treatment"
)

// release sets predators on the pest: one wash, a week, then no product.
func (c *composer) release(k clock) {
	c.spraySit(0, c.washing(false))
	const first, again = 7, 21
	c.draft.at(first, rankSpray, do(treatment.Predators))
	c.draft.at(
		first+again,
		rankSpray,
		do(treatment.Predators, with(func(p *treatment.Params) { p.Cond = "prey lives" })),
	)
	c.draft.at(
		first+7,
		rankLook,
		do(treatment.Look, every(7, fmt.Sprintf("d%d", max(first+35, first+again+k.clear)))),
	)
	if !c.heeds("N71") {
		c.draft.at(first+4, rankSpray, c.sprayOnce(c.pests, treatment.LabelDrug, "insect", false)...)
	}
}

// dabbing kills single insects every third day.
func (c *composer) dabbing(list []cause.ID, start int, k clock) {
	c.spraySit(0, c.washing(shielded(list)))
	c.draft.sit(
		treatment.SpraySit,
		start,
		rankSpray+1,
		do(treatment.Alcohol, with(func(p *treatment.Params) { p.Conc, p.Where = num(0.7), "a leaf tried first" })),
	)
	const each = 3
	n := (max(k.treated, 28) + each - 1) / each
	if !c.heeds("N72") {
		n = 2
	}
	last := start + n*each
	end := fmt.Sprintf("d%d", last)
	if !c.heeds("N85") {
		end = ""
	}
	c.draft.sit(
		treatment.SpraySit,
		start+each,
		rankSpray+1,
		do(
			treatment.Alcohol,
			every(each, end),
			with(func(p *treatment.Params) { p.Conc, p.Where = num(0.7), "every joint and rim" }),
		),
	)
	from := last + 3
	step1 := 10
	n = (max(last+k.clear, from+2*step1) - from + step1 - 1) / step1
	c.draft.at(
		from,
		rankLook,
		do(treatment.Look, every(step1, fmt.Sprintf("d%d", from+n*step1)), note("spot treatment where one is found")),
	)
}

// dipping is the warm bath against mites that hide in tips.
func (c *composer) dipping(k clock) {
	warm := 43.5
	if own := c.Choices.DipC; own.Known {
		warm = own.Value
		if c.heeds("N76") && (warm < 43 || warm > 44) {
			c.leave("hot-dip", "only 43 to 44 °C kills the mites and spares the plant")
			warm = 43.5
		}
	}
	for _, day := range []int{0, k.interval, 2 * k.interval} {
		steps := []step{
			do(treatment.HotDip, with(func(p *treatment.Params) { p.WaterC, p.Minutes = num(warm), num(15) })),
		}
		c.spraySit(day, append(steps, c.dried()...))
	}
	c.lookAfter([]cause.ID{cause.BroadMite}, 2*k.interval, k)
}
