// Command mutate changes the code in one place at a time, runs the tests, and
// lists the changes that no test noticed. Outside of the code of plans a change
// is tried by the tests of its own package, and by those of the record.
//
//	go run ./scripts/mutate [-n 200] [-seed 1] [-dir core/treatment] [-file effect]
//	go run ./scripts/mutate -dir record,core/recovery,core/pest,core/bench,core/mix
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

// sweeps are the tests of many thousand plans.
const sweeps = "^(TestPlansBreakNoRule|TestPlansComeToTheirGoalOrSayWhyNot|TestPlansStayAsBrokenAsTheyWereApproved)$"

// prints are the quickest tests of many plans: most mutants end there.
const prints = "^(TestPrintsOfManyPlansStay|TestPlansStayAsTheyWereApproved|TestTheGoldenPlansComeOutAsWritten)$"

// plans is the folder whose tests are run in stages.
const plans = "core/treatment"

// stages are what a mutant of the code of plans has to outlive: the quick tests
// first, then the sweeps.
var stages = [][]string{
	{"-run", prints, "./core/treatment"},
	{"-skip", sweeps, "./core/treatment/..."},
	{"-run", sweeps, "./core/treatment"},
}

// walks are the tests of the differential that go through many examinations.
const walks = "^(TestNothingAdvisedNowHarms|TestSoundPlantsAreFoundSound|TestIllPlantsAreSeldomCalledSound|" +
	"TestTwoSignsAndAFewChecksLeadToTheCause)$"

// stagesOf are what a mutant of a folder has to outlive.
func stagesOf(dir string) [][]string {
	switch {
	case strings.HasPrefix(dir, plans):
		return stages
	case dir == "core/diagnosis":
		return [][]string{{"-skip", walks, "./core/diagnosis"}, {"-run", walks, "./core/diagnosis"}, {"./record"}}
	}
	return [][]string{{"./" + dir}, {"./record"}}
}

// file narrows the choice to files whose name begins so.
var file = flag.String("file", "", "only files whose name begins so")

func main() {
	n := flag.Int("n", 200, "how many mutants")
	seed := flag.Uint64("seed", 1, "of the choice of mutants")
	dir := flag.String("dir", plans, "where: folders, with commas between them")
	again := flag.String("again", "", "a file with lines of an earlier run: only those that lived there")
	quick := flag.Bool("quick", false, "without the sweep: more of them live")
	side := flag.Int("parallel", 2, "mutants side by side")
	flag.Parse()
	dirs := strings.Split(*dir, ",")
	places, err := find(dirs, nil)
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		os.Exit(1)
	}
	chosen, err := choose(dirs, len(places), *n, *seed, *again)
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		os.Exit(1)
	}
	if *quick {
		stages = stages[:2]
	}
	lived, unbuilt := tryAll(chosen, *side)
	slices.Sort(lived)
	tried := len(chosen) - unbuilt
	fmt.Printf("\n%d places to change, %d tried (%d more did not build), %d killed: %.1f %%\n",
		len(places), tried, unbuilt, tried-len(lived), 100*float64(tried-len(lived))/float64(max(tried, 1)))
	for _, l := range lived {
		fmt.Println("lived:", l)
	}
}

// choose draws n of the places by a seed; of an earlier run only those that lived.
func choose(dirs []string, places, n int, seed uint64, again string) ([]mutant, error) {
	wanted := map[int]bool{}
	for _, i := range rand.New(rand.NewPCG(seed, seed)).Perm(places)[:min(n, places)] {
		wanted[i] = true
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
		args := append([]string{"test", "-vet=off", "-failfast", "-timeout", "180s", "-overlay", overlay}, stage...)
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
			was := x.Op
			if to, ok := other[was]; ok {
				x.Op = to
				keep(x, fmt.Sprintf("%s becomes %s", was, to))
				x.Op = was
			}
		case *ast.IfStmt:
			was := x.Cond
			x.Cond = &ast.UnaryExpr{Op: token.NOT, X: &ast.ParenExpr{X: was}}
			keep(x, "the branch is turned round")
			x.Cond = was
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

// other is what a comparison or an arithmetic sign becomes.
var other = map[token.Token]token.Token{
	token.LSS: token.LEQ, token.LEQ: token.LSS, token.GTR: token.GEQ, token.GEQ: token.GTR,
	token.EQL: token.NEQ, token.NEQ: token.EQL, token.LAND: token.LOR, token.LOR: token.LAND,
	token.SUB: token.ADD, token.MUL: token.QUO,
}
