package server

import (
	"context"
	"net/http"
	"slices"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/exposure"
	"tendermend/core/isolation"
	"tendermend/core/working"
	"tendermend/record"
	"tendermend/store"
)

// OutbreakLine is something that travels and that plants here have, in short.
type OutbreakLine struct {
	Cause    string  `json:"cause" doc:"Id of the cause."`
	Label    string  `json:"label"`
	Since    day.Day `json:"since" doc:"The first day on which it was found or suspected."`
	Sick     int     `json:"sick" doc:"Plants that have it."`
	Suspects int     `json:"suspects" doc:"Plants that may have it by their last look."`
	Watched  int     `json:"watched" doc:"Plants that are watched for it."`
}

type outbreaksOutput struct {
	Body struct {
		Outbreaks []OutbreakLine `json:"outbreaks"`
	}
}

// Outbreak is one thing that travels, with all plants that it concerns.
type Outbreak struct {
	Cause      string           `json:"cause"`
	Label      string           `json:"label"`
	Pest       bool             `json:"pest" doc:"Whether it is an animal, so that live ones are counted."`
	Today      day.Day          `json:"today"`
	Began      *day.Day         `json:"began,omitempty" doc:"When it was found first; missing where nothing has it."`
	Over       bool             `json:"over" doc:"Whether nothing has it, may have it or is watched for it any more."`
	Means      []string         `json:"means" doc:"What it means for tray, tools and order of work."`
	Incubation working.Amount   `json:"incubation" doc:"How long it takes from catching it to showing it."`
	Plants     []OutbreakPlant  `json:"plants" doc:"All that it concerns, the gravest first."`
	More       int              `json:"more" doc:"Others that hardly may have caught it, and want one look: not listed."`
	MoreOn     *day.Day         `json:"moreOn,omitempty" doc:"When these others are looked at; missing where none are."`
	Places     []OutbreakPlace  `json:"places" doc:"Where they stand."`
	Origins    []OutbreakOrigin `json:"origins" doc:"Where each that has it may have it from."`
	Past       []store.Ending   `json:"past" doc:"Its cases that ended, oldest first."`
}

// Role is what a plant is in an outbreak.
type Role string

// The roles, the gravest first.
const (
	RoleSick    Role = "sick"    // has it
	RoleSuspect Role = "suspect" // may have it by its last look
	RoleWatched Role = "watched" // is watched for it
	RoleExposed Role = "exposed" // may have caught it, and nobody watches it yet
	RoleCleared Role = "cleared" // was watched for it, and all its looks were had
)

var roles = []Role{RoleSick, RoleSuspect, RoleExposed, RoleWatched, RoleCleared}

// OutbreakPlant is a plant that an outbreak concerns.
type OutbreakPlant struct {
	ID        uuid.UUID `json:"id"`
	Name      string    `json:"name"`
	Label     string    `json:"label"`
	Role      Role      `json:"role" enum:"sick,suspect,exposed,watched,cleared"`
	PlaceID   uuid.UUID `json:"placeId" doc:"All zeros where nobody said where it stands."`
	Isolation string    `json:"isolation"`
	Since     day.Day   `json:"since" doc:"Since when it has it, or may have it."`
	// Chance and what follows are of one that may have caught it.
	Chance *working.Amount    `json:"chance,omitempty"`
	Act    exposure.Act       `json:"act,omitempty" enum:"now,watch,look,none"`
	Ways   []string           `json:"ways" doc:"How it may have come to it, in sentences."`
	From   uuid.UUID          `json:"from" doc:"The plant that it may have it from; all zeros where none."`
	Looks  []day.Day          `json:"looks" doc:"Days on which to look for it."`
	Shows  *day.Day           `json:"shows,omitempty" doc:"By when it would be seen."`
	Watch  *record.WatchedFor `json:"watch,omitempty" doc:"What it is watched for, with its next look."`
}

// OutbreakPlace is a place of an outbreak with how many plants stand there in each role.
type OutbreakPlace struct {
	ID        uuid.UUID    `json:"id"`
	Name      string       `json:"name"`
	Isolation bool         `json:"isolation"`
	Plants    int          `json:"plants" doc:"All that stand there."`
	Roles     map[Role]int `json:"roles" doc:"How many of them are sick, suspect, exposed or watched."`
}

// OutbreakOrigin is where a plant may have it from.
type OutbreakOrigin struct {
	Plant uuid.UUID      `json:"plant"`
	From  []OriginWords  `json:"from" doc:"The likeliest first; shares add up to 1."`
	Share working.Amount `json:"share" doc:"How the first share was worked out."`
}

