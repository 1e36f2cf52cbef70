package server

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"io"
	"maps"
	"net/http"
	"reflect"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/diagnosis"
	"tendermend/exchange"
	"tendermend/exchange/list"
	"tendermend/store"
)

type fileOutput struct {
	ContentType string `header:"Content-Type"`
	Disposition string `header:"Content-Disposition"`
	Body        []byte
}

type archiveInput struct {
	Pictures bool `query:"pictures" default:"true" doc:"Whether pictures are included."`
}

type importInput struct {
	Accept  string `header:"Accept"`
	As      string `query:"as" doc:"What headings of a list are, by heading, as JSON: what was corrected by hand."`
	RawBody []byte `contentType:"application/octet-stream"`
}

// ImportLine is one line of what is told while a file comes in.
type ImportLine struct {
	Progress *store.Progress  `json:"progress,omitempty"`
	Added    *store.Added     `json:"added,omitempty" doc:"In the last line, when all of it came in."`
	Problem  *huma.ErrorModel `json:"problem,omitempty" doc:"In the last line, when nothing of it did."`
}

// linesType is JSON in lines: one as soon as there is something to tell.
const linesType = "application/x-ndjson"

const csvType = "text/csv; charset=utf-8"

func file(name, kind string, write func(*bytes.Buffer) error) (*fileOutput, error) {
	var out bytes.Buffer
	if err := write(&out); err != nil {
		return nil, err
	}
	return &fileOutput{ContentType: kind, Disposition: `attachment; filename="` + name + `"`, Body: out.Bytes()}, nil
}

// fileOp describes an operation that answers with a file.
func fileOp(id, path, summary, kind string) huma.Operation {
	o := op(id, http.MethodGet, path, summary, "exchange")
	o.Responses = map[string]*huma.Response{
		"200": {
			Description: "The file",
			Content:     map[string]*huma.MediaType{kind: {Schema: &huma.Schema{Type: "string"}}},
		},
	}
	return o
}

func (srv *server) exchangeOperations(api huma.API) {

	huma.Register(api, fileOp("get-archive", "/api/archive.json",
		"The whole collection as JSON (docs/archive.schema.json)", "application/json"),
		signedIn(srv, srv.getArchive))
	huma.Register(
		api,
		fileOp("get-entries-table",
			"/api/entries.csv", "Every entry of the collection as CSV; nothing but pictures is left out", csvType),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*huma.StreamResponse, error) {
			return srv.entriesTable(ctx, a, nil)
		}),
	)
	huma.Register(api, fileOp("get-register-table", "/api/register.csv", "The register as CSV", csvType),
		signedIn(srv, srv.getRegisterTable))
	huma.Register(api, fileOp("get-plant-archive", "/api/plants/{plant}/archive.json",
		"A plant's record as JSON, with its pictures", "application/json"),
		signedIn(srv, srv.getPlantArchive))
	huma.Register(
		api,
		fileOp("get-plant-entries-table", "/api/plants/{plant}/entries.csv", "A plant's record as CSV", csvType),
		signedIn(srv, func(ctx context.Context, a store.Account, in *PlantPath) (*huma.StreamResponse, error) {
			return srv.entriesTable(ctx, a, &in.Plant)
		}),
	)
	take := op(
		"import",
		http.MethodPost,
		"/api/import",
		"Take over an archive (JSON), a table of entries or a register (CSV); what is there already is left alone",
		"exchange",
	)
	take.MaxBodyBytes = mostArchive
	take.SkipValidateBody = true
	schemas := api.OpenAPI().Components.Schemas
	take.Responses = map[string]*huma.Response{"200": {
		Description: "What was taken over; in lines, where that is accepted, how far it has come as well",
		Content: map[string]*huma.MediaType{
			"application/json": {Schema: schemas.Schema(reflect.TypeFor[store.Added](), true, "Added")},
			linesType:          {Schema: schemas.Schema(reflect.TypeFor[ImportLine](), true, "ImportLine")},
		},
	}}
	huma.Register(api, take, signedIn(srv, srv.takeOver))
	srv.listOperations(api)
	srv.folderOperations(api)
}

func (srv *server) getArchive(ctx context.Context, a store.Account, in *archiveInput) (*huma.StreamResponse, error) {
	out, err := srv.store.Archive(ctx, a.Collection, nil, in.Pictures, a.Collection.Today(srv.Clock()))
	if err != nil {
		return nil, err
	}
	return srv.stream("collection.json", "application/json", out, out.JSON), nil
}

