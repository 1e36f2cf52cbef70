package everyday

// Complaint is what people most often say of a plant, with the signs that it may mean.
type Complaint struct {
	Said  string   `json:"said"`
	Signs []string `json:"signs" doc:"Likeliest first; one of them is picked by its drawing."`
}

// complained are what people say most (common practice), commonest first.
var complained = []string{
	"Going yellow", "Droopy", "Brown tips", "Brown edges", "Spots on leaves", "Leaves falling off", "Bugs",
	"White fluff", "Sticky leaves", "Little flies", "Leaves curling", "Wrinkled leaves", "Mushy", "Bad smell",
	"Mould on the soil", "Not growing", "Buds fall off", "Long and thin",
}

// mostMeant is how many signs one complaint is told apart by.
const mostMeant = 4

// Complaints gives what people say most, with its signs.
func Complaints() []Complaint {
	list := make([]Complaint, len(complained))
	for i, said := range complained {
		signs := Signs(said)
		list[i] = Complaint{said, signs[:min(mostMeant, len(signs))]}
	}
	return list
}
