package main

import (
	"bytes"
	"flag"
	"fmt"
	"image"
	"image/jpeg"
	"io"
	"math/rand/v2"
	"net/http"
	"runtime"
	"time"

	"github.com/google/uuid"

	"tendermend/core/day"
)

// As many as a club takes in a week.
var uploads = flag.Int("uploads", 200, "pictures of twelve megapixels that are sent")

// upload sends pictures of twelve megapixels and tells how long each took, and
// what memory was held before, between and after.
func upload(c *http.Client, file string) error {
	shot := image.NewRGBA(image.Rect(0, 0, 4000, 3000))
	chance := rand.New(rand.NewPCG(3, 4))
	for i := range shot.Pix {
		shot.Pix[i] = uint8(i/4000%200) + uint8(chance.IntN(40))
	}
	var sent bytes.Buffer
	if err := jpeg.Encode(&sent, shot, &jpeg.Options{Quality: 88}); err != nil {
		return err
	}
	shot = nil
	fmt.Printf("\n%d pictures of 12 megapixels, %.1f MB each\n", *uploads, float64(sent.Len())/(1<<20))
	var times []time.Duration
	for n := range *uploads {
		id := uuid.Must(uuid.NewV7())
		begun := time.Now()
		req, err := http.NewRequest("PUT", file+"/pictures/"+id.String(), bytes.NewReader(sent.Bytes()))
		if err != nil {
			return err
		}
		req.Header.Set("Content-Type", "image/jpeg")
		res, err := c.Do(req)
		if err != nil {
			return err
		}
		_, _ = io.Copy(io.Discard, res.Body)
		res.Body.Close()
		if res.StatusCode != http.StatusOK {
			return fmt.Errorf("a picture: %s", res.Status)
		}
		times = append(times, time.Since(begun))
		if n%50 == 0 || n == *uploads-1 {
			var m runtime.MemStats
			runtime.GC()
			runtime.ReadMemStats(&m)
			fmt.Printf(
				"after %3d: %.0f MB in use, %.0f MB taken from the system\n",
				n+1,
				float64(m.HeapAlloc)/(1<<20),
				float64(m.Sys)/(1<<20),
			)
		}
		if _, err := ask(c, "POST", file+"/entries", map[string]any{"id": uuid.Must(uuid.NewV7()),
			"on": day.At(time.Now().UTC()), "pictured": map[string]any{"picture": id, "side": "front"}}); err != nil {
			return err
		}
	}
	fmt.Println(figures("a picture stored", times))
	times, err := often(func() (time.Duration, error) { return ask(c, "GET", file, nil) }, 100, 2)
	if err != nil {
		return err
	}
	fmt.Println(figures("the plant's file with them", times))
	return nil
}
