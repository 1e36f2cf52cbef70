package everyday

import (
	"fmt"
	"os"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/plant"
	"tendermend/internal/approve"
)

// What sentences are read as is read by somebody before it is approved: this keeps it as it was then. APPROVE=1
// writes it anew; the change is then seen in the difference.
func TestReadingsStayAsTheyWereApproved(t *testing.T) {
	said, err := os.ReadFile("testdata/sentences.txt")
	require.NoError(t, err)
	var made strings.Builder
	for line := range strings.Lines(string(said)) {
		line = strings.TrimSpace(line)
		r := Read(line, plant.Kinds{})
		fmt.Fprintf(&made, "%s\n  %s:", line, strings.Join(r.Kind, " "))
		for _, s := range r.Present {
			fmt.Fprintf(&made, " %s%s", s.Sign, map[bool]string{false: "?"}[s.Sure])
		}
		for _, id := range r.Absent {
			fmt.Fprintf(&made, " -%s", id)
		}
		made.WriteString("\n")
	}
	approve.Text(t, "testdata/approved-readings.txt", made.String(), "\n")
}

// How near phrases are to the signs that they find stays as it was approved, to a thousandth: what an idea weighs
// is seen in it, where its order alone would hide that. The book is some phrases, which stay as they are when others
// are added to the table.
func TestNearnessStaysAsItWasApproved(t *testing.T) {
	phrases, err := os.ReadFile("testdata/some-phrases.csv")
	require.NoError(t, err)
	bookOnce() // the words that are known are those of the whole table
	b := newBook(string(phrases))
	var made strings.Builder
	for _, row := range table(t, "testdata/said.csv") {
		made.WriteString(row[0] + ":")
		for _, m := range b.matches(b.lex.ideasOf(b.lex.wordsOf(row[0]))) {
			if m.near > 0.3 {
				fmt.Fprintf(&made, " %s %.3f", m.sign, m.near)
			}
		}
		made.WriteString("\n")
	}
	approve.Text(t, "testdata/approved-nearness.txt", made.String(), "\n")
}

// A word is found with one letter wrong from four letters on, with two from six, the first of which is right.
func TestHowManyLettersMayBeWrong(t *testing.T) {
	l := &lexicon{ideas: map[string]idea{}, has: map[string]bool{}, stems: map[string]bool{}}
	for _, w := range []string{"rot", "mite", "mould", "yellow"} {
		l.learn(w)
	}
	for said, want := range map[string]string{
		"rpt": "", "rxt": "", // three letters stand as they are
		"mitx": "mite", "xite": "mite", "mixx": "", // four: one
		"mouxd": "mould", "moxxd": "", "muold": "mould", // five: one, two that swapped count as one
		"yelxxw": "yellow", "yxllxw": "yellow", "xelxow": "", // six: two, the first being right
		"xellow": "yellow", "yxxxow": "", "yelloxxx": "",
	} {
		assert.Equal(t, want, l.nearest(said), said)
	}
}

// A kind is found misspelt by a name of four letters on, and in names of three words at most; by one of two
// letters on as it stands; five at most.
func TestWhichNamesAreLookedFor(t *testing.T) {
	assert.Equal(t, []int{5, 3, 2, 4, 5}, []int{mostWords, mostMisspelt, leastName, leastMisspelt, mostKinds})
	for said, want := range map[string]string{
		"my zz plant":                  "zamioculcas-zamiifolia",
		"my monstra is limp":           "monstera-deliciosa",
		"my monstera deliciosaa hangs": "monstera-deliciosa",
		"my aloa":                      "aloe-vera",
		"my z is limp":                 "",
		"green leaves on a tree":       "",
	} {
		r := Read(said, plant.Kinds{})
		if want == "" {
			assert.Empty(t, r.Kind, said)
			continue
		}
		if assert.NotEmpty(t, r.Kind, said) {
			assert.Equal(t, want, r.Kind[0], said)
		}
	}
}

// A part of a sentence stands alone from where it is near enough to a sign, and one sentence is read after another.
func TestSentencesAreReadApart(t *testing.T) {
	r := Read("My aloe is limp. Is it too dry? The soil smells.", plant.Kinds{})
	assert.Equal(t, []string{"aloe-vera"}, r.Kind[:1])
	assert.Equal(t, []Seen{{"leaf.drooping", true}, {"root.smell", true}}, r.Present)
}
