// Package picture makes what a phone sends fit to be kept: upright, resized,
// without the place and device that a camera writes into it.
package picture

import (
	"bytes"
	"crypto/sha256"
	"errors"
	"fmt"
	"image"
	"image/color"
	"image/draw"
	"image/jpeg"
	_ "image/png" // sent by some phones

	"github.com/kovidgoyal/imaging"
	_ "golang.org/x/image/webp" // sent by some phones
)

// Limits on a picture as it is sent.
const (
	MostBytes  = 20 << 20
	mostPixels = 60_000_000 // more than any phone; a small file can promise more
	mostSide   = 16_000
	// MostUnpacked is what a picture may take in memory, bytes: a small file can
	// hold a large picture.
	MostUnpacked = 140 << 20
)

// Kept pictures have at most so many pixels on their longer side.
const (
	KeptSide  = 1600
	smallSide = 360
)

// Kept is a picture as it is kept.
type Kept struct {
	Width, Height int
	Digest        []byte // SHA-256 of what was sent
	Body          []byte // JPEG
	Small         []byte // JPEG
}

// What can be wrong with a picture.
var (
	ErrFormat = errors.New("this is not a picture that can be read; send a JPEG, a PNG or a WebP")
	ErrLarge  = errors.New("this picture is too large; send one of at most 20 MB and 60 megapixels")
	ErrHeavy  = errors.New("this picture takes too much room when it is unpacked; send a smaller one, or a plain JPEG")
)

// Keep turns a JPEG, PNG or WebP upright, as its camera marked it, makes it
// fit, and writes it anew, so that nothing but the picture itself is kept. The
// size is read before anything is unpacked.
func Keep(sent []byte) (Kept, error) {
	if len(sent) > MostBytes {
		return Kept{}, ErrLarge
	}
	config, format, err := image.DecodeConfig(bytes.NewReader(sent))
	if err != nil || format != "jpeg" && format != "png" && format != "webp" {
		return Kept{}, ErrFormat
	}
	if config.Width > mostSide || config.Height > mostSide || config.Width*config.Height > mostPixels {
		return Kept{}, ErrLarge
	}
	if config.Width < 1 || config.Height < 1 {
		return Kept{}, ErrFormat
	}
	if unpacked(config, format, sent) > MostUnpacked {
		return Kept{}, ErrHeavy
	}
	whole, err := imaging.Decode(bytes.NewReader(sent), imaging.AutoOrientation(false),
		imaging.Backends(imaging.GO_IMAGE), imaging.ColorSpace(imaging.NO_CHANGE_OF_COLORSPACE))
	if err != nil {
		return Kept{}, fmt.Errorf("%w: it is cut off or broken", ErrFormat)
	}
	return keep(upright(whole, turned(sent, format)), sent)
}

// Weight is what a picture takes in memory while it is made fit, bytes; as much
// as any may where it cannot be told.
func Weight(sent []byte) int64 {
	config, format, err := image.DecodeConfig(bytes.NewReader(sent))
	if err != nil {
		return MostUnpacked
	}
	return min(unpacked(config, format, sent), MostUnpacked)
}

// unpacked is what a picture takes in memory, bytes: by its pixels and how its
// format keeps them. A progressive JPEG is unpacked from numbers of four bytes.
func unpacked(c image.Config, format string, sent []byte) int64 {
	each := 4.0
	switch {
	case format == "jpeg":
		s, whole := walk(sent)
		if !whole {
			s.samples, s.progressive = 3, true
		}
		each = s.samples
		if s.progressive {
			each += 4 * s.samples
		}
	case c.ColorModel == color.RGBA64Model || c.ColorModel == color.NRGBA64Model:
		each = 8
	case c.ColorModel == color.GrayModel:
		each = 1
	}
	return int64(each * float64(c.Width) * float64(c.Height))
}

// Draw keeps a picture that the program drew.
func Draw(drawn image.Image) (Kept, error) { return keep(drawn, nil) }

func keep(whole image.Image, sent []byte) (Kept, error) {
	fit := whole
	if b := whole.Bounds(); b.Dx() > KeptSide || b.Dy() > KeptSide {
		fit = imaging.Fit(whole, KeptSide, KeptSide, imaging.Box)
	}
	k := Kept{Width: fit.Bounds().Dx(), Height: fit.Bounds().Dy()}
	var err error
	if k.Body, err = encode(fit, 84); err != nil {
		return Kept{}, err
	}
	if k.Small, err = encode(imaging.Fit(fit, smallSide, smallSide, imaging.Linear), 78); err != nil {
		return Kept{}, err
	}
	if sent == nil {
		sent = k.Body
	}
	sum := sha256.Sum256(sent)
	k.Digest = sum[:]
	return k, nil
}

// encode writes a JPEG; what was see-through becomes white.
func encode(m image.Image, quality int) ([]byte, error) {
	opaque := image.NewRGBA(image.Rect(0, 0, m.Bounds().Dx(), m.Bounds().Dy()))
	draw.Draw(opaque, opaque.Bounds(), image.White, image.Point{}, draw.Src)
	draw.Draw(opaque, opaque.Bounds(), m, m.Bounds().Min, draw.Over)
	var out bytes.Buffer
	if err := jpeg.Encode(&out, opaque, &jpeg.Options{Quality: quality}); err != nil {
		return nil, fmt.Errorf("writing a picture: %w", err)
	}
	return out.Bytes(), nil
}
