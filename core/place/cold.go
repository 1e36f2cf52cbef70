package place

// When a cold night alarms (rules of the trade by guess): chance and how far ahead.
const (
	coldChance = 0.20
	coldNights = 3
)

// Cold says which night of a forecast, from tonight on, alarms for a plant that a night of
// the limit hurts: the first of the coming three with a chance of at least one in five to get
// colder there. It gives how cold the place likely gets and that chance.
func (p Details) Cold(limit float64, outdoors []float64, own []Night) (night int, likely, chance float64, alarms bool) {
	for i, out := range outdoors[:min(len(outdoors), coldNights)] {
		if chance = p.ColderThan(limit, out, i, own); chance >= coldChance {
			return i, p.NightAt(out, own), chance, true
		}
	}
	return 0, 0, 0, false
}
