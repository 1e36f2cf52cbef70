package sheet

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/pest"
	"tendermend/core/state"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/treatment/compose"
	"tendermend/core/working"
)

// Made is a plan with the situation that it was made for.
type Made struct {
	Sheet     Plan
	Situation treatment.Situation
	Breaches  []check.Breach
	Edited    []Edited
	Gone      []Gone
	// Kept are rules that keep a sitting from the day on which the carer wants it: it comes on the nearest.
	Kept []check.Breach
}

// Of makes a plan: it fills the answers into the situation, composes, takes the
// carer's changes over, proves the result and dates it. It fails on an unknown
// cause and where nothing was accepted or wished.
func Of(s treatment.Situation, a Answers) (Made, error) {
	a.fill(&s)
	p, err := compose.Plan(s)
	if err != nil {
		return Made{}, err
	}
	way, err := a.settle(s, p)
	if err != nil {
		return Made{}, err
	}
	now, err := way.change(s, p)
	if err != nil {
		return Made{}, err
	}
	now.plan.LeftOut = slices.Concat(now.plan.LeftOut, way.says(a.Edits, p))
	breaches, err := check.Plan(s, now.plan)
	if err != nil {
		return Made{}, err
	}
	if err := way.answerFor(breaches, s, p, now.ids); err != nil {
		return Made{}, err
	}
	sheet := dated(s, now.plan, now.ids)
	sheet.Rules = append([]Rule{}, slices.Concat(setAside(a), changesFirst(s, sheet), takenFor(s, a), sheet.Rules)...)
	sheet.Breaches = breaches
	return Made{sheet, s, breaches, a.edited(p, now), a.gone(p), way.kept(a.Edits)}, nil
}

// SittingNames are what sittings are called on a screen.
var sittingNames = map[treatment.SittingKind]string{
	treatment.RootWash:  "Root work",
	treatment.RootWhole: "Repotting, the ball whole",
	treatment.CallusSit: "Cutting and healing",
	treatment.CrownSit:  "The rotten heart",
	treatment.LeafSit:   "Marked leaves off",
	treatment.SpraySit:  "Against the pest",
	treatment.PotPest:   "Pest and roots in one go",
	treatment.PiecesSit: "Pieces",
	treatment.ChangeSit: "Into its new set-up",
	treatment.CareSit:   "Looking after it",
}

// stops say what to do when one must stop in the middle of a sitting.
var stops = map[treatment.SittingKind]string{
	treatment.RootWash: "Called away? Wrap the roots in a damp cloth, out of the sun. Within six hours it is " +
		"back in its pot, unwatered; fine roots within two.",
	treatment.RootWhole: "Called away? Wrap the ball in a damp cloth and stand it in shade; pot it the same day.",
	treatment.CallusSit: "It may lie bare and dry in shade; it does not hurry.",
	treatment.CrownSit:  "Leave the crown dry above all; the rest can wait until evening, not longer.",
	treatment.SpraySit: "The rinse cannot wait: soap comes off within a few hours, crown and joints dry before " +
		"evening.",
	treatment.PotPest:   "Called away? Dry the crown, wrap the roots damp, and pot it the same day.",
	treatment.PiecesSit: "Lay the pieces in a closed bag in shade; set them the same day.",
	treatment.ChangeSit: "Called away? Wrap the roots in a damp cloth; set it the same day.",
}

// heldWords say what holds a sitting back.
var heldWords = map[string]string{
	"rest":     "it rests, and roots that break now are not replaced",
	"newcomer": "it has only just come, and one disturbance is enough",
	"thirst":   "it is thirsty, and limp roots snap",
	"temp":     "it is too cold or too hot to make roots",
	"bloom":    "it is in bloom, and the bloom is kept",
	"tips":     "no root tip is growing, and broken roots are not replaced",
	"season":   "it is not its season for root work",
	"unsure":   "what asks for it is not sure, and the rival would be harmed",
}

func heldIn(words string) string {
	if words == "" {
		return ""
	}
	var list []string
	for _, w := range strings.Split(words, ", ") {
		said := heldWords[w]
		if said == "" {
			said = w
		}
		list = append(list, said)
	}
	return strings.Join(list, "; ")
}