// OriginWords is one such origin in words.
type OriginWords struct {
	Plant uuid.UUID `json:"plant" doc:"All zeros where it came with it or from nobody here."`
	Name  string    `json:"name"`
	Share float64   `json:"share" doc:"0 to 1."`
	Words string    `json:"words"`
}

type outbreakInput struct {
	Cause string `path:"cause" maxLength:"40"`
}

type exposureInput struct {
	PlantPath
	Cause string `query:"cause" required:"true" maxLength:"40"`
}

func (srv *server) outbreakOperations(api huma.API) {
	huma.Register(api, op("list-outbreaks", http.MethodGet, "/api/outbreaks",
		"What travels and is on plants here", "plants"), signedIn(srv, srv.listOutbreaks))
	huma.Register(api, op("get-outbreak", http.MethodGet, "/api/outbreaks/{cause}",
		"Who has it, who may have caught it and from whom", "plants"), signedIn(srv, srv.getOutbreak))
	huma.Register(api, op("get-exposure", http.MethodGet, "/api/plants/{plant}/exposure",
		"Who may have caught something from a plant", "plants"), signedIn(srv, srv.getExposure))
}

func (srv *server) listOutbreaks(ctx context.Context, a store.Account, _ *struct{}) (*outbreaksOutput, error) {
	spreading, err := srv.store.Spreading(ctx, a.Collection.ID)
	if err != nil {
		return nil, err
	}
	out := &outbreaksOutput{}
	out.Body.Outbreaks = []OutbreakLine{}
	for _, x := range spreading {
		one, known := cause.ByID(cause.ID(x.Cause))
		if !known {
			continue // live pests of which nobody knows yet which they are
		}
		out.Body.Outbreaks = append(out.Body.Outbreaks, OutbreakLine{
			Cause: x.Cause, Label: one.Label, Since: x.Since, Sick: x.Sick, Suspects: x.Suspects, Watched: x.Watched,
		})
	}
	return out, nil
}

func (srv *server) getOutbreak(ctx context.Context, a store.Account, in *outbreakInput) (*body[Outbreak], error) {
	return srv.outbreak(ctx, a, cause.ID(in.Cause), nil)
}

func (srv *server) getExposure(ctx context.Context, a store.Account, in *exposureInput) (*body[Outbreak], error) {
	return srv.outbreak(ctx, a, cause.ID(in.Cause), &in.Plant)
}

// outbreak puts together what is known of a cause here: of all that have it, or as if one
// plant alone had it.
func (srv *server) outbreak(
	ctx context.Context, a store.Account, id cause.ID, only *uuid.UUID,
) (*body[Outbreak], error) {
	one, known := cause.ByID(id)
	if _, travels := exposure.ModeOf(id); !known || !travels {
		return nil, huma.Error404NotFound("That goes from no plant to another; pick one of the outbreaks in the list.")
	}
	var t tracing
	err := srv.store.AtOneMoment(ctx, func(s *store.Store) error {
		t = tracing{store: s, collection: a.Collection.ID, cause: id, today: a.Collection.Today(srv.Clock())}
		return t.gather(ctx, only)
	})
	if err != nil {
		return nil, err
	}
	out := Outbreak{
		Cause: string(id), Label: one.Label, Pest: one.Kind == "pest", Today: t.today,
		Means: isolation.Means(isolation.TravelOf(string(id))), Incubation: exposure.Incubation(id, t.today),
		Plants: t.plants(), More: t.more, MoreOn: t.moreOn, Past: t.past, Origins: t.origins(),
	}
	if began, has := t.began(out.Plants); has {
		out.Began = &began
	}
	out.Over = !slices.ContainsFunc(out.Plants, func(p OutbreakPlant) bool { return p.Role != RoleCleared })
	var at []uuid.UUID
	for _, p := range out.Plants {
		if !slices.Contains(at, p.PlaceID) {
			at = append(at, p.PlaceID)
		}
	}
	places, err := srv.store.SomePlaces(ctx, a.Collection.ID, at)
	if err != nil {
		return nil, err
	}
	out.Places = outbreakPlaces(places, out.Plants)
	return &body[Outbreak]{out}, nil
}

// outbreakPlaces counts the plants of an outbreak by place, in the order of the walk.
func outbreakPlaces(places []store.Place, plants []OutbreakPlant) []OutbreakPlace {
	list := []OutbreakPlace{}
	for _, place := range places {
		at := OutbreakPlace{
			ID: place.ID, Name: place.Name, Isolation: place.Isolation, Plants: place.Plants, Roles: map[Role]int{},
		}
		for _, p := range plants {
			if p.PlaceID == place.ID {
				at.Roles[p.Role]++
			}
		}
		if len(at.Roles) > 0 {
			list = append(list, at)
		}
	}
	return list
}
