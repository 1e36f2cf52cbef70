package store

import (
	"bytes"
	"context"
	"database/sql"
	"errors"
	"fmt"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"
)

// Picture is a picture of a plant as it is kept: JPEG, upright, resized.
type Picture struct {
	ID         uuid.UUID `db:"id" json:"id"`
	PlantID    uuid.UUID `db:"plant_id" json:"plantId"`
	Width      int       `db:"width" json:"width" doc:"Pixels."`
	Height     int       `db:"height" json:"height"`
	RecordedAt time.Time `db:"recorded_at" json:"recordedAt"`
	Digest     []byte    `db:"digest" json:"-"` // of what was sent
	Body       []byte    `db:"body" json:"-"`
	Small      []byte    `db:"small" json:"-"`
}

// AddPicture keeps a picture of a plant. The same one sent again does nothing;
// ErrConflict means that its id was used for another. ErrNotFound means an
// unknown plant.
func (s *Store) AddPicture(ctx context.Context, a Account, p Picture) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error { return s.insertPicture(ctx, tx, a, p) })
}

func (s *Store) insertPicture(ctx context.Context, tx *sqlx.Tx, a Account, p Picture) error {
	var there bool
	if err := tx.GetContext(ctx, &there, `select exists (select from plants
		where collection_id = $1 and id = $2)`, a.Collection.ID, p.PlantID); err != nil {
		return err
	}
	if !there {
		return ErrNotFound
	}
	if p.RecordedAt.IsZero() {
		p.RecordedAt = s.now()
	}
	added, err := tx.ExecContext(ctx, `
		insert into pictures (collection_id, id, plant_id, width, height, digest, body, small, recorded_at, by_user)
		values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) on conflict do nothing`,
		a.Collection.ID, p.ID, p.PlantID, p.Width, p.Height, p.Digest, p.Body, p.Small, p.RecordedAt, a.User.ID)
	if err != nil {
		return fmt.Errorf("keeping a picture: %w", err)
	}
	if n, err := added.RowsAffected(); err != nil || n == 1 {
		return err
	}
	var known Picture
	if err := tx.GetContext(ctx, &known, `select plant_id, digest from pictures
		where collection_id = $1 and id = $2`, a.Collection.ID, p.ID); err != nil {
		return err
	}
	if known.PlantID != p.PlantID || !bytes.Equal(known.Digest, p.Digest) {
		return ErrConflict
	}
	return nil
}

// PictureBytes gives a picture's JPEG, the small one or the whole one.
// ErrNotFound where the plant has no such picture.
func (s *Store) PictureBytes(ctx context.Context, collection, plant, id uuid.UUID, small bool) ([]byte, error) {
	column := "body"
	if small {
		column = "small"
	}
	var body []byte
	err := sqlx.GetContext(
		ctx, s.q(),
		&body,
		`select `+column+` from pictures where collection_id = $1 and plant_id = $2 and id = $3`,
		collection,
		plant,
		id,
	)
	if errors.Is(err, sql.ErrNoRows) {
		return nil, ErrNotFound
	}
	return body, err
}

// Pictures lists the sizes of a plant's pictures, by id.
func (s *Store) Pictures(ctx context.Context, collection, plant uuid.UUID) (map[uuid.UUID]Picture, error) {
	var rows []Picture
	if err := sqlx.SelectContext(ctx, s.q(), &rows, `select id, plant_id, width, height, recorded_at from pictures
		where collection_id = $1 and plant_id = $2`, collection, plant); err != nil {
		return nil, fmt.Errorf("listing the pictures: %w", err)
	}
	byID := make(map[uuid.UUID]Picture, len(rows))
	for _, r := range rows {
		byID[r.ID] = r
	}
	return byID, nil
}

// hasPicture says whether the plant has the picture that an entry names.
func hasPicture(ctx context.Context, tx *sqlx.Tx, collection, plant, id uuid.UUID) (there bool, err error) {
	err = tx.GetContext(
		ctx,
		&there,
		`select exists (select from pictures where collection_id = $1 and plant_id = $2 and id = $3)`,
		collection,
		plant,
		id,
	)
	return there, err
}
