package server

import (
	"bytes"
	"context"
	_ "embed"
	"encoding/base64"
	"fmt"
	"html/template"
	"math"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/interval"
	"tendermend/core/recovery"
	"tendermend/core/treatment/sheet"
	"tendermend/core/working"
	"tendermend/record"
	"tendermend/record/told"
	"tendermend/store"
)

type reviewInput struct {
	PlantPath
	Span string `query:"span" default:"whole" enum:"half-year,year,whole" doc:"How far back."`
	Case string `query:"case" doc:"Id of a case: from its beginning to its end, whatever the span."`
}

// PlantReview is a look back over a plant, with its pictures' sizes.
type PlantReview struct {
	told.Review
	Name      string       `json:"name"`
	Botanical string       `json:"botanical"`
	Before    *PictureView `json:"before,omitempty"`
	After     *PictureView `json:"after,omitempty"`
}

type reviewPage struct {
	ContentType string `header:"Content-Type"`
	Disposition string `header:"Content-Disposition"`
	Body        []byte
}

// Share is how many of some plants were saved, with its interval.
type Share struct {
	store.Ended
	Label string   `json:"label"`
	Low   *float64 `json:"low,omitempty" doc:"Lower end of its 95 % interval, 0-1."`
	High  *float64 `json:"high,omitempty"`
}

// StageTime is how long a stage took here, beside what is usual.
type StageTime struct {
	Track  string     `json:"track"`
	Stage  string     `json:"stage"`
	N      int        `json:"n"`
	Median float64    `json:"median" doc:"Days."`
	Usual  [2]float64 `json:"usual" doc:"Weeks."`
	Long   bool       `json:"long" doc:"Whether it took longer than is usual."`
}

// CollectionReview looks back over the plants that came in a time.
type CollectionReview struct {
	From     day.Day        `json:"from"`
	To       day.Day        `json:"to"`
	All      Share          `json:"all"`
	ByCause  []Share        `json:"byCause"`
	BySchool []Share        `json:"bySchool"`
	Stages   []StageTime    `json:"stages"`
	Tried    string         `json:"tried" doc:"What the shares of methods rest on."`
	Methods  []told.Method  `json:"methods" doc:"What was tried, with what came of it; trials that began in that time."`
	Endings  []store.Ending `json:"endings" doc:"The last that ended."`
	Source   string         `json:"source"`
}

// shownEndings is how many endings a look back lists.
const shownEndings = 30

// Spans that a look back covers, in days.
const (
	halfYearDays = 182
	yearDays     = 365
)

func (srv *server) reviewOperations(api huma.API) {
	huma.Register(
		api,
		op(
			"get-review",
			http.MethodGet,
			"/api/plants/{plant}/review",
			"A look back over a plant: before and after, growths, stages, work, cost and lesson",
			"reviews",
		),
		signedIn(
			srv,
			func(ctx context.Context, a store.Account, in *reviewInput) (*body[PlantReview], error) {
				review, err := srv.review(ctx, a, in)
				if err != nil {
					return nil, err
				}
				return &body[PlantReview]{review}, nil
			},
		),
	)
	page := op(
		"get-review-page",
		http.MethodGet,
		"/api/plants/{plant}/review.html",
		"The same as one file to print or give away, pictures included",
		"reviews",
	)
	page.Responses = map[string]*huma.Response{
		"200": {
			Description: "A page that needs nothing else",
			Content:     map[string]*huma.MediaType{"text/html": {Schema: &huma.Schema{Type: "string"}}},
		},
	}
	huma.Register(api, page, signedIn(srv, srv.reviewPage))
	huma.Register(
		api,
		op(
			"get-collection-review",
			http.MethodGet,
			"/api/review",
			"A look back over the collection: saved and lost by cause and school, and what took long",
			"reviews",
		),
		signedIn(srv, func(ctx context.Context, a store.Account, in *struct {
			Span string `query:"span" default:"whole" enum:"half-year,year,whole"`
		}) (*body[CollectionReview], error) {
			review, err := srv.collectionReview(ctx, a, in.Span)
			return &body[CollectionReview]{review}, err
		}),
	)
}

// since gives the first day of a span that ends today.
func since(span string, today day.Day) day.Day {
	switch span {
	case "half-year":
		return today - halfYearDays
	case "year":
		return today - yearDays
	}
	return 0
}

func (srv *server) review(ctx context.Context, a store.Account, in *reviewInput) (PlantReview, error) {
	entries, state, err := srv.store.Record(ctx, a.Collection.ID, in.Plant)
	if err != nil {
		return PlantReview{}, err
	}
	today := a.Collection.Today(srv.Clock())
	to := today
	if ended := state.EndedOn(); state.Left != nil && ended != nil {
		to = *ended
	}
	from := since(in.Span, to)
	if state, err = readFor(state, in.Case); err != nil {
		return PlantReview{}, err
	}
	if in.Case != "" {
		from = state.From
		if ended := state.Case.EndedOn(); ended != nil {
			to = *ended
		}
	}
	r := told.ReviewOf(state, entries, from, to)
	if in.Case != "" {
		r.Standing = state.CaseStanding()
	}
	supplies, err := srv.store.Supplies(ctx, a.Collection.ID)
	if err != nil {
		return PlantReview{}, err
	}
	prices := map[uuid.UUID]told.Price{}
	for _, s := range supplies {
		if s.Price != nil {
			prices[s.ID] = told.Price{Name: s.Name, Each: *s.Price}
		}
	}
	out := PlantReview{Review: r.WithCost(state.Arrival.Price, prices), Name: state.Arrival.Name}
	if out.Name == "" {
		out.Name = state.Arrival.Label
	}
	if state.Profile != nil {
		out.Botanical = state.Profile.Botanical
	}
	sizes, err := srv.store.Pictures(ctx, a.Collection.ID, in.Plant)
	if err != nil {
		return PlantReview{}, err
	}
	view := func(p *record.PictureOn) *PictureView {
		if p == nil {
			return nil
		}
		v := viewOf(*p, sizes)
		return &v
	}
	out.Before, out.After = view(r.Before), view(r.After)
	return out, nil
}

