package picture_test

import (
	"bytes"
	"encoding/base64"
	"encoding/binary"
	"hash/crc32"
	"image"
	"image/color"
	"image/gif"
	"image/jpeg"
	"image/png"
	"runtime"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/picture"
)

// scene is red on its left half and green on its right.
func scene(w, h int) *image.RGBA {
	m := image.NewRGBA(image.Rect(0, 0, w, h))
	for y := range h {
		for x := range w {
			c := color.RGBA{200, uint8(y % 40), 20, 255}
			if x >= w/2 {
				c = color.RGBA{20, 180, uint8(x % 50), 255}
			}
			m.SetRGBA(x, y, c)
		}
	}
	return m
}

func asJPEG(t testing.TB, m image.Image) []byte {
	t.Helper()
	var out bytes.Buffer
	require.NoError(t, jpeg.Encode(&out, m, &jpeg.Options{Quality: 90}))
	return out.Bytes()
}

// withExif puts an Exif block into a JPEG, as cameras do: how it was held, and a
// maker's name that stands for all that is private (Exif 2.3, CIPA DC-008).
func withExif(jpeg []byte, orientation uint16) []byte {
	maker := "Camera of a carer\x00"
	tiff := []byte("II*\x00\x08\x00\x00\x00")
	tiff = binary.LittleEndian.AppendUint16(tiff, 2)
	entry := func(tag, kind uint16, count, value uint32) {
		tiff = binary.LittleEndian.AppendUint16(tiff, tag)
		tiff = binary.LittleEndian.AppendUint16(tiff, kind)
		tiff = binary.LittleEndian.AppendUint32(tiff, count)
		tiff = binary.LittleEndian.AppendUint32(tiff, value)
	}
	entry(0x010f, 2, uint32(len(maker)), 8+2+24+4)
	entry(0x0112, 3, 1, uint32(orientation))
	tiff = binary.LittleEndian.AppendUint32(tiff, 0)
	tiff = append(tiff, maker...)
	block := append([]byte("Exif\x00\x00"), tiff...)
	app1 := []byte{0xff, 0xe1}
	app1 = binary.BigEndian.AppendUint16(app1, uint16(len(block)+2))
	return append(append(append([]byte{}, jpeg[:2]...), append(app1, block...)...), jpeg[2:]...)
}

func decoded(t *testing.T, raw []byte) image.Image {
	t.Helper()
	m, format, err := image.Decode(bytes.NewReader(raw))
	require.NoError(t, err)
	require.Equal(t, "jpeg", format)
	return m
}

func isRed(m image.Image, x, y int) bool {
	r, g, _, _ := m.At(x, y).RGBA()
	return r > 2*g
}

func TestPicturesAreTurnedUprightAndStripped(t *testing.T) {
	plain := asJPEG(t, scene(80, 40))
	// Where the red half lies after turning, by orientation.
	for orientation, red := range map[uint16]image.Point{1: {5, 20}, 3: {75, 20}, 6: {20, 5}, 8: {20, 75}} {
		sent := withExif(plain, orientation)
		require.Contains(t, string(sent), "Camera of a carer")
		kept, err := picture.Keep(sent)
		require.NoError(t, err)
		m := decoded(t, kept.Body)
		if orientation >= 5 {
			assert.Equal(t, []int{40, 80}, []int{kept.Width, kept.Height}, "orientation %d", orientation)
		}
		assert.True(t, isRed(m, red.X, red.Y), "orientation %d", orientation)
		for _, out := range [][]byte{kept.Body, kept.Small} {
			assert.NotContains(t, string(out), "Camera of a carer")
			assert.NotContains(t, string(out), "Exif")
		}
	}
}

func TestPicturesAreMadeToFit(t *testing.T) {
	kept, err := picture.Keep(asJPEG(t, scene(3000, 2000)))
	require.NoError(t, err)
	assert.Equal(t, 1600, kept.Width)
	assert.InDelta(t, 1600*2000.0/3000, float64(kept.Height), 1, "in the same proportion")
	assert.Equal(t, 360, decoded(t, kept.Small).Bounds().Dx())
	small, err := picture.Keep(asJPEG(t, scene(300, 200)))
	require.NoError(t, err)
	assert.Equal(t, 300, small.Width, "a small one is not blown up")
	again, err := picture.Keep(asJPEG(t, scene(300, 200)))
	require.NoError(t, err)
	assert.Equal(t, small.Digest, again.Digest)
	assert.Equal(t, small.Body, again.Body, "the same twice")
}

func TestPNGAndWebPAreRead(t *testing.T) {
	see := image.NewNRGBA(image.Rect(0, 0, 20, 20)) // see-through
	var out bytes.Buffer
	require.NoError(t, png.Encode(&out, see))
	kept, err := picture.Keep(out.Bytes())
	require.NoError(t, err)
	r, g, b, _ := decoded(t, kept.Body).At(10, 10).RGBA()
	assert.Greater(t, min(r, g, b), uint32(0xf000), "what was see-through is white")
	webp, err := base64.StdEncoding.DecodeString("UklGRiIAAABXRUJQVlA4IBYAAAAwAQCdASoBAAEADsD+JaQAA3AAAAAA")
	require.NoError(t, err)
	kept, err = picture.Keep(webp)
	require.NoError(t, err)
	assert.Equal(t, 1, kept.Width)
}

