package working_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/working"
)

func TestOneIsNotMany(t *testing.T) {
	for n, said := range map[int]string{0: "0 looks", 1: "1 look", 2: "2 looks", 300: "300 looks"} {
		assert.Equal(t, said, working.Count(n, "look"))
	}
}
