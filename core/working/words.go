package working

import "fmt"

// Count says how many of a thing there are: "1 look", "3 looks".
func Count(n int, one string) string {
	if n == 1 {
		return "1 " + one
	}
	return fmt.Sprintf("%d %ss", n, one)
}