func (srv *server) getRegisterTable(ctx context.Context, a store.Account, _ *struct{}) (*fileOutput, error) {
	list, err := srv.store.Registered(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	return file(
		"register.csv",
		csvType,
		func(w *bytes.Buffer) error { return exchange.WriteRegister(w, list) },
	)
}

func (srv *server) getPlantArchive(ctx context.Context, a store.Account, in *PlantPath) (*huma.StreamResponse, error) {
	out, err := srv.store.Archive(ctx, a.Collection, &in.Plant, true, a.Collection.Today(srv.Clock()))
	if err != nil {
		return nil, err
	}
	return srv.stream("plant.json", "application/json", out, out.JSON), nil
}

func (srv *server) entriesTable(ctx context.Context, a store.Account, only *uuid.UUID) (*huma.StreamResponse, error) {
	out, err := srv.store.Archive(ctx, a.Collection, only, false, a.Collection.Today(srv.Clock()))
	if err != nil {
		return nil, err
	}
	return srv.stream("entries.csv", csvType, out, out.Table), nil
}

// stream answers with a file while it is written. One that breaks off is cut so
// that nobody takes it for whole: the answer ends without its end.
func (srv *server) stream(name, kind string, out *store.Outgoing, write func(io.Writer) error) *huma.StreamResponse {
	return &huma.StreamResponse{Body: func(ctx huma.Context) {
		defer out.Close()
		ctx.SetHeader("Content-Type", kind)
		ctx.SetHeader("Content-Disposition", `attachment; filename="`+name+`"`)
		if err := write(ctx.BodyWriter()); err != nil {
			// Whoever ended it: somebody who went away cannot be told from a line that broke.
			srv.logError(ctx.Context(), "a file broke off on its way out", err)
			panic(http.ErrAbortHandler)
		}
	}}
}

func (srv *server) takeOver(ctx context.Context, a store.Account, in *importInput) (*huma.StreamResponse, error) {
	today := a.Collection.Today(srv.Clock())
	here, as, err := srv.listHere(ctx, a, in.As)
	if err != nil {
		return nil, err
	}
	archive, err := list.Understand(in.RawBody, here, as)
	if err != nil {
		return nil, huma.Error422UnprocessableEntity("Nothing was taken over. " + sentence(err.Error()))
	}
	if !strings.Contains(in.Accept, linesType) {
		added, err := srv.store.Import(ctx, a, archive, today, nil)
		if err != nil {
			return nil, importProblem(err)
		}
		return &huma.StreamResponse{Body: func(ctx huma.Context) {
			ctx.SetHeader("Content-Type", "application/json")
			_ = json.NewEncoder(ctx.BodyWriter()).Encode(added)
		}}, nil
	}
	return &huma.StreamResponse{Body: func(out huma.Context) {
		out.SetHeader("Content-Type", linesType)
		lines := json.NewEncoder(out.BodyWriter())
		say := func(line ImportLine) {
			_ = lines.Encode(line) // who does not listen any more ends the context
			if w, is := out.BodyWriter().(http.ResponseWriter); is {
				_ = http.NewResponseController(w).Flush()
			}
		}
		added, err := srv.store.Import(ctx, a, archive, today, func(p store.Progress) { say(ImportLine{Progress: &p}) })
		if err == nil {
			say(ImportLine{Added: &added})
			return
		}
		var problem *huma.ErrorModel
		if errors.As(srv.problem(ctx, importProblem(err)), &problem) {
			problem.Instance = urn(requestID(ctx))
			say(ImportLine{Problem: problem})
		}
	}}, nil
}

// importProblem says of a file in which something contradicts what is here that
// nothing of it was taken over.
func importProblem(err error) error {
	if !errors.Is(err, store.ErrConflict) {
		return err
	}
	return huma.Error409Conflict(
		"Something in this file says otherwise than what is here already under the same id. " +
			"Nothing was taken over, and nothing here was changed.",
	)
}

// ArchiveSchema gives the JSON Schema of archives, indented.
func ArchiveSchema() ([]byte, error) {
	registry := huma.NewMapRegistry("#/$defs/", huma.DefaultSchemaNamer)
	whole := registry.Schema(reflect.TypeFor[exchange.Archive](), true, "")
	defs := map[string]any{}
	for name, schema := range registry.Map() {
		defs[name] = schema
	}
	// Cases stand as they do in case files.
	registry.Map()["Archive"].Properties["cases"].Items = &huma.Schema{Ref: "#/$defs/case"}
	delete(defs, "WorkedCase")
	maps.Copy(defs, diagnosis.CaseSchema()["$defs"].(map[string]any))
	raw, err := json.MarshalIndent(
		map[string]any{
			"$schema": "https://json-schema.org/draft/2020-12/schema",
			"title":   "Tender Mend archive",
			"$ref":    whole.Ref,
			"$defs":   defs,
		},
		"",
		"  ",
	)
	return append(raw, '\n'), err
}
