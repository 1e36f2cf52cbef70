package store

import (
	"embed"
	"io/fs"
)

// must gives the folder of migrations inside the embedded files; it is there
// from the build on.
func must(files embed.FS) fs.FS {
	sub, err := fs.Sub(files, "migrations")
	if err != nil {
		panic(err)
	}
	return sub
}
