package store

import (
	"cmp"
	"context"
	"errors"
	"fmt"
	"math"
	"strings"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/core/working"
	"tendermend/exchange"
	"tendermend/picture"
	"tendermend/record"
)

// Progress is how far a file has come in.
type Progress struct {
	Done int `json:"done" doc:"Entries that were looked at."`
	Of   int `json:"of" doc:"Entries in the file."`
}

// steps counts entries and tells of them now and then.
type steps struct {
	Progress
	tell func(Progress)
}

// tellEvery is after how many entries it is told how far a file has come in.
const tellEvery = 500

func (x *steps) step() {
	x.Done++
	if x.tell != nil && (x.Done%tellEvery == 0 || x.Done == x.Of) {
		x.tell(x.Progress)
	}
}

// Import takes an archive over into a collection, all of it or nothing, and tells
// how far it has come where somebody listens. What is there already is left
// alone; places are found by name. Refusals are record.Faults, ErrConflict means
// that an id is used for something else.
func (s *Store) Import(
	ctx context.Context,
	a Account,
	in exchange.Archive,
	today day.Day,
	tell func(Progress),
) (added Added, err error) {
	come := &steps{tell: tell}
	for _, p := range in.Plants {
		come.Of += len(p.Entries)
	}
	if faults := in.Faults(); len(faults) > 0 {
		return added, faults
	}
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		s := s.within(tx)
		moved, err := s.importAround(ctx, tx, a, in, today, &added)
		if err != nil {
			return err
		}
		versions, err := s.kindVersions(ctx, a.Collection.ID)
		if err != nil {
			return err
		}
		if added.Cases, err = s.TakeCases(ctx, a, in.Cases); err != nil {
			return err
		}
		for _, p := range in.Plants {
			one, err := s.recordOf(p, moved)
			if err != nil {
				return err
			}
			got, err := s.importPlant(ctx, tx, a, one, func(in *imported) error {
				return in.check(ctx, versions.at, today, come)
			})
			if err != nil {
				return namedIn(err, p)
			}
			added.plus(got, called(p))
		}
		return nil
	})
	if err != nil {
		return Added{}, err
	}
	added.unfit()
	_, err = s.SettleAir(ctx, a.Collection, math.MaxInt)
	return added, err
}

// importAround takes over all but the plants of an archive: places, what was decided, trips, kinds
// and the cupboard. It gives the places that are here under another id.
func (s *Store) importAround(ctx context.Context, tx *sqlx.Tx, a Account, in exchange.Archive, today day.Day,
	added *Added,
) (map[uuid.UUID]uuid.UUID, error) {
	moved, here, err := s.importPlaces(ctx, a.Collection.ID, in.Places)
	if err != nil {
		return nil, err
	}
	if err := s.importStrangePlaces(ctx, a.Collection.ID, in, moved, here, added); err != nil {
		return nil, err
	}
	if err := s.importAir(ctx, tx, a, in, moved, today); err != nil {
		return nil, err
	}
	if err := s.importDecided(ctx, tx, a, in.Decided); err != nil {
		return nil, err
	}
	if err := s.importTrips(ctx, tx, a, in.Trips); err != nil {
		return nil, err
	}
	if err := s.importKinds(ctx, a, in.Kinds, added); err != nil {
		return nil, err
	}
	if err := s.importSupplies(ctx, a, in); err != nil {
		return nil, err
	}
	return moved, nil
}

// unfit says first how much was kept, though not by the rules of today.
func (a *Added) unfit() {
	if a.Unfit > 0 {
		const said = "Taken over as it was. Kept, though not by the rules of today: %s."
		a.Notes = append([]string{fmt.Sprintf(said, working.Count(a.Unfit, "entry"))}, a.Notes...)
	}
	if a.Notes == nil {
		a.Notes = []string{}
	}
}

