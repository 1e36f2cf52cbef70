package store

import (
	"cmp"
	"context"
	"fmt"
	"slices"
	"strings"

	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/record"
	"tendermend/record/due"
	"tendermend/record/told"
)

// listedStitches is how many stitches of a seam a list can show.
const listedStitches = 60

// project writes what lists need of a plant. It depends on the record alone, its own
// and what those that came with it are suspected of by theirs, and on the air of its places,
// so recompute gives the same rows.
func project(ctx context.Context, tx *sqlx.Tx, c Collection, s record.State, around surroundings) error {
	came, err := sisters(ctx, tx, c.ID, s.PlantID, originOf(s))
	if err != nil {
		return err
	}
	s = s.Told(around.of(came))
	tasks := due.Tasks(s, c.South)
	if tasks == nil {
		tasks = []due.Task{}
	}
	if err := projectPlant(ctx, tx, c, s, tasks); err != nil {
		return fmt.Errorf("updating the lists: %w", err)
	}
	if err := projectDue(ctx, tx, c, s, tasks); err != nil {
		return err
	}
	if err := projectCases(ctx, tx, c, s); err != nil {
		return err
	}
	if err := projectStays(ctx, tx, c, s); err != nil {
		return err
	}
	return projectStages(ctx, tx, c, s)
}

// projectPlant writes the plant's row of the lists.
func projectPlant(ctx context.Context, tx *sqlx.Tx, c Collection, s record.State, tasks []due.Task) error {
	var next *day.Day
	if len(tasks) > 0 {
		next = &tasks[0].From
	}
	var stalls *day.Day
	if on, can := due.StallsOn(s, c.South); can {
		stalls = &on
	}
	botanical := ""
	var called []string
	if s.Profile != nil {
		botanical, called = s.Profile.Botanical, s.Profile.AllNames()
	}
	stage := ""
	if _, st, in := s.CurrentStage(); in {
		stage = st.Name
	}
	name := cmp.Or(s.Arrival.Name, s.Arrival.Label)
	search := searched(s, append(called, name))
	first := firstTroubleOf(caseRows(s))
	_, err := tx.ExecContext(
		ctx,
		`
		update plants set here = $3, name = $4, label = $5, habit = $6, profile = $7, botanical = $8, search = $9,
			place_id = $10, isolation = $11, standing = $12, stage = $13, arrived_on = $14, last_look = $15,
			next_due = $16, stalls_on = $17, causes = $18, tasks = $19, seam = $20, entries = $21,
			figure = $22, confirmations = $23, mother_id = $24,
			ended_on = $25,
			source = $26, suspected = $27, trials = $28, tags = $29, natural_name = $30, condition = $31,
			pests_clean = $32, found_well = $33, exposures = $34,
			batch = $35, batch_of = $36, bad_source = $37,
			origin = $38, paid = $39, packing = $40, pot = $41, pot_of = $42, due_terms = $43,
			fell_ill = $44, mended = $45, in_work = $46, school = $47, apart = $48
		where collection_id = $1 and id = $2`,
		c.ID, s.PlantID, s.Here, name, s.Arrival.Label, s.Habit.ID, s.Arrival.Profile, botanical, search,
		s.Place, string(s.Isolation), s.Standing(), stage, s.ArrivedOn, s.LastLook(),
		next, stalls, asJSON[[]string]{causesListed(s)}, asJSON[[]due.Task]{tasks},
		asJSON[told.Seam]{told.SeamOf(s).Thin(listedStitches)}, s.Entries,
		asJSON[record.Figure]{s.Figure()},
		asJSON[[]record.Confirmation]{append([]record.Confirmation{}, s.Confirmations...)}, s.Arrival.Mother,
		s.EndedOn(),
		sourceOf(s.Arrival), asJSON[[]record.Suspicion]{s.Suspected()},
		asJSON[[]record.Trial]{append([]record.Trial{}, s.Trials...)},
		append([]string{}, s.Tags...), natural(name), lastCondition(s), s.PestsClean(), s.FoundWell,
		asJSON[[]record.WatchedFor]{s.WatchedFor()},
		orNull(s.Batch), s.Arrival.BatchOf, s.Arrival.Suspect,
		strings.TrimSpace(s.Arrival.From), s.Arrival.Price, string(s.Arrival.Packing),
		asJSON[record.PotNow]{s.PotNow(s.LastLook(), c.South)}, s.Arrival.PotOf,
		asJSON[[]due.Term]{due.TermsOf(tasks)},
		first.FellIll, first.Mended, first.InWork, first.School, s.Apart(s.LastLook()) != nil,
	)
	return err
}

// causesListed are those of the open cases, or else of the last one.
func causesListed(s record.State) []string {
	causes := []string{}
	for _, of := range s.OpenCases() {
		causes = append(causes, of.Causes()...)
	}
	if len(causes) == 0 {
		causes = append(causes, s.Case.Causes()...)
	}
	return causes
}

// searched are the words by which a plant is found: what it is called, how it grows, what
// ailed it, where it came from, and what was used and tried on it.
func searched(s record.State, called []string) string {
	words := slices.Concat(called, []string{s.Arrival.Label, s.Habit.Label, s.Arrival.From, s.Arrival.Note})
	for _, c := range s.Cases {
		for _, id := range c.Causes() {
			if known, is := diagnosis.CauseByID(id); is {
				words = append(words, known.Label)
			}
		}
	}
	for _, t := range s.Treatments {
		words = append(words, t.Product)
	}
	for _, t := range s.Trials {
		words = append(words, t.What)
	}
	words = append(words, s.Tags...)
	return strings.ToLower(strings.Join(words, " "))
}
