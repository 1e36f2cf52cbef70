package picture

import "encoding/binary"

// Markers of a JPEG that matter here (ITU-T T.81, table B.1).
const (
	soi  = 0xd8
	eoi  = 0xd9
	sos  = 0xda
	sof0 = 0xc0
	sof2 = 0xc2
	dqt  = 0xdb
	dht  = 0xc4
	dri  = 0xdd
)

// segments is what a walk over the segments of a JPEG finds.
type segments struct {
	width, height int
	samples       float64 // a pixel, with its colours at their share
	progressive   bool
	plain         bool // nothing but the picture stands in it
}

// walk reads the segments of a JPEG to its end; false where it is none, or is
// cut off.
func walk(raw []byte) (s segments, ok bool) {
	if len(raw) < 4 || raw[0] != 0xff || raw[1] != soi {
		return s, false
	}
	s.plain = true
	for i := 2; i+1 < len(raw); {
		if raw[i] != 0xff {
			return s, false
		}
		marker := raw[i+1]
		switch {
		case marker == 0xff: // padding
			i++
			continue
		case marker == eoi:
			s.plain = s.plain && i+2 == len(raw)
			return s, s.width > 0
		case restarts(marker) || marker == 0x01:
			i += 2
			continue
		}
		body, whole := segmentAt(raw, i)
		if !whole || !s.segment(marker, body) {
			return s, false
		}
		i += 4 + len(body)
		if marker == sos {
			i = scanEnd(raw, i)
		}
	}
	return s, false
}

// segment reads one segment; false where it cannot be right.
func (s *segments) segment(marker byte, body []byte) bool {
	switch marker {
	case sof0, sof0 + 1, sof2:
		if !s.frame(body) {
			return false
		}
		s.progressive = marker == sof2
	case dqt, dht, dri, sos:
	default:
		s.plain = false // a camera's words, a comment, a profile
	}
	return true
}

// scanEnd finds where the picture itself ends: at a marker that is none of its own.
func scanEnd(raw []byte, i int) int {
	for i+1 < len(raw) && (raw[i] != 0xff || raw[i+1] == 0 || restarts(raw[i+1])) {
		i++
	}
	return i
}

func restarts(marker byte) bool { return marker >= 0xd0 && marker <= 0xd7 }

// frame reads the size and the sampling out of a frame's head.
func (s *segments) frame(body []byte) bool {
	if len(body) < 6 || len(body) < 6+3*int(body[5]) {
		return false
	}
	s.height, s.width = int(binary.BigEndian.Uint16(body[1:])), int(binary.BigEndian.Uint16(body[3:]))
	h, v, sum := 1, 1, 0
	for c := range int(body[5]) {
		factors := body[6+3*c+1]
		fh, fv := int(factors>>4), int(factors&15)
		h, v, sum = max(h, fh), max(v, fv), sum+fh*fv
	}
	s.samples = float64(sum) / float64(h*v)
	return s.width > 0 && s.height > 0
}

// Plain gives the size of a JPEG in which nothing but the picture stands: no
// words of a camera, no place, no comment, nothing behind its end. False for
// everything else.
func Plain(raw []byte) (width, height int, ok bool) {
	s, whole := walk(raw)
	return s.width, s.height, whole && s.plain
}

// segmentAt is what a segment holds behind its marker and its length; false
// where it is cut off.
func segmentAt(raw []byte, i int) (body []byte, whole bool) {
	if i+4 > len(raw) {
		return nil, false
	}
	length := int(binary.BigEndian.Uint16(raw[i+2:]))
	if length < 2 || i+2+length > len(raw) {
		return nil, false
	}
	return raw[i+4 : i+2+length], true
}
