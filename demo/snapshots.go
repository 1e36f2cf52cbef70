package demo

import (
	"fmt"
	"math"
	"runtime"

	"github.com/google/uuid"
	"golang.org/x/sync/errgroup"

	"tendermend/core/day"
	"tendermend/demo/drawing"
	"tendermend/picture"
	"tendermend/record"
	"tendermend/store"
)

// shoot takes a picture: the program draws the plant as it is.
func (h *hand) shoot(on day.Day) {
	l, state := h.life, h.state()
	scene := drawing.Scene{
		Figure:  l.figure,
		Limp:    l.plant.Limp,
		PotMM:   130,
		DeepMM:  110,
		Largest: l.plant.LeafMM * 1.15,
		Seed:    uint64(len(h.label)) + uint64(l.plant.Age()),
		Pests:   l.plant.Colony,
		Clear:   state.Habit.Orchid,
	}
	if w := state.Pot.WidthCM; w != nil {
		scene.PotMM = *w * 10
		scene.DeepMM = *w * 8.5
	}
	scene.FrameMM = scene.PotMM
	if w := state.Arrival.PotWidthCM; w != nil {
		scene.FrameMM = max(scene.FrameMM, *w*10)
	}
	for _, leaf := range l.plant.Leaves {
		if leaf.Lost == nil {
			scene.Blades = append(scene.Blades, drawing.Blade{MM: leaf.MM, Yellow: leaf.Yellow})
		}
	}
	h.showTrouble(&scene)
	if n := state.Arrival.Growths; n != nil && state.Habit.Orchid {
		for i := range min(*n, 6) {
			scene.Bulbs = append(scene.Bulbs, l.plant.LeafMM*(0.3+0.03*float64(i)))
		}
	}
	for _, g := range l.plant.Growths {
		scene.Bulbs = append(scene.Bulbs, g.MM)
	}
	for _, r := range l.plant.Roots {
		if r.Alive {
			scene.Roots = append(scene.Roots, r.MM)
		}
	}
	if _, stage, in := state.CurrentStage(); in {
		scene.Cover = stage.Weans || stage.ID == "stabilise"
	}
	shot := id(fmt.Sprintf("%s/picture/%s", h.label, on))
	h.shots = append(h.shots, snapshot{shot, on, scene})
	pot := drawing.Rim(scene)
	h.writeOn(on, record.Body{Pictured: &record.Pictured{Picture: shot, Side: record.SideFront,
		Scale: &record.Scale{
			X1: pot.X1 / drawing.Width,
			Y1: pot.Y / drawing.Width,
			X2: pot.X2 / drawing.Width,
			Y2: pot.Y / drawing.Width,
			MM: scene.PotMM,
			Of: "the pot",
		}}})
}

// snapshot is a picture that is still to be drawn.
type snapshot struct {
	id    uuid.UUID
	on    day.Day
	scene drawing.Scene
}

// develop draws the pictures of all stories, as many at once as there are
// processors.
func (c *clinic) develop() error {
	var work errgroup.Group
	work.SetLimit(runtime.NumCPU())
	for _, h := range c.hands {
		h.pictures = make([]store.Picture, len(h.shots))
		for i, shot := range h.shots {
			work.Go(func() error {
				kept, err := picture.Draw(drawing.Draw(shot.scene))
				if err != nil {
					return fmt.Errorf("demo picture of %s: %w", h.label, err)
				}
				h.pictures[i] = store.Picture{
					ID:         shot.id,
					PlantID:    h.plant,
					Width:      kept.Width,
					Height:     kept.Height,
					Digest:     kept.Digest,
					Body:       kept.Body,
					Small:      kept.Small,
					RecordedAt: shot.on.Time(),
				}
				return nil
			})
		}
	}
	return work.Wait()
}

// Shares of what a picture shows of a plant that looks as ill as can be.
const (
	mostYellow = 0.55 // of its leaves, the oldest first
	limpFrom   = 0.4  // how ill it must look to hang
)

// showTrouble draws the trouble that a plant is in: its oldest leaves yellow, all
// of it limp. Both pass as it mends.
func (h *hand) showTrouble(scene *drawing.Scene) {
	ill := h.life.plant.Ailing()
	scene.Limp = scene.Limp || ill >= limpFrom
	for i := range int(math.Round(mostYellow * ill * float64(len(scene.Blades)))) {
		scene.Blades[i].Yellow = true
	}
}
