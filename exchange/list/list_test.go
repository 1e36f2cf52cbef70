package list_test

import (
	"bytes"
	"fmt"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"golang.org/x/text/encoding/charmap"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/exchange"
	"tendermend/exchange/list"
	"tendermend/record"
)

var today = day.Of(2026, time.November, 24)

func read(t *testing.T, text string) list.Preview {
	t.Helper()
	p, err := list.Read([]byte(text), plant.Kinds{}, today, nil)
	require.NoError(t, err)
	return p
}

// The same list is read the same with each separator, in UTF-8 with or without its mark, and
// in the Latin letters of Windows.
func TestAListIsReadWithAnySeparatorAndLetters(t *testing.T) {
	const text = "Name;Kind;Arrived;Place\nSüße Fern;Boston fern;2026-03-01;Küche\nPothos;Epipremnum aureum;;Hall\n"
	want := read(t, text)
	require.Empty(t, want.Problems)
	require.Len(t, want.Plants, 2)
	assert.Equal(t, list.Listed{Row: 2, Name: "Süße Fern", Kind: "nephrolepis-exaltata", Called: "Nephrolepis exaltata",
		Habit: "fern", Arrived: "2026-03-01", Place: "Küche"}, want.Plants[0])
	for _, by := range []string{",", "\t", "|"} {
		assert.Equal(t, want.Plants, read(t, strings.ReplaceAll(text, ";", by)).Plants, "by %q", by)
	}
	assert.Equal(t, want.Plants, read(t, "\ufeff"+text).Plants)
	assert.Equal(t, want.Plants, read(t, strings.ReplaceAll(text, "\n", "\r\n")).Plants)
	latin, err := charmap.Windows1252.NewEncoder().Bytes([]byte(text))
	require.NoError(t, err)
	assert.Equal(t, want.Plants, read(t, string(latin)).Plants)
	assert.Equal(t, 3, read(t, "sep=;\n"+text).Plants[0].Row, "the line of the separator counts as a row")
}

// Rows are counted as a spreadsheet counts them.
func TestRowsAreNamedAsASpreadsheetNumbersThem(t *testing.T) {
	p := read(t, "name;kind;note\n\nA;fern;\"two\nlines\"\nB;nothing;\n")
	require.Len(t, p.Plants, 2)
	assert.Equal(t, []int{3, 4}, []int{p.Plants[0].Row, p.Plants[1].Row})
	require.Len(t, p.Problems, 1)
	assert.Equal(t, 4, p.Problems[0].Row)
	assert.Equal(t, "kind", p.Problems[0].Column)
}

// Headings are matched by sense.
func TestHeadingsAreMatchedBySense(t *testing.T) {
	for heading, as := range map[string]string{
		"Plant": "name", "NICKNAME": "name", "Botanical name": "kind", "Species (latin)": "kind", "Grows as": "habit",
		"Label #": "label", "Pot no.": "label", "Date acquired": "arrived", "Arived": "arrived", "Bought on": "arrived",
		"Where it stands": "place", "Locaton": "place", "Room": "place", "Seller": "from", "Price (€)": "price",
		"Pot size [cm]": "pot", "Substrate": "medium", "Number of leaves": "leaves", "Remarks": "note", "": "",
		"Favourite song": "", "new leaves": "new-leaves",
	} {
		p := read(t, "name;"+heading+";x\nA;b;c\n")
		if heading == "Plant" || heading == "NICKNAME" {
			p = read(t, heading+";kind\nA;fern\n")
			assert.Equal(t, as, p.Columns[0].As, heading)
			continue
		}
		assert.Equal(t, as, p.Columns[1].As, heading)
	}
	overruled, err := list.Read([]byte("name;Favourite song\nA;fern\n"), plant.Kinds{}, today,
		map[string]string{"Favourite song": "kind"})
	require.NoError(t, err)
	assert.Equal(t, "fern", overruled.Plants[0].Habit, "corrected by hand")
}

