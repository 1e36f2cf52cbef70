package diagnosis

import (
	"bytes"
	"os"
	"testing"
)

// twentySigns are observed on a plant in as many troubles as it can have: the
// heaviest case the differential is asked for.
var twentySigns = Examination{
	Habit: "aroid-vine",
	Present: []string{
		"leaf.yellow-few-oldest",
		"leaf.drooping",
		"leaf.tips-brown",
		"leaf.spots-dark-dry",
		"leaf.dropping-fast",
		"leaf.yellow-many-fast",
		"new.none-in-season",
		"med.wet-long",
		"course.slow",
		"root.no-tips",
		"pest.cotton",
		"leaf.sticky",
	},
	Absent: []string{
		"pest.scale-bumps",
		"pest.webbing",
		"root.smell",
		"stem.soft-brown",
		"leaf.black-mush",
		"place.cold",
		"med.dry-through",
		"leaf.stippling",
	},
}

var twentyPresent = Examination{
	Habit: "aroid-vine",
	Present: append(
		append([]string{}, twentySigns.Present...),
		"leaf.edges-brown",
		"leaf.pale-overall",
		"leaf.curled-in",
		"stem.shrivelled-newest",
		"leaf.crisp",
		"course.neighbours",
		"root.tips-burnt",
		"leaf.small-new",
	),
}

func benchmarkExamine(b *testing.B, e Examination) {
	for b.Loop() {
		if _, err := Standard().Examine(e); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkDifferentialTwelvePresentEightAbsent(b *testing.B) { benchmarkExamine(b, twentySigns) }
func BenchmarkDifferentialTwentyPresent(b *testing.B)            { benchmarkExamine(b, twentyPresent) }

func BenchmarkNextChecks(b *testing.B) {
	c, err := Standard().Examine(twentyPresent)
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		c.checks = nil
		c.NextChecks()
	}
}

func BenchmarkEvidenceForEightCauses(b *testing.B) {
	c, err := Standard().Examine(twentyPresent)
	if err != nil {
		b.Fatal(err)
	}
	var lead []string
	for _, cc := range c.Causes()[:8] {
		lead = append(lead, cc.ID)
	}
	for b.Loop() {
		c.without = nil
		c.Evidence(lead)
	}
}

func BenchmarkWholeResult(b *testing.B) {
	for b.Loop() {
		if _, err := Diagnose(twentyPresent); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkLearnFromTwoThousandCases(b *testing.B) {
	raw, err := os.ReadFile("testdata/cases_practice.json")
	if err != nil {
		b.Fatal(err)
	}
	cases, _, err := ReadCases(bytes.NewReader(raw))
	if err != nil {
		b.Fatal(err)
	}
	for len(cases) < 2000 {
		cases = append(cases, cases...)
	}
	k := Standard()
	for b.Loop() {
		k.Learned(k.Learn(cases[:2000]), Switches{Priors: true, Links: true, Backgrounds: true})
	}
}

func BenchmarkTurns(b *testing.B) {
	c, err := Standard().Examine(twentyPresent)
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		c.Turns()
	}
}
