package drying

import (
	"tendermend/core/interval"
	"tendermend/core/working"
)

// fifths are how many steps of chance forecasts are told apart by.
const fifths = 5

// Foretold counts the looks with a stick by the chance that was foretold for a dry one, in
// fifths from 0 to 1: how many looks, and how many of them found it dry.
type Foretold [fifths][2]int

// Count counts a look, with the chance from 0 to 1 that was foretold for a dry one.
func (f *Foretold) Count(chance float64, dry bool) {
	i := min(int(chance*fifths), fifths-1)
	f[i][0]++
	if dry {
		f[i][1]++
	}
}

// Verdict says how forecasts and findings agree.
type Verdict string

// The verdicts.
const (
	TooFew    Verdict = "too-few"    // looks to say anything
	Agrees    Verdict = "agrees"     // what was found lies where it was foretold
	TooSure   Verdict = "too-sure"   // what was likely came less often, and what was unlikely more often
	TooUnsure Verdict = "too-unsure" // what was likely came more often still, and what was unlikely less often
	TooDry    Verdict = "too-dry"    // it was found dry less often than foretold
	TooWet    Verdict = "too-wet"    // it was found dry more often than foretold
)

// Fifth is one step of the table of forecasts against findings.
type Fifth struct {
	From  float64 `json:"from" doc:"The least chance that was foretold, 0-1."`
	To    float64 `json:"to"`
	Looks int     `json:"looks"`
	Dry   int     `json:"dry" doc:"How many of them found it dry."`
	Low   float64 `json:"low" doc:"Lower end of the 95 % interval of the share found dry; 0 to 1 where nobody looked."`
	High  float64 `json:"high"`
	Says  Verdict `json:"says" enum:"too-few,agrees,too-dry,too-wet"`
}

// Reliability is how well drying was foretold.
type Reliability struct {
	Fifths  []Fifth         `json:"fifths" doc:"By the chance that was foretold, the least first."`
	Looks   int             `json:"looks"`
	Says    Verdict         `json:"says" enum:"too-few,agrees,too-sure,too-unsure,too-dry,too-wet"`
	Working working.Working `json:"working"`
}

// enoughLooks is from how many looks on a fifth, and a whole table, says anything (a guess).
const (
	enoughLooks = 5
	enoughInAll = 30
)

// Reliability compares what was foretold with what was found: a fifth agrees while it meets the
// 95 % interval of the share that was found dry.
func (f Foretold) Reliability() Reliability {
	r := Reliability{Says: TooFew}
	unlikely, likely := Agrees, Agrees // of the two lower fifths and of the two upper ones
	for i, counts := range f {
		row := Fifth{
			From: float64(i) / fifths, To: float64(i+1) / fifths, Looks: counts[0], Dry: counts[1], High: 1, Says: TooFew,
		}
		r.Looks += row.Looks
		if row.Looks > 0 {
			row.Low, row.High = interval.Wilson(row.Dry, row.Looks)
		}
		if row.Looks >= enoughLooks {
			row.Says = row.judged()
			switch {
			case row.Says == Agrees:
			case i < fifths/2:
				unlikely = row.Says
			case i > fifths/2:
				likely = row.Says
			}
		}
		r.Fifths = append(r.Fifths, row)
	}
	if r.Looks >= enoughInAll {
		r.Says = whole(unlikely, likely)
	}
	r.Working = working.Working{
		Inputs:  []working.Input{{Name: "looks with a stick", Value: float64(r.Looks)}},
		Formula: "the chance that was foretold before each look, against the share of such looks that found it dry",
		Source:  "the looks of this collection; range by Wilson, 95 %",
		Sure:    "five looks a step, and thirty in all, are the least that say anything",
	}
	return r
}

func (r Fifth) judged() Verdict {
	switch {
	case r.High < r.From:
		return TooDry
	case r.Low > r.To:
		return TooWet
	}
	return Agrees
}

// whole is the verdict of a table by those of its lower and its upper fifths.
func whole(unlikely, likely Verdict) Verdict {
	switch {
	case unlikely == TooWet && likely == TooDry:
		return TooSure
	case unlikely == TooDry && likely == TooWet:
		return TooUnsure
	case unlikely == Agrees:
		return likely
	}
	return unlikely
}
