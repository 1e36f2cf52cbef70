-- +goose Up
-- Every order of the register is read off an index, a page at a time.
create index plants_by_due on plants
  (collection_id, lpad(greatest(0, coalesce(next_due - date '1900-01-01', 9999999))::text, 7, '0'), id) where here;
create index plants_by_condition on plants (collection_id, lpad(coalesce(condition, 999)::text, 3, '0'), id) where here;
create index plants_by_newest on plants
  (collection_id, lpad((date '2999-12-31' - arrived_on)::text, 7, '0'), id) where here;
create index plants_by_oldest on plants
  (collection_id, lpad(greatest(0, arrived_on - date '1900-01-01')::text, 7, '0'), id) where here;
-- What became of all that came needs no other column of a plant, whatever it is grouped by but
-- for tags and what was tried.
create index plants_came on plants (collection_id, arrived_on) include
  (id, ended_on, standing, paid, fell_ill, mended, in_work, source, origin, mother_id, batch_of, profile, habit,
  packing, school) where here and batch is null;
-- Nor does what tells how likely a plant that was met caught something, nor where each stands.
create index plants_met on plants (collection_id, id) include
  (profile, here, pests_clean, found_well, arrived_on, pot_of);
create index plants_standing on plants (collection_id, id) include (name, profile, habit, place_id, isolation)
  where here and standing not in ('lost', 'given-away');
create index plants_tagged on plants (collection_id) where here and tags <> '{}';

-- +goose Down
drop index plants_tagged, plants_standing, plants_met, plants_came, plants_by_oldest, plants_by_newest, plants_by_condition, plants_by_due;
