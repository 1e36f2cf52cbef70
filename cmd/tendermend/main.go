// Command tendermend finds out what ails a plant and follows its recovery.
package main

import (
	"errors"
	"fmt"
	"io"
	"os"
)

const usage = `tendermend — find what ails a plant, treat it, follow it until it mends

  tendermend demo [-addr HOST:PORT]        the made-up clinic, with a database of its own
  tendermend serve [-addr HOST:PORT]       the server on the database of DATABASE_URL
  tendermend migrate                       bring that database up to this version
  tendermend recompute                     rebuild its lists from the record
  tendermend partition [-into 16]          split its tables into parts by collection; stop the servers first
  tendermend export -email WHOSE [-as archive|entries|register] [-pictures=false]
                                           a collection, to standard output
  tendermend import -email WHOSE FILE      take any of these files over into a collection
  tendermend import -preview FILE          what a list of plants or readings is read as; takes nothing in
  tendermend reset-link -email WHOSE [-url WHERE]
                                           a link with which somebody sets a lost password, once
  tendermend openapi                       the OpenAPI document of all operations
  tendermend diagnose < EXAMINATION.json   what it may be, as JSON
  tendermend signs < PHRASES.json          the signs that everyday phrases mean, the likeliest first
  tendermend read < SENTENCES.json         what sentences say of kind, signs and what is not there
  tendermend case-schema                   the JSON Schema of those files
  tendermend archive-schema                the JSON Schema of whole collections
  tendermend plan < SITUATION.json         the plan for a situation, or a list of them, as JSON
  tendermend plan -sample N [-seed S]      plans for made-up situations, as text to be read aloud
  tendermend check-plan < PLAN.json        what a plan breaks; exits with 1 where it breaks anything
  tendermend plan-schema                   the JSON Schema of situations and plans
  tendermend water < HISTORY.json          when a pot wants water, from its history, or from a list of them
  tendermend water-schema                  the JSON Schema of those histories and forecasts
  tendermend standin logger|scale|weather  made-up instruments and services that speak as real ones do
  tendermend cases FILE                    how often the differential is right
`

// badInput is an error in what was given to the program; it exits with 2.
type badInput struct{ error }

func main() {
	err := run(os.Args[1:], os.Stdin, os.Stdout)
	var bad badInput
	switch {
	case err == nil:
	case errors.Is(err, errBroken):
		os.Exit(1)
	case errors.As(err, &bad):
		fmt.Fprintln(os.Stderr, "tendermend:", err)
		os.Exit(2)
	default:
		fmt.Fprintln(os.Stderr, "tendermend:", err)
		os.Exit(1)
	}
}

func run(args []string, in io.Reader, out io.Writer) error {
	if len(args) == 0 {
		return badInput{fmt.Errorf("say what to do\n\n%s", usage)}
	}
	do, known := commands[args[0]]
	if !known {
		return badInput{fmt.Errorf("there is no command %q\n\n%s", args[0], usage)}
	}
	return do(args[1:], in, out)
}

// commands are all that the program can be asked to do.
var commands = map[string]func(args []string, in io.Reader, out io.Writer) error{
	"diagnose":       reading(diagnose),
	"signs":          reading(findSigns),
	"read":           reading(readSaid),
	"plan":           planOrSample,
	"check-plan":     reading(checkPlan),
	"water":          reading(waterForecast),
	"water-schema":   writing(waterSchema),
	"case-schema":    writing(caseSchema),
	"archive-schema": writing(archiveSchema),
	"plan-schema":    writing(planSchema),
	"recompute":      writing(recompute),
	"openapi":        writing(openAPI),
	"migrate":        writing(func(io.Writer) error { return migrate() }),
	"cases":          told(scoreCases),
	"demo":           told(serveDemo),
	"serve":          told(serve),
	"partition":      told(partition),
	"standin":        told(standIn),
	"export":         told(exportCollection),
	"import":         told(importFile),
	"reset-link":     told(resetLink),
	"help":           writing(help),
	"-h":             writing(help),
	"--help":         writing(help),
}

func help(out io.Writer) error {
	_, err := io.WriteString(out, usage)
	return err
}

func reading(do func(io.Reader, io.Writer) error) func([]string, io.Reader, io.Writer) error {
	return func(_ []string, in io.Reader, out io.Writer) error { return do(in, out) }
}

func writing(do func(io.Writer) error) func([]string, io.Reader, io.Writer) error {
	return func(_ []string, _ io.Reader, out io.Writer) error { return do(out) }
}

func told(do func([]string, io.Writer) error) func([]string, io.Reader, io.Writer) error {
	return func(args []string, _ io.Reader, out io.Writer) error { return do(args, out) }
}
