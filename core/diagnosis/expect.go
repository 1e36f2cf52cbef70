package diagnosis

// Expect gives the expected value of a product over the causes that are
// present, Σ P(S)·Π factor(c) over every set S of causes: with the share that
// survives each cause it is the chance that the plant lives. Factors run from
// 0 to 1 and are taken as independent of each other.
func (c *Case) Expect(factor func(causeID string) float64) (total float64) {
	for _, s := range c.sets {
		product := s.share
		for _, cause := range s.causes {
			product *= factor(c.k.causes[cause].ID)
		}
		total += product
	}
	return total
}
