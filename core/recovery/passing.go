package recovery

// InPassing lists what is asked of any plant in passing: what may be a setback
// and needs no stage.
func InPassing() []Measure {
	list := []Measure{}
	for _, m := range Measures() {
		if m.Alarm && m.Unstaged {
			list = append(list, m)
		}
	}
	return list
}
