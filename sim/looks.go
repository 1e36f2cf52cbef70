package sim

// Ailing says how ill it looks, 0-1: by rot, by how few of its roots live, and by
// thirst. A plant with half its roots looks well.
func (p *Plant) Ailing() float64 {
	const enough, thirsty = 0.5, 0.25
	roots := (enough - p.RootShare()) / enough
	thirst := (thirsty - p.Water) / thirsty
	return min(1, max(0, p.Decay, roots, thirst))
}