// sayWeeks says a span of weeks, a short one in days.
func sayWeeks(u *[2]float64) string {
	if u[1] > 2 {
		return fmt.Sprintf("%g–%s", u[0], working.Measured(u[1], "week"))
	}
	return fmt.Sprintf("%.0f–%s", u[0]*7, working.Count(int(math.Round(u[1]*7)), "day"))
}

// drawnWidth is how wide a picture is drawn beside another, in percent: on one
// scale where both have one.
func drawnWidth(p, other *PictureView) float64 {
	if other == nil || p.WidthMM == nil || other.WidthMM == nil {
		return 100
	}
	return math.Round(1000**p.WidthMM/max(*p.WidthMM, *other.WidthMM)) / 10
}

//go:embed review.html
var reviewTemplate string

var reviewHTML = template.Must(template.New("review").Funcs(template.FuncMap{
	"join":  strings.Join,
	"words": func(s string) string { return strings.ReplaceAll(s, "-", " ") },
	"long":  func(d day.Day) string { return d.Time().Format("2 January 2006") },
	"weeks": sayWeeks,
	"count": working.Count,
	"drawn": drawnWidth,
	"date":  func(d day.Day) string { return d.Time().Format("2 Jan") },
}).Parse(reviewTemplate))

// reviewPage writes a look back as one file that needs no server.
func (srv *server) reviewPage(ctx context.Context, a store.Account, in *reviewInput) (*reviewPage, error) {
	review, err := srv.review(ctx, a, in)
	if err != nil {
		return nil, err
	}
	inline := func(p *PictureView) (template.URL, error) {
		if p == nil {
			return "", nil
		}
		body, err := srv.store.PictureBytes(ctx, a.Collection.ID, in.Plant, p.Picture, false)
		if err != nil {
			return "", err
		}
		return template.URL("data:image/jpeg;base64," + base64.StdEncoding.EncodeToString(body)), nil // our own JPEG
	}
	before, err := inline(review.Before)
	if err != nil {
		return nil, err
	}
	after, err := inline(review.After)
	if err != nil {
		return nil, err
	}
	var out bytes.Buffer
	err = reviewHTML.Execute(&out, struct {
		PlantReview
		BeforeURL, AfterURL template.URL
		Collection          string
		Today               day.Day
	}{review, before, after, a.Collection.Name, a.Collection.Today(srv.Clock())})
	if err != nil {
		return nil, err
	}
	return &reviewPage{
		ContentType: "text/html; charset=utf-8",
		Disposition: `attachment; filename="look-back.html"`,
		Body:        out.Bytes(),
	}, nil
}

func share(e store.Ended, label string) Share {
	s := Share{Ended: e, Label: label}
	if n := e.Saved + e.Lost; n > 0 {
		low, high := interval.Wilson(e.Saved, n)
		s.Low, s.High = &low, &high
	}
	return s
}

// stageTimes tells how long stages took beside what is usual; those of tracks that are no
// more are left out.
func stageTimes(times []store.StageTimes) []StageTime {
	list := []StageTime{}
	for _, t := range times {
		track, ok := recovery.TrackByID(t.Track)
		at, known := track.StageIndex(t.Stage)
		if !ok || !known || at >= len(track.Stages) {
			continue
		}
		stage := track.Stages[at]
		list = append(list, StageTime{
			Track: track.Name, Stage: stage.Name, N: t.N, Median: t.Median,
			Usual: stage.UsualWeeks, Long: stage.Long(t.Median),
		})
	}
	return list
}

func (srv *server) collectionReview(ctx context.Context, a store.Account, span string) (CollectionReview, error) {
	today := a.Collection.Today(srv.Clock())
	r := CollectionReview{
		From:     since(span, today),
		To:       today,
		ByCause:  []Share{},
		BySchool: []Share{},
		Source: "Cases are counted, by the day they began and by their main cause. Saved is what mended or lives on " +
			"under watch; what was given away is neither saved nor lost, and a rest is no case. Share saved of those " +
			"saved and lost, with the 95 % score interval (Wilson 1927; Newcombe 1998).",
	}
	trials, err := srv.store.Trials(ctx, a.Collection.ID, r.From)
	if err != nil {
		return r, err
	}
	r.Methods, r.Tried = told.MethodsOf(trials), told.MethodsSource
	all, err := srv.store.EndedAll(ctx, a.Collection.ID, r.From, r.To)
	if err != nil {
		return r, err
	}
	r.All = share(all, "all cases")
	causes, err := srv.store.EndedBy(ctx, a.Collection.ID, false, r.From, r.To)
	if err != nil {
		return r, err
	}
	for _, e := range causes {
		if c, ok := diagnosis.CauseByID(e.Of); ok {
			r.ByCause = append(r.ByCause, share(e, c.Label))
		}
	}
	schools, err := srv.store.EndedBy(ctx, a.Collection.ID, true, r.From, r.To)
	if err != nil {
		return r, err
	}
	for _, e := range schools {
		r.BySchool = append(r.BySchool, share(e, sheet.SchoolName(e.Of)))
	}
	times, err := srv.store.StageTimes(ctx, a.Collection.ID, r.From, r.To)
	if err != nil {
		return r, err
	}
	r.Stages = stageTimes(times)
	r.Endings, err = srv.store.Endings(ctx, a.Collection.ID, r.From, r.To, shownEndings)
	return r, err
}
