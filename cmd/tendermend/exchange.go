package main

import (
	"context"
	"encoding/json"
	"errors"
	"flag"
	"fmt"
	"io"
	"os"
	"time"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/working"
	"tendermend/exchange"
	"tendermend/exchange/list"
	"tendermend/record"
	"tendermend/store"
)

// accountOf opens the database and finds a person's account in it.
func accountOf(ctx context.Context, email string) (*store.Store, store.Account, error) {
	if email == "" {
		return nil, store.Account{}, badInput{
			errors.New("say whose collection: -email, with the address they sign in with"),
		}
	}
	s, err := newStore(os.Getenv("DATABASE_URL"))
	if err != nil {
		return nil, store.Account{}, err
	}
	user, err := s.UserByEmail(ctx, email)
	if errors.Is(err, store.ErrNotFound) {
		return nil, store.Account{}, badInput{fmt.Errorf("nobody signs in with %s here", email)}
	}
	if err != nil {
		return nil, store.Account{}, err
	}
	a, err := s.Account(ctx, user.ID)
	return s, a, err
}

// exportCollection writes a collection in one of the open formats.
func exportCollection(args []string, out io.Writer) error {
	flags := flag.NewFlagSet("export", flag.ContinueOnError)
	email := flags.String("email", "", "whose collection, by the address they sign in with")
	as := flags.String("as", "archive", "archive (JSON), entries or register (CSV)")
	pictures := flags.Bool("pictures", true, "whether the archive holds the pictures")
	if err := flags.Parse(args); err != nil {
		return badInput{err}
	}
	if *as != "archive" && *as != "entries" && *as != "register" {
		return badInput{fmt.Errorf("there is no format %q; choose archive, entries or register", *as)}
	}
	ctx, stop := signalled()
	defer stop()
	s, a, err := accountOf(ctx, *email)
	if err != nil {
		return err
	}
	if *as == "register" {
		list, err := s.Registered(ctx, a.Collection.ID)
		if err != nil {
			return err
		}
		return exchange.WriteRegister(out, list)
	}
	archive, err := s.Archive(ctx, a.Collection, nil, *pictures && *as == "archive", a.Collection.Today(time.Now()))
	if err != nil {
		return err
	}
	defer archive.Close()
	if *as == "entries" {
		return archive.Table(out)
	}
	return archive.JSON(out)
}

// importFile takes a file in one of the open formats over into a collection.
func importFile(args []string, out io.Writer) error {
	flags := flag.NewFlagSet("import", flag.ContinueOnError)
	email := flags.String("email", "", "into whose collection, by the address they sign in with")
	preview := flags.Bool("preview", false, "say what a list of plants or readings is read as, and take nothing in")
	if err := flags.Parse(args); err != nil {
		return badInput{err}
	}
	if flags.NArg() != 1 {
		return badInput{errors.New("import takes one file: tendermend import -email WHOSE FILE, or -preview FILE")}
	}
	raw, err := os.ReadFile(flags.Arg(0))
	if err != nil {
		return badInput{err}
	}
	if *preview {
		return previewList(raw, out)
	}
	ctx, stop := signalled()
	defer stop()
	s, a, err := accountOf(ctx, *email)
	if err != nil {
		return err
	}
	today := a.Collection.Today(time.Now())
	here, err := s.Here(ctx, a.Collection.ID, today)
	if err != nil {
		return err
	}
	archive, err := list.Understand(raw, here, nil)
	if err != nil {
		return badInput{fmt.Errorf("nothing was taken over: %w", err)}
	}
	added, err := s.Import(ctx, a, archive, today, nil)
	var faults record.Faults
	if errors.As(err, &faults) {
		return badInput{fmt.Errorf("nothing was taken over: %w", err)}
	}
	if errors.Is(err, store.ErrConflict) {
		return badInput{
			fmt.Errorf("nothing was taken over, something is here under the same id and says otherwise: %w", err),
		}
	}
	if err != nil {
		return err
	}
	_, err = fmt.Fprintf(
		out,
		"%s, %s and %s taken over; %d were here already\n",
		working.Count(added.Plants, "plant"),
		working.Count(added.Entries, "record"),
		working.Count(added.Pictures, "picture"),
		added.Known,
	)
	return err
}

// previewList says what a list is read as, as JSON.
func previewList(raw []byte, out io.Writer) error {
	p, err := list.Read(raw, plant.Kinds{}, day.At(time.Now()), nil)
	if err != nil {
		return badInput{err}
	}
	to := json.NewEncoder(out)
	to.SetIndent("", "  ")
	to.SetEscapeHTML(false)
	return to.Encode(p)
}
