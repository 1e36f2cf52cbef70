package record

import (
	"tendermend/core/day"
	"tendermend/core/recovery"
)

// Call is a reading that makes a step due at once.
type Call struct {
	On  day.Day
	Why string
}

// CalledFor gives the steps of the plan in hand that answer what sounds: they are
// due on the day of the reading. A treatment that is repeated keeps its pest's clock.
func (s State) CalledFor() map[string]Call {
	calls := map[string]Call{}
	for _, signal := range recovery.Signals() {
		on, said, found := s.sounds(signal)
		if !found || !s.Case.fits(signal) || s.harmless(signal.ID, on) || s.didAnswer(signal.ID, on) || on < s.PlannedOn {
			continue
		}
		step, pending := s.StepFor(signal.ID)
		if !pending || step.Pest != nil && step.Pest.Nth > 0 {
			continue
		}
		if known, is := calls[step.ID]; !is || on < known.On {
			calls[step.ID] = Call{on, said + " This step answers it."}
		}
	}
	return calls
}
