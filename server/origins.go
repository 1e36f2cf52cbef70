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

// grouping tells of each group that a plant is in its id and its label.
type grouping func(p *store.CameFrom, in func(of, label string))

// groupings are the ways to group; names are needed of batches and of kinds.
func groupings(kinds plant.Kinds, batches map[string]string) map[string]grouping {
	return map[string]grouping{
		"source": func(p *store.CameFrom, in func(of, label string)) {
			if p.Own {
				in("own", "pieces of plants here")
				return
			}
			in(cmp.Or(p.Source, "unknown"), cmp.Or(p.Origin, "nobody wrote down where"))
		},
		"tag": func(p *store.CameFrom, in func(of, label string)) { each(p.Tags, in) },
		"batch": func(p *store.CameFrom, in func(of, label string)) {
			if p.BatchOf != nil {
				in(p.BatchOf.String(), cmp.Or(batches[p.BatchOf.String()], "a batch that was undone"))
			}
		},
		"kind": byKind(kinds),
		"packing": func(p *store.CameFrom, in func(of, label string)) {
			if p.Packing != "" {
				in(p.Packing, cmp.Or(record.Packing(p.Packing).Words(), "nobody knows how it was packed"))
			}
		},
		"school": func(p *store.CameFrom, in func(of, label string)) {
			if p.School != "" {
				in(p.School, sheet.SchoolName(p.School))
			}
		},
		"method": func(p *store.CameFrom, in func(of, label string)) { each(p.Tried, in) },
	}
}

// byKind groups by kind, and by how it grows where the kind is not known; a kind is looked up once.
func byKind(kinds plant.Kinds) grouping {
	names := map[string]string{}
	return func(p *store.CameFrom, in func(of, label string)) {
		name, looked := names[p.Kind]
		if !looked {
			if kind, known := kinds.ByID(p.Kind); known {
				name = kind.Botanical
			}
			names[p.Kind] = name
		}
		if name != "" {
			in(p.Kind, name)
			return
		}
		habit, _ := plant.HabitByID(p.Habit)
		in("habit "+p.Habit, "kind unknown: "+working.Lower(habit.Label))
	}
}

// each makes a group of every name, whatever its letters and spaces; of one written twice by its last.
func each(names []string, in func(of, label string)) {
	groups := map[string]string{}
	for _, name := range names {
		groups[strings.ToLower(strings.Join(strings.Fields(name), " "))] = strings.TrimSpace(name)
	}
	for of, label := range groups {
		if of != "" {
			in(of, label)
		}
	}
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

func plantsOf(came []store.CameFrom) []*origins.Plant {
	list := make([]*origins.Plant, len(came))
	for i := range came {
		list[i] = &came[i].Plant
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
	groups := map[string]*members{}
	for i := range came {
		p := &came[i]
		groupsOf(p, func(of, label string) {
			one := groups[of]
			if one == nil {
				one = &members{}
				groups[of] = one
			}
			one.labelled, one.plants = one.or(labelled{label, p.Came}), append(one.plants, &p.Plant)
		})
	}
	out := Origins{
		Today: a.Collection.Today(srv.Clock()), All: all.Of("", "all that came", plants),
		Groups: []origins.Group{},
	}
	for of, group := range groups {
		out.Groups = append(out.Groups, all.Of(of, group.label, group.plants))
	}
	out.Groups = origins.Sorted(out.Groups)
	return &body[Origins]{out}, nil
}

// members are the plants of a group, with its label.
type members struct {
	labelled
	plants []*origins.Plant
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
	var group []*origins.Plant
	label := ""
	for i := range came {
		groupsOf(&came[i], func(of, name string) {
			if of == in.Of {
				group, label = append(group, &came[i].Plant), cmp.Or(label, name)
			}
		})
	}
	if len(group) == 0 {
		return nil, huma.Error404NotFound("No plant of that group came in that time. Look at a longer time, or go back.")
	}
	return &body[OriginRanked]{OriginRanked{
		Group: origins.Among(plantsOf(came)).Of(in.Of, label, group), Plants: origins.Rank(group),
	}}, nil
}
