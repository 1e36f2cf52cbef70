package everyday_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/everyday"
)

// A group is what a text is about; one in passing, or a thing that is called after it, is none.
func TestTheGroupThatATextIsAbout(t *testing.T) {
	for text, want := range map[string]string{
		"My moth orchid is limp":                         "", // a kind is named
		"My orchid is limp":                              "orchid",
		"the orchids lost their leaves":                  "orchid",
		"got a palm tree with brown tips":                "palm",
		"Cacti are soft at the bottom!":                  "cactus",
		"one of my succulents is mushy":                  "succulent",
		"it stands next to the fern":                     "",
		"it stands beside my fern":                       "",
		"potted in orchid bark and cactus soil":          "",
		"the thing in cactus soil is a fern":             "fern",
		"it came from a friend":                          "",
		"brown tips":                                     "",
		"":                                               "",
		"near an orchid stands a carnivorous plant, sad": "carnivorous plant",
	} {
		said := ""
		if g := everyday.Read(text, nil).Group; g != nil {
			said = g.Said
		}
		assert.Equal(t, want, said, text)
	}
}
