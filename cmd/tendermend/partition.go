package main

import (
	"flag"
	"fmt"
	"io"
	"os"

	"tendermend/core/working"
)

// partition splits the tables of the collections into parts by hash of the collection.
func partition(args []string, out io.Writer) error {
	flags := flag.NewFlagSet("partition", flag.ContinueOnError)
	parts := flags.Int("into", 16, "parts of each table")
	if err := flags.Parse(args); err != nil {
		return badInput{err}
	}
	s, err := newStore(os.Getenv("DATABASE_URL"))
	if err != nil {
		return err
	}
	ctx, stop := signalled()
	defer stop()
	if err := s.Migrate(ctx); err != nil {
		return err
	}
	n, err := s.Partition(ctx, *parts)
	if err != nil {
		return err
	}
	fmt.Fprintf(out, "%s split into %d parts each\n", working.Count(n, "table"), *parts)
	return nil
}