// dated writes a plan as it stands in the record.
func dated(s treatment.Situation, p treatment.Plan, ids [][]string) Plan {
	out := Plan{
		Edition:   2,
		Causes:    []string{},
		Wish:      s.Wish,
		Protocols: []string{},
		Names:     []string{},
		Track:     p.Track,
		South:     s.Facts.South,
		Beside:    p.Beside,
		School:    string(p.School),
		Steps:     []Step{},
		Rules:     []Rule{},
		Cautions:  []Caution{},
		Expect:    []string{},
		Ends:      []string{},
		Wrong:     []string{},
		Asks:      asks(s),
		Outcome:   p.Outcome,
	}
	out.name(s, p)
	for _, t := range p.SchoolWhy {
		out.SchoolWhy = append(out.SchoolWhy, fmt.Sprintf("%s (%+d)", t.Text, t.Weight))
	}
	for _, l := range p.LeftOut {
		out.Rules = append(out.Rules, Rule{ID: l.Op, What: leftOut(l.Op), Why: working.Capital(l.Why) + "."})
	}
	out.lookAhead(s)
	w := writing{s: s, pests: pestRow(s, p), school: p.School, done: map[facts.Happening]day.Day{}}
	w.nature, _ = state.NatureOf(s)
	for i, sit := range p.Sittings {
		if len(sit.Steps) > 0 {
			w.sitting(&out, i, sit, ids[i])
		}
	}
	for _, letter := range p.Cautions {
		if c, ok := treatment.CautionByID(letter); ok {
			out.Cautions = append(out.Cautions, Caution{c.ID, c.Text})
		}
	}
	out.Cautions = append(out.Cautions, Caution{"estimate", treatment.Estimate})
	return out
}

// name says what a plan is for: its causes, its wish, its school.
func (out *Plan) name(s treatment.Situation, p treatment.Plan) {
	for _, id := range s.Causes {
		c, _ := cause.ByID(id)
		out.Causes, out.Names = append(out.Causes, string(id)), append(out.Names, c.Label)
	}
	if s.Wish != "" {
		out.Names = append(out.Names, wishName(s.Wish))
	}
	if p.School != "" {
		out.Names = append(out.Names, SchoolName(string(p.School)))
	}
}

// writing is what the sittings written so far leave to the next: the pot that is
// laid out, and the pests' clocks by sitting and step.
type writing struct {
	s      treatment.Situation
	pests  map[[2]int]PestTime
	laid   *treatment.Params
	nature state.Nature
	school treatment.School
	before day.Day                     // of the sitting before
	done   map[facts.Happening]day.Day // what the sittings before make happen
}

// sitting writes one sitting, the i-th of its plan, on its day.
func (w *writing) sitting(out *Plan, i int, sit treatment.Sitting, ids []string) {
	on := w.s.On
	switch {
	case sit.Day != nil:
		on += day.Day(*sit.Day)
	case sit.LookDay != nil:
		on += day.Day(*sit.LookDay)
	}
	head := Sitting{
		N:    len(out.Sittings) + 1,
		Kind: sit.Kind,
		Name: sittingNames[sit.Kind],
		On:   on,
		Slot: sit.Slot,
		Gate: sit.Gate.Words(), Waits: sit.Gate,
		Held: heldIn(sit.Held),
		Stop: stops[sit.Kind],
	}
	if late, can := w.late(sit, on); can {
		head.Else = late.Words()
	}
	for k, x := range sit.Steps {
		st := w.step(x, ids[k])
		st.Sitting, st.On, st.Gate, st.Waits = head.N, on, head.Gate, sit.Gate
		if t, ok := w.pests[[2]int{i, k}]; ok {
			st.Pest = &t
		}
		out.Steps = append(out.Steps, st)
		if head.MovedBy == "" && !slices.Contains(atOnce, x.Op) {
			head.MovedBy = ids[k]
		}
		head.Minutes += st.Minutes
		for _, m := range st.Materials {
			if !slices.Contains(head.LayOut, m) {
				head.LayOut = append(head.LayOut, m)
			}
			if !slices.Contains(out.Materials, m) {
				out.Materials = append(out.Materials, m)
			}
		}
	}
	head.MovedBy = cmp.Or(head.MovedBy, ids[0])
	w.does(sit, on)
	out.Sittings = append(out.Sittings, head)
}

// step writes one step, with what its tick will say in the record.
func (w *writing) step(x treatment.Step, id string) Step {
	st := step(w.s, x, id)
	if x.Op == treatment.ReadyPot && x.Of() == treatment.ForPlant {
		w.laid = &x.Params
	}
	if makes, writes := state.EffectOf(state.Done{Step: x, Laid: w.laid, Nature: w.nature}); writes {
		st.Makes, st.Writes = &makes, state.Writes(x.Op)
	}
	return st
}

