package store

import (
	"embed"
	"io/fs"
)

//go:embed migrations/*.sql
var migrations embed.FS

// migrationFiles gives the folder of migrations inside the program.
func migrationFiles() fs.FS {
	sub, err := fs.Sub(migrations, "migrations")
	if err != nil {
		panic(err) // the folder is there from the build on
	}
	return sub
}
