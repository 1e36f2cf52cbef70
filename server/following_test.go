package server_test

import (
	"bytes"
	"image"
	"image/color"
	"image/jpeg"
	"net/http"
	"strings"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/server"
)

func shot(t *testing.T, w, h int) string {
	t.Helper()
	m := image.NewRGBA(image.Rect(0, 0, w, h))
	for x := range w {
		m.SetRGBA(x, h/2, color.RGBA{uint8(x), 120, 40, 255})
	}
	var out bytes.Buffer
	require.NoError(t, jpeg.Encode(&out, m, nil))
	return out.String()
}

func TestPicturesAreKeptAndShown(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "other@example.org")
	plant, picture := c.takeIn("Fern"), newID()
	at := "/api/plants/" + plant + "/pictures/" + picture
	early := c.record(plant, map[string]any{"pictured": map[string]any{"picture": picture, "side": "front"}})
	assert.Equal(t, 422, early.status)
	assert.Contains(t, early.raw, "send it first")

	a := c.call("PUT", at, shot(t, 2000, 1000))
	require.Equal(t, 200, a.status, a.raw)
	assert.EqualValues(t, 1600, a.body["width"])
	assert.Equal(t, 200, c.call("PUT", at, shot(t, 2000, 1000)).status, "the same again does nothing")
	assert.Equal(t, 409, c.call("PUT", at, shot(t, 300, 200)).status, "its id stands for that one")
	require.Equal(
		t,
		200,
		c.record(
			plant,
			map[string]any{
				"pictured": map[string]any{
					"picture": picture,
					"side":    "front",
					"scale":   map[string]any{"x1": 0.2, "y1": 0.4, "x2": 0.6, "y2": 0.4, "mm": 120},
				},
			},
		).status,
	)

	whole := c.call("GET", at, nil)
	assert.Equal(t, "image/jpeg", whole.header.Get("Content-Type"))
	assert.Contains(t, whole.header.Get("Cache-Control"), "private")
	assert.Equal(t, "nosniff", whole.header.Get("X-Content-Type-Options"))
	small := c.call("GET", at+"?small=true", nil)
	assert.Less(t, len(small.raw), len(whole.raw))
	file := c.call("GET", "/api/plants/"+plant, nil)
	view := file.body["follow"].(map[string]any)["pictures"].([]any)[0].(map[string]any)
	assert.InDelta(t, 300, view["widthMm"], 1e-9)

	assert.Equal(t, 404, stranger.call("GET", at, nil).status)
	assert.Equal(t, 404, stranger.call("PUT", "/api/plants/"+plant+"/pictures/"+newID(), shot(t, 30, 20)).status)
	other := c.takeIn("Fig")
	assert.Equal(
		t,
		404,
		c.call("GET", "/api/plants/"+other+"/pictures/"+picture, nil).status,
		"it is of another plant",
	)
	assert.Equal(
		t,
		422,
		c.record(other, map[string]any{"pictured": map[string]any{"picture": picture, "side": "front"}}).status,
	)

	for sent, says := range map[string]struct {
		status int
		words  string
	}{
		"words": {422, "send a JPEG, a PNG or a WebP"}, "": {400, "What came was empty"},
		strings.Repeat("x", 21<<20): {413, "send at most 20 MB at once"},
	} {
		a := c.call("PUT", "/api/plants/"+plant+"/pictures/"+newID(), sent)
		assert.Equal(t, says.status, a.status, "%d bytes", len(sent))
		assert.Contains(t, a.body["detail"], says.words)
		assert.Equal(t, "application/problem+json", a.header.Get("Content-Type"))
	}
}