// leftOut says what was left out, in words.
func leftOut(op string) string {
	if o, ok := treatment.OperatorByID(treatment.OperatorID(op)); ok {
		return "Left out: " + strings.ToLower(o.Title[:1]) + o.Title[1:]
	}
	if school, found := strings.CutPrefix(op, "school "); found {
		return SchoolName(school) + " is not followed"
	}
	if c, ok := cause.ByID(cause.ID(op)); ok {
		return c.Label
	}
	return working.Capital(op)
}

// wishName is a wish in words.
func wishName(w treatment.Wish) string {
	i := slices.IndexFunc(treatment.Offered(), func(o treatment.WishWords) bool { return o.ID == w })
	if i < 0 {
		return string(w)
	}
	return treatment.Offered()[i].Label
}

// step writes one step.
func step(s treatment.Situation, x treatment.Step, id string) Step {
	o, _ := treatment.OperatorByID(x.Op)
	st := Step{
		ID:          id,
		Op:          string(x.Op),
		Part:        treatment.PartOf(x.Op),
		Of:          x.Of(),
		Every:       x.Every,
		Until:       x.Until.Words(),
		Lasts:       x.Until,
		Title:       x.Title(),
		How:         o.How,
		Minutes:     o.Minutes,
		WaitMinutes: wait(o, x),
		Ends:        o.Done,
		Wrong:       o.Wrong,
		Reasons:     reasons(s, o, x),
		Materials:   x.Materials,
		Cautions:    append([]string{}, x.Cautions...),
		Amounts:     amounts(s, x),
		ForGood:     o.ForGood,
	}
	if x.Words != "" {
		st.How = x.Words // one text, here and wherever a plan is printed
	}
	return st
}

// wait is how many minutes a clock runs in a step.
func wait(o treatment.Operator, x treatment.Step) int {
	if x.Params.Hours.Known {
		return int(x.Params.Hours.Value * 60)
	}
	return o.Wait
}

// reasons are what asks for a step: its cause, or all that was accepted.
func reasons(s treatment.Situation, o treatment.Operator, x treatment.Step) []string {
	var ids []cause.ID
	switch {
	case x.Cause != "":
		ids = []cause.ID{x.Cause}
	default:
		for _, id := range s.Causes {
			if o.For == "" || slices.Contains(strings.Fields(o.For), string(id)) {
				ids = append(ids, id)
			}
		}
		if ids == nil {
			ids = s.Causes
		}
	}
	list := []string{}
	for _, id := range ids {
		if c, ok := cause.ByID(id); ok {
			list = append(list, c.Label)
		}
	}
	if len(list) == 0 && s.Wish != "" {
		list = append(list, wishName(s.Wish))
	}
	return list
}

// asks says what to answer for a fuller plan.
func asks(s treatment.Situation) []string {
	list := []string{}
	if !s.Facts.RootBallCM.Known {
		list = append(list, "Measure the live root ball: pot and mix are sized to it.")
	}
	if !s.Facts.PotWidthCM.Known {
		list = append(list, "Measure its present pot, inside.")
	}
	if s.Kind == "" && s.Profile == nil {
		list = append(list, "Say which kind it is: without that the cautious value of its habit is taken.")
	}
	return list
}

// pestRow finds the treatments in the row against the pest that sets the pace.
func pestRow(s treatment.Situation, p treatment.Plan) map[[2]int]PestTime {
	row := map[[2]int]PestTime{}
	for _, id := range s.Causes {
		if _, timed := pest.ByCause(string(id)); !timed {
			continue
		}
		foe, _ := treatment.FoeOf(id)
		n := 0
		for i, sit := range p.Sittings {
			for k, x := range sit.Steps {
				first := slices.IndexFunc(sit.Steps, func(y treatment.Step) bool { return y.Op == x.Op }) == k
				if sit.Day != nil && first && x.Every == 0 && x.Op != treatment.WashDown &&
					slices.Contains(foe.Reached, x.Op) &&
					x.Op != treatment.Traps {
					if !slices.ContainsFunc(sit.Steps[:k], func(y treatment.Step) bool {
						return slices.Contains(foe.Reached, y.Op) && y.Op != treatment.WashDown &&
							y.Op != treatment.Traps
					}) {
						row[[2]int{i, k}] = PestTime{string(id), n}
						n++
					}
				}
			}
		}
		if n > 0 {
			return row
		}
	}
	return row
}
