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
  tendermend export -email WHOSE [-as archive|entries|register] [-pictures=false]
                                           a collection, to standard output
  tendermend import -email WHOSE FILE      take any of these files over into a collection
  tendermend reset-link -email WHOSE [-url WHERE]
                                           a link with which somebody sets a lost password, once
  tendermend openapi                       the OpenAPI document of all operations
  tendermend diagnose < EXAMINATION.json   what it may be, as JSON
  tendermend case-schema                   the JSON Schema of those files
  tendermend archive-schema                the JSON Schema of whole collections
  tendermend plan < SITUATION.json         the plan for a situation, or a list of them, as JSON
  tendermend check-plan < PLAN.json        what a plan breaks; exits with 1 where it breaks anything
  tendermend plan-schema                   the JSON Schema of situations and plans
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
	switch args[0] {
	case "diagnose":
		return diagnose(in, out)
	case "case-schema":
		return caseSchema(out)
	case "archive-schema":
		return archiveSchema(out)
	case "plan":
		return plan(in, out)
	case "check-plan":
		return checkPlan(in, out)
	case "plan-schema":
		return planSchema(out)
	case "cases":
		return scoreCases(args[1:], out)
	case "demo":
		return serveDemo(args[1:], out)
	case "serve":
		return serve(args[1:], out)
	case "migrate":
		return migrate()
	case "recompute":
		return recompute(out)
	case "export":
		return exportCollection(args[1:], out)
	case "import":
		return importFile(args[1:], out)
	case "reset-link":
		return resetLink(args[1:], out)
	case "openapi":
		return openAPI(out)
	case "help", "-h", "--help":
		_, err := io.WriteString(out, usage)
		return err
	}
	return badInput{fmt.Errorf("there is no command %q\n\n%s", args[0], usage)}
}
