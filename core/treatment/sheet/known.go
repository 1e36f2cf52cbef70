package sheet

import "tendermend/core/facts"

// Known gives what facts answer of what is asked before a plan is made.
func Known(f facts.Facts) Answers {
	return Answers{
		LiveRoots: whole(f.LiveRoots), DeadRoots: whole(f.DeadRoots), LiveTips: whole(f.LiveTips),
		RootBallCM: measured(f.RootBallCM), PotWidthCM: measured(f.PotWidthCM),
		Reserves: f.Reserves.Or(""), Moist: f.Moist.Or(""), Limp: answered(f.Limp), Standing: answered(f.Standing),
		Plug: answered(f.Plug), PotHoles: answered(f.PotHoles), OffsetsSeen: whole(f.Plantlets),
		Growths: whole(f.Growths), Growing: answered(f.Growing), LiveRot: answered(f.RotAlive),
		InSpike: some(f.Spikes), Seat: f.Seat.Or(""), MediumClass: f.MediumClass.Or(""), Medium: f.Medium.Or(""),
		Infested: measured(f.Infested), HumidityPct: measured(f.Place.HumidityPct),
	}
}

func whole(f facts.Number) *int {
	if !f.Known {
		return nil
	}
	n := int(f.Value)
	return &n
}

func measured(f facts.Number) *float64 {
	if !f.Known {
		return nil
	}
	return &f.Value
}

func answered(f facts.Yes) *bool {
	if !f.Known {
		return nil
	}
	return &f.Value
}

// some says whether there is any of what is counted.
func some(f facts.Number) *bool {
	if !f.Known {
		return nil
	}
	there := f.Value > 0
	return &there
}
