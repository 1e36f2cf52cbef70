package treatment_test

import (
	"crypto/md5"
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"os"
	"slices"
	"sync"
	"testing"

	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/treatment/compose"
)

func TestZZDump(t *testing.T) {
	var all []treatment.Situation
	plainSituations(20, func(s treatment.Situation) { all = append(all, s) })
	r, kinds := rand.New(rand.NewPCG(seed, 99)), plant.Profiles()
	for range 12000 {
		all = append(all, anySituation(r, kinds))
	}
	out := make([]string, len(all))
	var wg sync.WaitGroup
	for w := range 2 {
		wg.Go(func() {
			for i := w; i < len(all); i += 2 {
				s := all[i]
				p, err := compose.Plan(s)
				raw, _ := json.Marshal(p)
				line := fmt.Sprintf("%d %x %v", i, md5.Sum(raw), err)
				if err == nil {
					rr := rand.New(rand.NewPCG(1, uint64(i)))
					var found []any
					for range 3 {
						q := p
						q.Sittings = slices.Clone(p.Sittings)
						if len(q.Sittings) > 0 {
							n := rr.IntN(len(q.Sittings))
							q.Sittings[n].Steps = slices.Clone(q.Sittings[n].Steps)
							st := q.Sittings[n].Steps
							switch rr.IntN(4) {
							case 0:
								if len(st) > 0 {
									k := rr.IntN(len(st))
									q.Sittings[n].Steps = slices.Delete(st, k, k+1)
								}
							case 1:
								if len(st) > 1 {
									a, b := rr.IntN(len(st)), rr.IntN(len(st))
									st[a], st[b] = st[b], st[a]
								}
							case 2:
								if q.Sittings[n].Day != nil {
									d := max(0, *q.Sittings[n].Day+rr.IntN(9)-4)
									q.Sittings[n].Day = &d
								}
							case 3:
								o := all[rr.IntN(len(all))]
								if z, err := compose.Plan(o); err == nil && len(z.Sittings) > 0 {
									zz := z.Sittings[rr.IntN(len(z.Sittings))]
									if len(zz.Steps) > 0 {
										q.Sittings[n].Steps = append(st, zz.Steps[rr.IntN(len(zz.Steps))])
									}
								}
							}
						}
						list, err := check.Plan(s, q)
						found = append(found, list, err)
					}
					line += fmt.Sprintf(" %+v", found)
				}
				out[i] = line
			}
		})
	}
	wg.Wait()
	f, _ := os.Create(os.Getenv("DUMP"))
	for _, l := range out {
		fmt.Fprintln(f, l)
	}
	f.Close()
}