// A kind is found by any name, a letter wrong or a way of growing; several are named.
func TestKindsAreFoundByAnyName(t *testing.T) {
	for said, want := range map[string][2]string{
		"Monstera deliciosa": {"monstera-deliciosa", "aroid-vine"},
		"monstera-deliciosa": {"monstera-deliciosa", "aroid-vine"},
		"peace lilly":        {"spathiphyllum-wallisii", "aroid-clump"}, "Boston fern": {"nephrolepis-exaltata", "fern"},
		"fern": {"", "fern"}, "Aroid vine": {"", "aroid-vine"}, "aroid vines": {"", "aroid-vine"},
	} {
		p := read(t, "name;kind\nA;"+said+"\n")
		require.Len(t, p.Plants, 1, said)
		assert.Empty(t, p.Problems, said)
		assert.Equal(t, want, [2]string{p.Plants[0].Kind, p.Plants[0].Habit}, said)
	}
	unknown := read(t, "name;kind\nA;Blargus florum\n")
	require.Len(t, unknown.Problems, 1)
	assert.Contains(t, unknown.Problems[0].Why, `no kind is called "Blargus florum"`)
	several := read(t, "name;kind\nA;Phalaenopsis\nB;Begonia\n")
	for _, p := range several.Problems {
		assert.Contains(t, p.Why, "is the name of several kinds")
	}
	assert.NotEmpty(t, several.Problems)
	clash := read(t, "name;kind;habit\nA;Boston fern;aroid vine\n")
	require.Len(t, clash.Problems, 1)
	assert.Contains(t, clash.Problems[0].Why, "its kind grows as")
	byName := read(t, "name\nMonstera deliciosa\nFred\n")
	assert.Equal(t, "monstera-deliciosa", byName.Plants[0].Kind)
	require.Len(t, byName.Problems, 1, "nobody knows what Fred is")
	assert.Equal(t, 3, byName.Problems[0].Row)
}

// Days are read in the usual forms; what could be two days is asked about.
func TestDaysAreReadInTheUsualForms(t *testing.T) {
	for said, want := range map[string]string{
		"2026-03-01": "2026-03-01", "2026/3/1": "2026-03-01", "1.3.2026": "2026-03-01", "01.03.26": "2026-03-01",
		"1 March 2026": "2026-03-01", "March 1, 2026": "2026-03-01", "1st of Mar 2026": "2026-03-01",
		"1-Mar-26":      "2026-03-01",
		"Mar 1st, 2026": "2026-03-01", "March 2026": "2026-03-01", "24/11/2026": "2026-11-24", "11/24/2026": "2026-11-24",
		"46082": "2026-03-01", "20260301": "2026-03-01",
		"2026-03-01T10:15:00Z": "2026-03-01", "today": "2026-11-24", "Yesterday": "2026-11-23",
		"3/3/2026": "2026-03-03", "12 Sept 2026": "2026-09-12",
	} {
		p := read(t, "name;kind;arrived\nA;fern;"+said+"\n")
		require.Len(t, p.Plants, 1)
		assert.Empty(t, p.Problems, said)
		assert.Equal(t, want, p.Plants[0].Arrived, said)
	}
	for said, why := range map[string]string{
		"31.02.2026": "no such day", "2026-13-01": "no such day", "20260231": "no such day", "25.11.2026": "still to come",
		"2027-01-01": "still to come",
		"1/3/2026":   "either way round", "last spring": "no day that can be read", "2026-03": "no day that can be read",
	} {
		p := read(t, "name;kind;arrived\nA;fern;"+said+"\n")
		require.Len(t, p.Problems, 1, said)
		assert.Contains(t, p.Problems[0].Why, why, said)
		assert.Empty(t, p.Plants[0].Arrived, said)
	}
	// Another row of the column tells which way round they are.
	for other, want := range map[string]string{"24/11/2026": "2026-03-01", "11/24/2026": "2026-01-03"} {
		p := read(t, "name;kind;arrived\nA;fern;1/3/2026\nB;fern;"+other+"\n")
		assert.Empty(t, p.Problems, other)
		assert.Equal(t, want, p.Plants[0].Arrived, other)
	}
}

