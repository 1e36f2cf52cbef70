package main

import (
	"bytes"
	"flag"
	"fmt"
	"os"
	"slices"
	"strings"
	"time"
)

var written = flag.String("write", "", "a file whose table is written anew, between its two marks")

// The table stands between these in its file.
const (
	tableBegins = "<!-- the table that make load writes -->"
	tableEnds   = "<!-- its end -->"
)

// wanted is what the data of any screen may take at the 95th percentile.
const wanted = 50 * time.Millisecond

// measured is a row of the table; what was not measured is 0.
type measured struct {
	name                string
	median, most, inSQL time.Duration // most is the 95th percentile
	times, amongOthers  float64
}

// table keeps the rows in the order in which they were measured.
type table struct{ rows []measured }

// add keeps what an address took, and what its statements alone took.
func (t *table) add(name string, took []time.Duration, inSQL time.Duration) {
	slices.Sort(took)
	row := measured{name: name, median: took[len(took)/2], most: took[len(took)*95/100], inSQL: inSQL}
	if inSQL > 0 {
		row.times = float64(mean(took)) / float64(inSQL)
	}
	t.rows = append(t.rows, row)
}

// among keeps how many times longer an address took beside other collections than alone.
func (t *table) among(name string, times float64) {
	for i := range t.rows {
		if t.rows[i].name == name {
			t.rows[i].amongOthers = times
		}
	}
}

// markdown is the table with what was wanted.
func (t *table) markdown(asks, at int) string {
	var b strings.Builder
	b.WriteString("| data of | median | 95 % | wanted | its SQL alone | times | beside 1,000 others, times |\n")
	b.WriteString("|---|---|---|---|---|---|---|\n")
	number := func(v float64) string {
		if v == 0 {
			return ""
		}
		return fmt.Sprintf("%.2f", v)
	}
	for _, r := range t.rows {
		over, sql := "", ""
		if r.most > wanted {
			over = " (over)"
		}
		if r.inSQL > 0 {
			sql = ms(r.inSQL)
		}
		fmt.Fprintf(&b, "| %s | %s | %s%s | %s | %s | %s | %s |\n", r.name, ms(r.median), ms(r.most), over, ms(wanted), sql,
			number(r.times), number(r.amongOthers))
	}
	fmt.Fprintf(&b, "\nMeasured on %s, %d asks an address, %d at once.\n", time.Now().Format("2 January 2006"), asks, at)
	return b.String()
}

// write puts the table into its file, where one is named.
func (t *table) write(asks, at int) error {
	if *written == "" {
		return nil
	}
	text, err := os.ReadFile(*written)
	if err != nil {
		return err
	}
	before, rest, begins := bytes.Cut(text, []byte(tableBegins))
	_, after, ends := bytes.Cut(rest, []byte(tableEnds))
	if !begins || !ends {
		return fmt.Errorf("%s has no marks for the table: %s and %s", *written, tableBegins, tableEnds)
	}
	out := slices.Concat(before, []byte(tableBegins+"\n"+t.markdown(asks, at)+tableEnds), after)
	return os.WriteFile(*written, out, 0o600)
}
