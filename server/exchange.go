package server

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"net/http"
	"reflect"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/exchange"
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
	RawBody []byte `contentType:"application/octet-stream"`
}

type importOutput struct{ Body store.Added }

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
	today := func(a store.Account) day.Day { return a.Collection.Today(srv.Clock()) }
	huma.Register(
		api,
		fileOp(
			"get-archive",
			"/api/archive.json",
			"The whole collection as JSON (docs/archive.schema.json)",
			"application/json",
		),
		signedIn(srv, func(ctx context.Context, a store.Account, in *archiveInput) (*fileOutput, error) {
			archive, err := srv.store.Archive(ctx, a.Collection, nil, in.Pictures, today(a))
			if err != nil {
				return nil, err
			}
			return file(
				"collection.json",
				"application/json",
				func(w *bytes.Buffer) error { return exchange.Write(w, archive) },
			)
		}),
	)
	huma.Register(
		api,
		fileOp(
			"get-entries-table",
			"/api/entries.csv",
			"Every entry of the collection as CSV; nothing but pictures is left out",
			csvType,
		),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*fileOutput, error) {
			return srv.entriesTable(ctx, a, nil)
		}),
	)
	huma.Register(api, fileOp("get-register-table", "/api/register.csv", "The register as CSV", csvType),
		signedIn(srv, func(ctx context.Context, a store.Account, _ *struct{}) (*fileOutput, error) {
			list, err := srv.store.Registered(ctx, a.Collection.ID)
			if err != nil {
				return nil, err
			}
			return file(
				"register.csv",
				csvType,
				func(w *bytes.Buffer) error { return exchange.WriteRegister(w, list) },
			)
		}))
	huma.Register(
		api,
		fileOp(
			"get-plant-archive",
			"/api/plants/{plant}/archive.json",
			"A plant's record as JSON, with its pictures",
			"application/json",
		),
		signedIn(srv, func(ctx context.Context, a store.Account, in *PlantPath) (*fileOutput, error) {
			archive, err := srv.store.Archive(ctx, a.Collection, &in.Plant, true, today(a))
			if err != nil {
				return nil, err
			}
			return file(
				"plant.json",
				"application/json",
				func(w *bytes.Buffer) error { return exchange.Write(w, archive) },
			)
		}),
	)
	huma.Register(
		api,
		fileOp("get-plant-entries-table", "/api/plants/{plant}/entries.csv", "A plant's record as CSV", csvType),
		signedIn(srv, func(ctx context.Context, a store.Account, in *PlantPath) (*fileOutput, error) {
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
	huma.Register(api, take, signedIn(srv, srv.takeOver))
}

func (srv *server) entriesTable(ctx context.Context, a store.Account, only *uuid.UUID) (*fileOutput, error) {
	archive, err := srv.store.Archive(ctx, a.Collection, only, false, a.Collection.Today(srv.Clock()))
	if err != nil {
		return nil, err
	}
	return file(
		"entries.csv",
		csvType,
		func(w *bytes.Buffer) error { return exchange.WriteEntries(w, archive.Plants, archive.Places) },
	)
}

func (srv *server) takeOver(ctx context.Context, a store.Account, in *importInput) (*importOutput, error) {
	today := a.Collection.Today(srv.Clock())
	archive, err := exchange.Understand(in.RawBody, today)
	if err != nil {
		return nil, huma.Error422UnprocessableEntity("Nothing was taken over. " + sentence(err.Error()))
	}
	added, err := srv.store.Import(ctx, a, archive, today)
	if errors.Is(err, store.ErrConflict) {
		return nil, huma.Error409Conflict(
			"Something in this file says otherwise than what is here already under the same id. Nothing was taken over, and nothing here was changed.",
		)
	}
	if err != nil {
		return nil, err
	}
	return &importOutput{added}, nil
}

// ArchiveSchema gives the JSON Schema of archives, indented.
func ArchiveSchema() ([]byte, error) {
	registry := huma.NewMapRegistry("#/$defs/", huma.DefaultSchemaNamer)
	whole := registry.Schema(reflect.TypeFor[exchange.Archive](), true, "")
	raw, err := json.MarshalIndent(
		map[string]any{
			"$schema": "https://json-schema.org/draft/2020-12/schema",
			"title":   "Tender Mend archive",
			"$ref":    whole.Ref,
			"$defs":   registry.Map(),
		},
		"",
		"  ",
	)
	return append(raw, '\n'), err
}
