// Package web holds the built front end, so that the program is one file.
package web

import (
	"embed"
	"io/fs"
)

//go:embed all:dist
var dist embed.FS

// Files gives the built front end; it has no index.html before the front end
// has been built.
func Files() fs.FS {
	sub, err := fs.Sub(dist, "dist")
	if err != nil {
		panic(err) // the folder is there from the build on
	}
	return sub
}
