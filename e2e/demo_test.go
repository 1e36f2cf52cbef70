package e2e

import (
	"github.com/google/uuid"
)

// plantPath is the address of a plant of the demo by its label.
func plantPath(label string) string {
	space := uuid.NewSHA1(uuid.NameSpaceURL, []byte("tendermend:demo"))
	return "/plants/" + uuid.NewSHA1(space, []byte(label)).String()
}
