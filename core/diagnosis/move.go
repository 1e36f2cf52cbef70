package diagnosis

// Move is something that can be done while the trouble is not certain.
type Move struct {
	ID         string         `json:"id"`
	Label      string         `json:"label"`
	How        string         `json:"how"`
	Stress     float64        `json:"stress" doc:"What the move itself costs the plant, 0-2."`
	Reversible bool           `json:"reversible"`
	Effects    map[string]int `json:"-"`

	effect    []int  // by cause, as Effects
	blade     bool   // something is cut
	tier      int    // 1 stop the harm, 2 cut, 3 roots, 4 treat, 5 place and feed, 6 watch
	group     string // of several with one aim, one is done
	needs     []string
	notTraits []string
	fits      habits
}
