package record

import "reflect"

// Effort is what an entry counts as when one looks back.
type Effort string

// The parts of a review.
const (
	ForSteps     Effort = "steps of plans"
	ForWaterings Effort = "waterings"
	ForFeeds     Effort = "feeds"
	ForProducts  Effort = "products"
	ForLooks     Effort = "looks and measures"
	ForNothing   Effort = "" // what takes no time worth counting
)

// Efforts lists what takes time, in the order in which a review tells it.
func Efforts() []Effort { return []Effort{ForSteps, ForLooks, ForWaterings, ForFeeds, ForProducts} }

// Effort is the part of a review that an entry counts in, and the minutes that such a
// record takes where no plan says (common practice).
func (b Body) Effort() (part Effort, minutes int) { return b.Content().effort() }

// UsualMinutes is how long recording one entry of a kind, with what it is about, usually
// takes; 0 where that depends on more than its kind.
func UsualMinutes(kind Kind) int { return usualMinutes[kind] }

var usualMinutes = func() map[Kind]int {
	of := map[Kind]int{}
	for _, field := range reflect.VisibleFields(reflect.TypeFor[Body]()) {
		content := reflect.New(field.Type.Elem()).Interface().(Content)
		_, of[content.Kind()] = content.effort()
	}
	return of
}()
