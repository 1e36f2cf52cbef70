package diagnosis

import (
	"slices"
	"sort"

	"tendermend/core/climate"
	"tendermend/core/plant"
)

// KeyRow is one line of a printed key: what is seen leads to what it may be.
type KeyRow struct {
	Zone  string `json:"zone" doc:"The part to look at."`
	Sign  string `json:"sign" doc:"The sign that tells most of it."`
	With  string `json:"with,omitempty" doc:"A second sign that goes with it."`
	Cause string `json:"cause"`
	// Alike is the cause it is likeliest taken for, and Apart the sign that tells them
	// apart best for its cost.
	Alike     string `json:"alike,omitempty"`
	Apart     string `json:"apart,omitempty"`
	DaysToAct int    `json:"daysToAct"`
	Soon      bool   `json:"soon" doc:"Whether few days are left to act."`
	First     string `json:"first" doc:"The move an expert does first; empty where the habit cannot have it."`
}

// keyRows is how many troubles fit a page.
const keyRows = 14

// KeyOf gives a one-page key to the commonest troubles of a kind, in the order of a
// look from the outside in. The pests that the kind is known for are always on it.
func (k *Knowledge) KeyOf(h plant.Habit, pests []string) []KeyRow {
	var causes []int
	for i := range k.causes {
		if k.prior(i, h, climate.Season("")) > 0 {
			causes = append(causes, i)
		}
	}
	known := func(i int) bool { return slices.Contains(pests, k.causes[i].ID) }
	sort.SliceStable(causes, func(a, b int) bool {
		if x, y := known(causes[a]), known(causes[b]); x != y {
			return x
		}
		return k.prior(causes[a], h, "") > k.prior(causes[b], h, "")
	})
	rows := []KeyRow{}
	for _, i := range causes {
		if row, ok := k.keyRow(i, h); ok && len(rows) < keyRows {
			rows = append(rows, row)
		}
	}
	order := func(zone string) int { return slices.IndexFunc(zones, func(z Zone) bool { return z.ID == zone }) }
	sort.SliceStable(rows, func(a, b int) bool { return order(rows[a].Zone) < order(rows[b].Zone) })
	return rows
}

func (k *Knowledge) keyRow(i int, h plant.Habit) (row KeyRow, ok bool) {
	known := k.causes[i]
	var telling []int
	for s, often := range k.link[i] {
		if sign := k.signs[s]; often >= 0.45 && sign.fits.habit(h.ID) && sign.Disturbance < Unpot {
			telling = append(telling, s)
		}
	}
	if len(telling) == 0 {
		return row, false
	}
	times := func(s int) float64 { return (1 - (1-k.signs[s].Background)*(1-k.link[i][s])) / k.signs[s].Background }
	sort.SliceStable(telling, func(a, b int) bool { return times(telling[a]) > times(telling[b]) })
	first := k.signs[telling[0]]
	row = KeyRow{Zone: first.Zone, Sign: first.ID, Cause: known.ID, DaysToAct: known.DaysToAct}
	row.Soon = !known.Harmless && known.DaysToAct <= soonDays
	if len(telling) > 1 {
		row.With = k.signs[telling[1]].ID
	}
	if move, is := k.moveAt[known.firstMove]; is && k.moves[move].fits.habit(h.ID) {
		row.First = known.firstMove
	}
	for _, alike := range k.lookAlikes(known.ID) {
		if k.prior(k.causeAt[alike], h, "") > 0 {
			both, _ := k.Compare([]string{known.ID, alike})
			row.Alike, row.Apart = alike, both.Check
			break
		}
	}
	return row, true
}
