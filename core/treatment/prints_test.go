package treatment_test

import (
	"encoding/json"
	"fmt"
	"hash/fnv"
	"math/rand/v2"
	"os"
	"runtime"
	"strings"
	"sync"
	"sync/atomic"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/treatment/compose"
	"tendermend/core/treatment/sheet"
	"tendermend/internal/approve"
)

const prints = "testdata/prints.txt"

// A print of many more plans than anybody reads: of each plan as it is written
// and of what the checker says of it twice damaged. It tells that something
// changed; the approved plans and the golden ones tell whether it is right.
// APPROVE=1 takes the change over.
func TestPrintsOfManyPlansStay(t *testing.T) {
	const many, enough = 2500, 5 // so many plans; so many changes are enough to know
	approving := approve.Taking()
	raw, err := os.ReadFile(prints)
	require.True(t, err == nil || approving, "no approved prints: %v", err)
	before := strings.Split(string(raw), "\n")
	if !approving {
		require.Len(t, before, many+1)
	}
	kinds := plant.Profiles()
	lines := make([]string, many)
	var changed atomic.Int32
	var wg sync.WaitGroup
	todo := make(chan int)
	for range runtime.NumCPU() {
		wg.Go(func() {
			for n := range todo {
				line, err := printOf(rand.New(rand.NewPCG(25, uint64(n))), kinds)
				if err != nil {
					line = err.Error()
				}
				lines[n] = fmt.Sprintf("%d %s", n, line)
				if !approving && lines[n] != before[n] {
					changed.Add(1)
				}
			}
		})
	}
	for n := range lines {
		if changed.Load() >= enough {
			break
		}
		todo <- n
	}
	close(todo)
	wg.Wait()
	if approving {
		require.NoError(t, os.WriteFile(prints, []byte(strings.Join(lines, "\n")+"\n"), 0o600))
		return
	}
	for n, line := range lines {
		if line != "" && line != before[n] {
			s, _ := json.Marshal(anySituation(rand.New(rand.NewPCG(25, uint64(n))), kinds))
			assert.Equal(t, before[n], line, "the plan of situation %d, or what is said of it, changed: %s", n, s)
		}
	}
}

// printOf makes up a situation and gives the print of its plan, and of what the
// checker says of it with two things wrong.
func printOf(r *rand.Rand, kinds []plant.Profile) (string, error) {
	s := anySituation(r, kinds)
	whole, err := compose.Plan(s)
	if err != nil {
		return "", err
	}
	raw, err := json.Marshal(whole)
	if err != nil {
		return "", err
	}
	made, err := sheet.Of(s, sheet.Answers{})
	if err != nil {
		return "", err
	}
	written, err := json.Marshal(made.Sheet)
	if err != nil {
		return "", err
	}
	sum, said := fnv.New32a(), fnv.New32a()
	_, _ = sum.Write(raw)
	_, _ = sum.Write(written)
	for i := 0; i < len(damages) && len(whole.Sittings) > 0; i++ {
		var p treatment.Plan
		if err := json.Unmarshal(raw, &p); err != nil {
			return "", err
		}
		if damages[i](r, &p) == "" || empty(p) {
			continue
		}
		if damages[r.IntN(len(damages))](r, &p) == "" || empty(p) {
			continue
		}
		list, err := check.Plan(s, p)
		if err != nil {
			return "", err
		}
		for _, b := range list {
			_, _ = fmt.Fprintf(said, "%s@%d.%d %s;", b.Rule, b.Sitting, b.Index, b.Why)
		}
	}
	return fmt.Sprintf("%08x %08x", sum.Sum32(), said.Sum32()), nil
}

// empty says whether a sitting lost its last step: nothing can be damaged there.
func empty(p treatment.Plan) bool {
	for _, s := range p.Sittings {
		if len(s.Steps) == 0 {
			return true
		}
	}
	return false
}

func TestPrintsTellPlansApart(t *testing.T) {
	a, err := printOf(rand.New(rand.NewPCG(25, 1)), plant.Profiles())
	require.NoError(t, err)
	again, err := printOf(rand.New(rand.NewPCG(25, 1)), plant.Profiles())
	require.NoError(t, err)
	other, err := printOf(rand.New(rand.NewPCG(25, 2)), plant.Profiles())
	require.NoError(t, err)
	require.Equal(t, a, again)
	require.NotEqual(t, a, other)
}
