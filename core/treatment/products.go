package treatment

import "strings"

// ProductsApart is how many days lie between two products at least where no label
// says more (common practice: the shortest interval of a soap).
const ProductsApart = 5

// shines are the words by which products that make leaves shine are called (common
// practice).
var shines = []string{"leaf shine", "leafshine", "plant shine", "gloss", "polish"}

// Shines says whether a product is one that makes leaves shine, by its name.
func Shines(product string) bool {
	name := strings.ToLower(product)
	for _, word := range shines {
		if strings.Contains(name, word) {
			return true
		}
	}
	return false
}
