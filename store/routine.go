package store

import (
	"context"

	"github.com/google/uuid"

	"tendermend/core/care"
)

const routineKey = "routine"

// Routine is what a collection decided about the ordinary care of all its plants.
type Routine struct {
	Off []care.Job `json:"off" maxItems:"20" doc:"Jobs that are switched off for the whole collection."`
}

// Routine gives what a collection decided; nothing is switched off where it did
// not.
func (s *Store) Routine(ctx context.Context, collection uuid.UUID) (Routine, error) {
	r, _, err := loadSetting[Routine](ctx, s.q(), collection, routineKey)
	if r.Off == nil {
		r.Off = []care.Job{}
	}
	return r, err
}

// SaveRoutine keeps a new version of what a collection decided.
func (s *Store) SaveRoutine(ctx context.Context, a Account, r Routine) error {
	return s.saveSetting(ctx, a, routineKey, r)
}