func TestLookingBackIsTheOwnersAlone(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, stranger := member(t, url, "one@example.org"), member(t, url, "other@example.org")
	plant, picture := c.takeIn("Fern of the <b>hall</b>"), newID()
	require.Equal(t, 200, c.call("PUT", "/api/plants/"+plant+"/pictures/"+picture, shot(t, 60, 40)).status)
	require.Equal(
		t,
		200,
		c.record(plant, map[string]any{"pictured": map[string]any{"picture": picture, "side": "front"}}).status,
	)
	require.Equal(t, 200, c.record(plant, map[string]any{"watered": map[string]any{}}).status)
	require.Equal(
		t,
		200,
		c.record(
			plant,
			map[string]any{
				"closed": map[string]any{"outcome": "lost", "reason": "Frost at the <script>door</script>."},
			},
		).status,
	)

	review := c.call("GET", "/api/plants/"+plant+"/review?span=year", nil)
	require.Equal(t, 200, review.status, review.raw)
	assert.EqualValues(t, 1, review.body["watered"])
	page := c.call("GET", "/api/plants/"+plant+"/review.html", nil)
	assert.Contains(t, page.header.Get("Content-Type"), "text/html")
	assert.Contains(t, page.header.Get("Content-Disposition"), "attachment")
	assert.Contains(t, page.raw, "data:image/jpeg;base64,")
	assert.NotContains(t, page.raw, "<script>door", "words stay words")
	assert.NotContains(t, page.raw, "http://", "it needs nothing else")
	assert.NotContains(t, page.raw, "src=\"/")

	assert.Contains(t, page.raw, "1 watering", "one is one")
	assert.Contains(t, page.raw, "100%", "alone it is drawn whole")

	all := c.call("GET", "/api/review", nil)
	assert.EqualValues(t, 1, all.body["all"].(map[string]any)["lost"])
	assert.Contains(t, all.raw, "Fern")
	none := stranger.call("GET", "/api/review", nil)
	assert.EqualValues(t, 0, none.body["all"].(map[string]any)["lost"])
	assert.NotContains(t, none.raw, "Fern")
}

func TestBeforeAndAfterAreDrawnOnOneScale(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	plant := c.takeIn("Fern")
	// The pot of 120 mm fills 0.6 of the first picture and 0.3 of the second.
	for i, share := range []float64{0.6, 0.3} {
		picture := newID()
		require.Equal(t, 200, c.call("PUT", "/api/plants/"+plant+"/pictures/"+picture, shot(t, 60+i, 40)).status)
		a := c.record(plant, map[string]any{"pictured": map[string]any{"picture": picture, "side": "front",
			"scale": map[string]any{"x1": 0.1, "y1": 0.4, "x2": 0.1 + share, "y2": 0.4, "mm": 120}}})
		require.Equal(t, 200, a.status, a.raw)
	}
	page := c.call("GET", "/api/plants/"+plant+"/review.html", nil).raw
	assert.Contains(t, page, `style="width: 50%"`, "it shows 200 mm")
	assert.Contains(t, page, `style="width: 100%"`, "it shows 400 mm")
}