// A reading a row, or several measures side by side.
func TestReadingsAreReadARowOrAColumnEach(t *testing.T) {
	long := read(t, "plant;date;measure;value\nFern;2026-05-01;weight;410\nFern;2026-05-02;new leaves;2\n"+
		"Fern;2026-05-03;watered;200\nFern;2026-05-04;charm;3\n;2026-05-04;weight;3\nFern;;weight;3\n")
	assert.Empty(t, long.Plants)
	assert.Equal(t, []list.ReadingRow{
		{Row: 2, Plant: "Fern", On: "2026-05-01", Measure: "weight", Value: 410},
		{Row: 3, Plant: "Fern", On: "2026-05-02", Measure: "new-leaves", Value: 2},
		{Row: 4, Plant: "Fern", On: "2026-05-03", Measure: "watered", Value: 200},
	}, long.Readings)
	rows := []int{}
	for _, p := range long.Problems {
		rows = append(rows, p.Row)
	}
	assert.Equal(t, []int{5, 6, 7}, rows)
	wide := read(t, "label\tdate\tweight (g)\twatered\tnew leaves\n"+
		"T-1\t2026-05-01\t410\tx\t1\nT-1\t2026-05-08\t355,5\tno\t\n")
	assert.Empty(t, wide.Problems)
	assert.Equal(t, []list.ReadingRow{
		{Row: 2, Plant: "T-1", On: "2026-05-01", Measure: "weight", Value: 410},
		{Row: 2, Plant: "T-1", On: "2026-05-01", Measure: "watered", Value: 0},
		{Row: 2, Plant: "T-1", On: "2026-05-01", Measure: "new-leaves", Value: 1},
		{Row: 3, Plant: "T-1", On: "2026-05-08", Measure: "weight", Value: 355.5},
	}, wide.Readings)
}

func TestWhatCannotBeInAListIsNamed(t *testing.T) {
	p := read(t, "name;kind;label;price;leaves\n"+
		"A;fern;T-1;12,50 €;many\nB;fern;t-1;-3;4\n;;;;\nC;fern;T-2;1;2;3\n;;T-9;;\n")
	said := map[int]string{}
	for _, one := range p.Problems {
		said[one.Row] += one.String() + "\n"
	}
	assert.Contains(t, said[2], "“leaves”")
	assert.Contains(t, said[3], `"-3" is no number`)
	assert.Contains(t, said[3], "stands in row 2 too")
	assert.Contains(t, said[5], "1 cell more")
	assert.Contains(t, said[6], "give its kind by any name")
	assert.Len(t, p.Plants, 4)
	assert.InDelta(t, 12.5, *p.Plants[0].Price, 1e-9)
	_, err := list.Read([]byte(" \n "), plant.Kinds{}, today, nil)
	require.ErrorIs(t, err, list.ErrNoTable)
	_, err = list.Read([]byte(strings.Repeat("name\n", 20_000)), plant.Kinds{}, today, nil)
	require.NoError(t, err)
	_, err = list.Read([]byte(strings.Repeat("name\n", 20_001)), plant.Kinds{}, today, nil)
	require.ErrorContains(t, err, "more than 20000 rows")
}

// Numbers are taken up to their limits, with a point or a comma and a unit behind them; so
// are the days that a spreadsheet counts.
func TestNumbersOfAListAreTakenUpToTheirLimits(t *testing.T) {
	for column, limits := range map[string][4]string{
		"price":     {"-0,1", "0", "100000", "100000.1"},
		"pot size":  {"0.9 cm", "1 cm", "200 cm", "200.1 cm"},
		"pot depth": {"0.9", "1", "200", "200.1"},
		"leaves":    {"-1", "0", "5000", "5001"},
		"growths":   {"-1", "0", "5000", "5001"},
		"arrived":   {"20000", "20001", "46350", "46351"}, // the last two are today and tomorrow
	} {
		for i, said := range limits {
			p := read(t, "name;kind;"+column+"\nA;fern;"+said+"\n")
			assert.Equal(t, i == 1 || i == 2, len(p.Problems) == 0, "%s %s: %v", column, said, p.Problems)
		}
	}
}

