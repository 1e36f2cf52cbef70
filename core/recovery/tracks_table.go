package recovery

import "slices"

// tracks are all ways of recovery, by what a plant has to do.
var tracks = slices.Concat(rootTracks, orchidTracks, growingTracks, pieceTracks, besideTracks)

var newWilt = []string{"wilt", "yellow", "smell"}
