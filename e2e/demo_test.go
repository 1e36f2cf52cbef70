package e2e

import (
	"github.com/google/uuid"
)

// plantPath is the address of a plant of the demo by its label.
func plantPath(label string) string { return "/plants/" + demoID(label) }

func placePath(name string) string { return "/places/" + demoID("place/"+name) }

// tripPath is the trip that the demo planned.
func tripPath() string { return "/trips/" + demoID("trip/winter") }

func demoID(of string) string {
	space := uuid.NewSHA1(uuid.NameSpaceURL, []byte("tendermend:demo"))
	return uuid.NewSHA1(space, []byte(of)).String()
}
