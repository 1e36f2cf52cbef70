// Command mutate changes the code in one place at a time, runs the tests, and lists the changes that no test noticed:
// a limit is moved to its other side, a half of a condition is left out, a number is a little larger. What is drawn
// follows from the commit.
//
//	go run ./scripts/mutate [-n 100] [-seed 1] [-dir core,record,store] [-file effect]
package main

import (
	"encoding/json"
	"flag"
	"fmt"
	"go/ast"
	"go/format"
	"go/parser"
	"go/token"
	"math/rand/v2"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"sync"
)

// mutant is one change: the file with it, and what it is in words.
type mutant struct {
	file, says string
	source     []byte
}

// later are folders that a run over all leaves out: what composes and checks plans, and what is due, has sweeps of its
// own that take minutes a mutant.
var later = []string{"core/treatment/compose", "core/treatment/check", "record/due"}

// walks are the tests of the differential that go through many examinations.
const walks = "^(TestNothingAdvisedNowHarms|TestSoundPlantsAreFoundSound|TestIllPlantsAreSeldomCalledSound|" +
	"TestTwoSignsAndAFewChecksLeadToTheCause)$"

// sweeps are the tests of many thousand plans.
const sweeps = "^(TestPlansBreakNoRule|TestPlansOfRareFactsBreakNoRule|TestEveryMoveIsInSomePlan)$"

// stagesOf are what a mutant of a folder has to outlive: the tests of its own package, then of those that stand on it,
// and at last those that ask the server.
func stagesOf(dir string) [][]string {
	return append(nearStages(dir), []string{"./exchange/...", "./server"})
}

func nearStages(dir string) [][]string {
	switch {
	case strings.HasPrefix(dir, "core/treatment"):
		return [][]string{{"-skip", sweeps, "./core/treatment/..."}, {"./record/..."}, {"-run", sweeps, "./core/treatment"}}
	case dir == "core/diagnosis":
		return [][]string{{"-skip", walks, "./core/diagnosis"}, {"-run", walks, "./core/diagnosis"}, {"./record"}}
	case strings.HasPrefix(dir, "record"):
		return [][]string{{"-skip", many, "./record/..."}, {"-run", many, "./record"}}
	case dir == "store":
		return [][]string{{"-skip", slow, "./store"}, {"-run", slow, "./store"}}
	}
	return [][]string{{"./" + dir}, {"-skip", many, "./record/..."}, {"-run", many, "./record"}}
}

// Tests that take longest come last: most mutants die before.
const (
	many = "HoldsTogether|HoldTogether|FactsOfALedger"
	slow = "TestAReplicaTakesTheReads|TestTablesSplitByCollectionTellTheSame|TestAnErasedAccountLeavesNothing|" +
		"TestEarlierEditionsArchivesComeBack"
)

// What narrows the choice.
var (
	file  = flag.String("file", "", "only files whose name begins so")
	match = flag.String("match", "", "only changes whose words fit this regular expression")
)

func main() {
	n := flag.Int("n", 100, "how many mutants")
	seed := flag.Uint64("seed", 0, "of the choice of mutants; the commit's where it is 0")
	dir := flag.String("dir", "core,record,store", "where: folders, with commas between them")
	again := flag.String("again", "", "a file with lines of an earlier run: only those that lived there")
	side := flag.Int("parallel", 2, "mutants side by side")
	flag.Parse()
	if *seed == 0 {
		*seed = ofCommit()
	}
	dirs := strings.Split(*dir, ",")
	places, err := find(dirs, nil)
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		os.Exit(1)
	}
	chosen, err := choose(dirs, places, *n, *seed, *again)
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		os.Exit(1)
	}
	lived, unbuilt := tryAll(chosen, *side)
	slices.Sort(lived)
	tried := len(chosen) - unbuilt
	fmt.Printf("\nseed %d: %d places to change, %d tried (%d more did not build), %d killed: %.1f %%\n",
		*seed, len(places), tried, unbuilt, tried-len(lived), 100*float64(tried-len(lived))/float64(max(tried, 1)))
	for _, l := range lived {
		fmt.Println("lived:", l)
	}
}

// ofCommit is a seed that follows from the commit that is checked out; 1 where there is none.
func ofCommit() uint64 {
	out, err := exec.Command("git", "rev-parse", "--short=12", "HEAD").Output()
	if err != nil {
		return 1
	}
	seed, err := strconv.ParseUint(strings.TrimSpace(string(out)), 16, 64)
	if err != nil {
		return 1
	}
	return seed
}

// choose draws n of the places by a seed; of an earlier run only those that lived.
func choose(dirs []string, places []mutant, n int, seed uint64, again string) ([]mutant, error) {
	fits, err := regexp.Compile(*match)
	if err != nil {
		return nil, err
	}
	wanted := map[int]bool{}
	for _, i := range rand.New(rand.NewPCG(seed, seed)).Perm(len(places)) {
		if len(wanted) < n && fits.MatchString(places[i].says) {
			wanted[i] = true
		}
	}
	chosen, err := find(dirs, wanted)
	if err != nil {
		return nil, err
	}
	if again != "" {
		raw, err := os.ReadFile(again)
		if err != nil {
			return nil, err
		}
		chosen = slices.DeleteFunc(
			chosen,
			func(m mutant) bool { return !strings.Contains(string(raw), "lived "+m.says+"\n") },
		)
	}
	shuffled := rand.New(rand.NewPCG(seed, 2))
	shuffled.Shuffle(len(chosen), func(i, j int) { chosen[i], chosen[j] = chosen[j], chosen[i] })
	return chosen, nil
}