// importKinds adds the kinds of an archive that the collection does not have.
func (s *Store) importKinds(ctx context.Context, a Account, kinds []exchange.Kind, added *Added) error {
	for _, k := range kinds {
		version, err := s.KindVersion(ctx, a.Collection.ID, k.ID)
		if err != nil {
			return err
		}
		if version > 0 {
			continue
		}
		if faults := k.Faults(); len(faults) > 0 {
			added.note("the kind %s was taken over as it was: %s", cmp.Or(k.Botanical, k.Common, k.ID), faults[0].Message)
		}
		for i, v := range k.Versions {
			if err := s.insertKind(ctx, a, v.Profile, i+1, v.Withdrawn, v.RecordedAt); err != nil {
				return err
			}
		}
		if len(k.Versions) > 0 {
			continue
		}
		if err := s.SaveKind(ctx, a, k.Profile, 0, k.Withdrawn); err != nil {
			return err
		}
	}
	return nil
}

// importStrangePlaces makes places for those that entries name and nobody describes,
// so that a record is not lost for the name of a shelf.
func (s *Store) importStrangePlaces(
	ctx context.Context, collection uuid.UUID, in exchange.Archive, moved map[uuid.UUID]uuid.UUID,
	here map[uuid.UUID]bool, added *Added,
) error {
	for _, p := range in.Plants {
		for _, e := range p.Entries {
			at := placeOf(e)
			if at == nil || here[*at] || moved[*at] != uuid.Nil {
				continue
			}
			name := "A place that the file does not describe, " + at.String()[:8]
			if err := s.AddPlace(ctx, collection, Place{ID: *at, Name: name}); err != nil {
				return err
			}
			here[*at] = true
			added.note("the file names a place that it does not describe: it stands here as “%s”", name)
		}
	}
	return nil
}

// importSupplies adds what of an archive's cupboard is not here yet, and stands
// in for supplies that its entries used and nobody describes: a table of entries
// has no room for them.
func (s *Store) importSupplies(ctx context.Context, a Account, in exchange.Archive) error {
	here, err := s.newestSupplies(ctx, a.Collection.ID)
	if err != nil {
		return err
	}
	have := map[uuid.UUID]bool{}
	for _, x := range here {
		have[x.ID] = true
	}
	for _, x := range in.Supplies {
		if !have[x.ID] {
			have[x.ID] = true
			supply := Supply{ID: x.ID, Name: x.Name, Unit: x.Unit, Low: x.Low, Price: x.Price}
			if err := s.SaveSupply(ctx, a, supply, x.Withdrawn); err != nil {
				return err
			}
		}
		for _, m := range x.Moves {
			if err := s.Stock(ctx, a, StockMove{m.ID, x.ID, m.On, m.Amount, m.Why}, record.StockBelow); err != nil {
				return err
			}
		}
	}
	for id := range in.Used() {
		if have[id] {
			continue
		}
		if err := s.SaveSupply(ctx, a, Supply{ID: id, Name: "supply of another cupboard", Unit: "pieces"}, true); err != nil {
			return err
		}
	}
	return nil
}

// recordOf gives a plant of an archive as it is kept here.
func (s *Store) recordOf(p exchange.Plant, moved map[uuid.UUID]uuid.UUID) (PlantRecord, error) {
	one := PlantRecord{ID: p.ID, Entries: make([]record.Entry, len(p.Entries)), Typed: map[uuid.UUID]bool{}}
	for i, e := range p.Entries {
		one.Entries[i] = inPlaces(e, moved)
		if e.RecordedAt.IsZero() { // a row that was typed by hand: it is recorded now
			one.Entries[i].RecordedAt = s.now()
			one.Typed[e.ID] = true
		}
	}
	for _, x := range p.Pictures {
		kept, err := keptOf(x)
		if err != nil {
			return one, record.Faults{{
				Field:   "pictures",
				Message: fmt.Sprintf("picture %s of %s: %s", x.ID, p.Name, err),
			}}
		}
		one.Pictures = append(one.Pictures, Picture{
			ID: x.ID, PlantID: p.ID, Digest: x.Digest, RecordedAt: x.RecordedAt,
			Width: kept.Width, Height: kept.Height, Body: kept.Body, Small: kept.Small,
		})
	}
	return one, nil
}

