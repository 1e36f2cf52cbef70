package record

import (
	"fmt"

	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/water"
	"tendermend/core/working"
)

// Away is a time in which nobody was at home.
type Away struct {
	From day.Day `json:"from"`
	Back day.Day `json:"back"`
}

// awayIn says whether a trip lies in a gap between waterings, or a part of one.
func (s State) awayIn(g water.Gap) bool {
	begun := g.Ended - day.Day(g.Days)
	for _, a := range s.Aways {
		if a.From < g.Ended && a.Back > begun {
			return true
		}
	}
	return false
}

// byPot tells from the model of its pot whether it was watered too early, stood dry for longer
// than it bears, or both in turns; false where its pot or its rule is none that drying tells. It
// knows season and rest, and a trip that it lasted is no neglect.
func (d *deriver) byPot() bool {
	signs, told := d.state.potSigns(d.today, d.south)
	if !told {
		return false
	}
	sure := "a guess from pot and kind: nothing was found in it yet"
	if d.state.potRead() {
		sure = "fair: from what was found in its pot"
	}
	for _, sign := range signs {
		say, tells := sayPotSign[sign.ID]
		if sign.Seen == drying.Unknown || !tells {
			continue
		}
		present := sign.Seen == drying.IsSeen
		d.add(sign.ID, present, d.today, say(present, sign.Value), sign.Working, sure,
			working.Input{Name: sign.What, Value: sign.Value})
	}
	return true
}

// signsOf is a day on which signs of a pot are asked for.
type signsOf struct {
	on    day.Day
	south bool
}

// potSigns are the signs that the model of its pot tells on a day, worked out once; false where
// its pot or its rule is none that drying tells.
func (s State) potSigns(on day.Day, south bool) ([]drying.Sign, bool) {
	of := signsOf{on, south}
	if s.memo != nil {
		if signs, known := s.memo.signs[of]; known {
			return signs, signs != nil
		}
	}
	signs := s.workOutSigns(of)
	if s.memo != nil {
		s.memo.signs[of] = signs
	}
	return signs, signs != nil
}

func (s State) workOutSigns(of signsOf) []drying.Sign {
	run := s.potRun(of.south)
	if !run.known || run.story.Pot.TopCM == 0 {
		return nil
	}
	told, is := s.DryingNow(of.on, of.south)
	if !is {
		return nil
	}
	return told.Signs
}

// sayPotSign puts what the model tells of how it was watered into a sentence. That it is dry
// now the stick and the scale say.
var sayPotSign = map[string]func(present bool, value float64) string{
	"care.water-often": func(present bool, value float64) string {
		if present {
			return fmt.Sprintf("Of its last waterings about %.0f in 10 came before its rule was met.", 10*value)
		}
		return "Its last waterings came when its rule was met."
	},
	"care.water-missed": func(present bool, value float64) string {
		if present {
			return fmt.Sprintf("By what its pot holds it stood dry for about %s longer than it bears, in the last two months.",
				working.Count(int(value+.5), "day"))
		}
		return "By what its pot holds it never stood dry for longer than it bears, in the last two months."
	},
	"care.water-swings": func(present bool, value float64) string {
		if present {
			return fmt.Sprintf("In three months it dried out %s, beside waterings that came early.",
				working.Count(int(value), "time"))
		}
		return "In three months it neither dried out nor was it watered early."
	},
}