// Thousands are parted with a comma, a point or a space, decimals with a point or a comma; what would be
// outside its limits with thousands is read with decimals.
func TestThousandsAndDecimalsAreToldApart(t *testing.T) {
	for said, want := range map[string]float64{
		"1,240": 1240, "1.240": 1240, "1 240 g": 1240, "1'240": 1240, "1,240.5": 1240.5, "1.240,5": 1240.5,
		"12,345,678": 12345678, "0.240": 0.24, "12.5": 12.5, "12,50 €": 12.5, "$1,200.00": 1200, "1240": 1240, ".5": 0.5,
	} {
		p := read(t, "plant;date;weight (g)\nA;2026-05-01;"+said+"\n")
		if assert.Len(t, p.Readings, 1, "%s: %v", said, p.Problems) {
			assert.InDelta(t, want, p.Readings[0].Value, 1e-9, said)
		}
	}
	for _, said := range []string{"3-4", "abc", "1,2,3", "12 or 13", "-", "1.2.3"} {
		p := read(t, "plant;date;weight (g)\nA;2026-05-01;"+said+"\n")
		assert.Empty(t, p.Readings, said)
		assert.Equal(t, said != "-", len(p.Problems) == 1, said) // a dash says that there is none
	}
	p := read(t, "name;kind;pot size\nA;fern;11.250 cm\n")
	assert.Empty(t, p.Problems)
	assert.InDelta(t, 11.25, *p.Plants[0].PotCM, 1e-9)
}

// The name of a plant tells its kind where it holds a name of five letters and more.
func TestANameTellsItsKindByALongName(t *testing.T) {
	for name, kind := range map[string]string{
		"my Pothos by the door": "epipremnum-aureum", "Ida": "", "Fred": "", "the old snake plant": "dracaena-trifasciata",
	} {
		assert.Equal(t, kind, read(t, "name\n"+name+"\nB\n").Plants[0].Kind, name)
	}
}

// What a register can say of an arrival a list can say too.
func TestAListSaysAllThatAnArrivalTakes(t *testing.T) {
	a, err := list.Understand([]byte("name;habit;pot size;pot depth;leaves;growths;packing;how long had;quarantine;soil\n"+
		"Fred;fern;14;12;9;2;dry;months;yes;peat\n"), list.Here{Kinds: plant.Kinds{}, Today: today}, nil)
	require.NoError(t, err)
	got := a.Plants[0].Entries[0].Arrived
	wide, deep, leaves, growths := 14.0, 12.0, 9, 2
	assert.Equal(t, &record.Arrived{
		Name: "Fred", Habit: "fern", PotWidthCM: &wide, PotDepthCM: &deep, Leaves: &leaves, Growths: &growths,
		Packing: record.PackedDry, Had: record.HadMonths, Isolated: true, Medium: "peat",
	}, got)
}

// A list without problems is taken in as a register is; one with problems is refused whole.
func TestAListIsTakenInWholeOrNotAtAll(t *testing.T) {
	here := list.Here{Kinds: plant.Kinds{}, Today: today}
	good := []byte("Plant;Species;Bought;Where\nFred;Boston fern;1 March 2026;Hall\nIda;aroid vine;;Hall\n")
	a, err := list.Understand(good, here, nil)
	require.NoError(t, err)
	require.Len(t, a.Plants, 2)
	require.Len(t, a.Places, 1)
	assert.Equal(t, day.Of(2026, time.March, 1), a.Plants[0].Entries[0].On)
	assert.Equal(t, "nephrolepis-exaltata", a.Plants[0].Entries[0].Arrived.Profile)
	assert.Equal(t, today, a.Plants[1].Entries[0].On)
	again, err := list.Understand(good, here, nil)
	require.NoError(t, err)
	assert.Equal(t, a.Plants[0].ID, again.Plants[0].ID, "the same list twice is the same plants")

	var many bytes.Buffer
	many.WriteString("Plant;Species\n")
	for i := range 25 {
		fmt.Fprintf(&many, "P%d;unheard of\n", i)
	}
	_, err = list.Understand(many.Bytes(), here, nil)
	require.ErrorContains(t, err, "row 2, column “Species”: no kind is called")
	require.ErrorContains(t, err, "and 5 more")
	_, err = list.Understand([]byte(`{"format":"other"}`), here, nil)
	require.Error(t, err)
}

