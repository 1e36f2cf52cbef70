package picture

import (
	"bytes"
	"image"
	"time"

	"github.com/bep/imagemeta"
	"github.com/kovidgoyal/imaging"
)

// readsWithin is how long the notes of a camera may take to be read.
const readsWithin = 2 * time.Second

var metaFormats = map[string]imagemeta.ImageFormat{
	"jpeg": imagemeta.JPEG, "png": imagemeta.PNG, "webp": imagemeta.WebP,
}

// turned reads how the camera was held (Exif 2.3, tag 0x0112: 1 upright, to 8); 1 where
// nothing tells, or where its notes are broken: the picture is not.
func turned(sent []byte, format string) int {
	how := 1
	_, err := imagemeta.Decode(imagemeta.Options{
		R: bytes.NewReader(sent), ImageFormat: metaFormats[format], Sources: imagemeta.EXIF, Timeout: readsWithin,
		ShouldHandleTag: func(tag imagemeta.TagInfo) bool { return tag.Tag == "Orientation" },
		HandleTag: func(tag imagemeta.TagInfo) error {
			if v, is := tag.Value.(uint16); is && v >= 1 && v <= 8 {
				how = int(v)
			}
			return imagemeta.ErrStopWalking
		},
	})
	if err != nil {
		return 1
	}
	return how
}

// upright turns a picture as it was seen.
func upright(m image.Image, how int) image.Image {
	switch how {
	case 2:
		return imaging.FlipH(m)
	case 3:
		return imaging.Rotate180(m)
	case 4:
		return imaging.FlipV(m)
	case 5:
		return imaging.Transpose(m)
	case 6:
		return imaging.Rotate270(m)
	case 7:
		return imaging.Transverse(m)
	case 8:
		return imaging.Rotate90(m)
	}
	return m
}
