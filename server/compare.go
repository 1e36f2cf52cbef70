package server

import (
	"context"
	"net/http"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/record"
	"tendermend/record/told"
	"tendermend/store"
)

// SideBySide is plants side by side.
type SideBySide struct {
	Today  day.Day            `json:"today"`
	Plants []PlantRow         `json:"plants"`
	Rows   []told.Beside      `json:"rows" doc:"What each is, where it stands and how it does."`
	Curves []recovery.History `json:"curves" doc:"Readings of each by measure."`
	Sound  bool               `json:"sound" doc:"Whether sound ones of its kind were put beside it."`
}

type compareInput struct {
	Plants  []string `query:"plants,explode" required:"true" minItems:"1" maxItems:"6" doc:"Up to six plants, by id."`
	Sisters bool     `query:"sisters" doc:"Puts sound ones of the first one's kind beside it, while there is room."`
}

func (srv *server) compareOperations(api huma.API) {
	huma.Register(api, op("compare-plants", http.MethodGet, "/api/compare",
		"Up to six plants side by side, with what differs", "record"), signedIn(srv, srv.comparePlants))
}

func (srv *server) comparePlants(ctx context.Context, a store.Account, in *compareInput) (*body[SideBySide], error) {
	today := a.Collection.Today(srv.Clock())
	ids, err := idsOf(in.Plants)
	if err != nil {
		return nil, err
	}
	out := SideBySide{Today: today, Plants: []PlantRow{}, Curves: []recovery.History{}}
	if in.Sisters {
		sound, err := srv.store.SoundOfKind(ctx, a.Collection.ID, ids[0], told.MostBeside-len(ids))
		if err != nil {
			return nil, err
		}
		ids, out.Sound = append(ids, sound...), len(sound) > 0
	}
	page, err := srv.store.Register(ctx, a.Collection.ID, store.Filter{Plants: ids, Limit: len(ids)})
	if err != nil {
		return nil, err
	}
	around := record.Context{South: a.Collection.South}
	var states []record.State
	var places []string
	for _, id := range ids { // in the order in which they were asked for
		for _, row := range page.Rows {
			if row.ID != id {
				continue
			}
			s, err := srv.state(ctx, a, id)
			if err != nil {
				return nil, err
			}
			place := ""
			if row.PlaceName != nil {
				place = *row.PlaceName
			}
			states, places = append(states, s), append(places, place)
			out.Plants, out.Curves = append(out.Plants, plantRow(row, today)), append(out.Curves, s.Readings)
		}
	}
	out.Rows = told.Compare(states, places, around, today)
	return &body[SideBySide]{out}, nil
}

// idsOf reads ids of plants that were picked.
func idsOf(said []string) (ids []uuid.UUID, err error) {
	for _, one := range said {
		id, err := uuid.Parse(one)
		if err != nil {
			return nil, huma.Error422UnprocessableEntity("This is no plant's id; pick the plants in the register.")
		}
		ids = append(ids, id)
	}
	return ids, nil
}
