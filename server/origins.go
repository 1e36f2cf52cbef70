package server

import (
	"cmp"
	"context"
	"net/http"
	"strings"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/origins"
	"tendermend/core/plant"
	"tendermend/core/treatment/sheet"
	"tendermend/core/working"
	"tendermend/record"
	"tendermend/store"
)

// Origins is what became of the plants that came in a time, by one thing that they have in
// common.
type Origins struct {
	Today  day.Day         `json:"today"`
	All    origins.Group   `json:"all"`
	Groups []origins.Group `json:"groups" doc:"The most plants first; a plant may be in several."`
}

// OriginRanked is the plants of a group in their order.
type OriginRanked struct {
	Group  origins.Group    `json:"group"`
	Plants []origins.Ranked `json:"plants" doc:"Those that do best first, the lost last."`
}

// OriginsAsked is by what, and over which time, one asks.
type OriginsAsked struct {
	By   string `query:"by" default:"source" enum:"source,tag,batch,kind,packing,school,method"`
	Span string `query:"span" default:"whole" enum:"half-year,year,whole" doc:"Those that came in that time."`
}

func (srv *server) originOperations(api huma.API) {
	huma.Register(api, op("get-origins", http.MethodGet, "/api/origins",
		"What became of the plants: came, lived, lost, weeks and cost, by where they came from and more", "reviews"),
		signedIn(srv, srv.getOrigins))
	huma.Register(api, op("get-origin-plants", http.MethodGet, "/api/origins/plants",
		"The plants of one such group, those that do best first", "reviews"), signedIn(srv, srv.getOriginPlants))
}

// grouping names the groups that a plant is in: by id, each with its label.
type grouping func(store.CameFrom) map[string]string

// groupings are the ways to group; names are needed of batches and of kinds.
func groupings(kinds plant.Kinds, batches map[string]string) map[string]grouping {
	one := func(of, label string) map[string]string {
		if of == "" {
			return nil
		}
		return map[string]string{of: label}
	}
	return map[string]grouping{
		"source": func(p store.CameFrom) map[string]string {
			if p.Own {
				return one("own", "pieces of plants here")
			}
			return one(cmp.Or(p.Source, "unknown"), cmp.Or(p.Origin, "nobody wrote down where"))
		},
		"tag": func(p store.CameFrom) map[string]string { return each(p.Tags) },
		"batch": func(p store.CameFrom) map[string]string {
			if p.BatchOf == nil {
				return nil
			}
			return one(p.BatchOf.String(), cmp.Or(batches[p.BatchOf.String()], "a batch that was undone"))
		},
		"kind": func(p store.CameFrom) map[string]string {
			if kind, known := kinds.ByID(p.Kind); known {
				return one(p.Kind, kind.Botanical)
			}
			habit, _ := plant.HabitByID(p.Habit)
			return one("habit "+p.Habit, "kind unknown: "+working.Lower(habit.Label))
		},
		"packing": func(p store.CameFrom) map[string]string {
			return one(p.Packing, cmp.Or(record.Packing(p.Packing).Words(), "nobody knows how it was packed"))
		},
		"school": func(p store.CameFrom) map[string]string { return one(p.School, sheet.SchoolName(p.School)) },
		"method": func(p store.CameFrom) map[string]string { return each(p.Tried) },
	}
}

// each makes a group of every name, whatever its letters and spaces.
func each(names []string) map[string]string {
	groups := map[string]string{}
	for _, name := range names {
		groups[strings.ToLower(strings.Join(strings.Fields(name), " "))] = strings.TrimSpace(name)
	}
	return groups
}

// reading is a way to read what became of plants: with their names or without.
type reading func(ctx context.Context, collection uuid.UUID, from, to day.Day, by string) ([]store.CameFrom, error)

// cameFrom gives what came in the time asked for, and how it is grouped.
func (srv *server) cameFrom(
	ctx context.Context, a store.Account, in OriginsAsked, read reading,
) ([]store.CameFrom, grouping, error) {
	today := a.Collection.Today(srv.Clock())
	came, err := read(ctx, a.Collection.ID, since(in.Span, today), today, in.By)
	if err != nil {
		return nil, nil, err
	}
	kinds, err := srv.store.Kinds(ctx, a.Collection.ID)
	if err != nil {
		return nil, nil, err
	}
	names := map[string]string{}
	if in.By == "batch" {
		if names, err = srv.store.BatchNames(ctx, a.Collection.ID); err != nil {
			return nil, nil, err
		}
	}
	return came, groupings(kinds, names)[in.By], nil
}

func plantsOf(came []store.CameFrom) []origins.Plant {
	list := make([]origins.Plant, len(came))
	for i, p := range came {
		list[i] = p.Plant
	}
	return list
}

func (srv *server) getOrigins(ctx context.Context, a store.Account, in *OriginsAsked) (*body[Origins], error) {
	came, groupsOf, err := srv.cameFrom(ctx, a, *in, srv.store.CameFrom)
	if err != nil {
		return nil, err
	}
	plants := plantsOf(came)
	all := origins.Among(plants)
	named, members := map[string]labelled{}, map[string][]origins.Plant{}
	for _, p := range came {
		for of, label := range groupsOf(p) {
			named[of] = named[of].or(labelled{label, p.Came})
			members[of] = append(members[of], p.Plant)
		}
	}
	out := Origins{
		Today: a.Collection.Today(srv.Clock()), All: all.Of("", "all that came", plants),
		Groups: []origins.Group{},
	}
	for of, group := range members {
		out.Groups = append(out.Groups, all.Of(of, named[of].label, group))
	}
	out.Groups = origins.Sorted(out.Groups)
	return &body[Origins]{out}, nil
}

// labelled is how a group was written, and when.
type labelled struct {
	label string
	came  day.Day
}

// or is the label that was written first; of one day the first by its letters.
func (l labelled) or(other labelled) labelled {
	if l.label == "" || cmp.Or(cmp.Compare(other.came, l.came), cmp.Compare(other.label, l.label)) < 0 {
		return other
	}
	return l
}

func (srv *server) getOriginPlants(ctx context.Context, a store.Account, in *struct {
	OriginsAsked
	Of string `query:"of" required:"true" doc:"Which group, by its of."`
},
) (*body[OriginRanked], error) {
	came, groupsOf, err := srv.cameFrom(ctx, a, in.OriginsAsked, srv.store.CameNamed)
	if err != nil {
		return nil, err
	}
	var group []origins.Plant
	label := ""
	for _, p := range came {
		if name, is := groupsOf(p)[in.Of]; is {
			group, label = append(group, p.Plant), cmp.Or(label, name)
		}
	}
	if len(group) == 0 {
		return nil, huma.Error404NotFound("No plant of that group came in that time. Look at a longer time, or go back.")
	}
	return &body[OriginRanked]{OriginRanked{
		Group: origins.Among(plantsOf(came)).Of(in.Of, label, group), Plants: origins.Rank(group),
	}}, nil
}
