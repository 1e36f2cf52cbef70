package server

import (
	"bytes"
	"context"
	"encoding/json"
	"net/http"

	"github.com/danielgtaylor/huma/v2"

	"tendermend/exchange/list"
	"tendermend/store"
)

// mostList is how large a list may be that is looked at before it is taken in, bytes.
const mostList = 8 << 20

// ListPreview is what a list is read as.
type ListPreview struct {
	list.Preview
	Ours   bool     `json:"ours" doc:"Whether the program wrote it: then it is taken in as it is, and nothing is guessed."`
	Fields []string `json:"fields" doc:"What a heading may be."`
}

type previewInput struct {
	As      string `query:"as" doc:"What headings are, by heading, as JSON: what was corrected by hand."`
	RawBody []byte `contentType:"application/octet-stream"`
}

func (srv *server) listOperations(api huma.API) {
	preview := op("preview-import", http.MethodPost, "/api/import/preview",
		"What a list of plants or readings is read as; takes nothing in", "exchange")
	preview.MaxBodyBytes, preview.SkipValidateBody = mostList, true
	huma.Register(api, preview, signedIn(srv, srv.previewList))
	huma.Register(api, fileOp("get-list-template", "/api/template.csv", "A list of plants to fill in", csvType),
		signedIn(srv, func(context.Context, store.Account, *struct{}) (*fileOutput, error) {
			return file("plants.csv", csvType, func(w *bytes.Buffer) error { return list.WriteTemplate(w) })
		}))
}

func (srv *server) previewList(ctx context.Context, a store.Account, in *previewInput) (*body[ListPreview], error) {
	here, as, err := srv.listHere(ctx, a, in.As)
	if err != nil {
		return nil, err
	}
	if list.Ours(in.RawBody) {
		empty := list.Preview{
			Plants: []list.Listed{}, Readings: []list.ReadingRow{}, Problems: []list.RowProblem{}, Columns: []list.Heading{},
		}
		return &body[ListPreview]{ListPreview{empty, true, list.Fields()}}, nil
	}
	p, _, err := list.Look(in.RawBody, here, as)
	if err != nil {
		return nil, huma.Error422UnprocessableEntity(sentence(err.Error()))
	}
	return &body[ListPreview]{ListPreview{p, false, list.Fields()}}, nil
}

// listHere gives what a list comes into, with the headings that were corrected by hand.
func (srv *server) listHere(ctx context.Context, a store.Account, said string) (list.Here, map[string]string, error) {
	as := map[string]string{}
	if said != "" {
		if err := json.Unmarshal([]byte(said), &as); err != nil {
			return list.Here{}, nil, huma.Error422UnprocessableEntity("Give what headings are as JSON: heading and field.")
		}
	}
	here, err := srv.store.Here(ctx, a.Collection.ID, a.Collection.Today(srv.Clock()))
	return here, as, err
}