// promising is a PNG of a few bytes that says it is huge.
func promising(w, h uint32) []byte {
	head := binary.BigEndian.AppendUint32([]byte("IHDR"), w)
	head = binary.BigEndian.AppendUint32(head, h)
	head = append(head, 8, 6, 0, 0, 0)
	out := append([]byte("\x89PNG\r\n\x1a\n"), 0, 0, 0, 13)
	out = append(out, head...)
	return binary.BigEndian.AppendUint32(out, crc32.ChecksumIEEE(head))
}

func TestWhatIsNoPictureIsRefused(t *testing.T) {
	var animated bytes.Buffer
	require.NoError(t, gif.Encode(&animated, scene(4, 4), nil))
	whole := asJPEG(t, scene(400, 300))
	for name, tc := range map[string]struct {
		sent []byte
		want error
	}{
		"words": {[]byte("not a picture at all"), picture.ErrFormat}, "nothing": {nil, picture.ErrFormat},
		"a GIF":    {animated.Bytes(), picture.ErrFormat},
		"cut off":  {whole[:len(whole)/3], picture.ErrFormat},
		"a script": {[]byte("<svg xmlns='http://www.w3.org/2000/svg'/>"), picture.ErrFormat},
		"a bomb":   {promising(50000, 50000), picture.ErrLarge}, "a long bomb": {promising(15000, 15000), picture.ErrLarge},
		"too many bytes": {make([]byte, picture.MostBytes+1), picture.ErrLarge},
	} {
		_, err := picture.Keep(tc.sent)
		assert.ErrorIs(t, err, tc.want, name)
	}
}

func TestMemoryStaysFlat(t *testing.T) {
	sent := asJPEG(t, scene(1600, 1200))
	used := func() uint64 {
		var m runtime.MemStats
		runtime.GC()
		runtime.ReadMemStats(&m)
		return m.HeapAlloc
	}
	for range 3 {
		_, err := picture.Keep(sent)
		require.NoError(t, err)
	}
	before := used()
	for range 25 {
		_, err := picture.Keep(sent)
		require.NoError(t, err)
	}
	assert.Less(t, int64(used())-int64(before), int64(4<<20), "nothing of a picture stays behind")
}

func BenchmarkKeepTwelveMegapixels(b *testing.B) {
	sent := asJPEG(b, scene(4000, 3000))
	b.ReportAllocs()
	for b.Loop() {
		if _, err := picture.Keep(sent); err != nil {
			b.Fatal(err)
		}
	}
}

// What is let in from an archive is nothing but a picture.
func TestPlainPicturesHoldNothingElse(t *testing.T) {
	kept, err := picture.Keep(asJPEG(t, scene(400, 300)))
	require.NoError(t, err)
	w, h, plain := picture.Plain(kept.Body)
	assert.True(t, plain)
	assert.Equal(t, []int{400, 300}, []int{w, h})
	comment := append([]byte{0xff, 0xd8, 0xff, 0xfe, 0, 6}, append([]byte("here"), kept.Body[2:]...)...)
	for name, raw := range map[string][]byte{
		"a camera's words": withExif(kept.Body, 1), "a comment": comment,
		"something behind its end": append(kept.Body[:len(kept.Body):len(kept.Body)], 'x'),
		"cut off":                  kept.Body[:len(kept.Body)-2], "cut in its head": kept.Body[:12], "nothing": nil,
		"words": []byte("no picture"),
	} {
		_, _, plain := picture.Plain(raw)
		assert.False(t, plain, name)
	}
}

// A picture that takes more room than there is for one is refused before it is
// unpacked: by pixels times bytes of each.
func TestPicturesThatUnpackToTooMuchAreRefused(t *testing.T) {
	_, err := picture.Keep(promising(8000, 7500)) // 60 megapixels of four bytes
	assert.ErrorIs(t, err, picture.ErrHeavy)
	assert.EqualValues(t, picture.MostUnpacked, picture.Weight(promising(8000, 7500)))
	assert.EqualValues(t, 4*6000*6100, picture.Weight(promising(6000, 6100)))
	// JPEG of Go's encoder: two samples of colour to four of light, 1.5 bytes a pixel.
	assert.EqualValues(t, 400*300*3/2, picture.Weight(asJPEG(t, scene(400, 300))))
}

// The largest PNG that is taken needs at most 200 MB more.
func TestALargePictureFitsInMemory(t *testing.T) {
	var out bytes.Buffer
	func() { // the picture is not held while its file is read
		m := image.NewNRGBA(image.Rect(0, 0, 6000, 6100)) // 146 MB unpacked
		require.NoError(t, (&png.Encoder{CompressionLevel: png.BestSpeed}).Encode(&out, m))
	}()
	sent := out.Bytes()
	runtime.GC()
	var before, now runtime.MemStats
	runtime.ReadMemStats(&before)
	stop, most := make(chan struct{}), make(chan uint64)
	go func() {
		var peak uint64
		for {
			select {
			case <-stop:
				most <- peak
				return
			case <-time.After(5 * time.Millisecond):
				runtime.ReadMemStats(&now)
				peak = max(peak, now.HeapAlloc)
			}
		}
	}()
	_, err := picture.Keep(sent)
	close(stop)
	require.NoError(t, err)
	assert.Less(t, int64(<-most)-int64(before.HeapAlloc), int64(200<<20))
}
