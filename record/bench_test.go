package record_test

import (
	"testing"
	"time"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/record"
	"tendermend/record/due"
	"tendermend/record/told"
)

// thousand is a plant with a thousand entries: looks, waterings and growths.
func thousand(b *testing.B) (uuid.UUID, []record.Entry) {
	id := uuid.New()
	at := time.Date(2025, 12, 1, 9, 0, 0, 0, time.UTC)
	list := []record.Entry{}
	put := func(on day.Day, body record.Body) {
		at = at.Add(time.Second)
		e := record.Entry{ID: uuid.New(), PlantID: id, On: on, RecordedAt: at, Body: body}
		if err := record.Complete(&e, list, record.Context{}); err != nil {
			b.Fatal(err)
		}
		list = append(list, e)
	}
	began := today - 340
	put(began, record.Body{Arrived: &record.Arrived{Name: "It", Habit: "aroid-vine", Leaves: p(9)}})
	put(began, record.Body{Examined: &record.Examined{Present: []string{"root.mushy", "pest.cotton"}}})
	put(began, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"root-rot", "mealybug"}}})
	put(began, record.Body{Planned: &record.Planned{}})
	leaves := []uuid.UUID{}
	for i := range 996 {
		on := began + day.Day(i*338/996)
		switch {
		case i%2 == 0:
			put(on, record.Body{Watered: &record.Watered{}})
		case i%10 == 5:
			if i%100 == 5 {
				leaves = append(leaves, uuid.New())
			}
			put(
				on,
				record.Body{
					Grown: &record.Grown{
						Growth: leaves[len(leaves)-1],
						Sort:   recovery.Leaf,
						SizeMM: p(float64(20 + i%100)),
					},
				},
			)
		default:
			put(on, check("wilt", 0, "smell", 0, "longest-root", i/4))
		}
	}
	return id, list
}

func BenchmarkFoldOfAThousandEntries(b *testing.B) {
	id, list := thousand(b)
	for b.Loop() {
		record.Fold(id, list, nil)
	}
}

func BenchmarkFollowingAThousandEntries(b *testing.B) {
	id, list := thousand(b)
	s := record.Fold(id, list, nil)
	for b.Loop() {
		s.Scores()
		s.PestClocks()
		due.Tasks(s, false)
		told.SeamOf(s)
		for _, c := range s.Courses {
			_, stage, _ := c.In()
			stage.Expect(s.Readings, "", c.Began, today)
			s.Stall(c, today, false)
		}
	}
}

func BenchmarkReviewOfAThousandEntries(b *testing.B) {
	id, list := thousand(b)
	s := record.Fold(id, list, nil)
	for b.Loop() {
		told.ReviewOf(s, list, 0, today)
	}
}

// An archive of one plant is checked entry by entry: a tenth of it was recorded
// late, and every fiftieth entry corrects another.
func BenchmarkCheckingAnArchiveOfOnePlant(b *testing.B) {
	const many = 20_000
	id, list := thousand(b)
	at := list[len(list)-1].RecordedAt
	for i := len(list); i < many; i++ {
		at = at.Add(time.Second)
		e := record.Entry{ID: uuid.New(), PlantID: id, On: today - 2, RecordedAt: at}
		switch {
		case i%50 == 7:
			old := list[i-5]
			e.Replaces, e.On, e.Body = &old.ID, old.On, old.Body
		case i%10 == 3:
			e.On, e.Body = today-200, record.Body{Watered: &record.Watered{}}
		case i%3 == 0:
			e.Body = check("wilt", 0, "longest-root", i%900)
		default:
			e.Body = record.Body{Noted: &record.Noted{Text: "nothing new"}}
		}
		list = append(list, e)
	}
	for b.Loop() {
		ledger := record.NewLedger(id, nil, nil)
		for _, e := range list {
			if faults := ledger.Check(e, today); len(faults) > 0 {
				b.Fatal(faults)
			}
			ledger.Add(e)
		}
		ledger.State()
	}
}
