package diagnosis

// Expect gives the expected value of a product over the causes that are
// present, Σ P(S)·Π factor(c) over every set S of causes: with the share that
// survives each cause it is the chance that the plant lives. Factors run from
// 0 to 1 and are taken as independent of each other.
func (c *Case) Expect(factor func(causeID string) float64) float64 {
	j := c.joint
	f := make([]float64, len(j.causes))
	for rank, cause := range j.causes {
		f[rank] = factor(causes[cause].ID)
	}
	total := j.weight[0][0]
	for a := range f {
		total += j.weight[1][a] * f[a]
		for b := range a {
			ab := f[a] * f[b]
			total += j.weight[2][choose2(a)+b] * ab
			for cc := range b {
				abc := ab * f[cc]
				total += j.weight[3][choose3(a)+choose2(b)+cc] * abc
				var four float64
				for d, w := range j.weight[4][choose4(a)+choose3(b)+choose2(cc):][:cc] {
					four += w * f[d]
				}
				total += four * abc
			}
		}
	}
	return total
}
