package treatment_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// The table of habits as growers' leaflets give it (society culture sheets and
// extension leaflets, from memory; common practice), written out once more by
// hand: mix by parts, cover after root loss, days dry after a cut, day of the
// first water after potting with whole roots, and what must be dry.
const habitTable = `
MON  medium bark 4 perlite 1 chopped moss 0.5   open    1-3   1   crown joints
SYM  medium bark 4 perlite 1 charcoal 0.5       open    1-3   1   joints
JEW  peat or coir 2 fine bark 1 perlite 1 closed  0-1   0   leaves
AV   potting soil 1 perlite 1 medium bark 1     closed  2-4   0   -
AC   potting soil 1 perlite 1 fine bark 1       closed  2-4   0   crown
RH   peat or coir 2 fine bark 1 perlite 1       closed  1-2   0   -
BEG  peat or coir 3 fine bark 1 vermiculite 1   open    1-2   0   leaves
TR   potting soil 3 perlite 1                   open    0-1   0   -
WO   potting soil 2 perlite 1 fine bark 1       open    1-2   0   -
GH   potting soil 2 perlite 1 medium bark 1     none    2-3   0   crown
WV   potting soil 1 medium bark 1     open    3-5   1   -
RS   pumice 1 coarse grit 1 potting soil 1      none    5-10  -   crown
US   pumice 1 coarse grit 1 potting soil 1      none    7-14  -   -
TS   pumice 1 coarse grit 1 potting soil 1      none    3-7   -   -
CA   pumice 2 coarse grit 1 potting soil 1             none    7-14  7   crown
FC   fine bark 2 peat or coir 2 perlite 1       none    3-5   2   -
FE   peat or coir 2 fine bark 1 perlite 1       closed  0-1   0   crown
PA   potting soil 2 coarse sand 1 fine bark 1   none    1-3   0   crown
CY   coarse grit 2 potting soil 1                      none    7-14  -   crown
BR   medium bark 2 peat or coir 1 perlite 1             open    1-2   -   cup
BU   potting soil 2 perlite 1 coarse grit 1            none    3-7   -   crown
GE   peat or coir 2 perlite 1 vermiculite 1             closed  1-2   -   leaves crown
CV   peat 1 perlite 1                           closed  0-0   0   -
HC   potting soil 3 perlite 1                   open    1-3   0   -
IV   potting soil 3 perlite 1                   open    1-2   0   -
CF   potting soil 2 perlite 1 medium bark 1     none    2-4   0   crown
`

func TestHabitsAreAsTheLeafletsGiveThem(t *testing.T) {
	for line := range strings.Lines(strings.TrimSpace(habitTable)) {
		code := strings.Fields(line)[0]
		t.Run(code, func(t *testing.T) {
			d, ok := treatment.HabitDefaults(code)
			require.True(t, ok)
			rest := strings.TrimSpace(strings.TrimPrefix(line, code))
			mix := make([]string, len(d.Mix))
			for i, p := range d.Mix {
				mix[i] = fmt.Sprintf("%s %g", p.What, p.Parts)
			}
			said := strings.Join(mix, " ")
			require.True(t, strings.HasPrefix(rest, said+" "), "%q is not the mix of %q", said, rest)
			words := strings.Fields(strings.TrimPrefix(rest, said))
			assert.Equal(t, words[0], string(d.Cover), "cover")
			assert.Equal(t, words[1], fmt.Sprintf("%d-%d", d.StemDry[0], d.StemDry[1]), "dry days")
			if words[2] != "-" {
				assert.Equal(t, words[2], fmt.Sprint(d.Whole), "first water after potting whole")
			}
			var dry []string
			for _, o := range d.KeepDry {
				dry = append(dry, string(o))
			}
			if words[3] == "-" {
				assert.Empty(t, dry)
			} else {
				assert.ElementsMatch(t, words[3:], dry, "what must be dry")
			}
		})
	}
}