func TestACollectionGoesOutAndIntoAnother(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c, other := member(t, url, "one@example.org"), member(t, url, "other@example.org")
	plant := c.takeIn("Fern")
	require.Equal(
		t,
		200,
		c.record(plant, map[string]any{"noted": map[string]any{"text": "by the east window"}}).status,
	)
	for path, kind := range map[string]string{"/api/archive.json": "application/json",
		"/api/archive.json?pictures=false": "application/json", "/api/entries.csv": "text/csv",
		"/api/register.csv":                      "text/csv",
		"/api/plants/" + plant + "/archive.json": "application/json", "/api/plants/" + plant + "/entries.csv": "text/csv"} {
		a := c.call("GET", path, nil)
		assert.Equal(t, 200, a.status, path)
		assert.Contains(t, a.header.Get("Content-Type"), kind, path)
		assert.Contains(t, a.raw, plant, path)
		if !strings.Contains(path, plant) {
			assert.NotContains(t, other.call("GET", path, nil).raw, plant, path)
		} else {
			assert.Equal(t, 404, other.call("GET", path, nil).status, path)
		}
	}
	archive := c.call("GET", "/api/archive.json", nil).raw
	a := other.call("POST", "/api/import", archive)
	require.Equal(t, 200, a.status, a.raw)
	assert.EqualValues(t, 1, a.body["plants"])
	assert.Contains(t, other.call("GET", "/api/plants/"+plant+"/entries", nil).raw, "by the east window")
	a = other.call("POST", "/api/import", archive)
	assert.EqualValues(t, 0, a.body["entries"])
	assert.EqualValues(t, 2, a.body["known"])

	changed := strings.Replace(archive, "by the east window", "by the west window", 1)
	a = other.call("POST", "/api/import", changed)
	assert.Equal(t, http.StatusConflict, a.status, "what is here is never overwritten")
	assert.Contains(t, other.call("GET", "/api/plants/"+plant+"/entries", nil).raw, "by the east window")

	forged := strings.ReplaceAll(archive, `"habit": "aroid-vine"`, `"habit": "dragon"`)
	forged = strings.ReplaceAll(forged, plant, uuid.NewString())
	third := member(t, url, "third@example.org")
	a = third.call("POST", "/api/import", forged)
	assert.Equal(t, 422, a.status, "what could not be recorded cannot come in either: %s", a.raw)
	a = third.call("POST", "/api/import", "name,habit\nFern,fern\nFig,shrub\n")
	assert.Equal(t, 422, a.status)
	a = third.call("POST", "/api/import", "name,habit\nFern,fern\nFig,woody\n")
	assert.EqualValues(t, 2, a.body["plants"], a.raw)
	a = third.call("POST", "/api/import", "hello")
	assert.Equal(t, 422, a.status)
	assert.Contains(t, a.raw, "Nothing was taken over")
}

func TestThePlantsFileTellsWhatFollowingItComesTo(t *testing.T) {
	_, url := serve(t, server.Options{OpenAccounts: true})
	c := member(t, url, "one@example.org")
	plant := c.takeIn("Monstera")
	step := func(body map[string]any) {
		t.Helper()
		a := c.record(plant, body)
		require.Equal(t, 200, a.status, a.raw)
	}
	step(
		map[string]any{
			"examined": map[string]any{
				"present": []string{"root.mushy", "root.smell", "pest.cotton"},
				"absent":  []string{},
			},
		},
	)
	step(map[string]any{"diagnosed": map[string]any{"causes": []string{"root-rot", "mealybug"}}})
	step(map[string]any{"planned": map[string]any{"answers": map[string]any{}}})
	step(
		map[string]any{
			"checked": map[string]any{
				"readings": []map[string]any{{"measure": "wilt", "value": 1}, {"measure": "live-pests", "value": 1}},
			},
		},
	)
	step(map[string]any{"grown": map[string]any{"growth": newID(), "sort": "leaf", "state": "starting"}})
	a := c.call("GET", "/api/plants/"+plant, nil)
	follow := a.body["follow"].(map[string]any)
	assert.Len(t, follow["strands"], 1)
	assert.Len(t, follow["clocks"], 1)
	assert.NotEmpty(t, follow["due"])
	odds := follow["odds"].(map[string]any)
	assert.Greater(t, odds["most"], odds["least"])
	assert.NotEmpty(t, odds["working"].(map[string]any)["inputs"])
	assert.NotNil(t, follow["score"])
	assert.Len(t, a.body["beside"], 1)
	assert.Equal(t, "pest-clearance", a.body["beside"].([]any)[0].(map[string]any)["track"])
	expected := a.body["recovery"].(map[string]any)["expected"].(map[string]any)
	assert.LessOrEqual(t, expected["from"], expected["to"])
	assert.Equal(t, false, expected["late"])
	kept := c.call("GET", "/api/plants?standing=kept-under-watch", nil)
	assert.EqualValues(t, 0, kept.body["total"])
	step(map[string]any{"closed": map[string]any{"outcome": "kept-under-watch"}})
	kept = c.call("GET", "/api/plants?standing=kept-under-watch", nil)
	assert.EqualValues(t, 1, kept.body["total"])
}