// tryAll tries mutants side by side, and tells which no test noticed.
func tryAll(chosen []mutant, side int) (lived []string, unbuilt int) {
	var mu sync.Mutex
	var wg sync.WaitGroup
	queue := make(chan mutant)
	for range side {
		wg.Go(func() {
			for m := range queue {
				fate := try(m)
				mu.Lock()
				switch fate {
				case "lived":
					lived = append(lived, m.says)
				case "unbuilt":
					unbuilt++
				}
				fmt.Println(fate, m.says)
				mu.Unlock()
			}
		})
	}
	for _, m := range chosen {
		queue <- m
	}
	close(queue)
	wg.Wait()
	return lived, unbuilt
}

// otherNumber is a number a little off; a text stays as it is.
func otherNumber(x *ast.BasicLit) string {
	switch x.Kind {
	case token.INT:
		if v, err := strconv.Atoi(x.Value); err == nil {
			return strconv.Itoa(v + 1)
		}
	case token.FLOAT:
		if v, err := strconv.ParseFloat(x.Value, 64); err == nil {
			return strconv.FormatFloat(v*1.25+0.01, 'f', -1, 64)
		}
	}
	return x.Value
}

// try builds and tests with one file replaced.
func try(m mutant) string {
	tmp, err := os.MkdirTemp("", "mutant")
	if err != nil {
		return "unbuilt"
	}
	defer func() { _ = os.RemoveAll(tmp) }()
	changed, overlay := filepath.Join(tmp, "changed.go"), filepath.Join(tmp, "overlay.json")
	abs, _ := filepath.Abs(m.file)
	replace, _ := json.Marshal(map[string]any{"Replace": map[string]string{abs: changed}})
	if os.WriteFile(changed, m.source, 0o600) != nil || os.WriteFile(overlay, replace, 0o600) != nil {
		return "unbuilt"
	}
	for _, stage := range stagesOf(filepath.Dir(m.file)) {
		args := append([]string{"test", "-vet=off", "-failfast", "-timeout", "10m", "-overlay", overlay}, stage...)
		out, err := exec.Command("go", args...).CombinedOutput()
		switch {
		case strings.Contains(string(out), "[build failed]"):
			return "unbuilt"
		case err != nil:
			return "killed"
		}
	}
	return "lived"
}

// find lists every place that can be changed; with wanted, only those, written out.
func find(dirs []string, wanted map[int]bool) (list []mutant, err error) {
	n := 0
	for _, dir := range dirs {
		made, err := in(dir, &n, wanted)
		if err != nil {
			return nil, err
		}
		list = append(list, made...)
	}
	return list, nil
}

func in(dir string, n *int, wanted map[int]bool) (list []mutant, err error) {
	err = filepath.WalkDir(dir, func(path string, d os.DirEntry, err error) error {
		if d != nil && d.IsDir() && slices.Contains(later, path) && path != dir {
			return filepath.SkipDir
		}
		if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") ||
			!strings.HasPrefix(filepath.Base(path), *file) {
			return err
		}
		made, err := inFile(path, n, wanted)
		list = append(list, made...)
		return err
	})
	return list, err
}

func inFile(path string, n *int, wanted map[int]bool) (list []mutant, err error) {
	set := token.NewFileSet()
	parsed, err := parser.ParseFile(set, path, nil, parser.ParseComments)
	if err != nil {
		return nil, err
	}
	keep := func(at ast.Node, what string) {
		i := *n
		*n++
		if wanted != nil && !wanted[i] {
			return
		}
		m := mutant{file: path, says: fmt.Sprintf("%s:%d %s", path, set.Position(at.Pos()).Line, what)}
		if wanted != nil {
			var b strings.Builder
			if format.Node(&b, set, parsed) != nil {
				return
			}
			m.source = []byte(b.String())
		}
		list = append(list, m)
	}
	ast.Inspect(parsed, func(n ast.Node) bool {
		switch x := n.(type) {
		case *ast.GenDecl:
			return x.Tok != token.IMPORT
		case *ast.Field:
			return false // types and tags
		case *ast.BinaryExpr:
			was := *x
			if to, ok := other[was.Op]; ok {
				x.Op = to
				keep(x, fmt.Sprintf("%s becomes %s", was.Op, to))
				*x = was
			}
			if was.Op == token.LAND || was.Op == token.LOR {
				// The half that stays stands on both sides.
				x.X = was.Y
				keep(x, "the left half is left out")
				*x = was
				x.Y = was.X
				keep(x, "the right half is left out")
				*x = was
			}
		case *ast.BasicLit:
			was := x.Value
			x.Value = otherNumber(x)
			if x.Value != was {
				keep(x, was+" becomes "+x.Value)
				x.Value = was
			}
		}
		return true
	})
	return list, nil
}

// other is what a limit becomes: it counts on its other side.
var other = map[token.Token]token.Token{
	token.LSS: token.LEQ, token.LEQ: token.LSS, token.GTR: token.GEQ, token.GEQ: token.GTR,
}
