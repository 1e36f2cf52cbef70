// Command differ composes the same drawn situations with the code of another commit and with that of this tree, and
// says how the plans differ: what was added, what is gone and what moved to another day, by the words of the step.
//
//	go run ./scripts/differ [-from HEAD] [-n 2000] [-seed 1] [-show 30]
package main

import (
	"cmp"
	"flag"
	"fmt"
	"maps"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"slices"
	"strconv"
	"strings"
)

func main() {
	from := flag.String("from", "HEAD", "the commit that is compared with")
	n := flag.Int("n", 2000, "plans")
	seed := flag.Int("seed", 1, "of what is drawn")
	show := flag.Int("show", 30, "how many classes are shown")
	flag.Parse()
	if err := run(*from, *n, *seed, *show); err != nil {
		fmt.Fprintln(os.Stderr, "differ:", err)
		os.Exit(1)
	}
}

func run(from string, n, seed, show int) error {
	tmp, err := os.MkdirTemp("", "differ")
	if err != nil {
		return err
	}
	defer func() { _ = os.RemoveAll(tmp) }()
	tree := filepath.Join(tmp, "tree")
	if out, err := exec.Command("git", "worktree", "add", "--detach", tree, from).CombinedOutput(); err != nil {
		return fmt.Errorf("laying out %s: %w: %s", from, err, out)
	}
	defer func() { _ = exec.Command("git", "worktree", "remove", "--force", tree).Run() }()
	old, err := plans(tree, filepath.Join(tmp, "old"), n, seed)
	if err != nil {
		return err
	}
	now, err := plans(".", filepath.Join(tmp, "now"), n, seed)
	if err != nil {
		return err
	}
	equal := 0
	classes := map[string]*class{}
	for head, was := range old {
		if !compare(head, was, now[head], classes) {
			equal++
		}
	}
	fmt.Printf("%d plans, %d equal\n", len(old), equal)
	list := slices.SortedFunc(maps.Values(classes), func(a, b *class) int {
		return cmp.Or(cmp.Compare(b.n, a.n), cmp.Compare(a.says, b.says))
	})
	for _, c := range list[:min(show, len(list))] {
		fmt.Printf("%5d %s\n      in %s\n", c.n, c.says, c.example)
	}
	return nil
}

// class is one way in which plans differ.
type class struct {
	says, example string
	n             int
}

// plans composes drawn situations with the code of a folder, each by its heading.
func plans(dir, binary string, n, seed int) (map[string]map[string]string, error) {
	build := exec.Command("go", "build", "-o", binary, "./cmd/tendermend")
	build.Dir = dir
	if out, err := build.CombinedOutput(); err != nil {
		return nil, fmt.Errorf("building %s: %w: %s", dir, err, out)
	}
	out, err := exec.Command(binary, "plan", "-sample", strconv.Itoa(n), "-seed", strconv.Itoa(seed)).Output()
	if err != nil {
		return nil, fmt.Errorf("composing with %s: %w", dir, err)
	}
	list := map[string]map[string]string{}
	for plan := range strings.SplitSeq(string(out), "== ") {
		head, body, _ := strings.Cut(plan, "\n")
		if head != "" {
			list[head] = steps(body)
		}
	}
	return list, nil
}

// steps gives the day of each step of a printed plan by its words.
func steps(body string) map[string]string {
	days, day := map[string]string{}, ""
	for line := range strings.SplitSeq(body, "\n") {
		if when, is := strings.CutPrefix(line, " - "); is {
			day = when
		} else if said := strings.TrimSpace(line); said != "" {
			days[said] = day
		}
	}
	return days
}

var number = regexp.MustCompile(`\d+([.,]\d+)?`)

// compare counts how two plans differ; false where they do not.
func compare(head string, was, now map[string]string, classes map[string]*class) (differ bool) {
	count := func(how, said string) {
		differ = true
		says := how + " " + number.ReplaceAllString(said, "#")
		if classes[says] == nil {
			classes[says] = &class{says: says, example: head}
		}
		classes[says].n++
	}
	for said, day := range was {
		switch other, still := now[said]; {
		case !still:
			count("gone ", said)
		case other != day:
			count("moved", said)
		}
	}
	for said := range now {
		if _, before := was[said]; !before {
			count("added", said)
		}
	}
	return differ
}