// Readings go to the plant that has the label, or the name; a name that nobody has, or that
// two have, is a problem.
func TestReadingsGoToThePlantsThatAreHere(t *testing.T) {
	plantOf := func(label, name string) exchange.Registered {
		return exchange.Registered{ID: uuid.New(), Arrival: record.Arrived{Label: label, Name: name}}
	}
	fern, one, two := plantOf("T-1", "Fern"), plantOf("T-2", "Pothos"), plantOf("T-3", "Pothos")
	here := list.Here{Kinds: plant.Kinds{}, Today: today, Plants: func() ([]exchange.Registered, error) {
		return []exchange.Registered{fern, one, two}, nil
	}}
	text := "plant;date;weight;watered;new leaves\nfern;2026-05-01;410;200;1\nt-2;2026-05-01;300;x;\n"
	a, err := list.Understand([]byte(text), here, nil)
	require.NoError(t, err)
	require.Len(t, a.Plants, 2)
	assert.Equal(t, []uuid.UUID{fern.ID, one.ID}, []uuid.UUID{a.Plants[0].ID, a.Plants[1].ID})
	e := a.Plants[0].Entries
	require.Len(t, e, 3)
	assert.InDelta(t, 410, e[0].Weighed.Grams, 0)
	assert.InDelta(t, 200, *e[1].Watered.Millilitres, 0)
	assert.Equal(t, []record.Value{{Measure: "new-leaves", Value: 1}}, e[2].Checked.Readings)
	assert.Nil(t, a.Plants[1].Entries[1].Watered.Millilitres)
	again, err := list.Understand([]byte(text), here, nil)
	require.NoError(t, err)
	assert.Equal(t, a, again, "the same ids each time")
	_, err = list.Understand([]byte(text+"Pothos;2026-05-02;3;;\nPalm;2026-05-02;3;;\n"), here, nil)
	require.ErrorContains(t, err, "row 4, column “plant”: 2 plants here are called \"Pothos\"; use the label")
	require.ErrorContains(t, err, "row 5, column “plant”: no plant here is called \"Palm\"")
}

// A column is told as understood only where the list is read for it.
func TestColumnsThatAreNotReadArePassedBy(t *testing.T) {
	columns := func(text string) (as []string) {
		p, err := list.Read([]byte(text), plant.Kinds{}, today, nil)
		require.NoError(t, err)
		for _, c := range p.Columns {
			as = append(as, c.As)
		}
		return as
	}
	assert.Equal(t, []string{"name", "on", "", "weight"},
		columns("plant,date,leaf count,weight\nFred,2026-03-01,12,450\n"))
	assert.Equal(t, []string{"name", "kind", "leaves", "", ""},
		columns("plant,kind,leaf count,weight,wilt\nFred,Monstera deliciosa,12,450,0\n"))
}

// Headings in the languages of the neighbours are matched as English ones are.
func TestHeadingsInOtherLanguages(t *testing.T) {
	for _, headings := range []string{
		"Name;Art;Standort;Gekauft am;Preis;Topfgröße", "Nom;Espèce;Emplacement;Date d'achat;Prix;Taille du pot",
		"Nombre;Especie;Ubicación;Fecha de compra;Precio;Maceta", "Naam;Soort;Plaats;Aankoopdatum;Prijs;Potmaat",
		"Nome;Specie;Luogo;Data di acquisto;Prezzo;Vaso",
	} {
		p, err := list.Read([]byte(headings+"\nLulu;fern;Salon;2026-02-24;4;12\n"), plant.Kinds{}, today, nil)
		require.NoError(t, err)
		as := []string{}
		for _, c := range p.Columns {
			as = append(as, c.As)
		}
		assert.Equal(t, []string{"name", "kind", "place", "arrived", "price", "pot"}, as, headings)
	}
}
