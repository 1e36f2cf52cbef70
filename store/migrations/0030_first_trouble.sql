-- +goose Up
-- Of each plant its first trouble: when it fell ill and was well again, by which school it was
-- treated, and whether any trouble is still being worked on; so that what became of ten thousand
-- plants is read without their cases.
alter table plants add column fell_ill date, add column mended date,
	add column in_work boolean not null default false, add column school text not null default '';

-- +goose Down
alter table plants drop column fell_ill, drop column mended, drop column in_work, drop column school;
