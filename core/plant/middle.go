package plant

import (
	"slices"

	"gonum.org/v1/gonum/stat"
)

var middleOf = func() map[string]Profile {
	m := make(map[string]Profile, len(habits))
	for _, h := range habits {
		m[h.ID] = middle(h)
	}
	return m
}()

// OfHabit gives the wishes of a plant of which only the habit is known: what
// most of its kinds have in common, and the worst of what is common where it
// could hurt somebody.
func OfHabit(h Habit) Profile { return middleOf[h.ID] }

func middle(h Habit) Profile {
	var kinds []Profile
	for _, p := range profiles {
		if p.Habit == h.ID {
			kinds = append(kinds, p)
		}
	}
	over := func(value func(Profile) float64) float64 {
		values := make([]float64, len(kinds))
		for i, k := range kinds {
			values[i] = value(k)
		}
		return median(values)
	}
	p := Profile{Habit: h.ID, WaterRule: h.WaterRule, Traits: []Trait{}, Weeks: weeksOf[h.ID],
		Source: "the middle of the kinds of its habit", Sources: map[string]string{"weeks": "common practice"}}
	for i := range 3 {
		p.Light[i] = over(func(k Profile) float64 { return k.Light[i] })
		p.Temperature[i] = over(func(k Profile) float64 { return k.Temperature[i] })
	}
	for i := range 2 {
		p.Humidity[i] = over(func(k Profile) float64 { return k.Humidity[i] })
		p.RepotMonths[i] = int(over(func(k Profile) float64 { return float64(k.RepotMonths[i]) }))
		p.PerMonth[i] = over(func(k Profile) float64 { return k.PerMonth[i] })
	}
	p.Feed = Feed{
		PpmN: over(func(k Profile) float64 { return k.Feed.PpmN }),
		Low:  over(func(k Profile) float64 { return k.Feed.Low }),
	}
	suns := map[string]int{}
	rests, pests := map[string]int{}, map[string]int{}
	codes, looks, atRest, low := map[string]int{}, map[string]int{}, map[string]int{}, map[string]int{}
	for _, k := range kinds {
		suns[string(k.Sun)]++
		rests[k.Rest]++
		codes[k.RestKind]++
		looks[string(k.RestSeen)]++
		atRest[string(k.RestWater)]++
		low[string(k.WaterLow)]++
		for _, l := range k.Pests {
			pests[l.Pest]++
		}
	}
	p.Sun, p.Rest = Sun(commonest(suns)), commonest(rests)
	p.RestKind, p.WaterLow = commonest(codes), WaterRule(commonest(low))
	p.RestSeen, p.RestWater = RestLook(commonest(looks)), RestWater(commonest(atRest))
	p.Mixes = kinds[0].Mixes
	p.Poisons = []Poison{worstCommon(kinds, "people"), worstCommon(kinds, "pets")}
	for pest, n := range pests {
		if 2*n >= len(kinds) {
			p.Pests = append(p.Pests, Liking{pest, Sometimes})
		}
	}
	slices.SortFunc(p.Pests, func(a, b Liking) int {
		if a.Pest < b.Pest {
			return -1
		}
		return 1
	})
	return p
}

func median(values []float64) float64 {
	slices.Sort(values)
	if n := len(values); n%2 == 1 {
		return values[n/2]
	}
	return stat.Mean(values[len(values)/2-1:len(values)/2+1], nil)
}
