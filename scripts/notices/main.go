// Command notices writes the licences of all works that ship with the program:
// Go modules that are linked in, and packages and fonts of the front end. With
// -check it only says whether the file is current.
//
//	go run ./scripts/notices [-check]
package main

import (
	"bytes"
	"encoding/json"
	"flag"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"slices"
	"strings"
)

// file is where the notices are kept; the program ships it.
const file = "web/public/notices.txt"

// work is something that ships, with where its licence lies.
type work struct{ name, version, dir string }

func main() {
	check := flag.Bool("check", false, "only say whether the file is current")
	flag.Parse()
	text, err := notices()
	if err != nil {
		fmt.Fprintln(os.Stderr, "notices:", err)
		os.Exit(1)
	}
	old, _ := os.ReadFile(file)
	switch {
	case bytes.Equal(old, text):
	case *check:
		fmt.Fprintln(os.Stderr, file+" is not current: run make notices")
		os.Exit(1)
	default:
		if err := os.WriteFile(file, text, 0o644); err != nil {
			fmt.Fprintln(os.Stderr, "notices:", err)
			os.Exit(1)
		}
	}
}

func notices() ([]byte, error) {
	linked, err := goModules()
	if err != nil {
		return nil, err
	}
	shipped, err := npmPackages()
	if err != nil {
		return nil, err
	}
	var out bytes.Buffer
	fmt.Fprintln(&out, "Works by others that ship with Tender Mend, with their licences.")
	for _, w := range append(linked, shipped...) {
		licence, err := licenceOf(w.dir)
		if err != nil {
			return nil, fmt.Errorf("%s: %w", w.name, err)
		}
		fmt.Fprintf(&out, "\n%s\n%s %s\n%[1]s\n\n%[4]s\n", strings.Repeat("=", 72), w.name, w.version, licence)
	}
	return out.Bytes(), nil
}

// goModules lists the modules that are linked into the program, and the standard
// library, which does not lie with its licence everywhere.
func goModules() ([]work, error) {
	const format = `{{with .Module}}{{.Path}}|{{.Version}}|{{.Dir}}{{end}}`
	out, err := exec.Command("go", "list", "-deps", "-f", format, "./cmd/tendermend").Output()
	if err != nil {
		return nil, fmt.Errorf("listing modules: %w", err)
	}
	lines := strings.Split(strings.TrimSpace(string(out)), "\n")
	slices.Sort(lines)
	var list []work
	for _, line := range slices.Compact(lines) {
		parts := strings.Split(line, "|")
		if len(parts) == 3 && parts[0] != "tendermend" {
			list = append(list, work{parts[0], parts[1], parts[2]})
			if parts[0] == "golang.org/x/sys" {
				// The standard library is by the same authors under the same licence.
				list = append(list, work{"Go standard library", "", parts[2]})
			}
		}
	}
	return list, nil
}

// npmPackages lists what the front end needs to run: packages of the lock file
// that are not for building and testing alone.
func npmPackages() ([]work, error) {
	raw, err := os.ReadFile("web/package-lock.json")
	if err != nil {
		return nil, err
	}
	var lock struct {
		Packages map[string]struct {
			Version  string `json:"version"`
			Dev      bool   `json:"dev"`
			Optional bool   `json:"optional"`
			Peer     bool   `json:"peer"`
		} `json:"packages"`
	}
	if err := json.Unmarshal(raw, &lock); err != nil {
		return nil, fmt.Errorf("reading the lock file: %w", err)
	}
	var list []work
	for path, p := range lock.Packages {
		dir := filepath.Join("web", path)
		if _, err := os.Stat(dir); path == "" || p.Dev || p.Optional || strings.Contains(path, "/@types/") ||
			err != nil {
			continue
		}
		list = append(list, work{strings.TrimPrefix(path, "node_modules/"), p.Version, dir})
	}
	slices.SortFunc(list, func(a, b work) int { return strings.Compare(a.name, b.name) })
	return list, nil
}

// licenceOf reads the licence that lies in a folder; where a package names it and
// ships no text, its name.
func licenceOf(dir string) (string, error) {
	entries, err := os.ReadDir(dir)
	if err != nil {
		return "", err
	}
	var texts []string
	for _, e := range entries {
		name := strings.ToUpper(e.Name())
		if e.IsDir() || !slices.ContainsFunc([]string{"LICEN", "COPYING", "NOTICE", "OFL", "PATENTS"}, func(s string) bool {
			return strings.HasPrefix(name, s)
		}) ||
			strings.HasSuffix(name, ".GO") {
			continue
		}
		raw, err := os.ReadFile(filepath.Join(dir, e.Name()))
		if err != nil {
			return "", err
		}
		texts = append(texts, strings.TrimSpace(strings.ReplaceAll(string(raw), "\r\n", "\n")))
	}
	if len(texts) > 0 {
		return strings.Join(texts, "\n\n"), nil
	}
	raw, err := os.ReadFile(filepath.Join(dir, "package.json"))
	if err != nil {
		return "", fmt.Errorf("no licence lies in %s", filepath.Base(dir))
	}
	var pkg struct {
		License string `json:"license"`
	}
	if err := json.Unmarshal(raw, &pkg); err != nil || pkg.License == "" {
		return "", fmt.Errorf("names no licence")
	}
	return "Licence: " + pkg.License, nil
}