// keptOf lets a picture of an archive in by the same door as one that is sent:
// one in which nothing but the picture stands stays as it is, any other is made
// fit anew.
func keptOf(x exchange.Picture) (picture.Kept, error) {
	width, height, plain := picture.Plain(x.JPEG)
	_, _, small := picture.Plain(x.Small)
	if plain && small && max(width, height) <= picture.KeptSide {
		return picture.Kept{Width: width, Height: height, Body: x.JPEG, Small: x.Small}, nil
	}
	return picture.Keep(x.JPEG)
}

// importPlaces finds or makes the places of an archive and says under which id
// each stands here, and which places there are then.
func (s *Store) importPlaces(
	ctx context.Context,
	collection uuid.UUID,
	places []exchange.Place,
) (moved map[uuid.UUID]uuid.UUID, there map[uuid.UUID]bool, err error) {
	here, err := s.places(ctx, collection, `true`)
	if err != nil {
		return nil, nil, err
	}
	byName, byID := map[string]uuid.UUID{}, map[uuid.UUID]bool{}
	for _, p := range here {
		if byID[p.ID] = true; !p.Gone {
			byName[strings.ToLower(p.Name)] = p.ID
		}
	}
	moved = map[uuid.UUID]uuid.UUID{}
	var added []exchange.Place
	for _, p := range places {
		if byID[p.ID] {
			continue
		}
		if at, known := byName[strings.ToLower(p.Name)]; known && !p.Gone {
			moved[p.ID] = at
			continue
		}
		added = append(added, p)
		if byID[p.ID] = true; !p.Gone {
			byName[strings.ToLower(p.Name)] = p.ID
		}
	}
	for _, p := range added { // what a place is a part of may stand under another id here
		place := Place{
			ID: p.ID, Name: p.Name, Light: p.Light, Isolation: p.Isolation, Details: p.Details, PartOf: p.PartOf,
			Gone: p.Gone,
		}
		if p.PartOf != nil {
			if at, is := moved[*p.PartOf]; is {
				place.PartOf = &at
			}
		}
		if err := s.AddPlace(ctx, collection, place); err != nil {
			return nil, nil, err
		}
	}
	return moved, byID, nil
}

// inPlaces turns an entry's place into the one under which it stands here.
func inPlaces(e record.Entry, moved map[uuid.UUID]uuid.UUID) record.Entry {
	switch {
	case e.Arrived != nil && e.Arrived.Place != nil:
		if at, is := moved[*e.Arrived.Place]; is {
			arrived := *e.Arrived
			arrived.Place = &at
			e.Arrived = &arrived
		}
	case e.Moved != nil && e.Moved.Place != nil:
		if at, is := moved[*e.Moved.Place]; is {
			to := *e.Moved
			to.Place = &at
			e.Moved = &to
		}
	}
	return e
}

// plus counts in what one plant added.
func (a *Added) plus(got Added, name string) {
	a.Plants += got.Plants
	a.Entries += got.Entries
	a.Pictures += got.Pictures
	a.Known += got.Known
	a.Unfit += got.Unfit
	for _, said := range got.Notes {
		a.note("%s: %s", name, said)
	}
}

// called is what tells a plant of a file from the others: its name, its label, or its id.
func called(p exchange.Plant) string {
	name := strings.TrimSpace(p.Name)
	for _, e := range p.Entries {
		if e.Arrived != nil && name == "" {
			name = cmp.Or(strings.TrimSpace(e.Arrived.Name), strings.TrimSpace(e.Arrived.Label))
		}
	}
	return cmp.Or(name, "the plant "+p.ID.String())
}

// namedIn names the plant of a conflict; other errors stay as they are.
func namedIn(err error, p exchange.Plant) error {
	if errors.Is(err, ErrConflict) {
		return fmt.Errorf("plant %s (%s): %w", p.ID, p.Name, err)
	}
	return err
}
